package found

import (
	"errors"
	"slices"

	"azzel/core/edit"
	"azzel/core/findings"
	"azzel/core/hand"
	"azzel/core/kind"
	"azzel/core/kinds/props"
	"azzel/core/lists"
	"azzel/core/logic"
	"azzel/core/page"
	"azzel/core/page/rules"
	"azzel/core/page/things"
	"azzel/core/world"
)

// A mend is what a click does to a finding: what the button says, whether that is done to a part of a rule, and how.
type mend struct {
	label  string
	ofPart bool
	how    func(p *page.Page, f findings.Finding) page.Changed
}

// mends are those of faults of rules, pieces, facts and items.
var mends = map[findings.Fault]mend{
	findings.Homeless:     {"Delete the rule", false, deleteRule},
	findings.Gone:         {"Take it out", true, takeOut},
	findings.Stray:        {"Take it out", true, takeOut},
	findings.NoAnswer:     {"Take it out", true, takeOut},
	findings.NoCase:       {"Take it out", true, takeOut},
	findings.CannotBe:     {"Take it out", true, takeOut},
	findings.NoWay:        {"Take it out", true, takeOut},
	findings.WaitsBeneath: {"Take it out", true, takeOut},
	findings.NoThis:       {"Take it out", true, takeOut},
	findings.NeverDone:    {"Take out what is never done", true, takeOutRest},
	findings.InCircles:    {"Wait 1 s after it", true, waitAfter},
	findings.HeldForGood:  {"Let the player move at the end", true, atEnd(logic.Action{Does: logic.LetGo})},
	findings.LeftDark:     {"Let it be seen again at the end", true, atEnd(logic.Action{Does: logic.FadeIn, Number: 60})},
	findings.AsksOff:      {"Switch that rule on", true, switchOn},
	findings.NeverWorked:  {"Let it be opened by hand", false, byHand},
	findings.Forgotten:    {"Let it go once a visit", false, onceAVisit},
}

func mendOf(f findings.Finding) mend {
	if f.Of.Sort != world.SortStart {
		return mends[f.Fault]
	}
	if f.Fault == findings.InWall {
		return mend{"Move it to where there is room", false, makeRoom}
	}
	if f.Fault == findings.OffMap || f.Sort == kind.Map {
		return mend{}
	}
	return mend{"Take out what is gone", false, tidy}
}

// makeRoom moves a start to the nearest place where there is room for the player.
func makeRoom(p *page.Page, f findings.Finding) page.Changed {
	d := p.Doc()
	s := d.NamedStart(f.Of.ID)
	to, free := findings.FreePlace(d, s)
	if !free {
		return p.Refuse("There is no room for the player anywhere on its map.")
	}
	next := *s
	next.Cell = to
	return p.Change(s.Name, edit.Changes(f.Of, s.Values(), next.Values()))
}

// tidy takes out of a start what is gone or can't be so any more.
func tidy(p *page.Page, f findings.Finding) page.Changed {
	d := p.Doc()
	s := d.NamedStart(f.Of.ID)
	next := *s
	next.Items = lists.Without(slices.Clone(s.Items), func(i world.Stock) bool { return d.Item(i.Item) == nil })
	next.Facts = lists.Without(slices.Clone(s.Facts), func(is world.FactIs) bool { return !is.Fits(d.Fact(is.Fact)) })
	next.States = lists.Without(slices.Clone(s.States), func(is world.StateIs) bool {
		_, piece := d.Piece(is.Piece)
		return !is.Fits(piece)
	})
	return p.Change(s.Name, edit.Changes(f.Of, s.Values(), next.Values()))
}

// MendFinding does what a click does to a finding, which is known by its fault, its thing and its part.
type MendFinding struct {
	Fault int        `json:"fault"`
	Thing page.Thing `json:"thing"`
	Part  page.ID    `json:"part,omitempty"`
}

var errMended = errors.New("that is not wrong any more")

