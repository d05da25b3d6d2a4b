package play

import (
	"azzel/core/body"
	"azzel/core/logic"
	"azzel/core/stage"
)

// letOut lets something come out of each emitter that an action names and that is on the player's map, whether it is off or not.
func (s onStage) letOut(p *logic.Part, asked logic.Happening) {
	g := s.g
	ids, _ := asked.Pieces(p.Subject)
	g.emitting = 0
	for _, id := range ids {
		a := g.actorOf(id)
		if a == nil {
			continue
		}
		if stage.LetsOut(a.Kind) && g.there(a) {
			a.Thing = &g.things[a.at]
			g.emitFrom(a)
		}
	}
	if g.emitting > 0 {
		g.meet()
	}
}

// putAt sets down what an action names, and what platforms take along, where something else is, or as near to it as there is room: on the player's map or
// one beside it. It reports false while the player stands there, or if that was done too often in this tick.
func (s onStage) putAt(p *logic.Part, asked logic.Happening) bool {
	g := s.g
	to, _ := asked.Pieces(p.Towards)
	if len(to) == 0 {
		return true
	}
	m, at, there := g.whereIs(to[0])
	if there {
		_, there = near(g.ground, m.ID)
	}
	if !there {
		return true
	}
	ids, _ := asked.Pieces(p.Subject)
	for _, id := range ids {
		a := g.actorOf(id)
		if a == nil || !a.Kind.Ridden || !g.there(a) || g.things[a.at].ID == g.lifted {
			continue
		}
		if g.takes++; g.takes > mostTakes {
			return false
		}
		if a.box >= 0 {
			g.ground.Boxes.Set(a.box, body.Nowhere)
		}
		cell, free := g.ground.Nearest(a.Size, at.Cell(g.ground.Lattice), nearby)
		place := g.ground.At(cell)
		blocked := free && isSolid(a.of) && g.meetsPlayer(a.Size, place)
		if free && !blocked {
			t := &g.things[a.at]
			t.Place, t.Motion, t.Thrown = place, body.Motion{}, false
		}
		g.meet()
		if blocked {
			return false
		}
	}
	return true
}

// nearby is within how many cells there must be room for what is put somewhere.
const nearby = 8
