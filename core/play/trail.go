package play

import (
	"slices"

	"azzel/core/body"
	"azzel/core/grid"
	"azzel/core/kinds/props"
	"azzel/core/lists"
	"azzel/core/world"
)

// trailSteps is how many steps of single things a trail takes at most.
const trailSteps = 200_000

// A Trail is where a piece that acts will be.
type Trail struct {
	// Size is its body, Places are its foot after each tick.
	Size   body.Size
	Places []body.Place
	// Met says that it is as if the player stood at Player, with a body of PlayerSize: in sight of who
	// follows or flees.
	Met        bool
	Player     body.Place
	PlayerSize body.Size
}

// TrailOf is where a piece of a map that acts is after each of so many ticks, with nobody about but
// what stands in its way, and a player who stands still if it follows or flees: found by play itself.
// It has no places if the piece does not act. The cost is that of so many ticks with the platforms,
// pushables and breakables of the map; where there are very many of those, it is shorter.
func TrailOf(d *world.Document, m *world.Map, id world.ID, ticks int) (trail Trail) {
	g := newGame(state{})
	g.look(d)
	delete(g.absent, id)
	g.stand(m)
	g.drifting, g.helped = true, helps
	g.actors = lists.Without(g.actors, func(a actor) bool { return a.piece.ID != id && !isSolid(a.of) })
	g.sortActors()
	i := slices.IndexFunc(g.actors, func(a actor) bool { return a.piece.ID == id })
	if i < 0 || g.things[g.actors[i].at].Type == 0 {
		return trail
	}
	a := &g.actors[i]
	if a.Kind.Figure && (a.Acts.Does == props.Follows || a.Acts.Does == props.Flees) {
		if trail.Player, trail.Met = g.inSightOf(a); trail.Met {
			g.place, g.helped, trail.PlayerSize = trail.Player, helps&^Unseen, g.size
		}
	}
	trail.Size = a.Size
	ticks = min(ticks, max(TicksPerSecond, trailSteps/len(g.actors)))
	for range ticks {
		g.carryAlong()
		g.slideAll()
		g.moveAll()
		t := g.things[a.at]
		trail.Places = append(trail.Places, t.Place)
		if t.Gone {
			break
		}
	}
	return trail
}

// inSightOf is where the player could stand before an actor.
func (g *Game) inSightOf(a *actor) (body.Place, bool) {
	c, ok := g.ground.Nearest(g.size, InSightOf(g.doc, g.ground.Map, a.piece), max(1, a.Acts.Sight/2))
	return g.ground.At(c), ok
}

// InSightOf is the cell before a piece, at half of how far it sees, in which the player would be met if
// there were room.
func InSightOf(d *world.Document, m *world.Map, p *world.Piece) grid.Point {
	heading := grid.Point{X: headingOf(p, world.SideView)}
	if looks := p.Int(props.Looks); looks != 0 && m.View == world.TopDown {
		heading = ahead[looks-1]
	}
	half := max(1, p.Int(props.Sight)/2)
	return m.Bounds.Clamp(d.Project.Lattice().CellAt(p.Foot).Add(grid.Point{X: heading.X * half, Y: heading.Y * half}))
}
