package play_test

import (
	"testing"

	"azzel/core/play"
	"azzel/core/play/generate"
	"azzel/core/world"
)

func BenchmarkTick(b *testing.B) {
	d, err := world.Start(world.Project{Name: "Fern grotto", CellW: 16, CellH: 16, SeenW: 20, SeenH: 12}, &world.Counter{Prefix: 2})
	if err != nil {
		b.Fatal(err)
	}
	g, err := play.New(d, play.Start{})
	if err != nil {
		b.Fatal(err)
	}
	in := generate.Inputs(3, 4096)
	for i := 0; b.Loop(); i++ {
		g.Tick(in[i&4095])
	}
}
