package play_test

import (
	"testing"

	"azzel/core/play"
	"azzel/core/play/generate"
	"azzel/core/world"
)

// The trail of what goes somewhere by itself is where it is in play while nobody is there to be met:
// over random worlds, for what stands first among what could be in another's way.
func TestTrailIsPlay(t *testing.T) {
	followed := 0
	for seed := range uint64(150) {
		d, err := generate.World(seed)
		if err != nil {
			t.Fatal(err)
		}
		for _, m := range d.Maps {
			for _, p := range m.Pieces {
				// From above a raft depends on nothing else; from the side a platform does not either.
				if p.Type != world.MovingPlatform || d.Project.Turns {
					continue
				}
				const ticks = 200
				_, places := play.Trail(d, m, p.ID, ticks)
				g, err := play.New(d, play.Start{Map: m.ID, Cell: d.Project.Lattice().CellAt(p.Foot)})
				if err != nil || g.Status().Map != m.ID {
					continue
				}
				for tick := range ticks {
					if g.Tick(play.Through | play.Unhurt | play.Unseen); g.Status().Map != m.ID || g.Status().Finished {
						break
					}
					if at := where(g, p.ID).Place; at != places[tick] {
						t.Fatalf("world %d: after %d ticks the platform is at %v in play, and its trail at %v", seed, tick+1, at, places[tick])
					}
					followed++
				}
			}
		}
	}
	if followed < 5000 {
		t.Errorf("only %d ticks were followed, so that this shows little", followed)
	}
}
