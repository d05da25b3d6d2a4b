// Package mark is the kind of named spots.
package mark

import "azzel/core/kind"

// Kind is a named spot.
var Kind = &kind.Kind{ID: 13, Word: "mark", Name: "Mark", Family: kind.Ways, Starts: true, Named: true, Always: true,
	Purpose: "A spot with a name: play can begin on it, and who tests can go to it."}
