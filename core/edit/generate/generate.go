// Package generate makes random edits for tests, that mostly fit a document.
package generate

import (
	"fmt"
	"math/rand/v2"
	"slices"

	"azzel/core/edit"
	"azzel/core/grid"
	"azzel/core/kind"
	"azzel/core/tiles"
	"azzel/core/world"
)

// An Author makes random edits. It must be used by one goroutine.
type Author struct {
	Rand *rand.Rand
	IDs  *world.Counter
	// Later lets facts be short texts and belong to maps too, of which stored sessions know nothing.
	Later bool
}

func (a Author) region(m *world.Map) grid.Region {
	b := m.Bounds
	p := grid.Point{X: b.X + a.Rand.IntN(b.W), Y: b.Y + a.Rand.IntN(b.H)}
	return grid.BoxRegion(grid.Rect{X: p.X, Y: p.Y, W: 1 + a.Rand.IntN(6), H: 1 + a.Rand.IntN(6)}.Meet(b))
}

// Changed is a document after so many edits of any sort, of which those that do not fit are left.
func (a Author) Changed(d *world.Document, edits int) *world.Document {
	for range edits {
		if res, err := edit.Apply(d, a.Edit(d)); err == nil {
			d = res.Document
		}
	}
	return d
}

// Edit is an edit of any sort. It may not fit: then Apply refuses it.
func (a Author) Edit(d *world.Document) edit.Edit {
	if len(d.Maps) == 0 {
		// Two people deleted each other's last map.
		m, layers := world.NewMap("Room", grid.Point{}, grid.Rect{W: 12, H: 9}, a.IDs)
		return edit.Edit{Label: "a step", Parts: edit.PutMap(m, layers)}
	}
	m := d.Maps[a.Rand.IntN(len(d.Maps))]
	layer := m.Layers[a.Rand.IntN(len(m.Layers))]
	e := edit.Edit{Label: "a step"}
	add := func(p edit.Part) { e.Parts = append(e.Parts, p) }
	cell := func(m *world.Map) grid.Rect {
		return grid.Rect{X: m.Bounds.X + a.Rand.IntN(m.Bounds.W), Y: m.Bounds.Y + a.Rand.IntN(m.Bounds.H), W: 1, H: 1}
	}
	foot := func() grid.Point { return d.Project.Lattice().Foot(grid.Point{X: cell(m).X, Y: cell(m).Y}) }
	switch n := a.Rand.IntN(50); {
	case n >= 44:
		if e := a.place(d); len(e.Parts) > 0 {
			return e
		}
		add(edit.Change{Ref: world.Ref{Sort: world.SortMap, ID: m.ID}, Value: world.TextValue(world.FieldName, "Grotto")})
	case n >= 34:
		if e := a.shape(d); len(e.Parts) > 0 {
			return e
		}
		add(edit.Change{Ref: world.Ref{Sort: world.SortMap, ID: m.ID}, Value: world.TextValue(world.FieldName, fmt.Sprintf("Room %d", a.Rand.IntN(9)))})
	case n < 9:
		g := a.region(m)
		add(edit.Paint{Map: m.ID, Layer: layer.ID, Region: g, Cells: grid.Runs{{N: g.Len(), Cell: grid.Cell(a.Rand.IntN(9))}}})
	case n < 12:
		kinds := slices.DeleteFunc(kind.All(), func(k *kind.Kind) bool { return k.Single })
		p := &world.Piece{Type: kinds[a.Rand.IntN(len(kinds))].ID, Layer: m.PlayerLayer, Foot: foot()}
		add(edit.Put{Ref: world.Ref{Sort: world.SortPiece, Map: m.ID, ID: a.IDs.NewID()}, Values: p.Values()})
	case n < 14 && len(m.Pieces) > 0:
		p := m.Pieces[a.Rand.IntN(len(m.Pieces))]
		add(edit.Change{Ref: world.Ref{Sort: world.SortPiece, Map: m.ID, ID: p.ID}, Value: world.PointValue(world.FieldFoot, foot())})
	case n < 15 && len(m.Pieces) > 0:
		add(edit.Remove{Ref: world.Ref{Sort: world.SortPiece, Map: m.ID, ID: m.Pieces[a.Rand.IntN(len(m.Pieces))].ID}})
	case n < 16:
		fresh, layers := world.NewMap(fmt.Sprintf("Map %d", a.Rand.IntN(99)), grid.Point{X: a.Rand.IntN(400) - 200, Y: a.Rand.IntN(400) - 200},
			grid.Rect{W: 3 + a.Rand.IntN(12), H: 3 + a.Rand.IntN(9)}, a.IDs)
		e.Parts = edit.PutMap(fresh, layers)
	case n < 17 && len(d.Maps) > 3:
		add(edit.Remove{Ref: world.Ref{Sort: world.SortMap, ID: m.ID}})
	case n < 18:
		o := d.Maps[a.Rand.IntN(len(d.Maps))]
		c := &world.Crossing{BothWays: true, Ends: [2]world.End{{Map: m.ID, Cells: cell(m)}, {Map: o.ID, Cells: cell(o)}}}
		add(edit.Put{Ref: world.Ref{Sort: world.SortCrossing, ID: a.IDs.NewID()}, Values: c.Values()})
	case n < 19:
		add(edit.Change{Ref: world.Ref{Sort: world.SortMap, ID: m.ID}, Value: world.TextValue(world.FieldName, fmt.Sprintf("Room %d", a.Rand.IntN(9)))})
	case n < 20:
		medley := &world.Medley{Name: "Gravel", Medley: tiles.Medley{Tiles: []tiles.Weighted{{Tile: 1, Weight: 1 + a.Rand.IntN(9)}, {Tile: 3, Weight: a.Rand.IntN(9)}}, Seed: a.Rand.IntN(5), Mirrored: a.Rand.IntN(2) == 0}}
		add(edit.Put{Ref: world.Ref{Sort: world.SortMedley, ID: a.IDs.NewID()}, Values: medley.Values()})
	case n < 22 && len(d.Medleys) > 0:
		medley := d.Medleys[a.Rand.IntN(len(d.Medleys))]
		add(edit.Deal{Map: m.ID, Layer: m.Layers[a.Rand.IntN(len(m.Layers))].ID, Medley: medley.ID, Region: a.region(m)})
	case n < 23 && len(d.Medleys) > 4:
		add(edit.Remove{Ref: world.Ref{Sort: world.SortMedley, ID: d.Medleys[0].ID}})
	case n < 24 && len(d.Bonds) < 3:
		b := a.Bond(tiles.Join(a.Rand.IntN(3)), 6+a.Rand.IntN(3), 1+a.Rand.IntN(3))
		add(edit.Put{Ref: world.Ref{Sort: world.SortBond, ID: a.IDs.NewID()}, Values: b.Values()})
	case n < 30 && len(d.Bonds) > 0:
		add(Lay(m, layer, d.Bonds[a.Rand.IntN(len(d.Bonds))], a.region(m)))
	case n < 31 && len(d.Bonds) > 0:
		was := d.Bonds[a.Rand.IntN(len(d.Bonds))]
		b := a.Bond(was.Join, was.Tiles[0].Tile, len(was.Tiles))
		ref := world.Ref{Sort: world.SortBond, ID: was.ID}
		for _, v := range b.Values() {
			if v.Field == world.FieldTiles || v.Field == world.FieldAlso {
				add(edit.Change{Ref: ref, Value: v})
			}
		}
	case n < 32 && len(d.Bonds) > 1:
		add(edit.Remove{Ref: world.Ref{Sort: world.SortBond, ID: d.Bonds[0].ID}})
	default:
		t := d.Tilesets[0]
		i := a.Rand.IntN(t.Count)
		add(edit.Change{Ref: world.Ref{Sort: world.SortTileset, ID: t.ID}, Value: world.TileValues(i, t.Tile(i), flipped(t.Tile(i)))[0]})
	}
	return e
}

