package desk

import (
	"cmp"
	"errors"
	"fmt"
	"slices"

	"azzel/core/limit"
	"azzel/core/raster"
)

// MostColours is how many colours a picture may have in which each means a tile.
const MostColours = 64

// Colours are those of a picture in which each pixel is a cell, and each colour means a
// tile.
type Colours struct {
	Width  int `json:"width"`
	Height int `json:"height"`
	// List are the colours, the commonest first. What is see-through is none: its cells
	// stay empty.
	List  []ColourCount `json:"list"`
	Error string        `json:"error"`
}

// ColourCount is a colour, and how many cells it has.
type ColourCount struct {
	// Hex is such as #d07a2c.
	Hex   string `json:"hex"`
	Cells int    `json:"cells"`
}

// Colours says which colours the picture on the desk has, and for each pixel, row by
// row, which it is: its place in the list plus 1, and 0 where it is see-through.
func (d *Desk) Colours() (Colours, []byte) {
	c := Colours{List: []ColourCount{}}
	places, err := d.colours(&c)
	if err != nil {
		c.Error = err.Error()
		return c, nil
	}
	return c, places
}

func (d *Desk) colours(c *Colours) ([]byte, error) {
	if d.img == nil {
		return nil, raster.ErrNotPicture
	}
	c.Width, c.Height = d.img.Rect.Dx(), d.img.Rect.Dy()
	if c.Width > limit.MaxMapSide || c.Height > limit.MaxMapSide || c.Width*c.Height > limit.BlockCells {
		return nil, fmt.Errorf("each pixel would be a cell, and this picture has %d × %d: at most %d a side and %d million in all", c.Width, c.Height, limit.MaxMapSide, limit.BlockCells>>20)
	}
	found := map[uint32]int{}
	var counts []int
	var hexes []uint32
	all := make([]byte, 0, c.Width*c.Height)
	for y := range c.Height {
		line := d.img.Pix[y*d.img.Stride:][:c.Width*4]
		for i := 0; i < len(line); i += 4 {
			if line[i+3] < 128 {
				all = append(all, 0)
				continue
			}
			hex := uint32(line[i])<<16 | uint32(line[i+1])<<8 | uint32(line[i+2])
			k, there := found[hex]
			if !there {
				if len(hexes) == MostColours {
					return nil, fmt.Errorf("this picture has more than %d colours: save it without smoothing, in few plain colours", MostColours)
				}
				k = len(hexes)
				found[hex] = k
				hexes, counts = append(hexes, hex), append(counts, 0)
			}
			counts[k]++
			all = append(all, byte(k+1))
		}
	}
	if len(hexes) == 0 {
		return nil, errors.New("all of this picture is see-through: there is nothing to make a map of")
	}
	order := make([]int, len(hexes))
	for i := range order {
		order[i] = i
	}
	slices.SortStableFunc(order, func(a, b int) int { return cmp.Compare(counts[b], counts[a]) })
	becomes := make([]byte, len(hexes)+1)
	for i, k := range order {
		becomes[k+1] = byte(i + 1)
		c.List = append(c.List, ColourCount{fmt.Sprintf("#%06x", hexes[k]), counts[k]})
	}
	for i, k := range all {
		all[i] = becomes[k]
	}
	return all, nil
}
