package rules_test

import (
	"math/rand/v2"
	"strings"
	"testing"

	"azzel/core/edit"
	"azzel/core/grid"
	"azzel/core/kind"
	"azzel/core/kinds/door"
	"azzel/core/kinds/switches"
	"azzel/core/logic"
	"azzel/core/page"
	"azzel/core/page/history"
	"azzel/core/page/holding"
	"azzel/core/page/memory"
	"azzel/core/page/pagetest"
	"azzel/core/page/pieces"
	"azzel/core/page/rules"
	"azzel/core/page/things"
	"azzel/core/world"
)

// shed is a page with a switch, a door, two facts, an item and a rule of the switch.
func shed(t *testing.T) (*page.Page, *world.Rule) {
	t.Helper()
	p := pagetest.Open(t, 7)
	pagetest.Order(p, memory.MakeFact{Name: "Lamps lit"})
	pagetest.Order(p, memory.MakeFact{Name: "Labels found", Sort: world.ANumber})
	pagetest.Order(p, memory.MakeItem{Name: "Fuse"})
	m := p.Document().Maps[0]
	var parts []edit.Part
	for i, k := range []*kind.Kind{switches.Kind, door.Kind} {
		is := world.Piece{Name: []string{"Valve wheel", "Sluice"}[i], Type: k.ID, Layer: m.PlayerLayer, Foot: p.Document().Project.Lattice().Foot(grid.Point{X: m.Bounds.X + 3 + i, Y: m.Bounds.Y + 3})}
		parts = append(parts, edit.Put{Ref: page.PieceRef(page.ID(m.ID), page.ID(900+i)), Values: is.Values()})
	}
	p.Do(edit.Edit{Label: "furnish", Parts: parts})
	pagetest.Order(p, rules.AddRule{Home: pagetest.Thing("piece", m.ID, 900)})
	if len(p.Document().Rules) != 1 {
		t.Fatalf("there is no rule: %s", pagetest.Said(p))
	}
	return p, p.Document().Rules[0]
}

func rule(p *page.Page) *world.Rule { return p.Document().Rules[0] }

// view is the rule on the desk, its lines as they are indented.
func view(p *page.Page) (v *rules.RuleView, lines string) {
	v = rules.AskRule{Rule: page.ID(rule(p).ID)}.Answer(p).(*rules.RuleView)
	var list []string
	for _, l := range v.Lines {
		if l.Sort != "add" {
			list = append(list, strings.Repeat(">", l.Deep)+l.Says)
		}
	}
	return v, strings.Join(list, "\n")
}

// add types something where a rule is added to, and takes what is offered first.
func add(t *testing.T, p *page.Page, in world.ID, branch int, takes, typed string) world.ID {
	t.Helper()
	offers := rules.AskOffers{Rule: page.ID(rule(p).ID), Takes: takes, Typed: typed}.Answer(p).([]rules.OfferView)
	if len(offers) == 0 {
		t.Fatalf("nothing is offered for %q", typed)
	}
	before := len(rule(p).Parts)
	pagetest.Order(p, rules.AddRulePart{Rule: page.ID(rule(p).ID), In: page.ID(in), Branch: branch, Part: offers[0].Part, Typed: offers[0].Typed})
	if len(rule(p).Parts) != before+1 {
		t.Fatalf("%q was not added: %s", typed, pagetest.Said(p))
	}
	newest := rule(p).Parts[0].ID
	for _, is := range rule(p).Parts {
		newest = max(newest, is.ID)
	}
	return newest
}

