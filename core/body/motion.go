package body

import (
	"azzel/core/grid"
)

// TicksPerSecond is how many ticks there are to a second.
const TicksPerSecond = 60

// A Mode is what somebody does in side-view.
type Mode uint8

// The modes.
const (
	Airborne Mode = iota
	Grounded
	OnLadder
	InWater
)

// A Motion is what somebody has from tick to tick in side-view, beside a place. The zero
// value falls from rest.
type Motion struct {
	// VX and VY are the speed, in 1/65,536 pixel a tick; down is positive.
	VX, VY int
	// RestX and RestY are what of a position is still to be moved.
	RestX, RestY int
	Mode         Mode
	// Left is for how many ticks one may still jump who has left the ground; Asked for how
	// many it still counts that a jump was asked for.
	Left, Asked int
	// Rising says that the jump is still held, so that it goes as high as it can.
	Rising bool
	// Thrown says that something threw one up, so that it goes as high without being held.
	Thrown bool
}

// An Intent is what somebody wants in a tick: to the left or right and up or down, −1 to 1,
// and to jump.
type Intent struct {
	X, Y int
	Jump bool
	// Pressed says that it was not held in the tick before.
	Pressed bool
}

// Go lets a tick pass for somebody in side-view who is free at p.
func (g *Ground) Go(s Size, p Place, m Motion, d Drive, in Intent) (Place, Motion) {
	if q, after, ok := g.stroll(s, p, m, d, in); ok {
		return q, after
	}
	return g.goAnywhere(s, p, m, d, in)
}

// goAnywhere is Go for everything that may be.
func (g *Ground) goAnywhere(s Size, p Place, m Motion, d Drive, in Intent) (Place, Motion) {
	if m.Asked > 0 {
		m.Asked--
	}
	if in.Pressed && d.Jumps {
		m.Asked = d.Grace
	}
	if m.Left > 0 {
		m.Left--
	}
	p, m = g.choose(s, p, m, d, in)
	switch m.Mode {
	case OnLadder:
		m.VX, m.VY, m.Rising = in.X*d.Climb, in.Y*d.Climb, false
		if m.Asked > 0 && in.Y <= 0 {
			m = m.leap(d)
		}
	case InWater:
		m.VX = approach(m.VX, in.X*d.Swim, d.SpeedUp/2+1)
		up := in.Y
		if in.Jump {
			up = -1
		}
		// Without doing anything one sinks slowly.
		to := up * d.Swim
		if up == 0 {
			to = d.Swim / 4
		}
		m.VY, m.Rising = approach(m.VY, to, d.Half+1), false
		if in.Pressed && !g.swims(s, Place{p.X, p.Y - g.Lattice.H*Unit/2}) {
			m = m.leap(d)
		}
	default:
		p, m = g.walkOrFall(s, p, m, d, in)
	}
	return g.carry(s, p, m, d)
}

// leap begins a jump.
func (m Motion) leap(d Drive) Motion {
	m.VY, m.RestY, m.Mode, m.Rising, m.Thrown, m.Asked, m.Left = -d.Leap+d.Half, 0, Airborne, true, false, 0, 0
	return m
}

// choose finds what somebody does from what surrounds them.
func (g *Ground) choose(s Size, p Place, m Motion, d Drive, in Intent) (Place, Motion) {
	switch {
	case d.Climbs && g.climbs(s, p) && (m.Mode == OnLadder || in.Y < 0 || in.Y > 0 && m.Mode != Grounded):
		m.Mode, m.RestX = OnLadder, 0
	case d.Climbs && in.Y > 0 && m.Mode == Grounded && g.ladderBelow(s, p):
		// Down from the top of a ladder.
		p.Y++
		m.Mode, m.RestX = OnLadder, 0
	case d.Swims && g.swims(s, p):
		if m.Mode != InWater {
			m.Mode, m.VY = InWater, m.VY/2
		}
	case m.Mode == OnLadder || m.Mode == InWater:
		m.Mode = Airborne
	}
	return p, m
}

