package store_test

import (
	"bytes"
	"context"
	"errors"
	"fmt"
	"math/rand/v2"
	"os"
	"sync"
	"testing"

	"azzel/cluster"
	"azzel/core/edit"
	"azzel/core/edit/generate"
	"azzel/core/world"
	"azzel/store"
)

var shared *cluster.Cluster

func TestMain(m *testing.M) { os.Exit(cluster.RunTests(m, &shared)) }

// open gives a store with a new database, and the database's address.
func open(t *testing.T) (*store.Store, string) {
	t.Helper()
	address, err := shared.Database(context.Background(), t.Name())
	if err != nil {
		t.Fatal(err)
	}
	s, err := store.Open(context.Background(), address, store.Options{})
	if err != nil {
		t.Fatal(err)
	}
	t.Cleanup(s.Close)
	return s, address
}

func create(t *testing.T, s *store.Store, name string) (store.Project, *world.Document) {
	t.Helper()
	prefix, err := s.Prefix(t.Context())
	if err != nil {
		t.Fatal(err)
	}
	d, err := world.Start(world.Project{Name: name, CellW: 16, CellH: 16, SeenW: 10, SeenH: 8}, &world.Counter{Prefix: prefix})
	if err != nil {
		t.Fatal(err)
	}
	p, err := s.Create(t.Context(), d)
	if err != nil {
		t.Fatal(err)
	}
	return p, d
}

// A writer appends the steps of one session.
type writer struct {
	store    *store.Store
	project  int64
	session  int64
	sequence uint64
	revision uint64
	doc      *world.Document
}

func (w *writer) append(ctx context.Context, e edit.Edit) (edit.Result, error) {
	res, err := edit.Apply(w.doc, e)
	if err != nil {
		return res, err
	}
	step := store.Step{Project: w.project, Session: w.session, Sequence: w.sequence + 1, Revision: w.revision + 1, Label: e.Label, Undoes: e.Undoes,
		Body: e.Encode(), Inverse: edit.EncodeParts(res.Inverse)}
	if err := w.store.Append(ctx, step, w.doc, res.Document); err != nil {
		return res, fmt.Errorf("storing: %w", err)
	}
	w.sequence, w.revision, w.doc = step.Sequence, step.Revision, res.Document
	return res, nil
}

// After every one of many random steps the database holds exactly the document:
// read anew it has the same bytes, and so has the log applied from the start.
func TestWhatIsStoredIsTheDocument(t *testing.T) {
	s, _ := open(t)
	p, start := create(t, s, "Ferns")
	other, untouched := create(t, s, "Mosses")
	author := generate.Author{Rand: rand.New(rand.NewPCG(61, 1)), IDs: &world.Counter{Prefix: 900}, Later: true}
	w := &writer{store: s, project: p.ID, session: 5, doc: start}
	for step := range 400 {
		res, err := w.append(t.Context(), author.Edit(w.doc))
		if err != nil {
			continue
		}
		if step%4 == 0 { // and back again
			undo := edit.Edit{Label: "back", Undoes: w.sequence, Parts: res.Inverse}
			if _, err := w.append(t.Context(), undo); err != nil {
				t.Fatal(err)
			}
		}
		if step%9 != 0 {
			continue
		}
		back, revision, err := s.Load(t.Context(), p.ID)
		if err != nil {
			t.Fatal(err)
		}
		if revision != w.revision || !bytes.Equal(back.Encode(), w.doc.Encode()) {
			t.Fatalf("step %d: the database holds another document at revision %d, want %d", step, revision, w.revision)
		}
	}
	if w.revision < 200 {
		t.Fatalf("only %d steps were stored", w.revision)
	}
	replayed, seen := start, uint64(0)
	for {
		steps, err := s.Since(t.Context(), p.ID, seen, 37, 1<<20)
		if err != nil {
			t.Fatal(err)
		}
		if len(steps) == 0 {
			break
		}
		for _, step := range steps {
			if step.Revision != seen+1 || step.Session != 5 {
				t.Fatalf("step %d of session %d follows step %d", step.Revision, step.Session, seen)
			}
			seen = step.Revision
			e, err := edit.Decode(step.Body)
			if err != nil {
				t.Fatal(err)
			}
			res, err := edit.Apply(replayed, e)
			if err != nil {
				t.Fatal(err)
			}
			replayed = res.Document
		}
	}
	if !bytes.Equal(replayed.Encode(), w.doc.Encode()) {
		t.Error("the log does not lead to the document")
	}
	if back, revision, err := s.Load(t.Context(), other.ID); err != nil || revision != 0 || !bytes.Equal(back.Encode(), untouched.Encode()) {
		t.Errorf("another project changed too: %v", err)
	}
	list, err := s.Projects(t.Context())
	if err != nil || len(list) != 2 || list[0].ID != p.ID || list[0].Name != w.doc.Project.Name {
		t.Errorf("listed are %+v (%v)", list, err)
	}
}

