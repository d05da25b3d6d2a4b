package art

import "math"

// plant draws what grows in the middle of a bed.
func plant(c canvas, place int) {
	bed(c, North|East|South|West)
	switch place {
	case Fern:
		frond(c, 8, 8, 7, 7)
	case FernYoung:
		frond(c, 5, 5, 4, 5)
		frond(c, 11, 11, 4, 5)
	case BroadLeaf:
		c.rows(1, 1,
			"....lll.......",
			"...lLLYl.lll..",
			"..lLLYLl.lLLl.",
			"..lLYLl.lLLYl.",
			"...lLl.lLLYLl.",
			".ll..l.lLYLl..",
			"lLLl.llllLl...",
			"lLYLl.llll....",
			"lLLYLlll.lll..",
			".lLLYll.lLLLl.",
			"..lllll.lYYLl.",
			"....ll.llLLl..",
			".....lll.ll...")
	case Seedlings:
		for _, y := range []int{3, 8, 13} {
			c.box(0, y+1, 16, 1, mould)
			for _, x := range []int{2, 7, 12} {
				c.dot(x, y, leaf)
				c.dot(x-1, y-1, shoot)
				c.dot(x+1, y-1, shoot)
			}
		}
	case Orchid:
		c.rows(0, 1,
			".......kk.......",
			"......kPPk......",
			"..kk..kyPk..kk..",
			".kPPk..kk..kPPk.",
			".kyPk...L..kPyk.",
			"..kk.L..L..Lkk..",
			"...L.L..L.L.L...",
			"...L..L.LL.L....",
			"....L.LLL.LL....",
			".lLLL..LL..LLLl.",
			"lLYYLLlLLlLYYLLl",
			".lLLYLLLLLLYLLl.",
			"...llLLlllLLll..")
	case Cactus:
		c.rows(2, 1,
			".....lll....",
			"....lLYLl...",
			"....lLYLl...",
			".ll.lLYLl...",
			"lLYllLYLl.ll",
			"lLYLlLYLllYl",
			"lLLLLLYLlLYl",
			".lllLLYLLLLl",
			"....lLYLLLl.",
			"....lLYLll..",
			"....lLYLl...",
			"....lLYLl...",
			"...eelllee..")
	case Moss:
		c.speckle(1, 2, 14, 12, 60, shade, leaf, leaf)
		c.speckle(3, 4, 10, 8, 16, shoot)
	case Trunk:
		c.box(4, 12, 9, 3, mould)
		for y := range 14 {
			c.box(6, y, 5, 1, []uint32{wood, wood, bark}[y%3])
			c.dot(6, y, straw)
			c.dot(10, y, mould)
		}
		c.box(5, 13, 7, 1, bark)
	case BedLabel:
		c.speckle(1, 9, 5, 5, 12, leaf, shade)
		c.speckle(11, 3, 4, 5, 10, leaf, shade)
		plate(c, 5, 3)
	}
}

// frond draws a fern from above: leaves that spread from a heart at x, y, the
// hind ones darker.
func frond(c canvas, x, y, reach, leaves int) {
	for i := range leaves {
		angle := 2*math.Pi*float64(i)/float64(leaves) - math.Pi/2
		for step := 1; step <= reach; step++ {
			t := float64(step)
			u := x + int(math.Round(math.Cos(angle)*t))
			v := y + int(math.Round(math.Sin(angle)*t*0.8))
			// Leaflets stand to both sides of the rib, shorter towards the tip.
			for w := 1; w <= 2 && step > 1; w++ {
				if w == 2 && (step%2 == 0 || step > reach-2) {
					continue
				}
				du, dv := int(math.Round(-math.Sin(angle)*float64(w))), int(math.Round(math.Cos(angle)*float64(w)))
				c.dot(u+du, v+dv, shade)
				c.dot(u-du, v-dv, leaf)
			}
			c.dot(u, v, shoot)
		}
	}
	c.dot(x, y, straw)
}

// plate draws a brass plate on a stick, 6 × 10 pixels.
func plate(c canvas, x, y int) {
	c.rows(x, y,
		"oooooo",
		"oyyyyo",
		"oywwyo",
		"oyyyyo",
		"oooooo",
		"..oo..",
		"..wo..",
		"..wo..",
		"..wo..",
		"...w..")
}

// crown draws a palm's crown over 48 × 48 pixels: leaves that arch from the
// middle and hang at their ends, the hind ones first.
func crown(c canvas) {
	const middle, heart = 24, 21
	for i, end := range [][2]float64{{24, 4}, {14, 5}, {34, 5}, {5, 13}, {43, 13}, {2, 25}, {46, 25}, {7, 37}, {41, 37}, {17, 43}, {31, 43}} {
		dx, dy := end[0]-middle, end[1]-heart
		length := math.Hypot(dx, dy)
		for step := range int(2*length) + 1 {
			t := float64(step) / (2 * length)
			x := middle + dx*t
			y := heart + dy*t - math.Sin(t*math.Pi)*6
			width := int(math.Round(math.Sin(math.Min(1, t*0.9+0.12)*math.Pi) * 3.6))
			for w := 1; w <= width; w++ {
				// Leaflets hang from the rib, a gap between every few.
				if step%5 == 4 && w > 1 {
					continue
				}
				drop := int(float64(w) * 0.6)
				u, v := int(math.Round(-dy/length*float64(w))), int(math.Round(dx/length*float64(w)))
				c.dot(int(x)+u, int(y)+v+drop, leaf)
				c.dot(int(x)-u, int(y)-v+drop, shade)
			}
		}
		for step := range int(2*length) + 1 {
			t := float64(step) / (2 * length)
			hex := uint32(shoot)
			if i < 3 {
				hex = leaf
			}
			c.dot(int(middle+dx*t), int(heart+dy*t-math.Sin(t*math.Pi)*6), hex)
		}
	}
	c.box(middle-1, heart-1, 3, 3, bark)
	c.dot(middle, heart-1, straw)
}
