package play

import (
	"fmt"
	"sort"

	"azzel/core/logic"
	"azzel/core/world"
)

// A Trial is a time in the recording that a rule was to begin.
type Trial struct {
	// Tick is when.
	Tick int
	logic.Trial
}

// Watch is who is told what rules did while what was recorded is played again.
type Watch struct {
	// Tried is told of each time that a rule was to begin, with the game as it was asked then and its document of then; it must not keep them.
	Tried func(t Trial, asked logic.Happening, d *world.Document)
	// Did is told of each action that a rule did.
	Did func(tick int, rule, part world.ID)
	// Chose is told of each condition that an action asks, before Did is of the action, with the game as it was asked then and its document of then; it must not keep them.
	Chose func(rule, part world.ID, holds bool, asked logic.Happening, d *world.Document)
}

// Again plays again what was recorded after one tick and up to another, on the documents of then, and tells what rules did. What is shown stays as it is. The
// cost is that of these ticks and those of twice keptEvery.
func (r *Recording) Again(from, to int, w Watch) error {
	if from < r.First() || to > r.Last() || from > to {
		return fmt.Errorf("playing again ticks %d to %d of %d to %d", from, to, r.First(), r.Last())
	}
	now, g := r.Now(), r.game
	n := sort.Search(len(r.moments), func(i int) bool { return r.moments[i].state.tick > from }) - 1
	r.restore(n, from)
	g.watch = func(rule, part world.ID) {
		if w.Did != nil {
			w.Did(g.tick, rule, part)
		}
	}
	g.tried = func(t logic.Trial, asked logic.Happening) {
		if w.Tried != nil {
			w.Tried(Trial{g.tick, t}, asked, g.doc)
		}
	}
	g.chose = func(rule, part world.ID, holds bool, asked logic.Happening) {
		if w.Chose != nil {
			w.Chose(rule, part, holds, asked, g.doc)
		}
	}
	for tick := from; tick < to; tick++ {
		for n+1 < len(r.moments) && r.moments[n+1].state.tick <= tick {
			if n++; r.moments[n].cut() {
				watch, tried, chose := g.watch, g.tried, g.chose
				g.watch, g.tried, g.chose = nil, nil, nil
				r.restore(n, tick)
				g.watch, g.tried, g.chose = watch, tried, chose
			}
		}
		g.Tick(r.inputs[tick-r.First()])
	}
	g.watch, g.tried, g.chose = nil, nil, nil
	return r.Go(now)
}
