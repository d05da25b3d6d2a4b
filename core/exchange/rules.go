package exchange

import (
	"fmt"

	"azzel/core/kind"
	"azzel/core/logic"
	"azzel/core/world"
)

// A Rule says what is done when something happens, or what is so while something holds.
type Rule struct {
	ID   string `json:"id"`
	Name string `json:"name,omitempty"`
	// Off says that it does not go.
	Off bool `json:"off,omitempty"`
	// Home is the sort of thing to which it belongs, the project without it, and Of its id, or the word of a type.
	Home string `json:"home,omitempty" jsonschema:"enum=piece,enum=type,enum=area,enum=map"`
	Of   string `json:"of,omitempty"`
	// Begins is when something happens without it.
	Begins string `json:"begins,omitempty" jsonschema:"enum=while"`
	// If is what must hold.
	If *logic.ConditionForm `json:"if,omitempty"`
	// Repeats is each time without it; Pause is for how many ticks it does not go again, if it says not-again-for.
	Repeats string `json:"repeats,omitempty" jsonschema:"enum=once-ever,enum=once-a-visit,enum=not-again-for"`
	Pause   int    `json:"pause,omitempty"`
	// Busy is what becomes of it when it is to begin while it is under way: it is left as it is without it.
	Busy string `json:"busy,omitempty" jsonschema:"enum=begin-again,enum=both"`
	// Elsewhere says that it goes on while the player is on another map.
	Elsewhere bool `json:"elsewhere,omitempty"`
	// Parts are its moments and actions, each after the one in which it stands.
	Parts []logic.RulePartForm `json:"parts,omitempty"`
}

var (
	ruleHomes   = map[kind.Thing]string{kind.Piece: "piece", kind.Type: "type", kind.Area: "area", kind.Map: "map"}
	ruleBegins  = []string{"", "while"}
	ruleRepeats = []string{"", "once-ever", "once-a-visit", "not-again-for"}
	ruleBusy    = []string{"", "begin-again", "both"}
)

// ruleIDs are how rules name things in bundles.
var ruleIDs = logic.IDs{Format: idText, Parse: parseID}

// rulesOf are the rules of a document.
func rulesOf(d *world.Document) (list []Rule) {
	for _, r := range d.Rules {
		is := Rule{ID: idText(r.ID), Name: r.Name, Off: r.Off, Home: ruleHomes[r.HomeSort], Begins: ruleBegins[r.Begins],
			Repeats: ruleRepeats[r.Repeats], Pause: r.Pause, Busy: ruleBusy[r.Busy], Elsewhere: r.Elsewhere}
		switch k := kind.Of(r.Home); {
		case r.HomeSort == kind.Type && k != nil:
			is.Of = k.Word
		case is.Home != "":
			is.Of = idText(r.Home)
		}
		if !r.If.Empty() {
			c := ruleIDs.Write(r.If)
			is.If = &c
		}
		written := map[kind.ID]bool{}
		add := func(p *logic.Part) {
			for _, p := range r.Within(p.ID) {
				if !written[p.ID] {
					written[p.ID] = true
					is.Parts = append(is.Parts, ruleIDs.WritePart(p))
				}
			}
		}
		for branch := logic.Then; branch <= logic.Otherwise; branch++ {
			for _, p := range r.Kids(0, branch) {
				add(p)
			}
		}
		for i := range r.Parts {
			add(&r.Parts[i])
		}
		list = append(list, is)
	}
	return list
}

// rules are read last, since they name things of all sorts.
func (b *reader) rules() error {
	for i, in := range b.bundle.Rules {
		what := fmt.Sprintf("bundle.json: rule %d", i+1)
		id, err := b.newID(in.ID, what)
		if err != nil {
			return err
		}
		r, err := b.rule(&in, what)
		if err != nil {
			return fmt.Errorf("%s: %w", what, err)
		}
		if err := b.put(world.SortRule, 0, id, r.Values(), what); err != nil {
			return err
		}
	}
	return nil
}

func (b *reader) rule(in *Rule, what string) (*world.Rule, error) {
	r := &world.Rule{Name: in.Name, Off: in.Off}
	r.Pause, r.Elsewhere = in.Pause, in.Elsewhere
	if in.Home != "" {
		for sort, word := range ruleHomes {
			if word == in.Home {
				r.HomeSort = sort
			}
		}
		var err error
		switch k := kind.Named(in.Of); {
		case r.HomeSort == kind.NoThing:
			return nil, fmt.Errorf("home: a rule belongs to a piece, a type, an area or a map, not to %.40q", in.Home)
		case r.HomeSort != kind.Type:
			r.Home, err = parseID(in.Of)
		case k == nil:
			err = fmt.Errorf("there is no type %.40q", in.Of)
		default:
			r.Home = k.ID
		}
		if err != nil {
			return nil, fmt.Errorf("of: %w", err)
		}
	}
	for _, is := range []struct {
		name, word string
		words      []string
		set        func(int)
	}{
		{"begins", in.Begins, ruleBegins, func(n int) { r.Begins = logic.Beginning(n) }},
		{"repeats", in.Repeats, ruleRepeats, func(n int) { r.Repeats = logic.Repeats(n) }},
		{"busy", in.Busy, ruleBusy, func(n int) { r.Busy = logic.Busy(n) }},
	} {
		n, err := wordNumber(is.words, is.word)
		if err != nil {
			return nil, fmt.Errorf("%s: %w", is.name, err)
		}
		is.set(n)
	}
	if in.If != nil {
		c, err := ruleIDs.Read(in.If)
		if err != nil {
			return nil, fmt.Errorf("if: %w", err)
		}
		r.If = c
	}
	for j := range in.Parts {
		p, err := ruleIDs.ReadPart(&in.Parts[j])
		if err == nil {
			err = p.CheckPart()
		}
		if err == nil && p.ID == p.In {
			err = fmt.Errorf("it stands in itself")
		}
		if err == nil {
			_, err = b.newID(in.Parts[j].ID, fmt.Sprintf("%s, part %d", what, j+1))
		}
		if err != nil {
			return nil, fmt.Errorf("part %d: %w", j+1, err)
		}
		r.Set(p)
	}
	return r, nil
}
