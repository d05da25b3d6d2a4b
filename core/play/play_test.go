package play_test

import (
	"math/rand/v2"
	"testing"

	"azzel/core/body"
	"azzel/core/edit"
	"azzel/core/grid"
	"azzel/core/kinds/props"
	"azzel/core/play"
	"azzel/core/play/generate"
	"azzel/core/tiles"
	"azzel/core/world"
)

func apply(t *testing.T, d *world.Document, parts ...edit.Part) *world.Document {
	t.Helper()
	res, err := edit.Apply(d, edit.Edit{Parts: parts})
	if err != nil {
		t.Fatal(err)
	}
	return res.Document
}

func paint(m *world.Map, r grid.Rect, c grid.Cell) edit.Part {
	g := grid.BoxRegion(r.Meet(m.Bounds))
	return edit.Paint{Map: m.ID, Layer: m.PlayerLayer, Region: g, Cells: grid.Runs{{N: g.Len(), Cell: c}}}
}

func piece(d *world.Document, m *world.Map, id world.ID, of world.ID, x, y int) edit.Part {
	p := &world.Piece{Type: of, Layer: m.PlayerLayer, Foot: d.Project.Lattice().Foot(grid.Point{X: x, Y: y})}
	return edit.Put{Ref: world.Ref{Sort: world.SortPiece, Map: m.ID, ID: id}, Values: p.Values()}
}

func room(t *testing.T) *world.Document {
	t.Helper()
	d, err := world.Start(world.Project{Name: "Fern grotto", CellW: 16, CellH: 16, SeenW: 10, SeenH: 8}, &world.Counter{Prefix: 2})
	if err != nil {
		t.Fatal(err)
	}
	return d
}

// begun is a random world and a game on it.
func begun(t *testing.T, seed uint64) (*world.Document, *play.Game) {
	t.Helper()
	d, err := generate.World(seed)
	if err != nil {
		t.Fatal(err)
	}
	g, err := play.New(d, play.Start{})
	if err != nil {
		t.Fatalf("world %d: %v", seed, err)
	}
	return d, g
}

func walk(g *play.Game, in play.Input, ticks int) (events []play.Event) {
	for range ticks {
		g.Tick(in)
		events = append(events, g.Events()...)
	}
	return events
}

// Over many worlds, edits between random ticks never leave the player in what
// is solid, however the document changes under them.
func TestNeverInsideSolid(t *testing.T) {
	worlds, ticks := 120, 500
	if testing.Short() {
		worlds, ticks = 40, 300
	}
	for seed := range uint64(worlds) {
		r := rand.New(rand.NewPCG(seed, 79))
		d, g := begun(t, seed)
		var undo [][]edit.Part
		for tick, in := range generate.Inputs(seed, ticks) {
			if r.IntN(6) == 0 {
				e := randomEdit(r, d, g)
				if len(undo) > 0 && r.IntN(3) == 0 {
					e = edit.Edit{Undoes: 1, Parts: undo[len(undo)-1]}
					undo = undo[:len(undo)-1]
				}
				res, err := edit.Apply(d, e)
				if err != nil {
					continue
				}
				d, undo = res.Document, append(undo, res.Inverse)
				if err := g.SetDocument(d); err != nil {
					break // there is nowhere left to stand
				}
				if !g.Fits() {
					t.Fatalf("world %d, tick %d: the player is in a wall after an edit", seed, tick)
				}
			}
			if tick/40%5 == 3 {
				in |= play.Through // and is free again after it
			}
			if tick/30%7 == 2 {
				in |= play.Laden
			}
			g.Tick(in)
			if !g.Fits() {
				t.Fatalf("world %d, tick %d: the player walked into a wall", seed, tick)
			}
		}
	}
}

