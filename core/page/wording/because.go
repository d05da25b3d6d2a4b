package wording

import (
	"fmt"
	"strings"

	"azzel/core/kind"
	"azzel/core/logic"
	"azzel/core/world"
)

// Because is why a condition holds, or does not, of a game that is asked: the terms to which that is due, as they are there.
func (w words) Because(c *logic.Condition, asked logic.World, holds bool) string {
	var list []string
	w.due(c, asked, holds, &list)
	return strings.Join(list, "; ")
}

// due adds the terms of a condition to which it is due that it holds, or does not.
func (w words) due(c *logic.Condition, asked logic.World, holds bool, list *[]string) {
	if !c.Groups() {
		*list = append(*list, w.now(c, asked, holds))
		return
	}
	if c.Ask == logic.Lasts {
		all := logic.Condition{Terms: c.Terms}
		if all.Holds(asked) != holds {
			// It is a matter of time alone.
			if says := w.Condition(&all); holds {
				*list = append(*list, fmt.Sprintf("%s was so, and has not been over for %s yet", says, Seconds(c.Number)))
			} else {
				*list = append(*list, fmt.Sprintf("%s, but not for %s yet", says, Seconds(c.Number)))
			}
			return
		}
	}
	want := logic.Failing
	if holds != (c.Ask == logic.None) {
		want = logic.Holding
	}
	for i := range c.Terms {
		if t := &c.Terms[i]; t.Answer(asked) == want {
			w.due(t, asked, want == logic.Holding, list)
		}
	}
}

// now is what a term asks for as it is, with what was asked if that does not hold.
func (w words) now(c *logic.Condition, asked logic.World, holds bool) string {
	if c.Ask != logic.Compares {
		if holds {
			return w.Term(c)
		}
		if says, wanted, one := w.is(c, asked); one {
			return says + ", not " + wanted
		}
		if h, happens := asked.(logic.Happening); happens {
			if says := w.whereabouts(c, h); says != "" {
				return says
			}
		}
		return "not so that " + w.Term(c)
	}
	is, _ := c.Left.Ask(asked)
	var now string
	switch i, f := w.d.Item(c.Left.Thing), w.d.Fact(c.Left.Thing); {
	case c.Left.Is == logic.ItemCount && i != nil:
		now = fmt.Sprintf("you have %d × %s", is, i.Name)
	case c.Left.Is == logic.FactValue && f != nil:
		now = f.Name + " is " + FactSays(f, is)
	default:
		now = w.Value(&c.Left) + " is " + w.number(&c.Left, is)
	}
	if other, _ := c.Right.Ask(asked); c.Right.Is != logic.Literal {
		now += fmt.Sprintf(", %s is %s", w.Value(&c.Right), w.number(&c.Right, other))
	}
	if holds {
		return now
	}
	return now + ", not " + w.Wanted(c)
}

// whereabouts says of a term about where something is, which does not hold, where that is instead; nothing where it asks so of several, or of what is gone.
func (w words) whereabouts(c *logic.Condition, asked logic.Happening) string {
	one := func(n logic.Noun) (id world.ID, is bool) {
		ids, there := asked.Pieces(n)
		if !there || len(ids) != 1 || n.Several() {
			return 0, false
		}
		return ids[0], true
	}
	if c.Ask == logic.OneIn {
		return fmt.Sprintf("not this time: once in %s, by chance", counted(c.Number, "time"))
	}
	id, is := one(c.Subject)
	if !is {
		return ""
	}
	switch c.Ask {
	case logic.OnMap, logic.Within:
		for _, a := range w.d.Areas {
			if within, _ := asked.Within(id, a.ID); within && c.Ask == logic.Within {
				return fmt.Sprintf("%s is within %s, not within %s", w.noun(c.Subject), w.named(world.SortArea, a.ID), w.named(world.SortArea, c.Thing))
			}
		}
		for _, m := range w.d.Maps {
			if on, _ := asked.OnMap(id, m.ID); !on {
				continue
			}
			if c.Ask == logic.OnMap {
				return fmt.Sprintf("%s is on %s, not on %s", w.noun(c.Subject), m.Name, w.named(world.SortMap, c.Thing))
			}
			return fmt.Sprintf("%s is on %s, within no area, not within %s", w.noun(c.Subject), m.Name, w.named(world.SortArea, c.Thing))
		}
		return ""
	}
	other, is := one(c.Object)
	if !is {
		return ""
	}
	who, whom := w.noun(c.Subject), w.noun(c.Object)
	cells, there := asked.Apart(id, other)
	switch {
	case !there && c.Ask == logic.Near:
		return fmt.Sprintf("%s is not where %s is, not within %s", who, whom, counted(c.Number, "cell"))
	case !there:
		return fmt.Sprintf("%s is not where %s is", who, whom)
	case c.Ask == logic.Near:
		return fmt.Sprintf("%s is %s from %s, not within %d", who, counted(cells, "cell"), whom, c.Number)
	case c.Ask == logic.Sees:
		return fmt.Sprintf("%s does not see %s, %s away", who, whom, counted(cells, "cell"))
	case c.Ask == logic.Faces:
		return fmt.Sprintf("%s does not face %s, %s away", who, whom, counted(cells, "cell"))
	}
	return ""
}

// number is a number that a value comes to, in the unit of what that is.
func (w words) number(v *logic.Value, n int) string {
	if v.Is == logic.PropertyOf {
		return w.propertySays(v.Property, n)
	}
	return fmt.Sprint(n)
}

// is is what something is of which a term asks, and what it asks that it is; one is false where it asks so of several, or of nothing that there is.
func (w words) is(c *logic.Condition, asked logic.World) (says, wanted string, one bool) {
	var n int
	names := kind.Powers
	switch c.Ask {
	case logic.ForcesAre:
		n, one = asked.Forces(c.Thing)
	case logic.LayerIs:
		names = kind.Presences
		n, one = asked.Layer(c.Thing)
	case logic.IsPresent, logic.IsPowered, logic.InState:
		ids, there := asked.Pieces(c.Subject)
		if !there || len(ids) != 1 || c.Subject.Several() {
			return "", "", false
		}
		switch c.Ask {
		case logic.IsPresent:
			names = kind.Presences
			n, one = asked.Presence(ids[0])
		case logic.IsPowered:
			n, one = asked.Power(ids[0])
		default:
			n, one = asked.State(ids[0])
		}
	}
	if !one {
		return "", "", false
	}
	name := func(n int) string {
		if c.Ask == logic.InState {
			return kind.StateOf(n).Name
		}
		return names[n]
	}
	now := *c
	now.Is = n
	return w.Term(&now), name(c.Is), true
}

// RuleWords are words for a rule of a document.
func RuleWords(d *world.Document, r *logic.Rule) words { return wordsOf(d, r) }
