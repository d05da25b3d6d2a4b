// Package art draws the demo's tiles: a botanical glasshouse at night. Every
// picture comes out the same each time.
package art

import (
	"bytes"
	"fmt"
	"image"
	"image/color"
	"image/png"
	"math/rand/v2"
)

// Side is the width and height of a tile in pixels.
const Side = 16

// Columns is how many tiles of the sheet stand side by side.
const Columns = 8

// The tiles of the sheet, by place. Crown is a palm's crown of 2 × 2 tiles.
const (
	Gravel = iota
	GravelPebbles
	GravelMoss
	Paving
	PavingWorn
	Glass
	GlassPost
	Brick
	Soil
	Fern
	Seedlings
	Orchid
	Water
	WaterLily
	Planks
	PlanksDark
	Grating
	Lamp
	Pot
	CrownNW
	CrownNE
	Trunk
	Bench
	Shelf
	Boiler
	Pipe
	Valve
	CrownSW
	CrownSE
	Crate
	empty
	count
)

// A canvas is one tile being drawn.
type canvas struct {
	img    *image.NRGBA
	x0, y0 int
	chance *rand.Rand
}

func rgb(hex uint32) color.NRGBA {
	return color.NRGBA{R: uint8(hex >> 16), G: uint8(hex >> 8), B: uint8(hex), A: 255}
}

func (c canvas) dot(x, y int, hex uint32) {
	if x >= 0 && y >= 0 && x < Side && y < Side {
		c.img.SetNRGBA(c.x0+x, c.y0+y, rgb(hex))
	}
}

func (c canvas) box(x, y, w, h int, hex uint32) {
	for v := range h {
		for u := range w {
			c.dot(x+u, y+v, hex)
		}
	}
}

// speckle scatters n dots of one of the colours over a box.
func (c canvas) speckle(x, y, w, h, n int, colours ...uint32) {
	for range n {
		c.dot(x+c.chance.IntN(w), y+c.chance.IntN(h), colours[c.chance.IntN(len(colours))])
	}
}

// Sheet draws the whole sheet.
func Sheet() *image.NRGBA {
	rows := (count + Columns - 1) / Columns
	img := image.NewNRGBA(image.Rect(0, 0, Columns*Side, rows*Side))
	for i := range count {
		draw(i, canvas{img, i % Columns * Side, i / Columns * Side, rand.New(rand.NewPCG(8417, uint64(i)))})
	}
	return img
}

// PNG is the sheet as a file.
func PNG() ([]byte, error) {
	var out bytes.Buffer
	if err := png.Encode(&out, Sheet()); err != nil {
		return nil, fmt.Errorf("drawing the demo's tiles: %w", err)
	}
	return out.Bytes(), nil
}

func draw(tile int, c canvas) {
	switch tile {
	case Gravel, GravelPebbles, GravelMoss:
		ground(tile, c)
	case Paving, PavingWorn:
		paving(tile, c)
	case Glass, GlassPost, Brick:
		wall(tile, c)
	case Soil, Fern, Seedlings, Orchid:
		bed(tile, c)
	case Water, WaterLily:
		water(tile, c)
	case Planks, PlanksDark, Grating:
		floor(tile, c)
	case CrownNW, CrownNE, CrownSW, CrownSE:
		crown(tile, c)
	case empty:
		// Left empty: a sheet has such places.
	default:
		thing(tile, c)
	}
}

func ground(tile int, c canvas) {
	c.box(0, 0, 16, 16, 0x8b867a)
	c.speckle(0, 0, 16, 16, 46, 0x948f83, 0x827d71, 0x9b9689)
	if tile == GravelPebbles {
		c.speckle(1, 1, 14, 14, 7, 0xa8a396, 0x6f6a5f)
	}
	if tile == GravelMoss {
		c.speckle(2, 3, 11, 10, 16, 0x6d7a50, 0x7c875c)
	}
}

func paving(tile int, c canvas) {
	c.box(0, 0, 16, 16, 0xb5a88b)
	c.speckle(0, 0, 16, 16, 26, 0xbdb095, 0xac9f82)
	c.box(0, 0, 16, 1, 0x9b8f74)
	c.box(0, 8, 16, 1, 0x9b8f74)
	c.box(4, 0, 1, 8, 0x9b8f74)
	c.box(12, 8, 1, 8, 0x9b8f74)
	if tile == PavingWorn {
		c.speckle(1, 1, 14, 14, 14, 0x8f846b, 0x7c875c)
	}
}

