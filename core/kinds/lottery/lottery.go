// Package lottery is the kind of pieces that are drawn when play begins.
package lottery

import (
	"slices"

	"azzel/core/kind"
	"azzel/core/kinds/props"
)

// Kind is something that is drawn.
var Kind = &kind.Kind{ID: 12, Word: "lottery piece", Name: "Lottery piece", Family: kind.Things, Acts: true, Item: kind.Gives, Drawn: true, Done: "taken or defeated",
	Purpose:  "Drawn when play begins: a collectible, a foe, a hazard, or nothing.",
	Range:    []*kind.Prop{props.Sight, props.Straying, props.Reach},
	Strength: []*kind.Prop{props.Harm},
	Props: slices.Concat([]kind.Has{
		{Prop: props.Odds},
		{Prop: props.Does, Label: "A foe"},
		{Prop: props.Item, Label: "Gives"},
		{Prop: props.Amount, If: props.NamesItem},
	}, props.Drawn, props.Emitted, props.Facts, props.Presence)}
