package body_test

import (
	"math/rand/v2"
	"testing"

	"azzel/core/body"
	"azzel/core/grid"
	"azzel/core/tiles"
	"azzel/core/world"
)

// side is a map seen from the side, w × h cells, on which the rows of text lie: '#' solid,
// '/' and '\' slopes, '-' one-way, 'H' a ladder, '~' water, 'i' slippery ground, and for any digit
// what the masks say.
func side(t *testing.T, cell grid.Lattice, masks map[rune]tiles.Mask, rows ...string) *body.Ground {
	t.Helper()
	d, err := world.Start(world.Project{Name: "Shaft", CellW: cell.W, CellH: cell.H, SeenW: 8, SeenH: 6}, &world.Counter{Prefix: 1})
	if err != nil {
		t.Fatal(err)
	}
	draft, set, ids := d.Draft(), d.Tilesets[0], &world.Counter{Prefix: 2}
	tile := map[rune]int{'#': int(tiles.Wall) - 1, '/': int(tiles.SlopeLeft) - 1, '\\': int(tiles.SlopeRight) - 1, '-': int(tiles.OneWay) - 1,
		'H': int(tiles.Climbable) - 1, '~': int(tiles.Water) - 1, 'i': int(tiles.Path) - 1}
	spare := []tiles.Role{tiles.Ground, tiles.Overhead, tiles.Danger, tiles.Decoration}
	does := map[int]tiles.Properties{int(tiles.Path) - 1: {Solid: tiles.Whole, Slippery: true}}
	for r, mask := range masks {
		tile[r] = int(spare[len(does)-1]) - 1
		does[tile[r]] = tiles.Properties{Solid: mask}
	}
	for i, becomes := range does {
		for _, v := range world.TileValues(i, set.Tile(i), becomes) {
			if err := draft.Change(world.Ref{Sort: world.SortTileset, ID: set.ID}, v); err != nil {
				t.Fatal(err)
			}
		}
	}
	m, layers := world.NewMap("Shaft", grid.Point{X: 200}, grid.Rect{W: len(rows[0]), H: len(rows)}, ids)
	m.View = world.SideView
	if err := world.PutMap(draft, m, layers); err != nil {
		t.Fatal(err)
	}
	var runs grid.Runs
	for _, row := range rows {
		for _, r := range row {
			c := grid.Cell(0)
			if i, ok := tile[r]; ok {
				c = grid.Cell(set.First + i)
			}
			runs = append(runs, grid.Run{N: 1, Cell: c})
		}
	}
	if _, err := draft.Paint(m.ID, m.PlayerLayer, world.Stroke{Region: grid.BoxRegion(m.Bounds), Cells: runs}); err != nil {
		t.Fatal(err)
	}
	if d, err = draft.Done(); err != nil {
		t.Fatal(err)
	}
	return body.NewGround(d, d.Map(m.ID))
}

// A walker goes through a map from the side.
type walker struct {
	g      *body.Ground
	size   body.Size
	drive  body.Drive
	at     body.Place
	motion body.Motion
	held   bool
}

func from(g *body.Ground, m world.Movement, c grid.Point) *walker {
	w := &walker{g: g, size: body.SizeOf(g.Lattice, world.SideView, m), drive: body.NewDrive(g.Lattice, m), at: g.At(c)}
	for range 240 {
		w.tick(0, 0, false)
	}
	return w
}

func (w *walker) tick(x, y int, jump bool) {
	w.at, w.motion = w.g.Go(w.size, w.at, w.motion, w.drive, body.Intent{X: x, Y: y, Jump: jump, Pressed: jump && !w.held})
	w.held = jump
}

var sizes = []grid.Lattice{{W: 8, H: 8}, {W: 16, H: 16}, {W: 24, H: 24}, {W: 128, H: 128}, {W: 20, H: 12}, {W: 9, H: 31}}

