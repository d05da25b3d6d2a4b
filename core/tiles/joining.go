package tiles

import (
	"image"
	"math"
	"slices"

	"azzel/core/limit"
)

// Lines alone take the parts of a tile for tiles: the panes of a window, the
// boards of a floor, the two leaves of a door. But parts of a tile have colours
// in common, and are there or not together, where tiles beside each other are
// mostly of two kinds.

const (
	// mostParts is how many parts in a row are taken for one tile at once.
	mostParts = 4
	// joinPrior is how usual it is that a guess by lines has parts for tiles, as
	// a log.
	joinPrior = -2.3
	// rowPrior is how usual it is that square parts are one tile along one axis
	// alone, as a log.
	rowPrior = -8
	// leastApart is how much further, at least, parts of two tiles are apart than
	// parts of one.
	leastApart = 0.1
	// usualSpread is by how much the borders of a sheet differ in that mostly, and
	// usualWeight as how many borders that counts.
	usualSpread, usualWeight = 0.12, 3

	// shades is into how many steps each of red, green and blue is divided.
	shades = 16
	// seeThrough is the colour of what is not shown.
	seeThrough = shades * shades * shades
	// partPixels is about how many pixels of a part are looked at, mostMeasured
	// how many parts.
	partPixels, mostMeasured = 1024, 4096
)

// A part is how much of a box of the picture has which colour, by colour.
type part []shadeCount

type shadeCount struct {
	shade uint16
	share float32
}

// empty reports whether a part shows nothing.
func (p part) empty() bool { return p[0].shade == seeThrough }

// measureParts measures the boxes that a pair divides the picture into, row by
// row; of very many those of the upper rows.
func measureParts(img *image.NRGBA, x, y candidate) (parts []part, columns, rows int) {
	columns, rows = (img.Rect.Dx()-x.start)/x.side, (img.Rect.Dy()-y.start)/y.side
	rows = min(rows, max(2*mostParts, mostMeasured/columns))
	step := 1
	for step*step*partPixels < x.side*y.side {
		step++
	}
	var counts [seeThrough + 1]uint16
	var met []uint16
	for row := range rows {
		for column := range columns {
			met = met[:0]
			all := 0
			for v := step / 2; v < y.side; v += step {
				line := img.Pix[(y.start+row*y.side+v)*img.Stride+(x.start+column*x.side)*4:]
				for u := step / 2; u < x.side; u += step {
					q := line[u*4:][:4]
					shade := uint16(seeThrough)
					if q[3] > 0 {
						shade = (uint16(q[0])*shades/256*shades+uint16(q[1])*shades/256)*shades + uint16(q[2])*shades/256
					}
					if counts[shade] == 0 {
						met = append(met, shade)
					}
					counts[shade]++
					all++
				}
			}
			slices.Sort(met)
			p := make(part, len(met))
			for i, shade := range met {
				p[i] = shadeCount{shade, float32(counts[shade]) / float32(all)}
				counts[shade] = 0
			}
			parts = append(parts, p)
		}
	}
	return parts, columns, rows
}

// apart is how little two parts have in common, 0 to 1.
func (p part) apart(q part) float64 {
	if p.empty() != q.empty() {
		return 1
	}
	common := float32(0)
	for len(p) > 0 && len(q) > 0 {
		switch {
		case p[0].shade < q[0].shade:
			p = p[1:]
		case p[0].shade > q[0].shade:
			q = q[1:]
		default:
			common += min(p[0].share, q[0].share)
			p, q = p[1:], q[1:]
		}
	}
	return 1 - float64(common)
}

// A sample is numbers that are only summed.
type sample struct{ sum, squares, n float64 }

func (s *sample) add(v float64) { s.sum += v; s.squares += v * v; s.n++ }

func (s sample) mean() float64 { return s.sum / s.n }

// spread is the sum of the squares of how far the numbers are from their mean.
func (s sample) spread() float64 { return s.squares - s.sum*s.sum/s.n }

