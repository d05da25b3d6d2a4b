// Package kind is the vocabulary in which kinds of pieces are declared, and the table of those that there are. It lies
// below the document: whoever stores, shows, changes or plays a piece asks here what its kind is and has, and knows no
// kind by name. The kinds themselves are in core/kinds, each in a folder of its own.
package kind

import (
	"cmp"
	"fmt"
	"maps"
	"slices"
)

// An ID names a thing of a document; 0 names nothing.
type ID uint64

// FirstOwn is the first ID of a type of the designer's own: below are built-in kinds.
const FirstOwn ID = 1 << 16

// A Family groups kinds that are drawn with the same outline.
type Family string

// Ways lead somewhere, Things can be had, Folk are people and foes, Workings do something for the player, Hazards hurt.
const (
	Ways     Family = "ways"
	Things   Family = "things"
	Folk     Family = "people and foes"
	Workings Family = "workings"
	Hazards  Family = "hazards"
	// Looks are there to be seen alone.
	Looks Family = "looks"
)

// A Kind is a built-in type of piece, declared as data.
type Kind struct {
	// ID is its number in stored pieces. It is never used again.
	ID ID
	// Word is its name in files, Name what people read, Purpose says in a sentence what such a piece does in play.
	Word    string
	Name    string
	Purpose string
	Family  Family
	// Props are what can be set of its pieces, in the order in which they are shown.
	Props []Has
	// Placed is what a piece sets that was just placed.
	Placed Values
	// Range and Strength are what two properties of long ago stood for, which meant something else for each kind.
	Range, Strength []*Prop
	// Seldom says that it is shown after those that are placed most.
	Seldom bool
	// Single says that there is at most one in a project: placing another moves it.
	Single bool
	// Begins says that play begins at its piece by itself, Touch that what its pieces do happens to whoever is in their
	// cell.
	Begins, Touch bool
	// Starts says that play can begin at its pieces, beside where it does by itself.
	Starts bool
	// Acts says that its pieces move or do something by themselves in play, Goes that they go somewhere.
	Acts, Goes bool
	// Solid says that its pieces stop what moves, Fills that from above they lie in their cell as a block does.
	Solid, Fills bool
	// Pushed says that its pieces are pushed, lifted and thrown by the player, and fall; Ridden that they are taken along by
	// what they stand on, and are in the way of what comes.
	Pushed, Ridden bool
	// Hurts says that touching its pieces hurts.
	Hurts bool
	// Struck says that its pieces can be hit, by what the player throws, shoots and strikes with, and bear so many hits.
	Struck bool
	// Lies says that from above its pieces lie below what stands on them; from the side their upper edge is level
	// with that of a cell.
	Lies bool
	// Named says that its pieces are spots with a name, to which whoever tests can go.
	Named bool
	// Ends says that its pieces end the play, Counted that those of them that were taken are counted.
	Ends, Counted bool
	// Drawn says that what its pieces are is drawn when play begins.
	Drawn bool
	// Figure says that its pieces may be a character, and are drawn as it; Faces that they look to a side, so that there may be a
	// picture of them for each.
	Figure, Faces bool
	// Worked says that wires bring its pieces from one to the other of the first two states between which they go.
	Worked bool
	// Item is what its pieces do with the item that they name.
	Item ItemUse
	// Done is what happens to its pieces in the tick in which they set a fact; empty if they set none.
	Done string
	// Always says that its pieces are there whatever holds.
	Always bool
	// States are those in which its pieces can be: the usual one, and the one in which they are once they are done; none
	// if there is nothing to tell.
	States []*State
	// First, unless nil, says in which of them a piece is at first that sets none; otherwise it is the first of them.
	First func(Values) *State
	// Moments are what can happen to its pieces, Changes how their states go by that. Beaten is the moment at which one is
	// gone that bore as many hits as it does.
	Moments []*Moment
	Changes []Change
	Beaten  *Moment

	// Side and Above are how large its pieces are seen from the side and from above, in a cell or for each cell of their
	// width; as usual if they say nothing.
	Side, Above Extent
	// SideOf, unless nil, says how large a piece is from the side that sets something, in the place of Side.
	SideOf func(Values) Extent
	// Picture is its built-in picture, Other that of its other state, or from above; without one it is not seen in play.
	Picture, Other []Shape
	// Behaviour is what it does in play, as it implements interfaces of core/stage; nil for nothing by itself.
	Behaviour any

	// Own is the type of the designer's own that the kind stands for, 0 for a built-in one; Usual what its pieces have that do not set it.
	Own   ID
	Usual Values

	has map[Field]int
}

