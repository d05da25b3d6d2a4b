// Package switches is the kind of pieces that are pressed, of which conditions of others ask whether they are.
package switches

import (
	"iter"
	"slices"

	"azzel/core/kind"
	"azzel/core/kinds/props"
	"azzel/core/limit"
	"azzel/core/stage"
)

// Its states.
var (
	released = &kind.State{Number: 12, Word: "released", Name: "not pressed", Verb: "is released", Flat: true}
	pressed  = &kind.State{Number: 13, Word: "pressed", Name: "pressed", Verb: "is pressed", Picture: down, Flat: true}
)

// By what it is pressed, the options of By.
const (
	ByPlayer = iota
	ByThing
	ByUse
	ByStrike
)

// What comes of that, the options of Then.
const (
	Springs = iota
	Stays
	Toggles
)

// second is how many ticks there are in one.
const second = 60

// By is by what a switch is pressed, Takes how many of them it takes, Then what comes of that, For for how long it stays pressed.
var (
	By = &kind.Prop{Field: 45, Changes: true, Word: "pressed-by", Label: "Pressed by", Name: "by what a switch is pressed", Sort: kind.Choice, Options: []string{"the player on it", "a thing on it", "the player using it", "a strike or shot"},
		Help: "Whether it is pressed by the player who steps on it, by crates or foes on it, by the player who uses it, or by what they strike, shoot and throw."}
	Then = &kind.Prop{Field: 46, Changes: true, Word: "then", Label: "Then it", Name: "what comes of pressing a switch", Sort: kind.Choice, Options: []string{"springs back", "stays pressed", "changes over"},
		Help: "Whether it is released once nothing presses it any more, stays as it is, or is pressed and released in turns."}
	For = &kind.Prop{Field: 47, Changes: true, Word: "pressed-for", Label: "Pressed for", Name: "for how long a switch stays pressed, in ticks,", Unit: "s", Per: second, Most: limit.Interval, Reach: 10 * second,
		Help: "How long it stays pressed once nothing presses it any more; 0 for no longer, and for ever of one that stays."}
	Takes = &kind.Prop{Field: 61, Changes: true, Word: "takes", Label: "Takes", Name: "how many press a switch", Usual: 1, Least: 1, Most: 9, Reach: 9,
		Help: "How many things must be on it at once, or how many strikes and shots it takes."}
)

// Kind is something to press.
var Kind = &kind.Kind{ID: 18, Word: "switch", Name: "Switch", Family: kind.Workings, Acts: true, Worked: true,
	Side: plate, SideOf: sideOf, Above: kind.Extent{W: 3, OfW: 4, H: 3, OfH: 4},
	States: []*kind.State{released, pressed}, First: func(kind.Values) *kind.State { return released },
	Moments:   []*kind.Moment{props.Pressed, props.Released},
	Changes:   []kind.Change{{From: released, To: pressed, By: props.Pressed}, {From: pressed, To: released, By: props.Released}},
	Behaviour: behaviour{}, Picture: up,
	Purpose: "The player or a thing presses it, by standing on it, using it or striking it. Wires that begin at it work other pieces; conditions ask whether it is pressed.",
	Props: slices.Concat([]kind.Has{
		{Prop: By},
		{Prop: Takes, If: func(v kind.Values) bool { by := v.Int(nil, By); return by == ByThing || by == ByStrike }},
		{Prop: props.Only},
		{Prop: Then},
		{Prop: For, If: func(v kind.Values) bool { return v.Int(nil, Then) != Toggles }},
		{Prop: props.Power},
	}, []kind.Has{{Prop: props.Own, Apart: true}}, props.Presence)}

// plate is how large what one steps on is from the side, target what one strikes.
var (
	plate  = kind.Extent{W: 3, OfW: 4, H: 1, OfH: 8}
	target = kind.Extent{W: 3, OfW: 4, H: 7, OfH: 8}
)

func sideOf(v kind.Values) kind.Extent {
	if v.Int(nil, By) == ByStrike {
		return target
	}
	return plate
}

// A switch is pressed and released.
type behaviour struct{}

// Used implements stage.Used.
func (behaviour) Used(self stage.Self, do stage.Effects) {
	switch {
	case self.Int(By) != ByUse:
	case self.State == released:
		do.Become(pressed)
	case self.Int(Then) == Toggles:
		do.Become(released)
	}
}

// Bears implements stage.Struck.
func (behaviour) Bears(a *stage.Actor) bool { return a.Int(By) == ByStrike }

// Struck implements stage.Struck.
func (behaviour) Struck(a *stage.Actor, around stage.Around) {
	is := around.State(a)
	if is == pressed && a.Int(Then) != Toggles {
		// What presses it anew lets it stay so as long again.
		a.Left = 0
		return
	}
	if a.Hits++; int(a.Hits) < a.Int(Takes) {
		return
	}
	if a.Hits = 0; is == pressed {
		around.Become(a, released)
		return
	}
	around.Become(a, pressed)
}

// Move implements stage.Mover: it asks what is on each switch, and counts for how long it has been let go.
func (behaviour) Move(all iter.Seq[*stage.Actor], around stage.Around) {
	for a := range all {
		player, things := around.On(a)
		by, then, most := a.Int(By), a.Int(Then), a.Int(For)
		on := by == ByPlayer && player || by == ByThing && things >= a.Int(Takes)
		is, was := around.State(a), a.Back
		a.Back = on
		switch {
		case on && !was && is == released:
			around.Become(a, pressed)
		case on && !was && then == Toggles:
			around.Become(a, released)
		case on || is == released || then == Toggles:
			a.Left = 0
		case then == Stays && most == 0:
		default:
			if a.Left++; int(a.Left) > most {
				a.Left = 0
				around.Become(a, released)
			}
		}
	}
}
