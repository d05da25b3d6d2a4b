// Package rules is the room of rules: what happens when something does, as sentences.
package rules

import (
	"sort"

	"azzel/core/kind"
	"azzel/core/limit"
	"azzel/core/logic"
	"azzel/core/page"
	"azzel/core/page/measure"
	"azzel/core/page/pieces"
	"azzel/core/page/wording"
	"azzel/core/world"
)

func init() {
	page.RegisterQuestions(
		page.Asking{Question: AskRules{}, Otherwise: []HomeView{}},
		page.Asking{Question: AskRule{}, Otherwise: (*RuleView)(nil)},
		page.Asking{Question: AskOffers{}, Otherwise: []OfferView{}},
		page.Asking{Question: AskRuleInPlay{}, Otherwise: RuleInPlay{Now: []string{}}},
		page.Asking{Question: AskWhy{}, Otherwise: WhyView{Trials: []TrialView{}, Went: []WentView{}}},
		page.Asking{Question: AskThings{}, Otherwise: []SlotChoice{}},
	)
}

// HeadView is a rule in a list.
type HeadView struct {
	ID string `json:"id"`
	// Name is its own or one made of when it begins, Says when it begins.
	Name string `json:"name"`
	Says string `json:"says"`
	Off  bool   `json:"off"`
}

// HomeView is what rules belong to, with them.
type HomeView struct {
	Name string `json:"name"`
	// Home is what it is; its sort is empty for the whole game and for a type.
	Home  page.Thing `json:"home"`
	Rules []HeadView `json:"rules"`
}

// AskRules asks for all rules, by what they belong to: the whole game first, then by when the first rule of each was made.
type AskRules struct{}

// Answer implements Question.
func (AskRules) Answer(p *page.Page) any {
	d := p.Doc()
	type home struct {
		sort kind.Thing
		id   world.ID
	}
	list := []HomeView{}
	at := map[home]int{}
	for _, r := range d.Rules {
		h := home{r.HomeSort, r.Home}
		i, known := at[h]
		if !known {
			i = len(list)
			at[h] = i
			name := wording.HomeName(d, r.HomeSort, r.Home)
			if name == "" {
				name = "Of what is gone"
			}
			list = append(list, HomeView{name, thingOf(d, r.HomeSort, r.Home), []HeadView{}})
		}
		list[i].Rules = append(list[i].Rules, head(d, r))
	}
	sort.SliceStable(list, func(i, j int) bool { return rank(list[i]) < rank(list[j]) })
	return list
}

func rank(h HomeView) int {
	if h.Home.Kind == page.KindNames[world.SortProject] {
		return 0
	}
	return 1
}

func head(d *world.Document, r *world.Rule) HeadView {
	says := wording.RuleSays(d, r)
	return HeadView{page.FormatID(r.ID), wording.RuleName(d, r), says, r.Off}
}

// thingOf is what a rule belongs to as orders name it; a type by its number.
func thingOf(d *world.Document, sort kind.Thing, id world.ID) page.Thing {
	switch sort {
	case kind.NoThing:
		return page.Thing{Kind: page.KindNames[world.SortProject]}
	case kind.Type:
		return page.Thing{Kind: typeHome, ID: page.ID(id)}
	case kind.Piece:
		if m, _ := d.Piece(id); m != nil {
			return page.Thing{Kind: page.KindNames[world.SortPiece], Map: page.ID(m.ID), ID: page.ID(id)}
		}
	}
	return page.Thing{Kind: page.KindNames[page.SortOf(sort)], ID: page.ID(id)}
}

// typeHome is the sort of home that a type is.
const typeHome = "type"

// HomeSort is as what a thing of a sort has rules, and whether it can have any.
func HomeSort(of world.Sort) (kind.Thing, bool) {
	switch of {
	case world.SortPiece:
		return kind.Piece, true
	case world.SortArea:
		return kind.Area, true
	case world.SortMap:
		return kind.Map, true
	case world.SortCrossing:
		return kind.Crossing, true
	}
	return kind.NoThing, false
}

// Of are the rules that belong to something.
func Of(d *world.Document, sort kind.Thing, id world.ID) []HeadView {
	list := []HeadView{}
	for _, r := range d.RulesOf(sort, id) {
		list = append(list, head(d, r))
	}
	return list
}

