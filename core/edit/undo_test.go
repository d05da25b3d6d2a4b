package edit_test

import (
	"bytes"
	"testing"

	"azzel/core/edit"
	"azzel/core/grid"
	"azzel/core/world"
)

// However little of a step can still be taken back, taking it back is not refused, what can
// be is, what can't be is counted, and the step before it is taken back next.
func TestUndoOfWhatDoesNotFit(t *testing.T) {
	start := newDocument(t)
	m := start.Maps[0]
	b := m.Bounds
	other, layers := world.NewMap("Fern grotto", grid.Point{X: 300, Y: 0}, grid.Rect{W: 8, H: 6}, &world.Counter{Prefix: 40})
	start = apply(t, start, edit.PutMap(other, layers)...)
	upper := m.Layers[1]
	foot := start.Project.Lattice().Foot(grid.Point{X: b.X + 1, Y: b.Y + 1})
	label := world.Ref{Sort: world.SortPiece, Map: m.ID, ID: 900}
	onUpper := (&world.Piece{Type: world.Collectible, Layer: upper.ID, Foot: foot}).Values()
	crossing := world.Ref{Sort: world.SortCrossing, ID: 901}
	way := (&world.Crossing{BothWays: true, Ends: [2]world.End{{Map: m.ID, Cells: grid.Rect{X: b.X, Y: b.Y, W: 1, H: 1}}, {Map: other.ID, Cells: grid.Rect{X: 2, Y: 2, W: 1, H: 1}}}}).Values()
	edge := grid.BoxRegion(grid.Rect{X: b.X + b.W - 4, Y: b.Y, W: 4, H: 3})
	resized := func(d *world.Document, by int) []edit.Part {
		to := d.Map(m.ID).Bounds
		to.W += by
		e, err := edit.Resize{Map: m.ID, Bounds: to}.Edit(d)
		if err != nil {
			t.Fatal(err)
		}
		return e.Parts
	}
	paint := func(g grid.Region, c grid.Cell) edit.Part {
		return edit.Paint{Map: m.ID, Layer: m.PlayerLayer, Region: g, Cells: grid.Runs{{N: g.Len(), Cell: c}}}
	}
	for _, c := range []struct {
		what        string
		first, mine []edit.Part
		theirs      func(*world.Document) []edit.Part
		left, of    int
		undone      func(*world.Document) bool
	}{
		{"cells at an edge, then the map is narrower", nil, []edit.Part{paint(edge, 3)}, func(d *world.Document) []edit.Part { return resized(d, -2) }, 6, 12,
			func(d *world.Document) bool {
				return d.Map(m.ID).Layer(m.PlayerLayer).Cells.At(grid.Point{X: b.X + b.W - 4, Y: b.Y}) == m.Layer(m.PlayerLayer).Cells.At(grid.Point{X: b.X + b.W - 4, Y: b.Y})
			}},
		{"a crossing deleted, then its map", []edit.Part{edit.Put{Ref: crossing, Values: way}}, []edit.Part{edit.Remove{Ref: crossing}},
			func(*world.Document) []edit.Part {
				return []edit.Part{edit.Remove{Ref: world.Ref{Sort: world.SortMap, ID: other.ID}}}
			}, 1, 1,
			func(d *world.Document) bool { return d.Crossing(crossing.ID) == nil }},
		{"a piece deleted, then its layer", []edit.Part{edit.Put{Ref: label, Values: onUpper}}, []edit.Part{edit.Remove{Ref: label}},
			func(*world.Document) []edit.Part {
				return []edit.Part{edit.Remove{Ref: world.Ref{Sort: world.SortLayer, Map: m.ID, ID: upper.ID}}}
			}, 1, 1,
			func(d *world.Document) bool { return d.Map(m.ID).Piece(label.ID) == nil }},
		{"a piece deleted, then there again from a version", []edit.Part{edit.Put{Ref: label, Values: onUpper}}, []edit.Part{edit.Remove{Ref: label}},
			func(d *world.Document) []edit.Part { return []edit.Part{edit.Put{Ref: label, Values: onUpper}} }, 1, 1,
			func(d *world.Document) bool { return d.Map(m.ID).Piece(label.ID) != nil }},
		{"a map made wider and called otherwise, then painted there", nil,
			append(resized(start, 3), edit.Change{Ref: world.Ref{Sort: world.SortMap, ID: m.ID}, Value: world.TextValue(world.FieldName, "Orchid house")}),
			func(*world.Document) []edit.Part {
				return []edit.Part{paint(grid.BoxRegion(grid.Rect{X: b.X + b.W + 1, Y: b.Y, W: 1, H: 1}), 2)}
			}, 1, 2,
			func(d *world.Document) bool { return d.Map(m.ID).Bounds.W == b.W+3 && d.Map(m.ID).Name == m.Name }},
		{"a map made wider and called otherwise, then a piece put there", nil,
			append(resized(start, 3), edit.Change{Ref: world.Ref{Sort: world.SortMap, ID: m.ID}, Value: world.TextValue(world.FieldName, "Orchid house")}),
			func(*world.Document) []edit.Part {
				at := start.Project.Lattice().Foot(grid.Point{X: b.X + b.W + 1, Y: b.Y})
				return []edit.Part{edit.Put{Ref: label, Values: (&world.Piece{Type: world.Collectible, Layer: m.PlayerLayer, Foot: at}).Values()}}
			}, 1, 2,
			func(d *world.Document) bool { return d.Map(m.ID).Bounds.W == b.W+3 && d.Map(m.ID).Name == m.Name }},
		{"a map deleted, then another in its place", nil, []edit.Part{edit.Remove{Ref: world.Ref{Sort: world.SortMap, ID: other.ID}}},
			func(*world.Document) []edit.Part {
				in, layers := world.NewMap("Moss house", grid.Point{X: 302, Y: 2}, grid.Rect{W: 8, H: 6}, &world.Counter{Prefix: 41})
				return edit.PutMap(in, layers)
			}, 1 + len(layers), 1 + len(layers),
			func(d *world.Document) bool { return d.Map(other.ID) == nil }},
	} {
		d := start
		if c.first != nil {
			d = apply(t, d, c.first...)
		}
		rep := edit.NewReplica(edit.Opening{Document: d})
		steps := [][]edit.Part{{paint(grid.BoxRegion(grid.Rect{X: b.X + 2, Y: b.Y + 2, W: 1, H: 1}), 4)}, c.mine}
		for _, parts := range steps {
			if _, _, err := rep.Do(edit.Edit{Label: c.what, Parts: parts}); err != nil {
				t.Fatalf("%s: %v", c.what, err)
			}
		}
		for i := range steps {
			if _, err := rep.Receive(edit.Taken(uint64(i+1), uint64(i+1))); err != nil {
				t.Fatal(err)
			}
		}
		theirs := edit.Edit{Label: "theirs", Parts: c.theirs(rep.Document())}
		if _, err := rep.Receive(edit.Other(3, theirs.Encode())); err != nil {
			t.Fatalf("%s: %v", c.what, err)
		}
		before := rep.Document()
		_, _, left, of, err := rep.Undo()
		if err != nil || left != c.left || of != c.of {
			t.Errorf("%s: %d of %d left (%v), want %d of %d", c.what, left, of, err, c.left, c.of)
			continue
		}
		if !c.undone(rep.Document()) {
			t.Errorf("%s: what can be taken back is not, or what can't be is", c.what)
		}
		if _, err := world.Decode(rep.Document().Encode()); err != nil {
			t.Errorf("%s: the document is not whole: %v", c.what, err)
		}
		// What is told to others leads to the same.
		res, err := edit.Apply(before, edit.Edit{Undoes: 2, Parts: rep.Inverse(2)})
		if err != nil {
			t.Fatal(err)
		}
		if next, err := edit.Follow(nil, before, edit.Edit{Undoes: 2, Parts: res.Parts}); err != nil || !bytes.Equal(next.Encode(), rep.Document().Encode()) {
			t.Errorf("%s: who follows has another document: %v", c.what, err)
		}
		if _, _, left, of, err := rep.Undo(); err != nil || left != 0 || of != 1 {
			t.Errorf("%s: the step before it: %d of %d left: %v", c.what, left, of, err)
		}
	}
}

