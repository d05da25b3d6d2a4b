package play

import (
	"fmt"
	"slices"
	"sort"

	"azzel/core/grid"
	"azzel/core/limit"
	"azzel/core/world"
)

// RecordedTicks is how far a recording reaches back at least, as long as the document is
// changed fewer than recordedMoments times: ten minutes.
const RecordedTicks = 10 * 60 * TicksPerSecond

const (
	// keptEvery is how many ticks lie at most between two states that are kept: what has to
	// be played again to come to any tick.
	keptEvery = 2 * TicksPerSecond
	// recordedMoments is how many states are kept. Each may hold a document of its own.
	recordedMoments = 1500
)

// A Recording is a game under way that can be rewound, and played on from any tick of its
// last ten minutes. Rewinding never rewinds the document: what is played on is always the
// latest. It must be used by one goroutine.
type Recording struct {
	game *Game
	// doc is the latest document, which is not that of the game while a tick before a change
	// is worked out.
	doc *world.Document
	// inputs are what was held in the ticks after the first moment.
	inputs  []Input
	moments []moment
	// trace and samples are what a replay of all that is recorded has.
	trace   []byte
	samples []world.Sample
}

// A moment is the state after a tick, and the document from there on.
type moment struct {
	state state
	doc   *world.Document
	// changed says that the document was another one before, brought that the player was brought
	// here by who tests.
	changed, brought bool
	// began says whether a play that is kept can begin here, and where that is.
	began beginning
}

// cut reports whether what follows does not follow from what was before by playing alone.
func (m *moment) cut() bool { return m.changed || m.brought }

// Record begins to record a game that has just begun. The game must not be used otherwise
// afterwards.
func Record(g *Game) *Recording {
	r := &Recording{game: g, doc: g.doc}
	r.keep(moment{began: g.began})
	return r
}

// Game is the game as it stands at the tick that is shown. It is to be looked at only.
func (r *Recording) Game() *Game { return r.game }

// First and Last are the ticks between which one can go; Now is the one that is shown.
func (r *Recording) First() int { return r.moments[0].state.tick }

// Last is the latest tick that was played.
func (r *Recording) Last() int { return r.First() + len(r.inputs) }

// Now is the tick that is shown.
func (r *Recording) Now() int { return r.game.tick }

// Changes are the ticks after which the document was changed, in their order.
func (r *Recording) Changes() []int {
	var ticks []int
	for _, m := range r.moments {
		if m.changed {
			ticks = append(ticks, m.state.tick)
		}
	}
	return ticks
}

// keep keeps the state that is shown as a moment.
func (r *Recording) keep(m moment) {
	m.state, m.doc = r.game.state.clone(), r.game.doc
	r.moments = append(r.moments, m)
}

// Tick plays on by a tick. What had been played after the tick that is shown is forgotten.
func (r *Recording) Tick(in Input) {
	if r.game.standsStill() {
		r.game.Tick(in)
		return
	}
	r.forget()
	if last := r.moments[len(r.moments)-1]; r.Now()-last.state.tick >= keptEvery {
		r.keep(moment{})
	}
	r.inputs = append(r.inputs, in)
	r.game.Tick(in)
	r.trace = append(r.trace, r.game.trace())
	if r.Now()%world.SampleTicks == 0 {
		r.samples = append(r.samples, r.game.sample())
	}
	// Who went on through a crossing at once is not at it any more.
	if r.game.started != 0 && r.game.started == r.game.checkpoint && !r.game.assisted && r.Now()-r.lastStart() >= startsApart {
		r.keep(moment{began: beginning{r.game.started, true}})
	}
	r.trim()
}

// startsApart is how many ticks lie at least between two places where a play that is kept could
// begin, so that there are not too many.
const startsApart = TicksPerSecond

// lastStart is the latest tick at which a play that is kept could begin, or long ago.
func (r *Recording) lastStart() int {
	for i := len(r.moments) - 1; i >= 0; i-- {
		if r.moments[i].began.real {
			return r.moments[i].state.tick
		}
	}
	return -startsApart
}

// Bring sets the player down on a mark, or as near to it as there is room, at the tick that is shown.
// It is a help, but a play that is kept can begin there.
func (r *Recording) Bring(mark world.ID) error {
	m, p := r.doc.Piece(mark)
	if p == nil || !p.Kind().Named {
		return world.ErrGone
	}
	g := r.game
	near := func() (grid.Point, bool) {
		return g.groundOf(m).Nearest(g.sizeOn(m), g.doc.Project.Lattice().CellAt(p.Foot), -1)
	}
	if _, ok := near(); !ok {
		return fmt.Errorf("there is no room near %s: make some, then go there", m.Name)
	}
	r.forget()
	g.events = g.events[:0]
	g.finished, g.drifting = false, false
	// What is carried may be set down where there was room.
	g.leaveBehind()
	to, ok := near()
	if ok {
		g.set(m, to)
	} else {
		g.stand(m)
		g.toNearest(g.ground.Lattice.CellAt(p.Foot))
	}
	g.recall()
	g.follow()
	r.change(moment{brought: true, began: beginning{mark, ok && !g.assisted}})
	r.trim()
	return nil
}

