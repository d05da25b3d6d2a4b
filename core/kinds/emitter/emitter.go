// Package emitter is the kind of pieces out of which something comes.
package emitter

import (
	"slices"

	"azzel/core/kind"
	"azzel/core/kinds/props"
)

// Kind is something out of which things come.
var Kind = &kind.Kind{ID: 11, Word: "emitter", Name: "Emitter", Family: kind.Workings, Acts: true, Item: kind.Gives,
	Behaviour: behaviour{}, Picture: picture,
	Purpose:  "Lets something come every so often, by weights.",
	Range:    []*kind.Prop{props.Sight, props.Straying, props.Reach},
	Strength: []*kind.Prop{props.Harm},
	Props: slices.Concat([]kind.Has{
		{Prop: props.Odds, Usual: props.Foe + 1},
		{Prop: props.Every, Usual: 120},
		{Prop: props.Most},
		{Prop: props.Does, Label: "Foes here"},
		{Prop: props.Speed, Label: "Their speed"},
		{Prop: props.Harm, Label: "Hurt"},
		{Prop: props.Who, Label: "Foes are"},
		{Prop: props.Area},
		{Prop: props.Item, Label: "Collectibles give"},
		{Prop: props.Amount, If: props.NamesItem},
	}, []kind.Has{{Prop: props.Power}}, props.Emitted, props.Presence)}
