package tiles

import (
	"errors"
	"fmt"
	"image"

	"azzel/core/limit"
	"azzel/core/pack"
)

// A Cut says how a picture is divided into tiles. All numbers are pixels.
type Cut struct {
	// W and H are the size of a tile.
	W, H int
	// Margin runs round the whole picture, Spacing lies between two tiles.
	Margin, Spacing int
}

// Check reports what keeps the cut from being made on a picture of the given
// size, in words for the designer.
func (c Cut) Check(width, height int) error {
	switch {
	case c.W < limit.MinCellSide || c.H < limit.MinCellSide || c.W > limit.MaxCellSide || c.H > limit.MaxCellSide:
		return fmt.Errorf("a tile of %d × %d px can't be cut: each side is %d to %d px", c.W, c.H, limit.MinCellSide, limit.MaxCellSide)
	case c.Margin < 0 || c.Spacing < 0 || c.Margin > limit.MaxCellSide || c.Spacing > limit.MaxCellSide:
		return fmt.Errorf("margin and spacing are 0 to %d px; these are %d and %d", limit.MaxCellSide, c.Margin, c.Spacing)
	case c.Columns(width) < 1 || c.Rows(height) < 1:
		return fmt.Errorf("a tile of %d × %d px with a margin of %d px does not fit into the picture of %d × %d px: choose a smaller tile or margin", c.W, c.H, c.Margin, width, height)
	}
	return nil
}

// Columns is how many tiles fit side by side in a picture of that width.
func (c Cut) Columns(width int) int { return fit(width, c.W, c.Margin, c.Spacing) }

// Rows is how many tiles fit one below the other.
func (c Cut) Rows(height int) int { return fit(height, c.H, c.Margin, c.Spacing) }

func fit(length, side, margin, spacing int) int {
	inner := length - 2*margin + spacing
	if inner < side+spacing {
		return 0
	}
	return inner / (side + spacing)
}

// At is the upper left pixel of the tile at column and row of the picture.
func (c Cut) At(column, row int) (x, y int) {
	return c.Margin + column*(c.W+c.Spacing), c.Margin + row*(c.H+c.Spacing)
}

// ErrAllEmpty is reported for a picture in which no tile shows anything.
var ErrAllEmpty = errors.New("every tile of this cut is empty (wholly transparent): check the tile size, or choose another picture")

// A Strip holds the pixels of tiles of one size, one after the other.
type Strip struct {
	// W and H are the size of each tile in pixels.
	W, H int
	// Columns and Rows are how the picture was divided.
	Columns, Rows int
	// Places says for each tile where it was in the picture: row × Columns +
	// column, ascending. Empty tiles are left out.
	Places []int
	// Pixels are red, green, blue and opacity (not multiplied), row by row,
	// tile after tile.
	Pixels []byte
}

// Tile is the pixels of tile i, which share the strip's memory.
func (s *Strip) Tile(i int) []byte {
	n := s.W * s.H * 4
	return s.Pixels[i*n : (i+1)*n]
}

// Take cuts a picture. Tiles that are wholly transparent are left out.
func Take(img *image.NRGBA, c Cut) (*Strip, error) {
	size := img.Bounds().Size()
	if err := c.Check(size.X, size.Y); err != nil {
		return nil, err
	}
	s := &Strip{W: c.W, H: c.H, Columns: c.Columns(size.X), Rows: c.Rows(size.Y)}
	if n := s.Columns * s.Rows; n > limit.Tiles {
		return nil, fmt.Errorf("this cut gives %d tiles; the most is %d: choose a larger tile", n, limit.Tiles)
	}
	for place := range s.Columns * s.Rows {
		x, y := c.At(place%s.Columns, place/s.Columns)
		empty := true
		for row := 0; row < c.H && empty; row++ {
			line := img.Pix[(y+row)*img.Stride+x*4:][:c.W*4]
			for i := 3; i < len(line); i += 4 {
				if line[i] != 0 {
					empty = false
					break
				}
			}
		}
		if empty {
			continue
		}
		s.Places = append(s.Places, place)
	}
	if len(s.Places) == 0 {
		return nil, ErrAllEmpty
	}
	s.Pixels = make([]byte, 0, len(s.Places)*c.W*c.H*4)
	for _, place := range s.Places {
		x, y := c.At(place%s.Columns, place/s.Columns)
		for row := range c.H {
			s.Pixels = append(s.Pixels, img.Pix[(y+row)*img.Stride+x*4:][:c.W*4]...)
		}
	}
	return s, nil
}

const stripTag = 'S'

// Encode gives the strip as bytes: the tag, the format version 1, the sizes,
// the places and the pixels.
func (s *Strip) Encode() []byte {
	w := pack.Writer{Bytes: []byte{stripTag, 1}}
	for _, n := range []int{s.W, s.H, s.Columns, s.Rows, len(s.Places)} {
		w.Uint(uint64(n))
	}
	last := 0
	for _, p := range s.Places {
		w.Uint(uint64(p - last))
		last = p
	}
	w.Blob(s.Pixels)
	return w.Bytes
}

// DecodeStrip reads what Encode wrote.
func DecodeStrip(b []byte) (*Strip, error) {
	if len(b) < 2 || b[0] != stripTag || b[1] != 1 {
		return nil, fmt.Errorf("reading tiles: %w", pack.ErrMalformed)
	}
	r := pack.NewReader(b[2:])
	s := &Strip{
		W: r.Count(limit.MaxCellSide, 1), H: r.Count(limit.MaxCellSide, 1),
		Columns: r.Count(limit.PictureSide, 1), Rows: r.Count(limit.PictureSide, 1),
	}
	n, last := r.Count(limit.Tiles, 1), 0
	for range n {
		last += int(r.Uint() & (1<<31 - 1))
		s.Places = append(s.Places, last)
	}
	s.Pixels = r.Blob(limit.PicturePixels * 4)
	if err := r.Done(); err != nil {
		return nil, fmt.Errorf("reading tiles: %w", err)
	}
	if s.W < 1 || s.H < 1 || len(s.Pixels) != n*s.W*s.H*4 {
		return nil, fmt.Errorf("reading tiles: %w", pack.ErrMalformed)
	}
	return s, nil
}
