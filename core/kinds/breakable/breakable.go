// Package breakable is the kind of pieces that stop what moves until they are broken.
package breakable

import (
	"azzel/core/kind"
	"azzel/core/kinds/props"
	"slices"
)

// Kind is something to break.
var Kind = &kind.Kind{ID: 10, Word: "breakable", Name: "Breakable", Family: kind.Workings, Acts: true, Solid: true, Fills: true, Done: "broken",
	Purpose: "Solid until it was struck, shot or thrown at often enough.",
	Props:   slices.Concat([]kind.Has{{Prop: props.Bears}}, props.Facts, props.Presence)}
