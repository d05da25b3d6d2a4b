package tiles

import "math"

// A colour is the mean of some pixels: red, green and blue times opacity, and
// opacity.
type colour [4]float64

func (c *colour) add(p []byte) {
	a := float64(p[3])
	for i := range 3 {
		c[i] += float64(p[i]) * a / 255
	}
	c[3] += a
}

func (c colour) over(n int) colour {
	for i := range c {
		c[i] /= float64(max(1, n))
	}
	return c
}

func (c colour) apart(d colour) float64 {
	sum := 0.0
	for i := range c {
		sum += (c[i] - d[i]) * (c[i] - d[i])
	}
	return math.Sqrt(sum)
}

// A look is what a tile shows at each side and corner, from its edge inwards, and
// in its middle.
type look struct {
	at     [8][]colour
	middle colour
}

func lookAt(pix []byte, w, h int) look {
	var l look
	depth := max(2, min(deepest, min(w, h)/3))
	from := func(side, x, y int) int { return [4]int{y, w - 1 - x, h - 1 - y, x}[side] }
	count := 0
	var sums [8][]colour
	var counts [8][]int
	for i := range sums {
		sums[i], counts[i] = make([]colour, depth), make([]int, depth)
	}
	for y := range h {
		for x := range w {
			p := pix[(y*w+x)*4:][:4]
			if x >= w/4 && x < w-w/4 && y >= h/4 && y < h-h/4 {
				l.middle.add(p)
				count++
			}
			for side := range 4 {
				// The middle half of the side.
				along, length := x, w
				if side%2 == 1 {
					along, length = y, h
				}
				if d := from(side, x, y); d < depth && along >= length/4 && along < length-length/4 {
					sums[side][d].add(p)
					counts[side][d]++
				}
				// Squares round the corner.
				if d := max(from(side, x, y), from((side+1)%4, x, y)); d < depth {
					sums[4+side][d].add(p)
					counts[4+side][d]++
				}
			}
		}
	}
	l.middle = l.middle.over(count)
	for i := range sums {
		for d := range depth {
			l.at[i] = append(l.at[i], sums[i][d].over(counts[i][d]))
		}
	}
	return l
}

func between(a, b []colour) float64 {
	sum := 0.0
	for i := range a {
		d := a[i].apart(b[i])
		sum += d * d
	}
	return math.Sqrt(sum)
}
