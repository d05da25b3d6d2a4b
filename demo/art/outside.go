package art

import (
	"image"
	"image/color"
	"math/rand/v2"
)

// hue is a colour of the palette with an opacity of 0 to 255.
func hue(hex uint32, opacity uint8) color.NRGBA {
	return color.NRGBA{R: uint8(hex >> 16), G: uint8(hex >> 8), B: uint8(hex), A: opacity}
}

// SkyPNG draws the night over the roof: bands of dark, stars, and the moon.
func SkyPNG() ([]byte, error) {
	const w, h = 320, 96
	img := image.NewNRGBA(image.Rect(0, 0, w, h))
	bands := []color.NRGBA{{18, 20, 38, 255}, {22, 26, 48, 255}, {27, 34, 58, 255}, {34, 44, 68, 255}, {44, 56, 78, 255}, {58, 70, 88, 255}}
	for y := range h {
		for x := range w {
			// Every band ends in a chequered row.
			at := y * len(bands) * 4 / h
			band := at / 4
			if at%4 == 3 && (x+y)%2 == 0 {
				band++
			}
			img.SetNRGBA(x, y, bands[min(band, len(bands)-1)])
		}
	}
	chance := rand.New(rand.NewPCG(8417, 91))
	for range 70 {
		star := []uint32{glint, cream, ripple}[chance.IntN(3)]
		img.SetNRGBA(chance.IntN(w), chance.IntN(h*3/4), hue(star, 255))
	}
	for y := -9; y <= 9; y++ {
		for x := -9; x <= 9; x++ {
			switch d := x*x + y*y; {
			case d <= 60:
				img.SetNRGBA(252+x, 24+y, hue(cream, 255))
			case d <= 76:
				img.SetNRGBA(252+x, 24+y, hue(sandstone, 255))
			}
		}
	}
	for _, at := range [][2]int{{249, 21}, {250, 21}, {255, 26}, {252, 28}, {253, 28}, {247, 26}} {
		img.SetNRGBA(at[0], at[1], hue(sandstone, 255))
	}
	return file(img)
}

// CloudsPNG draws thin clouds that go on at both sides.
func CloudsPNG() ([]byte, error) {
	const w, h = 256, 40
	img := image.NewNRGBA(image.Rect(0, 0, w, h))
	chance := rand.New(rand.NewPCG(8417, 92))
	for range 9 {
		x, y, length := chance.IntN(w), 4+chance.IntN(h-10), 24+chance.IntN(50)
		for row := range 4 {
			from, to := x+chance.IntN(10), x+length-chance.IntN(12)
			for u := from; u < to; u++ {
				img.SetNRGBA(u%w, y+row, hue(glass, 60))
			}
		}
	}
	return file(img)
}

// TreesPNG draws the tops of trees beyond the glass that go on at both sides.
func TreesPNG() ([]byte, error) {
	const w, h = 192, 72
	img := image.NewNRGBA(image.Rect(0, 0, w, h))
	chance := rand.New(rand.NewPCG(8417, 93))
	top := func(x, height, reach int, dark, lit color.NRGBA) {
		for y := h - height; y < h; y++ {
			wide := reach * (y - h + height + 4) / height
			wide -= (y % 5) / 2
			for u := x - wide; u <= x+wide; u++ {
				c := dark
				if u < x-wide+2 && y%3 == 0 {
					c = lit
				}
				img.SetNRGBA((u+w)%w, y, c)
			}
		}
	}
	for i := range 11 {
		top(i*w/11+chance.IntN(8), 34+chance.IntN(34), 12+chance.IntN(6), color.NRGBA{20, 34, 40, 255}, color.NRGBA{30, 52, 54, 255})
	}
	for i := range 9 {
		top(i*w/9+chance.IntN(10), 18+chance.IntN(20), 11+chance.IntN(5), color.NRGBA{14, 22, 28, 255}, color.NRGBA{24, 44, 42, 255})
	}
	return file(img)
}
