package edit

import (
	"errors"
	"fmt"
	"slices"

	"azzel/core/limit"
	"azzel/core/lists"
	"azzel/core/pace"
	"azzel/core/world"
)

// A Replica is a page's copy of a document: what the server has confirmed, and
// on top of it the session's own steps that are still on their way. It must be
// used by one goroutine.
type Replica struct {
	// Pace is told of the cells that steps paint. Work that is stopped leaves the
	// replica as it was, but not while it receives.
	Pace      pace.Pace
	confirmed *world.Document
	current   *world.Document
	revision  uint64
	sequence  uint64
	pending   []pending
	records   map[uint64]*record
	order     []uint64
	undo      []uint64
	redo      []uint64
	others    []shared
	// together says that the pending steps were applied together.
	together bool
	// earlier says that the server knows steps of this session that are not here.
	earlier bool
}

// stepCells is how many cells could be painted in the time that a step takes beside its
// cells.
const stepCells = 250

type pending struct {
	sequence uint64
	edit     Edit
	bytes    []byte
	// base and result let a confirmation without anything in between take over
	// what was computed before; without a base there is nothing.
	base   *world.Document
	result Result
}

type record struct {
	undoes  uint64
	label   string
	encoded []byte
	inverse []Part
	// placed says that undo or redo would have found it, as far as is known here.
	placed bool
}

// NewReplica begins with what the server sent.
func NewReplica(o Opening) *Replica {
	r := &Replica{confirmed: o.Document, current: o.Document, revision: o.Revision, sequence: o.Sequence, records: map[uint64]*record{}}
	for _, rec := range o.Records {
		r.remember(rec.Sequence, &record{undoes: rec.Undoes, label: rec.Label, encoded: rec.Inverse})
	}
	// The first step of a session is number 1.
	r.earlier = o.Sequence > 0 && (len(o.Records) == 0 || o.Records[0].Sequence > 1)
	return r
}

// Earlier is the step of this session before which the server knows more of its steps; 0
// if all are here.
func (r *Replica) Earlier() uint64 {
	switch {
	case !r.earlier:
		return 0
	case len(r.order) == 0:
		return r.sequence + 1
	}
	return r.order[0]
}

// AddEarlier takes what the server knew of before Earlier, oldest first: none if there was
// no more.
func (r *Replica) AddEarlier(records []Record) {
	r.earlier = len(records) > 0 && records[0].Sequence > 1
	before := make([]uint64, 0, len(records)+len(r.order))
	for _, rec := range records {
		if r.records[rec.Sequence] == nil && (len(r.order) == 0 || rec.Sequence < r.order[0]) {
			before = append(before, rec.Sequence)
			r.records[rec.Sequence] = &record{undoes: rec.Undoes, label: rec.Label, encoded: rec.Inverse}
		}
	}
	r.order = append(before, r.order...)
	r.restack()
}

// Document is the document as the designer sees it.
func (r *Replica) Document() *world.Document { return r.current }

// Confirmed is the document as the server has it, as far as is known.
func (r *Replica) Confirmed() *world.Document { return r.confirmed }

// Revision is how many steps of the project's log are confirmed.
func (r *Replica) Revision() uint64 { return r.revision }

// Pending is how many steps the server has not taken yet.
func (r *Replica) Pending() int { return len(r.pending) }

// Do applies a step of this session and gives the message to send.
func (r *Replica) Do(e Edit) (sequence uint64, message []byte, err error) {
	e.Label = Clip(e.Label)
	b := e.Encode()
	if len(b) > limit.EditBytes {
		return 0, nil, fmt.Errorf("this step is too large to be sent (%d MB; the most is %d MB): do it in parts", len(b)>>20, limit.EditBytes>>20)
	}
	r.Pace.Did(len(b))
	if e.Undoes != 0 && r.together {
		r.rebaseEach()
	}
	res, err := r.try(r.current, e)
	if err != nil {
		return 0, nil, err
	}
	r.sequence++
	r.pending = append(r.pending, pending{r.sequence, e, b, r.current, res})
	r.current = res.Document
	r.remember(r.sequence, &record{undoes: e.Undoes, label: e.Label, inverse: res.Inverse})
	return r.sequence, Send(r.sequence, b), nil
}

