package page

import (
	"fmt"
	"slices"
	"strings"

	"azzel/core/edit"
	"azzel/core/hand"
	"azzel/core/kind"
	"azzel/core/kinds/props"
	"azzel/core/world"
)

// FactView is a fact, with what sets it and what asks for it.
type FactView struct {
	ID   string `json:"id"`
	Name string `json:"name"`
	// Counts says that it is a number, Start is what it is when play begins.
	Counts bool `json:"counts"`
	Start  int  `json:"start"`
	// Sets and Asks are how many set it and ask for it.
	Sets  int          `json:"sets"`
	Asks  int          `json:"asks"`
	Named []NamingView `json:"named"`
	More  int          `json:"more"`
}

func viewFacts(d *world.Document, namings map[world.ID][]world.Naming) []FactView {
	list := []FactView{}
	for _, f := range d.Facts {
		named := namings[f.ID]
		v := FactView{ID: FormatID(f.ID), Name: f.Name, Counts: f.Counts, Start: f.Start}
		v.Named, v.More = viewNamings(d, named)
		for _, by := range named {
			if by.Use == world.UseSets {
				v.Sets++
			} else {
				v.Asks++
			}
		}
		list = append(list, v)
	}
	return list
}

// settingWords are how a fact is set: to yes, up by 2.
func settingWords(d *world.Document, c world.Change) string {
	f := d.Fact(c.Fact)
	switch {
	case f == nil:
		return "to nothing"
	case c.How == world.Lowers && !f.Counts:
		return "to no"
	case !f.Counts:
		return "to yes"
	case c.How == world.Raises:
		return fmt.Sprintf("up by %d", c.Amount())
	case c.How == world.Lowers:
		return fmt.Sprintf("down by %d", c.Amount())
	}
	return fmt.Sprintf("to %d", c.Amount())
}

// AskingView is which fact a piece sets, and what must hold for it.
type AskingView struct {
	// Type is the word of the piece's type.
	Type       string          `json:"type"`
	Fields     []FieldView     `json:"fields"`
	Conditions []ConditionView `json:"conditions"`
}

// viewAsking is which fact a piece sets, and what must hold for it; nil for pieces of which neither can be said.
func viewAsking(d *world.Document, m *world.Map, p *world.Piece) *AskingView {
	v := &AskingView{Type: p.Kind().Word, Fields: []FieldView{}, Conditions: viewConditions(d, p)}
	v.Fields = append(fieldsOf(d, m, p, true), settingFields(d, p)...)
	if len(v.Conditions) == 0 && len(v.Fields) == 0 {
		return nil
	}
	return v
}

// settingFields are which fact a piece sets, and how; none for pieces that can't.
func settingFields(d *world.Document, p *world.Piece) []FieldView {
	if !world.Sets(p.Type) {
		return nil
	}
	sets := p.Sets()
	fact := listed(d, "sets", "Once "+p.Kind().Done+", sets", "nothing", world.SortFact, factsOf(d), sets.Fact)
	fact.Options = append(fact.Options, OptionView{madeAnew, "a new fact"})
	f := d.Fact(sets.Fact)
	if f == nil {
		return []FieldView{fact}
	}
	words := settings(f)
	how := FieldView{Name: "sets-how", Label: "Sets it", Options: wordOptions(words...), Chosen: words[int(sets.How)%len(words)], Tries: []int{}}
	if f.Counts {
		label := []string{"By", "By", "To"}[sets.How]
		return []FieldView{fact, how, numberField(kind.Has{Prop: props.SetsBy}, "sets-by", label, 1, sets.Amount(), 1)}
	}
	return []FieldView{fact, how}
}

// settings are the ways to set a fact, in the order of world.Setting.
func settings(f *world.Fact) []string {
	if f.Counts {
		return []string{"up", "down", "to"}
	}
	return []string{"to yes", "to no"}
}

// setting are the properties of a piece of which a part of what it sets is set, by its name for the page.
func setting(d *world.Document, p *world.Piece, name string, number int, choice string) ([]kind.Value, error) {
	sets := p.Sets()
	if name != "sets-how" {
		sets.By = number
		return sets.Props(), nil
	}
	f := d.Fact(sets.Fact)
	if f == nil {
		return nil, fmt.Errorf("%s sets no fact", hand.PieceName(d, p))
	}
	how := slices.Index(settings(f), choice)
	if how < 0 {
		return nil, fmt.Errorf("%s can't be set %q", f.Name, choice)
	}
	sets.How = world.Setting(how)
	return sets.Props(), nil
}

func factsOf(d *world.Document) []world.ID {
	return idsOf(d.Facts, func(f *world.Fact) world.ID { return f.ID })
}

// newFact is a fact with a free name, and the part that puts it.
func (a author) newFact(name string) (world.ID, edit.Part) {
	id := a.ids.NewID()
	fact := &world.Fact{Name: freeName(a.d.Facts, func(f *world.Fact) string { return f.Name }, name, "Fact")}
	return id, edit.Put{Ref: world.Ref{Sort: world.SortFact, ID: id}, Values: fact.Values()}
}

// setsChosen lets a piece set what was chosen of the facts, or a new one.
func (a author) setsChosen(p *world.Piece, choice string) (before []edit.Part, err error) {
	sets := p.Sets()
	if choice != madeAnew {
		if sets.Fact, err = chosen(factsOf(a.d), choice); err != nil {
			return nil, err
		}
		p.Props = p.Props.With(sets.Props()...)
		return nil, nil
	}
	name := ""
	if p.Name != "" {
		name = p.Name + " " + p.Kind().Done
	}
	id, put := a.newFact(name)
	p.Props = p.Props.With(world.Change{Fact: id}.Props()...)
	return []edit.Part{put}, nil
}

// MakeFact makes a fact of a name: a number if it counts, else yes or no.
type MakeFact struct {
	Name   string `json:"name"`
	Counts bool   `json:"counts"`
}

// Do implements Order.
func (o MakeFact) Do(p *Page) Changed {
	_, put := p.author().newFact(strings.TrimSpace(o.Name))
	parts := []edit.Part{put}
	if ref := put.(edit.Put).Ref; o.Counts {
		parts = append(parts, edit.Changes(ref, (&world.Fact{}).Values(), (&world.Fact{Counts: true}).Values())...)
	}
	return p.do(edit.Edit{Label: "make a fact", Parts: parts})
}

// SetFact says what a fact is when play begins, and whether it is a number.
type SetFact struct {
	Fact   ID   `json:"fact"`
	Start  int  `json:"start"`
	Counts bool `json:"counts"`
}

// Do implements Order.
func (o SetFact) Do(p *Page) Changed {
	ref := world.Ref{Sort: world.SortFact, ID: world.ID(o.Fact)}
	f := p.doc().Fact(ref.ID)
	if f == nil {
		return p.Fail(world.ErrGone)
	}
	next := *f
	if next.Start, next.Counts = o.Start, o.Counts; o.Counts != f.Counts {
		next.Start = next.Bound(o.Start)
	}
	return p.change(f.Name, edit.Changes(ref, f.Values(), next.Values()))
}
