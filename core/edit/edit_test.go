package edit_test

import (
	"bytes"
	"errors"
	"math/rand/v2"
	"os"
	"strings"
	"testing"

	"azzel/core/edit"
	"azzel/core/edit/generate"
	"azzel/core/grid"
	"azzel/core/tiles"
	"azzel/core/world"
)

func newDocument(t testing.TB) *world.Document {
	t.Helper()
	d, err := world.Start(world.Project{Name: "Night shift", CellW: 16, CellH: 16, SeenW: 10, SeenH: 8}, &world.Counter{Prefix: 1})
	if err != nil {
		t.Fatal(err)
	}
	return d
}

// Alone, undo walks back through exactly the documents that were, and redo
// forward again; also for a replica begun from the log.
func TestUndoAlone(t *testing.T) {
	r := rand.New(rand.NewPCG(21, 22))
	start := newDocument(t)
	server := newLog(start)
	rep := edit.NewReplica(edit.Opening{Document: start})
	a := generate.Author{Rand: r, IDs: &world.Counter{Prefix: 3}}
	states := [][]byte{start.Encode()}
	at := 0
	var records []edit.Record
	for step := range 600 {
		if step%10 == 9 {
			// A reload: what the server keeps is all there is, and of that the latest comes first.
			o := edit.Opening{Sequence: rep.Answered(), Revision: rep.Revision(), Document: rep.Document(), Records: records[max(0, len(records)-r.IntN(12)):]}
			back, err := edit.DecodeOpening(o.Encode(), nil)
			if err != nil {
				t.Fatal(err)
			}
			rep = edit.NewReplica(back)
		}
		take, way := rep.Undo, -1
		if r.IntN(3) == 0 {
			take, way = rep.Redo, 1
		}
		var sequence uint64
		var message []byte
		var err error
		if r.IntN(5) < 3 {
			sequence, message, err = rep.Do(a.Edit(rep.Document()))
			if err != nil {
				continue
			}
			at++
			states = append(states[:at], rep.Document().Encode())
		} else {
			sequence, message, _, _, err = take()
			for errors.Is(err, edit.ErrNothing) && rep.Earlier() > 0 {
				n := 0
				for n < len(records) && records[n].Sequence < rep.Earlier() {
					n++
				}
				rep.AddEarlier(records[max(0, n-5):n])
				sequence, message, _, _, err = take()
			}
			if at+way < 0 || at+way >= len(states) {
				if !errors.Is(err, edit.ErrNothing) {
					t.Fatalf("step %d: %v, want that there is nothing", step, err)
				}
				continue
			}
			if err != nil {
				t.Fatalf("step %d: %v", step, err)
			}
			at += way
			want, got := states[at], rep.Document().Encode()
			// Creation numbers are never given twice, so the counter goes on.
			if !sameBut(want, got) {
				t.Fatalf("step %d: undo does not lead back", step)
			}
		}
		if _, err := rep.Receive(server.submit(t, 0, message)); err != nil {
			t.Fatal(err)
		}
		inverse := server.inverse[[2]uint64{0, sequence}]
		e, err := edit.Decode(server.entries[len(server.entries)-1].body)
		if err != nil {
			t.Fatal(err)
		}
		records = append(records, edit.Record{Sequence: sequence, Undoes: e.Undoes, Label: e.Label, Inverse: edit.EncodeParts(inverse)})
	}
}

// sameBut compares two documents but for the next creation number.
func sameBut(a, b []byte) bool {
	x, errX := world.Decode(a)
	y, errY := world.Decode(b)
	if errX != nil || errY != nil {
		return false
	}
	d := world.Diff(x, y)
	for _, p := range d.Put {
		was, _ := x.Draft().Values(p.Ref)
		if !world.SameValues(was, p.Values) {
			return false
		}
	}
	for _, c := range d.Chunks {
		old := x.Map(c.Map).Layer(c.Layer).Cells.Chunk(c.CX, c.CY)
		for i := range 1024 {
			if old.At(i%32, i/32) != c.Chunk.At(i%32, i/32) {
				return false
			}
		}
	}
	return len(d.Removed) == 0
}

