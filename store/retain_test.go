package store_test

import (
	"bytes"
	"errors"
	"fmt"
	"math/rand/v2"
	"strings"
	"testing"
	"time"

	"github.com/jackc/pgx/v5"

	"azzel/core/edit"
	"azzel/core/edit/generate"
	"azzel/core/grid"
	"azzel/core/tiles"
	"azzel/core/world"
	"azzel/store"
)

func rename(name string) edit.Edit {
	return edit.Edit{Label: "rename to " + name, Parts: []edit.Part{edit.Change{Ref: world.Ref{Sort: world.SortProject}, Value: world.TextValue(world.FieldName, name)}}}
}

// exec does something to the database that the store never would.
func exec(t *testing.T, address, statement string, args ...any) {
	t.Helper()
	conn, err := pgx.Connect(t.Context(), address)
	if err != nil {
		t.Fatal(err)
	}
	defer conn.Close(t.Context())
	if _, err := conn.Exec(t.Context(), statement, args...); err != nil {
		t.Fatal(err)
	}
}

// The log is read by size: what a session can take back and what a page missed, both as much as fits, the nearest first,
// held to a plain reading of all of it.
func TestLogBySize(t *testing.T) {
	s, _ := open(t)
	p, d := create(t, s, "Ferns")
	author := generate.Author{Rand: rand.New(rand.NewPCG(4, 4)), IDs: &world.Counter{Prefix: 77}}
	ws := []*writer{{store: s, project: p.ID, session: 3, doc: d}, {store: s, project: p.ID, session: 4, doc: d}}
	for step := range 150 {
		w := ws[author.Rand.IntN(2)]
		if _, err := w.append(t.Context(), author.Edit(w.doc)); err == nil {
			other := ws[0]
			if other == w {
				other = ws[1]
			}
			other.revision, other.doc = w.revision, w.doc
		} else if errors.Is(err, store.ErrBehind) {
			t.Fatalf("step %d: %v", step, err)
		}
	}
	all, err := s.Since(t.Context(), p.ID, 0, 1000, 1<<30)
	if err != nil || uint64(len(all)) != ws[0].revision {
		t.Fatalf("%d of %d steps: %v", len(all), ws[0].revision, err)
	}
	whole, err := reversible(t, s, p.ID, 3, 0, 1000, 1<<30)
	if err != nil || uint64(len(whole)) != ws[0].sequence {
		t.Fatalf("%d of %d records: %v", len(whole), ws[0].sequence, err)
	}
	for range 200 {
		most, size, from := 1+author.Rand.IntN(60), author.Rand.IntN(9000), author.Rand.IntN(len(all)+1)
		got, err := s.Since(t.Context(), p.ID, uint64(from), most, size)
		want, sum := all[from:], 0
		for i, l := range want {
			if i == most || i > 0 && sum >= size {
				want = want[:i]
				break
			}
			sum += len(l.Body)
		}
		if err != nil || len(got) != len(want) || len(got) > 0 && (got[0].Revision != want[0].Revision || !bytes.Equal(got[len(got)-1].Body, want[len(want)-1].Body)) {
			t.Fatalf("after %d at most %d steps and %d bytes: %d steps, want %d (%v)", from, most, size, len(got), len(want), err)
		}
		steps, bytes, is, err := s.Behind(t.Context(), p.ID, uint64(from))
		sum = 0
		for _, l := range all[from:] {
			sum += len(l.Body)
		}
		if err != nil || !is || int(steps) != len(all)-from || int(bytes) != sum {
			t.Fatalf("after %d there are %d steps of %d bytes (%v, %v)", from, steps, bytes, is, err)
		}
		before := uint64(author.Rand.IntN(len(whole) + 2))
		records, err := reversible(t, s, p.ID, 3, before, most, size)
		end := len(whole)
		if before > 0 {
			end = min(end, int(before)-1)
		}
		first, sum := end, 0
		for first > 0 && end-first < most && (first == end || sum+len(whole[first-1].Inverse) <= size) {
			first--
			sum += len(whole[first].Inverse)
		}
		if err != nil || len(records) != end-first || len(records) > 0 && records[0].Sequence != whole[first].Sequence {
			t.Fatalf("before %d at most %d steps and %d bytes: %d records, want %d (%v)", before, most, size, len(records), end-first, err)
		}
	}
}

