package tiles

import (
	"bytes"
	"encoding/binary"
	"hash/crc32"
	"image"
	"image/color"
	"image/png"
	"strings"
	"testing"

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
	for _, c := range []Cut{{16, 16, 0, 0}, {8, 12, 3, 1}, {4, 4, 0, 4}, {128, 5, 2, 0}} {
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

// wide is the start of a PNG that says it is very wide.
func wide(w, h uint32) []byte {
	chunk := append([]byte("IHDR"), binary.BigEndian.AppendUint32(binary.BigEndian.AppendUint32(nil, w), h)...)
	chunk = append(chunk, 8, 6, 0, 0, 0)
	out := append([]byte("\x89PNG\r\n\x1a\n"), binary.BigEndian.AppendUint32(nil, 13)...)
	out = append(out, chunk...)
	return binary.BigEndian.AppendUint32(out, crc32.ChecksumIEEE(chunk))
}

// Every bad picture gives a message of its own.
func TestBadPictures(t *testing.T) {
	good := file(t, sheet(Cut{W: 16, H: 16}, 4, 4, nil))
	for _, c := range []struct {
		name, says string
		data       []byte
		cut        Cut
	}{
		{"not a picture", "not a PNG", []byte("A list of seeds to sow in spring."), Cut{W: 16, H: 16}},
		{"empty", "not a PNG", nil, Cut{W: 16, H: 16}},
		{"cut short", "cut short", good[:len(good)/2], Cut{W: 16, H: 16}},
		{"too wide", "8192 px", wide(20_000, 10), Cut{W: 16, H: 16}},
		{"too many pixels", "megapixels", wide(8192, 8192), Cut{W: 16, H: 16}},
		{"too large a file", "MB", make([]byte, 17<<20), Cut{W: 16, H: 16}},
		{"cell larger than the picture", "does not fit", good, Cut{W: 65, H: 16}},
		{"cell of nothing", "can't be cut", good, Cut{}},
		{"negative margin", "margin and spacing", good, Cut{W: 16, H: 16, Margin: -1}},
		{"nothing but empty tiles", "empty", file(t, image.NewNRGBA(image.Rect(0, 0, 32, 32))), Cut{W: 16, H: 16}},
	} {
		img, err := raster.Decode(c.data)
		if err == nil {
			_, err = Take(img, c.cut)
		}
		if err == nil || !strings.Contains(err.Error(), c.says) {
			t.Errorf("%s: %v, want something about %q", c.name, err, c.says)
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
	f.Add(wide(20_000, 1), 16, 16, 1, 1)
	f.Fuzz(func(t *testing.T, data []byte, w, h, margin, spacing int) {
		if width, height, err := raster.Measure(data); err != nil || width*height > 1<<20 {
			return
		}
		img, err := raster.Decode(data)
		if err != nil {
			return
		}
		s, err := Take(img, Cut{w, h, margin, spacing})
		if err != nil {
			return
		}
		back, err := DecodeStrip(s.Encode())
		if err != nil || len(back.Places) != len(s.Places) {
			t.Fatalf("a strip came back changed: %v", err)
		}
	})
}
