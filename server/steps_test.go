package server

import (
	"bytes"
	"context"
	"testing"
	"time"

	"github.com/jackc/pgx/v5"

	"azzel/core/edit"
	"azzel/core/world"
)

// connect gives a connection of the test's own to the database of its rooms.
func connect(t *testing.T) *pgx.Conn {
	t.Helper()
	address, err := shared.Database(t.Context(), t.Name())
	if err != nil {
		t.Fatal(err)
	}
	conn, err := pgx.Connect(t.Context(), address)
	if err != nil {
		t.Fatal(err)
	}
	t.Cleanup(func() { _ = conn.Close(context.Background()) })
	return conn
}

// Good steps and refused ones that came together are stored together: if the database's connection ends before they
// are, nothing is known of either, and sent again each has the answer that it should have had.
func TestConnectionEndsWhileStoring(t *testing.T) {
	all := testRooms(t)
	rm := all.one(t)
	d := rm.doc
	locking, ending := connect(t), connect(t)
	tx, err := locking.Begin(t.Context())
	if err != nil {
		t.Fatal(err)
	}
	if _, err := tx.Exec(t.Context(), "SELECT 1 FROM projects WHERE id = 1 FOR NO KEY UPDATE"); err != nil {
		t.Fatal(err)
	}
	bad := func(sequence uint64) []byte {
		return edit.Send(sequence, edit.Edit{Parts: []edit.Part{edit.Remove{Ref: world.Ref{Sort: world.SortMap, ID: 99}}}}.Encode())
	}
	messages := [][]byte{paint(d, 1, 3, 4), bad(2), paint(d, 3, 4, 4), bad(4), paint(d, 3, 4, 4)}
	batch := make([]*arrival, len(messages))
	for i, m := range messages {
		batch[i] = &arrival{1, m, make(chan error, 1)}
	}
	done := make(chan struct{})
	go func() {
		defer close(done)
		rm.take(context.Background(), batch)
	}()
	ended := 0
	for waiting := true; waiting; {
		var n int
		err := ending.QueryRow(t.Context(), `SELECT count(pg_terminate_backend(pid)) FROM pg_stat_activity WHERE datname = current_database() AND wait_event_type = 'Lock'`).Scan(&n)
		if err != nil {
			t.Fatal(err)
		}
		ended += n
		select {
		case <-done:
			waiting = false
		case <-time.After(5 * time.Millisecond):
		}
	}
	if err := tx.Rollback(t.Context()); err != nil {
		t.Fatal(err)
	}
	if ended == 0 {
		t.Fatal("no connection was ended")
	}
	for i, a := range batch {
		if err := <-a.done; err == nil {
			t.Errorf("step %d was answered, and nothing of it is stored", i)
		}
	}
	m := newMember(1)
	if err := rm.join(t.Context(), m, 0); err != nil {
		t.Fatal(err)
	}
	for _, again := range messages {
		if err := rm.submit(t.Context(), 1, again); err != nil {
			t.Fatal(err)
		}
	}
	if got := answers(m); got != "trtrt" {
		t.Errorf("sent again they are answered %q, want trtrt", got)
	}
	if n := begin(t, rm, 1).Revision(); n != 2 {
		t.Errorf("%d steps are stored, want the 2 good ones", n)
	}
}

// One room a project: whoever waited for a room that was given up meanwhile is in the one that is there now, and hears
// what others do.
func TestOneRoom(t *testing.T) {
	all := testRooms(t)
	first := all.one(t)
	first.mu.Lock()
	came := make(chan *room)
	const pages = 6
	for range pages {
		go func() {
			rm, err := all.enter(context.Background(), 1)
			if err != nil {
				t.Error(err)
			}
			came <- rm
		}()
	}
	time.Sleep(20 * time.Millisecond)
	all.giveUp(first)
	first.mu.Unlock()
	var members []*member
	for i := range pages {
		rm := <-came
		if rm == first {
			t.Fatal("a page is in the room that was given up")
		}
		m := newMember(int64(i + 1))
		if err := rm.join(t.Context(), m, 0); err != nil {
			t.Fatal(err)
		}
		members = append(members, m)
	}
	if err := first.submit(t.Context(), 99, paint(all.one(t).doc, 1, 3, 4)); err == nil {
		t.Error("the room that was given up took a step")
	}
	if err := first.join(t.Context(), newMember(7), 0); err == nil {
		t.Error("the room that was given up was joined")
	}
	if err := all.one(t).submit(t.Context(), 99, paint(all.one(t).doc, 1, 3, 4)); err != nil {
		t.Fatal(err)
	}
	for i, m := range members {
		if got := answers(m); got != "o" {
			t.Errorf("page %d hears %q, want the step", i, got)
		}
	}
	all.giveUpBefore(time.Now().Add(time.Hour))
	if len(all.open) != 1 {
		t.Error("a room with pages in it was given up")
	}
	for _, m := range members {
		all.one(t).leave(m)
	}
	all.giveUpBefore(time.Now().Add(-time.Hour))
	if len(all.open) != 1 {
		t.Error("a room was given up that was needed just now")
	}
	all.giveUpBefore(time.Now().Add(time.Hour))
	if len(all.open) != 0 {
		t.Error("a room that nobody needs is kept")
	}
}

