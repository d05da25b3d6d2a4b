package logic

import (
	"slices"

	"azzel/core/kind"
	"azzel/core/limit"
	"azzel/core/words"
)

// A visitor is what is done with each part of a condition: it is written, read, checked, or says to what it refers. It
// gets the parts in the order in which they are stored.
type visitor interface {
	// option is one of some words, number lies within its range, name says what it is.
	option(n *int, words []string, name string)
	number(n *int, least, most int, name string)
	thing(id *kind.ID, sort kind.Thing)
	property(f *kind.Field)
	// changing is a property that changes in play.
	changing(f *kind.Field)
	state(n *int)
	flag(yes *bool)
	moment(n *int)
	words(t *words.Text)
	name(s *string)
	// momentary is called before what only something that happens can ask.
	momentary(what string)
	// lasting is called before what only a rule can ask that is so while something holds.
	lasting()
	// terms are how many terms follow, which are visited after. in and out lie round them, and round values in values.
	terms(list *[]Condition) bool
	in() bool
	out()
}

// What a term consists of.
type part uint8

const (
	left part = iota
	by
	right
	subject
	object
	area
	onMap
	cells
	times
	key
	presence
	power
	ownState
)

// asks is what there is to ask, by Ask: its word in files, of what it consists, and whether only something that happens
// can ask it.
var asks = [askEnd]struct {
	word      string
	parts     []part
	momentary bool
}{
	All:       {word: "all"},
	Any:       {word: "any"},
	None:      {word: "none"},
	Compares:  {word: "compares", parts: []part{left, by, right}},
	IsPresent: {word: "presence", parts: []part{subject, presence}},
	IsPowered: {word: "power", parts: []part{subject, power}},
	InState:   {word: "state", parts: []part{subject, ownState}},
	Within:    {word: "within", parts: []part{subject, area}, momentary: true},
	OnMap:     {word: "on-map", parts: []part{subject, onMap}, momentary: true},
	Near:      {word: "near", parts: []part{subject, object, cells}, momentary: true},
	Faces:     {word: "faces", parts: []part{subject, object}, momentary: true},
	Sees:      {word: "sees", parts: []part{subject, object}, momentary: true},
	OneIn:     {word: "one-in", parts: []part{times, key}, momentary: true},
	SoMany:    {word: "so-many"},
	ForcesAre: {word: "forces", parts: []part{area, power}},
	LayerIs:   {word: "layer", parts: []part{layer, presence}},
	Lasts:     {word: "lasts"},
}

// The words of what else there is to choose, in the order of its numbers.
var (
	askWords        = wordsOf(len(asks), func(i int) string { return asks[i].word })
	comparisonWords = []string{"at-least", "under", "at-most", "over", "is", "is-not"}
	valueWords      = []string{"number", "fact", "item", "property", "count", "sum", "difference", "went", "since"}
	nounWords       = []string{"this", "piece", "player", "all", "any", "all-in", "any-in", "it", "whoever", "nearest", "nearest-in"}
)

// AskWords are the words of what there is to ask in files, in the order of their numbers.
func AskWords() []string { return slices.Clone(askWords) }

// ComparisonWords are the words of the comparisons in files, in the order of their numbers.
func ComparisonWords() []string { return slices.Clone(comparisonWords) }

func wordsOf(n int, word func(int) string) (words []string) {
	for i := range n {
		words = append(words, word(i))
	}
	return words
}

// choose lets an enumeration be visited as one of some words.
func choose[N ~uint8](v visitor, n *N, words []string, name string) {
	i := int(*n)
	v.option(&i, words, name)
	*n = N(i)
}

// visit goes over a condition.
func (c *Condition) visit(v visitor) {
	if !v.in() {
		return
	}
	defer v.out()
	choose(v, &c.Ask, askWords, "what a condition asks for")
	if c.Ask >= askEnd {
		return
	}
	if c.Ask == SoMany {
		v.number(&c.Number, 1, MostTerms, "how many of several must hold")
	}
	if c.Ask == Lasts {
		v.lasting()
		v.number(&c.Number, 1, limit.RuleTicks, "for how long something lasts")
		v.number(&c.Key, 0, MostTerms, "which of several conditions that last it is")
	}
	if c.Groups() {
		if v.terms(&c.Terms) {
			for i := range c.Terms {
				c.Terms[i].visit(v)
			}
		}
		return
	}
	ask := &asks[c.Ask]
	if ask.momentary {
		v.momentary(ask.word)
	}
	for _, p := range ask.parts {
		switch p {
		case left:
			c.Left.visit(v)
		case by:
			choose(v, &c.By, comparisonWords, "a comparison")
		case right:
			c.Right.visit(v)
		case subject:
			c.Subject.visit(v)
		case object:
			c.Object.visit(v)
		case area:
			v.thing(&c.Thing, kind.Area)
		case onMap:
			v.thing(&c.Thing, kind.Map)
		case layer:
			v.thing(&c.Thing, kind.Layer)
		case cells:
			v.number(&c.Number, 0, limit.MaxSeen, "within how many cells something is near")
		case times:
			v.number(&c.Number, 1, MostTimes, "of how many times something holds once")
		case key:
			v.number(&c.Key, 0, MostTerms, "which of several terms that hold once in so many times it is")
		case presence:
			v.option(&c.Is, kind.Presences, "a presence")
		case power:
			v.option(&c.Is, kind.Powers, "a power")
		case ownState:
			v.state(&c.Is)
		}
	}
}

func (value *Value) visit(v visitor) {
	if !v.in() {
		return
	}
	defer v.out()
	choose(v, &value.Is, valueWords, "a value")
	switch value.Is {
	case Literal:
		v.number(&value.Number, -MostValue, MostValue, "a number")
	case FactValue:
		v.thing(&value.Thing, kind.Fact)
	case ItemCount:
		v.thing(&value.Thing, kind.Item)
	case PropertyOf:
		value.Of.visit(v)
		v.property(&value.Property)
	case CountOf:
		value.Of.visit(v)
	case Sum, Difference:
		for _, side := range []**Value{&value.Left, &value.Right} {
			if *side == nil {
				*side = &Value{}
			}
			(*side).visit(v)
		}
	case Went, Since:
		v.momentary(valueWords[value.Is])
	}
}

func (n *Noun) visit(v visitor) {
	choose(v, &n.Is, nounWords, "a noun")
	switch n.Is {
	case Piece:
		v.thing(&n.Thing, kind.Piece)
	case AllOfType, AnyOfType, NearestOfType:
		v.thing(&n.Type, kind.Type)
	case AllInArea, AnyInArea, NearestInArea:
		v.thing(&n.Thing, kind.Area)
	}
	if n.Is >= It {
		v.momentary(nounWords[min(n.Is, nounEnd-1)])
	}
}
