package play_test

import (
	"fmt"
	"math/rand/v2"
	"slices"
	"testing"

	"azzel/core/body"
	"azzel/core/edit"
	"azzel/core/grid"
	"azzel/core/kinds/props"
	"azzel/core/play"
	"azzel/core/play/generate"
	"azzel/core/world"
)

// A map that is cut in two along any line plays as the uncut one, in positions of the board, tick by tick: the player,
// foes, shots, what is pushed, carried and thrown, what comes out of emitters. Tracks and areas that lie over the cut or are
// used from beyond it, lottery pieces, which are drawn by map, and edges that wrap across the cut are left out.
func TestCutMapPlaysAsUncut(t *testing.T) {
	worlds, ticks := 300, 420
	if testing.Short() {
		worlds = 80
	}
	crossed, came, flew, views := 0, 0, 0, map[world.View]int{}
	for seed := range uint64(worlds) {
		r := rand.New(rand.NewPCG(seed, 61))
		whole := alone(t, r, seed)
		m := whole.Maps[0]
		cut := cutInTwo(t, r, whole)
		c := generate.Cell(r, m)
		one, err := play.New(whole, play.Start{Map: m.ID, Cell: c, Chance: seed})
		if err != nil {
			continue
		}
		on, at := mapAt(cut, c.Add(m.Origin))
		two, err := play.New(cut, play.Start{Map: on.ID, Cell: at, Chance: seed})
		if err != nil {
			t.Fatalf("world %d: cut, it does not begin: %v", seed, err)
		}
		views[m.View]++
		for tick, in := range generate.Inputs(seed, ticks) {
			was := two.Status().Map
			one.Tick(in)
			two.Tick(in)
			if is, want := stands(two), stands(one); is != want {
				t.Fatalf("world %d, %s, cut %v | %v, tick %d:\ncut   %s\nuncut %s", seed, map[bool]string{true: "from the side", false: "from above"}[m.View == world.SideView], cut.Maps[0].OnBoard(), cut.Maps[1].OnBoard(), tick+1, is, want)
			}
			if two.Status().Map != was {
				crossed++
			}
			two.Shots(func(p body.Place, _ bool) {
				if !cut.Map(two.Status().Map).Bounds.Has(p.Cell(cut.Project.Lattice())) {
					flew++
				}
			})
			came += play.Abroad(two)
		}
	}
	if crossed < worlds/3 || came < worlds || flew < worlds/3 || views[world.TopDown] < worlds/4 || views[world.SideView] < worlds/4 {
		t.Errorf("the player went over the cut %d times, things were on the other map %d times, shots flew there %d times, in views %v: this shows little", crossed, came, flew, views)
	}
}

// stands is how a game stands, in positions of the board.
func stands(g *play.Game) string {
	s, d := g.Status(), g.Document()
	l := d.Project.Lattice()
	origin := l.Pixel(d.Map(s.Map).Origin)
	board := func(p body.Place) body.Place {
		return body.Place{X: p.X + origin.X*body.Unit, Y: p.Y + origin.Y*body.Unit}
	}
	text := fmt.Sprint(board(s.Place), s.Facing, s.Taken, s.Finished, s.Doing, s.Health, s.Checkpoint, s.Lifted, s.Rises, g.TakenIDs(), g.Items(), slices.Sorted(slices.Values(g.Absent())), " ")
	for _, e := range g.Events() {
		text += fmt.Sprint(e.Moment.Word, e.Piece, e.Item, e.Count, e.Had, " ")
	}
	g.Things(func(t play.Thing, cells int, size body.Size) {
		text += fmt.Sprint("\n\t", t.ID, t.Type, board(t.Place), t.Heading, t.Gone, cells, size, play.HitsOf(g, t.ID))
	})
	g.Shots(func(p body.Place, mine bool) { text += fmt.Sprint("\n\t", board(p), mine) })
	return text
}

