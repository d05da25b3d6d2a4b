package world

import (
	"errors"
	"fmt"

	"azzel/core/limit"
	"azzel/core/lists"
)

// What of the piece at its end a wire works, as Wire.Works has it.
const (
	// WorksState is the piece's own state: it goes between the first two states of its kind. A piece that has none that can
	// be worked is switched on and off instead, as are the forces of an area; a layer is there or absent.
	WorksState = iota
	// WorksPower switches the piece on and off.
	WorksPower
	worksEnd
)

// How a wire works the piece at its end, as Wire.Does has it.
const (
	// WhileHeld keeps the piece on while the piece at the beginning is on, and off otherwise.
	WhileHeld = iota
	// TurnsOn, TurnsOff and ChangesOver do so each time the piece at the beginning goes on.
	TurnsOn
	TurnsOff
	ChangesOver
	doesEnd
)

// WireDoes are the words for how a wire works a piece, in the order of their numbers.
var WireDoes = [...]string{"on while held", "turns it on", "turns it off", "changes it over"}

// WorksWords and DoesWords are the words in files for what a wire works and how, in the order of their numbers.
var (
	WorksWords = []string{"", "power"}
	DoesWords  = []string{"", "on", "off", "over"}
)

// How many of the wires that end at a piece must be on, as Wire.Of has it: any, all, or at least so many.
const (
	AnyOf = 0
	AllOf = -1
)

// A Wire lets a piece work another, the forces of an area, or a layer, on whatever maps they are. Where one of them is gone it does nothing.
type Wire struct {
	ID     ID
	Name   string
	Number int
	// From is the piece at which it begins, To the piece, area or layer at which it ends.
	From, To ID
	// Works and Does say what of the piece at its end it works, and how.
	Works, Does int
	// After is for how many ticks the beginning must have been on, or off, before that counts; for a wire that does something
	// once, how long after.
	After int
	// Of is AnyOf, AllOf, or how many of the wires that are on while held must be, of all that work the same of its end.
	Of int
}

var wireFields = []field[*Wire]{
	textField(FieldName, func(w *Wire) *string { return &w.Name }),
	idField(2, func(w *Wire) *ID { return &w.From }),
	idField(3, func(w *Wire) *ID { return &w.To }),
	intsField(4, func(w *Wire) *int { return &w.Works }),
	intsField(5, func(w *Wire) *int { return &w.Does }),
	intsField(6, func(w *Wire) *int { return &w.After }),
	intsField(8, func(w *Wire) *int { return &w.Of }),
	intsField(FieldNumber, func(w *Wire) *int { return &w.Number }),
}

// Values are the properties of a wire.
func (w *Wire) Values() []Value { return valuesOf(w, wireFields) }

// Wire finds a wire; nil if there is none.
func (d *Document) Wire(id ID) *Wire { return byID(d.Wires, id, func(w *Wire) ID { return w.ID }) }

// WiresOf lists the wires that begin or end at something. The cost grows with the wires that there are.
func (d *Document) WiresOf(thing ID) (found []*Wire) {
	for _, w := range d.Wires {
		if w.From == thing || w.To == thing {
			found = append(found, w)
		}
	}
	return found
}

// Together lists the wires that work the same of a piece as one does while they are held, with it: they count together.
func (d *Document) Together(w *Wire) []*Wire {
	return lists.Without(d.WiresOf(w.To), func(o *Wire) bool { return o.To != w.To || o.Works != w.Works || o.Does != WhileHeld })
}

func (d *Document) checkWire(w *Wire) error {
	if len(d.Wires) > limit.Wires {
		return fmt.Errorf("a project has at most %d wires", limit.Wires)
	}
	return w.Check()
}

// Check holds a wire against what it may be.
func (w *Wire) Check() error {
	switch {
	case w.From == w.To:
		return errors.New("a wire can't end where it begins: end it at another piece")
	case w.Works < 0 || w.Works >= worksEnd || w.Does < 0 || w.Does >= doesEnd:
		return errors.New("a wire works a piece in a way that is not known here")
	case w.After < 0 || w.After > limit.Interval:
		return fmt.Errorf("a wire takes effect after 0 to %d s", limit.Interval/60)
	case w.Of < AllOf || w.Of > limit.Wires:
		return fmt.Errorf("of the wires of a piece all, any, or 1 to %d must be on", limit.Wires)
	}
	return CheckName(w.Name, true)
}
