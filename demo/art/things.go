package art

// small draws things of one cell that stand on gravel or paving.
func small(c canvas, place int) {
	if place == LampWall {
		paving(c, Paving)
	} else {
		ground(c, Gravel)
	}
	switch place {
	case Lamp, LampWall:
		c.rows(0, 0,
			"......KKKK......",
			".....KddddK.....",
			"....KyyyyyyK....",
			"...yKyPPPPyKy...",
			"..y.KyPPPPyK.y..",
			"...yKyyyyyyKy...",
			"....KKyyyyKK....",
			".....yKddKy.....",
			"......KdsK......",
			".......ds.......",
			".......ds.......",
			".......ds.......",
			".......ds.......",
			"......Kdsd......",
			".....KdddsK.....",
			".....rrrrrr.....")
	case Pot:
		c.rows(3, 3,
			"..oooooo..",
			".obbbbbbo.",
			".oBBBBBBb.",
			"..BBBBBb..",
			"..BoBBBb..",
			"..BoBBBb..",
			"..BBBBBb..",
			"...BBBb...",
			"..rrrrrr..")
	case PotFern:
		frond(c, 8, 7, 6, 8)
		c.rows(3, 7,
			".oooooooo.",
			".oBBBBBBb.",
			"..BoBBBb..",
			"..BoBBBb..",
			"..BBBBBb..",
			"...BBBb...",
			"..rrrrrr..")
	case PotStack:
		for i, y := range []int{1, 4, 7} {
			_ = i
			c.rows(4, y,
				"oooooooo",
				"oBBBBBBb",
				".BBBBBb.")
		}
		c.rows(4, 10,
			".BoBBBb.",
			".BoBBBb.",
			".BBBBBb.",
			"..BBBb..",
			".rrrrrr.")
	case Can:
		c.rows(1, 3,
			"....sss.......",
			"...s...s......",
			"..ggggggs..ss.",
			"..gGGgggs.s...",
			"..gGggggsss...",
			"..gGggggss....",
			"..gggggss.....",
			"..gggggss.....",
			"..ggggsss.....",
			".rrrrrrrrr....")
	case Sack:
		c.rows(2, 2,
			"....oo.oo...",
			".....WoW....",
			"....oPPo....",
			"...oPPPpo...",
			"..oPPPPPpo..",
			"..PPPwwPpp..",
			"..PPwLLwpp..",
			"..PPPwwPpp..",
			"..PPPPPppo..",
			"..oPPPpppo..",
			"...ooooooo..",
			"..rrrrrrrrr.")
	}
}

