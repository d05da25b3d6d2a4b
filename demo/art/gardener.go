package art

import "image"

// The gardener's pictures: four frames of walking in each of four directions, south, west, east,
// north one row each, of which the first stands; then two of jumping and one of falling to the
// east, two of climbing, and one of being hurt.
const (
	GardenerWidth  = 16
	GardenerHeight = 24
	GardenerFrames = 4
	gardenerRows   = 8
)

// heads are the hat and face looking south, west and north; east is west
// mirrored. They are 14 pixels wide and stand at column 1.
var heads = [3][]string{
	{
		"....oooooo....",
		"...oPPPPPPo...",
		"...oPPPPPpo...",
		"...wwwwwwww...",
		"oooPPPPPPppooo",
		".oooooooooooo.",
		"...wnnnnnnw...",
		"...nnKnnKnn...",
		"...nnnnnnnn...",
		"....nnBBnn....",
	},
	{
		".....ooooo....",
		"....oPPPPPo...",
		"....oPPPPpo...",
		"....wwwwwww...",
		".ooPPPPPPppoo.",
		"..ooooooooooo.",
		"....nnnnnwww..",
		"....nKnnnnww..",
		"....nnnnnnn...",
		".....nnnnn....",
	},
	{
		"....oooooo....",
		"...oPPPPPPo...",
		"...oPPPPPpo...",
		"...wwwwwwww...",
		"oooPPPPPPppooo",
		".oooooooooooo.",
		"...wwwwwwww...",
		"...wwwwwwww...",
		"....wwwwww....",
		"....nnnnnn....",
	},
}

// bodies are coat and apron for the same three.
var bodies = [3][]string{
	{
		"...aaPPPPaa...",
		"..aaaPPPPaaa..",
		"..aaaPPPPaaa..",
		"..aadPPPPdaa..",
		"..nndPoPPdnn..",
		"....dPPPPd....",
		"....aPPPPa....",
		"....aaaaaa....",
	},
	{
		".....aaaaa....",
		"....aaaaaaa...",
		"....PaadaaaA..",
		"....PaadaaaA..",
		"....PaadaaA...",
		"....PannaaA...",
		"....Paaaaa....",
		"....aaaaaa....",
	},
	{
		"...aaaaaaaa...",
		"..aaPaaaaPaa..",
		"..aaaPaaPaaa..",
		"..aadaPPadaa..",
		"..nndaPPadnn..",
		"....daPPad....",
		"....aaPPaa....",
		"....aaaaaa....",
	},
}

// Gardener draws all frames.
func Gardener() *image.NRGBA {
	img := image.NewNRGBA(image.Rect(0, 0, GardenerFrames*GardenerWidth, gardenerRows*GardenerHeight))
	for row := range 4 {
		for frame := range GardenerFrames {
			c := part(img, frame*GardenerWidth, row*GardenerHeight, GardenerWidth, GardenerHeight, 0)
			view, mirrored := [4]int{0, 1, 1, 2}[row], row == 2
			stride(c, view, frame)
			bob := frame % 2 // the body rises with each step
			c.rows(1, 11-bob, bodies[view]...)
			c.rows(1, 2-bob, heads[view]...)
			if mirrored {
				mirror(c)
			}
		}
	}
	leaps(img)
	return img
}

// leaps draws what the gardener does off the ground, and being hurt.
func leaps(img *image.NRGBA) {
	figure := func(frame, row, view, head, body int, legs [2][2]int) canvas {
		c := part(img, frame*GardenerWidth, row*GardenerHeight, GardenerWidth, GardenerHeight, 0)
		for _, leg := range legs {
			c.box(leg[0], 17, 3, leg[1]-1, slate)
			c.box(leg[0], 16+leg[1], 3, 2, ink)
		}
		c.rows(1, body, bodies[view]...)
		c.rows(1, head, heads[view]...)
		return c
	}
	for frame, legs := range [2][2][2]int{{{4, 4}, {10, 5}}, {{5, 3}, {10, 3}}} {
		mirror(figure(frame, 4, 1, 1, 10, legs))
	}
	// Falling, the hat comes up.
	mirror(figure(0, 5, 1, 0, 10, [2][2]int{{5, 6}, {10, 5}}))
	for frame, legs := range [2][2][2]int{{{5, 6}, {9, 4}}, {{5, 4}, {9, 6}}} {
		c := figure(frame, 6, 2, 2, 11, legs)
		for _, x := range [2]int{2, 12} {
			up := 8
			if (x == 2) == (frame == 0) {
				up = 5
			}
			c.box(x, up, 2, 13-up, pond)
			c.box(x, up, 2, 2, skin)
		}
	}
	figure(0, 7, 0, 4, 12, [2][2]int{{3, 5}, {11, 5}})
}

// stride draws the legs: together in frames 0 and 2, apart in 1 and 3.
func stride(c canvas, view, frame int) {
	leg := func(x, length int) {
		c.box(x, 18, 3, length-2, slate)
		c.box(x, 16+length, 3, 2, ink)
	}
	if view == 1 {
		switch frame {
		case 1:
			leg(5, 4)
			leg(10, 5)
			c.box(4, 20, 2, 2, ink)
		case 3:
			leg(6, 6)
			leg(9, 4)
			c.box(11, 20, 2, 2, ink)
		default:
			leg(6, 6)
			leg(8, 6)
		}
		return
	}
	left, right := 6, 6
	switch frame {
	case 1:
		left = 4
	case 3:
		right = 4
	}
	leg(5, left)
	leg(8, right)
}

func mirror(c canvas) {
	w := c.area.Dx()
	for y := c.area.Min.Y; y < c.area.Max.Y; y++ {
		for i := range w / 2 {
			a, b := c.img.NRGBAAt(c.area.Min.X+i, y), c.img.NRGBAAt(c.area.Max.X-1-i, y)
			c.img.SetNRGBA(c.area.Min.X+i, y, b)
			c.img.SetNRGBA(c.area.Max.X-1-i, y, a)
		}
	}
}

// at is where the cell at column x and row y of a picture begins.
func at(x, y int) image.Point { return image.Point{X: x * Side, Y: y * Side} }

// GardenerPNG is the gardener as a file.
func GardenerPNG() ([]byte, error) { return file(Gardener()) }
