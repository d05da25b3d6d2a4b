// Package findings looks for what is wrong in a project: rules that never go, conditions that can't hold, facts that nobody asks for, texts that do
// not fit. It never says of anything that goes that it does not; what it does not see it does not say.
package findings

import (
	"slices"

	"azzel/core/kind"
	"azzel/core/world"
)

// A Fault is what is wrong. The zero value is none.
type Fault int

// What there is to find.
const (
	// Homeless is a rule that belongs to what is gone.
	Homeless Fault = iota + 1
	// NeverBegins is a rule that begins by nothing, and for which no other one asks.
	NeverBegins
	// DoesNothing is a rule in which nothing is done.
	DoesNothing
	// NeverComes is a moment that can't come.
	NeverComes
	// NeverHolds is a condition that can't hold.
	NeverHolds
	// Unchosen is where something is still to be chosen, Gone what names a thing that is gone.
	Unchosen
	Gone
	// NoThis is a rule that speaks of this, and belongs to no piece or type.
	NoThis
	// Stray is an action whose place in its rule is gone.
	Stray
	// NeverDone is an action after one that ends the rule.
	NeverDone
	// NoAnswer is a question to which there is no answer, NoDifference one whose answers all do nothing.
	NoAnswer
	NoDifference
	// NoCase is a choice by chance of which nothing is likely.
	NoCase
	// CannotBe is a state or power that the piece never has.
	CannotBe
	// WaitsBeneath is a presence set of a piece that is there only while something holds, which wins.
	WaitsBeneath
	// HeldForGood is where the player may not move any more and nothing lets them.
	HeldForGood
	// InCircles is where the player is taken elsewhere again and again without a wait.
	InCircles
	// Endless is a rule that sets off another one which sets it off, without end.
	Endless
	// AsksOff is where a rule asks for one that is switched off.
	AsksOff
	// TooLong is a text that does not fit its box, TooLongAnswer an answer that does not fit its line.
	TooLong
	TooLongAnswer
	// NoLetter is a text with letters that the game does not have.
	NoLetter
	// NeverAsked is a fact that is set and never asked, NeverSet one that is asked and never set.
	NeverAsked
	NeverSet
	// NeverGiven is an item that is asked for and that nothing gives.
	NeverGiven
	// Forgotten is a rule that goes once ever, and of which nothing stays when the player returns.
	Forgotten
	// OffMap is a start at a place that is not on its map.
	OffMap
	// NoWay is where somebody is sent who can't walk, or can't get there.
	NoWay
	// LeftDark is where the screen goes dark and nothing lets it be seen again.
	LeftDark
	// InWall is a start at a place where there is no room for the player.
	InWall
	// NeverWorked is what opens only when it is worked, and that nothing works.
	NeverWorked
	// TooMany is a piece of a type of the designer's own of which there are more than there may be, NoneThere a type of which there is to be one and is none.
	TooMany
	NoneThere
	// NoPicture is a piece or type that has pictures of its own, and none for one of its states; StockPicture a piece that is seen as it comes where others are not.
	NoPicture
	StockPicture
	faultEnd
)

// Words are the names of faults in tests and logs, by their number.
var Words = [faultEnd]string{
	Homeless: "homeless", NeverBegins: "never-begins", DoesNothing: "does-nothing", NeverComes: "never-comes", NeverHolds: "never-holds", Unchosen: "unchosen", Gone: "gone",
	NoThis: "no-this", Stray: "stray", NeverDone: "never-done", NoAnswer: "no-answer", NoDifference: "no-difference", NoCase: "no-case", CannotBe: "cannot-be",
	WaitsBeneath: "waits-beneath", HeldForGood: "held-for-good", InCircles: "in-circles", Endless: "endless", AsksOff: "asks-off", TooLong: "too-long", TooLongAnswer: "too-long-answer",
	NoLetter: "no-letter", NeverAsked: "never-asked", NeverSet: "never-set", NeverGiven: "never-given", Forgotten: "forgotten", OffMap: "off-map", NoWay: "no-way", LeftDark: "left-dark", InWall: "in-wall", NeverWorked: "never-worked", TooMany: "too-many", NoneThere: "none-there", NoPicture: "no-picture", StockPicture: "stock-picture",
}

// Faults are all that there are, in their order.
func Faults() (list []Fault) {
	for f := Homeless; f < faultEnd; f++ {
		list = append(list, f)
	}
	return list
}

// A Finding is something that is wrong, and where. Two that say the same are equal.
type Finding struct {
	Fault Fault
	// Of is the rule, piece, fact, item, type or start with which something is wrong, Part the part of the rule, Property what is set of the piece or type.
	Of       world.Ref
	Part     world.ID
	Property kind.Field
	// Sort and Thing are what it is about besides: what is gone, the rule that is set off.
	Sort  kind.Thing
	Thing world.ID
	// Letters are those that are lacking.
	Letters string
}

