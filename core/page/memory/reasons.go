package memory

import (
	"fmt"
	"strings"

	"azzel/core/logic"
	"azzel/core/page/wording"
)

// because is why a condition of the piece holds, or does not: the terms to which that is due, as they are by now.
func (r reasons) because(c *logic.Condition, holds bool) string {
	var list []string
	r.due(c, holds, &list)
	return strings.Join(list, "; ")
}

// due adds the terms of a condition to which it is due that it holds, or does not.
func (r reasons) due(c *logic.Condition, holds bool, list *[]string) {
	asked := r.g.Asked(r.piece.ID)
	if !c.Groups() {
		*list = append(*list, r.now(c, holds))
		return
	}
	want := logic.Failing
	if holds != (c.Ask == logic.None) {
		want = logic.Holding
	}
	for i := range c.Terms {
		if t := &c.Terms[i]; t.Answer(asked) == want {
			r.due(t, want == logic.Holding, list)
		}
	}
}

// now is what a term asks for as it is by now, with what was asked if that does not hold.
func (r reasons) now(c *logic.Condition, holds bool) string {
	w := wording.NewWords(r.d)
	if c.Ask != logic.Compares {
		if holds {
			return w.Term(c)
		}
		return "not so that " + w.Term(c)
	}
	is, _ := c.Left.Ask(r.g.Asked(r.piece.ID))
	var now string
	switch i, f := r.d.Item(c.Left.Thing), r.d.Fact(c.Left.Thing); {
	case c.Left.Is == logic.ItemCount && i != nil:
		now = fmt.Sprintf("you have %d × %s", is, i.Name)
	case c.Left.Is == logic.FactValue && f != nil:
		now = f.Name + " is " + f.Says(is)
	default:
		now = fmt.Sprintf("%s is %d", w.Value(&c.Left), is)
	}
	if other, _ := c.Right.Ask(r.g.Asked(r.piece.ID)); c.Right.Is != logic.Literal {
		now += fmt.Sprintf(", %s is %d", w.Value(&c.Right), other)
	}
	if holds {
		return now
	}
	return now + ", not " + w.Wanted(c)
}
