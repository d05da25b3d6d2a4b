package desk_test

import (
	"bytes"
	"image"
	"image/color"
	"image/png"
	"math/rand/v2"
	"strings"
	"testing"

	"azzel/core/desk"
)

// The colours of a picture are counted and each pixel finds its own, whatever they are.
func TestColours(t *testing.T) {
	r := rand.New(rand.NewPCG(6, 4))
	for range 40 {
		w, h := 1+r.IntN(40), 1+r.IntN(30)
		img := image.NewNRGBA(image.Rect(0, 0, w, h))
		n := 1 + r.IntN(desk.MostColours+4)
		different := map[color.NRGBA]int{}
		for y := range h {
			for x := range w {
				c := color.NRGBA{uint8(r.IntN(n)), 77, 9, 255}
				if r.IntN(5) == 0 {
					c = color.NRGBA{}
				} else {
					different[c]++
				}
				img.SetNRGBA(x, y, c)
			}
		}
		var file bytes.Buffer
		_ = png.Encode(&file, img) // a buffer takes everything
		var d desk.Desk
		d.Open(file.Bytes(), 16, 16)
		c, places := d.Colours()
		if len(different) > desk.MostColours || len(different) == 0 {
			if c.Error == "" {
				t.Fatalf("%d colours were taken", len(different))
			}
			continue
		}
		if c.Error != "" || len(c.List) != len(different) || len(places) != w*h {
			t.Fatalf("%d colours of %d, %d places: %s", len(c.List), len(different), len(places), c.Error)
		}
		for i := range places {
			at := img.NRGBAAt(i%w, i/w)
			switch k := int(places[i]); {
			case at.A == 0 && k != 0, at.A != 0 && k == 0:
				t.Fatalf("pixel %d is %v, and is said to be colour %d", i, at, k)
			case k > 0 && (c.List[k-1].Hex != hex(at) || c.List[k-1].Cells != different[at]):
				t.Fatalf("pixel %d is %v of %d, and is said to be %+v", i, at, different[at], c.List[k-1])
			}
		}
	}
	var empty desk.Desk
	if c, _ := empty.Colours(); !strings.Contains(c.Error, "picture") {
		t.Errorf("an empty desk says %q", c.Error)
	}
}

func hex(c color.NRGBA) string {
	const digits = "0123456789abcdef"
	s := []byte("#")
	for _, n := range []uint8{c.R, c.G, c.B} {
		s = append(s, digits[n>>4], digits[n&15])
	}
	return string(s)
}
