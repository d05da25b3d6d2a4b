// Package container is the kind of pieces that hold something for the player until it is taken out of them.
package container

import (
	"iter"
	"slices"

	"azzel/core/kind"
	"azzel/core/kinds/props"
	"azzel/core/stage"
)

// Its states.
var (
	full  = &kind.State{Number: 14, Word: "full", Name: "full", Verb: "is filled"}
	empty = &kind.State{Number: 15, Word: "empty", Name: "empty", Verb: "is emptied", Picture: open}
)

// By what it is opened, the options of By.
const (
	byTouch = iota
	byUse
)

// By is by what a container is opened.
var By = &kind.Prop{Field: 48, Changes: true, Word: "opened-by", Label: "Opened", Name: "by what a container is opened", Sort: kind.Choice, Options: []string{"when walked against", "when used"},
	Help: "Whether a player opens it who walks against it, or one who uses it."}

// Kind is something that holds something.
var Kind = &kind.Kind{ID: 19, Word: "container", Name: "Container", Family: kind.Things, Item: kind.Gives, Acts: true, Solid: true, Fills: true, Done: "opened",
	Side: kind.Extent{W: 1, OfW: 1, H: 1, OfH: 1}, Above: kind.Extent{W: 1, OfW: 1, H: 1, OfH: 1},
	States: []*kind.State{full, empty}, First: func(kind.Values) *kind.State { return full },
	Moments: []*kind.Moment{props.Emptied, props.Filled, props.Refused, props.Full},
	Changes: []kind.Change{
		{From: full, To: empty, By: props.Emptied, Needs: []*kind.Prop{props.Needs}, Gives: []*kind.Prop{props.Item, props.Amount}},
		{From: empty, To: full, By: props.Filled, Needs: []*kind.Prop{props.FillsAfter}},
	},
	Behaviour: behaviour{}, Picture: shut,
	Purpose:  "Gives an item to the player who opens it, with what it needs, or lets something out, and is empty then.",
	Strength: []*kind.Prop{props.Harm},
	Props: slices.Concat([]kind.Has{
		{Prop: props.Item, Label: "Gives"},
		{Prop: props.Amount, If: props.NamesItem},
		{Prop: By},
		{Prop: props.Needs},
		{Prop: props.UsesUp, If: props.AsksForItem},
		{Prop: props.FillsAfter},
		{Prop: props.Odds, Label: "Lets out, weight of", Usual: props.Nothing + 1},
		{Prop: props.Most, Label: "How many come out", Usual: 1, If: props.LetsOut},
		{Prop: props.Does, Label: "Foes here", If: props.LetsFoesOut},
		{Prop: props.Speed, Label: "Their speed", If: props.LetsFoesOut},
		{Prop: props.Harm, Label: "Hurt", If: props.LetsFoesOut},
		{Prop: props.Who, Label: "Foes are", If: props.LetsFoesOut},
		{Prop: props.Area, If: props.LetsFoesOut},
		{Prop: props.Power},
	}, props.Facts, []kind.Has{{Prop: props.Own, Apart: true}}, props.Presence)}

// A container is opened by the player, and full again after a while.
type behaviour struct{}

// Touched implements stage.Touched.
func (behaviour) Touched(self stage.Self, _ stage.Touch, do stage.Effects) {
	if self.Int(By) == byTouch && self.State == full {
		do.Give(empty, self.Int(props.UsesUp) != 0)
	}
}

// Used implements stage.Used.
func (behaviour) Used(self stage.Self, do stage.Effects) {
	if self.Int(By) == byUse && self.State == full {
		do.Give(empty, self.Int(props.UsesUp) != 0)
	}
}

// Move implements stage.Mover: a container that is empty is full again after a while. While the player leans against it, it is
// not: they would have it all at once.
func (behaviour) Move(all iter.Seq[*stage.Actor], around stage.Around) {
	stage.Revert(all, around, empty, full, props.FillsAfter)
}
