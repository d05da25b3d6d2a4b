package hand_test

import (
	"fmt"
	"maps"
	"math/rand/v2"
	"slices"
	"strings"
	"testing"

	"azzel/core/edit"
	"azzel/core/grid"
	"azzel/core/hand"
	"azzel/core/kind"
	"azzel/core/kinds/props"
	"azzel/core/world"
)

// Cells that are moved, nudged, mirrored and turned, through one layer or all, on one
// map and over to the next, with the pieces among them: against a simple map of cells.
func TestCellsAgainstModel(t *testing.T) {
	ids := &world.Counter{Prefix: 4}
	d, err := world.Start(world.Project{Name: "Night shift", CellW: 16, CellH: 16, SeenW: 10, SeenH: 8}, ids)
	if err != nil {
		t.Fatal(err)
	}
	beside, layers := world.NewMap("Fern grotto", grid.Point{X: 22, Y: 3}, grid.Rect{X: -2, Y: -1, W: 14, H: 11}, ids)
	draft := d.Draft()
	if err := world.PutMap(draft, beside, layers); err != nil {
		t.Fatal(err)
	}
	r := rand.New(rand.NewPCG(1, 5))
	// On each layer of each map pieces that go and look somewhere, none of a type over another.
	for _, m := range draft.Document().Maps {
		for i, l := range m.Layers {
			for k := range 8 {
				at := grid.Point{X: m.Bounds.X + 1 + (2*k+i)%(m.Bounds.W-2), Y: m.Bounds.Y + 1 + k}
				p := &world.Piece{Type: []world.ID{world.Foe, world.Collectible, world.MovingPlatform, world.Mark}[k%4], Layer: l.ID,
					Props: kind.Set(props.Looks.Is(r.IntN(5)), world.IntValue(10, 1+r.IntN(3)), props.To.Is(r.IntN(99)-50, r.IntN(99)-50))}
				p.Foot = m.FootFor(d.Project.Lattice(), p, at)
				if err := draft.Put(world.Ref{Sort: world.SortPiece, Map: m.ID, ID: ids.NewID()}, p.Values()); err != nil {
					t.Fatal(err)
				}
			}
		}
	}
	if d, err = draft.Done(); err != nil {
		t.Fatal(err)
	}
	h := hand.New(ids)
	type spot struct {
		layer string
		at    grid.Point
	}
	read := func() map[spot]grid.Cell {
		model := map[spot]grid.Cell{}
		for _, m := range d.Maps {
			for _, l := range m.Layers {
				g := l.Cells.Filled()
				l.Cells.Read(g).Over(g, func(c grid.Point, cell grid.Cell) { model[spot{l.Name, c.Add(m.Origin)}] = cell })
			}
		}
		return model
	}
	moved := 0
	for step := range 600 {
		m := d.Maps[r.IntN(2)]
		current := m.Layers[r.IntN(2)]
		h.SetLayer(m.ID, current.ID)
		h.Through = r.IntN(2) == 0
		within := func() grid.Point {
			return grid.Point{X: m.Bounds.X + r.IntN(m.Bounds.W), Y: m.Bounds.Y + r.IntN(m.Bounds.H)}
		}
		// Something to be moved.
		h.Take(hand.Held{Holding: hand.Tile, Tile: grid.Cell(1 + r.IntN(8)).Turned(r.IntN(8))})
		h.Shape = hand.Free
		h.Press(d, middle(d, m, within()), false)
		d = run(t, d, h.Release(d, middle(d, m, within())))
		m = d.Map(m.ID)
		h.Take(hand.Held{Holding: hand.Choose})
		h.Shape = []hand.Shape{hand.Box, hand.Oval, hand.Free}[r.IntN(3)]
		h.Cells = hand.Cells{}
		h.Press(d, middle(d, m, within()), false)
		h.Drag(d, middle(d, m, within()))
		h.Release(d, middle(d, m, within()))
		chosen := h.Chosen(d)
		if chosen.Map != m.ID {
			t.Fatalf("step %d: nothing is chosen", step)
		}
		bounds := chosen.Region.Bounds()
		// Where a cell goes, and how it lies there.
		to := func(c grid.Point) grid.Point { return c }
		turned := func(c grid.Cell) grid.Cell { return c }
		// Where a way goes, and what is looked at.
		way := func(p grid.Point) grid.Point { return p }
		var o hand.Outcome
		switch what := r.IntN(5); what {
		case 0, 1:
			by := grid.Point{X: r.IntN(9) - 4, Y: r.IntN(9) - 4}
			to = func(c grid.Point) grid.Point { return c.Add(by) }
			if what == 0 {
				o = h.MoveCells(d, by)
			} else {
				from := grid.Point{X: chosen.Region[0].X0, Y: chosen.Region[0].Y}
				h.Press(d, middle(d, m, from), false)
				h.Drag(d, middle(d, m, from.Add(by)))
				if ghost, want := h.Ghost(), chosen.Region.Move(m.Origin.Add(by)); !slices.Equal(ghost.Region, want) || !ghost.Selects {
					t.Fatalf("step %d: carried by %v the ghost is at %v, want %v", step, by, ghost.Region, want)
				}
				o = h.Release(d, middle(d, m, from.Add(by)))
			}
		case 2:
			to = func(c grid.Point) grid.Point { return grid.Point{X: 2*bounds.X + bounds.W - 1 - c.X, Y: c.Y} }
			turned = func(c grid.Cell) grid.Cell { return c.Mirror(true, false) }
			way = func(p grid.Point) grid.Point { return grid.Point{X: -p.X, Y: p.Y} }
			o = h.TransformCells(d, hand.LeftRight)
		case 3:
			to = func(c grid.Point) grid.Point { return grid.Point{X: c.X, Y: 2*bounds.Y + bounds.H - 1 - c.Y} }
			turned = func(c grid.Cell) grid.Cell { return c.Mirror(false, true) }
			way = func(p grid.Point) grid.Point { return grid.Point{X: p.X, Y: -p.Y} }
			o = h.TransformCells(d, hand.TopBottom)
		case 4:
			to = func(c grid.Point) grid.Point {
				return grid.Point{X: bounds.X + bounds.H - 1 - (c.Y - bounds.Y), Y: bounds.Y + c.X - bounds.X}
			}
			turned = func(c grid.Cell) grid.Cell { return c.Transpose().Mirror(true, false) }
			way = func(p grid.Point) grid.Point { return grid.Point{X: -p.Y, Y: p.X} }
			o = h.TransformCells(d, hand.Quarter)
		}
		if o.Edit == nil {
			continue
		}
		want := read()
		lifted := map[spot]grid.Cell{}
		for _, l := range m.Layers {
			if !h.Through && l.ID != current.ID {
				continue
			}
			chosen.Region.Where(func(c grid.Point) bool {
				if cell := l.Cells.At(c); cell != 0 {
					lifted[spot{l.Name, to(c).Add(m.Origin)}] = turned(cell)
					delete(want, spot{l.Name, c.Add(m.Origin)})
				}
				return true
			})
		}
		type standing struct{ at, foot, goes, looks grid.Point }
		l := d.Project.Lattice()
		looking := []grid.Point{{}, {Y: 1}, {X: -1}, {X: 1}, {Y: -1}}
		pieces := map[world.ID]standing{}
		for _, p := range m.Pieces {
			c := l.CellAt(p.Foot)
			is := standing{c, p.Foot.Sub(l.Foot(c)), p.To(), looking[p.Int(props.Looks)]}
			if chosen.Region.Has(c) && (h.Through || p.Layer == current.ID) {
				is.at, is.goes, is.looks = to(c), way(is.goes), way(is.looks)
				if strings.HasPrefix(o.Edit.Label, "mirror") && is.foot.X != 0 {
					// It stands between two cells, and between those on the other side.
					is.foot.X, is.at.X = -is.foot.X-l.W, is.at.X+1
				}
			}
			is.at = is.at.Add(m.Origin)
			pieces[p.ID] = is
		}
		for s, cell := range lifted {
			if d.MapAt(s.at) != nil {
				want[s] = cell
			}
		}
		d = run(t, d, o)
		if got := read(); !maps.Equal(got, want) {
			t.Fatalf("step %d: %s: %d cells, want %d", step, o.Edit.Label, len(got), len(want))
		}
		for id, want := range pieces {
			on, p := d.Piece(id)
			if p == nil {
				t.Fatalf("step %d: %s: a piece is gone", step, o.Edit.Label)
			}
			c := l.CellAt(p.Foot)
			if got := (standing{c.Add(on.Origin), p.Foot.Sub(l.Foot(c)), p.To(), looking[p.Int(props.Looks)]}); got != want {
				t.Fatalf("step %d: %s: a %d is %+v, want %+v", step, o.Edit.Label, p.Type, got, want)
			}
		}
		for _, m := range d.Maps {
			taken := map[spot]bool{}
			for _, p := range m.Pieces {
				s := spot{fmt.Sprint(p.Type), l.CellAt(p.Foot)}
				if taken[s] && p.Type != world.MovingPlatform {
					t.Fatalf("step %d: %s: two of type %d stand at %v", step, o.Edit.Label, p.Type, s.at)
				}
				taken[s] = true
			}
		}
		moved++
	}
	if moved < 150 {
		t.Errorf("only %d of 600 times anything was moved", moved)
	}
}

