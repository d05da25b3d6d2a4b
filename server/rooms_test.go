package server

import (
	"bytes"
	"io"
	"math/rand/v2"
	"os"
	"slices"
	"strings"
	"testing"

	"azzel/cluster"
	"azzel/core/edit"
	"azzel/core/edit/generate"
	"azzel/core/grid"
	"azzel/core/world"
	"azzel/store"
)

var shared *cluster.Cluster

func TestMain(m *testing.M) { os.Exit(cluster.RunTests(m, &shared)) }

// testRooms are rooms over a new database with one project, number 1.
func testRooms(t *testing.T) *rooms {
	t.Helper()
	address, err := shared.Database(t.Context(), t.Name())
	if err != nil {
		t.Fatal(err)
	}
	s, err := store.Open(t.Context(), address, store.Options{})
	if err != nil {
		t.Fatal(err)
	}
	t.Cleanup(s.Close)
	d, err := world.Start(world.Project{Name: "Ferns", CellW: 16, CellH: 16, SeenW: 10, SeenH: 8}, &world.Counter{Prefix: 1})
	if err != nil {
		t.Fatal(err)
	}
	if p, err := s.Create(t.Context(), d); err != nil || p.ID != 1 {
		t.Fatalf("project %d: %v", p.ID, err)
	}
	return newRooms(s)
}

func (r *rooms) one(t *testing.T) *room {
	t.Helper()
	rm, err := r.enter(t.Context(), 1)
	if err != nil {
		t.Fatal(err)
	}
	return rm
}

// begin opens the project for a session, as a page does.
func begin(t *testing.T, r *room, session int64) *edit.Replica {
	t.Helper()
	o, err := r.opening(t.Context(), session)
	if err != nil {
		t.Fatal(err)
	}
	size := o.steps.size()
	body, err := io.ReadAll(o.steps)
	if err != nil || len(body) != size {
		t.Fatalf("the opening has %d bytes, and said %d (%v)", len(body), size, err)
	}
	back, err := edit.DecodeOpening(body, nil)
	if err != nil {
		t.Fatal(err)
	}
	return edit.NewReplica(back)
}

// hear gives a replica all that waits for its member.
func hear(t *testing.T, m *member, rep *edit.Replica) (notices []edit.Notice) {
	t.Helper()
	for {
		select {
		case message := <-m.out:
			n, err := rep.Receive(message)
			if err != nil {
				t.Fatalf("session %d: %v", m.session, err)
			}
			notices = append(notices, n...)
		default:
			return notices
		}
	}
}

// Pages come, work, send things twice, go and come back while the room is
// emptied from memory now and then: at every moment a page that has heard all
// shows what the database holds, and every step is there once.
func TestRoomAgainstStore(t *testing.T) {
	all := testRooms(t)
	r := rand.New(rand.NewPCG(71, 1))
	type seat struct {
		session int64
		rep     *edit.Replica
		m       *member
		author  generate.Author
		sent    [][]byte
	}
	seats := make([]*seat, 4)
	taken := 0
	for step := range 600 {
		rm := all.one(t)
		i := r.IntN(len(seats))
		if seats[i] == nil {
			session := int64(step + 1)
			seats[i] = &seat{session: session, rep: begin(t, rm, session), author: generate.Author{Rand: r, IDs: &world.Counter{Prefix: uint32(step + 100)}, Later: true}}
		}
		s := seats[i]
		if s.m == nil {
			s.m = newMember(s.session)
			if err := rm.join(t.Context(), s.m, s.rep.Revision()); err != nil {
				t.Fatal(err)
			}
			hear(t, s.m, s.rep)
		}
		switch n := r.IntN(20); {
		case n < 12:
			message, err := []byte(nil), error(nil)
			if n < 9 {
				_, message, err = s.rep.Do(s.author.Edit(s.rep.Document()))
			} else {
				_, message, _, _, err = s.rep.Undo()
			}
			if err != nil {
				continue
			}
			s.sent = append(s.sent, message)
			for range 1 + r.IntN(2) { // now and then twice
				if err := rm.submit(t.Context(), s.session, message); err != nil {
					t.Fatal(err)
				}
			}
			taken++
		case n < 14 && len(s.sent) > 0: // one from long ago
			if err := rm.submit(t.Context(), s.session, s.sent[r.IntN(len(s.sent))]); err != nil {
				t.Fatal(err)
			}
		case n < 17:
			rm.leave(s.m)
			s.m = nil
		case n < 18: // the page is closed for good, and its session forgotten
			rm.leave(s.m)
			seats[i] = nil
		case n < 19: // the server begins anew
			rm.mu.Lock()
			rm.doc = nil
			clear(rm.sequences)
			rm.mu.Unlock()
		}
		stored, revision, err := all.store.Load(t.Context(), 1)
		if err != nil {
			t.Fatal(err)
		}
		for k, other := range seats {
			if other == nil || other.m == nil {
				continue
			}
			hear(t, other.m, other.rep)
			if other.rep.Pending() != 0 || other.rep.Revision() != revision || !bytes.Equal(other.rep.Document().Encode(), stored.Encode()) {
				t.Fatalf("step %d: page %d is at revision %d with %d steps without an answer, the database at %d", step, k, other.rep.Revision(), other.rep.Pending(), revision)
			}
		}
	}
	if taken < 200 {
		t.Errorf("only %d steps took place", taken)
	}
}