// Do implements Order.
func (o MendFinding) Do(p *page.Page) page.Changed {
	ref := o.Thing.Ref()
	for _, f := range p.Finder.Find(p.Doc()) {
		if f.Fault == findings.Fault(o.Fault) && f.Of == ref && f.Part == world.ID(o.Part) {
			if mend := mendOf(f); mend.how != nil && (f.Part != 0 || !mend.ofPart) {
				return mend.how(p, f)
			}
		}
	}
	return p.Fail(errMended)
}

func deleteRule(p *page.Page, f findings.Finding) page.Changed {
	return things.Delete{Thing: page.Thing{Kind: page.KindNames[world.SortRule], ID: page.ID(f.Of.ID)}}.Do(p)
}

// byHand lets a piece open as usual that opened only when it was worked.
func byHand(p *page.Page, f findings.Finding) page.Changed {
	_, is := p.Doc().Piece(f.Of.ID)
	next := *is
	next.Props = next.Props.With(props.Opens.Unset())
	return p.Change(hand.PieceName(p.Doc(), is), edit.Changes(f.Of, is.Values(), next.Values()))
}

func takeOut(p *page.Page, f findings.Finding) page.Changed {
	return rules.RemoveRulePart{Rule: page.ID(f.Of.ID), Part: page.ID(f.Part)}.Do(p)
}

// part finds the part of the rule with which something is wrong.
func part(p *page.Page, f findings.Finding) (*world.Rule, *logic.Part) {
	r := p.Doc().Rule(f.Of.ID)
	return r, r.Part(f.Part)
}

// takeOutRest takes out an action and all that come after it where it stands.
func takeOutRest(p *page.Page, f findings.Finding) page.Changed {
	r, is := part(p, f)
	var parts []edit.Part
	after := false
	for _, sibling := range r.Kids(is.In, is.Branch) {
		if after = after || sibling.ID == is.ID; !after || sibling.Does == logic.Nothing {
			continue
		}
		for _, within := range r.Within(sibling.ID) {
			parts = append(parts, edit.PartGone(r.ID, within.ID))
		}
	}
	return rules.Change(p, r, parts)
}

func waitAfter(p *page.Page, f findings.Finding) page.Changed {
	r, is := part(p, f)
	next := world.ID(0)
	for _, sibling := range r.Kids(is.In, is.Branch) {
		if sibling.Order > is.Order && next == 0 {
			next = sibling.ID
		}
	}
	return rules.Change(p, r, rules.Placed(r, logic.Part{ID: p.IDs.NewID(), Action: logic.Action{Does: logic.Wait, Number: 60}}, is.In, is.Branch, next))
}

// atEnd adds an action at the end of what is done where something lasts that nothing undoes, before the rule stops there.
func atEnd(does logic.Action) func(p *page.Page, f findings.Finding) page.Changed {
	return func(p *page.Page, f findings.Finding) page.Changed {
		r, is := part(p, f)
		before, after := world.ID(0), false
		for _, sibling := range r.Kids(is.In, is.Branch) {
			if after && before == 0 && (sibling.Does == logic.Stop || sibling.Does == logic.End) && !sibling.Off {
				before = sibling.ID
			}
			after = after || sibling.ID == is.ID
		}
		return rules.Change(p, r, rules.Placed(r, logic.Part{ID: p.IDs.NewID(), Action: does}, is.In, is.Branch, before))
	}
}

func switchOn(p *page.Page, f findings.Finding) page.Changed {
	off := p.Doc().Rule(f.Thing)
	if off == nil {
		return p.Fail(world.ErrGone)
	}
	next := *off
	next.Off = false
	return rules.Change(p, off, edit.Changes(world.RuleRef(off.ID), off.Values(), next.Values()))
}

func onceAVisit(p *page.Page, f findings.Finding) page.Changed {
	r := p.Doc().Rule(f.Of.ID)
	next := *r
	next.Repeats = logic.OnceAVisit
	return rules.Change(p, r, edit.Changes(world.RuleRef(r.ID), r.Values(), next.Values()))
}
