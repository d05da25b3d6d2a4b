package play

import (
	"slices"

	"azzel/core/kind"
	"azzel/core/kinds/props"
	"azzel/core/logic"
	"azzel/core/world"
)

// An Event is that something happened during a tick or a change.
type Event struct {
	Moment *kind.Moment
	// Piece is the piece to which it happened, or the emitter that it came out of; 0 for the player.
	Piece world.ID
	// Item is what was taken or is lacking, Count how many, or how many are needed, Had how many of those the player has.
	Item       world.ID
	Count, Had int
	// Fact is the objective that was given or reached.
	Fact world.ID
	// Tick is after which tick.
	Tick int
}

// What can happen to the player, beside what their pieces declare.
var (
	// Elsewhere: they could not stand where play was to begin.
	Elsewhere = &kind.Moment{Number: 1000, Word: "elsewhere"}
	// AtSpawn: there was no free place, so play went on at the spawn.
	AtSpawn = &kind.Moment{Number: 1001, Word: "at-spawn"}
	// NoSpawn: there is no spawn to begin at.
	NoSpawn = &kind.Moment{Number: 1002, Word: "no-spawn"}
	// Crossed: a crossing was taken.
	Crossed = &kind.Moment{Number: 1003, Word: "crossed"}
	// NoLanding: nobody can stand beside the doorway on the other side.
	NoLanding = &kind.Moment{Number: 1004, Word: "no-landing"}
	// TooLarge: nobody of the player's size can stand on the map on the other side.
	TooLarge = &kind.Moment{Number: 1005, Word: "too-large"}
	// Crushed: they were between two things.
	Crushed = &kind.Moment{Number: 1006, Word: "crushed"}
	// NoRoom: what is carried can't be let go of.
	NoRoom = &kind.Moment{Number: 1007, Word: "no-room"}
	// Sank: a raft left them in the water.
	Sank = &kind.Moment{Number: 1008, Word: "sank"}
	// Hurt: something hurt them.
	Hurt = logic.PlayerHurt
	// Harmed: their health was used up.
	Harmed = logic.PlayerHarmed
	// Fell: they went over a deadly edge.
	Fell = logic.PlayerFell
	// Ended: a rule ended the play.
	Ended = &kind.Moment{Number: 1012, Word: "ended"}
	// Jammed: rules set one another off without end.
	Jammed = &kind.Moment{Number: 1013, Word: "jammed"}
	// Given and Achieved: an objective is open from now on, and was reached.
	Given    = &kind.Moment{Number: 1014, Word: "given"}
	Achieved = &kind.Moment{Number: 1015, Word: "achieved"}
	// HasNothing: the player has nothing that could be used. Useless: no rule went as an item was used.
	HasNothing = &kind.Moment{Number: 1016, Word: "has-nothing"}
	Useless    = &kind.Moment{Number: 1017, Word: "useless"}
)

// Happened reports whether a moment is among some events.
func Happened(events []Event, m *kind.Moment) bool {
	return slices.ContainsFunc(events, func(e Event) bool { return e.Moment == m })
}

// tell notes what happened.
func (g *Game) tell(e Event) {
	e.Tick = g.tick
	if i, there := g.thing(e.Piece); there {
		e.Piece = g.things[i].Piece()
	}
	g.events = append(g.events, e)
	if g.book.Listens(e.Moment.Number) {
		g.runs.Raise(g.book, logic.Happened{Moment: e.Moment.Number, Thing: e.Piece})
	}
}

// happens notes that something happened to the player.
func (g *Game) happens(m *kind.Moment) { g.tell(Event{Moment: m}) }

// befalls notes that something happened to a piece.
func (g *Game) befalls(m *kind.Moment, piece world.ID) { g.tell(Event{Moment: m, Piece: piece}) }

// comesBackTo takes a checkpoint as the one to which the player comes back, 0 for none.
func (g *Game) comesBackTo(checkpoint world.ID) {
	if g.checkpoint != 0 && g.checkpoint != checkpoint {
		g.befalls(props.Left, g.checkpoint)
	}
	g.checkpoint = checkpoint
}
