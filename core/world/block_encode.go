package world

import (
	"fmt"
	"slices"

	"azzel/core/grid"
	"azzel/core/kind"
	"azzel/core/limit"
	"azzel/core/pack"
)

// blockForm stands behind a 0, which is the width of no block, before a block whose pieces set something; linkedForm before one of which
// something names a piece of it.
const (
	blockForm  = 1
	linkedForm = 2
)

// Kept is the block without what it names of the map or project that it leaves behind: but for its own pieces, items, facts and types.
// Linked says that something in it names one of its pieces. It shares what is not changed.
func (b *Block) Kept() (kept Block, linked bool) {
	kept = *b
	in := map[ID]bool{}
	for _, p := range b.Pieces {
		in[p.ID] = p.ID != 0
	}
	linked = len(b.Wires)+len(b.Rules) > 0
	to := func(sort kind.Thing, id ID) ID {
		switch {
		case sort == kind.Piece && in[id]:
			linked = true
			return id
		case sort.Local():
			return 0
		}
		return id
	}
	kept.Pieces = slices.Clone(b.Pieces)
	for i := range kept.Pieces {
		p := &kept.Pieces[i]
		p.Props = p.Props.Refer(func(prop *kind.Prop, sort kind.Thing, id ID) ID {
			if prop.Local {
				return 0
			}
			return to(sort, id)
		})
	}
	kept.Rules = slices.Clone(b.Rules)
	for i := range kept.Rules {
		kept.Rules[i] = b.Rules[i].Refer(to)
	}
	return kept, linked
}

// Linked reports whether anything in the block names one of its pieces.
func (b *Block) Linked() bool {
	_, linked := b.Kept()
	return linked
}

// encodeBlock writes a block. What its pieces set stands behind all else; what they refer to of their map or project
// is left behind.
func encodeBlock(whole *Block, w *pack.Writer) {
	b, linked := whole.Kept()
	sets := linked || slices.ContainsFunc(b.Pieces, func(p BlockPiece) bool { return p.Props != "" })
	switch {
	case linked:
		w.Uint(0)
		w.Uint(linkedForm)
	case sets:
		w.Uint(0)
		w.Uint(blockForm)
	}
	w.Uint(uint64(b.W))
	w.Uint(uint64(b.H))
	w.Uint(uint64(len(b.Layers)))
	for _, l := range b.Layers {
		w.Text(l.Name)
		w.Int(l.Depth)
		w.Bool(l.Counts)
		g := l.Cells.Filled()
		g.Encode(w)
		l.Cells.Read(g).Encode(w)
		l.Loose.Encode(w)
	}
	w.Uint(uint64(len(b.Pieces)))
	for _, p := range b.Pieces {
		w.Uint(uint64(p.Type))
		w.Text(p.Name)
		w.Int(p.Foot.X)
		w.Int(p.Foot.Y)
	}
	if !sets {
		return
	}
	for _, p := range b.Pieces {
		var values []Value
		for f, b := range p.Props.All() {
			values = append(values, Value{Field: f, Bytes: b})
		}
		EncodeValues(w, values)
	}
	if !linked {
		return
	}
	for _, p := range b.Pieces {
		w.Uint(uint64(p.ID))
	}
	w.Uint(uint64(len(b.Wires)))
	for i := range b.Wires {
		EncodeValues(w, b.Wires[i].Values())
	}
	w.Uint(uint64(len(b.Rules)))
	for i := range b.Rules {
		EncodeValues(w, b.Rules[i].Values())
	}
}

// decodeLinks reads what names pieces of the block.
func (b *Block) decodeLinks(r *pack.Reader) {
	for i := range b.Pieces {
		b.Pieces[i].ID = ID(r.Uint())
	}
	for range r.Count(limit.Wires, 2) {
		var is Wire
		if err := setFields(&is, wireFields, DecodeValues(r)); err != nil {
			r.Fail(err)
		}
		b.Wires = append(b.Wires, is)
	}
	for range r.Count(limit.Rules, 2) {
		var is Rule
		for _, v := range DecodeValues(r) {
			set := func() error { return setField(&is, ruleFields, v) }
			if ruleParts.is(v.Field) {
				set = func() error { return ruleParts.set(&is, v) }
			}
			if err := set(); err != nil {
				r.Fail(err)
			}
		}
		b.Rules = append(b.Rules, is)
	}
}

