package sheets

import (
	"image"
	"image/color"
	"image/draw"
	"math"
	"math/rand/v2"
)

// hard are painters of tiles that are made of parts which look like tiles.
var hard = []painter{
	{"seams", seams}, {"panes", panes}, {"bricks", bricks}, {"planks", planks}, {"thirds", thirds}, {"posts", posts}, {"strips", strips}, {"rooms", rooms}, {"shelves", shelves},
}

// palette is a few colours that go together: shades of two or three.
func palette(r *rand.Rand) []color.NRGBA {
	var list []color.NRGBA
	for range 2 + r.IntN(2) {
		c := any(r)
		for by := -40; by <= 40; by += 40 {
			list = append(list, shade(c, by))
		}
	}
	return list
}

// fill draws a box of an area, cut off at a tile's borders.
func fill(area *image.NRGBA, tile, box image.Rectangle, c color.NRGBA) {
	draw.Draw(area, box.Intersect(tile), image.NewUniform(c), image.Point{}, draw.Src)
}

// grained draws a box with grain.
func grained(r *rand.Rand, area *image.NRGBA, tile, box image.Rectangle, c color.NRGBA, grain int) {
	box = box.Intersect(tile)
	for y := box.Min.Y; y < box.Max.Y; y++ {
		for x := box.Min.X; x < box.Max.X; x++ {
			by := 0
			if grain > 0 && r.IntN(3) == 0 {
				by = r.IntN(2*grain+1) - grain
			}
			area.SetNRGBA(x, y, shade(c, by))
		}
	}
}

// kinds draws a few kinds of tiles and lays them out, as sheets are: many repeat, some places are empty, mostly at the
// end of a row, and a few are plain ground from edge to edge, without which nothing would tell where a tile ends whose
// things stand clear of its edges.
func kinds(r *rand.Rand, area *image.NRGBA, w, h int, one func(tile image.Rectangle, kind int)) {
	n := 4 + r.IntN(16)
	ground := palette(r)
	plain := r.Uint64()
	columns := area.Rect.Dx() / w
	alike := r.IntN(3) > 0
	i := 0
	each(area, w, h, func(x, y int) {
		last := columns
		if y/h%3 == 1 {
			last = columns - r.IntN(3)
		}
		if r.IntN(12) == 0 || x/w >= last {
			return
		}
		kind := i
		if alike {
			kind = r.IntN(n)
		}
		i++
		tile := image.Rect(x, y, x+w, y+h)
		if k := rand.New(rand.NewPCG(plain, uint64(kind))); kind == 1 || k.IntN(5) == 0 {
			grained(k, area, tile, tile, ground[k.IntN(len(ground))], 8)
			return
		}
		one(tile, kind)
	})
}

// seams is tiles with a line through their middle: double doors, chests, books.
func seams(r *rand.Rand, area *image.NRGBA, w, h int) {
	seed := r.Uint64()
	down, across := r.IntN(4) > 0, r.IntN(3) == 0
	kinds(r, area, w, h, func(tile image.Rectangle, kind int) {
		k := rand.New(rand.NewPCG(seed, uint64(kind)))
		c := palette(k)
		grained(k, area, tile, tile, c[0], 6)
		thick := 1 + k.IntN(2)
		fill(area, tile, image.Rect(tile.Min.X, tile.Min.Y, tile.Max.X, tile.Min.Y+thick), c[2])
		fill(area, tile, image.Rect(tile.Min.X, tile.Max.Y-thick, tile.Max.X, tile.Max.Y), shade(c[0], -60))
		fill(area, tile, image.Rect(tile.Min.X, tile.Min.Y, tile.Min.X+thick, tile.Max.Y), c[2])
		fill(area, tile, image.Rect(tile.Max.X-thick, tile.Min.Y, tile.Max.X, tile.Max.Y), shade(c[0], -60))
		if down {
			x := tile.Min.X + w/2
			fill(area, tile, image.Rect(x-thick, tile.Min.Y, x+thick-1+thick%2, tile.Max.Y), shade(c[0], -90))
		}
		if across || !down {
			y := tile.Min.Y + h/2
			fill(area, tile, image.Rect(tile.Min.X, y-thick, tile.Max.X, y+thick-1+thick%2), shade(c[0], -90))
		}
		knob := image.Rect(tile.Min.X+w/2-w/6, tile.Min.Y+h/2, tile.Min.X+w/2-w/6+max(1, w/12), tile.Min.Y+h/2+max(1, h/12))
		fill(area, tile, knob, c[len(c)-1])
	})
}

