package tiles

import "math"

// A folded is an axis laid in turns of one pitch over itself.
type folded struct {
	pitch int
	// sum, square and count are of change, by phase.
	sum, square []float64
	count       []int
	total       float64
	squares     float64
	n           int
	// filled counts the lines of a phase that can't be gap.
	filled []int
	gaps   []int
	// covered is the mean cover by phase.
	covered  []float64
	variance float64
}

func (l lines) fold(pitch int, change []float64, gap []bool) folded {
	f := folded{pitch: pitch, sum: make([]float64, pitch), square: make([]float64, pitch), count: make([]int, pitch),
		filled: make([]int, pitch), gaps: make([]int, pitch), covered: make([]float64, pitch)}
	cover, covers := 0.0, 0.0
	for i, c := range change {
		k := i % pitch
		if gap[i] {
			f.gaps[k]++
		} else {
			f.filled[k]++
		}
		f.covered[k] += l.cover[i]
		cover += l.cover[i]
		covers += l.cover[i] * l.cover[i]
		if math.IsNaN(c) {
			continue
		}
		f.sum[k] += c
		f.square[k] += c * c
		f.count[k]++
		f.total += c
		f.squares += c * c
		f.n++
	}
	for k := range f.covered {
		f.covered[k] /= float64(f.gaps[k] + f.filled[k])
	}
	n := float64(len(change))
	f.variance = math.Max(0, covers/n-cover/n*cover/n)
	return f
}

// contrast is how much better the changes are explained by lines of their own
// where tiles begin and end, and beside that, than by one level everywhere
// (half the log of the ratio of the squares that are left, for each line).
func (f folded) contrast(start, spacing int) float64 {
	if f.n < 4 {
		return 0
	}
	all := f.squares - f.total*f.total/float64(f.n)
	if all < 1e-9 {
		return 0
	}
	left := 0.0
	rest, restSquare, restCount := f.total, f.squares, f.n
	level := func(phases ...int) {
		sum, square, count := 0.0, 0.0, 0
		for _, p := range phases {
			k := (p%f.pitch + f.pitch) % f.pitch
			sum += f.sum[k]
			square += f.square[k]
			count += f.count[k]
		}
		if count == 0 {
			return
		}
		left += square - sum*sum/float64(count)
		rest, restSquare, restCount = rest-sum, restSquare-square, restCount-count
	}
	if spacing == 0 {
		level(start)
		level(start-1, start+1)
		level(start-2, start+2)
	} else {
		level(start, start-spacing)
		if spacing > 1 {
			inner := make([]int, 0, guessSpacing)
			for i := 1; i < spacing; i++ {
				inner = append(inner, start-i)
			}
			level(inner...)
		}
		level(start+1, start-spacing-1)
	}
	if restCount > 0 {
		left += restSquare - rest*rest/float64(restCount)
	}
	left = math.Max(left, all*0.02)
	return 0.5*float64(f.n)*math.Log(all/left)*0.6 - 1.5*math.Log(float64(f.n))
}

// cover is how much less is shown where tiles meet than in their middle.
func (f folded) cover(start int) float64 {
	if f.variance < 1e-4 {
		return 0
	}
	at := func(p int) float64 { return f.covered[(p%f.pitch+f.pitch)%f.pitch] }
	edge := (at(start) + at(start-1)) / 2
	middle := 0.0
	for i := range 4 {
		middle += at(start + f.pitch/2 - 2 + i)
	}
	return 10 * (middle/4 - edge)
}

// empty is how many lines before and after a start are empty in every turn.
func (f folded) empty(start int) (before, after int) {
	for after < f.pitch && f.filled[(start+after)%f.pitch] == 0 {
		after++
	}
	for before < f.pitch-after && f.filled[(start-before-1+f.pitch)%f.pitch] == 0 {
		before++
	}
	return before, after
}

// edge is how much the first and last lines of tiles show, beside what their
// middle does: 1 and more if tiles end at one line.
func (f folded) edge(start, side int) float64 {
	at := func(p int) float64 { return f.covered[p%f.pitch] }
	if side < 4 {
		return 0
	}
	middle := 0.0
	for i := range 4 {
		middle += at(start+side/2-2+i) / 4
	}
	if middle == 0 {
		return 0
	}
	first, last := start%f.pitch, (start+side-1)%f.pitch
	if f.gaps[first]+f.gaps[last] == 0 && min(f.filled[first], f.filled[last]) >= 3 {
		return 1 // each tile shows something in its first and in its last line
	}
	return (at(start) + at(start+side-1)) / 2 / middle
}

// sharp is how far an edge says that a gap begins there, as a log.
func sharp(edge float64) float64 {
	if edge < 0.7 {
		return edge - 0.7
	}
	return 16 * (math.Min(1, edge) - 0.7)
}
