package maps

import (
	"fmt"

	"azzel/core/grid"
	"azzel/core/page"
	"azzel/core/picture"
	"azzel/core/world"
)

// LayerPicture draws one layer of a map small, within side pixels; all of it if layer
// is 0.
func LayerPicture(p *page.Page, mapID, layer world.ID, side int) (pixels []byte, w, h int) {
	m := p.Doc().Map(mapID)
	if m == nil {
		return nil, 0, 0
	}
	p.Bitmaps.Atlas.AddMissing(p.Doc())
	if layer == 0 {
		return p.Bitmaps.Atlas.Map(m, picture.AllLayers, side)
	}
	for i, l := range m.Layers {
		if l.ID == layer {
			return p.Bitmaps.Atlas.Map(m, 1<<i, side)
		}
	}
	return nil, 0, 0
}

// Sixteenth is the unit of places that are finer than a pixel.
const Sixteenth = 16

// LayerWay is how far a layer is moved by its depth where a view shows a box of the
// board, both in sixteenths of a pixel.
func LayerWay(p *page.Page, mapID, layer world.ID, view grid.Rect) grid.Point {
	d := p.Doc()
	m := d.Map(mapID)
	if m == nil || m.Layer(layer) == nil {
		return grid.Point{}
	}
	b := d.Project.Lattice().Box(m.OnBoard())
	of := grid.Rect{X: b.X * Sixteenth, Y: b.Y * Sixteenth, W: b.W * Sixteenth, H: b.H * Sixteenth}
	return picture.Away(m.Layer(layer), of, view)
}

// ScaledSize says in words how large a map's picture would be at a scale, or what keeps
// it from being made.
func ScaledSize(p *page.Page, id world.ID, scale int) string {
	m := p.Doc().Map(id)
	if m == nil {
		return ""
	}
	w, h, err := picture.ScaledSize(p.Doc(), m, scale)
	if err != nil {
		return err.Error()
	}
	return fmt.Sprintf("%d × %d px", w, h)
}

// Cells are those of a box of a layer, row by row; none of a box over 65,536 cells.
func Cells(p *page.Page, mapID, layer world.ID, r grid.Rect) []int {
	list := []int{}
	m := p.Doc().Map(mapID)
	if m == nil || m.Layer(layer) == nil || r.Empty() || r.W > 256 || r.H > 256 {
		return list
	}
	g := grid.BoxRegion(r)
	m.Layer(layer).Cells.Read(g).Over(g, func(_ grid.Point, c grid.Cell) { list = append(list, int(c)) })
	return list
}
