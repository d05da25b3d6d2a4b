package world

import (
	"errors"
	"fmt"
	"slices"

	"azzel/core/limit"
	"azzel/core/pack"
)

// A Replay is a recorded play that was kept: from a real start on, and without a change of
// the document meanwhile. It says what was held down in each tick, and what came of it, so
// that it can be told where it parts from that on another document.
type Replay struct {
	ID     ID
	Name   string
	Number int
	// From is the spawn, checkpoint or mark where it began, 0 where there was no spawn.
	From ID
	// State is how the game stood when it began, in the encoding of play, and Began the tick of
	// then, if it began in the middle of a play; else there is none and Began is 0.
	State []byte
	Began int
	// Chance is what all chance began with.
	Chance uint64
	// Rules is the version of the rules of play that it was recorded by.
	Rules int
	// Held is what was held down, one after the other.
	Held []Held
	// Trace has a byte for each tick that depends on where the player was after it.
	Trace []byte
	// Samples are how the game stood after each tick that is a multiple of SampleTicks, and after
	// the last one.
	Samples []Sample
	// End is the hash of the whole state after the last tick.
	End uint64
}

// SampleTicks is how many ticks lie between two samples of a replay.
const SampleTicks = 15

// A Held is inputs of play, as bits, that were held down for some ticks.
type Held struct{ Ticks, Input int }

// A Sample is how a game stood: on which map, where on it in positions of 1/256 pixel, how
// much health was left and how many collectibles were taken, and whether it had finished.
// Moving is a hash of what moves beside the player.
type Sample struct {
	Map           ID
	X, Y          int
	Health, Taken int
	Finished      bool
	Moving        uint32
}

// Replay finds a replay; nil if there is none.
func (d *Document) Replay(id ID) *Replay {
	return byID(d.Replays, id, func(r *Replay) ID { return r.ID })
}

// Ticks is how long a replay is.
func (r *Replay) Ticks() int {
	n := 0
	for _, h := range r.Held {
		n += h.Ticks
	}
	return n
}

// Values are what a replay is made of, for putting it into a document.
func (r *Replay) Values() []Value { return valuesOf(r, replayFields) }

// Check holds a replay against the limits, and its parts against each other.
func (r *Replay) Check() error {
	if err := CheckName(r.Name, false); err != nil {
		return err
	}
	ticks := 0
	for _, h := range r.Held {
		if h.Ticks < 1 || h.Ticks > limit.ReplayTicks || h.Input < 0 || h.Input&^heldInputs != 0 {
			return errors.New("a replay holds something down that there is not")
		}
		if ticks += h.Ticks; ticks > limit.ReplayTicks {
			return fmt.Errorf("a replay is at most %d minutes long", limit.ReplayTicks/3600)
		}
	}
	if ticks == 0 {
		return errors.New("a replay in which nothing is played can't be kept")
	}
	if len(r.State) > limit.ReplayState {
		return fmt.Errorf("a replay begins with a state of at most %d MB", limit.ReplayState>>20)
	}
	if r.Began < 0 || r.Began > latestTick || r.Began > 0 && len(r.State) == 0 {
		return fmt.Errorf("a replay can't begin at tick %d without the state of then: it was altered", r.Began)
	}
	if samples := r.Samplings() + 1; len(r.Trace) != ticks || len(r.Samples) != samples {
		return fmt.Errorf("a replay of %d ticks has as many bytes of a trace and %d samples; this one has %d and %d: it was cut short or altered", ticks, samples, len(r.Trace), len(r.Samples))
	}
	return nil
}

// latestTick is the last tick of a play, which is that of two years.
const latestTick = 1 << 32

// Samplings is how many multiples of SampleTicks are among the ticks of a replay.
func (r *Replay) Samplings() int { return (r.Began+r.Ticks())/SampleTicks - r.Began/SampleTicks }

// PlaysAlike reports whether nothing that counts in play differs between two documents of which
// one was made from the other. What is equal but was made anew counts as different.
func PlaysAlike(a, b *Document) bool {
	p, q := a.Project, b.Project
	p.Name, p.Drawer, p.Legend, p.Camera = q.Name, q.Drawer, q.Legend, q.Camera
	return p == q && slices.Equal(a.Maps, b.Maps) && slices.Equal(a.Tilesets, b.Tilesets) && slices.Equal(a.Crossings, b.Crossings) && slices.Equal(a.Characters, b.Characters) &&
		slices.Equal(a.Tracks, b.Tracks) && slices.Equal(a.Areas, b.Areas) && slices.Equal(a.Items, b.Items) && slices.Equal(a.Facts, b.Facts) && slices.Equal(a.Wires, b.Wires) && slices.Equal(a.Rules, b.Rules) && slices.Equal(a.Patches, b.Patches)
}

// heldInputs are the inputs that may be held down; those between them are helps, with which no
// replay is kept.
const heldInputs = 1<<6 - 1 | 3<<9 | 1<<12

func (d *Document) checkReplay(r *Replay) error {
	if len(d.Replays) > limit.Replays {
		return fmt.Errorf("a project keeps at most %d replays: delete one first", limit.Replays)
	}
	return r.Check()
}

var replayFields = []field[*Replay]{
	textField(FieldName, func(r *Replay) *string { return &r.Name }),
	intsField(FieldNumber, func(r *Replay) *int { return &r.Number }),
	idField(2, func(r *Replay) *ID { return &r.From }),
	intsField(3, func(r *Replay) *int { return &r.Rules }),
	{4, func(r *Replay, w *pack.Writer) {
		w.Uint(uint64(len(r.Held)))
		for _, h := range r.Held {
			w.Int(h.Ticks)
			w.Int(h.Input)
		}
	}, func(r *Replay, in *pack.Reader) {
		r.Held = make([]Held, 0, 16)
		for range in.Count(limit.ReplayTicks, 2) {
			r.Held = append(r.Held, Held{in.Int(), in.Int()})
		}
	}},
	{5, func(r *Replay, w *pack.Writer) { w.Blob(r.Trace) },
		func(r *Replay, in *pack.Reader) { r.Trace = slices.Clone(in.Blob(limit.ReplayTicks)) }},
	{6, func(r *Replay, w *pack.Writer) {
		w.Uint(uint64(len(r.Samples)))
		for _, m := range r.Samples {
			w.Uint(uint64(m.Map))
			for _, n := range []int{m.X, m.Y, m.Health, m.Taken} {
				w.Int(n)
			}
			w.Bool(m.Finished)
			w.Uint(uint64(m.Moving))
		}
	}, func(r *Replay, in *pack.Reader) {
		r.Samples = make([]Sample, 0, 16)
		for range in.Count(limit.ReplayTicks/SampleTicks+1, 7) {
			r.Samples = append(r.Samples, Sample{ID(in.Uint()), in.Int(), in.Int(), in.Int(), in.Int(), in.Bool(), uint32(bounded(in, 1<<32-1))})
		}
	}},
	{9, func(r *Replay, w *pack.Writer) { w.Uint(r.Chance) }, func(r *Replay, in *pack.Reader) { r.Chance = in.Uint() }},
	{10, func(r *Replay, w *pack.Writer) { w.Blob(r.State) },
		func(r *Replay, in *pack.Reader) { r.State = slices.Clone(in.Blob(limit.ReplayState)) }},
	intsField(11, func(r *Replay) *int { return &r.Began }),
	{8, func(r *Replay, w *pack.Writer) { w.Uint(r.End) }, func(r *Replay, in *pack.Reader) { r.End = in.Uint() }},
}
