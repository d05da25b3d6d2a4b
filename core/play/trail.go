package play

import (
	"slices"

	"azzel/core/body"
	"azzel/core/world"
)

// trailSteps is how many steps of single things a trail takes at most.
const trailSteps = 200_000

// Trail is where a piece of a map that acts is after each of so many ticks, with nobody about but
// what stands in its way: found by play itself. It is nil if the piece does not act. The cost is
// that of so many ticks with the platforms, pushables and breakables of the map; where there are very
// many of those, it is shorter.
func Trail(d *world.Document, m *world.Map, id world.ID, ticks int) (size body.Size, places []body.Place) {
	g := &Game{}
	g.look(d)
	g.stand(m)
	g.drifting, g.helped = true, helps
	g.actors = slices.DeleteFunc(g.actors, func(a actor) bool { return a.piece.ID != id && !isSolid(a.of) })
	g.sortActors()
	i := slices.IndexFunc(g.actors, func(a actor) bool { return a.piece.ID == id })
	if i < 0 || g.things[g.actors[i].at].Type == 0 {
		return size, nil
	}
	a := g.actors[i]
	ticks = min(ticks, max(TicksPerSecond, trailSteps/len(g.actors)))
	for range ticks {
		g.movePlatforms()
		g.movePushables()
		g.moveFoes()
		t := g.things[a.at]
		places = append(places, t.Place)
		if t.Gone {
			break
		}
	}
	return a.size, places
}