func wall(tile int, c canvas) {
	switch tile {
	case Glass:
		c.box(0, 0, 16, 16, 0x3d4a4b)
		c.box(1, 1, 6, 14, 0x9cc6c6)
		c.box(9, 1, 6, 14, 0x9cc6c6)
		c.box(2, 2, 2, 5, 0xc7e2de)
		c.box(10, 2, 2, 5, 0xc7e2de)
		c.box(1, 11, 6, 4, 0x84b0b2)
		c.box(9, 11, 6, 4, 0x84b0b2)
	case GlassPost:
		c.box(0, 0, 16, 16, 0x3d4a4b)
		c.box(2, 1, 12, 6, 0x9cc6c6)
		c.box(2, 9, 12, 6, 0x84b0b2)
		c.box(3, 2, 4, 2, 0xc7e2de)
	case Brick:
		c.box(0, 0, 16, 16, 0x5b3d34)
		for row := range 4 {
			for col := -1; col < 3; col++ {
				x := col*8 + row%2*4
				c.box(x, row*4, 7, 3, []uint32{0x8a5746, 0x7d4d3e, 0x93604d}[c.chance.IntN(3)])
			}
		}
	}
}

func bed(tile int, c canvas) {
	c.box(0, 0, 16, 16, 0x4a372d)
	c.speckle(0, 0, 16, 16, 40, 0x523e33, 0x423128, 0x5a463a)
	switch tile {
	case Fern:
		for range 26 {
			x, y := c.chance.IntN(14), 1+c.chance.IntN(14)
			c.box(x, y, 2+c.chance.IntN(2), 1, []uint32{0x3f7a3c, 0x58994a, 0x2f5f34, 0x7bb85c}[c.chance.IntN(4)])
		}
	case Seedlings:
		for _, x := range []int{2, 7, 12} {
			for _, y := range []int{3, 9, 14} {
				c.dot(x, y, 0x4f8a43)
				c.dot(x-1, y-1, 0x77b35c)
				c.dot(x+1, y-1, 0x77b35c)
			}
		}
	case Orchid:
		for range 12 {
			x, y := c.chance.IntN(14), 2+c.chance.IntN(13)
			c.box(x, y, 2, 1, []uint32{0x3f7a3c, 0x58994a}[c.chance.IntN(2)])
		}
		for _, p := range [][2]int{{4, 4}, {11, 6}, {6, 11}} {
			c.box(p[0]-1, p[1], 3, 1, 0xd987b4)
			c.box(p[0], p[1]-1, 1, 3, 0xd987b4)
			c.dot(p[0], p[1], 0xf3dd8a)
		}
	}
}

func water(tile int, c canvas) {
	c.box(0, 0, 16, 16, 0x2d6f88)
	c.speckle(0, 0, 16, 16, 24, 0x317690, 0x296880)
	c.box(2, 4, 4, 1, 0x6cb0c0)
	c.box(10, 11, 4, 1, 0x6cb0c0)
	if tile == WaterLily {
		c.box(5, 6, 6, 4, 0x4d8f4a)
		c.box(6, 5, 4, 6, 0x4d8f4a)
		c.box(8, 7, 3, 1, 0x2d6f88)
		c.box(6, 7, 2, 2, 0xf1c6d8)
	}
}

func floor(tile int, c canvas) {
	base, line := uint32(0x8a633c), uint32(0x6f4d2c)
	if tile == PlanksDark {
		base, line = 0x665c4c, 0x514838
	}
	if tile == Grating {
		c.box(0, 0, 16, 16, 0x474f55)
		for i := range 4 {
			c.box(0, i*4, 16, 1, 0x69737a)
			c.box(i*4, 0, 1, 16, 0x5a646b)
			c.box(i*4+1, 1, 2, 2, 0x2c3236)
		}
		return
	}
	c.box(0, 0, 16, 16, base)
	for i := range 4 {
		c.box(0, i*4+3, 16, 1, line)
		c.box((i*5+3)%16, i*4, 1, 3, line)
	}
	c.speckle(0, 0, 16, 16, 10, line)
}

