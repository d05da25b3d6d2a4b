package play

import (
	"cmp"
	"fmt"
	"slices"

	"azzel/core/kind"
	"azzel/core/limit"
	"azzel/core/lists"
	"azzel/core/logic"
	"azzel/core/pack"
	"azzel/core/world"
)

// property is that a piece has another value of a property than the document says, because a rule set it.
type property struct {
	piece  world.ID
	field  kind.Field
	number int
}

func (p property) compare(other property) int {
	return cmp.Or(cmp.Compare(p.piece, other.piece), cmp.Compare(p.field, other.field))
}

// mostProperties is how many properties are kept that rules have set: so many pieces as there are at most, each with a few.
const mostProperties = 4 * limit.Pieces

func encodeProperties(w *pack.Writer, list []property) {
	w.Uint(uint64(len(list)))
	for _, p := range list {
		w.Uint(uint64(p.piece))
		w.Uint(uint64(p.field))
		w.Int(p.number)
	}
}

func decodeProperties(r *pack.Reader) (list []property) {
	for range r.Count(mostProperties, 3) {
		p := property{world.ID(r.Uint()), kind.Field(r.Uint()), r.Int()}
		is := kind.PropOf(p.field)
		if n := len(list); p.field < kind.FirstOwnField && (is == nil || !logic.Changes(is)) || n > 0 && list[n-1].compare(p) >= 0 {
			r.Fail(fmt.Errorf("%w: properties that were set are out of order, or do not change in play", pack.ErrMalformed))
			return list
		}
		list = append(list, p)
	}
	return list
}

// propertiesOf are those that rules have set of a piece.
func (m *memory) propertiesOf(piece world.ID) []property {
	at := func(id world.ID) int {
		i, _ := slices.BinarySearchFunc(m.properties, property{piece: id}, property.compare)
		return i
	}
	return m.properties[at(piece):at(piece+1)]
}

// asSet is a piece of the document with what rules have set of it.
func (g *Game) asSet(p *world.Piece) *world.Piece {
	if len(g.properties) > 0 && len(g.propertiesOf(p.ID)) > 0 {
		_, p = g.pieceOf(p.ID)
	}
	return p
}

// withSet makes what asSet gives.
func (g *Game) withSet(p *world.Piece) *world.Piece {
	set := g.propertiesOf(p.ID)
	if len(set) == 0 {
		return p
	}
	var is []kind.Value
	for _, s := range set {
		if prop := p.Kind().PropOf(s.field); prop != nil {
			is = append(is, prop.Is(s.number))
		}
	}
	return p.With(is...)
}

// setProperty gives a piece another value of a property that it has, as near to it as it can be; nil for one that it lacks. It counts for conditions at once, and for what the piece does from the next
// tick on.
func (g *Game) setProperty(p *world.Piece, prop *kind.Prop, how logic.SetBy, number int) {
	if prop == nil || !logic.Changes(prop) {
		return
	}
	is := p.Int(prop)
	switch how {
	case logic.GoesUp:
		number = is + number
	case logic.GoesDown:
		number = is - number
	}
	least, most := prop.Ranges(0)
	if prop.Sort == kind.Whole {
		least = max(least, prop.Least)
	}
	if number = min(max(number, least), most); number == is {
		return
	}
	on, at := g.doc.Piece(p.ID)
	if at == nil {
		return
	}
	g.keepsFrom(p.ID)
	next := property{p.ID, prop.Field, number}
	i, set := slices.BinarySearchFunc(g.properties, next, property.compare)
	switch {
	case set && at.Int(prop) == number:
		g.properties = slices.Delete(g.properties, i, i+1)
	case set:
		g.properties[i] = next
	case len(g.properties) == mostProperties:
		return
	default:
		g.properties = lists.Insert(g.properties, i, next)
	}
	if g.pieces != nil {
		g.pieces[p.ID] = placed{on, g.withSet(at)}
	}
	g.recast = true
}

// forgetProperties lets what was changed in the document since count instead of what rules had set.
func (g *Game) forgetProperties(d *world.Document) {
	g.properties = lists.Without(g.properties, func(s property) bool {
		_, was := g.doc.Piece(s.piece)
		_, is := d.Piece(s.piece)
		if was == nil || is == nil || was == is {
			return is == nil
		}
		before, prop := was.Kind().PropOf(s.field), is.Kind().PropOf(s.field)
		return before == nil || prop == nil || was.Int(before) != is.Int(prop)
	})
}
