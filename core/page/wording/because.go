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
		now = fmt.Sprintf("%s is %d", w.Value(&c.Left), is)
	}
	if other, _ := c.Right.Ask(asked); c.Right.Is != logic.Literal {
		now += fmt.Sprintf(", %s is %d", w.Value(&c.Right), other)
	}
	if holds {
		return now
	}
	return now + ", not " + w.Wanted(c)
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
