package findings

import (
	"azzel/core/kind"
	"azzel/core/logic"
	"azzel/core/text"
	"azzel/core/words"
	"azzel/core/world"
)

// A glance is a document as one rule or piece looks at it, which remembers what it saw.
type glance struct {
	d      *world.Document
	placed map[world.ID]*world.Piece
	on     map[world.ID]world.ID
	// same says that nothing differs on which anything depends that was found before.
	same bool
	saw  []seen
}

// seen is what was looked up in a document: a pointer, or a value that can be compared.
type seen struct {
	sort kind.Thing
	id   world.ID
	is   any
}

// A look is what was found at a rule or a piece, and what it depended on.
type look struct {
	rule  *world.Rule
	thing *world.Piece
	saw   []seen
	list  []Finding
	uses  []use
	// walks are the actions that send one piece to another.
	walks []walk
	// shut says that the piece, of the reference where, is opened by what works it alone.
	shut  bool
	where world.Ref
	// asksFor are the actions that ask for other rules, begins says that a moment can come by which the rule begins.
	asksFor []asking
	begins  bool
	// raises is what the rule causes each time it goes, hears by what it begins, without end if something goes round.
	raises, hears []signal
	// lasts is what lasts until something undoes it, in the order of lastings.
	lasts [len(lastings)]lasting
}

// lasting is what an action does that lasts until another one undoes it: the actions that do it, while nothing in the rule undoes it, and whether something
// does.
type lasting struct {
	parts  []world.ID
	undone bool
}

// lastings are what lasts, with what does and undoes it, and the fault of what nothing undoes.
var lastings = [...]struct {
	does, undoes logic.Deed
	fault        Fault
}{{logic.HoldStill, logic.LetGo, HeldForGood}, {logic.FadeOut, logic.FadeIn, LeftDark}}

// A use is what is done with a fact or an item.
type use struct {
	sort kind.Thing
	id   world.ID
	is   used
}

type used uint8

const (
	sets used = iota
	asks
	shows
)

// asking is an action that asks for a rule.
type asking struct{ part, rule world.ID }

// holds reports whether all that was seen is as it was.
func (g *glance) holds(is *look) bool {
	if g.same {
		return true
	}
	for _, s := range is.saw {
		if g.at(s.sort, s.id) != s.is {
			return false
		}
	}
	return true
}

// of is what there is of a sort with an id, nil for nothing, and remembers that it was seen.
func (g *glance) of(sort kind.Thing, id world.ID) any {
	is := g.at(sort, id)
	g.saw = append(g.saw, seen{sort, id, is})
	return is
}

// at looks up what there is of a sort with an id: nil for nothing.
func (g *glance) at(sort kind.Thing, id world.ID) any {
	switch sort {
	case kind.NoThing:
		return viewed(g.d)
	case kind.Piece:
		if p := g.placed[id]; p != nil {
			return p
		}
	case kind.Fact:
		if f := g.d.Fact(id); f != nil {
			return f
		}
	case kind.Item:
		if i := g.d.Item(id); i != nil {
			return i
		}
	case kind.Area:
		if a := g.d.Area(id); a != nil {
			return a
		}
	case kind.Map:
		if m := g.d.Map(id); m != nil {
			return mapIs{m.Anew, m.View}
		}
	case kind.Crossing:
		if c := g.d.Crossing(id); c != nil {
			return [2]world.ID{c.Ends[0].Map, c.Ends[1].Map}
		}
	case kind.Track:
		if g.d.Track(id) != nil {
			return true
		}
	case kind.Character, kind.Tile:
		if shown(g.d, sort, id) {
			return true
		}
	case kind.Type:
		if k := g.d.Kind(id); k != nil {
			return k
		}
	case kind.OwnType:
		if t := g.d.Type(id); t != nil {
			return t
		}
	case kind.Layer:
		if _, l := g.d.LayerOn(id); l != nil {
			return true
		}
	case kind.Patch:
		if g.d.Patch(id) != nil {
			return true
		}
	case kind.Rule:
		return true // looked at together
	}
	return nil
}

// mapIs is that on which what is found depends of a map.
type mapIs struct {
	anew world.Anew
	view world.View
}

func (g *glance) piece(id world.ID) *world.Piece {
	p, _ := g.of(kind.Piece, id).(*world.Piece)
	return p
}

func (g *glance) fact(id world.ID) *world.Fact {
	f, _ := g.of(kind.Fact, id).(*world.Fact)
	return f
}

// mapOf is the map on which a piece is, 0 for none. A piece that comes to another map is another one.
func (g *glance) mapOf(piece world.ID) world.ID {
	if g.piece(piece) == nil {
		return 0
	}
	return g.on[piece]
}

// box is the view in pixels, on which the box depends in which texts are read, and whether there are several maps.
type box struct {
	w, h    int
	several bool
}

func viewed(d *world.Document) box {
	return box{d.Project.SeenW * d.Project.CellW, d.Project.SeenH * d.Project.CellH, len(d.Maps) > 1}
}

// box is the box in which texts are read.
func (g *glance) box() text.Box {
	b := g.of(kind.NoThing, 0).(box)
	return text.BoxFor(b.w, b.h)
}

// said finds what is wrong with a text that the player reads; line says that it is an answer.
func (g *glance) said(t words.Text, line bool, found func(f Fault, sort kind.Thing, id world.ID, letters string)) {
	if len(t) == 0 {
		return
	}
	t.Refers(func(sort kind.Thing, id world.ID) {
		// What it is when play begins is read below.
		if g.of(sort, id) == nil {
			found(Gone, sort, id, "")
		}
	})
	said, b := t.Say(world.AtFirst{Document: g.d}), g.box()
	switch {
	case line && len(text.Break(said, b.Choice())) > 1:
		found(TooLongAnswer, 0, 0, "")
	case !line && !b.Fits(said):
		found(TooLong, 0, 0, "")
	}
	if lacking := text.Lacking(said); len(lacking) > 0 {
		found(NoLetter, 0, 0, string(lacking[:min(len(lacking), mostLetters)]))
	}
}

// mostLetters is how many letters that are lacking are named.
const mostLetters = 12
