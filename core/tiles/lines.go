package tiles

import (
	"image"
	"math"
)

// lines is what is measured of the columns of a picture, or of its rows.
type lines struct {
	// even says that a line has one colour, given as one number.
	even   []bool
	colour []uint32
	// change is how much a line differs from the one before; the first is 0.
	change []float64
	// cover is the share of a line that shows something.
	cover []float64
}

func newLines(n int) lines {
	return lines{make([]bool, n), make([]uint32, n), make([]float64, n), make([]float64, n)}
}

// pixel is a colour as one number, the same for all that is see-through.
func pixel(p []byte) uint32 {
	if p[3] == 0 {
		return 0
	}
	return uint32(p[0])<<24 | uint32(p[1])<<16 | uint32(p[2])<<8 | uint32(p[3])
}

// differ is how far two pixels are apart, 0 to 1.
func differ(p, q []byte) float64 {
	if p[3] == 0 || q[3] == 0 {
		if p[3] == q[3] {
			return 0
		}
		return 1
	}
	far := 0
	for c := range 3 {
		d := int(p[c]) - int(q[c])
		far += max(d, -d)
	}
	return math.Min(1, float64(far)/240)
}

func measureLines(img *image.NRGBA) (columns, rows lines) {
	w, h := img.Rect.Dx(), img.Rect.Dy()
	columns, rows = newLines(w), newLines(h)
	for x := range w {
		columns.even[x] = true
	}
	for y := range h {
		line := img.Pix[y*img.Stride:][:w*4]
		var above []byte
		if y > 0 {
			above = img.Pix[(y-1)*img.Stride:][:w*4]
		}
		rows.even[y] = true
		rows.colour[y] = pixel(line)
		for x := range w {
			p := line[x*4:][:4]
			v := pixel(p)
			if y == 0 {
				columns.colour[x] = v
			} else if columns.colour[x] != v {
				columns.even[x] = false
			}
			if v != rows.colour[y] {
				rows.even[y] = false
			}
			if x > 0 {
				columns.change[x] += differ(p, line[x*4-4:][:4])
			}
			if y > 0 {
				rows.change[y] += differ(p, above[x*4:][:4])
			}
		}
	}
	for x := range w {
		columns.change[x] /= float64(h)
	}
	for y := range h {
		rows.change[y] /= float64(w)
	}
	return columns, rows
}

// measureCover finds how much of each line is neither see-through nor ground.
func measureCover(img *image.NRGBA, ground uint32, columns, rows lines) {
	w, h := img.Rect.Dx(), img.Rect.Dy()
	for y := range h {
		line := img.Pix[y*img.Stride:][:w*4]
		for x := range w {
			if v := pixel(line[x*4:][:4]); v != 0 && v != ground {
				columns.cover[x] += 1 / float64(h)
				rows.cover[y] += 1 / float64(w)
			}
		}
	}
}

// grain is how many lines in a row are alike everywhere: more than 1 in a
// picture that was enlarged by a whole number.
func (l lines) grain() int {
	for grain := 8; grain > 1; grain-- {
		for phase := range grain {
			only, any := true, false
			for i, c := range l.change {
				if c > 0 {
					any = true
					if i%grain != phase {
						only = false
						break
					}
				}
			}
			if only && any {
				return grain
			}
		}
	}
	return 1
}

// commonGround is the colour that most even lines have: that of the gaps, if
// there are any.
func commonGround(all ...lines) uint32 {
	count := map[uint32]int{}
	for _, l := range all {
		for i, even := range l.even {
			if even {
				count[l.colour[i]]++
			}
		}
	}
	var best uint32
	for colour, n := range count {
		if n > count[best] || n == count[best] && colour < best {
			best = colour
		}
	}
	return best
}