// Undo leaves alone what somebody else changed since, and says how much.
func TestUndoOfShared(t *testing.T) {
	d := newDocument(t)
	m := d.Maps[0]
	paint := func(d *world.Document, x, w int, c grid.Cell) edit.Result {
		g := grid.BoxRegion(grid.Rect{X: x, Y: 3, W: w, H: 1})
		res, err := edit.Apply(d, edit.Edit{Parts: []edit.Part{edit.Paint{Map: m.ID, Layer: m.PlayerLayer, Region: g, Cells: grid.Runs{{N: w, Cell: c}}}}})
		if err != nil {
			t.Fatal(err)
		}
		return res
	}
	mine := paint(d, 2, 10, 4)
	theirs := paint(mine.Document, 9, 5, 6)
	res, err := edit.Apply(theirs.Document, edit.Edit{Undoes: 1, Parts: mine.Inverse})
	if err != nil || res.Left != 3 || res.Of != 10 {
		t.Fatalf("%d of %d left alone (%v), want 3 of 10", res.Left, res.Of, err)
	}
	plane := res.Document.Map(m.ID).Layer(m.PlayerLayer).Cells
	for x := 2; x < 14; x++ {
		want := d.Maps[0].Layers[0].Cells.At(grid.Point{X: x, Y: 3})
		if x >= 9 {
			want = 6
		}
		if got := plane.At(grid.Point{X: x, Y: 3}); got != want {
			t.Errorf("cell %d is %d, want %d", x, got, want)
		}
	}
}

// Bytes written by version 1 are read for ever: the golden file holds one edit
// of each sort of part.
func TestGolden(t *testing.T) {
	d := newDocument(t)
	m := d.Maps[0]
	ref := world.Ref{Sort: world.SortPiece, Map: m.ID, ID: m.Pieces[0].ID}
	g := grid.BoxRegion(grid.Rect{X: 2, Y: 2, W: 3, H: 2})
	e := edit.Edit{Label: "one of each", Undoes: 4, Parts: []edit.Part{
		edit.Paint{Map: m.ID, Layer: m.PlayerLayer, Region: g, Cells: grid.Runs{{N: 4, Cell: 3}, {N: 2}}, Expect: grid.Runs{{N: 6, Cell: 1}}},
		edit.Change{ref, world.PointValue(world.FieldFoot, grid.Point{X: 40, Y: 40}), world.PointValue(world.FieldFoot, m.Pieces[0].Foot).Bytes},
		edit.Remove{ref, m.Pieces[0].Values()[:5]},
		edit.Put{world.Ref{Sort: world.SortPiece, Map: m.ID, ID: 99}, m.Pieces[0].Values()[:5]},
		edit.Put{world.Ref{Sort: world.SortTileset, ID: 100}, d.Tilesets[0].Values()},
		edit.Put{world.Ref{Sort: world.SortMedley, ID: 101}, (&world.Medley{Name: "Gravel walk", Number: 3, Medley: tiles.Medley{
			Tiles: []tiles.Weighted{{Tile: 1, Weight: 5}, {Tile: 300, Weight: 1000}}, Seed: 2, Turned: true}}).Values()},
		// The properties that characters had then; more of them is no other encoding.
		edit.Put{world.Ref{Sort: world.SortCharacter, ID: 102}, (&world.Character{Name: "Gardener", W: 16, H: 24, Strip: strings.Repeat("5a", 32)}).Values()[:5]},
		edit.Change{world.Ref{Sort: world.SortTileset, ID: 100}, world.TileValues(3, tiles.Properties{}, tiles.Properties{Solid: tiles.Slope(true)})[0], nil},
		edit.Deal{m.ID, m.PlayerLayer, 101, g},
		edit.Put{world.Ref{Sort: world.SortBond, ID: 103}, (&world.Bond{Name: "Hedge", Number: 4, JoinsTo: []world.ID{104}, Bond: tiles.Bond{Join: tiles.Both,
			Tiles: []tiles.Bonded{{Tile: 7, Joined: 0xff, Weight: 2}, {Tile: 300, Joined: tiles.North, Weight: 1}}, Border: true, Also: []int{2, 9}, Seed: 3}}).Values()},
		edit.Paint{Map: m.ID, Layer: m.PlayerLayer, Region: g, Cells: grid.Runs{{N: 6, Cell: 7}}, Loose: g},
		edit.Paint{Map: m.ID, Layer: m.PlayerLayer, Region: g, Cells: grid.Runs{{N: 6, Cell: 7}}, Expect: grid.Runs{{N: 6, Cell: 1}}, Loose: g[:1]},
	}}
	const file = "testdata/edit-v1.bin"
	if os.Getenv("AZZEL_GOLDEN") != "" {
		if err := os.WriteFile(file, e.Encode(), 0o644); err != nil {
			t.Fatal(err)
		}
	}
	want, err := os.ReadFile(file)
	if err != nil {
		t.Fatal(err)
	}
	if !bytes.Equal(e.Encode(), want) {
		t.Error("an edit is written in other bytes than before: give it a new version")
	}
	back, err := edit.Decode(want)
	if err != nil || !bytes.Equal(back.Encode(), want) {
		t.Errorf("an edit of version 1 is not read as it was: %v", err)
	}
}

