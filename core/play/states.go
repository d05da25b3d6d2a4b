package play

import (
	"cmp"
	"slices"

	"azzel/core/kind"
	"azzel/core/kinds/props"
	"azzel/core/lists"
	"azzel/core/world"
)

func (m *memory) stated(piece world.ID) (int, bool) {
	return slices.BinarySearchFunc(m.states, piece, func(s stated, id world.ID) int { return cmp.Compare(s.piece, id) })
}

func (m *memory) setState(piece world.ID, state int) {
	m.keepsFrom(piece)
	at, there := m.stated(piece)
	if !there {
		m.states = lists.Insert(m.states, at, stated{})
	}
	m.states[at] = stated{piece, state}
}

// kindOf is the kind of a piece in this play: of a lottery piece that of what was drawn, nil for nothing.
func (g *Game) kindOf(on *world.Map, p *world.Piece) *kind.Kind {
	if k := p.Kind(); !k.Drawn {
		return k
	}
	return kind.Of(g.draw(on, p))
}

// own is which of its own states a piece is in; nil if its kind has none.
func (g *Game) own(on *world.Map, p *world.Piece) *kind.State {
	k := g.kindOf(on, p)
	if k == nil || len(k.States) == 0 {
		return nil
	}
	if i, there := g.stated(p.ID); there && k.Can(g.states[i].state) {
		return kind.StateOf(g.states[i].state)
	}
	if own := p.Int(props.Own); own != 0 && k.Can(own) {
		return kind.StateOf(own)
	}
	if k.First != nil {
		return k.First(p.All())
	}
	if g.done(p) {
		return k.States[1]
	}
	return k.States[0]
}

// passable reports whether a piece is in a state in which it does not stop what moves.
func (g *Game) passable(on *world.Map, p *world.Piece) bool {
	if len(g.errands) > 0 && g.walks(p.ID) {
		return true
	}
	if own := g.own(on, p); own != nil && own.Passable {
		return true
	}
	k := g.kindOf(on, p)
	says := false
	for _, solid := range [...]*kind.Prop{props.Stops, props.StopsGoing} {
		h, has := k.Has(solid)
		if has && h.Counts(viewOf(on)) && (h.If == nil || h.If(p.All())) && p.All().Int(k, solid) != 0 {
			return false
		}
		says = says || has
	}
	return says
}

// viewOf is how a map is seen, as kinds say it.
func viewOf(m *world.Map) kind.View {
	if m.View == world.SideView {
		return kind.FromTheSide
	}
	return kind.FromAbove
}

// on reports whether the player is on an actor, and how many things are that are carried along or go by themselves; of a character alone, unless only is 0.
func (g *Game) on(what *actor, only world.ID) (player bool, things int) {
	box := what.Size.Box(g.things[what.at].Place)
	player = !g.drifting && g.plays(only) && box.Meets(g.size.Box(g.place))
	for k := range g.actors {
		a := &g.actors[k]
		if a != what && g.there(a) && (a.Kind.Ridden || a.Kind.Goes) && (only == 0 || a.Kind.Figure && a.piece.Refers(props.Who) == only) && a.Size.Box(g.things[a.at].Place).Meets(box) {
			things++
		}
	}
	return player, things
}

// onlyBy is the character who alone works a piece; 0 for anybody.
func (g *Game) onlyBy(p *world.Piece) world.ID {
	only := p.Refers(props.Only)
	if only != 0 && g.doc.Character(only) == nil {
		return 0
	}
	return only
}

// plays reports whether the player is a character; everybody is 0.
func (g *Game) plays(who world.ID) bool {
	is := g.Who()
	return who == 0 || is != nil && is.ID == who
}

// clear reports whether nobody and nothing that could be shut in is where an actor is.
func (g *Game) clear(in *actor) bool {
	box := in.Size.Box(g.things[in.at].Place)
	// A player who leans against it would open it again at once.
	if grown(box).Meets(g.size.Box(g.place)) {
		return false
	}
	_, things := g.on(in, 0)
	return things == 0
}

// done reports whether a piece was taken, reached, defeated or broken.
func (g *Game) done(p *world.Piece) bool {
	if g.checkpoint == p.ID || g.Taken(p.ID) {
		return true
	}
	if _, fell := slices.BinarySearch(g.fallen, p.Refers(props.Who)); fell && p.Kind().Figure {
		return true
	}
	k, there := g.thing(p.ID)
	return there && g.things[k].Gone
}

// become lets a piece go to another of its own states, if its kind declares that it can from the one that it is in.
func (g *Game) become(piece world.ID, to *kind.State) {
	on, p := g.pieceOf(piece)
	if p == nil {
		return
	}
	from, k := g.own(on, p), g.kindOf(on, p)
	if k == nil {
		return
	}
	i := slices.IndexFunc(k.Changes, func(c kind.Change) bool { return c.From == from && c.To == to })
	if i < 0 {
		return
	}
	g.setState(piece, to.Number)
	g.stale = true
	g.befalls(k.Changes[i].By, piece)
}

// Others are the pieces that are in another of their own states than the one in which they started, by what they did
// themselves.
func (g *Game) Others() (ids []world.ID) {
	for _, s := range g.states {
		if on, p := g.pieceOf(s.piece); p != nil {
			if k := g.kindOf(on, p); k != nil && k.Can(s.state) && k.States[0].Number != s.state {
				ids = append(ids, s.piece)
			}
		}
	}
	return ids
}
