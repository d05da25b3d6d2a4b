package edit_test

import (
	"maps"
	"math/rand/v2"
	"slices"
	"testing"

	"azzel/core/edit"
	"azzel/core/grid"
	"azzel/core/world"
)

// A field is a map as nothing but cells: what a map must be like, however it is stored.
type field struct {
	bounds grid.Rect
	layers []sheet
}

type sheet struct {
	id    world.ID
	cells map[grid.Point]grid.Cell
}

func (f field) copy() field {
	f.layers = slices.Clone(f.layers)
	for i := range f.layers {
		f.layers[i].cells = maps.Clone(f.layers[i].cells)
	}
	return f
}

func (f field) set(layer int, at grid.Point, c grid.Cell) {
	if !f.bounds.Has(at) {
		return
	}
	if c == 0 {
		delete(f.layers[layer].cells, at)
	} else {
		f.layers[layer].cells[at] = c
	}
}

// holds compares a map with the field.
func (f field) holds(t *testing.T, m *world.Map, step int, what string) {
	t.Helper()
	if m.Bounds != f.bounds || len(m.Layers) != len(f.layers) {
		t.Fatalf("step %d, %s: the map has bounds %v and %d layers; want %v and %d", step, what, m.Bounds, len(m.Layers), f.bounds, len(f.layers))
	}
	for i, l := range m.Layers {
		if l.ID != f.layers[i].id {
			t.Fatalf("step %d, %s: layer %d is another", step, what, i)
		}
		n := 0
		g := l.Cells.Filled()
		l.Cells.Read(g).Over(g, func(at grid.Point, c grid.Cell) {
			n++
			if f.layers[i].cells[at] != c {
				t.Fatalf("step %d, %s: layer %d holds %v at %v; want %v", step, what, i, c, at, f.layers[i].cells[at])
			}
		})
		if n != len(f.layers[i].cells) {
			t.Fatalf("step %d, %s: layer %d holds %d cells; want %d", step, what, i, n, len(f.layers[i].cells))
		}
	}
}

