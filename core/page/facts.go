package page

import (
	"fmt"
	"strings"

	"azzel/core/edit"
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

// wantedWords are what a condition asks of what it asks for: yes, no, at least 3, under 3.
func wantedWords(d *world.Document, c world.Condition) string {
	f := d.Fact(c.Fact)
	switch {
	case f != nil && !f.Counts && c.Not:
		return "no"
	case f != nil && !f.Counts:
		return "yes"
	case c.Not:
		return fmt.Sprintf("under %d", c.Wanted())
	}
	return fmt.Sprintf("at least %d", c.Wanted())
}

// viewAsking is which fact a piece sets, and what it is there only while it holds; nil for pieces that
// can do neither.
func viewAsking(d *world.Document, m *world.Map, p *world.Piece) *ActingView {
	if !world.Sets(p.Type) && !world.Conditional(p.Type) {
		return nil
	}
	v := &ActingView{}
	add := func(name, label string, is int, options ...string) {
		v.Fields = append(v.Fields, FieldView{Name: name, Label: label, Options: options, Value: is, Tries: []int{}})
	}
	value := func(name, label string, prop *kind.Prop, i, is int) {
		v.Fields = append(v.Fields, numberField(kind.Has{Prop: prop}, name, label, i, is, 1))
	}
	if world.Sets(p.Type) {
		sets := p.Sets()
		field := listed(d, "sets", "Once "+p.Kind().Done+", sets", "nothing", world.SortFact, factsOf(d), sets.Fact)
		field.Options = append(field.Options, "a new fact")
		v.Fields = append(v.Fields, field)
		switch f := d.Fact(sets.Fact); {
		case f == nil:
		case f.Counts:
			add("sets-how", "Sets it", int(sets.How), "up", "down", "to")
			value("sets-by", []string{"By", "By", "To"}[sets.How], props.SetsBy, 1, sets.Amount())
		default:
			add("sets-how", "Sets it", int(sets.How)&1, "to yes", "to no")
		}
	}
	if world.Conditional(p.Type) {
		viewWhile(d, p.While(), add, value)
	}
	return v
}

// viewWhile lets it be chosen what a piece is there only while it holds.
func viewWhile(d *world.Document, is world.Condition, add func(name, label string, is int, options ...string), value func(name, label string, prop *kind.Prop, i, is int)) {
	options, chosen := []string{"always"}, 0
	for i, f := range d.Facts {
		options = append(options, "while "+f.Name)
		if f.ID == is.Fact {
			chosen = i + 1
		}
	}
	for i, item := range d.Items {
		options = append(options, "with "+item.Name)
		if item.ID == is.Item {
			chosen = len(d.Facts) + i + 1
		}
	}
	if add("while", "There only", chosen, append(options, "while a new fact")...); chosen == 0 {
		return
	}
	not := 0
	if is.Not {
		not = 1
	}
	if f := d.Fact(is.Fact); f != nil && !f.Counts {
		add("not", "It is", not, "yes", "no")
		return
	}
	add("not", "It is", not, "at least", "under")
	value("least", "So many", props.WhileLeast, 0, is.Wanted())
}

// factual are the properties of a piece of which a part of what it sets or asks for is set, by its name for the page.
func factual(p *world.Piece, name string, value int) []kind.Value {
	sets, while := p.Sets(), p.While()
	switch name {
	case "sets-how":
		sets.How = world.Setting(value)
	case "sets-by":
		sets.By = value
	case "least":
		while.Least = value
	case "not":
		while.Not = value != 0
	}
	return append(sets.Props(), while.Props()...)
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
func (a author) setsChosen(p *world.Piece, n int) (before []edit.Part) {
	sets := p.Sets()
	if n != len(a.d.Facts)+1 {
		sets.Fact = chosen(factsOf(a.d), n)
		p.Props = p.Props.With(sets.Props()...)
		return nil
	}
	name := ""
	if p.Name != "" {
		name = p.Name + " " + p.Kind().Done
	}
	id, put := a.newFact(name)
	p.Props = p.Props.With(world.Change{Fact: id}.Props()...)
	return []edit.Part{put}
}

// whileChosen lets a piece be there only while what was chosen holds: of the facts, of the items, or a
// new fact.
func (a author) whileChosen(p *world.Piece, n int) (before []edit.Part) {
	facts, items := len(a.d.Facts), len(a.d.Items)
	is := p.While()
	switch {
	case n == facts+items+1:
		id, put := a.newFact("")
		is = world.Condition{Fact: id}
		before = []edit.Part{put}
	case n > facts:
		is.Fact, is.Item = 0, chosen(itemsOf(a.d), n-facts)
	default:
		is.Fact, is.Item = chosen(factsOf(a.d), n), 0
	}
	if is.Fact == 0 && is.Item == 0 {
		is = world.Condition{}
	}
	p.Props = p.Props.With(is.Props()...)
	return before
}

// makeFact makes a fact of a name: a number, or yes or no.
func (p *Page) makeFact(name string, counts bool) Changed {
	_, put := p.author().newFact(strings.TrimSpace(name))
	parts := []edit.Part{put}
	if ref := put.(edit.Put).Ref; counts {
		parts = append(parts, edit.Changes(ref, (&world.Fact{}).Values(), (&world.Fact{Counts: true}).Values())...)
	}
	return p.do(edit.Edit{Label: "make a fact", Parts: parts})
}

// setFact says what a fact is when play begins, and whether it is a number.
func (p *Page) setFact(ref world.Ref, start int, counts bool) Changed {
	f := p.doc().Fact(ref.ID)
	if f == nil {
		return p.Fail(world.ErrGone)
	}
	next := *f
	if next.Start, next.Counts = start, counts; counts != f.Counts {
		next.Start = next.Bound(start)
	}
	return p.change(f.Name, edit.Changes(ref, f.Values(), next.Values()))
}
