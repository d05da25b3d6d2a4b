package tiles

import (
	"image"
	"image/color"
	"math/rand/v2"
	"testing"
)

// Sheets of figures that fill most of their frames, with a gap of a pixel or more between two, are cut
// into just those frames; where nothing can be told it is as large as GuessCut says.
func TestGuessFrames(t *testing.T) {
	for seed := range uint64(60) {
		r := rand.New(rand.NewPCG(seed, 31))
		w, h := 8+r.IntN(40), 8+r.IntN(56)
		columns, rows := 2+r.IntN(7), 1+r.IntN(8)
		if rows == 1 {
			rows = 2
		}
		img := image.NewNRGBA(image.Rect(0, 0, columns*w, rows*h))
		for i := range columns * rows {
			// A body with a head on it: no line through the middle is free.
			x0, y0 := i%columns*w, i/columns*h
			for y := range h {
				for x := range w {
					body := x > 1 && x < w-1 && y > h/3
					head := x > w/4 && x < w-w/4 && y > r.IntN(2) && y <= h/3
					if body || head {
						img.SetNRGBA(x0+x, y0+y, color.NRGBA{uint8(i), 90, 60, 255})
					}
				}
			}
		}
		if got := GuessFrames(img, 16, 16); got.W != w || got.H != h {
			t.Errorf("seed %d: frames of %d × %d, %d × %d of them, are taken for %d × %d", seed, w, h, columns, rows, got.W, got.H)
		}
	}
	full := image.NewNRGBA(image.Rect(0, 0, 64, 64))
	for i := range full.Pix {
		full.Pix[i] = 255
	}
	if got, want := GuessFrames(full, 16, 16), GuessCut(full, 16, 16).Cut; got != want {
		t.Errorf("of one colour it is %+v, want %+v", got, want)
	}
}
