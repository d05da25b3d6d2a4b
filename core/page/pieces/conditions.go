package pieces

import (
	"fmt"
	"slices"
	"strings"

	"azzel/core/edit"
	"azzel/core/hand"
	"azzel/core/kind"
	"azzel/core/kinds/props"
	"azzel/core/logic"
	"azzel/core/page"
	"azzel/core/page/measure"
	"azzel/core/page/memory"
	"azzel/core/page/wording"
	"azzel/core/world"
)

// ConditionView is what must hold for a piece, or for several.
type ConditionView struct {
	// Name is what it is called in orders, Label what people read, None what is said if nothing is asked, Help a
	// sentence.
	Name  string `json:"name"`
	Label string `json:"label"`
	None  string `json:"none"`
	Help  string `json:"help"`
	// Is is what is asked, nil for nothing; Says is the same in words.
	Is   *logic.ConditionForm `json:"is"`
	Says string               `json:"says"`
	// Main says that it stands with what else can be set of the piece, not with the facts.
	Main bool `json:"main"`
	// Differs says that it is not the same for all of several pieces; Is is that of the first.
	Differs bool `json:"differs"`
}

// conditionOf is what must hold for a piece, as a property of its kind says, in whatever form it was stored.
func conditionOf(p *world.Piece, prop *kind.Prop) logic.Condition {
	switch prop {
	case props.While:
		return p.While()
	case props.Needs:
		return p.Needs()
	}
	return logic.Of(p.All(), prop)
}

// conditionProps are the properties of a kind that are conditions.
func conditionProps(k *kind.Kind) (list []kind.Has) {
	for _, h := range k.Props {
		if h.Sort == kind.Condition {
			list = append(list, h)
		}
	}
	return list
}

func viewConditions(d *world.Document, p *world.Piece) []ConditionView {
	list := []ConditionView{}
	for _, h := range conditionProps(p.Kind()) {
		v := ConditionView{Name: h.Word, Label: h.Says(), None: h.None, Help: h.Help, Main: !h.Hidden}
		v.Ask(d, conditionOf(p, h.Prop))
		list = append(list, v)
	}
	return list
}

// Ask shows what is asked.
func (v *ConditionView) Ask(d *world.Document, c logic.Condition) {
	if !c.Empty() {
		form := page.Conditions.Write(plain(d, c))
		v.Is, v.Says = &form, wording.NewWords(d).Condition(&c)
	}
}

// plain is a condition in which what asks for a fact that is yes or no says that in one way: at least 1 for yes, under 1 for
// no. What holds always or never is left as it is.
func plain(d *world.Document, c logic.Condition) logic.Condition {
	if c.Groups() {
		terms := make([]logic.Condition, len(c.Terms))
		for i, t := range c.Terms {
			terms[i] = plain(d, t)
		}
		c.Terms = terms
		return c
	}
	f := d.Fact(c.Left.Thing)
	if c.Ask != logic.Compares || c.Left.Is != logic.FactValue || c.Right.Is != logic.Literal || f == nil || f.Counts {
		return c
	}
	n := f.Bound(c.Right.Number)
	switch yes, no := c.By.Holds(1, n), c.By.Holds(0, n); {
	case yes && !no:
		return logic.Needs(logic.FactValue, f.ID, logic.AtLeast, 1)
	case no && !yes:
		return logic.Needs(logic.FactValue, f.ID, logic.Under, 1)
	}
	return c
}

// ReadCondition reads a condition as the page gives it, nil for nothing, and says what must be made before: a fact or item that is
// made for it.
func ReadCondition(a page.Author, form *logic.ConditionForm) (c logic.Condition, before []edit.Part, err error) {
	return readCondition(a, form, func(c logic.Condition) error { return c.Check(false) })
}

// ReadHappening is ReadCondition of what something that happens asks.
func ReadHappening(a page.Author, form *logic.ConditionForm) (c logic.Condition, before []edit.Part, err error) {
	return readCondition(a, form, func(c logic.Condition) error { return c.Check(true) })
}

// ReadLasting is ReadCondition of what a rule asks that is so while something holds.
func ReadLasting(a page.Author, form *logic.ConditionForm) (c logic.Condition, before []edit.Part, err error) {
	return readCondition(a, form, logic.Condition.CheckWhile)
}

func readCondition(a page.Author, form *logic.ConditionForm, check func(logic.Condition) error) (c logic.Condition, before []edit.Part, err error) {
	if form == nil {
		return c, nil, nil
	}
	if c, err = Making(a, &before).Read(form); err == nil {
		c.NumberLasting()
		err = check(c)
	}
	return c, before, err
}