// forget cuts off what was played after the tick that is shown.
func (r *Recording) forget() {
	now := r.Now()
	if now < r.Last() {
		r.inputs, r.trace = r.inputs[:now-r.First()], r.trace[:now-r.First()]
		r.samples = r.samples[:now/world.SampleTicks-r.First()/world.SampleTicks]
		n := sort.Search(len(r.moments), func(i int) bool { return r.moments[i].state.tick > now })
		clear(r.moments[n:])
		r.moments = r.moments[:n]
	}
	// The document may have been changed while an earlier tick was shown.
	if r.moments[len(r.moments)-1].doc != r.doc {
		r.changed()
	}
}

// changed keeps the state that is shown as the one after a change of the document. Where a play
// that is kept could begin just then, it still can if the change did nothing to how it begins.
func (r *Recording) changed() {
	m := moment{changed: true}
	if last := r.moments[len(r.moments)-1]; last.state.tick == r.Now() && last.began.real && r.game.beginsAgain(last.began) {
		m.began, m.brought = last.began, last.brought
	}
	r.change(m)
}

// change keeps the state that is shown as the one after a change. Of more changes after the same
// tick the last one counts.
func (r *Recording) change(m moment) {
	if n := len(r.moments) - 1; n > 0 && r.moments[n].state.tick == r.Now() {
		m.changed = m.changed || r.moments[n].changed
		r.moments = r.moments[:n]
	}
	r.keep(m)
}

// trim forgets what lies too far back.
func (r *Recording) trim() {
	n := max(0, len(r.moments)-recordedMoments)
	for n+1 < len(r.moments) && r.moments[n+1].state.tick <= r.Last()-RecordedTicks {
		n++
	}
	if n == 0 {
		return
	}
	first := r.First()
	gone := r.moments[n].state.tick - first
	r.moments = slices.Delete(r.moments, 0, n)
	r.inputs, r.trace = slices.Delete(r.inputs, 0, gone), slices.Delete(r.trace, 0, gone)
	r.samples = slices.Delete(r.samples, 0, r.First()/world.SampleTicks-first/world.SampleTicks)
}

// SetDocument goes on with another document, from the tick that is shown. See
// Game.SetDocument.
func (r *Recording) SetDocument(d *world.Document) error {
	if d == r.doc {
		return nil
	}
	if world.PlaysAlike(d, r.doc) {
		for i := range r.moments {
			if r.moments[i].doc == r.doc {
				r.moments[i].doc = d
			}
		}
		if r.game.doc == r.doc {
			r.game.doc = d
		}
		r.doc = d
		return nil
	}
	if err := r.game.SetDocument(d); err != nil {
		return err
	}
	r.doc = d
	if r.Now() == r.Last() {
		r.changed()
		r.trim()
	}
	return nil
}

// Go shows another tick, on the latest document: somebody who would stand in what is
// solid by now is set down beside it. The cost is that of at most keptEvery ticks.
func (r *Recording) Go(tick int) error {
	if tick < r.First() || tick > r.Last() {
		return fmt.Errorf("only what was played in the last ten minutes can be shown: %d to %d s", r.First()/TicksPerSecond, r.Last()/TicksPerSecond)
	}
	n := sort.Search(len(r.moments), func(i int) bool { return r.moments[i].state.tick > tick }) - 1
	r.restore(n, tick)
	if r.game.doc == r.doc {
		return nil
	}
	return r.game.SetDocument(r.doc)
}

// before is the last moment up to a tick that follows from moment n by playing alone.
func (r *Recording) before(n, tick int) int {
	for n+1 < len(r.moments) && r.moments[n+1].state.tick <= tick && !r.moments[n+1].cut() {
		n++
	}
	return n
}

// start is the first moment from which what was played up to a tick follows by playing alone, and
// from which it can be kept.
func (r *Recording) start(tick int) (int, error) {
	found, why := -1, ErrNotFromStart
	if r.First() > 0 {
		why = ErrTooLong
	}
	for i := range r.moments {
		m := &r.moments[i]
		if m.state.tick >= tick {
			break
		}
		if m.cut() {
			found, why = -1, ErrNotFromStart
			switch {
			case m.changed:
				why = ErrChanged
			case m.state.assisted:
				why = ErrHelped
			}
		}
		if m.began.real && (found < 0 || tick-r.moments[found].state.tick > limit.ReplayTicks) {
			found = i
		}
	}
	if found >= 0 {
		why = nil
	}
	return found, why
}

// restore shows a tick as it was when it was played on from a moment, on the document of then.
func (r *Recording) restore(n, tick int) {
	m, g := r.moments[n], r.game
	if g.doc != m.doc {
		g.look(m.doc)
	}
	g.goTo(m.state.clone())
	g.stale, g.away = false, false
	g.ask()
	g.stand(g.doc.Map(g.mapID))
	from := m.state.tick - r.First()
	for _, in := range r.inputs[from : from+tick-m.state.tick] {
		g.Tick(in)
	}
	g.events = g.events[:0]
}
