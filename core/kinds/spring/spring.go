// Package spring is the kind of pieces that throw the player up.
package spring

import (
	"azzel/core/kind"
	"azzel/core/kinds/props"
	"azzel/core/limit"
	"azzel/core/stage"
)

// Height is how high a spring throws.
var Height = &kind.Prop{Field: 36, Changes: true, Word: "height", Label: "Throws", Name: "how high a spring throws, in tenths of a cell,", Unit: "cells", Per: 10,
	Usual: 50, Least: 1, Most: 10 * limit.Jump, Reach: 120, Help: "How many cells high it throws."}

// Kind is a spring.
var Kind = &kind.Kind{ID: 7, Word: "spring", Name: "Spring", Family: kind.Workings, Acts: true,
	Side: kind.Extent{W: 3, OfW: 4, H: 1, OfH: 2}, Above: kind.Extent{W: 3, OfW: 4, H: 1, OfH: 2},
	Behaviour: behaviour{}, Picture: picture,
	Moments:  []*kind.Moment{props.Threw},
	Purpose:  "Throws up who comes down on it, in side-view.",
	Strength: []*kind.Prop{Height},
	Props:    append([]kind.Has{{Prop: Height, Only: kind.FromTheSide}, {Prop: props.Power}}, props.Presence...)}

// A spring throws whoever comes down on it.
type behaviour struct{}

// Touched implements stage.Touched.
func (behaviour) Touched(self stage.Self, how stage.Touch, do stage.Effects) {
	if how.Side && !how.Rising {
		do.Throw(self.Int(Height))
	}
}
