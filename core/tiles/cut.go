package tiles

import (
	"errors"
	"fmt"
	"image"

	"azzel/core/grid"
	"azzel/core/limit"
	"azzel/core/pack"
)

// A Cut says how a picture is divided into tiles. All numbers are pixels of the
// picture. The zero value of every field but W and H leaves it out.
type Cut struct {
	// W and H are the size of a tile.
	W int `json:"w"`
	H int `json:"h"`
	// Margin runs round the whole picture, or round Crop; Spacing lies between
	// two tiles.
	Margin  int `json:"margin"`
	Spacing int `json:"spacing"`
	// OffsetX and OffsetY are where the first tile begins, after the margin.
	OffsetX int `json:"offsetX"`
	OffsetY int `json:"offsetY"`
	// Crop is the part of the picture that is cut; empty for all of it.
	Crop grid.Rect `json:"crop"`
	// Keyed says that what has the colour Key (0xRRGGBB) is see-through.
	Keyed bool `json:"keyed"`
	Key   int  `json:"key"`
	// Scale is 0 for tiles that are stretched or shrunk to the project's cell, n
	// for tiles that are enlarged n times, and -n for tiles that are made n times
	// smaller; those stand in the middle of the cell's lower edge.
	Scale int `json:"scale"`
}

// MaxScale is the most that tiles are enlarged or made smaller by.
const MaxScale = 8

// Scaled is the size of a tile after scaling by a whole number, in pixels.
func (c Cut) Scaled() (w, h int) {
	switch {
	case c.Scale > 0:
		return c.W * c.Scale, c.H * c.Scale
	case c.Scale < 0:
		return max(1, c.W/-c.Scale), max(1, c.H/-c.Scale)
	}
	return c.W, c.H
}

// CheckCell reports what keeps tiles of this cut from being laid in cells of the
// given size, in words for the designer.
func (c Cut) CheckCell(cellW, cellH int) error {
	if w, h := c.Scaled(); c.Scale != 0 && (w > cellW || h > cellH) {
		return fmt.Errorf("a tile would be %d × %d px and a cell has %d × %d px: scale it to the cell, or cut it smaller", w, h, cellW, cellH)
	}
	return nil
}

// area is the part of a picture that is cut.
func (c Cut) area(width, height int) grid.Rect {
	whole := grid.Rect{W: width, H: height}
	if c.Crop.Empty() {
		return whole
	}
	return whole.Meet(c.Crop)
}

// Check reports what keeps the cut from being made on a picture of the given
// size, in words for the designer.
func (c Cut) Check(width, height int) error {
	most := limit.MaxCellSide
	switch {
	case c.W < limit.MinCellSide || c.H < limit.MinCellSide || c.W > most || c.H > most:
		return fmt.Errorf("a tile of %d × %d px can't be cut: each side is %d to %d px", c.W, c.H, limit.MinCellSide, most)
	case c.Margin < 0 || c.Spacing < 0 || c.Margin > most || c.Spacing > most:
		return fmt.Errorf("margin and spacing are 0 to %d px; these are %d and %d", most, c.Margin, c.Spacing)
	case c.OffsetX < 0 || c.OffsetY < 0 || c.OffsetX >= limit.PictureSide || c.OffsetY >= limit.PictureSide:
		return fmt.Errorf("the offset is 0 to %d px each way; this one is %d, %d", limit.PictureSide-1, c.OffsetX, c.OffsetY)
	case c.Crop.W < 0 || c.Crop.H < 0 || c.area(width, height) != c.Crop && !c.Crop.Empty():
		return fmt.Errorf("the part to be cut reaches out of the picture of %d × %d px: drag its edges inward", width, height)
	case c.Key < 0 || c.Key > 0xffffff:
		return errors.New("the see-through colour is not a colour")
	case c.Scale < -MaxScale || c.Scale > MaxScale:
		return fmt.Errorf("tiles are scaled by 1 to %d, or to the cell", MaxScale)
	case c.Columns(width, height) < 1 || c.Rows(width, height) < 1:
		a := c.area(width, height)
		return fmt.Errorf("a tile of %d × %d px with a margin of %d px does not fit into the picture of %d × %d px: choose a smaller tile or margin", c.W, c.H, c.Margin, a.W, a.H)
	}
	return nil
}

