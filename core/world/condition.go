package world

import (
	"azzel/core/kind"
	"azzel/core/kinds/props"
	"azzel/core/logic"
)

// While is what the piece is there only while it holds: the condition that it sets, or else the fact or item for which it
// asks as pieces did that were stored before there were conditions of several terms.
func (p *Piece) While() logic.Condition {
	if c := logic.Of(p.All(), props.While); !c.Empty() {
		return c
	}
	return p.SingleWhile().Condition()
}

// HasWhile reports whether a piece is there only while something holds.
func HasWhile(p *Piece) bool {
	return p.Props != "" && (len(p.All().Get(props.While.Field)) > 0 || p.Refers(props.WhileFact) != 0 || p.Refers(props.WhileItem) != 0)
}

// SetWhile lets the piece be there only while a condition holds.
func (p *Piece) SetWhile(c logic.Condition) {
	p.Props = p.Props.With(Single{}.Props()...).With(c.Set(props.While))
}

// Needs is what must hold so that the piece lets the player out: the condition that it sets, or else that the player has
// so many of its item, as exits said that were stored before there were conditions of several terms.
func (p *Piece) Needs() logic.Condition {
	c := logic.Of(p.All(), props.Needs)
	if item := p.Refers(props.Item); c.Empty() && item != 0 && Needs(p.Type) {
		return logic.Needs(logic.ItemCount, item, logic.AtLeast, p.Wanted())
	}
	return c
}

// SetNeeds lets the piece let the player out only if a condition holds.
func (p *Piece) SetNeeds(c logic.Condition) {
	p.Props = p.Props.With(props.Item.Unset(), props.Amount.Unset()).With(c.Set(props.Needs))
}

// A Single asks for one fact or for one item, in the form in which pieces did that were stored before there were
// conditions of several terms. It stays stored so until the condition is changed, so that steps of then can still be
// taken back.
type Single struct {
	Fact, Item ID
	// Least is how large a number is at least, or how many of the item one has; 0 stands for 1.
	Least int
	// Not says that it holds when that does not.
	Not bool
}

// SingleWhile is the fact or item for which the piece asks in that form.
func (p *Piece) SingleWhile() Single {
	return Single{p.Refers(props.WhileFact), p.Refers(props.WhileItem), p.Int(props.WhileLeast), p.Int(props.WhileNot) != 0}
}

// Condition is what it asks for.
func (s Single) Condition() logic.Condition {
	by := logic.AtLeast
	if s.Not {
		by = logic.Under
	}
	switch {
	case s.Fact != 0:
		return logic.Needs(logic.FactValue, s.Fact, by, max(1, s.Least))
	case s.Item != 0:
		return logic.Needs(logic.ItemCount, s.Item, by, max(1, s.Least))
	}
	return logic.Condition{}
}

// Props are the properties of a piece that asks so.
func (s Single) Props() []kind.Value {
	not := 0
	if s.Not {
		not = 1
	}
	return []kind.Value{props.WhileFact.Refer(s.Fact), props.WhileItem.Refer(s.Item), props.WhileLeast.Is(s.Least), props.WhileNot.Is(not)}
}
