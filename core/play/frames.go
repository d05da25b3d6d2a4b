package play

import (
	"azzel/core/body"
	"azzel/core/grid"
	"azzel/core/kinds/props"
	"azzel/core/world"
)

// What acts is the cast: all that is on the player's map and on its neighbours across open edges (body.Ground.Neighbours).
// Everything of it, and the player, is said in positions of the player's map, also beyond its edges, so that nothing needs
// to know where one map ends and the next begins. What is on other maps rests, in positions of the map that it is on.

// shift is what is added to positions of a map to say them in those of another, by where both lie on the board.
func (g *Game) shift(from, to *world.Map) body.Place {
	by := g.doc.Project.Lattice().Pixel(from.Origin.Sub(to.Origin))
	return body.Place{X: by.X * body.Unit, Y: by.Y * body.Unit}
}

func added(p, by body.Place) body.Place { return body.Place{X: p.X + by.X, Y: p.Y + by.Y} }

// near is what is added to a cell of a map to say where it lies beside the player's map, and whether the map is that or a
// neighbour of it.
func near(of *body.Ground, m world.ID) (by grid.Point, is bool) {
	if m == of.Map.ID {
		return grid.Point{}, true
	}
	of.Neighbours(func(n *world.Map, at grid.Point) {
		if n.ID == m {
			by, is = at, true
		}
	})
	return by, is
}

// hasNeighbours reports whether a map has neighbours across open edges.
func hasNeighbours(of *body.Ground) (has bool) {
	of.Neighbours(func(*world.Map, grid.Point) { has = true })
	return has
}

// A member is a piece, or something that came out of an emitter, that is on a map or on its neighbours.
type member struct {
	// piece is the piece itself, or the emitter; home is the map on which that is.
	piece *world.Piece
	home  *world.Map
	// thing is what became of it, nil for nothing yet.
	thing *Thing
}

// castOf lists what is on a map and its neighbours: pieces by map and number, what came from elsewhere, then what came out
// of emitters.
func (g *Game) castOf(of *body.Ground) (list []member) {
	add := func(m *world.Map) {
		for _, p := range m.Pieces {
			if !world.Acts(p.Type) {
				continue
			}
			p = g.asSet(p)
			i, there := g.thing(p.ID)
			if !there {
				list = append(list, member{p, m, nil})
			} else if g.isNear(of, m, &g.things[i]) {
				list = append(list, member{p, m, &g.things[i]})
			}
		}
	}
	add(of.Map)
	of.Neighbours(func(m *world.Map, _ grid.Point) { add(m) })
	for i := range g.things {
		t := &g.things[i]
		if t.From == 0 && t.On == 0 {
			continue
		}
		m, p := g.pieceOf(t.Piece())
		if p == nil || !world.Acts(p.Type) || !g.isNear(of, m, t) {
			continue
		}
		if _, listed := near(of, m.ID); t.From != 0 || !listed {
			list = append(list, member{p, m, t})
		}
	}
	return list
}

// PieceOf is the piece that a thing is, or the emitter that it came out of; nil if it is gone.
func (g *Game) PieceOf(t *Thing) *world.Piece {
	_, p := g.pieceOf(t.Piece())
	return p
}

// isNear reports whether a thing is on a map or its neighbours.
func (g *Game) isNear(of *body.Ground, home *world.Map, t *Thing) bool {
	on := t.On
	if on == 0 || g.doc.Map(on) == nil {
		on = home.ID
	}
	_, is := near(of, on)
	return is
}

// placeIn is where a member is, in positions of a map.
func (g *Game) placeIn(is member, m *world.Map) body.Place {
	if is.thing == nil {
		return added(footOf(is.piece), g.shift(is.home, m))
	}
	frame := is.home
	if is.thing.Frame != 0 {
		frame = g.doc.Map(is.thing.Frame)
	}
	if frame == nil || is.thing.On != 0 && g.doc.Map(is.thing.On) == nil {
		// The map on which it was is gone: it is where it was at first.
		return added(footOf(is.piece), g.shift(is.home, m))
	}
	return added(is.thing.Place, g.shift(frame, m))
}

// takeIn says where a thing is in positions of the player's map.
func (g *Game) takeIn(is member) {
	t, m := is.thing, g.ground.Map
	t.Place = g.placeIn(is, m)
	if t.On != 0 && g.doc.Map(t.On) == nil {
		t.On = 0
	}
	if t.Frame = m.ID; is.home == m {
		t.Frame = 0
	}
}

// rest says of everything where it is in positions of the map that it is on.
func (g *Game) rest() {
	for i := range g.things {
		t := &g.things[i]
		if t.Frame == t.On {
			continue
		}
		m, p := g.pieceOf(t.Piece())
		if p == nil {
			t.On, t.Frame = 0, 0
			continue
		}
		on := m
		if t.On != 0 && g.doc.Map(t.On) != nil {
			on = g.doc.Map(t.On)
		}
		t.Place = g.placeIn(member{p, m, t}, on)
		if t.On, t.Frame = on.ID, on.ID; on == m {
			t.On, t.Frame = 0, 0
		}
	}
}

// arrange notes on which map each of the cast is.
func (g *Game) arrange() {
	if !hasNeighbours(g.ground) {
		return
	}
	for k := range g.actors {
		a := &g.actors[k]
		t := &g.things[a.at]
		if a.left {
			continue
		}
		if on, _ := g.ground.On(t.Place.Cell(g.ground.Lattice)); on != nil {
			if t.On = on.ID; on == a.home {
				t.On = 0
			}
		}
	}
}

// CastMaps are the maps on which things act now: the player's and its neighbours across open edges.
func (g *Game) CastMaps() []world.ID {
	list := []world.ID{g.mapID}
	g.ground.Neighbours(func(m *world.Map, _ grid.Point) { list = append(list, m.ID) })
	return list
}

// inside reports whether a foot is on the player's map or a neighbour of it.
func (g *Game) inside(p body.Place) bool {
	return g.edge.Has(grid.Point{X: p.X >> 8, Y: (p.Y - 1) >> 8}) || g.ground.Inside(p.Cell(g.ground.Lattice))
}

// goesOn reports whether a thing that left all maps of the cast came onto another one over an open edge, where it rests.
func (g *Game) goesOn(a *actor, t *Thing) bool {
	m := g.ground.Further(t.Place.Cell(g.ground.Lattice))
	if m == nil {
		return false
	}
	a.left = true
	t.Place = added(t.Place, g.shift(g.ground.Map, m))
	if t.On, t.Frame = m.ID, m.ID; m == a.home {
		t.On, t.Frame = 0, 0
	}
	return true
}

// offTheMap lets a thing be lost that left all maps of the cast, unless it came onto another one.
func (g *Game) offTheMap(a *actor, t *Thing) {
	if !g.goesOn(a, t) {
		t.Gone = true
		g.befalls(props.Lost, t.Piece())
	}
}
