package tiles

import (
	"math"
	"strings"
	"testing"

	"azzel/core/grid"
)

// Over 100,000 cells each tile has its share to within one point, whatever the
// seed, and each way of lying its own.
func TestShares(t *testing.T) {
	for seed := range uint64(5) {
		m := Medley{Tiles: []Weighted{{Tile: 4, Weight: 1}, {Tile: 9, Weight: 0}, {Tile: 5, Weight: 60}, {Tile: 7, Weight: 139}, {Tile: 8, Weight: MaxWeight}}, Turned: true, Mirrored: true}
		count, lying := map[int]int{}, [8]int{}
		const w, h = 400, 250
		for y := range h {
			for x := range w {
				c := m.Deal(Chance(seed, 77, 3, uint64(x), uint64(y)), true)
				count[c.Tile()]++
				lying[c.Orientation()]++
			}
		}
		for _, tile := range m.Tiles {
			want, got := 100*float64(tile.Weight)/float64(m.Total()), 100*float64(count[tile.Tile])/(w*h)
			if math.Abs(want-got) > 1 || tile.Weight == 0 && count[tile.Tile] > 0 {
				t.Errorf("seed %d: tile %d has %.2f %%, want %.2f %%", seed, tile.Tile, got, want)
			}
		}
		for o, n := range lying {
			if got := 100 * float64(n) / (w * h); math.Abs(got-12.5) > 1 {
				t.Errorf("seed %d: %.2f %% lie as %d", seed, got, o)
			}
		}
		other := 0
		for i := range uint64(1000) {
			if m.Deal(Chance(seed, 0, 0, i, 0), true) != m.Deal(Chance(seed+100, 0, 0, i, 0), true) {
				other++
			}
		}
		if other < 300 {
			t.Errorf("dealing again with another seed moved only %d of 1000 cells", other)
		}
	}
}

// Without leave nothing is turned, and an oblong tile never is.
func TestLying(t *testing.T) {
	for _, c := range []struct {
		m      Medley
		square bool
		may    [8]bool
	}{
		{Medley{}, true, [8]bool{true}},
		{Medley{Mirrored: true}, true, [8]bool{true, true, true, true}},
		{Medley{Turned: true}, false, [8]bool{true}},
		{Medley{Turned: true}, true, [8]bool{0: true, 3: true, 5: true, 6: true}},
	} {
		c.m.Tiles = []Weighted{{Tile: 1, Weight: 1}}
		for i := range uint64(400) {
			if o := c.m.Deal(Chance(i), c.square).Orientation(); !c.may[o] {
				t.Errorf("%+v, square %t: a tile lies as %d", c.m, c.square, o)
				break
			}
		}
	}
	// Four quarter turns are none, whatever is turned.
	quarter := grid.Transposed | grid.MirroredX
	m := Slope(true) | 5<<16
	if m.Lying(quarter).Lying(quarter).Lying(quarter).Lying(quarter) != m || m.Lying(quarter) == m {
		t.Error("a mask that was turned four times is another")
	}
}

func TestBadMedleys(t *testing.T) {
	for says, m := range map[string]Medley{
		"no tile of the medley": {Tiles: []Weighted{{Tile: 1}, {Tile: 2}}},
		"at most 256 tiles":     {Tiles: make([]Weighted, 300)},
		"a weight is 0 to 1000": {Tiles: []Weighted{{Tile: 1, Weight: 1_000_000_000}}},
	} {
		if err := m.Check(); err == nil || !strings.Contains(err.Error(), says) {
			t.Errorf("%v, want something about %q", err, says)
		}
	}
}
