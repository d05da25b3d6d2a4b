package world

// A Family groups types that are drawn with the same outline.
type Family string

// Ways lead somewhere, Things can be had.
const (
	Ways   Family = "ways"
	Things Family = "things"
	// Folk are people and foes, Workings do something for who uses them, Hazards hurt.
	Folk     Family = "people and foes"
	Workings Family = "workings"
	Hazards  Family = "hazards"
)

// A Type is what a piece is one of.
type Type struct {
	ID     ID
	Name   string
	Family Family
	// Purpose says in a sentence what such a piece does in play.
	Purpose string
}

// The built-in types.
const (
	Spawn       ID = 1
	Exit        ID = 2
	Collectible ID = 3
	Checkpoint  ID = 4
	// MovingPlatform goes to and fro and carries who stands on it.
	MovingPlatform ID = 5
	Foe            ID = 6
	Spring         ID = 7
	Hazard         ID = 8
	// Pushable is solid, pushed, carried and thrown; Breakable is solid until it was hit.
	Pushable  ID = 9
	Breakable ID = 10
	// Out of an Emitter something comes every so often; a Lottery piece is drawn when play begins.
	Emitter ID = 11
	Lottery ID = 12
	// Mark is a named spot.
	Mark ID = 13
)

// Types are the built-in types, in the order in which they are shown.
var Types = []Type{
	{Spawn, "Spawn", Ways, "Where play begins. There is one in a project; placing another moves it."},
	{Exit, "Exit", Ways, "Who walks onto it has finished, if they have what it needs."},
	{Checkpoint, "Checkpoint", Ways, "Who touched it comes back to here after falling or coming to harm."},
	{MovingPlatform, "Moving platform", Workings, "Goes to and fro or along a track, carries who stands on it and pushes who is in its way. From above, a raft."},
	{Spring, "Spring", Workings, "Throws up who comes down on it, in side-view."},
	{Foe, "Foe", Folk, "Hurts who touches it, and shoots if told to; from the side one can jump on it."},
	{Hazard, "Hazard", Hazards, "Hurts who touches it."},
	{Collectible, "Collectible", Things, "Taken by walking over it, and counted; it may give an item."},
	{Pushable, "Pushable", Workings, "Solid; pushed by walking into it, picked up, thrown and put down."},
	{Breakable, "Breakable", Workings, "Solid until it was struck, shot or thrown at often enough."},
	{Emitter, "Emitter", Workings, "Lets something come every so often, by weights."},
	{Lottery, "Lottery piece", Things, "Drawn when play begins: a collectible, a foe, a hazard, or nothing."},
	{Mark, "Mark", Ways, "A spot with a name: play can begin on it, and who tests can go to it."},
}

// TypeOf finds a type.
func TypeOf(id ID) (Type, bool) {
	for _, t := range Types {
		if t.ID == id {
			return t, true
		}
	}
	return Type{}, false
}

// A Facing is where somebody looks.
type Facing uint8

// The facings.
const (
	South Facing = iota
	West
	East
	North
)
