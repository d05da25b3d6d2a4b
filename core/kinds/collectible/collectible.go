// Package collectible is the kind of pieces that are taken and counted.
package collectible

import (
	"slices"

	"azzel/core/kind"
	"azzel/core/kinds/props"
	"azzel/core/stage"
)

// Its states.
var (
	untaken = &kind.State{Number: 3, Word: "untaken", Name: "not taken", Verb: "is not taken any more"}
	taken   = &kind.State{Number: 4, Word: "taken", Name: "taken", Verb: "is taken", Gone: true}
)

// Kind is something to take.
var Kind = &kind.Kind{ID: 3, Word: "collectible", Name: "Collectible", Family: kind.Things, Item: kind.Gives, Touch: true, Counted: true, Done: "taken",
	States: []*kind.State{untaken, taken}, Moments: []*kind.Moment{props.Taken, props.Full},
	Changes:   []kind.Change{{From: untaken, To: taken, By: props.Taken, Gives: []*kind.Prop{props.Item, props.Amount}, Lasting: true}},
	Behaviour: behaviour{}, Picture: picture,
	Purpose: "Taken by walking over it, and counted; it may give an item.",
	Props: slices.Concat([]kind.Has{
		{Prop: props.Item, Label: "Gives"},
		{Prop: props.Amount, If: props.NamesItem},
	}, props.Facts, []kind.Has{{Prop: props.Own, Apart: true}}, props.Presence)}

// A collectible is taken, where it stands and by whoever touches it, if it came out of something else.
type behaviour struct{}

// Touched implements stage.Touched.
func (behaviour) Touched(_ stage.Self, _ stage.Touch, do stage.Effects) { do.Take() }

// Entered implements stage.Entered.
func (behaviour) Entered(_ stage.Self, do stage.Effects) { do.Take() }
