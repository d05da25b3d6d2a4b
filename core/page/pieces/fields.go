// Package pieces is the room of pieces: the fields that their kinds declare, for one or for several, and what must
// hold for them.
package pieces

import (
	"fmt"
	"slices"
	"strings"

	"azzel/core/edit"
	"azzel/core/grid"
	"azzel/core/hand"
	"azzel/core/kind"
	"azzel/core/kinds/props"
	"azzel/core/page"
	"azzel/core/page/characters"
	"azzel/core/page/measure"
	"azzel/core/page/memory"
	"azzel/core/page/places"
	"azzel/core/page/wording"
	"azzel/core/words"
	"azzel/core/world"
)

// FieldView is something that can be set of one piece or of several: a choice if it has options, else a number.
type FieldView struct {
	// Name is what it is called in orders, Label what people read, Heading what stands over it and those after it with
	// the same, Help a sentence.
	Name    string `json:"name"`
	Label   string `json:"label"`
	Heading string `json:"heading"`
	Help    string `json:"help"`
	// Options are the choices, Chosen is the id of the one that is chosen.
	Options []OptionView `json:"options"`
	Chosen  string       `json:"chosen"`
	// Measured is its number, in the unit.
	measure.Measured
	// Tries are values that are proposed to be tried over a replay, Trial what that is called then; empty if it can't.
	Tries []float64 `json:"tries"`
	Trial string    `json:"trial"`
	// Differs says that it is not the same for all of several pieces; Value is that of the first.
	Differs bool `json:"differs"`
	// Typed is what the player reads, as it is typed; nil if it is no such field.
	Typed *string `json:"typed"`
	// Colour is a colour such as #d07a2c, empty for none; nil if it is no such field.
	Colour *string `json:"colour"`
}

// OptionView is a choice: the id of a thing, or a word, with what people read. The empty id stands for none of the things.
type OptionView struct {
	ID    string `json:"id"`
	Label string `json:"label"`
}

// wordOptions are choices that are called what people read.
func wordOptions(words ...string) []OptionView {
	list := make([]OptionView, len(words))
	for i, word := range words {
		list[i] = OptionView{word, word}
	}
	return list
}

// ActingView is how a piece acts in play, with what can be set of it.
type ActingView struct {
	Fields []FieldView `json:"fields"`
	// Moves says that it goes somewhere by itself, so that it has a trail; Leads that it can follow a track, Tracked
	// that it follows one, which can be led on.
	Moves   bool `json:"moves"`
	Leads   bool `json:"leads"`
	Tracked bool `json:"tracked"`
}

// ViewActing is what can be set of how a piece acts, as its kind declares it; nil if nothing can.
func ViewActing(d *world.Document, m *world.Map, p *world.Piece) *ActingView {
	v := &ActingView{Fields: fieldsOf(d, m, p, false)}
	if len(v.Fields) == 0 {
		return nil
	}
	k := p.Kind()
	for i := range v.Fields {
		f := &v.Fields[i]
		h, has := k.Prop(f.Name)
		if len(f.Options) == 0 && f.Typed == nil && !(has && h.Seen) {
			f.Tries, f.Trial = Around(f.Measured), PieceTerm(world.Ref{Map: m.ID, ID: p.ID}, f.Name)
		}
	}
	_, v.Leads = k.Has(props.Track)
	v.Leads = v.Leads && k.Goes
	v.Moves = k.Goes && props.Doing(k, p.All()) != props.Stands
	t := d.Track(p.Refers(props.Track))
	v.Tracked = t != nil && t.Map == m.ID
	return v
}

// fieldsOf are the properties of a piece that are offered to be set, those that stand apart or the others, in the order in
// which its kind declares them.
func fieldsOf(d *world.Document, m *world.Map, p *world.Piece, apart bool) []FieldView {
	list := []FieldView{}
	view := kind.FromAbove
	if m.View == world.SideView {
		view = kind.FromTheSide
	}
	for _, h := range p.Kind().Props {
		if h.Sort != kind.Condition && h.Sort != kind.Sayings && h.Apart == apart && h.Counts(view) && !h.Hidden && (h.If == nil || h.If(p.All())) {
			list = append(list, propFields(d, m, p, h)...)
		}
	}
	return list
}