// Bond is a bond of count tiles from a number on, the first of them its centre,
// the others for any surroundings.
func (a Author) Bond(join tiles.Join, first, count int) *world.Bond {
	b := &world.Bond{Name: "Hedge", Bond: tiles.Bond{Join: join, Border: a.Rand.IntN(2) == 0, Seed: a.Rand.IntN(5)}}
	places := join.Places()
	for i := range count {
		tile := tiles.Bonded{Tile: first + i, Joined: join.Full(), Weight: 1 + a.Rand.IntN(3)}
		if i > 0 {
			tile.Joined = places[a.Rand.IntN(len(places))]
		}
		b.Tiles = append(b.Tiles, tile)
	}
	if a.Rand.IntN(2) == 0 {
		b.Also = append(b.Also, 1+a.Rand.IntN(5))
	}
	return b
}

// Lay is the part of an edit that lays a bond over a region.
func Lay(m *world.Map, l *world.Layer, b *world.Bond, g grid.Region) edit.Paint {
	return edit.Paint{Map: m.ID, Layer: l.ID, Region: g, Cells: grid.Runs{{N: g.Len(), Cell: b.Centre()}}, Loose: g}
}

// flipped is what a tile does with what is solid turned round.
func flipped(p tiles.Properties) tiles.Properties {
	p.Solid ^= tiles.Whole
	return p
}
