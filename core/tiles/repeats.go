package tiles

import (
	"cmp"
	"image"
	"math"
	"slices"
)

// What tiles show comes back at the pitch of the tiles as well as their borders
// do, so that lines say less of where tiles start than of how large they are.
// But only where the start is right are tiles that come again the same to the
// last pixel.

const (
	// repeatWorth is what a tile that comes again says for a start, as a log.
	repeatWorth = 2
	// mostByLines is the most that lines say against a start, as a log.
	mostByLines = 6
	// mostStarts is how many starts of an axis are held against each other.
	mostStarts = 12
	// repeatPixels is how much of a picture is looked at for that.
	repeatPixels = 1 << 20
)

// settle finds where tiles of a pair's sides start.
func (g *guesser) settle(best pair) pair {
	xs, ys := starts(g.xs, best.x), starts(g.ys, best.y)
	found, top := best, math.Inf(-1)
	for _, x := range xs {
		for i, n := range repeats(g.img, x, ys) {
			y := ys[i]
			score := together(x, y, g.cellW, g.cellH) + repeatWorth*float64(n) - byLines(xs, x) - byLines(ys, y)
			if score > top {
				top, found = score, pair{x, y}
			}
		}
	}
	return found
}

// starts are the candidates that differ from one in their start alone, the
// likeliest first.
func starts(all []candidate, like candidate) []candidate {
	var list []candidate
	for _, c := range all {
		if c.side == like.side && c.spacing == like.spacing && c.block == like.block {
			list = append(list, c)
		}
	}
	slices.SortStableFunc(list, func(a, b candidate) int { return cmp.Compare(b.score+loose(b), a.score+loose(a)) })
	return list[:min(len(list), mostStarts)]
}

// byLines is what the lines say against one of some starts.
func byLines(starts []candidate, c candidate) float64 {
	best := c.score
	for _, o := range starts {
		best = math.Max(best, o.score)
	}
	return mostByLines * (1 - math.Exp((c.score-best)/mostByLines))
}

// repeats counts, for each start down the picture, the whole tiles that are the
// same as an earlier one.
func repeats(img *image.NRGBA, x candidate, ys []candidate) []int {
	width, height := img.Rect.Dx(), img.Rect.Dy()
	pitchX, pitchY := x.side+x.spacing, ys[0].side+ys[0].spacing
	height = min(height, max(4*pitchY, repeatPixels/width))
	columns := fit(width-x.start, x.side, 0, x.spacing)
	// Each line of a column is a number, and so are all lines above it as a
	// polynomial, so that a tile is the difference of two (Karp and Rabin,
	// "Efficient randomized pattern-matching algorithms", 1987).
	const factor = 0x9e3779b97f4a7c15
	powers := make([]uint64, height+1)
	powers[0] = 1
	for i := range height {
		powers[i+1] = powers[i] * factor
	}
	above := make([]uint64, columns*(height+1))
	for y := range height {
		for column := range columns {
			line := img.Pix[y*img.Stride+(x.start+column*pitchX)*4:]
			h := uint64(1)
			for u := range x.side {
				h = (h ^ uint64(pixel(line[u*4:][:4]))) * factor
				h ^= h >> 29
			}
			above[(y+1)*columns+column] = above[y*columns+column]*factor + h
		}
	}
	counts := make([]int, len(ys))
	for i, y := range ys {
		seen := map[uint64]bool{}
		for top := y.start; top+y.side <= height; top += pitchY {
			for column := range columns {
				h := above[(top+y.side)*columns+column] - above[top*columns+column]*powers[y.side]
				if seen[h] {
					counts[i]++
				}
				seen[h] = true
			}
		}
	}
	return counts
}
