package rules_test

import (
	"fmt"
	"slices"
	"strings"
	"testing"

	"azzel/core/edit"
	"azzel/core/hand"
	"azzel/core/kind"
	"azzel/core/kinds/props"
	"azzel/core/logic"
	"azzel/core/page"
	"azzel/core/page/pagetest"
	"azzel/core/page/playing"
	"azzel/core/page/rules"
	"azzel/core/play"
	"azzel/core/play/generate"
	"azzel/core/world"
)

// plays begins to play what a page shows, and plays so many inputs of a seed.
func plays(t *testing.T, p *page.Page, seed uint64, ticks int) {
	t.Helper()
	g, err := play.New(p.Doc(), play.Start{Chance: seed})
	if err != nil {
		t.Fatal(err)
	}
	playing.Record(p, g)
	for _, in := range generate.Inputs(seed, ticks) {
		playing.Tick(p, in)
	}
}

func whyOf(p *page.Page, id world.ID) rules.WhyView {
	return rules.AskWhy{Rule: page.ID(id)}.Answer(p).(rules.WhyView)
}

// asking is what gives a rule a condition, and takes what else could keep it from going.
func asking(r *world.Rule, c logic.Condition) edit.Edit {
	next := *r
	next.If, next.Repeats, next.Busy = c, logic.EachTime, logic.Both
	return edit.Edit{Label: "ask", Parts: edit.Changes(world.RuleRef(r.ID), r.Values(), next.Values())}
}

// An otherTerm is a term about something else than a fact that holds, one of its sort that does not, and what is to be said of that.
type otherTerm struct {
	holds, fails logic.Condition
	says         string
}

// otherTerms are terms of each sort about what there is in a game that is asked: an item, a piece, the forces of an area, a layer, the map.
func otherTerms(d *world.Document, asked logic.Happening, n int) (list []otherTerm) {
	add := func(c logic.Condition, other int, says string) {
		fails := c
		fails.Is = other
		list = append(list, otherTerm{c, fails, says})
	}
	for _, i := range d.Items {
		if had, there := asked.Item(i.ID); there {
			c := logic.Needs(logic.ItemCount, i.ID, logic.Equals, had)
			fails := c
			fails.By = logic.Differs
			list = append(list, otherTerm{c, fails, fmt.Sprintf("you have %d × %s, not ", had, i.Name)})
			break
		}
	}
	m := d.Maps[n%len(d.Maps)]
	if len(m.Pieces) > 0 {
		p := m.Pieces[n%len(m.Pieces)]
		at, name := logic.Noun{Is: logic.Piece, Thing: p.ID}, hand.PieceName(d, p)
		if is, has := asked.Presence(p.ID); has {
			other := (is + 1) % len(kind.Presences)
			add(logic.Condition{Ask: logic.IsPresent, Subject: at, Is: is}, other, fmt.Sprintf("%s is %s, not %s", name, kind.Presences[is], kind.Presences[other]))
		}
		if is, has := asked.Power(p.ID); has {
			add(logic.Condition{Ask: logic.IsPowered, Subject: at, Is: is}, 1-is, fmt.Sprintf("%s is %s, not %s", name, kind.Powers[is], kind.Powers[1-is]))
		}
		if is, has := asked.State(p.ID); has {
			other := kind.StateNamed("open")
			if other.Number == is {
				other = kind.StateNamed("closed")
			}
			add(logic.Condition{Ask: logic.InState, Subject: at, Is: is}, other.Number, fmt.Sprintf("%s is %s, not %s", name, kind.StateOf(is).Name, other.Name))
		}
	}
	if len(d.Areas) > 0 {
		a := d.Areas[n%len(d.Areas)]
		is, _ := asked.Forces(a.ID)
		add(logic.Condition{Ask: logic.ForcesAre, Thing: a.ID, Is: is}, 1-is, fmt.Sprintf("the forces of %s are %s, not %s", a.Name, kind.Powers[is], kind.Powers[1-is]))
	}
	l := m.Layers[n%len(m.Layers)]
	is, _ := asked.Layer(l.ID)
	other := (is + 1) % len(kind.Presences)
	add(logic.Condition{Ask: logic.LayerIs, Thing: l.ID, Is: is}, other, fmt.Sprintf("the layer %s is %s, not %s", l.Name, kind.Presences[is], kind.Presences[other]))
	player := logic.Noun{Is: logic.Player}
	for _, on := range d.Maps {
		if here, _ := asked.OnMap(0, on.ID); here {
			c := logic.Condition{Ask: logic.OnMap, Subject: player, Thing: on.ID}
			list = append(list, otherTerm{c, logic.Condition{Ask: logic.None, Terms: []logic.Condition{c}}, fmt.Sprintf("the player is on %s", on.Name)})
			if other := d.Maps[(n+1)%len(d.Maps)]; other != on {
				list = append(list, otherTerm{c, logic.Condition{Ask: logic.OnMap, Subject: player, Thing: other.ID}, fmt.Sprintf("the player is on %s, not on %s", on.Name, other.Name)})
			}
			if len(on.Pieces) > 0 {
				p := on.Pieces[n%len(on.Pieces)]
				at, name := logic.Noun{Is: logic.Piece, Thing: p.ID}, hand.PieceName(d, p)
				if cells, there := asked.Apart(0, p.ID); there && cells > 0 {
					c := logic.Condition{Ask: logic.Near, Subject: player, Object: at, Number: cells}
					fails := c
					fails.Number--
					said := fmt.Sprintf("the player is %d cell", cells)
					list = append(list, otherTerm{c, fails, said})
				}
				if is, has := asked.Property(p.ID, props.Speed.Field); has {
					c := logic.Condition{Ask: logic.Compares, Left: logic.Value{Is: logic.PropertyOf, Of: at, Property: props.Speed.Field}, By: logic.Equals, Right: logic.Value{Number: is}}
					fails := c
					fails.By = logic.Differs
					h, _ := p.Kind().Has(props.Speed)
					list = append(list, otherTerm{c, fails, fmt.Sprintf("“%s” of %s is %s, not ", h.Says(), name, props.Speed.Says(is))})
				}
			}
		}
	}
	return list
}

