package hand_test

import (
	"fmt"
	"math/rand/v2"
	"testing"

	"azzel/core/edit"
	author "azzel/core/edit/generate"
	"azzel/core/grid"
	"azzel/core/hand"
	"azzel/core/pack/stored"
	"azzel/core/play/generate"
	"azzel/core/tiles"
	"azzel/core/world"
	"azzel/core/world/told"
)

const (
	storedHands = 110
	storedSteps = 240
	// sumSteps is how many steps come to one sum.
	sumSteps = 20
)

// A hand shows, says and asks for the same as when it was stored: whatever is in it, with any settings, over any
// document, and the names of all that is there are the same. What is meant to go otherwise is written anew (go test
// ./core/hand -run TestStoredHands -update) by a commit that says so.
func TestStoredHands(t *testing.T) {
	stored.Hold(t, "testdata/hands.gz", func() []stored.Case { return makeHands(t) }, func(c *stored.Case) []uint64 { return handStored(t, c) },
		func(n, of int) string { return fmt.Sprintf("between step %d and %d", n*sumSteps, (n+1)*sumSteps) })
}

// makeHands makes the documents that hands are stored for: with all that acts, lies on maps and is laid.
func makeHands(t *testing.T) (list []stored.Case) {
	for seed := range uint64(storedHands) {
		d, err := generate.World(seed + 7000)
		if err != nil {
			t.Fatal(err)
		}
		by := author.Author{Rand: rand.New(rand.NewPCG(seed, 92)), IDs: &world.Counter{Prefix: 40}}
		list = append(list, stored.Case{Seed: seed, Blobs: [][]byte{by.Changed(d, 160).Encode()}})
	}
	return list
}

// A session is somebody at work with a hand, at random, and what is told of that.
type session struct {
	stored.Teller
	*rand.Rand
	d *world.Document
	h *hand.Hand
}

func handStored(t *testing.T, c *stored.Case) (sums []uint64) {
	t.Helper()
	d, err := world.Decode(c.Blobs[0])
	if err != nil {
		t.Fatal(err)
	}
	s := session{stored.NewTeller(), rand.New(rand.NewPCG(c.Seed, 93)), d, hand.New(&world.Counter{Prefix: 50})}
	for step := range storedSteps {
		s.settle()
		switch n := s.IntN(20); {
		case n < 12:
			s.gesture()
		case n < 16:
			s.cells()
		default:
			s.others()
		}
		s.names()
		if (step+1)%sumSteps == 0 {
			sums = append(sums, s.Sum64())
		}
	}
	return sums
}

func (s *session) yes(one int) bool { return s.IntN(one) == 0 }

func (s *session) mapHere() *world.Map { return s.d.Maps[s.IntN(len(s.d.Maps))] }

// pixel is one of the board: on a map, at its edge, above it where its name is, or anywhere.
func (s *session) pixel() grid.Point {
	l := s.d.Project.Lattice()
	box := l.Box(s.mapHere().OnBoard())
	p := grid.Point{X: box.X + s.IntN(box.W), Y: box.Y + s.IntN(box.H)}
	switch s.IntN(12) {
	case 0:
		p.X = box.X + []int{0, box.W}[s.IntN(2)] + s.IntN(9) - 4
	case 1:
		p.Y = box.Y + []int{0, box.H}[s.IntN(2)] + s.IntN(9) - 4
	case 2:
		p = grid.Point{X: box.X + s.IntN(30), Y: box.Y - 5 - s.IntN(20)}
	case 3:
		p = p.Add(grid.Point{X: (s.IntN(60) - 30) * l.W, Y: (s.IntN(60) - 30) * l.H})
	}
	return p
}

// one is the id of one of a list, or of nothing that is there.
func one[T any](s *session, list []T, id func(T) world.ID) world.ID {
	if len(list) == 0 || s.yes(12) {
		return 77
	}
	return id(list[s.IntN(len(list))])
}

