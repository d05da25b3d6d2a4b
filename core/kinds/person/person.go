// Package person is the kind of pieces that the player speaks to.
package person

import (
	"iter"
	"slices"

	"azzel/core/body"
	"azzel/core/kind"
	"azzel/core/kinds/going"
	"azzel/core/kinds/props"
	"azzel/core/stage"
)

// Their states.
var (
	unmet = &kind.State{Number: 18, Word: "unmet", Name: "not spoken to", Verb: "forgets that the player spoke to it"}
	met   = &kind.State{Number: 19, Word: "met", Name: "spoken to", Verb: "counts as spoken to"}
)

// Kind is somebody to speak to.
var Kind = &kind.Kind{ID: 21, Word: "person", Name: "Person", Family: kind.Folk, Acts: true, Goes: true, Ridden: true, Solid: true, Figure: true, Faces: true, Done: "spoken to",
	States: []*kind.State{unmet, met}, First: func(kind.Values) *kind.State { return unmet },
	Moments:   []*kind.Moment{props.Spoken, props.Lost},
	Changes:   []kind.Change{{From: unmet, To: met, By: props.Spoken}},
	Behaviour: behaviour{stage.Telling{Then: met}}, Picture: gardener,
	Purpose: "Says something to the player who speaks to them, depending on what holds. Everything else waits meanwhile.",
	Props: slices.Concat([]kind.Has{
		{Prop: props.Who},
		{Prop: props.Sayings},
		{Prop: props.SaysWhich},
		{Prop: props.SaysBy, Label: "Speaks"},
		{Prop: props.Manner},
		{Prop: props.Stops, Usual: 1, Only: kind.FromAbove, If: stands},
		{Prop: props.StopsGoing, Only: kind.FromAbove, If: goes},
		{Prop: props.Speed, If: goes},
		{Prop: props.Sight, If: goes},
		{Prop: props.Straying, Only: kind.FromAbove, If: goes},
		{Prop: props.Looks},
		{Prop: props.Track, If: goes},
		{Prop: props.Area, If: goes},
		{Prop: props.Power},
	}, props.Facts, []kind.Has{{Prop: props.Own, Apart: true}}, props.Presence)}

// stands reports whether somebody stays where they are, as is usual.
func stands(v kind.Values) bool {
	return v.Int(nil, props.Manner) == 0
}

func goes(v kind.Values) bool { return !stands(v) }

// A person speaks, and goes about.
type behaviour struct{ stage.Telling }

// Move implements stage.Mover. Who comes up to the player stays beside them.
func (behaviour) Move(all iter.Seq[*stage.Actor], around stage.Around) {
	folk := going.New(around)
	for a := range all {
		does := a.Acts.Does
		if does == props.Follows && beside(a, around) {
			a.Acts.Does = props.Stands
		}
		folk.Go(a)
		a.Acts.Does = does
	}
}

// beside reports whether the player is within half a cell of somebody.
func beside(a *stage.Actor, around stage.Around) bool {
	foot, size := around.Player()
	l := around.Ground().Lattice
	near := a.Box()
	near.X0, near.X1 = near.X0-l.W*body.Unit/2, near.X1+l.W*body.Unit/2
	near.Y0, near.Y1 = near.Y0-l.H*body.Unit/2, near.Y1+l.H*body.Unit/2
	return near.Meets(size.Box(foot))
}