// propFields are the fields of one property of a piece.
func propFields(d *world.Document, m *world.Map, p *world.Piece, h kind.Has) []FieldView {
	numbers := p.All().Numbers(p.Kind(), h.Prop)
	if list := choices(p.Kind(), h); list != nil {
		field := FieldView{Name: h.Word, Label: h.Says(), Help: h.Help, Options: []OptionView{}, Chosen: list[0].ID, Tries: []float64{}}
		for _, c := range list {
			field.Options = append(field.Options, c.OptionView)
			if c.number == numbers[0] {
				field.Chosen = c.ID
			}
		}
		return []FieldView{field}
	}
	switch h.Sort {
	case kind.Colour:
		is := world.Colour(numbers[0]).String()
		return []FieldView{{Name: h.Word, Label: h.Says(), Help: h.Help, Options: []OptionView{}, Tries: []float64{}, Colour: &is}}
	case kind.Words:
		return []FieldView{wordsField(d, p, h)}
	case kind.Reference:
		field := listed(d, h.Word, h.Says(), h.None, page.SortOf(h.To), thingsOf(d, m, h.To), p.Refers(h.Prop))
		if field.Help = h.Help; makesNew(h.To) {
			field.Options = append(field.Options, OptionView{madeAnew, "a new " + sortNames[page.SortOf(h.To)]})
		}
		return []FieldView{field}
	case kind.Offset:
		l := d.Project.Lattice()
		return []FieldView{numberField(l, h, h.Word+"-x", h.Says()+" right", 0, numbers[0]), numberField(l, h, h.Word+"-y", h.Says()+" down", 1, numbers[1])}
	case kind.Weights:
		fields := make([]FieldView, 0, len(h.Options))
		for i, option := range h.Options {
			f := numberField(d.Project.Lattice(), h, h.Word+"-"+option, option, i, numbers[i])
			f.Heading = h.Says()
			fields = append(fields, f)
		}
		return fields
	}
	return []FieldView{numberField(d.Project.Lattice(), h, h.Word, h.Says(), 0, numbers[0])}
}

// A choiceOf is a choice with the number by which it is stored.
type choiceOf struct {
	OptionView
	number int
}

// choices are those of a property that is one of some words; nil for other properties.
func choices(k *kind.Kind, h kind.Has) (list []choiceOf) {
	words := func(from int, words ...string) []choiceOf {
		for i, word := range words {
			list = append(list, choiceOf{OptionView{word, word}, from + i})
		}
		return list
	}
	switch h.Sort {
	case kind.Choice:
		return words(0, h.Options...)
	case kind.YesNo:
		return words(0, "no", "yes")
	case kind.OwnState:
		for i, s := range k.States {
			c := choiceOf{OptionView{s.Word, s.Name}, s.Number}
			if i == 0 {
				c.number = 0 // the usual one
			}
			list = append(list, c)
		}
		return list
	case kind.Direction:
		return words(0, append([]string{h.None}, h.Options...)...)
	}
	return nil
}

// madeAnew is chosen for a thing that is made for it.
const madeAnew = "new"

// numberField is number i of a property.
func numberField(l grid.Lattice, h kind.Has, name, label string, i, is int) FieldView {
	m := measureOf(l, h, i)
	m.To = min(max(m.To, is), m.Most)
	if m.From = m.Least; m.Least < 0 {
		m.From = -m.To
	}
	return FieldView{Name: name, Label: label, Help: h.Help, Options: []OptionView{}, Tries: []float64{}, Measured: m.Measured(is)}
}

// measureOf says how number i of a property is shown: offsets are in cells.
func measureOf(l grid.Lattice, h kind.Has, i int) measure.Measure {
	m := measure.Measure{Unit: h.Unit, Per: h.Per, To: h.Reach}
	if m.Least, m.Most = h.Ranges(i); h.Sort == kind.Whole {
		m.Least = h.Least
	}
	if h.Sort == kind.Offset {
		m.Per = []int{l.W, l.H}[i]
		m.To *= m.Per
	}
	return m
}

