// Package decoration is the kind of pieces that are there to be seen alone.
package decoration

import (
	"azzel/core/kind"
	"azzel/core/kinds/props"
)

// Kind is something to be seen.
var Kind = &kind.Kind{ID: 24, Word: "decoration", Name: "Decoration", Family: kind.Looks, Picture: picture,
	Purpose: "Is seen and does nothing: in front of what is there or behind it, by its layer. With Shift held it is placed and moved free of the grid.",
	Props: append([]kind.Has{
		{Prop: props.Size}, {Prop: props.Turned}, {Prop: props.Flipped}, {Prop: props.Fade}, {Prop: props.Tint}, {Prop: props.Stirs},
		{Prop: props.StirsBy, If: func(v kind.Values) bool {
			is := v.Int(nil, props.Stirs)
			return is != props.KeepsStill && is != props.Spins
		}},
		{Prop: props.StirsIn, If: func(v kind.Values) bool { return v.Int(nil, props.Stirs) != props.KeepsStill }},
	}, props.Presence...)}
