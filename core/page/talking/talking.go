// Package talking is the room of what somebody says who has several things to say.
package talking

import (
	"errors"
	"fmt"
	"slices"

	"azzel/core/edit"
	"azzel/core/kind"
	"azzel/core/limit"
	"azzel/core/lists"
	"azzel/core/logic"
	"azzel/core/page"
	"azzel/core/page/pieces"
	"azzel/core/page/wording"
	"azzel/core/talk"
	"azzel/core/world"
)

// TalkView is what somebody says.
type TalkView struct {
	Label   string       `json:"label"`
	Help    string       `json:"help"`
	Sayings []SayingView `json:"sayings"`
	// Full says that there can be no more of them.
	Full bool `json:"full"`
}

// SayingView is one thing that is said.
type SayingView struct {
	ID string `json:"id"`
	// Typed is what is said, as it is typed; While what must hold for it.
	Typed string               `json:"typed"`
	While pieces.ConditionView `json:"while"`
}

// propOf is the property that holds what a piece says; nil if it has none.
func propOf(p *world.Piece) *kind.Prop {
	i := slices.IndexFunc(p.Kind().Props, func(h kind.Has) bool { return h.Sort == kind.Sayings })
	if i < 0 {
		return nil
	}
	return p.Kind().Props[i].Prop
}

// ViewTalk is what a piece says; nil if its kind has nothing to say.
func ViewTalk(d *world.Document, p *world.Piece) *TalkView {
	prop := propOf(p)
	if prop == nil {
		return nil
	}
	list := talk.Of(p.All(), prop)
	v := &TalkView{prop.Label, prop.Help, []SayingView{}, len(list) >= limit.Sayings}
	for i, s := range list {
		is := SayingView{page.FormatID(s.ID), wording.Spell(d, s.Text), pieces.ConditionView{Name: fmt.Sprintf("saying-%d", i+1), Label: "Said while", None: "always", Help: "It is said only while this holds."}}
		is.While.Ask(d, s.While)
		v.Sayings = append(v.Sayings, is)
	}
	return v
}

// errNothing is given for a piece that says nothing.
var errNothing = errors.New("it has nothing to say")

// change changes what a piece says, in one step with what must be made before.
func change(p *page.Page, m, piece page.ID, label string, how func(d *world.Document, list talk.List) (talk.List, []edit.Part, error)) page.Changed {
	d := p.Doc()
	on := d.Map(world.ID(m))
	if on == nil || on.Piece(world.ID(piece)) == nil {
		return p.Fail(world.ErrGone)
	}
	is := on.Piece(world.ID(piece))
	prop := propOf(is)
	if prop == nil {
		return p.Fail(errNothing)
	}
	list, before, err := how(d, slices.Clone(talk.Of(is.All(), prop)))
	if err == nil {
		err = list.Check()
	}
	if err != nil {
		return p.Fail(err)
	}
	next := *is
	next.Props = next.Props.With(list.Set(prop))
	next.Deny(prop.Field)
	parts := append(before, edit.Changes(page.PieceRef(m, piece), is.Values(), next.Values())...)
	if len(parts) == 0 {
		return 0
	}
	return p.Do(edit.Edit{Label: label, Parts: parts})
}

// saying lets one of the things that a piece says be changed.
func saying(p *page.Page, m, piece, id page.ID, label string, how func(d *world.Document, s *talk.Saying) ([]edit.Part, error)) page.Changed {
	return change(p, m, piece, label, func(d *world.Document, list talk.List) (talk.List, []edit.Part, error) {
		i := list.At(world.ID(id))
		if i < 0 {
			return nil, nil, world.ErrGone
		}
		before, err := how(d, &list[i])
		return list, before, err
	})
}

// AddSaying gives a piece one more thing to say, after the others.
type AddSaying struct {
	Map   page.ID `json:"map"`
	Piece page.ID `json:"piece"`
}

// Do implements Order.
func (o AddSaying) Do(p *page.Page) page.Changed {
	return change(p, o.Map, o.Piece, "add something to say", func(_ *world.Document, list talk.List) (talk.List, []edit.Part, error) {
		return append(list, talk.Saying{ID: p.IDs.NewID()}), nil, nil
	})
}

// TypeSaying says one of the things otherwise that a piece says.
type TypeSaying struct {
	Map    page.ID `json:"map"`
	Piece  page.ID `json:"piece"`
	Saying page.ID `json:"saying"`
	Typed  string  `json:"typed"`
}

// Do implements Order.
func (o TypeSaying) Do(p *page.Page) page.Changed {
	return saying(p, o.Map, o.Piece, o.Saying, "change what is said", func(d *world.Document, s *talk.Saying) ([]edit.Part, error) {
		t, _, err := wording.ReadWords(d, o.Typed, s.Text)
		s.Text = t
		return nil, err
	})
}

// SetSayingCondition says what must hold for one of the things that a piece says; nil for nothing.
type SetSayingCondition struct {
	Map       page.ID              `json:"map"`
	Piece     page.ID              `json:"piece"`
	Saying    page.ID              `json:"saying"`
	Condition *logic.ConditionForm `json:"condition"`
}

// Do implements Order.
func (o SetSayingCondition) Do(p *page.Page) page.Changed {
	return saying(p, o.Map, o.Piece, o.Saying, "change when it is said", func(_ *world.Document, s *talk.Saying) (before []edit.Part, err error) {
		s.While, before, err = pieces.ReadCondition(p.Author(), o.Condition)
		return before, err
	})
}

// RemoveSaying takes away one of the things that a piece says.
type RemoveSaying struct {
	Map    page.ID `json:"map"`
	Piece  page.ID `json:"piece"`
	Saying page.ID `json:"saying"`
}

// Do implements Order.
func (o RemoveSaying) Do(p *page.Page) page.Changed {
	return change(p, o.Map, o.Piece, "remove something to say", func(_ *world.Document, list talk.List) (talk.List, []edit.Part, error) {
		i := list.At(world.ID(o.Saying))
		if i < 0 {
			return nil, nil, world.ErrGone
		}
		return slices.Delete(list, i, i+1), nil, nil
	})
}

// MoveSaying puts one of the things that a piece says before another one, or after all if Before is 0.
type MoveSaying struct {
	Map    page.ID `json:"map"`
	Piece  page.ID `json:"piece"`
	Saying page.ID `json:"saying"`
	Before page.ID `json:"before,omitempty"`
}

// Do implements Order.
func (o MoveSaying) Do(p *page.Page) page.Changed {
	return change(p, o.Map, o.Piece, "put what is said into another order", func(_ *world.Document, list talk.List) (talk.List, []edit.Part, error) {
		i := list.At(world.ID(o.Saying))
		if i < 0 || o.Before != 0 && list.At(world.ID(o.Before)) < 0 {
			return nil, nil, world.ErrGone
		}
		if o.Before == o.Saying {
			return list, nil, nil
		}
		moved := list[i]
		list = slices.Delete(list, i, i+1)
		to := len(list)
		if o.Before != 0 {
			to = list.At(world.ID(o.Before))
		}
		return lists.Insert(list, to, moved), nil, nil
	})
}
