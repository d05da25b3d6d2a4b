// Package exit is the kind of pieces that end play.
package exit

import (
	"azzel/core/kind"
	"azzel/core/kinds/props"
)

// Kind is a way out.
var Kind = &kind.Kind{ID: 2, Word: "exit", Name: "Exit", Family: kind.Ways, Item: kind.Needs, Touch: true,
	Purpose: "Who walks onto it has finished, if they have what it needs.",
	Props: append([]kind.Has{
		{Prop: props.Item, Label: "Needs"},
		{Prop: props.Amount, If: props.NamesItem},
	}, props.Presence...)}