// listed lets one of some things be chosen, or none of them.
func listed(d *world.Document, name, label, none string, sort world.Sort, ids []world.ID, chosen world.ID) FieldView {
	f := FieldView{Name: name, Label: label, Options: []OptionView{{"", none}}, Tries: []float64{}}
	for _, id := range ids {
		f.Options = append(f.Options, OptionView{page.FormatID(id), hand.Name(d, world.Ref{Sort: sort, ID: id})})
		if id == chosen {
			f.Chosen = page.FormatID(id)
		}
	}
	return f
}

// sortNames are what people call the things that can be made by choosing them.
var sortNames = map[world.Sort]string{world.SortItem: "item", world.SortFact: "fact"}

// makesNew reports whether a thing can be made by choosing it.
func makesNew(t kind.Thing) bool { return sortNames[page.SortOf(t)] != "" }

// thingsOf are the things of a sort that a piece of a map can refer to.
func thingsOf(d *world.Document, m *world.Map, t kind.Thing) []world.ID {
	switch t {
	case kind.Character:
		return characters.CharactersOf(d)
	case kind.Track:
		return places.TracksOf(d, m)
	case kind.Area:
		return places.AreasOf(d, m)
	case kind.Item:
		return memory.ItemsOf(d)
	case kind.Fact:
		return memory.FactsOf(d)
	}
	return nil
}

// Acted is the edit that sets a field of a piece: to a number in its unit, or, if the field has options, to the one that is chosen.
func Acted(a page.Author, ref world.Ref, name string, number float64, choice string) (edit.Edit, error) {
	d := a.D
	m := d.Map(ref.Map)
	if m == nil || m.Piece(ref.ID) == nil {
		return edit.Edit{}, world.ErrGone
	}
	piece := m.Piece(ref.ID)
	next := *piece
	var err error
	var before []edit.Part
	switch name {
	case "sets", "sets-how", "sets-by":
		if !world.Sets(piece.Type) {
			return edit.Edit{}, fmt.Errorf("a piece of the type %s sets no fact", piece.Kind().Name)
		}
		if name != "sets" {
			var values []kind.Value
			if values, err = setting(d, piece, name, number, choice); err == nil {
				next.Props = next.Props.With(values...)
			}
			break
		}
		before, err = setsChosen(a, &next, choice)
	default:
		before, err = set(a, m, &next, name, number, choice)
		next.Deny(changedFields(piece, &next, name)...)
		l := d.Project.Lattice()
		if c := l.CellAt(piece.Foot); piece.Foot == m.FootFor(l, piece, c) {
			// It covers whole cells, and still does when it is wider.
			next.Foot = m.FootFor(l, &next, c)
		}
	}
	for f, b := range next.Props.All() {
		if err == nil {
			err = checkValue(next.Kind(), f, b)
		}
	}
	return edit.Edit{Label: "change " + name, Parts: append(before, edit.Changes(ref, piece.Values(), next.Values())...)}, err
}

// changedFields are the properties of a piece that are set by the name of a field.
func changedFields(was, is *world.Piece, name string) (list []kind.Field) {
	for _, h := range is.Kind().Props {
		if h.Word == name || strings.HasPrefix(name, h.Word+"-") || len(was.Props.Get(h.Field)) > 0 && len(is.Props.Get(h.Field)) == 0 {
			list = append(list, h.Field)
		}
	}
	return list
}

// checkValue holds a value of a piece of a kind against what it can be.
func checkValue(k *kind.Kind, f kind.Field, b []byte) error {
	if p := k.PropOf(f); p != nil {
		return p.Check(b)
	}
	return kind.CheckOwn(b) // of another type of one's own, kept for that
}

// asUsual is a piece that sets what is usual of a type.
func asUsual(t *world.Type) *world.Piece {
	return &world.Piece{Type: t.Base, Name: t.Name, Props: kind.Of(t.Base).Keeps(t.Usual)}
}

