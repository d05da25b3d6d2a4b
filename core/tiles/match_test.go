package tiles

import (
	"bytes"
	"math/rand/v2"
	"testing"
)

// anySheet is a strip of random tiles that all differ, without the places that keep
// is false for.
func anySheet(r *rand.Rand, columns, rows, w, h int, keep func(place int) bool) *Strip {
	s := &Strip{W: w, H: h, Columns: columns, Rows: rows}
	for place := range columns * rows {
		if keep(place) {
			s.Places = append(s.Places, place)
			for range w * h {
				s.Pixels = append(s.Pixels, byte(r.Uint32()), byte(r.Uint32()), byte(place), 255)
			}
		}
	}
	return s
}

// rearranged makes a newer strip of other columns from tiles of s by their index,
// -1 for a place left empty.
func rearranged(s *Strip, columns int, order []int) *Strip {
	next := &Strip{W: s.W, H: s.H, Columns: columns, Rows: (len(order) + columns - 1) / columns}
	for place, i := range order {
		if i >= 0 {
			next.Places = append(next.Places, place)
			next.Pixels = append(next.Pixels, s.Tile(i)...)
		}
	}
	return next
}

// However tiles are shuffled, dropped and laid out in a newer picture, each is
// found where its pixels are, once, and what has no pixels there is gone or
// changed.
func TestMatchAnyOrder(t *testing.T) {
	for seed := range uint64(60) {
		r := rand.New(rand.NewPCG(seed, 61))
		old := anySheet(r, 5+r.IntN(8), 4+r.IntN(6), 8, 8, func(int) bool { return r.IntN(6) > 0 })
		order := r.Perm(len(old.Places))
		order = order[:len(order)-r.IntN(len(order)/2)]
		for range r.IntN(5) {
			order = append(order, -1)
		}
		r.Shuffle(len(order), func(i, k int) { order[i], order[k] = order[k], order[i] })
		newer := rearranged(old, 4+r.IntN(9), order)
		found, added := Match(old, newer)
		used := map[int]bool{}
		for i, f := range found {
			same := f.To >= 0 && bytes.Equal(old.Tile(i), newer.Tile(f.To))
			there := false
			for _, k := range order {
				there = there || k == i
			}
			if there != same || same != (f.Fate == Kept || f.Fate == Moved) || (f.To < 0) != (f.Fate == Gone) {
				t.Fatalf("seed %d: tile %d is %s, and its pixels are there: %t", seed, i, f.Fate, there)
			}
			if f.To >= 0 && used[f.To] {
				t.Fatalf("seed %d: tile %d of the newer picture was found twice", seed, f.To)
			}
			used[f.To] = true
			was, columns := old.Places[i], old.Columns
			if f.Fate == Kept && (newer.Places[f.To]%newer.Columns != was%columns || newer.Places[f.To]/newer.Columns != was/columns) {
				t.Fatalf("seed %d: tile %d is said to be kept and lies elsewhere", seed, i)
			}
		}
		for _, i := range added {
			if used[i] {
				t.Fatalf("seed %d: tile %d was found and is new", seed, i)
			}
		}
		if len(added)+len(used) < len(newer.Places) {
			t.Fatalf("seed %d: some of %d tiles are neither found nor new", seed, len(newer.Places))
		}
	}
}

// A picture with rows put in above, some tiles drawn anew and some more beside it
// is understood: everything moved down, what was drawn anew is changed, the rest
// is new.
func TestMatchOfAnEditedSheet(t *testing.T) {
	for seed := range uint64(40) {
		r := rand.New(rand.NewPCG(seed, 62))
		old := anySheet(r, 8, 8, 16, 16, func(int) bool { return true })
		down, right := r.IntN(3), r.IntN(2)
		fresh := anySheet(r, 8+right, 8+down, 16, 16, func(int) bool { return true })
		redrawn := map[int]bool{}
		for i := range old.Places {
			if r.IntN(12) == 0 {
				redrawn[i] = true
				continue
			}
			place := (i/8+down)*fresh.Columns + i%8
			copy(fresh.Tile(place), old.Tile(i))
		}
		found, added := Match(old, fresh)
		for i, f := range found {
			want := Kept
			switch {
			case redrawn[i]:
				want = Changed
			case down > 0:
				want = Moved
			}
			if place := (i/8+down)*fresh.Columns + i%8; f.To != place || f.Fate != want {
				t.Fatalf("seed %d (%d rows down): tile %d is %s at %d, want %s at %d", seed, down, i, f.Fate, f.To, want, place)
			}
		}
		if len(added) != len(fresh.Places)-len(old.Places) {
			t.Fatalf("seed %d: %d tiles are new, want %d", seed, len(added), len(fresh.Places)-len(old.Places))
		}
	}
}

// Tiles that look alike are all found, each another one, those at their own place
// first; tiles that were only scaled are kept.
func TestMatchOfTwins(t *testing.T) {
	r := rand.New(rand.NewPCG(63, 1))
	old := anySheet(r, 6, 2, 8, 8, func(int) bool { return true })
	for i := range 6 {
		copy(old.Tile(i), old.Tile(0))
	}
	found, added := Match(old, rearranged(old, 6, []int{6, 1, 2, 3, 4, 5, 0, 7, 8, 9, 10, 11}))
	for i, f := range found {
		want := Found{i, Kept}
		switch i {
		case 0:
			want = Found{6, Moved}
		case 6:
			want = Found{0, Moved}
		}
		if f != want {
			t.Errorf("tile %d is %s at %d, want %s at %d", i, f.Fate, f.To, want.Fate, want.To)
		}
	}
	if len(added) != 0 {
		t.Errorf("new are %v", added)
	}
	twice := &Strip{W: 16, H: 16, Columns: 6, Rows: 2, Places: old.Places}
	for i := range old.Places {
		twice.Pixels = append(twice.Pixels, Resize(old.Tile(i), 8, 8, 16, 16)...)
	}
	found, _ = Match(old, twice)
	for i, f := range found {
		if f != (Found{i, Kept}) {
			t.Errorf("scaled, tile %d is %s at %d", i, f.Fate, f.To)
		}
	}
}
