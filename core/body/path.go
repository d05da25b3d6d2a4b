package body

import (
	"container/heap"

	"azzel/core/grid"
)

// Lengths of a way are counted in parts of a cell: one cell straight on, and one
// aslant, which is the square root of two times as long.
const (
	WayPart  = 5
	straight = WayPart
	aslant   = 7
)

// PathCells is how many cells a search looks at that is made with every movement of the
// pointer.
const PathCells = 15_000

// A Search finds ways of a body.
type Search struct {
	Size Size
	// Avoid, unless nil, says through which cells no way leads but at its beginning and end.
	Avoid func(grid.Point) bool
	// Straight leads from cell to cell through their sides alone.
	Straight bool
	// Beside leads to a cell beside the one that is meant, in which nobody needs to have room, and not into it.
	Beside bool
	// Left is how many cells may still be looked at. A search that found nothing and has none
	// left was given up.
	Left int
}

// Path finds the shortest way over cells, from middle to middle in eight directions and never
// past the corner of what is solid, its last cell first, and how long it is in WayPart parts
// of a cell. It reports whether there is one. (Hart, Nilsson and Raphael, "A Formal Basis for
// the Heuristic Determination of Minimum Cost Paths", 1968.)
func (q *Search) Path(g *Ground, from, to grid.Point) (path []grid.Point, length int, found bool) {
	s := q.Size
	stands := map[grid.Point]bool{}
	can := func(c grid.Point) bool {
		ok, known := stands[c]
		if !known {
			ok = g.Map.Bounds.Has(c) && g.Stands(s, c) && (c == from || c == to || q.Avoid == nil || !q.Avoid(c))
			stands[c] = ok
		}
		return ok
	}
	if !can(from) || !q.Beside && !can(to) {
		return nil, 0, false
	}
	there := func(c grid.Point) bool {
		if q.Beside {
			return max(c.X-to.X, to.X-c.X)+max(c.Y-to.Y, to.Y-c.Y) == 1
		}
		return c == to
	}
	came := map[grid.Point]grid.Point{}
	best := map[grid.Point]int{from: 0}
	open := &wayHeap{{from, 0, bird(from, to)}}
	for open.Len() > 0 {
		at := heap.Pop(open).(wayStep)
		if there(at.cell) {
			for c := at.cell; c != from; c = came[c] {
				path = append(path, c)
			}
			path = append(path, from)
			return path, at.length, true
		}
		if at.length > best[at.cell] {
			continue
		}
		if q.Left--; q.Left <= 0 {
			return nil, 0, false
		}
		for _, d := range q.directions() {
			c, n := at.cell.Add(d), at.length+straight
			if d.X != 0 && d.Y != 0 {
				n = at.length + aslant
			}
			if was, there := best[c]; there && was <= n || !can(c) || !g.passes(s, at.cell, d, can) {
				continue
			}
			best[c], came[c] = n, at.cell
			heap.Push(open, wayStep{c, n, n + bird(c, to)})
		}
	}
	return nil, 0, false
}

var eight = []grid.Point{{X: 0, Y: -1}, {X: -1, Y: 0}, {X: 1, Y: 0}, {X: 0, Y: 1}, {X: -1, Y: -1}, {X: 1, Y: -1}, {X: -1, Y: 1}, {X: 1, Y: 1}}

func (q *Search) directions() []grid.Point {
	if q.Straight {
		return eight[:4]
	}
	return eight
}

// passes reports whether a body comes from the middle of a cell to that of a neighbour,
// both of which it can stand in: aslant only if it can go round either way.
func (g *Ground) passes(s Size, from, d grid.Point, can func(grid.Point) bool) bool {
	if d.X != 0 && d.Y != 0 {
		x, y := grid.Point{X: d.X}, grid.Point{Y: d.Y}
		return can(from.Add(x)) && can(from.Add(y)) && g.passes(s, from, x, can) && g.passes(s, from.Add(x), y, can) &&
			g.passes(s, from, y, can) && g.passes(s, from.Add(y), x, can)
	}
	p, q := At(g.Lattice, from), At(g.Lattice, from.Add(d))
	return g.Move(s, p, q.X-p.X, q.Y-p.Y) == q
}

// bird is the length of a way that nothing stands in.
func bird(a, b grid.Point) int {
	dx, dy := a.X-b.X, a.Y-b.Y
	dx, dy = max(dx, -dx), max(dy, -dy)
	return straight*max(dx, dy) + (aslant-straight)*min(dx, dy)
}

type wayStep struct {
	cell grid.Point
	// length is that of the way so far, whole what it is at least.
	length, whole int
}

type wayHeap []wayStep

func (h wayHeap) Len() int           { return len(h) }
func (h wayHeap) Less(i, j int) bool { return h[i].whole < h[j].whole }
func (h wayHeap) Swap(i, j int)      { h[i], h[j] = h[j], h[i] }
func (h *wayHeap) Push(x any)        { *h = append(*h, x.(wayStep)) }
func (h *wayHeap) Pop() any {
	old := *h
	x := old[len(old)-1]
	*h = old[:len(old)-1]
	return x
}
