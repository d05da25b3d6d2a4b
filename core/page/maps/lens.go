package maps

import (
	"azzel/core/grid"
	"azzel/core/page"
	"azzel/core/tiles"
	"azzel/core/world"
)

// Lens says of each cell of a box of a map what the tiles there are: 0 for
// nothing, 1 for all of the cell, 2 for part of it.
func Lens(p *page.Page, id world.ID, r grid.Rect, property string) []byte {
	m := p.Doc().Map(id)
	if m == nil || r.Empty() || r.W > 1024 || r.H > 1024 {
		return nil
	}
	out := make([]byte, 0, r.W*r.H)
	for y := r.Y; y < r.Y+r.H; y++ {
		for x := r.X; x < r.X+r.W; x++ {
			out = append(out, lensAt(p.Doc(), m, grid.Point{X: x, Y: y}, property))
		}
	}
	return out
}

func lensAt(d *world.Document, m *world.Map, c grid.Point, property string) byte {
	var mask tiles.Mask
	var any bool
	for _, l := range m.Layers {
		n := l.Cells.At(c).Tile()
		if n == 0 || !l.Counts {
			continue
		}
		is := d.TileOf(n)
		mask |= is.Solid
		has := property != "solid" && is.Has(property)
		switch property {
		case "water", "danger":
			// The topmost tile that counts covers what is beneath it.
			any = has
		default:
			any = any || has
		}
	}
	switch {
	case any || property == "solid" && mask == tiles.Whole:
		return 1
	case property == "solid" && mask != 0:
		return 2
	}
	return 0
}