// crown draws a quarter of a palm's crown, leaves spreading from the middle.
func crown(tile int, c canvas) {
	cx, cy := 23, 17 // over the trunk, which stands in the right half
	dx, dy := 0, 0
	if tile == CrownNE || tile == CrownSE {
		dx = 16
	}
	if tile == CrownSW || tile == CrownSE {
		dy = 16
	}
	for i, end := range [][2]int{{1, 8}, {3, 2}, {11, 0}, {21, 0}, {29, 3}, {31, 9}, {30, 18}, {26, 25}, {5, 25}, {1, 17}, {16, 4}} {
		for step := range 33 {
			x := cx + (end[0]-cx)*step/32
			y := cy + (end[1]-cy)*step/32 + (step-16)*(step-16)/90 - 3
			shade := []uint32{0x3f7a3c, 0x58994a, 0x2f5f34}[(i+step/7)%3]
			c.box(x-dx, y-dy, 2, 2, shade)
			if step%3 == 0 {
				c.dot(x-dx, y-dy+2, 0x7bb85c)
			}
		}
	}
}

// thing draws something that stands on the ground it is used on.
func thing(tile int, c canvas) {
	switch tile {
	case Lamp, Pot, Bench, Crate:
		ground(Gravel, c)
	case Trunk:
		bed(Soil, c)
	case Boiler, Pipe, Valve:
		floor(PlanksDark, c)
	}
	switch tile {
	case Lamp:
		c.box(3, 1, 10, 8, 0xa39b7e)
		c.box(4, 0, 8, 10, 0xa39b7e)
		c.box(7, 6, 2, 10, 0x2c2f31)
		c.box(5, 3, 6, 4, 0xfff1b0)
		c.box(6, 2, 4, 1, 0x2c2f31)
		c.box(5, 15, 6, 1, 0x2c2f31)
	case Pot:
		c.box(4, 9, 8, 2, 0xb5683f)
		c.box(5, 11, 6, 4, 0x9c5733)
		c.box(6, 4, 1, 5, 0x58994a)
		c.box(9, 3, 1, 6, 0x58994a)
		c.box(4, 4, 3, 2, 0x7bb85c)
		c.box(9, 2, 3, 2, 0x7bb85c)
	case Trunk:
		c.box(6, 0, 4, 15, 0x6a4d34)
		for i := range 5 {
			c.box(6, i*3+1, 4, 1, 0x543b27)
		}
		c.box(5, 14, 6, 2, 0x543b27)
	case Bench:
		c.box(0, 4, 16, 7, 0x7d5a37)
		c.box(0, 7, 16, 1, 0x5f4227)
		c.box(1, 11, 2, 4, 0x4a341f)
		c.box(13, 11, 2, 4, 0x4a341f)
		c.box(5, 1, 5, 4, 0x9c5733)
		c.box(6, 0, 3, 1, 0x58994a)
	case Shelf:
		c.box(0, 0, 16, 16, 0x4a341f)
		for _, y := range []int{1, 6, 11} {
			for x := 1; x < 15; x += 3 {
				c.box(x, y, 2, 4, []uint32{0xb5a88b, 0x8a5746, 0x58794a, 0xcbb26a}[c.chance.IntN(4)])
			}
		}
	case Boiler:
		c.box(1, 1, 14, 14, 0x4b5358)
		c.box(3, 3, 10, 10, 0x5d676d)
		c.box(5, 8, 6, 4, 0x2c2017)
		c.box(6, 9, 4, 2, 0xe0873a)
		c.box(7, 5, 2, 2, 0xc9d0d3)
	case Pipe:
		c.box(0, 5, 16, 6, 0x7d5f45)
		c.box(0, 6, 16, 1, 0xa98562)
		c.box(6, 4, 3, 8, 0x69503a)
	case Valve:
		c.box(0, 6, 16, 4, 0x7d5f45)
		c.box(4, 4, 8, 8, 0xb0483c)
		c.box(6, 6, 4, 4, 0x7d5f45)
		c.box(7, 7, 2, 2, 0xe2b6ac)
	case Crate:
		c.box(1, 2, 14, 13, 0x8a633c)
		c.box(1, 2, 14, 2, 0x9d7449)
		c.box(1, 8, 14, 1, 0x6f4d2c)
		c.box(7, 2, 2, 13, 0x6f4d2c)
	}
}
