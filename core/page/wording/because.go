package wording

import (
	"fmt"
	"strings"

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

// RuleWords are words for a rule of a document.
func RuleWords(d *world.Document, r *logic.Rule) words { return wordsOf(d, r) }