// Of random rules that go in random play, each gets a condition of several terms that hold as it first does; then each term is negated in turn: the rule does not go, and that term is named
// with its value, and no other, also after the play was rewound over that edit. A rule whose moment never came is said to be one.
func TestWhy(t *testing.T) {
	const ticks = 150
	worlds, least := uint64(560), 1000
	if testing.Short() {
		worlds, least = 20, 20
	}
	tried, never := 0, 0
	named := map[logic.Ask]int{}
	for seed := range worlds {
		d, err := generate.Ruled(seed)
		if err != nil {
			t.Fatal(err)
		}
		type first struct {
			tick  int
			goes  bool
			facts map[world.ID]int
			// others are terms of other sorts that hold then.
			others []otherTerm
		}
		firsts, times := map[world.ID]first{}, map[world.ID]int{}
		p, err := page.Open(edit.Opening{Prefix: 12, Document: d}.Encode(), nil)
		if err != nil {
			t.Fatal(err)
		}
		plays(t, p, seed, ticks)
		if err := p.Played.Again(p.Played.First(), p.Played.Last(), play.Watch{Tried: func(trial play.Trial, asked logic.Happening, d *world.Document) {
			times[trial.Rule]++
			if _, known := firsts[trial.Rule]; known || d.Rule(trial.Rule).Begins == logic.While {
				return
			}
			f := first{trial.Tick, trial.Outcome == logic.Goes, map[world.ID]int{}, otherTerms(d, asked, int(seed)+int(trial.Rule%97))}
			for _, is := range d.Facts {
				f.facts[is.ID], _, _, _ = asked.Fact(is.ID)
			}
			firsts[trial.Rule] = f
		}}); err != nil {
			t.Fatal(err)
		}
		begun := p.Played
		for _, r := range d.Rules {
			p.Played = begun
			f, went := firsts[r.ID]
			if !went {
				if seed%6 > 0 {
					continue
				}
				if v := whyOf(p, r.ID); r.Begins == logic.When && !r.Off && len(v.Trials) == 0 && p.Played.Now() > 0 {
					if never++; v.None == "" {
						t.Errorf("world %d: of a rule whose moment never came nothing is said", seed)
					}
				}
				continue
			}
			if !f.goes || times[r.ID] > ticks {
				continue // what others ask for over and over is listed as it was last
			}
			var terms []logic.Condition
			for _, is := range d.Facts {
				terms = append(terms, logic.Needs(logic.FactValue, is.ID, logic.Equals, f.facts[is.ID]))
			}
			for _, o := range f.others {
				terms = append(terms, o.holds)
			}
			tried++
			for i := range terms {
				negated := append([]logic.Condition(nil), terms...)
				if i < len(d.Facts) {
					negated[i].By = logic.Differs
				} else if o := f.others[i-len(d.Facts)]; i-len(d.Facts) == int(r.ID)%len(f.others) {
					negated[i] = o.fails
					named[o.holds.Ask]++
				} else {
					continue // another rule negates one of this sort
				}
				p.Do(asking(p.Document().Rule(r.ID), logic.Condition{Terms: negated}))
				plays(t, p, seed, f.tick)
				look := func(when string) {
					v := whyOf(p, r.ID)
					var want string
					if i < len(d.Facts) {
						fact := d.Facts[i]
						want = fmt.Sprintf("it did not go, since %s is %s, not ", fact.Name, fact.Says(f.facts[fact.ID]))
					} else {
						want = "it did not go, since " + f.others[i-len(d.Facts)].says
					}
					if !slices.ContainsFunc(v.Trials, func(is rules.TrialView) bool {
						return is.Tick == f.tick && !is.Goes && strings.Contains(is.Says, want) && !strings.Contains(is.Says, ";")
					}) {
						t.Fatalf("world %d: %s, it is said “%v”, want “%s” in tick %d", seed, when, v.Trials, want, f.tick)
					}
				}
				look("as it is played")
				if i == 0 && p.Played.Now() > 1 {
					// Another edit, in play: what was before it is said as it was then.
					p.Do(edit.Edit{Label: "ask otherwise", Parts: edit.Changes(world.RuleRef(r.ID), p.Document().Rule(r.ID).Values(), r.Values())})
					for range 20 {
						playing.Tick(p, 0)
					}
					pagetest.Order(p, playing.ShowTick{Tick: f.tick})
					look("rewound over an edit")
				}
				p.Do(edit.Edit{Label: "ask as before", Parts: edit.Changes(world.RuleRef(r.ID), p.Document().Rule(r.ID).Values(), r.Values())})
			}
		}
	}
	for _, ask := range []logic.Ask{logic.Compares, logic.IsPresent, logic.IsPowered, logic.InState, logic.ForcesAre, logic.LayerIs, logic.OnMap, logic.Near} {
		if named[ask] < least/100 {
			t.Errorf("a term of sort %d was named %d times", ask, named[ask])
		}
	}
	if tried < least || never == 0 {
		t.Errorf("%d rules were tried, the moments of %d never came", tried, never)
	}
}

