package tiles

import (
	"errors"
	"fmt"
	"image"

	"azzel/core/grid"
	"azzel/core/limit"
)

// Apart says how a picture of a finished map is taken apart into the tiles it was
// made of.
type Apart struct {
	// Turned says that tiles that are turned or mirrored are the same tile.
	Turned bool `json:"turned"`
	// Differ is the share of a tile's pixels, in percent, that may differ, as in
	// pictures that were compressed with losses.
	Differ int `json:"differ"`
}

// MaxDiffer is the most that Differ may be.
const MaxDiffer = 40

// unlike is by how many levels of a channel pixels may be apart and still count
// as the same, where pixels may differ at all.
const unlike = 20

// TakeApart cuts a picture and keeps each different tile once, where it comes
// first. It also gives the cells of the map, row by row: the index of the tile
// plus 1 and how it lies, 0 for a tile that is wholly see-through.
//
// Without a share that may differ the cost grows with the pixels. With one it
// grows with the number of different tiles too.
func TakeApart(img *image.NRGBA, c Cut, a Apart) (*Strip, []grid.Cell, error) {
	if a.Differ < 0 || a.Differ > MaxDiffer {
		return nil, nil, fmt.Errorf("0 to %d %% of the pixels may differ; this is %d %%", MaxDiffer, a.Differ)
	}
	all, err := c.take(img)
	if err != nil {
		return nil, nil, err
	}
	if all.Columns > limit.MaxMapSide || all.Rows > limit.MaxMapSide {
		return nil, nil, fmt.Errorf("a map is at most %d cells wide and high; this one would be %d × %d", limit.MaxMapSide, all.Columns, all.Rows)
	}
	cells := make([]grid.Cell, all.Columns*all.Rows)
	distinct := &Strip{W: all.W, H: all.H, Columns: all.Columns, Rows: all.Rows}
	known := newShelf(all.W, all.H, a)
	for i, place := range all.Places {
		pix := all.Tile(i)
		cell := known.find(pix)
		if cell == 0 {
			distinct.Places = append(distinct.Places, place)
			distinct.Pixels = append(distinct.Pixels, pix...)
			cell = known.add(pix)
		}
		cells[place] = cell
	}
	if n := len(distinct.Places); n > 100 && 10*n > 9*len(all.Places) {
		return nil, nil, errors.New("nearly every tile of this picture is another one: check the tile size and offset, or let some pixels differ")
	}
	return distinct.scaled(c), cells, nil
}

// A shelf finds tiles that are known already.
type shelf struct {
	w, h  int
	apart Apart
	exact map[string]grid.Cell
	// tiles are the known tiles, and signatures the means of their quarters, for
	// comparing where pixels may differ.
	tiles      [][]byte
	signatures [][12]uint8
	lies       []int
}

func newShelf(w, h int, a Apart) *shelf {
	s := &shelf{w: w, h: h, apart: a, exact: map[string]grid.Cell{}, lies: []int{0}}
	if a.Turned {
		// A tile that is not square can only be mirrored.
		s.lies = []int{0, 1, 2, 3}
		if w == h {
			s.lies = append(s.lies, 4, 5, 6, 7)
		}
	}
	return s
}

// add takes a new tile and gives the cell that shows it.
func (s *shelf) add(pix []byte) grid.Cell {
	cell := grid.Cell(len(s.tiles) + 1)
	s.tiles = append(s.tiles, pix)
	s.signatures = append(s.signatures, s.signature(pix))
	for _, lie := range s.lies {
		if lying := string(s.lying(pix, lie)); s.exact[lying] == 0 {
			s.exact[lying] = cell.Turned(lie)
		}
	}
	return cell
}

// find gives the cell that shows a tile, 0 if it is not known.
func (s *shelf) find(pix []byte) grid.Cell {
	if cell := s.exact[string(pix)]; cell != 0 || s.apart.Differ == 0 {
		return cell
	}
	for _, lie := range s.lies {
		// How the known tile must lie is how this one lies taken back.
		straight := s.lying(pix, back(lie))
		signature := s.signature(straight)
		for i, known := range s.tiles {
			if near(signature, s.signatures[i]) && s.alike(straight, known) {
				return grid.Cell(i + 1).Turned(lie)
			}
		}
	}
	return 0
}

// back is the orientation that takes another one back.
func back(lie int) int {
	if lie&grid.Transposed == 0 {
		return lie
	}
	// Exchanging columns and rows exchanges the two ways to mirror.
	return grid.Transposed | (lie&grid.MirroredX)<<1 | (lie&grid.MirroredY)>>1
}

// lying is the pixels of a tile as it is seen in a cell that lies so.
func (s *shelf) lying(pix []byte, lie int) []byte {
	if lie == 0 {
		return pix
	}
	out := make([]byte, 0, len(pix))
	for y := range s.h {
		for x := range s.w {
			u, v := grid.Lying(lie, x, y, s.w, s.h)
			out = append(out, pix[(v*s.w+u)*4:][:4]...)
		}
	}
	return out
}

// signature is the mean red, green and blue of each quarter.
func (s *shelf) signature(pix []byte) (out [12]uint8) {
	var sum [12]int
	var count [4]int
	for y := range s.h {
		for x := range s.w {
			quarter := 2*y/s.h*2 + 2*x/s.w
			count[quarter]++
			for k := range 3 {
				sum[quarter*3+k] += int(pix[(y*s.w+x)*4+k]) * int(pix[(y*s.w+x)*4+3]) / 255
			}
		}
	}
	for i := range out {
		out[i] = uint8(sum[i] / max(1, count[i/3]))
	}
	return out
}

// near reports whether two signatures leave it possible that tiles are alike.
func near(a, b [12]uint8) bool {
	for i := range a {
		if d := int(a[i]) - int(b[i]); d > 3*unlike || d < -3*unlike {
			return false
		}
	}
	return true
}

func (s *shelf) alike(a, b []byte) bool {
	most := s.w * s.h * s.apart.Differ / 100
	for i := 0; i < len(a); i += 4 {
		for k := range 4 {
			if d := int(a[i+k]) - int(b[i+k]); d > unlike || d < -unlike {
				most--
				break
			}
		}
		if most < 0 {
			return false
		}
	}
	return true
}