// panes is windows of two by two panes, and floors of four squares.
func panes(r *rand.Rand, area *image.NRGBA, w, h int) {
	seed := r.Uint64()
	kinds(r, area, w, h, func(tile image.Rectangle, kind int) {
		k := rand.New(rand.NewPCG(seed, uint64(kind)))
		c := palette(k)
		bar := 1 + k.IntN(max(1, w/12))
		grained(k, area, tile, tile, c[1], 5)
		other := c[k.IntN(len(c))]
		for i := range 4 {
			x, y := tile.Min.X+i%2*w/2, tile.Min.Y+i/2*h/2
			pane := c[0]
			if i == 1 || i == 2 {
				pane = shade(c[0], 14)
				if k.IntN(4) == 0 {
					pane = other
				}
			}
			grained(k, area, tile, image.Rect(x+bar, y+bar, x+w/2-bar/2, y+h/2-bar/2), pane, 5)
		}
	})
}

// bricks is walls of courses, the bricks of which are half a cell wide and a quarter or half of one high.
func bricks(r *rand.Rand, area *image.NRGBA, w, h int) {
	seed := r.Uint64()
	courses := []int{2, 4, 4}[r.IntN(3)]
	kinds(r, area, w, h, func(tile image.Rectangle, kind int) {
		k := rand.New(rand.NewPCG(seed, uint64(kind)))
		c := palette(k)
		fill(area, tile, tile, shade(c[0], -70))
		high := max(2, h/courses)
		for course := range courses {
			off := 0
			if course%2 == 1 {
				off = w / 4
			}
			for x := -1; x < 3; x++ {
				grained(k, area, tile, image.Rect(tile.Min.X+x*w/2+off, tile.Min.Y+course*high, tile.Min.X+(x+1)*w/2+off-1, tile.Min.Y+(course+1)*high-1), shade(c[0], k.IntN(20)-10), 5)
			}
		}
		if k.IntN(2) == 0 {
			// Something on the wall.
			grained(k, area, tile, image.Rect(tile.Min.X+w/4, tile.Min.Y+h/4, tile.Min.X+w-w/4, tile.Min.Y+h-h/4), c[k.IntN(len(c))], 8)
		}
	})
}

// planks is floors and fences of two to four boards.
func planks(r *rand.Rand, area *image.NRGBA, w, h int) {
	seed := r.Uint64()
	n := 2 + r.IntN(3)
	kinds(r, area, w, h, func(tile image.Rectangle, kind int) {
		k := rand.New(rand.NewPCG(seed, uint64(kind)))
		c := palette(k)
		upright := k.IntN(2) == 0
		for i := range n {
			box := image.Rect(tile.Min.X, tile.Min.Y+i*h/n, tile.Max.X, tile.Min.Y+(i+1)*h/n-1)
			if upright {
				box = image.Rect(tile.Min.X+i*w/n, tile.Min.Y, tile.Min.X+(i+1)*w/n-1, tile.Max.Y)
			}
			grained(k, area, tile, tile.Intersect(box), shade(c[0], k.IntN(24)-12), 5)
		}
	})
}

// thirds is tiles with three things beside each other, with nothing between them: bottles, posts, books.
func thirds(r *rand.Rand, area *image.NRGBA, w, h int) {
	seed := r.Uint64()
	kinds(r, area, w, h, func(tile image.Rectangle, kind int) {
		k := rand.New(rand.NewPCG(seed, uint64(kind)))
		c := palette(k)
		space := 1 + k.IntN(max(1, w/16))
		high := h - h/8 - k.IntN(max(1, h/4))
		for i := range 3 {
			x0, x1 := tile.Min.X+i*w/3+space, tile.Min.X+(i+1)*w/3-space
			grained(k, area, tile, image.Rect(x0, tile.Max.Y-high, x1, tile.Max.Y-1), shade(c[0], 8*i-8), 8)
			fill(area, tile, image.Rect(x0, tile.Max.Y-high, x1, tile.Max.Y-high+max(1, h/10)), c[len(c)-1-i%2])
		}
	})
}

// posts is things with an empty column or row in their middle: gates, two legs, pairs.
func posts(r *rand.Rand, area *image.NRGBA, w, h int) {
	seed := r.Uint64()
	across := r.IntN(3) == 0
	kinds(r, area, w, h, func(tile image.Rectangle, kind int) {
		k := rand.New(rand.NewPCG(seed, uint64(kind)))
		c := palette(k)
		space := 1 + k.IntN(max(1, w/10))
		edge := k.IntN(max(1, w/10))
		for i := range 2 {
			box := image.Rect(tile.Min.X+edge+i*(w/2-edge+space), tile.Min.Y+h/8, tile.Min.X+w/2-space+i*(w/2-edge+space), tile.Max.Y-h/10)
			if across {
				box = image.Rect(tile.Min.X+w/8, tile.Min.Y+edge+i*(h/2-edge+space), tile.Max.X-w/10, tile.Min.Y+h/2-space+i*(h/2-edge+space))
			}
			grained(k, area, tile, box, c[0], 10)
			fill(area, tile, image.Rect(box.Min.X, box.Min.Y, box.Max.X, box.Min.Y+max(1, h/12)), c[len(c)-1])
		}
	})
}