// UsualFields are what is usual of the pieces of a type, as fields of a slip, in both views.
func UsualFields(d *world.Document, t *world.Type) []FieldView {
	list := []FieldView{}
	p := asUsual(t)
	for _, h := range p.Kind().Props {
		if h.Sort != kind.Condition && h.Sort != kind.Sayings && !h.Hidden && world.SetsUsual(h) && (h.If == nil || h.If(p.Props)) {
			list = append(list, propFields(d, nil, p, h)...)
		}
	}
	return list
}

// SetUsual is a type of whose pieces something else is usual, by the name of its field, and what must be made before.
func SetUsual(a page.Author, t *world.Type, name string, number float64, choice string) (next world.Type, before []edit.Part, err error) {
	next = *t
	p := asUsual(t)
	for _, h := range p.Kind().Props {
		if !world.SetsUsual(h) && (name == h.Word || strings.HasPrefix(name, h.Word+"-")) {
			return next, nil, fmt.Errorf("%s is set of each piece, not of a type", h.Name)
		}
	}
	before, err = set(a, nil, p, name, number, choice)
	for f, b := range p.Props.All() {
		if err == nil {
			err = checkValue(p.Kind(), f, b)
		}
	}
	// What it said for another kind stays.
	for f, b := range p.Props.All() {
		next.Usual = next.Usual.With(kind.Value{Field: f, Bytes: b})
	}
	for f := range t.Usual.All() {
		if h := p.Kind().PropOf(f); h != nil && len(p.Props.Get(f)) == 0 {
			next.Usual = next.Usual.With(h.Unset())
		}
	}
	return next, before, err
}

// set gives a piece a number of a property, or a choice, by the name that it has for the page, and says what must be made before.
func set(a page.Author, m *world.Map, p *world.Piece, name string, number float64, choice string) (before []edit.Part, err error) {
	k := p.Kind()
	for _, h := range k.Props {
		part, is := strings.CutPrefix(name, h.Word+"-")
		i := 0
		switch {
		case name == h.Word:
		case is && h.Sort == kind.Offset:
			i = slices.Index([]string{"x", "y"}, part)
		case is && h.Sort == kind.Weights:
			i = slices.Index(h.Options, part)
		default:
			continue
		}
		if i < 0 || h.Hidden {
			break
		}
		if h.Sort == kind.Reference {
			var id world.ID
			if makesNew(h.To) && choice == madeAnew {
				var put edit.Part
				if id, put = memory.NewItem(a, p.Name); h.To == kind.Fact {
					id, put = memory.NewFact(a, p.Name)
				}
				before = append(before, put)
			} else if id, err = chosen(thingsOf(a.D, m, h.To), choice); err != nil {
				return nil, err
			}
			p.Props = p.Props.With(h.Refer(id))
			return before, nil
		}
		if h.Sort == kind.Colour {
			c, err := world.ParseColour(choice)
			p.Props = p.Props.With(h.Is(int(c)))
			return nil, err
		}
		if h.Sort == kind.Words {
			t, _, err := wording.ReadWords(a.D, choice, words.Of(p.All(), h.Prop))
			p.Props = p.Props.With(t.Set(h.Prop))
			return nil, err
		}
		numbers := p.All().Numbers(k, h.Prop)
		if list := choices(k, h); list != nil {
			c := slices.IndexFunc(list, func(c choiceOf) bool { return c.ID == choice })
			if c < 0 {
				return nil, fmt.Errorf("there is no %q among what %s can be", choice, h.Word)
			}
			numbers[i] = list[c].number
		} else {
			numbers[i] = measureOf(a.D.Project.Lattice(), h, i).Stored(number)
		}
		p.Props = p.Props.With(h.Is(numbers...))
		return nil, nil
	}
	return nil, fmt.Errorf("a piece of the type %s has no %q", k.Name, name)
}

// chosen is the one of some things that has an id; 0 for the empty text, which chooses none.
func chosen(ids []world.ID, choice string) (world.ID, error) {
	id := page.ParseID(choice)
	if choice != "" && !slices.Contains(ids, id) {
		return 0, world.ErrGone
	}
	return id, nil
}