// A jump is as high as it was asked for, within a pixel, and lasts as long, from flat
// ground; let go it is lower.
func TestJump(t *testing.T) {
	r := rand.New(rand.NewPCG(5, 20))
	rows := []string{"      "}
	for range 38 {
		rows = append(rows, "      ")
	}
	rows = append(rows, "######")
	trials := 40
	if testing.Short() {
		trials = 12
	}
	for _, l := range sizes {
		g := side(t, l, nil, rows...)
		for range trials {
			m := world.UsualMovement
			m.Jump, m.Air = 1+r.IntN(320), 6+r.IntN(235)
			w := from(g, m, grid.Point{X: 3, Y: 38})
			ground := w.at.Y
			if w.motion.Mode != body.Grounded {
				t.Fatalf("cells %v: not on the ground after 240 ticks", l)
			}
			highest, low, n := 0, 0, 0
			for ; n == 0 || w.motion.Mode != body.Grounded; n++ {
				w.tick(0, 0, true)
				highest = max(highest, ground-w.at.Y)
			}
			want := m.Jump * l.H * body.Unit / 10
			if max(highest-want, want-highest) > body.Unit {
				t.Fatalf("cells %v, jump %d tenths in %d ticks: %d positions high, want %d", l, m.Jump, m.Air, highest, want)
			}
			if n < m.Air-1 || n > m.Air+1 {
				t.Fatalf("cells %v, jump %d tenths in %d ticks: took %d ticks", l, m.Jump, m.Air, n)
			}
			w.tick(0, 0, false)
			for n = 0; n == 0 || w.motion.Mode != body.Grounded; n++ {
				w.tick(0, 0, n < 1)
				low = max(low, ground-w.at.Y)
			}
			if low >= highest && m.Air > 12 {
				t.Fatalf("cells %v, jump %d tenths in %d ticks: let go at once it is as high", l, m.Jump, m.Air)
			}
		}
	}
}

// Over slopes, steep and gentle, up and down, and over all joints, the foot is on the line
// through the heights of the columns; nobody is stopped, and nothing jumps.
func TestSlopes(t *testing.T) {
	mask := func(heights ...int) (m tiles.Mask) {
		for x, h := range heights {
			for y := 8 - h; y < 8; y++ {
				m |= 1 << (y*8 + x)
			}
		}
		return m
	}
	// Gentle slopes of two cells, up and down.
	masks := map[rune]tiles.Mask{'1': mask(1, 1, 2, 2, 3, 3, 4, 4), '2': mask(5, 5, 6, 6, 7, 7, 8, 8), '3': mask(8, 8, 7, 7, 6, 6, 5, 5), '4': mask(4, 4, 3, 3, 2, 2, 1, 1)}
	rows := []string{
		"                      ",
		"                      ",
		"         /\\           ",
		"       12##34         ",
		"      /######\\        ",
		"######################",
	}
	for _, l := range sizes {
		g := side(t, l, masks, rows...)
		for _, speed := range []int{7, 55, 200, 640} {
			m := world.UsualMovement
			m.Speed, m.Start = speed, 1
			w := from(g, m, grid.Point{X: 1, Y: 4})
			for _, way := range []int{1, -1} {
				end := 20*l.W*body.Unit + 40
				if way < 0 {
					end = l.W * body.Unit
				}
				for n := 0; (end-w.at.X)*way > 0; n++ {
					before := w.at
					w.tick(way, 0, false)
					dx, dy := max(w.at.X-before.X, before.X-w.at.X), max(w.at.Y-before.Y, before.Y-w.at.Y)
					if w.motion.Mode != body.Grounded || n > 5000 || n > 2 && dx == 0 {
						t.Fatalf("cells %v, speed %d: stopped or fell at %v of a cell, %+v", l, speed, float64(w.at.X)/float64(l.W*body.Unit), w.motion)
					}
					// No column is more than one part higher than the one beside it here.
					if dy*l.W > (dx+l.W*body.Unit/8)*l.H+8 {
						t.Fatalf("cells %v, speed %d: %v to %v at once", l, speed, before, w.at)
					}
					want := ideal(g, w.at.X)
					if max(w.at.Y-want, want-w.at.Y) > 2 {
						t.Fatalf("cells %v, speed %d: foot at %v, the line is at %d", l, speed, w.at, want)
					}
				}
			}
		}
	}
}

// ideal is the height of the line at x, found without haste: through the lower of two
// columns where they meet.
func ideal(g *body.Ground, x int) int {
	w, h := g.Lattice.W*body.Unit/8, g.Lattice.H*body.Unit/8
	top := func(column int) int {
		for row := 0; ; row++ {
			if !g.Fits(body.Size{H: 1}, body.Place{X: column*w + w/2, Y: row*h + h}) {
				return row * h
			}
		}
	}
	column := x / w
	left, here, right := top(column-1), top(column), top(column+1)
	from, to := max(left, here), max(here, right)
	return from + (to-from)*(x-column*w)/w
}

