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

// LayerLies is how far a layer is moved by its depth where a view shows a box of the board, and where its backdrop lies after
// so many seconds, from the upper left corner of the map; all in sixteenths of a pixel. What one paints on lies still but
// in play.
func LayerLies(p *page.Page, mapID, layer world.ID, view grid.Rect, seconds float64) (way, backdrop grid.Point) {
	d := p.Doc()
	m := d.Map(mapID)
	if m == nil || m.Layer(layer) == nil {
		return way, backdrop
	}
	l := m.Layer(layer)
	if p.Played != nil || l != p.Hand.Layer(m) {
		b := d.Project.Lattice().Box(m.OnBoard())
		way = picture.Away(l, grid.Rect{X: b.X * Sixteenth, Y: b.Y * Sixteenth, W: b.W * Sixteenth, H: b.H * Sixteenth}, view)
	}
	corner := d.Project.Lattice().Pixel(grid.Point{X: m.Bounds.X, Y: m.Bounds.Y})
	at := picture.Drifted(l.Backdrop, seconds, Sixteenth)
	return way, grid.Point{X: way.X + at.X - corner.X*Sixteenth, Y: way.Y + at.Y - corner.Y*Sixteenth}
}

// Slab is layers of a map that are drawn as one picture.
type Slab struct {
	// Low and High have a bit for each layer of the map, the lowest first.
	Low  uint32 `json:"low"`
	High uint32 `json:"high"`
	// Layer is the one layer that is drawn by itself, as its depth moves it or it has a backdrop; else empty.
	Layer string `json:"layer"`
}

// Slabs are those layers of a map that this person sees, from one place in its order to before another, lowest first, with
// all that lie still on each other together. Unseen, unless nil, says which are left out besides.
func Slabs(p *page.Page, m *world.Map, from, to int, unseen func(layer world.ID) bool) []Slab {
	list := []Slab{}
	still := false
	only := p.Hand.Only(m)
	for i := from; i < min(to, len(m.Layers)); i++ {
		l := m.Layers[i]
		if only != nil && l != only || only == nil && p.Hand.Hidden(l.ID) || unseen != nil && unseen(l.ID) {
			continue
		}
		bit := uint64(1) << i
		low, high := uint32(bit), uint32(bit>>32)
		if l.DepthX != 0 || l.DepthY != 0 || l.Backdrop.Picture != "" {
			list, still = append(list, Slab{low, high, page.FormatID(l.ID)}), false
			continue
		}
		if !still {
			list, still = append(list, Slab{}), true
		}
		last := &list[len(list)-1]
		last.Low, last.High = last.Low|low, last.High|high
	}
	return list
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