// settle takes something else into the hand and sets what can be set.
func (s *session) settle() {
	h, m := s.h, s.mapHere()
	if s.yes(3) {
		held := hand.Held{Holding: []hand.Holding{hand.Nothing, hand.Nothing, hand.Tile, hand.Tile, hand.Eraser, hand.Piece, hand.Crossing, hand.Medley, hand.Bond, hand.Patch, hand.Choose, hand.Choose, hand.Measure}[s.IntN(13)],
			Tile: grid.Cell(1 + s.IntN(s.d.TilesEnd())).Turned(s.IntN(8) * s.IntN(2)), Type: world.ID(1 + s.IntN(16))}
		held.Medley = one(s, s.d.Medleys, func(m *world.Medley) world.ID { return m.ID })
		held.Bond = one(s, s.d.Bonds, func(b *world.Bond) world.ID { return b.ID })
		if held.Kept = one(s, s.d.Patches, func(p *world.Patch) world.ID { return p.ID }); s.yes(2) {
			held.Block, held.Kept = block(), 0
		} else if p := s.d.Patch(held.Kept); p != nil {
			held.Block = &p.Block
		}
		h.Take(held)
	}
	switch s.IntN(16) {
	case 0, 1, 2:
		h.Shape = hand.Shapes[s.IntN(len(hand.Shapes))]
	case 3:
		h.Size = 1 + s.IntN(4)
	case 4:
		h.Mirror = hand.Mirror{LeftRight: s.yes(2), TopBottom: s.yes(2)}
	case 5:
		h.Steady = s.yes(3)
	case 6:
		h.Near = s.IntN(12)
	case 7:
		h.Adds = []hand.Adding{hand.Anew, hand.Add, hand.Less}[s.IntN(3)]
	case 8:
		h.Through = s.yes(2)
	case 9:
		h.SetAxis(m, generate.Cell(s.Rand, m))
	case 10:
		h.SetHidden(m.Layers[s.IntN(len(m.Layers))].ID, s.yes(3))
	case 11:
		h.SetOnly(m.ID, m.Layers[s.IntN(len(m.Layers))].ID, s.yes(3))
	case 12, 13:
		h.SetLayer(m.ID, m.Layers[s.IntN(len(m.Layers))].ID)
	case 14:
		s.look(m)
	}
}

// look changes what a layer or a tile is, as somebody else may at any time.
func (s *session) look(m *world.Map) {
	l := m.Layers[s.IntN(len(m.Layers))]
	is := *l
	is.Locked, is.Counts = s.yes(4), s.yes(2)
	is.Takes = world.Takes{NoPieces: s.yes(4), NoTiles: s.yes(6), Roles: uint32(s.IntN(2) * s.IntN(4096))}
	parts := edit.Changes(world.Ref{Sort: world.SortLayer, Map: m.ID, ID: l.ID}, l.Values(), is.Values())
	set := s.d.Tilesets[0]
	i := s.IntN(set.Count)
	does := set.Tile(i)
	does.Above, does.Home = s.yes(3), []string{"", "", "Ground", "overhead"}[s.IntN(4)]
	does.OneWay, does.Slow, does.Slippery, does.Climbable, does.Danger = s.yes(3), s.yes(3), s.yes(3), s.yes(3), s.IntN(3)
	does.Solid, does.Name = []tiles.Mask{0, tiles.Whole, 9}[s.IntN(3)], []string{"", "Slate"}[s.IntN(2)]
	for _, v := range world.TileValues(i, set.Tile(i), does) {
		parts = append(parts, edit.Change{Ref: world.Ref{Sort: world.SortTileset, ID: set.ID}, Value: v})
	}
	s.ends(hand.Outcome{Edit: &edit.Edit{Parts: parts}})
}

// ends tells what was asked for, and does it.
func (s *session) ends(o hand.Outcome) {
	s.Tell(o.Said)
	s.state()
	if o.Edit == nil {
		return
	}
	s.Tell(o.Edit.Label, o.Edit.Undoes)
	told.Parts(s.Teller, s.d, o.Edit.Parts)
	res, err := edit.Apply(s.d, *o.Edit)
	if s.Tell(err); err == nil {
		s.d = res.Document
	}
}

