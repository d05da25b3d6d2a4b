package page

import (
	"azzel/core/pace"
	"azzel/core/world"
)

// Given is what whoever plays kept replays has been told, and what is to be told next.
type Given struct {
	// Doc is the document they have, nil for none.
	Doc *world.Document
	// To is the document that work makes a message of.
	To      *world.Document
	Work    *pace.Work
	Message []byte
	Asked   *Asked
}

// Asked is what is to be tried over which replay, in the unit of the term; no values end the trial.
type Asked struct {
	Replay world.ID  `json:"replay"`
	Term   string    `json:"term"`
	Values []float64 `json:"values"`
}
