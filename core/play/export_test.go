package play

import (
	"fmt"

	"azzel/core/body"
	"azzel/core/grid"
	"azzel/core/logic"
	"azzel/core/pack"
	"azzel/core/world"
)

// StateOf is the state of a game as a replay begins with it.
func StateOf(g *Game) []byte { return g.state.encode() }

// TickOf is the tick of such a state, 0 if it can't be read.
func TickOf(state []byte) int {
	s, err := readState(state)
	if err != nil {
		return 0
	}
	return s.tick
}

// HitsOf is how many hits a thing has borne.
func HitsOf(g *Game, id world.ID) int {
	if i, there := g.thing(id); there {
		return int(g.things[i].Hits)
	}
	return 0
}

// Running lets a player in side-view run to where they are to go, from a stand.
func Running(g *Game, in Input, first bool) {
	if dx, _ := in.directions(); first {
		g.motion = body.Motion{Mode: body.Grounded, VX: dx * g.drive.Run}
	}
}

// Hit lets a thing have borne so many hits.
func Hit(g *Game, id world.ID, n int) {
	if i, there := g.thing(id); there {
		g.things[i].Hits = int32(n)
	}
}

// Abroad is how many things of the cast are on another map than that of their piece.
func Abroad(g *Game) (n int) {
	for k := range g.actors {
		if g.things[g.actors[k].at].On != 0 {
			n++
		}
	}
	return n
}

// OnMap is the map on which a thing is, PlaceOf where it is, in positions of that; of a piece of which nothing became yet,
// where it stands.
func OnMap(g *Game, id world.ID) world.ID {
	if i, there := g.thing(id); there && g.doc.Map(g.things[i].On) != nil {
		return g.things[i].On
	}
	m, _ := g.doc.Piece(id)
	return m.ID
}

// PlaceOf is where a thing is.
func PlaceOf(g *Game, id world.ID) body.Place {
	m, p := g.doc.Piece(id)
	is := member{p, m, nil}
	if i, there := g.thing(id); there {
		is.thing = &g.things[i]
	}
	return g.placeIn(is, g.doc.Map(OnMap(g, id)))
}

// Reread is the state of a game after it was written and read.
func Reread(g *Game) ([]byte, error) {
	s, err := readState(g.state.encode())
	return s.encode(), err
}

// Frozen is a snapshot as it was written when plays were stored, FrozenState the state of a replay as it was then.
func Frozen(g *Game) []byte {
	w := pack.Writer{Bytes: g.frozen()}
	g.lens.encode(&w)
	return w.Bytes
}

// FrozenState is nothing for no state.
func FrozenState(b []byte) []byte {
	if len(b) == 0 {
		return b
	}
	s, err := readState(b)
	if err != nil {
		return b
	}
	return s.frozen()
}

// Told lets somebody be told of each rule that begins, with 0, and of each action that one does.
func Told(g *Game, told func(rule, part world.ID)) {
	g.watch = told
	g.tried = func(t logic.Trial, _ logic.Happening) {
		if t.Outcome == logic.Goes {
			told(t.Rule, 0)
		}
	}
}

// Tried lets somebody be told of each time that a rule was to begin.
func Tried(g *Game, told func(t logic.Trial)) {
	g.tried = nil
	if told != nil {
		g.tried = func(t logic.Trial, _ logic.Happening) { told(t) }
	}
}

// Became is all that is remembered of a piece, and how much of what came out of it there is.
func Became(g *Game, id world.ID) string {
	var thing Thing
	came := 0
	for _, t := range g.things {
		switch {
		case t.ID == id:
			thing = t
		case t.From == id:
			came++
		}
	}
	own, is := g.stated(id)
	state := 0
	if is {
		state = g.states[own].state
	}
	presence, set := g.presenceSet(id)
	spoken := 0
	for _, s := range g.spoken {
		if s.piece == id {
			spoken = s.times
		}
	}
	return fmt.Sprint(thing, came, state, is, presence, set, g.Taken(id), g.Switched(id), spoken)
}

// SetDown lets the player be on a cell of a map, ComesBack lets them come back as after harm.
func SetDown(g *Game, m *world.Map, c grid.Point) { g.set(m, c) }

// ComesBack is said at SetDown.
func ComesBack(g *Game) { g.comeBack() }
