package art

// bed draws a planting bed: soil, with a plank along each side that joins no
// other bed.
func bed(c canvas, sides int) {
	c.box(0, 0, 16, 16, soil)
	c.speckle(0, 0, 16, 16, 30, mould)
	c.speckle(0, 0, 16, 16, 10, bark)
	if sides&West == 0 {
		c.box(0, 0, 2, 16, wood)
		c.box(0, 0, 1, 16, straw)
		c.box(2, 0, 1, 16, mould)
	}
	if sides&East == 0 {
		c.box(14, 0, 2, 16, wood)
		c.box(15, 0, 1, 16, bark)
	}
	if sides&North == 0 {
		c.box(0, 0, 16, 2, wood)
		c.box(0, 0, 16, 1, straw)
		c.box(2, 2, 12, 1, mould)
	}
	if sides&South == 0 {
		c.box(0, 12, 16, 4, wood)
		c.box(0, 12, 16, 1, straw)
		c.box(0, 15, 16, 1, bark)
		c.box(5, 13, 1, 2, bark)
		c.box(13, 13, 1, 2, bark)
	}
}

// channel draws a frame of water, with a kerb of stone along each side that joins
// no other water.
func channel(c canvas, sides, frame int) {
	c.box(0, 0, 16, 16, pond)
	for range 4 {
		x, y, length := c.chance.IntN(13), 2+c.chance.IntN(13), 2+c.chance.IntN(3)
		c.box((x+2*frame)%13, y, length-frame%2, 1, ripple)
	}
	if sides&North == 0 {
		c.box(0, 0, 16, 3, sandstone)
		c.box(0, 0, 16, 1, cream)
		c.box(0, 3, 16, 2, pebble)
		c.box(0, 5, 16, 1, slate)
		c.box(7, 1, 1, 2, gravel)
	}
	if sides&South == 0 {
		c.box(0, 13, 16, 3, sandstone)
		c.box(0, 13, 16, 1, cream)
		c.box(0, 15, 16, 1, gravel)
		c.box(11, 14, 1, 2, gravel)
	}
	if sides&West == 0 {
		c.box(0, 0, 3, 16, sandstone)
		c.box(0, 0, 1, 16, cream)
		c.box(3, 3, 1, 13, slate)
		c.box(1, 9, 2, 1, gravel)
	}
	if sides&East == 0 {
		c.box(13, 0, 3, 16, sandstone)
		c.box(13, 0, 1, 16, cream)
		c.box(15, 0, 1, 16, gravel)
		c.box(14, 6, 2, 1, gravel)
	}
}

// brickWall draws a wall seen from above and before: its coping, and below it
// its face where no more wall follows.
func brickWall(c canvas, sides int) {
	c.box(0, 0, 16, 16, brick)
	c.speckle(0, 0, 16, 16, 12, claret)
	c.box(7, 0, 1, 16, claret)
	c.box(0, 8, 7, 1, claret)
	c.box(8, 2, 8, 1, claret)
	if sides&South == 0 {
		c.box(0, 5, 16, 11, claret)
		for row := range 3 {
			for column := -1; column < 3; column++ {
				c.box(column*7+row%2*4, 6+row*3, 6, 2, brick)
			}
		}
		c.box(0, 4, 16, 1, straw)
		c.box(0, 15, 16, 1, ink)
	}
	if sides&North == 0 {
		c.box(0, 0, 16, 1, straw)
	}
	if sides&West == 0 {
		c.box(0, 0, 1, 16, straw)
	}
	if sides&East == 0 {
		c.box(15, 0, 1, 16, ink)
	}
}

// glassWall draws panes in a frame of iron, upright where no more wall follows
// below and lying flat elsewhere.
func glassWall(c canvas, sides int) {
	c.box(0, 0, 16, 16, slate)
	if sides&South == 0 {
		c.box(0, 0, 16, 3, steel)
		c.box(0, 3, 16, 1, ink)
		for _, x := range []int{1, 9} {
			c.box(x, 4, 6, 9, glass)
			c.box(x, 9, 6, 4, pond)
			c.box(x, 8, 6, 1, ripple)
			c.box(x+1, 5, 1, 3, glint)
			c.box(x+2, 4, 1, 2, glint)
		}
		c.box(0, 13, 16, 3, gravel)
		c.box(0, 13, 16, 1, sandstone)
		c.box(0, 15, 16, 1, ink)
	} else {
		c.box(5, 0, 6, 16, steel)
		for _, y := range []int{1, 9} {
			c.box(1, y, 4, 6, ripple)
			c.box(11, y, 4, 6, ripple)
			c.box(1, y, 4, 1, glint)
			c.box(11, y, 4, 1, glint)
		}
	}
	if sides&North == 0 {
		c.box(0, 0, 16, 1, ink)
	}
	if sides&West == 0 {
		c.box(0, 0, 1, 16, ink)
		c.box(1, 0, 1, 16, steel)
	}
	if sides&East == 0 {
		c.box(15, 0, 1, 16, ink)
		c.box(14, 0, 1, 16, steel)
	}
}
