package body_test

import (
	"math/rand/v2"
	"testing"

	"azzel/core/body"
	"azzel/core/grid"
	"azzel/core/tiles"
	"azzel/core/world"
)

// On level ground a tick does what it does anywhere: over random floors with all that may be on
// and in them, sizes, speeds, and things that move beside.
func TestLevelGround(t *testing.T) {
	signs := []rune("            ##/\\-H~i1")
	quick, worlds := 0, 80
	if testing.Short() {
		worlds = 30
	}
	for seed := range uint64(worlds) {
		r := rand.New(rand.NewPCG(seed, 33))
		l := sizes[r.IntN(len(sizes))]
		rows := make([]string, 12)
		for y := range rows {
			row := make([]rune, 24)
			for x := range row {
				row[x] = ' '
				if y == 11 || y == 6 && x > 4 {
					row[x] = '#'
				}
				if r.IntN(14) == 0 {
					row[x] = signs[r.IntN(len(signs))]
				}
			}
			rows[y] = string(row)
		}
		g := side(t, l, map[rune]tiles.Mask{'1': tiles.Mask(r.Uint64() & r.Uint64())}, rows...)
		if r.IntN(2) == 0 {
			at := body.Place{X: r.IntN(24) * l.W * body.Unit, Y: 11 * l.H * body.Unit}
			g.Boxes.Reset(l.W)
			g.Boxes.Add(body.Size{W: 2 * l.W, H: l.H / 2}.Box(at))
		}
		for range 4 {
			m := world.UsualMovement
			m.Speed, m.Start, m.Stop = 1+r.IntN(200), 1+r.IntN(20), 1+r.IntN(20)
			if r.IntN(2) == 0 {
				m.BodyW, m.BodyH = 2+r.IntN(2*l.W), 2+r.IntN(2*l.H)
			}
			size, drive := body.SizeOf(l, world.SideView, m), body.NewDrive(l, m)
			c, ok := g.Nearest(size, grid.Point{X: r.IntN(24), Y: 10}, -1)
			if !ok {
				continue
			}
			at, motion := g.At(c), body.Motion{}
			in := body.Intent{}
			for n := range 600 {
				if n%(1+r.IntN(20)) == 0 {
					in = body.Intent{X: r.IntN(3) - 1, Jump: r.IntN(8) == 0, Pressed: r.IntN(12) == 0}
					if r.IntN(6) == 0 {
						in.Y = r.IntN(3) - 1
					}
				}
				if g.Level(size, at) {
					quick++
					if !g.Free(size, at) {
						t.Fatalf("seed %d, tick %d: %v at %v is on level ground, and in what is solid", seed, n, size, at)
					}
				}
				to, after := g.Go(size, at, motion, drive, in)
				want, wanted := g.GoAnywhere(size, at, motion, drive, in)
				if to != want || after != wanted {
					t.Fatalf("seed %d, tick %d: from %v, %+v by %+v to %v, %+v; anywhere to %v, %+v", seed, n, at, motion, in, to, after, want, wanted)
				}
				at, motion = to, after
			}
		}
	}
	if quick < worlds*200 {
		t.Errorf("only %d ticks on level ground, so that this shows little", quick)
	}
}
