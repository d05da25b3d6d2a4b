package kind

import (
	"fmt"
	"math"
	"strconv"

	"azzel/core/pack"
)

// A Field numbers a property of a stored thing within its sort. The numbers stand in stored bytes and are never used
// again. Properties of pieces have theirs in common over all kinds.
type Field uint64

// A Sort is what a property is: a number of numbers with a meaning.
type Sort uint8

// The sorts of properties.
const (
	// Whole is one number, of Prop.Unit.
	Whole Sort = iota
	// YesNo is yes or no.
	YesNo
	// Choice is one of Prop.Options.
	Choice
	// Direction is 0 for none, else one of Prop.Options.
	Direction
	// Offset is a distance to the right and one down, in pixels.
	Offset
	// Weights are how likely each of Prop.Options is; all of them 0 are as usual.
	Weights
	// Reference is the ID of a thing.
	Reference
	// Setting is how a fact is set, one of Prop.Options, and by how much.
	Setting
	// Condition is what must hold, of core/logic, whose Form it has.
	Condition
	// OwnState is one of the states of the piece's kind, by its number; 0 is the usual one.
	OwnState
	// Words are what the player reads, of core/words, whose Form it has. By what they are named, so that they can be said in
	// another language, are the thing that sets them and the property.
	Words
	// Sayings are several things that are said, each perhaps only while something holds, of core/talk, whose Form it has.
	Sayings
	// Colour is 0 for none, else 1<<24 with 8 bits each of red, green and blue.
	Colour
	// Picture is how a piece is seen in a state, looking to a side, of core/appearance, whose Form it has.
	Picture
)

// A Thing is a sort of thing that a property can refer to.
type Thing uint8

// What is referred to.
const (
	NoThing Thing = iota
	Character
	Track
	Area
	Item
	Fact
	Piece
	Map
	Type
	Crossing
	Rule
	Layer
	Patch
	OwnType
	// Tile is a tile, whose number is its ID.
	Tile
)

// ThingNames are what people call things that can be referred to.
var ThingNames = [...]string{NoThing: "nothing", Character: "character", Track: "track", Area: "area", Item: "item", Fact: "fact", Piece: "piece", Map: "map", Type: "type of piece", Crossing: "crossing", Rule: "rule", Layer: "layer", Patch: "patch", OwnType: "type of your own", Tile: "tile"}

// Local reports whether a thing is not in other maps and projects, so that copies that are kept leave it behind.
func (t Thing) Local() bool { return t != Item && t != Fact && t != Type && t != OwnType && t != Tile }

// A Form is how values of a sort are stored that are more than numbers and references. The package to which their
// meaning belongs registers it.
type Form struct {
	// Check holds bytes against what they can be; an error says it in words. Canonical gives the one way in which what
	// Check takes is stored, none for what stands for a value that is not set.
	Check     func(b []byte) error
	Canonical func(b []byte) []byte
	// Refer gives bytes that refer to other things, those that to gives for the ones to which they refer, in the order
	// in which they stand; 0 stands for what is left out.
	Refer func(b []byte, to func(Thing, ID) ID) []byte
}

// FormOf is the form of values that decode reads and checks.
func FormOf[T interface {
	Encode() []byte
	Refer(to func(Thing, ID) ID) T
}](decode func([]byte) (T, error)) Form {
	return Form{
		Check: func(b []byte) error {
			_, err := decode(b)
			return err
		},
		Canonical: func(b []byte) []byte {
			is, err := decode(b)
			if err != nil {
				return nil
			}
			return is.Encode()
		},
		Refer: func(b []byte, to func(Thing, ID) ID) []byte {
			is, err := decode(b)
			if err != nil {
				return nil
			}
			return is.Refer(to).Encode()
		},
	}
}

var forms = map[Sort]Form{}

// RegisterForm adds how values of a sort are stored, at start.
func RegisterForm(s Sort, f Form) { forms[s] = f }