// What others put into what a session made is spared: the layer or map that holds it stays, and is counted.
func TestUndoSparesWhatOthersPutIn(t *testing.T) {
	start := newDocument(t)
	m := start.Maps[0]
	b := m.Bounds
	layer, err := edit.MakeLayer(start, m.ID, m.PlayerLayer, &world.Layer{ID: 950, Name: "Vines"})
	if err != nil {
		t.Fatal(err)
	}
	other, layers := world.NewMap("Fern grotto", grid.Point{X: 300, Y: 0}, grid.Rect{W: 8, H: 6}, &world.Counter{Prefix: 40})
	cell := grid.BoxRegion(grid.Rect{X: b.X + 1, Y: b.Y + 1, W: 1, H: 1})
	for what, c := range map[string]struct {
		mine   []edit.Part
		theirs edit.Part
		stays  func(*world.Document) bool
	}{
		"cells on a layer": {layer.Parts, edit.Paint{Map: m.ID, Layer: 950, Region: cell, Cells: grid.Runs{{N: 1, Cell: 3}}},
			func(d *world.Document) bool {
				return d.Map(m.ID).Layer(950) != nil && d.Map(m.ID).Layer(950).Cells.At(grid.Point{X: b.X + 1, Y: b.Y + 1}) == 3
			}},
		"a piece on a map": {edit.PutMap(other, layers), edit.Put{Ref: world.Ref{Sort: world.SortPiece, Map: other.ID, ID: 951},
			Values: (&world.Piece{Type: world.Mark, Layer: layers[0].ID, Foot: grid.Point{X: 8, Y: 8}}).Values()},
			func(d *world.Document) bool { return d.Map(other.ID) != nil && d.Map(other.ID).Piece(951) != nil }},
		"a crossing to a map": {edit.PutMap(other, layers), edit.Put{Ref: world.Ref{Sort: world.SortCrossing, ID: 952},
			Values: (&world.Crossing{Ends: [2]world.End{{Map: m.ID, Cells: grid.Rect{X: b.X, Y: b.Y, W: 1, H: 1}}, {Map: other.ID, Cells: grid.Rect{W: 1, H: 1}}}}).Values()},
			func(d *world.Document) bool { return d.Map(other.ID) != nil && d.Crossing(952) != nil }},
		"a track on a map": {edit.PutMap(other, layers), edit.Put{Ref: world.Ref{Sort: world.SortTrack, ID: 953},
			Values: (&world.Track{Name: "Round", Map: other.ID, Points: []grid.Point{{X: 4, Y: 4}}}).Values()},
			func(d *world.Document) bool { return d.Map(other.ID) != nil && d.Track(953) != nil }},
		"another name of a map": {edit.PutMap(other, layers), edit.Change{Ref: world.Ref{Sort: world.SortMap, ID: other.ID}, Value: world.TextValue(world.FieldName, "Moss house")},
			func(d *world.Document) bool { return d.Map(other.ID) != nil && d.Map(other.ID).Name == "Moss house" }},
	} {
		made, err := edit.Apply(start, edit.Edit{Label: "make", Parts: c.mine})
		if err != nil {
			t.Fatalf("%s: %v", what, err)
		}
		now := apply(t, made.Document, c.theirs)
		back, err := edit.Apply(now, edit.Edit{Label: "undo", Undoes: 1, Parts: made.Inverse})
		if err != nil || back.Left == 0 || !c.stays(back.Document) {
			t.Errorf("%s that others put in: %d of %d are left, and it stays %t: %v", what, back.Left, back.Of, c.stays(back.Document), err)
		}
		// Without that all of it goes.
		if gone, err := edit.Apply(made.Document, edit.Edit{Label: "undo", Undoes: 1, Parts: made.Inverse}); err != nil || gone.Left != 0 || !sameBut(gone.Document.Encode(), start.Encode()) {
			t.Errorf("%s: taken back at once it is not as it was: %v", what, err)
		}
	}
}
