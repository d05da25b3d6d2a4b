package tiles

import (
	"math"
	"slices"

	"azzel/core/lists"
)

// A Proposed is the surroundings that a tile seems to be drawn for.
type Proposed struct {
	Joined Neighbours `json:"joined"`
	// Sure is false where the pixels leave doubt.
	Sure bool `json:"sure"`
}

// Propose finds the surroundings that each tile of a block is drawn for, from its
// pixels alone, in whatever order they come. Pixels are red, green, blue,
// opacity of tiles of w × h pixels.
//
// Along each side, and at each corner, the tiles fall into two sorts: those whose
// pixels there go on as within the tile, and those that show an edge. Where
// there are as many tiles as surroundings, each surrounding is given once, at the
// least cost in all.
func Propose(join Join, pixels [][]byte, w, h int) []Proposed {
	odds := make([][8]float64, len(pixels))
	looks := make([]look, len(pixels))
	for i, pix := range pixels {
		looks[i] = lookAt(pix, w, h)
	}
	all := make([]int, len(pixels))
	for i := range all {
		all[i] = i
	}
	if join != Corners {
		divideSides(looks, all, odds)
	}
	if join != Sides {
		for corner := 4; corner < 8; corner++ {
			among := all
			if join == Both {
				// Only where both sides go on does the corner make a difference.
				among = lists.Without(slices.Clone(all), func(i int) bool {
					return odds[i][corner-4] < 0.5 || odds[i][(corner-3)%4] < 0.5
				})
			}
			split(looks, among, corner).set(looks, among, corner, odds)
		}
	}
	places := join.Places()
	cost := make([][]float64, len(pixels))
	for i := range pixels {
		for _, p := range places {
			cost[i] = append(cost[i], costOf(join, odds[i], p))
		}
	}
	chosen := make([]int, len(pixels))
	if len(pixels) == len(places) {
		chosen = assign(cost)
	} else {
		for i := range chosen {
			chosen[i] = slices.Index(cost[i], slices.Min(cost[i]))
		}
	}
	out := make([]Proposed, len(pixels))
	for i, k := range chosen {
		out[i] = Proposed{places[k], sure(join, odds[i], places[k]) && cost[i][k] <= slices.Min(cost[i])}
	}
	return out
}

// ProposeJoin proposes for each way to join that the number of tiles allows, and
// gives the one that leaves the least doubt.
func ProposeJoin(pixels [][]byte, w, h int) (join Join, out []Proposed) {
	best := -1
	for _, j := range []Join{Sides, Corners, Both} {
		if j == Both && len(pixels) <= len(Sides.Places()) {
			continue
		}
		p := Propose(j, pixels, w, h)
		different := map[Neighbours]bool{}
		for _, tile := range p {
			if tile.Sure {
				different[tile.Joined] = true
			}
		}
		if len(different) > best {
			join, out, best = j, p, len(different)
		}
	}
	return join, out
}

// relevant reports whether a bit is looked at for a surrounding.
func relevant(join Join, p Neighbours, bit int) bool {
	switch {
	case bit < 4:
		return join != Corners
	case join == Both:
		return p&beside(bit) == beside(bit)
	}
	return join == Corners
}

func costOf(join Join, odds [8]float64, p Neighbours) float64 {
	cost := 0.0
	for bit := range 8 {
		if relevant(join, p, bit) {
			o := odds[bit]
			if p&(1<<bit) == 0 {
				o = 1 - o
			}
			cost -= math.Log(max(o, 1e-6))
		}
	}
	return cost
}

// sureOfBit is how likely each bit must be for a tile to be sure.
const sureOfBit = 0.8

func sure(join Join, odds [8]float64, p Neighbours) bool {
	for bit := range 8 {
		if relevant(join, p, bit) {
			if o := odds[bit]; p&(1<<bit) != 0 && o < sureOfBit || p&(1<<bit) == 0 && o > 1-sureOfBit {
				return false
			}
		}
	}
	return true
}

// deepest is how many pixels from an edge inwards are looked at.
const deepest = 8

// divideSides sets the odds of the four sides. What is drawn for one side often
// changes what the others show, as the face of a wall does: so the side at which
// the tiles differ most is divided first, and what it does to the other three is
// taken away from them.
func divideSides(looks []look, all []int, odds [][8]float64) {
	rest := slices.Clone(looks)
	for left := []int{0, 1, 2, 3}; len(left) > 0; {
		var best parting
		side := -1
		for _, s := range left {
			if p := split(rest, all, s); side < 0 || p.strength > best.strength {
				best, side = p, s
			}
		}
		best.set(rest, all, side, odds)
		left = lists.Without(left, func(s int) bool { return s == side })
		for _, s := range left {
			effects := best.means(rest, all, s)
			for _, i := range all {
				rest[i].at[s] = slices.Clone(rest[i].at[s])
				for d := range rest[i].at[s] {
					for c := range 4 {
						rest[i].at[s][d][c] -= effects[best.sort[i]][d][c] - (effects[0][d][c]+effects[1][d][c])/2
					}
				}
			}
		}
	}
}

