package rules

import (
	"errors"
	"fmt"
	"slices"

	"azzel/core/edit"
	"azzel/core/kind"
	"azzel/core/limit"
	"azzel/core/lists"
	"azzel/core/logic"
	"azzel/core/page"
	"azzel/core/page/measure"
	"azzel/core/page/memory"
	"azzel/core/page/pieces"
	"azzel/core/page/wording"
	"azzel/core/world"
)

// AddRule makes a rule that belongs to something: the project, a map, an area, a piece, a crossing, a character, or a type by its number. It begins when the first of what can happen
// there does. Of an item it makes one of the project that begins when the player uses it.
type AddRule struct {
	Home page.Thing `json:"home"`
}

// Do implements Order.
func (o AddRule) Do(p *page.Page) page.Changed {
	d := p.Doc()
	sort, id, err := homeOf(d, o.Home)
	if err != nil {
		return p.Fail(err)
	}
	r := &world.Rule{}
	r.HomeSort, r.Home = sort, id
	begins := firstMoment(d, sort, id)
	if o.Home.Kind == page.KindNames[world.SortItem] {
		begins = logic.Moment{Is: logic.ItemUsed.Number, Thing: world.ID(o.Home.ID)}
	}
	r.Set(logic.Part{ID: p.IDs.NewID(), Begins: begins})
	return p.Do(edit.Edit{Label: "make a rule", Parts: []edit.Part{edit.Put{Ref: world.RuleRef(p.IDs.NewID()), Values: r.Values()}}})
}

// CopyRule makes a copy of a rule beside it.
type CopyRule struct {
	Rule page.ID `json:"rule"`
}

// Do implements Order.
func (o CopyRule) Do(p *page.Page) page.Changed {
	r := p.Doc().Rule(world.ID(o.Rule))
	if r == nil {
		return p.Fail(world.ErrGone)
	}
	same := func(_ kind.Thing, id world.ID) world.ID { return id }
	return p.Do(edit.Edit{Label: "copy a rule", Parts: []edit.Part{edit.CopyRule(r, p.IDs, same)}})
}

// SetRule sets what can be set of a rule as a whole.
type SetRule struct {
	Rule   page.ID             `json:"rule"`
	Change page.Part[RuleLook] `json:"change"`
}

// Do implements Order.
func (o SetRule) Do(p *page.Page) page.Changed {
	r := p.Doc().Rule(world.ID(o.Rule))
	if r == nil {
		return p.Fail(world.ErrGone)
	}
	to, err := o.Change.Over(lookOf(r))
	if err != nil {
		return p.Fail(err)
	}
	next := *r
	word := func(n int) uint8 { return uint8(min(max(n, 0), 255)) }
	next.Off, next.Elsewhere, next.Pause = to.Off, to.Elsewhere, measure.RuleTime.Stored(to.Pause)
	next.Begins, next.Repeats, next.Busy = logic.Beginning(word(to.Begins)), logic.Repeats(word(to.Repeats)), logic.Busy(word(to.Busy))
	if next.Begins == logic.While && next.If.CheckWhile() != nil {
		return p.Fail(errors.New("while something holds can only be said of what the game remembers: take what only happens out of what it asks first"))
	}
	return Change(p, r, edit.Changes(world.RuleRef(r.ID), r.Values(), next.Values()))
}

// Change does an edit of a rule, if it changes anything.
func Change(p *page.Page, r *world.Rule, parts []edit.Part) page.Changed {
	if len(parts) == 0 {
		return 0
	}
	return p.Do(edit.Edit{Label: edit.Clip("change the rule " + wording.RuleName(p.Doc(), r)), Parts: parts})
}

// SetRuleCondition says what must hold for a rule; nil for nothing.
type SetRuleCondition struct {
	Rule      page.ID              `json:"rule"`
	Condition *logic.ConditionForm `json:"condition"`
}

