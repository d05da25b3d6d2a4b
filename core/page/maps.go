package page

import (
	"fmt"
	"slices"

	"azzel/core/edit"
	"azzel/core/grid"
	"azzel/core/hand"
	"azzel/core/world"
)

// MapLook is all that can be set of a map beside its name, place and size.
type MapLook struct {
	// View is 0 for top-down, 1 for the side.
	View int `json:"view"`
	// Edges are what its sides do, by the order of EdgeNames: left, right, top, bottom.
	Edges []int `json:"edges"`
	// Top and Bottom are the background as #rrggbb, empty for none.
	Top      string         `json:"top"`
	Bottom   string         `json:"bottom"`
	Notes    string         `json:"notes"`
	Keywords string         `json:"keywords"`
	Own      []OwnValueView `json:"own"`
	// Forces are what acts on all that moves here, Lottery the weights of lottery pieces in the
	// order of OddsNames.
	Forces  ForcesView `json:"forces"`
	Lottery []int      `json:"lottery"`
	// Barred has a bit for each ability, BarredArms for each arm, that nobody has here.
	Barred     int `json:"barred"`
	BarredArms int `json:"barredArms"`
}

func viewMapLook(d *world.Document, m *world.Map) MapLook {
	v := MapLook{View: int(m.View), Edges: []int{}, Top: m.Background.Top.String(), Bottom: m.Background.Bottom.String(), Notes: m.Notes, Keywords: m.Keywords,
		Own: ownValues(d, m.Own), Forces: viewForces(m.Forces), Lottery: slices.Clone(m.Lottery[:]), Barred: int(m.Barred), BarredArms: int(m.BarredArms)}
	for _, e := range m.Edges {
		v.Edges = append(v.Edges, int(e))
	}
	return v
}

// setMap gives a map another look.
func (p *Page) setMap(ref world.Ref, part Part[MapLook]) Changed {
	d := p.doc()
	m := d.Map(ref.ID)
	if m == nil {
		return p.Fail(world.ErrGone)
	}
	next := *m
	to, err := part.Over(viewMapLook(d, m))
	if err == nil && len(to.Edges) != len(m.Edges) {
		err = errUnknown
	}
	if err != nil {
		return p.Fail(err)
	}
	for i, e := range to.Edges {
		next.Edges[i] = world.Edge(min(max(e, 0), 255))
	}
	if next.Background.Top, err = world.ParseColour(to.Top); err != nil {
		return p.Fail(err)
	}
	if next.Background.Bottom, err = world.ParseColour(to.Bottom); err != nil {
		return p.Fail(err)
	}
	next.Forces = world.Forces(to.Forces)
	next.Barred, next.BarredArms = world.Ability(to.Barred), world.Arm(to.BarredArms)
	if len(to.Lottery) == len(next.Lottery) {
		next.Lottery = world.Odds(to.Lottery)
	}
	next.SeenAs(world.View(to.View))
	next.Notes, next.Keywords, next.Own = to.Notes, to.Keywords, nil
	for _, v := range to.Own {
		own := d.Property(ParseID(v.ID))
		if own == nil {
			continue
		}
		value, err := own.Type.Parse(v.Value)
		if err != nil {
			return p.Fail(fmt.Errorf("%s: %w", own.Name, err))
		}
		next.Own = next.Own.With(uint64(own.ID), value)
	}
	return p.change(m.Name, edit.Changes(ref, m.Values(), next.Values()))
}

// copyMap puts a copy of a map to the right of all maps and selects it.
func (p *Page) copyMap(ref world.Ref, leading bool) Changed {
	d := p.doc()
	m := d.Map(ref.ID)
	if m == nil {
		return p.Fail(world.ErrGone)
	}
	e, id, err := edit.CopyMap(d, m.ID, beside(d, m.Bounds), leading, p.ids)
	if err != nil {
		return p.Fail(err)
	}
	changed := p.do(e)
	if p.doc().Map(id) != nil {
		p.hand.Selected = hand.Selection{Ref: world.Ref{Sort: world.SortMap, ID: id}, Map: id}
	}
	return changed | StateChanged
}

// resizeMap gives a map a size by numbers: W × H cells with an anchor, 0 to 8 row by
// row, that stays where it is.
func (p *Page) resizeMap(ref world.Ref, w, h, anchor int) Changed {
	m := p.doc().Map(ref.ID)
	if m == nil {
		return p.Fail(world.ErrGone)
	}
	return p.outcome(hand.Resized(p.doc(), edit.Resize{Map: m.ID, Bounds: anchored(m.Bounds, w, h, anchor)}))
}

// LossOf says in words what a map would lose at another size; empty for nothing.
func (p *Page) LossOf(id world.ID, w, h, anchor int) string {
	m := p.doc().Map(id)
	if m == nil || w < 1 || h < 1 {
		return ""
	}
	return edit.Resize{Map: id, Bounds: anchored(m.Bounds, w, h, anchor)}.Loss(p.doc()).String()
}

// anchored is a box of another size whose left, middle or right, and top, middle or
// bottom, is where it was.
func anchored(was grid.Rect, w, h, anchor int) grid.Rect {
	return grid.Rect{X: was.X + (was.W-w)*(anchor%3)/2, Y: was.Y + (was.H-h)*(anchor/3)/2, W: w, H: h}
}

// WholeScreens is the least size of whole screens that holds so many columns and rows.
func (p *Page) WholeScreens(columns, rows int) (w, h int) {
	up := func(n, screen int) int { return max(1, (n+screen-1)/screen) * screen }
	seen := p.doc().Project
	return up(columns, seen.SeenW), up(rows, seen.SeenH)
}
