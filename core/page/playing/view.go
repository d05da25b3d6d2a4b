package playing

import (
	"azzel/core/page"
	"azzel/core/page/maps"
)

// Play is what is to be seen of the game.
type Play struct {
	Map string `json:"map"`
	// X and Y are the player's foot.
	X float64 `json:"x"`
	Y float64 `json:"y"`
	// Body is the player's body, Spot where their picture is drawn.
	Body page.BodyView `json:"body"`
	Spot page.SpotView `json:"spot"`
	// Below and Above are how the layers of the map are drawn: those up to the one on which the player walks, and those over it.
	Below []maps.Slab `json:"below"`
	Above []maps.Slab `json:"above"`
	// Facing is 0 south, 1 west, 2 east, 3 north.
	Facing int `json:"facing"`
	// Step is which frame of walking is shown, Doing what one does.
	Step  int    `json:"step"`
	Doing string `json:"doing"`
	// Sprite is which frame of the sheet of the character Who is seen, −1 for the built-in figure; Mirrored
	// says that it is mirrored.
	Who      string `json:"who"`
	Sprite   int    `json:"sprite"`
	Mirrored bool   `json:"mirrored"`
	// FromSide says that it is in side-view.
	FromSide bool `json:"fromSide"`
	// Health of MostHealth is left; Safe says that nothing hurts for a moment.
	Health     int          `json:"health"`
	MostHealth int          `json:"mostHealth"`
	Safe       bool         `json:"safe"`
	Frame      page.BoxView `json:"frame"`
	// Ticks is the tick that is shown, First and Last are those between which one can go,
	// Changes some of those after which the document was changed.
	Ticks   int   `json:"ticks"`
	First   int   `json:"first"`
	Last    int   `json:"last"`
	Changes []int `json:"changes"`
	Steps   int   `json:"steps"`
	Taken   int   `json:"taken"`
	// ToDo are the objectives that are open, empty for none.
	ToDo  string `json:"toDo"`
	Total int    `json:"total"`
	// GoneIDs are the pieces that were taken, or are not there now because something does not hold.
	GoneIDs []string `json:"goneIds"`
	// CastMaps are the maps on which pieces act now, Things those pieces, near what the player sees.
	CastMaps []string    `json:"castMaps"`
	Things   []ThingView `json:"things"`
	// Still are the pieces that do not act and have pictures of their own, as they are seen now.
	Still []StillView `json:"still"`
	// Shots are x and y of what flies, in turns; MyShots of what the player shot.
	Shots   []float64 `json:"shots"`
	MyShots []float64 `json:"myShots"`
	// ShakeX and ShakeY are by how many pixels the camera is shaken, Striking how many cells a strike
	// reaches that is seen, 0 for none.
	ShakeX   int     `json:"shakeX"`
	ShakeY   int     `json:"shakeY"`
	Striking float64 `json:"striking"`
	// Dark is how dark the screen is, in hundredths.
	Dark int `json:"dark"`
	// OnIDs are the pieces that are in the other state of their type.
	OnIDs []string `json:"onIds"`
	// Live are the wires that are on.
	Live     []string `json:"live"`
	Finished bool     `json:"finished"`
	Events   []string `json:"events"`
	// Helps are what there is for who tests, HelpsOn says which are on.
	Helps   []string `json:"helps"`
	HelpsOn []bool   `json:"helpsOn"`
	// Has is what the player has, in words; empty for nothing.
	Has string `json:"has"`
	// Goal is the cell to which the player was sent.
	Goal *page.BoxView `json:"goal"`
	// Reading is what the player reads while everything else waits; nil for nothing.
	Reading *ReadingView `json:"reading"`
}
