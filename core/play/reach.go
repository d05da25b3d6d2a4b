package play

import (
	"slices"
	"sort"

	"azzel/core/body"
	"azzel/core/grid"
	"azzel/core/world"
)

// A Reach is where the player can come from one place by a jump, found by jumping: the same
// movement as play.
type Reach struct {
	// Stands is where the player stands who jumps.
	Stands body.Place
	// Arcs are the ways of the foot, a place for each tick: straight up, and to the left and to
	// the right, let go at once, after a while, and not at all.
	Arcs [][]body.Place
	// Landings are the cells on which one comes to stand, by row and column.
	Landings []grid.Point
}

// longestJump is for how many ticks a jump is followed.
const longestJump = 300

// holds is how many parts of the time to its highest point a jump is held, of four.
var holds = []int{0, 1, 2, 4}

// ReachFrom finds where the player can jump to who stands in a cell of a map in side-view, or
// falls from there to the ground, with all that acts on them there and without what the map bars; ok
// is false if there is no ground. Things that move are not there. The cost is that of up to nine times
// longestJump ticks.
func ReachFrom(d *world.Document, m *world.Map, cell grid.Point) (r Reach, ok bool) {
	if m.View != world.SideView {
		return r, false
	}
	g := newGame(state{})
	g.doc, g.ground, g.moves = d, body.NewGround(d, m), d.Played().On(m)
	l := d.Project.Lattice()
	g.mapID, g.size, g.drive = m.ID, g.sizeOn(m), body.NewDrive(l, g.moves)
	g.areasHere()
	g.place = g.ground.At(cell)
	if !g.ground.Fits(g.size, g.place) {
		return r, false
	}
	for tick := 0; g.motion.Mode != body.Grounded; tick++ {
		if tick == longestJump || !m.Bounds.Has(g.place.Cell(l)) {
			return r, false
		}
		g.moveFromTheSide(0)
	}
	r.Stands = g.place
	r.jump(g, 0, g.moves.Air/2)
	for _, side := range []int{-1, 1} {
		for _, part := range holds {
			r.jump(g, side, part*g.moves.Air/8)
		}
	}
	sort.Slice(r.Landings, func(i, j int) bool {
		a, b := r.Landings[i], r.Landings[j]
		return a.Y < b.Y || a.Y == b.Y && a.X < b.X
	})
	r.Landings = slices.Compact(r.Landings)
	return r, true
}

// jump follows one jump of a player who runs, held for so many ticks.
func (r *Reach) jump(g *Game, side, held int) {
	g.place, g.motion, g.jumped = r.Stands, body.Motion{Mode: body.Grounded, VX: side * g.drive.Run}, false
	in := [...]Input{Left, 0, Right}[side+1]
	arc := []body.Place{g.place}
	for tick := range longestJump {
		if tick <= held {
			g.moveFromTheSide(in | Jump)
		} else {
			g.moveFromTheSide(in)
		}
		g.blow()
		arc = append(arc, g.place)
		cell := g.place.Cell(g.ground.Lattice)
		if !g.ground.Map.Bounds.Has(cell) {
			break
		}
		if g.motion.Mode == body.Grounded {
			r.Landings = append(r.Landings, cell)
			break
		}
		if g.motion.Mode == body.InWater || g.motion.Mode == body.OnLadder {
			break
		}
	}
	r.Arcs = append(r.Arcs, arc)
}
