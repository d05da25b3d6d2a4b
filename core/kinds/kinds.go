// Package kinds registers every built-in kind of piece. To add one, make a folder for it beside the others and name it
// here.
package kinds

import (
	"slices"

	"azzel/core/kind"
	"azzel/core/kinds/breakable"
	"azzel/core/kinds/checkpoint"
	"azzel/core/kinds/collectible"
	"azzel/core/kinds/container"
	"azzel/core/kinds/conveyor"
	"azzel/core/kinds/decoration"
	"azzel/core/kinds/door"
	"azzel/core/kinds/emitter"
	"azzel/core/kinds/exit"
	"azzel/core/kinds/foe"
	"azzel/core/kinds/gate"
	"azzel/core/kinds/hazard"
	"azzel/core/kinds/lottery"
	"azzel/core/kinds/mark"
	"azzel/core/kinds/person"
	"azzel/core/kinds/platform"
	"azzel/core/kinds/props"
	"azzel/core/kinds/pushable"
	"azzel/core/kinds/sign"
	"azzel/core/kinds/spawn"
	"azzel/core/kinds/spring"
	"azzel/core/kinds/switches"
)

// The kinds are shown in this order, those that are placed seldom after the others.
func init() {
	for _, k := range []*kind.Kind{
		spawn.Kind, exit.Kind, checkpoint.Kind, platform.Kind, conveyor.Kind, spring.Kind, foe.Kind, hazard.Kind,
		collectible.Kind, door.Kind, gate.Kind, switches.Kind, pushable.Kind, breakable.Kind, emitter.Kind, container.Kind, sign.Kind, person.Kind, decoration.Kind, lottery.Kind, mark.Kind,
	} {
		if slices.ContainsFunc(k.Props, func(h kind.Has) bool { return h.Prop == props.Power }) {
			k.Moments = append(k.Moments, props.SwitchedOn, props.SwitchedOff)
		}
		kind.Register(k)
	}
}
