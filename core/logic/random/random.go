// Package random draws conditions, for tests.
package random

import (
	"math/rand/v2"
	"slices"

	"azzel/core/kind"
	"azzel/core/logic"
)

// Things are what conditions ask for, of each sort some ids.
type Things struct {
	// Newest says that all there is is drawn. Without it that is left out which was not there yet when bundles were stored of what was drawn.
	Newest                                                                                   bool
	Facts, Items, Pieces, Areas, Maps, Crossings, Rules, Characters, Layers, Tracks, Patches []kind.ID
}

// newest is the last property that conditions ask for: stored bundles hold what was drawn when there were no others.
const newest kind.Field = 61

// properties are those of pieces that a condition can ask for.
func properties() (list []*kind.Prop) {
	for _, p := range kind.Props() {
		if logic.IsNumber(p) && p.Field <= newest {
			list = append(list, p)
		}
	}
	return list
}

// changing are those that rules set in play.
func changing() (list []*kind.Prop) {
	for _, p := range kind.Props() {
		if logic.Changes(p) {
			list = append(list, p)
		}
	}
	return list
}

// newestKind is the last kind of pieces that is drawn unless all are: stored bundles hold what was drawn when there were no others.
const newestKind kind.ID = 22

// kinds are those of which pieces are named.
func kinds(of Things) []*kind.Kind {
	return slices.DeleteFunc(kind.All(), func(k *kind.Kind) bool { return !of.Newest && k.ID > newestKind })
}

func states() (list []*kind.State) {
	for _, k := range kind.All() {
		list = append(list, k.States...)
	}
	return list
}

func one[T any](r *rand.Rand, list []T) (is T) {
	if len(list) > 0 {
		is = list[r.IntN(len(list))]
	}
	return is
}

// Condition draws one that logic.Condition.Check takes, of at most so many levels; happens says that it may ask for what
// happens.
func Condition(r *rand.Rand, of Things, happens bool, levels int) logic.Condition {
	for {
		if c := condition(r, of, happens, levels); c.Check(happens) == nil {
			return c
		}
	}
}

// Lasting draws a condition of which some lasts, which logic.Condition.CheckWhile takes.
func Lasting(r *rand.Rand, of Things) logic.Condition {
	lasts := func() logic.Condition {
		return logic.Condition{Ask: logic.Lasts, Number: 1 + r.IntN(40), Terms: []logic.Condition{Condition(r, of, false, 2)}}
	}
	c := logic.Condition{Ask: logic.Ask(r.IntN(3)), Terms: []logic.Condition{lasts(), Condition(r, of, false, 1), lasts()}}
	if r.IntN(3) == 0 {
		c = lasts()
		c.Terms = append(c.Terms, lasts())
	}
	c.NumberLasting()
	return c
}

func condition(r *rand.Rand, of Things, happens bool, levels int) (c logic.Condition) {
	if levels > 1 && r.IntN(2) == 0 {
		c.Ask = logic.Ask(r.IntN(3))
		if of.Newest && r.IntN(4) == 0 {
			c.Ask, c.Number = logic.SoMany, 1+r.IntN(3)
		}
		for range r.IntN(4) {
			c.Terms = append(c.Terms, condition(r, of, happens, levels-1))
		}
		return c
	}
	most := int(logic.InState)
	if happens {
		most = int(logic.OneIn)
	}
	c.Ask = logic.Ask(int(logic.Compares) + r.IntN(most-int(logic.Compares)+1))
	if r.IntN(2) == 0 {
		c.Ask = logic.Compares
	}
	if of.Newest && r.IntN(8) == 0 {
		c.Ask, c.Thing, c.Is = logic.ForcesAre, one(r, of.Areas), r.IntN(len(kind.Powers))
		if r.IntN(2) == 0 {
			c.Ask, c.Thing, c.Is = logic.LayerIs, one(r, of.Layers), r.IntN(len(kind.Presences))
		}
		return c
	}
	switch c.Ask {
	case logic.Compares:
		c.Left, c.Right = value(r, of, happens, 1), value(r, of, happens, 1)
		if r.IntN(3) > 0 {
			c.Right = logic.Value{Number: r.IntN(5)}
		}
		c.By = logic.Comparison(r.IntN(6))
		return c
	case logic.IsPresent:
		c.Is = r.IntN(len(kind.Presences))
	case logic.IsPowered:
		c.Is = r.IntN(len(kind.Powers))
	case logic.InState:
		if c.Is = 1; len(states()) > 0 {
			c.Is = one(r, states()).Number
		}
	case logic.Within:
		c.Thing = one(r, of.Areas)
	case logic.OnMap:
		c.Thing = one(r, of.Maps)
	case logic.Near:
		c.Number, c.Object = r.IntN(4), noun(r, of, happens)
	case logic.Faces, logic.Sees:
		c.Object = noun(r, of, happens)
	case logic.OneIn:
		c.Number, c.Key = 1+r.IntN(4), r.IntN(3)
		return c
	}
	c.Subject = noun(r, of, happens)
	return c
}

func value(r *rand.Rand, of Things, happens bool, levels int) (v logic.Value) {
	most := int(logic.Difference)
	if happens {
		most = int(logic.Since)
	}
	switch v.Is = logic.ValueSort(r.IntN(most + 1)); v.Is {
	case logic.Literal:
		v.Number = r.IntN(7) - 2
		if r.IntN(9) == 0 {
			v.Number = logic.MostValue
		}
	case logic.FactValue:
		v.Thing = one(r, of.Facts)
	case logic.ItemCount:
		v.Thing = one(r, of.Items)
	case logic.PropertyOf:
		v.Of = noun(r, of, happens)
		if p := one(r, properties()); p != nil {
			v.Property = p.Field
		}
	case logic.CountOf:
		v.Of = noun(r, of, happens)
	case logic.Sum, logic.Difference:
		if levels == 3 {
			return logic.Value{Number: levels}
		}
		left, right := value(r, of, happens, levels+1), value(r, of, happens, levels+1)
		v.Left, v.Right = &left, &right
	}
	return v
}

func noun(r *rand.Rand, of Things, happens bool) (n logic.Noun) {
	most := int(logic.AnyInArea)
	if happens {
		most = int(logic.NearestOfType)
	}
	if happens && of.Newest {
		most = int(logic.NearestInArea)
	}
	switch n.Is = logic.NounSort(r.IntN(most + 1)); n.Is {
	case logic.Piece:
		n.Thing = one(r, of.Pieces)
	case logic.AllInArea, logic.AnyInArea, logic.NearestInArea:
		n.Thing = one(r, of.Areas)
	case logic.AllOfType, logic.AnyOfType, logic.NearestOfType:
		if k := one(r, kinds(of)); k != nil {
			n.Type = k.ID
		}
	}
	return n
}