// Resend takes a step from the queue of an earlier page of this session. Steps
// that the server already has are passed over.
func (r *Replica) Resend(message []byte) (err error) {
	sequence, b, err := ReadSend(message)
	if err != nil || sequence <= r.sequence {
		return err
	}
	e, err := DecodeAt(r.Pace, b)
	if err != nil {
		return err
	}
	res, err := r.try(r.current, e)
	if err != nil {
		res = Result{Document: r.current}
	}
	r.sequence = sequence
	r.pending = append(r.pending, pending{sequence, e, b, r.current, res})
	r.current = res.Document
	r.remember(sequence, &record{undoes: e.Undoes, label: e.Label, inverse: res.Inverse})
	return nil
}

// TakeUp takes the queue of an earlier page of this session. A step that can't be read, or that can't be done after
// one that could not be, is set aside; those after it are done anew, with numbers that follow one another.
func (r *Replica) TakeUp(queue [][]byte) (aside [][]byte) {
	// became are the numbers that steps have which are done anew, first the first that is given again.
	became, first := map[uint64]uint64{}, uint64(0)
	for _, message := range queue {
		if len(aside) == 0 {
			if r.Resend(message) != nil {
				aside, first = append(aside, message), r.sequence+1
			}
			continue
		}
		sequence, b, err := ReadSend(message)
		var e Edit
		if err == nil {
			e, err = DecodeAt(r.Pace, b)
		}
		if err == nil && e.Undoes != 0 {
			if n, anew := became[e.Undoes]; anew {
				e.Undoes = n
			} else if e.Undoes >= first {
				// It took back what is set aside.
				continue
			}
		}
		n := uint64(0)
		if err == nil {
			n, _, err = r.Do(e)
		}
		if err != nil {
			aside = append(aside, message)
			continue
		}
		became[sequence] = n
	}
	return aside
}

// Outgoing is the messages of all steps that the server has not taken yet.
func (r *Replica) Outgoing() [][]byte {
	messages := make([][]byte, len(r.pending))
	for i, p := range r.pending {
		messages[i] = Send(p.sequence, p.bytes)
	}
	return messages
}

// try applies e, whose parts are looked up if it is an undo.
func (r *Replica) try(d *world.Document, e Edit) (Result, error) {
	if e.Undoes != 0 && len(e.Parts) == 0 {
		rec := r.records[e.Undoes]
		if rec == nil {
			return Result{}, errors.New("that step can't be undone any more")
		}
		if rec.inverse == nil && rec.encoded != nil {
			parts, err := DecodePartsAt(r.Pace, rec.encoded)
			if err != nil {
				return Result{}, fmt.Errorf("taking back %s: %w", rec.label, err)
			}
			rec.inverse, rec.encoded = parts, nil
		}
		e.Parts = rec.inverse
	}
	return ApplyAt(r.Pace, d, e)
}

// drop forgets a pending step that the server did not take.
func (r *Replica) drop(sequence uint64) {
	r.pending = lists.Without(r.pending, func(p pending) bool { return p.sequence == sequence })
	delete(r.records, sequence)
	r.order = lists.Without(r.order, func(s uint64) bool { return s == sequence })
	r.restack()
}

// manyPending is how many steps on their way are applied anew together, without what takes
// each back.
const manyPending = 4

// rebase applies the pending steps anew on top of what is confirmed.
func (r *Replica) rebase() {
	if r.together = r.rebaseTogether(); !r.together {
		r.rebaseEach()
	}
}

// rebaseTogether is a quick rebase, if it can be done. What takes the steps back is then
// known only when they are taken, or applied each.
func (r *Replica) rebaseTogether() bool {
	if len(r.pending) < manyPending {
		return false
	}
	edits := make([]Edit, len(r.pending))
	for i, p := range r.pending {
		if p.edit.Undoes != 0 {
			return false
		}
		r.Pace.Did(stepCells)
		edits[i] = p.edit
	}
	next, err := Follow(r.Pace, r.confirmed, edits...)
	if err != nil {
		return false
	}
	for i := range r.pending {
		r.pending[i].base = nil
	}
	r.current = next
	return true
}

