package play

import (
	"fmt"

	"azzel/core/world"
)

// An Event is something that happened during a tick or a change, to be told.
type Event string

// tookItem: a collectible gave so many of an item.
func tookItem(i *world.Item, n int) Event {
	return Event(i.Times(n) + ": taken.")
}

// fullOf: there is no room for more of an item.
func fullOf(i *world.Item) Event {
	return Event(fmt.Sprintf("You can't carry more of %s than %d.", i.Name, i.Room()))
}

// lacks: an exit needs so many of an item, of which one has fewer.
func lacks(i *world.Item, needs, has int) Event {
	if needs == 1 {
		return Event("You need " + i.Name + " here.")
	}
	return Event(fmt.Sprintf("You need %s here, and have %d.", i.Times(needs), has))
}

// The events.
const (
	// Elsewhere: one could not stand where play was to begin.
	Elsewhere Event = "You can't stand there, so play began on the nearest free cell."
	// AtSpawn: there was no free place, so play went on at the spawn.
	AtSpawn Event = "There is no room there, so you are at the spawn."
	// NoSpawn: there is no spawn to begin at.
	NoSpawn Event = "There is no spawn yet, so you stand on the first map."
	// Took: a collectible was taken.
	Took Event = "Taken."
	// Crossed: a crossing was taken.
	Crossed Event = "Through."
	// NoLanding: nobody can stand beside the doorway on the other side.
	NoLanding Event = "There is no room beside the doorway on the other side, so you stand in it."
	// TooLarge: nobody of the player's size can stand on the map on the other side.
	TooLarge Event = "You are too large for the map on the other side, so you stay here."
	// Crushed: one was between two things.
	Crushed Event = "Crushed: back to where you came in."
	// Stomped: one jumped on a foe.
	Stomped Event = "Jumped on it."
	// Sprung: a spring threw one up.
	Sprung Event = "Up!"
	// Broke: something was broken.
	Broke Event = "Broken."
	// Shut: an exit needs more than one thing, or another than an item.
	Shut Event = "This does not let you out yet."
	// NoRoom: what is carried can't be let go of.
	NoRoom Event = "There is no room to let go of it here."
	// Sank: a raft left one in the water.
	Sank Event = "No longer on the raft: back to where you came in."
	// Hurt: something hurt the player.
	Hurt Event = "That hurt."
	// Harmed: the player's health was used up.
	Harmed Event = "That was too much: back to where you came in."
	// Reached: one came to a checkpoint.
	Reached Event = "Checkpoint: you come back to here."
	// Fell: one went over a deadly edge.
	Fell Event = "That edge is deadly: back to where you came in."
	// Finished: an exit was reached.
	Finished Event = "Finished."
)