// Columns is how many tiles fit side by side in a picture of that size.
func (c Cut) Columns(width, height int) int {
	return fit(c.area(width, height).W-c.OffsetX, c.W, c.Margin, c.Spacing)
}

// Rows is how many tiles fit one below the other.
func (c Cut) Rows(width, height int) int {
	return fit(c.area(width, height).H-c.OffsetY, c.H, c.Margin, c.Spacing)
}

func fit(length, side, margin, spacing int) int {
	inner := length - 2*margin + spacing
	if inner < side+spacing {
		return 0
	}
	return inner / (side + spacing)
}

// At is the upper left pixel of the tile at column and row of the picture.
func (c Cut) At(column, row int) (x, y int) {
	return max(0, c.Crop.X) + c.OffsetX + c.Margin + column*(c.W+c.Spacing), max(0, c.Crop.Y) + c.OffsetY + c.Margin + row*(c.H+c.Spacing)
}

// Normal says the same cut of a picture in the one form that is shown: what
// lies alike on all four sides is margin, what lies before the first tile alone
// is offset.
func (c Cut) Normal(width, height int) Cut {
	a := c.area(width, height)
	startX, startY := c.OffsetX+c.Margin, c.OffsetY+c.Margin
	c.Margin, c.OffsetX, c.OffsetY = 0, startX, startY
	endX := a.W - startX - fit(a.W-startX, c.W, 0, c.Spacing)*(c.W+c.Spacing) + c.Spacing
	endY := a.H - startY - fit(a.H-startY, c.H, 0, c.Spacing)*(c.H+c.Spacing) + c.Spacing
	if startX == startY && endX == startX && endY == startY {
		c.Margin, c.OffsetX, c.OffsetY = startX, 0, 0
	}
	return c
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
	// tile after tile. A strip that was decoded has tiles that look the same once;
	// Tile finds them.
	Pixels []byte
	// index, unless nil, is where in Pixels each tile is.
	index []int32
}

// Tile is the pixels of tile i, which share the strip's memory.
func (s *Strip) Tile(i int) []byte {
	n := s.W * s.H * 4
	if s.index != nil {
		i = int(s.index[i])
	}
	return s.Pixels[i*n : (i+1)*n]
}

// Places lists where tiles of the cut show something: row × columns + column,
// ascending. It reports what keeps the cut from being made, ErrAllEmpty if no
// tile shows anything.
func (c Cut) Places(img *image.NRGBA) ([]int, error) {
	size := img.Bounds().Size()
	if err := c.Check(size.X, size.Y); err != nil {
		return nil, err
	}
	columns, rows := c.Columns(size.X, size.Y), c.Rows(size.X, size.Y)
	if n := columns * rows; n > limit.Tiles {
		return nil, fmt.Errorf("this cut gives %d tiles; the most is %d: choose a larger tile", n, limit.Tiles)
	}
	var places []int
	for place := range columns * rows {
		x, y := c.At(place%columns, place/columns)
		if c.shows(img, x, y) {
			places = append(places, place)
		}
	}
	if len(places) == 0 {
		return nil, ErrAllEmpty
	}
	return places, nil
}

// shows reports whether the tile at x, y is not wholly see-through.
func (c Cut) shows(img *image.NRGBA, x, y int) bool {
	for row := range c.H {
		line := img.Pix[(y+row)*img.Stride+x*4:][:c.W*4]
		for i := 0; i < len(line); i += 4 {
			if line[i+3] != 0 && !(c.Keyed && int(line[i])<<16|int(line[i+1])<<8|int(line[i+2]) == c.Key) {
				return true
			}
		}
	}
	return false
}

// Take cuts a picture. Tiles that are wholly see-through are left out.
func Take(img *image.NRGBA, c Cut) (*Strip, error) {
	s, err := c.take(img)
	if err != nil {
		return nil, err
	}
	return s.scaled(c), nil
}

