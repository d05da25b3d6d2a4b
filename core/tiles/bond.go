package tiles

import (
	"errors"
	"fmt"
	"math/bits"
	"slices"
	"strings"

	"azzel/core/limit"
	"azzel/core/lists"
)

// Neighbours are the eight cells round a cell, a bit for each that a tile joins
// to.
type Neighbours uint8

// The neighbours: north, east, south and west, then the corners between them.
const (
	North Neighbours = 1 << iota
	East
	South
	West
	NorthEast
	SouthEast
	SouthWest
	NorthWest

	allSides   = North | East | South | West
	allCorners = NorthEast | SouthEast | SouthWest | NorthWest
)

// Around is where each neighbour lies, in the order of their bits: columns to
// the right, rows down.
var Around = [8][2]int{{0, -1}, {1, 0}, {0, 1}, {-1, 0}, {1, -1}, {1, 1}, {-1, 1}, {-1, -1}}

// Round is the neighbours row by row round a cell, by their bits; -1 is the cell itself.
var Round = [9]int{7, 0, 4, 3, -1, 1, 6, 2, 5}

// NeighbourNames are the words for the neighbours, in the order of their bits.
var NeighbourNames = [8]string{"north", "east", "south", "west", "north-east", "south-east", "south-west", "north-west"}

// String is the neighbours in words.
func (n Neighbours) String() string {
	var words []string
	for bit, name := range NeighbourNames {
		if n&(1<<bit) != 0 {
			words = append(words, name)
		}
	}
	return strings.Join(words, ", ")
}

// beside is the two sides that a corner lies between.
func beside(corner int) Neighbours {
	return 1<<(corner-4) | 1<<((corner-3)%4)
}

// A Join is along what the tiles of a bond join.
type Join uint8

// The ways to join: along sides (16 tiles), at corners (16), or both (47).
const (
	Sides Join = iota
	Corners
	Both
	joinEnd
)

// JoinNames are the words for the ways to join, in their order.
var JoinNames = [joinEnd]string{"along sides", "at corners", "along sides and at corners"}

func (j Join) String() string { return JoinNames[min(j, joinEnd-1)] }

// Counts are the neighbours that can make a difference to a tile.
func (j Join) Counts() Neighbours {
	switch j {
	case Sides:
		return allSides
	case Corners:
		return allCorners
	}
	return allSides | allCorners
}

// At is the neighbour that a place on a tile stands for, of those that count; places are 0 to 1 to the right and down.
func (j Join) At(x, y float64) Neighbours {
	third := func(v float64) int { return min(max(int(v*3), 0), 2) }
	if bit := Round[third(y)*3+third(x)]; bit >= 0 && j.Counts()&(1<<bit) != 0 {
		return 1 << bit
	}
	if j == Corners {
		half := func(v float64) int {
			if v < 0.5 {
				return 0
			}
			return 2
		}
		return 1 << Round[half(y)*3+half(x)]
	}
	dx, dy := x-0.5, y-0.5
	switch across := max(dx, -dx) > max(dy, -dy); {
	case across && dx > 0:
		return East
	case across:
		return West
	case dy > 0:
		return South
	}
	return North
}

// Valid reports whether it is one of these.
func (j Join) Valid() bool { return j < joinEnd }

// Reduce keeps of the neighbours what makes a difference to a tile: the sides;
// the corners that are joined with both sides beside them; or both.
func (j Join) Reduce(n Neighbours) Neighbours {
	for corner := 4; corner < 8; corner++ {
		if sides := beside(corner); n&sides != sides {
			n &^= 1 << corner
		}
	}
	switch j {
	case Sides:
		return n & allSides
	case Corners:
		return n & allCorners
	}
	return n
}

// Settle keeps of what a tile is said to join to what can be said of it: sides,
// corners, or corners with both sides beside them.
func (j Join) Settle(n Neighbours) Neighbours {
	if j == Corners {
		return n & allCorners
	}
	return j.Reduce(n)
}

// With is the surroundings with one neighbour joined, or parted. Where sides count, a
// corner brings the two beside it, and a side that is parted takes its corners along.
func (j Join) With(n, neighbour Neighbours, joined bool) Neighbours {
	if !joined {
		return j.Settle(n &^ neighbour)
	}
	for corner := 4; corner < 8; corner++ {
		if j != Corners && neighbour&(1<<corner) != 0 {
			n |= beside(corner)
		}
	}
	return j.Settle(n | neighbour)
}

// Full is a tile joined to all its neighbours: the centre of a bond.
func (j Join) Full() Neighbours { return j.Reduce(0xff) }