// Around are the homes to which rules belong that go for a piece as for others: its type, and the character that it is.
func Around(d *world.Document, p *world.Piece) []HomeView {
	list := []HomeView{}
	add := func(sort kind.Thing, id world.ID) {
		list = append(list, HomeView{wording.HomeName(d, sort, id), thingOf(d, sort, id), Of(d, sort, id)})
	}
	add(kind.Type, p.Type)
	if who := p.Character(); d.Character(who) != nil {
		add(kind.Character, who)
	}
	return list
}

// RuleView is a rule on the desk.
type RuleView struct {
	ID string `json:"id"`
	// Name is its own, Proposed what it is called without one.
	Name     string     `json:"name"`
	Proposed string     `json:"proposed"`
	Home     string     `json:"home"`
	Belongs  page.Thing `json:"belongs"`
	RuleLook
	// Type is the word of the type of the piece to which it belongs, empty if it belongs to none.
	Type      string               `json:"type"`
	Condition pieces.ConditionView `json:"condition"`
	Lines     []LineView           `json:"lines"`
	// Theirs are changes that others made just before this page made others of the same.
	Theirs []TheirsView `json:"theirs"`
	// Full says that it can have no more parts, Wire that it is no more than wires, into which it can be folded.
	Full bool `json:"full"`
	Wire bool `json:"wire"`
}

// TheirsView is what somebody else made of a part of a rule, or of what it asks for part 0, just before this page made something else of it.
type TheirsView struct {
	Part string `json:"part"`
	Says string `json:"says"`
}

// RuleLook is what can be set of a rule as a whole.
type RuleLook struct {
	Off     bool `json:"off"`
	Begins  int  `json:"begins"`
	Repeats int  `json:"repeats"`
	// Pause is in seconds.
	Pause     float64 `json:"pause"`
	Busy      int     `json:"busy"`
	Elsewhere bool    `json:"elsewhere"`
}

// LineView is a line of a rule: a moment, an action, what leads to a branch, or the place where one is added.
type LineView struct {
	// Sort is moment, action, branch, or add.
	Sort string `json:"sort"`
	ID   string `json:"id"`
	// In and Branch are where it stands, or what is added there stands; Deep how far it is indented.
	In     string     `json:"in"`
	Branch int        `json:"branch"`
	Deep   int        `json:"deep"`
	Off    bool       `json:"off"`
	Words  []WordView `json:"words"`
	Says   string     `json:"says"`
	// Form is the part as it is set, Typed what the player reads, as it is typed; Timed says that it says a time, Seconds which.
	Form    *logic.RulePartForm `json:"form"`
	Typed   string              `json:"typed"`
	Timed   bool                `json:"timed"`
	Seconds float64             `json:"seconds"`
	// Condition is what it asks.
	Condition *pieces.ConditionView `json:"condition"`
	// Takes is what can be added in the place: actions, choices, or cases.
	Takes string `json:"takes"`
}

// WordView is a part of a sentence: plain letters, or what can be chosen in a slot.
type WordView struct {
	Text  string      `json:"text"`
	Slot  string      `json:"slot"`
	Names bool        `json:"names"`
	Gone  bool        `json:"gone"`
	Thing *page.Thing `json:"thing"`
}

// AskRule asks for a rule as it lies on the desk; nothing if there is none.
type AskRule struct {
	Rule page.ID `json:"rule"`
}

// Answer implements Question.
func (q AskRule) Answer(p *page.Page) any {
	if v := viewRule(p.Doc(), world.ID(q.Rule)); v != nil {
		v.Theirs = theirs(p, world.ID(q.Rule))
		return v
	}
	return (*RuleView)(nil)
}

func lookOf(r *world.Rule) RuleLook {
	return RuleLook{r.Off, int(r.Begins), int(r.Repeats), measure.RuleTime.Shown(r.Pause), int(r.Busy), r.Elsewhere}
}

