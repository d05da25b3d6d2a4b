package server

import (
	"context"
	"errors"
	"fmt"
	"log/slog"

	"azzel/core/edit"
	"azzel/store"
)

// An arrival is a step of a session that waits to be taken.
type arrival struct {
	session int64
	message []byte
	done    chan error
}

// together is how many waiting steps share a transaction at most.
const together = 64

// submit takes a step from a session: stores it, then answers the member and tells the
// others. A repeat is answered and not applied again. An error means that nothing is
// known of the step's fate, and the page must send it again. Steps that come while
// others are being stored wait, and are then stored in one transaction, in the order in
// which they came.
func (r *room) submit(ctx context.Context, session int64, message []byte) error {
	return <-r.arrive(ctx, session, message).done
}

// arrive puts a step into the line and does not wait for it.
func (r *room) arrive(ctx context.Context, session int64, message []byte) *arrival {
	a := &arrival{session, message, make(chan error, 1)}
	r.line.Lock()
	defer r.line.Unlock()
	r.waiting = append(r.waiting, a)
	if !r.storing {
		r.storing = true
		// What others send meanwhile must not end with the request of this one.
		go r.takeAll(context.WithoutCancel(ctx))
	}
	return a
}

// takeAll takes what is in the line until nothing is.
func (r *room) takeAll(ctx context.Context) {
	for {
		r.line.Lock()
		n := min(len(r.waiting), together)
		batch := r.waiting[:n:n]
		r.waiting = r.waiting[n:]
		r.storing = n > 0
		r.line.Unlock()
		if n == 0 {
			return
		}
		r.take(ctx, batch)
	}
}

// A stepTaken is a step that was applied and is to be stored.
type stepTaken struct {
	from *arrival
	step store.Step
	// inverse takes it back, for an undo that comes right after it.
	inverse []edit.Part
}

// take applies and stores steps, and answers each.
func (r *room) take(ctx context.Context, batch []*arrival) {
	r.mu.Lock()
	defer r.mu.Unlock()
	if err := r.load(ctx); err != nil {
		for _, a := range batch {
			a.done <- err
		}
		return
	}
	old := r.doc
	var taken []stepTaken
	for _, a := range batch {
		t, err := r.one(ctx, a, taken)
		switch {
		case err != nil:
			a.done <- err
		case t == nil:
			a.done <- nil
		default:
			taken = append(taken, *t)
		}
	}
	if len(taken) == 0 {
		return
	}
	r.keep(ctx)
	steps := make([]store.Step, 0, len(taken))
	for _, t := range taken {
		steps = append(steps, t.step)
	}
	if err := r.store.AppendAll(ctx, steps, old, r.doc); err != nil {
		// Whether it was stored is not known: read everything anew before the next.
		r.doc = nil
		clear(r.sequences)
		for _, t := range taken {
			t.from.done <- err
		}
		return
	}
	for _, t := range taken {
		r.tell(t.step.Session, edit.Taken(t.step.Sequence, t.step.Revision), edit.Other(t.step.Revision, t.step.Body))
		t.from.done <- nil
	}
}

// one applies a step to the document in memory. It gives nil for one that was answered
// already: a repeat, or one that was refused. The lock is held.
func (r *room) one(ctx context.Context, a *arrival, before []stepTaken) (*stepTaken, error) {
	sequence, body, err := edit.ReadSend(a.message)
	if err != nil {
		return nil, fmt.Errorf("%w (%w)", errUnreadable, err)
	}
	last, err := r.sequence(ctx, a.session)
	if err != nil {
		return nil, err
	}
	for _, t := range before {
		if t.step.Session == a.session && t.step.Sequence == sequence {
			return nil, nil // it is answered when it is stored
		}
	}
	if sequence <= last {
		return nil, r.repeat(ctx, a.session, sequence)
	}
	if sequence != last+1 {
		return nil, fmt.Errorf("step %d of a session came after step %d", sequence, last)
	}
	e, res, err := r.apply(ctx, a.session, body, before)
	var internal *storeError
	if errors.As(err, &internal) {
		return nil, err
	}
	if err != nil {
		if err := r.store.Refuse(ctx, r.project, a.session, sequence); err != nil {
			return nil, err
		}
		r.sequences[a.session] = sequence
		slog.Info("a change was refused", "project", r.project, "why", err)
		r.tell(a.session, edit.Refused(sequence, err.Error()), nil)
		return nil, nil
	}
	// Of an undo those who follow are told what came of it.
	e.Parts = res.Parts
	r.doc, r.revision = res.Document, r.revision+1
	r.sequences[a.session] = sequence
	return &stepTaken{a, store.Step{Project: r.project, Session: a.session, Sequence: sequence, Revision: r.revision,
		Label: e.Label, Undoes: e.Undoes, Body: e.Encode(), Inverse: edit.EncodeParts(res.Inverse)}, res.Inverse}, nil
}

// apply applies a step. Those before it in the same transaction are not stored yet.
func (r *room) apply(ctx context.Context, session int64, body []byte, before []stepTaken) (edit.Edit, edit.Result, error) {
	e, err := edit.Decode(body)
	if err != nil {
		return e, edit.Result{}, err
	}
	if e.Undoes != 0 {
		if e.Parts, err = r.inverse(ctx, session, e.Undoes, before); err != nil {
			return e, edit.Result{}, err
		}
	}
	if err := r.blobsThere(ctx, e); err != nil {
		return e, edit.Result{}, err
	}
	res, err := edit.Apply(r.doc, e)
	return e, res, err
}

// inverse is what takes a step of a session back.
func (r *room) inverse(ctx context.Context, session int64, sequence uint64, before []stepTaken) ([]edit.Part, error) {
	for _, t := range before {
		if t.step.Session == session && t.step.Sequence == sequence {
			return t.inverse, nil
		}
	}
	_, inverse, err := r.store.Earlier(ctx, r.project, session, sequence)
	if errors.Is(err, store.ErrNotFound) {
		return nil, errors.New("that step can't be taken back any more")
	}
	if err != nil {
		return nil, &storeError{err}
	}
	return inverse, nil
}