// Places lists the different surroundings that make a difference, ascending: 16,
// 16 or 47.
func (j Join) Places() []Neighbours {
	var list []Neighbours
	for n := range 256 {
		if m := Neighbours(n); j.Settle(m) == m {
			list = append(list, m)
		}
	}
	return list
}

// A Bonded is a tile of a bond, the surroundings it is drawn for, and how often
// it is laid beside others of the same surroundings.
type Bonded struct {
	// Tile is the tile's number.
	Tile int `json:"tile"`
	// Joined are the neighbours that it joins to, reduced.
	Joined Neighbours `json:"joined"`
	// Weight is 0 to MaxWeight; 0 is never laid.
	Weight int `json:"weight"`
}

// A Bond is tiles of which the right one is laid according to a cell's
// neighbours.
type Bond struct {
	Join  Join
	Tiles []Bonded
	// Border says that the tiles join to the border of the map.
	Border bool
	// Also are further tiles that they join to.
	Also []int
	// Seed makes one dealing of several, where tiles share surroundings.
	Seed int
}

// Check reports what keeps the bond from being laid, in words for the designer.
func (b Bond) Check() error {
	if !b.Join.Valid() {
		return errors.New("a bond joins along sides, at corners, or both")
	}
	if len(b.Tiles) > limit.BondTiles || len(b.Also) > limit.BondTiles {
		return fmt.Errorf("a bond has at most %d tiles, and joins to at most %d others", limit.BondTiles, limit.BondTiles)
	}
	seen := map[int]bool{}
	centre := false
	for _, t := range b.Tiles {
		if seen[t.Tile] {
			return errors.New("a tile is in the bond twice: each tile is drawn for one surrounding")
		}
		seen[t.Tile] = true
		if t.Weight < 0 || t.Weight > MaxWeight {
			return fmt.Errorf("a weight is 0 to %d; this is %d", MaxWeight, t.Weight)
		}
		if b.Join.Settle(t.Joined) != t.Joined {
			return errors.New("a corner is joined only together with both sides beside it")
		}
		centre = centre || t.Joined == b.Join.Full() && t.Weight > 0
	}
	for _, n := range b.Also {
		if seen[n] {
			return errors.New("a bond joins to its own tiles anyway: take them from the tiles that it also joins to")
		}
	}
	if !centre {
		return errors.New("the bond has no centre: one tile, with a weight, must be joined on every side")
	}
	return nil
}

// Lacks lists the surroundings for which the bond has no tile of its own. The
// nearest that it has is laid there.
func (b Bond) Lacks() []Neighbours {
	return lists.Without(b.Join.Places(), func(n Neighbours) bool {
		return slices.ContainsFunc(b.Tiles, func(t Bonded) bool { return t.Joined == n && t.Weight > 0 })
	})
}

// A BondTable finds the tiles of a bond by their surroundings, in constant time.
type BondTable struct {
	choices [256][]Bonded
	totals  [256]int
}

// Table prepares a bond, which must have passed Check, for laying.
func (b Bond) Table() *BondTable {
	t := &BondTable{}
	var by [256][]Bonded
	for _, tile := range b.Tiles {
		if tile.Weight > 0 {
			by[tile.Joined] = append(by[tile.Joined], tile)
		}
	}
	var have []Neighbours
	for n := range by {
		if by[n] != nil {
			have = append(have, Neighbours(n))
		}
	}
	// Of 256 surroundings at most 47 make a difference.
	var nearest [256]Neighbours
	var done [256]bool
	for n := range 256 {
		want := b.Join.Reduce(Neighbours(n))
		if !done[want] {
			best := 1 << 30
			for _, h := range have {
				if far := apart(want, h); far < best {
					nearest[want], best = h, far
				}
			}
			done[want] = true
		}
		t.choices[n] = by[nearest[want]]
		for _, c := range t.choices[n] {
			t.totals[n] += c.Weight
		}
	}
	return t
}

// apart is how unlike two surroundings are: a side counts more than all corners.
func apart(a, b Neighbours) int {
	return 5*bits.OnesCount8(uint8((a^b)&allSides)) + bits.OnesCount8(uint8((a^b)&allCorners))
}

// Tile is the number of the tile for a cell that joins to the given neighbours,
// by a number that Chance makes.
func (t *BondTable) Tile(n Neighbours, chance uint64) int {
	choices := t.choices[n]
	if len(choices) == 1 {
		return choices[0].Tile
	}
	at := int((chance >> 32) * uint64(t.totals[n]) >> 32)
	for _, c := range choices {
		if at < c.Weight {
			return c.Tile
		}
		at -= c.Weight
	}
	return 0
}

// Alone reports whether the neighbours leave no choice, so that chance need not
// be asked.
func (t *BondTable) Alone(n Neighbours) bool { return len(t.choices[n]) == 1 }