// A Prop is one property that pieces of some kinds have. It is declared once; stored field, files, schema, what is
// shown, checks and references follow from that.
type Prop struct {
	Field Field
	// Word is its name in files and orders, Label what people read, Name the same within a sentence, with its unit.
	Word  string
	Label string
	Name  string
	Help  string
	Sort  Sort
	// Unit is what is shown behind its number, Per how many of what is stored are one of that.
	Unit string
	Per  int
	// Usual is what a piece has that does not set it, Least and Most are what its numbers can be, Reach how far its
	// slider goes, of what is stored.
	Usual, Least, Most, Reach int
	// Options are the words for the choices, or for what is weighed.
	Options []string
	// To is what a Reference refers to, None what is said if it refers to nothing.
	To   Thing
	None string
	// Local says that what it refers to is not in other maps and projects, so that it is left behind by copies that
	// are kept.
	Local bool
	// Changes says that rules can set it in play, Seen that it changes what is seen alone, and nothing in play.
	Changes, Seen bool
}

// ColourEnd is one more than the greatest number of a colour.
const ColourEnd = 1 << 25

// FirstOwnField is the number of the first property of a type of the designer's own: below are those that kinds declare. The value of such a one is a whole number
// whatever sort it has by now, so that it is kept where that changes.
const FirstOwnField Field = 1 << 16

// None is the field by which a piece says that it has none of a property, whatever its type says: one for each property that kinds declare, below all ids of
// properties of the designer's own.
func None(f Field) Field { return FirstOwnField + f }

// NoneOf is the property of which a field says that there is none; false for other fields.
func NoneOf(f Field) (Field, bool) {
	return f - FirstOwnField, f > FirstOwnField && f < 2*FirstOwnField
}

// CheckOwn holds the bytes of a value of a property of the designer's own against what any of them can be.
func CheckOwn(b []byte) error {
	if len(b) == 0 {
		return nil
	}
	r := pack.NewReader(b)
	n := r.Int()
	if err := r.Done(); err != nil {
		return err
	}
	if n < -MostOwn || n > MostOwn {
		return fmt.Errorf("a property of your own is between %d and %d, not %d", -MostOwn, MostOwn, n)
	}
	return nil
}

// MostOwn is how large a number of a property of the designer's own is at most, and, below 0, at least.
const MostOwn = 1_000_000_000

// OwnValue is a number as the value of a property of the designer's own.
func OwnValue(f Field, n int) Value {
	var w pack.Writer
	w.Int(n)
	return Value{f, w.Bytes}
}

// own reports whether the property is of a type of the designer's own.
func (p *Prop) own() bool { return p.Field >= FirstOwnField }

// FirstOfOneMeaning is the first number that one property had from its beginning on. Of those before it 0 stands for a
// value that is not set, and pieces of all kinds stored all of them.
const FirstOfOneMeaning Field = 31

// OldBytes are the bytes of a value of a field before FirstOfOneMeaning: none if they are all 0.
func OldBytes(b []byte) []byte {
	for _, c := range b {
		if c != 0 {
			return b
		}
	}
	return nil
}

// Size is how many numbers the property has, 0 for what is more than numbers.
func (p *Prop) Size() int {
	switch p.Sort {
	case Offset, Setting:
		return 2
	case Weights:
		return len(p.Options)
	case Condition, Words, Sayings, Picture:
		return 0
	}
	return 1
}

// Ranges is what number i of the property can be.
func (p *Prop) Ranges(i int) (least, most int) {
	switch {
	case p.Sort == YesNo:
		return 0, 1
	case p.Sort == Choice, p.Sort == Setting && i == 0:
		return 0, len(p.Options) - 1
	case p.Sort == Direction:
		return 0, len(p.Options)
	case p.Sort == OwnState:
		return 0, mostState
	case p.Sort == Colour:
		return 0, ColourEnd - 1
	case p.Field < FirstOfOneMeaning:
		return min(0, p.Least), p.Most
	}
	return p.Least, p.Most
}

// Is gives the bytes of the property with these numbers, which are not checked.
func (p *Prop) Is(numbers ...int) Value {
	if p.own() {
		return OwnValue(p.Field, append(numbers, 0)[0])
	}
	var w pack.Writer
	for i := range p.Size() {
		n := 0
		if i < len(numbers) {
			n = numbers[i]
		}
		if p.Sort == YesNo {
			w.Bool(n != 0)
		} else {
			w.Int(n)
		}
	}
	return Value{p.Field, p.orUnset(w.Bytes)}
}

// Refer gives the bytes of a Reference to a thing.
func (p *Prop) Refer(id ID) Value {
	var w pack.Writer
	w.Uint(uint64(id))
	return Value{p.Field, p.orUnset(w.Bytes)}
}

