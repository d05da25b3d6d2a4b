package world

import (
	"cmp"
	"fmt"
	"hash/fnv"
	"slices"
	"strings"
	"unicode"
	"unicode/utf8"

	"azzel/core/kind"
	"azzel/core/limit"
	"azzel/core/lists"
	"azzel/core/pack"
)

// FactSorts are the words for what a fact is, by its sort.
var FactSorts = [...]string{YesOrNo: "yes or no", ANumber: "a number", OneOfWords: "one of some words", AnObjective: "an objective", AText: "a short text"}

// The sorts of facts.
const (
	YesOrNo = iota
	ANumber
	OneOfWords
	AnObjective
	AText
)

// What an objective is, by its number: before the player is told of it, once they are, and once it is reached.
const (
	NotGiven = iota
	Open
	Reached
)

// ObjectiveWords are what an objective is, in the order of these.
var ObjectiveWords = []string{NotGiven: "not given", Open: "open", Reached: "reached"}

// A Fact is something that the game remembers: yes or no, a number within a range, one of some words, how far the player is with an objective, or a short text.
type Fact struct {
	ID     ID
	Name   string
	Number int
	// Counts says that it is a number, not yes or no. One of some words is a number too: which of them it is, from 0 on.
	Counts bool
	// Start is what it is when play begins: for yes or no 1 or 0.
	Start int
	// Least and Most are what a number can be, each from -limit.FactValue to limit.FactValue; both are 0 for 0 to limit.FactValue.
	Least, Most int
	// Objective says that it is one of ObjectiveWords, which are its Words, and that the player is shown its name while it is open.
	Objective bool
	// Words are what its numbers are called from 0 on, and how many it has; none for a number as such.
	Words []string
	// Text says that it is a short text: its numbers stand for Texts, by their numbers, and any other one for none.
	Text  bool
	Texts []FactText
	// Map is the map to which it belongs, with which it is copied and deleted; 0 for the whole game.
	Map ID
}

// A FactText is what a fact that is a short text can be, with the number that stands for it, from 1 to limit.FactValue. Each is a field of its own, so that
// two people can add one at a time.
type FactText struct {
	Number int
	Text   string
}

// textNumber finds a number among the texts of a fact.
func (f *Fact) textNumber(n int) (int, bool) {
	return slices.BinarySearchFunc(f.Texts, n, func(t FactText, n int) int { return t.Number - n })
}

// NumberOf is the number that stands for a text, and whether the fact has it already. It follows from the text as far as no other has that number, so that
// two people who add the same add it once. It is 0 for no text.
func (f *Fact) NumberOf(text string) (number int, has bool) {
	if text == "" {
		return 0, true
	}
	for _, t := range f.Texts {
		if t.Text == text {
			return t.Number, true
		}
	}
	sum := fnv.New32a()
	sum.Write([]byte(text))
	number = int(sum.Sum32()) % limit.FactValue
	for {
		number++
		if _, taken := f.textNumber(number); !taken && number <= limit.FactValue {
			return number, false
		}
		number %= limit.FactValue
	}
}

// Value is the value that holds a text of a fact.
func (t FactText) Value() Value {
	w := &pack.Writer{}
	w.Text(t.Text)
	return Value{Field: factText | Field(t.Number), Bytes: w.Bytes}
}

// factText + the number of a text of a fact is the field that holds it.
const factText Field = 1 << 63

// Sort is which of FactSorts it is.
func (f *Fact) Sort() int {
	switch {
	case f.Text:
		return AText
	case f.Objective:
		return AnObjective
	case len(f.Words) > 0:
		return OneOfWords
	case f.Counts:
		return ANumber
	}
	return YesOrNo
}

// Reach are the least and the most that the fact can be.
func (f *Fact) Reach() (least, most int) {
	switch {
	case f.Text:
		return 0, limit.FactValue
	case !f.Counts:
		return 0, 1
	case len(f.Words) > 0:
		return 0, len(f.Words) - 1
	case f.Least == 0 && f.Most == 0:
		return 0, limit.FactValue
	}
	return f.Least, f.Most
}

// Fact finds a fact; nil if there is none.
func (d *Document) Fact(id ID) *Fact {
	return byID(d.Facts, id, func(f *Fact) ID { return f.ID })
}

// Bound is the value nearest to n that the fact can have; of a short text it is none where n stands for none.
func (f *Fact) Bound(n int) int {
	if f.Text {
		if _, is := f.textNumber(n); !is {
			return 0
		}
		return n
	}
	least, most := f.Reach()
	return min(max(n, least), most)
}

