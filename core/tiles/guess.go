package tiles

import (
	"cmp"
	"image"
	"math"
	"slices"

	"azzel/core/limit"
)

// A Guess is how a picture seems to be meant to be cut.
type Guess struct {
	Cut Cut
	// Odds is how likely the guess holds it that it is right, from 0 to 1.
	Odds float64
	// Sure says that the odds are high enough to take the guess without a look.
	Sure bool
}

const (
	// guessSpacing is the widest space between tiles that is looked for.
	guessSpacing = 8
	// guessKept is how many candidates of each axis are held against each other.
	guessKept = 160
	// sureOdds are the odds from which on a guess is sure.
	sureOdds = 0.97
)

// GuessCut guesses the cut of a picture from its pixels alone: where lines of
// one colour come back at even distances, where neighbouring lines differ most
// or show least, which parts belong together and which tiles come again. The cell of the project, in pixels, is a candidate that is
// favoured, no more. It takes a time in proportion to the pixels.
func GuessCut(img *image.NRGBA, cellW, cellH int) Guess {
	columns, rows := measureLines(img)
	ground := commonGround(columns, rows)
	measureCover(img, ground, columns, rows)
	grain := min(columns.grain(), rows.grain())
	xs := columns.candidates(ground, cellW, grain)
	ys := rows.candidates(ground, cellH, grain)
	m := guesser{img: img, ground: ground, cellW: cellW, cellH: cellH, xs: xs, ys: ys}
	best, odds, ok := m.likeliest(kept(xs), kept(ys))
	if !ok {
		return Guess{Cut: Cut{W: cellW, H: cellH}}
	}
	if best.x.spacing == 0 {
		best = m.flush(m.settle(m.join(best)))
	}
	width, height := img.Rect.Dx(), img.Rect.Dy()
	c := Cut{W: best.x.side, H: best.y.side, Spacing: best.x.spacing, OffsetX: best.x.start, OffsetY: best.y.start}.Normal(width, height)
	g := Guess{Cut: c, Odds: odds}
	g.Sure = g.Odds >= sureOdds && columns.bear(best.x) && rows.bear(best.y) &&
		(best.x.apart || best.x.side%best.y.side != 0 && best.y.side%best.x.side != 0 || best.x.side == best.y.side)
	return g
}

// A guesser holds what a guess is made from.
type guesser struct {
	img *image.NRGBA
	// ground is the colour of the gaps, or 0.
	ground       uint32
	cellW, cellH int
	// xs and ys are the candidates of each axis, the likeliest first.
	xs, ys []candidate
}

// A pair divides both axes.
type pair struct{ x, y candidate }

// likeliest is the pair of candidates that go best together, and how likely it
// is beside the others. It is not ok if none do.
func (g *guesser) likeliest(xs, ys []candidate) (best pair, odds float64, ok bool) {
	top := math.Inf(-1)
	var scores []float64
	for _, x := range xs {
		for _, y := range ys {
			if x.spacing != y.spacing || x.block != y.block {
				continue
			}
			score := x.score + y.score + together(x, y, g.cellW, g.cellH)
			scores = append(scores, score)
			if score > top {
				best, top = pair{x, y}, score
			}
		}
	}
	sum := 0.0
	for _, s := range scores {
		sum += math.Exp(s - top)
	}
	return best, 1 / sum, len(scores) > 0
}

// A candidate is one way of dividing an axis: tiles of side pixels, spacing
// between them, the first at start, rest pixels after the last.
type candidate struct {
	side, spacing, start, rest int
	score                      float64
	// apart says that lines stay empty where tiles meet, edge how sharply tiles
	// end there.
	apart bool
	edge  float64
	// block says that tiles were taken for thirds of a block.
	block bool
}

// bear reports whether the lines bear a division out, so that no other looks
// much the same: tiles that end softly may be larger, and where few borders
// show, tiles continue each other in blocks.
func (l lines) bear(c candidate) bool {
	if c.apart {
		return c.edge > 0.8
	}
	shown, all := 0, 0
	for i := c.start; i < len(l.change); i += c.side {
		if i == 0 || i+c.side/2 >= len(l.change) {
			continue
		}
		var near []float64
		for k := max(1, i-c.side/2); k < i+c.side/2; k++ {
			if k < i-2 || k > i+2 {
				near = append(near, l.change[k])
			}
		}
		if len(near) == 0 {
			continue
		}
		slices.Sort(near)
		all++
		if level := near[len(near)*3/4]; slices.Max(l.change[max(1, i-1):i+2]) > 1.2*level+0.005 {
			shown++
		}
	}
	return !c.block && all >= 2 && shown*10 >= all*8
}