// PropOf finds a property of the kind by the number of its stored field, also one of the designer's own; nil if it has none such.
func (k *Kind) PropOf(f Field) *Prop {
	if k == nil {
		return nil
	}
	if i, has := k.has[f]; has {
		return k.Props[i].Prop
	}
	return nil
}

// As is the kind as a type of the designer's own builds on it: with another name, what it is for, what its pieces usually have,
// and further properties.
func (k *Kind) As(own ID, name, purpose string, usual Values, more []*Prop) *Kind {
	is := *k
	is.Own, is.Name, is.Purpose, is.Usual = own, name, purpose, usual
	if len(more) > 0 {
		is.Props, is.has = slices.Clone(k.Props), maps.Clone(k.has)
		for _, p := range more {
			is.has[p.Field] = len(is.Props)
			is.Props = append(is.Props, Has{Prop: p})
		}
	}
	return &is
}

// An Extent is a part of a cell: how wide and how high, each as a fraction.
type Extent struct{ W, OfW, H, OfH int }

// Of gives the extent of a cell of so many pixels, at least 2 each way.
func (e Extent) Of(w, h int) (int, int) { return max(2, w*e.W/e.OfW), max(2, h*e.H/e.OfH) }

// A Shape is a box of one colour, in a picture of 16 × 20 pixels of which the lower 16 rows lie in the cell: how far from
// the left and from the top it is, how wide and high, and its colour.
type Shape [5]int

// An ItemUse is what pieces do with an item.
type ItemUse int

// What is done with an item: nothing, it is given, it is needed.
const (
	NoItem ItemUse = iota
	Gives
	Needs
)

// A View is how a map is seen.
type View uint8

// The views; EitherView is both.
const (
	EitherView View = iota
	FromAbove
	FromTheSide
)

// Has is a property as a kind has it.
type Has struct {
	*Prop
	// Usual is what a piece has that does not set it: the first of its numbers, or of Weights 1 plus the one that alone
	// is likely; 0 for what is usual of the property.
	Usual int
	// Label is what people read, if not the property's own.
	Label string
	// If, unless nil, says for which pieces it counts, and so is shown.
	If func(Values) bool
	// Only is the view in which it counts, and is offered to be set, if not in both.
	Only View
	// Hidden says that it is not offered to be set with the others: what comes out of such a piece takes it from there,
	// or it stands in a part of its own.
	Hidden bool
	// Apart says that it stands in the part of the slip that says what must hold for a piece.
	Apart bool
	// Old says that it is read as pieces of long ago set it, which another property says now.
	Old bool
}

var (
	all   []*Kind
	byID  = map[ID]*Kind{}
	words = map[string]*Kind{}
	props = map[Field]*Prop{}

	propWords = map[string]*Prop{}
)

// Register adds a kind, at start, in the order in which kinds are shown. It panics if the kind's number or word, or
// the number or word of one of its properties, is that of another.
func Register(k *Kind) {
	if byID[k.ID] != nil || words[k.Word] != nil {
		panic(fmt.Sprintf("two kinds have the number %d or the word %q", k.ID, k.Word))
	}
	k.has = map[Field]int{}
	k.Props = append(slices.Clip(k.Props), k.pictures()...)
	for i, h := range k.Props {
		if p, q := props[h.Field], propWords[h.Word]; p != nil && p != h.Prop || q != nil && q != h.Prop {
			panic(fmt.Sprintf("two properties have the number %d or the word %q", h.Field, h.Word))
		}
		if _, twice := k.has[h.Field]; twice {
			panic(fmt.Sprintf("%s has %s twice", k.Word, h.Word))
		}
		props[h.Field], propWords[h.Word] = h.Prop, h.Prop
		k.has[h.Field] = i
	}
	for _, s := range k.States {
		if t, u := states[s.Number], stateWords[s.Word]; t != nil && t != s || u != nil && u != s {
			panic(fmt.Sprintf("two states have the number %d or the word %q", s.Number, s.Word))
		}
		states[s.Number], stateWords[s.Word] = s, s
	}
	RegisterMoments(k.Moments...)
	all, byID[k.ID], words[k.Word] = append(all, k), k, k
}