// walkOrFall changes the speed of somebody who stands or is in the air.
func (g *Ground) walkOrFall(s Size, p Place, m Motion, d Drive, in Intent) (Place, Motion) {
	under := g.standsOn(p)
	run, up, down := d.Run, d.SpeedUp, d.SlowDown
	switch {
	case m.Mode == Airborne:
		down = down/2 + 1
	case under.slippery:
		up, down = up/8+1, down/8+1
	}
	if m.Mode == Grounded && under.slow {
		run /= 2
	}
	m.VX = quicken(m.VX, in.X, run, up, down)
	if m.Mode == Grounded && in.Pressed && in.Y > 0 && g.heldAt(s, p, p.Y) && g.free(s, Place{p.X, p.Y + 1}) {
		// Down through what holds from above alone.
		p.Y++
		m.Mode, m.Asked, m.VY = Airborne, 0, 0
		return p, m
	}
	if m.Asked > 0 && (m.Mode == Grounded || m.Left > 0) {
		return p, m.leap(d)
	}
	if m.Mode == Grounded {
		m.VY, m.RestY = 0, 0
		return p, m
	}
	m.Thrown = m.Thrown && m.VY < 0
	if m.Rising = m.Rising && in.Jump && m.VY < 0; m.VY < 0 && !m.Rising && !m.Thrown {
		// Let go, so the jump is a lower one.
		m.VY += 4 * d.Half
	}
	m.VY = min(m.VY+2*d.Half, d.Fall)
	return p, m
}

// carry moves somebody by their speed.
func (g *Ground) carry(s Size, p Place, m Motion, d Drive) (Place, Motion) {
	dx := floorDiv(m.VX+m.RestX, positionFine)
	m.RestX += m.VX - dx*positionFine
	q, stopped := g.along(s, p, dx, m.Mode == Grounded)
	if stopped {
		m.VX, m.RestX = 0, 0
	}
	p = q
	dy := 0
	if m.Mode != Grounded {
		dy = floorDiv(m.VY+m.RestY, positionFine)
		m.RestY += m.VY - dy*positionFine
		if q, stopped = g.upOrDown(s, p, dy, m.Mode != OnLadder || dy > 0); stopped {
			m.VY, m.RestY = 0, 0
		}
		p = q
	}
	return p, m.settle(g, s, p, d)
}

// settle says whether somebody stands after having moved.
func (m Motion) settle(g *Ground, s Size, p Place, d Drive) Motion {
	stands := m.VY >= 0 && g.Supported(s, p)
	switch {
	case m.Mode == OnLadder:
		if stands && (!g.climbs(s, p) || m.VY > 0) || m.VY == 0 && !g.climbs(s, p) {
			m.Mode = Airborne
			if stands {
				m.Mode = Grounded
			}
		}
	case m.Mode == InWater:
	case stands:
		m.Mode, m.VY, m.RestY, m.Rising, m.Thrown = Grounded, 0, 0, false, false
	case m.Mode == Grounded:
		m.Mode, m.Left = Airborne, d.Grace
	}
	return m
}

// quicken is a speed after a tick of wanting to run to a side, or to stand.
func quicken(speed, side, run, up, down int) int {
	switch {
	case side == 0 || speed*side > run:
		return approach(speed, side*run, down)
	case speed*side < 0:
		return approach(speed, side*run, up+down)
	}
	return approach(speed, side*run, up)
}

// approach is a, nearer to b by at most step.
func approach(a, b, step int) int {
	if a < b {
		return min(a+step, b)
	}
	return max(a-step, b)
}

// along moves a body sideways in side-view, with the foot on the line of slopes if it stands or
// comes upon one. It reports whether it was stopped.
func (g *Ground) along(s Size, p Place, dx int, stands bool) (Place, bool) {
	w, h := g.part()
	for dx != 0 {
		step := min(max(dx, -w), w)
		q := g.follow(p, step, rise*h, stands)
		if g.free(s, q) {
			p, dx = q, dx-step
			continue
		}
		// As near as it gets: to nowhere is free.
		near, far := 0, max(step, -step)
		for far-near > 1 {
			if half := (near + far) / 2; g.free(s, g.follow(p, half*step/max(step, -step), rise*h, stands)) {
				near = half
			} else {
				far = half
			}
		}
		return g.follow(p, near*step/max(step, -step), rise*h, stands), true
	}
	return p, false
}

// follow is p moved to the side, on the line of the ground.
func (g *Ground) follow(p Place, dx, most int, stands bool) Place {
	if dx == 0 {
		return p
	}
	_, h := g.part()
	q := Place{p.X + dx, p.Y}
	_, y, found := surface{g, stands}.under(q, rise)
	switch {
	case !found && stands:
		// The line may have risen by more than the row of the foot shows.
		_, y, found = surface{g, stands}.under(Place{q.X, q.Y - rise*h}, rise)
	case !found:
		return q
	}
	if found && (stands && max(y-p.Y, p.Y-y) <= most || y < p.Y && p.Y-y <= most) {
		q.Y = y
	}
	return q
}