// Making reads ids as the page gives them, and adds what must be made before: a fact or item that is made for what names it.
func Making(a page.Author, before *[]edit.Part) logic.IDs {
	read := page.Conditions
	read.Parse = func(s string) (kind.ID, error) {
		var id world.ID
		var put edit.Part
		switch s {
		case NewFact:
			id, put = memory.NewFact(a, "")
		case NewItem:
			id, put = memory.NewItem(a, "")
		default:
			return page.ParseID(s), nil
		}
		*before = append(*before, put)
		return id, nil
	}
	read.Text = func(fact kind.ID, text string) (int, error) { return memory.TextOf(a.D, fact, text, before) }
	return read
}

// conditioned is the edit that lets something else hold for a piece, of the property of a word; nil for nothing.
func conditioned(a page.Author, ref world.Ref, word string, form *logic.ConditionForm) (edit.Edit, error) {
	m := a.D.Map(ref.Map)
	if m == nil || m.Piece(ref.ID) == nil {
		return edit.Edit{}, world.ErrGone
	}
	piece := m.Piece(ref.ID)
	h, has := piece.Kind().Prop(word)
	if !has || h.Sort != kind.Condition {
		return edit.Edit{}, fmt.Errorf("a piece of the type %s asks for no %q", piece.Kind().Name, word)
	}
	c, before, err := ReadCondition(a, form)
	if err != nil {
		return edit.Edit{}, err
	}
	next := *piece
	switch h.Prop {
	case props.While:
		next.SetWhile(c)
	case props.Needs:
		next.SetNeeds(c)
	default:
		next.Props = next.Props.With(c.Set(h.Prop))
	}
	next.Props = next.Kind().Keeps(next.Props)
	next.Deny(h.Field)
	return edit.Edit{Label: "change " + word, Parts: append(before, edit.Changes(ref, piece.Values(), next.Values())...)}, nil
}

// NewFact and NewItem stand for the ids of a fact and an item that are made with the condition that asks for them; they are
// what people read, too.
const (
	NewFact = "a new fact"
	NewItem = "a new item"
)

// SetCondition says what must hold for a piece, in the property of a word; nil for nothing.
type SetCondition struct {
	Map       page.ID              `json:"map"`
	Piece     page.ID              `json:"piece"`
	Property  string               `json:"property"`
	Condition *logic.ConditionForm `json:"condition"`
}

// Do implements Order.
func (o SetCondition) Do(p *page.Page) page.Changed {
	e, err := conditioned(p.Author(), page.PieceRef(o.Map, o.Piece), o.Property, o.Condition)
	if err != nil {
		return p.Fail(err)
	}
	if len(e.Parts) == 0 {
		return 0
	}
	return p.Do(e)
}

// SetConditionOfSelected says what must hold for all pieces that are selected, in one step.
type SetConditionOfSelected struct {
	Property  string               `json:"property"`
	Condition *logic.ConditionForm `json:"condition"`
}

// Do implements Order.
func (o SetConditionOfSelected) Do(p *page.Page) page.Changed {
	return toAll(p, func(ref world.Ref) (edit.Edit, error) {
		return conditioned(p.Author(), ref, o.Property, o.Condition)
	})
}

// AskableView is what conditions can ask for.
type AskableView struct {
	Facts []AskedFact  `json:"facts"`
	Items []AskedThing `json:"items"`
	Areas []AskedThing `json:"areas"`
	// Layers are those of all maps, by their names and those of their maps.
	Layers []AskedThing `json:"layers"`
	Pieces []AskedPiece `json:"pieces"`
	Maps   []AskedThing `json:"maps"`
	// More is how many more pieces there are.
	More  int         `json:"more"`
	Types []AskedType `json:"types"`
	// Comparisons, Presences and Powers are the words that there are for these.
	Comparisons []AskedWord `json:"comparisons"`
	// OfTexts are the comparisons that there are for a short text.
	OfTexts   []AskedWord  `json:"ofTexts"`
	Presences []AskedState `json:"presences"`
	Powers    []AskedState `json:"powers"`
	// Cells are what becomes of the cells of an area.
	Cells []AskedState `json:"cells"`
	// Ends are those of a crossing.
	Ends []AskedWord `json:"ends"`
	// Abilities are what rules let the player be able to do, or not.
	Abilities []AskedWord `json:"abilities"`
	// Poses are what rules let somebody be seen doing.
	Poses []AskedWord `json:"poses"`
	// Occasions are the moments that befall no piece, by what they are of.
	Occasions []AskedOccasion `json:"occasions"`
	// First is what is asked for at first of what the game remembers, FirstNew the same where a fact can be made for it,
	// FirstPiece of a piece.
	First      logic.ConditionForm `json:"first"`
	FirstNew   logic.ConditionForm `json:"firstNew"`
	FirstPiece logic.ConditionForm `json:"firstPiece"`
}

// AskedThing is something with a name that can be asked for.
type AskedThing struct {
	ID   string `json:"id"`
	Name string `json:"name"`
}