// Of two writers that begin from the same revision one is told that it is
// behind, and of what it wrote nothing is there.
func TestTwoWriters(t *testing.T) {
	s, _ := open(t)
	p, start := create(t, s, "Ferns")
	var all sync.WaitGroup
	const writers, steps = 4, 25
	for i := range writers {
		all.Go(func() {
			author := generate.Author{Rand: rand.New(rand.NewPCG(62, uint64(i))), IDs: &world.Counter{Prefix: uint32(1000 + i)}, Later: true}
			w := &writer{store: s, project: p.ID, session: int64(i + 1), doc: start}
			for stored, tries := 0, 0; stored < steps && tries < 4000; tries++ {
				_, err := w.append(context.Background(), author.Edit(w.doc))
				switch {
				case err == nil:
					stored++
				case errors.Is(err, store.ErrBehind):
					var err error
					if w.doc, w.revision, err = s.Load(context.Background(), p.ID); err != nil {
						t.Error(err)
						return
					}
				}
			}
		})
	}
	all.Wait()
	back, revision, err := s.Load(t.Context(), p.ID)
	if err != nil || revision != writers*steps {
		t.Fatalf("%d steps are stored, want %d (%v)", revision, writers*steps, err)
	}
	log, err := s.Since(t.Context(), p.ID, 0, 1000, 1<<30)
	if err != nil || len(log) != writers*steps {
		t.Fatalf("the log has %d steps (%v)", len(log), err)
	}
	next, doc := map[int64]uint64{}, start
	for _, step := range log {
		if next[step.Session]++; step.Sequence != next[step.Session] {
			t.Fatalf("step %d of session %d came after %d", step.Sequence, step.Session, next[step.Session]-1)
		}
		e, err := edit.Decode(step.Body)
		if err != nil {
			t.Fatal(err)
		}
		res, err := edit.Apply(doc, e)
		if err != nil {
			t.Fatal(err)
		}
		doc = res.Document
	}
	if !bytes.Equal(doc.Encode(), back.Encode()) {
		t.Error("the log of four writers does not lead to what is stored")
	}
}

// The last number of a session counts steps that were taken and steps that were
// refused, each project's sessions apart.
func TestSessions(t *testing.T) {
	s, _ := open(t)
	p, d := create(t, s, "Ferns")
	other, _ := create(t, s, "Mosses")
	last := func(project, session int64, want uint64) {
		t.Helper()
		if n, err := s.Session(t.Context(), project, session); err != nil || n != want {
			t.Errorf("the last of session %d is %d (%v), want %d", session, n, err, want)
		}
	}
	last(p.ID, 7, 0)
	w := &writer{store: s, project: p.ID, session: 7, doc: d}
	rename := func(name string) edit.Edit {
		return edit.Edit{Label: "rename to " + name, Parts: []edit.Part{edit.Change{Ref: world.Ref{Sort: world.SortProject}, Value: world.TextValue(world.FieldName, name)}}}
	}
	for _, name := range []string{"Ferns 1", "Ferns 2", "Ferns 3"} {
		if _, err := w.append(t.Context(), rename(name)); err != nil {
			t.Fatal(err)
		}
	}
	last(p.ID, 7, 3)
	if err := s.AppendAll(t.Context(), p.ID, store.Batch{Refused: []store.Refusal{{Session: 7, Sequence: 4}}}, nil, nil); err != nil {
		t.Fatal(err)
	}
	last(p.ID, 7, 4)
	w.sequence = 4
	if _, err := w.append(t.Context(), rename("Ferns 5")); err != nil {
		t.Fatal(err)
	}
	last(p.ID, 7, 5)
	last(p.ID, 8, 0)
	last(other.ID, 7, 0)
	for sequence, want := range map[uint64]uint64{1: 1, 3: 3, 4: 0, 5: 4, 6: 0} {
		revision, inverse, err := s.Earlier(t.Context(), p.ID, 7, sequence)
		if want == 0 {
			if !errors.Is(err, store.ErrNotFound) {
				t.Errorf("step %d, which was never taken: %v", sequence, err)
			}
		} else if err != nil || revision != want || len(inverse) != 1 {
			t.Errorf("step %d is revision %d with %d parts (%v), want %d", sequence, revision, len(inverse), err, want)
		}
	}
	if _, _, err := s.Earlier(t.Context(), p.ID, 8, 1); !errors.Is(err, store.ErrNotFound) {
		t.Errorf("another session's step can be found: %v", err)
	}
	records, err := reversible(t, s, p.ID, 7, 0, 3, 1<<20)
	if err != nil || len(records) != 3 || records[0].Sequence != 2 || records[2].Label != "rename to Ferns 5" {
		t.Errorf("the last three records are %+v (%v)", records, err)
	}
	for _, bytes := range []int{1, len(records[2].Inverse)} {
		if records, err := reversible(t, s, p.ID, 7, 0, 100, bytes); err != nil || len(records) != 1 || records[0].Sequence != 5 {
			t.Errorf("within the bytes of one there are %+v (%v)", records, err)
		}
	}
	if records, err := reversible(t, s, p.ID, 7, records[1].Sequence, 100, 1<<20); err != nil || len(records) != 2 || records[1].Sequence != 2 {
		t.Errorf("before the third there are %+v (%v)", records, err)
	}
}

// reversible reads what a session can take back, in one or in two portions.
func reversible(t *testing.T, s *store.Store, project, session int64, before uint64, most, bytes int) ([]edit.Record, error) {
	t.Helper()
	steps, err := s.Reversible(t.Context(), project, session, before, most, bytes)
	if err != nil {
		return nil, err
	}
	records := make([]edit.Record, 0, len(steps))
	for _, portion := range [][]store.Reversible{steps[:len(steps)/3], steps[len(steps)/3:]} {
		inverses, err := s.Inverses(t.Context(), project, session, portion)
		if err != nil {
			return nil, err
		}
		for i, r := range portion {
			r.Inverse = inverses[i]
			records = append(records, r.Record)
		}
	}
	return records, nil
}