// candidates are the divisions of an axis, the likeliest first; cell is the side that the
// project has, grain how many lines a pixel of the art is wide.
func (l lines) candidates(ground uint32, cell, grain int) []candidate {
	n := len(l.even)
	gap := make([]bool, n)
	gaps := 0
	for i := range gap {
		gap[i] = l.even[i] && l.colour[i] == ground
		if gap[i] {
			gaps++
		}
	}
	chance := math.Min(0.97, math.Max(0.02, (float64(gaps)+1)/(float64(n)+2)))
	// Empty lines all round say nothing of the tiles; nor, in an enlarged
	// picture, do lines within a pixel of the art.
	from, to, phase := 0, n, -1
	for from < n && gap[from] {
		from++
	}
	for to > from && gap[to-1] {
		to--
	}
	change := make([]float64, n)
	for i, c := range l.change {
		change[i] = math.NaN()
		if i > from && i < to {
			change[i] = math.Log(c + 0.01)
		}
		if c > 0 && phase < 0 {
			phase = i % grain
		}
	}
	if grain > 1 {
		for i := range change {
			if i%grain != phase {
				change[i] = math.NaN()
			}
		}
	}
	var all []candidate
	for pitch := limit.MinCellSide; pitch <= min(n, limit.MaxCellSide+guessSpacing); pitch++ {
		if pitch%grain != 0 {
			continue
		}
		f := l.fold(pitch, change, gap)
		first, apartBest := len(all), 0.0
		for start := range pitch {
			if grain > 1 && start%grain != phase {
				continue
			}
			for spacing := 0; spacing <= guessSpacing; spacing++ {
				side := pitch - spacing
				if side%grain != 0 || side < limit.MinCellSide || side > limit.MaxCellSide || start+side > n {
					continue
				}
				if spacing > 0 && f.filled[(start-spacing+pitch)%pitch] > 0 {
					break // a wider gap would hold this line too
				}
				count := fit(n-start, side, 0, spacing)
				c := candidate{side: side, spacing: spacing, start: start, rest: n - start - count*pitch + spacing}
				c.score = likelySide(side, cell) + likelySpacing(spacing)
				contrast := f.contrast(start, spacing)
				apart := math.Min(40, float64(count-1)*-math.Log(chance))
				switch {
				case spacing > 0 && count < 2:
					// One tile has no gap; that there are any is for the other axis to say.
					c.edge, c.apart = 1, true
				case spacing > 0:
					c.edge = f.edge(start, side)
					c.score += apart + sharp(c.edge)
					c.apart = true
				default:
					// Things within their tiles leave lines empty where tiles meet, but end
					// there at different lines.
					if before, after := f.empty(start); before+after > 0 {
						c.edge = f.edge(start+after, side-before-after)
						c.score += apart - sharp(c.edge)
						c.apart = true
					} else {
						c.score += f.cover(start) + contrast
					}
				}
				if c.apart {
					apartBest = math.Max(apartBest, contrast)
				}
				if count < 2 {
					c.score -= 4
				}
				all = append(all, c)
				if part := side / 3; spacing == 0 && !c.apart && side%3 == 0 && part >= 8 {
					// Blocks of 3 × 3 tiles may continue each other within.
					block := c
					block.side, block.block = part, true
					block.rest = n - start - fit(n-start, part, 0, 0)*part
					block.score += likelySide(part, cell) - likelySide(side, cell) + math.Log(0.15)
					all = append(all, block)
				}
			}
		}
		// Where lines stay empty, contrast speaks for the pitch, and not for how it
		// is shared between tile and gap.
		for i := range all[first:] {
			if c := &all[first+i]; c.apart {
				c.score += apartBest
			}
		}
	}
	slices.SortStableFunc(all, func(a, b candidate) int { return cmp.Compare(b.score, a.score) })
	return all
}

// kept are the likeliest candidates of each spacing, so that both axes can
// agree on one.
func kept(all []candidate) []candidate {
	var list []candidate
	var each [guessSpacing + 1]int
	seen := map[[3]int]bool{}
	for _, c := range all {
		at := [3]int{c.side, c.spacing, c.start}
		if each[c.spacing] < guessKept && !seen[at] {
			seen[at] = true
			each[c.spacing]++
			list = append(list, c)
		}
	}
	return list
}

// likelySide is how usual a side is, as a log.
func likelySide(side, cell int) float64 {
	p := 0.004
	switch side {
	case 4, 5, 6, 7:
		p = 0.001
	case 16, 32:
		p = 0.2
	case 8, 24, 48, 64:
		p = 0.08
	case 12, 20, 40:
		p = 0.04
	case 10, 18, 28, 36, 56, 96, 128:
		p = 0.015
	default:
		if side > 64 {
			break
		}
		if side%8 == 0 {
			p = 0.03
		} else if side%2 == 0 {
			p = 0.008
		}
	}
	if side == cell {
		p += 0.1
	}
	return math.Log(p)
}

// likelySpacing is how usual a space between tiles is, as a log.
func likelySpacing(spacing int) float64 {
	return math.Log([guessSpacing + 1]float64{0.5, 0.18, 0.14, 0.06, 0.06, 0.01, 0.01, 0.005, 0.01}[spacing])
}

// together is how well two divisions of the axes go with each other: tiles are
// mostly square, and begin mostly at the edge or after a margin alike on all
// sides.
func together(x, y candidate, cellW, cellH int) float64 {
	score := 0.0
	if x.side == y.side {
		score += 2.5
	} else if x.side == 2*y.side || y.side == 2*x.side {
		score += 0.7
	}
	if x.side == cellW && y.side == cellH {
		score += 0.5
	}
	switch {
	case x.start == 0 && y.start == 0 && x.rest == 0 && y.rest == 0:
		score += math.Log(0.6)
	case x.start == y.start && x.rest == x.start && y.rest == y.start && x.start <= 8:
		score += math.Log(0.25 / 8)
		if x.start == x.spacing {
			score += math.Log(3)
		}
	default:
		score += loose(x) + loose(y) + math.Log(0.2)
	}
	return score
}

// loose is how likely one axis begins and ends where it does, when the other
// does not go with it.
func loose(c candidate) float64 {
	switch {
	case c.start == 0 && c.rest == 0:
		return math.Log(0.5)
	case c.rest <= 8:
		return math.Log(0.3 / float64(c.side+c.spacing))
	}
	return math.Log(0.1 / float64(c.side+c.spacing) / 10)
}