// A Finder finds what is wrong in one version of a project after the other, and looks anew only at what an edit touched. The zero value is ready. It
// must be used by one goroutine.
type Finder struct {
	last   *world.Document
	rules  map[world.ID]*look
	pieces map[world.ID]*look
	// placed are the pieces by their ids, on the maps on which they are.
	placed map[world.ID]*world.Piece
	on     map[world.ID]world.ID
	list   []Finding
	// roomy are where named starts had room, as it was looked at.
	roomy map[spot]bool
	// rooms are those of maps on which somebody is sent somewhere.
	rooms map[ground]rooms
	// Looked counts the rules and pieces that were looked at, for tests and figures.
	Looked int
}

// Find is what is wrong in a document: of rules in their order, of pieces map by map, then of facts and items, of ways that walls close, then of starts. The list must not be changed.
func (f *Finder) Find(d *world.Document) []Finding {
	if f.last == d {
		return f.list
	}
	g := f.glance(d)
	rules := make([]*look, len(d.Rules))
	for i, r := range d.Rules {
		is := f.rules[r.ID]
		if is == nil || is.rule != r || !g.holds(is) {
			is = g.atRule(r)
			f.rules[r.ID] = is
			f.Looked++
		}
		rules[i] = is
	}
	var pieces []*look
	for _, m := range d.Maps {
		for _, p := range m.Pieces {
			if p.Props == "" {
				continue
			}
			is := f.pieces[p.ID]
			if is == nil || is.thing != p || !g.holds(is) {
				is = g.atPiece(world.Ref{Sort: world.SortPiece, Map: m.ID, ID: p.ID}, p)
				f.pieces[p.ID] = is
				f.Looked++
			}
			pieces = append(pieces, is)
		}
	}
	f.sweep(d)
	f.forgetGrounds(d)
	f.last, f.list = d, append(append(together(d, rules, pieces), f.walled(d, rules)...), g.atStarts(f.hasRoom)...)
	return f.list
}

// glance begins to look at a document: what was found before still holds as far as nothing differs of what it depends on.
func (f *Finder) glance(d *world.Document) *glance {
	if f.rules == nil {
		f.rules, f.pieces = map[world.ID]*look{}, map[world.ID]*look{}
	}
	g := &glance{d: d, same: f.last != nil && alike(f.last, d)}
	if f.placed == nil || f.last == nil || !samePieces(f.last, d) {
		f.placed, f.on = map[world.ID]*world.Piece{}, map[world.ID]world.ID{}
		for _, m := range d.Maps {
			for _, p := range m.Pieces {
				f.placed[p.ID], f.on[p.ID] = p, m.ID
			}
		}
	}
	g.placed, g.on = f.placed, f.on
	return g
}

// sweep forgets what is not there any more, once that is much.
func (f *Finder) sweep(d *world.Document) {
	if len(f.rules) > 2*len(d.Rules)+100 {
		for id := range f.rules {
			if d.Rule(id) == nil {
				delete(f.rules, id)
			}
		}
	}
	if len(f.pieces) > 2*len(f.placed)+100 {
		for id := range f.pieces {
			if f.placed[id] == nil {
				delete(f.pieces, id)
			}
		}
	}
}

// Find is what is wrong in a document, looked at from scratch.
func Find(d *world.Document) []Finding { return new(Finder).Find(d) }

// alike reports whether two documents have the same of all on which what is found of a rule or piece can depend, but for rules.
func alike(a, b *world.Document) bool {
	return viewed(a) == viewed(b) && slices.Equal(a.Facts, b.Facts) && slices.Equal(a.Items, b.Items) && slices.Equal(a.Areas, b.Areas) && slices.Equal(a.Crossings, b.Crossings) &&
		slices.Equal(a.Tracks, b.Tracks) && slices.Equal(a.Tilesets, b.Tilesets) && slices.Equal(a.Characters, b.Characters) && slices.EqualFunc(a.Maps, b.Maps, alikeMaps) && samePieces(a, b)
}

// alikeMaps is the same of two maps, but for their pieces.
func alikeMaps(a, b *world.Map) bool {
	return a == b || a.ID == b.ID && a.Anew == b.Anew && a.View == b.View && slices.EqualFunc(a.Layers, b.Layers, func(a, b *world.Layer) bool { return a.ID == b.ID })
}

// samePieces reports whether two documents have the same pieces.
func samePieces(a, b *world.Document) bool {
	return slices.EqualFunc(a.Maps, b.Maps, func(a, b *world.Map) bool {
		return a == b || len(a.Pieces) == len(b.Pieces) && (len(a.Pieces) == 0 || &a.Pieces[0] == &b.Pieces[0] || slices.Equal(a.Pieces, b.Pieces))
	})
}
