package edit

import (
	"fmt"
	"slices"

	"azzel/core/grid"
	"azzel/core/limit"
	"azzel/core/lists"
	"azzel/core/world"
)

// furnishSample is how many cells of a map are looked at, at the most, to see what its ground is, and as many for its walls.
const furnishSample = 4096

// Neighbour is the map beside an empty one whose ground and walls the empty one could have: of all maps in the same view that
// have ground, the one nearest to it on the board. It is nil if the map is not empty, or if there is no other. It looks at
// some thousand cells of each map, from the nearest to the one it gives.
func Neighbour(d *world.Document, m *world.Map) *world.Map {
	for _, l := range m.Layers {
		if !l.Cells.Empty() {
			return nil
		}
	}
	others := lists.Without(slices.Clone(d.Maps), func(o *world.Map) bool { return o.ID == m.ID || o.View != m.View })
	slices.SortStableFunc(others, func(a, b *world.Map) int {
		return apart(m.OnBoard(), a.OnBoard()) - apart(m.OnBoard(), b.OnBoard())
	})
	for _, o := range others {
		if ground, walls := furniture(d, o); ground != 0 || walls != 0 {
			return o
		}
	}
	return nil
}

// apart is how many cells lie between two boxes, the way round counted across and down.
func apart(a, b grid.Rect) int {
	across := max(0, a.X-b.X-b.W, b.X-a.X-a.W)
	down := max(0, a.Y-b.Y-b.H, b.Y-a.Y-a.H)
	return across + down
}

// Furnish is the edit that gives an empty map the ground and walls that another has: walls along its edges and ground between
// them, or, from the side, ground along its lower edge.
func Furnish(d *world.Document, m, like *world.Map) Edit {
	ground, walls := furniture(d, like)
	e := Edit{Label: Clip(fmt.Sprintf("lay ground and walls as in %s on %s", like.Name, m.Name))}
	b := m.Bounds
	lay := func(c grid.Cell, g grid.Region) {
		if c == 0 || len(g) == 0 {
			return
		}
		p := Paint{Map: m.ID, Layer: m.PlayerLayer, Region: g, Cells: grid.Runs{{N: g.Len(), Cell: c}}}
		if d.BondOf(c.Tile()) != nil {
			p.Loose = g
		}
		e.Parts = append(e.Parts, p)
	}
	if m.View == world.SideView {
		deep := max(1, b.H/6)
		lay(walls, grid.BoxRegion(grid.Rect{X: b.X, Y: b.Y + b.H - deep, W: b.W, H: deep}))
		return e
	}
	inner := grid.BoxRegion(b.Inset(1))
	lay(walls, grid.BoxRegion(b).Minus(inner))
	lay(ground, inner)
	return e
}

// furniture is what lies most often in the layer of a map in which the player walks: along its edges, of what stops the
// player, and within, of what does not. A tile of a bond stands for the bond. 0 is nothing.
func furniture(d *world.Document, m *world.Map) (ground, walls grid.Cell) {
	l := m.Layer(m.PlayerLayer)
	if l == nil {
		return 0, 0
	}
	within, along := map[grid.Cell]int{}, map[grid.Cell]int{}
	count := func(into map[grid.Cell]int, c grid.Point, solid bool) {
		cell := l.Cells.At(c)
		if cell.Tile() == 0 || (d.TileOf(cell.Tile()).Solid != 0) != solid {
			return
		}
		if bond := d.BondOf(cell.Tile()); bond != nil && bond.Centre() != 0 {
			cell = bond.Centre()
		}
		into[cell]++
	}
	b := m.Bounds
	for x := b.X; x < b.X+b.W; x += 1 + 2*b.W/furnishSample {
		if m.View != world.SideView {
			count(along, grid.Point{X: x, Y: b.Y}, true)
		}
		count(along, grid.Point{X: x, Y: b.Y + b.H - 1}, true)
	}
	for y := b.Y; y < b.Y+b.H && m.View != world.SideView; y += 1 + 2*b.H/furnishSample {
		count(along, grid.Point{X: b.X, Y: y}, true)
		count(along, grid.Point{X: b.X + b.W - 1, Y: y}, true)
	}
	step := 1
	for (b.W/step+1)*(b.H/step+1) > furnishSample && step < limit.MaxMapSide {
		step++
	}
	for y := b.Y; y < b.Y+b.H; y += step {
		for x := b.X; x < b.X+b.W; x += step {
			count(within, grid.Point{X: x, Y: y}, false)
		}
	}
	return most(within), most(along)
}

// most is the cell that was counted most often, the lowest of several.
func most(counted map[grid.Cell]int) grid.Cell {
	var best grid.Cell
	for c, n := range counted {
		if n > counted[best] || n == counted[best] && c < best {
			best = c
		}
	}
	return best
}
