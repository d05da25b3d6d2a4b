package world

import (
	"slices"

	"azzel/core/grid"
	"azzel/core/tiles"
)

// A Bond is tiles that join up by themselves, with a name.
type Bond struct {
	ID     ID
	Name   string
	Number int
	tiles.Bond
	// JoinsTo are other bonds whose tiles it joins to.
	JoinsTo []ID
}

// Bond finds a bond; nil if there is none.
func (d *Document) Bond(id ID) *Bond {
	return byID(d.Bonds, id, func(b *Bond) ID { return b.ID })
}

// BondOf finds the bond that a tile belongs to; nil if it belongs to none.
func (d *Document) BondOf(tile int) *Bond {
	if b := d.index().of(tile); b != nil {
		return b.Bond
	}
	return nil
}

// Centre is the cell that stands for the bond: a tile joined on every side.
func (b *Bond) Centre() grid.Cell {
	for _, t := range b.Tiles {
		if t.Joined == b.Join.Full() && t.Weight > 0 {
			return grid.Cell(t.Tile)
		}
	}
	return 0
}

// A bondIndex finds the bond of a tile by its number. It belongs to the bonds it
// was made of and never changes.
type bondIndex struct {
	// pages are the bonds of 256 tiles each; nil where there is none.
	pages []*[tilePage]*preparedBond
	bonds []*preparedBond
}

// tilePage is how many tiles a page of a bondIndex has.
const tilePage = 256

// A preparedBond is a bond ready for laying.
type preparedBond struct {
	*Bond
	table *tiles.BondTable
	also  map[int]bool
}

// index is made anew when a bond was touched. Documents that a Draft has made
// have it already, so that they can be read by many goroutines.
func (d *Document) index() *bondIndex {
	if d.bonds == nil {
		d.bonds = newBondIndex(d.Bonds)
	}
	return d.bonds
}

func newBondIndex(bonds []*Bond) *bondIndex {
	i := &bondIndex{}
	for _, b := range bonds {
		p := &preparedBond{Bond: b, table: b.Table(), also: map[int]bool{}}
		for _, n := range b.Also {
			p.also[n] = true
		}
		for _, t := range b.Tiles {
			i.put(t.Tile, p)
		}
		i.bonds = append(i.bonds, p)
	}
	return i
}

func (i *bondIndex) of(tile int) *preparedBond {
	if k := tile / tilePage; k < len(i.pages) && i.pages[k] != nil {
		return i.pages[k][tile%tilePage]
	}
	return nil
}

// put says whose a tile is, which must not be 0.
func (i *bondIndex) put(tile int, b *preparedBond) {
	k := tile / tilePage
	if k >= len(i.pages) {
		i.pages = append(i.pages, make([]*[tilePage]*preparedBond, k+1-len(i.pages))...)
	}
	if i.pages[k] == nil {
		i.pages[k] = new([tilePage]*preparedBond)
	}
	i.pages[k][tile%tilePage] = b
}

// A bonder asks what the bonds of a layer lay where.
type bonder struct {
	*bondIndex
	mapID, layer ID
	bounds       grid.Rect
}

// joins reports whether b joins to a tile.
func (i *bondIndex) joins(b *preparedBond, tile int) bool {
	o := i.of(tile)
	return o == b || o != nil && slices.Contains(b.JoinsTo, o.ID) || len(b.also) > 0 && b.also[tile]
}

// lays is what b lays at c among the cells of r.
func (i bonder) lays(b *preparedBond, r *grid.Reader, c grid.Point) grid.Cell {
	var joined tiles.Neighbours
	for k, way := range tiles.Around {
		q := grid.Point{X: c.X + way[0], Y: c.Y + way[1]}
		if !i.bounds.Has(q) {
			if b.Border {
				joined |= 1 << k
			}
		} else if i.joins(b, r.At(q.X, q.Y).Tile()) {
			joined |= 1 << k
		}
	}
	var chance uint64
	if !b.table.Alone(joined) {
		chance = tiles.Chance(uint64(b.Seed), uint64(i.mapID), uint64(i.layer), uint64(c.X), uint64(c.Y))
	}
	return grid.Cell(b.table.Tile(joined, chance))
}

// follows reports whether the cell at c is what its bond lays there.
func (i bonder) follows(r *grid.Reader, c grid.Point) bool {
	cell := r.At(c.X, c.Y)
	b := i.of(cell.Tile())
	return b != nil && i.lays(b, r, c) == cell
}

// Following is the region of a layer in which tiles of a bond, or of bonds that
// join to it, are what their bond lays there: all but what was laid otherwise by
// hand.
func (d *Document) Following(m *Map, l *Layer, bond ID) grid.Region {
	i := bonder{d.index(), m.ID, l.ID, m.Bounds}
	r := grid.Reader{Plane: l.Cells}
	meant := func(b *preparedBond) bool { return b != nil && (b.ID == bond || slices.Contains(b.JoinsTo, bond)) }
	var g grid.Region
	l.Cells.EachChunk(func(cx, cy int, c *grid.Chunk) {
		if slices.ContainsFunc(c.Distinct(), func(v grid.Cell) bool { return meant(i.of(v.Tile())) }) {
			area := grid.Rect{X: cx << 5, Y: cy << 5, W: grid.ChunkSide, H: grid.ChunkSide}
			g = append(g, grid.BoxRegion(area).Where(func(p grid.Point) bool {
				return meant(i.of(r.At(p.X, p.Y).Tile())) && i.follows(&r, p)
			})...)
		}
	})
	return grid.RegionOf(g)
}

// Follows tells of the cells of a layer whether they are what their bond lays
// there. The function must be used by one goroutine.
func (d *Document) Follows(m *Map, l *Layer) func(grid.Point) bool {
	i := bonder{d.index(), m.ID, l.ID, m.Bounds}
	r := grid.Reader{Plane: l.Cells}
	return func(c grid.Point) bool { return i.follows(&r, c) }
}
