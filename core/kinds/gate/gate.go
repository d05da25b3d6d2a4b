// Package gate is the kind of pieces that rise or slide out of the way when they are worked.
package gate

import (
	"iter"
	"slices"

	"azzel/core/body"
	"azzel/core/kind"
	"azzel/core/kinds/props"
	"azzel/core/limit"
	"azzel/core/stage"
)

// Its states: where it is to be.
var (
	lowered = &kind.State{Number: 20, Word: "gate-shut", Name: "shut", Verb: "shuts"}
	raised  = &kind.State{Number: 21, Word: "gate-open", Name: "open", Verb: "opens"}
)

// Where it goes, the options of Way.
const (
	up = iota
	down
	left
	right
)

// What becomes of what is in its way, the options of Meets.
const (
	waits = iota
	pushes
	crushes
)

// second is how many ticks there are in one.
const second = 60

// Way is where a gate goes, Far how far, In how long that takes; Meets says what becomes of what is in its way.
var (
	Way = &kind.Prop{Field: 57, Word: "opens-to", Label: "Opens", Name: "where a gate goes", Sort: kind.Choice, Options: []string{"up", "down", "to the left", "to the right"},
		Help: "Where it goes when it opens. From above, up is north."}
	Far = &kind.Prop{Field: 58, Word: "opens-by", Label: "By", Name: "how far a gate goes, in cells,", Unit: "cells", Usual: 1, Least: 1, Most: 32, Reach: 8,
		Help: "How many cells it goes."}
	In = &kind.Prop{Field: 59, Changes: true, Word: "opens-in", Label: "In", Name: "how long a gate takes, in ticks,", Unit: "s", Per: second, Usual: second, Least: 1, Most: limit.Interval, Reach: 5 * second,
		Help: "How long that takes."}
	Meets = &kind.Prop{Field: 60, Changes: true, Word: "meets", Label: "In its way", Name: "what becomes of what is in the way of a gate", Sort: kind.Choice,
		Options: []string{"stops it", "is pushed, or stops it", "is pushed, or crushed"}, Help: "What becomes of whoever and whatever is in its way. What stands on it is carried."}
)

// Kind is something solid that moves when it is worked.
var Kind = &kind.Kind{ID: 22, Word: "gate", Name: "Gate", Family: kind.Workings, Acts: true, Solid: true, Fills: true, Worked: true,
	Side: kind.Extent{W: 1, OfW: 1, H: 1, OfH: 1}, Above: kind.Extent{W: 1, OfW: 1, H: 1, OfH: 1},
	States: []*kind.State{lowered, raised}, First: func(kind.Values) *kind.State { return lowered },
	Moments:   []*kind.Moment{props.Opened, props.Shut},
	Changes:   []kind.Change{{From: lowered, To: raised, By: props.Opened}, {From: raised, To: lowered, By: props.Shut}},
	Behaviour: behaviour{}, Picture: bars,
	Purpose: "Solid; rises or slides out of the way when a wire works it, and back.",
	Props: slices.Concat([]kind.Has{
		{Prop: Way},
		{Prop: Far},
		{Prop: In},
		{Prop: Meets},
		{Prop: props.Width},
		{Prop: props.Height},
		{Prop: props.Power},
	}, []kind.Has{{Prop: props.Own, Apart: true}}, props.Presence)}

type behaviour struct{}

// Carry implements stage.Carrier. How far a gate has gone is Actor.Far; Actor.Back says that it is where it belongs: one that is met
// for the first time is there already.
func (behaviour) Carry(all iter.Seq[*stage.Actor], around stage.Around) {
	l := around.Ground().Lattice
	for a := range all {
		dx, dy := 0, 0
		switch far := a.Int(Far); a.Int(Way) {
		case up:
			dy = -far * l.H * body.Unit
		case down:
			dy = far * l.H * body.Unit
		case left:
			dx = -far * l.W * body.Unit
		case right:
			dx = far * l.W * body.Unit
		}
		length := max(dx, -dx, dy, -dy)
		want := 0
		if around.State(a) == raised {
			want = length
		}
		step := max(1, length/a.Int(In))
		far := min(a.Far, length)
		switch {
		case !a.Back:
			far = want
		case far < want:
			far = min(far+step, want)
		case far > want:
			far = max(far-step, want)
		}
		place := body.Place{X: a.Foot.X + dx/length*far, Y: a.Foot.Y + dy/length*far}
		was, is := a.Box(), a.Size.Box(place)
		if a.Back && was != is {
			meets, stuck := around.InTheWay(a, was, is)
			if how := a.Int(Meets); how == waits && meets || how == pushes && stuck {
				continue
			}
		}
		a.Far, a.Place, a.Back = far, place, true
		around.Carried(a, was, is)
	}
}