// Do implements Order.
func (o SetRuleCondition) Do(p *page.Page) page.Changed {
	r := p.Doc().Rule(world.ID(o.Rule))
	if r == nil {
		return p.Fail(world.ErrGone)
	}
	read := pieces.ReadHappening
	if r.Begins == logic.While {
		read = pieces.ReadLasting
	}
	c, before, err := read(p.Author(), o.Condition)
	if err != nil {
		return p.Fail(err)
	}
	next := *r
	next.If = c
	return Change(p, r, append(before, edit.Changes(world.RuleRef(r.ID), r.Values(), next.Values())...))
}

// ruled does something to a rule that is there.
func ruled(p *page.Page, id page.ID, how func(r *world.Rule) ([]edit.Part, error)) page.Changed {
	r := p.Doc().Rule(world.ID(id))
	if r == nil {
		return p.Fail(world.ErrGone)
	}
	parts, err := how(r)
	if err != nil {
		return p.Fail(err)
	}
	return Change(p, r, parts)
}

// parted does something to a part of a rule that is there.
func parted(p *page.Page, rule, part page.ID, how func(r *world.Rule, is logic.Part) ([]edit.Part, error)) page.Changed {
	return ruled(p, rule, func(r *world.Rule) ([]edit.Part, error) {
		is := r.Part(world.ID(part))
		if is == nil {
			return nil, world.ErrGone
		}
		return how(r, *is)
	})
}

// apart is how far parts stand from each other that are put one after the other, so that others fit between them.
const apart = 1 << 10

// Placed are the parts that let a part stand in a branch of another one before one of those there, or at its end for 0. Where there is no room between those beside it, all of the branch are set apart
// anew.
func Placed(r *world.Rule, is logic.Part, in world.ID, branch int, before world.ID) []edit.Part {
	list := slices.Clone(r.Kids(in, branch))
	list = lists.Without(list, func(p *logic.Part) bool { return p.ID == is.ID })
	at := slices.IndexFunc(list, func(p *logic.Part) bool { return p.ID == before })
	if at < 0 {
		at = len(list)
	}
	is.In, is.Branch = in, branch
	switch {
	case len(list) == 0:
		is.Order = 0
	case at == 0:
		is.Order = list[0].Order - apart
	case at == len(list):
		is.Order = list[at-1].Order + apart
	case list[at].Order-list[at-1].Order > 1:
		is.Order = (list[at-1].Order + list[at].Order) / 2
	default:
		var parts []edit.Part
		for i, p := range lists.Insert(list, at, &is) {
			if next := *p; next.Order != i*apart || next.ID == is.ID {
				next.Order = i * apart
				parts = append(parts, edit.PartChange(r.ID, next))
			}
		}
		return parts
	}
	return []edit.Part{edit.PartChange(r.ID, is)}
}

// AddRulePart gives a rule one more moment or action: in a branch of an action, or of the rule itself, before one that stands there or at its end.
type AddRulePart struct {
	Rule   page.ID            `json:"rule"`
	In     page.ID            `json:"in"`
	Branch int                `json:"branch"`
	Before page.ID            `json:"before,omitempty"`
	Part   logic.RulePartForm `json:"part"`
	// Typed is what the player reads.
	Typed string `json:"typed,omitempty"`
}

// Do implements Order.
func (o AddRulePart) Do(p *page.Page) page.Changed {
	return ruled(p, o.Rule, func(r *world.Rule) ([]edit.Part, error) {
		if len(r.Parts) >= limit.RuleParts {
			return nil, fmt.Errorf("a rule has at most %d actions and moments: let it ask for another one", limit.RuleParts)
		}
		var before []edit.Part
		is, err := read(p, o.Part, logic.Part{ID: p.IDs.NewID()}, &before)
		if err != nil {
			return nil, err
		}
		if o.Typed != "" {
			if is.Text, _, err = wording.ReadWords(p.Doc(), o.Typed, nil); err != nil {
				return nil, err
			}
		}
		if is.Does == logic.Nothing && r.Begins == logic.While {
			return nil, errors.New("this rule is so while something holds, so that it begins by no moment: let it begin when something happens first")
		}
		return append(before, Placed(r, is, world.ID(o.In), min(max(o.Branch, 0), 1), world.ID(o.Before))...), nil
	})
}