// On a layer that is locked or takes no pieces none are placed, moved, erased, pasted, carried or merged;
// it is said why, and nothing is lost.
func TestLayersKeepPiecesOff(t *testing.T) {
	for what, look := range map[string]func(*world.Layer){"is locked": func(l *world.Layer) { l.Locked = true }, "takes no pieces": func(l *world.Layer) { l.Takes.NoPieces = true }} {
		d, ids := project(t)
		h := hand.New(ids)
		a, b := d.Maps[0], d.Maps[1]
		l := d.Project.Lattice()
		put := func(m *world.Map, of world.ID, c grid.Point) world.ID {
			id := ids.NewID()
			p := &world.Piece{Type: of, Layer: m.PlayerLayer, Foot: l.Foot(c)}
			d = run(t, d, hand.Outcome{Edit: &edit.Edit{Label: "place", Parts: []edit.Part{edit.Put{Ref: world.Ref{Sort: world.SortPiece, Map: m.ID, ID: id}, Values: p.Values()}}}})
			return id
		}
		here, there := grid.Point{X: 5, Y: 5}, grid.Point{X: 1, Y: 1}
		mine, theirs := put(a, world.Collectible, here), put(b, world.Collectible, there)
		ground := *b.Layer(b.PlayerLayer)
		look(&ground)
		d = run(t, d, hand.Outcome{Edit: &edit.Edit{Label: "look", Parts: edit.Changes(world.Ref{Sort: world.SortLayer, Map: b.ID, ID: ground.ID}, b.Layer(b.PlayerLayer).Values(), ground.Values())}})
		a, b = d.Map(a.ID), d.Map(b.ID)
		refused := func(how string, o hand.Outcome) {
			t.Helper()
			if o.Edit != nil || !strings.Contains(o.Said, what) {
				t.Errorf("a layer that %s, %s: said %q, edit %v", what, how, o.Said, o.Edit)
			}
		}
		gesture := func(from, to grid.Point, erase bool) hand.Outcome {
			h.Press(d, from, erase)
			h.Drag(d, to)
			return h.Release(d, to)
		}
		free := middle(d, b, grid.Point{X: 3, Y: 3})
		h.Take(hand.Held{Holding: hand.Piece, Type: world.Mark})
		h.Hover(d, free)
		refused("placed", gesture(free, free, false))
		h.Take(hand.Held{Holding: hand.Piece, Type: world.Spawn})
		refused("the spawn placed there", gesture(free, free, false))
		h.Take(hand.Held{Holding: hand.Nothing})
		refused("dragged there", gesture(middle(d, a, here), free, false))
		if what == "is locked" {
			refused("moved on it", gesture(middle(d, b, there), free, false))
			h.Take(hand.Held{Holding: hand.Piece, Type: world.Collectible})
			refused("erased", gesture(middle(d, b, there), middle(d, b, there), true))
			if e, says := hand.Remove(d, hand.Selection{Ref: world.Ref{Sort: world.SortPiece, Map: b.ID, ID: theirs}}); e != nil || !strings.Contains(says, what) {
				t.Errorf("deleted from a layer that is locked: %q", says)
			}
		}
		// Carried over from the map beside it: they touch.
		h.Cells = hand.Cells{Map: a.ID, Region: grid.BoxRegion(grid.Rect{X: here.X, Y: here.Y, W: 1, H: 1})}
		by := grid.Point{X: 4, Y: 4}.Add(b.Origin).Sub(here.Add(a.Origin))
		o := h.MoveCells(d, by)
		refused("carried there", o)
		// Pasted: the cells are laid where they can be, the pieces are left out.
		h.Through = true
		h.HoldBlock(&world.Block{W: 1, H: 1, Layers: []world.BlockLayer{{Name: "Overhead", Depth: 1, Cells: world.Sheet(1, 1, []grid.Cell{3}).Layers[0].Cells}}, Pieces: []world.BlockPiece{{Type: world.Mark, Foot: grid.Point{X: 8, Y: 8}}}}, 0)
		o = gesture(free, free, false)
		if o.Edit == nil || !strings.Contains(o.Said, "1 piece left out") || !strings.Contains(o.Said, what) {
			t.Errorf("pasted on a layer that %s: said %q", what, o.Said)
		}
		if on, p := run(t, d, o).Piece(mine); p == nil || on.ID != a.ID {
			t.Errorf("a piece is lost where a layer %s", what)
		}
		if what == "takes no pieces" {
			upper := b.Layers[1]
			d = run(t, d, hand.Outcome{Edit: &edit.Edit{Label: "up", Parts: []edit.Part{edit.Change{Ref: world.Ref{Sort: world.SortPiece, Map: b.ID, ID: theirs}, Value: world.IDValue(world.FieldLayer, upper.ID)}}}})
			if _, err := edit.MergeLayer(d, b.ID, upper.ID); err == nil || !strings.Contains(err.Error(), what) {
				t.Errorf("merged into a layer that takes no pieces: %v", err)
			}
		}
	}
}