// Three people paint, paste, resize, make and take away layers, undo, and go back to
// states that were kept: after each step all of them have what a simple map of cells has.
func TestThreeAgainstCells(t *testing.T) {
	r := rand.New(rand.NewPCG(51, 52))
	start := newDocument(t)
	server := newLog(start)
	id := start.Maps[0].ID
	ids := &world.Counter{Prefix: 8}
	var reps [3]*edit.Replica
	for i := range reps {
		reps[i] = edit.NewReplica(edit.Opening{Document: start})
	}
	model := field{bounds: start.Maps[0].Bounds}
	for _, l := range start.Maps[0].Layers {
		s := sheet{l.ID, map[grid.Point]grid.Cell{}}
		g := l.Cells.Filled()
		l.Cells.Read(g).Over(g, func(at grid.Point, c grid.Cell) { s.cells[at] = c })
		model.layers = append(model.layers, s)
	}
	type kept struct {
		doc   *world.Document
		model field
	}
	states := []kept{{start, model.copy()}}
	// before is what was before the last step, and who took it; nobody else's step can
	// be taken back whole.
	var before field
	last := -1
	taken := map[string]int{}
	for step := range 900 {
		i := r.IntN(3)
		d := reps[i].Document()
		m := d.Map(id)
		k := r.IntN(len(m.Layers))
		l := m.Layers[k]
		box := func() grid.Rect {
			return grid.Rect{X: m.Bounds.X + r.IntN(m.Bounds.W), Y: m.Bounds.Y + r.IntN(m.Bounds.H), W: 1 + r.IntN(9), H: 1 + r.IntN(7)}.Meet(m.Bounds)
		}
		was := model.copy()
		var e edit.Edit
		var err error
		what := ""
		switch n := r.IntN(20); {
		case n < 6:
			what = "paint"
			g, c := grid.BoxRegion(box()), grid.Cell(r.IntN(6))
			e.Parts = []edit.Part{edit.Paint{Map: id, Layer: l.ID, Region: g, Cells: grid.Runs{{N: g.Len(), Cell: c}}}}
			for _, s := range g {
				for x := s.X0; x <= s.X1; x++ {
					model.set(k, grid.Point{X: x, Y: s.Y}, c)
				}
			}
		case n < 10:
			what = "paste"
			from, to := box(), box()
			to = grid.Rect{X: to.X, Y: to.Y, W: from.W, H: from.H}.Meet(m.Bounds)
			g := grid.BoxRegion(to)
			by := grid.Point{X: from.X - to.X, Y: from.Y - to.Y}
			e.Parts = []edit.Part{edit.Paint{Map: id, Layer: l.ID, Region: g, Cells: l.Cells.Read(g.Move(by))}}
			for _, s := range g {
				for x := s.X0; x <= s.X1; x++ {
					at := grid.Point{X: x, Y: s.Y}
					model.set(k, at, was.layers[k].cells[at.Add(by)])
				}
			}
		case n < 12:
			what = "resize"
			b := m.Bounds
			left, top := r.IntN(7)-3, r.IntN(7)-3
			b = grid.Rect{X: b.X - left, Y: b.Y - top, W: max(3, b.W+left+r.IntN(7)-3), H: max(3, b.H+top+r.IntN(7)-3)}
			e, err = edit.Resize{Map: id, Bounds: b}.Edit(d)
			model.bounds = b
			for i := range model.layers {
				maps.DeleteFunc(model.layers[i].cells, func(p grid.Point, _ grid.Cell) bool { return !b.Has(p) })
			}
		case n < 13 && len(m.Layers) < 6:
			what = "make a layer"
			fresh := &world.Layer{ID: ids.NewID(), Name: "Vines"}
			e, err = edit.MakeLayer(d, id, l.ID, fresh)
			model.layers = slices.Insert(model.layers, k+1, sheet{fresh.ID, map[grid.Point]grid.Cell{}})
		case n < 14 && len(m.Layers) < 6:
			what = "duplicate a layer"
			e, err = edit.DuplicateLayer(d, id, l.ID, ids)
			for _, p := range e.Parts {
				if put, ok := p.(edit.Put); ok {
					model.layers = slices.Insert(model.layers, k+1, sheet{put.Ref.ID, maps.Clone(was.layers[k].cells)})
				}
			}
		case n < 15 && len(m.Layers) > 2 && l.ID != m.PlayerLayer:
			what = "remove a layer"
			e, err = edit.RemoveLayer(d, id, l.ID)
			model.layers = slices.Delete(model.layers, k, k+1)
		case n < 16:
			what = "clear a layer"
			e, err = edit.ClearLayer(d, id, l.ID)
			clear(model.layers[k].cells)
		case n < 17:
			states = append(states, kept{d, model.copy()})
			continue
		case n < 18:
			what = "go back"
			to := states[r.IntN(len(states))]
			e = edit.Restore(nil, d, to.doc, "go back")
			model = to.model.copy()
		default:
			what = "undo"
		}
		var message []byte
		if what == "undo" {
			if last != i {
				continue
			}
			model, last = before, -1
			_, message, _, _, err = reps[i].Undo()
		} else {
			if err != nil || len(e.Parts) == 0 {
				model = was
				continue
			}
			e.Label = what
			before, last = was, i
			_, message, err = reps[i].Do(e)
		}
		if err != nil {
			t.Fatalf("step %d, %s: %v", step, what, err)
		}
		taken[what]++
		answer := server.submit(t, i, message)
		if answer[0] != edit.MessageTaken {
			t.Fatalf("step %d, %s: refused", step, what)
		}
		for k, rep := range reps {
			told := answer
			if k != i {
				told = edit.Other(uint64(len(server.entries)), server.entries[len(server.entries)-1].body)
			}
			if _, err := rep.Receive(told); err != nil {
				t.Fatalf("step %d, %s: %v", step, what, err)
			}
			model.holds(t, rep.Document().Map(id), step, what)
		}
		model.holds(t, server.doc.Map(id), step, what)
	}
	for _, what := range []string{"paint", "paste", "resize", "make a layer", "duplicate a layer", "remove a layer", "clear a layer", "go back", "undo"} {
		if taken[what] < 8 {
			t.Errorf("%s was done only %d times", what, taken[what])
		}
	}
}
