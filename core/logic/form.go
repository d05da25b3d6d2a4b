package logic

import (
	"fmt"
	"slices"

	"azzel/core/kind"
)

// A ConditionForm is a condition as files say it: what it asks, and what belongs to that.
type ConditionForm struct {
	// Asks is what it asks for: all, any, none or at least so many of several conditions, or a term.
	Asks string `json:"asks" jsonschema:"enum=all,enum=any,enum=none,enum=compares,enum=presence,enum=power,enum=state,enum=within,enum=on-map,enum=near,enum=faces,enum=sees,enum=one-in,enum=so-many,enum=forces,enum=layer,enum=lasts"`
	// Of are the conditions of which all, any, none or so many hold, or all for so long.
	Of []ConditionForm `json:"of,omitempty"`
	// Left is held against Right, By says how.
	Left  *ValueForm `json:"left,omitempty"`
	By    string     `json:"by,omitempty" jsonschema:"enum=at-least,enum=under,enum=at-most,enum=over,enum=is,enum=is-not"`
	Right *ValueForm `json:"right,omitempty"`
	// Subject is of what is asked, Object what it is near, faces or sees.
	Subject *NounForm `json:"subject,omitempty"`
	Object  *NounForm `json:"object,omitempty"`
	// Thing is the id of the area that it is in, of the map that it is on, or of the area or layer of which is asked.
	Thing string `json:"thing,omitempty"`
	// Number is within how many cells it is near, of how many times one holds, how many of several must, or for how many ticks what lasts does.
	Number int `json:"number,omitempty"`
	// Key tells two that hold once in so many times from each other.
	Key int `json:"key,omitempty"`
	// Is is the presence, power or state that it has: a layer, a presence, the forces of an area, a power.
	Is string `json:"is,omitempty"`
}

// A ValueForm is a value as files say it.
type ValueForm struct {
	// Is is what it is: a number, what a fact is, how many of an item there are, a property of a piece, how many pieces
	// there are, a sum or a difference; how often the rule went, or how many ticks ago.
	Is string `json:"is" jsonschema:"enum=number,enum=fact,enum=item,enum=property,enum=count,enum=sum,enum=difference,enum=went,enum=since"`
	// Number is the number.
	Number int `json:"number,omitempty"`
	// Thing is the id of the fact or item; of a number, of the fact of which Text is meant.
	Thing string `json:"thing,omitempty"`
	// Text is, in the place of a number, a text of a fact that is one, as the page gives it. Files say the number.
	Text string `json:"text,omitempty"`
	// Of is the piece that has the property, or the pieces that are counted.
	Of *NounForm `json:"of,omitempty"`
	// Property is the word of the property.
	Property string `json:"property,omitempty"`
	// Left and Right are what is added, or from what is taken away.
	Left  *ValueForm `json:"left,omitempty"`
	Right *ValueForm `json:"right,omitempty"`
}

// A NounForm names pieces, or the player, as files do.
type NounForm struct {
	// Is is how they are named: this piece, one by its id, the player, all or any of a type or in an area; it to which
	// something happened, whoever did it, the nearest of a type or in an area.
	Is string `json:"is" jsonschema:"enum=this,enum=piece,enum=player,enum=all,enum=any,enum=all-in,enum=any-in,enum=it,enum=whoever,enum=nearest,enum=nearest-in"`
	// Thing is the id of the piece or area.
	Thing string `json:"thing,omitempty"`
	// Type is the word of a kind, or the id of a type of one's own.
	Type string `json:"type,omitempty"`
}

// An IDs is how ids are written and read in a ConditionForm.
type IDs struct {
	Format func(kind.ID) string
	Parse  func(string) (kind.ID, error)
	// Text is the number that stands for a text of a fact; nil where texts are said by their numbers.
	Text func(fact kind.ID, text string) (int, error)
}