func viewRule(d *world.Document, id world.ID) *RuleView {
	r := d.Rule(id)
	if r == nil {
		return nil
	}
	unnamed := *r
	unnamed.Name = ""
	v := &RuleView{ID: page.FormatID(id), Name: r.Name, Proposed: wording.RuleName(d, &unnamed), Home: wording.HomeName(d, r.HomeSort, r.Home), Belongs: thingOf(d, r.HomeSort, r.Home),
		RuleLook: lookOf(r), Lines: []LineView{}, Full: len(r.Parts) >= limit.RuleParts, Condition: pieces.ConditionView{Name: "if", Label: "If", None: "always", Help: "What must hold for it."}}
	askIn(d, r, &v.Condition, r.If)
	_, more := d.Folded(r)
	v.Wire = more == nil
	switch r.HomeSort {
	case kind.Type:
		v.Type = page.Conditions.WriteType(r.Home)
	case kind.Piece:
		if _, p := d.Piece(r.Home); p != nil {
			v.Type = page.Conditions.WriteType(p.TypeID())
		}
	}
	for _, m := range r.Moments() {
		if r.Begins == logic.While {
			break
		}
		v.Lines = append(v.Lines, lineOf(d, r, m, 0))
	}
	v.branch(d, r, 0, logic.Then, 1)
	if r.Begins == logic.While {
		v.Lines = append(v.Lines, LineView{Sort: "branch", Words: []WordView{{Text: "Otherwise:"}}, Says: "Otherwise:"})
		v.branch(d, r, 0, logic.Otherwise, 1)
	}
	for _, p := range r.Strays() {
		v.Lines = append(v.Lines, lineOf(d, r, p, 1))
	}
	return v
}

// branch adds the lines of a branch, with a place at its end where more is added.
func (v *RuleView) branch(d *world.Document, r *world.Rule, in world.ID, branch, deep int) {
	takes := "actions"
	if p := r.Part(in); p != nil && p.Does == logic.Question {
		takes = "choices"
	} else if p != nil && p.Does == logic.OneOf {
		takes = "cases"
	}
	for _, p := range r.Kids(in, branch) {
		if p.Does == logic.Nothing {
			continue
		}
		v.Lines = append(v.Lines, lineOf(d, r, p, deep))
		for b := range p.Does.Branches() {
			if b == logic.Otherwise {
				v.Lines = append(v.Lines, LineView{Sort: "branch", In: page.FormatID(p.ID), Deep: deep, Words: []WordView{{Text: "otherwise:"}}, Says: "otherwise:"})
			}
			v.branch(d, r, p.ID, b, deep+1)
		}
	}
	v.Lines = append(v.Lines, LineView{Sort: "add", In: page.FormatID(in), Branch: branch, Deep: deep, Words: []WordView{}, Takes: takes})
}

func lineOf(d *world.Document, r *world.Rule, p *logic.Part, deep int) LineView {
	v := LineView{Sort: "action", ID: page.FormatID(p.ID), In: page.FormatID(p.In), Branch: p.Branch, Deep: deep, Off: p.Off, Words: []WordView{}}
	says := wording.Action(d, &r.Rule, p)
	if p.Does == logic.Nothing {
		v.Sort, says = "moment", wording.Moment(d, &r.Rule, &p.Begins)
	}
	for _, w := range says {
		is := WordView{Text: w.Text, Slot: w.Slot, Names: w.Names, Gone: w.Gone}
		if w.Ref.Sort != 0 {
			is.Thing = &page.Thing{Kind: page.KindNames[w.Ref.Sort], Map: page.ID(w.Ref.Map), ID: page.ID(w.Ref.ID)}
		}
		v.Words = append(v.Words, is)
	}
	v.Says = wording.Joined(says)
	form := page.Conditions.WritePart(p)
	form.Text = nil
	v.Form = &form
	switch p.Does {
	case logic.Say, logic.Question, logic.Choice:
		v.Typed = wording.Spell(d, p.Text)
	}
	if ticks, timed := p.Ticks(); timed {
		v.Timed, v.Seconds = true, measure.RuleTime.Shown(ticks)
	}
	if p.Does == logic.If || p.Does == logic.Choice {
		v.Condition = &pieces.ConditionView{Name: "if", Label: "If", None: "always", Help: "What must hold for it."}
		askIn(d, r, v.Condition, p.If)
	}
	return v
}

// askIn shows what a rule asks, in its words.
func askIn(d *world.Document, r *world.Rule, v *pieces.ConditionView, c logic.Condition) {
	if v.Ask(d, c); v.Is != nil {
		v.Says = wording.ConditionWords(d, &r.Rule, &c)
	}
}
