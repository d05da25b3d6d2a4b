package body

import "slices"

// Boxes are boxes with a number each, found by where they are. The zero value holds none.
type Boxes struct {
	list []Box
	// in lists by bucket the numbers of the boxes that reach into it.
	in map[int64][]int32
	// side is how wide and high a bucket is.
	side int
}

// bucketCells is how many cells a bucket is wide and high: about as many as what moves in a tick looks at.
const bucketCells = 8

// Reset takes all boxes away, on a map of cells of so many pixels.
func (b *Boxes) Reset(cell int) {
	for i := range b.list {
		b.Set(i, Nowhere)
	}
	b.list, b.side = b.list[:0], bucketCells*cell*Unit
	if b.in == nil {
		b.in = map[int64][]int32{}
	}
}

// Len is how many boxes there are.
func (b *Boxes) Len() int { return len(b.list) }

// At is box i.
func (b *Boxes) At(i int) Box { return b.list[i] }

// List are all boxes, by their numbers.
func (b *Boxes) List() []Box { return slices.Clone(b.list) }

// Add adds a box, with the next number.
func (b *Boxes) Add(o Box) {
	b.list = append(b.list, Nowhere)
	b.Set(len(b.list)-1, o)
}

// Set puts box i elsewhere.
func (b *Boxes) Set(i int, o Box) {
	was := b.list[i]
	b.list[i] = o
	x0, y0, x1, y1 := b.buckets(was)
	u0, v0, u1, v1 := b.buckets(o)
	if was != Nowhere && o != Nowhere && x0 == u0 && y0 == v0 && x1 == u1 && y1 == v1 {
		return
	}
	if was != Nowhere {
		for y := y0; y <= y1; y++ {
			for x := x0; x <= x1; x++ {
				at := bucket(x, y)
				in := b.in[at]
				k := slices.Index(in, int32(i))
				in[k] = in[len(in)-1]
				b.in[at] = in[:len(in)-1]
			}
		}
	}
	if o != Nowhere {
		for y := v0; y <= v1; y++ {
			for x := u0; x <= u1; x++ {
				at := bucket(x, y)
				b.in[at] = append(b.in[at], int32(i))
			}
		}
	}
}

// buckets are the first and the last that a box reaches into.
func (b *Boxes) buckets(o Box) (x0, y0, x1, y1 int) {
	return floorDiv(o.X0, b.side), floorDiv(o.Y0, b.side), floorDiv(o.X1-1, b.side), floorDiv(o.Y1-1, b.side)
}

// bucket is the number of a bucket.
func bucket(x, y int) int64 { return int64(x)<<32 | int64(uint32(y)) }

// Near calls for the boxes that reach into the buckets of a box, in no order and perhaps several times, until that says
// no. It reports whether it never did.
func (b *Boxes) Near(o Box, each func(i int, o Box) bool) bool {
	if len(b.list) == 0 {
		return true
	}
	x0, y0, x1, y1 := b.buckets(o)
	for y := y0; y <= y1; y++ {
		for x := x0; x <= x1; x++ {
			for _, i := range b.in[bucket(x, y)] {
				if !each(int(i), b.list[i]) {
					return false
				}
			}
		}
	}
	return true
}

// Meet reports whether any of the boxes meets one.
func (b *Boxes) Meet(o Box) bool {
	return !b.Near(o, func(_ int, is Box) bool { return !is.Meets(o) })
}