// rebaseEach is a rebase step by step. One that can't be applied is passed over; the
// server will say so.
func (r *Replica) rebaseEach() {
	d := r.confirmed
	for i := range r.pending {
		r.Pace.Did(stepCells)
		p := &r.pending[i]
		res, err := r.try(d, p.edit)
		if err != nil {
			res = Result{Document: d}
		}
		p.base, p.result = d, res
		if rec := r.records[p.sequence]; rec != nil {
			rec.inverse = res.Inverse
		}
		d = res.Document
	}
	r.current, r.together = d, false
}

func (r *Replica) remember(sequence uint64, rec *record) {
	r.records[sequence] = rec
	r.order = append(r.order, sequence)
	r.stack(sequence, rec)
}

// stack puts a step where undo and redo will find it.
func (r *Replica) stack(sequence uint64, rec *record) {
	last := func(list []uint64) uint64 {
		if len(list) == 0 {
			return 0
		}
		return list[len(list)-1]
	}
	switch {
	case rec.undoes == 0:
		r.undo, r.redo = append(r.undo, sequence), nil
	case last(r.undo) == rec.undoes:
		r.undo, r.redo = r.undo[:len(r.undo)-1], append(r.redo, sequence)
	case last(r.redo) == rec.undoes:
		r.redo, r.undo = r.redo[:len(r.redo)-1], append(r.undo, sequence)
	case r.records[rec.undoes] != nil && r.records[rec.undoes].placed:
		// One that was taken back alone, from among others.
		r.undo, r.redo = append(r.undo, sequence), nil
	default:
		// What it took back is not here yet.
		return
	}
	rec.placed = true
}

func (r *Replica) restack() {
	r.undo, r.redo = nil, nil
	for _, s := range r.order {
		r.records[s].placed = false
	}
	for _, s := range r.order {
		r.stack(s, r.records[s])
	}
}

// CanUndo is the label of the step that Undo would take back, if there is one.
func (r *Replica) CanUndo() (string, bool) { return r.top(r.undo) }

// CanRedo is the label of the step that Redo would bring back.
func (r *Replica) CanRedo() (string, bool) { return r.top(r.redo) }

// sure is a list of steps, or nothing if a later step took back one that is not here yet: what is on top of it is not
// known before that is.
func (r *Replica) sure(list []uint64) []uint64 {
	for i := len(r.order) - 1; i >= 0 && len(list) > 0 && r.Earlier() > 0 && r.order[i] > list[len(list)-1]; i-- {
		if !r.records[r.order[i]].placed {
			return nil
		}
	}
	return list
}

func (r *Replica) top(list []uint64) (string, bool) {
	if list = r.sure(list); len(list) == 0 {
		return "", false
	}
	return r.records[list[len(list)-1]].label, true
}

// ErrNothing is reported when there is no step to take back or bring back.
var ErrNothing = errors.New("there is nothing to undo")

// Undo takes back the session's last step that is not taken back yet, as far
// as nobody changed since what it left. Left of of cells and properties were
// left alone.
func (r *Replica) Undo() (sequence uint64, message []byte, left, of int, err error) {
	return r.takeBack(r.sure(r.undo))
}

// Redo brings back the step taken back last.
func (r *Replica) Redo() (sequence uint64, message []byte, left, of int, err error) {
	return r.takeBack(r.sure(r.redo))
}

func (r *Replica) takeBack(list []uint64) (sequence uint64, message []byte, left, of int, err error) {
	if len(list) == 0 {
		return 0, nil, 0, 0, ErrNothing
	}
	target := list[len(list)-1]
	sequence, message, err = r.Do(Edit{Label: r.records[target].label, Undoes: target})
	if err == nil {
		res := r.pending[len(r.pending)-1].result
		left, of = res.Left, res.Of
	}
	return sequence, message, left, of, err
}

// TakeBack takes back one step of the session alone, as far as nothing that it left was
// changed since, and leaves what was done after it.
func (r *Replica) TakeBack(step uint64) (message []byte, left, of int, err error) {
	if !slices.Contains(r.undo, step) {
		return nil, 0, 0, ErrNothing
	}
	_, message, left, of, err = r.takeBack([]uint64{step})
	return message, left, of, err
}

// Answered is the sequence number of the last step that the server has taken
// or refused, with all before it.
func (r *Replica) Answered() uint64 {
	if len(r.pending) > 0 {
		return r.pending[0].sequence - 1
	}
	return r.sequence
}
