package art

import (
	"image"
	"image/color"
	"testing"
)

// tilesOf gives each tile of a picture as text, so that they can be compared.
func tilesOf(img *image.NRGBA, w, h int) (all []string) {
	for y := 0; y < img.Rect.Dy(); y += h {
		for x := 0; x < img.Rect.Dx(); x += w {
			var pixels []byte
			for row := range h {
				pixels = append(pixels, img.Pix[img.PixOffset(x, y+row):img.PixOffset(x+w-1, y+row)+4]...)
			}
			all = append(all, string(pixels))
		}
	}
	return all
}

// The sheet has at least 60 tiles that differ, the gardener 16 frames, of which
// each second one of a row stands, and both keep to one palette.
func TestPictures(t *testing.T) {
	sheet, gardener := Sheet(), Gardener()
	pictures := []*image.NRGBA{sheet, gardener, Fittings()}
	for c := Moth; c <= Beetle; c++ {
		pictures = append(pictures, c.Draw())
		if f := tilesOf(c.Draw(), CreatureWidth, CreatureHeight); f[0] == f[1] {
			t.Errorf("creature %d does not move", c)
		}
	}
	colours := map[color.NRGBA]bool{}
	for _, img := range pictures {
		for i := 0; i < len(img.Pix); i += 4 {
			if img.Pix[i+3] != 0 {
				colours[color.NRGBA{img.Pix[i], img.Pix[i+1], img.Pix[i+2], img.Pix[i+3]}] = true
			}
		}
	}
	if len(colours) > 24 {
		t.Errorf("the pictures have %d colours; the palette has 24", len(colours))
	}
	distinct := map[string]bool{}
	for _, tile := range tilesOf(sheet, Side, Side) {
		distinct[tile] = true
	}
	if len(distinct) < 61 { // one of them is empty
		t.Errorf("the sheet has only %d different tiles", len(distinct))
	}
	frames := tilesOf(gardener, GardenerWidth, GardenerHeight)
	for row := range 4 {
		f := frames[row*GardenerFrames:][:GardenerFrames]
		if f[0] != f[2] || f[0] == f[1] || f[1] == f[3] || f[0] == f[3] {
			t.Errorf("row %d of the gardener does not walk", row)
		}
		for other := range row {
			if f[0] == frames[other*GardenerFrames] {
				t.Errorf("rows %d and %d of the gardener look alike", row, other)
			}
		}
	}
}