// One who walks straight at the corner of a gap goes round it; far from the gap the wall
// stops them.
func TestCornersAreRounded(t *testing.T) {
	d := room(t)
	m := d.Maps[0]
	b := m.Bounds
	d = apply(t, d, paint(m, grid.Rect{X: 6, Y: b.Y, W: 1, H: b.H}, grid.Cell(tiles.Wall)), paint(m, grid.Rect{X: 6, Y: 4, W: 1, H: 1}, 0))
	for _, c := range []struct {
		off    play.Input
		ticks  int
		passes bool
	}{{0, 0, true}, {play.Down, 3, true}, {play.Up, 7, true}, {play.Down, 16, false}, {play.Up, 16, false}} {
		g, err := play.New(d, play.Start{Map: m.ID, Cell: grid.Point{X: 3, Y: 4}})
		if err != nil {
			t.Fatal(err)
		}
		walk(g, c.off, c.ticks)
		walk(g, play.Right, 120)
		if x := g.Status().Place.Cell(d.Project.Lattice()).X; (x > 6) != c.passes {
			t.Errorf("after %d ticks to the side one came to column %d", c.ticks, x)
		}
	}
}

// The player still comes through a gap from three eighths of a cell beside it: of its height for who goes sideways, of its
// width for who goes up or down.
func TestCornersOfOblongCells(t *testing.T) {
	for _, c := range []struct{ w, h int }{{32, 8}, {8, 32}, {16, 16}} {
		for in, side := range map[play.Input]int{play.Right: c.h, play.Down: c.w} {
			d, err := world.Start(world.Project{Name: "Fern grotto", CellW: c.w, CellH: c.h, SeenW: 10, SeenH: 10}, &world.Counter{Prefix: 2})
			if err != nil {
				t.Fatal(err)
			}
			m := d.Maps[0]
			wall, gap, across := grid.Rect{X: 6, Y: m.Bounds.Y, W: 1, H: m.Bounds.H}, grid.Rect{X: 6, Y: 4, W: 1, H: 1}, play.Down
			if in == play.Down {
				wall, gap, across = grid.Rect{X: m.Bounds.X, Y: 6, W: m.Bounds.W, H: 1}, grid.Rect{X: 4, Y: 6, W: 1, H: 1}, play.Right
			}
			d = apply(t, d, paint(m, wall, grid.Cell(tiles.Wall)), paint(m, gap, 0))
			furthest := 0
			for ticks := range 60 {
				g, err := play.New(d, play.Start{Map: m.ID, Cell: grid.Point{X: 4, Y: 4}})
				if err != nil {
					t.Fatal(err)
				}
				at := g.Status().Place
				walk(g, across, ticks)
				off := max(g.Status().Place.X-at.X, g.Status().Place.Y-at.Y)
				if off > 2*side*body.Unit {
					break // Further off there is only wall.
				}
				walk(g, in, 200)
				if to := g.Status().Place.Cell(d.Project.Lattice()); in == play.Right && to.X > 6 || in == play.Down && to.Y > 6 {
					furthest = max(furthest, off)
				}
			}
			// The body is a little narrower than the gap, which adds to the three eighths.
			if share := float64(furthest) / float64(side*body.Unit); share < 0.35 || share > 0.6 {
				t.Errorf("in cells of %d × %d px, going %d, the player comes through from %.2f of the side away", c.w, c.h, in, share)
			}
		}
	}
}

// One slides along a wall, is stopped by the edge of the map, and counts steps.
func TestWalking(t *testing.T) {
	d := room(t)
	m := d.Maps[0]
	g, err := play.New(d, play.Start{Map: m.ID, Cell: grid.Point{X: 2, Y: 1}})
	if err != nil {
		t.Fatal(err)
	}
	y := g.Status().Place.Y
	walk(g, play.Right|play.Up, 60)
	s := g.Status()
	if s.Place.Y > y || s.Place.X <= body.At(d.Project.Lattice(), grid.Point{X: 4, Y: 1}).X {
		t.Errorf("one does not slide along a wall: %+v", s.Place)
	}
	if s.Steps < 3 || s.Steps > 4 || s.Facing != world.East {
		t.Errorf("after a second: %d steps, facing %d", s.Steps, s.Facing)
	}
	open := apply(t, d, paint(m, m.Bounds, 1))
	if err := g.SetDocument(open); err != nil {
		t.Fatal(err)
	}
	walk(g, play.Left|play.Up, 600)
	if c := g.Status().Place.Cell(d.Project.Lattice()); c != (grid.Point{}) || !g.Fits() {
		t.Errorf("the edge of the map is no wall: one is at %v", c)
	}
}

