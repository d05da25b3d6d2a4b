package kind_test

import (
	"bytes"
	"math/rand/v2"
	"slices"
	"testing"

	"azzel/core/kind"
	_ "azzel/core/kinds"
	"azzel/core/kinds/random"
	"azzel/core/pack"
)

// What a piece sets against a plain map of it: whatever is set and unset in whatever order, the values are those of the
// map, in the order of their fields, and two that set the same are equal.
func TestValues(t *testing.T) {
	r := rand.New(rand.NewPCG(7, 7))
	props := kind.Props()
	for range 300 {
		var v kind.Values
		want := map[kind.Field]string{}
		for range r.IntN(40) {
			p := props[r.IntN(len(props))]
			numbers := make([]int, p.Size())
			for i := range numbers {
				numbers[i] = r.IntN(5) - 1
			}
			set := p.Is(numbers...)
			if p.Sort == kind.Reference {
				set = p.Refer(kind.ID(r.IntN(3)))
			}
			if r.IntN(4) == 0 {
				set = p.Unset()
			}
			v = v.With(set)
			if want[p.Field] = string(set.Bytes); len(set.Bytes) == 0 {
				delete(want, p.Field)
			}
		}
		var fields []kind.Field
		var list []kind.Value
		for f, b := range v.All() {
			if want[f] != string(b) {
				t.Fatalf("field %d is %v, want %v", f, b, []byte(want[f]))
			}
			fields = append(fields, f)
			list = append(list, kind.Value{Field: f, Bytes: b})
		}
		if len(fields) != len(want) || !slices.IsSorted(fields) {
			t.Fatalf("%v are set, want %d", fields, len(want))
		}
		r.Shuffle(len(list), func(i, j int) { list[i], list[j] = list[j], list[i] })
		if again := kind.Set(list...); again != v {
			t.Fatalf("set in another order it is %v, not %v", []byte(again), []byte(v))
		}
	}
}

// Mirrored twice, or turned four times, a piece is as it was; turned twice is mirrored both ways.
func TestMoved(t *testing.T) {
	r := rand.New(rand.NewPCG(8, 8))
	for range 200 {
		all := kind.All()
		v := random.Values(r, all[r.IntN(len(all))])
		if v.Mirrored(true).Mirrored(true) != v || v.Mirrored(false).Mirrored(false) != v {
			t.Fatalf("mirrored twice %v is otherwise", []byte(v))
		}
		if half := v.Turned().Turned(); half != v.Mirrored(true).Mirrored(false) || half.Turned().Turned() != v {
			t.Fatalf("turned %v is otherwise", []byte(v))
		}
	}
}

// Whatever bytes come as a value: either they are refused, or they have one way to be stored, which stands for the same.
func FuzzValue(f *testing.F) {
	f.Add(9, []byte{0x80, 0})
	f.Add(12, []byte{2, 1})
	f.Add(29, []byte{1})
	f.Fuzz(func(t *testing.T, field int, b []byte) {
		p := kind.PropOf(kind.Field(field))
		if p == nil || p.Check(b) != nil {
			return
		}
		stored := p.Canonical(b)
		v := kind.Set(kind.Value{Field: p.Field, Bytes: stored})
		if !bytes.Equal(p.Canonical(stored), stored) || p.Check(stored) != nil {
			t.Fatalf("%v of %s is stored as %v, and that otherwise", b, p.Word, stored)
		}
		if p.Sort == kind.Reference {
			if id := pack.NewReader(b).Uint(); len(b) > 0 && uint64(v.Refers(p)) != id {
				t.Fatalf("%v of %s refers to %d, not %d", b, p.Word, v.Refers(p), id)
			}
			return
		}
		if len(stored) == 0 {
			return
		}
		if is, want := v.Numbers(nil, p), kind.Set(kind.Value{Field: p.Field, Bytes: b}).Numbers(nil, p); !slices.Equal(is, want) {
			t.Fatalf("%v of %s is stored as %v, not %v", b, p.Word, is, want)
		}
	})
}
