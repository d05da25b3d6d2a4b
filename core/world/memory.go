package world

import (
	"slices"

	"azzel/core/kind"
	"azzel/core/kinds/props"
)

// An Anew says when what became of pieces in play is forgotten, so that they are as when play begins: a set of AnewOnReturn and
// AnewAfterHarm. None stay as they are left. Facts, items, and which rules went once ever stay in any case.
type Anew uint8

// When pieces begin anew: as the player comes back to their map, and as the player comes back after harm that they took on it.
const (
	AnewOnReturn Anew = 1 << iota
	AnewAfterHarm

	anewEnd
)

// FieldAnew is when the pieces of a map begin anew. It is stored only of maps where they do at some time.
const FieldAnew Field = 62

// Anew reports whether there is a map that does not stay as it is left.
func (d *Document) Anew() bool {
	return slices.ContainsFunc(d.Maps, func(m *Map) bool { return m.Anew != 0 })
}

// BeginsAnew reports whether a piece of a map begins anew at a time: as it says, else as its map does.
func (m *Map) BeginsAnew(p *Piece, when Anew) bool {
	own := props.OnReturn
	if when == AnewAfterHarm {
		own = props.AfterHarm
	}
	switch p.Int(own) {
	case props.StaysAsLeft:
		return false
	case props.BeginsAnew:
		return true
	}
	return m.Anew&when != 0
}

// FirstState is the one of its own states in which a piece is when play begins; nil if its kind has none, or is drawn then.
func (p *Piece) FirstState() *kind.State {
	k := p.Kind()
	if len(k.States) == 0 || k.Drawn {
		return nil
	}
	if own := p.Int(props.Own); own != 0 && k.Can(own) {
		return kind.StateOf(own)
	}
	if k.First != nil {
		return k.First(p.All())
	}
	return k.States[0]
}

// Remembers reports whether anything becomes of pieces of a kind in play that can stay or be forgotten.
func Remembers(k *kind.Kind) bool {
	_, has := k.Has(props.OnReturn)
	return has
}
