package art

import (
	"image"
	"image/color"
)

// frost is what each colour turns into in winter; those not listed stay.
var frost = map[uint32]uint32{
	shade: slate, leaf: steel, shoot: glint, petal: cream,
	pond: glass, ripple: glint, soil: gravel, mould: pebble,
	straw: cream, gravel: glint, pebble: cream,
}

// Winter is the sheet as the same things look in winter: under snow and ice, each
// at the place it has in Sheet.
func Winter() *image.NRGBA {
	img := Sheet()
	for i := 0; i < len(img.Pix); i += 4 {
		p := img.Pix[i:][:4]
		if to, turns := frost[uint32(p[0])<<16|uint32(p[1])<<8|uint32(p[2])]; turns && p[3] != 0 {
			p[0], p[1], p[2] = byte(to>>16), byte(to>>8), byte(to)
		}
	}
	// Snow lies on what is seen from above.
	for place := range FirstFrame {
		if place < Gravel && Block(place%Columns/4) == Channel {
			continue
		}
		x, y := place%Columns*Side, place/Columns*Side
		c := part(img, x, y, Side, Side, uint64(1000+place))
		for range 5 {
			u, v := c.chance.IntN(Side), c.chance.IntN(Side)
			if img.NRGBAAt(x+u, y+v).A != 0 {
				img.SetNRGBA(x+u, y+v, color.NRGBA{R: byte(glint >> 16), G: byte(glint >> 8 & 0xff), B: byte(glint & 0xff), A: 255})
			}
		}
	}
	return img
}

// WinterPNG is the winter sheet as a file.
func WinterPNG() ([]byte, error) { return file(Winter()) }
