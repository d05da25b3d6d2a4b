package play

import (
	"errors"
	"slices"

	"azzel/core/grid"
	"azzel/core/kind"
	"azzel/core/limit"
	"azzel/core/lists"
	"azzel/core/logic"
	"azzel/core/world"
)

// A Start says where play begins: at a cell of a map, or at the spawn if Map
// is 0.
type Start struct {
	Map  world.ID
	Cell grid.Point
	// As is the named start by which things are as if the player had come so far, 0 for none.
	As world.ID
	// Chance is what all chance begins with: what lottery pieces are depends on it.
	Chance uint64
}

// ErrNowhere is reported when there is nowhere to stand at all.
var ErrNowhere = errors.New("there is no free cell to begin on: make room on a map, or place a spawn on free ground")

// A beginning says where a game began: at a spawn, checkpoint or mark, or there where a spawn would
// be, if it is a real one.
type beginning struct {
	from world.ID
	real bool
}

func (g *Game) begin(start Start) error {
	m := g.doc.Map(start.Map)
	if m != nil {
		c, ok := g.groundOf(m).Nearest(g.sizeOn(m), m.Bounds.Clamp(start.Cell), -1)
		if ok {
			if c != start.Cell {
				g.happens(Elsewhere)
			}
			g.set(m, c)
			g.began = g.startAt(start.Cell)
			return nil
		}
		g.happens(AtSpawn)
	}
	if !g.toSpawn() {
		return ErrNowhere
	}
	g.began.real = start.Map == 0
	if _, p := g.spawn(); p != nil {
		g.began.from = p.ID
	}
	return nil
}

// startAt is the beginning at a checkpoint or mark in a cell of the map, if one is there.
func (g *Game) startAt(c grid.Point) beginning {
	for _, p := range g.ground.Map.Pieces {
		if IsStart(p.Type) && g.doc.Project.Lattice().CellAt(p.Foot) == c {
			return beginning{p.ID, true}
		}
	}
	return beginning{}
}

// IsStart reports whether a play can begin at pieces of a type, beside the spawn, so that it can be
// kept.
func IsStart(of world.ID) bool { k := kind.Of(of); return k != nil && k.Starts }

// spawn is the spawn of the project and its map, nil for none.
func (g *Game) spawn() (*world.Map, *world.Piece) {
	for _, m := range g.doc.Maps {
		for _, p := range m.Pieces {
			if p.Kind().Begins {
				return m, p
			}
		}
	}
	return nil, nil
}

// toSpawn sets the player down at the spawn, or at the nearest free cell; with
// no spawn, on the first map that has a free cell.
func (g *Game) toSpawn() bool {
	if m, p := g.spawn(); p != nil {
		if c, ok := g.groundOf(m).Nearest(g.sizeOn(m), g.doc.Project.Lattice().CellAt(p.Foot), -1); ok {
			g.set(m, c)
			return true
		}
	}
	for _, m := range g.doc.Maps {
		middle := grid.Point{X: m.Bounds.X + m.Bounds.W/2, Y: m.Bounds.Y + m.Bounds.H/2}
		if c, ok := g.groundOf(m).Nearest(g.sizeOn(m), middle, -1); ok {
			g.happens(NoSpawn)
			g.set(m, c)
			return true
		}
	}
	return false
}

// asIf lets items, facts and states be as a named start says. What it names that is gone counts for nothing. Nothing that is played from
// there is kept, as after a help.
func (g *Game) asIf(s *world.NamedStart) {
	g.assisted = true
	g.items = nil
	for _, had := range s.Items {
		if i := g.doc.Item(had.Item); i != nil {
			g.give(i, min(had.Count, i.Room()))
		}
	}
	for _, is := range s.Facts {
		if f := g.doc.Fact(is.Fact); f != nil {
			g.setFact(f, f.Bound(is.Value), 0)
		}
	}
	for _, is := range s.States {
		on, p := g.pieceOf(is.Piece)
		if p == nil {
			continue
		}
		k := g.kindOf(on, p)
		if k == nil || !k.Can(is.State) {
			continue
		}
		if g.setState(p.ID, is.State); k.Counted && kind.StateOf(is.State).Gone {
			if i, taken := search(g.taken, p.ID); !taken {
				g.taken = lists.Insert(g.taken, i, p.ID)
			}
		}
	}
	// Nobody is told of what was so before.
	g.events, g.runs = nil, logic.Runs{}
}

// AsIf is how the game stands, as a named start: where the player is, what they have, and which facts and states are otherwise than
// when play begins. The name is left to the designer.
func (g *Game) AsIf() world.NamedStart {
	s := world.NamedStart{Map: g.mapID, Cell: g.place.Cell(g.ground.Lattice), Items: slices.Clone(g.items)}
	for _, k := range g.facts {
		if f := g.doc.Fact(k.Fact); f != nil && k.Value != f.Start {
			s.Facts = append(s.Facts, world.FactIs{Fact: k.Fact, Value: k.Value})
		}
	}
	first := newGame(state{chances: g.chances})
	first.doc = g.doc
	for _, m := range g.doc.Maps {
		for _, p := range m.Pieces {
			if p.Kind().Starts || len(s.States) == limit.StartStates {
				continue
			}
			if is := g.own(m, p); is != nil && is != first.own(m, p) {
				s.States = append(s.States, world.StateIs{Piece: p.ID, State: is.Number})
			}
		}
	}
	return s
}
