// Package door is the kind of pieces that stop what moves until they are opened.
package door

import (
	"iter"
	"slices"

	"azzel/core/kind"
	"azzel/core/kinds/props"
	"azzel/core/stage"
)

// Its states. What needs something is locked until it is opened for the first time.
var (
	closed = &kind.State{Number: 9, Word: "closed", Name: "closed", Verb: "shuts"}
	open   = &kind.State{Number: 10, Word: "open", Name: "open", Verb: "opens", Passable: true, Flat: true, Picture: ajar}
	locked = &kind.State{Number: 11, Word: "locked", Name: "locked", Verb: "is locked", Picture: barred}
)

// How it opens, the options of props.Opens.
const (
	byTouch = iota
	byUse
)

// Kind is a way that can be shut.
var Kind = &kind.Kind{ID: 17, Word: "door", Name: "Door", Family: kind.Workings, Acts: true, Solid: true, Fills: true, Worked: true,
	Side: kind.Extent{W: 1, OfW: 1, H: 1, OfH: 1}, Above: kind.Extent{W: 1, OfW: 1, H: 1, OfH: 1},
	States: []*kind.State{closed, open, locked}, First: first,
	Moments: []*kind.Moment{props.Opened, props.Shut, props.Refused},
	Changes: []kind.Change{
		{From: closed, To: open, By: props.Opened},
		{From: locked, To: open, By: props.Opened, Needs: []*kind.Prop{props.Needs}},
		{From: open, To: closed, By: props.Shut, Needs: []*kind.Prop{props.ShutsAfter}},
	},
	Behaviour: behaviour{}, Picture: picture,
	Purpose: "Solid until it is opened: by walking against it or using it, with what it needs, or by a wire.",
	Props: slices.Concat([]kind.Has{
		{Prop: props.Opens},
		{Prop: props.Needs},
		{Prop: props.UsesUp, If: props.AsksForItem},
		{Prop: props.ShutsAfter},
		{Prop: props.Width},
		{Prop: props.Height},
		{Prop: props.Power},
	}, []kind.Has{{Prop: props.Own, Apart: true}}, props.Presence)}

func first(v kind.Values) *kind.State {
	if props.AsksFor(v) {
		return locked
	}
	return closed
}

// A door opens for the player, and shuts by itself.
type behaviour struct{}

// Touched implements stage.Touched.
func (behaviour) Touched(self stage.Self, _ stage.Touch, do stage.Effects) {
	if self.Int(props.Opens) == byTouch {
		opens(self, do)
	}
}

// Used implements stage.Used.
func (behaviour) Used(self stage.Self, do stage.Effects) {
	if self.Int(props.Opens) == byUse {
		opens(self, do)
	}
}

func opens(self stage.Self, do stage.Effects) {
	switch self.State {
	case closed:
		do.Become(open)
	case locked:
		do.Unlock(open, self.Int(props.UsesUp) != 0)
	}
}

// Move implements stage.Mover: a door that is open shuts after a while, once nothing stands in it.
func (behaviour) Move(all iter.Seq[*stage.Actor], around stage.Around) {
	stage.Revert(all, around, open, closed, props.ShutsAfter)
}