// Of the log stays what is promised: the last steps of each session for a month, and all of the last day. What was taken
// out was still taken once, and the project is as it was.
func TestShorten(t *testing.T) {
	s, address := open(t)
	p, d := create(t, s, "Ferns")
	old := &writer{store: s, project: p.ID, session: 3, doc: d}
	const many = store.UndoSteps + 40
	for i := range many {
		if _, err := old.append(t.Context(), rename(fmt.Sprintf("Ferns %d", i))); err != nil {
			t.Fatal(err)
		}
	}
	// Steps of one session are large together.
	big := &writer{store: s, project: p.ID, session: 4, doc: old.doc, revision: old.revision}
	m := big.doc.Maps[0]
	r := rand.New(rand.NewPCG(5, 5))
	g := grid.BoxRegion(m.Bounds)
	for range 3 {
		e := edit.Edit{Label: "noise", Parts: []edit.Part{edit.Paint{Map: m.ID, Layer: m.PlayerLayer, Region: g, Cells: grid.RunsOf(g, func(grid.Point) grid.Cell { return grid.Cell(1 + r.IntN(9)) })}}}
		if _, err := big.append(t.Context(), e); err != nil {
			t.Fatal(err)
		}
	}
	exec(t, address, "UPDATE log SET inverse = decode(repeat('00', $1), 'hex') WHERE session = 4", store.UndoBytes/2)
	shorten := func(days float64, want int64) {
		t.Helper()
		if n, err := s.Shorten(t.Context(), p.ID, time.Now().Add(time.Duration(days*24)*time.Hour)); err != nil || n != want {
			t.Errorf("after %v days %d steps are taken out (%v), want %d", days, n, err, want)
		}
	}
	shorten(0.9, 0)
	shorten(1.1, 40+2)
	shorten(29, 0)
	if records, err := reversible(t, s, p.ID, 3, 0, 5000, 1<<30); err != nil || len(records) != store.UndoSteps || records[0].Sequence != 41 {
		t.Errorf("%d steps can be taken back (%v)", len(records), err)
	}
	if n, err := s.Session(t.Context(), p.ID, 3); err != nil || n != many {
		t.Errorf("the session's last step is %d (%v)", n, err)
	}
	if _, _, whole, err := s.Behind(t.Context(), p.ID, many+1); err != nil || whole {
		t.Errorf("a page before what was taken out is told that nothing is (%v)", err)
	}
	if _, _, whole, err := s.Behind(t.Context(), p.ID, big.revision-1); err != nil || !whole {
		t.Errorf("a page after what was taken out is told that it misses something (%v)", err)
	}
	shorten(31, store.UndoSteps+1)
	if n, err := s.Session(t.Context(), p.ID, 3); err != nil || n != many {
		t.Errorf("once all of it is gone the session's last step is %d (%v)", n, err)
	}
	if back, revision, err := s.Load(t.Context(), p.ID); err != nil || revision != big.revision || !bytes.Equal(back.Encode(), big.doc.Encode()) {
		t.Errorf("the project is another: %v", err)
	}
	if _, err := big.append(t.Context(), rename("Mosses")); err != nil {
		t.Errorf("it can't be worked on: %v", err)
	}
}

