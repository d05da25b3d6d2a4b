package world

import (
	"fmt"

	"azzel/core/grid"
	"azzel/core/kind"
	"azzel/core/limit"
	"azzel/core/pack"
)

// A NamedStart lets play begin as if the player had come so far: at a place, with items, with facts as they would be then, and with
// pieces in other states than at first. What of it is gone counts for nothing.
type NamedStart struct {
	ID     ID
	Name   string
	Number int
	// Map and Cell are where the player stands; where the map is gone it is the spawn.
	Map  ID
	Cell grid.Point
	// Items are all that the player has, Facts those that are otherwise than at first, States the pieces that are.
	Items  []Stock
	Facts  []FactIs
	States []StateIs
}

// A FactIs is a fact and what it is, a StateIs a piece and which of its own states it is in.
type (
	FactIs struct {
		Fact  ID
		Value int
	}
	StateIs struct {
		Piece ID
		State int
	}
)

// Fits reports whether a fact, nil for one that is gone, can be so.
func (is FactIs) Fits(f *Fact) bool { return f != nil && f.Bound(is.Value) == is.Value }

// Fits reports whether a piece, nil for one that is gone, can be in the state; of one that is drawn when play begins that is not known.
func (is StateIs) Fits(p *Piece) bool {
	return p != nil && (p.Kind().Drawn || p.Kind().Can(is.State))
}

// Properties of named starts.
const (
	FieldPlace  Field = 2
	FieldHas    Field = 3
	FieldKnown  Field = 4
	FieldStates Field = 5
)

var startFields = []field[*NamedStart]{
	textField(FieldName, func(s *NamedStart) *string { return &s.Name }),
	intsField(FieldNumber, func(s *NamedStart) *int { return &s.Number }),
	{FieldPlace, func(s *NamedStart, w *pack.Writer) {
		w.Uint(uint64(s.Map))
		w.Int(s.Cell.X)
		w.Int(s.Cell.Y)
	}, func(s *NamedStart, r *pack.Reader) { s.Map, s.Cell = ID(r.Uint()), grid.Point{X: r.Int(), Y: r.Int()} }},
	stocksField(FieldHas, func(s *NamedStart) *[]Stock { return &s.Items }),
	pairsField(FieldKnown, limit.Facts, func(s *NamedStart) *[]FactIs { return &s.Facts }, func(f *FactIs) (*ID, *int) { return &f.Fact, &f.Value }),
	pairsField(FieldStates, limit.StartStates, func(s *NamedStart) *[]StateIs { return &s.States }, func(f *StateIs) (*ID, *int) { return &f.Piece, &f.State }),
}

// pairsField is a list of ids with a number each.
func pairsField[P, E any](n Field, most int, at func(P) *[]E, parts func(*E) (*ID, *int)) field[P] {
	return field[P]{n, func(t P, w *pack.Writer) {
		list := *at(t)
		w.Uint(uint64(len(list)))
		for i := range list {
			id, number := parts(&list[i])
			w.Uint(uint64(*id))
			w.Int(*number)
		}
	}, func(t P, r *pack.Reader) {
		var list []E
		for range r.Count(most, 2) {
			var e E
			id, number := parts(&e)
			*id, *number = ID(r.Uint()), r.Int()
			list = append(list, e)
		}
		*at(t) = list
	}}
}

// Values are the properties of a named start.
func (s *NamedStart) Values() []Value { return valuesOf(s, startFields) }

// StartRef is a named start as a reference.
func StartRef(id ID) Ref { return Ref{Sort: SortStart, ID: id} }

// NamedStart finds a named start; nil if there is none.
func (d *Document) NamedStart(id ID) *NamedStart {
	return byID(d.Starts, id, func(s *NamedStart) ID { return s.ID })
}

func (d *Document) checkStart(s *NamedStart) error {
	if len(d.Starts) > limit.Starts {
		return fmt.Errorf("a project has at most %d starts: delete one first", limit.Starts)
	}
	if err := checkStocks(s.Items); err != nil {
		return err
	}
	seen := map[ID]bool{}
	twice := func(id ID) error {
		if seen[id] {
			return fmt.Errorf("the start %s says twice how the same thing is", s.Name)
		}
		seen[id] = true
		return nil
	}
	for _, f := range s.Facts {
		if f.Value < -limit.FactValue || f.Value > limit.FactValue {
			return fmt.Errorf("a fact is between %d and %d, not %d", -limit.FactValue, limit.FactValue, f.Value)
		}
		if err := twice(f.Fact); err != nil {
			return err
		}
	}
	for _, is := range s.States {
		if kind.StateOf(is.State) == nil {
			return fmt.Errorf("the start %s names a state that is not known here", s.Name)
		}
		if err := twice(is.Piece); err != nil {
			return err
		}
	}
	return CheckName(s.Name, false)
}