// Range is what the fact can be, in words.
func (f *Fact) Range() string {
	least, most := f.Reach()
	switch f.Sort() {
	case YesOrNo, AText:
		return FactSorts[f.Sort()]
	case ANumber:
		return fmt.Sprintf("%d to %d", least, most)
	}
	return "one of " + strings.Join(f.Words, ", ")
}

// Says is a value of the fact in words.
func (f *Fact) Says(value int) string {
	switch {
	case f.Text:
		if k, is := f.textNumber(value); is {
			return f.Texts[k].Text
		}
		return ""
	case len(f.Words) > 0:
		return f.Words[f.Bound(value)]
	case f.Counts:
		return fmt.Sprint(value)
	case value > 0:
		return "yes"
	}
	return "no"
}

// A Setting is how a fact is set.
type Setting int

// How facts are set: to yes or up by so many, to no or down by so many, to so many.
const (
	Raises Setting = iota
	Lowers
	Becomes
	settingEnd
)

// After is what a fact becomes that has a value and is set.
func (s Setting) After(f *Fact, value, by int) int {
	if !f.Counts {
		by = 1
	}
	switch s {
	case Raises:
		value += by
	case Lowers:
		value -= by
	default:
		value = by
	}
	return f.Bound(value)
}

// A Change is what a piece does to a fact when it was taken, reached, defeated or broken.
type Change struct {
	// Fact is what it sets, 0 for none.
	Fact ID      `json:"fact,omitempty"`
	How  Setting `json:"how,omitempty"`
	// By is by how much, or to how much, a number is set; 0 stands for 1 but where it becomes that.
	By int `json:"by,omitempty"`
}

// Amount is by how much, or to how much, a number is set.
func (c Change) Amount() int {
	if c.How == Becomes {
		return c.By
	}
	return max(1, c.By)
}

// Sets reports whether pieces of a type can set a fact: what can be taken, reached, defeated or
// broken.
func Sets(of ID) bool { k := kind.Of(of); return k != nil && k.Done != "" }

// Conditional reports whether pieces of a type can be there only while something holds.
func Conditional(of ID) bool { k := kind.Of(of); return k != nil && !k.Always }

// Values are the properties of a fact.
func (f *Fact) Values() []Value { return append(valuesOf(f, factFields), factRange.values(f)...) }

// The fields of a fact that are stored only where they are set, so that facts are as they were before they had a range or words. Stored steps of long ago
// give facts other fields, which is refused still.
const (
	factReach     Field = 62
	factWords     Field = 63
	factObjective Field = 64
	factIsText    Field = 65
	factMap       Field = 66
)

var factRange = &further[*Fact]{
	values: func(f *Fact) (list []Value) {
		if f.Least != 0 || f.Most != 0 {
			w := &pack.Writer{}
			w.Int(f.Least)
			w.Int(f.Most)
			list = append(list, Value{Field: factReach, Bytes: w.Bytes})
		}
		if len(f.Words) > 0 {
			w := &pack.Writer{}
			w.Uint(uint64(len(f.Words)))
			for _, word := range f.Words {
				w.Text(word)
			}
			list = append(list, Value{Field: factWords, Bytes: w.Bytes})
		}
		if f.Objective {
			list = append(list, Value{Field: factObjective, Bytes: []byte{1}})
		}
		if f.Text {
			list = append(list, Value{Field: factIsText, Bytes: []byte{1}})
		}
		if f.Map != 0 {
			w := &pack.Writer{}
			w.Uint(uint64(f.Map))
			list = append(list, Value{Field: factMap, Bytes: w.Bytes})
		}
		for _, t := range f.Texts {
			list = append(list, t.Value())
		}
		return list
	},
	is: func(f Field) bool { return f >= factReach && f <= factMap || f&factText != 0 },
	set: func(f *Fact, v Value) error {
		r := pack.NewReader(v.Bytes)
		switch there := len(v.Bytes) > 0; {
		case v.Field&factText != 0:
			return f.setText(v)
		case v.Field == factObjective:
			f.Objective = there && r.Bool()
			return r.Done()
		case v.Field == factIsText:
			f.Text = there && r.Bool()
			return r.Done()
		case v.Field == factMap:
			if f.Map = 0; there {
				f.Map = ID(r.Uint())
			}
			return r.Done()
		}
		if v.Field == factReach {
			if f.Least, f.Most = 0, 0; len(v.Bytes) > 0 {
				f.Least, f.Most = r.Int(), r.Int()
			}
			return r.Done()
		}
		if f.Words = nil; len(v.Bytes) > 0 {
			for range r.Count(limit.FactWords, 1) {
				f.Words = append(f.Words, r.Text(4*limit.NameLetters))
			}
		}
		return r.Done()
	},
}