// A rule is made by typing a few letters of what it does, reads as sentences, and is changed in them; each action is taken back by itself.
func TestSentences(t *testing.T) {
	p, _ := shed(t)
	add(t, p, 0, 0, "actions", "slu op")
	on := add(t, p, 0, 0, "actions", "if")
	add(t, p, on, 0, "actions", "labels up")
	add(t, p, on, 1, "actions", "wait")
	asks := add(t, p, 0, 0, "actions", "asks")
	yes := add(t, p, asks, 0, "choices", "Yes, {Lamps lit}")
	add(t, p, yes, 0, "actions", "lamps becomes yes")
	add(t, p, 0, 0, "moments", "fuse gets")
	add(t, p, 0, 0, "actions", "It is damp in here")
	pagetest.Order(p, rules.SetRulePart{Rule: page.ID(rule(p).ID), Part: logic.RulePartForm{ID: page.FormatID(on), Does: "if", If: &logic.ConditionForm{Asks: "near", Subject: &logic.NounForm{Is: "player"}, Object: &logic.NounForm{Is: "it"}, Number: 2}}})
	want := `Valve wheel is pressed
the player gets Fuse
>Sluice opens
>if the player is within 2 cells of it:
>>Labels found goes up by 1
>otherwise:
>>wait 1 s
>the game asks “…”
>>“Yes, {Lamps lit}”:
>>>Lamps lit becomes yes
>the game says “It is damp in here”`
	if _, lines := view(p); lines != want {
		t.Fatalf("the rule reads\n%s\nnot\n%s", lines, want)
	}
	if v, _ := view(p); v.Proposed != "When Valve wheel is pressed, or 1 more" || v.Home != "Valve wheel, "+p.Document().Maps[0].Name {
		t.Errorf("it is called %q, of %q", v.Proposed, v.Home)
	}
	pagetest.Order(p, history.Undo{})
	pagetest.Order(p, history.Undo{})
	if _, lines := view(p); lines != strings.Replace(strings.TrimSuffix(want, "\n>the game says “It is damp in here”"), "the player is within 2 cells of it", "…", 1) {
		t.Errorf("with two steps taken back it reads\n%s", lines)
	}
	// What it names is gone: it says so, and nothing is lost.
	pagetest.Order(p, things.Delete{Thing: pagetest.Thing("fact", 0, p.Document().Facts[1].ID)})
	if _, lines := view(p); !strings.Contains(lines, "something that is gone goes up by 1") {
		t.Errorf("without the fact it reads\n%s", lines)
	}
	// With its piece it goes, and comes back.
	m := p.Document().Maps[0]
	pagetest.Order(p, holding.Select{Thing: pagetest.Thing("piece", m.ID, 900)})
	pagetest.Order(p, holding.DeleteSelected{})
	if len(p.Document().Rules) != 0 {
		t.Fatal("the rule of a piece stays when that is deleted")
	}
	pagetest.Order(p, history.Undo{})
	if len(p.Document().Rules) != 1 || len(rule(p).Parts) < 8 {
		t.Error("the rule does not come back with its piece")
	}
}

// An answer that does not fit its line is said while it is typed.
func TestLongAnswer(t *testing.T) {
	p, _ := shed(t)
	for typed, want := range map[string]bool{"Yes, {Lamps lit}": false, "Yes, and may whoever reads this light all the lamps of the boiler room": true} {
		check := pieces.CheckWords{Typed: typed, Line: true}.Answer(p).(pieces.WordsView)
		if got := strings.Contains(strings.Join(check.Wrong, " "), "An answer is one line"); got != want {
			t.Errorf("%q: %v", typed, check.Wrong)
		}
	}
}

// The lists of facts and items say which rules set, give and ask for each.
func TestRulesAmongNamings(t *testing.T) {
	p, _ := shed(t)
	add(t, p, 0, 0, "actions", "lamps becomes yes")
	add(t, p, 0, 0, "actions", "fuse gets")
	add(t, p, 0, 0, "moments", "labels changes")
	d := p.Document()
	for i, want := range []string{"sets it", "asks for it"} {
		v := memory.ViewFacts(d, d.Namings())[i]
		if len(v.Named) != 1 || v.Named[0].Does != want || v.Named[0].Kind != "rule" || v.Named[0].ID != page.FormatID(d.Rules[0].ID) {
			t.Errorf("%s is named by %+v", v.Name, v.Named)
		}
	}
	if v := memory.ViewItems(d, d.Namings())[0]; len(v.Named) != 1 || v.Named[0].Does != "gives it" {
		t.Errorf("%s is named by %+v", v.Name, v.Named)
	}
}

