package play_test

import (
	"fmt"
	"testing"

	"azzel/core/body"
	"azzel/core/play"
	"azzel/core/play/generate"
	"azzel/core/world"
)

func BenchmarkTick(b *testing.B) {
	for _, c := range []struct {
		things int
		spread bool
		wide   int
	}{{0, true, 512}, {20, true, 512}, {200, true, 64}, {200, true, 512}, {200, true, 4096}, {2000, true, 512}, {1000, false, 512}} {
		b.Run(fmt.Sprintf("things=%d/spread=%t/wide=%d", c.things, c.spread, c.wide), func(b *testing.B) {
			d, err := generate.Crowd(c.things, c.spread, c.wide)
			if err != nil {
				b.Fatal(err)
			}
			g, err := play.New(d, play.Start{Map: d.Maps[0].ID})
			if err != nil {
				b.Fatal(err)
			}
			var things int
			g.Things(func(play.Thing, int, body.Size) { things++ })
			if things != c.things {
				b.Fatalf("%d things act", things)
			}
			in := generate.Inputs(3, 4096)
			for i := 0; b.Loop(); i++ {
				g.Tick(in[i&4095])
			}
		})
	}
}

// BenchmarkTickMixed is a tick with 2,000 things, a third of which are platforms and pushables.
func BenchmarkTickMixed(b *testing.B) {
	for _, view := range []world.View{world.SideView, world.TopDown} {
		d, err := generate.Mixed(2000, view)
		if err != nil {
			b.Fatal(err)
		}
		b.Run(fmt.Sprint("view=", view), func(b *testing.B) {
			g, err := play.New(d, play.Start{Map: d.Maps[0].ID})
			if err != nil {
				b.Fatal(err)
			}
			in := generate.Inputs(3, 4096)
			for i := 0; b.Loop(); i++ {
				g.Tick(in[i&4095])
			}
		})
	}
}
