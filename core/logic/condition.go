package logic

import (
	"iter"

	"azzel/core/kind"
)

// A Condition asks for something: for several conditions, or for one thing, as its Ask says. Which of the other fields
// count stands in the table of what there is to ask; those that do not are zero. The zero value asks for nothing, and
// holds.
type Condition struct {
	Ask Ask
	// Terms are what All, Any, None, SoMany and Lasts ask for.
	Terms []Condition
	// Left is held against Right, as By says.
	Left, Right Value
	By          Comparison
	// Subject is of what is asked, Object what it is near, faces or sees.
	Subject, Object Noun
	// Thing is the area or map that Subject is in or on, or the area or layer of which is asked.
	Thing kind.ID
	// Number is within how many cells something is near, of how many times one holds, how many terms SoMany asks for, or for how many ticks what Lasts asks for is to last.
	Number int
	// Key tells two terms that hold once in so many times from each other, so that they do not always hold together; and two that last.
	Key int
	// Is is which presence, power or state of its own Subject has, which presence a layer, or which power the forces of an area.
	Is int
}

// An Ask is what a condition asks for. The numbers stand in stored bytes.
type Ask uint8

// What there is to ask. All, Any and None ask for all, at least one and none of their terms. Compares holds two values
// against one another. IsPresent, IsPowered and InState ask for a piece's presence, power and own state. The others are
// momentary: Within and OnMap ask whether something is in an area and on a map, Near, Faces and Sees where it is and
// looks, beside another, OneIn holds once in so many times. SoMany asks for at least so many of its terms, ForcesAre whether
// the forces of an area act, LayerIs for the presence of a layer. Lasts holds once all of its terms have held for so long, and until they have not held for
// so long: of it only a rule can ask that is so while something holds.
const (
	All Ask = iota
	Any
	None
	Compares
	IsPresent
	IsPowered
	InState
	Within
	OnMap
	Near
	Faces
	Sees
	OneIn
	SoMany
	ForcesAre
	LayerIs
	Lasts
	askEnd
)

// A Comparison is how a value is held against another.
type Comparison uint8

// The comparisons. AtLeast and Under, AtMost and Over, Equals and Differs are each other's opposite.
const (
	AtLeast Comparison = iota
	Under
	AtMost
	Over
	Equals
	Differs
	comparisonEnd
)

// Holds reports whether a value compares so with another.
func (c Comparison) Holds(left, right int) bool {
	switch c {
	case AtLeast:
		return left >= right
	case Under:
		return left < right
	case AtMost:
		return left <= right
	case Over:
		return left > right
	case Equals:
		return left == right
	}
	return left != right
}

// A Value is a whole number, of at most MostValue either way, of which the game knows what it is by now. The zero value
// is 0.
type Value struct {
	Is ValueSort
	// Number is that of a Literal.
	Number int
	// Thing is the fact or item that is meant.
	Thing kind.ID
	// Of is the piece that has the property, or the pieces that are counted; Property is which one.
	Of       Noun
	Property kind.Field
	// Left and Right are what is added or taken away.
	Left, Right *Value
}

// A ValueSort is what a value is. The numbers stand in stored bytes.
type ValueSort uint8

// What values are: a number as it stands there, what a fact is, how many of an item the player has, a number of a piece,
// how many pieces are there, a sum and a difference; and momentary, how often the rule that asks went, and how many ticks
// ago it did last.
const (
	Literal ValueSort = iota
	FactValue
	ItemCount
	PropertyOf
	CountOf
	Sum
	Difference
	Went
	Since
	valueEnd
)

// MostValue is how large a value is at most, and, below 0, at least.
const MostValue = 1_000_000_000

// MostTimes is how often something is done over at most, and of how many times something holds once.
const MostTimes = 1000

// A Noun names one piece or several, or the player.
type Noun struct {
	Is NounSort
	// Thing is the piece that is named, or the area in which pieces are.
	Thing kind.ID
	// Type is the type of which pieces are.
	Type kind.ID
}

// A NounSort is how pieces are named. The numbers stand in stored bytes.
type NounSort uint8

// How pieces are named: the one that asks, one by its id, the player; all or any of a type, all or any in an area; and
// momentary, the one to which something happened and the one that did it, and the nearest of a type or in an area.
const (
	This NounSort = iota
	Piece
	Player
	AllOfType
	AnyOfType
	AllInArea
	AnyInArea
	It
	Whoever
	NearestOfType
	NearestInArea
	nounEnd
)

// Several reports whether the noun names as many as there are, not one.
func (n Noun) Several() bool { return n.Is >= AllOfType && n.Is <= AnyInArea }

// The most terms of a condition, all counted, and how deep conditions and values lie in one another at most.
const (
	MostTerms = 64
	MostDeep  = 8
)

// each calls for the condition and all that is in it.
func (c *Condition) each(yield func(*Condition) bool) bool {
	if !yield(c) {
		return false
	}
	for i := range c.Terms {
		if !c.Terms[i].each(yield) {
			return false
		}
	}
	return true
}

// Each gives the condition and all that is in it, outer ones first.
func (c *Condition) Each() iter.Seq[*Condition] {
	return func(yield func(*Condition) bool) { c.each(yield) }
}

// Groups reports whether the condition asks for its terms.
func (c *Condition) Groups() bool { return c.Ask <= None || c.Ask == SoMany || c.Ask == Lasts }

// OfPieces reports whether what the value is depends on pieces.
func (v *Value) OfPieces() bool {
	switch v.Is {
	case PropertyOf, CountOf:
		return true
	case Sum, Difference:
		return v.Left.OfPieces() || v.Right.OfPieces()
	}
	return false
}

// blank reports whether the condition is as it is where nobody set it.
func (c *Condition) blank() bool { return c.Ask == All && len(c.Terms) == 0 }

// Empty reports whether the condition asks for nothing.
func (c Condition) Empty() bool {
	for t := range c.Each() {
		if !t.Groups() {
			return false
		}
	}
	return true
}

// Needs is the condition that a fact is as large, or that there are as many of an item.
func Needs(is ValueSort, thing kind.ID, by Comparison, number int) Condition {
	return Condition{Ask: Compares, Left: Value{Is: is, Thing: thing}, By: by, Right: Value{Number: number}}
}

// Item is the item of which the condition needs at least so many, if it says that and no more; else 0.
func (c Condition) Item() (item kind.ID, least int) {
	if c.Ask == Compares && c.By == AtLeast && c.Left.Is == ItemCount && c.Right.Is == Literal {
		return c.Left.Thing, c.Right.Number
	}
	return 0, 0
}