// A project that was deleted is nowhere but in the list of those, comes back whole for a week, and is gone after it.
func TestDeleteAndBack(t *testing.T) {
	s, _ := open(t)
	p, d := create(t, s, "Ferns")
	other, _ := create(t, s, "Mosses")
	w := &writer{store: s, project: p.ID, session: 3, doc: d}
	if _, err := w.append(t.Context(), rename("Tree ferns")); err != nil {
		t.Fatal(err)
	}
	if err := s.Delete(t.Context(), p.ID); err != nil {
		t.Fatal(err)
	}
	if _, err := w.append(t.Context(), rename("Horsetails")); !errors.Is(err, store.ErrBehind) {
		t.Errorf("a deleted project takes a step: %v", err)
	}
	_, position := s.Position(t.Context(), p.ID)
	_, _, load := s.Load(t.Context(), p.ID)
	_, project := s.Project(t.Context(), p.ID)
	_, keep := s.Keep(t.Context(), p.ID, "now")
	_, _, reserve := s.ReserveTiles(t.Context(), p.ID, 1)
	for what, err := range map[string]error{"position": position, "load": load, "project": project, "keep": keep, "tiles": reserve, "deleting again": s.Delete(t.Context(), p.ID)} {
		if !errors.Is(err, store.ErrNotFound) {
			t.Errorf("%s: %v", what, err)
		}
	}
	listed := func(live, gone int) {
		t.Helper()
		a, err := s.Projects(t.Context())
		b, failed := s.Deleted(t.Context())
		if err != nil || failed != nil || len(a) != live || len(b) != gone {
			t.Errorf("%d projects and %d deleted ones (%v, %v)", len(a), len(b), err, failed)
		}
	}
	listed(1, 1)
	if _, err := s.Tidy(t.Context(), time.Now().Add(store.DeletedTime-time.Hour)); err != nil {
		t.Fatal(err)
	}
	if back, err := s.BringBack(t.Context(), p.ID); err != nil || back.Name != "Tree ferns" {
		t.Errorf("brought back is %+v (%v)", back, err)
	}
	listed(2, 0)
	if _, err := s.BringBack(t.Context(), other.ID); !errors.Is(err, store.ErrNotFound) {
		t.Errorf("a project that was not deleted was brought back: %v", err)
	}
	if back, _, err := s.Load(t.Context(), p.ID); err != nil || !bytes.Equal(back.Encode(), w.doc.Encode()) {
		t.Errorf("it came back otherwise: %v", err)
	}
	if err := s.Delete(t.Context(), p.ID); err != nil {
		t.Fatal(err)
	}
	if is, err := s.Tidy(t.Context(), time.Now().Add(store.DeletedTime+time.Hour)); err != nil || is.Projects != 1 {
		t.Errorf("after a week %+v (%v)", is, err)
	}
	listed(1, 0)
}

// Tile numbers that were given out for pictures of which nothing was made are given out again after a day; those of
// which something was made never are, and no more are given than there are.
func TestTileNumbersComeBack(t *testing.T) {
	s, address := open(t)
	p, d := create(t, s, "Ferns")
	reserve := func(count int) int {
		t.Helper()
		first, _, err := s.ReserveTiles(t.Context(), p.ID, count)
		if err != nil {
			t.Fatal(err)
		}
		return first
	}
	start := d.TilesEnd()
	if a, b := reserve(40), reserve(60); a != start || b != start+40 {
		t.Fatalf("given out are %d and %d", a, b)
	}
	w := &writer{store: s, project: p.ID, session: 3, doc: d}
	set := &world.Tileset{Name: "Moss", Picture: strings.Repeat("1", 64), Strip: strings.Repeat("2", 64), First: start, Count: 40, Columns: 40, Rows: 1}
	for i := range 40 {
		set.Places = append(set.Places, i)
	}
	set.Cut.W, set.Cut.H, set.Tiles = 16, 16, make([]*tiles.Properties, 40)
	made := edit.Edit{Label: "bring in", Parts: []edit.Part{edit.Put{Ref: world.Ref{Sort: world.SortTileset, ID: 900}, Values: set.Values()}}}
	if _, err := w.append(t.Context(), made); err != nil {
		t.Fatal(err)
	}
	if n := reserve(5); n != start+100 {
		t.Errorf("within a day given out is %d, want %d", n, start+100)
	}
	exec(t, address, "UPDATE tile_ranges SET at = at - interval '25 hours'")
	if n := reserve(5); n != start+40 {
		t.Errorf("after a day given out is %d, want %d", n, start+40)
	}
	if _, err := w.append(t.Context(), edit.Edit{Parts: []edit.Part{edit.Remove{Ref: world.Ref{Sort: world.SortTileset, ID: 900}}}}); err != nil {
		t.Fatal(err)
	}
	exec(t, address, "UPDATE tile_ranges SET at = at - interval '25 hours'")
	if n := reserve(5); n != start+40 {
		t.Errorf("once the tileset is deleted given out is %d, want %d: its numbers stay its own", n, start+40)
	}
	if _, _, err := s.ReserveTiles(t.Context(), p.ID, grid.MaxTile); !errors.Is(err, store.ErrNoTiles) {
		t.Errorf("more numbers than there are: %v", err)
	}
	if n := reserve(5); n != start+45 {
		t.Errorf("what was refused took numbers: %d, want %d", n, start+45)
	}
}

