package logic

import (
	"fmt"

	"azzel/core/kind"
)

// A RuleForm is a rule as files say it, but for its name and to what it belongs.
type RuleForm struct {
	// Begins is when something happens without it.
	Begins string `json:"begins,omitempty" jsonschema:"enum=while"`
	// If is what must hold.
	If *ConditionForm `json:"if,omitempty"`
	// Repeats is each time without it; Pause is for how many ticks it does not go again, if it says not-again-for.
	Repeats string `json:"repeats,omitempty" jsonschema:"enum=once-ever,enum=once-a-visit,enum=not-again-for"`
	Pause   int    `json:"pause,omitempty"`
	// Busy is what becomes of it when it is to begin while it is under way: it is left as it is without it.
	Busy string `json:"busy,omitempty" jsonschema:"enum=begin-again,enum=both"`
	// Elsewhere says that it goes on while the player is on another map.
	Elsewhere bool `json:"elsewhere,omitempty"`
	// Parts are its moments and actions, each after the one in which it stands.
	Parts []RulePartForm `json:"parts,omitempty"`
}

var (
	beginWords  = []string{"", "while"}
	repeatWords = []string{"", "once-ever", "once-a-visit", "not-again-for"}
	busyWords   = []string{"", "begin-again", "both"}
)

// WriteRule gives a rule as files say it.
func (ids IDs) WriteRule(r *Rule) RuleForm {
	f := RuleForm{Begins: beginWords[r.Begins], Repeats: repeatWords[r.Repeats], Pause: r.Pause, Busy: busyWords[r.Busy], Elsewhere: r.Elsewhere}
	if !r.If.Empty() {
		c := ids.Write(r.If)
		f.If = &c
	}
	written := map[kind.ID]bool{}
	add := func(p *Part) {
		for _, p := range r.Within(p.ID) {
			if !written[p.ID] {
				written[p.ID] = true
				f.Parts = append(f.Parts, ids.WritePart(p))
			}
		}
	}
	for branch := Then; branch <= Otherwise; branch++ {
		for _, p := range r.Kids(0, branch) {
			add(p)
		}
	}
	for i := range r.Parts {
		add(&r.Parts[i])
	}
	return f
}

// ReadRule reads a rule as files say it. An error says in words what is wrong and in which part. That no two parts have the same id is
// for whoever reads it to look at.
func (ids IDs) ReadRule(f *RuleForm) (r Rule, err error) {
	r.Pause, r.Elsewhere = f.Pause, f.Elsewhere
	for _, is := range []struct {
		name, word string
		words      []string
		set        func(int)
	}{
		{"begins", f.Begins, beginWords, func(n int) { r.Begins = Beginning(n) }},
		{"repeats", f.Repeats, repeatWords, func(n int) { r.Repeats = Repeats(n) }},
		{"busy", f.Busy, busyWords, func(n int) { r.Busy = Busy(n) }},
	} {
		read := formReader{}
		if is.set(read.word(is.word, is.words, "a word of rules")); read.err != nil {
			return r, fmt.Errorf("%s: %w", is.name, read.err)
		}
	}
	if f.If != nil {
		if r.If, err = ids.Read(f.If); err != nil {
			return r, fmt.Errorf("if: %w", err)
		}
	}
	for i := range f.Parts {
		p, err := ids.ReadPart(&f.Parts[i])
		if err == nil {
			err = p.CheckPart()
		}
		if err == nil && p.ID == p.In {
			err = fmt.Errorf("it stands in itself")
		}
		if err != nil {
			return r, fmt.Errorf("part %d: %w", i+1, err)
		}
		r.Set(p)
	}
	return r, nil
}
