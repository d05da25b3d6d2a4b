package play

import (
	"azzel/core/body"
	"azzel/core/grid"
	"azzel/core/world"
)

// safeTicks is for how long nothing hurts after something did.
const safeTicks = TicksPerSecond

// directions are what is held along each axis, −1 to 1.
func (in Input) directions() (dx, dy int) {
	if in&Left != 0 {
		dx--
	}
	if in&Right != 0 {
		dx++
	}
	if in&Up != 0 {
		dy--
	}
	if in&Down != 0 {
		dy++
	}
	return dx, dy
}

// walk moves the player, seen from above.
func (g *Game) walk(in Input) {
	dx, dy := in.directions()
	before := g.place
	switch {
	case g.moves.Steering == world.CellByCell:
		g.walkCells(dx, dy)
	case dx == 0 && dy == 0:
		return
	default:
		if g.moves.Steering == world.FourWays {
			dx, dy = g.straight(dx, dy)
		}
		g.face(dx, dy)
		g.pushAhead(dx, 0)
		g.pushAhead(0, dy)
		g.walkFreely(dx, dy)
	}
	g.walked += grid.Root((g.place.X-before.X)*(g.place.X-before.X) + (g.place.Y-before.Y)*(g.place.Y-before.Y))
}

// walkFreely moves the player to any side, sliding along walls and round corners.
func (g *Game) walkFreely(dx, dy int) {
	l := g.doc.Project.Lattice()
	speed := g.speed()
	if dx != 0 && dy != 0 {
		speed = speed * 181 / 256
		g.place = g.ground.Move(g.size, g.place, dx*speed, dy*speed)
		return
	}
	reach := l.W
	if dx != 0 {
		reach = l.H
	}
	g.place = g.ground.Round(g.size, g.place, dx*speed, dy*speed, reach*body.Unit*3/8)
}

// straight leaves one of two directions: the one that was not gone in before, so that the key
// pressed last counts.
func (g *Game) straight(dx, dy int) (int, int) {
	if dx != 0 && dy != 0 {
		if ahead[g.facing].X != 0 {
			return 0, dy
		}
		return dx, 0
	}
	return dx, dy
}

// walkCells goes on with a step from the middle of a cell to that of the next, or begins one.
func (g *Game) walkCells(dx, dy int) {
	l := g.doc.Project.Lattice()
	if !g.stepping {
		if dx, dy = g.straight(dx, dy); dx == 0 && dy == 0 {
			return
		}
		g.face(dx, dy)
		at := g.place.Cell(l)
		g.goal = body.At(l, at.Add(grid.Point{X: dx, Y: dy}))
		if g.shoved = g.shovable(dx, dy); g.shoved == 0 && g.ground.Move(g.size, g.place, g.goal.X-g.place.X, g.goal.Y-g.place.Y) != g.goal {
			return
		}
		g.stepping = true
	}
	speed := g.speed()
	if g.shoved != 0 {
		speed = max(1, speed/2)
		g.shove(min(max(g.goal.X-g.place.X, -speed), speed), min(max(g.goal.Y-g.place.Y, -speed), speed))
	}
	next := g.ground.Move(g.size, g.place, min(max(g.goal.X-g.place.X, -speed), speed), min(max(g.goal.Y-g.place.Y, -speed), speed))
	if next == g.place && next != g.goal {
		// What lies ahead has become solid: back to the middle of the cell one is in.
		back := body.At(l, g.place.Cell(l))
		g.stepping, g.shoved = g.goal != back, 0
		g.goal = back
		return
	}
	g.place = next
	if g.stepping = next != g.goal; !g.stepping {
		g.shoved = 0
	}
}

// speed is how far the player walks in a tick, in positions: half as far on slow ground, seen from above. (From the
// side the ground itself says so.)
func (g *Game) speed() int {
	if g.ground.Map.View == world.TopDown && !g.drifting && g.ground.Slow(g.place) {
		return max(1, g.pace(g.moves.Speed)/2)
	}
	return g.pace(g.moves.Speed)
}

// pace is how far something gets in a tick, in positions, that moves so many tenths of a cell a
// second.
func (g *Game) pace(tenths int) int {
	return max(1, g.doc.Project.CellW*body.Unit*tenths/(10*TicksPerSecond))
}

// moveFromTheSide moves the player in side-view.
func (g *Game) moveFromTheSide(in Input) {
	dx, dy := in.directions()
	if dx != 0 {
		g.face(dx, 0)
	}
	before := g.place
	jump := in&Jump != 0
	drive := g.underForces()
	if dx != 0 && g.motion.Mode == body.Grounded {
		if far := g.pushAhead(dx, 0); far > 0 {
			// What was pushed has stopped them; they go on behind it.
			g.motion.VX = dx * far * (body.Fine / body.Unit)
		}
	}
	g.place, g.motion = g.ground.Go(g.size, g.place, g.motion, drive, body.Intent{X: dx, Y: dy, Jump: jump, Pressed: jump && !g.jumped})
	g.jumped = jump
	g.walked += max(g.place.X-before.X, before.X-g.place.X)
}

// damageFromGround lets what is dangerous damage the player: what lies in the cells that the body covers,
// but for what is merely brushed against, and what one stands on.
func (g *Game) damageFromGround() {
	if g.safe > 0 {
		g.safe--
	}
	if g.finished {
		return
	}
	cells, l := g.cells(), g.doc.Project.Lattice()
	if g.ground.Map.View == world.SideView {
		cells = body.Size{W: g.size.W * 3 / 4, H: g.size.H * 3 / 4}.Cells(l, g.place)
		if g.motion.Mode == body.Grounded {
			below := body.Place{X: g.place.X, Y: g.place.Y + 1}.Cell(l)
			cells = cells.Join(grid.Rect{X: below.X, Y: below.Y, W: 1, H: 1})
		}
	}
	worst := 0
	for y := range cells.H {
		for x := range cells.W {
			worst = max(worst, g.ground.Danger(grid.Point{X: cells.X + x, Y: cells.Y + y}))
		}
	}
	if g.ground.Map.View == world.TopDown && g.ground.Floor(g.place) {
		return
	}
	g.damage(worst)
}

// damage takes health away, unless something did a moment ago.
func (g *Game) damage(worst int) {
	if worst == 0 || g.safe > 0 || g.away || g.helped&Unhurt != 0 {
		return
	}
	if g.loseHealth(worst) {
		g.happens(Harmed)
		g.away = true
		return
	}
	g.happens(Hurt)
}

// loseHealth takes health away and reports whether it was used up, and is whole again.
func (g *Game) loseHealth(n int) (out bool) {
	if g.helped&Unhurt != 0 {
		return false
	}
	g.safe, g.lens.shaking, g.lens.jolt = safeTicks, shakeTicks, g.doc.Project.Camera.Shake
	if g.harm += n; g.harm < g.moves.Health {
		return false
	}
	g.harm = 0
	return true
}
