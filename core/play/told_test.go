package play_test

import (
	"fmt"

	"azzel/core/kind"
	"azzel/core/kinds/props"
	"azzel/core/play"
	"azzel/core/world"
)

// toldTexts are what was told when plays were stored, which their sums hold: what is told anew is left out of them.
var toldTexts = map[*kind.Moment]string{
	play.Elsewhere: "You can't stand there, so play began on the nearest free cell.",
	play.AtSpawn:   "There is no room there, so you are at the spawn.",
	play.NoSpawn:   "There is no spawn yet, so you stand on the first map.",
	props.Taken:    "Taken.",
	play.Crossed:   "Through.",
	play.NoLanding: "There is no room beside the doorway on the other side, so you stand in it.",
	play.TooLarge:  "You are too large for the map on the other side, so you stay here.",
	play.Crushed:   "Crushed: back to where you came in.",
	props.Stomped:  "Jumped on it.",
	props.Threw:    "Up!",
	props.Broken:   "Broken.",
	play.NoRoom:    "There is no room to let go of it here.",
	play.Sank:      "No longer on the raft: back to where you came in.",
	play.Hurt:      "That hurt.",
	play.Harmed:    "That was too much: back to where you came in.",
	props.Reached:  "Checkpoint: you come back to here.",
	play.Fell:      "That edge is deadly: back to where you came in.",
	props.LetOut:   "Finished.",
}

// toldText is what was told of an event, empty for nothing.
func toldText(d *world.Document, e play.Event) string {
	i := d.Item(e.Item)
	switch {
	case i != nil && e.Moment == props.Taken:
		return i.Times(e.Count) + ": taken."
	case i != nil && e.Moment == props.Full:
		return fmt.Sprintf("You can't carry more of %s than %d.", i.Name, e.Count)
	case i != nil && e.Count == 1:
		return "You need " + i.Name + " here."
	case i != nil:
		return fmt.Sprintf("You need %s here, and have %d.", i.Times(e.Count), e.Had)
	}
	return toldTexts[e.Moment]
}

// toldTo is what was told of several events.
func toldTo(d *world.Document, events []play.Event) (list []string) {
	for _, e := range events {
		if text := toldText(d, e); text != "" {
			list = append(list, text)
		}
	}
	return list
}