// Whatever arrives, decoding ends, applying does not panic, and what could be
// decoded is written the same again.
func FuzzDecode(f *testing.F) {
	d := newDocument(f)
	a := generate.Author{Rand: rand.New(rand.NewPCG(31, 32)), IDs: &world.Counter{Prefix: 5}}
	for range 40 {
		e := a.Edit(d)
		f.Add(e.Encode())
		if res, err := edit.Apply(d, e); err == nil {
			f.Add(edit.Edit{Undoes: 1, Parts: res.Inverse}.Encode())
		}
	}
	f.Fuzz(func(t *testing.T, b []byte) {
		e, err := edit.Decode(b)
		if err != nil {
			return
		}
		back, err := edit.Decode(e.Encode())
		if err != nil || !bytes.Equal(back.Encode(), e.Encode()) {
			t.Fatalf("an edit came back changed: %v", err)
		}
		before := d.Encode()
		res, err := edit.Apply(d, e)
		if err == nil {
			if _, err := world.Decode(res.Document.Encode()); err != nil {
				t.Fatalf("the edit left a document that can't be read: %v", err)
			}
		}
		if !bytes.Equal(before, d.Encode()) {
			t.Fatal("an edit changed the document it was applied to")
		}
	})
}

// A mark is what a step did to one cell.
type mark struct{ before, after grid.Cell }

// Two sessions paint and take back at random: the cells are always what a
// plain model of cells says, also after either has begun again from the log.
func TestUndoOfTwoAgainstModel(t *testing.T) {
	r := rand.New(rand.NewPCG(41, 42))
	start := newDocument(t)
	m := start.Maps[0]
	server := newLog(start)
	model := map[grid.Point]grid.Cell{}
	for _, s := range grid.BoxRegion(m.Bounds) {
		for x := s.X0; x <= s.X1; x++ {
			p := grid.Point{X: x, Y: s.Y}
			model[p] = m.Layers[0].Cells.At(p)
		}
	}
	var reps [2]*edit.Replica
	var records [2][]edit.Record
	var done, undone [2][]map[grid.Point]mark
	for i := range reps {
		reps[i] = edit.NewReplica(edit.Opening{Document: start})
	}
	// run gives the model what a step does, and what it did.
	run := func(step map[grid.Point]mark, conditional bool) map[grid.Point]mark {
		did := map[grid.Point]mark{}
		for p, k := range step {
			if conditional && model[p] != k.before {
				continue
			}
			did[p] = mark{model[p], k.after}
			model[p] = k.after
		}
		return did
	}
	back := func(step map[grid.Point]mark) map[grid.Point]mark {
		turned := map[grid.Point]mark{}
		for p, k := range step {
			turned[p] = mark{k.after, k.before}
		}
		return turned
	}
	for step := range 1200 {
		i := r.IntN(2)
		var message []byte
		var err error
		last := func(list []map[grid.Point]mark) map[grid.Point]mark { return list[len(list)-1] }
		switch n := r.IntN(10); {
		case n < 3 && len(done[i]) > 0:
			_, message, _, _, err = reps[i].Undo()
			undone[i] = append(undone[i], run(back(last(done[i])), true))
			done[i] = done[i][:len(done[i])-1]
		case n < 5 && len(undone[i]) > 0:
			_, message, _, _, err = reps[i].Redo()
			done[i] = append(done[i], run(back(last(undone[i])), true))
			undone[i] = undone[i][:len(undone[i])-1]
		default:
			box := grid.Rect{X: r.IntN(m.Bounds.W), Y: r.IntN(m.Bounds.H), W: 1 + r.IntN(7), H: 1 + r.IntN(5)}.Meet(m.Bounds)
			c := grid.Cell(r.IntN(5))
			g := grid.BoxRegion(box)
			_, message, err = reps[i].Do(edit.Edit{Parts: []edit.Part{edit.Paint{Map: m.ID, Layer: m.PlayerLayer, Region: g, Cells: grid.Runs{{N: g.Len(), Cell: c}}}}})
			all := map[grid.Point]mark{}
			for _, s := range g {
				for x := s.X0; x <= s.X1; x++ {
					all[grid.Point{X: x, Y: s.Y}] = mark{after: c}
				}
			}
			done[i], undone[i] = append(done[i], run(all, false)), nil
		}
		if err != nil {
			t.Fatalf("step %d: %v", step, err)
		}
		server.submit(t, i, message)
		entry := server.entries[len(server.entries)-1]
		for k, rep := range reps {
			answer := edit.Other(uint64(len(server.entries)), entry.body)
			if k == i {
				answer = edit.Taken(entry.sequence, uint64(len(server.entries)))
			}
			if _, err := rep.Receive(answer); err != nil {
				t.Fatal(err)
			}
			plane := rep.Document().Maps[0].Layers[0].Cells
			for p, want := range model {
				if got := plane.At(p); got != want {
					t.Fatalf("step %d, session %d: cell %v is %d, want %d", step, k, p, got, want)
				}
			}
		}
		e, err := edit.Decode(entry.body)
		if err != nil {
			t.Fatal(err)
		}
		records[i] = append(records[i], edit.Record{Sequence: entry.sequence, Undoes: e.Undoes, Inverse: edit.EncodeParts(server.inverse[[2]uint64{uint64(i), entry.sequence}])})
		if step%40 == 39 {
			reps[i] = edit.NewReplica(edit.Opening{Sequence: entry.sequence, Revision: uint64(len(server.entries)), Document: server.doc, Records: records[i]})
		}
	}
}

