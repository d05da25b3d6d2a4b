// Package ready is the room of what is ready-made: common doings between pieces, asked for by name, which are ordinary rules, wires and properties once they
// are made.
package ready

import (
	"fmt"
	"slices"
	"strings"

	"azzel/core/edit"
	"azzel/core/hand"
	"azzel/core/kind"
	"azzel/core/logic"
	"azzel/core/page"
	"azzel/core/page/wording"
	"azzel/core/words"
	"azzel/core/world"
)

func init() {
	page.RegisterQuestions(page.Asking{Question: AskReady{}, Otherwise: []ReadyView{}})
}

// ReadyView is something ready-made: its word in orders, what it is called and does, and what it asks for.
type ReadyView struct {
	Word  string     `json:"word"`
	Name  string     `json:"name"`
	Does  string     `json:"does"`
	Slots []SlotView `json:"slots"`
}

// SlotView is something that is asked for: a thing, several things, a text or a number.
type SlotView struct {
	Name  string `json:"name"`
	Label string `json:"label"`
	// Sort is piece, area, item, fact, text, name or number; Several says that more than one can be chosen, and at least Least.
	Sort    string `json:"sort"`
	Several bool   `json:"several"`
	Least   int    `json:"least"`
	// Choices are the things that can be.
	Choices []ChoiceView `json:"choices"`
	// Usual is what a number or text is at first, Unit in what it is.
	Usual string `json:"usual"`
	Unit  string `json:"unit"`
}

// ChoiceView is a thing that can be chosen, and where it is.
type ChoiceView struct {
	ID   string `json:"id"`
	Name string `json:"name"`
	On   string `json:"on"`
}

// The sorts of slots.
const (
	aPiece  = "piece"
	anArea  = "area"
	anItem  = "item"
	aFact   = "fact"
	aText   = "text"
	aName   = "name"
	aNumber = "number"
)

// slot is what is asked for.
type slot struct {
	name, label, sort string
	// fits says of which kinds a piece may be, of at least how many several are.
	fits  func(k *kind.Kind) bool
	least int
	usual string
	unit  string
	// most is how much a number is at most.
	most int
}

// mostChoices is how many things are listed for a slot.
const mostChoices = 300

func (s *slot) choices(d *world.Document) (list []ChoiceView) {
	list = []ChoiceView{}
	add := func(id world.ID, name, on string) {
		if len(list) < mostChoices {
			list = append(list, ChoiceView{page.FormatID(id), name, on})
		}
	}
	switch s.sort {
	case aPiece:
		for _, m := range d.Maps {
			for _, p := range m.Pieces {
				if s.fits(p.Kind()) {
					add(p.ID, hand.PieceName(d, p), m.Name)
				}
			}
		}
	case anArea:
		for _, a := range d.Areas {
			add(a.ID, hand.Name(d, world.Ref{Sort: world.SortArea, ID: a.ID}), d.Map(a.Map).Name)
		}
	case anItem:
		for _, i := range d.Items {
			add(i.ID, i.Name, "")
		}
	case aFact:
		for _, f := range d.Facts {
			add(f.ID, f.Name, "")
		}
	}
	return list
}

// AskReady asks what is ready-made, and what can be chosen for it.
type AskReady struct{}

// Answer implements Question.
func (AskReady) Answer(p *page.Page) any {
	list := []ReadyView{}
	for _, r := range recipes {
		v := ReadyView{Word: r.word, Name: r.name, Does: r.does}
		for _, s := range r.slots {
			v.Slots = append(v.Slots, SlotView{s.name, s.label, s.sort, s.least > 1, s.least, s.choices(p.Doc()), s.usual, s.unit})
		}
		list = append(list, v)
	}
	return list
}

// Chosen is what was chosen for a slot.
type Chosen struct {
	Slot   string    `json:"slot"`
	Things []page.ID `json:"things,omitempty"`
	Text   string    `json:"text,omitempty"`
	Number float64   `json:"number,omitempty"`
}

// MakeReady makes something ready-made of what was chosen for it.
type MakeReady struct {
	Ready  string   `json:"ready"`
	Chosen []Chosen `json:"chosen"`
}

// A making is something ready-made in the making.
type making struct {
	page.Author
	things  map[string][]world.ID
	texts   map[string]words.Text
	names   map[string]string
	numbers map[string]float64
	parts   []edit.Part
	// told is what is said once it is made.
	told string
}

// Do implements Order.
func (o MakeReady) Do(p *page.Page) page.Changed {
	i := slices.IndexFunc(recipes, func(r recipe) bool { return r.word == o.Ready })
	if i < 0 {
		return p.Fail(page.ErrUnknown)
	}
	r := &recipes[i]
	m := &making{p.Author(), map[string][]world.ID{}, map[string]words.Text{}, map[string]string{}, map[string]float64{}, nil, ""}
	for _, s := range r.slots {
		at := slices.IndexFunc(o.Chosen, func(c Chosen) bool { return c.Slot == s.name })
		c := Chosen{}
		if at >= 0 {
			c = o.Chosen[at]
		}
		if err := m.take(&s, c); err != nil {
			return p.Fail(err)
		}
	}
	r.make(m)
	changed := p.Do(edit.Edit{Label: edit.Clip("make: " + strings.ToLower(r.name)), Parts: m.parts})
	if changed != 0 && m.told != "" {
		p.Say("%s", m.told)
	}
	return changed
}

// take takes what was chosen for a slot, if it fits.
func (m *making) take(s *slot, c Chosen) error {
	switch s.sort {
	case aText:
		t, _, err := wording.ReadWords(m.D, c.Text, nil)
		if err == nil && len(t) == 0 {
			err = fmt.Errorf("“%s” is empty: type what the player reads", s.label)
		}
		m.texts[s.name] = t
		return err
	case aName:
		m.names[s.name] = strings.TrimSpace(c.Text)
		return world.CheckName(m.names[s.name], false)
	case aNumber:
		if c.Number < 0 || c.Number > float64(s.most) {
			return fmt.Errorf("“%s” is 0 to %d %s, not %g", s.label, s.most, s.unit, c.Number)
		}
		m.numbers[s.name] = c.Number
		return nil
	}
	able := s.choices(m.D)
	for _, id := range c.Things {
		// A piece twice is one.
		is := world.ID(id)
		if slices.Contains(m.things[s.name], is) {
			continue
		}
		if !slices.ContainsFunc(able, func(v ChoiceView) bool { return v.ID == page.FormatID(is) }) {
			return fmt.Errorf("what was chosen for “%s” is not there any more, or is of another type: choose another", s.label)
		}
		m.things[s.name] = append(m.things[s.name], is)
	}
	switch n := len(m.things[s.name]); {
	case n == 0 || n < s.least:
		return fmt.Errorf("“%s” is still to be chosen%s", s.label, map[bool]string{true: fmt.Sprintf(": at least %d", s.least)}[s.least > 1])
	case n > logic.MostTerms/2 || s.least <= 1 && n > 1:
		return fmt.Errorf("too many were chosen for “%s”", s.label)
	}
	return nil
}
