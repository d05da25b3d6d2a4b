package page

import (
	"fmt"
	"strings"

	"azzel/core/hand"
	"azzel/core/kind"
	"azzel/core/logic"
	"azzel/core/world"
)

// words say what conditions ask of a document.
type words struct{ d *world.Document }

// gone is what something is called that is not there any more.
const gone = "something that is gone"

// askedWords are what a condition asks of the one thing for which it asks, as yes or at least 3, else all of it.
func askedWords(d *world.Document, c logic.Condition) string {
	if c.Ask != logic.Compares || c.Right.Is != logic.Literal || c.Left.Is != logic.FactValue && c.Left.Is != logic.ItemCount {
		return words{d}.condition(&c)
	}
	return words{d}.wanted(&c)
}

// wanted is what a comparison asks of what stands on its left.
func (w words) wanted(c *logic.Condition) string {
	f := w.d.Fact(c.Left.Thing)
	if c.Left.Is != logic.FactValue || f == nil || f.Counts || c.Right.Is != logic.Literal {
		return comparisonNames[c.By] + w.value(&c.Right)
	}
	if c.By.Holds(1, f.Bound(c.Right.Number)) {
		return f.Says(1)
	}
	return f.Says(0)
}

var comparisonNames = [...]string{logic.AtLeast: "at least ", logic.Under: "under ", logic.AtMost: "at most ", logic.Over: "over ", logic.Equals: "exactly ", logic.Differs: "not "}

// condition is all that a condition asks for.
func (w words) condition(c *logic.Condition) string {
	if !c.Groups() {
		return w.term(c)
	}
	var terms []string
	for i := range c.Terms {
		t := &c.Terms[i]
		if t.Empty() {
			continue
		}
		text := w.condition(t)
		if t.Groups() && len(t.Terms) > 1 && t.Ask != logic.None {
			text = "(" + text + ")"
		}
		terms = append(terms, text)
	}
	switch {
	case len(terms) == 0:
		return "nothing"
	case c.Ask == logic.None:
		return "none of: " + strings.Join(terms, "; ")
	case c.Ask == logic.Any:
		return strings.Join(terms, " or ")
	}
	return strings.Join(terms, " and ")
}

func (w words) term(c *logic.Condition) string {
	switch c.Ask {
	case logic.Compares:
		return fmt.Sprintf("%s is %s", w.value(&c.Left), w.wanted(c))
	case logic.IsPresent:
		return w.noun(c.Subject) + " is " + kind.Presences[c.Is]
	case logic.IsPowered:
		return w.noun(c.Subject) + " is " + kind.Powers[c.Is]
	case logic.InState:
		return w.noun(c.Subject) + " is " + kind.StateOf(c.Is).Name
	}
	return "what only something that happens can ask"
}

func (w words) value(v *logic.Value) string {
	switch v.Is {
	case logic.Literal:
		return fmt.Sprint(v.Number)
	case logic.FactValue:
		return w.named(world.SortFact, v.Thing)
	case logic.ItemCount:
		return "the number of " + w.named(world.SortItem, v.Thing)
	case logic.PropertyOf:
		return fmt.Sprintf("%q of %s", kind.PropOf(v.Property).Label, w.noun(v.Of))
	case logic.CountOf:
		return "the number of " + strings.TrimPrefix(strings.TrimPrefix(w.noun(v.Of), "any "), "all ")
	case logic.Sum:
		return w.value(v.Left) + " + " + w.value(v.Right)
	}
	return w.value(v.Left) + " − " + w.value(v.Right)
}

func (w words) noun(n logic.Noun) string {
	switch n.Is {
	case logic.This:
		return "this piece"
	case logic.Player:
		return "the player"
	case logic.Piece:
		if _, p := w.d.Piece(n.Thing); p != nil {
			return hand.PieceName(w.d, p)
		}
		return gone
	case logic.AllOfType:
		return "all of the type " + kind.NameOf(n.Type)
	case logic.AnyOfType:
		return "any of the type " + kind.NameOf(n.Type)
	case logic.AllInArea:
		return "all in " + w.named(world.SortArea, n.Thing)
	}
	return "any in " + w.named(world.SortArea, n.Thing)
}

func (w words) named(sort world.Sort, id world.ID) string {
	if name := hand.Name(w.d, world.Ref{Sort: sort, ID: id}); name != "" {
		return name
	}
	return gone
}

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
	w := words{r.d}
	if c.Ask != logic.Compares {
		if holds {
			return w.term(c)
		}
		return "not so that " + w.term(c)
	}
	is, _ := c.Left.Ask(r.g.Asked(r.piece.ID))
	var now string
	switch i, f := r.d.Item(c.Left.Thing), r.d.Fact(c.Left.Thing); {
	case c.Left.Is == logic.ItemCount && i != nil:
		now = fmt.Sprintf("you have %d × %s", is, i.Name)
	case c.Left.Is == logic.FactValue && f != nil:
		now = f.Name + " is " + f.Says(is)
	default:
		now = fmt.Sprintf("%s is %d", w.value(&c.Left), is)
	}
	if other, _ := c.Right.Ask(r.g.Asked(r.piece.ID)); c.Right.Is != logic.Literal {
		now += fmt.Sprintf(", %s is %d", w.value(&c.Right), other)
	}
	if holds {
		return now
	}
	return now + ", not " + w.wanted(c)
}
