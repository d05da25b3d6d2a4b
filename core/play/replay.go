package play

import (
	"errors"
	"fmt"
	"hash/fnv"
	"slices"
	"sort"
	"strings"

	"azzel/core/lists"
	"azzel/core/pack"
	"azzel/core/world"
)

// Rules is the version of the rules of play: a replay that was recorded by others may part
// from what they would have done. It has nothing to do with the form in which a state is written.
//
// 9: what is on maps beside the player's acts too where both edges between them are open and both are seen alike, and goes
// from one to the other; a player who goes over such an edge comes back, after harm, to where they came in before.
// 8: who comes back to where they came in does so once all that moves has moved; who finished takes no
// doorway; a foe stays in its area whatever it does, from above too; foes that come out of emitters
// have a character's body, and collectibles come; several pieces that refuse each tell once; a step
// goes on over an edge that wraps, and ends where the steering changes; slow ground slows from above too.
const Rules = 9

// Reasons why what was played can't be kept.
var (
	// ErrNotFromStart is given for a play that began anywhere.
	ErrNotFromStart = errors.New("only what began at the spawn, a checkpoint or a mark can be kept: begin at one, or play on from one")
	// ErrChanged is given where the document was changed since the last start.
	ErrChanged = errors.New("the project was changed during this play: go back to before that, or play on from a checkpoint, and keep what comes after")
	// ErrTooLong is given for a play whose beginning is not recorded any more.
	ErrTooLong = errors.New("only the last ten minutes of a play can be kept, and no checkpoint was reached in them: play on from one, or begin once more")
	// ErrNothingPlayed is given for a play that has only just begun.
	ErrNothingPlayed = errors.New("nothing has been played yet: play, then keep it")
	// ErrHelped is given for a play in which a help was on.
	ErrHelped = errors.New("a test aid was on during this play, so that it proves nothing: play it without one, then keep it")
	// ErrStartGone is given for a replay whose start is not in the document.
	ErrStartGone = errors.New("the place where it began is not in this project: it was deleted, or the replay is of another project")
)

// sample is how the game stands.
func (g *Game) sample() world.Sample {
	w := pack.Writer{}
	for i := range g.things {
		encodeThing(&w, &g.things[i])
	}
	h := fnv.New32a()
	h.Write(w.Bytes)
	return world.Sample{Map: g.mapID, X: g.place.X, Y: g.place.Y, Health: max(0, g.moves.Health-g.harm), Taken: len(g.taken), Finished: g.finished, Moving: h.Sum32()}
}

// trace is a byte that depends on where the player is and how they are.
func (g *Game) trace() byte {
	h := uint32(2166136261)
	for _, n := range [...]int{int(g.mapID), int(g.mapID >> 32), g.place.X, g.place.Y, g.harm, len(g.taken)} {
		h = (h ^ uint32(n)) * 16777619
		h ^= h >> 15
	}
	return byte(h ^ h>>8 ^ h>>16 ^ h>>24)
}

// Hash is a hash of the whole state, but for the camera, which changes nothing in play.
func (g *Game) Hash() uint64 {
	h := fnv.New64a()
	h.Write(g.frozen())
	return h.Sum64()
}

// Kept is what was played up to the tick that is shown, to be kept under a name: from the first
// place on at which a play can begin and after which the document was not changed. The errors say
// why that can't be.
func (r *Recording) Kept(name string) (*world.Replay, error) {
	now := r.Now()
	if now == r.First() {
		return nil, ErrNothingPlayed
	}
	n, err := r.start(now)
	if err != nil {
		return nil, err
	}
	m := &r.moments[n]
	began := m.state.tick
	kept := &world.Replay{Name: name, From: m.began.from, Rules: Rules, Chance: m.state.chance, Trace: slices.Clone(r.trace[began-r.First() : now-r.First()])}
	if _, p := m.doc.Piece(m.began.from); began > 0 || m.brought || m.changed && p != nil && IsStart(p.Type) {
		// Said by the map that each thing is on, so that it holds wherever maps are moved to on the board.
		at := newGame(m.state.clone())
		at.look(m.doc)
		at.rest()
		kept.State, kept.Began = at.state.encode(), began
	}
	for _, in := range r.inputs[began-r.First() : now-r.First()] {
		if in&helps != 0 {
			return nil, ErrHelped
		}
		if last := len(kept.Held) - 1; last >= 0 && kept.Held[last].Input == int(in) {
			kept.Held[last].Ticks++
		} else {
			kept.Held = append(kept.Held, world.Held{Ticks: 1, Input: int(in)})
		}
	}
	// The state at its end is that on the document that it was played on.
	r.restore(r.before(n, now), now)
	kept.End = r.game.Hash()
	first := r.First() / world.SampleTicks
	kept.Samples = append(slices.Clone(r.samples[began/world.SampleTicks-first:now/world.SampleTicks-first]), r.game.sample())
	if err := r.Go(now); err != nil {
		return nil, err
	}
	return kept, kept.Check()
}

