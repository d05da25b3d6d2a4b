package edit

import (
	"errors"
	"slices"
)

// A Step is one line of the list of what was done.
type Step struct {
	// Label says what it did.
	Label string
	// Own says that this session did it, Undone that it took it back, and could do it
	// again.
	Own, Undone bool
	// Done is how many of the session's own steps are done once one has walked here: for
	// steps of its own.
	Done int
	// Back says that it was taken back alone, and steps after it were not.
	Back bool
	// Sequence is the number of a step of its own.
	Sequence uint64
}

// shared is a step of somebody else.
type shared struct {
	label string
	// after is the last step of this session before it.
	after uint64
}

// maxShared is how many steps of others are kept for the list.
const maxShared = 500

func (r *Replica) heard(e Edit) {
	label := e.Label
	if e.Undoes != 0 {
		label = "undo " + label
	}
	r.others = append(r.others, shared{label, r.sequence})
	if len(r.others) > maxShared {
		r.others = r.others[len(r.others)-maxShared:]
	}
}

// Steps lists what was done, the earliest first: this session's steps, those it took
// back last of all, and what others did meanwhile.
func (r *Replica) Steps() []Step {
	var list []Step
	others := r.others
	until := func(sequence uint64) {
		for len(others) > 0 && others[0].after < sequence {
			list = append(list, Step{Label: others[0].label})
			others = others[1:]
		}
	}
	back := map[uint64]bool{}
	for _, s := range r.undo {
		back[r.records[s].undoes] = true
	}
	for i, s := range r.undo {
		until(s)
		list = append(list, Step{Label: r.label(s), Own: true, Done: i + 1, Sequence: s, Back: back[s]})
	}
	until(1<<64 - 1)
	for i := len(r.redo) - 1; i >= 0; i-- {
		list = append(list, Step{Label: r.records[r.redo[i]].label, Own: true, Undone: true, Done: len(r.undo) + len(r.redo) - i, Sequence: r.redo[i]})
	}
	return list
}

// label says what a step on the undo stack did. Two that undo each other are one step that
// is done again; one that undoes a step which is still there took that back alone.
func (r *Replica) label(step uint64) string {
	rec := r.records[step]
	if target := r.records[rec.undoes]; target != nil && slices.Contains(r.undo, rec.undoes) {
		return "undo: " + target.label
	}
	return rec.label
}

// Walk takes back or brings back steps until as many of the session's own as said are
// done, and gives each message to be sent as soon as its step is applied, so that what was
// done is sent also if the rest is stopped. Left of of cells and properties were left
// alone. It stops at the first that can't be taken back.
func (r *Replica) Walk(done int, send func(message []byte)) (left, of int, err error) {
	for len(r.undo) != done {
		run := r.Undo
		if len(r.undo) < done {
			run = r.Redo
		}
		before := len(r.undo)
		_, message, l, o, err := run()
		if err != nil {
			if errors.Is(err, ErrNothing) {
				err = nil
			}
			return left, of, err
		}
		send(message)
		left, of = left+l, of+o
		if len(r.undo) == before {
			return left, of, nil
		}
	}
	return left, of, nil
}
