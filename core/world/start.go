package world

import (
	"azzel/core/grid"
	"azzel/core/kind"
	"azzel/core/limit"
	"azzel/core/pack"
	"azzel/core/tiles"
)

// Start makes the document of a new project: the blockout tileset, and a first map, so that it
// can be played at once: from above two by two screens, floored and walled, with a spawn in
// the middle; from the side four screens beside each other, with ground and a spawn on it.
func Start(p Project, ids Allocator) (*Document, error) {
	if err := p.Check(); err != nil {
		return nil, err
	}
	return Assemble(1, func(d *Draft) error {
		d.doc.Project = p
		blockout := &Tileset{Name: "Blockout", First: 1, Count: tiles.BlockoutCount, Columns: tiles.BlockoutCount, Rows: 1,
			Cut: tiles.Cut{W: p.CellW, H: p.CellH}}
		for i := range tiles.BlockoutCount {
			blockout.Places = append(blockout.Places, i)
			p := tiles.Role(i + 1).Properties()
			blockout.Tiles = append(blockout.Tiles, &p)
		}
		if err := d.Put(Ref{SortTileset, 0, ids.NewID()}, blockout.Values()); err != nil {
			return err
		}
		if p.View == SideView {
			return d.startFromTheSide(p, ids)
		}
		bounds := grid.Rect{W: max(4, 2*p.SeenW), H: max(4, 2*p.SeenH)}
		m, layers := NewMap("First map", grid.Point{}, bounds, ids)
		if err := PutMap(d, m, layers); err != nil {
			return err
		}
		floor := grid.BoxRegion(bounds)
		wall := grid.Runs{{N: bounds.W * bounds.H, Cell: grid.Cell(tiles.Wall)}}
		if _, err := d.Paint(m.ID, m.PlayerLayer, Stroke{Region: floor, Cells: wall}); err != nil {
			return err
		}
		inner := grid.BoxRegion(grid.Rect{X: 1, Y: 1, W: bounds.W - 2, H: bounds.H - 2})
		ground := grid.Runs{{N: inner.Len(), Cell: grid.Cell(tiles.Ground)}}
		if _, err := d.Paint(m.ID, m.PlayerLayer, Stroke{Region: inner, Cells: ground}); err != nil {
			return err
		}
		spawn := &Piece{Type: begins(), Layer: m.PlayerLayer, Foot: p.Lattice().Foot(grid.Point{X: bounds.W / 2, Y: bounds.H / 2})}
		return d.Put(Ref{SortPiece, m.ID, ids.NewID()}, spawn.Values())
	})
}

// startFromTheSide puts in a first map of four screens with ground.
func (d *Draft) startFromTheSide(p Project, ids Allocator) error {
	bounds := grid.Rect{W: max(4, min(4*p.SeenW, limit.MaxMapSide)), H: max(4, p.SeenH)}
	m, layers := NewMap("First map", grid.Point{}, bounds, ids)
	m.SeenAs(SideView)
	if err := PutMap(d, m, layers); err != nil {
		return err
	}
	deep := max(1, bounds.H/6)
	ground := grid.BoxRegion(grid.Rect{Y: bounds.H - deep, W: bounds.W, H: deep})
	if _, err := d.Paint(m.ID, m.PlayerLayer, Stroke{Region: ground, Cells: grid.Runs{{N: ground.Len(), Cell: grid.Cell(tiles.Wall)}}}); err != nil {
		return err
	}
	at := grid.Point{X: min(bounds.W-1, max(1, p.SeenW/4)), Y: bounds.H - deep - 1}
	spawn := &Piece{Type: begins(), Layer: m.PlayerLayer, Foot: m.FootOf(p.Lattice(), 0, at)}
	return d.Put(Ref{SortPiece, m.ID, ids.NewID()}, spawn.Values())
}

// NewMap makes a top-down map with the two layers that every map starts with:
// the ground, in which the player walks, and what is over their head.
func NewMap(name string, origin grid.Point, bounds grid.Rect, ids Allocator) (*Map, []*Layer) {
	ground := &Layer{ID: ids.NewID(), Name: "Ground", Order: 1, Counts: true}
	over := &Layer{ID: ids.NewID(), Name: "Overhead", Order: 2}
	m := &Map{ID: ids.NewID(), Name: name, Origin: origin, Bounds: bounds, PlayerLayer: ground.ID}
	return m, []*Layer{ground, over}
}

// PutMap puts a map with its layers into a draft.
func PutMap(d *Draft, m *Map, layers []*Layer) error {
	if err := d.Put(Ref{SortMap, 0, m.ID}, m.Values()); err != nil {
		return err
	}
	for _, l := range layers {
		if err := d.Put(Ref{SortLayer, m.ID, l.ID}, l.Values()); err != nil {
			return err
		}
	}
	return nil
}

// Body is the canonical bytes of a thing's properties, as stored.
func Body(values []Value) []byte {
	var w pack.Writer
	EncodeValues(&w, values)
	return w.Bytes
}

// begins is the type of piece at which play begins.
func begins() ID { return kind.First(func(k *kind.Kind) bool { return k.Begins }).ID }