// state tells what can be seen of the hand.
func (s *session) state() {
	h := s.h
	g := h.Ghost()
	for _, lay := range g.Lays {
		s.Tell(lay.Map, lay.Layer, lay.Region, lay.Cell, lay.Medley, lay.Bond, lay.Supply.Layer, lay.Anchor)
		if s.block(lay.Block); lay.Makes != nil {
			s.Tell(lay.Makes.ID, lay.Makes.Name, lay.Makes.Order, lay.Makes.Counts)
		}
	}
	s.Tell(g.Region, g.Selects, g.Erase, g.Sized, g.Lost, g.Piece, g.Joins, g.Text, g.Problem)
	s.Rect(append(g.Moved, g.Stamp, g.Room)...)
	s.spot(g.From)
	s.spot(g.To)
	s.Tell(h.Busy(), string(h.Holding), h.Tile, h.Type, h.Medley, h.Bond, h.Kept, string(h.Before.Holding), h.Before.Tile, string(h.Shape))
	s.Tell(h.Selected.Ref.Sort, h.Selected.Ref.Map, h.Selected.Ref.ID, h.Selected.End, h.Selected.Map, h.Selected.Cell, h.Cells.Map, h.Cells.Region)
	s.block(h.Carried())
	chosen := h.Chosen(s.d)
	s.Tell(chosen.Map, chosen.Region)
}

func (s *session) spot(at hand.Spot) {
	s.Tell(at.Board, at.Cell, at.Pixel)
	if at.Map != nil {
		s.Tell(at.Map.ID)
	}
}

func (s *session) block(b *world.Block) {
	if b != nil {
		told.Block(s.Teller, b)
	}
}

// gesture is one of the pointer, from hovering on.
func (s *session) gesture() {
	from := s.pixel()
	// One goes on where one has just been, so that what was selected is met again.
	if m := s.d.Map(s.h.Selected.Map); m != nil && s.yes(3) {
		from = middle(s.d, m, s.h.Selected.Cell)
	}
	if c := s.h.Chosen(s.d); len(c.Region) > 0 && s.yes(2) {
		from = middle(s.d, s.d.Map(c.Map), grid.Point{X: c.Region[0].X0, Y: c.Region[0].Y})
	}
	if s.yes(5) {
		from = s.edge()
	}
	s.h.Hover(s.d, from)
	s.state()
	if s.yes(8) {
		s.h.Leave()
	}
	s.ends(s.h.Press(s.d, from, s.yes(5)))
	to := from
	for range s.IntN(4) {
		to = s.pixel()
		s.h.Drag(s.d, to)
		s.state()
	}
	if s.yes(12) {
		s.Tell(s.h.Cancel())
		return
	}
	if s.yes(25) && len(s.d.Maps) > 1 {
		// What lies there goes while it is drawn on.
		m := s.mapHere()
		s.ends(hand.Outcome{Edit: &edit.Edit{Parts: []edit.Part{edit.Remove{Ref: world.Ref{Sort: world.SortMap, ID: m.ID}}}}})
	}
	s.ends(s.h.Release(s.d, to))
}

// edge selects a map, and is a pixel by which it is stretched or moved.
func (s *session) edge() grid.Point {
	m := s.mapHere()
	s.h.Take(hand.Held{Holding: hand.Nothing})
	s.h.Selected, s.h.Near, s.h.Steady = hand.Selection{Ref: world.Ref{Sort: world.SortMap, ID: m.ID}, Map: m.ID}, 6, s.yes(2)
	box := s.d.Project.Lattice().Box(m.OnBoard())
	if s.yes(4) {
		return grid.Point{X: box.X + 3, Y: box.Y - 9}
	}
	return grid.Point{X: box.X + []int{-2, box.W / 2, box.W + 2}[s.IntN(3)], Y: box.Y + []int{-2, box.H + 2}[s.IntN(2)]}
}

// cells is something that is done with the cells chosen.
func (s *session) cells() {
	switch s.IntN(8) {
	case 0:
		s.h.ChooseAll(s.mapHere())
	case 1, 2:
		s.ends(s.h.MoveCells(s.d, grid.Point{X: s.IntN(7) - 3, Y: s.IntN(7) - 3}))
	case 3, 4:
		s.ends(s.h.TransformCells(s.d, []hand.Transform{hand.LeftRight, hand.TopBottom, hand.Quarter}[s.IntN(3)]))
	case 5:
		b, says := s.h.CopyCells(s.d)
		s.block(b)
		if s.Tell(says); b != nil && s.yes(2) {
			s.Tell(s.h.HoldBlock(b, 0))
		}
	case 6:
		s.ends(s.h.FillCells(s.d))
	default:
		s.ends(s.h.EraseCells(s.d))
	}
	s.state()
}

