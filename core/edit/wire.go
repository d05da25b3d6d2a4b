package edit

import (
	"bytes"
	"fmt"
	"slices"

	"azzel/core/limit"
	"azzel/core/pace"
	"azzel/core/pack"
	"azzel/core/world"
)

// The messages between page and server. Each begins with its tag.
const (
	// MessageSend carries a step to the server: sequence, edit.
	MessageSend = 's'
	// MessageOther tells of another session's step: revision, edit with parts.
	MessageOther = 'o'
	// MessageTaken says that a step of this session is stored: sequence, revision.
	MessageTaken = 't'
	// MessageRefused says that a step of this session was dropped: sequence, why.
	MessageRefused = 'r'
	// MessageSeveral holds other messages to the page, in their order.
	MessageSeveral = 'm'
)

// Send makes the message that carries a step.
func Send(sequence uint64, edit []byte) []byte {
	w := pack.Writer{Bytes: []byte{MessageSend}}
	w.Uint(sequence)
	w.Blob(edit)
	return w.Bytes
}

// ReadSend reads what Send made.
func ReadSend(b []byte) (sequence uint64, edit []byte, err error) {
	if len(b) == 0 || b[0] != MessageSend {
		return 0, nil, fmt.Errorf("reading a message: %w", pack.ErrMalformed)
	}
	r := pack.NewReader(b[1:])
	sequence, edit = r.Uint(), r.Blob(limit.EditBytes)
	return sequence, edit, r.Done()
}

// Other makes the message that tells of another session's step.
func Other(revision uint64, edit []byte) []byte {
	w := pack.Writer{Bytes: []byte{MessageOther}}
	w.Uint(revision)
	w.Blob(edit)
	return w.Bytes
}

// Taken makes the message that says a step is stored.
func Taken(sequence, revision uint64) []byte {
	w := pack.Writer{Bytes: []byte{MessageTaken}}
	w.Uint(sequence)
	w.Uint(revision)
	return w.Bytes
}

// Refused makes the message that says a step was dropped.
func Refused(sequence uint64, why string) []byte {
	w := pack.Writer{Bytes: []byte{MessageRefused}}
	w.Uint(sequence)
	w.Text(why)
	return w.Bytes
}

// Several makes one message of others to the page.
func Several(messages [][]byte) []byte {
	w := pack.Writer{Bytes: []byte{MessageSeveral}}
	w.Uint(uint64(len(messages)))
	for _, m := range messages {
		w.Blob(m)
	}
	return w.Bytes
}

// Single gives the messages that a message to the page holds: those of which Several made
// it, or itself.
func Single(message []byte) ([][]byte, error) {
	if len(message) == 0 || message[0] != MessageSeveral {
		return [][]byte{message}, nil
	}
	r := pack.NewReader(message[1:])
	messages := make([][]byte, r.Count(1<<20, 1))
	for i := range messages {
		messages[i] = r.Blob(1 << 28)
	}
	if err := r.Done(); err != nil {
		return nil, fmt.Errorf("reading messages: %w", err)
	}
	return messages, nil
}

// A Record is one earlier step of a session, as the log keeps it.
type Record struct {
	Sequence uint64
	// Undoes is the step that this one took back, or 0.
	Undoes uint64
	Label  string
	// Inverse are the encoded parts that take the step back.
	Inverse []byte
}

// An Opening is all that a page needs to begin.
type Opening struct {
	// Prefix is what the page's new ids begin with.
	Prefix uint32
	// Sequence is the last one the server has seen of the session.
	Sequence uint64
	// Revision is the number of steps in the project's log.
	Revision uint64
	Document *world.Document
	// Records are the session's earlier steps, oldest first.
	Records []Record
}

// Encode gives the opening as bytes.
func (o Opening) Encode() []byte {
	return appendRecords(slices.Concat(o.Before(len(o.Records))...), o.Records)
}

// Before gives what stands before the records of an opening, of which so many follow, to be sent one after the other:
// the document is encoded once and not copied. Each record is what Record.Append gives.
func (o Opening) Before(records int) [][]byte {
	body := o.Document.Encode()
	w := pack.Writer{Bytes: []byte{'O', 1}}
	w.Uint(uint64(o.Prefix))
	w.Uint(o.Sequence)
	w.Uint(o.Revision)
	w.Uint(uint64(len(body)))
	var n pack.Writer
	n.Uint(uint64(records))
	return [][]byte{w.Bytes, body, n.Bytes}
}

// Append adds the record's bytes to others.
func (r Record) Append(to []byte) []byte {
	return append(r.AppendHead(to, len(r.Inverse)), r.Inverse...)
}

// AppendHead adds what stands before the record's Inverse, which has so many bytes, to others.
func (r Record) AppendHead(to []byte, inverse int) []byte {
	w := pack.Writer{Bytes: to}
	w.Uint(r.Sequence)
	w.Uint(r.Undoes)
	w.Text(r.Label)
	w.Uint(uint64(inverse))
	return w.Bytes
}

func appendRecords(to []byte, records []Record) []byte {
	for _, r := range records {
		to = r.Append(to)
	}
	return to
}

func decodeRecords(r *pack.Reader) (records []Record) {
	for range r.Count(1<<20, 4) {
		records = append(records, Record{r.Uint(), r.Uint(), r.Text(limit.NameLetters * 4), bytes.Clone(r.Blob(limit.EditBytes * 4))})
	}
	return records
}

// EncodeRecords gives a session's earlier steps as bytes, oldest first.
func EncodeRecords(records []Record) []byte {
	return appendRecords(BeforeRecords(len(records)), records)
}

// BeforeRecords gives what stands before so many records that are sent without an opening.
func BeforeRecords(records int) []byte {
	w := pack.Writer{Bytes: []byte{'R', 1}}
	w.Uint(uint64(records))
	return w.Bytes
}

// DecodeRecords reads what EncodeRecords wrote.
func DecodeRecords(b []byte) ([]Record, error) {
	if len(b) < 2 || b[0] != 'R' || b[1] != 1 {
		return nil, fmt.Errorf("reading earlier steps: %w", pack.ErrMalformed)
	}
	r := pack.NewReader(b[2:])
	records := decodeRecords(r)
	if err := r.Done(); err != nil {
		return nil, fmt.Errorf("reading earlier steps: %w", err)
	}
	return records, nil
}

// DecodeOpening reads what Encode wrote, at a pace.
func DecodeOpening(b []byte, at pace.Pace) (Opening, error) {
	if len(b) < 2 || b[0] != 'O' || b[1] != 1 {
		return Opening{}, fmt.Errorf("opening a project: %w", pack.ErrMalformed)
	}
	r := pack.NewReader(b[2:])
	o := Opening{Prefix: uint32(r.Uint()), Sequence: r.Uint(), Revision: r.Uint()}
	body := r.Blob(1 << 30)
	o.Records = decodeRecords(r)
	if err := r.Done(); err != nil {
		return Opening{}, fmt.Errorf("opening a project: %w", err)
	}
	var err error
	o.Document, err = world.DecodeAt(at, body)
	return o, err
}
