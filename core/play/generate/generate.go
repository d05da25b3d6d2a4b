// Package generate makes random worlds and inputs for tests of play. What it
// makes depends on the seed alone.
package generate

import (
	"errors"
	"math/rand/v2"

	"azzel/core/grid"
	"azzel/core/kind"
	"azzel/core/kinds/props"
	"azzel/core/play"
	"azzel/core/tiles"
	"azzel/core/world"
)

// World makes a project of two maps with random walls, pieces and crossings, seen from above
// or from the side, and somebody who moves at random. There is room for them somewhere.
func World(seed uint64) (*world.Document, error) {
	for {
		d, err := oneWorld(seed)
		if err != nil {
			return nil, err
		}
		if _, err := play.New(d, play.Start{}); !errors.Is(err, play.ErrNowhere) {
			return d, err
		}
		seed += 1 << 32
	}
}

func oneWorld(seed uint64) (*world.Document, error) {
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
				if err := draft.Change(world.Ref{Sort: world.SortMap, ID: m.ID}, v); err != nil {
					return nil, err
				}
			}
		}
	}
	if err := edges(r, d, draft); err != nil {
		return nil, err
	}
	ids := &world.Counter{Prefix: 4}
	item := &world.Item{Name: "Lantern", Most: r.IntN(6)}
	if err := draft.Put(world.Ref{Sort: world.SortItem, ID: lantern}, item.Values()); err != nil {
		return nil, err
	}
	for _, f := range []world.Fact{{ID: lit, Name: "Lit", Start: r.IntN(2)}, {ID: caught, Name: "Caught", Counts: true}} {
		if err := draft.Put(world.Ref{Sort: world.SortFact, ID: f.ID}, f.Values()); err != nil {
			return nil, err
		}
	}
	if err := settings(r, d, draft); err != nil {
		return nil, err
	}
	types := typesToPlace()
	for _, m := range d.Maps {
		m = draft.Document().Map(m.ID)
		track, area, err := places(r, m, draft, ids)
		if err != nil {
			return nil, err
		}
		for range r.IntN(len(types)) {
			of := types[r.IntN(len(types))]
			piece := &world.Piece{Props: acting(r, of), Type: of, Layer: m.PlayerLayer, Foot: m.FootOf(d.Project.Lattice(), of, Cell(r, m))}
			set := func(list ...kind.Value) { piece.Props = piece.Kind().Keeps(piece.Props.With(list...)) }
			if r.IntN(4) == 0 {
				set(props.Track.Refer(track))
			}
			if r.IntN(4) == 0 {
				set(props.Area.Refer(area))
			}
			if r.IntN(6) == 0 {
				set(props.Who.Refer(gardener))
			}
			if r.IntN(4) == 0 {
				set(props.Item.Refer(lantern), props.Amount.Is(r.IntN(3)))
			}
			facts(r, draft.Document(), piece)
			if err := draft.Put(world.Ref{Sort: world.SortPiece, Map: m.ID, ID: ids.NewID()}, piece.Values()); err != nil {
				return nil, err
			}
		}
	}
	if err := wires(rand.New(rand.NewPCG(seed, 81)), draft, ids); err != nil {
		return nil, err
	}
	if r.IntN(3) > 0 {
		who := &world.Character{Name: "Gardener", Movement: Movement(r), Begins: []world.Stock{{Item: lantern, Count: 1 + r.IntN(4)}}}
		if err := draft.Put(world.Ref{Sort: world.SortCharacter, ID: gardener}, who.Values()); err != nil {
			return nil, err
		}
		if err := draft.Change(world.Ref{Sort: world.SortProject}, world.IDValue(world.FieldPlayer, gardener)); err != nil {
			return nil, err
		}
	}
	return draft.Done()
}

// wires joins pieces of half the worlds at random, on one map and over both.
func wires(r *rand.Rand, draft *world.Draft, ids *world.Counter) error {
	var pieces, worked []world.ID
	for _, m := range draft.Document().Maps {
		for _, p := range m.Pieces {
			if pieces = append(pieces, p.ID); p.Kind().Worked {
				worked = append(worked, p.ID)
			}
		}
	}
	if len(pieces) == 0 || r.IntN(2) == 0 {
		return nil
	}
	for range r.IntN(12) {
		w := &world.Wire{From: pieces[r.IntN(len(pieces))], To: pieces[r.IntN(len(pieces))], Works: r.IntN(2), Does: r.IntN(4), After: r.IntN(2) * r.IntN(60), Of: r.IntN(4) - 1}
		if len(worked) > 0 && r.IntN(2) == 0 {
			// What wires are for.
			w.From, w.To, w.Works = worked[r.IntN(len(worked))], worked[r.IntN(len(worked))], world.WorksState
			if r.IntN(2) == 0 {
				w.Does, w.After, w.Of = world.WhileHeld, 0, 0
			}
		}
		if w.From == w.To {
			continue
		}
		if err := draft.Put(world.Ref{Sort: world.SortWire, ID: ids.NewID()}, w.Values()); err != nil {
			return err
		}
	}
	return nil
}

