// Package wires is the room of wires, by which pieces work one another.
package wires

import (
	"fmt"
	"strings"

	"azzel/core/edit"
	"azzel/core/hand"
	"azzel/core/kind"
	"azzel/core/page"
	"azzel/core/page/measure"
	"azzel/core/page/wording"
	"azzel/core/world"
)

// WireView is a wire on the board: the middles of what it joins, in pixels of the board.
type WireView struct {
	ID   string `json:"id"`
	Name string `json:"name"`
	// From and To are the ids of what it joins.
	From string `json:"from"`
	To   string `json:"to"`
	// Line is where it begins and ends: x and y of both.
	Line []int `json:"line"`
}

// Views are the wires of which both ends are there. The cost grows with pieces and wires, and is nothing without wires.
func Views(d *world.Document) []WireView {
	list := []WireView{}
	if len(d.Wires) == 0 {
		return list
	}
	ends := map[world.ID]*lineEnd{}
	for _, w := range d.Wires {
		ends[w.From], ends[w.To] = nil, nil
	}
	l := d.Project.Lattice()
	for _, m := range d.Maps {
		origin := l.Pixel(m.Origin)
		for _, p := range m.Pieces {
			if _, is := ends[p.ID]; is {
				at := p.Foot.Add(origin)
				ends[p.ID] = &lineEnd{at.X, at.Y - l.H/2, hand.PieceName(d, p)}
			}
		}
	}
	for _, w := range d.Wires {
		if ends[w.To] == nil {
			if e, there := hand.EndOf(d, w.To); there {
				at := e.At(d)
				ends[w.To] = &lineEnd{at.X, at.Y - l.H/2, e.Name}
			}
		}
		from, to := ends[w.From], ends[w.To]
		if from == nil || to == nil {
			continue
		}
		name := w.Name
		if name == "" {
			name = from.name + " – " + to.name
		}
		list = append(list, WireView{page.FormatID(w.ID), name, page.FormatID(w.From), page.FormatID(w.To), []int{from.x, from.y, to.x, to.y}})
	}
	return list
}

// A lineEnd is where a wire begins or ends on the board, and what lies there.
type lineEnd struct {
	x, y int
	name string
}

// WireLook is all that can be set of a wire beside its name and ends.
type WireLook struct {
	Works int `json:"works"`
	Does  int `json:"does"`
	// After is in seconds.
	After float64 `json:"after"`
	// Of is how many of the wires that work the same must be on: 0 for any, -1 for all, or so many.
	Of int `json:"of"`
}

// WireSlip is what the slip of a wire shows.
type WireSlip struct {
	WireLook
	From EndView `json:"from"`
	To   EndView `json:"to"`
	// Choices are what of a piece at its end it can work, with what that is called there.
	Choices []ChoiceView `json:"choices"`
	// Together is how many wires count together with it, itself among them; Counts are how many of them can be asked to be on,
	// none where it counts alone.
	Together int          `json:"together"`
	Counts   []ChoiceView `json:"counts"`
}

// EndView is what lies at an end of a wire, and what that is when it is on.
type EndView struct {
	Thing page.Thing `json:"thing"`
	Name  string     `json:"name"`
	On    string     `json:"on"`
}

// ChoiceView is one of the things that can be chosen, by its number.
type ChoiceView struct {
	Value int    `json:"value"`
	Name  string `json:"name"`
}

func lookOf(w *world.Wire) WireLook {
	return WireLook{w.Works, w.Does, measure.WireAfter.Shown(w.After), w.Of}
}

// ViewWire is what the slip of a wire shows; nil where one of its ends is gone.
func ViewWire(d *world.Document, w *world.Wire) *WireSlip {
	from, begins := hand.EndOf(d, w.From)
	to, ends := hand.EndOf(d, w.To)
	if !begins || !ends || from.Piece == nil {
		return nil
	}
	v := &WireSlip{WireLook: lookOf(w), Choices: []ChoiceView{}, Counts: []ChoiceView{},
		From: EndView{thing(from.Ref), from.Name, wording.OnWord(from.Piece.Kind(), world.WorksState, true)}, To: EndView{thing(to.Ref), to.Name, wording.EndOn(to, w.Works)}}
	if to.Area != nil {
		v.To.Name = "the forces of " + to.Name
	}
	if p := to.Piece; p != nil {
		for _, works := range hand.Worked(p) {
			name := kind.Powers[kind.On] + " or " + kind.Powers[kind.Off]
			if first, second := p.Kind().Pair(); works == world.WorksState {
				name = first.Name + " or " + second.Name
			}
			v.Choices = append(v.Choices, ChoiceView{works, name})
		}
	}
	if v.Together = len(d.Together(w)); w.Does == world.WhileHeld && v.Together > 1 {
		v.Counts = append(v.Counts, ChoiceView{world.AnyOf, "any"}, ChoiceView{world.AllOf, "all"})
		// What is set is offered too, also where fewer wires are left than that.
		for n := range max(mostCounts, w.Of) {
			if n++; n == w.Of || n > 1 && n < min(v.Together, mostCounts+1) {
				v.Counts = append(v.Counts, ChoiceView{n, fmt.Sprint(n)})
			}
		}
	}
	return v
}

