package play

import (
	"cmp"
	"slices"

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
// falls from there to the ground; ok is false if there is no ground. Things that move are not
// there. The cost is that of up to nine times longestJump ticks.
func ReachFrom(d *world.Document, m *world.Map, cell grid.Point) (r Reach, ok bool) {
	if m.View != world.SideView {
		return r, false
	}
	moves := d.Played()
	l := d.Project.Lattice()
	ground, size, drive := body.NewGround(d, m), body.SizeOf(l, m.View, moves), body.NewDrive(l, moves)
	r.Stands = ground.At(cell)
	if !ground.Fits(size, r.Stands) {
		return r, false
	}
	var rest body.Motion
	for tick := 0; rest.Mode != body.Grounded; tick++ {
		if tick == longestJump || !m.Bounds.Has(r.Stands.Cell(l)) {
			return r, false
		}
		r.Stands, rest = ground.Go(size, r.Stands, rest, drive, body.Intent{})
	}
	r.jump(ground, size, drive, 0, moves.Air/2)
	for _, way := range []int{-1, 1} {
		for _, part := range holds {
			r.jump(ground, size, drive, way, part*moves.Air/8)
		}
	}
	slices.SortFunc(r.Landings, func(a, b grid.Point) int { return cmp.Or(cmp.Compare(a.Y, b.Y), cmp.Compare(a.X, b.X)) })
	r.Landings = slices.Compact(r.Landings)
	return r, true
}

// jump follows one jump of somebody who runs, held for so many ticks.
func (r *Reach) jump(ground *body.Ground, size body.Size, drive body.Drive, way, held int) {
	p, m := r.Stands, body.Motion{Mode: body.Grounded, VX: way * drive.Run}
	arc := []body.Place{p}
	for tick := range longestJump {
		p, m = ground.Go(size, p, m, drive, body.Intent{X: way, Jump: tick <= held, Pressed: tick == 0})
		arc = append(arc, p)
		cell := p.Cell(ground.Lattice)
		if !ground.Map.Bounds.Has(cell) {
			break
		}
		if m.Mode == body.Grounded {
			r.Landings = append(r.Landings, cell)
			break
		}
		if m.Mode == body.InWater || m.Mode == body.OnLadder {
			break
		}
	}
	r.Arcs = append(r.Arcs, arc)
}
