package tiles

import (
	"bytes"
	"image"
	"image/color"
	"image/draw"
	"image/png"
	"math/rand/v2"
	"strings"
	"testing"

	"azzel/core/grid"
	"azzel/core/raster"
)

func file(t testing.TB, img image.Image) []byte {
	var b bytes.Buffer
	if err := png.Encode(&b, img); err != nil {
		t.Fatal(err)
	}
	return b.Bytes()
}

// sheet draws tiles of distinct shades with gaps, leaving some places empty.
func sheet(c Cut, columns, rows int, empty map[int]bool) *image.NRGBA {
	img := image.NewNRGBA(image.Rect(0, 0, 2*c.Margin+columns*(c.W+c.Spacing)-c.Spacing, 2*c.Margin+rows*(c.H+c.Spacing)-c.Spacing))
	for i := range columns * rows {
		x0, y0 := c.At(i%columns, i/columns)
		for y := range c.H {
			for x := range c.W {
				if !empty[i] {
					img.SetNRGBA(x0+x, y0+y, color.NRGBA{uint8(i), uint8(x), uint8(y), 255})
				}
			}
		}
	}
	return img
}

// Whatever the margin and spacing, each tile holds the pixels of its place.
func TestTake(t *testing.T) {
	for _, c := range []Cut{{W: 16, H: 16}, {W: 8, H: 12, Margin: 3, Spacing: 1}, {W: 4, H: 4, Spacing: 4}, {W: 128, H: 5, Margin: 2}} {
		empty := map[int]bool{2: true, 5: true}
		img, err := raster.Decode(file(t, sheet(c, 3, 3, empty)))
		if err != nil {
			t.Fatal(err)
		}
		s, err := Take(img, c)
		if err != nil {
			t.Fatal(err)
		}
		if len(s.Places) != 7 || s.Columns != 3 || s.Rows != 3 {
			t.Fatalf("%+v: %d tiles in %d × %d", c, len(s.Places), s.Columns, s.Rows)
		}
		back, err := DecodeStrip(s.Encode())
		if err != nil {
			t.Fatal(err)
		}
		for i, place := range back.Places {
			px := back.Tile(i)
			for y := range c.H {
				for x := range c.W {
					if got, want := px[(y*c.W+x)*4:][:3], []byte{uint8(place), uint8(x), uint8(y)}; !bytes.Equal(got, want) {
						t.Fatalf("%+v: tile %d has %v at %d, %d, want %v", c, i, got, x, y, want)
					}
				}
			}
		}
	}
}

// Every cut that can't be made gives a message of its own.
func TestBadCuts(t *testing.T) {
	good := sheet(Cut{W: 16, H: 16}, 4, 4, nil)
	for _, c := range []struct {
		name, says string
		img        *image.NRGBA
		cut        Cut
	}{
		{"cell larger than the picture", "does not fit", good, Cut{W: 65, H: 16}},
		{"cell of nothing", "can't be cut", good, Cut{}},
		{"negative margin", "margin and spacing", good, Cut{W: 16, H: 16, Margin: -1}},
		{"an offset before the picture", "the offset is", good, Cut{W: 16, H: 16, OffsetX: -3}},
		{"an offset beyond the picture", "does not fit", good, Cut{W: 16, H: 16, OffsetY: 60}},
		{"a crop outside", "reaches out", good, Cut{W: 16, H: 16, Crop: grid.Rect{X: 40, W: 40, H: 20}}},
		{"a crop smaller than a tile", "does not fit", good, Cut{W: 16, H: 16, Crop: grid.Rect{W: 15, H: 64}}},
		{"nothing but empty tiles", "empty", image.NewNRGBA(image.Rect(0, 0, 32, 32)), Cut{W: 16, H: 16}},
		{"nothing but the key colour", "empty", image.NewNRGBA(image.Rect(0, 0, 32, 32)), Cut{W: 16, H: 16, Keyed: true}},
	} {
		if _, err := Take(c.img, c.cut); err == nil || !strings.Contains(err.Error(), c.says) {
			t.Errorf("%s: %v, want something about %q", c.name, err, c.says)
		}
	}
}

