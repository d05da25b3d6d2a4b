package edit_test

import (
	"bytes"
	"errors"
	"math/rand/v2"
	"testing"

	"azzel/core/edit"
	"azzel/core/edit/generate"
	"azzel/core/grid"
	"azzel/core/world"
)

// A log stands in for the server: it decides the order, and remembers.
type log struct {
	doc      *world.Document
	last     map[int]uint64
	inverse  map[[2]uint64][]edit.Part
	revision map[[2]uint64]uint64
	entries  []entry
}

func newLog(d *world.Document) *log {
	return &log{doc: d, last: map[int]uint64{}, inverse: map[[2]uint64][]edit.Part{}, revision: map[[2]uint64]uint64{}}
}

type entry struct {
	session  int
	sequence uint64
	body     []byte
}

// submit gives the answer for the sender; a new entry is for the others.
func (l *log) submit(t *testing.T, session int, message []byte) []byte {
	sequence, body, err := edit.ReadSend(message)
	if err != nil {
		t.Fatal(err)
	}
	key := [2]uint64{uint64(session), sequence}
	if sequence <= l.last[session] {
		if n, ok := l.revision[key]; ok {
			return edit.Taken(sequence, n)
		}
		return edit.Refused(sequence, "before")
	}
	if sequence != l.last[session]+1 {
		t.Fatalf("session %d sent %d after %d", session, sequence, l.last[session])
	}
	l.last[session] = sequence
	e, err := edit.Decode(body)
	if err != nil {
		t.Fatal(err)
	}
	if e.Undoes != 0 {
		inverse, there := l.inverse[[2]uint64{uint64(session), e.Undoes}]
		if !there {
			return edit.Refused(sequence, "it can't be taken back")
		}
		e.Parts = inverse
	}
	res, err := edit.Apply(l.doc, e)
	if err != nil {
		return edit.Refused(sequence, err.Error())
	}
	e.Parts = res.Parts
	l.doc, l.inverse[key] = res.Document, res.Inverse
	l.entries = append(l.entries, entry{session, sequence, e.Encode()})
	l.revision[key] = uint64(len(l.entries))
	return edit.Taken(sequence, uint64(len(l.entries)))
}

// A client is a replica behind a line that delays and is cut.
type client struct {
	*edit.Replica
	generate.Author
	up, down [][]byte
	heard    int
}

// Three people edit and undo at random over slow lines that are cut: in the
// end all of them and the server have the same bytes, each step once.
func TestThreeClients(t *testing.T) {
	seeds := uint64(1)
	if !testing.Short() {
		seeds = 8
	}
	for seed := range seeds {
		threeClients(t, rand.New(rand.NewPCG(11, 12+seed)))
	}
}

