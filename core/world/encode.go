package world

import (
	"fmt"
	"slices"

	"azzel/core/grid"
	"azzel/core/limit"
	"azzel/core/pace"
	"azzel/core/pack"
)

const (
	documentTag = 'D'
	// Version 2 has bonds and properties of the project's own, version 3 patches, version 4
	// replays, version 5 tracks and areas, version 6 items, version 7 facts, version 8 wires, version 9 rules,
	// version 10 facts with a range or words, version 11 maps that begin anew and named starts, version 12 facts that are short texts or belong to a map, version 13 types of the
	// designer's own, version 14 pictures of pieces.
	// From version 3 on all are read.
	documentVersion, oldestVersion = 14, 3
	// withoutWires is the version of documents that have no wires: they are written as they were before there were any.
	withoutWires = 7
	// withoutRules is that of those that have wires and no rules.
	withoutRules = 8
	// withPlainFacts is that of those that have rules, and facts that have neither a range nor words.
	withPlainFacts = 9
	// withoutAnew is that of those in which all maps stay as they are left, and that have no named starts.
	withoutAnew = 10
	// withoutTexts is that of those in which no fact is a short text, or belongs to a map.
	withoutTexts = 11
	// withoutTypes is that of those that have no types of the designer's own.
	withoutTypes = 12
	// withoutPictures is that of those in which all pieces are seen as they come.
	withoutPictures = 13
)

// Encode gives the document as bytes: equal documents give equal bytes. Format
// version 7 without wires and rules, 8 without rules, 9 if no fact has a range or words, 10 if all maps stay as left and there are no named starts,
// 11 if no fact is a short text or belongs to a map, 12 without types of the designer's own, 13 if all pieces are seen as they come, else 14.
func (d *Document) Encode() []byte { return d.EncodeAt(nil) }

// EncodeAt is Encode for work that goes at a pace.
func (d *Document) EncodeAt(at pace.Pace) []byte {
	version := byte(documentVersion)
	switch {
	case d.Pictured():
	case len(d.Types) > 0:
		version = withoutPictures
	case slices.ContainsFunc(d.Facts, (*Fact).Later):
		version = withoutTypes
	case d.Anew(), len(d.Starts) > 0:
		version = withoutTexts
	case slices.ContainsFunc(d.Facts, (*Fact).Further):
		version = withoutAnew
	case len(d.Rules) > 0:
		version = withPlainFacts
	case len(d.Wires) == 0:
		version = withoutWires
	default:
		version = withoutRules
	}
	w := &pack.Writer{Bytes: []byte{documentTag, version}}
	w.Int(d.next)
	EncodeValues(w, d.Project.Values())
	tilesets.encode(d, w)
	w.Uint(uint64(len(d.Maps)))
	for _, m := range d.Maps {
		w.Uint(uint64(m.ID))
		EncodeValues(w, m.Values())
		w.Uint(uint64(len(m.Layers)))
		for _, l := range m.Layers {
			w.Uint(uint64(l.ID))
			EncodeValues(w, l.Values())
			chunks := 0
			l.Cells.EachChunk(func(int, int, *grid.Chunk) { chunks++ })
			w.Uint(uint64(chunks))
			l.Cells.EachChunk(func(cx, cy int, c *grid.Chunk) {
				w.Int(cx)
				w.Int(cy)
				c.Encode(w)
				at.Did(grid.ChunkSide * grid.ChunkSide)
			})
		}
		w.Uint(uint64(len(m.Pieces)))
		for _, p := range m.Pieces {
			w.Uint(uint64(p.ID))
			EncodeValues(w, p.Values())
		}
	}
	for _, c := range collections[1:] {
		if c.since <= version {
			c.encode(d, w)
		}
	}
	return w.Bytes
}

// Decode reads what Encode wrote.
func Decode(b []byte) (*Document, error) { return DecodeAt(nil, b) }

// DecodeAt is Decode for work that goes at a pace.
func DecodeAt(at pace.Pace, b []byte) (*Document, error) {
	if len(b) < 2 || b[0] != documentTag || b[1] < oldestVersion || b[1] > documentVersion {
		return nil, fmt.Errorf("reading a project: %w", pack.ErrMalformed)
	}
	r := pack.NewReader(b[2:])
	next := r.Int()
	d := (&Document{next: next}).Draft()
	d.Pace = at
	if err := setFields(&d.doc.Project, projectFields, DecodeValues(r)); err != nil {
		r.Fail(err)
	}
	put := func(k Sort, mapID ID) ID {
		id := ID(r.Uint())
		values := DecodeValues(r)
		if r.Err() == nil {
			if err := d.Put(Ref{k, mapID, id}, values); err != nil {
				r.Fail(err)
			}
		}
		return id
	}
	for range r.Count(limit.Tilesets, 2) {
		put(SortTileset, 0)
	}
	for range r.Count(limit.Maps, 2) {
		m := put(SortMap, 0)
		for range r.Count(limit.Layers, 2) {
			decodeLayer(r, d, m, put(SortLayer, m))
		}
		for range r.Count(limit.PiecesInMap, 2) {
			put(SortPiece, m)
		}
	}
	for _, c := range collections[1:] {
		if b[1] < c.since {
			break
		}
		for range r.Count(c.most, 2) {
			put(c.sort, 0)
		}
	}
	if err := r.Done(); err != nil {
		return nil, fmt.Errorf("reading a project: %w", err)
	}
	return d.Done()
}

func decodeLayer(r *pack.Reader, d *Draft, m, id ID) {
	n := r.Count(1<<20, 3)
	if r.Err() != nil {
		return
	}
	l, err := d.layerOf(m, id)
	if err != nil {
		r.Fail(err)
		return
	}
	e := l.Cells.Edit()
	for range n {
		cx, cy := r.Int(), r.Int()
		c := grid.DecodeChunk(r)
		if r.Err() != nil {
			return
		}
		e.SetChunk(cx, cy, c)
		d.Pace.Did(grid.ChunkSide * grid.ChunkSide)
	}
	l.Cells = e.Done()
	d.doc.stored += l.Cells.StoredCells()
}

// Next is the creation number that the next map, piece or crossing is given.
func (d *Document) Next() int { return d.next }

// Assemble makes a document whose next creation number is next, by calling
// fill with an empty draft.
func Assemble(next int, fill func(*Draft) error) (*Document, error) {
	d := (&Document{next: next}).Draft()
	if err := fill(d); err != nil {
		return nil, err
	}
	return d.Done()
}
