package play

import (
	"slices"

	"azzel/core/grid"
	"azzel/core/kind"
	"azzel/core/kinds/props"
	"azzel/core/lists"
	"azzel/core/logic"
	"azzel/core/world"
)

// What becomes of pieces stays, or is forgotten when the player comes back to their map, or comes back after harm that they took on
// it, as map and piece say (world.Map.BeginsAnew). What is forgotten is taken out of the state, and happens to nobody.
//
// Of a map that is left the pieces are noted of which something became until then. What wires and rules do to one of them from
// elsewhere meanwhile is no longer of that visit: it stays.

// A renewal is that pieces have begun anew, of which rules are still to be told.
type renewal struct {
	of     *world.Map
	when   world.Anew
	pieces map[world.ID]bool
}

// castAround are a map and its neighbours across open edges.
func (g *Game) castAround(m *world.Map) []*world.Map {
	list := []*world.Map{m}
	g.groundOf(m).Neighbours(func(n *world.Map, _ grid.Point) { list = append(list, n) })
	return list
}

// leaves notes of the maps that the player leaves for m what is to be forgotten, and lets begin anew what does so on those to which
// they come back. It reports whether anything did.
func (g *Game) leaves(m *world.Map) (any bool) {
	if g.ground == nil || !g.forgets && len(g.left) == 0 || m == g.ground.Map {
		return false
	}
	before := g.castAround(g.ground.Map)
	now := g.castAround(m)
	for _, was := range before {
		if slices.Contains(now, was) {
			continue
		}
		for _, p := range was.Pieces {
			if was.BeginsAnew(p, world.AnewOnReturn) && g.becameOf(p) {
				if i, noted := slices.BinarySearch(g.left, p.ID); !noted {
					g.left = lists.Insert(g.left, i, p.ID)
				}
			}
		}
	}
	for _, is := range now {
		if len(g.left) == 0 || slices.Contains(before, is) {
			continue
		}
		any = g.anew(is, world.AnewOnReturn, func(p *world.Piece) bool { return g.isLeft(p.ID) }) || any
	}
	return any
}

func (g *Game) isLeft(piece world.ID) bool {
	_, is := slices.BinarySearch(g.left, piece)
	return is
}

// keepsFrom notes that something was done to a piece: if it was left before, that is not forgotten.
func (m *memory) keepsFrom(piece world.ID) {
	if i, is := slices.BinarySearch(m.left, piece); is {
		m.left = slices.Delete(m.left, i, i+1)
	}
}

// harmed lets begin anew what does so once the player comes back after harm: on the map where they took it, on those beside it across
// open edges, and on the one to which they come back.
func (g *Game) harmed(on, to *world.Map) (any bool) {
	if !g.forgets {
		return false
	}
	maps := g.castAround(on)
	if to != nil && !slices.Contains(maps, to) {
		maps = append(maps, to)
	}
	for _, m := range maps {
		any = g.anew(m, world.AnewAfterHarm, g.becameOf) || any
	}
	return any
}

// becameOf reports whether anything became of a piece that can be forgotten.
func (g *Game) becameOf(p *world.Piece) bool {
	_, acted := g.thing(p.ID)
	_, stated := g.stated(p.ID)
	_, present := g.presenceSet(p.ID)
	return acted || stated || present || len(g.propertiesOf(p.ID)) > 0 || g.Taken(p.ID) || g.Switched(p.ID) || slices.ContainsFunc(g.spoken, func(s spoken) bool { return s.piece == p.ID })
}

// anew lets pieces of a map begin anew that do so at a time and are those asked for. It reports whether there is any, or the whole
// map does: then who acts there is to be met anew.
func (g *Game) anew(m *world.Map, when world.Anew, is func(*world.Piece) bool) bool {
	r := renewal{of: m, when: when, pieces: map[world.ID]bool{}}
	for _, p := range m.Pieces {
		if p.ID != g.lifted && m.BeginsAnew(p, when) && is(p) {
			r.pieces[p.ID] = true
		}
	}
	if len(r.pieces) == 0 && m.Anew&when == 0 {
		return false
	}
	g.forget(r.pieces)
	g.renewals = append(g.renewals, r)
	g.stale, g.wiresRest, g.soSaw = true, false, 0
	return true
}

// meetAnew lets those be met that have begun anew, on the map where the player stands: wires take them as they are by now. Rules are
// told once none of them is going.
func (g *Game) meetAnew() {
	g.stand(g.ground.Map)
	for _, r := range g.renewals {
		g.settleWiresOf(r.pieces)
	}
	if !g.ticking {
		g.renewRules()
	}
}

// forget lets pieces be as when play begins. What came out of them is gone.
func (g *Game) forget(pieces map[world.ID]bool) {
	has := func(id world.ID) bool { return pieces[id] }
	for _, list := range []*[]world.ID{&g.taken, &g.refused, &g.switched, &g.left} {
		*list = lists.Without(*list, has)
	}
	for id := range pieces {
		on, p := g.pieceOf(id)
		k, acted := g.thing(id)
		if of := g.kindOf(on, p); of == nil || !of.Figure || !acted || !g.things[k].Gone {
			continue
		}
		// Who was gone is back, as whatever pieces they are.
		if i, fell := slices.BinarySearch(g.fallen, p.Refers(props.Who)); fell {
			g.fallen = slices.Delete(g.fallen, i, i+1)
		}
	}
	g.things = lists.Without(g.things, func(t Thing) bool { return pieces[t.Piece()] && t.ID != g.lifted })
	g.states = lists.Without(g.states, func(s stated) bool { return pieces[s.piece] })
	g.presences = lists.Without(g.presences, func(s presence) bool { return pieces[s.piece] })
	g.spoken = lists.Without(g.spoken, func(s spoken) bool { return pieces[s.piece] })
	if len(g.properties) > 0 {
		g.properties = lists.Without(g.properties, func(p property) bool { return pieces[p.piece] })
		g.pieces = nil
	}
	g.followings = lists.Without(g.followings, func(f following) bool { return pieces[f.piece] })
}

// renewRules ends the rules that are under way and belong to what began anew, unless they go on elsewhere, and lets those be so
// anew that are so while something holds, and belong to it or act on it. Who may not move since a rule said so that has ended can
// move again once no rule is under way.
func (g *Game) renewRules() {
	for _, r := range g.renewals {
		whole := r.of.Anew&r.when != 0
		belongs := func(is *logic.Listed, this world.ID) bool {
			if this != 0 {
				return r.pieces[this]
			}
			return whole && is.On == r.of.ID
		}
		ended := g.runs.Anew(g.book, func(is *logic.Listed, this world.ID) bool { return !is.Elsewhere && belongs(is, this) },
			func(is *logic.Listed, this world.ID) bool { return belongs(is, this) || actsOn(is, r.pieces) })
		if ended && len(g.runs.List) == 0 {
			g.stilled = false
		}
	}
	g.renewals = nil
}

// actsOn reports whether an action of a rule names one of some pieces.
func actsOn(is *logic.Listed, pieces map[world.ID]bool) (acts bool) {
	for i := range is.Parts {
		p := is.Parts[i]
		if p.Does == logic.Nothing {
			continue
		}
		p.If = logic.Condition{}
		p.Refers(func(sort kind.Thing, id world.ID) { acts = acts || sort == kind.Piece && pieces[id] })
	}
	return acts
}
