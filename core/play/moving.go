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
		g.walkFreely(dx, dy)
	}
	g.way += root((g.place.X-before.X)*(g.place.X-before.X) + (g.place.Y-before.Y)*(g.place.Y-before.Y))
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
		if g.ground.Move(g.size, g.place, g.goal.X-g.place.X, g.goal.Y-g.place.Y) != g.goal {
			return
		}
		g.stepping = true
	}
	speed := g.speed()
	next := g.ground.Move(g.size, g.place, min(max(g.goal.X-g.place.X, -speed), speed), min(max(g.goal.Y-g.place.Y, -speed), speed))
	if next == g.place && next != g.goal {
		// What lies ahead has become solid: back to the middle of the cell one is in.
		back := body.At(l, g.place.Cell(l))
		g.stepping = g.goal != back
		g.goal = back
		return
	}
	g.place = next
	g.stepping = next != g.goal
}

// speed is how far one walks in a tick, in positions.
func (g *Game) speed() int {
	return max(1, g.doc.Project.CellW*body.Unit*g.moves.Speed/(10*TicksPerSecond))
}

// moveFromTheSide moves the player in side-view.
func (g *Game) moveFromTheSide(in Input) {
	dx, dy := in.directions()
	if dx != 0 {
		g.face(dx, 0)
	}
	before := g.place
	jump := in&Jump != 0
	g.place, g.motion = g.ground.Go(g.size, g.place, g.motion, g.drive, body.Intent{X: dx, Y: dy, Jump: jump, Pressed: jump && !g.jumped})
	g.jumped = jump
	g.way += max(g.place.X-before.X, before.X-g.place.X)
}

// suffer lets what is dangerous hurt the player.
func (g *Game) suffer() {
	if g.safe > 0 {
		g.safe--
	}
	if g.finished {
		return
	}
	worst := 0
	for _, c := range g.dangerCells() {
		worst = max(worst, g.ground.Danger(c))
	}
	g.hurt(worst)
}

// hurt takes health away, unless something did a moment ago.
func (g *Game) hurt(worst int) {
	if worst == 0 || g.safe > 0 {
		return
	}
	g.safe = safeTicks
	if g.harm += worst; g.harm < g.moves.Health {
		g.tell(Hurt)
		return
	}
	g.harm = 0
	g.tell(Harmed)
	g.comeBack()
}

// dangerCells are those that hurt if they are dangerous: what is merely brushed against does
// not, what one stands on does.
func (g *Game) dangerCells() []grid.Point {
	if g.ground.Map.View == world.TopDown {
		return g.cells()
	}
	l := g.doc.Project.Lattice()
	cells := body.Size{W: g.size.W * 3 / 4, H: g.size.H * 3 / 4}.Cells(l, g.place)
	if g.motion.Mode == body.Grounded {
		cells = append(cells, body.Place{X: g.place.X, Y: g.place.Y + 1}.Cell(l))
	}
	return cells
}
