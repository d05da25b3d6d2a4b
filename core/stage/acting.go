package stage

import (
	"azzel/core/kinds/props"
	"azzel/core/world"
)

// An Acting is how a piece acts: its properties, with the usual ones where it sets none, as they are asked for in
// each tick.
type Acting struct {
	Does, Speed, Sight, Straying, Reach, Harm, Every, Most, Shot, Rest, Bears, Looks, Amount int

	Odds       world.Odds
	Area, Item world.ID
	Sets       world.Change
}

// ActingOf is how a piece acts.
func ActingOf(p *world.Piece) Acting {
	return Acting{
		Does: props.Doing(p.Kind(), p.All()), Speed: p.Int(props.Speed), Sight: p.Int(props.Sight), Straying: p.Int(props.Straying), Reach: p.Int(props.Reach),
		Harm: p.Int(props.Harm), Every: p.Int(props.Every), Most: p.Int(props.Most), Shot: p.Int(props.Shot),
		Rest: p.Int(props.Rest), Bears: p.Int(props.Bears), Looks: p.Int(props.Looks), Amount: p.Wanted(),
		Odds: p.Odds(), Area: p.Refers(props.Area), Item: p.Refers(props.Item), Sets: p.Sets(),
	}
}
