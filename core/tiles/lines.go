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

// sampled is how many pixels are looked at along each axis before only every so
// many lines across it are.
const sampled = 2 << 20

// strides are prime, so that lines at even distances are met at all their places.
var strides = [...]int{1, 3, 5, 7, 11, 13, 17}

// stride is the distance between lines that are looked at.
func stride(pixels int) int {
	for _, s := range strides {
		if pixels/s <= sampled {
			return s
		}
	}
	return strides[len(strides)-1]
}

func measureLines(img *image.NRGBA) (columns, rows lines) {
	w, h := img.Rect.Dx(), img.Rect.Dy()
	columns, rows = newLines(w), newLines(h)
	at := func(x, y int) []byte { return img.Pix[y*img.Stride+x*4:][:4] }
	for x := range w {
		columns.colour[x], columns.even[x] = pixel(at(x, 0)), true
		for y := 1; y < h && columns.even[x]; y++ {
			columns.even[x] = pixel(at(x, y)) == columns.colour[x]
		}
	}
	for y := range h {
		rows.colour[y], rows.even[y] = pixel(at(0, y)), true
		for x := 1; x < w && rows.even[y]; x++ {
			rows.even[y] = pixel(at(x, y)) == rows.colour[y]
		}
	}
	step := stride(w * h)
	for y := 0; y < h; y += step {
		line := img.Pix[y*img.Stride:][:w*4]
		for x := 1; x < w; x++ {
			columns.change[x] += differ(line[x*4:][:4], line[x*4-4:][:4])
		}
	}
	for y := 1; y < h; y++ {
		line, above := img.Pix[y*img.Stride:][:w*4], img.Pix[(y-1)*img.Stride:][:w*4]
		for x := 0; x < w; x += step {
			rows.change[y] += differ(line[x*4:][:4], above[x*4:][:4])
		}
	}
	for x := range w {
		columns.change[x] /= float64((h + step - 1) / step)
	}
	for y := range h {
		rows.change[y] /= float64((w + step - 1) / step)
	}
	return columns, rows
}

// measureCover finds how much of each line is neither see-through nor ground.
func measureCover(img *image.NRGBA, ground uint32, columns, rows lines) {
	w, h := img.Rect.Dx(), img.Rect.Dy()
	step := stride(w * h)
	shows := func(p []byte) float64 {
		if v := pixel(p); v != 0 && v != ground {
			return 1
		}
		return 0
	}
	for y := 0; y < h; y += step {
		line := img.Pix[y*img.Stride:][:w*4]
		for x := range w {
			columns.cover[x] += shows(line[x*4:][:4]) / float64((h+step-1)/step)
		}
	}
	for y := range h {
		line := img.Pix[y*img.Stride:][:w*4]
		for x := 0; x < w; x += step {
			rows.cover[y] += shows(line[x*4:][:4]) / float64((w+step-1)/step)
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
