package exchange

import (
	"bytes"
	"image"
	"image/png"

	"azzel/core/tiles"
	"azzel/core/world"
)

// Mended makes a library whole for a document some of whose pictures are not to be had any more: for the picture that
// tiles came from stands one of the tiles, and tiles and backdrops that are lost are empty. Lost is called with the
// name of each of those.
func Mended(d *world.Document, library Library, lost func(name string)) Library {
	made := map[string][]byte{}
	there := func(sum string) []byte {
		b, err := library(sum)
		if err != nil {
			return nil
		}
		return b
	}
	mend := func(name, picture, strip string, empty *tiles.Strip) {
		body := there(strip)
		s, err := tiles.DecodeStrip(body)
		if body == nil || err != nil {
			lost(name)
			s = empty
			made[strip] = s.Encode()
		}
		if there(picture) == nil {
			made[picture] = sheetPicture(s)
		}
	}
	l := d.Project.Lattice()
	for _, t := range d.Tilesets {
		if !t.Builtin() {
			mend(t.Name, t.Picture, t.Strip, emptyStrip(l.W, l.H, t.Columns, t.Rows, t.Places))
		}
	}
	for _, c := range d.Characters {
		if c.Strip == "" {
			continue
		}
		places := make([]int, c.Frames())
		for i := range places {
			places[i] = i
		}
		mend(c.Name, c.Picture, c.Strip, emptyStrip(c.W, c.H, len(places), 1, places))
	}
	for _, m := range d.Maps {
		for _, layer := range m.Layers {
			if b := layer.Backdrop; b.Picture != "" && made[b.Picture] == nil && there(b.Picture) == nil {
				lost(layer.Name)
				made[b.Picture] = encoded(image.NewNRGBA(image.Rect(0, 0, b.W, b.H)))
			}
		}
	}
	return func(sum string) ([]byte, error) {
		if b := made[sum]; b != nil {
			return b, nil
		}
		return library(sum)
	}
}

func emptyStrip(w, h, columns, rows int, places []int) *tiles.Strip {
	return &tiles.Strip{W: w, H: h, Columns: columns, Rows: rows, Places: places, Pixels: make([]byte, w*h*4*len(places))}
}

// sheetPicture shows as many tiles as one picture of a sheet has.
func sheetPicture(s *tiles.Strip) []byte {
	columns, all := onSheet(s.W, s.H, len(s.Places))
	return encoded(drawSheet(s, columns, 0, min(all, len(s.Places))))
}

func encoded(img *image.NRGBA) []byte {
	var out bytes.Buffer
	_ = png.Encode(&out, img) // a buffer takes all, and the picture is within PNG's limits
	return out.Bytes()
}

// drawSheet lays n tiles of a strip from one of them on side by side.
func drawSheet(s *tiles.Strip, columns, first, n int) *image.NRGBA {
	img := image.NewNRGBA(image.Rect(0, 0, columns*s.W, (n+columns-1)/columns*s.H))
	for i := range n {
		pix, at := s.Tile(first+i), img.PixOffset(i%columns*s.W, i/columns*s.H)
		for y := range s.H {
			copy(img.Pix[at+y*img.Stride:], pix[y*s.W*4:(y+1)*s.W*4])
		}
	}
	return img
}
