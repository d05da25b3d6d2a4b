package tiles

import "slices"

// A Fate is what became of a tile in a newer picture.
type Fate string

// The fates.
const (
	// Kept is at the same place with the same pixels.
	Kept Fate = "kept"
	// Moved has the same pixels elsewhere.
	Moved Fate = "moved"
	// Changed has other pixels at the place where it should be.
	Changed Fate = "changed"
	// Gone is nowhere.
	Gone Fate = "gone"
)

// A Found is where a tile is in a newer picture.
type Found struct {
	// To is the index of the tile there, -1 if it is gone.
	To   int
	Fate Fate
}

// Match finds each tile of a strip in a newer one: by its pixels first, wherever
// they moved; what is left at the place to which the tiles beside it moved. Each
// tile of the newer strip is found at most once. If tiles have another size there,
// they are compared at the size they had. It also lists what nothing led to.
//
// The cost grows with the pixels of both, and the pixels of the newer one are kept a second time meanwhile.
func Match(old, newer *Strip) (found []Found, added []int) {
	found = make([]Found, len(old.Places))
	for i := range found {
		found[i] = Found{-1, Gone}
	}
	taken := make([]bool, len(newer.Places))
	take := func(i, to int, fate Fate) {
		found[i], taken[to] = Found{to, fate}, true
	}
	// Places as column and row, since the newer picture may have other columns.
	at := make(map[[2]int]int, len(newer.Places))
	for i, p := range newer.Places {
		at[[2]int{p % newer.Columns, p / newer.Columns}] = i
	}
	place := func(i int) [2]int { return [2]int{old.Places[i] % old.Columns, old.Places[i] / old.Columns} }
	// The pixels themselves are the keys: nothing but a map is needed to find the same again.
	same := make(map[string][]int, len(newer.Places))
	for i := range newer.Places {
		pix := newer.Tile(i)
		if newer.W != old.W || newer.H != old.H {
			pix = Resize(pix, newer.W, newer.H, old.W, old.H)
		}
		same[string(pix)] = append(same[string(pix)], i)
	}
	for i := range old.Places {
		if to, there := at[place(i)]; there && slices.Contains(same[string(old.Tile(i))], to) {
			take(i, to, Kept)
		}
	}
	for i := range old.Places {
		if found[i].To >= 0 {
			continue
		}
		for _, to := range same[string(old.Tile(i))] {
			if !taken[to] {
				take(i, to, Moved)
				break
			}
		}
	}
	// What is left went where the nearest tile before or after it in the sheet went.
	for _, i := range left(found) {
		var shifts [][2]int
		for _, step := range [2]int{-1, 1} {
			for k := i + step; k >= 0 && k < len(found); k += step {
				if to := found[k].To; to >= 0 && found[k].Fate != Changed {
					was := place(k)
					shifts = append(shifts, [2]int{newer.Places[to]%newer.Columns - was[0], newer.Places[to]/newer.Columns - was[1]})
					break
				}
			}
		}
		for _, shift := range append(shifts, [2]int{}) {
			was := place(i)
			if to, there := at[[2]int{was[0] + shift[0], was[1] + shift[1]}]; there && !taken[to] {
				take(i, to, Changed)
				break
			}
		}
	}
	for i := range taken {
		if !taken[i] {
			added = append(added, i)
		}
	}
	return found, added
}

// left lists what was not found yet.
func left(found []Found) (list []int) {
	for i, f := range found {
		if f.To < 0 {
			list = append(list, i)
		}
	}
	return list
}