// Through all layers one erases what lies on those that are shown and not locked, and nothing on the others; on one
// that is locked or hidden alone nothing is erased, and it is said.
func TestErasingSparesLayers(t *testing.T) {
	d, ids := project(t)
	h := hand.New(ids)
	m := d.Maps[0]
	at := grid.Point{X: 5, Y: 5}
	cell := grid.BoxRegion(grid.Rect{X: at.X, Y: at.Y, W: 1, H: 1})
	for _, l := range m.Layers {
		d = run(t, d, hand.Outcome{Edit: &edit.Edit{Label: "paint", Parts: []edit.Part{edit.Paint{Map: m.ID, Layer: l.ID, Region: cell, Cells: grid.Runs{{N: 1, Cell: 3}}}}}})
	}
	lock := func(l *world.Layer, locked bool) {
		next := *d.Map(m.ID).Layer(l.ID)
		next.Locked = locked
		d = run(t, d, hand.Outcome{Edit: &edit.Edit{Label: "lock", Parts: edit.Changes(world.Ref{Sort: world.SortLayer, Map: m.ID, ID: l.ID}, d.Map(m.ID).Layer(l.ID).Values(), next.Values())}})
	}
	erase := func() (*world.Document, string) {
		h.Take(hand.Held{Holding: hand.Eraser})
		h.Shape = hand.Free
		pressed := h.Press(d, middle(d, m, at), false)
		if h.Through && h.Ghost().Problem != "" {
			t.Errorf("through all layers it says %q", h.Ghost().Problem)
		}
		o := h.Release(d, middle(d, m, at))
		return run(t, d, o), pressed.Said + o.Said
	}
	lies := func(d *world.Document, l *world.Layer) bool { return d.Map(m.ID).Layer(l.ID).Cells.At(at) != 0 }
	for i, l := range m.Layers {
		other := m.Layers[1-i]
		for _, how := range []string{"locked", "hidden"} {
			lock(l, how == "locked")
			h.SetHidden(l.ID, how == "hidden")
			h.Through = true
			if after, _ := erase(); !lies(after, l) || lies(after, other) {
				t.Errorf("through all layers with %s %s: %t on it, %t on the other", l.Name, how, lies(after, l), lies(after, other))
			}
			h.Through = false
			h.SetLayer(m.ID, l.ID)
			if after, says := erase(); !lies(after, l) || !strings.Contains(says, how) {
				t.Errorf("on %s, which is %s, something is erased, or it says %q", l.Name, how, says)
			}
			h.Cells = hand.Cells{Map: m.ID, Region: cell}
			if o := h.EraseCells(d); o.Edit != nil || !strings.Contains(o.Said, how) {
				t.Errorf("selected on %s, which is %s, something is erased, or it says %q", l.Name, how, o.Said)
			}
			lock(l, false)
			h.SetHidden(l.ID, false)
		}
	}
}

