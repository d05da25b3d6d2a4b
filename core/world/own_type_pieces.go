package world

import (
	"azzel/core/kind"
	"azzel/core/kinds/props"
)

// Own is the type of the designer's own of which the piece is; nil for none, for one that is gone, and for one that builds on another kind by now.
func (p *Piece) Own() *Type { return p.own }

// Is reports whether the piece is of a type: of a built-in kind by its number, or of one of the designer's own.
func (p *Piece) Is(of ID) bool { return p.Type == of || p.own != nil && p.own.ID == of }

// TypeID is the type of the designer's own of which the piece is, else its kind.
func (p *Piece) TypeID() ID {
	if p.own != nil {
		return p.own.ID
	}
	return p.Type
}

// NewPiece is a piece of a type, built-in or of the designer's own, as it is placed; nil for one of the designer's own that is gone.
func (d *Document) NewPiece(of ID) *Piece {
	if of < kind.FirstOwn {
		p := &Piece{Type: of}
		if k := kind.Of(of); k != nil {
			p.Props = k.Placed
		}
		return p
	}
	t := d.Type(of)
	if t == nil {
		return nil
	}
	p := &Piece{Type: t.Base, Props: kind.Set(props.OwnType.Refer(of))}
	p.settle(t)
	return p
}

// All are the values that the piece has: what it sets, and what its type says beside that.
func (p *Piece) All() kind.Values {
	if p.own == nil {
		return p.Props
	}
	return p.all
}

// With is the piece with other values set, of the same type.
func (p *Piece) With(set ...kind.Value) *Piece {
	next := *p
	next.Props = p.Props.With(set...)
	next.settle(p.own)
	return &next
}

// Deny says of what is not set of a piece, though its type says it, that it has none: of some properties that were set just now.
func (p *Piece) Deny(set ...kind.Field) {
	for _, f := range set {
		if f >= kind.FirstOwnField {
			continue
		}
		denied := kind.Value{Field: kind.None(f)}
		if p.own != nil && len(p.Props.Get(f)) == 0 && len(p.own.kind.Usual.Get(f)) > 0 {
			denied = kind.OwnValue(denied.Field, 1)
		}
		p.Props = p.Props.With(denied)
	}
	p.settle(p.own)
}

// Otherwise are the properties of which the piece says something else than its type, in the order in which they are shown.
func (p *Piece) Otherwise() (list []kind.Has) {
	if p.own == nil {
		return nil
	}
	for _, h := range p.Kind().Props {
		if h.Prop != props.OwnType && (len(p.Props.Get(h.Field)) > 0 || len(p.Props.Get(kind.None(h.Field))) > 0 && h.Field < kind.FirstOwnField) {
			list = append(list, h)
		}
	}
	return list
}

// settle makes a piece one of a type; nil for none.
func (p *Piece) settle(own *Type) {
	p.own, p.all = own, ""
	if own == nil {
		return
	}
	p.all = own.kind.Usual
	for f := range p.Props.All() {
		if of, none := kind.NoneOf(f); none {
			p.all = p.all.With(kind.Value{Field: of})
		}
	}
	for f, b := range p.Props.All() {
		if _, none := kind.NoneOf(f); !none {
			p.all = p.all.With(kind.Value{Field: f, Bytes: b})
		}
	}
}

// typeOf is the type of the designer's own of which a piece says it is, if it can be.
func (d *Document) typeOf(p *Piece) *Type {
	if p.Props == "" || len(d.Types) == 0 {
		return nil
	}
	t := d.Type(p.Props.Refers(props.OwnType))
	if t == nil || t.Base != p.Type {
		return nil
	}
	return t
}

// settleTypes lets the pieces that were touched, and those of the types that were, be of their types as these are now.
func (d *Draft) settleTypes() {
	changed := map[ID]bool{}
	for _, r := range d.touched {
		if r.Sort != SortType {
			continue
		}
		changed[r.ID] = true
		for _, t := range d.doc.Types {
			if t.ID == r.ID {
				t.kind = t.made()
			}
		}
	}
	if len(d.doc.Types) == 0 && len(changed) == 0 {
		return
	}
	for i, r := range d.touched {
		if r.Sort != SortPiece || i > 0 && d.touched[i-1] == r {
			continue
		}
		if m := d.doc.Map(r.Map); m != nil {
			if p := m.Piece(r.ID); p != nil && d.own[p] {
				p.settle(d.doc.typeOf(p))
			}
		}
	}
	if len(changed) == 0 {
		return
	}
	for _, m := range d.doc.Maps {
		for i, p := range m.Pieces {
			if p.Props == "" || !changed[p.Props.Refers(props.OwnType)] {
				continue
			}
			if !d.own[p] {
				m, _ = d.mapOf(m.ID)
				is := *p
				p = &is
				d.own[p], m.Pieces[i] = true, p
			}
			p.settle(d.doc.typeOf(p))
		}
	}
}
