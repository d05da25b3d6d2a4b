package sheets

import (
	"image/color"
	"math/rand/v2"

	"azzel/core/tiles"
)

// A Block is the tiles of a bond in any order, with the surroundings that each
// was drawn for.
type Block struct {
	Join tiles.Join
	W, H int
	// Pixels are red, green, blue, opacity of each tile.
	Pixels [][]byte
	Joined []tiles.Neighbours
	// Textured says that the ground or what is around it has a texture.
	Textured bool
}

// A finish is how the inside or the outside of a bond is drawn.
type finish struct {
	base  color.NRGBA
	clear bool
	// grain is how far a texture goes from the base; 0 is flat.
	grain int
	// rows is how often a row of the texture is darker; 0 for none.
	rows int
}

func anyFinish(r *rand.Rand, textured bool) finish {
	f := finish{base: any(r)}
	if textured {
		f.grain = 6 + r.IntN(24)
		if r.IntN(3) == 0 {
			f.rows = 3 + r.IntN(4)
		}
	}
	return f
}

func (f finish) at(r *rand.Rand, x, y int) color.NRGBA {
	if f.clear {
		return color.NRGBA{}
	}
	c := f.base
	if f.grain > 0 && r.IntN(3) == 0 {
		c = shade(c, r.IntN(2*f.grain+1)-f.grain)
	}
	if f.rows > 0 && (y%f.rows == 0 || (x+y/f.rows*3)%(2*f.rows) == 0) {
		c = shade(c, -f.grain)
	}
	return c
}

// distinct reports whether two colours can be told apart by eye.
func distinct(a, b color.NRGBA) bool {
	d := func(a, b uint8) int { return max(int(a)-int(b), int(b)-int(a)) }
	return d(a.R, b.R)+d(a.G, b.G)+d(a.B, b.B) > 90
}

// MakeBlock draws the block of a seed: flat or textured, on nothing or on
// another ground, with an edge of 1 to 4 pixels and noise of up to 3 levels.
func MakeBlock(seed uint64, join tiles.Join) Block {
	r := rand.New(rand.NewPCG(seed, 0xb10c))
	b := Block{Join: join, Textured: r.IntN(4) > 0}
	b.W = []int{12, 16, 16, 16, 24, 32, 32, 48}[r.IntN(8)]
	b.H = b.W
	if r.IntN(5) == 0 {
		b.H = b.W * 3 / 2
	}
	inside, outside := anyFinish(r, b.Textured), anyFinish(r, b.Textured && r.IntN(2) == 0)
	for !distinct(inside.base, outside.base) {
		outside.base = any(r)
	}
	outside.clear = r.IntN(3) == 0
	edge := any(r)
	for !distinct(edge, inside.base) {
		edge = any(r)
	}
	thick := 1 + r.IntN(min(4, b.W/6))
	gap := r.IntN(max(1, b.W/8))
	noise := r.IntN(4)
	for _, joined := range join.Places() {
		pix := make([]byte, 0, b.W*b.H*4)
		for y := range b.H {
			for x := range b.W {
				var c color.NRGBA
				switch deep := b.depth(joined, x, y); {
				case deep < gap:
					c = outside.at(r, x, y)
				case deep < gap+thick:
					c = edge
				default:
					c = inside.at(r, x, y)
				}
				if c.A != 0 && noise > 0 {
					c = shade(c, r.IntN(2*noise+1)-noise)
				}
				pix = append(pix, c.R, c.G, c.B, c.A)
			}
		}
		b.Pixels = append(b.Pixels, pix)
		b.Joined = append(b.Joined, joined)
	}
	r.Shuffle(len(b.Pixels), func(i, k int) {
		b.Pixels[i], b.Pixels[k] = b.Pixels[k], b.Pixels[i]
		b.Joined[i], b.Joined[k] = b.Joined[k], b.Joined[i]
	})
	return b
}

// depth is how many pixels a pixel of a tile lies within the ground.
func (b Block) depth(joined tiles.Neighbours, x, y int) int {
	// How far from each side, in the order of the bits.
	from := [4]int{y, b.W - 1 - x, b.H - 1 - y, x}
	deep := 1 << 20
	if b.Join == tiles.Corners {
		// The quarter of each corner that is not joined is outside, but for a pad in
		// the middle.
		for i := range 4 {
			if joined&(1<<(4+i)) != 0 {
				continue
			}
			u, v := from[i], from[(i+1)%4]
			du, dv := b.H/4-u, b.W/4-v
			if i%2 == 1 {
				du, dv = b.W/4-u, b.H/4-v
			}
			// Negative inside the quarter's outer part, counted towards the middle.
			deep = min(deep, max(-du, -dv)+b.W/8)
		}
		return max(deep, 0)
	}
	for i := range 4 {
		if joined&(1<<i) == 0 {
			deep = min(deep, from[i])
		}
	}
	if b.Join == tiles.Both {
		for i := range 4 {
			sides := tiles.Neighbours(1<<i | 1<<((i+1)%4))
			if joined&sides == sides && joined&(1<<(4+i)) == 0 {
				deep = min(deep, max(from[i], from[(i+1)%4]))
			}
		}
	}
	return deep
}
