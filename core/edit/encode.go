package edit

import (
	"errors"
	"fmt"
	"slices"
	"strings"
	"unicode/utf8"

	"azzel/core/grid"
	"azzel/core/limit"
	"azzel/core/pace"
	"azzel/core/pack"
	"azzel/core/world"
)

// Tags and versions stand in stored bytes. They are never used again; an old
// version keeps its decoder.
const (
	tagEdit   = 'E'
	tagPaint  = 1
	tagPut    = 2
	tagChange = 3
	tagRemove = 4
	tagDeal   = 5
	// tagLay is a Paint with loose cells.
	tagLay   = 6
	version1 = 1
)

type encoder struct{ pack.Writer }

func (e *encoder) begin(tag byte) { e.Bytes = append(e.Bytes, tag, version1) }

func (e *encoder) ref(r world.Ref) {
	e.Uint(uint64(r.Sort))
	e.Uint(uint64(r.Map))
	e.Uint(uint64(r.ID))
}

func (p Paint) encode(e *encoder) {
	tag := byte(tagPaint)
	if len(p.Loose) > 0 {
		tag = tagLay
	}
	e.begin(tag)
	e.Uint(uint64(p.Map))
	e.Uint(uint64(p.Layer))
	p.Region.Encode(&e.Writer)
	cells, expect := p.Cells, p.Expect
	if p.Swap != nil {
		cells, expect = p.Swap.To.Read(p.Region), p.Swap.From.Read(p.Region)
	}
	cells.Encode(&e.Writer)
	e.Bool(expect != nil)
	if expect != nil {
		expect.Encode(&e.Writer)
	}
	if tag == tagLay {
		all := slices.Equal(p.Loose, p.Region)
		e.Bool(all)
		if !all {
			p.Loose.Encode(&e.Writer)
		}
	}
}

func (d Deal) encode(e *encoder) {
	e.begin(tagDeal)
	e.Uint(uint64(d.Map))
	e.Uint(uint64(d.Layer))
	e.Uint(uint64(d.Medley))
	d.Region.Encode(&e.Writer)
}

func (p Put) encode(e *encoder) {
	e.begin(tagPut)
	e.ref(p.Ref)
	world.EncodeValues(&e.Writer, p.Values)
}

func (c Change) encode(e *encoder) {
	e.begin(tagChange)
	e.ref(c.Ref)
	e.Uint(uint64(c.Value.Field))
	e.Blob(c.Value.Bytes)
	e.Bool(c.Expect != nil)
	if c.Expect != nil {
		e.Blob(c.Expect)
	}
}

func (r Remove) encode(e *encoder) {
	e.begin(tagRemove)
	e.ref(r.Ref)
	e.Bool(r.Expect != nil)
	if r.Expect != nil {
		world.EncodeValues(&e.Writer, r.Expect)
	}
}

// EncodeParts gives parts as bytes.
func EncodeParts(parts []Part) []byte {
	e := &encoder{}
	e.Uint(uint64(len(parts)))
	for _, p := range parts {
		p.encode(e)
	}
	return e.Bytes
}

// Encode gives e as bytes. An undo whose parts are nil is written without
// them: whoever applies it knows them.
func (e Edit) Encode() []byte {
	w := &encoder{}
	w.begin(tagEdit)
	w.Text(e.Label)
	w.Uint(e.Undoes)
	w.Blob(EncodeParts(e.Parts))
	return w.Bytes
}

// errLabel is reported for a label that is no text and could not be kept.
var errLabel = errors.New("reading a change: what it is called is no text")

// Decode reads what Encode wrote. Whatever b holds, the time and memory it
// takes are bounded by the size of b and the limits.
func Decode(b []byte) (Edit, error) { return DecodeAt(nil, b) }

