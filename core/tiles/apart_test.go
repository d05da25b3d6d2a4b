package tiles

import (
	"bytes"
	"image"
	"image/jpeg"
	"math/rand/v2"
	"testing"

	"azzel/core/grid"
)

// drawn draws a map of random tiles of a strip as a picture; lies is how many ways
// they may lie. An empty cell shows nothing.
func drawn(r *rand.Rand, s *Strip, columns, rows, lies int) (*image.NRGBA, []grid.Cell) {
	img := image.NewNRGBA(image.Rect(0, 0, columns*s.W, rows*s.H))
	cells := make([]grid.Cell, columns*rows)
	for place := range cells {
		i := r.IntN(len(s.Places) + 1)
		cells[place] = grid.Cell(i).Turned(r.IntN(lies))
		if i == 0 {
			continue
		}
		for y := range s.H {
			for x := range s.W {
				u, v := grid.Lying(cells[place].Orientation(), x, y, s.W, s.H)
				copy(img.Pix[img.PixOffset(place%columns*s.W+x, place/columns*s.H+y):], s.Tile(i - 1)[(v*s.W+u)*4:][:4])
			}
		}
	}
	return img, cells
}

// A map that was made of tiles is taken apart into no more than these, and drawn
// again from its parts it is the same picture, whatever the way its tiles lie.
func TestTakeApart(t *testing.T) {
	for seed := range uint64(40) {
		r := rand.New(rand.NewPCG(seed, 71))
		w, h := 8+r.IntN(12), 8+r.IntN(12)
		if seed%2 == 0 {
			h = w
		}
		of := anySheet(r, 6, 1+r.IntN(4), w, h, func(int) bool { return true })
		lies := []int{1, 4, 8}[r.IntN(3)]
		if w != h {
			lies = min(lies, 4)
		}
		columns, rows := 10+r.IntN(20), 10+r.IntN(20)
		img, _ := drawn(r, of, columns, rows, lies)
		for _, a := range []Apart{{}, {Turned: true}, {Turned: true, Differ: 5}} {
			s, cells, err := TakeApart(img, Cut{W: w, H: h}, a)
			if err != nil {
				// Without turning there may be hardly two alike.
				if a.Turned || lies == 1 {
					t.Fatalf("seed %d, %+v: %v", seed, a, err)
				}
				continue
			}
			if (a.Turned || lies == 1) && len(s.Places) > len(of.Places) {
				t.Errorf("seed %d, %+v: %d different tiles of %d", seed, a, len(s.Places), len(of.Places))
			}
			for place, c := range cells {
				for y := range h {
					for x := range w {
						got := []byte{0, 0, 0, 0}
						if c != 0 {
							u, v := grid.Lying(c.Orientation(), x, y, w, h)
							got = s.Tile(c.Tile() - 1)[(v*w+u)*4:][:4]
						}
						if want := img.Pix[img.PixOffset(place%columns*w+x, place/columns*h+y):][:4]; !bytes.Equal(got, want) {
							t.Fatalf("seed %d, %+v: cell %d is drawn otherwise", seed, a, place)
						}
					}
				}
			}
		}
	}
}

// Through a picture that was compressed with losses the tiles are still found,
// where a share of their pixels may differ, and not where none may.
func TestTakeApartWithLosses(t *testing.T) {
	for seed := range uint64(6) {
		r := rand.New(rand.NewPCG(seed, 72))
		// Tiles of flat parts, as drawn by hand.
		of := anySheet(r, 5, 2, 20, 20, func(int) bool { return true })
		for i := range of.Places {
			var colours [4][3]byte
			for k := range colours {
				colours[k] = [3]byte{byte(r.Uint32()), byte(r.Uint32()), byte(r.Uint32())}
			}
			for k := range 400 {
				copy(of.Tile(i)[k*4:], colours[k/20/10*2+k%20/10][:])
			}
		}
		img, want := drawn(r, of, 24, 20, 1)
		for i := 3; i < len(img.Pix); i += 4 {
			img.Pix[i] = 255
		}
		var file bytes.Buffer
		if err := jpeg.Encode(&file, img, &jpeg.Options{Quality: 92}); err != nil {
			t.Fatal(err)
		}
		lossy, err := jpeg.Decode(&file)
		if err != nil {
			t.Fatal(err)
		}
		back := image.NewNRGBA(img.Rect)
		for y := range img.Rect.Dy() {
			for x := range img.Rect.Dx() {
				back.Set(x, y, lossy.At(x, y))
			}
		}
		if s, _, err := TakeApart(back, Cut{W: 20, H: 20}, Apart{}); err == nil && len(s.Places) <= 11 {
			t.Errorf("seed %d: without a share %d tiles are found, so that this test shows nothing", seed, len(s.Places))
		}
		s, cells, err := TakeApart(back, Cut{W: 20, H: 20}, Apart{Differ: 30})
		if err != nil {
			t.Fatalf("seed %d: %v", seed, err)
		}
		if len(s.Places) != 11 { // and what was see-through
			t.Errorf("seed %d: %d different tiles, want 11", seed, len(s.Places))
		}
		of11 := map[grid.Cell]grid.Cell{}
		for i, c := range cells {
			if was, known := of11[want[i]]; known && was != c {
				t.Errorf("seed %d: cell %d is another tile than cells of the same", seed, i)
			}
			of11[want[i]] = c
		}
	}
}

// What can't be taken apart says why.
func TestBadApart(t *testing.T) {
	r := rand.New(rand.NewPCG(73, 1))
	noise := image.NewNRGBA(image.Rect(0, 0, 320, 320))
	for i := range noise.Pix {
		noise.Pix[i] = byte(r.Uint32()) | 1
	}
	for name, c := range map[string]struct {
		cut   Cut
		apart Apart
	}{
		"all different": {Cut{W: 16, H: 16}, Apart{}}, "a share below none": {Cut{W: 16, H: 16}, Apart{Differ: -1}},
		"too large a share": {Cut{W: 16, H: 16}, Apart{Differ: 41}}, "a cut that does not fit": {Cut{W: 400, H: 16}, Apart{}},
	} {
		if _, _, err := TakeApart(noise, c.cut, c.apart); err == nil {
			t.Errorf("%s: no error", name)
		}
	}
}