// Play is held in the tick in which a rule goes, or a fact becomes something, and says so; not once that is not asked for any more.
func TestHolds(t *testing.T) {
	p, r := shed(t)
	add(t, p, 0, 0, "actions", "lamps becomes yes")
	add(t, p, 0, 0, "moments", "play begins")
	d := p.Document()
	pagetest.Order(p, playing.HoldAtRule{Rule: page.ID(r.ID), On: true})
	pagetest.Order(p, playing.HoldAtFact{Fact: page.ID(d.Facts[0].ID), On: true, Value: 1})
	for n, want := range []string{"Held: the rule “When Valve wheel is pressed, or 1 more” went.", "Held: Lamps lit became yes.", ""} {
		pagetest.Order(p, playing.StartPlay{})
		changed := playing.Tick(p, 0)
		said := strings.Join(p.Events, " ")
		if (changed&page.PlayHeld != 0) != (want != "") || !strings.Contains(said, want) || strings.Contains(said, "Held") != (want != "") {
			t.Errorf("held: %t, saying %q, want %q", changed&page.PlayHeld != 0, said, want)
		}
		if playing.Tick(p, 0)&page.PlayHeld != 0 {
			t.Error("held again where nothing came")
		}
		pagetest.Order(p, playing.StopPlay{})
		if n == 0 {
			pagetest.Order(p, playing.HoldAtRule{Rule: page.ID(r.ID)})
		} else {
			pagetest.Order(p, playing.HoldAtFact{Fact: page.ID(d.Facts[0].ID)})
		}
	}
}