// What is offered can be added, and reads as it was offered.
func TestOffers(t *testing.T) {
	p, _ := shed(t)
	pagetest.Order(p, memory.MakeFact{Name: "Last entry", Sort: world.AText})
	seen, texts := 0, 0
	for _, takes := range []string{"moments", "actions", "choices", "cases"} {
		in := world.ID(0)
		switch takes {
		case "choices":
			in = add(t, p, 0, 0, "actions", "asks")
		case "cases":
			in = add(t, p, 0, 0, "actions", "one of these")
		}
		for _, typed := range []string{"", "s", "v", "lamps", "every", "any", "the player", "open", "fuse", "rule", "goes", "“Ferns” {Lamps lit}", "last becomes  Mist, “again” ", "sluice shuts after", "sluice uses", "зал", "<b>", "{"} {
			for _, o := range (rules.AskOffers{Rule: page.ID(rule(p).ID), Takes: takes, Typed: typed}).Answer(p).([]rules.OfferView) {
				if seen++; o.Says == "Last entry becomes “Mist, “again””" {
					texts++
				}
				pagetest.Order(p, rules.AddRulePart{Rule: page.ID(rule(p).ID), In: page.ID(in), Part: o.Part, Typed: o.Typed})
				if _, lines := view(p); !strings.Contains(lines, o.Says) {
					t.Fatalf("offered for %q, %q is not there: %s\n%s", typed, o.Says, pagetest.Said(p), lines)
				}
				pagetest.Order(p, history.Undo{})
			}
		}
	}
	if seen < 150 || texts != 1 {
		t.Errorf("%d offers were made, %d of a text that is new", seen, texts)
	}
}

// However actions are moved, copied and taken away, each stands where it was put, before what it was put before, and none is lost.
func TestMovingActions(t *testing.T) {
	p, _ := shed(t)
	r := rand.New(rand.NewPCG(8, 8))
	for range 12 {
		add(t, p, 0, 0, "actions", []string{"if", "wait", "times", "labels up", "slu op"}[r.IntN(5)])
	}
	for n := range 600 {
		all := rule(p).Parts
		is := all[r.IntN(len(all))]
		if is.Does == logic.Nothing {
			continue
		}
		to, branch := world.ID(0), 0
		if in := all[r.IntN(len(all))]; in.Does.Branches() > 0 {
			to, branch = in.ID, r.IntN(in.Does.Branches())
		}
		before := world.ID(0)
		if kids := rule(p).Kids(to, branch); len(kids) > 0 && r.IntN(3) > 0 {
			before = kids[r.IntN(len(kids))].ID
		}
		within := len(rule(p).Within(is.ID))
		id := page.ID(rule(p).ID)
		switch r.IntN(8) {
		case 0:
			pagetest.Order(p, rules.CopyRulePart{Rule: id, Part: page.ID(is.ID)})
			if len(rule(p).Parts) != len(all)+within {
				t.Fatalf("step %d: a copy of %d parts made %d of %d", n, within, len(rule(p).Parts), len(all))
			}
		case 1:
			if len(all) < 30 {
				continue
			}
			pagetest.Order(p, rules.RemoveRulePart{Rule: id, Part: page.ID(is.ID)})
			if len(rule(p).Parts) != len(all)-within {
				t.Fatalf("step %d: without %d parts there are %d of %d", n, within, len(rule(p).Parts), len(all))
			}
		default:
			pagetest.Order(p, rules.MoveRulePart{Rule: id, Part: page.ID(is.ID), In: page.ID(to), Branch: branch, Before: page.ID(before)})
			if said := pagetest.Said(p); said != "" {
				if !strings.Contains(said, "into itself") && !strings.Contains(said, "at most 12 deep") {
					t.Fatalf("step %d: %s", n, said)
				}
				continue
			}
			kids := rule(p).Kids(to, branch)
			at := -1
			for i, k := range kids {
				if k.ID == is.ID {
					at = i
				}
			}
			if at < 0 || before != 0 && before != is.ID && (at+1 >= len(kids) || kids[at+1].ID != before) || before == 0 && at != len(kids)-1 {
				t.Fatalf("step %d: it is the %d. of %d, before %d", n, at, len(kids), before)
			}
		}
		if len(rule(p).Strays()) > 0 {
			t.Fatalf("step %d: something stands nowhere", n)
		}
	}
}