// counted are the moments that say a number from 1 on, which one that is made of another lacks.
var counted = []int{logic.AreaStayed.Number, logic.TimePassed.Number, logic.StepsPassed.Number}

// read reads a part as the page gives it, which stands where another one does; what it names that is new is made before.
func read(p *page.Page, form logic.RulePartForm, was logic.Part, before *[]edit.Part) (logic.Part, error) {
	form.ID = page.FormatID(was.ID)
	if m := kind.MomentNamed(form.Moment); form.Subject == nil && (m == logic.ComesInto || m == logic.GoesOutOf) {
		// Of the player there are other moments: what comes in most is pushed.
		for _, k := range kind.All() {
			if k.Pushed {
				form.Subject = &logic.NounForm{Is: "any", Type: k.Word}
			}
		}
	}
	making := pieces.Making(p.Author(), before)
	if v := form.Value; form.Moment == logic.FactReached.Word && v != nil && v.Text != "" {
		// What a fact comes to be is a number of the moment, which has no other value.
		n, err := memory.TextOf(p.Doc(), world.ID(page.ParseID(form.Thing)), v.Text, before)
		if err != nil {
			return was, err
		}
		form.Number, form.Value = n, nil
	}
	is, err := making.ReadPart(&form)
	if is.Begins.Number == 0 && slices.Contains(counted, is.Begins.Is) {
		is.Begins.Number = 60
	}
	if err == nil {
		err = is.CheckPart()
	}
	is.In, is.Branch, is.Order, is.Text = was.In, was.Branch, was.Order, was.Text
	return is, err
}

// SetRulePart sets what a part of a rule is; what the player reads and where it stands stay.
type SetRulePart struct {
	Rule page.ID            `json:"rule"`
	Part logic.RulePartForm `json:"part"`
	// Seconds is for how long it waits, if it says that.
	Seconds *float64 `json:"seconds,omitempty"`
}

// Do implements Order.
func (o SetRulePart) Do(p *page.Page) page.Changed {
	return parted(p, o.Rule, page.ID(page.ParseID(o.Part.ID)), func(r *world.Rule, was logic.Part) ([]edit.Part, error) {
		var before []edit.Part
		if o.Seconds != nil {
			o.Part.Number = measure.RuleTime.Stored(*o.Seconds)
		}
		is, err := read(p, o.Part, was, &before)
		if err != nil {
			return nil, err
		}
		return append(before, edit.PartChange(r.ID, is)), nil
	})
}

// MarkRulePart puts a mark into the cell that is selected, and lets a part of a rule mean it: as what something walks, looks or goes to, or as where the
// player is taken.
type MarkRulePart struct {
	Rule page.ID `json:"rule"`
	Part page.ID `json:"part"`
}

// Do implements Order.
func (o MarkRulePart) Do(p *page.Page) page.Changed {
	at := p.Hand.Selected
	m := p.Doc().Map(at.Map)
	if m == nil || at.Ref.Sort != world.SortMap {
		return p.Fail(errors.New("no cell is meant: click on one of a map"))
	}
	return parted(p, o.Rule, o.Part, func(r *world.Rule, is logic.Part) ([]edit.Part, error) {
		id := p.IDs.NewID()
		all := kind.All()
		spot := all[slices.IndexFunc(all, func(k *kind.Kind) bool { return k.Named })].ID
		mark := &world.Piece{Type: spot, Layer: m.PlayerLayer, Foot: m.FootOf(p.Doc().Project.Lattice(), spot, at.Cell)}
		switch {
		case is.Aims():
			is.Towards = logic.Noun{Is: logic.Piece, Thing: id}
		case is.Does == logic.TakeTo:
			is.Thing = id
		default:
			return nil, page.ErrUnknown
		}
		return []edit.Part{edit.Put{Ref: world.Ref{Sort: world.SortPiece, Map: m.ID, ID: id}, Values: mark.Values()}, edit.PartChange(r.ID, is)}, nil
	})
}

