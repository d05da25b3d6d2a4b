package generate

import (
	"math/rand/v2"

	"azzel/core/grid"
	"azzel/core/kind"
	"azzel/core/kinds/props"
	"azzel/core/tiles"
	"azzel/core/world"
)

// Crowd makes a map in side-view, so many cells wide, with ground, ledges and foes: spread over
// it, or all of them in one cell. The player can't be hurt to the end.
func Crowd(things int, spread bool, wide int) (*world.Document, error) {
	const high = 32
	r := rand.New(rand.NewPCG(5, 92))
	ids := &world.Counter{Prefix: 2}
	d, err := world.Start(world.Project{Name: "Crowd", CellW: 16, CellH: 16, SeenW: 20, SeenH: 12, View: world.SideView}, ids)
	if err != nil {
		return nil, err
	}
	draft := d.Draft()
	m := d.Maps[0]
	all := grid.BoxRegion(m.Bounds)
	for _, l := range m.Layers {
		if _, err := draft.Paint(m.ID, l.ID, world.Stroke{Region: all, Cells: grid.Runs{{N: all.Len()}}}); err != nil {
			return nil, err
		}
	}
	if err := draft.Change(world.Ref{Sort: world.SortMap, ID: m.ID}, world.RectValue(world.FieldBounds, grid.Rect{W: wide, H: high})); err != nil {
		return nil, err
	}
	var g grid.Region
	var runs grid.Runs
	for y := range high {
		for x := range wide {
			c := grid.Cell(0)
			if y == high-1 || y%6 == 5 && x%13 > 2 {
				c = grid.Cell(tiles.Wall)
			}
			g, runs = g.Append(y, x, x), runs.Append(1, c)
		}
	}
	if _, err := draft.Paint(m.ID, m.PlayerLayer, world.Stroke{Region: g, Cells: runs}); err != nil {
		return nil, err
	}
	for range things {
		at := grid.Point{X: wide / 2, Y: high - 2}
		if spread {
			at = grid.Point{X: 3 + r.IntN(wide-6), Y: r.IntN(5)*6 + 4}
		}
		p := &world.Piece{Type: world.Foe, Layer: m.PlayerLayer, Foot: d.Project.Lattice().Foot(at), Props: kind.Set(props.Speed.Is(10+r.IntN(40)), props.Does.Is(r.IntN(3)))}
		if err := draft.Put(world.Ref{Sort: world.SortPiece, Map: m.ID, ID: ids.NewID()}, p.Values()); err != nil {
			return nil, err
		}
	}
	return draft.Done()
}

// Mixed is a crowd of foes of which every third is a moving platform or a pushable instead, seen from the side or from
// above.
func Mixed(things int, view world.View) (*world.Document, error) {
	const wide = 512
	d, err := Crowd(0, true, wide)
	if err != nil {
		return nil, err
	}
	r := rand.New(rand.NewPCG(6, 92))
	ids := &world.Counter{Prefix: 3}
	draft := d.Draft()
	m := *d.Maps[0]
	m.SeenAs(view)
	for _, v := range m.Values() {
		if err := draft.Change(world.Ref{Sort: world.SortMap, ID: m.ID}, v); err != nil {
			return nil, err
		}
	}
	l := d.Project.Lattice()
	for i := range things {
		at := grid.Point{X: 3 + r.IntN(wide-6), Y: r.IntN(5)*6 + 4}
		p := &world.Piece{Type: world.Foe, Layer: m.PlayerLayer, Props: kind.Set(props.Speed.Is(10+r.IntN(40)), props.Does.Is(r.IntN(3)))}
		switch i % 6 {
		case 0:
			p.Type, p.Props = world.MovingPlatform, kind.Set(props.Speed.Is(10+r.IntN(40)), props.To.Is(l.W*(2+r.IntN(6)), 0))
		case 3:
			p.Type, p.Props = world.Pushable, ""
		}
		p.Foot = m.FootFor(l, p, at)
		if err := draft.Put(world.Ref{Sort: world.SortPiece, Map: m.ID, ID: ids.NewID()}, p.Values()); err != nil {
			return nil, err
		}
	}
	return draft.Done()
}
