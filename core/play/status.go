package play

import (
	"slices"

	"azzel/core/body"
	"azzel/core/grid"
	"azzel/core/kind"
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
	// Striking is how far a strike reaches that is seen, in hundredths of a cell, 0 for none; Lifted what is
	// carried.
	Striking int
	Lifted   world.ID
}

// Status tells how the game stands. Taken of Total collectibles are counted
// over all maps.
func (g *Game) Status() Status {
	s := Status{Map: g.mapID, Place: g.place, Size: g.size, Facing: g.facing, Ticks: g.tick, Finished: g.finished,
		Checkpoint: g.checkpoint, Doing: g.motion.Mode, Health: max(0, g.moves.Health-g.harm), Most: g.moves.Health, Safe: g.safe > 0, Rises: g.motion.VY < 0, Lifted: g.lifted,
		Steps: g.steppedSoFar()}
	if g.safe > 0 {
		s.Hurt = safeTicks - g.safe + 1
	}
	if g.struck > 0 {
		s.Striking = g.moves.Strike
	}
	for _, m := range g.doc.Maps {
		for _, p := range m.Pieces {
			if k := p.Kind(); k.Counted || k.Drawn && counted(g.draw(m, p)) {
				s.Total++
				if g.Taken(p.ID) {
					s.Taken++
				}
			}
		}
	}
	return s
}

// steppedSoFar is how many cells the player has gone.
func (g *Game) steppedSoFar() int { return g.walked / (g.doc.Project.CellW * body.Unit) }

// counted reports whether what is taken of a type is counted.
func counted(of world.ID) bool { k := kind.Of(of); return k != nil && k.Counted }

// Taken reports whether the piece has been taken.
func (g *Game) Taken(id world.ID) bool {
	_, taken := slices.BinarySearch(g.taken, id)
	return taken
}

// TakenIDs lists what has been taken, also what was deleted since, so that it
// stays taken if the deletion is undone. The slice must not be changed.
func (g *Game) TakenIDs() []world.ID { return g.taken }

// Fallen are the names of the characters that are gone on all maps.
func (g *Game) Fallen() (names []string) {
	for _, id := range g.fallen {
		if c := g.doc.Character(id); c != nil {
			names = append(names, c.Name)
		}
	}
	return names
}

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
