package pieces

import (
	"fmt"
	"slices"
	"strings"

	"azzel/core/edit"
	"azzel/core/kind"
	"azzel/core/lists"
	"azzel/core/page"
	"azzel/core/world"
)

// PiecesView is several pieces, with what can be set of all of them.
type PiecesView struct {
	Count int `json:"count"`
	// Says is how many there are of each type, in words.
	Says   string      `json:"says"`
	Fields []FieldView `json:"fields"`
	// Conditions are what must hold for them.
	Conditions []ConditionView `json:"conditions"`
}

// mostTogether is of how many pieces it is worked out what can be set of all.
const mostTogether = 1000

// ViewPieces is what can be set of several pieces of a map at once: what all of them have. What makes something new is
// offered for one piece alone. It is nil for fewer than two.
func ViewPieces(d *world.Document, m *world.Map, pieces []*world.Piece) *PiecesView {
	if len(pieces) < 2 {
		return nil
	}
	v := &PiecesView{Count: len(pieces), Fields: []FieldView{}, Conditions: []ConditionView{}}
	counts := map[world.ID]int{}
	for _, p := range pieces {
		counts[p.TypeID()]++
	}
	var words []string
	for _, k := range d.Kit() {
		if n := counts[k.Type]; n > 0 {
			words = append(words, page.Counted(n, strings.ToLower(k.Name)))
		}
	}
	if v.Says = strings.Join(words, ", "); len(pieces) > mostTogether {
		v.Says += fmt.Sprintf(". Of at most %d pieces something can be set at once", mostTogether)
		return v
	}
	v.Fields, v.Conditions = together(d, m, pieces[0]), viewConditions(d, pieces[0])
	for _, p := range pieces[1:] {
		v.Conditions = lists.Without(v.Conditions, func(c ConditionView) bool {
			_, has := p.Kind().Prop(c.Name)
			return !has
		})
		for i := range v.Conditions {
			c := &v.Conditions[i]
			h, _ := p.Kind().Prop(c.Name)
			mine, _ := pieces[0].Kind().Prop(c.Name)
			c.Differs = c.Differs || !conditionOf(p, h.Prop).Equal(conditionOf(pieces[0], mine.Prop))
		}
		theirs := together(d, m, p)
		v.Fields = lists.Without(v.Fields, func(f FieldView) bool {
			return !slices.ContainsFunc(theirs, func(o FieldView) bool { return o.Name == f.Name })
		})
		for i := range v.Fields {
			f := &v.Fields[i]
			o := theirs[slices.IndexFunc(theirs, func(o FieldView) bool { return o.Name == f.Name })]
			f.Differs = f.Differs || o.Value != f.Value || o.Chosen != f.Chosen || o.Typed != nil && *o.Typed != *f.Typed
			if o.Label != f.Label {
				f.Label = kind.PropLabel(f.Name, f.Label)
			}
		}
	}
	for i := range v.Fields {
		f := &v.Fields[i]
		f.Options = lists.Without(f.Options, func(o OptionView) bool { return o.ID == madeAnew })
	}
	return v
}

// together is what can be set of a piece among several.
func together(d *world.Document, m *world.Map, p *world.Piece) []FieldView {
	return slices.Concat(fieldsOf(d, m, p, false), fieldsOf(d, m, p, true), settingFields(d, p))
}

// SetFieldOfSelected sets a field of all pieces that are selected, in one step.
type SetFieldOfSelected struct {
	Field  string  `json:"field"`
	Number float64 `json:"number,omitempty"`
	Choice string  `json:"choice,omitempty"`
}

// Do implements Order.
func (o SetFieldOfSelected) Do(p *page.Page) page.Changed {
	return toAll(p, func(ref world.Ref) (edit.Edit, error) {
		return Acted(p.Author(), ref, o.Field, o.Number, o.Choice)
	})
}

// toAll does something to all pieces that are selected, in one step.
func toAll(p *page.Page, one func(world.Ref) (edit.Edit, error)) page.Changed {
	d := p.Doc()
	c := p.Hand.Chosen(d)
	pieces := p.Hand.Standing(d, c)
	if len(pieces) == 0 || len(pieces) > mostTogether {
		return p.Fail(world.ErrGone)
	}
	var e edit.Edit
	for _, piece := range pieces {
		is, err := one(world.Ref{Sort: world.SortPiece, Map: c.Map, ID: piece.ID})
		if err != nil {
			return p.Fail(err)
		}
		e.Label, e.Parts = is.Label, append(e.Parts, is.Parts...)
	}
	if len(e.Parts) == 0 {
		return 0
	}
	e.Label = fmt.Sprintf("%s of %s", e.Label, page.Counted(len(pieces), "piece"))
	return p.Do(e)
}
