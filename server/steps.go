package server

import (
	"context"
	"errors"
	"fmt"
	"log/slog"
	"time"

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

// An outcome is what came of a step that is to be stored.
type outcome struct {
	from []*arrival
	step store.Step
	// inverse takes it back, for an undo that comes right after it.
	inverse []edit.Part
	// refused says why it was not taken.
	refused string
}

// take applies and stores steps, and answers each once it is stored, the refused ones too: nothing is known of any of
// them before.
func (r *room) take(ctx context.Context, batch []*arrival) {
	r.mu.Lock()
	defer r.mu.Unlock()
	if err := r.ready(ctx); err != nil {
		for _, a := range batch {
			a.done <- err
		}
		return
	}
	old, before := r.doc, r.revision
	var came []*outcome
	for _, a := range batch {
		o, err := r.one(ctx, a, came)
		switch {
		case errors.Is(err, errTogether):
		case err != nil:
			a.done <- err
		case o == nil:
			a.done <- nil
		default:
			came = append(came, o)
		}
	}
	if len(came) == 0 {
		return
	}
	b := store.Batch{Identity: r.identity}
	for _, o := range came {
		if o.refused != "" {
			b.Refused = append(b.Refused, store.Refusal{Session: o.step.Session, Sequence: o.step.Sequence})
		} else {
			b.Steps = append(b.Steps, o.step)
		}
	}
	if len(b.Steps) > 0 {
		r.keep(ctx)
	}
	if err := r.store.AppendAll(ctx, r.project, b, old, r.doc); err != nil {
		// Whether it was stored is not known: read everything anew before the next.
		r.forget()
		r.revision = before
		for _, o := range came {
			o.answer(err)
		}
		return
	}
	for _, o := range came {
		if o.refused != "" {
			slog.Info("a change was refused", "project", r.project, "why", o.refused)
			r.tell(o.step.Session, edit.Refused(o.step.Sequence, o.refused), nil)
		} else {
			r.tell(o.step.Session, edit.Taken(o.step.Sequence, o.step.Revision), edit.Other(o.step.Revision, o.step.Body))
		}
		o.answer(nil)
	}
}

// ready makes sure that the project is in memory. Whether the database has it so is found out when steps are stored.
// The lock is held.
func (r *room) ready(ctx context.Context) error {
	if r.closed {
		return errGivenUp
	}
	if r.doc == nil {
		return r.load(ctx)
	}
	r.used = time.Now()
	return r.store.Hold(ctx, r.project)
}

func (o *outcome) answer(err error) {
	for _, a := range o.from {
		a.done <- err
	}
}

// errTogether says that a step is a repeat of one that is being stored, and is answered with it.
var errTogether = errors.New("it is answered with the one before it")

// one applies a step to the document in memory. It gives nil for one that needs no more: a repeat. The lock is held.
func (r *room) one(ctx context.Context, a *arrival, before []*outcome) (*outcome, error) {
	sequence, body, err := edit.ReadSend(a.message)
	if err != nil {
		return nil, fmt.Errorf("%w (%w)", errUnreadable, err)
	}
	last, err := r.sequence(ctx, a.session)
	if err != nil {
		return nil, err
	}
	for _, o := range before {
		if o.step.Session == a.session && o.step.Sequence == sequence {
			o.from = append(o.from, a)
			return nil, errTogether
		}
	}
	if sequence <= last {
		return nil, r.repeat(ctx, a.session, sequence)
	}
	if sequence != last+1 {
		return nil, fmt.Errorf("step %d of a session came after step %d", sequence, last)
	}
	o := &outcome{from: []*arrival{a}, step: store.Step{Project: r.project, Session: a.session, Sequence: sequence}}
	e, res, err := r.apply(ctx, a.session, body, before)
	var internal *storeError
	if errors.As(err, &internal) {
		return nil, err
	}
	r.sequences[a.session] = sequence
	if err != nil {
		o.refused = err.Error()
		return o, nil
	}
	// Of an undo those who follow are told what came of it.
	e.Parts = res.Parts
	r.doc, r.revision = res.Document, r.revision+1
	o.step.Revision, o.step.Label, o.step.Undoes = r.revision, e.Label, e.Undoes
	o.step.Body, o.step.Inverse, o.inverse = e.Encode(), edit.EncodeParts(res.Inverse), res.Inverse
	return o, nil
}

// apply applies a step. Those before it in the same transaction are not stored yet.
func (r *room) apply(ctx context.Context, session int64, body []byte, before []*outcome) (edit.Edit, edit.Result, error) {
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
func (r *room) inverse(ctx context.Context, session int64, sequence uint64, before []*outcome) ([]edit.Part, error) {
	for _, o := range before {
		if o.step.Session == session && o.step.Sequence == sequence && o.refused == "" {
			return o.inverse, nil
		}
	}
	_, inverse, err := r.store.Earlier(ctx, r.project, session, sequence)
	if errors.Is(err, store.ErrNotFound) {
		return nil, errors.New("that step can't be undone any more")
	}
	if err != nil {
		return nil, &storeError{err}
	}
	return inverse, nil
}