// edges lets the maps of half the worlds have edges other than walls, at random, and lie beside each other in some of
// those, so that one can walk from one to the other.
func edges(r *rand.Rand, d *world.Document, draft *world.Draft) error {
	if r.IntN(2) == 0 {
		return nil
	}
	beside := r.IntN(2) == 0
	for i, m := range d.Maps {
		next := *draft.Document().Map(m.ID)
		for side := range next.Edges {
			next.Edges[side] = world.Edge(r.IntN(len(world.EdgeNames)))
			if beside && r.IntN(2) == 0 {
				next.Edges[side] = world.EdgeOpen
			}
		}
		if beside && i > 0 {
			on := d.Maps[0].OnBoard()
			next.Origin = grid.Point{X: on.X + on.W - next.Bounds.X, Y: on.Y - next.Bounds.Y + r.IntN(4)}
			if r.IntN(2) == 0 {
				next.Origin = grid.Point{X: on.X - next.Bounds.X + r.IntN(4), Y: on.Y + on.H - next.Bounds.Y}
			}
		}
		for _, v := range next.Values() {
			if err := draft.Change(world.Ref{Sort: world.SortMap, ID: m.ID}, v); err != nil {
				return err
			}
		}
	}
	return nil
}

// settings gives the project and its maps a camera, turns, forces and odds, at random.
func settings(r *rand.Rand, d *world.Document, draft *world.Draft) error {
	p := d.Project
	if r.IntN(2) == 0 {
		p.Camera = world.Camera{FreeW: r.IntN(91), FreeH: r.IntN(91), Ahead: r.IntN(60), Shake: r.IntN(20), Beyond: r.IntN(4) == 0}
	}
	p.Turns = r.IntN(4) == 0
	for _, v := range p.Values() {
		if err := draft.Change(world.Ref{Sort: world.SortProject}, v); err != nil {
			return err
		}
	}
	for _, m := range d.Maps {
		if r.IntN(3) > 0 {
			continue
		}
		next := *draft.Document().Map(m.ID)
		next.Forces, next.Lottery = forces(r), world.Odds{r.IntN(3), r.IntN(3), r.IntN(3), r.IntN(3), r.IntN(3)}
		next.Barred, next.BarredArms = world.Ability(r.IntN(64)&r.IntN(64)), world.Arm(r.IntN(4)&r.IntN(4))
		next.Anew = world.Anew(next.Barred & 3)
		for _, v := range next.Values() {
			if err := draft.Change(world.Ref{Sort: world.SortMap, ID: m.ID}, v); err != nil {
				return err
			}
		}
	}
	return nil
}

// forces are random ones, often strong.
func forces(r *rand.Rand) world.Forces {
	f := world.Forces{WindX: r.IntN(120) - 60, WindY: r.IntN(120) - 60}
	if r.IntN(2) == 0 {
		f.Gravity = 1 + r.IntN(400)
	}
	if r.IntN(5) == 0 {
		f.WindX, f.WindY = 640, -640
	}
	return f
}

// Movement is a random way of moving, often an extreme one.
func Movement(r *rand.Rand) world.Movement {
	m := world.Movement{Speed: 1 + r.IntN(120), Steering: world.Steering(r.IntN(3)), Jump: 1 + r.IntN(60), Air: 6 + r.IntN(90), Start: 1 + r.IntN(30),
		Climb: 1 + r.IntN(90), Health: 1 + r.IntN(9), Cannot: world.Ability(r.IntN(64) & r.IntN(64) & r.IntN(64)), Arms: world.Arm(r.IntN(4))}
	if r.IntN(4) == 0 {
		m.Speed, m.Jump, m.Air = 640, 320, 6
	}
	if r.IntN(2) == 0 {
		m.Throw, m.ThrowRise, m.Shot, m.ShotReach, m.Strike, m.Pause = 1+r.IntN(640), 1+r.IntN(640), 1+r.IntN(640), 1+r.IntN(60), 1+r.IntN(800), 1+r.IntN(60)
	}
	if r.IntN(3) == 0 {
		m.BodyW, m.BodyH = 2+r.IntN(40), 2+r.IntN(40)
		m.AboveW, m.AboveH = 1+r.IntN(40), 1+r.IntN(40)
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
			if of == world.Collectible && r.IntN(3) == 0 {
				piece.Props = kind.Set(props.Item.Refer(lantern), props.Amount.Is(1+r.IntN(3)))
			}
			facts(r, draft.Document(), piece)
			if err := draft.Put(world.Ref{Sort: world.SortPiece, Map: m.ID, ID: ids.NewID()}, piece.Values()); err != nil {
				return nil, err
			}
		}
	}
	for range 6 {
		a, b := Cell(r, first), Cell(r, far)
		c := &world.Crossing{BothWays: r.IntN(4) > 0, Ends: [2]world.End{
			{Map: first.ID, Cells: grid.Rect{X: a.X, Y: a.Y, W: 1, H: 1}}, {Map: far.ID, Cells: grid.Rect{X: b.X, Y: b.Y, W: 1, H: 1}}}}
		if err := draft.Put(world.Ref{Sort: world.SortCrossing, ID: ids.NewID()}, c.Values()); err != nil {
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
		if r.IntN(4) == 0 {
			in |= []play.Input{play.Strike, play.Shoot, play.Items}[r.IntN(3)]
		}
		for range 1 + r.IntN(25) {
			list = append(list, in)
		}
	}
	return list[:ticks]
}