// Wherever somebody goes, at any speed and whatever they do, they never are in what is
// solid, get out of nothing they can't, and are the same each time.
func TestNeverInsideFromTheSide(t *testing.T) {
	signs := []rune("      ##/\\-H~i12")
	moved, landed, worlds := 0, 0, 60
	if testing.Short() {
		worlds = 20
	}
	for seed := range uint64(worlds) {
		r := rand.New(rand.NewPCG(seed, 31))
		l := sizes[r.IntN(len(sizes))]
		masks := map[rune]tiles.Mask{'1': tiles.Mask(r.Uint64() & r.Uint64()), '2': tiles.Mask(r.Uint64() & r.Uint64() & r.Uint64())}
		rows := make([]string, 14)
		for y := range rows {
			row := make([]rune, 20)
			for x := range row {
				row[x] = signs[r.IntN(len(signs))]
			}
			rows[y] = string(row)
		}
		g := side(t, l, masks, rows...).WithEdges(anyEdges(r))
		for range 4 {
			m := world.UsualMovement
			m.Speed, m.Jump, m.Air, m.Start, m.Climb, m.Swim = 1+r.IntN(640), 1+r.IntN(320), 6+r.IntN(100), 1+r.IntN(20), 1+r.IntN(640), 1+r.IntN(640)
			if r.IntN(2) == 0 {
				m.BodyW, m.BodyH = 2+r.IntN(2*l.W), 2+r.IntN(2*l.H)
			}
			size := body.SizeOf(l, world.SideView, m)
			c, ok := g.Nearest(size, grid.Point{X: r.IntN(20), Y: r.IntN(14)}, -1)
			if !ok {
				continue
			}
			w := &walker{g: g, size: size, drive: body.NewDrive(l, m), at: g.At(c)}
			x, y, jump := 0, 0, false
			for n := range 400 {
				if n%(1+r.IntN(12)) == 0 {
					x, y, jump = r.IntN(3)-1, r.IntN(3)-1, r.IntN(2) == 0
				}
				before := *w
				w.tick(x, y, jump)
				again := before
				again.tick(x, y, jump)
				if *w != again {
					t.Fatalf("seed %d: %+v once and %+v another time", seed, w, again)
				}
				if !g.Fits(size, w.at) {
					t.Fatalf("seed %d, tick %d: cells %v, size %v, from %+v to %+v, which is in what is solid", seed, n, l, size, before, w)
				}
				// The middle of the body, above where a slope may be, is in nothing solid however
				// slopes are understood.
				raised := 3 * l.H * body.Unit / 8
				if up := w.at.Y - raised; size.H*body.Unit > raised && !thin(g, w.at.X, up, w.at.Y-size.H*body.Unit+body.Unit) {
					t.Fatalf("seed %d, tick %d: the middle of %v at %v is in what is solid", seed, n, size, w.at)
				}
				if far := max(w.at.X-before.at.X, before.at.X-w.at.X); far > m.Speed*l.W*body.Unit/600+m.Climb*l.H*body.Unit/600+m.Swim*l.W*body.Unit/600+256 {
					t.Fatalf("seed %d: moved by %d at once", seed, far)
				}
				if w.at != before.at {
					moved++
				}
				if !g.Map.Bounds.Has(w.at.Cell(l)) {
					// As play does: on the other side, or that was all.
					to, wraps := g.Wrap(w.at)
					if !wraps || !g.Fits(size, to) {
						break
					}
					w.at = to
				}
				if w.motion.Mode == body.Grounded && before.motion.Mode == body.Airborne {
					landed++
				}
			}
		}
	}
	if moved < 500*worlds || landed < 16*worlds {
		t.Errorf("only %d ticks moved and %d landings", moved, landed)
	}
}

// thin reports whether nothing on a line from height y up to another is solid.
func thin(g *body.Ground, x, y, to int) bool {
	for ; y >= to; y -= body.Unit / 8 {
		if !g.Fits(body.Size{H: 1}, body.Place{X: x, Y: y}) {
			return false
		}
	}
	return true
}

