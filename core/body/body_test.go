package body_test

import (
	"math/rand/v2"
	"testing"

	"azzel/core/body"
	"azzel/core/grid"
	_ "azzel/core/kinds"
	"azzel/core/tiles"
	"azzel/core/world"
)

// ground is a map of random tiles, of which some are solid in parts.
func ground(t *testing.T, r *rand.Rand, cellW, cellH int) *body.Ground {
	t.Helper()
	d, err := world.Start(world.Project{Name: "Beds", CellW: cellW, CellH: cellH, SeenW: 6, SeenH: 5}, &world.Counter{Prefix: 1})
	if err != nil {
		t.Fatal(err)
	}
	draft := d.Draft()
	set := d.Tilesets[0]
	for i := range set.Count {
		becomes := set.Tile(i)
		becomes.Solid = tiles.Mask(r.Uint64() & r.Uint64() & r.Uint64())
		if r.IntN(4) == 0 {
			becomes.Solid = tiles.Slope(r.IntN(2) == 0)
		}
		for _, v := range world.TileValues(i, set.Tile(i), becomes) {
			if err := draft.Change(world.Ref{Sort: world.SortTileset, ID: set.ID}, v); err != nil {
				t.Fatal(err)
			}
		}
	}
	m := d.Maps[0]
	g := grid.BoxRegion(m.Bounds)
	var runs grid.Runs
	for range g.Len() {
		cell := grid.Cell(0)
		if r.IntN(4) == 0 {
			cell = grid.Cell(1 + r.IntN(set.Count))
		}
		runs = append(runs, grid.Run{N: 1, Cell: cell})
	}
	if _, err := draft.Paint(m.ID, m.PlayerLayer, world.Stroke{Region: g, Cells: runs}); err != nil {
		t.Fatal(err)
	}
	if d, err = draft.Done(); err != nil {
		t.Fatal(err)
	}
	return body.NewGround(d, d.Maps[0]).WithEdges(anyEdges(r))
}

// anywhere is a random place at which a body fits.
func anywhere(r *rand.Rand, g *body.Ground, size body.Size) (body.Place, bool) {
	b := g.Map.Bounds
	at, ok := g.Nearest(size, grid.Point{X: b.X + r.IntN(b.W), Y: b.Y + r.IntN(b.H)}, 4)
	return body.At(g.Lattice, at), ok
}

// A body among tiles that are solid in parts gets as far as one that is moved
// by the smallest step at a time, and no further, however far it is moved.
func TestMoveAgainstSmallSteps(t *testing.T) {
	moved := 0
	for _, cell := range [][2]int{{16, 16}, {8, 12}, {20, 9}} {
		for seed := range uint64(6) {
			r := rand.New(rand.NewPCG(seed, 5))
			g := ground(t, r, cell[0], cell[1])
			size := body.PlayerSize(g.Lattice)
			for range 300 {
				p, ok := anywhere(r, g, size)
				if !ok {
					continue
				}
				dx, dy := r.IntN(4*cell[0]*body.Unit)-2*cell[0]*body.Unit, 0
				if r.IntN(2) == 0 {
					dx, dy = 0, r.IntN(4*cell[1]*body.Unit)-2*cell[1]*body.Unit
				}
				got := g.Move(size, p, dx, dy)
				want, sx, sy := p, sign(dx), sign(dy)
				for want != (body.Place{X: p.X + dx, Y: p.Y + dy}) {
					next := body.Place{X: want.X + sx, Y: want.Y + sy}
					if !g.Fits(size, next) {
						break
					}
					want = next
				}
				if got != want || !g.Fits(size, got) {
					t.Fatalf("cells %v, seed %d: from %v by %d, %d to %v, want %v", cell, seed, p, dx, dy, got, want)
				}
				moved++
			}
		}
	}
	if moved < 2000 {
		t.Errorf("only %d moves were looked at", moved)
	}
}

func sign(n int) int {
	switch {
	case n < 0:
		return -1
	case n > 0:
		return 1
	}
	return 0
}
