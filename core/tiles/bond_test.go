package tiles

import (
	"math/rand/v2"
	"strings"
	"testing"
)

// Each way to join has as many different surroundings as it should, reducing is
// the same done twice, and never depends on what it leaves out.
func TestReduce(t *testing.T) {
	for join, want := range map[Join]int{Sides: 16, Corners: 16, Both: 47} {
		places := join.Places()
		if len(places) != want {
			t.Errorf("joining %d has %d surroundings, want %d", join, len(places), want)
		}
		known := map[Neighbours]bool{}
		for _, p := range places {
			known[p] = true
		}
		for n := range 256 {
			m := join.Reduce(Neighbours(n))
			if !known[m] {
				t.Errorf("joining %d, %08b is reduced to %08b, which is no surrounding of it", join, n, m)
			}
			if join != Corners && join.Reduce(m) != m {
				t.Errorf("joining %d, %08b reduced twice is another", join, n)
			}
		}
		if !known[join.Full()] || !known[0] {
			t.Errorf("joining %d lacks the centre or the tile alone", join)
		}
	}
	// Joining and parting one neighbour leads to surroundings that there are, with and
	// without it.
	for join := range joinEnd {
		for _, n := range join.Places() {
			for bit := range 8 {
				one := Neighbours(1) << bit
				with, without := join.With(n, one, true), join.With(n, one, false)
				if join.Settle(with) != with || join.Settle(without) != without || without&one != 0 {
					t.Fatalf("joining %d, %08b with and without %08b is %08b and %08b", join, n, one, with, without)
				}
				if matters := join == Both || (join == Corners) == (bit >= 4); matters != (with&one != 0) || with&n != n {
					t.Fatalf("joining %d, %08b with %08b is %08b", join, n, one, with)
				}
			}
		}
	}
	// A corner counts only with both sides beside it.
	for corner, sides := range map[Neighbours]Neighbours{NorthEast: North | East, SouthEast: South | East, SouthWest: South | West, NorthWest: North | West} {
		if Both.Reduce(corner) != 0 || Both.Reduce(corner|sides) != corner|sides || Corners.Reduce(corner|sides) != corner || Corners.Reduce(sides) != 0 {
			t.Errorf("the corner %08b is not reduced with its sides %08b", corner, sides)
		}
	}
}

// whole is a bond with one tile for each of its surroundings, numbered from 100.
func whole(join Join) Bond {
	b := Bond{Join: join}
	for i, n := range join.Places() {
		b.Tiles = append(b.Tiles, Bonded{Tile: 100 + i, Joined: n, Weight: 1})
	}
	return b
}

// A table gives the tile of the surroundings where there is one, else one of a
// nearest, with as many sides as can be; several share by their weights.
func TestTable(t *testing.T) {
	r := rand.New(rand.NewPCG(81, 1))
	for join := range joinEnd {
		full := whole(join)
		table := full.Table()
		for n := range 256 {
			for _, tile := range full.Tiles {
				if got := table.Tile(Neighbours(n), r.Uint64()); tile.Joined == join.Reduce(Neighbours(n)) && got != tile.Tile {
					t.Fatalf("joining %d, %08b gives tile %d, want %d", join, n, got, tile.Tile)
				}
			}
		}
		// With holes: never farther than the nearest that is left.
		holes := full
		holes.Tiles = nil
		for _, tile := range full.Tiles {
			if tile.Joined == join.Full() || r.IntN(3) == 0 {
				holes.Tiles = append(holes.Tiles, tile)
			}
		}
		if err := holes.Check(); err != nil {
			t.Fatal(err)
		}
		if got := len(holes.Lacks()) + len(holes.Tiles); got != len(full.Tiles) {
			t.Errorf("joining %d lacks %d surroundings with %d tiles", join, len(holes.Lacks()), len(holes.Tiles))
		}
		table = holes.Table()
		for n := range 256 {
			want := join.Reduce(Neighbours(n))
			got := full.Tiles[table.Tile(Neighbours(n), 0)-100]
			for _, tile := range holes.Tiles {
				if apart(tile.Joined, want) < apart(got.Joined, want) {
					t.Fatalf("joining %d, %08b gives the tile for %08b, though there is one for %08b", join, want, got.Joined, tile.Joined)
				}
			}
		}
	}
	several := Bond{Tiles: []Bonded{{1, Sides.Full(), 3}, {2, Sides.Full(), 1}, {3, Sides.Full(), 0}}}
	count := map[int]int{}
	table := several.Table()
	const cells = 100_000
	for i := range cells {
		count[table.Tile(0xff, Chance(uint64(several.Seed), 1, 2, uint64(i%300), uint64(i/300)))]++
	}
	for tile, share := range map[int]int{1: 75, 2: 25, 3: 0} {
		if off := count[tile]*100 - share*cells; off > cells || off < -cells {
			t.Errorf("tile %d is laid in %d of %d cells, want %d %%", tile, count[tile], cells, share)
		}
	}
	if table.Alone(0xff) || !whole(Sides).Table().Alone(3) {
		t.Error("a choice is taken for none")
	}
}

func TestBadBonds(t *testing.T) {
	long := whole(Sides)
	for i := range 600 {
		long.Tiles = append(long.Tiles, Bonded{Tile: 1000 + i})
	}
	for name, c := range map[string]struct {
		bond Bond
		says string
	}{
		"no tiles":              {Bond{}, "no centre"},
		"no centre":             {Bond{Tiles: []Bonded{{1, North, 1}}}, "no centre"},
		"a centre of no weight": {Bond{Tiles: []Bonded{{1, Sides.Full(), 0}}}, "no centre"},
		"a tile twice":          {Bond{Tiles: []Bonded{{1, Sides.Full(), 1}, {1, North, 1}}}, "twice"},
		"a huge weight":         {Bond{Tiles: []Bonded{{1, Sides.Full(), 1001}}}, "0 to 1000"},
		"a lone corner":         {Bond{Join: Both, Tiles: []Bonded{{1, Both.Full(), 1}, {2, NorthEast, 1}}}, "both sides"},
		"a side at corners":     {Bond{Join: Corners, Tiles: []Bonded{{1, Corners.Full(), 1}, {2, North, 1}}}, "both sides"},
		"joining to itself":     {Bond{Tiles: []Bonded{{1, Sides.Full(), 1}}, Also: []int{1}}, "own tiles"},
		"another way to join":   {Bond{Join: 9}, "along sides, at corners, or both"},
		"too many":              {long, "at most 512 tiles"},
	} {
		if err := c.bond.Check(); err == nil || !strings.Contains(err.Error(), c.says) {
			t.Errorf("%s: %v, want something about %q", name, err, c.says)
		}
	}
}