// mostCounts is up to which number of wires one is offered.
const mostCounts = 12

func thing(r world.Ref) page.Thing {
	return page.Thing{Kind: page.KindNames[r.Sort], Map: page.ID(r.Map), ID: page.ID(r.ID)}
}

// JoinView is a wire in the slip of one of its ends.
type JoinView struct {
	ID string `json:"id"`
	// Begins says that it begins there; Name is what lies at its other end, Does what it does in a few words.
	Begins bool   `json:"begins"`
	Name   string `json:"name"`
	Does   string `json:"does"`
}

// Joins are the wires of something, those that begin at it first.
func Joins(d *world.Document, id world.ID) []JoinView {
	list := []JoinView{}
	for _, begins := range []bool{true, false} {
		for _, w := range d.WiresOf(id) {
			other := w.To
			if !begins {
				other = w.From
			}
			if end, there := hand.EndOf(d, other); there && (w.From == id) == begins {
				list = append(list, JoinView{page.FormatID(w.ID), begins, end.Name, world.WireDoes[w.Does]})
			}
		}
	}
	return list
}

// SetWire sets what a wire does. How many wires must be on is set of all that count together with it.
type SetWire struct {
	Wire   page.ID             `json:"wire"`
	Change page.Part[WireLook] `json:"change"`
}

// Do implements Order.
func (o SetWire) Do(p *page.Page) page.Changed {
	d := p.Doc()
	w := d.Wire(world.ID(o.Wire))
	if w == nil {
		return p.Fail(world.ErrGone)
	}
	to, err := o.Change.Over(lookOf(w))
	if err != nil {
		return p.Fail(err)
	}
	next := *w
	next.Works, next.Does, next.After, next.Of = to.Works, to.Does, measure.WireAfter.Stored(to.After), to.Of
	parts := edit.Changes(edit.WireRef(w.ID), w.Values(), next.Values())
	if next.Of != w.Of {
		for _, other := range d.Together(&next) {
			if also := *other; other.ID != w.ID {
				also.Of = next.Of
				parts = append(parts, edit.Changes(edit.WireRef(other.ID), other.Values(), also.Values())...)
			}
		}
	}
	return p.Change(hand.WireName(d, w), parts)
}

// Box is where both ends of a wire lie on the board.
func Box(d *world.Document, w *world.Wire) (box page.BoxView, ok bool) {
	for _, v := range Views(d) {
		if v.ID == page.FormatID(w.ID) {
			x0, y0 := min(v.Line[0], v.Line[2]), min(v.Line[1], v.Line[3])
			return page.BoxView{X: x0, Y: y0, W: max(v.Line[0], v.Line[2]) - x0 + 1, H: max(v.Line[1], v.Line[3]) - y0 + 1}, true
		}
	}
	return box, false
}

// Says is what a wire does, in a sentence, and that it does nothing where an area has no forces.
func Says(d *world.Document, w *world.Wire) string {
	says := does(d, w)
	if a := d.Area(w.To); a != nil && a.Forces == (world.Forces{}) {
		says += " It has none yet: say its wind or gravity on its slip."
	}
	return says
}

func does(d *world.Document, w *world.Wire) string {
	v := ViewWire(d, w)
	if v == nil {
		return "Nothing: what lay at one of its ends is gone."
	}
	to, is, change := v.To.Name, "is", "changes over"
	if rest, place := strings.CutPrefix(to, "the "); place && v.To.Thing.Ref().Sort != world.SortPiece {
		to = "The " + rest
	}
	if d.Area(w.To) != nil {
		is, change = "are", "change over"
	}
	after := ""
	if w.After > 0 {
		after = fmt.Sprintf(", after %g s", v.After)
	}
	switch w.Does {
	case world.TurnsOn:
		return fmt.Sprintf("%s %s %s once %s is %s%s.", to, is, v.To.On, v.From.Name, v.From.On, after)
	case world.TurnsOff:
		return fmt.Sprintf("%s %s not %s any more once %s is %s%s.", to, is, v.To.On, v.From.Name, v.From.On, after)
	case world.ChangesOver:
		return fmt.Sprintf("%s %s each time %s is %s%s.", to, change, v.From.Name, v.From.On, after)
	}
	return fmt.Sprintf("%s %s %s while %s is %s%s.", to, is, v.To.On, v.From.Name, v.From.On, after)
}