// strips is somebody who moves: a row for each direction, whose pictures hardly differ, and a row of ground.
func strips(r *rand.Rand, area *image.NRGBA, w, h int) {
	columns := area.Rect.Dx() / w
	frames := 2 + r.IntN(columns)
	ground := palette(r)
	// Below them, what they stand on.
	for x := 0; x < area.Rect.Dx(); x += w {
		grained(r, area, area.Rect, image.Rect(x, area.Rect.Dy()-h, x+w, area.Rect.Dy()), ground[x/w%len(ground)], 8)
	}
	for y := 0; y < area.Rect.Dy()-h; y += h {
		c := palette(r)
		wide, high := 0.22+0.12*r.Float64(), 0.5+0.4*r.Float64()
		for x := 0; x < min(frames, columns)*w; x += w {
			sway := float64(x/w%3-1) * float64(w) / 16
			for py := range h {
				for px := range w {
					u, v := (float64(px)+0.5-float64(w)/2-sway)/(wide*float64(w)), float64(h-py)/float64(h)
					switch {
					case v < 0.18*high && math.Abs(u) > 0.25 && math.Abs(u) < 0.8:
						area.SetNRGBA(x+px, y+py, c[3])
					case v >= 0.18*high && v < 0.65*high && math.Abs(u) < 1:
						area.SetNRGBA(x+px, y+py, c[0])
					case v >= 0.65*high && v < high && math.Abs(u) < 0.75:
						area.SetNRGBA(x+px, y+py, c[4])
					}
				}
			}
		}
	}
}

// rooms is a floor, walls and what stands there, of things that reach over two tiles and of single ones, on ground that
// is the same all over.
func rooms(r *rand.Rand, area *image.NRGBA, w, h int) {
	c := palette(r)
	all := area.Rect
	each(area, w, h, func(x, y int) {
		tile := image.Rect(x, y, x+w, y+h)
		grained(r, area, all, tile, c[0], 4)
		fill(area, tile, image.Rect(x, y, x+w, y+1), shade(c[0], 10))
		fill(area, tile, image.Rect(x, y, x+1, y+h), shade(c[0], 10))
		if r.IntN(2) == 0 {
			// A smaller square within, so that the tile seems to be of parts.
			fill(area, tile, image.Rect(x+w/2, y, x+w/2+1, y+h), shade(c[0], -8))
			fill(area, tile, image.Rect(x, y+h/2, x+w, y+h/2+1), shade(c[0], -8))
		}
		switch r.IntN(4) {
		case 0:
			o := any(r)
			grained(r, area, all, image.Rect(x+w/8, y+h/8, x+w-w/8, y+h-h/8), o, 8)
		case 1:
			o := any(r)
			grained(r, area, all, image.Rect(x+w/6, y+h/3, x+min(2*w, all.Dx()-x)-w/6, y+h-h/8), o, 8)
		}
	})
}

// shelves is cases with boards at halves or thirds of their height, and things on each.
func shelves(r *rand.Rand, area *image.NRGBA, w, h int) {
	seed := r.Uint64()
	n := 2 + r.IntN(2)
	kinds(r, area, w, h, func(tile image.Rectangle, kind int) {
		k := rand.New(rand.NewPCG(seed, uint64(kind)))
		c := palette(k)
		grained(k, area, tile, tile, shade(c[0], -50), 4)
		board := 1 + k.IntN(2)
		for i := range n {
			y := tile.Min.Y + i*h/n
			fill(area, tile, image.Rect(tile.Min.X, y, tile.Max.X, y+board), c[0])
			for x := tile.Min.X + 1; x < tile.Max.X-2; {
				wide := 1 + k.IntN(max(1, w/6))
				grained(k, area, tile, image.Rect(x, y+board+1+k.IntN(max(1, h/8)), x+wide, y+h/n), c[k.IntN(len(c))], 6)
				x += wide + k.IntN(3)
			}
		}
		fill(area, tile, image.Rect(tile.Min.X, tile.Min.Y, tile.Min.X+board, tile.Max.Y), c[0])
		fill(area, tile, image.Rect(tile.Max.X-board, tile.Min.Y, tile.Max.X, tile.Max.Y), c[0])
	})
}