// Whoever comes finds the project as the database has it, whoever wrote it, and pages that can't go on from where they
// are are let go and told what to do.
func TestDatabaseMovedOn(t *testing.T) {
	all := testRooms(t)
	rm := all.one(t)
	d := rm.doc
	conn := connect(t)
	joined := func() *member {
		t.Helper()
		m := newMember(9)
		if err := rm.join(t.Context(), m, rm.revision); err != nil {
			t.Fatal(err)
		}
		return m
	}
	told := func(what string, m *member, want int) {
		t.Helper()
		if all.one(t) != rm {
			t.Fatal("there is another room")
		}
		got := 0
		select {
		case <-m.gone:
			got = m.why
		default:
		}
		if got != want || rm.members[m] != (want == 0) {
			t.Errorf("%s: the page is told %d, want %d", what, got, want)
		}
	}
	m := joined()
	told("nothing happened", m, 0)
	other := newRooms(all.store)
	for i := range 3 {
		if err := other.one(t).submit(t.Context(), 1, paint(d, uint64(i+1), 3+i, 4)); err != nil {
			t.Fatal(err)
		}
	}
	told("another program wrote", m, closeAgain)
	if rm.revision != 3 || !bytes.Equal(rm.doc.Encode(), other.one(t).doc.Encode()) {
		t.Errorf("the room is at revision %d", rm.revision)
	}
	if n, err := rm.sequence(t.Context(), 1); err != nil || n != 3 {
		t.Errorf("the other's session is at %d (%v)", n, err)
	}
	// Where the log has a hole, nobody catches up over it.
	for _, statement := range []string{"DELETE FROM log WHERE revision = 2", "DELETE FROM log WHERE revision = 1"} {
		if _, err := conn.Exec(t.Context(), statement); err != nil {
			t.Fatal(err)
		}
		late := newMember(11)
		if err := rm.join(t.Context(), late, 1); err != nil || late.why != closeAnew || rm.members[late] {
			t.Errorf("over a hole in the log a page is told %d (%v)", late.why, err)
		}
	}
	m = joined()
	if _, err := conn.Exec(t.Context(), "UPDATE projects SET revision = 2; DELETE FROM log"); err != nil {
		t.Fatal(err)
	}
	if late := newMember(11); rm.join(t.Context(), late, 1) != nil || late.why != closeAnew {
		t.Errorf("without any log a page is told %d", late.why)
	}
	told("a step is gone", m, closeAnew)
	ahead := newMember(10)
	if err := rm.join(t.Context(), ahead, 3); err != nil || ahead.why != closeAnew {
		t.Errorf("a page that knows a step that is not there is told %d (%v)", ahead.why, err)
	}
	m = joined()
	was := rm.identity
	if err := all.store.MarkAnew(t.Context()); err != nil {
		t.Fatal(err)
	}
	told("the database is another one", m, closeOther)
	if rm.identity == was || !rm.another(was) || rm.another(rm.identity) || rm.another("") {
		t.Errorf("the room takes the database for %q, which was %q", rm.identity, was)
	}
	// Of a step that was meant for the one before nothing is stored.
	m = joined()
	if err := all.store.MarkAnew(t.Context()); err != nil {
		t.Fatal(err)
	}
	if err := rm.submit(t.Context(), 5, paint(d, 1, 3, 4)); err == nil {
		t.Error("a step for another database was stored")
	}
	told("and again", m, closeOther)
	if rm.revision != 2 {
		t.Errorf("the room is at revision %d", rm.revision)
	}
}

// One batch is taken at a time: steps that come while one is being stored wait for it, however few it has.
func TestOneBatchAtATime(t *testing.T) {
	rm := testRooms(t).one(t)
	d := rm.doc
	rm.mu.Lock()
	first := rm.arrive(t.Context(), 1, paint(d, 1, 3, 4))
	busy := func() bool {
		rm.line.Lock()
		defer rm.line.Unlock()
		return len(rm.waiting) == 0
	}
	for deadline := time.Now().Add(10 * time.Second); !busy() && time.Now().Before(deadline); time.Sleep(time.Millisecond) {
	}
	second := rm.arrive(t.Context(), 1, paint(d, 2, 4, 4))
	rm.line.Lock()
	if !rm.storing || len(rm.waiting) != 1 {
		t.Errorf("while a step is stored, storing is %t and %d wait", rm.storing, len(rm.waiting))
	}
	rm.line.Unlock()
	rm.mu.Unlock()
	for i, a := range []*arrival{first, second} {
		if err := <-a.done; err != nil {
			t.Errorf("step %d: %v", i, err)
		}
	}
}
