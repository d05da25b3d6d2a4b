package logic

import (
	"slices"

	"azzel/core/kind"
	"azzel/core/limit"
)

// A Listed is a rule with the ids by which it is known and sorted.
type Listed struct {
	ID     kind.ID
	Number int
	// On is the map to which it belongs, 0 for none.
	On kind.ID
	*Rule
	// index is where it stands in its book.
	index int
	// lasting are the conditions of it that last.
	lasting []*Condition
}

// A Book is rules, found by what they begin with. It is made of those of a document, and does not change.
type Book struct {
	rules []Listed
	byID  map[kind.ID]int
	heard map[listening][]heard
	// listened are the moments to which any rule listens.
	listened map[int]bool
	// awaits says that an action waits until a moment comes.
	awaits bool
	so     []int
	// areas are those into which something may come, or out of which it may go, to which rules listen; sorted.
	areas []kind.ID
}

// A listening finds those that listen to a moment of something; of 0 where it is of nothing or the player.
type listening struct {
	moment int
	of     kind.ID
}

type heard struct {
	rule int
	part *Part
}

// NewBook makes a book of rules that are on, in the order of their numbers.
func NewBook(rules []Listed) *Book {
	b := &Book{rules: rules, byID: make(map[kind.ID]int, len(rules)), heard: map[listening][]heard{}, listened: map[int]bool{}}
	hears := func(m *Moment) {
		if m.Is == ComesInto.Number || m.Is == GoesOutOf.Number {
			b.areas = append(b.areas, m.Thing)
		}
	}
	for i, r := range rules {
		b.byID[r.ID], rules[i].index = i, i
		for i := range r.Parts {
			if p := &r.Parts[i]; p.Does == Until && !p.Off {
				b.listened[p.Begins.Is], b.awaits = true, true
				hears(&p.Begins)
			}
		}
		if r.Begins == While {
			b.so = append(b.so, i)
			rules[i].lasting = lastsOf(r.Rule)
			continue
		}
		for _, p := range r.Moments() {
			m := &p.Begins
			if p.Off {
				continue
			}
			k := listening{m.Is, m.of(Bound{This: r.Home})}
			b.heard[k] = append(b.heard[k], heard{i, p})
			b.listened[m.Is] = true
			hears(m)
		}
	}
	slices.Sort(b.areas)
	return b
}

// Empty reports whether there is no rule.
func (b *Book) Empty() bool { return b == nil || len(b.rules) == 0 }

// Listens reports whether any rule listens to a moment.
func (b *Book) Listens(moment int) bool { return b != nil && b.listened[moment] }

// Areas are those into which something may come, or out of which it may go, to which rules listen; sorted.
func (b *Book) Areas() []kind.ID {
	if b == nil {
		return nil
	}
	return b.areas
}

// Settles reports whether any rule is so while something holds.
func (b *Book) Settles() bool { return b != nil && len(b.so) > 0 }

// rule finds a rule; nil if there is none that is on.
func (b *Book) rule(id kind.ID) *Listed {
	i, there := b.byID[id]
	if !there {
		return nil
	}
	return &b.rules[i]
}

// of is what a moment is of, as its nouns are bound: a piece, a type of piece, or what else it names; 0 for nothing.
func (m *Moment) of(bound Bound) kind.ID {
	switch {
	case !m.Befalls():
		return m.Thing
	case m.Of.Is == Piece:
		return m.Of.Thing
	case m.Of.Is == AnyOfType || m.Of.Is == AllOfType:
		return m.Of.Type
	case m.Of.Is == This:
		return bound.This
	case m.Of.Is == It:
		return bound.It
	}
	return 0
}

// hears reports whether a moment that came is this one, of what it is of.
func (m *Moment) hears(h Happened) bool {
	switch m.Is {
	case FactReached.Number:
		return h.To == m.Number
	case ComesInto.Number, GoesOutOf.Number:
		return kind.ID(h.To) == m.Thing
	case AreaStayed.Number:
		return h.To == m.Number
	case TimePassed.Number, StepsPassed.Number:
		return h.To%m.Number == 0
	}
	return true
}

// thisOf is the piece to which a rule belongs as something happens: it, for a rule of a type or a character. 0 is the player, or none.
func (r *Listed) thisOf(h Happened, belongs Belonging) kind.ID {
	switch {
	case r.HomeSort == kind.Piece:
		return r.Home
	case r.HomeSort == kind.Type && belongs.is(r.Home), r.HomeSort == kind.Character && r.Home == belongs.Who:
		return h.Thing
	}
	return 0
}

// rank is where a rule stands among those that answer to the same moment: those of the thing to which it happened, its
// character, its type of the designer's own and its kind, of other pieces, of crossings, of areas, of the map, of the project.
func (r *Listed) rank(h Happened) int {
	switch r.HomeSort {
	case kind.Piece:
		if r.Home == h.Thing {
			return 0
		}
		return 4
	case kind.Character:
		return 1
	case kind.Type:
		if r.Home >= kind.FirstOwn {
			return 2
		}
		return 3
	case kind.Crossing:
		return 5
	case kind.Area:
		return 6
	case kind.Map:
		return 7
	}
	return 8
}

// Raise lets a moment be answered once those are that wait, if a rule of a book listens to it. Where too many wait the game stands still, by the rule
// of the lowest id among those that listen to it.
func (s *Runs) Raise(b *Book, h Happened) {
	asked := h.Moment == AskedFor.Number
	switch {
	case !asked && !b.Listens(h.Moment):
	case len(s.Queue) < limit.Runs:
		s.Queue = append(s.Queue, h)
	case asked:
		s.Jammed = h.Thing
	default:
		for k, list := range b.heard {
			for _, l := range list {
				if id := b.rules[l.rule].ID; k.moment == h.Moment && (s.Jammed == 0 || id < s.Jammed) {
					s.Jammed = id
				}
			}
		}
	}
}
