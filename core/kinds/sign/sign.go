// Package sign is the kind of pieces that the player reads.
package sign

import (
	"slices"

	"azzel/core/kind"
	"azzel/core/kinds/props"
	"azzel/core/stage"
)

// Its states.
var (
	unread = &kind.State{Number: 16, Word: "unread", Name: "unread", Verb: "is unread again"}
	read   = &kind.State{Number: 17, Word: "read", Name: "read", Verb: "counts as read"}
)

// Kind is something to be read.
var Kind = &kind.Kind{ID: 20, Word: "sign", Name: "Sign", Family: kind.Workings, Acts: true, Solid: true, Fills: true, Done: "read",
	Side: kind.Extent{W: 1, OfW: 1, H: 1, OfH: 1}, Above: kind.Extent{W: 1, OfW: 1, H: 1, OfH: 1},
	States: []*kind.State{unread, read}, First: func(kind.Values) *kind.State { return unread },
	Moments:   []*kind.Moment{props.Read},
	Changes:   []kind.Change{{From: unread, To: read, By: props.Read}},
	Behaviour: stage.Telling{Then: read}, Picture: board,
	Purpose: "Says something to the player who reads it. Everything else waits until they have read it.",
	Props: slices.Concat([]kind.Has{
		{Prop: props.Says},
		{Prop: props.SaysBy},
		{Prop: props.Stops, Usual: 1, Only: kind.FromAbove},
		{Prop: props.Power},
	}, props.Facts, []kind.Has{{Prop: props.Own, Apart: true}}, props.Presence)}
