package tiles

import "image"

const (
	// smallestFrame and largestFrame are the sides of frames that are looked for, in pixels.
	smallestFrame, largestFrame = 6, 128
	// crossingMost is which part of the length of all borders may have something opaque on both
	// sides.
	crossingMost = 0.02
)

// GuessFrames guesses how large the frames of a sheet are on which somebody is seen who moves: the
// least width and height that divide the picture and whose borders cut through nothing opaque. Where
// there is no such size it is what GuessCut says. It takes a time in proportion to the pixels, and to
// how many sizes divide each side.
func GuessFrames(img *image.NRGBA, cellW, cellH int) Cut {
	b := img.Bounds()
	opaque := func(x, y int) bool { return img.Pix[img.PixOffset(b.Min.X+x, b.Min.Y+y)+3] > 127 }
	// How much is opaque on both sides of each line between two columns, and between two rows.
	columns, rows := make([]int, b.Dx()), make([]int, b.Dy())
	for y := range b.Dy() {
		for x := range b.Dx() {
			if !opaque(x, y) {
				continue
			}
			if x > 0 && opaque(x-1, y) {
				columns[x]++
			}
			if y > 0 && opaque(x, y-1) {
				rows[y]++
			}
		}
	}
	w, h := side(columns, b.Dy()), side(rows, b.Dx())
	if w == 0 || h == 0 || w == b.Dx() && h == b.Dy() {
		return GuessCut(img, cellW, cellH).Cut
	}
	return Cut{W: w, H: h}
}

// side is the least length that divides all of lines, and between whose multiples hardly anything is
// crossed; 0 if there is none. Each line is so many pixels long.
func side(crossed []int, length int) int {
	for n := smallestFrame; n <= min(largestFrame, len(crossed)); n++ {
		if len(crossed)%n != 0 {
			continue
		}
		over, borders := 0, 0
		for at := n; at < len(crossed); at += n {
			over += crossed[at]
			borders += length
		}
		if float64(over) <= crossingMost*float64(borders) {
			return n
		}
	}
	return 0
}