// Write gives a condition as files say it.
func (ids IDs) Write(c Condition) ConditionForm {
	f := ConditionForm{Asks: askWords[c.Ask]}
	for _, t := range c.Terms {
		f.Of = append(f.Of, ids.Write(t))
	}
	if c.Ask == SoMany || c.Ask == Lasts {
		f.Number, f.Key = c.Number, c.Key
	}
	for _, p := range asks[c.Ask].parts {
		switch p {
		case left:
			f.Left = ids.writeValue(&c.Left)
		case by:
			f.By = comparisonWords[c.By]
		case right:
			f.Right = ids.writeValue(&c.Right)
		case subject:
			f.Subject = ids.writeNoun(c.Subject)
		case object:
			f.Object = ids.writeNoun(c.Object)
		case area, onMap, layer:
			f.Thing = ids.Format(c.Thing)
		case cells, times:
			f.Number = c.Number
		case key:
			f.Key = c.Key
		case presence:
			f.Is = kind.Presences[c.Is]
		case power:
			f.Is = kind.Powers[c.Is]
		case ownState:
			f.Is = kind.StateOf(c.Is).Word
		}
	}
	return f
}

func (ids IDs) writeValue(v *Value) *ValueForm {
	f := &ValueForm{Is: valueWords[v.Is]}
	switch v.Is {
	case Literal:
		f.Number = v.Number
	case FactValue, ItemCount:
		f.Thing = ids.Format(v.Thing)
	case PropertyOf:
		f.Of, f.Property = ids.writeNoun(v.Of), ids.WriteProperty(v.Property)
	case CountOf:
		f.Of = ids.writeNoun(v.Of)
	case Sum, Difference:
		f.Left, f.Right = ids.writeValue(v.Left), ids.writeValue(v.Right)
	}
	return f
}

// WriteType gives a type as files say it: the word of a kind, or the id of a type of the designer's own.
func (ids IDs) WriteType(of kind.ID) string {
	if k := kind.Of(of); k != nil {
		return k.Word
	}
	return ids.Format(of)
}

// WriteProperty gives a property as files say it: its word, or the id of one of a type of the designer's own.
func (ids IDs) WriteProperty(f kind.Field) string {
	if p := kind.PropOf(f); p != nil {
		return p.Word
	}
	return ids.Format(kind.ID(f))
}

// ReadType reads a type as files say it.
func (ids IDs) ReadType(s string) (kind.ID, error) {
	if k := kind.Named(s); k != nil {
		return k.ID, nil
	}
	id, err := ids.Parse(s)
	if err != nil || id < kind.FirstOwn {
		return 0, fmt.Errorf("there is no type %.40q", s)
	}
	return id, nil
}

func (ids IDs) writeNoun(n Noun) *NounForm {
	f := &NounForm{Is: nounWords[n.Is]}
	if n.Thing != 0 {
		f.Thing = ids.Format(n.Thing)
	}
	if n.Type != 0 {
		f.Type = ids.WriteType(n.Type)
	}
	return f
}

// A formReader reads a form, as deep as a condition is at most.
type formReader struct {
	IDs
	err error
}

// Read reads a condition as files say it. An error says in words what is wrong; what it may ask is looked at by Check.
func (ids IDs) Read(f *ConditionForm) (Condition, error) {
	r := formReader{IDs: ids}
	c := r.condition(f, 1)
	return c, r.err
}

func (r *formReader) fail(err error) {
	if r.err == nil {
		r.err = err
	}
}

// word is the number of a word.
func (r *formReader) word(word string, words []string, name string) int {
	i := slices.Index(words, word)
	if i < 0 {
		r.fail(fmt.Errorf("%.40q is not known as %s", word, name))
		return 0
	}
	return i
}

func (r *formReader) id(s string) kind.ID {
	id, err := r.Parse(s)
	if err != nil {
		r.fail(err)
	}
	return id
}