// What is special: platforms that hold from above, and down through them; ladders, to their
// top and down again; water; grace after a ledge and before the ground; slippery ground.
func TestFromTheSide(t *testing.T) {
	l := grid.Lattice{W: 16, H: 16}
	g := side(t, l, nil,
		"                    ",
		"                    ",
		"       H            ",
		"  ---  H            ",
		"       H     ~~~    ",
		"       H     ~~~    ",
		"##########   ~~~####",
		"####################",
		"####################",
	)
	ice := side(t, l, nil, "                ", "                ", "                ", "iiiiiiiiiiiiiiii")
	m := world.UsualMovement
	m.Jump = 35
	cellOf := func(w *walker) grid.Point { return w.at.Cell(l) }
	hold := func(w *walker, n, x, y int, jump bool) {
		for range n {
			w.tick(x, y, jump)
		}
	}
	w := from(g, m, grid.Point{X: 3, Y: 5})
	hold(w, 40, 0, 0, true)
	if c := cellOf(w); w.motion.Mode != body.Grounded || c.Y != 2 {
		t.Errorf("jumped up through a platform one is at %v, %+v", c, w.motion)
	}
	hold(w, 1, 0, 0, false)
	hold(w, 30, 0, 1, true)
	if c := cellOf(w); w.motion.Mode != body.Grounded || c.Y != 5 {
		t.Errorf("down through a platform one is at %v, %+v", c, w.motion)
	}
	w = from(g, m, grid.Point{X: 7, Y: 5})
	hold(w, 30, 0, -1, false)
	if w.motion.Mode != body.OnLadder {
		t.Errorf("half a second up a ladder one is at %v, %+v", cellOf(w), w.motion)
	}
	hold(w, 120, 0, -1, false)
	hold(w, 30, 0, 0, false)
	if c := cellOf(w); w.motion.Mode != body.Grounded || c.Y != 1 {
		t.Errorf("up a ladder one is at %v, %+v", c, w.motion)
	}
	hold(w, 150, 0, 1, false)
	if c := cellOf(w); w.motion.Mode != body.Grounded || c.Y != 5 {
		t.Errorf("down a ladder one is at %v, %+v", c, w.motion)
	}
	// Slowly off a ledge, a jump still counts for as long as grace says.
	for _, late := range []int{m.Grace - 1, m.Grace + 1} {
		w = from(g, m, grid.Point{X: 9, Y: 5})
		for w.motion.Mode == body.Grounded {
			w.tick(1, 0, false)
		}
		hold(w, late-1, 0, 0, false)
		w.tick(0, 0, true)
		if rose := w.motion.VY < 0; rose != (late < m.Grace) {
			t.Errorf("%d ticks after a ledge, jumping is %v", late, rose)
		}
	}
	w = from(g, m, grid.Point{X: 14, Y: 2})
	if w.motion.Mode != body.InWater {
		t.Errorf("fallen into water one is %+v", w.motion)
	}
	hold(w, 200, 1, 0, true)
	if c := cellOf(w); c.Y > 5 || c.X < 16 {
		t.Errorf("out of the water one is at %v, %+v", c, w.motion)
	}
	slide := func(w *walker) int {
		w.motion.VX = w.drive.Run
		at := w.at.X
		hold(w, 100, 0, 0, false)
		return w.at.X - at
	}
	if dry, wet := slide(from(g, m, grid.Point{X: 4, Y: 5})), slide(from(ice, m, grid.Point{X: 2, Y: 2})); dry <= 0 || wet < 4*dry {
		t.Errorf("on slippery ground one slides %d, elsewhere %d", wet, dry)
	}
}

// Somebody who is set into a cell stands there at once: on its lower edge, or on its slope, at any
// size of cell; in the air, in what is solid and where there is no room nobody stands.
func TestStandsFromTheSide(t *testing.T) {
	for _, l := range sizes {
		g := side(t, l, nil,
			"      H    ~",
			"   /\\ H   #~",
			"############",
		)
		size := body.SizeOf(l, world.SideView, world.UsualMovement)
		for _, c := range []struct {
			at     grid.Point
			stands bool
		}{{grid.Point{X: 1, Y: 1}, true}, {grid.Point{X: 3, Y: 1}, true}, {grid.Point{X: 4, Y: 1}, true}, {grid.Point{X: 6, Y: 0}, true}, {grid.Point{X: 11, Y: 0}, true},
			{grid.Point{X: 1, Y: 0}, false}, {grid.Point{X: 1, Y: 2}, false}} {
			if g.Stands(size, c.at) != c.stands {
				t.Errorf("cells %v: that one stands at %v is %v", l, c.at, !c.stands)
			}
			if p := g.At(c.at); c.stands && p.Cell(l) != c.at {
				t.Errorf("cells %v: set into %v one is in %v", l, c.at, p.Cell(l))
			}
		}
	}
}
