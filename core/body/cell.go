package body

import (
	"azzel/core/grid"
	"azzel/core/tiles"
	"azzel/core/world"
)

// does is what a tile does to bodies.
type does struct {
	solid                          tiles.Mask
	oneWay, climb, water, slippery bool
	slow                           bool
	danger                         uint8
}

// A cell is what its tiles do together.
type cell struct {
	solid, oneWay                tiles.Mask
	climb, water, slippery, slow bool
	danger                       uint8
}

const chunkSide = 32

// topRow is the parts along the upper border of a cell, where a one-way tile holds that does
// not say more.
const topRow tiles.Mask = 1<<tiles.MaskSide - 1

// known are cells of a chunk that were looked at once: a document never changes.
type known struct {
	have     [chunkSide * chunkSide / 64]uint64
	cells    [chunkSide * chunkSide]cell
	footings [chunkSide * chunkSide]footing
}

// doing lists what each tile's number does.
func doing(d *world.Document) []does {
	list := make([]does, d.TilesEnd())
	for _, t := range d.Tilesets {
		for i, p := range t.Tiles {
			if p != nil {
				list[t.First+i] = does{solid: p.Solid, oneWay: p.OneWay, climb: p.Climbable, water: p.Water,
					slippery: p.Slippery, slow: p.Slow, danger: uint8(p.Danger)}
			}
		}
	}
	return list
}

// at is what cell c of the map does; nothing for a cell of a doorway. The cost is that of the map's layers the first time.
func (g *Ground) at(c grid.Point) cell {
	k, i := g.find(c)
	return k.cells[i]
}

// find is at which place of which chunk cell c of the map is known.
func (g *Ground) find(c grid.Point) (*known, int) {
	b := g.Map.Bounds
	at := &g.chunks[(c.Y>>5-b.Y>>5)*g.columns+c.X>>5-b.X>>5]
	if *at == nil {
		*at = new(known)
	}
	k := *at
	i := c.Y&(chunkSide-1)*chunkSide + c.X&(chunkSide-1)
	if k.have[i>>6]>>(i&63)&1 == 0 {
		k.cells[i] = g.look(c)
		k.footings[i] = footingOf(k.cells[i])
		k.have[i>>6] |= 1 << (i & 63)
	}
	return k, i
}

func (g *Ground) look(c grid.Point) (of cell) {
	if g.open[c] {
		return of
	}
	for _, l := range g.Map.Layers {
		if !l.Counts || g.without[l.ID] {
			continue
		}
		cells := &l.Cells
		if other, is := g.planes[l.ID]; is {
			cells = &other
		}
		v := cells.At(c)
		if v == 0 || v.Tile() >= len(g.tiles) {
			continue
		}
		t := &g.tiles[v.Tile()]
		// The topmost tile that counts covers water and danger beneath it, with whatever of
		// the water is solid: a bridge.
		of.water, of.danger, of.slippery, of.slow = t.water, t.danger, t.slippery, t.slow
		of.climb = of.climb || t.climb
		switch mask := t.solid.Lying(v.Orientation()); {
		case t.water:
		case t.oneWay:
			if mask == 0 && g.Map.View == world.SideView {
				mask = topRow
			}
			of.oneWay |= mask
		default:
			of.solid |= mask
		}
	}
	if g.Map.View == world.TopDown {
		// From above there is no falling through, and nobody swims.
		of.solid |= of.oneWay
		of.oneWay = 0
		if of.water {
			of.solid = tiles.Whole
		}
	}
	return of
}

// Danger is how much what lies in a cell hurts; 0 outside the map.
func (g *Ground) Danger(c grid.Point) int { return int(g.cellAt(c).danger) }

// Slow reports whether what lies under a foot is slow.
func (g *Ground) Slow(p Place) bool { return g.cellAt(p.Cell(g.Lattice)).slow }

// Cells are those that a body at p covers.
func (s Size) Cells(l grid.Lattice, p Place) grid.Rect {
	x0, y0, x1, y1 := s.box(p)
	return grid.Between(l.CellAt(grid.Point{X: x0 >> 8, Y: y0 >> 8}), l.CellAt(grid.Point{X: x1 >> 8, Y: y1 >> 8}))
}

// Opaque reports whether nobody sees past a cell: it is solid all over, and not by water.
func (g *Ground) Opaque(c grid.Point) bool {
	of := g.cellAt(c)
	return of.solid == tiles.Whole && !of.water
}
