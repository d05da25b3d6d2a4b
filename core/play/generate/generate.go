// Package generate makes random worlds and inputs for tests of play. What it
// makes depends on the seed alone.
package generate

import (
	"math/rand/v2"

	"azzel/core/grid"
	"azzel/core/play"
	"azzel/core/tiles"
	"azzel/core/world"
)

// World makes a project of two maps with random walls, pieces and crossings, seen from above
// or from the side, and somebody who moves at random.
func World(seed uint64) (*world.Document, error) {
	d, err := FromAbove(seed)
	if err != nil {
		return nil, err
	}
	r := rand.New(rand.NewPCG(seed, 80))
	draft := d.Draft()
	for _, m := range d.Maps {
		if r.IntN(2) == 0 {
			next := *m
			next.SeenAs(world.SideView)
			for _, v := range next.Values() {
				if err := draft.Change(world.Ref{Kind: world.KindMap, ID: m.ID}, v); err != nil {
					return nil, err
				}
			}
		}
	}
	ids := &world.Counter{Prefix: 4}
	for _, m := range d.Maps {
		for range r.IntN(12) {
			of := []world.ID{world.MovingPlatform, world.Foe, world.Foe, world.Spring, world.Hazard}[r.IntN(5)]
			piece := &world.Piece{Acting: acting(r, of), Type: of, Layer: m.PlayerLayer, Foot: d.Project.Lattice().Foot(Cell(r, m))}
			if err := draft.Put(world.Ref{Kind: world.KindPiece, Map: m.ID, ID: ids.NewID()}, piece.Values()); err != nil {
				return nil, err
			}
		}
	}
	if r.IntN(3) > 0 {
		who := &world.Character{Name: "Gardener", Movement: Movement(r)}
		const id = world.ID(3)<<32 | 1
		if err := draft.Put(world.Ref{Kind: world.KindCharacter, ID: id}, who.Values()); err != nil {
			return nil, err
		}
		if err := draft.Change(world.Ref{Kind: world.KindProject}, world.IDValue(world.FieldPlayer, id)); err != nil {
			return nil, err
		}
	}
	return draft.Done()
}

// acting is a random way for a piece of a type to act.
func acting(r *rand.Rand, of world.ID) world.Acting {
	a := world.Acting{Does: world.Doing(r.IntN(5)), Range: r.IntN(9), Strength: r.IntN(4)}
	if a.Speed = r.IntN(90); r.IntN(5) == 0 {
		a.Speed = 640
	}
	if of == world.MovingPlatform {
		a.ToX, a.ToY = r.IntN(120)-60, r.IntN(120)-60
	}
	return a
}

// Movement is a random way of moving, often an extreme one.
func Movement(r *rand.Rand) world.Movement {
	m := world.Movement{Speed: 1 + r.IntN(120), Steering: world.Steering(r.IntN(3)), Jump: 1 + r.IntN(60), Air: 6 + r.IntN(90), Start: 1 + r.IntN(30),
		Climb: 1 + r.IntN(90), Health: 1 + r.IntN(9), Cannot: world.Ability(r.IntN(8) & r.IntN(8))}
	if r.IntN(4) == 0 {
		m.Speed, m.Jump, m.Air = 640, 320, 6
	}
	if r.IntN(3) == 0 {
		m.BodyW, m.BodyH = 2+r.IntN(40), 2+r.IntN(40)
	}
	return m
}

// FromAbove makes such a project with maps that are seen from above, and the built-in figure.
func FromAbove(seed uint64) (*world.Document, error) {
	r := rand.New(rand.NewPCG(seed, 77))
	sizes := [][2]int{{16, 16}, {8, 8}, {24, 24}, {16, 24}, {5, 4}, {128, 128}}
	size := sizes[r.IntN(len(sizes))]
	ids := &world.Counter{Prefix: 2}
	d, err := world.Start(world.Project{Name: "Trial", CellW: size[0], CellH: size[1], SeenW: 4 + r.IntN(9), SeenH: 3 + r.IntN(7)}, ids)
	if err != nil {
		return nil, err
	}
	draft := d.Draft()
	first := d.Maps[0]
	far, layers := world.NewMap("Far", grid.Point{X: 200 + r.IntN(50), Y: -r.IntN(60)}, grid.Rect{X: -3, Y: 2, W: 5 + r.IntN(30), H: 4 + r.IntN(20)}, ids)
	if err := world.PutMap(draft, far, layers); err != nil {
		return nil, err
	}
	for _, m := range []*world.Map{first, far} {
		for range m.Bounds.W * m.Bounds.H / 5 {
			p := Cell(r, m)
			cell := grid.Cell(1 + r.IntN(tiles.BlockoutCount))
			if r.IntN(2) == 0 {
				cell = grid.Cell(tiles.Wall)
			}
			if _, err := draft.Paint(m.ID, m.PlayerLayer, world.Stroke{Region: grid.Region{{Y: p.Y, X0: p.X, X1: p.X}}, Cells: grid.Runs{{N: 1, Cell: cell}}}); err != nil {
				return nil, err
			}
		}
		for range 12 {
			of := world.Collectible
			switch r.IntN(25) {
			case 0:
				of = world.Exit
			case 1, 2:
				of = world.Checkpoint
			}
			piece := &world.Piece{Type: of, Layer: m.PlayerLayer, Foot: d.Project.Lattice().Foot(Cell(r, m))}
			if err := draft.Put(world.Ref{Kind: world.KindPiece, Map: m.ID, ID: ids.NewID()}, piece.Values()); err != nil {
				return nil, err
			}
		}
	}
	for range 6 {
		a, b := Cell(r, first), Cell(r, far)
		c := &world.Crossing{BothWays: r.IntN(4) > 0, Ends: [2]world.End{
			{Map: first.ID, Cells: grid.Rect{X: a.X, Y: a.Y, W: 1, H: 1}}, {Map: far.ID, Cells: grid.Rect{X: b.X, Y: b.Y, W: 1, H: 1}}}}
		if err := draft.Put(world.Ref{Kind: world.KindCrossing, ID: ids.NewID()}, c.Values()); err != nil {
			return nil, err
		}
	}
	return draft.Done()
}

// Cell is a random cell of a map.
func Cell(r *rand.Rand, m *world.Map) grid.Point {
	return grid.Point{X: m.Bounds.X + r.IntN(m.Bounds.W), Y: m.Bounds.Y + r.IntN(m.Bounds.H)}
}

// Inputs makes inputs as a hand would: held for a while, then others.
func Inputs(seed uint64, ticks int) []play.Input {
	r := rand.New(rand.NewPCG(seed, 78))
	var list []play.Input
	for len(list) < ticks {
		in := play.Input(r.IntN(64))
		for range 1 + r.IntN(25) {
			list = append(list, in)
		}
	}
	return list[:ticks]
}

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
	if err := draft.Change(world.Ref{Kind: world.KindMap, ID: m.ID}, world.RectValue(world.FieldBounds, grid.Rect{W: wide, H: high})); err != nil {
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
		p := &world.Piece{Type: world.Foe, Layer: m.PlayerLayer, Foot: d.Project.Lattice().Foot(at), Acting: world.Acting{Speed: 10 + r.IntN(40), Does: world.Doing(r.IntN(3))}}
		if err := draft.Put(world.Ref{Kind: world.KindPiece, Map: m.ID, ID: ids.NewID()}, p.Values()); err != nil {
			return nil, err
		}
	}
	return draft.Done()
}
