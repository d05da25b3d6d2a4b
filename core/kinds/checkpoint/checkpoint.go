// Package checkpoint is the kind of pieces that the player comes back to.
package checkpoint

import (
	"azzel/core/kind"
	"azzel/core/kinds/props"
	"slices"
)

// Kind is a place to come back to.
var Kind = &kind.Kind{ID: 4, Word: "checkpoint", Name: "Checkpoint", Family: kind.Ways, Starts: true, Touch: true, Done: "reached",
	Purpose: "Who touched it comes back to here after falling or coming to harm.",
	Props:   slices.Concat(props.Facts, props.Presence)}
