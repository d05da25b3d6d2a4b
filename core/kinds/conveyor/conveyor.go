// Package conveyor is the kind of pieces that move what stands on them, and stay where they are.
package conveyor

import (
	"iter"

	"azzel/core/kind"
	"azzel/core/kinds/props"
	"azzel/core/stage"
	"azzel/core/world"
)

// Kind is a belt.
var Kind = &kind.Kind{ID: 23, Word: "conveyor", Name: "Conveyor", Family: kind.Workings, Acts: true, Solid: true, Fills: true, Lies: true, Seldom: true,
	Side: kind.Extent{W: 1, OfW: 1, H: 1, OfH: 2}, Above: kind.Extent{W: 1, OfW: 1, H: 1, OfH: 1},
	Behaviour: behaviour{}, Picture: side, Other: above,
	Placed:  kind.Set(props.Toward.Is(east)),
	Purpose: "Moves what stands on it to one side: the player, crates, people and foes. Off, it stands still.",
	Props: append([]kind.Has{
		{Prop: props.Toward, Label: "Runs to the"},
		{Prop: props.Speed, Usual: 20},
		{Prop: props.Width, Usual: 3},
		{Prop: props.Height},
		{Prop: props.Power},
	}, props.Presence...)}

// east is the option of props.Toward to which a belt runs that was just placed.
const east = int(world.East) + 1

// A belt stays where it is.
type behaviour struct{}

// Carry implements stage.Carrier.
func (behaviour) Carry(all iter.Seq[*stage.Actor], around stage.Around) {
	for a := range all {
		a.Place = a.Foot
		dx, dy := 0, 0
		switch a.Int(props.Toward) - 1 {
		case int(world.West):
			dx = -a.Step
		case int(world.East):
			dx = a.Step
		case int(world.North):
			dy = -a.Step
		case int(world.South):
			dy = a.Step
		}
		if around.Side() {
			dy = 0 // nothing is moved up or down
		}
		if dx != 0 || dy != 0 {
			around.Moved(a, dx, dy)
		}
	}
}
