package picture

import (
	"azzel/core/appearance"
	"azzel/core/grid"
	"azzel/core/tiles"
	"azzel/core/world"
)

// mostFrames is how many frames of a picture are told apart whose tiles are animated.
const mostFrames = 64

// second is how many ticks there are in one, of which milliseconds make a thousand.
const second = 60

// Frames is how many frames a picture of a piece has, and for how many ticks each is shown: its own, or of a single one as many as its animated tiles have together.
func Frames(d *world.Document, p appearance.Picture) (count, ticks int) {
	if len(p.Frames) != 1 {
		return max(1, len(p.Frames)), max(1, p.Ticks)
	}
	each, all := 0, 1
	for _, c := range p.Frames[0] {
		a := animation(d, c)
		if a == nil {
			continue
		}
		round := 0
		for _, f := range a.Frames {
			n := max(1, f.Millis*second/1000)
			each, round = common(each, n), round+n
		}
		all = min(all/common(all, round)*round, mostFrames*limitTicks)
	}
	if each == 0 {
		return 1, 1
	}
	return min(max(1, all/each), mostFrames), each
}

// limitTicks is for how long a round of animated tiles is counted out at most.
const limitTicks = 3600

// common is the greatest number that divides two, of which the first may be 0.
func common(a, b int) int {
	for b != 0 {
		a, b = b, a%b
	}
	return a
}

func animation(d *world.Document, c grid.Cell) *tiles.Animation {
	set, i := d.TilesetOf(c.Tile())
	if set == nil || i >= len(set.Tiles) || set.Tiles[i] == nil {
		return nil
	}
	return set.Tiles[i].Animation
}

// Appearance is the pixels of a frame of a picture of a piece that shows tiles, and their size; nil while the pixels of a tileset are missing. A tile that is gone is hatched.
func (a *Atlas) Appearance(d *world.Document, p appearance.Picture, frame int) (pix []byte, w, h int) {
	if len(p.Frames) == 0 {
		return nil, 0, 0
	}
	l := a.lattice
	w, h = p.W*l.W, p.H*l.H
	pix = make([]byte, w*h*4)
	_, ticks := Frames(d, p)
	for i, c := range p.Frames[frame%len(p.Frames)] {
		if c == 0 {
			continue
		}
		shown := c
		if moves := animation(d, c); moves != nil {
			tile, _ := moves.At(frame * ticks * 1000 / second)
			shown = grid.Cell(tile).Turned(c.Orientation())
		}
		from := a.Cell(shown)
		if set, _ := d.TilesetOf(c.Tile()); set == nil {
			from = Missing(l)
		} else if from == nil {
			return nil, 0, 0
		}
		x, y := i%p.W*l.W, i/p.W*l.H
		for row := range l.H {
			copy(pix[((y+row)*w+x)*4:], from[row*l.W*4:(row+1)*l.W*4])
		}
	}
	return pix, w, h
}

// Missing is the pixels of a cell that stands for a picture that is not there: hatched in rose.
func Missing(l grid.Lattice) []byte {
	pix := make([]byte, l.W*l.H*4)
	for y := range l.H {
		for x := range l.W {
			edge := x == 0 || y == 0 || x == l.W-1 || y == l.H-1
			if edge || (x+y)%4 == 0 {
				copy(pix[(y*l.W+x)*4:], []byte{0xb8, 0x4a, 0x62, 0xff})
			}
		}
	}
	return pix
}