// TypeRuleText says otherwise what the player reads by an action of a rule.
type TypeRuleText struct {
	Rule  page.ID `json:"rule"`
	Part  page.ID `json:"part"`
	Typed string  `json:"typed"`
}

// Do implements Order.
func (o TypeRuleText) Do(p *page.Page) page.Changed {
	return parted(p, o.Rule, o.Part, func(r *world.Rule, is logic.Part) (parts []edit.Part, err error) {
		is.Text, _, err = wording.ReadWords(p.Doc(), o.Typed, is.Text)
		return []edit.Part{edit.PartChange(r.ID, is)}, err
	})
}

// MoveRulePart puts a part of a rule, with all that stands in it, into a branch of another one or of the rule itself, before one that stands there or at its end.
type MoveRulePart struct {
	Rule   page.ID `json:"rule"`
	Part   page.ID `json:"part"`
	In     page.ID `json:"in"`
	Branch int     `json:"branch"`
	Before page.ID `json:"before,omitempty"`
}

// Do implements Order.
func (o MoveRulePart) Do(p *page.Page) page.Changed {
	return parted(p, o.Rule, o.Part, func(r *world.Rule, is logic.Part) ([]edit.Part, error) {
		if slices.ContainsFunc(r.Within(is.ID), func(p *logic.Part) bool { return p.ID == world.ID(o.In) }) {
			return nil, errors.New("an action can't be put into itself")
		}
		if o.Before == o.Part {
			return nil, nil
		}
		return Placed(r, is, world.ID(o.In), min(max(o.Branch, 0), 1), world.ID(o.Before)), nil
	})
}

// CopyRulePart puts a copy of a part of a rule, with all that stands in it, after it.
type CopyRulePart struct {
	Rule page.ID `json:"rule"`
	Part page.ID `json:"part"`
}

// Do implements Order.
func (o CopyRulePart) Do(p *page.Page) page.Changed {
	return parted(p, o.Rule, o.Part, func(r *world.Rule, is logic.Part) ([]edit.Part, error) {
		all := r.Within(is.ID)
		if len(r.Parts)+len(all) > limit.RuleParts {
			return nil, fmt.Errorf("a rule has at most %d actions and moments: let it ask for another one", limit.RuleParts)
		}
		fresh := map[world.ID]world.ID{}
		for _, part := range all {
			fresh[part.ID] = p.IDs.NewID()
		}
		siblings := r.Kids(is.In, is.Branch)
		next := world.ID(0)
		if i := slices.IndexFunc(siblings, func(s *logic.Part) bool { return s.ID == is.ID }); i >= 0 && i+1 < len(siblings) {
			next = siblings[i+1].ID
		}
		var parts []edit.Part
		for _, part := range all {
			copied := *part
			copied.ID = fresh[part.ID]
			if part.ID == is.ID {
				parts = append(parts, Placed(r, copied, is.In, is.Branch, next)...)
				continue
			}
			copied.In = fresh[part.In]
			parts = append(parts, edit.PartChange(r.ID, copied))
		}
		return parts, nil
	})
}

// RemoveRulePart takes a part of a rule away, with all that stands in it.
type RemoveRulePart struct {
	Rule page.ID `json:"rule"`
	Part page.ID `json:"part"`
}

// Do implements Order.
func (o RemoveRulePart) Do(p *page.Page) page.Changed {
	return parted(p, o.Rule, o.Part, func(r *world.Rule, is logic.Part) (parts []edit.Part, err error) {
		gone := map[world.ID]bool{}
		for _, part := range r.Within(is.ID) {
			if !gone[part.ID] {
				gone[part.ID] = true
				parts = append(parts, edit.PartGone(r.ID, part.ID))
			}
		}
		return parts, nil
	})
}
