package server

import (
	"context"
	"errors"
	"fmt"
	"log/slog"
	"maps"
	"slices"
	"sync"
	"time"

	"azzel/core/edit"
	"azzel/core/world"
	"azzel/store"
)

// rooms are the projects in memory.
type rooms struct {
	store *store.Store
	mu    sync.Mutex
	open  map[int64]*room
}

func newRooms(s *store.Store) *rooms { return &rooms{store: s, open: map[int64]*room{}} }

// A room is one project in memory, with the pages that have it open. The lock
// gives steps their order.
type room struct {
	store   *store.Store
	project int64

	mu sync.Mutex
	// closed says that the room was given up: whoever waited for it looks for another.
	closed   bool
	doc      *world.Document
	revision uint64
	// identity is the database that the document was read from.
	identity string
	// used is when anybody needed the room last.
	used time.Time
	// kept is when a state was last kept.
	kept      time.Time
	sequences map[int64]uint64
	members   map[*member]bool

	// drawing is held while the board is drawn, or looked up.
	drawing sync.Mutex
	drawn   drawn

	// waiting are steps that came while others are stored.
	line    sync.Mutex
	waiting []*arrival
	storing bool
}

// errGivenUp is reported by a room that was given up while somebody came.
var errGivenUp = errors.New("the room was given up")

// enter gives the room of a project, reading it if it is not in memory or if the database is not where it was.
func (r *rooms) enter(ctx context.Context, project int64) (*room, error) {
	for {
		r.mu.Lock()
		rm := r.open[project]
		if rm == nil {
			rm = &room{store: r.store, project: project, sequences: map[int64]uint64{}, members: map[*member]bool{}}
			r.open[project] = rm
		}
		r.mu.Unlock()
		rm.mu.Lock()
		if rm.closed {
			rm.mu.Unlock()
			continue
		}
		err := rm.load(ctx)
		if err != nil && len(rm.members) == 0 {
			r.giveUp(rm)
		}
		rm.mu.Unlock()
		if err != nil {
			return nil, err
		}
		return rm, nil
	}
}

// giveUp forgets a room, whose lock is held.
func (r *rooms) giveUp(rm *room) {
	rm.closed = true
	r.mu.Lock()
	delete(r.open, rm.project)
	r.mu.Unlock()
	ctx, cancel := context.WithTimeout(context.Background(), answerTime)
	defer cancel()
	if err := r.store.Release(ctx, rm.project); err != nil {
		slog.Error("giving up a room failed", "project", rm.project, "error", err)
	}
}

// inMemory is the room of a project if it is in memory.
func (r *rooms) inMemory(project int64) *room {
	r.mu.Lock()
	defer r.mu.Unlock()
	return r.open[project]
}

// all lists the rooms.
func (r *rooms) all() []*room {
	r.mu.Lock()
	defer r.mu.Unlock()
	return slices.Collect(maps.Values(r.open))
}

// closeAll gives up every member, when the server stops or the database went away.
func (r *rooms) closeAll() {
	for _, rm := range r.all() {
		rm.mu.Lock()
		for m := range rm.members {
			m.leave()
		}
		rm.mu.Unlock()
	}
}

// unused is how long a room is kept in memory that nobody is in.
const unused = 10 * time.Minute

// giveUpUnused gives up rooms that nobody needs, until the context ends.
func (r *rooms) giveUpUnused(ctx context.Context) {
	for {
		select {
		case <-ctx.Done():
			return
		case <-time.After(unused / 10):
		}
		r.giveUpBefore(time.Now().Add(-unused))
	}
}

// giveUpBefore gives up the rooms that nobody has needed since a moment.
func (r *rooms) giveUpBefore(moment time.Time) {
	for _, rm := range r.all() {
		rm.mu.Lock()
		rm.line.Lock()
		idle := !rm.closed && len(rm.members) == 0 && rm.used.Before(moment) && !rm.storing
		rm.line.Unlock()
		if idle {
			r.giveUp(rm)
		}
		rm.mu.Unlock()
	}
}

