package body_test

import (
	"math/rand/v2"
	"slices"
	"testing"

	"azzel/core/body"
)

// Boxes against a plain list: whatever is added, moved, taken away and begun anew, those that meet a box are found near it.
func TestBoxes(t *testing.T) {
	r := rand.New(rand.NewPCG(4, 4))
	var boxes body.Boxes
	for range 40 {
		boxes.Reset(4 + r.IntN(30))
		var plain []body.Box
		random := func() body.Box {
			if r.IntN(6) == 0 {
				return body.Nowhere
			}
			x, y := r.IntN(1<<20)-1<<19, r.IntN(1<<19)-1<<18
			return body.Box{X0: x, Y0: y, X1: x + 1 + r.IntN(1<<16), Y1: y + 1 + r.IntN(1<<13)}
		}
		for range 300 {
			switch i := r.IntN(len(plain) + 4); {
			case i >= len(plain):
				plain = append(plain, random())
				boxes.Add(plain[len(plain)-1])
			case r.IntN(2) == 0: // a little
				if b := plain[i]; b != body.Nowhere {
					plain[i] = body.Box{X0: b.X0 + 90, Y0: b.Y0 - 70, X1: b.X1 + 90, Y1: b.Y1 - 70}
					boxes.Set(i, plain[i])
				}
			default:
				plain[i] = random()
				boxes.Set(i, plain[i])
			}
			at := random()
			if at == body.Nowhere {
				continue
			}
			var near, want []int
			boxes.Near(at, func(i int, o body.Box) bool {
				if o != plain[i] {
					t.Fatalf("box %d is %v, want %v", i, o, plain[i])
				}
				if o.Meets(at) {
					near = append(near, i)
				}
				return true
			})
			for i, o := range plain {
				if o.Meets(at) {
					want = append(want, i)
				}
			}
			slices.Sort(near)
			if near = slices.Compact(near); !slices.Equal(near, want) || boxes.Meet(at) != (len(want) > 0) {
				t.Fatalf("%v meets %v, want %v", at, near, want)
			}
		}
		if !slices.Equal(boxes.List(), plain) || boxes.Len() != len(plain) {
			t.Fatal("the list is another one")
		}
	}
}
