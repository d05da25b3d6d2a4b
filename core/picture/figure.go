package picture

import (
	"azzel/core/grid"
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

type shape struct {
	x, y, w, h int
	colour     uint32
}

func sprite(l grid.Lattice, shapes []shape) []byte {
	w, h := SpriteSize(l)
	pix := make([]byte, w*h*4)
	for _, s := range shapes {
		for y := s.y * h / spriteH; y < (s.y+s.h)*h/spriteH; y++ {
			for x := s.x * w / spriteW; x < (s.x+s.w)*w/spriteW; x++ {
				o := (y*w + x) * 4
				pix[o], pix[o+1], pix[o+2], pix[o+3] = byte(s.colour>>16), byte(s.colour>>8), byte(s.colour), 255
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
	shapes := []shape{
		{5, 16, 2, 4 - left, boot}, {9, 16, 2, 4 - right, boot},
		{4, 10, 8, 7, coat}, {4, 15, 8, 1, shade},
		{5, 5, 6, 5, skin},
		{2, 4, 12, 2, straw}, {5, 1, 6, 3, straw}, {5, 3, 6, 1, band},
	}
	switch f {
	case world.South:
		shapes = append(shapes, shape{6, 7, 1, 1, eye}, shape{9, 7, 1, 1, eye}, shape{3, 11, 1, 4, shade}, shape{12, 11, 1, 4, shade})
	case world.West:
		shapes = append(shapes, shape{5, 7, 1, 1, eye}, shape{8, 11, 2, 4, shade})
	case world.East:
		shapes = append(shapes, shape{10, 7, 1, 1, eye}, shape{6, 11, 2, 4, shade})
	case world.North:
		shapes = append(shapes, shape{5, 6, 6, 3, straw}, shape{3, 11, 1, 4, shade}, shape{12, 11, 1, 4, shade})
	}
	return sprite(l, shapes)
}

// pieces are the built-in pictures of types, on says those of the other state of a type.
var pieces = map[world.ID]struct{ off, on []shape }{
	// A plant label of brass.
	world.Collectible: {off: []shape{
		{4, 7, 8, 7, 0x8a5a2b}, {5, 8, 6, 5, 0xffdf86}, {5, 12, 6, 1, 0xc08f4f},
		{6, 9, 4, 1, 0x8a5a2b}, {6, 11, 3, 1, 0x8a5a2b}, {5, 8, 2, 1, 0xfff4cf},
		{7, 14, 2, 5, 0xc08f4f}, {8, 14, 1, 5, 0x8a5a2b}, {7, 19, 1, 1, 0x8a5a2b},
	}},
	// An open gate.
	world.Exit: {off: []shape{
		{1, 4, 2, 16, 0x5a5f66}, {13, 4, 2, 16, 0x5a5f66}, {1, 3, 14, 2, 0x767c85},
		{3, 6, 1, 12, 0x8d949e}, {12, 6, 1, 12, 0x8d949e}, {6, 17, 4, 2, 0xd9d2bd}, {6, 14, 4, 1, 0xd9d2bd},
	}},
	// A plank on a rail, one cell of it.
	world.MovingPlatform: {off: []shape{
		{0, 12, 16, 5, 0x9a7b4f}, {0, 12, 16, 1, 0xc9a876}, {0, 16, 16, 1, 0x6b5233}, {7, 13, 1, 3, 0x6b5233}, {2, 17, 3, 2, 0x5a5f66}, {11, 17, 3, 2, 0x5a5f66},
	}, on: []shape{
		// From above, a raft of boards.
		{0, 4, 16, 16, 0x6b5233}, {0, 5, 16, 4, 0xb08f5f}, {0, 10, 16, 4, 0xa68455}, {0, 15, 16, 4, 0xb08f5f}, {2, 6, 1, 1, 0x6b5233}, {13, 6, 1, 1, 0x6b5233}, {2, 16, 1, 1, 0x6b5233}, {13, 16, 1, 1, 0x6b5233},
	}},
	// A slug, looking to the right.
	world.Foe: {off: []shape{
		{2, 13, 9, 6, 0x6f7f4a}, {1, 16, 13, 3, 0x7f9155}, {0, 18, 15, 2, 0x596539}, {10, 12, 4, 5, 0x7f9155}, {12, 8, 1, 4, 0x7f9155}, {14, 9, 1, 4, 0x7f9155}, {12, 8, 1, 1, 0x2b2a33}, {14, 9, 1, 1, 0x2b2a33}, {4, 14, 4, 2, 0x8fa065},
	}},
	// A coil under a board.
	world.Spring: {off: []shape{
		{2, 11, 12, 2, 0xb5563c}, {2, 11, 12, 1, 0xd9826a}, {4, 13, 8, 1, 0x767c85}, {5, 14, 6, 1, 0x464a50}, {4, 15, 8, 1, 0x767c85}, {5, 16, 6, 1, 0x464a50}, {4, 17, 8, 1, 0x767c85}, {1, 18, 14, 2, 0x5a5f66},
	}},
	// A crate of slats.
	world.Pushable: {off: []shape{
		{0, 4, 16, 16, 0x4f3526}, {1, 5, 14, 14, 0x9d6f4f}, {1, 9, 14, 1, 0x7a5439}, {1, 14, 14, 1, 0x7a5439}, {2, 5, 2, 14, 0xb98a66}, {12, 5, 2, 14, 0xc9a876}, {7, 11, 2, 2, 0x4f3526},
	}},
	// A pane of frosted glass in a frame.
	world.Breakable: {off: []shape{
		{0, 4, 16, 16, 0x5a5f66}, {1, 5, 14, 14, 0xaebfc2}, {2, 6, 5, 12, 0xc3d2d3}, {9, 6, 5, 12, 0xc3d2d3}, {7, 5, 2, 14, 0x8d949e}, {3, 8, 1, 4, 0xe6efef}, {11, 9, 2, 1, 0x93a5a9}, {12, 10, 1, 3, 0x93a5a9},
	}},
	// A pipe with a valve.
	world.Emitter: {off: []shape{
		{4, 9, 8, 11, 0x767c85}, {4, 9, 2, 11, 0x8d949e}, {10, 9, 2, 11, 0x5a5f66}, {3, 7, 10, 3, 0x8a5a2b}, {3, 7, 10, 1, 0xc08f4f}, {6, 8, 4, 1, 0x2b2a33}, {13, 13, 2, 4, 0xb5563c},
	}},
	// Thorns.
	world.Hazard: {off: []shape{
		{2, 10, 1, 10, 0x4f6b3a}, {7, 7, 1, 13, 0x4f6b3a}, {12, 11, 1, 9, 0x4f6b3a}, {0, 13, 3, 1, 0xc4736f}, {3, 11, 2, 1, 0xc4736f}, {5, 10, 2, 1, 0xc4736f}, {8, 9, 2, 1, 0xc4736f}, {8, 14, 3, 1, 0xc4736f}, {10, 12, 2, 1, 0xc4736f}, {13, 13, 3, 1, 0xc4736f}, {4, 16, 3, 1, 0xc4736f},
	}},
	// A lamp on a post, out and lit.
	world.Checkpoint: {
		off: []shape{{7, 9, 2, 11, 0x5a5f66}, {5, 18, 6, 2, 0x464a50}, {5, 2, 6, 1, 0x767c85}, {5, 3, 6, 6, 0x464a50}, {6, 4, 4, 4, 0x2f3a44}},
		on:  []shape{{7, 9, 2, 11, 0x5a5f66}, {5, 18, 6, 2, 0x464a50}, {5, 2, 6, 1, 0x767c85}, {5, 3, 6, 6, 0xc08f4f}, {6, 4, 4, 4, 0xffdf86}, {7, 5, 2, 2, 0xfff4cf}},
	},
}

// Piece is the built-in picture of a type, as it is at first or in its other state; nil if
// such a piece is not seen in play.
func Piece(l grid.Lattice, of world.ID, on bool) []byte {
	p, seen := pieces[of]
	switch {
	case !seen:
		return nil
	case on && p.on != nil:
		return sprite(l, p.on)
	}
	return sprite(l, p.off)
}
