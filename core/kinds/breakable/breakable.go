// Package breakable is the kind of pieces that stop what moves until they are broken.
package breakable

import (
	"slices"

	"azzel/core/kind"
	"azzel/core/kinds/props"
)

// Its states.
var (
	whole  = &kind.State{Number: 1, Word: "whole", Name: "whole", Verb: "is whole again"}
	broken = &kind.State{Number: 2, Word: "broken", Name: "broken", Verb: "breaks", Gone: true}
)

// Kind is something to break.
var Kind = &kind.Kind{ID: 10, Word: "breakable", Name: "Breakable", Family: kind.Workings, Acts: true, Solid: true, Struck: true, Fills: true, Done: "broken",
	Side: kind.Extent{W: 1, OfW: 1, H: 1, OfH: 1}, Above: kind.Extent{W: 1, OfW: 1, H: 1, OfH: 1},
	States: []*kind.State{whole, broken}, Moments: []*kind.Moment{props.Hit, props.Broken}, Beaten: props.Broken,
	Changes: []kind.Change{{From: whole, To: broken, By: props.Broken, Needs: []*kind.Prop{props.Bears}, Lasting: true}},
	Picture: picture,
	Purpose: "Solid until it was struck, shot or thrown at often enough.",
	Props:   slices.Concat([]kind.Has{{Prop: props.Bears}}, props.Facts, []kind.Has{{Prop: props.Own, Apart: true}}, props.Presence)}
