package picture

import (
	"slices"

	"azzel/core/grid"
	"azzel/core/tiles"
	"azzel/core/world"
)

// coarsestMoving is the coarsest level at which tiles move; beyond it one could not
// see it.
const coarsestMoving = 2

// motion is which frames animated tiles show now. The zero value is still.
type motion struct {
	// tilesets are those that moving was made of.
	tilesets []*world.Tileset
	moving   map[int]*tiles.Animation
	// now is the tile shown for each animated one, empty while all stand still.
	now map[int]int
	// phase counts changes of now.
	phase int
}

// Animate shows the frames of a time in milliseconds; below 0 all stand still. It
// reports whether any tile shows another one than before, and in how many
// milliseconds the next will, 0 if none moves.
func (a *Atlas) Animate(d *world.Document, millis int) (changed bool, next int) {
	m := &a.motion
	if !slices.Equal(m.tilesets, d.Tilesets) {
		m.tilesets, m.moving = slices.Clone(d.Tilesets), map[int]*tiles.Animation{}
		for _, t := range d.Tilesets {
			for i, p := range t.Tiles {
				if p != nil && p.Animation != nil {
					m.moving[t.First+i] = p.Animation
				}
			}
		}
	}
	now := map[int]int{}
	if millis >= 0 {
		for n, animation := range m.moving {
			tile, left := animation.At(millis)
			if tile != n {
				now[n] = tile
			}
			if next == 0 || left < next {
				next = left
			}
		}
	}
	if len(now) == len(m.now) {
		same := true
		for n, tile := range now {
			same = same && m.now[n] == tile
		}
		if same {
			return false, next
		}
	}
	m.now = now
	m.phase++
	return true, next
}

// still is what a cell shows where nothing moves: itself.
func still(c grid.Cell) grid.Cell { return c }

// shows is the cell that is seen in the place of c.
func (m *motion) shows(c grid.Cell) grid.Cell {
	if len(m.now) == 0 {
		return c
	}
	if tile, moves := m.now[c.Tile()]; moves {
		return grid.Cell(tile).Turned(c.Orientation())
	}
	return c
}

// box is the box of cells of a chunk whose tiles move; at is its first cell.
func (m *motion) box(c *grid.Chunk, at grid.Point) grid.Rect {
	moves := func(v grid.Cell) bool { return m.moving[v.Tile()] != nil }
	if !slices.ContainsFunc(c.Distinct(), moves) {
		return grid.Rect{}
	}
	var r grid.Rect
	for y := range grid.ChunkSide {
		for x := range grid.ChunkSide {
			if moves(c.At(x, y)) {
				r = r.Join(grid.Rect{X: at.X + x, Y: at.Y + y, W: 1, H: 1})
			}
		}
	}
	return r
}
