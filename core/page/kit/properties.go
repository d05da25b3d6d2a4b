package kit

import (
	"errors"
	"strings"

	"azzel/core/edit"
	"azzel/core/kind"
	"azzel/core/page"
	"azzel/core/world"
)

// PropertyView is a property that the pieces of a type have beside those of the kind.
type PropertyView struct {
	ID string `json:"id"`
	PropertyLook
	// Options are what it can be, if it is no number; Chosen is the place of what is usual among them.
	Options []string `json:"options"`
	Chosen  int      `json:"chosen"`
	// Sets is how many pieces set it.
	Sets int `json:"sets"`
}

// PropertyLook is what can be set of a property of a type.
type PropertyLook struct {
	Name string `json:"name"`
	// Sort is which of PropertySorts it is, Words the options, with commas between them, if it is one of some words.
	Sort  int    `json:"sort"`
	Words string `json:"words"`
	Unit  string `json:"unit"`
	// Usual is what a piece has that does not set it; of words the place of one, from 0 on.
	Usual int `json:"usual"`
	Least int `json:"least"`
	Most  int `json:"most"`
	// Changes says that rules set it in play.
	Changes bool `json:"changes"`
}

// sorts are what a property can be, by their numbers for the page, with what people read.
var sorts = []kind.Sort{kind.Whole, kind.YesNo, kind.Choice}

// PropertySorts are what people read of them.
var PropertySorts = []string{"a number", "yes or no", "one of some words"}

func lookOfProperty(p *world.TypeProp) PropertyLook {
	look := PropertyLook{Name: p.Name, Words: strings.Join(p.Words, ", "), Unit: p.Unit, Usual: p.Usual, Least: p.Least, Most: p.Most, Changes: p.Changes}
	for i, sort := range sorts {
		if sort == p.Sort {
			look.Sort = i
		}
	}
	return look
}

func viewProperties(d *world.Document, t *world.Type) []PropertyView {
	list := []PropertyView{}
	for i := range t.Further {
		p := &t.Further[i]
		options := append([]string{}, p.Prop().Names()...)
		v := PropertyView{ID: page.FormatID(p.ID), PropertyLook: lookOfProperty(p), Options: options, Chosen: max(0, min(p.Usual, len(options)-1))}
		for _, m := range d.Maps {
			for _, is := range m.Pieces {
				if is.Own() == t && len(is.Props.Get(kind.Field(p.ID))) > 0 {
					v.Sets++
				}
			}
		}
		list = append(list, v)
	}
	return list
}

// propertyOf finds a property of a type; nil if there is none such.
func propertyOf(t *world.Type, id page.ID) *world.TypeProp {
	for i := range t.Further {
		if t.Further[i].ID == world.ID(id) {
			return &t.Further[i]
		}
	}
	return nil
}

// AddTypeProperty gives the pieces of a type a property: a number from 0 to 100 at first.
type AddTypeProperty struct {
	Type page.ID `json:"type"`
	Name string  `json:"name"`
}

// Do implements Order.
func (o AddTypeProperty) Do(p *page.Page) page.Changed {
	t := p.Doc().Type(world.ID(o.Type))
	if t == nil {
		return p.Fail(world.ErrGone)
	}
	is := world.TypeProp{ID: p.IDs.NewID(), Name: strings.TrimSpace(o.Name), Most: 100, Changes: true}
	for _, other := range t.Further {
		if strings.EqualFold(other.Name, is.Name) {
			return p.Fail(errors.New("the type has a property of that name already: choose another"))
		}
	}
	return p.Do(edit.Edit{Label: edit.Clip("give " + t.Name + " the property " + is.Name), Parts: []edit.Part{edit.Change{Ref: world.TypeRef(t.ID), Value: is.Value()}}})
}

// SetTypeProperty sets what can be set of a property of a type. What pieces set of it stays, as near as it can be.
type SetTypeProperty struct {
	Type     page.ID                 `json:"type"`
	Property page.ID                 `json:"property"`
	Change   page.Part[PropertyLook] `json:"change"`
}

// Do implements Order.
func (o SetTypeProperty) Do(p *page.Page) page.Changed {
	t := p.Doc().Type(world.ID(o.Type))
	if t == nil || propertyOf(t, o.Property) == nil {
		return p.Fail(world.ErrGone)
	}
	was := propertyOf(t, o.Property)
	to, err := o.Change.Over(lookOfProperty(was))
	if err != nil {
		return p.Fail(err)
	}
	next := *was
	next.Name, next.Unit, next.Usual, next.Least, next.Most, next.Changes = strings.TrimSpace(to.Name), strings.TrimSpace(to.Unit), to.Usual, to.Least, to.Most, to.Changes
	next.Sort, next.Words = sorts[min(max(to.Sort, 0), len(sorts)-1)], nil
	if next.Sort == kind.Choice {
		for _, word := range strings.Split(to.Words, ",") {
			if word = strings.TrimSpace(word); word != "" {
				next.Words = append(next.Words, word)
			}
		}
		if len(next.Words) == 0 {
			next.Words = []string{"no", "yes"}
		}
	}
	return p.Do(edit.Edit{Label: edit.Clip("change the property " + next.Name), Parts: []edit.Part{edit.Change{Ref: world.TypeRef(t.ID), Value: next.Value()}}})
}

// RemoveTypeProperty takes a property from the pieces of a type. What they set of it is kept, should it come back by undo, and counts no more.
type RemoveTypeProperty struct {
	Type     page.ID `json:"type"`
	Property page.ID `json:"property"`
}

// Do implements Order.
func (o RemoveTypeProperty) Do(p *page.Page) page.Changed {
	t := p.Doc().Type(world.ID(o.Type))
	if t == nil || propertyOf(t, o.Property) == nil {
		return p.Fail(world.ErrGone)
	}
	return p.Do(edit.Edit{Label: edit.Clip("take " + propertyOf(t, o.Property).Name + " from " + t.Name), Parts: []edit.Part{edit.Change{Ref: world.TypeRef(t.ID), Value: world.NoTypeProp(world.ID(o.Property))}}})
}
