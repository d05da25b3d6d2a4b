// Package pushable is the kind of pieces that are pushed, carried and thrown.
package pushable

import (
	"azzel/core/kind"
	"azzel/core/kinds/props"
)

// Kind is something to push.
var Kind = &kind.Kind{ID: 9, Word: "pushable", Name: "Pushable", Family: kind.Workings, Acts: true, Pushed: true, Ridden: true, Solid: true, Fills: true,
	// A little smaller than a cell, so that it goes through gaps of one; from the side as high as a cell, so that one walks
	// over it where it fills a hole.
	Side: kind.Extent{W: 7, OfW: 8, H: 1, OfH: 1}, Above: kind.Extent{W: 7, OfW: 8, H: 7, OfH: 8},
	Behaviour: behaviour{}, Picture: picture,
	Moments: []*kind.Moment{props.Lost},
	Purpose: "Solid; pushed by walking into it, picked up, thrown and put down.",
	Props:   props.Presence}
