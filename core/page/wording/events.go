package wording

import (
	"fmt"

	"azzel/core/kinds/props"
	"azzel/core/logic"
	"azzel/core/play"
	"azzel/core/world"
)

// momentTexts is what the player is told of what happened, by the numbers of moments, where no more is to be said of it.
var momentTexts = map[int]string{
	play.Elsewhere.Number:  "You can't stand there, so play began on the nearest free cell.",
	play.AtSpawn.Number:    "There is no room there, so you are at the spawn.",
	play.NoSpawn.Number:    "There is no spawn yet, so you stand on the first map.",
	play.Crossed.Number:    "Through.",
	play.NoLanding.Number:  "There is no room beside the doorway on the other side, so you stand in it.",
	play.TooLarge.Number:   "You are too large for the map on the other side, so you stay here.",
	play.Crushed.Number:    "Crushed: back to where you came in.",
	play.NoRoom.Number:     "There is no room to let go of it here.",
	play.Sank.Number:       "No longer on the raft: back to where you came in.",
	play.Hurt.Number:       "That hurt.",
	play.Harmed.Number:     "That was too much: back to where you came in.",
	play.Fell.Number:       "That edge is deadly: back to where you came in.",
	play.Jammed.Number:     "The game stands still: rules set one another off without end. Change one of them to go on.",
	play.HasNothing.Number: "You have nothing yet.",
	props.Taken.Number:     "Taken.",
	props.Stomped.Number:   "Jumped on it.",
	props.Threw.Number:     "Up!",
	props.Broken.Number:    "Broken.",
	props.Reached.Number:   "Checkpoint: you come back to here.",
	props.LetOut.Number:    "Finished.",
	props.Refused.Number:   "Something is still needed here.",
	props.Opened.Number:    "Opened.",
	props.Shut.Number:      "Shut.",
	props.Pressed.Number:   "Pressed.",
	props.Released.Number:  "Released.",
	props.Emptied.Number:   "Opened: there is nothing in it.",
	props.Filled.Number:    "Filled again.",
	props.Read.Number:      "Read.",
	props.Spoken.Number:    "Spoken to.",
}

// EventText is what the player is told of what happened, empty for nothing.
func EventText(d *world.Document, e play.Event) string {
	i := d.Item(e.Item)
	if f := d.Fact(e.Fact); f != nil && e.Moment == play.Given {
		return "To do: " + f.Name + "."
	} else if f != nil && e.Moment == play.Achieved {
		return "Done: " + f.Name + "."
	}
	if _, p := d.Piece(e.Piece); e.Moment == props.Emptied && i == nil && p != nil && props.LetsOut(p.All()) {
		return "Opened: something was in it."
	}
	switch {
	case i == nil:
	case e.Moment == props.Taken:
		return i.Times(e.Count) + ": taken."
	case e.Moment == logic.ItemUsed:
		return i.Name + ": used."
	case e.Moment == play.Useless:
		return i.Name + ": nothing comes of using it here."
	case e.Moment == props.Emptied:
		return "Opened: " + i.Times(e.Count) + "."
	case e.Moment == props.Full:
		return fmt.Sprintf("You can't carry more of %s than %d.", i.Name, e.Count)
	case e.Moment == props.Refused && e.Count == 1:
		return "You need " + i.Name + " here."
	case e.Moment == props.Refused:
		return fmt.Sprintf("You need %s here, and have %d.", i.Times(e.Count), e.Had)
	}
	return momentTexts[e.Moment.Number]
}