func furniture(c canvas, place int) {
	switch place {
	case Shelf, ShelfJars, Cabinet:
		floor(c, Boards)
	default:
		ground(c, Gravel)
	}
	switch place {
	case Crate:
		crate(c, 1, 2)
	case CrateStack:
		crate(c, 1, 4)
		c.box(3, 0, 11, 4, wood)
		c.box(3, 0, 11, 1, straw)
		c.box(3, 3, 11, 1, bark)
	case BenchLeft, Bench, BenchRight:
		c.box(0, 3, 16, 8, wood)
		c.box(0, 3, 16, 1, straw)
		c.box(0, 6, 16, 1, bark)
		c.box(0, 9, 16, 1, straw)
		c.box(0, 10, 16, 2, bark)
		c.box(0, 14, 16, 1, pebble)
		switch place {
		case BenchLeft:
			c.box(0, 0, 1, 16, gravel)
			c.box(1, 11, 2, 4, bark)
			c.rows(4, 0, "..Y.Y..", ".YLYLY.", "..LLL..", ".ooooo.", ".BBBBb.", "..BBb..")
		case Bench:
			c.rows(2, 1, "ppppp......", "pPPPp..KKs.", "ppppp.KKss.")
			c.rows(9, 4, "wwww", "oeeo", "wwww")
		case BenchRight:
			c.box(15, 0, 1, 16, gravel)
			c.box(13, 11, 2, 4, bark)
			c.rows(3, 1, ".ooo..ooo.", ".BBb..BBb.", ".BBb..BBb.", "..b....b..")
		}
	case BarrowLeft:
		c.rows(0, 3,
			"................",
			"...gggggggggggg.",
			"..gGGeEEEeEEeEEE",
			"..gGeEEeEEEEEEEe",
			"..sgggggggggggg.",
			"...sssssssssssss",
			"....ss..........",
			"..KKKKs.........",
			".KKssKK.........",
			".KssssK.........",
			".KKssKK.........",
			"..KKKK..........")
	case BarrowRight:
		c.rows(0, 3,
			"................",
			"ggs.............",
			"EEgs............",
			"EEggs...........",
			"gggswwwwww......",
			"ssswwwwwwwwww...",
			"..ww.......ww...",
			"..w.............",
			"..w.............",
			"..w.............",
			"..w.............")
	case Shelf, ShelfJars:
		c.box(0, 0, 16, 15, bark)
		c.box(0, 15, 16, 1, ink)
		c.box(0, 0, 16, 1, straw)
		for _, y := range []int{1, 8} {
			c.box(1, y, 14, 5, mould)
			for x := 1; x < 15; x += 3 {
				if place == Shelf {
					c.box(x, y, 2, 5, c.any(sandstone, brick, leaf, straw, cream))
					c.box(x, y+1, 2, 1, bark)
					continue
				}
				c.box(x, y+1, 2, 4, c.any(glass, ripple, glint))
				c.box(x, y, 2, 1, straw)
				c.box(x, y+3, 2, 1, c.any(leaf, petal, shoot))
			}
			c.box(0, y+5, 16, 1, wood)
		}
	case Cabinet:
		c.box(0, 0, 16, 15, wood)
		c.box(0, 0, 16, 1, straw)
		c.box(0, 15, 16, 1, ink)
		for _, y := range []int{2, 6, 10} {
			for _, x := range []int{1, 9} {
				c.box(x, y, 6, 3, bark)
				c.box(x, y, 6, 1, straw)
				c.box(x+2, y+1, 2, 1, brass)
			}
		}
	}
}

func crate(c canvas, x, y int) {
	c.box(x, y, 14, 12, wood)
	c.box(x, y, 14, 1, straw)
	c.box(x, y+3, 14, 1, bark)
	c.box(x, y+7, 14, 1, bark)
	c.box(x, y+11, 14, 1, bark)
	c.box(x, y, 2, 12, straw)
	c.box(x+12, y, 2, 12, bark)
	c.box(x+2, y+1, 1, 10, bark)
}

func works(c canvas, place int) {
	floor(c, Boards)
	switch place {
	case Pipe, Valve, Gauge:
		c.box(0, 4, 16, 6, steel)
		c.box(0, 5, 16, 1, glass)
		c.box(0, 9, 16, 1, slate)
		c.box(0, 10, 16, 2, mould)
		c.box(3, 3, 2, 8, slate)
		c.box(3, 4, 1, 5, glint)
	case PipeUp:
		c.box(5, 0, 6, 16, steel)
		c.box(6, 0, 1, 16, glass)
		c.box(10, 0, 1, 16, slate)
		c.box(11, 0, 2, 16, mould)
		c.box(4, 5, 8, 2, slate)
	case PipeBend:
		c.box(5, 4, 11, 6, steel)
		c.box(5, 8, 6, 8, steel)
		c.box(6, 5, 10, 1, glass)
		c.box(6, 5, 1, 11, glass)
		c.box(10, 9, 1, 7, slate)
		c.box(11, 9, 5, 1, slate)
		c.box(11, 10, 2, 6, mould)
		c.box(12, 10, 4, 2, mould)
	}
	switch place {
	case Valve:
		c.rows(4, 1,
			"..BBBB..",
			".BbBBbB.",
			"BbBKKBbB",
			"BBBKyKBB",
			"BBBKKKBB",
			"BbBKKBbB",
			".BbBBbB.",
			"..BBBB..")
	case Gauge:
		c.rows(4, 0,
			"..KKKK..",
			".KGGGGK.",
			"KGGGbGGK",
			"KGGbGGGK",
			"KGGKGGGK",
			".KGGGGK.",
			"..KKKK..",
			"...oo...")
	case Coal:
		for range 26 {
			x, y := 1+c.chance.IntN(12), 5+c.chance.IntN(9)
			c.box(x, y, 3, 2, c.any(ink, slate, ink))
			c.dot(x, y, steel)
		}
	}
}

