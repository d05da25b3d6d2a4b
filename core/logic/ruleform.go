package logic

import (
	"fmt"

	"azzel/core/kind"
	"azzel/core/words"
)

// A RulePartForm is a part of a rule as files say it: a moment at which it begins, or an action.
type RulePartForm struct {
	ID string `json:"id"`
	// In is the id of the action in which it stands, in which of its branches, and in which order beside others.
	In     string `json:"in,omitempty"`
	Branch string `json:"branch,omitempty" jsonschema:"enum=otherwise"`
	Order  int    `json:"order,omitempty"`
	// Off says that it is passed over.
	Off bool `json:"off,omitempty"`
	// Moment is the word of a moment, Does that of what is done: with both, that is waited for until the moment comes.
	Moment string `json:"moment,omitempty"`
	Does   string `json:"does,omitempty" jsonschema:"enum=set-fact,enum=set-presence,enum=set-power,enum=set-state,enum=get,enum=lose,enum=hurt,enum=heal,enum=take-to,enum=hold-still,enum=let-go,enum=say,enum=ask,enum=choice,enum=if,enum=again,enum=one-of,enum=case,enum=wait,enum=stop,enum=ask-for,enum=end,enum=look-at,enum=walk-to,enum=camera-to,enum=camera-back,enum=shake,enum=can,enum=cannot,enum=until,enum=together,enum=fade-out,enum=fade-in,enum=become,enum=let-out,enum=put-at,enum=set-forces,enum=set-layer,enum=follow,enum=pose,enum=set-cells,enum=take-to-doorway,enum=set-property"`
	// Subject is the piece with which something is done, or to which the moment happens.
	Subject *NounForm `json:"subject,omitempty"`
	// Towards is to what something looks or walks, or where it is put.
	Towards *NounForm `json:"towards,omitempty"`
	// Thing is the id of the fact, item, area, map, crossing, piece or rule that is meant.
	Thing string `json:"thing,omitempty"`
	// Other is the id of the patch that the cells of an area become.
	Other string `json:"other,omitempty"`
	// Property is the word of the property of the piece that is set.
	Property string `json:"property,omitempty"`
	// How is how a fact or a property is set, Value to what or by how much, or how many of an item.
	How   string     `json:"how,omitempty" jsonschema:"enum=is,enum=up,enum=down"`
	Value *ValueForm `json:"value,omitempty"`
	// Is is the presence, power or state that a piece gets, the presence of a layer, the power of an area's forces, the ability that the player has or lacks, what becomes of cells, or which end of a crossing is meant; Quiet says that nothing happens by that.
	Is    string `json:"is,omitempty"`
	Quiet bool   `json:"quiet,omitempty"`
	// Number is for how many ticks of a sixtieth of a second, how many times, how likely, how much, or what a fact becomes.
	Number int `json:"number,omitempty"`
	// Text is what the player reads, Name what an ending is called.
	Text []words.PartForm `json:"text,omitempty"`
	Name string           `json:"name,omitempty"`
	// If is what is asked.
	If *ConditionForm `json:"if,omitempty"`
}

// DeedWords are the words of what there is to do in files, in the order of their numbers.
func DeedWords() []string { return append([]string(nil), deedWords...) }

// optional gives an id as files say it, and none for 0.
func (ids IDs) optional(id kind.ID) string {
	if id == 0 {
		return ""
	}
	return ids.Format(id)
}

// WritePart gives a part as files say it.
func (ids IDs) WritePart(p *Part) RulePartForm {
	f := RulePartForm{ID: ids.Format(p.ID), In: ids.optional(p.In), Order: p.Order, Off: p.Off}
	if p.Branch == Otherwise {
		f.Branch = "otherwise"
	}
	parts := deeds[p.Does].parts
	if p.Awaits() {
		f.Moment, parts = kind.MomentOf(p.Begins.Is).Word, consists(p.Begins.Is)
	}
	if p.Does != Nothing {
		f.Does = deedWords[p.Does]
	}
	for _, is := range parts {
		if named[is] != kind.NoThing {
			f.Thing = ids.optional(*p.thing())
		}
		switch is {
		case subject:
			f.Subject = ids.writeNoun(p.Subject)
		case towards:
			f.Towards = ids.writeNoun(p.Towards)
		case ofPiece:
			f.Subject = ids.writeNoun(p.Begins.Of)
		case presence:
			f.Is = kind.Presences[p.Is]
		case power:
			f.Is = kind.Powers[p.Is]
		case ownState:
			f.Is = kind.StateOf(p.Is).Word
		case ability:
			f.Is = AbilityWords[p.Is]
		case pose:
			f.Is = PoseWords[p.Is]
		case becomes:
			f.Is = CellWords[p.Is]
		case side:
			f.Is = SideWords[p.Is]
		case patch:
			f.Other = ids.optional(p.Other)
		case changing:
			f.Property = ids.WriteProperty(p.Property)
		case quietly:
			f.Quiet = p.Quiet
		case how:
			f.How = setByWords[p.How]
		case value:
			f.Value = ids.writeValue(&p.Value)
		case amount, ticks, again, weight:
			f.Number = p.Number
		case reaches, stays, everyTicks, everySteps:
			f.Number = p.Begins.Number
		case says:
			f.Text = p.Text.Write(ids.Format)
		case ending:
			f.Name = p.Name
		case asked:
			c := ids.Write(p.If)
			f.If = &c
		}
	}
	return f
}