// A database is known again, and is another one after a backup, wherever it was restored from; a program that is older
// than its database leaves it alone.
func TestWhichDatabase(t *testing.T) {
	s, address := open(t)
	p, d := create(t, s, "Ferns")
	first, err := s.Identity(t.Context())
	if err != nil || first == "" {
		t.Fatal(err)
	}
	again, err := store.Open(t.Context(), address, store.Options{})
	if err != nil {
		t.Fatal(err)
	}
	defer again.Close()
	if is, err := again.Identity(t.Context()); err != nil || is != first {
		t.Errorf("the same database is %q and %q (%v)", first, is, err)
	}
	res, err := edit.Apply(d, rename("Mosses"))
	if err != nil {
		t.Fatal(err)
	}
	batch := func(identity string) store.Batch {
		return store.Batch{Identity: identity, Steps: []store.Step{{Project: p.ID, Session: 3, Sequence: 1, Revision: 1, Body: []byte{1}, Inverse: []byte{0}}}}
	}
	if err := s.AppendAll(t.Context(), p.ID, batch("another"), d, res.Document); !errors.Is(err, store.ErrBehind) {
		t.Errorf("a step of another database was stored: %v", err)
	}
	if err := s.AppendAll(t.Context(), p.ID, batch(first), d, res.Document); err != nil {
		t.Errorf("a step of this database was not stored: %v", err)
	}
	if err := s.MarkAnew(t.Context()); err != nil {
		t.Fatal(err)
	}
	marked, err := s.Identity(t.Context())
	if err != nil || marked == first {
		t.Errorf("marked anew it is %q still (%v)", marked, err)
	}
	// As a restore by another program does.
	exec(t, address, "ALTER TABLE log RENAME TO log_before; CREATE TABLE log (LIKE log_before INCLUDING ALL)")
	if is, err := s.Identity(t.Context()); err != nil || is == marked {
		t.Errorf("with another log it is %q still (%v)", is, err)
	}
	exec(t, address, "INSERT INTO migrations (name) VALUES ('9001_later.sql')")
	if s, err := store.Open(t.Context(), address, store.Options{}); err == nil || !strings.Contains(err.Error(), "newer Azzel") {
		if err == nil {
			s.Close()
		}
		t.Errorf("an older program opens it: %v", err)
	}
}

// One program at a time writes a project: another one is told so until the first lets go of it or ends.
func TestLease(t *testing.T) {
	s, address := open(t)
	p, _ := create(t, s, "Ferns")
	q, _ := create(t, s, "Mosses")
	other, err := store.Open(t.Context(), address, store.Options{})
	if err != nil {
		t.Fatal(err)
	}
	defer other.Close()
	holds := func(what string, s *store.Store, project int64, want error) {
		t.Helper()
		if err := s.Hold(t.Context(), project); !errors.Is(err, want) {
			t.Errorf("%s: %v, want %v", what, err, want)
		}
	}
	holds("the first", s, p.ID, nil)
	holds("the first again", s, p.ID, nil)
	holds("the second", other, p.ID, store.ErrElsewhere)
	holds("the second, another project", other, q.ID, nil)
	holds("the first, that project", s, q.ID, store.ErrElsewhere)
	if err := other.Release(t.Context(), p.ID); err != nil {
		t.Fatal(err)
	}
	holds("the second, after letting go of what it never had", other, p.ID, store.ErrElsewhere)
	if err := s.Release(t.Context(), p.ID); err != nil {
		t.Fatal(err)
	}
	holds("the second, once the first let go", other, p.ID, nil)
	other.Close()
	deadline := time.Now().Add(10 * time.Second)
	for s.Hold(t.Context(), q.ID) != nil && time.Now().Before(deadline) {
		time.Sleep(10 * time.Millisecond)
	}
	holds("the first, once the second ended", s, q.ID, nil)
	// A connection that ends takes the leases with it, and they are taken again.
	exec(t, address, "SELECT pg_terminate_backend(pid) FROM pg_stat_activity WHERE datname = current_database() AND pid <> pg_backend_pid()")
	_ = s.Ready(t.Context()) // finds out
	holds("the first, after its connection ended", s, p.ID, nil)
}
