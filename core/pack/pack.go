// Package pack reads and writes the one compact encoding that edits, entity
// bodies and chunks share: unsigned and zigzag integers of variable length,
// and byte strings with their length before them.
//
// It knows nothing of what is encoded. Integers are as in encoding/binary
// (little-endian base 128).
package pack

import (
	"encoding/binary"
	"errors"
	"fmt"
)

// ErrShort is reported when the input ends before what it announces.
var ErrShort = errors.New("the data ends too early")

// ErrMalformed is reported when the input can't be what it claims to be.
var ErrMalformed = errors.New("the data is damaged")

// A Writer appends values to Bytes. The zero value is ready to use.
type Writer struct {
	// Bytes is everything written so far.
	Bytes []byte
}

// Uint appends an unsigned integer, 1 to 10 bytes.
func (w *Writer) Uint(v uint64) { w.Bytes = binary.AppendUvarint(w.Bytes, v) }

// Int appends a signed integer, 1 to 10 bytes.
func (w *Writer) Int(v int) { w.Bytes = binary.AppendVarint(w.Bytes, int64(v)) }

// Bool appends one byte, 0 or 1.
func (w *Writer) Bool(v bool) {
	if v {
		w.Bytes = append(w.Bytes, 1)
		return
	}
	w.Bytes = append(w.Bytes, 0)
}

// Blob appends the length of b, then b.
func (w *Writer) Blob(b []byte) {
	w.Uint(uint64(len(b)))
	w.Bytes = append(w.Bytes, b...)
}

// Text appends the length of s in bytes, then s.
func (w *Writer) Text(s string) {
	w.Uint(uint64(len(s)))
	w.Bytes = append(w.Bytes, s...)
}

// A Reader takes values from a byte slice. The first failure sticks: every
// later call returns a zero value, and Err reports what went wrong first.
type Reader struct {
	rest []byte
	err  error
}

// NewReader reads from b, which must not change meanwhile.
func NewReader(b []byte) *Reader { return &Reader{rest: b} }

// Fail records err as the reader's failure unless there already is one.
func (r *Reader) Fail(err error) {
	if r.err == nil {
		r.err = err
		r.rest = nil
	}
}

// Err reports the first failure, or nil.
func (r *Reader) Err() error { return r.err }

// Len reports how many bytes are left.
func (r *Reader) Len() int { return len(r.rest) }

// Done reports the first failure, or an error if anything is left unread.
func (r *Reader) Done() error {
	if r.err == nil && len(r.rest) > 0 {
		return fmt.Errorf("%w: %d bytes too many", ErrMalformed, len(r.rest))
	}
	return r.err
}

// Uint takes an unsigned integer.
func (r *Reader) Uint() uint64 {
	if r.err != nil {
		return 0
	}
	v, n := binary.Uvarint(r.rest)
	if n <= 0 {
		r.Fail(ErrShort)
		return 0
	}
	r.rest = r.rest[n:]
	return v
}

// Int takes a signed integer and fails if it lies outside ±2³¹.
func (r *Reader) Int() int {
	if r.err != nil {
		return 0
	}
	v, n := binary.Varint(r.rest)
	if n <= 0 {
		r.Fail(ErrShort)
		return 0
	}
	r.rest = r.rest[n:]
	if v < -1<<31 || v >= 1<<31 {
		r.Fail(fmt.Errorf("%w: a number is out of range", ErrMalformed))
		return 0
	}
	return int(v)
}

// Bool takes one byte, which must be 0 or 1.
func (r *Reader) Bool() bool {
	if r.err != nil || len(r.rest) == 0 {
		r.Fail(ErrShort)
		return false
	}
	v := r.rest[0]
	r.rest = r.rest[1:]
	if v > 1 {
		r.Fail(fmt.Errorf("%w: a yes or no is neither", ErrMalformed))
	}
	return v == 1
}

// Count takes a number of things that follow, each at least minBytes (1 or
// more) long, so that no damaged count makes anybody allocate more than the
// input could hold. It fails above limit.
func (r *Reader) Count(limit, minBytes int) int {
	n := r.Uint()
	if r.err != nil {
		return 0
	}
	if n > uint64(limit) {
		r.Fail(fmt.Errorf("%w: a count of %d is over the limit of %d", ErrMalformed, n, limit))
		return 0
	}
	if n > uint64(len(r.rest)/minBytes) {
		r.Fail(ErrShort)
		return 0
	}
	return int(n)
}

// Blob takes a byte string of at most limit bytes. It shares the input's
// memory.
func (r *Reader) Blob(limit int) []byte {
	n := r.Count(limit, 1)
	if r.err != nil {
		return nil
	}
	b := r.rest[:n:n]
	r.rest = r.rest[n:]
	return b
}

// Text takes a string of at most limit bytes.
func (r *Reader) Text(limit int) string { return string(r.Blob(limit)) }