// AskedFact is a fact; Counts says that it is a number, Words are what its numbers are called, if it is one of some words.
type AskedFact struct {
	AskedThing
	Counts bool     `json:"counts"`
	Words  []string `json:"words"`
	// Text says that it is a short text, one of Texts.
	Text  bool              `json:"text"`
	Texts []memory.TextView `json:"texts"`
}

// AskedPiece is a piece of a type.
type AskedPiece struct {
	AskedThing
	Type string `json:"type"`
}

// AskedType is a type of piece by its word, with the states in which its pieces can be and the properties that are
// numbers.
type AskedType struct {
	Word   string       `json:"word"`
	Name   string       `json:"name"`
	States []AskedState `json:"states"`
	// Moments are what can happen to its pieces.
	Moments []AskedWord `json:"moments"`
	// Powered says that its pieces have power.
	Powered    bool            `json:"powered"`
	Properties []AskedProperty `json:"properties"`
}

// AskedProperty is a property by its word. Names are what its numbers are called, if it is one of some words; else Per of what is stored are one of Unit.
type AskedProperty struct {
	AskedWord
	// Changes says that rules can set it in play.
	Changes bool     `json:"changes"`
	Names   []string `json:"names"`
	Unit    string   `json:"unit"`
	Per     int      `json:"per"`
	// Usual, Least and Most are what it is where it is not set, and what it can be, as it is stored.
	Usual int `json:"usual"`
	Least int `json:"least"`
	Most  int `json:"most"`
}

func askedProperty(k *kind.Kind, h kind.Has) AskedProperty {
	least, most := h.Ranges(0)
	if h.Sort == kind.Whole {
		least = h.Least
	}
	return AskedProperty{AskedWord{h.Word, h.Says()}, logic.Changes(h.Prop), append([]string{}, h.Names()...), h.Unit, max(h.Per, 1), k.Usual.Int(k, h.Prop), least, most}
}

// ShowNumber asks how a number of a property is shown in its unit, as AskedProperty says: Per of what is stored are one of that.
type ShowNumber struct {
	Per    int `json:"per"`
	Number int `json:"number"`
}

// ShownNumber is a number in its unit. Step is by how much arrows change it where it is typed.
type ShownNumber struct {
	Value float64 `json:"value"`
	Step  float64 `json:"step"`
}

// Answer implements Question.
func (q ShowNumber) Answer(*page.Page) any {
	is := measure.Measure{Per: q.Per}.Measured(q.Number)
	return ShownNumber{is.Value, is.Step}
}

// StoreNumber asks which number of a property is stored for one that is typed in its unit: the nearest that it can be, or where By says
// that it is by how much the property changes, any.
type StoreNumber struct {
	Per   int     `json:"per"`
	Least int     `json:"least"`
	Most  int     `json:"most"`
	By    bool    `json:"by"`
	Typed float64 `json:"typed"`
}

// Answer implements Question.
func (q StoreNumber) Answer(*page.Page) any {
	n := measure.Measure{Per: q.Per}.Stored(q.Typed)
	if !q.By {
		n = max(q.Least, min(q.Most, n))
	}
	return n
}

// AskedState is a state, presence or power by its word; Verb is what people read of a piece that is brought to it.
type AskedState struct {
	AskedWord
	Verb string `json:"verb"`
}

// AskedWord is a word of files with what people read for it.
type AskedWord struct {
	Word string `json:"word"`
	Name string `json:"name"`
}

// mostAskable is how many pieces are listed that can be asked for.
const mostAskable = 400

