package tiles

import "image"

// flush narrows tiles that were guessed to have no space between them, or too
// little: a tile that is shown to its edges, all four of them straight, tells
// where tiles end, even if most hold a thing that stands clear of the edges.
func (g *guesser) flush(best pair) pair {
	x, y := best.x, best.y
	if !x.apart || !y.apart {
		return best
	}
	pitchX, pitchY := x.side+x.spacing, y.side+y.spacing
	votes := map[image.Rectangle]int{}
	var all image.Rectangle
	for top := y.start; top+pitchY <= g.img.Rect.Dy(); top += pitchY {
		for left := x.start; left+pitchX <= g.img.Rect.Dx(); left += pitchX {
			box, full := g.shown(image.Rect(left, top, left+pitchX, top+pitchY))
			box = box.Sub(image.Pt(left, top))
			all = all.Union(box)
			if full && !box.Empty() {
				votes[box]++
			}
		}
	}
	spacing := pitchX - all.Dx()
	if votes[all] < 2 || spacing <= x.spacing || spacing > guessSpacing || spacing != pitchY-all.Dy() {
		return best
	}
	find := func(list []candidate, side, start int) (candidate, bool) {
		for _, c := range list {
			if c.side == side && c.spacing == spacing && c.start == start%(side+spacing) {
				return c, true
			}
		}
		return candidate{}, false
	}
	x, okX := find(g.xs, all.Dx(), x.start+all.Min.X)
	y, okY := find(g.ys, all.Dy(), y.start+all.Min.Y)
	if !okX || !okY {
		return best
	}
	return pair{x, y}
}

// shown is the box of what a part of the picture shows, and whether it shows
// all of that box.
func (g *guesser) shown(in image.Rectangle) (box image.Rectangle, full bool) {
	n := 0
	box = image.Rectangle{Min: in.Max, Max: in.Min}
	for y := in.Min.Y; y < in.Max.Y; y++ {
		line := g.img.Pix[y*g.img.Stride:]
		for x := in.Min.X; x < in.Max.X; x++ {
			if v := pixel(line[x*4:][:4]); v == 0 || v == g.ground {
				continue
			}
			n++
			box.Min.X, box.Max.X = min(box.Min.X, x), max(box.Max.X, x+1)
			box.Min.Y, box.Max.Y = min(box.Min.Y, y), max(box.Max.Y, y+1)
		}
	}
	if n == 0 {
		return image.Rectangle{}, false
	}
	return box, n == box.Dx()*box.Dy()
}
