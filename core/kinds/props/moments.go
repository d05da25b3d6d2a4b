package props

import "azzel/core/kind"

// What can happen to pieces.
var (
	Taken    = &kind.Moment{Number: 1, Word: "taken", Name: "taken"}
	Full     = &kind.Moment{Number: 2, Word: "full", Name: "left for lack of room"}
	Reached  = &kind.Moment{Number: 3, Word: "reached", Name: "reached"}
	Left     = &kind.Moment{Number: 4, Word: "left-behind", Name: "no longer come back to"}
	Broken   = &kind.Moment{Number: 5, Word: "broken", Name: "broken"}
	Defeated = &kind.Moment{Number: 6, Word: "defeated", Name: "defeated"}
	Lost     = &kind.Moment{Number: 7, Word: "lost", Name: "gone off the map"}
	Stomped  = &kind.Moment{Number: 8, Word: "stomped", Name: "jumped on"}
	Threw    = &kind.Moment{Number: 9, Word: "threw", Name: "jumped on to be thrown up"}
	LetOut   = &kind.Moment{Number: 10, Word: "let-out", Name: "gone out by"}
	Refused  = &kind.Moment{Number: 11, Word: "refused", Name: "come to in vain"}
	Hit      = &kind.Moment{Number: 12, Word: "hit", Name: "hit"}
	Opened   = &kind.Moment{Number: 13, Word: "opened", Name: "opened"}
	Shut     = &kind.Moment{Number: 14, Word: "shut", Name: "shut"}
	Pressed  = &kind.Moment{Number: 15, Word: "pressed", Name: "pressed"}
	Released = &kind.Moment{Number: 16, Word: "released", Name: "released"}
	Emptied  = &kind.Moment{Number: 17, Word: "emptied", Name: "opened and emptied"}
	Filled   = &kind.Moment{Number: 18, Word: "filled", Name: "filled again"}
	Read     = &kind.Moment{Number: 19, Word: "read", Name: "read"}
	Spoken   = &kind.Moment{Number: 20, Word: "spoken-to", Name: "spoken to"}

	// SwitchedOn and SwitchedOff are of all pieces that have power.
	SwitchedOn  = &kind.Moment{Number: 21, Word: "switched-on", Name: "switched on"}
	SwitchedOff = &kind.Moment{Number: 22, Word: "switched-off", Name: "switched off"}
)
