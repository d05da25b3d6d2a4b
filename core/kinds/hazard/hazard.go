// Package hazard is the kind of pieces that hurt the player and stay where they are.
package hazard

import (
	"azzel/core/kind"
	"azzel/core/kinds/props"
	"azzel/core/stage"
)

// Kind is something that hurts.
var Kind = &kind.Kind{ID: 8, Word: "hazard", Name: "Hazard", Family: kind.Hazards, Acts: true, Hurts: true,
	Behaviour: behaviour{}, Picture: picture,
	Purpose:  "Hurts who touches it.",
	Strength: []*kind.Prop{props.Harm},
	Props:    append([]kind.Has{{Prop: props.Harm}, {Prop: props.Power}}, props.Presence...)}

// A hazard hurts.
type behaviour struct{}

// Touched implements stage.Touched.
func (behaviour) Touched(self stage.Self, _ stage.Touch, do stage.Effects) {
	do.Hurt(self.Int(props.Harm))
}
