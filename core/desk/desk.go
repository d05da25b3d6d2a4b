// Package desk knows the picture that lies on the desk, and says how it would be
// cut. It refuses to know projects: what is taken goes through the server.
package desk

import (
	"image"

	"azzel/core/raster"
	"azzel/core/tiles"
)

// Sheet is what is known of a picture on the desk, and of how it would be cut.
type Sheet struct {
	Width   int    `json:"width"`
	Height  int    `json:"height"`
	Columns int    `json:"columns"`
	Rows    int    `json:"rows"`
	Tiles   int    `json:"tiles"`
	Empty   int    `json:"empty"`
	Places  []int  `json:"places"`
	Error   string `json:"error"`
}

// A Desk holds the picture that is being cut. The zero value is empty.
type Desk struct{ img *image.NRGBA }

// Open takes a picture file onto the desk.
func (d *Desk) Open(data []byte) Sheet {
	d.img = nil
	img, err := raster.Decode(data)
	if err != nil {
		return Sheet{Error: err.Error(), Places: []int{}}
	}
	d.img = img
	return Sheet{Width: img.Rect.Dx(), Height: img.Rect.Dy(), Places: []int{}}
}

// Cut says how the picture on the desk would be cut.
func (d *Desk) Cut(c tiles.Cut) Sheet {
	if d.img == nil {
		return Sheet{Error: raster.ErrNotPicture.Error(), Places: []int{}}
	}
	s := Sheet{Width: d.img.Rect.Dx(), Height: d.img.Rect.Dy(), Places: []int{}}
	strip, err := tiles.Take(d.img, c)
	if err != nil {
		s.Error = err.Error()
		return s
	}
	s.Columns, s.Rows, s.Tiles, s.Places = strip.Columns, strip.Rows, len(strip.Places), strip.Places
	s.Empty = s.Columns*s.Rows - s.Tiles
	return s
}
