// Package exit is the kind of pieces that end play.
package exit

import (
	"azzel/core/kind"
	"azzel/core/kinds/props"
	"azzel/core/stage"
)

// Kind is a way out.
var Kind = &kind.Kind{ID: 2, Word: "exit", Name: "Exit", Family: kind.Ways, Item: kind.Needs, Touch: true, Ends: true,
	Behaviour: behaviour{}, Picture: picture,
	Moments: []*kind.Moment{props.LetOut, props.Refused},
	Purpose: "Who walks onto it has finished, if they have what it needs.",
	Props: append([]kind.Has{
		{Prop: props.Needs},
		{Prop: props.Item, Label: "Needs", Hidden: true, Old: true},
		{Prop: props.Amount, Hidden: true, Old: true},
		{Prop: props.Power},
	}, props.Presence...)}

// An exit ends the play.
type behaviour struct{}

// Entered implements stage.Entered.
func (behaviour) Entered(_ stage.Self, do stage.Effects) { do.Leave() }
