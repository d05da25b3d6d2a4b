package world

import (
	"errors"
	"fmt"

	"azzel/core/kind"
	"azzel/core/kinds/props"
	"azzel/core/limit"
	"azzel/core/logic"
	"azzel/core/pack"
	"azzel/core/talk"
	"azzel/core/words"
)

// An Item is something that the player can have.
type Item struct {
	ID     ID
	Name   string
	Number int
	// Most is how many one can have of it at once; 0 stands for UsualMost.
	Most int
}

// UsualMost is how many one can have of an item that says nothing.
const UsualMost = 99

// Room is how many one can have of the item.
func (i *Item) Room() int {
	if i.Most == 0 {
		return UsualMost
	}
	return i.Most
}

// Times is so many of the item in words: 2 × Fuse, or Fuse for one.
func (i *Item) Times(n int) string {
	if n == 1 {
		return i.Name
	}
	return fmt.Sprintf("%d × %s", n, i.Name)
}

// Gives reports whether pieces of a type give their item, or what comes out of them does.
func Gives(of ID) bool { return itemUse(of) == kind.Gives }

// Needs reports whether pieces of a type need their item.
func Needs(of ID) bool { return itemUse(of) == kind.Needs }

func itemUse(of ID) kind.ItemUse {
	if k := kind.Of(of); k != nil {
		return k.Item
	}
	return kind.NoItem
}

// A Stock is how many of an item somebody has.
type Stock struct {
	Item  ID
	Count int
}

// Item finds an item; nil if there is none.
func (d *Document) Item(id ID) *Item {
	return byID(d.Items, id, func(i *Item) ID { return i.ID })
}

// A Use is what is done with an item or a fact by what names it.
type Use int

// What is done with items: given, needed, begun with, and answered to by a rule as the player uses one. What is done with facts: set. Both are
// asked for by what is there only while one holds, and by what somebody says; and shown in what the player reads.
const (
	UseGives Use = iota
	UseNeeds
	UseBegins
	UseSets
	UseAsks
	UseAnswers
	UseShows
)

// A Naming is something that names an item or a fact: a piece of a map, a character who begins
// with so many of an item, or a rule.
type Naming struct {
	Map       *Map
	Piece     *Piece
	Character *Character
	Rule      *Rule
	Use       Use
	// Count is how many of an item are given, needed or begun with.
	Count int
}

// Namings lists by item and fact what names it. It looks at every piece once.
func (d *Document) Namings() map[ID][]Naming {
	named := map[ID][]Naming{}
	for _, m := range d.Maps {
		for _, p := range m.Pieces {
			by := func(id ID, use Use, of bool) {
				if id != 0 && of {
					named[id] = append(named[id], Naming{Map: m, Piece: p, Use: use, Count: p.Wanted()})
				}
			}
			if p.Props == "" {
				continue
			}
			by(p.Refers(props.Item), UseGives, Gives(p.Type))
			by(p.Refers(props.Sets), UseSets, true)
			asked := func(c logic.Condition, use Use) {
				seen := map[ID]bool{}
				c.Refers(func(sort kind.Thing, id ID) {
					by(id, use, !seen[id] && (sort == kind.Fact || sort == kind.Item))
					seen[id] = true
				})
			}
			asked(p.Needs(), UseNeeds)
			asked(p.While(), UseAsks)
			p.shows(func(id ID) { by(id, UseShows, true) })
		}
	}
	for _, c := range d.Characters {
		for _, s := range c.Begins {
			named[s.Item] = append(named[s.Item], Naming{Character: c, Use: UseBegins, Count: s.Count})
		}
	}
	for _, r := range d.Rules {
		r.namings(func(id ID, use Use) { named[id] = append(named[id], Naming{Rule: r, Use: use}) })
	}
	return named
}

// namings calls for each fact and item that a rule sets, gives or asks for, once for each use.
func (r *Rule) namings(each func(ID, Use)) {
	type use struct {
		id ID
		is Use
	}
	seen := map[use]bool{}
	add := func(id ID, is Use) {
		if u := (use{id, is}); id != 0 && !seen[u] {
			seen[u] = true
			each(id, is)
		}
	}
	asks := func(sort kind.Thing, id ID) {
		if sort == kind.Fact || sort == kind.Item {
			add(id, UseAsks)
		}
	}
	r.If.Refers(asks)
	for i := range r.Parts {
		p := &r.Parts[i]
		switch p.Does {
		case logic.SetFact:
			add(p.Thing, UseSets)
		case logic.Get:
			add(p.Thing, UseGives)
		case logic.Lose:
			add(p.Thing, UseNeeds)
		}
		if p.Awaits() && p.Begins.Is == logic.ItemUsed.Number {
			add(p.Begins.Thing, UseAnswers)
			continue
		}
		p.Text.Refers(func(_ kind.Thing, id ID) { add(id, UseShows) })
		p.Asks(asks)
	}
}

// shows calls for each fact and item that the words of a piece show, or that what it says asks for, once.
func (p *Piece) shows(each func(ID)) {
	seen := map[ID]bool{}
	one := func(sort kind.Thing, id ID) {
		if (sort == kind.Fact || sort == kind.Item) && !seen[id] {
			seen[id] = true
			each(id)
		}
	}
	if len(p.All().Get(props.Says.Field)) > 0 {
		words.Of(p.All(), props.Says).Refers(one)
	}
	if len(p.All().Get(props.Sayings.Field)) > 0 {
		talk.Of(p.All(), props.Sayings).Refers(one)
	}
}

// Values are the properties of an item.
func (i *Item) Values() []Value { return valuesOf(i, itemFields) }

// Properties of items, and of characters that name them.
const (
	FieldStack  Field = 2
	FieldBegins Field = 26
)

var itemFields = []field[*Item]{
	textField(FieldName, func(i *Item) *string { return &i.Name }),
	intsField(FieldNumber, func(i *Item) *int { return &i.Number }),
	intsField(FieldStack, func(i *Item) *int { return &i.Most }),
}

func stocksField[P any](n Field, at func(P) *[]Stock) field[P] {
	return field[P]{n, func(t P, w *pack.Writer) {
		w.Uint(uint64(len(*at(t))))
		for _, s := range *at(t) {
			w.Uint(uint64(s.Item))
			w.Int(s.Count)
		}
	}, func(t P, r *pack.Reader) {
		var list []Stock
		for range r.Count(limit.Items, 2) {
			list = append(list, Stock{ID(r.Uint()), r.Int()})
		}
		*at(t) = list
	}}
}

func (d *Document) checkItem(i *Item) error {
	if err := CheckName(i.Name, false); err != nil {
		return err
	}
	if i.Most < 0 || i.Most > limit.Stack {
		return fmt.Errorf("the player can have 1 to %d of an item, not %d", limit.Stack, i.Most)
	}
	if len(d.Items) > limit.Items {
		return fmt.Errorf("a project has at most %d items", limit.Items)
	}
	return nil
}

// checkStocks holds what somebody has against the limits. An item may be gone since.
func checkStocks(list []Stock) error {
	had := map[ID]bool{}
	for _, s := range list {
		if s.Count < 1 || s.Count > limit.Stack {
			return fmt.Errorf("the player can have 1 to %d of an item, not %d", limit.Stack, s.Count)
		}
		if s.Item == 0 || had[s.Item] {
			return errors.New("the same item is in it twice")
		}
		had[s.Item] = true
	}
	return nil
}
