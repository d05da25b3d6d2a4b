package lists_test

import (
	"math/rand/v2"
	"slices"
	"testing"

	"azzel/core/lists"
)

// Lists are changed as package slices changes them, whether they have room or not.
func TestAsSlices(t *testing.T) {
	r := rand.New(rand.NewPCG(7, 9))
	for range 2000 {
		list := make([]int, r.IntN(9), 9+r.IntN(4))
		for i := range list {
			list[i] = r.IntN(5)
		}
		i, v := r.IntN(len(list)+1), r.IntN(5)
		if got, want := lists.Insert(slices.Clone(list), i, v), slices.Insert(slices.Clone(list), i, v); !slices.Equal(got, want) {
			t.Fatalf("%d put into %v at %d gives %v, not %v", v, list, i, got, want)
		}
		asked := 0
		gone := func(n int) bool { asked++; return n == v }
		whole := slices.Clone(list)
		got := lists.Without(whole, gone)
		if want := slices.DeleteFunc(slices.Clone(list), func(n int) bool { return n == v }); !slices.Equal(got, want) || asked != len(list) {
			t.Fatalf("%v without %d is %v, not %v, having been asked %d times", list, v, got, want, asked)
		}
		for _, n := range whole[len(got):] {
			if n != 0 {
				t.Fatalf("of %v without %d, %v lies beyond the end", list, v, whole[len(got):])
			}
		}
	}
}