func (r *formReader) condition(f *ConditionForm, deep int) (c Condition) {
	if deep > MostDeep {
		r.fail(fmt.Errorf("a condition lies at most %d deep", MostDeep))
	}
	if r.err != nil {
		return c
	}
	c.Ask = Ask(r.word(f.Asks, askWords, "what a condition asks for"))
	if len(f.Of) > MostTerms {
		r.fail(fmt.Errorf("a condition has at most %d terms", MostTerms))
		return c
	}
	if c.Groups() {
		for i := range f.Of {
			c.Terms = append(c.Terms, r.condition(&f.Of[i], deep+1))
		}
	}
	if c.Ask == SoMany || c.Ask == Lasts {
		c.Number, c.Key = f.Number, f.Key
	}
	for _, p := range asks[c.Ask].parts {
		switch p {
		case left:
			c.Left = r.value(f.Left, deep+1)
		case by:
			c.By = Comparison(r.word(f.By, comparisonWords, "a comparison"))
		case right:
			c.Right = r.value(f.Right, deep+1)
		case subject:
			c.Subject = r.noun(f.Subject)
		case object:
			c.Object = r.noun(f.Object)
		case area, onMap, layer:
			c.Thing = r.id(f.Thing)
		case cells, times:
			c.Number = f.Number
		case key:
			c.Key = f.Key
		case presence:
			c.Is = r.word(f.Is, kind.Presences, "a presence")
		case power:
			c.Is = r.word(f.Is, kind.Powers, "a power")
		case ownState:
			if s := kind.StateNamed(f.Is); s != nil {
				c.Is = s.Number
			} else {
				r.fail(fmt.Errorf("%.40q is not known as a state", f.Is))
			}
		}
	}
	return c
}

func (r *formReader) value(f *ValueForm, deep int) (v Value) {
	switch {
	case r.err != nil:
		return v
	case f == nil:
		r.fail(fmt.Errorf("what is compared is missing"))
		return v
	case deep > MostDeep:
		r.fail(fmt.Errorf("a condition lies at most %d deep", MostDeep))
		return v
	}
	v.Is = ValueSort(r.word(f.Is, valueWords, "a value"))
	switch v.Is {
	case Literal:
		if v.Number = f.Number; f.Text != "" {
			v.Number = r.text(f)
		}
	case FactValue, ItemCount:
		v.Thing = r.id(f.Thing)
	case PropertyOf:
		v.Of, v.Property = r.noun(f.Of), r.property(f.Property)
	case CountOf:
		v.Of = r.noun(f.Of)
	case Sum, Difference:
		left, right := r.value(f.Left, deep+1), r.value(f.Right, deep+1)
		v.Left, v.Right = &left, &right
	}
	return v
}

func (r *formReader) property(word string) kind.Field {
	if p := kind.PropNamed(word); p != nil {
		return p.Field
	}
	id, err := r.Parse(word)
	if err != nil || kind.Field(id) < kind.FirstOwnField {
		r.fail(fmt.Errorf("there is no property %.40q", word))
		return 0
	}
	return kind.Field(id)
}

func (r *formReader) text(f *ValueForm) int {
	if r.Text == nil {
		r.fail(fmt.Errorf("a text of a fact is said by its number"))
		return 0
	}
	n, err := r.Text(r.id(f.Thing), f.Text)
	if err != nil {
		r.fail(err)
	}
	return n
}

func (r *formReader) noun(f *NounForm) (n Noun) {
	if f == nil {
		r.fail(fmt.Errorf("of what a condition asks is missing"))
		return n
	}
	n.Is = NounSort(r.word(f.Is, nounWords, "a noun"))
	switch n.Is {
	case Piece, AllInArea, AnyInArea, NearestInArea:
		n.Thing = r.id(f.Thing)
	case AllOfType, AnyOfType, NearestOfType:
		of, err := r.ReadType(f.Type)
		if err != nil {
			r.fail(err)
		}
		n.Type = of
	}
	return n
}