// others is something done at once.
func (s *session) others() {
	switch s.IntN(9) {
	case 0:
		s.Tell(s.h.Pick(s.d, s.pixel()))
	case 1:
		s.Tell(s.h.PickBox(s.d, s.pixel(), s.pixel()))
	case 2:
		s.Tell(s.h.Turn(s.d))
	case 3:
		s.Tell(s.h.Flip(s.d, s.yes(2)))
	case 4, 5:
		e, says := hand.Remove(s.d, s.h.Selected)
		s.ends(hand.Outcome{Edit: e, Said: says})
	case 6:
		s.ends(s.h.MoveMap(s.d, grid.Point{X: s.IntN(9) - 4, Y: s.IntN(9) - 4}))
	case 7:
		if s.h.Selected.Ref.ID != 0 {
			s.ends(hand.Outcome{Edit: hand.Rename(s.d, s.h.Selected.Ref, []string{"", "Night bed"}[s.IntN(2)])})
		}
	default:
		s.ends(s.h.MapOfPatch(s.d, one(s, s.d.Patches, func(p *world.Patch) world.ID { return p.ID }), grid.Point{X: s.IntN(200) - 100, Y: s.IntN(200) - 100}))
	}
	s.state()
}

// names tells what some of what is there is called.
func (s *session) names() {
	d := s.d
	m := s.mapHere()
	at := hand.At(d, s.pixel())
	if at.Map != nil {
		for _, e := range hand.Stack(d, at) {
			s.Tell(e.Ref.Sort, e.Ref.ID, e.End, e.Cell, hand.Name(d, e.Ref))
		}
		s.Tell(s.h.Layer(at.Map).Name, s.h.Only(at.Map) == nil, s.h.Axis(at.Map), s.h.Hidden(s.h.Layer(at.Map).ID))
	}
	set := d.Tilesets[0]
	i := s.IntN(set.Count)
	s.Tell(hand.TileName(d, grid.Cell(s.IntN(d.TilesEnd()+3))), hand.TileCalled(set, i), hand.TileDoes(set.Tile(i)), hand.HeldName(d, s.h.Held))
	for _, c := range d.Crossings {
		s.Tell(hand.CrossingName(d, c))
	}
	if len(m.Pieces) > 0 {
		s.Tell(hand.PieceName(d, m.Pieces[s.IntN(len(m.Pieces))]))
	}
	refs := append(d.OfMap(m.ID), world.Ref{Sort: world.SortMap, ID: m.ID}, world.Ref{Sort: world.SortReplay, ID: 77}, world.Ref{Sort: world.SortProject}, world.Ref{Sort: world.SortTileset, ID: set.ID}, world.Ref{Sort: world.SortLayer, Map: m.ID, ID: m.Layers[0].ID},
		world.Ref{Sort: world.SortMedley, ID: one(s, d.Medleys, func(m *world.Medley) world.ID { return m.ID })},
		world.Ref{Sort: world.SortBond, ID: one(s, d.Bonds, func(b *world.Bond) world.ID { return b.ID })},
		world.Ref{Sort: world.SortPatch, ID: one(s, d.Patches, func(p *world.Patch) world.ID { return p.ID })},
		world.Ref{Sort: world.SortItem, ID: one(s, d.Items, func(i *world.Item) world.ID { return i.ID })},
		world.Ref{Sort: world.SortFact, ID: one(s, d.Facts, func(f *world.Fact) world.ID { return f.ID })},
		world.Ref{Sort: world.SortProperty, ID: one(s, d.Properties, func(p *world.Property) world.ID { return p.ID })},
		world.Ref{Sort: world.SortCharacter, ID: one(s, d.Characters, func(c *world.Character) world.ID { return c.ID })})
	for _, ref := range refs {
		s.Tell(hand.Name(d, ref))
	}
}