func threeClients(t *testing.T, r *rand.Rand) {
	start := newDocument(t)
	server := newLog(start)
	clients := make([]*client, 3)
	for i := range clients {
		clients[i] = &client{Replica: edit.NewReplica(edit.Opening{Document: start}), Author: generate.Author{Rand: r, IDs: &world.Counter{Prefix: uint32(10 + i)}, Later: true}}
	}
	// listen gives a client what it has not heard yet, in the log's order.
	listen := func(i int, c *client) {
		for ; c.heard < len(server.entries); c.heard++ {
			e := server.entries[c.heard]
			if e.session == i {
				c.down = append(c.down, edit.Taken(e.sequence, uint64(c.heard+1)))
			} else {
				c.down = append(c.down, edit.Other(uint64(c.heard+1), e.body))
			}
		}
	}
	deliver := func(i int, c *client) {
		n := 1 + r.IntN(min(5, len(c.down)))
		together := c.down[:n]
		c.down = c.down[n:]
		if r.IntN(3) == 0 {
			together = [][]byte{edit.Several(together)}
		}
		if _, err := c.Receive(together...); err != nil {
			t.Fatalf("client %d: %v", i, err)
		}
	}
	undone := 0
	kept := []*world.Document{start}
	for step := 0; step < 5000; {
		i := r.IntN(3)
		c := clients[i]
		switch n := r.IntN(100); {
		case n < 30 && c.Pending() < 25:
			e := c.Edit(c.Document())
			if r.IntN(60) == 0 {
				// Back to a state of a while ago.
				e = edit.Restore(nil, c.Document(), kept[r.IntN(len(kept))], "go back")
			}
			if r.IntN(40) == 0 {
				kept = append(kept, server.doc)
			}
			_, message, err := c.Do(e)
			if err == nil {
				c.up = append(c.up, message)
				step++
			}
		case n < 40 && c.Pending() < 25:
			take := c.Undo
			if r.IntN(3) == 0 {
				take = c.Redo
			}
			if _, message, _, _, err := take(); err == nil {
				c.up = append(c.up, message)
				step++
				undone++
			} else if !errors.Is(err, edit.ErrNothing) {
				t.Fatalf("step %d: an undo or redo is refused: %v", step, err)
			}
		case n < 68 && len(c.up) > 0:
			answer := server.submit(t, i, c.up[0])
			c.up = c.up[1:]
			if answer[0] == edit.MessageRefused {
				listen(i, c)
				c.down = append(c.down, answer)
			}
		case n < 96:
			if r.IntN(3) > 0 {
				listen(i, c)
			}
			if len(c.down) > 0 {
				deliver(i, c)
			}
		case n < 98:
			// The line is cut: what was on its way is lost, and sent again.
			c.down = nil
			c.heard = int(c.Revision())
			c.up = c.Outgoing()
		}
	}
	for range 3 {
		for i, c := range clients {
			c.down, c.heard = nil, int(c.Revision())
			for _, m := range c.Outgoing() {
				for range 2 { // each sent twice
					if answer := server.submit(t, i, m); answer[0] == edit.MessageRefused {
						listen(i, c)
						c.down = append(c.down, answer)
					}
				}
			}
		}
		for i, c := range clients {
			listen(i, c)
			for len(c.down) > 0 {
				deliver(i, c)
			}
		}
	}
	want := server.doc.Encode()
	for i, c := range clients {
		if c.Pending() != 0 {
			t.Errorf("client %d still has %d steps on their way", i, c.Pending())
		}
		if !bytes.Equal(c.Document().Encode(), want) || !bytes.Equal(c.Confirmed().Encode(), want) {
			t.Errorf("client %d differs from the server", i)
		}
	}
	replayed := start
	for i, e := range server.entries {
		ed, err := edit.Decode(e.body)
		if err != nil {
			t.Fatal(err)
		}
		res, err := edit.Apply(replayed, ed)
		if err != nil {
			t.Fatalf("entry %d of the log: %v", i, err)
		}
		replayed = res.Document
	}
	if !bytes.Equal(replayed.Encode(), want) {
		t.Error("the log does not lead to the document")
	}
	if len(server.entries) < 3700 || undone < 500 {
		t.Errorf("only %d steps and %d undos took place", len(server.entries), undone)
	}
}

// One step is taken back alone from among others, the list says so, and undo and redo go
// on from there.
func TestTakeBackAlone(t *testing.T) {
	d := newDocument(t)
	m := d.Maps[0]
	rep := edit.NewReplica(edit.Opening{Document: d})
	stroke := func(label string, x int, cell grid.Cell) {
		g := grid.BoxRegion(grid.Rect{X: x, Y: 1, W: 3, H: 2})
		if _, _, err := rep.Do(edit.Edit{Label: label, Parts: []edit.Part{edit.Paint{Map: m.ID, Layer: m.PlayerLayer, Region: g, Cells: grid.Runs{{N: 6, Cell: cell}}}}}); err != nil {
			t.Fatal(err)
		}
	}
	at := func(x int) grid.Cell {
		m := rep.Document().Maps[0]
		return m.Layer(m.PlayerLayer).Cells.At(grid.Point{X: x, Y: 1})
	}
	first := at(1)
	stroke("moss", 1, 2)
	stroke("fern", 4, 3)
	// One column lies over the moss.
	stroke("path", 6, 4)
	if _, left, of, err := rep.TakeBack(1); err != nil || left != 0 || of != 6 {
		t.Fatalf("taking back the moss alone left %d of %d: %v", left, of, err)
	}
	if _, left, of, err := rep.TakeBack(2); err != nil || left != 2 || of != 6 {
		t.Fatalf("taking back the fern left %d of %d, want the 2 that the path covers: %v", left, of, err)
	}
	if at(1) != first || at(4) != first || at(6) != 4 {
		t.Fatalf("the cells are %d, %d, %d", at(1), at(4), at(6))
	}
	steps := rep.Steps()
	if len(steps) != 5 || !steps[0].Back || !steps[1].Back || steps[2].Back || steps[3].Label != "undo: moss" || steps[4].Sequence != 5 {
		t.Fatalf("the list is %+v", steps)
	}
	for range 2 {
		if _, _, _, _, err := rep.Undo(); err != nil {
			t.Fatal(err)
		}
	}
	if at(1) != 2 || at(4) != 3 || rep.Steps()[0].Back {
		t.Fatal("undoing did not bring them back")
	}
	if _, _, _, err := rep.TakeBack(4); !errors.Is(err, edit.ErrNothing) {
		t.Fatalf("a step that is undone is taken back: %v", err)
	}
	if _, _, _, _, err := rep.Redo(); err != nil || at(1) != first {
		t.Fatalf("doing it again: %v", err)
	}
}
