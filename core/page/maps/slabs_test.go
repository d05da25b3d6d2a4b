package maps_test

import (
	"math/rand/v2"
	"slices"
	"testing"

	"azzel/core/page"
	"azzel/core/page/maps"
	"azzel/core/page/pagetest"
	"azzel/core/page/playing"
	"azzel/core/page/view"
)

// However layers are hidden, shown alone and given depth, each that is seen is drawn once, in its order, by itself if it moves;
// in play the layers below and above the player are those of the whole map.
func TestSlabs(t *testing.T) {
	r := rand.New(rand.NewPCG(20, 4))
	p := pagetest.FromTheSide(t)
	m := page.ID(p.Document().Maps[0].ID)
	pagetest.Order(p, playing.StartPlay{})
	for step := range 400 {
		is := p.Document().Maps[0]
		layer := page.ID(is.Layers[r.IntN(len(is.Layers))].ID)
		switch r.IntN(6) {
		case 0:
			pagetest.Order(p, maps.HideLayer{Layer: layer, Hidden: r.IntN(2) == 0})
		case 1:
			pagetest.Order(p, maps.ShowLayerAlone{Map: m, Layer: layer, On: r.IntN(3) == 0})
		case 2, 3:
			pagetest.Order(p, maps.SetLayer{Map: m, Layer: layer, Change: page.PartOf(maps.LayerLook{DepthX: r.IntN(3) * 20})})
		case 4:
			if len(is.Layers) < 40 {
				pagetest.Order(p, maps.MakeLayer{Map: m, Above: layer})
			}
		case 5:
			pagetest.Order(p, maps.WalkOnLayer{Map: m, Layer: layer})
		}
		shown := view.SceneOf(p).Maps[0]
		play := playing.PlayView(p)
		var want, below []string
		alone := slices.ContainsFunc(shown.Layers, func(l view.LayerView) bool { return l.Only })
		walked := false
		for _, l := range shown.Layers {
			if l.Only || !alone && !l.Hidden {
				want = append(want, l.ID)
				if !walked {
					below = append(below, l.ID)
				}
			}
			walked = walked || l.Player
		}
		if got := drawn(t, shown, shown.Slabs); !slices.Equal(got, want) {
			t.Fatalf("step %d: %v are drawn, want %v", step, got, want)
		}
		if got := drawn(t, shown, play.Below); !slices.Equal(got, below) {
			t.Fatalf("step %d: %v are drawn below the player, want %v", step, got, below)
		}
		if got := drawn(t, shown, play.Above); !slices.Equal(got, want[len(below):]) {
			t.Fatalf("step %d: %v are drawn above the player, want %v", step, got, want[len(below):])
		}
	}
}

// drawn are the layers of slabs as they are drawn. Those that move are drawn by themselves, those that lie still on each other
// as one.
func drawn(t *testing.T, m view.MapView, slabs []maps.Slab) (ids []string) {
	t.Helper()
	for i, s := range slabs {
		bits := uint64(s.Low) | uint64(s.High)<<32
		for at, l := range m.Layers {
			if bits>>at&1 == 0 {
				continue
			}
			if moves := l.Look.DepthX != 0; moves && (s.Layer != l.ID || bits != 1<<at) || !moves && s.Layer != "" {
				t.Fatalf("layer %s is drawn by %+v", l.ID, s)
			}
			ids = append(ids, l.ID)
		}
		if i > 0 && s.Layer == "" && slabs[i-1].Layer == "" {
			t.Fatalf("%+v could be fewer", slabs)
		}
	}
	return ids
}
