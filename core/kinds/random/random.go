// Package random draws what a piece may set from what its kind declares, for tests.
package random

import (
	"math/rand/v2"

	"azzel/core/kind"
)

// Values are random values of about half the properties of a kind: mostly such as are set by hand, now and then the
// least or the most there is. What refers to another thing is left alone, as is how a fact is set and what is asked for.
func Values(r *rand.Rand, k *kind.Kind) (v kind.Values) {
	for _, h := range k.Props {
		if h.Sort == kind.Reference || h.Sort == kind.Setting || h.Sort == kind.Condition || r.IntN(2) == 0 {
			continue
		}
		v = v.With(value(r, h.Prop))
	}
	return v
}

func value(r *rand.Rand, p *kind.Prop) kind.Value {
	numbers := make([]int, p.Size())
	for i := range numbers {
		least, most := p.Ranges(i)
		near := most
		if p.Reach > 0 {
			near = min(most, p.Reach)
		}
		switch r.IntN(12) {
		case 0:
			numbers[i] = most
		case 1:
			numbers[i] = least
		default:
			numbers[i] = max(least, -near) + r.IntN(near-max(least, -near)+1)
		}
	}
	return p.Is(numbers...)
}
