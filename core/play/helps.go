package play

import (
	"azzel/core/body"
)

// Helps are inputs too, so that what was played with them can be rewound; but no replay is kept
// of it.
const helps = Unhurt | Unseen | Through | Laden

// drift moves a player who goes through walls: wherever they like on the map, at the speed they
// run.
func (g *Game) drift(in Input) {
	dx, dy := in.directions()
	if dx != 0 || dy != 0 {
		g.face(dx, dy)
	}
	l := g.doc.Project.Lattice()
	speed := g.speed()
	edge := l.Box(g.ground.Map.Bounds)
	before := g.place
	g.put(body.Place{
		X: min(max(before.X+dx*speed, edge.X*body.Unit), (edge.X+edge.W)*body.Unit-1),
		Y: min(max(before.Y+dy*speed, edge.Y*body.Unit+1), (edge.Y+edge.H)*body.Unit),
	})
	g.walked += max(abs(g.place.X-before.X), abs(g.place.Y-before.Y))
	g.drifting = true
}

// settle sets a player down who went through walls, in the nearest place where there is room.
func (g *Game) settle() {
	g.drifting = false
	g.makeRoom()
}

// makeRoom sets a player down who is in what is solid, in the nearest place where there is room.
func (g *Game) makeRoom() {
	if !g.ground.Fits(g.size, g.place) {
		entered, enteredOn, checkpoint := g.entered, g.enteredOn, g.checkpoint
		on := g.mapID
		if !g.toNearest(g.place.Cell(g.doc.Project.Lattice())) {
			return
		}
		if _, is := near(g.ground, on); is {
			// They come back to where they came in, not to where they were set down.
			g.entered, g.enteredOn, g.checkpoint = entered, enteredOn, checkpoint
			g.camePast(on)
		}
	}
}
