package desk

import (
	"bytes"
	"image"
	"image/color"
	"image/png"
	"strings"
	"testing"

	"azzel/core/grid"
	"azzel/core/tiles"
)

func picture(t *testing.T, img image.Image) []byte {
	t.Helper()
	var b bytes.Buffer
	if err := png.Encode(&b, img); err != nil {
		t.Fatal(err)
	}
	return b.Bytes()
}

// A sheet is guessed, cut as it will be taken, and a bad picture or cut leaves a
// message and the desk as it can be used again.
func TestDesk(t *testing.T) {
	img := image.NewNRGBA(image.Rect(0, 0, 6*17-1, 4*17-1))
	for i := range 24 {
		if i == 7 {
			continue // an empty place
		}
		for y := range 16 {
			for x := range 16 {
				img.SetNRGBA(i%6*17+x, i/6*17+y, color.NRGBA{uint8(i * 10), uint8(200 - i*7), uint8(x*y/4 + i), 255})
			}
		}
	}
	var d Desk
	if s := d.Cut(tiles.Cut{W: 16, H: 16}); s.Error == "" {
		t.Error("an empty desk cuts something")
	}
	s := d.Open(picture(t, img), 24, 24)
	if s.Error != "" || s.Guess != (tiles.Cut{W: 16, H: 16, Spacing: 1}) || s.Format != "PNG" || len(s.Sum) != 64 || s.OneColour {
		t.Fatalf("opened: %+v", s)
	}
	cut := d.Cut(s.Guess)
	if cut.Error != "" || cut.Columns != 6 || cut.Rows != 4 || cut.Tiles != 23 || cut.Empty != 1 {
		t.Errorf("cut: %+v", cut)
	}
	strip, err := tiles.Take(img, s.Guess)
	if err != nil || len(strip.Places) != cut.Tiles {
		t.Errorf("what is taken differs from what was shown: %v", err)
	}
	for says, c := range map[string]tiles.Cut{
		"can't be cut":    {},
		"does not fit":    {W: 128, H: 128},
		"reaches out":     {W: 16, H: 16, Crop: grid.Rect{X: 90, W: 90, H: 16}},
		"a cell has 24 ×": {W: 16, H: 16, Scale: 2},
	} {
		if got := d.Cut(c); !strings.Contains(got.Error, says) || got.Tiles != 0 {
			t.Errorf("%+v: %q, want something about %q", c, got.Error, says)
		}
	}
	if got := d.Cut(tiles.Cut{W: 8, H: 8, Scale: 3}); got.Error != "" {
		t.Errorf("three times 8 px in a cell of 24: %s", got.Error)
	}
	if s := d.Open([]byte("ferns"), 24, 24); !strings.Contains(s.Error, "not a picture") {
		t.Errorf("text was opened: %+v", s)
	}
	if s := d.Open(picture(t, image.NewNRGBA(image.Rect(0, 0, 1, 1))), 16, 16); s.Error != "" || !s.OneColour || !strings.Contains(d.Cut(s.Guess).Error, "does not fit") {
		t.Errorf("one pixel: %+v", s)
	}
}