// load reads the project unless it is there as the database has it. The lock is held.
func (r *room) load(ctx context.Context) error {
	r.used = time.Now()
	if err := r.store.Hold(ctx, r.project); err != nil {
		return err
	}
	if r.doc != nil {
		at, err := r.store.Position(ctx, r.project)
		if err != nil {
			return r.lost(err)
		}
		if at == (store.Position{Identity: r.identity, Revision: r.revision}) {
			return nil
		}
		r.forget()
	}
	d, at, err := r.store.LoadAt(ctx, r.project)
	if err != nil {
		return r.lost(err)
	}
	states, err := r.store.Versions(ctx, r.project)
	if err != nil {
		return err
	}
	r.kept = time.Time{}
	if len(states) > 0 {
		r.kept = states[0].At
	}
	// Pages that know of steps which are not there, or of another database, can't go on from where they are.
	why := 0
	switch {
	case r.identity != "" && at.Identity != r.identity:
		why = closeOther
	case at.Revision < r.revision:
		why = closeAnew
	case at.Revision > r.revision:
		why = closeAgain
	}
	if why != 0 {
		for m := range r.members {
			m.leaveFor(why)
			delete(r.members, m)
		}
	}
	r.doc, r.revision, r.identity = d, at.Revision, at.Identity
	return nil
}

// lost lets the pages go of a project that is not there any more. The lock is held.
func (r *room) lost(err error) error {
	if errors.Is(err, store.ErrNotFound) {
		r.forget()
		for m := range r.members {
			m.leave()
			delete(r.members, m)
		}
	}
	return err
}

// now is the document as it is, and a stamp of it in the form of an entity tag (RFC 9110), which no other document of this
// server has. The document is nil if it is not in memory any more.
func (r *room) now() (d *world.Document, stamp string) {
	r.mu.Lock()
	defer r.mu.Unlock()
	return r.doc, fmt.Sprintf(`"%s-%d-%d"`, r.identity, r.project, r.revision)
}

// forget lets go of what was read, so that it is read anew. The lock is held.
func (r *room) forget() {
	r.doc = nil
	clear(r.sequences)
}

// keepEvery is how often the state of a project that is worked on is kept by itself.
const keepEvery = time.Hour

// keep keeps the state before a step, if the last one is an hour old. The step is
// taken even if that fails. The lock is held.
func (r *room) keep(ctx context.Context) {
	if time.Since(r.kept) < keepEvery {
		return
	}
	k, err := r.store.Keep(ctx, r.project, "")
	if err != nil {
		slog.Error("keeping a version failed", "project", r.project, "error", err)
		k.At = time.Now().Add(time.Minute - keepEvery) // and once more in a minute
	}
	r.kept = k.At
}

// cell is the size of the project's cell in pixels.
func (r *room) cell(ctx context.Context) (w, h int, err error) {
	r.mu.Lock()
	defer r.mu.Unlock()
	if err := r.load(ctx); err != nil {
		return 0, 0, err
	}
	return r.doc.Project.CellW, r.doc.Project.CellH, nil
}

// another reports whether a page speaks of another database than the one that the room was read from.
func (r *room) another(identity string) bool {
	r.mu.Lock()
	defer r.mu.Unlock()
	return identity != "" && identity != r.identity
}

// An opening is what a page begins with, and the database that it is of.
type opening struct {
	identity string
	document *world.Document
	// steps gives the bytes of the opening.
	steps *stepsBack
}

