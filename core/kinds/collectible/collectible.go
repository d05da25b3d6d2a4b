// Package collectible is the kind of pieces that are taken and counted.
package collectible

import (
	"azzel/core/kind"
	"azzel/core/kinds/props"
	"slices"
)

// Kind is something to take.
var Kind = &kind.Kind{ID: 3, Word: "collectible", Name: "Collectible", Family: kind.Things, Item: kind.Gives, Touch: true, Done: "taken",
	Purpose: "Taken by walking over it, and counted; it may give an item.",
	Props: slices.Concat([]kind.Has{
		{Prop: props.Item, Label: "Gives"},
		{Prop: props.Amount, If: props.NamesItem},
	}, props.Facts, props.Presence)}