// alone is a world of one map, without what belongs to one map alone.
func alone(t *testing.T, r *rand.Rand, seed uint64) *world.Document {
	t.Helper()
	d, err := generate.World(seed + 40_000)
	if err != nil {
		t.Fatal(err)
	}
	m := d.Maps[r.IntN(2)]
	var parts []edit.Part
	for _, o := range d.Maps {
		if o.ID != m.ID {
			parts = append(parts, edit.Remove{Ref: world.Ref{Sort: world.SortMap, ID: o.ID}})
		}
	}
	for _, c := range d.Crossings {
		if c.Ends[0].Map == m.ID && c.Ends[1].Map == m.ID {
			parts = append(parts, edit.Remove{Ref: world.Ref{Sort: world.SortCrossing, ID: c.ID}})
		}
	}
	for _, p := range m.Pieces {
		ref := world.Ref{Sort: world.SortPiece, Map: m.ID, ID: p.ID}
		if p.Kind().Drawn {
			parts = append(parts, edit.Remove{Ref: ref})
		} else if p.Kind().Goes && r.IntN(3) == 0 {
			// More shots.
			next := *p
			next.Props = p.Kind().Keeps(p.Props.With(props.Every.Is(20 + r.IntN(60))))
			parts = append(parts, edit.Changes(ref, p.Values(), next.Values())...)
		}
	}
	return apply(t, d, parts...)
}