// Offset, crop and key colour choose the same tiles as a picture that was drawn
// without what they leave out.
func TestCutParts(t *testing.T) {
	plain := sheet(Cut{W: 8, H: 8}, 3, 2, nil)
	want, err := Take(plain, Cut{W: 8, H: 8})
	if err != nil {
		t.Fatal(err)
	}
	key := color.NRGBA{255, 0, 255, 255}
	framed := image.NewNRGBA(image.Rect(0, 0, 60, 50))
	draw.Draw(framed, framed.Rect, image.NewUniform(key), image.Point{}, draw.Src)
	draw.Draw(framed, image.Rect(13, 11, 13+24, 11+16), plain, image.Point{}, draw.Src)
	for name, c := range map[string]Cut{
		"crop":   {W: 8, H: 8, Crop: grid.Rect{X: 13, Y: 11, W: 24, H: 16}},
		"offset": {W: 8, H: 8, OffsetX: 13, OffsetY: 11, Keyed: true, Key: 0xff00ff},
		"both":   {W: 8, H: 8, Crop: grid.Rect{X: 10, Y: 10, W: 50, H: 40}, OffsetX: 3, OffsetY: 1, Keyed: true, Key: 0xff00ff},
	} {
		got, err := Take(framed, c)
		if err != nil || !bytes.Equal(got.Pixels, want.Pixels) {
			t.Errorf("%s: the tiles differ (%v)", name, err)
		}
	}
}

// The normal form of a cut cuts the same tiles, and is its own normal form.
func TestNormal(t *testing.T) {
	r := rand.New(rand.NewPCG(6, 7))
	for range 2000 {
		w, h := 40+r.IntN(200), 40+r.IntN(200)
		c := Cut{W: 8 + r.IntN(9), H: 8 + r.IntN(9), Margin: r.IntN(4), Spacing: r.IntN(4), OffsetX: r.IntN(6), OffsetY: r.IntN(6)}
		n := c.Normal(w, h)
		x, y := c.At(0, 0)
		if u, v := n.At(0, 0); u != x || v != y || n.Normal(w, h) != n {
			t.Fatalf("%+v of %d × %d became %+v", c, w, h, n)
		}
		if n.Columns(w, h) < c.Columns(w, h) || n.Rows(w, h) < c.Rows(w, h) {
			t.Fatalf("%+v of %d × %d lost tiles as %+v", c, w, h, n)
		}
	}
}

func TestBlockoutDiffers(t *testing.T) {
	for _, size := range [][2]int{{4, 4}, {16, 16}, {128, 96}} {
		s := Blockout(size[0], size[1])
		for i := range s.Places {
			for k := range i {
				if bytes.Equal(s.Tile(i), s.Tile(k)) {
					t.Errorf("at %v the tiles of %s and %s look alike", size, Role(i+1), Role(k+1))
				}
			}
		}
	}
}

// The front door for pictures never panics, and what it takes can be cut.
func FuzzCut(f *testing.F) {
	f.Add(file(f, sheet(Cut{W: 8, H: 8}, 2, 2, nil)), 8, 8, 0, 0)
	f.Fuzz(func(t *testing.T, data []byte, w, h, margin, spacing int) {
		if info, err := raster.Measure(data); err != nil || info.Width*info.Height > 1<<20 {
			return
		}
		img, err := raster.Decode(data)
		if err != nil {
			return
		}
		s, err := Take(img, Cut{W: w, H: h, Margin: margin, Spacing: spacing})
		if err != nil {
			return
		}
		back, err := DecodeStrip(s.Encode())
		if err != nil || len(back.Places) != len(s.Places) {
			t.Fatalf("a strip came back changed: %v", err)
		}
	})
}