// Pieces alone, without any cell painted where they stand, are turned and mirrored like others.
func TestTurnPiecesAlone(t *testing.T) {
	ids := &world.Counter{Prefix: 4}
	d, err := world.Start(world.Project{Name: "Night shift", CellW: 16, CellH: 16, SeenW: 10, SeenH: 8}, ids)
	if err != nil {
		t.Fatal(err)
	}
	h := hand.New(ids)
	m := d.Maps[0]
	l := d.Project.Lattice()
	id := ids.NewID()
	p := &world.Piece{Type: world.Foe, Layer: m.Layers[1].ID, Foot: l.Foot(grid.Point{X: 4, Y: 5}), Props: kind.Set(props.Looks.Is(int(world.North) + 1))}
	d = run(t, d, hand.Outcome{Edit: &edit.Edit{Label: "place", Parts: []edit.Part{edit.Put{Ref: world.Ref{Sort: world.SortPiece, Map: m.ID, ID: id}, Values: p.Values()}}}})
	h.SetLayer(m.ID, m.Layers[1].ID)
	for _, c := range []struct {
		how   hand.Transform
		at    grid.Point
		looks world.Facing
	}{{hand.Quarter, grid.Point{X: 5, Y: 5}, world.East}, {hand.LeftRight, grid.Point{X: 5, Y: 5}, world.West}, {hand.Quarter, grid.Point{X: 5, Y: 6}, world.North}, {hand.TopBottom, grid.Point{X: 5, Y: 5}, world.South}} {
		h.Cells = hand.Cells{Map: m.ID, Region: grid.BoxRegion(grid.Rect{X: 4, Y: 5, W: 2, H: 2})}
		if c.how == hand.LeftRight {
			h.Cells.Region = grid.BoxRegion(grid.Rect{X: 5, Y: 5, W: 1, H: 2})
		}
		o := h.TransformCells(d, c.how)
		if o.Edit == nil {
			t.Fatalf("%s: nothing happens: %q", c.how, o.Said)
		}
		d = run(t, d, o)
		_, is := d.Piece(id)
		if at := l.CellAt(is.Foot); at != c.at || is.Int(props.Looks) != int(c.looks)+1 {
			t.Errorf("after %s it stands at %v, looking %d, want %v, %d", c.how, at, is.Int(props.Looks), c.at, c.looks+1)
		}
	}
}