// Hands give the inputs of a replay, tick by tick.
type Hands struct {
	held []world.Held
	done int
}

// NewHands begins with the first tick of a replay.
func NewHands(r *world.Replay) *Hands { return &Hands{held: r.Held} }

// Next is what is held down in the next tick; ok is false after the last one.
func (h *Hands) Next() (in Input, ok bool) {
	for len(h.held) > 0 && h.done == h.held[0].Ticks {
		h.held, h.done = h.held[1:], 0
	}
	if len(h.held) == 0 {
		return 0, false
	}
	h.done++
	return Input(h.held[0].Input), true
}

// NewFor begins a game where a replay began.
func NewFor(d *world.Document, r *world.Replay) (*Game, error) {
	if len(r.State) > 0 {
		return resume(d, r)
	}
	start := Start{Chance: r.Chance}
	if r.From == 0 {
		return New(d, start)
	}
	for _, m := range d.Maps {
		p := m.Piece(r.From)
		switch {
		case p == nil:
		case p.Kind().Begins:
			return New(d, start)
		case IsStart(p.Type):
			start.Map, start.Cell = m.ID, d.Project.Lattice().CellAt(p.Foot)
			return New(d, start)
		}
	}
	return nil, ErrStartGone
}

// A Rerun plays a replay on a document, to see whether it ends as it did. It must be used by
// one goroutine.
type Rerun struct {
	replay  *world.Replay
	game    *Game
	hands   *Hands
	tick    int
	outcome Outcome
	// lately are the rules that did something in the last ticks, with when they did, the last one last.
	lately []lately
	// acts are all those that did something, with when, as far as there is room; before those of a play of it that ended as it was kept.
	acts, before Acts
}

// Acts are the rules that did something in a play of a replay, each with its name and the tick, in the order in which they did.
type Acts []act

type act struct {
	lately
	name string
}

// mostActs is how often it is kept of a replay that a rule did something.
const mostActs = 10_000

// Acts are the rules that did something so far.
func (r *Rerun) Acts() Acts { return r.acts }

// Against says which rules did something when the replay was played so that it ended as it was kept: where it parts, those are named that do nothing any more.
func (r *Rerun) Against(before Acts) { r.before = before }

// silent are the names of rules that did something before in the last so many ticks, and did nothing now.
func (r *Rerun) silent(ticks int) (names []string) {
	within := func(list Acts) Acts {
		from := sort.Search(len(list), func(i int) bool { return list[i].tick > r.tick-ticks })
		to := sort.Search(len(list), func(i int) bool { return list[i].tick > r.tick })
		return list[from:to]
	}
	now := within(r.acts)
	for _, b := range within(r.before) {
		if !slices.ContainsFunc(now, func(a act) bool { return a.rule == b.rule }) && !slices.Contains(names, b.name) && len(names) < mostLately {
			names = append(names, b.name)
		}
	}
	return names
}

// lately is that a rule did something in a tick of a replay.
type lately struct {
	rule world.ID
	tick int
}

// An Outcome is what came of playing a replay again.
type Outcome struct {
	// Ticks is after how many ticks it ended; Finished whether it did at an exit, and Before
	// whether it did when it was kept.
	Ticks            int
	Finished, Before bool
	// Same says that the whole state at the end is as it was.
	Same bool
	// Parts says that it went otherwise: from a tick of it on, with the game standing as At, and
	// what was different in words.
	Parts bool
	Tick  int
	At    world.Sample
	What  string
	// Rules are the names of those that did something as it parted, the last one first: what is seen at once follows from those of that tick, else from
	// those since it was last as it had been.
	Rules string
	// Silent are the names of those that did something then when it was played before, and ended as it was kept, and did nothing now.
	Silent string
}

// NewRerun begins to play a replay on a document.
func NewRerun(d *world.Document, r *world.Replay) (*Rerun, error) {
	if err := r.Check(); err != nil {
		return nil, err
	}
	g, err := NewFor(d, r)
	if err != nil {
		return nil, err
	}
	is := &Rerun{replay: r, game: g, hands: NewHands(r), outcome: Outcome{Before: r.Samples[len(r.Samples)-1].Finished}}
	g.watch = func(rule, _ world.ID) { is.did(rule) }
	return is, nil
}

// Step plays at most so many ticks, and reports whether it is done.
func (r *Rerun) Step(ticks int) bool {
	for range ticks {
		in, more := r.hands.Next()
		if !more || r.game.finished {
			r.end()
			return true
		}
		r.game.Tick(in)
		r.tick++
		if r.game.trace() != r.replay.Trace[r.tick-1] {
			r.part("", 1)
		}
		if at := r.replay.Began + r.tick; at%world.SampleTicks == 0 {
			r.compare(r.replay.Samples[at/world.SampleTicks-r.replay.Began/world.SampleTicks-1])
		}
	}
	return false
}

