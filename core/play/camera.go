package play

import (
	"azzel/core/body"
	"azzel/core/grid"
	"azzel/core/pack"
	"azzel/core/world"
)

const (
	// shakeTicks is for how long the camera shakes.
	shakeTicks = 24
	// zoomStep is by how many percent the camera comes nearer in a tick at most.
	zoomStep = 2
)

// A lens is where the camera is. It does not count in play, and no hash of a replay depends on it.
type lens struct {
	// at is the middle of what is seen, in positions of the player's map.
	at body.Place
	// leadX and leadY are how far it looks ahead, in positions.
	leadX, leadY int
	// zoom is in percent, 0 before the first look; shaking for how many ticks it still shakes, jolt by how many pixels at most.
	zoom, shaking, jolt int
	// glide is how far it goes in a tick, in positions, while it is on its way to where a rule lets it go; 0 otherwise.
	glide int
	// on is the map it looks at.
	on world.ID
}

// aimed is what the camera follows: the middle of the player.
func (g *Game) aimed() body.Place {
	return body.Place{X: g.place.X, Y: g.place.Y - g.ground.Lattice.H*body.Unit/4}
}

// follow lets the camera go after the player by a tick, or at once if it has not looked at this map
// or the player is out of what it sees.
func (g *Game) follow() {
	c, at := g.doc.Project.Camera, g.aimed()
	area := g.cameraArea()
	zoom := 100
	if area != nil && area.Zoom != 0 {
		zoom = area.Zoom
	}
	if g.lens.shaking > 0 {
		g.lens.shaking--
	}
	gazed, gazes := g.gazed()
	if gazes {
		at = gazed
	}
	seen := g.seen()
	if far := abs(at.X-g.lens.at.X) > seen.W*body.Unit/2 || abs(at.Y-g.lens.at.Y) > seen.H*body.Unit/2; g.lens.on != g.mapID || far && g.lens.glide == 0 {
		g.lens = lens{at: at, zoom: zoom, shaking: g.lens.shaking, jolt: g.lens.jolt, on: g.mapID}
	} else {
		g.lens.zoom += min(max(zoom-g.lens.zoom, -zoomStep), zoomStep)
	}
	seen = g.seen()
	if gazes || g.lens.glide > 0 {
		before := g.lens.at
		step := func(is *int, to int) {
			most := abs(to - *is)
			if g.lens.glide > 0 {
				most = g.lens.glide
			}
			*is += min(max(to-*is, -most), most)
		}
		step(&g.lens.at.X, at.X)
		step(&g.lens.at.Y, at.Y)
		g.lens.leadX, g.lens.leadY = 0, 0
		if g.keepWithin(g.within(seen, area)); g.lens.at == before {
			// It is there, or at the edge before that.
			g.lens.glide = 0
		}
		return
	}
	// It looks to where the player goes, and comes back while they stand.
	heading := grid.Point{}
	if c.Ahead > 0 && g.went {
		heading = ahead[g.facing]
	}
	l := g.ground.Lattice
	lead := func(is *int, heading, side, seen int) {
		most := min(c.Ahead*side*body.Unit/10, seen*body.Unit*2/5)
		step := max(1, most/(TicksPerSecond/2))
		*is += min(max(heading*most-*is, -step), step)
	}
	lead(&g.lens.leadX, heading.X, l.W, seen.W)
	lead(&g.lens.leadY, heading.Y, l.H, seen.H)
	free := func(is *int, to, part, seen int) {
		half := seen * body.Unit * part / 200
		*is = min(max(*is, to-half), to+half)
	}
	free(&g.lens.at.X, at.X+g.lens.leadX, c.FreeW, seen.W)
	free(&g.lens.at.Y, at.Y+g.lens.leadY, c.FreeH, seen.H)
	g.keepWithin(g.within(seen, area))
}

// keepWithin lets the camera be in the middle of what is seen.
func (g *Game) keepWithin(r grid.Rect) {
	g.lens.at = body.Place{X: min(max(g.lens.at.X, (r.X+r.W/2)*body.Unit), (r.X+r.W/2+1)*body.Unit-1),
		Y: min(max(g.lens.at.Y, (r.Y+r.H/2)*body.Unit), (r.Y+r.H/2+1)*body.Unit-1)}
}

// cameraArea is the area that holds the camera or changes how large things are seen, where the
// player is, or what the camera is at by a rule; nil if there is none.
func (g *Game) cameraArea() *placedArea {
	c := g.middle(g.size, g.place)
	if at, is := g.gazed(); is {
		c = at.Cell(g.ground.Lattice)
	}
	for i := len(g.areas) - 1; i >= 0; i-- {
		if a := &g.areas[i]; (a.Holds || a.Zoom != 0) && a.has(c) {
			return a
		}
	}
	return nil
}

// seen is how much the camera sees, in pixels.
func (g *Game) seen() grid.Rect {
	p, zoom := &g.doc.Project, max(1, g.lens.zoom)
	return grid.Rect{W: max(1, p.SeenW*p.CellW*100/zoom), H: max(1, p.SeenH*p.CellH*100/zoom)}
}

// within is what the camera sees, in pixels of the map: not beyond its edges, or those of the box
// round an area that holds it.
func (g *Game) within(seen grid.Rect, area *placedArea) grid.Rect {
	seen.X, seen.Y = g.lens.at.X/body.Unit-seen.W/2, g.lens.at.Y/body.Unit-seen.H/2
	edge := g.edge
	if area != nil && area.Holds {
		held := area.Cells.Bounds()
		held.X, held.Y = held.X+area.by.X, held.Y+area.by.Y
		edge = g.ground.Lattice.Box(held)
	} else if g.doc.Project.Camera.Beyond {
		return seen
	}
	seen.X, seen.Y = fit(seen.X, seen.W, edge.X, edge.W), fit(seen.Y, seen.H, edge.Y, edge.H)
	return seen
}

// Camera is what the player sees, in pixels of the player's map.
func (g *Game) Camera() grid.Rect { return g.within(g.seen(), g.cameraArea()) }

// Shaking is by how many pixels the camera is shaken now, which is not part of Camera.
func (g *Game) Shaking() grid.Point {
	far := g.lens.jolt * min(g.lens.shaking, shakeTicks) / shakeTicks
	return grid.Point{X: far * (g.tick*7%3 - 1), Y: far * (g.tick*5%3 - 1)}
}

func (c lens) encode(w *pack.Writer) {
	w.Uint(uint64(c.on))
	for _, n := range []int{c.at.X, c.at.Y, c.leadX, c.leadY, c.zoom, c.shaking} {
		w.Int(n)
	}
	if c.glide > 0 {
		w.Int(c.glide)
	}
}
