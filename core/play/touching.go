package play

import (
	"slices"

	"azzel/core/board"
	"azzel/core/grid"
	"azzel/core/kinds/props"
	"azzel/core/lists"
	"azzel/core/logic"
	"azzel/core/stage"
	"azzel/core/world"
)

// take counts a collectible as taken, and gives what it gives. It reports whether it is gone:
// who has no room for that leaves it.
func (g *Game) take(id world.ID, is *stage.Acting) bool {
	i, taken := slices.BinarySearch(g.taken, id)
	if taken {
		return true
	}
	if !g.have(id, is) {
		return false
	}
	g.taken = lists.Insert(g.taken, i, id)
	g.remember(id, is.Sets)
	return true
}

// have gives the player what a collectible gives, and reports whether there is room for it. One that came out of an
// emitter is not counted: there is no telling how many there are.
func (g *Game) have(id world.ID, is *stage.Acting) bool {
	gives := g.doc.Item(is.Item)
	switch {
	case gives == nil:
		g.befalls(props.Taken, id)
	case !g.give(gives, is.Amount):
		g.refuse(Event{Moment: props.Full, Piece: id, Item: gives.ID, Count: gives.Room()})
		return false
	default:
		g.tell(Event{Moment: props.Taken, Piece: id, Item: gives.ID, Count: is.Amount})
	}
	return true
}

// cross takes the crossing whose doorway is at c, or ahead if one uses it.
func (g *Game) cross(c grid.Point, use bool) {
	found, from := g.doorway(c)
	if found == nil && use {
		found, from = g.doorway(c.Add(ahead[g.facing]))
	} else if found != nil && found.ID == g.through && !use {
		return
	}
	if found == nil {
		g.through = 0
		return
	}
	end := found.Ends[1-from]
	m := g.doc.Map(end.Map)
	size := g.sizeOn(m)
	landing, ok := board.Landing(g.groundOf(m), size, end.Cells)
	if !g.groundOf(m).Fits(size, g.groundOf(m).At(landing)) {
		// A doorway is free, but perhaps not as large as a body.
		if landing, ok = g.groundOf(m).Nearest(size, landing, -1); !ok {
			if g.through != found.ID {
				g.happens(TooLarge)
			}
			g.through = found.ID
			return
		}
	}
	g.set(m, landing)
	g.happens(Crossed)
	g.raise(logic.CrossingTaken, found.ID, 0, 0)
	if !ok {
		g.through = found.ID
		g.happens(NoLanding)
	}
}

// doorway finds the crossing that leads on from cell c of the player's map or a neighbour of it.
func (g *Game) doorway(c grid.Point) (*world.Crossing, int) {
	if !g.ground.Doorway(c) {
		return nil, 0
	}
	on, c := g.ground.On(c)
	for _, x := range g.doc.Crossings {
		for i, end := range x.Ends {
			if end.Map == on.ID && x.Leads(i) && end.Cells.Has(c) {
				return x, i
			}
		}
	}
	return nil, 0
}