// Two people change one rule at a time: both changes survive, and of the same action the later one.
func TestTwoPeople(t *testing.T) {
	p, r := shed(t)
	first := add(t, p, 0, 0, "actions", "wait")
	second := add(t, p, 0, 0, "actions", "labels up")
	d := p.Document()
	was := d.Rule(r.ID)
	change := func(id world.ID, n int) edit.Edit {
		is := *was.Part(id)
		is.Number = n
		return edit.Edit{Label: "change", Parts: []edit.Part{edit.PartChange(r.ID, is)}}
	}
	added := edit.Edit{Label: "add", Parts: []edit.Part{edit.PartChange(r.ID, logic.Part{ID: 55, Order: 9999, Action: logic.Action{Does: logic.Stop}})}}
	gone := edit.Edit{Label: "remove", Parts: []edit.Part{edit.PartGone(r.ID, second)}}
	for range 2 {
		now := d
		for _, e := range []edit.Edit{change(first, 30), added, gone, change(first, 90)} {
			res, err := edit.Apply(now, e)
			if err != nil {
				t.Fatal(err)
			}
			now = res.Document
		}
		is := now.Rule(r.ID)
		if is.Part(first).Number != 90 || is.Part(55) == nil || is.Part(second) != nil || len(is.Parts) != len(was.Parts) {
			t.Errorf("of what two people did there is %+v", is.Parts)
		}
	}
	// What one puts into an action that the other takes away is kept, said to stand nowhere, and not done.
	on := add(t, p, 0, 0, "actions", "if")
	inside := logic.Part{ID: 56, In: on, Action: logic.Action{Does: logic.Stop}}
	res, err := edit.Apply(p.Document(), edit.Edit{Parts: []edit.Part{edit.PartGone(r.ID, on), edit.PartChange(r.ID, inside)}})
	if err != nil {
		t.Fatal(err)
	}
	if is := res.Document.Rule(r.ID); len(is.Strays()) != 1 || is.Done(is.Part(56)) {
		t.Errorf("what stands in what is gone is done")
	}
}

// What can't be done to a rule is refused in words, and nothing is changed.
func TestRefusedRules(t *testing.T) {
	p, r := shed(t)
	id := page.ID(r.ID)
	wait := add(t, p, 0, 0, "actions", "wait")
	for says, o := range map[string]page.Order{
		"not there any more":     rules.SetRulePart{Rule: 12345, Part: logic.RulePartForm{ID: "1", Does: "stop"}},
		"not known as what a":    rules.SetRulePart{Rule: id, Part: logic.RulePartForm{ID: page.FormatID(wait), Does: "sing"}},
		"for how long something": rules.SetRulePart{Rule: id, Part: logic.RulePartForm{ID: page.FormatID(wait), Does: "wait", Number: 1 << 40}},
		"rules belong to":        rules.AddRule{Home: page.Thing{Kind: "tileset", ID: 3}},
		"into itself":            rules.MoveRulePart{Rule: id, Part: page.ID(wait), In: page.ID(wait)},
		"does not go again for":  rules.SetRule{Rule: id, Change: page.PartOf(rules.RuleLook{Pause: -4})},
		"in a way that is not":   rules.SetRule{Rule: id, Change: page.PartOf(rules.RuleLook{Busy: 77})},
		"and may have":           rules.TypeRuleText{Rule: id, Part: page.ID(wait), Typed: strings.Repeat("fern ", 13_000)},
	} {
		before := p.Document()
		pagetest.Order(p, o)
		if said := pagetest.Said(p); !strings.Contains(strings.ToLower(said), says) || p.Document() != before {
			t.Errorf("%T: %q does not say %q, or something changed", o, said, says)
		}
	}
}

