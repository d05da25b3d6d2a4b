package play

import (
	"slices"

	"azzel/core/body"
	"azzel/core/grid"
	"azzel/core/pack"
	"azzel/core/world"
)

// A Status is what is to be seen of a game.
type Status struct {
	Map      world.ID
	Place    body.Place
	Size     body.Size
	Facing   world.Facing
	Ticks    int
	Steps    int
	Taken    int
	Total    int
	Finished bool
	Moving   bool
	// Checkpoint is the piece one comes back to, 0 for where one came in.
	Checkpoint world.ID
	// Doing is what the player does in side-view.
	Doing body.Mode
	// Health of Most is left; Safe says that nothing hurts for a moment.
	Health, Most int
	Safe         bool
	// Hurt is for how many ticks one has been hurt, 0 if not lately; Rises says that one goes up
	// in the air.
	Hurt  int
	Rises bool
	// Striking says that a strike is seen, Lifted what is carried.
	Striking bool
	Lifted   world.ID
}

// Status tells how the game stands. Taken of Total collectibles are counted
// over all maps.
func (g *Game) Status() Status {
	s := Status{Map: g.mapID, Place: g.place, Size: g.size, Facing: g.facing, Ticks: g.tick, Finished: g.finished,
		Checkpoint: g.checkpoint, Doing: g.motion.Mode, Health: max(0, g.moves.Health-g.harm), Most: g.moves.Health, Safe: g.safe > 0, Rises: g.motion.VY < 0, Striking: g.struck > 0, Lifted: g.lifted,
		Steps: g.way / (g.doc.Project.CellW * body.Unit)}
	if g.safe > 0 {
		s.Hurt = safeTicks - g.safe + 1
	}
	for _, m := range g.doc.Maps {
		for _, p := range m.Pieces {
			if p.Type == world.Collectible || p.Type == world.Lottery && g.draw(m, p) == world.Collectible {
				s.Total++
				if g.Taken(p.ID) {
					s.Taken++
				}
			}
		}
	}
	return s
}

// Taken reports whether the piece has been taken.
func (g *Game) Taken(id world.ID) bool {
	_, taken := slices.BinarySearch(g.taken, id)
	return taken
}

// TakenIDs lists what has been taken, also what was deleted since, so that it
// stays taken if the deletion is undone. The slice must not be changed.
func (g *Game) TakenIDs() []world.ID { return g.taken }

// Fits reports whether the player touches nothing solid. It always holds, but for who goes through
// walls.
func (g *Game) Fits() bool { return g.drifting || g.ground.Fits(g.size, g.place) }

// Events is what happened in the last tick or change. The slice is used again.
func (g *Game) Events() []Event { return g.events }

// Seen is what a player sees whose foot is at a pixel of a map, in its pixels: as many
// cells as the project says, around the player, not beyond the map's edges unless the
// map is smaller.
func Seen(d *world.Document, m *world.Map, foot grid.Point) grid.Rect {
	l := d.Project.Lattice()
	edge := l.Box(m.Bounds)
	r := grid.Rect{W: d.Project.SeenW * l.W, H: d.Project.SeenH * l.H}
	r.X = fit(foot.X-r.W/2, r.W, edge.X, edge.W)
	r.Y = fit(foot.Y-l.H/4-r.H/2, r.H, edge.Y, edge.H)
	return r
}

func fit(at, length, from, room int) int {
	if room <= length {
		return from + (room-length)/2
	}
	return min(max(at, from), from+room-length)
}

const (
	stateTag     = 'P'
	stateVersion = 5
)

// Snapshot is the whole state as canonical bytes, version 5.
func (g *Game) Snapshot() []byte {
	w := pack.Writer{Bytes: g.played()}
	g.lens.encode(&w)
	return w.Bytes
}

// played is the state without the camera, which changes nothing in play.
func (g *Game) played() []byte {
	w := pack.Writer{Bytes: []byte{stateTag, stateVersion}}
	w.Int(g.tick)
	w.Uint(uint64(g.mapID))
	w.Int(g.place.X)
	w.Int(g.place.Y)
	w.Int(g.entered.X)
	w.Int(g.entered.Y)
	w.Uint(uint64(g.facing))
	w.Uint(uint64(g.way))
	w.Uint(uint64(g.through))
	w.Uint(uint64(g.checkpoint))
	w.Bool(g.finished)
	w.Bool(g.used)
	for _, n := range []int{g.motion.VX, g.motion.VY, g.motion.RestX, g.motion.RestY, int(g.motion.Mode), g.motion.Left, g.motion.Asked, g.goal.X, g.goal.Y, g.harm, g.safe} {
		w.Int(n)
	}
	for _, yes := range []bool{g.motion.Rising, g.motion.Thrown, g.jumped, g.stepping, g.drifting, g.went} {
		w.Bool(yes)
	}
	w.Uint(g.seed)
	w.Uint(g.chance)
	w.Uint(uint64(g.lifted))
	w.Uint(uint64(g.shoved))
	for _, n := range []int{g.came, g.armed, g.struck} {
		w.Int(n)
	}
	w.Uint(uint64(len(g.fallen)))
	for _, id := range g.fallen {
		w.Uint(uint64(id))
	}
	w.Uint(uint64(len(g.shots)))
	for _, s := range g.shots {
		s.encode(&w)
	}
	w.Uint(uint64(len(g.things)))
	for _, t := range g.things {
		t.encode(&w)
	}
	w.Uint(uint64(len(g.taken)))
	for _, id := range g.taken {
		w.Uint(uint64(id))
	}
	return w.Bytes
}
