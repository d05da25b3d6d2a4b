package pieces

import (
	"fmt"
	"slices"

	"azzel/core/edit"
	"azzel/core/hand"
	"azzel/core/kind"
	"azzel/core/kinds/props"
	"azzel/core/page"
	"azzel/core/page/memory"
	"azzel/core/world"
)

// AskingView is which fact a piece sets, and what must hold for it.
type AskingView struct {
	// Type is the word of the piece's type.
	Type       string          `json:"type"`
	Fields     []FieldView     `json:"fields"`
	Conditions []ConditionView `json:"conditions"`
}

// ViewAsking is which fact a piece sets, and what must hold for it; nil for pieces of which neither can be said.
func ViewAsking(d *world.Document, m *world.Map, p *world.Piece) *AskingView {
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
	fact := listed(d, "sets", "Once "+p.Kind().Done+", sets", "nothing", world.SortFact, memory.SetByPieces(d, sets.Fact), sets.Fact)
	fact.Options = append(fact.Options, OptionView{madeAnew, NewFact})
	f := d.Fact(sets.Fact)
	if f == nil || f.Text {
		return []FieldView{fact}
	}
	words := settings(f)
	how := FieldView{Name: "sets-how", Label: "Sets it", Options: wordOptions(words...), Chosen: words[int(sets.How)%len(words)], Tries: []float64{}}
	if f.Counts {
		label := []string{"By", "By", "To"}[sets.How]
		return []FieldView{fact, how, numberField(d.Project.Lattice(), kind.Has{Prop: props.SetsBy}, "sets-by", label, 1, sets.Amount())}
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
func setting(d *world.Document, p *world.Piece, name string, number float64, choice string) ([]kind.Value, error) {
	sets := p.Sets()
	if name != "sets-how" {
		sets.By = measureOf(d.Project.Lattice(), kind.Has{Prop: props.SetsBy}, 1).Stored(number)
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

// setsChosen lets a piece set what was chosen of the facts, or a new one.
func setsChosen(a page.Author, p *world.Piece, choice string) (before []edit.Part, err error) {
	sets := p.Sets()
	if choice != madeAnew {
		if sets.Fact, err = chosen(memory.FactsOf(a.D), choice); err != nil {
			return nil, err
		}
		p.Props = p.Props.With(sets.Props()...)
		return nil, nil
	}
	name := ""
	if p.Name != "" {
		name = p.Name + " " + p.Kind().Done
	}
	id, put := memory.NewFact(a, name)
	p.Props = p.Props.With(world.Change{Fact: id}.Props()...)
	return []edit.Part{put}, nil
}