// A wire is opened into a rule and folded back, each in one step; what is more than a wire is not folded, in words.
func TestFolding(t *testing.T) {
	p, r := shed(t)
	pagetest.Order(p, things.Delete{Thing: page.Thing{Kind: "rule", ID: page.ID(r.ID)}})
	put := edit.Put{Ref: edit.WireRef(950), Values: (&world.Wire{Name: "Water", From: 900, To: 901, Of: world.AllOf}).Values()}
	p.Do(edit.Edit{Label: "lay a wire", Parts: []edit.Part{put}})
	pagetest.Order(p, rules.OpenWire{Wire: 950})
	d := p.Document()
	if len(d.Wires) != 0 || len(d.Rules) != 1 || rule(p).Name != "Water" {
		t.Fatalf("opened, there are %d wires and %d rules: %s", len(d.Wires), len(d.Rules), pagetest.Said(p))
	}
	v, lines := view(p)
	if want := ">Sluice opens\nOtherwise:\n>Sluice shuts"; !v.Wire || v.Condition.Says != "Valve wheel is pressed" || lines != want {
		t.Errorf("it says, while %s:\n%s", v.Condition.Says, lines)
	}
	pagetest.Order(p, rules.FoldRule{Rule: page.ID(rule(p).ID)})
	d = p.Document()
	if len(d.Rules) != 0 || len(d.Wires) != 1 || d.Wires[0].Of != world.AllOf || d.Wires[0].Name != "Water" || d.Wires[0].From != 900 || d.Wires[0].To != 901 {
		t.Fatalf("folded, there are %d wires and %d rules: %s", len(d.Wires), len(d.Rules), pagetest.Said(p))
	}
	pagetest.Order(p, history.Undo{})
	r = rule(p)
	pagetest.Order(p, rules.AddRulePart{Rule: page.ID(r.ID), Part: logic.RulePartForm{Does: "hold-still"}})
	if v, _ := view(p); v.Wire {
		t.Error("a rule that does more than a wire is taken for one")
	}
	pagetest.Order(p, rules.FoldRule{Rule: page.ID(r.ID)})
	if said := pagetest.Said(p); len(p.Document().Rules) != 1 || !strings.Contains(said, "more than a wire") {
		t.Errorf("folded, it says %q", said)
	}
}

// That the player enters an area becomes that something comes into it, of what is pushed as long as nothing else is said.
func TestMomentOfComing(t *testing.T) {
	p, _ := shed(t)
	const bed = world.ID(77)
	area := world.Area{Name: "Bed", Map: p.Document().Maps[0].ID, Cells: grid.BoxRegion(grid.Rect{W: 2, H: 2})}
	p.Do(edit.Edit{Label: "more", Parts: []edit.Part{edit.Put{Ref: world.Ref{Sort: world.SortArea, ID: bed}, Values: area.Values()}}})
	pagetest.Order(p, rules.AddRule{Home: page.Thing{Kind: "area", ID: page.ID(bed)}})
	r := p.Document().Rules[1]
	form := logic.RulePartForm{ID: page.FormatID(r.Parts[0].ID), Moment: logic.ComesInto.Word, Thing: page.FormatID(bed)}
	pagetest.Order(p, rules.SetRulePart{Rule: page.ID(r.ID), Part: form})
	v := rules.AskRule{Rule: page.ID(r.ID)}.Answer(p).(*rules.RuleView)
	if v.Lines[0].Says != "any Pushable comes into Bed" {
		t.Errorf("it says %q: %s", v.Lines[0].Says, pagetest.Said(p))
	}
}

