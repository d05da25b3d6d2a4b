package edit

import (
	"bytes"
	"errors"
	"fmt"
	"slices"

	"azzel/core/pack"
	"azzel/core/world"
)

// A Notice is something to tell the designer.
type Notice struct {
	// Sequence is the step it is about.
	Sequence uint64
	// Refused says why the server dropped the step; empty if it took it.
	Refused string
	// Overruled is what somebody else made of a part of a rule, or of what it asks, just before the step made something else of it, which stands. Without it
	// the value has no field.
	Overruled Change
}

// ErrGap is reported when a message from the server does not follow the one
// before: the page must open the project anew.
var ErrGap = errors.New("a message from the server is missing")

// Receive takes messages from the server, in the order in which they came. Notices are
// those about steps of this session. The steps that are still on their way are applied
// anew once, however many messages there are. After an error the rest is passed over.
func (r *Replica) Receive(messages ...[]byte) ([]Notice, error) {
	h := hearing{Replica: r}
	err := h.all(messages)
	if h.under {
		r.rebase()
	}
	return h.notices, err
}

// A hearing takes messages that came together.
type hearing struct {
	*Replica
	notices []Notice
	// others are steps of other sessions that are not applied yet.
	others []Edit
	// under says that what lies under the pending steps has changed.
	under bool
}

func (h *hearing) all(messages [][]byte) error {
	for _, message := range messages {
		if err := eachSingle(message, h.take); err != nil {
			return err
		}
	}
	return h.follow()
}

// eachSingle calls take for each message that a message holds, until an error.
func eachSingle(message []byte, take func([]byte) error) error {
	single, err := Single(message)
	if err != nil {
		return err
	}
	for _, m := range single {
		if err := take(m); err != nil {
			return err
		}
	}
	return nil
}

// take takes one message.
func (h *hearing) take(message []byte) error {
	if len(message) == 0 {
		return pack.ErrShort
	}
	h.Pace.Did(stepCells)
	in := pack.NewReader(message[1:])
	if message[0] == MessageOther {
		revision, b := in.Uint(), in.Blob(1<<28)
		if err := in.Done(); err != nil {
			return err
		}
		return h.other(revision, b)
	}
	if err := h.follow(); err != nil {
		return err
	}
	switch message[0] {
	case MessageTaken:
		sequence, revision := in.Uint(), in.Uint()
		if err := in.Done(); err != nil {
			return err
		}
		return h.taken(sequence, revision)
	case MessageRefused:
		sequence, why := in.Uint(), in.Text(1<<16)
		if err := in.Done(); err != nil {
			return err
		}
		if slices.ContainsFunc(h.pending, func(p pending) bool { return p.sequence == sequence }) {
			h.drop(sequence)
			h.under = true
			h.notices = append(h.notices, Notice{Sequence: sequence, Refused: why})
		}
		return nil
	}
	return fmt.Errorf("a message of unknown sort %q: reload the page", message[0])
}

// other takes a step of another session.
func (h *hearing) other(revision uint64, b []byte) error {
	known := h.revision + uint64(len(h.others))
	if revision <= known {
		return nil
	}
	if revision != known+1 {
		return ErrGap
	}
	e, err := DecodeAt(h.Pace, b)
	if err != nil {
		return err
	}
	h.others = append(h.others, e)
	return nil
}

// follow applies the steps of other sessions that came one after another.
func (h *hearing) follow() error {
	if len(h.others) == 0 {
		return nil
	}
	for _, e := range h.others {
		h.overrule(e)
	}
	next, err := Follow(h.Pace, h.confirmed, h.others...)
	if err != nil {
		return fmt.Errorf("following the server: %w", err)
	}
	h.confirmed, h.revision = next, h.revision+uint64(len(h.others))
	for _, e := range h.others {
		h.heard(e)
	}
	h.others, h.under = nil, true
	return nil
}

// overrule notes what a step of another session changes of rules that steps of this one change too, which come after it.
func (h *hearing) overrule(e Edit) {
	if len(h.pending) == 0 {
		return
	}
	for _, part := range e.Parts {
		theirs, is := part.(Change)
		if !is || theirs.Ref.Sort != world.SortRule {
			continue
		}
		for _, p := range h.pending {
			for _, part := range p.edit.Parts {
				mine, is := part.(Change)
				if is && mine.Ref == theirs.Ref && mine.Value.Field == theirs.Value.Field && !bytes.Equal(mine.Value.Bytes, theirs.Value.Bytes) {
					h.notices = append(h.notices, Notice{Sequence: p.sequence, Overruled: Change{Ref: theirs.Ref, Value: theirs.Value}})
				}
			}
		}
	}
}

// taken hears of a step of this session that the server stored.
func (h *hearing) taken(sequence, revision uint64) error {
	r := h.Replica
	n := Notice{Sequence: sequence}
	// The server takes steps in order: one before this that is still without an
	// answer was refused while the line was cut.
	for len(r.pending) > 0 && r.pending[0].sequence < sequence {
		r.drop(r.pending[0].sequence)
		n.Refused, h.under = "it did not fit what others had changed", true
	}
	if len(r.pending) == 0 || r.pending[0].sequence > sequence {
		if revision > r.revision {
			return ErrGap
		}
		return nil
	}
	p := r.pending[0]
	if revision <= r.revision {
		// A repeat of a step that the document opened with already holds.
		r.pending = r.pending[1:]
		h.under, h.notices = true, append(h.notices, n)
		return nil
	}
	if revision != r.revision+1 {
		return ErrGap
	}
	if p.base != r.confirmed || p.result.Document == p.base {
		res, err := r.try(r.confirmed, p.edit)
		if err != nil {
			return fmt.Errorf("following the server: %w", err)
		}
		p.result = res
	}
	r.confirmed, r.revision = p.result.Document, revision
	if rec := r.records[sequence]; rec != nil {
		rec.inverse = p.result.Inverse
	}
	r.pending = r.pending[1:]
	h.notices = append(h.notices, n)
	h.under = h.under || len(r.pending) == 0 || r.pending[0].base != r.confirmed
	return nil
}