// A parting divides tiles in two sorts by what they show at a side or corner.
type parting struct {
	sort    map[int]int
	centres [2][]colour
	// strength is how much the sorts differ at the very edge.
	strength float64
}

// means is what each sort shows at a side in the mean.
func (p parting) means(looks []look, among []int, bit int) (means [2][]colour) {
	var count [2]int
	for s := range means {
		means[s] = make([]colour, len(looks[among[0]].at[bit]))
	}
	for _, i := range among {
		s := p.sort[i]
		count[s]++
		for d, c := range looks[i].at[bit] {
			for k := range c {
				means[s][d][k] += c[k]
			}
		}
	}
	for s := range means {
		for d := range means[s] {
			means[s][d] = means[s][d].over(count[s])
		}
	}
	if count[0]*count[1] == 0 {
		means[0] = means[1-min(1, count[0])]
		means[1] = means[0]
	}
	return means
}

// split parts some tiles in two by what they show at a side or corner (k-means of
// two, Lloyd, "Least squares quantization in PCM", 1982). The two that are
// farthest apart begin.
func split(looks []look, among []int, bit int) parting {
	p := parting{sort: map[int]int{}}
	if len(among) < 2 {
		return p
	}
	var far [2]int
	best := -1.0
	for a, i := range among {
		for _, k := range among[:a] {
			if d := between(looks[i].at[bit], looks[k].at[bit]); d > best {
				best, far = d, [2]int{i, k}
			}
		}
	}
	p.centres = [2][]colour{looks[far[0]].at[bit], looks[far[1]].at[bit]}
	for range 20 {
		changed := false
		for _, i := range among {
			s := 0
			if between(looks[i].at[bit], p.centres[1]) < between(looks[i].at[bit], p.centres[0]) {
				s = 1
			}
			was, known := p.sort[i]
			changed = changed || !known || was != s
			p.sort[i] = s
		}
		if !changed {
			break
		}
		p.centres = p.means(looks, among, bit)
	}
	for d := range min(2, len(p.centres[0])) {
		p.strength += p.centres[0][d].apart(p.centres[1][d]) / float64(d+1)
	}
	return p
}

// set gives the odds that each tile goes on at the side or corner: the sort whose
// edge is more like the middle of its tiles does.
func (p parting) set(looks []look, among []int, bit int, odds [][8]float64) {
	var unlike [2]float64
	var count [2]int
	for _, i := range among {
		odds[i][bit] = 0.5
		for d, c := range looks[i].at[bit] {
			unlike[p.sort[i]] += c.apart(looks[i].middle) / float64(d+1)
		}
		count[p.sort[i]]++
	}
	if len(among) < 2 {
		return
	}
	onward := 0
	if unlike[1]/float64(max(1, count[1])) < unlike[0]/float64(max(1, count[0])) {
		onward = 1
	}
	for _, i := range among {
		a, b := between(looks[i].at[bit], p.centres[onward]), between(looks[i].at[bit], p.centres[1-onward])
		if a+b > 0 {
			odds[i][bit] = b * b / (a*a + b*b)
		}
	}
}

// assign gives each row a column of its own at the least cost in all (Kuhn, "The
// Hungarian method for the assignment problem", 1955, in the form that grows a
// tree of shortest paths). Cost is square.
func assign(cost [][]float64) []int {
	n := len(cost)
	u, v := make([]float64, n+1), make([]float64, n+1)
	row, way := make([]int, n+1), make([]int, n+1)
	for i := 1; i <= n; i++ {
		row[0] = i
		least, used := make([]float64, n+1), make([]bool, n+1)
		for k := range least {
			least[k] = math.Inf(1)
		}
		at := 0
		for {
			used[at] = true
			from, delta, next := row[at], math.Inf(1), 0
			for k := 1; k <= n; k++ {
				if used[k] {
					continue
				}
				if c := cost[from-1][k-1] - u[from] - v[k]; c < least[k] {
					least[k], way[k] = c, at
				}
				if least[k] < delta {
					delta, next = least[k], k
				}
			}
			for k := range used {
				if used[k] {
					u[row[k]] += delta
					v[k] -= delta
				} else {
					least[k] -= delta
				}
			}
			if at = next; row[at] == 0 {
				break
			}
		}
		for at != 0 {
			row[at] = row[way[at]]
			at = way[at]
		}
	}
	out := make([]int, n)
	for k := 1; k <= n; k++ {
		out[row[k]-1] = k - 1
	}
	return out
}
