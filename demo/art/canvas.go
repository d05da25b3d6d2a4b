// Package art draws the demo's pictures: a botanical glasshouse at night, and
// the gardener who makes the round. Every picture comes out the same each time.
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

// The palette: all that is drawn is drawn in these 24 colours.
const (
	ink       = 0x1d1b24
	slate     = 0x343b42
	steel     = 0x5b666c
	glass     = 0x8fbfc0
	glint     = 0xd3ebe4
	pebble    = 0x6e695f
	gravel    = 0x8b867a
	sandstone = 0xb5a88b
	cream     = 0xdccfae
	mould     = 0x3a2b26
	soil      = 0x533f34
	bark      = 0x5d4128
	wood      = 0x8a633c
	straw     = 0xc08f4f
	claret    = 0x6b3b31
	brick     = 0x9c5a45
	shade     = 0x2a5031
	leaf      = 0x4a8a41
	shoot     = 0x8ac463
	pond      = 0x2b6a84
	ripple    = 0x6fb4c3
	brass     = 0xffdf86
	petal     = 0xd987b4
	skin      = 0xe2b48c
)

// letters stand for colours in pictures that are written row by row; a point
// is left as it is.
var letters = map[rune]uint32{'K': ink, 'd': slate, 's': steel, 'g': glass, 'G': glint, 'r': pebble, 'R': gravel, 'p': sandstone, 'P': cream,
	'e': mould, 'E': soil, 'w': bark, 'W': wood, 'o': straw, 'b': claret, 'B': brick, 'l': shade, 'L': leaf, 'Y': shoot, 'a': pond, 'A': ripple,
	'y': brass, 'k': petal, 'n': skin}

// A canvas is a part of a picture being drawn. What lies outside it is dropped.
type canvas struct {
	img    *image.NRGBA
	area   image.Rectangle
	chance *rand.Rand
}

// part is the canvas of w × h pixels at x, y of img; seed makes its chance.
func part(img *image.NRGBA, x, y, w, h int, seed uint64) canvas {
	return canvas{img, image.Rect(x, y, x+w, y+h), rand.New(rand.NewPCG(8417, seed))}
}

func (c canvas) dot(x, y int, hex uint32) {
	if p := (image.Point{X: x, Y: y}).Add(c.area.Min); p.In(c.area) {
		c.img.SetNRGBA(p.X, p.Y, color.NRGBA{R: uint8(hex >> 16), G: uint8(hex >> 8), B: uint8(hex), A: 255})
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
		c.dot(x+c.chance.IntN(w), y+c.chance.IntN(h), c.any(colours...))
	}
}

func (c canvas) any(colours ...uint32) uint32 { return colours[c.chance.IntN(len(colours))] }

// rows lays a picture that is written out, its first row at y.
func (c canvas) rows(x, y int, rows ...string) {
	for v, row := range rows {
		for u, letter := range row {
			if hex, ok := letters[letter]; ok {
				c.dot(x+u, y+v, hex)
			}
		}
	}
}

func file(img image.Image) ([]byte, error) {
	var out bytes.Buffer
	if err := png.Encode(&out, img); err != nil {
		return nil, fmt.Errorf("drawing the demo's pictures: %w", err)
	}
	return out.Bytes(), nil
}