// Unset gives the property as one that is not set.
func (p *Prop) Unset() Value { return Value{Field: p.Field} }

// orUnset is nothing for bytes that stand for a value that is not set.
func (p *Prop) orUnset(b []byte) []byte {
	if p.Field >= FirstOfOneMeaning && p.Sort != Reference && p.Sort != OwnState && p.Sort != Direction && p.Sort != Colour {
		return b
	}
	return OldBytes(b)
}

// Canonical is the one way in which the bytes of a value are stored that Check takes: numbers as short as can be, none
// for what stands for a value that is not set.
func (p *Prop) Canonical(b []byte) []byte {
	if len(b) == 0 {
		return nil
	}
	if f, is := forms[p.Sort]; is {
		return f.Canonical(b)
	}
	if p.Sort == Reference {
		return p.Refer(ID(pack.NewReader(b).Uint())).Bytes
	}
	return p.Is(p.numbers(b)...).Bytes
}

// numbers reads the numbers of a value that Check takes.
func (p *Prop) numbers(b []byte) []int {
	r := pack.NewReader(b)
	if p.own() {
		least, most := p.Ranges(0)
		return []int{min(max(r.Int(), least), most)}
	}
	numbers := make([]int, p.Size())
	for i := range numbers {
		if p.Sort != YesNo {
			numbers[i] = r.Int()
		} else if r.Bool() {
			numbers[i] = 1
		}
	}
	return numbers
}

// Number is the first number of a value that Check takes, 0 for none.
func (p *Prop) Number(b []byte) int {
	if len(b) == 0 || p.Size() == 0 {
		return 0
	}
	return p.numbers(b)[0]
}

// Check holds the bytes of a value against what the property can be. An error says in words what it may be.
func (p *Prop) Check(b []byte) error {
	if len(b) == 0 {
		return nil
	}
	if p.own() {
		return CheckOwn(b)
	}
	if f, is := forms[p.Sort]; is {
		return f.Check(b)
	}
	r := pack.NewReader(b)
	var numbers []int
	switch p.Sort {
	case Reference:
		r.Uint()
	case YesNo:
		r.Bool()
	default:
		for range p.Size() {
			numbers = append(numbers, r.Int())
		}
	}
	if err := r.Done(); err != nil {
		return err
	}
	for i, n := range numbers {
		if least, most := p.Ranges(i); n < least || n > most {
			return fmt.Errorf("%s is %d to %d, not %d", p.nameOf(i), least, most, n)
		}
		if p.Sort == Colour && n != 0 && n < ColourEnd/2 {
			return fmt.Errorf("%s is none, or red, green and blue of 8 bits each", p.Name)
		}
		if p.Sort == OwnState && n != 0 && StateOf(n) == nil {
			return fmt.Errorf("%w: a state of number %d is not known here; reload the page", pack.ErrMalformed, n)
		}
	}
	return nil
}

// Names are what the numbers of a property are called that is one of some words, by number; nil for other properties.
func (p *Prop) Names() []string {
	switch p.Sort {
	case YesNo:
		return []string{"no", "yes"}
	case Choice:
		return p.Options
	case Direction:
		return append([]string{p.None}, p.Options...)
	}
	return nil
}

// Says is a number of the property as people read it, with its unit.
func (p *Prop) Says(n int) string {
	if p.Sort == Colour {
		if n == 0 {
			return p.None
		}
		return fmt.Sprintf("#%06x", n&(1<<24-1))
	}
	if names := p.Names(); len(names) > 0 {
		return names[min(max(n, 0), len(names)-1)]
	}
	says := strconv.FormatFloat(math.Round(float64(n)/float64(max(p.Per, 1))*100)/100, 'f', -1, 64)
	if p.Unit != "" {
		says += " " + p.Unit
	}
	return says
}

// nameOf is what number i of the property is called within a sentence.
func (p *Prop) nameOf(i int) string {
	switch {
	case p.Sort == Offset && i == 0:
		return "how far to the right a piece goes, in pixels,"
	case p.Sort == Offset:
		return "how far down a piece goes, in pixels,"
	case p.Sort == Weights:
		return "the weight of " + p.Options[i]
	case p.Sort == Setting && i == 1:
		return "by how much a piece sets a fact"
	}
	return p.Name
}