// DecodeAt is Decode at a pace.
func DecodeAt(at pace.Pace, b []byte) (Edit, error) {
	if len(b) > limit.EditBytes {
		return Edit{}, fmt.Errorf("a change is over %d MB: make it in parts", limit.EditBytes>>20)
	}
	if len(b) < 2 || b[0] != tagEdit {
		return Edit{}, fmt.Errorf("reading a change: %w", pack.ErrMalformed)
	}
	if b[1] != version1 {
		return Edit{}, fmt.Errorf("reading a change: version %d is not known here; reload the page", b[1])
	}
	r := pack.NewReader(b[2:])
	e := Edit{Label: r.Text(limit.NameLetters * 4), Undoes: r.Uint()}
	parts := r.Blob(limit.EditBytes)
	if err := r.Done(); err != nil {
		return Edit{}, fmt.Errorf("reading a change: %w", err)
	}
	if !utf8.ValidString(e.Label) || strings.ContainsRune(e.Label, 0) {
		return Edit{}, errLabel
	}
	var err error
	if e.Parts, err = DecodePartsAt(at, parts); err != nil {
		return Edit{}, fmt.Errorf("reading a change: %w", err)
	}
	return e, nil
}

// DecodeParts reads what EncodeParts wrote.
func DecodeParts(b []byte) ([]Part, error) { return DecodePartsAt(nil, b) }

// DecodePartsAt is DecodeParts at a pace.
func DecodePartsAt(at pace.Pace, b []byte) ([]Part, error) {
	r := pack.NewReader(b)
	n := r.Count(limit.EditParts, 2)
	parts := make([]Part, 0, n)
	cells := 0
	for range n {
		parts = append(parts, decodePart(at, r, &cells))
		if r.Err() != nil {
			return nil, r.Err()
		}
	}
	return parts, r.Done()
}

func decodePart(at pace.Pace, r *pack.Reader, cells *int) Part {
	kind, v := r.Uint(), r.Uint()
	if r.Err() == nil && v != version1 {
		r.Fail(fmt.Errorf("%w: part version %d is not known here; reload the page", pack.ErrMalformed, v))
	}
	switch kind {
	case tagPaint, tagLay:
		p := Paint{Map: world.ID(r.Uint()), Layer: world.ID(r.Uint())}
		p.Region = grid.DecodeRegion(at, r, limit.PaintCells-*cells)
		n := p.Region.Len()
		*cells += n
		if n == 0 {
			r.Fail(fmt.Errorf("%w: nothing to paint", pack.ErrMalformed))
			return nil
		}
		p.Cells = grid.DecodeRuns(at, r, n)
		if r.Bool() {
			p.Expect = grid.DecodeRuns(at, r, n)
		}
		if kind == tagLay {
			p.Loose = decodeLoose(at, r, p.Region)
		}
		return p
	case tagDeal:
		d := Deal{Map: world.ID(r.Uint()), Layer: world.ID(r.Uint()), Medley: world.ID(r.Uint())}
		d.Region = grid.DecodeRegion(at, r, min(limit.DealCells, limit.PaintCells-*cells))
		n := d.Region.Len()
		*cells += n
		if n == 0 {
			r.Fail(fmt.Errorf("%w: nothing to lay", pack.ErrMalformed))
			return nil
		}
		return d
	case tagPut:
		return Put{decodeRef(r), world.DecodeValues(r)}
	case tagChange:
		c := Change{Ref: decodeRef(r), Value: world.Value{Field: world.Field(r.Uint()), Bytes: r.Blob(limit.EditBytes)}}
		if r.Bool() {
			c.Expect = r.Blob(limit.EditBytes)
			if c.Expect == nil {
				c.Expect = []byte{}
			}
		}
		return c
	case tagRemove:
		p := Remove{Ref: decodeRef(r)}
		if r.Bool() {
			p.Expect = world.DecodeValues(r)
		}
		return p
	}
	r.Fail(fmt.Errorf("%w: a part of unknown sort %d", pack.ErrMalformed, kind))
	return nil
}

// decodeLoose reads a part of a region that is not empty.
func decodeLoose(at pace.Pace, r *pack.Reader, of grid.Region) grid.Region {
	if r.Bool() {
		return of
	}
	loose := grid.DecodeRegion(at, r, limit.PaintCells)
	if r.Err() == nil && (len(loose) == 0 || len(loose.Minus(of)) > 0) {
		r.Fail(fmt.Errorf("%w: loose cells lie outside what is painted", pack.ErrMalformed))
	}
	return loose
}

func decodeRef(r *pack.Reader) world.Ref {
	return world.Ref{Sort: world.Sort(r.Uint()), Map: world.ID(r.Uint()), ID: world.ID(r.Uint())}
}