// What somebody else made of an action just before is offered back, as a sentence, and taken or left; what they changed of other actions is not, nor what they did
// before this page knew of it.
func TestTheirsIsOffered(t *testing.T) {
	p, r := shed(t)
	pause := add(t, p, 0, 0, "actions", "wait")
	other := add(t, p, 0, 0, "actions", "labels up")
	take := func() {
		for p.Replica.Pending() > 0 {
			if _, err := p.Receive(edit.Taken(p.Replica.Answered()+1, p.Revision()+1)); err != nil {
				t.Fatal(err)
			}
		}
	}
	take()
	theirs := func(parts ...edit.Part) {
		if _, err := p.Receive(edit.Other(p.Revision()+1, edit.Edit{Label: "theirs", Parts: parts}.Encode())); err != nil {
			t.Fatal(err)
		}
	}
	waits := func(ticks int) edit.Part {
		is := *rule(p).Part(pause)
		is.Number = ticks
		return edit.PartChange(r.ID, is)
	}
	mine := func(seconds float64) {
		pagetest.Order(p, rules.SetRulePart{Rule: page.ID(r.ID), Part: logic.RulePartForm{ID: page.FormatID(pause), Does: "wait"}, Seconds: &seconds})
	}
	offered := func() string {
		v, _ := view(p)
		var list []string
		for _, o := range v.Theirs {
			list = append(list, o.Part+" "+o.Says)
		}
		return strings.Join(list, "; ")
	}
	theirs(waits(30))
	mine(2)
	theirs(edit.PartGone(r.ID, other))
	if got := offered(); got != "" || rule(p).Part(pause).Number != 120 {
		t.Errorf("where nothing was changed at a time, %q is offered", got)
	}
	theirs(waits(90))
	want := page.FormatID(pause) + " wait 1.5 s"
	if got := offered(); got != want || rule(p).Part(pause).Number != 120 {
		t.Errorf("offered is %q, not %q; the rule waits %d", got, want, rule(p).Part(pause).Number)
	}
	theirs(edit.PartGone(r.ID, pause))
	if got := offered(); got != page.FormatID(pause)+" it is taken away" {
		t.Errorf("taken away by somebody, offered is %q", got)
	}
	theirs(waits(600))
	pagetest.Order(p, rules.SettleTheirs{Rule: page.ID(r.ID), Part: page.ID(pause), Take: true})
	if got := offered(); got != "" || rule(p).Part(pause).Number != 600 {
		t.Errorf("taken, it waits %d, and %q is offered", rule(p).Part(pause).Number, got)
	}
	pagetest.Order(p, history.Undo{})
	if rule(p).Part(pause).Number != 120 {
		t.Errorf("undone, it waits %d", rule(p).Part(pause).Number)
	}
	take()
	pagetest.Order(p, rules.SetRuleCondition{Rule: page.ID(r.ID), Condition: &logic.ConditionForm{Asks: "one-in", Number: 3}})
	next := *rule(p)
	next.If = logic.Needs(logic.FactValue, p.Document().Facts[0].ID, logic.AtLeast, 1)
	theirs(edit.Changes(world.RuleRef(r.ID), rule(p).Values(), next.Values())...)
	if got := offered(); got != "0 if Lamps lit is yes" {
		t.Errorf("of what it asks %q is offered", got)
	}
	pagetest.Order(p, rules.SettleTheirs{Rule: page.ID(r.ID)})
	if got := offered(); got != "" || rule(p).If.Ask != logic.OneIn {
		t.Errorf("left, %q is offered", got)
	}
	pagetest.Order(p, rules.SettleTheirs{Rule: page.ID(r.ID), Take: true})
	if said := pagetest.Said(p); said == "" {
		t.Error("what is offered no more is taken")
	}
}
