// Package checkpoint is the kind of pieces that the player comes back to.
package checkpoint

import (
	"slices"

	"azzel/core/kind"
	"azzel/core/kinds/props"
	"azzel/core/stage"
)

// Its states.
var (
	unreached = &kind.State{Number: 5, Word: "unreached", Name: "not reached", Verb: "is not reached any more"}
	reached   = &kind.State{Number: 6, Word: "reached", Name: "reached", Verb: "counts as reached"}
)

// Kind is a place to come back to.
var Kind = &kind.Kind{ID: 4, Word: "checkpoint", Name: "Checkpoint", Family: kind.Ways, Starts: true, Touch: true, Done: "reached",
	States: []*kind.State{unreached, reached}, Moments: []*kind.Moment{props.Reached, props.Left},
	Changes:   []kind.Change{{From: unreached, To: reached, By: props.Reached}, {From: reached, To: unreached, By: props.Left}},
	Behaviour: behaviour{}, Picture: picture, Other: other,
	Purpose: "Who touched it comes back to here after falling or coming to harm.",
	Props:   slices.Concat([]kind.Has{{Prop: props.Power}}, props.Facts, props.Presence)}

// A checkpoint is come back to.
type behaviour struct{}

// Entered implements stage.Entered.
func (behaviour) Entered(_ stage.Self, do stage.Effects) { do.Reach() }