// Outcome is what came of it, once Step has said that it is done.
func (r *Rerun) Outcome() Outcome { return r.outcome }

// Game is the game as it stands.
func (r *Rerun) Game() *Game { return r.game }

// did notes that a rule did something.
func (r *Rerun) did(rule world.ID) {
	if r.outcome.Parts {
		return
	}
	tick := r.tick + 1 // the one that is under way
	if n := len(r.acts); n < mostActs && (n == 0 || r.acts[n-1].lately != lately{rule, tick}) {
		if is := r.game.doc.Rule(rule); is != nil {
			r.acts = append(r.acts, act{lately{rule, tick}, is.Says()})
		}
	}
	r.lately = lists.Without(r.lately, func(l lately) bool { return l.rule == rule || l.tick <= tick-world.SampleTicks })
	if len(r.lately) == mostLately {
		r.lately = slices.Delete(r.lately, 0, 1)
	}
	r.lately = append(r.lately, lately{rule, tick})
}

// mostLately is how many rules are named at most by which a replay may have parted.
const mostLately = 3

// part notes where it went otherwise for the first time: in the last so many ticks.
func (r *Rerun) part(what string, ticks int) {
	o := &r.outcome
	if !o.Parts {
		var names []string
		for i := len(r.lately) - 1; i >= 0; i-- {
			if is := r.game.doc.Rule(r.lately[i].rule); is != nil && r.lately[i].tick > r.tick-ticks {
				names = append(names, is.Says())
			}
		}
		o.Rules = strings.Join(names, " and ")
		silent := r.silent(ticks)
		if len(silent) == 0 && len(names) == 0 {
			// What a rule does may be seen some ticks later.
			silent = r.silent(world.SampleTicks)
		}
		o.Silent = strings.Join(silent, " and ")
		o.Parts, o.Tick, o.At = true, r.tick, r.game.sample()
	}
	if o.What == "" {
		o.What = what
	}
}

// compare notes what is otherwise than a sample says.
func (r *Rerun) compare(was world.Sample) {
	if r.outcome.What != "" {
		return
	}
	if what := differs(r.game, was, r.game.sample()); what != "" {
		r.part(what, world.SampleTicks)
	}
}

func (r *Rerun) end() {
	last := r.replay.Samples[len(r.replay.Samples)-1]
	r.compare(last)
	o := &r.outcome
	o.Ticks, o.Finished = r.tick, r.game.finished
	o.Same = r.tick == len(r.replay.Trace) && r.game.Hash() == r.replay.End
	if !o.Same {
		r.part("something of the game is otherwise at its end", world.SampleTicks)
	} else if o.Parts && o.What == "" {
		o.What = "the player goes another way for a moment"
	}
}

// differs says in words what is different between two samples, the first of them from a replay.
func differs(g *Game, was, is world.Sample) string {
	switch {
	case was.Map != is.Map:
		name := "a map that is gone"
		if m := g.doc.Map(was.Map); m != nil {
			name = m.Name
		}
		return "the player is on " + g.ground.Map.Name + ", not on " + name
	case was.X != is.X || was.Y != is.Y:
		l := g.doc.Project.Lattice()
		away := max(abs(was.X-is.X)*10/(l.W<<8), abs(was.Y-is.Y)*10/(l.H<<8))
		if away == 0 {
			return "the player stands a little beside where they stood"
		}
		return fmt.Sprintf("the player is %d.%d cells from where they were", away/10, away%10)
	case was.Health != is.Health:
		return fmt.Sprintf("health is %d, not %d", is.Health, was.Health)
	case was.Taken != is.Taken:
		return fmt.Sprintf("%d taken, not %d", is.Taken, was.Taken)
	case was.Finished != is.Finished:
		return "it ends there"
	case was.Moving != is.Moving:
		return "what moves beside the player moves otherwise"
	}
	return ""
}

func abs(n int) int { return max(n, -n) }

// String says in words what came of it.
func (o Outcome) String() string {
	var s string
	switch {
	case o.Finished:
		s = "finishes after " + Clock(o.Ticks)
	case o.Before:
		s = "does not finish any more"
	default:
		s = "plays " + Clock(o.Ticks)
	}
	if o.Parts {
		s += "; from " + Clock(o.Tick) + " on " + o.What
		if o.Rules != "" {
			s += ", after what these rules did: " + o.Rules
		}
		if o.Silent != "" {
			s += ", where these rules did something before: " + o.Silent
		}
		return s
	}
	return s + ", as it was kept"
}

// Clock is a number of ticks in minutes, seconds and hundredths.
func Clock(ticks int) string {
	hundredths := ticks * 100 / TicksPerSecond
	return fmt.Sprintf("%d:%02d.%02d", hundredths/6000, hundredths/100%60, hundredths%100)
}