// A stroke's inverse does the same as what is stored of it, on whole chunks and parts of
// them, whether anybody changed them meanwhile or not.
func TestInverseAsStored(t *testing.T) {
	r := rand.New(rand.NewPCG(31, 5))
	d := newDocument(t)
	m := d.Maps[0]
	grow, err := edit.Resize{Map: m.ID, Bounds: grid.Rect{X: -20, Y: -7, W: 120, H: 110}}.Edit(d)
	if err != nil {
		t.Fatal(err)
	}
	stroke := func(d *world.Document) edit.Edit {
		box := grid.Rect{X: -20 + r.IntN(60), Y: -7 + r.IntN(60), W: 1 + r.IntN(60), H: 1 + r.IntN(50)}
		g := grid.BoxRegion(box)
		if r.IntN(3) == 0 {
			g = g.Where(func(grid.Point) bool { return r.IntN(3) > 0 })
		}
		cells := grid.Runs{{N: g.Len(), Cell: grid.Cell(r.IntN(5))}}
		if r.IntN(2) == 0 {
			cells = grid.RunsOf(g, func(grid.Point) grid.Cell { return grid.Cell(r.IntN(4)) })
		}
		return edit.Edit{Label: "stroke", Parts: []edit.Part{edit.Paint{Map: m.ID, Layer: m.PlayerLayer, Region: g, Cells: cells}}}
	}
	apply := func(d *world.Document, e edit.Edit) edit.Result {
		res, err := edit.Apply(d, e)
		if err != nil {
			t.Fatal(err)
		}
		return res
	}
	d = apply(d, grow).Document
	disturbed := 0
	for step := range 150 {
		res := apply(d, stroke(d))
		now := res.Document
		if step%2 == 0 {
			now = apply(now, stroke(now)).Document
		}
		stored, err := edit.DecodeParts(edit.EncodeParts(res.Inverse))
		if err != nil {
			t.Fatal(err)
		}
		kept := apply(now, edit.Edit{Label: "undo", Undoes: 1, Parts: res.Inverse})
		read := apply(now, edit.Edit{Label: "undo", Undoes: 1, Parts: stored})
		if !bytes.Equal(kept.Document.Encode(), read.Document.Encode()) || kept.Left != read.Left || kept.Of != read.Of {
			t.Fatalf("step %d: undone from memory %d of %d are left, as stored %d of %d, or the cells differ", step, kept.Left, kept.Of, read.Left, read.Of)
		}
		if step%2 == 1 && (kept.Left > 0 || !bytes.Equal(kept.Document.Encode(), d.Encode())) {
			t.Fatalf("step %d: undoing at once does not lead back", step)
		}
		if kept.Left > 0 {
			disturbed++
		}
		d = now
	}
	if disturbed < 20 {
		t.Errorf("only %d times anything had been changed meanwhile", disturbed)
	}
}
