package play_test

import (
	"slices"
	"testing"

	"azzel/core/body"
	"azzel/core/edit"
	"azzel/core/grid"
	"azzel/core/play"
	"azzel/core/tiles"
	"azzel/core/world"
)

// Where it is said that one can jump to, one comes by playing, and the highest and widest arc
// are as high and wide as the terms say.
func TestReach(t *testing.T) {
	d, m := shaft(t)
	d = apply(t, d, paint(m, grid.Rect{X: 12, Y: 8, W: 3, H: 1}, grid.Cell(tiles.Wall)), paint(m, grid.Rect{X: 14, Y: 5, W: 3, H: 1}, grid.Cell(tiles.Wall)))
	m = d.Maps[0]
	r, ok := play.ReachFrom(d, m, grid.Point{X: 10, Y: 7})
	if !ok {
		t.Fatal("nothing can be reached")
	}
	g := begin(t, d, 10, 9)
	walk(g, 0, 5)
	if g.Status().Place != r.Stands {
		t.Errorf("one stands at %v in play, and at %v where one jumps from", g.Status().Place, r.Stands)
	}
	highest, widest, cell := 0, 0, 16*body.Unit
	for _, arc := range r.Arcs {
		for _, p := range arc {
			highest, widest = max(highest, r.Stands.Y-p.Y), max(widest, r.Stands.X-p.X)
		}
	}
	played := d.Played()
	if want := played.Jump * cell / 10; max(highest-want, want-highest) > body.Unit {
		t.Errorf("the highest arc is %d, want %d", highest, want)
	}
	if want := body.JumpWidth(played) * cell / 10; widest < want-cell/2 || widest > want+cell/2 {
		t.Errorf("the widest arc is %.2f cells, want %.2f", float64(widest)/float64(cell), float64(want)/float64(cell))
	}
	if !slices.ContainsFunc(r.Landings, func(c grid.Point) bool { return c.Y == 7 && c.X >= 12 && c.X <= 14 }) {
		t.Errorf("the ledge two cells up is not among %v", r.Landings)
	}
	if slices.ContainsFunc(r.Landings, func(c grid.Point) bool { return c.Y == 4 }) {
		t.Errorf("the ledge five cells up is among %v", r.Landings)
	}
	// In play: onto the ledge.
	walk(g, play.Right|play.Jump, 38)
	if c := g.Status().Place.Cell(d.Project.Lattice()); c.Y != 7 {
		t.Errorf("jumping to the right one comes to %v", c)
	}
	reachUnder(t)
	if _, ok := play.ReachFrom(room(t), room(t).Maps[0], grid.Point{X: 3, Y: 3}); ok {
		t.Error("there is jumping on a map seen from above")
	}
}

// reachUnder holds the arcs to play where something acts on the player, or where they may not jump: the
// arc of a jump that is held is where one is in play after each tick.
func reachUnder(t *testing.T) {
	t.Helper()
	for name, change := range map[string]func(*world.Map){
		"nothing":                func(*world.Map) {},
		"half the gravity":       func(m *world.Map) { m.Gravity = 50 },
		"a wind":                 func(m *world.Map) { m.WindX = 40 },
		"an updraught":           func(m *world.Map) { m.WindY, m.Gravity = -20, 150 },
		"no jumping, and a wind": func(m *world.Map) { m.Barred, m.WindX = world.Jumping, -20 },
	} {
		d := bare(t, world.SideView)
		m := *d.Maps[0]
		change(&m)
		d = apply(t, d, append(edit.Changes(world.Ref{Sort: world.SortMap, ID: m.ID}, d.Maps[0].Values(), m.Values()),
			area(d, 600, grid.Rect{X: 13, Y: 0, W: 3, H: 12}, func(a *world.Area) { a.Gravity = 70 }))...)
		r, ok := play.ReachFrom(d, d.Maps[0], grid.Point{X: 10, Y: 9})
		if !ok || len(r.Arcs) != 9 {
			t.Fatalf("%s: %d arcs", name, len(r.Arcs))
		}
		for i, in := range []play.Input{0, play.Left, play.Left, play.Left, play.Left, play.Right, play.Right, play.Right, play.Right} {
			arc := r.Arcs[i]
			if i%4 != 0 && i != 0 {
				continue // let go early
			}
			g := begin(t, d, 10, 9)
			for tick, want := range arc[1:min(len(arc), d.Played().Air/2)] {
				in := in | play.Jump
				if i == 0 && tick > d.Played().Air/2 {
					in = 0
				}
				play.Running(g, in, tick == 0)
				if g.Tick(in); g.Status().Place != want {
					t.Fatalf("%s, arc %d: after %d ticks the player is at %v, the arc at %v", name, i, tick+1, g.Status().Place, want)
				}
			}
		}
	}
}
