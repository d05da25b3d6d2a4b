package play

import (
	"azzel/core/kinds/props"
	"azzel/core/world"
)

// An acting is how a piece acts: its properties, with the usual ones where it sets none, as they are asked for in
// each tick.
type acting struct {
	does, speed, sight, straying, reach, harm, every, most, shot, rest, bears, looks, amount int

	odds       world.Odds
	area, item world.ID
	sets       world.Change
}

func actingOf(p *world.Piece) acting {
	return acting{
		does: p.Int(props.Does), speed: p.Int(props.Speed), sight: p.Int(props.Sight), straying: p.Int(props.Straying), reach: p.Int(props.Reach),
		harm: p.Int(props.Harm), every: p.Int(props.Every), most: p.Int(props.Most), shot: p.Int(props.Shot),
		rest: p.Int(props.Rest), bears: p.Int(props.Bears), looks: p.Int(props.Looks), amount: p.Wanted(),
		odds: p.Odds(), area: p.Refers(props.Area), item: p.Refers(props.Item), sets: p.Sets(),
	}
}