// Collectibles are counted over all maps, stay taken when deleted and brought
// back, and the exit ends the game.
func TestTakingAndExit(t *testing.T) {
	d := room(t)
	m := d.Maps[0]
	d = apply(t, d, piece(d, m, 501, world.Collectible, 5, 3), piece(d, m, 502, world.Collectible, 9, 9), piece(d, m, 503, world.Exit, 8, 3))
	g, err := play.New(d, play.Start{Map: m.ID, Cell: grid.Point{X: 3, Y: 3}})
	if err != nil {
		t.Fatal(err)
	}
	if events := walk(g, play.Right, 40); !play.Happened(events, props.Taken) {
		t.Fatalf("nothing was taken: %v", events)
	}
	ref := world.Ref{Sort: world.SortPiece, Map: m.ID, ID: 501}
	res, err := edit.Apply(d, edit.Edit{Parts: []edit.Part{edit.Remove{Ref: ref}}})
	if err != nil {
		t.Fatal(err)
	}
	_ = g.SetDocument(res.Document)
	if s := g.Status(); s.Taken != 0 || s.Total != 1 {
		t.Errorf("after the deletion %d of %d", s.Taken, s.Total)
	}
	back, err := edit.Apply(res.Document, edit.Edit{Undoes: 1, Parts: res.Inverse})
	if err != nil {
		t.Fatal(err)
	}
	_ = g.SetDocument(back.Document)
	if s := g.Status(); s.Taken != 1 || s.Total != 2 {
		t.Errorf("after undoing it %d of %d", s.Taken, s.Total)
	}
	if events := walk(g, play.Right, 60); !play.Happened(events, props.LetOut) || !g.Status().Finished {
		t.Errorf("the exit does not end the game: %v", events)
	}
	before := g.Status()
	walk(g, play.Left, 60)
	if g.Status() != before {
		t.Error("something moved after the finish")
	}
}

// A crossing is taken both ways; one lands beside the doorway and does not
// fall back through it.
func TestCrossing(t *testing.T) {
	d := room(t)
	m := d.Maps[0]
	far, layers := world.NewMap("Far", grid.Point{X: 90}, grid.Rect{W: 12, H: 8}, &world.Counter{Prefix: 4})
	parts := []edit.Part{edit.Put{Ref: world.Ref{Sort: world.SortMap, ID: far.ID}, Values: far.Values()}}
	for _, l := range layers {
		parts = append(parts, edit.Put{Ref: world.Ref{Sort: world.SortLayer, Map: far.ID, ID: l.ID}, Values: l.Values()})
	}
	c := &world.Crossing{BothWays: true, Ends: [2]world.End{{Map: m.ID, Cells: grid.Rect{X: 6, Y: 3, W: 1, H: 1}}, {Map: far.ID, Cells: grid.Rect{X: 0, Y: 4, W: 1, H: 1}}}}
	parts = append(parts, edit.Put{Ref: world.Ref{Sort: world.SortCrossing, ID: 900}, Values: c.Values()})
	d = apply(t, d, parts...)
	g, err := play.New(d, play.Start{Map: m.ID, Cell: grid.Point{X: 4, Y: 3}})
	if err != nil {
		t.Fatal(err)
	}
	for range 60 {
		if g.Tick(play.Right); g.Status().Map == far.ID {
			break
		}
	}
	if s := g.Status(); s.Map != far.ID {
		t.Fatal("the crossing was not taken")
	}
	landed := g.Status().Place.Cell(d.Project.Lattice())
	if d := landed.Sub(grid.Point{X: 0, Y: 4}); max(d.X, -d.X)+max(d.Y, -d.Y) != 1 {
		t.Errorf("one lands at %v, not beside the doorway", landed)
	}
	walk(g, 0, 30)
	if g.Status().Map != far.ID {
		t.Error("one falls back through the doorway")
	}
	for range 60 {
		if g.Tick(play.Down); g.Status().Map == m.ID {
			break
		}
	}
	if g.Status().Map != m.ID {
		t.Errorf("the way back was not taken: one is at %v", g.Status().Place.Cell(d.Project.Lattice()))
	}
}

