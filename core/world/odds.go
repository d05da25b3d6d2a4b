package world

import (
	"slices"

	"azzel/core/kind"
	"azzel/core/kinds/props"
)

// Odds are the weights of what may come, each 0 to limit.Weight: all of them 0 stand for the
// usual ones.
type Odds [5]int

// What may come of odds.
const (
	OddsNothing = iota
	OddsCollectible
	OddsFoe
	OddsHazard
	OddsPushable
)

// OddsNames are the words for what may come, in the order of Odds: nothing, then words of kinds.
func OddsNames() []string { return slices.Clone(props.Odds.Options) }

// Sum is all weights together.
func (o Odds) Sum() int {
	n := 0
	for _, w := range o {
		n += w
	}
	return n
}

// Draw is the type that comes for a number from 0 to before Sum; 0 for nothing.
func (o Odds) Draw(n int) ID {
	for i, w := range o {
		if n -= w; n < 0 && i > 0 {
			return kind.Named(props.Odds.Options[i]).ID
		} else if n < 0 {
			return 0
		}
	}
	return 0
}

// UsualLottery is what a lottery piece draws from where neither it nor its map says otherwise.
var UsualLottery = Odds{1, 1, 1, 1, 0}

// Odds are the weights that a piece has.
func (p *Piece) Odds() (o Odds) {
	copy(o[:], p.All().Numbers(p.Kind(), props.Odds))
	return o
}

// oddsField is all weights together.
func oddsField[P any](n Field, at func(P) *Odds) field[P] {
	weights := make([]func(P) *int, len(Odds{}))
	for i := range weights {
		weights[i] = func(t P) *int { return &at(t)[i] }
	}
	return intsField(n, weights...)
}

// Prop is the property of a piece with these weights.
func (o Odds) Prop() kind.Value { return props.Odds.Is(o[:]...) }
