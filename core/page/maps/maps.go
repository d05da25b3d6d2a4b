// Package maps is the room of maps and their layers.
package maps

import (
	"fmt"
	"slices"

	"azzel/core/edit"
	"azzel/core/grid"
	"azzel/core/hand"
	"azzel/core/limit"
	"azzel/core/page"
	"azzel/core/page/places"
	"azzel/core/page/tilework"
	"azzel/core/world"
)

// MapLook is all that can be set of a map beside its name, place and size.
type MapLook struct {
	// View is 0 for top-down, 1 for the side.
	View int `json:"view"`
	// Edges are what its sides do, by the order of EdgeNames: left, right, top, bottom.
	Edges []int `json:"edges"`
	// Top and Bottom are the background as #rrggbb, empty for none.
	Top      string                  `json:"top"`
	Bottom   string                  `json:"bottom"`
	Notes    string                  `json:"notes"`
	Keywords string                  `json:"keywords"`
	Own      []tilework.OwnValueView `json:"own"`
	// Forces are what acts on all that moves here, Lottery the weights of lottery pieces in the
	// order of OddsNames.
	Forces  places.ForcesView `json:"forces"`
	Lottery []int             `json:"lottery"`
	// Barred has a bit for each ability, BarredArms for each arm, that nobody has here.
	Barred     int `json:"barred"`
	BarredArms int `json:"barredArms"`
}

// ViewMapLook is how a map looks, as a view.
func ViewMapLook(d *world.Document, m *world.Map) MapLook {
	v := MapLook{View: int(m.View), Edges: []int{}, Top: m.Background.Top.String(), Bottom: m.Background.Bottom.String(), Notes: m.Notes, Keywords: m.Keywords,
		Own: tilework.OwnValues(d, m.Own), Forces: places.ViewForces(m.Forces), Lottery: slices.Clone(m.Lottery[:]), Barred: int(m.Barred), BarredArms: int(m.BarredArms)}
	for _, e := range m.Edges {
		v.Edges = append(v.Edges, int(e))
	}
	return v
}

func mapRef(id page.ID) world.Ref { return world.Ref{Sort: world.SortMap, ID: world.ID(id)} }

// SetMap gives a map another look.
type SetMap struct {
	Map    page.ID            `json:"map"`
	Change page.Part[MapLook] `json:"change"`
}

// Do implements Order.
func (o SetMap) Do(p *page.Page) page.Changed {
	ref := mapRef(o.Map)
	d := p.Doc()
	m := d.Map(ref.ID)
	if m == nil {
		return p.Fail(world.ErrGone)
	}
	next := *m
	to, err := o.Change.Over(ViewMapLook(d, m))
	if err == nil && len(to.Edges) != len(m.Edges) {
		err = page.ErrUnknown
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
	next.Forces = to.Forces.Forces(m.Forces)
	next.Barred, next.BarredArms = world.Ability(to.Barred), world.Arm(to.BarredArms)
	if len(to.Lottery) == len(next.Lottery) {
		next.Lottery = world.Odds(to.Lottery)
	}
	next.SeenAs(world.View(to.View))
	next.Notes, next.Keywords, next.Own = to.Notes, to.Keywords, nil
	for _, v := range to.Own {
		own := d.Property(page.ParseID(v.ID))
		if own == nil {
			continue
		}
		value, err := own.Type.Parse(v.Value)
		if err != nil {
			return p.Fail(fmt.Errorf("%s: %w", own.Name, err))
		}
		next.Own = next.Own.With(uint64(own.ID), value)
	}
	return p.Change(m.Name, edit.Changes(ref, m.Values(), next.Values()))
}

// CopyMap puts a copy of a map to the right of all maps and selects it; Leading says that its crossings lead on from it too.
type CopyMap struct {
	Map     page.ID `json:"map"`
	Leading bool    `json:"leading,omitempty"`
}

// Do implements Order.
func (o CopyMap) Do(p *page.Page) page.Changed {
	d := p.Doc()
	m := d.Map(world.ID(o.Map))
	if m == nil {
		return p.Fail(world.ErrGone)
	}
	e, id, err := edit.CopyMap(d, m.ID, page.Beside(d, m.Bounds), o.Leading, p.IDs)
	if err != nil {
		return p.Fail(err)
	}
	changed := p.Do(e)
	if p.Doc().Map(id) != nil {
		p.Hand.Selected = hand.Selection{Ref: world.Ref{Sort: world.SortMap, ID: id}, Map: id}
	}
	return changed | page.StateChanged
}

// FurnishMap gives an empty map the ground and walls of the one beside it.
type FurnishMap struct {
	Map page.ID `json:"map"`
}

// Do implements Order.
func (o FurnishMap) Do(p *page.Page) page.Changed {
	d := p.Doc()
	m := d.Map(world.ID(o.Map))
	if m == nil {
		return p.Fail(world.ErrGone)
	}
	like := edit.Neighbour(d, m)
	if like == nil {
		return p.Refuse("%s is not empty any more, or no other map has ground.", m.Name)
	}
	return p.Do(edit.Furnish(d, m, like))
}

// FurnishedLike is the name of the map whose ground and walls an empty map could have; empty for none.
func FurnishedLike(p *page.Page, id world.ID) string {
	if m := p.Doc().Map(id); m != nil {
		if like := edit.Neighbour(p.Doc(), m); like != nil {
			return like.Name
		}
	}
	return ""
}

// ResizeMap gives a map a size in cells; Anchor, 0 to 8 row by row, is what of it stays where it is.
type ResizeMap struct {
	Map     page.ID `json:"map"`
	Columns int     `json:"columns"`
	Rows    int     `json:"rows"`
	Anchor  int     `json:"anchor"`
}

// Do implements Order.
func (o ResizeMap) Do(p *page.Page) page.Changed {
	m := p.Doc().Map(world.ID(o.Map))
	if m == nil {
		return p.Fail(world.ErrGone)
	}
	if side := limit.MaxMapSide; o.Columns < 1 || o.Rows < 1 || o.Columns > side || o.Rows > side || o.Anchor < 0 || o.Anchor > 8 {
		return p.Refuse("A map is 1 to %d cells wide and high; %s was to be %d × %d.", side, m.Name, o.Columns, o.Rows)
	}
	return p.Outcome(hand.Resized(p.Doc(), edit.Resize{Map: m.ID, Bounds: anchored(m.Bounds, o.Columns, o.Rows, o.Anchor)}))
}

// LossOf says in words what a map would lose at another size; empty for nothing.
func LossOf(p *page.Page, id world.ID, w, h, anchor int) string {
	m := p.Doc().Map(id)
	if m == nil || w < 1 || h < 1 {
		return ""
	}
	return edit.Resize{Map: id, Bounds: anchored(m.Bounds, w, h, anchor)}.Loss(p.Doc()).String()
}

// anchored is a box of another size whose left, middle or right, and top, middle or
// bottom, is where it was.
func anchored(was grid.Rect, w, h, anchor int) grid.Rect {
	return grid.Rect{X: was.X + (was.W-w)*(anchor%3)/2, Y: was.Y + (was.H-h)*(anchor/3)/2, W: w, H: h}
}

// WholeScreens is the least size of whole screens that holds so many columns and rows.
func WholeScreens(p *page.Page, columns, rows int) (w, h int) {
	up := func(n, screen int) int { return max(1, (n+screen-1)/screen) * screen }
	seen := p.Doc().Project
	return up(columns, seen.SeenW), up(rows, seen.SeenH)
}