// take is Take before tiles are scaled.
func (c Cut) take(img *image.NRGBA) (*Strip, error) {
	places, err := c.Places(img)
	if err != nil {
		return nil, err
	}
	size := img.Bounds().Size()
	s := &Strip{W: c.W, H: c.H, Columns: c.Columns(size.X, size.Y), Rows: c.Rows(size.X, size.Y), Places: places}
	s.Pixels = make([]byte, 0, len(s.Places)*c.W*c.H*4)
	for _, place := range s.Places {
		x, y := c.At(place%s.Columns, place/s.Columns)
		for row := range c.H {
			s.Pixels = append(s.Pixels, img.Pix[(y+row)*img.Stride+x*4:][:c.W*4]...)
		}
	}
	if c.Keyed {
		clearKey(s.Pixels, c.Key)
	}
	return s, nil
}

// clearKey makes what has the key colour see-through.
func clearKey(pix []byte, key int) {
	for i := 0; i+3 < len(pix); i += 4 {
		if int(pix[i])<<16|int(pix[i+1])<<8|int(pix[i+2]) == key {
			pix[i+3] = 0
		}
	}
}

// scaled is the strip with its tiles scaled as the cut says.
func (s *Strip) scaled(c Cut) *Strip {
	w, h := c.Scaled()
	if w == s.W && h == s.H {
		return s
	}
	out := *s
	out.W, out.H, out.Pixels, out.index = w, h, make([]byte, 0, len(s.Places)*w*h*4), nil
	for i := range s.Places {
		out.Pixels = append(out.Pixels, Resize(s.Tile(i), s.W, s.H, w, h)...)
	}
	return &out
}

// Resize scales pixels by nearest neighbour.
func Resize(pix []byte, w, h, toW, toH int) []byte {
	if w == toW && h == toH {
		return pix
	}
	out := make([]byte, 0, toW*toH*4)
	for y := range toH {
		for x := range toW {
			o := (y*h/toH*w + x*w/toW) * 4
			out = append(out, pix[o:o+4]...)
		}
	}
	return out
}

const stripTag = 'S'

// Encode gives the strip as bytes: the tag, the format version 1, the sizes,
// the places and the pixels.
func (s *Strip) Encode() []byte {
	w := pack.Writer{Bytes: []byte{stripTag, 2}}
	for _, n := range []int{s.W, s.H, s.Columns, s.Rows, len(s.Places)} {
		w.Uint(uint64(n))
	}
	last := 0
	for _, p := range s.Places {
		w.Uint(uint64(p - last))
		last = p
	}
	known, pixels := map[string]int{}, []byte(nil)
	for i := range s.Places {
		pix := s.Tile(i)
		k, there := known[string(pix)]
		if !there {
			k = len(known)
			known[string(pix)] = k
			pixels = append(pixels, pix...)
		}
		w.Uint(uint64(k))
	}
	w.Blob(pixels)
	return w.Bytes
}

// DecodeStrip reads what Encode wrote.
func DecodeStrip(b []byte) (*Strip, error) {
	if len(b) < 2 || b[0] != stripTag || b[1] < 1 || b[1] > 2 {
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
	// Version 1 has the pixels of every tile, however many look the same.
	if b[1] == 2 {
		s.index = make([]int32, 0, n)
		for range n {
			s.index = append(s.index, int32(r.Uint()&(1<<31-1)))
		}
	}
	s.Pixels = r.Blob(limit.PicturePixels * 4)
	if err := r.Done(); err != nil {
		return nil, fmt.Errorf("reading tiles: %w", err)
	}
	one, damaged := s.W*s.H*4, false
	if b[1] == 2 && one > 0 {
		for _, k := range s.index {
			damaged = damaged || int(k) >= len(s.Pixels)/one
		}
		damaged = damaged || len(s.Pixels)%one != 0
	} else {
		damaged = len(s.Pixels) != n*one
	}
	if s.W < 1 || s.H < 1 || damaged {
		return nil, fmt.Errorf("reading tiles: %w", pack.ErrMalformed)
	}
	return s, nil
}
