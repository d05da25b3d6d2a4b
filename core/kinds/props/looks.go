package props

import "azzel/core/kind"

// How it stirs by itself, the options of Stirs.
const (
	KeepsStill = iota
	Pulses
	Bobs
	Spins
	Sways
)

// How the picture of a piece is seen, round its middle.
var (
	Size = &kind.Prop{Field: 68, Seen: true, Word: "size", Label: "Size", Name: "how large a decoration is", Unit: "%", Usual: 100, Least: 10, Most: 800, Reach: 300,
		Help: "How large its picture is seen, beside its own size."}
	Turned = &kind.Prop{Field: 69, Seen: true, Word: "turned", Label: "Turned", Name: "by how much a decoration is turned", Unit: "°", Most: 359, Reach: 359,
		Help: "By how many degrees its picture is turned to the right."}
	Flipped = &kind.Prop{Field: 70, Seen: true, Word: "flipped", Label: "Mirrored", Name: "whether a decoration is mirrored", Sort: kind.YesNo,
		Help: "Whether its picture is mirrored left to right."}
	Fade = &kind.Prop{Field: 71, Seen: true, Word: "faded", Label: "Faded", Name: "how faded a decoration is", Unit: "%", Most: 100, Reach: 100,
		Help: "How much of what lies behind it is seen through it."}
	Tint = &kind.Prop{Field: 72, Seen: true, Word: "tinted", Label: "Tinted", Name: "the tint of a decoration", Sort: kind.Colour, None: "none",
		Help: "The colour with which that of its picture is mixed."}
	Stirs = &kind.Prop{Field: 73, Seen: true, Word: "stirs", Label: "Stirs", Name: "how a decoration stirs", Sort: kind.Choice, Options: []string{"keeps still", "pulses", "bobs", "spins", "sways"},
		Help: "How its picture moves by itself, without frames: larger and smaller, up and down, round, or to and fro."}
	StirsBy = &kind.Prop{Field: 74, Seen: true, Word: "stirs-by", Label: "By", Name: "by how much a decoration stirs", Unit: "%", Usual: 10, Least: 1, Most: 100, Reach: 50,
		Help: "By how much of its size it pulses or bobs, or by how much of a quarter turn it sways."}
	StirsIn = &kind.Prop{Field: 75, Seen: true, Word: "stirs-in", Label: "Once in", Name: "how long a decoration takes to stir once", Unit: "s", Per: second, Usual: 2 * second, Least: 6, Most: 3600, Reach: 10 * second,
		Help: "How long it takes until it is where it was."}
)
