package world

import (
	"fmt"
	"slices"
	"sort"
	"strconv"

	"azzel/core/kind"
	"azzel/core/limit"
	"azzel/core/pack"
)

// A TypeProp is a property that the pieces of a type of the designer's own have: a number in a unit, yes or no, or one of some words.
type TypeProp struct {
	// ID is its field in stored pieces too.
	ID   ID
	Name string
	// Sort is kind.Whole, kind.YesNo or kind.Choice, of which Words are the options.
	Sort  kind.Sort
	Words []string
	Unit  string
	// Usual is what a piece has that does not set it, from Least to Most.
	Usual, Least, Most int
	// Changes says that rules set it in play.
	Changes bool
}

// Prop is the property as kinds declare theirs.
func (p *TypeProp) Prop() *kind.Prop {
	is := &kind.Prop{Field: Field(p.ID), Word: strconv.FormatUint(uint64(p.ID), 10), Label: p.Name, Name: p.Name, Sort: p.Sort, Unit: p.Unit, Usual: p.Usual, Least: p.Least, Most: p.Most, Options: p.Words, Changes: p.Changes}
	if p.Sort == kind.Whole {
		is.Reach = min(p.Most, max(20, p.Usual))
	}
	return is
}

// Value is the value by which a type has the property.
func (p *TypeProp) Value() Value {
	var w pack.Writer
	w.Text(p.Name)
	w.Uint(uint64(p.Sort))
	w.Text(p.Unit)
	for _, n := range []int{p.Usual, p.Least, p.Most} {
		w.Int(n)
	}
	w.Bool(p.Changes)
	w.Uint(uint64(len(p.Words)))
	for _, word := range p.Words {
		w.Text(word)
	}
	return Value{Field: TypeFurther | Field(p.ID), Bytes: w.Bytes}
}

// NoTypeProp is the value by which a type has a property no more.
func NoTypeProp(id ID) Value { return Value{Field: TypeFurther | Field(id)} }

// setFurther gives a type a property, changes it, or takes it away.
func (t *Type) setFurther(v Value) error {
	p := TypeProp{ID: ID(v.Field &^ TypeFurther)}
	i := sort.Search(len(t.Further), func(i int) bool { return t.Further[i].ID >= p.ID })
	there := i < len(t.Further) && t.Further[i].ID == p.ID
	list := slices.Clone(t.Further)
	if len(v.Bytes) == 0 {
		if there {
			t.Further = slices.Delete(list, i, i+1)
		}
		return nil
	}
	r := pack.NewReader(v.Bytes)
	p.Name, p.Sort, p.Unit = r.Text(4*limit.NameLetters), kind.Sort(min(r.Uint(), 255)), r.Text(4*limit.NameLetters)
	p.Usual, p.Least, p.Most, p.Changes = r.Int(), r.Int(), r.Int(), r.Bool()
	for range r.Count(limit.FactWords, 1) {
		p.Words = append(p.Words, r.Text(4*limit.NameLetters))
	}
	if err := r.Done(); err != nil {
		return err
	}
	if err := p.check(); err != nil {
		return err
	}
	if there {
		list[i] = p
	} else {
		list = slices.Insert(list, i, p)
	}
	t.Further = list
	return nil
}

// check holds a property against what it may be.
func (p *TypeProp) check() error {
	if p.ID < ID(kind.FirstOwnField) {
		return fmt.Errorf("%w: a property of a type that has the number of a built-in one", pack.ErrMalformed)
	}
	if err := CheckName(p.Name, false); err != nil {
		return err
	}
	if err := CheckName(p.Unit, true); err != nil {
		return err
	}
	switch p.Sort {
	case kind.YesNo:
	case kind.Choice:
		if len(p.Words) < 1 || len(p.Words) > limit.FactWords {
			return fmt.Errorf("%s is one of 1 to %d words", p.Name, limit.FactWords)
		}
		for _, word := range p.Words {
			if err := CheckName(word, false); err != nil {
				return err
			}
		}
	case kind.Whole:
		if p.Least > p.Most || p.Least < -kind.MostOwn || p.Most > kind.MostOwn {
			return fmt.Errorf("%s has a least of %d and a most of %d: the least is below the most, both within a thousand millions", p.Name, p.Least, p.Most)
		}
	default:
		return fmt.Errorf("%w: a property of a sort that is not known here; reload the page", pack.ErrMalformed)
	}
	if p.Usual < -kind.MostOwn || p.Usual > kind.MostOwn {
		return fmt.Errorf("what is usual of %s is out of range", p.Name)
	}
	return nil
}