// upOrDown moves a body up or down in side-view. Going down it is stopped by what holds from
// above alone, if it catches. It reports whether it was stopped.
func (g *Ground) upOrDown(s Size, p Place, dy int, catches bool) (Place, bool) {
	_, h := g.part()
	for dy != 0 {
		step := min(max(dy, -h), h)
		to := p.Y + step
		held := false
		if step > 0 && catches {
			// The first row that begins at the foot or below it and holds.
			if row := -floorDiv(-p.Y, h); row*h < to && g.heldAt(s, p, row*h) {
				to, held = row*h, true
			}
		}
		if q := (Place{p.X, to}); !g.free(s, q) {
			near, far := 0, max(to-p.Y, p.Y-to)
			for far-near > 1 {
				if half := (near + far) / 2; g.free(s, Place{p.X, p.Y + half*step/max(step, -step)}) {
					near = half
				} else {
					far = half
				}
			}
			return Place{p.X, p.Y + near*step/max(step, -step)}, true
		}
		p.Y = to
		if held {
			return p, true
		}
		dy -= step
	}
	return p, false
}

// middle is the cell in which the middle of a body is.
func (g *Ground) middle(s Size, p Place) grid.Point {
	return Place{p.X, p.Y - s.H*Unit/2}.Cell(g.Lattice)
}

// cellAt is what a cell of the map or of a neighbour does; outside them, and in a doorway, nothing.
func (g *Ground) cellAt(c grid.Point) cell {
	if g.Map.Bounds.Has(c) {
		return g.at(c)
	}
	if o, to := g.on(c); o != nil {
		return o.at(to)
	}
	return cell{}
}

func (g *Ground) climbs(s Size, p Place) bool {
	return g.cellAt(g.middle(s, p)).climb || g.cellAt(p.Cell(g.Lattice)).climb
}

func (g *Ground) swims(s Size, p Place) bool { return g.cellAt(g.middle(s, p)).water }

// ladderBelow reports whether somebody stands on the top of what can be climbed.
func (g *Ground) ladderBelow(s Size, p Place) bool {
	return g.cellAt(Place{p.X, p.Y + 1}.Cell(g.Lattice)).climb && g.free(s, Place{p.X, p.Y + 1})
}

// standsOn is what the cell does on which the foot of p stands.
func (g *Ground) standsOn(p Place) cell {
	return g.cellAt(Place{p.X, p.Y + 1}.Cell(g.Lattice))
}

// Along moves a body that fits at p sideways in side-view, up and down slopes, and reports
// whether it was stopped.
func (g *Ground) Along(s Size, p Place, dx int) (Place, bool) { return g.along(s, p, dx, true) }

// Drop moves a body that fits at p down in side-view, or up if dy is below 0, and reports whether
// it was stopped.
func (g *Ground) Drop(s Size, p Place, dy int) (Place, bool) { return g.upOrDown(s, p, dy, true) }

// Blow lets the wind carry somebody along in side-view who is free at p: to the side by dx
// positions, and up or down towards a speed of lift, in 1/65,536 pixel a tick, unless they hold
// on to a ladder.
func (g *Ground) Blow(s Size, p Place, m Motion, d Drive, dx, lift int) (Place, Motion) {
	if m.Mode == OnLadder {
		return p, m
	}
	p, _ = g.along(s, p, dx, m.Mode == Grounded)
	switch {
	case lift < 0 && m.VY > lift && (m.Mode != Grounded || -lift/catching > 2*d.Half):
		if m.VY = max(lift, m.VY+lift/catching); m.Mode == Grounded {
			m.Mode = Airborne
		}
		m.Thrown = m.Mode == Airborne
	case lift > 0 && m.VY < lift && m.Mode == Airborne:
		m.VY = min(lift, m.VY+lift/catching)
	}
	return p, m
}

// catching is how many ticks the wind needs to carry somebody along at its own speed up or down.
const catching = 8

// Ledge reports whether the ground ends ahead of somebody who stands at p and goes to the left
// (−1) or right (1), so that they would fall by more than half a cell.
func (g *Ground) Ledge(s Size, p Place, side int) bool {
	_, h := g.part()
	ahead := Place{p.X + side*s.W*Unit/2, p.Y}
	if x, row := floorDiv(ahead.X, g.Lattice.W*Unit), floorDiv(p.Y, g.Lattice.H*Unit); row*g.Lattice.H*Unit == p.Y && g.footingAt(x, row) == floor && g.footingAt(x, row-1) == air {
		return false
	}
	if _, _, found := (surface{g, true}).under(ahead, 4); found {
		return false
	}
	return g.Boxes.Near(Box{ahead.X, p.Y - h, ahead.X + 1, p.Y + 4*h + 1}, func(_ int, b Box) bool {
		return !(ahead.X >= b.X0 && ahead.X < b.X1 && b.Y0 >= p.Y-h && b.Y0 <= p.Y+4*h)
	})
}
