package picture_test

import (
	"bytes"
	"math/rand/v2"
	"testing"

	"azzel/core/grid"
	"azzel/core/picture"
	"azzel/core/tiles"
	"azzel/core/world"
)

// Whatever the time, and whatever is painted meanwhile, what is drawn piecewise
// is what is drawn whole at that time: animated tiles show their frame where one
// could see it, also turned, and all others stay.
func TestMotionAgainstDrawingAll(t *testing.T) {
	r := rand.New(rand.NewPCG(43, 1))
	s := strip(r, 16, 16, 9)
	d, atlas := withTiles(t, r, 16, 16, s, 0)
	set := *d.Tilesets[1]
	first := set.First
	set.Tiles = make([]*tiles.Properties, 9)
	set.Tiles[0] = &tiles.Properties{Animation: &tiles.Animation{Frames: []tiles.Frame{{Tile: first, Millis: 100}, {Tile: first + 1, Millis: 50}, {Tile: first + 2, Millis: 75}}}}
	set.Tiles[3] = &tiles.Properties{Animation: &tiles.Animation{Frames: []tiles.Frame{{Tile: first + 4, Millis: 30}, {Tile: first + 5, Millis: 200}}}}
	d.Tilesets = []*world.Tileset{d.Tilesets[0], &set}
	m := d.Maps[0]
	pages := picture.NewBitmaps(atlas)
	keys := map[picture.Key]*shown{}
	n := picture.BaseCells(d.Project.Lattice())
	for level := range picture.Levels(d.Project.Lattice()) {
		keys[picture.Key{Map: m.ID, Layers: 3, Level: level}] = &shown{make([]byte, n*16*n*16*4), [2]int{n * 16, n * 16}}
	}
	out := make([]byte, picture.BitmapSide*picture.BitmapSide*4)
	millis, moved, drawn := 0, 0, 0
	for step := range 120 {
		millis += r.IntN(90)
		at := millis
		if step%17 == 16 {
			at = -1
		}
		changed, next := atlas.Animate(d, at)
		if changed {
			moved++
		}
		if at >= 0 {
			if next < 1 || next > 200 {
				t.Fatalf("step %d: the next frame comes in %d ms", step, next)
			}
			if again, _ := atlas.Animate(d, at+next-1); again {
				t.Fatalf("step %d: something moved before it said", step)
			}
			if again, _ := atlas.Animate(d, at+next); !again {
				t.Fatalf("step %d: nothing moved when it said", step)
			}
			atlas.Animate(d, at)
		}
		for key, now := range keys {
			if !now.refresh(pages, d, key, out).Empty() {
				drawn++
			}
			whole := &shown{make([]byte, len(now.pix)), now.side}
			if whole.refresh(picture.NewBitmaps(atlas), d, key, out); !bytes.Equal(whole.pix, now.pix) {
				t.Fatalf("step %d, level %d: what was drawn piecewise differs", step, key.Level)
			}
		}
		draft := d.Draft()
		box := grid.Rect{X: r.IntN(20), Y: r.IntN(20), W: 1 + r.IntN(6), H: 1 + r.IntN(6)}.Meet(m.Bounds)
		cell := grid.Cell(first + r.IntN(9)).Turned(r.IntN(8))
		if _, err := draft.Paint(m.ID, m.Layers[r.IntN(2)].ID, world.Stroke{Region: grid.BoxRegion(box), Cells: grid.Runs{{N: box.W * box.H, Cell: cell}}}); err != nil {
			t.Fatal(err)
		}
		var err error
		if d, err = draft.Done(); err != nil {
			t.Fatal(err)
		}
	}
	if moved < 50 || drawn < 200 {
		t.Errorf("only %d changes of frames and %d bitmaps were seen", moved, drawn)
	}
	// Without anything painted, a bitmap is drawn anew only where something moves.
	key := picture.Key{Map: m.ID, Layers: 3, Level: 4}
	pages.Refresh(d, key, out)
	for range 20 {
		millis += 60
		atlas.Animate(d, millis)
		if box, _ := pages.Refresh(d, key, out); !box.Empty() {
			t.Fatalf("too small to be seen, and drawn anew: %v", box)
		}
	}
}

// A tile shows each frame for its time, over and over, and says how long yet.
func TestAnimationAgainstCounting(t *testing.T) {
	a := tiles.Animation{Frames: []tiles.Frame{{Tile: 5, Millis: 20}, {Tile: 9, Millis: 33}, {Tile: 5, Millis: 1}}}
	var want []int
	for range 3 {
		for _, f := range a.Frames {
			for range f.Millis {
				want = append(want, f.Tile)
			}
		}
	}
	for at, tile := range want {
		got, left := a.At(at)
		if got != tile || left < 1 || left > 33 {
			t.Fatalf("at %d ms it shows %d for %d ms more, want %d", at, got, left, tile)
		}
	}
	for name, bad := range map[string]tiles.Animation{
		"one frame": {Frames: a.Frames[:1]}, "too short": a, "too many": {Frames: make([]tiles.Frame, 65)},
		"of another tileset": {Frames: []tiles.Frame{{Tile: 5, Millis: 20}, {Tile: 11, Millis: 20}}},
		"too long":           {Frames: []tiles.Frame{{Tile: 5, Millis: 20}, {Tile: 9, Millis: 60_001}}},
	} {
		if bad.Check(5, 6) == nil {
			t.Errorf("%s: no error", name)
		}
	}
}
