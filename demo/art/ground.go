package art

func ground(c canvas, place int) {
	if place >= Paving {
		paving(c, place)
		return
	}
	c.box(0, 0, 16, 16, gravel)
	c.speckle(0, 0, 16, 16, 14, pebble)
	c.speckle(0, 0, 16, 16, 8, sandstone)
	switch place {
	case GravelFine:
		c.speckle(0, 0, 16, 16, 10, pebble)
	case GravelPebbles:
		for range 4 {
			x, y := 1+c.chance.IntN(12), 1+c.chance.IntN(12)
			c.box(x, y, 3, 2, sandstone)
			c.box(x, y+2, 3, 1, pebble)
		}
	case GravelMoss:
		c.speckle(2, 4, 11, 9, 18, leaf)
		c.speckle(4, 6, 7, 5, 10, shade)
	case GravelLeaves:
		for range 3 {
			x, y := 1+c.chance.IntN(12), 1+c.chance.IntN(12)
			c.box(x, y, 2, 1, straw)
			c.box(x+1, y+1, 2, 1, wood)
		}
	}
}

func paving(c canvas, place int) {
	c.box(0, 0, 16, 16, sandstone)
	c.speckle(0, 0, 16, 16, 6, cream)
	c.speckle(0, 0, 16, 16, 6, gravel)
	c.box(0, 7, 16, 1, gravel)
	c.box(0, 15, 16, 1, gravel)
	c.box(4, 0, 1, 7, gravel)
	c.box(12, 8, 1, 7, gravel)
	c.box(0, 0, 4, 1, cream)
	c.box(5, 0, 11, 1, cream)
	c.box(0, 8, 12, 1, cream)
	c.box(13, 8, 3, 1, cream)
	switch place {
	case PavingWorn:
		c.box(8, 2, 1, 3, pebble)
		c.box(9, 4, 3, 1, pebble)
		c.box(2, 11, 4, 1, pebble)
		c.box(5, 12, 1, 2, pebble)
	case PavingMoss:
		c.speckle(3, 5, 9, 4, 14, leaf)
		c.speckle(10, 8, 5, 6, 8, shade)
	case PavingDrain:
		c.box(4, 4, 8, 8, slate)
		for x := 5; x < 12; x += 2 {
			c.box(x, 5, 1, 6, ink)
		}
		c.box(4, 4, 8, 1, steel)
	}
}

func floor(c canvas, place int) {
	switch place {
	case Grating:
		c.box(0, 0, 16, 16, ink)
		for i := 0; i < 16; i += 4 {
			c.box(0, i, 16, 1, steel)
			c.box(i, 0, 1, 16, slate)
		}
		return
	case Planks, PlanksWorn:
		// A bridge's planks lie across the way.
		c.box(0, 0, 16, 16, wood)
		for i := 0; i < 16; i += 4 {
			c.box(i, 0, 1, 16, straw)
			c.box(i+3, 0, 1, 16, bark)
		}
		c.speckle(0, 0, 16, 16, 8, bark)
		if place == PlanksWorn {
			c.box(5, 9, 2, 5, bark)
			c.box(12, 2, 2, 3, mould)
		}
		return
	}
	c.box(0, 0, 16, 16, bark)
	for i := range 4 {
		c.box(0, i*4, 16, 1, wood)
		c.box(0, i*4+3, 16, 1, mould)
		c.box((i*5+3)%16, i*4, 1, 3, mould)
	}
	if place == BoardsWorn {
		c.speckle(2, 1, 12, 13, 14, mould, wood)
	}
}

func lily(c canvas, place int) {
	channel(c, North|East|South|West, 0)
	pad := func(x, y int) {
		c.box(x, y, 6, 4, leaf)
		c.box(x+1, y-1, 4, 6, leaf)
		c.box(x+1, y, 3, 1, shoot)
		c.box(x+4, y+1, 2, 1, pond)
		c.box(x+1, y+4, 4, 1, shade)
	}
	pad(2, 8)
	if place == WaterLily {
		pad(8, 3)
		return
	}
	pad(8, 2)
	c.box(10, 2, 3, 2, petal)
	c.dot(11, 1, petal)
	c.dot(11, 3, brass)
	c.dot(11, 2, cream)
}