// Of an action that asks something it is said why that held, or did not, as it was then, also once it is otherwise.
func TestWhyOfActions(t *testing.T) {
	p, _ := shed(t)
	d := p.Document()
	lamps, found := d.Facts[0], d.Facts[1]
	pagetest.Order(p, rules.AddRule{Home: page.Thing{Kind: "project"}})
	id := page.ID(p.Document().Rules[1].ID)
	add := func(in page.ID, branch int, form logic.RulePartForm) page.ID {
		t.Helper()
		before := len(p.Document().Rule(world.ID(id)).Parts)
		pagetest.Order(p, rules.AddRulePart{Rule: id, In: in, Branch: branch, Part: form})
		parts := p.Document().Rule(world.ID(id)).Parts
		if len(parts) != before+1 {
			t.Fatalf("nothing was added: %s", pagetest.Said(p))
		}
		return page.ID(parts[len(parts)-1].ID)
	}
	lit := page.Conditions.Write(logic.Needs(logic.FactValue, lamps.ID, logic.AtLeast, 1))
	becomes := func(f *world.Fact) logic.RulePartForm {
		return logic.RulePartForm{Does: "set-fact", Thing: page.FormatID(f.ID), How: "is", Value: &logic.ValueForm{Is: "number", Number: 1}}
	}
	again := add(0, 0, logic.RulePartForm{Does: "again", Number: 2})
	asks := add(again, 0, logic.RulePartForm{Does: "if", If: &lit})
	add(asks, 1, becomes(lamps))
	add(asks, 0, becomes(found))
	question := add(0, 0, logic.RulePartForm{Does: "ask", Subject: &logic.NounForm{Is: "player"}})
	lacking := page.Conditions.Write(logic.Needs(logic.FactValue, found.ID, logic.AtLeast, 3))
	add(question, 0, logic.RulePartForm{Does: "choice", If: &lit})
	add(question, 0, logic.RulePartForm{Does: "choice", If: &lacking})
	pagetest.Order(p, playing.StartPlay{})
	for range 20 {
		playing.Tick(p, 0)
	}
	var says []string
	for _, is := range whyOf(p, world.ID(id)).Went {
		says = append(says, is.Says)
	}
	want := []string{"Labels found becomes 1", "if Lamps lit is yes: it held, since Lamps lit is yes", "Lamps lit becomes yes", "if Lamps lit is yes: it did not hold, since Lamps lit is no, not yes"}
	if len(says) == 0 || strings.Count(says[0], "is not offered") != 1 || !strings.Contains(says[0], "since Labels found is 1, not at least 3") {
		t.Errorf("of a question to which one of two answers is offered it is said %q", says[:min(len(says), 1)])
	}
	at := 0
	for _, is := range says {
		if at < len(want) && is == want[at] {
			at++
		}
	}
	if at < len(want) {
		t.Errorf("what went is said as %q", says)
	}
}