// ReadPart reads a part as files say it. An error says in words what is wrong; what it may be is looked at by Part.CheckPart.
func (ids IDs) ReadPart(f *RulePartForm) (p Part, err error) {
	r := formReader{IDs: ids}
	some := func(s string) kind.ID {
		if s == "" {
			return 0
		}
		return r.id(s)
	}
	p.ID, p.In, p.Order, p.Off = r.id(f.ID), some(f.In), f.Order, f.Off
	if p.Branch = r.word(f.Branch, []string{"", "otherwise"}, "a branch"); r.err != nil {
		return p, r.err
	}
	var parts []part
	if f.Moment == "" || f.Does != "" {
		p.Does = Deed(r.word(f.Does, deedWords, "what a rule does"))
		if (p.Does == Nothing || p.Awaits() == (f.Moment == "")) && r.err == nil {
			r.fail(fmt.Errorf("an action does nothing, or waits for no moment"))
		}
		parts = deeds[p.Does].parts
	}
	switch m := kind.MomentNamed(f.Moment); {
	case f.Moment == "":
	case m == nil:
		r.fail(fmt.Errorf("%.40q is not known as a moment", f.Moment))
	default:
		p.Begins.Is, parts = m.Number, consists(m.Number)
	}
	for _, is := range parts {
		if named[is] != kind.NoThing {
			*p.thing() = some(f.Thing)
		}
		switch is {
		case subject:
			p.Subject = r.someNoun(f.Subject, some)
		case towards:
			p.Towards = r.someNoun(f.Towards, some)
		case ofPiece:
			p.Begins.Of = r.someNoun(f.Subject, some)
		case presence:
			p.Is = r.word(f.Is, kind.Presences, "a presence")
		case power:
			p.Is = r.word(f.Is, kind.Powers, "a power")
		case ownState:
			if s := kind.StateNamed(f.Is); s != nil {
				p.Is = s.Number
			} else {
				r.fail(fmt.Errorf("%.40q is not known as a state", f.Is))
			}
		case ability:
			p.Is = r.word(f.Is, AbilityWords, "an ability")
		case pose:
			p.Is = r.word(f.Is, PoseWords, "what somebody is seen doing")
		case becomes:
			p.Is = r.word(f.Is, CellWords, "what becomes of cells")
		case side:
			p.Is = r.word(f.Is, SideWords, "an end of a crossing")
		case patch:
			if p.Is == CellsBecome {
				p.Other = some(f.Other)
			}
		case changing:
			p.Property = r.property(f.Property)
		case quietly:
			p.Quiet = f.Quiet
		case how:
			p.How = SetBy(r.word(f.How, setByWords, "how a fact is set"))
		case value:
			p.Value = r.value(f.Value, 1)
		case amount, ticks, again, weight:
			p.Number = f.Number
		case reaches, stays, everyTicks, everySteps:
			p.Begins.Number = f.Number
		case says:
			t, err := words.Read(f.Text, ids.Parse)
			if err != nil {
				r.fail(err)
			}
			p.Text = t
		case ending:
			p.Name = f.Name
		case asked:
			if f.If != nil {
				p.If = r.condition(f.If, 1)
			}
		}
	}
	return p, r.err
}

// someNoun reads a noun of which what it names may be chosen later.
func (r *formReader) someNoun(f *NounForm, some func(string) kind.ID) Noun {
	if f != nil && f.Thing == "" && f.Is == nounWords[Piece] {
		return Noun{Is: Piece, Thing: some("")}
	}
	return r.noun(f)
}