// boiler draws the boiler over 32 × 32 pixels.
func boiler(c canvas) {
	for i := range 4 {
		floor(canvas{c.img, c.area.Add(at(i%2, i/2)), c.chance}, Boards)
	}
	c.box(3, 4, 26, 25, slate)
	c.box(4, 3, 24, 27, slate)
	c.box(5, 5, 22, 22, steel)
	c.box(5, 5, 22, 2, glass)
	c.box(25, 7, 2, 20, slate)
	for _, y := range []int{8, 17} {
		for x := 6; x < 26; x += 4 {
			c.dot(x, y, ink)
		}
	}
	c.box(13, 0, 6, 4, ink)
	c.box(14, 0, 1, 4, steel)
	c.rows(9, 19,
		".KKKKKKKKKKKK.",
		"KKbbbbbbbbbbKK",
		"KbBBoyyoBBBbbK",
		"KbBoyPyyoBBBbK",
		"KbBoyyPyyoBBbK",
		"KKbBooyyooBbKK",
		".KKKKKKKKKKKK.")
	c.rows(12, 10,
		"..KKKK..",
		".KGGGGK.",
		"KGGGbGGK",
		"KGGbGGGK",
		".KGGGGK.",
		"..KKKK..")
	c.box(4, 29, 24, 1, ink)
}

func fitting(c canvas, place int) {
	switch place {
	case DoorGlass, DoorBrick:
		paving(c, Paving)
		frame, post := uint32(steel), uint32(slate)
		if place == DoorBrick {
			frame, post = brick, claret
		}
		c.box(0, 0, 2, 16, frame)
		c.box(14, 0, 2, 16, frame)
		c.box(2, 0, 1, 16, post)
		c.box(13, 0, 1, 16, post)
		return
	case Hatch, Table, Stool, Thermometer, Rug:
		floor(c, Boards)
	default:
		ground(c, Gravel)
	}
	switch place {
	case Hatch:
		c.box(1, 1, 14, 14, ink)
		c.box(2, 2, 12, 12, slate)
		for i := range 5 {
			c.box(3, 3+i*2, 10, 1, steel)
		}
		c.box(6, 12, 4, 1, straw)
	case Hose:
		c.rows(2, 3,
			"...LLLLLL...",
			".LLllllllLL.",
			"LLlLLLLLLlLL",
			"LlLLllllLLlL",
			"LlLl.KK.lLlL",
			"LlLLllllLLlL",
			"LLlLLLLLLlLL",
			".LLllllllLL.",
			"...LLLLLLLLo",
			"..rrrrrrrr.o")
	case Rug:
		c.box(1, 2, 14, 12, claret)
		c.box(2, 3, 12, 10, brick)
		c.box(4, 5, 8, 6, claret)
		c.box(6, 7, 4, 2, straw)
	case Puddle:
		c.rows(2, 4,
			"...aaaaaa...",
			".aaaAAaaaaa.",
			"aaAAaaaaaaaa",
			"aaaaaaaaAaaa",
			".aaaaaAAaaa.",
			"...aaaaa....")
	case Table:
		c.box(0, 2, 16, 9, wood)
		c.box(0, 2, 16, 1, straw)
		c.box(0, 10, 16, 2, bark)
		c.box(1, 12, 2, 3, bark)
		c.box(13, 12, 2, 3, bark)
		c.rows(3, 3, "PPPP..yy..", "PpPP.yyyy.", "PPpP..KK..", "PPPP..ss..")
	case Stool:
		c.rows(4, 4, ".oooooo.", "oWWWWWWw", "oWWWWWWw", ".wwwwww.", ".w....w.", ".w....w.")
	case Thermometer:
		c.rows(5, 1, ".PPPP.", "PPGGPP", "PPbGPP", "PPGGPP", "PPbGPP", "PPGGPP", "PPbbPP", "PPbbPP", "PBBBBP", "PBBBBP", ".PPPP.")
	case Broom:
		c.rows(2, 1, "..........w.", ".........w..", "........w...", ".......w....", "......w.....", ".....w......", "...oow......", "..oyooo.....", ".oyoooo.....", "ooyoooo.....", ".oooooo.....", "..rrrrr.....")
	}
}
