package picture

import (
	"azzel/core/grid"
	"azzel/core/kind"
	"azzel/core/world"
)

// The built-in pictures are drawn on a raster of 16 × 20, scaled to the cell.
const (
	spriteW = 16
	spriteH = 20
)

// SpriteSize is the size in pixels of the built-in pictures for cells of l. A
// sprite stands with the middle of its lower edge on a foot point.
func SpriteSize(l grid.Lattice) (w, h int) { return l.W, l.H * spriteH / spriteW }

func sprite(l grid.Lattice, shapes []kind.Shape) []byte {
	w, h := SpriteSize(l)
	pix := make([]byte, w*h*4)
	for _, s := range shapes {
		left, top, wide, high, colour := s[0], s[1], s[2], s[3], s[4]
		for y := top * h / spriteH; y < (top+high)*h/spriteH; y++ {
			for x := left * w / spriteW; x < (left+wide)*w/spriteW; x++ {
				o := (y*w + x) * 4
				pix[o], pix[o+1], pix[o+2], pix[o+3] = byte(colour>>16), byte(colour>>8), byte(colour), 255
			}
		}
	}
	return pix
}

const (
	straw = 0xd9b65c
	band  = 0x8a5a2b
	skin  = 0xe2b48c
	coat  = 0x3f6b8f
	shade = 0x2f506b
	boot  = 0x2b2a33
	eye   = 0x2b2a33
)

// Figure is a frame of the built-in player, looking to a side: 0 and 2 stand, 1
// and 3 step.
func Figure(l grid.Lattice, f world.Facing, frame int) []byte {
	left, right := 0, 0
	switch frame {
	case 1:
		left = 2
	case 3:
		right = 2
	}
	shapes := []kind.Shape{
		{5, 16, 2, 4 - left, boot}, {9, 16, 2, 4 - right, boot},
		{4, 10, 8, 7, coat}, {4, 15, 8, 1, shade},
		{5, 5, 6, 5, skin},
		{2, 4, 12, 2, straw}, {5, 1, 6, 3, straw}, {5, 3, 6, 1, band},
	}
	switch f {
	case world.South:
		shapes = append(shapes, kind.Shape{6, 7, 1, 1, eye}, kind.Shape{9, 7, 1, 1, eye}, kind.Shape{3, 11, 1, 4, shade}, kind.Shape{12, 11, 1, 4, shade})
	case world.West:
		shapes = append(shapes, kind.Shape{5, 7, 1, 1, eye}, kind.Shape{8, 11, 2, 4, shade})
	case world.East:
		shapes = append(shapes, kind.Shape{10, 7, 1, 1, eye}, kind.Shape{6, 11, 2, 4, shade})
	case world.North:
		shapes = append(shapes, kind.Shape{5, 6, 6, 3, straw}, kind.Shape{3, 11, 1, 4, shade}, kind.Shape{12, 11, 1, 4, shade})
	}
	return sprite(l, shapes)
}

// The built-in pictures of a type: as it is at first, in its other state or from above, and from OfState on one for each of
// its own states.
const (
	AtFirst = iota
	Other
	OfState
)

// Piece is a built-in picture of a type; nil if such a piece is not seen in play. What a type has no picture for looks as at
// first.
func Piece(l grid.Lattice, of world.ID, which int) []byte {
	k := kind.Of(of)
	if k == nil || k.Picture == nil {
		return nil
	}
	shapes := k.Picture
	switch i := which - OfState; {
	case which == Other && k.Other != nil:
		shapes = k.Other
	case i >= 0 && i < len(k.States) && k.States[i].Picture != nil:
		shapes = k.States[i].Picture
	}
	return sprite(l, shapes)
}
