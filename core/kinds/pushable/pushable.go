// Package pushable is the kind of pieces that are pushed, carried and thrown.
package pushable

import (
	"azzel/core/kind"
	"azzel/core/kinds/props"
)

// Kind is something to push.
var Kind = &kind.Kind{ID: 9, Word: "pushable", Name: "Pushable", Family: kind.Workings, Acts: true, Solid: true, Fills: true,
	Purpose: "Solid; pushed by walking into it, picked up, thrown and put down.",
	Props:   props.Presence}