// setText gives a fact a text, or takes it away. It leaves the texts of the facts alone that were copied from the same one.
func (f *Fact) setText(v Value) error {
	number := v.Field &^ factText
	if number < 1 || number > limit.FactValue {
		return fmt.Errorf("%w: a text of a fact by the number %d", pack.ErrMalformed, number)
	}
	k, there := f.textNumber(int(number))
	texts := slices.Clone(f.Texts)
	if there {
		texts = slices.Delete(texts, k, k+1)
	}
	if f.Texts = texts; len(v.Bytes) == 0 {
		return nil
	}
	r := pack.NewReader(v.Bytes)
	is := FactText{int(number), r.Text(4 * limit.FactLetters)}
	f.Texts = lists.Insert(texts, k, is)
	return r.Done()
}

// checkTexts holds the texts of a fact against what they may be.
func (f *Fact) checkTexts() error {
	switch {
	case f.Text && (!f.Counts || f.Objective || f.Further()):
		return fmt.Errorf("%s is a short text, and has neither a range nor words", f.Name)
	case len(f.Texts) > limit.FactTexts:
		return fmt.Errorf("%s is one of at most %d texts: another fact can be the rest", f.Name, limit.FactTexts)
	}
	for _, t := range f.Texts {
		if n := utf8.RuneCountInString(t.Text); n == 0 || n > limit.FactLetters {
			return fmt.Errorf("a text of %s has %d letters, and has 1 to %d: what the player reads at length is said by a rule or a sign", f.Name, n, limit.FactLetters)
		}
		if !utf8.ValidString(t.Text) || strings.ContainsFunc(t.Text, unicode.IsControl) {
			return fmt.Errorf("a text of %s is one line of letters", f.Name)
		}
	}
	return nil
}

// Further reports whether a fact has what facts did not have at first.
func (f *Fact) Further() bool { return f.Least != 0 || f.Most != 0 || len(f.Words) > 0 }

// Later reports whether a fact has what facts did not have until long after that: texts, or a map to which it belongs.
func (f *Fact) Later() bool { return f.Text || f.Map != 0 || len(f.Texts) > 0 }

// checkReach holds range and words of a fact against what they may be.
func (f *Fact) checkReach() error {
	switch {
	case f.Least > f.Most || f.Least < -limit.FactValue || f.Most > limit.FactValue:
		return fmt.Errorf("the range of %s is %d to %d: the first is at most the second, and both lie within %d and %d", f.Name, f.Least, f.Most, -limit.FactValue, limit.FactValue)
	case f.Objective && !slices.Equal(f.Words, ObjectiveWords):
		return fmt.Errorf("%s is an objective: %s, and nothing else", f.Name, strings.Join(ObjectiveWords, ", "))
	case len(f.Words) > limit.FactWords || len(f.Words) == 1:
		return fmt.Errorf("%s is one of 2 to %d words, not of %d", f.Name, limit.FactWords, len(f.Words))
	case !f.Counts && f.Further():
		return fmt.Errorf("%s is yes or no, and has neither a range nor words", f.Name)
	case len(f.Words) > 0 && (f.Least != 0 || f.Most != 0):
		return fmt.Errorf("%s is one of some words, and has no range", f.Name)
	}
	for i, word := range f.Words {
		if err := CheckName(word, false); err != nil {
			return err
		}
		if slices.Contains(f.Words[:i], word) {
			return fmt.Errorf("%s has the word “%s” twice", f.Name, word)
		}
	}
	return nil
}

var factFields = []field[*Fact]{
	textField(FieldName, func(f *Fact) *string { return &f.Name }),
	intsField(FieldNumber, func(f *Fact) *int { return &f.Number }),
	boolField(2, func(f *Fact) *bool { return &f.Counts }),
	intsField(3, func(f *Fact) *int { return &f.Start }),
}

func (d *Document) checkFact(f *Fact) error {
	if err := CheckName(f.Name, false); err != nil {
		return err
	}
	if len(d.Facts) > limit.Facts {
		return fmt.Errorf("a project has at most %d facts", limit.Facts)
	}
	if err := cmp.Or(f.checkReach(), f.checkTexts()); err != nil {
		return err
	}
	if f.Start != f.Bound(f.Start) {
		return fmt.Errorf("%s can't start with %d: it is %s", f.Name, f.Start, f.Range())
	}
	return nil
}

// AtFirst fills words with what facts are when play begins, and with no items. It implements words.Source.
type AtFirst struct{ *Document }

// FactWords implements words.Source.
func (d AtFirst) FactWords(id ID) string {
	if f := d.Fact(id); f != nil {
		return f.Says(f.Start)
	}
	return ""
}

// ItemWords implements words.Source.
func (d AtFirst) ItemWords(id ID) string {
	if d.Item(id) == nil {
		return ""
	}
	return "0"
}
