package hand_test

import (
	"testing"

	"azzel/core/edit"
	"azzel/core/grid"
	"azzel/core/hand"
	"azzel/core/world"
)

// What is held is turned by a quarter clockwise and mirrored as it says; four turns and two mirrorings are none.
func TestTurnAndFlip(t *testing.T) {
	ids := &world.Counter{Prefix: 3}
	d, err := world.Start(world.Project{Name: "Night shift", CellW: 16, CellH: 16, SeenW: 9, SeenH: 9}, ids)
	if err != nil {
		t.Fatal(err)
	}
	h := hand.New(ids)
	h.Holding = hand.Tile
	for tile := range grid.Cell(3) {
		h.Tile = tile + 1
		was := h.Tile
		for _, step := range []struct {
			do   func() string
			want grid.Cell
		}{
			{func() string { return h.Flip(d, true) }, was.Mirror(true, false)}, {func() string { return h.Flip(d, true) }, was},
			{func() string { return h.Flip(d, false) }, was.Mirror(false, true)}, {func() string { return h.Flip(d, false) }, was},
			{func() string { return h.Turn(d) }, was.Transpose().Mirror(true, false)}, {func() string { return h.Turn(d) }, was.Mirror(true, true)},
		} {
			if says := step.do(); says != "" || h.Tile != step.want {
				t.Errorf("tile %v is held as %v, want %v: %s", was, h.Tile, step.want, says)
			}
		}
	}
	h.Holding = hand.Piece
	if h.Flip(d, true) == "" {
		t.Error("a piece that is held is mirrored without a word")
	}
}

// Strokes are repeated on the other side of the middle of the map, or of the cell that was set.
func TestMirrorLines(t *testing.T) {
	d, ids := project(t)
	for _, m := range d.Maps {
		h := hand.New(ids)
		h.Holding, h.Mirror = hand.Tile, hand.Mirror{LeftRight: true, TopBottom: true}
		corner := grid.Point{X: m.Bounds.X, Y: m.Bounds.Y}
		opposite := grid.Point{X: m.Bounds.X + m.Bounds.W - 1, Y: m.Bounds.Y + m.Bounds.H - 1}
		middleCell := grid.Point{X: corner.X + 3, Y: corner.Y + 2}
		for _, c := range []struct {
			set     bool
			to      grid.Point
			pressed grid.Point
		}{{false, opposite, corner}, {true, grid.Point{X: corner.X + 6, Y: corner.Y + 4}, corner}} {
			if c.set {
				h.SetAxis(m, middleCell)
			}
			h.Press(d, middle(d, m, c.pressed), false)
			on := h.Ghost().Region
			if origin := m.Origin; on.Len() != 4 || !on.Has(c.to.Add(origin)) || !on.Has(grid.Point{X: c.to.X, Y: c.pressed.Y}.Add(origin)) || !on.Has(grid.Point{X: c.pressed.X, Y: c.to.Y}.Add(origin)) {
				t.Errorf("%s, set %t: a stroke at %v covers %v, want %v too", m.Name, c.set, c.pressed, on, c.to)
			}
			h.Cancel()
		}
	}
}

// A patch is laid mirrored on the other side, tile by tile.
func TestMirroredPatch(t *testing.T) {
	for _, mirror := range []hand.Mirror{{LeftRight: true}, {TopBottom: true}} {
		d, ids := project(t)
		m := d.Maps[1]
		h := hand.New(ids)
		b := world.Sheet(3, 3, []grid.Cell{2, 1, 3, 4, grid.Cell(5).Turned(grid.MirroredX), 6, 1, 1, 2})
		h.Take(hand.Held{Holding: hand.Patch, Block: b})
		h.Mirror = mirror
		at := middle(d, m, grid.Point{X: m.Bounds.X + 2, Y: m.Bounds.Y + 1})
		h.Press(d, at, false)
		d = run(t, d, h.Release(d, at))
		laid := 0
		for _, l := range d.Map(m.ID).Layers {
			for _, s := range grid.BoxRegion(m.Bounds) {
				for x := s.X0; x <= s.X1; x++ {
					opposite := grid.Point{X: x, Y: 2*m.Bounds.Y + m.Bounds.H - 1 - s.Y}
					if mirror.LeftRight {
						opposite = grid.Point{X: 2*m.Bounds.X + m.Bounds.W - 1 - x, Y: s.Y}
					}
					is, want := l.Cells.At(opposite), l.Cells.At(grid.Point{X: x, Y: s.Y})
					if want != 0 {
						laid++
						want = want.Mirror(mirror.LeftRight, mirror.TopBottom)
					}
					if is != want {
						t.Fatalf("%+v: %v of %s is %x, opposite %d, %d want %x", mirror, opposite, l.Name, is, x, s.Y, want)
					}
				}
			}
		}
		if laid < 8 {
			t.Errorf("%+v: only %d cells are laid", mirror, laid)
		}
	}
}

// A patch that is laid again and again sets down its piece each time, up to as many as one stroke does.
func TestPiecesOfAPatch(t *testing.T) {
	ids := &world.Counter{Prefix: 3}
	d, err := world.Start(world.Project{Name: "Night shift", CellW: 16, CellH: 16, SeenW: 9, SeenH: 9}, ids)
	if err != nil {
		t.Fatal(err)
	}
	draft := d.Draft()
	large, layers := world.NewMap("Long bed", grid.Point{Y: 40}, grid.Rect{W: 200, H: 60}, ids)
	if err := world.PutMap(draft, large, layers); err != nil {
		t.Fatal(err)
	}
	if d, err = draft.Done(); err != nil {
		t.Fatal(err)
	}
	m := d.Map(large.ID)
	for want, to := range map[int]grid.Point{200 * 49: {X: 199, Y: 48}, 10_000: {X: 199, Y: 59}, 12: {X: 3, Y: 2}} {
		h := hand.New(ids)
		h.Holding, h.Shape = hand.Patch, hand.Box
		h.Block = &world.Block{W: 1, H: 1, Layers: world.Sheet(1, 1, []grid.Cell{1}).Layers,
			Pieces: []world.BlockPiece{{Type: world.Collectible, Foot: grid.Point{X: 8, Y: 15}}}}
		h.Press(d, middle(d, m, grid.Point{}), false)
		h.Drag(d, middle(d, m, to))
		o := h.Release(d, middle(d, m, to))
		pieces := 0
		if o.Edit != nil {
			for _, part := range o.Edit.Parts {
				if put, ok := part.(edit.Put); ok && put.Ref.Sort == world.SortPiece {
					pieces++
				}
			}
		}
		if pieces != want {
			t.Errorf("to %v %d pieces are set down, want %d", to, pieces, want)
		}
	}
}