// opening is all a page of the session needs to begin. A session of another database is one that is not known here.
func (r *room) opening(ctx context.Context, session int64) (opening, error) {
	prefix, err := r.store.Prefix(ctx)
	if err != nil {
		return opening{}, err
	}
	r.mu.Lock()
	if err := r.load(ctx); err != nil {
		r.mu.Unlock()
		return opening{}, err
	}
	o, identity := edit.Opening{Revision: r.revision, Document: r.doc}, r.identity
	o.Sequence, err = r.sequence(ctx, session)
	r.mu.Unlock()
	if err != nil {
		return opening{}, err
	}
	// A project that was brought in has ids that another server gave out.
	for o.Document.UsesPrefix(prefix) {
		if prefix, err = r.store.Prefix(ctx); err != nil {
			return opening{}, err
		}
	}
	o.Prefix = prefix
	// Steps of others are taken meanwhile, and while the page is sent what it can take back.
	steps, err := r.store.Reversible(ctx, r.project, session, o.Sequence+1, mostRecords, recordBytes)
	if err != nil {
		return opening{}, err
	}
	return opening{identity, o.Document, &stepsBack{r.store, ctx, r.project, session, o.Before(len(steps)), steps}}, nil
}

// sequence is the last sequence number taken from a session. The lock is held.
func (r *room) sequence(ctx context.Context, session int64) (uint64, error) {
	if n, known := r.sequences[session]; known {
		return n, nil
	}
	n, err := r.store.Session(ctx, r.project, session)
	if err == nil {
		r.sequences[session] = n
	}
	return n, err
}

// How far a page may be behind to catch up step by step, and how much of the log is read for it at a time.
const (
	catchUpSteps = 20_000
	catchUpBytes = 4 << 20
	portion      = 256 << 10
)

// join lets a member hear of all steps after a revision. What came before it
// joined is read from the log, without holding up the others. A page that is too far behind is told to begin anew.
func (r *room) join(ctx context.Context, m *member, revision uint64) error {
	for first := true; ; first = false {
		r.mu.Lock()
		err := r.load(ctx)
		if err == nil && r.closed {
			err = errGivenUp
		}
		if err != nil {
			r.mu.Unlock()
			return err
		}
		if revision > r.revision {
			r.mu.Unlock()
			m.leaveFor(closeAnew)
			return nil
		}
		if revision == r.revision {
			r.members[m] = true
			r.mu.Unlock()
			return nil
		}
		r.mu.Unlock()
		if first {
			steps, bytes, whole, err := r.store.Behind(ctx, r.project, revision)
			if err != nil {
				return err
			}
			if !whole || steps > catchUpSteps || bytes > catchUpBytes {
				m.leaveFor(closeAnew)
				return nil
			}
		}
		steps, err := r.store.Since(ctx, r.project, revision, 500, portion)
		if err != nil {
			return err
		}
		if len(steps) == 0 || steps[0].Revision != revision+1 {
			m.leaveFor(closeAnew)
			return nil
		}
		for _, s := range steps {
			message := edit.Other(s.Revision, s.Body)
			if s.Session == m.session {
				message = edit.Taken(s.Sequence, s.Revision)
			}
			if !m.sendSlowly(message) {
				return nil
			}
			revision = s.Revision
		}
	}
}

func (r *room) leave(m *member) {
	m.leave()
	r.mu.Lock()
	delete(r.members, m)
	r.mu.Unlock()
}

// errUnreadable is reported for a message that no page sends.
var errUnreadable = errors.New("the change could not be read: reload the page")

// A storeError is a failure of the database, not of the step.
type storeError struct{ error }

func (e *storeError) Unwrap() error { return e.error }

// repeat answers a step that came before. The lock is held.
func (r *room) repeat(ctx context.Context, session int64, sequence uint64) error {
	revision, _, err := r.store.Earlier(ctx, r.project, session, sequence)
	switch {
	case errors.Is(err, store.ErrNotFound):
		r.tell(session, edit.Refused(sequence, "it was refused before"), nil)
	case err != nil:
		return err
	default:
		r.tell(session, edit.Taken(sequence, revision), nil)
	}
	return nil
}

// tell gives own to the session's pages and other, unless nil, to the rest.
// The lock is held.
func (r *room) tell(session int64, own, other []byte) {
	for m := range r.members {
		if m.session == session {
			m.send(own)
		} else if other != nil {
			m.send(other)
		}
	}
}