// Askable is what conditions can ask for. Of the pieces those of the selected map come first.
func Askable(p *page.Page) AskableView {
	d := p.Doc()
	v := AskableView{Facts: []AskedFact{}, Items: []AskedThing{}, Areas: []AskedThing{}, Layers: []AskedThing{}, Pieces: []AskedPiece{}, Types: []AskedType{}, Maps: []AskedThing{}}
	for _, f := range d.Facts {
		v.Facts = append(v.Facts, AskedFact{AskedThing{page.FormatID(f.ID), f.Name}, f.Counts, append([]string{}, f.Words...), f.Text, memory.ViewTexts(f)})
	}
	for _, i := range d.Items {
		v.Items = append(v.Items, AskedThing{page.FormatID(i.ID), i.Name})
	}
	for _, a := range d.Areas {
		v.Areas = append(v.Areas, AskedThing{page.FormatID(a.ID), hand.Name(d, world.Ref{Sort: world.SortArea, ID: a.ID})})
	}
	for _, m := range d.Maps {
		v.Maps = append(v.Maps, AskedThing{page.FormatID(m.ID), m.Name})
		for _, l := range m.Layers {
			v.Layers = append(v.Layers, AskedThing{page.FormatID(l.ID), l.Name + ", " + m.Name})
		}
	}
	for _, word := range logic.AbilityWords {
		v.Abilities = append(v.Abilities, AskedWord{word, word})
	}
	for _, word := range logic.SideWords {
		v.Ends = append(v.Ends, AskedWord{word, "its " + word + " end"})
	}
	for i, word := range logic.PoseWords {
		v.Poses = append(v.Poses, AskedWord{word, wording.PoseNames[i]})
	}
	for _, m := range logic.Occasions() {
		of := logic.Part{Begins: logic.Moment{Is: m.Number}}
		v.Occasions = append(v.Occasions, AskedOccasion{AskedWord{m.Word, m.Name}, kind.ThingNames[of.Names()]})
	}
	maps := slices.Clone(d.Maps)
	if k := slices.IndexFunc(maps, func(m *world.Map) bool { return m.ID == p.Hand.Selected.Ref.Map }); k > 0 {
		maps[0], maps[k] = maps[k], maps[0]
	}
	for _, m := range maps {
		for _, piece := range m.Pieces {
			if len(v.Pieces) == mostAskable {
				v.More++
				continue
			}
			name := hand.PieceName(d, piece)
			if m != maps[0] {
				name += ", " + m.Name
			}
			v.Pieces = append(v.Pieces, AskedPiece{AskedThing{page.FormatID(piece.ID), name}, page.Conditions.WriteType(piece.TypeID())})
		}
	}
	for _, k := range d.Kit() {
		t := AskedType{Word: page.Conditions.WriteType(k.Type), Name: k.Name, States: []AskedState{}, Moments: []AskedWord{}, Properties: []AskedProperty{}}
		for _, s := range k.States {
			t.States = append(t.States, AskedState{AskedWord{s.Word, s.Name}, s.Says()})
		}
		for _, m := range k.Moments {
			t.Moments = append(t.Moments, AskedWord{m.Word, m.Name})
		}
		for _, h := range k.Props {
			if !h.Hidden && logic.IsNumber(h.Prop) {
				t.Properties = append(t.Properties, askedProperty(k.Kind, h))
			}
		}
		_, t.Powered = k.Has(props.Power)
		v.Types = append(v.Types, t)
	}
	for i, word := range logic.ComparisonWords() {
		is := AskedWord{word, strings.TrimSpace(wording.ComparisonNames[i])}
		if v.Comparisons = append(v.Comparisons, is); logic.Comparison(i) >= logic.Equals {
			v.OfTexts = append(v.OfTexts, is)
		}
	}
	v.Presences, v.Powers, v.Cells = sameWords(kind.Presences, wording.PresenceVerbs[:]), sameWords(kind.Powers, wording.PowerVerbs[:]), sameWords(logic.CellWords, wording.CellVerbs[:])
	v.First, v.FirstNew, v.FirstPiece = firstTerm(d, false), firstTerm(d, true), firstOfPiece(maps)
	return v
}

// AskedOccasion is a moment that befalls no piece, with what it is of.
type AskedOccasion struct {
	AskedWord
	Of string `json:"of"`
}

func sameWords(words, verbs []string) (list []AskedState) {
	for i, word := range words {
		list = append(list, AskedState{AskedWord{word, word}, verbs[i]})
	}
	return list
}

// firstTerm is what is asked for at first: a fact, else how many there are of an item, else a fact that is made for it.
func firstTerm(d *world.Document, fresh bool) logic.ConditionForm {
	f := logic.ConditionForm{Asks: "compares", Left: &logic.ValueForm{Is: "number", Number: 1}, By: "at-least", Right: &logic.ValueForm{Is: "number", Number: 1}}
	switch {
	case len(d.Facts) > 0:
		if f.Left = (&logic.ValueForm{Is: "fact", Thing: page.FormatID(d.Facts[0].ID)}); d.Facts[0].Text {
			f.By, f.Right.Number = "is-not", 0
		}
	case len(d.Items) > 0:
		f.Left = &logic.ValueForm{Is: "item", Thing: page.FormatID(d.Items[0].ID)}
	case fresh:
		f.Left = &logic.ValueForm{Is: "fact", Thing: NewFact}
	}
	return f
}

// firstOfPiece is what is asked for at first of a piece: that the first one that has states of its own is in the second of
// them, else that this piece is there.
func firstOfPiece(maps []*world.Map) logic.ConditionForm {
	for _, m := range maps {
		for _, p := range m.Pieces {
			if states := p.Kind().States; len(states) > 1 {
				return logic.ConditionForm{Asks: "state", Subject: &logic.NounForm{Is: "piece", Thing: page.FormatID(p.ID)}, Is: states[1].Word}
			}
		}
	}
	return logic.ConditionForm{Asks: "presence", Subject: &logic.NounForm{Is: "this"}, Is: kind.Presences[kind.There]}
}
