package play_test

import (
	"slices"
	"testing"

	"azzel/core/grid"
	"azzel/core/kind"
	"azzel/core/kinds/props"
	"azzel/core/play"
	"azzel/core/play/generate"
	"azzel/core/tiles"
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
				// From above a raft depends on nothing else, unless it is there or on only sometimes; from the side a
				// platform does not either.
				if p.Type != world.MovingPlatform || d.Project.Turns || world.HasWhile(p) || p.Int(props.Starts) == kind.Absent || len(d.WiresOf(p.ID)) > 0 {
					continue
				}
				const ticks = 200
				places := play.TrailOf(d, m, p.ID, ticks).Places
				g, err := play.New(d, play.Start{Map: m.ID, Cell: d.Project.Lattice().CellAt(p.Foot)})
				if err != nil || g.Status().Map != m.ID {
					continue
				}
				for tick := range ticks {
					if g.Tick(play.Through | play.Unhurt | play.Unseen); g.Status().Map != m.ID || g.Status().Finished || g.Reads() {
						break
					}
					// Before the help is on, in the first tick, the player can be crushed; what begins anew after harm stands where it began then.
					if slices.ContainsFunc(g.Events(), func(e play.Event) bool { return e.Moment == play.Crushed }) {
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

// The trail of who follows or flees is where it goes in play while the player stands where the trail
// says, in its sight; where nobody can stand there it stays where it is.
func TestTrailOfWhoFollows(t *testing.T) {
	both(t, func(t *testing.T, view world.View) {
		for _, does := range []int{props.Follows, props.Flees} {
			for _, looks := range []world.Facing{world.West, world.East} {
				d := bare(t, view)
				d = apply(t, d, put(d, 700, world.Foe, 12, 9, kind.Set(props.Does.Is(does), props.Sight.Is(8), props.Looks.Is(int(looks)+1))), put(d, 701, world.Pushable, 20, 9, ""))
				m := d.Maps[0]
				trail := play.TrailOf(d, m, 700, 120)
				cell := trail.Player.Cell(d.Project.Lattice())
				if want := 8 + 8*int(looks-world.West); !trail.Met || cell.X != want || len(trail.Places) != 120 {
					t.Fatalf("looking %d, it meets the player: %t, at %v, for %d ticks", looks, trail.Met, cell, len(trail.Places))
				}
				g := begin(t, d, cell.X, cell.Y)
				if g.Status().Place != trail.Player {
					t.Fatalf("the player can't stand at %v", trail.Player)
				}
				for tick, at := range trail.Places {
					// Whoever is hurt comes back to where they stand.
					if g.Tick(play.Unhurt); where(g, 700).Place != at {
						t.Fatalf("after %d ticks it is at %v in play, and its trail at %v", tick+1, where(g, 700).Place, at)
					}
				}
				if trail.Places[0] == trail.Places[100] {
					t.Error("it does not move, so that this shows little")
				}
				walled := apply(t, d, paint(m, m.Bounds, grid.Cell(tiles.Wall)))
				if trail := play.TrailOf(walled, walled.Maps[0], 700, 30); trail.Met {
					t.Errorf("within nothing but wall it meets the player at %v", trail.Player)
				}
			}
		}
	})
}
