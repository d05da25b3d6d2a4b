package body_test

import (
	"math/rand/v2"
	"testing"

	"azzel/core/body"
)

// A body that is stopped by a corner goes to the side on which it gets on soonest, as
// trying every position beside it says, and to no side if there is none within reach.
func TestRoundAgainstSmallSteps(t *testing.T) {
	rounded, stuck := 0, 0
	for _, cell := range [][2]int{{16, 16}, {8, 12}, {24, 24}} {
		for seed := range uint64(4) {
			r := rand.New(rand.NewPCG(seed, 6))
			g := ground(t, r, cell[0], cell[1])
			size := body.PlayerSize(g.Lattice)
			for range 250 {
				b := g.Map.Bounds
				p, ok := anywhere(r, g, size)
				if !ok {
					continue
				}
				p = g.Move(size, p, r.IntN(2*cell[0]*body.Unit)-cell[0]*body.Unit, r.IntN(2*cell[1]*body.Unit)-cell[1]*body.Unit)
				dx, dy := [2]int{-1, 1}[r.IntN(2)], 0
				if r.IntN(2) == 0 {
					dx, dy = dy, dx
				}
				p = g.Move(size, p, dx*4*cell[0]*body.Unit, dy*4*cell[1]*body.Unit)
				if !b.Has(p.Cell(g.Lattice)) || g.Move(size, p, dx, dy) != p {
					continue
				}
				reach, speed := cell[0]*body.Unit*3/8, 1+r.IntN(400)
				got := g.Round(size, p, dx*speed, dy*speed, reach)
				want, far := p, 0
				for side := range []int{0, 1} {
					for n := 1; n <= reach && (far == 0 || n < far); n++ {
						way := n * (2*side - 1)
						to := body.Place{X: p.X + way*dy*dy, Y: p.Y + way*dx*dx}
						if !g.Fits(size, to) || !b.Has(to.Cell(g.Lattice)) {
							break
						}
						if g.Fits(size, body.Place{X: to.X + dx, Y: to.Y + dy}) {
							step := min(n, speed) * (2*side - 1)
							want, far = body.Place{X: p.X + step*dy*dy, Y: p.Y + step*dx*dx}, n
							break
						}
					}
				}
				if got != want || !g.Fits(size, got) {
					t.Fatalf("cells %v, seed %d: %v towards %d, %d came to %v, want %v", cell, seed, p, dx, dy, got, want)
				}
				if far > 0 {
					rounded++
				} else {
					stuck++
				}
			}
		}
	}
	if rounded < 200 || stuck < 200 {
		t.Errorf("only %d corners were rounded and %d times there was none", rounded, stuck)
	}
}