// borders measures how far the parts on both sides of each border between
// columns are apart, and of each border between rows; where nothing is on
// either side, that says nothing.
func borders(parts []part, columns, rows int) (across, down []sample) {
	across, down = make([]sample, max(0, columns-1)), make([]sample, max(0, rows-1))
	add := func(s *sample, p, q part) {
		if !p.empty() || !q.empty() {
			s.add(p.apart(q))
		}
	}
	for row := range rows {
		for column := range columns {
			p := parts[row*columns+column]
			if column+1 < columns {
				add(&across[column], p, parts[row*columns+column+1])
			}
			if row+1 < rows {
				add(&down[row], p, parts[(row+1)*columns+column])
			}
		}
	}
	return across, down
}

// A joining says that so many parts make a tile, the first whole one of which
// begins with the part of that number.
type joining struct {
	parts, first int
	// score is how far the borders say so, as a log.
	score float64
}

// joinings are the ways in which parts along an axis belong together: those at
// whose borders parts are further apart than within. A border counts as one,
// however long, because what stands in a row is often alike.
func joinings(borders []sample) []joining {
	var list []joining
	for parts := 2; parts <= min(mostParts, len(borders)); parts++ {
		for first := range parts {
			var inner, outer sample
			for i, b := range borders {
				switch {
				case b.n == 0:
				case (i+1-first+parts)%parts == 0:
					outer.add(b.mean())
				default:
					inner.add(b.mean())
				}
			}
			if inner.n == 0 || outer.n == 0 {
				continue
			}
			far := outer.mean() - inner.mean()
			if far < leastApart {
				continue
			}
			variance := (inner.spread() + outer.spread() + usualSpread*usualSpread*usualWeight) / (inner.n + outer.n - 2 + usualWeight)
			square := far * far / (variance * (1/inner.n + 1/outer.n))
			list = append(list, joining{parts: parts, first: first, score: math.Min(60, square/2)})
		}
	}
	return list
}

// join makes tiles of a pair's parts where these belong together.
func (g *guesser) join(best pair) pair {
	// Parts may be made of parts, though hardly of more than these.
	for range 3 {
		parts, columns, rows := measureParts(g.img, best.x, best.y)
		across, down := borders(parts, columns, rows)
		xs, ys := g.joined(g.xs, best.x, joinings(across)), g.joined(g.ys, best.y, joinings(down))
		next, top := best, 0.0
		for _, x := range append(xs, scored{candidate: best.x}) {
			for _, y := range append(ys, scored{candidate: best.y}) {
				to := pair{x.candidate, y.candidate}
				if score := x.joins + y.joins + g.usual(to) - g.usual(best) + inRow(best, to); score > top {
					next, top = to, score
				}
			}
		}
		if top == 0 {
			break
		}
		best = next
	}
	return best
}

// inRow is how unusual it is, as a log, that square parts are one tile along one
// axis alone: mostly they are the frames of something or the tiles of one ground.
func inRow(parts, to pair) float64 {
	if parts.x.side == parts.y.side && to.x.side != to.y.side {
		return rowPrior
	}
	return 0
}

// A scored is a candidate with what speaks for it.
type scored struct {
	candidate
	joins float64
}

// usual is how usual a pair is, whatever the picture shows, as a log.
func (g *guesser) usual(p pair) float64 {
	return likelySide(p.x.side, g.cellW) + likelySide(p.y.side, g.cellH) + together(p.x, p.y, g.cellW, g.cellH)
}

// joined finds for each joining the likeliest of all candidates that makes tiles
// of the parts, and begins where they do or a few pixels beside that.
func (g *guesser) joined(all []candidate, part candidate, ways []joining) (list []scored) {
	for _, j := range ways {
		side := part.side * j.parts
		if side > limit.MaxCellSide || part.block {
			continue
		}
		var best candidate
		for _, c := range all {
			if c.side != side || c.spacing != part.spacing {
				continue
			}
			off := (c.start - part.start - j.first*part.side + 2*side) % side
			if min(off, side-off) <= 3 && (best.side == 0 || c.score+loose(c) > best.score+loose(best)) {
				best = c
			}
		}
		if best.side != 0 {
			list = append(list, scored{best, j.score + joinPrior})
		}
	}
	return list
}
