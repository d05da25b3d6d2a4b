package server

import (
	"bytes"
	"context"
	"sync"
	"testing"

	"azzel/core/edit"
	"azzel/core/grid"
)

// A second server that has taken steps meanwhile is noticed: the step is not
// stored over it, everything is read anew, and the page that sends again ends
// with the same document on both.
func TestAnotherServer(t *testing.T) {
	here := testRooms(t)
	there := newRooms(here.store)
	a, b := here.one(t), there.one(t)
	d := a.doc
	if err := a.submit(t.Context(), 1, paint(d, 1, 1, 2)); err != nil {
		t.Fatal(err)
	}
	message := paint(d, 1, 4, 3)
	if err := b.submit(t.Context(), 2, message); err == nil {
		t.Fatal("a step computed from an old revision was stored")
	}
	if err := b.submit(t.Context(), 2, message); err != nil {
		t.Fatalf("sent again: %v", err)
	}
	if b.revision != 2 {
		t.Errorf("revision %d, want 2", b.revision)
	}
	m := newMember(3)
	if err := b.join(t.Context(), m, 0); err != nil || answers(m) != "oo" {
		t.Errorf("who joins does not hear both steps: %v", err)
	}
	stored, _, err := here.store.Load(t.Context(), 1)
	if err != nil || !bytes.Equal(stored.Encode(), b.doc.Encode()) {
		t.Errorf("the room differs from the database: %v", err)
	}
}

// A page that takes nothing for a long time is given up, without holding up the
// others, and hears all it missed when it comes back.
func TestSlowPage(t *testing.T) {
	rm := testRooms(t).one(t)
	slow := newMember(1)
	if err := rm.join(t.Context(), slow, 0); err != nil {
		t.Fatal(err)
	}
	d := rm.doc
	for i := range outgoing + 3 {
		if err := rm.submit(t.Context(), 2, paint(d, uint64(i+1), 1+i%6, grid.Cell(1+i%5))); err != nil {
			t.Fatal(err)
		}
	}
	select {
	case <-slow.gone:
	default:
		t.Fatal("a page that takes nothing is kept")
	}
	rm.leave(slow)
	heard := uint64(len(slow.out))
	back := newMember(1)
	missed := make(chan int)
	go func() {
		n := 0
		for range back.out {
			n++
		}
		missed <- n
	}()
	if err := rm.join(t.Context(), back, heard); err != nil {
		t.Fatal(err)
	}
	close(back.out)
	if n := <-missed; n != 3 {
		t.Errorf("it hears %d steps, want the 3 it missed", n)
	}
}

// Many pages that submit at once are taken one after the other, each page's
// steps in their order.
func TestManyAtOnce(t *testing.T) {
	all := testRooms(t)
	rm := all.one(t)
	d := rm.doc
	watcher := newMember(99)
	if err := rm.join(t.Context(), watcher, 0); err != nil {
		t.Fatal(err)
	}
	const pages, steps = 6, 20
	var done sync.WaitGroup
	for page := range pages {
		done.Go(func() {
			for i := range steps {
				if err := all.one(t).submit(context.Background(), int64(page+1), paint(d, uint64(i+1), page, grid.Cell(1+(page+i)%5))); err != nil {
					t.Errorf("page %d: %v", page, err)
				}
			}
		})
	}
	done.Wait()
	rep := begin(t, rm, 500)
	if rep.Revision() != pages*steps {
		t.Fatalf("%d steps were taken, want %d", rep.Revision(), pages*steps)
	}
	follow := edit.NewReplica(edit.Opening{Document: d})
	hear(t, watcher, follow)
	if !bytes.Equal(follow.Document().Encode(), rep.Document().Encode()) {
		t.Error("who watched differs from who came after")
	}
	for page := range pages {
		want := grid.Cell(1 + (page+steps-1)%5)
		if got := rep.Document().Maps[0].Layers[0].Cells.At(grid.Point{X: page, Y: 1}); got != want {
			t.Errorf("page %d ended with %d, want %d", page, got, want)
		}
	}
}

// A project that is not there opens no room, and none is left behind.
func TestNoRoom(t *testing.T) {
	all := testRooms(t)
	if _, err := all.enter(t.Context(), 5); err == nil || len(all.open) != 0 {
		t.Errorf("a room of nothing: %v, %d open", err, len(all.open))
	}
	m := newMember(1)
	if err := all.one(t).join(t.Context(), m, 0); err != nil {
		t.Fatal(err)
	}
	all.closeAll()
	select {
	case <-m.gone:
	default:
		t.Error("the server stops and a page is kept")
	}
}

// Steps that wait are stored in one transaction: an undo may come right after its step, a
// repeat is answered once, one that can't be done leaves the others alone.
func TestStepsTogether(t *testing.T) {
	all := testRooms(t)
	rm := all.one(t)
	d := rm.doc
	start := d.Encode()
	undo := edit.Send(2, edit.Edit{Label: "back", Undoes: 1}.Encode())
	first := paint(d, 1, 3, 4)
	batch := []*arrival{}
	for _, a := range []struct {
		session int64
		message []byte
	}{{1, first}, {2, paint(d, 1, 5, 4)}, {1, first}, {1, undo}, {3, []byte("moss")}, {2, edit.Send(2, edit.Edit{Label: "back", Undoes: 1}.Encode())}} {
		batch = append(batch, &arrival{a.session, a.message, make(chan error, 1)})
	}
	one, two := newMember(1), newMember(2)
	rm.members[one], rm.members[two] = true, true
	rm.take(t.Context(), batch)
	for i, a := range batch {
		if err := <-a.done; (err != nil) != (i == 4) {
			t.Errorf("step %d: %v", i, err)
		}
	}
	if rm.revision != 4 || !bytes.Equal(rm.doc.Encode(), start) {
		t.Errorf("at revision %d the document is another", rm.revision)
	}
	stored, revision, err := all.store.Load(t.Context(), rm.project)
	if err != nil || revision != 4 || !bytes.Equal(stored.Encode(), start) {
		t.Errorf("what is stored differs at revision %d: %v", revision, err)
	}
	for _, m := range []*member{one, two} {
		if got := len(m.out); got != 4 {
			t.Errorf("session %d was told %d things, want 4: its own two steps and the others'", m.session, got)
		}
	}
}