// Where one can't stand, play begins on the nearest free cell, and says so; a
// wall that comes down pushes aside, or to the spawn if there is no room.
func TestPlacesToStand(t *testing.T) {
	d := room(t)
	m := d.Maps[0]
	g, err := play.New(d, play.Start{Map: m.ID, Cell: grid.Point{X: 7, Y: 0}})
	if err != nil || !play.Happened(g.Events(), play.Elsewhere) || g.Status().Place.Cell(d.Project.Lattice()) != (grid.Point{X: 7, Y: 1}) {
		t.Errorf("begun at %v: %v %v", g.Status().Place.Cell(d.Project.Lattice()), g.Events(), err)
	}
	d = apply(t, d, paint(m, grid.Rect{X: 7, Y: 1, W: 1, H: 1}, grid.Cell(tiles.Wall)))
	_ = g.SetDocument(d)
	if c := g.Status().Place.Cell(d.Project.Lattice()); c != (grid.Point{X: 6, Y: 1}) {
		t.Errorf("pushed to %v, want the nearest by distance, row, column", c)
	}
	walled := apply(t, d, paint(m, grid.Rect{W: 18, H: 11}, grid.Cell(tiles.Wall)), paint(m, grid.Rect{X: 10, Y: 8, W: 1, H: 1}, 1))
	_ = g.SetDocument(apply(t, walled, paint(m, grid.Rect{X: 0, Y: 0, W: 16, H: 11}, grid.Cell(tiles.Wall))))
	if c := g.Status().Place.Cell(d.Project.Lattice()); !g.Fits() || !(play.Happened(g.Events(), play.AtSpawn) || play.Happened(g.Events(), play.NoSpawn)) {
		t.Errorf("with no room one is at %v, told %v", c, g.Events())
	}
	if _, err := play.New(apply(t, d, paint(m, m.Bounds, grid.Cell(tiles.Wall))), play.Start{}); err == nil {
		t.Error("play began although there is nowhere to stand")
	}
}

// No speed passes through a wall: a body moved by any amount stays on its side.
func TestNoTunnel(t *testing.T) {
	d := room(t)
	m := d.Maps[0]
	d = apply(t, d, paint(m, grid.Rect{X: 9, Y: 1, W: 1, H: 14}, grid.Cell(tiles.Wall)))
	g := body.NewGround(d, d.Maps[0])
	size := body.PlayerSize(g.Lattice)
	r := rand.New(rand.NewPCG(1, 1))
	for range 3000 {
		at := grid.Point{X: 2 + r.IntN(6), Y: 2 + r.IntN(11)}
		to := g.Move(size, body.At(g.Lattice, at), r.IntN(1<<20)-1<<17, r.IntN(1<<20)-1<<19)
		if to.Cell(g.Lattice).X >= 9 || !g.Fits(size, to) {
			t.Fatalf("from %v one came to %v", at, to.Cell(g.Lattice))
		}
	}
}

// What a player sees is as large as the project says, with the foot in its middle, a quarter of a cell raised; it is
// held within the map, and a map that is smaller lies in its middle.
func TestSeen(t *testing.T) {
	d := room(t)
	for _, c := range []struct {
		bounds grid.Rect
		foot   grid.Point
		want   grid.Rect
	}{
		{grid.Rect{X: -4, Y: -3, W: 40, H: 30}, grid.Point{X: 200, Y: 200}, grid.Rect{X: 120, Y: 132, W: 160, H: 128}},
		{grid.Rect{X: -4, Y: -3, W: 40, H: 30}, grid.Point{X: -60, Y: -40}, grid.Rect{X: -64, Y: -48, W: 160, H: 128}},
		{grid.Rect{X: -4, Y: -3, W: 40, H: 30}, grid.Point{X: 570, Y: 430}, grid.Rect{X: 416, Y: 304, W: 160, H: 128}},
		{grid.Rect{X: 2, Y: 3, W: 7, H: 5}, grid.Point{X: 40, Y: 60}, grid.Rect{X: 8, Y: 24, W: 160, H: 128}},
		{grid.Rect{X: 2, Y: 3, W: 10, H: 8}, grid.Point{X: 180, Y: 170}, grid.Rect{X: 32, Y: 48, W: 160, H: 128}},
	} {
		m := *d.Maps[0]
		m.Bounds = c.bounds
		if got := play.Seen(d, &m, c.foot); got != c.want {
			t.Errorf("of a map of %v cells %v is seen from %v, want %v", c.bounds, got, c.foot, c.want)
		}
	}
}