// All are the kinds, in the order in which they are shown.
func All() []*Kind { return slices.Clone(all) }

// Of finds a kind by its number; nil if there is none.
func Of(id ID) *Kind { return byID[id] }

// Adorns reports whether pieces of the kind are there to be seen alone. Those of a nil kind are not.
func (k *Kind) Adorns() bool { return k != nil && k.Family == Looks }

// Walks reports whether pieces of the kind walk somewhere by themselves: people and foes.
func (k *Kind) Walks() bool { return k.Goes && k.Family == Folk }

// First finds the first kind that is so; nil if none is.
func First(is func(*Kind) bool) *Kind {
	for _, k := range all {
		if is(k) {
			return k
		}
	}
	return nil
}

// NameOf is what people read as the name of a kind, empty if there is none.
func NameOf(id ID) string {
	if k := Of(id); k != nil {
		return k.Name
	}
	return ""
}

// Named finds a kind by its word; nil if there is none.
func Named(word string) *Kind { return words[word] }

// PropNamed finds a property by its word; nil if no kind has it.
func PropNamed(word string) *Prop { return propWords[word] }

// Props are the properties that kinds have, in the order of their fields.
func Props() []*Prop {
	return slices.SortedFunc(maps.Values(props), func(a, b *Prop) int { return cmp.Compare(a.Field, b.Field) })
}

// PropLabel is what people read as the label of a property by its word, else another text.
func PropLabel(word, otherwise string) string {
	if p := propWords[word]; p != nil {
		return p.Label
	}
	return otherwise
}

// PropOf finds a property by the number of its stored field; nil if no kind has it.
func PropOf(f Field) *Prop { return props[f] }

// Has gives a property as the kind has it. A nil kind has none.
func (k *Kind) Has(p *Prop) (Has, bool) {
	if k == nil {
		return Has{}, false
	}
	i, has := k.has[p.Field]
	if !has {
		return Has{}, false
	}
	return k.Props[i], true
}

// Prop finds a property of the kind by its word.
func (k *Kind) Prop(word string) (Has, bool) {
	if k == nil {
		return Has{}, false
	}
	i := slices.IndexFunc(k.Props, func(h Has) bool { return h.Word == word })
	if i < 0 {
		return Has{}, false
	}
	return k.Props[i], true
}

// Keeps is what a piece of the kind keeps of what was set: the properties that the kind has, and those of the designer's own.
func (k *Kind) Keeps(v Values) Values {
	for f := range v.All() {
		if f >= FirstOwnField {
			continue // it counts again once the piece is of that type
		}
		if p := PropOf(f); p == nil {
			v = v.With(Value{Field: f})
		} else if _, has := k.Has(p); !has || p.Sort == OwnState && !k.Can(v.Int(k, p)) {
			v = v.With(p.Unset())
		}
	}
	return v
}

// usual is the first number of a property that is not set: 0 if the kind does not have it. A nil kind has all.
func (k *Kind) usual(p *Prop) int {
	h, has := k.Has(p)
	switch {
	case k != nil && !has:
		return 0
	case h.Usual != 0:
		return h.Usual
	}
	return p.Usual
}

// Counts reports whether it counts where a map is seen so.
func (h Has) Counts(v View) bool { return h.Only == EitherView || h.Only == v }

// Says is what people read as its label.
func (h Has) Says() string {
	if h.Label != "" {
		return h.Label
	}
	return h.Prop.Label
}
