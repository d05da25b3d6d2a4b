package body_test

import (
	"math/rand/v2"
	"testing"

	"azzel/core/body"
	"azzel/core/grid"
	"azzel/core/world"
)

// anyEdges are edges of any sort, in half of all cases walls all round.
func anyEdges(r *rand.Rand) (e world.Edges) {
	if r.IntN(2) == 0 {
		return e
	}
	for side := range e {
		e[side] = world.Edge(r.IntN(len(world.EdgeNames)))
	}
	return e
}

// A body meets beyond each edge what the edge says: a wall or an open edge without a neighbour stops it, a deadly one
// nothing, one that wraps what lies on the other side, also where it hangs over the edge.
func TestEdges(t *testing.T) {
	for _, l := range sizes {
		rows := []string{"        ", "        ", "        ", "   ##   ", "        ", "        "}
		g := side(t, l, nil, rows...)
		whole := grid.Rect{W: 8, H: 6}
		sides := map[int]grid.Point{world.SideLeft: {X: 0, Y: 1}, world.SideRight: {X: 7, Y: 1}, world.SideTop: {X: 1, Y: 0}, world.SideBottom: {X: 1, Y: 5}}
		ways := map[int]grid.Point{world.SideLeft: {X: -1}, world.SideRight: {X: 1}, world.SideTop: {Y: -1}, world.SideBottom: {Y: 1}}
		for edge := range world.EdgeNames {
			for at, c := range sides {
				var edges world.Edges
				edges[at] = world.Edge(edge)
				view := g.WithEdges(edges)
				view.Map.View = world.TopDown
				size := body.PlayerSize(l)
				from := body.At(l, c)
				way := ways[at]
				to := view.Move(size, from, 3*way.X*l.W*body.Unit, 3*way.Y*l.H*body.Unit)
				out := !whole.Has(to.Cell(l))
				if want := world.Edge(edge) == world.EdgeDeadly || world.Edge(edge) == world.EdgeWrap; out != want {
					t.Errorf("cells %v, %s at side %d: one comes out %t, want %t", l, world.EdgeNames[edge], at, out, want)
				}
				if beyond := c.Add(way); view.Deadly(beyond) != (world.Edge(edge) == world.EdgeDeadly) || view.Deadly(c) {
					t.Errorf("cells %v, %s at side %d: deadly beyond %t, within %t", l, world.EdgeNames[edge], at, view.Deadly(beyond), view.Deadly(c))
				}
				back, wraps := view.Wrap(to)
				if wraps != (world.Edge(edge) == world.EdgeWrap) || wraps && !whole.Has(back.Cell(l)) {
					t.Errorf("cells %v, %s at side %d: from %v it wraps %t to %v", l, world.EdgeNames[edge], at, to.Cell(l), wraps, back.Cell(l))
				}
			}
		}
		// What is solid on the other side stops who comes over an edge that wraps.
		blocked := side(t, l, nil, "#       ", "        ").WithEdges(world.Edges{world.SideLeft: world.EdgeWrap, world.SideRight: world.EdgeWrap})
		blocked.Map.View = world.TopDown
		size := body.PlayerSize(l)
		if to := blocked.Move(size, body.At(l, grid.Point{X: 7}), 2*l.W*body.Unit, 0); to.Cell(l).X != 7 || !blocked.Fits(size, to) {
			t.Errorf("cells %v: through what is solid on the other side one comes to %v", l, to.Cell(l))
		}
		if to := blocked.Move(size, body.At(l, grid.Point{X: 7, Y: 1}), 2*l.W*body.Unit, 0); to.Cell(l).X <= 7 {
			t.Errorf("cells %v: beside it one comes only to %v", l, to.Cell(l))
		}
	}
}
