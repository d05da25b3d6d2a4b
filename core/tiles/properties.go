package tiles

import "azzel/core/grid"

// A Mask says which eighths of a tile are solid: bit y×8+x for the eighth at
// column x and row y. 0 is free, Whole is solid all over.
type Mask uint64

// Whole is a tile that is solid all over.
const Whole Mask = ^Mask(0)

// MaskSide is how many parts a mask has along each axis.
const MaskSide = 8

// At reports whether the part at column x and row y, each 0 to 7, is solid.
func (m Mask) At(x, y int) bool { return m>>(y*MaskSide+x)&1 != 0 }

// Lying is the mask of a tile that lies another way in its cell.
func (m Mask) Lying(orientation int) Mask {
	if orientation == 0 || m == 0 || m == Whole {
		return m
	}
	var out Mask
	for y := range MaskSide {
		for x := range MaskSide {
			if u, v := grid.Lying(orientation, x, y, MaskSide, MaskSide); m.At(u, v) {
				out |= 1 << (y*MaskSide + x)
			}
		}
	}
	return out
}

// MaskOf is solid where at least half of the pixels show something. Pixels are
// red, green, blue, opacity; w and h are their size.
func MaskOf(pix []byte, w, h int) Mask {
	var m Mask
	for v := range MaskSide {
		for u := range MaskSide {
			shown, all := 0, 0
			for y := v * h / MaskSide; y < max((v+1)*h/MaskSide, v*h/MaskSide+1) && y < h; y++ {
				for x := u * w / MaskSide; x < max((u+1)*w/MaskSide, u*w/MaskSide+1) && x < w; x++ {
					all++
					if pix[(y*w+x)*4+3] >= 128 {
						shown++
					}
				}
			}
			if all > 0 && 2*shown >= all {
				m |= 1 << (v*MaskSide + u)
			}
		}
	}
	return m
}

// Slope is solid below a line from the lower left to the upper right corner, or
// the other way if falling.
func Slope(falling bool) Mask {
	var m Mask
	for y := range MaskSide {
		for x := range MaskSide {
			if falling && y >= x || !falling && y >= MaskSide-1-x {
				m |= 1 << (y*MaskSide + x)
			}
		}
	}
	return m
}

// Properties is what a tile does and is called. The zero value does nothing.
type Properties struct {
	// Role is what the tile is for; play never reads it.
	Role  Role
	Solid Mask
	// OneWay holds from above alone; Climbable, Water, Slippery and Slow are what
	// they say.
	OneWay, Climbable, Water, Slippery, Slow bool
	// Danger is how much it hurts, 0 to 100.
	Danger int
	// Above says that it goes into the layer above the player, as the upper rows of
	// what is larger than a cell.
	Above bool
	// Weight is how often it is laid beside others of a medley, 0 to 1,000; 0
	// counts as 1.
	Weight int
	// Name and Keywords are for people; Home is the name of the layer it goes to,
	// empty for the current one.
	Name, Keywords, Home string
	// Animation, unless nil, is what is shown in the tile's place.
	Animation *Animation
	// Own, unless nil, are its values of the project's own properties.
	Own *Own
}

// The most that danger and weight may be.
const (
	MaxDanger = 100
	MaxWeight = 1000
)

// Properties is what a tile of the role starts out with.
func (r Role) Properties() Properties {
	p := Properties{Role: r}
	switch r {
	case Wall:
		p.Solid = Whole
	case Overhead:
		p.Above = true
	case Water:
		p.Solid, p.Water = Whole, true
	case Danger:
		p.Danger = 1
	case Climbable:
		p.Climbable = true
	case OneWay:
		p.OneWay = true
	case SlopeLeft:
		p.Solid = Slope(false)
	case SlopeRight:
		p.Solid = Slope(true)
	}
	return p
}
