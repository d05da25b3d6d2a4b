package edit

import (
	"fmt"
	"slices"
	"strings"

	"azzel/core/grid"
	"azzel/core/pace"
	"azzel/core/world"
)

// A Likeness is by what a tile of one tileset is found in another.
type Likeness string

// By the place in the sheet, by the tile's own name, or by its role: the first
// of a role takes the place of the first, the second of the second, and so on.
const (
	ByPosition Likeness = "position"
	ByName     Likeness = "name"
	ByRole     Likeness = "role"
)

// A Reskin says which tiles of a tileset give way to which of another.
type Reskin struct {
	// Pace is told of the cells that are looked at.
	Pace pace.Pace
	// Map is the map it is about, 0 for all.
	Map world.ID
	// Within, unless nil, are the only cells of the map that it is about.
	Within grid.Region
	// From and To are the tilesets.
	From, To world.ID
	By       Likeness
	// Chosen are replacements chosen by hand: tile numbers by tile numbers, 0 for
	// leaving the tile as it is.
	Chosen map[int]int
}

// A Match is a tile that is used and what takes its place.
type Match struct {
	// From and To are the tiles' numbers; To is 0 if nothing matches.
	From, To int
	// Cells is how many cells hold it.
	Cells int
	// Chosen says that To was chosen by hand.
	Chosen bool
}

// Matches lists the tiles of From that lie on the maps, by their numbers. The
// cost grows with the cells of the maps' chunks that hold any.
func (r Reskin) Matches(d *world.Document) []Match {
	from, to := d.Tileset(r.From), d.Tileset(r.To)
	if from == nil || to == nil {
		return nil
	}
	found := r.find(from, to)
	var list []Match
	for i, n := range r.count(d, from) {
		if n == 0 {
			continue
		}
		m := Match{From: from.First + i, To: found[i], Cells: n}
		if chosen, ok := r.Chosen[m.From]; ok {
			if i := chosen - to.First; chosen == 0 || i >= 0 && i < to.Count {
				m.To, m.Chosen = chosen, true
			}
		}
		list = append(list, m)
	}
	return list
}

// TileCells counts for each tile of a tileset the cells that hold it, on one map or,
// with 0, on all.
func TileCells(d *world.Document, set *world.Tileset, only world.ID) []int {
	return Reskin{Map: only}.count(d, set)
}

func (r Reskin) count(d *world.Document, set *world.Tileset) []int {
	counts := make([]int, set.Count)
	if r.Within == nil {
		for _, m := range d.Maps {
			if r.Map != 0 && m.ID != r.Map {
				continue
			}
			for _, l := range m.Layers {
				l.Cells.EachChunk(func(_, _ int, c *grid.Chunk) {
					c.Count(func(v grid.Cell, n int) {
						if i := v.Tile() - set.First; i >= 0 && i < set.Count {
							counts[i] += n
						}
					})
					r.Pace.Did(grid.ChunkSide * grid.ChunkSide / 4)
				})
			}
		}
		return counts
	}
	r.each(d, set, func(_ *world.Map, _ *world.Layer, _ grid.Region, cells grid.Runs) {
		for _, run := range cells {
			counts[run.Cell.Tile()-set.First] += run.N
		}
	})
	return counts
}

// find gives for each tile of from the number of the one like it, 0 for none.
func (r Reskin) find(from, to *world.Tileset) []int {
	key := func(t *world.Tileset, i int, count map[string]int) string {
		p := t.Tile(i)
		switch r.By {
		case ByName:
			return strings.ToLower(p.Name)
		case ByRole:
			if p.Role == 0 {
				return ""
			}
			count[p.Role.String()]++
			return fmt.Sprintf("%s %d", p.Role, count[p.Role.String()]-1)
		}
		return fmt.Sprintf("%d %d", t.Places[i]/t.Columns, t.Places[i]%t.Columns)
	}
	has, count := map[string]int{}, map[string]int{}
	for i := range to.Count {
		if k := key(to, i, count); k != "" && has[k] == 0 {
			has[k] = to.First + i
		}
	}
	found, mine := make([]int, from.Count), map[string]int{}
	for i := range found {
		k := key(from, i, mine)
		found[i] = has[k]
		// More tiles of a role than there are begin again with the first.
		if role := from.Tile(i).Role; r.By == ByRole && found[i] == 0 && role != 0 && count[role.String()] > 0 {
			found[i] = has[fmt.Sprintf("%s %d", role, (mine[role.String()]-1)%count[role.String()])]
		}
	}
	return found
}

// each calls f for the cells of every layer that hold tiles of a tileset.
func (r Reskin) each(d *world.Document, from *world.Tileset, f func(*world.Map, *world.Layer, grid.Region, grid.Runs)) {
	mine := func(c grid.Cell) bool { n := c.Tile(); return n >= from.First && n < from.First+from.Count }
	for _, m := range d.Maps {
		if r.Map != 0 && m.ID != r.Map {
			continue
		}
		for _, l := range m.Layers {
			var g grid.Region
			reader := grid.Reader{Plane: l.Cells}
			l.Cells.EachChunk(func(cx, cy int, c *grid.Chunk) {
				if slices.ContainsFunc(c.Distinct(), mine) {
					area := grid.Rect{X: cx << 5, Y: cy << 5, W: grid.ChunkSide, H: grid.ChunkSide}
					g = append(g, grid.BoxRegion(area).WhereAt(r.Pace, func(p grid.Point) bool { return mine(reader.At(p.X, p.Y)) })...)
				}
			})
			g = grid.RegionOf(g)
			if r.Within != nil {
				g = g.Meet(r.Within)
			}
			if len(g) > 0 {
				f(m, l, g, l.Cells.ReadAt(r.Pace, g))
			}
		}
	}
}

// Edit is the one step that does it, and how many cells it changes. What follows
// its bond and becomes a tile of a bond follows that bond.
func (r Reskin) Edit(d *world.Document) (e Edit, cells int) {
	from, to := d.Tileset(r.From), d.Tileset(r.To)
	if from == nil || to == nil {
		return e, 0
	}
	becomes := map[int]int{}
	for _, m := range r.Matches(d) {
		if m.To != 0 && m.To != m.From {
			becomes[m.From] = m.To
		}
	}
	where := "all maps"
	if m := d.Map(r.Map); m != nil {
		where = m.Name
		if r.Within != nil {
			where = "cells of " + m.Name
		}
	}
	e.Label = Clip(fmt.Sprintf("re-skin %s with %s", where, to.Name))
	r.each(d, from, func(m *world.Map, l *world.Layer, g grid.Region, _ grid.Runs) {
		at := grid.Reader{Plane: l.Cells}
		g = g.WhereAt(r.Pace, func(p grid.Point) bool { return becomes[at.At(p.X, p.Y).Tile()] != 0 })
		if len(g) == 0 {
			return
		}
		next := grid.RunsOfAt(r.Pace, g, func(p grid.Point) grid.Cell {
			c := at.At(p.X, p.Y)
			return grid.Cell(becomes[c.Tile()]).Turned(c.Orientation())
		})
		follows := d.Follows(m, l)
		loose := g.WhereAt(r.Pace, func(p grid.Point) bool { return follows(p) && d.BondOf(becomes[at.At(p.X, p.Y).Tile()]) != nil })
		e.Parts = append(e.Parts, Paint{Map: m.ID, Layer: l.ID, Region: g, Cells: next, Loose: loose})
		cells += g.Len()
	})
	return e, cells
}
