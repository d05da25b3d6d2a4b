// Package platform is the kind of pieces that carry who stands on them.
package platform

import (
	"azzel/core/kind"
	"azzel/core/kinds/props"
)

// Kind is a moving platform.
var Kind = &kind.Kind{ID: 5, Word: "moving platform", Name: "Moving platform", Family: kind.Workings, Acts: true, Goes: true, Solid: true, Fills: true, Lies: true,
	Side: kind.Extent{W: 1, OfW: 1, H: 1, OfH: 2}, Above: kind.Extent{W: 1, OfW: 1, H: 1, OfH: 1},
	Behaviour: behaviour{}, Picture: picture, Other: other,
	Purpose: "Goes to and fro or along a track, carries who stands on it and pushes who is in its way. From above, a raft.",
	Range:   []*kind.Prop{props.Width},
	Props: append([]kind.Has{
		{Prop: props.Speed, Usual: 30},
		{Prop: props.Width, Usual: 3},
		{Prop: props.Rest},
		{Prop: props.Track},
		{Prop: props.To, If: func(v kind.Values) bool { return v.Refers(props.Track) == 0 }},
		{Prop: props.Power},
	}, props.Presence...)}
