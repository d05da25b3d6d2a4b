package edit

import (
	"fmt"
	"maps"
	"slices"

	"azzel/core/grid"
	"azzel/core/world"
)

// distinct are the different cells of a plane but empty ones, in their order.
func distinct(p grid.Plane) []grid.Cell {
	found := map[grid.Cell]bool{}
	p.EachChunk(func(_, _ int, c *grid.Chunk) {
		for _, v := range c.Distinct() {
			found[v] = true
		}
	})
	delete(found, 0)
	return slices.Sorted(maps.Keys(found))
}

// LayCells lays the cells of a box, from (0, 0) on, over the upper left part of a map,
// on one layer, the empty ones too. An error says in words what keeps it.
func LayCells(d *world.Document, mapID, layer world.ID, cells grid.Plane, box grid.Rect) (Edit, error) {
	m := d.Map(mapID)
	if m == nil || m.Layer(layer) == nil {
		return Edit{}, world.ErrGone
	}
	l := m.Layer(layer)
	switch {
	case box.W > m.Bounds.W || box.H > m.Bounds.H:
		return Edit{}, fmt.Errorf("there are %d × %d cells, and %s has %d × %d: make it larger first", box.W, box.H, m.Name, m.Bounds.W, m.Bounds.H)
	case l.Locked:
		return Edit{}, fmt.Errorf("the layer %s of %s is locked", l.Name, m.Name)
	case l.Takes.NoTiles:
		return Edit{}, fmt.Errorf("the layer %s of %s takes no tiles", l.Name, m.Name)
	}
	for _, c := range distinct(cells) {
		if set, i := d.TilesetOf(c.Tile()); set != nil && !l.Takes.Role(set.Tile(i).Role) {
			return Edit{}, fmt.Errorf("the layer %s of %s takes no tile like tile %d of %s: change what it takes first", l.Name, m.Name, i+1, set.Name)
		}
	}
	g := grid.BoxRegion(box)
	return Edit{Label: Clip(fmt.Sprintf("lay %d × %d cells on %s", box.W, box.H, l.Name)), Parts: []Part{
		Paint{Map: mapID, Layer: layer, Region: g.Move(grid.Point{X: m.Bounds.X, Y: m.Bounds.Y}), Cells: cells.Read(g)},
	}}, nil
}
