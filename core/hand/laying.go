package hand

import (
	"fmt"
	"strings"

	"azzel/core/edit"
	"azzel/core/grid"
	"azzel/core/kind"
	"azzel/core/world"
)

// A laying is the pieces of a block that are laid, perhaps several times over. The zero value is none.
type laying struct {
	pieces []laidPiece
	// copies are the pieces that stand for those of the block, for each time that it is laid: by where its upper left corner comes to lie.
	copies map[grid.Point]map[world.ID]world.ID
	times  []grid.Point
}

type laidPiece struct {
	corner grid.Point
	on     *world.Map
	id     world.ID
	piece  world.Piece
}

// put lays a piece as one that stands for another of the block.
func (l *laying) put(corner grid.Point, of world.ID, on *world.Map, piece world.Piece, id world.ID) {
	if l.copies[corner] == nil {
		if l.copies == nil {
			l.copies = map[grid.Point]map[world.ID]world.ID{}
		}
		l.copies[corner] = map[world.ID]world.ID{}
		l.times = append(l.times, corner)
	}
	if of != 0 {
		l.copies[corner][of] = id
	}
	l.pieces = append(l.pieces, laidPiece{corner, on, id, piece})
}

// parts are the parts of an edit that put the pieces, with the wires between them and the rules that belong to them. What names a piece
// of the block names its copy; one that was not laid, and is not in the project either, is not named any more. Outside is what else their
// rules and conditions go on naming that lies on a map, or is one or a rule.
func (l *laying) parts(d *world.Document, b *world.Block, ids world.Allocator) (parts []edit.Part, outside []world.Ref) {
	seen, foreign := map[world.ID]bool{}, map[world.ID]bool{}
	for i := range b.Types {
		t := &b.Types[i]
		if len(l.pieces) == 0 || d.Type(t.ID) != nil {
			continue
		}
		parts = append(parts, edit.Put{Ref: world.TypeRef(t.ID), Values: t.Values()})
		for k := range b.TypeRules {
			if b.TypeRules[k].Home == t.ID {
				parts = append(parts, edit.CopyRule(&b.TypeRules[k], ids, func(_ kind.Thing, id world.ID) world.ID { return id }))
			}
		}
	}
	for _, p := range b.Pieces {
		foreign[p.ID] = true
	}
	for _, m := range d.Maps {
		for _, p := range m.Pieces {
			delete(foreign, p.ID)
		}
	}
	of := func(copies map[world.ID]world.ID, counts bool) func(kind.Thing, world.ID) world.ID {
		return func(sort kind.Thing, id world.ID) world.ID {
			if to := copies[id]; to != 0 && sort == kind.Piece {
				return to
			}
			if sort == kind.Piece && foreign[id] {
				return 0
			}
			if ref, lies := outsides[sort]; lies && counts && id != 0 && !seen[id] {
				seen[id] = true
				outside = append(outside, world.Ref{Sort: ref, ID: id})
			}
			return id
		}
	}
	for _, p := range l.pieces {
		copies := l.copies[p.corner]
		p.piece.Props = p.piece.Props.Refer(func(prop *kind.Prop, sort kind.Thing, id world.ID) world.ID {
			return of(copies, prop.Sort == kind.Condition)(sort, id)
		})
		parts = append(parts, edit.Put{Ref: world.Ref{Sort: world.SortPiece, Map: p.on.ID, ID: p.id}, Values: p.piece.Values()})
	}
	for _, corner := range l.times {
		copies := l.copies[corner]
		for _, w := range b.Wires {
			if w.From, w.To = copies[w.From], copies[w.To]; w.From != 0 && w.To != 0 && len(parts) < maxParts {
				w.Number = 0
				parts = append(parts, edit.Put{Ref: edit.WireRef(ids.NewID()), Values: w.Values()})
			}
		}
		for i := range b.Rules {
			if r := &b.Rules[i]; copies[r.Home] != 0 && len(parts) < maxParts {
				parts = append(parts, edit.CopyRule(r, ids, of(copies, true)))
			}
		}
	}
	return parts, outside
}

// outsides are the sorts of things that a copied rule can go on naming, though another was meant.
var outsides = map[kind.Thing]world.Sort{kind.Piece: world.SortPiece, kind.Area: world.SortArea, kind.Map: world.SortMap, kind.Crossing: world.SortCrossing, kind.Rule: world.SortRule}

// mostOutside is how many of these are named.
const mostOutside = 3

// goesOnNaming says what copies go on naming; empty for nothing.
func goesOnNaming(d *world.Document, outside []world.Ref) string {
	var names []string
	for _, ref := range outside {
		if m, p := d.Piece(ref.ID); ref.Sort == world.SortPiece && p != nil {
			ref.Map = m.ID
		}
		if name := Name(d, ref); name != "" {
			names = append(names, name)
		}
	}
	if len(names) == 0 {
		return ""
	}
	rest := ""
	if n := len(names) - mostOutside; n > 0 {
		names, rest = names[:mostOutside], fmt.Sprintf(" and %d more", n)
	}
	return fmt.Sprintf("Rules and conditions go on naming what was not copied along: %s%s.", strings.Join(names, ", "), rest)
}

// maxParts is how many pieces, wires and rules of a block one stroke sets down.
const maxParts = 2 * maxPieces
