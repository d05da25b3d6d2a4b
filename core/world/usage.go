package world

import (
	"fmt"
	"slices"

	"azzel/core/grid"
	"azzel/core/rows"
)

// UsedTiles tells of each tile's number whether it lies on any map. The cost grows
// with the chunks of all maps.
func (d *Document) UsedTiles() []bool {
	used := make([]bool, d.TilesEnd())
	for _, m := range d.Maps {
		for _, l := range m.Layers {
			l.Cells.EachChunk(func(_, _ int, c *grid.Chunk) {
				for _, v := range c.Distinct() {
					if n := v.Tile(); n < len(used) {
						used[n] = true
					}
				}
			})
		}
	}
	return used
}

// Arranged sorts the ids of some things as the project's drawer has them; those it
// does not have come after, in the order given.
func (p *Project) Arranged(ids []ID) []ID {
	rank := map[ID]int{}
	for i, id := range p.Drawer.IDs() {
		rank[id] = i - len(p.Drawer)
	}
	ids = slices.Clone(ids)
	slices.SortStableFunc(ids, func(a, b ID) int { return rank[a] - rank[b] })
	return ids
}

// UsesPrefix reports whether the id of anything begins with a prefix, which must then
// not be given out for new ids. The cost grows with the number of things.
func (d *Document) UsesPrefix(prefix uint32) bool {
	begins := func(id ID) bool { return uint32(id>>32) == prefix }
	for _, c := range collections {
		if slices.ContainsFunc(c.ids(d), begins) {
			return true
		}
	}
	for _, m := range d.Maps {
		if begins(m.ID) || slices.ContainsFunc(m.Layers, func(l *Layer) bool { return begins(l.ID) }) ||
			slices.ContainsFunc(m.Pieces, func(p *Piece) bool { return begins(p.ID) }) {
			return true
		}
	}
	return false
}

// ShortName is the short name of a tile's tileset, by its place among all of them, and
// the tile's place in it, from 0 on.
func (d *Document) ShortName(tile int) (set string, index int) {
	t, i := d.TilesetOf(tile)
	return rows.Short(slices.Index(d.Tilesets, t)), i
}

// ShortTile finds a tile by what ShortName gives.
func (d *Document) ShortTile(set string, index int) (int, error) {
	for i, t := range d.Tilesets {
		if rows.Short(i) != set {
			continue
		}
		if index >= t.Count {
			return 0, fmt.Errorf("the tileset %s (%s) has %d tiles, and no %d", set, t.Name, t.Count, index+1)
		}
		return t.First + index, nil
	}
	return 0, fmt.Errorf("there is no tileset %.40q: they are called a to %s here", set, rows.Short(len(d.Tilesets)-1))
}