// cutInTwo is the world with its map cut along a line. The cells of the second map are counted from elsewhere.
func cutInTwo(t *testing.T, r *rand.Rand, d *world.Document) *world.Document {
	t.Helper()
	m := d.Maps[0]
	l := d.Project.Lattice()
	if len(d.Bonds) > 0 {
		t.Fatal("tiles of bonds would be laid anew along the cut")
	}
	first, second := m.Bounds, m.Bounds
	near, far := world.SideRight, world.SideLeft
	if r.IntN(2) == 0 {
		k := 1 + r.IntN(m.Bounds.W-1)
		first.W, second.X, second.W = k, m.Bounds.X+k, m.Bounds.W-k
	} else {
		k := 1 + r.IntN(m.Bounds.H-1)
		first.H, second.Y, second.H = k, m.Bounds.Y+k, m.Bounds.H-k
		near, far = world.SideBottom, world.SideTop
	}
	edges := m.Edges
	for _, side := range []int{near, far} {
		if edges[side] == world.EdgeWrap {
			edges[side] = world.EdgeWall
		}
	}
	whole := *m
	whole.Edges = edges
	ref := world.Ref{Sort: world.SortMap, ID: m.ID}
	d2 := apply(t, d, edit.Changes(ref, m.Values(), whole.Values())...)
	*d = *apply(t, d2, overCut(d2, first, second)...)
	m = d.Maps[0]
	if r.IntN(2) == 0 {
		// The map that stays is the other one.
		first, second, near, far = second, first, far, near
	}
	by := grid.Point{X: r.IntN(9) - 4, Y: r.IntN(9) - 4}
	ids := &world.Counter{Prefix: 9}
	other := &world.Map{ID: ids.NewID(), Name: "The rest", View: m.View}
	*other = *m
	other.ID, other.Number, other.Layers, other.Pieces = ids.NewID(), 0, nil, nil
	other.Origin = m.Origin.Add(by)
	other.Bounds = grid.Rect{X: second.X - by.X, Y: second.Y - by.Y, W: second.W, H: second.H}
	other.Edges[far] = world.EdgeOpen
	layers := map[world.ID]world.ID{}
	var list []*world.Layer
	for _, layer := range m.Layers {
		next := *layer
		next.ID, next.Cells = ids.NewID(), grid.Plane{}
		layers[layer.ID] = next.ID
		list = append(list, &next)
	}
	other.PlayerLayer = layers[m.PlayerLayer]
	var parts, fill, pieces []edit.Part
	for _, layer := range m.Layers {
		for y := range second.H {
			row := grid.BoxRegion(grid.Rect{X: second.X, Y: second.Y + y, W: second.W, H: 1})
			to := grid.BoxRegion(grid.Rect{X: second.X - by.X, Y: second.Y + y - by.Y, W: second.W, H: 1})
			fill = append(fill, edit.Paint{Map: other.ID, Layer: layers[layer.ID], Region: to, Cells: layer.Cells.Read(row)})
		}
	}
	for _, a := range d.Areas {
		if next := *a; a.Map == m.ID && second.Holds(a.Cells.Bounds()) {
			next.Map, next.Cells = other.ID, a.Cells.Move(grid.Point{X: -by.X, Y: -by.Y})
			parts = append(parts, edit.Remove{Ref: world.Ref{Sort: world.SortArea, ID: a.ID}})
			pieces = append(pieces, edit.Put{Ref: world.Ref{Sort: world.SortArea, ID: a.ID}, Values: next.Values()})
		}
	}
	for _, track := range d.Tracks {
		if next := *track; track.Map == m.ID && l.Box(second).Has(track.Points[0]) {
			next.Map, next.Points = other.ID, nil
			for _, at := range track.Points {
				next.Points = append(next.Points, at.Sub(l.Pixel(by)))
			}
			parts = append(parts, edit.Remove{Ref: world.Ref{Sort: world.SortTrack, ID: track.ID}})
			pieces = append(pieces, edit.Put{Ref: world.Ref{Sort: world.SortTrack, ID: track.ID}, Values: next.Values()})
		}
	}
	for _, p := range m.Pieces {
		if !l.Box(second).Has(p.Foot) {
			continue
		}
		next := *p
		next.Layer, next.Foot = layers[p.Layer], p.Foot.Sub(l.Pixel(by))
		parts = append(parts, edit.Remove{Ref: world.Ref{Sort: world.SortPiece, Map: m.ID, ID: p.ID}})
		pieces = append(pieces, edit.Put{Ref: world.Ref{Sort: world.SortPiece, Map: other.ID, ID: p.ID}, Values: next.Values()})
	}
	rest := *m
	rest.Edges[near] = world.EdgeOpen
	small := apply(t, d, edit.Changes(ref, m.Values(), rest.Values())...)
	small = apply(t, small, parts...)
	resize, err := edit.Resize{Map: m.ID, Bounds: first}.Edit(small)
	if err != nil {
		t.Fatal(err)
	}
	small = apply(t, small, resize.Parts...)
	small = apply(t, small, edit.PutMap(other, list)...)
	return apply(t, small, append(fill, pieces...)...)
}

// overCut removes the areas and tracks that lie over a cut, or are used by a piece beyond it.
func overCut(d *world.Document, first, second grid.Rect) (parts []edit.Part) {
	l, m := d.Project.Lattice(), d.Maps[0]
	for _, ref := range d.OfMap(m.ID) {
		halves := map[bool]bool{}
		if a := d.Area(ref.ID); a != nil && ref.Sort == world.SortArea {
			halves[first.Meet(a.Cells.Bounds()).Empty()], halves[!second.Meet(a.Cells.Bounds()).Empty()] = true, true
		} else {
			for _, at := range d.Track(ref.ID).Points {
				halves[l.Box(second).Has(at)] = true
			}
		}
		for _, p := range m.Pieces {
			if p.Refers(props.Track) == ref.ID || p.Refers(props.Area) == ref.ID {
				halves[l.Box(second).Has(p.Foot)] = true
			}
		}
		if len(halves) > 1 {
			parts = append(parts, edit.Remove{Ref: ref})
		}
	}
	return parts
}

// mapAt is the map that covers a cell of the board, and the cell of it.
func mapAt(d *world.Document, c grid.Point) (*world.Map, grid.Point) {
	m := d.MapAt(c)
	return m, c.Sub(m.Origin)
}
