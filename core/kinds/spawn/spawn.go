// Package spawn is the kind of pieces where play begins.
package spawn

import "azzel/core/kind"

// Kind is where play begins.
var Kind = &kind.Kind{ID: 1, Word: "spawn", Name: "Spawn", Family: kind.Ways, Single: true, Begins: true, Always: true,
	Purpose: "Where play begins. There is one in a project; placing another moves it."}
