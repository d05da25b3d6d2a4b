// Package wording is what conditions and events say in words for people.
package wording

import (
	"fmt"
	"strings"

	"azzel/core/hand"
	"azzel/core/kind"
	"azzel/core/logic"
	"azzel/core/world"
)

// Words for what a condition asks that the interface says too.
const (
	ThisPiece     = "this piece"
	OnlyInAMoment = "what only something that happens can ask"
)

// words say what conditions ask of a document.
type words struct {
	d *world.Document
	// this is what the piece is called that asks; empty where that is not known.
	this string
	// kind is what the piece is that asks; nil where that is not known.
	kind *kind.Kind
}

// NewWords are words for what belongs to a document.
func NewWords(d *world.Document) words { return words{d: d} }

// gone is what something is called that is not there any more.
const gone = "something that is gone"

// AskedWords are what a condition asks of the one thing for which it asks, as yes or at least 3, else all of it.
func AskedWords(d *world.Document, c logic.Condition) string {
	if c.Ask != logic.Compares || c.Right.Is != logic.Literal || c.Left.Is != logic.FactValue && c.Left.Is != logic.ItemCount {
		return words{d: d}.Condition(&c)
	}
	return words{d: d}.Wanted(&c)
}

// Wanted is what a comparison asks of what stands on its left.
func (w words) Wanted(c *logic.Condition) string {
	if c.Left.Is == logic.PropertyOf && c.Right.Is == logic.Literal {
		return ComparisonNames[c.By] + w.propertySays(c.Left.Property, c.Right.Number)
	}
	f := w.d.Fact(c.Left.Thing)
	if c.Left.Is == logic.FactValue && f != nil && (len(f.Words) > 0 || f.Text) && c.Right.Is == logic.Literal {
		if says := FactSays(f, c.Right.Number); c.By != logic.Equals {
			return ComparisonNames[c.By] + says
		} else {
			return says
		}
	}
	if c.Left.Is != logic.FactValue || f == nil || f.Counts || c.Right.Is != logic.Literal {
		return ComparisonNames[c.By] + w.Value(&c.Right)
	}
	if c.By.Holds(1, f.Bound(c.Right.Number)) {
		return f.Says(1)
	}
	return f.Says(0)
}

// FactSays is a value of a fact in words, a short text in quotes.
func FactSays(f *world.Fact, value int) string {
	if !f.Text {
		return f.Says(value)
	}
	if says := f.Says(value); says != "" {
		return quoted(says)
	}
	return "empty"
}

// ComparisonNames are what comparisons are called before what is compared with.
var ComparisonNames = [...]string{logic.AtLeast: "at least ", logic.Under: "under ", logic.AtMost: "at most ", logic.Over: "over ", logic.Equals: "exactly ", logic.Differs: "not "}

// Condition is all that a condition asks for.
func (w words) Condition(c *logic.Condition) string {
	if !c.Groups() {
		return w.Term(c)
	}
	var terms []string
	for i := range c.Terms {
		t := &c.Terms[i]
		if t.Empty() {
			continue
		}
		text := w.Condition(t)
		if t.Ask == logic.Lasts || t.Groups() && len(t.Terms) > 1 && t.Ask != logic.None && t.Ask != logic.SoMany {
			text = "(" + text + ")"
		}
		terms = append(terms, text)
	}
	switch {
	case len(terms) == 0:
		return "nothing"
	case c.Ask == logic.None:
		return "none of: " + strings.Join(terms, "; ")
	case c.Ask == logic.SoMany:
		return fmt.Sprintf("at least %d of: %s", c.Number, strings.Join(terms, "; "))
	case c.Ask == logic.Any:
		return strings.Join(terms, " or ")
	case c.Ask == logic.Lasts:
		return fmt.Sprintf("%s, for %s already", strings.Join(terms, " and "), Seconds(c.Number))
	}
	return strings.Join(terms, " and ")
}

