// Package supplies is the room of bonds and medleys, from which cells are laid that differ.
package supplies

import (
	"slices"

	"azzel/core/edit"
	"azzel/core/grid"
	"azzel/core/hand"
	"azzel/core/limit"
	"azzel/core/page"
	"azzel/core/page/holding"
	"azzel/core/tiles"
	"azzel/core/world"
)

// BondView is a bond in the drawer and on the desk.
type BondView struct {
	ID      string         `json:"id"`
	Name    string         `json:"name"`
	Join    int            `json:"join"`
	Tiles   []tiles.Bonded `json:"tiles"`
	Border  bool           `json:"border"`
	Also    []int          `json:"also"`
	JoinsTo []string       `json:"joinsTo"`
	Seed    int            `json:"seed"`
	// Picture is four tiles that join, row by row.
	Picture []int `json:"picture"`
	// Lacks is for how many surroundings it has no tile of its own.
	Lacks int `json:"lacks"`
}

// Bonding is what a bond is to be.
type Bonding struct {
	Join    int            `json:"join"`
	Tiles   []tiles.Bonded `json:"tiles"`
	Border  bool           `json:"border"`
	Also    []int          `json:"also"`
	JoinsTo []string       `json:"joinsTo"`
	Seed    int            `json:"seed"`
}

// Proposal is what a block of tiles seems to be as a bond.
type Proposal struct {
	Join  int            `json:"join"`
	Tiles []tiles.Bonded `json:"tiles"`
	// Unsure are the tiles whose pixels leave doubt.
	Unsure []int `json:"unsure"`
}

func (b Bonding) bond() tiles.Bond {
	join := tiles.Join(b.Join & 255)
	list := make([]tiles.Bonded, len(b.Tiles))
	for i, t := range b.Tiles {
		list[i] = tiles.Bonded{Tile: t.Tile, Joined: join.Settle(t.Joined), Weight: t.Weight}
	}
	return tiles.Bond{Join: join, Tiles: list, Border: b.Border, Also: b.Also, Seed: b.Seed}
}

// ViewBond is a bond as a view.
func ViewBond(b *world.Bond) BondView {
	v := BondView{ID: page.FormatID(b.ID), Name: b.Name, Join: int(b.Join), Tiles: b.Tiles, Border: b.Border, Also: append([]int{}, b.Also...),
		JoinsTo: formatIDs(b.JoinsTo), Seed: b.Seed, Lacks: len(b.Lacks())}
	v.Picture = sample(b.Bond, 2, 2, func(x, y int) bool { return x >= 0 && y >= 0 && x < 2 && y < 2 })
	return v
}

// sample lays a bond over the cells of a box of w × h for which holds is true.
func sample(b tiles.Bond, w, h int, holds func(x, y int) bool) []int {
	table := b.Table()
	cells := make([]int, 0, w*h)
	for y := range h {
		for x := range w {
			cell := 0
			if holds(x, y) {
				var joined tiles.Neighbours
				for i, way := range tiles.Around {
					if holds(x+way[0], y+way[1]) {
						joined |= 1 << i
					}
				}
				cell = table.Tile(joined, tiles.Chance(uint64(b.Seed), uint64(x), uint64(y)))
			}
			cells = append(cells, cell)
		}
	}
	return cells
}

// samplePlan is where a bond is laid to be looked at: a room with a hole, a line,
// a corner and a cell alone.
var samplePlan = []string{
	"............",
	".#####..#...",
	".#####..#.#.",
	".##.##..#...",
	".#####.###..",
	".#####......",
	"............",
}

// SampleColumns and SampleRows are the size of a bond's sample in cells.
const SampleColumns, SampleRows = 12, 7

// BondSample is how a bond would lie, row by row; empty if it can't be laid.
func BondSample(p *page.Page, to Bonding) []int {
	b := to.bond()
	if b.Check() != nil {
		return []int{}
	}
	return sample(b, SampleColumns, SampleRows, func(x, y int) bool {
		return y >= 0 && y < SampleRows && x >= 0 && x < SampleColumns && samplePlan[y][x] == '#'
	})
}

// Proposed finds which of a bond's tiles each tile of a list is, by its pixels, of as many as a bond can have; a join that is
// none finds the way to join as well.
func Proposed(p *page.Page, list []int, join int) Proposal {
	l := p.Doc().Project.Lattice()
	v := Proposal{Join: join, Tiles: []tiles.Bonded{}, Unsure: []int{}}
	var pixels [][]byte
	for _, n := range list[:min(len(list), limit.BondTiles)] {
		if pix := p.Tile(grid.Cell(n)); pix != nil {
			pixels = append(pixels, pix)
			v.Tiles = append(v.Tiles, tiles.Bonded{Tile: n, Weight: 1})
		}
	}
	if len(pixels) == 0 {
		v.Join = int(tiles.Sides)
		return v
	}
	found, proposed := tiles.Join(join&255), []tiles.Proposed(nil)
	if join < 0 || !found.Valid() {
		found, proposed = tiles.ProposeJoin(pixels, l.W, l.H)
	} else {
		proposed = tiles.Propose(found, pixels, l.W, l.H)
	}
	v.Join = int(found)
	for i, is := range proposed {
		v.Tiles[i].Joined = is.Joined
		if !is.Sure {
			v.Unsure = append(v.Unsure, v.Tiles[i].Tile)
		}
	}
	return v
}

// MakeBond makes a bond, and holds it. Without a name it is called for the tile in its middle.
type MakeBond struct {
	Name string  `json:"name"`
	Bond Bonding `json:"bond"`
}

// Do implements Order.
func (o MakeBond) Do(p *page.Page) page.Changed {
	to := o.Bond
	b := &world.Bond{ID: p.IDs.NewID(), Name: o.Name, Bond: to.bond(), JoinsTo: parseIDs(to.JoinsTo)}
	if b.Name == "" && b.Centre() != 0 {
		b.Name = "Bond of " + hand.TileName(p.Doc(), b.Centre())
	}
	return holding.MakeHeld(p, world.Ref{Sort: world.SortBond, ID: b.ID}, b.Name, b.Values(), hand.Bond)
}

// ChangeBond changes a bond.
type ChangeBond struct {
	Bond   page.ID            `json:"bond"`
	Change page.Part[Bonding] `json:"change"`
}

// Do implements Order.
func (o ChangeBond) Do(p *page.Page) page.Changed {
	b := p.Doc().Bond(world.ID(o.Bond))
	if b == nil {
		return p.Fail(world.ErrGone)
	}
	to, err := o.Change.Over(Bonding{int(b.Join), slices.Clone(b.Tiles), b.Border, slices.Clone(b.Also), formatIDs(b.JoinsTo), b.Seed})
	if err != nil {
		return p.Fail(err)
	}
	next := *b
	next.Bond, next.JoinsTo = to.bond(), parseIDs(to.JoinsTo)
	return p.Change(b.Name, edit.Rebond(p.Doc(), b, &next))
}

func formatIDs(ids []world.ID) []string {
	list := make([]string, len(ids))
	for i, id := range ids {
		list[i] = page.FormatID(id)
	}
	return list
}

func parseIDs(list []string) []world.ID {
	var ids []world.ID
	for _, s := range list {
		ids = append(ids, page.ParseID(s))
	}
	return ids
}
