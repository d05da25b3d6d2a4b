package world

import (
	"fmt"

	"azzel/core/kind"
	"azzel/core/limit"
)

// FactSorts are the words for what a fact is: yes or no, or a number.
var FactSorts = [...]string{"yes or no", "a number"}

// A Fact is something that the game remembers: yes or no, or a number from 0 to limit.FactValue.
type Fact struct {
	ID     ID
	Name   string
	Number int
	// Counts says that it is a number, not yes or no.
	Counts bool
	// Start is what it is when play begins: for yes or no 1 or 0.
	Start int
}

// Fact finds a fact; nil if there is none.
func (d *Document) Fact(id ID) *Fact {
	return byID(d.Facts, id, func(f *Fact) ID { return f.ID })
}

// Bound is the value nearest to n that the fact can have.
func (f *Fact) Bound(n int) int {
	if f.Counts {
		return min(max(n, 0), limit.FactValue)
	}
	return min(max(n, 0), 1)
}

// Range is what the fact can be, in words.
func (f *Fact) Range() string {
	if f.Counts {
		return fmt.Sprintf("0 to %d", limit.FactValue)
	}
	return FactSorts[0]
}

// Says is a value of the fact in words.
func (f *Fact) Says(value int) string {
	switch {
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
func (f *Fact) Values() []Value { return valuesOf(f, factFields) }

var factFields = []field[Fact]{
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
	if f.Start != f.Bound(f.Start) {
		return fmt.Errorf("%s can't start with %d: it is %s", f.Name, f.Start, f.Range())
	}
	return nil
}