// Term is a condition that is no group, in words.
func (w words) Term(c *logic.Condition) string {
	switch c.Ask {
	case logic.Compares:
		return fmt.Sprintf("%s is %s", w.Value(&c.Left), w.Wanted(c))
	case logic.IsPresent:
		return w.noun(c.Subject) + " is " + kind.Presences[c.Is]
	case logic.IsPowered:
		return w.noun(c.Subject) + " is " + kind.Powers[c.Is]
	case logic.InState:
		return w.noun(c.Subject) + " is " + kind.StateOf(c.Is).Name
	case logic.ForcesAre:
		return "the forces of " + w.named(world.SortArea, c.Thing) + " are " + kind.Powers[c.Is]
	case logic.LayerIs:
		name := gone
		if _, l := w.d.LayerOn(c.Thing); l != nil {
			name = l.Name
		}
		return "the layer " + name + " is " + kind.Presences[c.Is]
	case logic.Within:
		return w.noun(c.Subject) + " is within " + w.named(world.SortArea, c.Thing)
	case logic.OnMap:
		return w.noun(c.Subject) + " is on " + w.named(world.SortMap, c.Thing)
	case logic.Near:
		return fmt.Sprintf("%s is within %s of %s", w.noun(c.Subject), counted(c.Number, "cell"), w.noun(c.Object))
	case logic.Faces:
		return w.noun(c.Subject) + " faces " + w.noun(c.Object)
	case logic.Sees:
		return w.noun(c.Subject) + " sees " + w.noun(c.Object)
	case logic.OneIn:
		return fmt.Sprintf("once in %s, by chance", counted(c.Number, "time"))
	}
	return OnlyInAMoment
}

func counted(n int, what string) string {
	if n == 1 {
		return "1 " + what
	}
	return fmt.Sprintf("%d %ss", n, what)
}

// Value is a value in words.
func (w words) Value(v *logic.Value) string {
	switch v.Is {
	case logic.Literal:
		return fmt.Sprint(v.Number)
	case logic.FactValue:
		return w.named(world.SortFact, v.Thing)
	case logic.ItemCount:
		return "the number of " + w.named(world.SortItem, v.Thing)
	case logic.PropertyOf:
		return w.property(v.Of, v.Property) + " of " + w.noun(v.Of)
	case logic.CountOf:
		return "the number of " + strings.TrimPrefix(strings.TrimPrefix(w.noun(v.Of), "any "), "all ")
	case logic.Went:
		return "how often this rule went"
	case logic.Since:
		return "the ticks since this rule went last"
	case logic.Sum:
		return w.Value(v.Left) + " + " + w.Value(v.Right)
	}
	return w.Value(v.Left) + " − " + w.Value(v.Right)
}

// property is a property of what a noun names, in quotes, as the slip of such a piece calls it.
func (w words) property(n logic.Noun, f kind.Field) string {
	p := w.d.Prop(f)
	if p == nil {
		return gone
	}
	says := p.Label
	k := w.d.Kind(n.Type)
	switch n.Is {
	case logic.Piece:
		if _, is := w.d.Piece(n.Thing); is != nil {
			k = is.Kind()
		}
	case logic.This:
		k = w.kind
	}
	if h, has := k.Has(p); has {
		says = h.Says()
	}
	return "“" + says + "”"
}

// kindName is what a type is called in a sentence.
func (w words) kindName(of world.ID) string {
	if name := w.d.KindName(of); name != "" {
		return name
	}
	return gone
}

// propertySays is a number of a property as people read it.
func (w words) propertySays(f kind.Field, n int) string {
	if p := w.d.Prop(f); p != nil {
		return p.Says(n)
	}
	return fmt.Sprint(n)
}

func (w words) noun(n logic.Noun) string {
	switch n.Is {
	case logic.This:
		if w.this != "" {
			return w.this
		}
		return ThisPiece
	case logic.Player:
		return "the player"
	case logic.Piece:
		if _, p := w.d.Piece(n.Thing); p != nil {
			return hand.PieceName(w.d, p)
		}
		return gone
	case logic.AllOfType:
		return "all of the type " + w.kindName(n.Type)
	case logic.AnyOfType:
		return "any of the type " + w.kindName(n.Type)
	case logic.AllInArea:
		return "all in " + w.named(world.SortArea, n.Thing)
	case logic.It:
		return "it"
	case logic.Whoever:
		return "whoever did it"
	case logic.NearestOfType:
		return "the nearest " + w.kindName(n.Type)
	case logic.NearestInArea:
		return "the nearest in " + w.named(world.SortArea, n.Thing)
	}
	return "any in " + w.named(world.SortArea, n.Thing)
}

func (w words) named(sort world.Sort, id world.ID) string {
	if name := hand.Name(w.d, world.Ref{Sort: sort, ID: id}); name != "" {
		return name
	}
	return gone
}

// Some lists the first few of some names.
func Some(names []string) string {
	const few = 4
	if len(names) > few {
		return fmt.Sprintf("%s and %d more", strings.Join(names[:few], ", "), len(names)-few)
	}
	return strings.Join(names, ", ")
}
