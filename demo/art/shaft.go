package art

import (
	"image"

	"azzel/core/tiles"
)

// The tiles of the pipe shaft, in the order in which they stand in its sheet: what is seen from
// the side.
const (
	ShaftBrick = iota
	ShaftLedge
	ShaftSlopeUp
	ShaftSlopeDown
	ShaftGantry
	ShaftLadder
	ShaftSteam
	ShaftWater
	ShaftBack
	ShaftBackPipe
	ShaftBackLamp
	ShaftFern
	shaftCount
)

// ShaftColumns is how many tiles of the shaft's sheet stand side by side.
const ShaftColumns = 6

var shaftNames = [shaftCount]string{"shaft brick", "mossy ledge", "rubble, rising", "rubble, falling", "gantry", "iron ladder", "steam vent", "flooded shaft", "back wall",
	"pipe on the back wall", "shaft lamp", "wall fern"}

var shaftRoles = [shaftCount]tiles.Role{tiles.Wall, tiles.Wall, tiles.SlopeLeft, tiles.SlopeRight, tiles.OneWay, tiles.Climbable, tiles.Danger, tiles.Water,
	tiles.Decoration, tiles.Decoration, tiles.Decoration, tiles.Decoration}

// ShaftTile is what a tile of the shaft is called and does.
func ShaftTile(place int) *tiles.Properties {
	p := shaftRoles[place].Properties()
	if place == ShaftWater {
		p.Solid = 0
	}
	p.Name = shaftNames[place]
	return &p
}

// ShaftPNG is the sheet of the shaft as a file.
func ShaftPNG() ([]byte, error) {
	img := image.NewNRGBA(image.Rect(0, 0, ShaftColumns*Side, shaftCount/ShaftColumns*Side))
	for place := range shaftCount {
		shaft(part(img, place%ShaftColumns*Side, place/ShaftColumns*Side, Side, Side, 900+uint64(place)), place)
	}
	return file(img)
}

func shaft(c canvas, place int) {
	switch place {
	case ShaftBrick, ShaftLedge:
		courses(c, claret, mould, brick)
		if place == ShaftLedge {
			c.box(0, 0, 16, 2, leaf)
			c.box(0, 0, 16, 1, shoot)
			c.speckle(0, 2, 16, 3, 10, shade, leaf)
		}
	case ShaftSlopeUp, ShaftSlopeDown:
		for x := range Side {
			height := x + 1
			if place == ShaftSlopeDown {
				height = Side - x
			}
			c.box(x, Side-height, 1, height, claret)
			c.box(x, Side-height, 1, 1, shoot)
			c.box(x, Side-height+1, 1, 1, leaf)
			if height > 4 {
				c.speckle(x, Side-height+3, 1, height-3, 2, mould, brick)
			}
		}
	case ShaftGantry:
		c.box(0, 0, 16, 3, steel)
		c.box(0, 0, 16, 1, glass)
		c.box(0, 2, 16, 1, slate)
		for x := 1; x < Side; x += 4 {
			c.box(x, 3, 1, 2, slate)
		}
	case ShaftLadder:
		c.box(3, 0, 2, 16, steel)
		c.box(11, 0, 2, 16, steel)
		c.box(3, 0, 1, 16, glass)
		for y := 1; y < Side; y += 4 {
			c.box(5, y, 6, 1, gravel)
			c.box(5, y+1, 6, 1, slate)
		}
	case ShaftSteam:
		c.box(2, 12, 12, 4, steel)
		c.box(2, 12, 12, 1, gravel)
		for _, x := range []int{4, 8, 12} {
			c.box(x, 4+x%3, 1, 7, glint)
			c.box(x-1, 2+x%3, 2, 3, glint)
			c.dot(x+1, 1+x%3, glass)
		}
		c.box(2, 15, 12, 1, petal)
	case ShaftWater:
		c.box(0, 0, 16, 16, pond)
		c.box(2, 3, 5, 1, ripple)
		c.box(9, 9, 4, 1, ripple)
		c.box(4, 13, 3, 1, ripple)
	default:
		courses(c, slate, ink, slate)
		switch place {
		case ShaftBackPipe:
			c.box(5, 0, 6, 16, pebble)
			c.box(6, 0, 2, 16, gravel)
			c.box(10, 0, 1, 16, ink)
			c.box(4, 6, 8, 3, steel)
		case ShaftBackLamp:
			c.box(6, 4, 4, 6, straw)
			c.box(7, 5, 2, 4, brass)
			c.box(6, 3, 4, 1, steel)
			c.box(7, 10, 2, 2, steel)
		case ShaftFern:
			c.rows(2, 4, "..l..L....l", ".lLl.Ll..lL", "..lL.L.lLl.", "L..lLLlL..l", ".LlYLLYLlL.", "..lLYYLl...", "...lLLl....")
		}
	}
}

// courses draws bricks in courses.
func courses(c canvas, face, joint, some uint32) {
	c.box(0, 0, 16, 16, face)
	for row := range 4 {
		c.box(0, row*4+3, 16, 1, joint)
		for x := row % 2 * 4; x < Side; x += 8 {
			c.box(x, row*4, 1, 3, joint)
		}
	}
	c.speckle(0, 0, 16, 16, 8, joint, some)
}