func decodeBlock(r *pack.Reader) Block {
	b := Block{W: bounded(r, limit.MaxMapSide)}
	sets, linked := b.W == 0, false
	if sets {
		form := r.Uint()
		if linked = form == linkedForm; !linked && form != blockForm {
			r.Fail(fmt.Errorf("%w: a block of form %d is not known here; reload the page", pack.ErrMalformed, form))
			return b
		}
		b.W = bounded(r, limit.MaxMapSide)
	}
	b.H = bounded(r, limit.MaxMapSide)
	for range r.Count(limit.Layers, 5) {
		l := BlockLayer{Name: r.Text(limit.NameLetters * 4), Depth: r.Int(), Counts: r.Bool()}
		g := grid.DecodeRegion(nil, r, limit.BlockCells)
		runs := grid.DecodeRuns(nil, r, g.Len())
		l.Loose = grid.DecodeRegion(nil, r, limit.BlockCells)
		if r.Err() != nil || !(grid.Rect{W: b.W, H: b.H}).Holds(g.Bounds()) {
			r.Fail(fmt.Errorf("%w: cells lie outside their block", pack.ErrMalformed))
			return b
		}
		var p grid.Plane
		e := p.Edit()
		e.Write(g, runs)
		l.Cells = e.Done()
		b.Layers = append(b.Layers, l)
	}
	for range r.Count(limit.PiecesInMap, 4) {
		b.Pieces = append(b.Pieces, BlockPiece{Type: ID(r.Uint()), Name: r.Text(limit.NameLetters * 4), Foot: grid.Point{X: r.Int(), Y: r.Int()}})
	}
	if !sets {
		b.decodeOld(r)
		return b
	}
	for i := range b.Pieces {
		b.Pieces[i].set(r, DecodeValues(r)...)
	}
	if linked {
		b.decodeLinks(r)
	}
	return b
}

// set gives a piece stored properties.
func (p *BlockPiece) set(r *pack.Reader, values ...Value) {
	set, err := PropsOf(kind.Of(p.Type), values...)
	if err != nil {
		r.Fail(err)
	}
	for f, b := range set.All() {
		p.Props = p.Props.With(Value{Field: f, Bytes: b})
	}
}

// decodeOld reads what the pieces of a block set, as it was written before blockForm: in parts, of which the last ones
// are there only if they say anything.
func (b *Block) decodeOld(r *pack.Reader) {
	const (
		number = iota
		id
		yesNo
	)
	type part struct {
		field Field
		sort  int
		count int
	}
	for _, parts := range [][]part{
		{{8, number, 1}, {9, number, 1}, {fieldRange, number, 1}, {fieldStrength, number, 1}, {12, number, 2}},
		{{13, number, 1}, {14, number, 1}, {15, number, 1}, {16, number, 1}, {20, number, 1}, {17, number, len(Odds{})}},
		{{22, id, 1}, {23, number, 1}},
		{{24, id, 1}, {25, number, 2}, {26, id, 1}, {27, id, 1}, {28, number, 1}, {29, yesNo, 1}},
		{{30, number, 1}},
	} {
		if r.Err() != nil || r.Len() == 0 {
			return
		}
		for i := range b.Pieces {
			for _, part := range parts {
				var w pack.Writer
				for range part.count {
					switch part.sort {
					case id:
						w.Uint(r.Uint())
					case yesNo:
						w.Bool(r.Bool())
					default:
						w.Int(r.Int())
					}
				}
				b.Pieces[i].set(r, Value{Field: part.field, Bytes: w.Bytes})
			}
		}
	}
}
