// Package foe is the kind of pieces that hurt the player and move by themselves.
package foe

import (
	"slices"

	"azzel/core/kind"
	"azzel/core/kinds/props"
	"azzel/core/stage"
)

// Its states.
var (
	unbeaten = &kind.State{Number: 7, Word: "unbeaten", Name: "not defeated", Verb: "is not defeated any more"}
	defeated = &kind.State{Number: 8, Word: "defeated", Name: "defeated", Verb: "is defeated", Gone: true}
)

// Kind is somebody to beware of.
var Kind = &kind.Kind{ID: 6, Word: "foe", Name: "Foe", Family: kind.Folk, Acts: true, Goes: true, Ridden: true, Hurts: true, Struck: true, Figure: true, Faces: true, Done: "defeated",
	States: []*kind.State{unbeaten, defeated}, Moments: []*kind.Moment{props.Hit, props.Stomped, props.Defeated, props.Lost}, Beaten: props.Defeated,
	Changes:   []kind.Change{{From: unbeaten, To: defeated, By: props.Defeated, Needs: []*kind.Prop{props.Bears}, Lasting: true}, {From: unbeaten, To: defeated, By: props.Lost, Lasting: true}},
	Behaviour: behaviour{}, Picture: picture,
	Purpose:  "Hurts who touches it, and shoots if told to; from the side one can jump on it.",
	Range:    []*kind.Prop{props.Sight, props.Straying, props.Reach},
	Strength: []*kind.Prop{props.Harm},
	Props: slices.Concat([]kind.Has{
		{Prop: props.Does},
		{Prop: props.Speed},
		{Prop: props.Sight},
		{Prop: props.Straying, Only: kind.FromAbove}, // from the side it turns at walls, ledges and the edge of its area
		{Prop: props.Harm},
		{Prop: props.Bears},
		{Prop: props.Every, Label: "Shoots every"},
		{Prop: props.Shot, If: props.Shoots},
		{Prop: props.Reach, If: props.Shoots},
		{Prop: props.Looks},
		{Prop: props.Who},
		{Prop: props.Track},
		{Prop: props.Area},
	}, []kind.Has{{Prop: props.Power}}, props.Facts, []kind.Has{{Prop: props.Own, Apart: true}}, props.Presence)}

// A foe hurts, unless the player jumps onto it.
type behaviour struct{}

// Touched implements stage.Touched.
func (behaviour) Touched(self stage.Self, how stage.Touch, do stage.Effects) {
	if how.Onto && how.Stomps {
		do.Stomped()
		return
	}
	do.Hurt(self.Int(props.Harm))
}
