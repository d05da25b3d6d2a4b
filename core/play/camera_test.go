package play_test

import (
	"testing"

	"azzel/core/body"
	"azzel/core/edit"
	"azzel/core/grid"
	"azzel/core/play"
	"azzel/core/world"
)

// The camera lets the player go freely in the middle, looks ahead, never beyond the edges of the map
// or the area that holds it unless it is wanted, comes nearer where an area says, and shakes
// when it hurts.
func TestCamera(t *testing.T) {
	look := func(set func(*world.Camera), parts ...edit.Part) *world.Document {
		d := bare(t, world.TopDown)
		p := d.Project
		p.SeenW, p.SeenH = 8, 6
		set(&p.Camera)
		return apply(t, d, append(edit.Changes(world.Ref{Sort: world.SortProject}, d.Project.Values(), p.Values()), parts...)...)
	}
	d := look(func(*world.Camera) {})
	g := begin(t, d, 12, 6)
	middle := func() int { r := g.Camera(); return r.X + r.W/2 }
	for range 200 {
		g.Tick(play.Right)
		r, edge := g.Camera(), d.Project.Lattice().Box(d.Maps[0].Bounds)
		if r.Meet(edge) != r {
			t.Fatalf("it looks beyond the edge: %v", r)
		}
		if x := g.Status().Place.X / body.Unit; middle() != x && r.X+r.W != edge.X+edge.W {
			t.Fatalf("the player is at %d, the middle of what is seen at %d", x, middle())
		}
	}
	g = begin(t, look(func(c *world.Camera) { c.Beyond = true }), 23, 6)
	if r := g.Camera(); r.X+r.W <= 24*16 {
		t.Errorf("it does not look beyond the edge, if that is wanted: %v", r)
	}
	g = begin(t, look(func(c *world.Camera) { c.FreeW = 50 }), 12, 6)
	from := middle()
	walk(g, play.Right, 20)
	if x := g.Status().Place.X / body.Unit; middle() != from || x < from+20 {
		t.Errorf("within the free middle the camera goes from %d to %d", from, middle())
	}
	if walk(g, play.Right, 40); g.Status().Place.X/body.Unit-middle() != 8*16/4 {
		t.Errorf("at the edge of the free middle the player is %d px from it", g.Status().Place.X/body.Unit-middle())
	}
	g = begin(t, look(func(c *world.Camera) { c.Ahead = 20 }), 8, 6)
	walk(g, play.Right, 60)
	if lead := middle() - g.Status().Place.X/body.Unit; lead < 30 || lead > 33 {
		t.Errorf("it looks %d px ahead, want two cells", lead)
	}
	if walk(g, 0, 60); middle()-g.Status().Place.X/body.Unit > 1 {
		t.Errorf("while one stands it looks %d px ahead", middle()-g.Status().Place.X/body.Unit)
	}
	held := grid.Rect{X: 6, Y: 2, W: 10, H: 9}
	d = look(func(*world.Camera) {})
	d = apply(t, d, area(d, 600, held, func(a *world.Area) { a.Holds, a.Zoom = true, 200 }))
	g = begin(t, d, 6, 6)
	walk(g, 0, 120)
	if r := g.Camera(); r.W != 64 || r.H != 48 || r.X != 6*16 {
		t.Errorf("in an area that holds it and is seen twice as large it sees %v", r)
	}
	walk(g, play.Left, 120)
	if r := g.Camera(); r.W != 128 || r.X >= 6*16 {
		t.Errorf("out of the area it sees %v", r)
	}
	d = look(func(c *world.Camera) { c.Shake = 9 })
	d = apply(t, d, put(d, 700, world.Hazard, 8, 6, ""))
	g = begin(t, d, 8, 6)
	shaken := 0
	for range 120 {
		g.Tick(0)
		if g.Shaking() != (grid.Point{}) {
			shaken++
		}
	}
	if shaken < 10 || shaken > 60 || g.Shaking() == (grid.Point{}) && g.Status().Health == g.Status().Most {
		t.Errorf("hurt twice in two seconds it shakes in %d ticks of 120", shaken)
	}
}