// paint is the message of a step that paints one cell.
func paint(d *world.Document, sequence uint64, x int, cell grid.Cell) []byte {
	m := d.Maps[0]
	e := edit.Edit{Label: "paint", Parts: []edit.Part{edit.Paint{Map: m.ID, Layer: m.PlayerLayer, Region: grid.Region{{Y: 1, X0: x, X1: x}}, Cells: grid.Runs{{N: 1, Cell: cell}}}}}
	return edit.Send(sequence, e.Encode())
}

// answers are the messages that wait for a member, by their first letters.
func answers(m *member) string {
	var sorts strings.Builder
	for len(m.out) > 0 {
		sorts.WriteByte((<-m.out)[0])
	}
	return sorts.String()
}

// Each message has one right answer: a step is taken once and told to the
// others once, a repeat is answered alone, what does not fit is refused now and
// when it is repeated, and what can't be is an error that changes nothing.
func TestAnswers(t *testing.T) {
	all := testRooms(t)
	rm := all.one(t)
	mine, second, theirs := newMember(1), newMember(1), newMember(2)
	for _, m := range []*member{mine, second, theirs} {
		if err := rm.join(t.Context(), m, 0); err != nil {
			t.Fatal(err)
		}
	}
	d := rm.doc
	gone := edit.Send(3, edit.Edit{Parts: []edit.Part{edit.Remove{Ref: world.Ref{Sort: world.SortMap, ID: 99}}}}.Encode())
	for _, c := range []struct {
		name         string
		message      []byte
		own, other   string
		fails        bool
		revisionThen uint64
	}{
		{"the first", paint(d, 1, 1, 2), "t", "o", false, 1},
		{"the first again", paint(d, 1, 1, 2), "t", "", false, 1},
		{"the second", paint(d, 2, 2, 2), "t", "o", false, 2},
		{"one that does not fit", gone, "r", "", false, 2},
		{"it again", gone, "r", "", false, 2},
		{"one that was left out", paint(d, 5, 3, 2), "", "", true, 2},
		{"nonsense", []byte("moss"), "", "", true, 2},
		{"nothing", nil, "", "", true, 2},
		{"a step of nonsense", edit.Send(4, []byte("moss")), "r", "", false, 2},
		{"an undo of what never was", edit.Send(5, edit.Edit{Undoes: 77}.Encode()), "r", "", false, 2},
		{"an undo of what was refused", edit.Send(6, edit.Edit{Undoes: 3}.Encode()), "r", "", false, 2},
		{"an undo", edit.Send(7, edit.Edit{Undoes: 2}.Encode()), "t", "o", false, 3},
		{"a tile that is not there", paint(d, 8, 3, 60_000), "r", "", false, 3},
		{"after all that", paint(d, 9, 3, 2), "t", "o", false, 4},
	} {
		if err := rm.submit(t.Context(), 1, c.message); (err != nil) != c.fails {
			t.Errorf("%s: %v", c.name, err)
		}
		if a, b, o := answers(mine), answers(second), answers(theirs); a != c.own || b != c.own || o != c.other {
			t.Errorf("%s: answered %q and %q, the others heard %q; want %q and %q", c.name, a, b, o, c.own, c.other)
		}
		if rm.revision != c.revisionThen {
			t.Errorf("%s: revision %d, want %d", c.name, rm.revision, c.revisionThen)
		}
	}
	row := rm.doc.Maps[0].Layer(rm.doc.Maps[0].PlayerLayer).Cells.Read(grid.Region{{Y: 1, X0: 1, X1: 3}})
	was := d.Maps[0].Layer(d.Maps[0].PlayerLayer).Cells.At(grid.Point{X: 2, Y: 1})
	if want := grid.RunsOf(grid.Region{{Y: 1, X0: 1, X1: 3}}, func(p grid.Point) grid.Cell { return map[int]grid.Cell{1: 2, 2: was, 3: 2}[p.X] }); !slices.Equal(row, want) {
		t.Errorf("painted is %v, want %v", row, want)
	}
}
