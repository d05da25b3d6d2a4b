// Package places is the room of areas and tracks.
package places

import (
	"fmt"

	"azzel/core/edit"
	"azzel/core/grid"
	"azzel/core/hand"
	"azzel/core/kinds/props"
	"azzel/core/page"
	"azzel/core/page/measure"
	"azzel/core/world"
)

// AreaView is an area on the board.
type AreaView struct {
	ID   string       `json:"id"`
	Map  string       `json:"map"`
	Name string       `json:"name"`
	Box  page.BoxView `json:"box"`
	// Spans are its cells, as those of what is selected.
	Spans []int `json:"spans"`
}

// PlaceView is a track or area in the list of a map.
type PlaceView struct {
	Kind string `json:"kind"`
	ID   string `json:"id"`
	Name string `json:"name"`
}

// ForcesView is what acts on all that moves somewhere, as the measures of the same names show it: gravity in percent,
// wind in cells a second.
type ForcesView struct {
	Gravity float64 `json:"gravity"`
	WindX   float64 `json:"windX"`
	WindY   float64 `json:"windY"`
}

// ViewForces is what acts on all that moves somewhere, as a view.
func ViewForces(f world.Forces) ForcesView {
	return ForcesView{usual(measure.Gravity, f.Gravity), measure.WindX.Shown(f.WindX), measure.WindY.Shown(f.WindY)}
}

// Forces are the forces of a view, in the place of those that were.
func (v ForcesView) Forces(was world.Forces) world.Forces {
	return world.Forces{Gravity: stored(measure.Gravity, v.Gravity, was.Gravity), WindX: measure.WindX.Stored(v.WindX), WindY: measure.WindY.Stored(v.WindY)}
}

// usual is a number as it is shown, of which 0 is stored for as usual.
func usual(m measure.Measure, stored int) float64 {
	if stored == 0 {
		return m.Usual
	}
	return m.Shown(stored)
}

// stored is the number that is stored for one that is shown, 0 for as usual; what is shown as before stays as it was, as the
// usual number may have been stored as such. What would be stored as 0 by itself is refused by being below 0.
func stored(m measure.Measure, shown float64, was int) int {
	n := m.Stored(shown)
	switch {
	case shown == usual(m, was):
		return was
	case shown == m.Usual:
		return 0
	case n == 0:
		return -1
	}
	return n
}

// AreaLook is all that can be set of an area beside its name and cells.
type AreaLook struct {
	Forces ForcesView `json:"forces"`
	Holds  bool       `json:"holds"`
	// Zoom is in percent.
	Zoom float64 `json:"zoom"`
}

// ViewAreaLook is what an area does, as a view.
func ViewAreaLook(a *world.Area) AreaLook {
	return AreaLook{ViewForces(a.Forces), a.Holds, usual(measure.Zoom, a.Zoom)}
}

// TrackLook is all that can be set of a track beside its name and points.
type TrackLook struct {
	Round  bool `json:"round"`
	Points int  `json:"points"`
}

// TracksOf are the tracks of a map.
func TracksOf(d *world.Document, m *world.Map) []world.ID { return placesOf(d, m, world.SortTrack) }

// AreasOf are the areas of a map.
func AreasOf(d *world.Document, m *world.Map) []world.ID { return placesOf(d, m, world.SortArea) }

func placesOf(d *world.Document, m *world.Map, kind world.Sort) (ids []world.ID) {
	for _, r := range d.OfMap(m.ID) {
		if r.Sort == kind {
			ids = append(ids, r.ID)
		}
	}
	return ids
}

// ViewPlaces lists the tracks and areas of a map.
func ViewPlaces(d *world.Document, m *world.Map) []PlaceView {
	list := []PlaceView{}
	for _, r := range d.OfMap(m.ID) {
		list = append(list, PlaceView{page.KindNames[r.Sort], page.FormatID(r.ID), hand.Name(d, r)})
	}
	return list
}

// ViewAreas are all areas as they lie on the board.
func ViewAreas(d *world.Document) []AreaView {
	l := d.Project.Lattice()
	list := []AreaView{}
	for _, a := range d.Areas {
		if m := d.Map(a.Map); m != nil {
			on := a.Cells.Within(m.Bounds).Move(m.Origin)
			list = append(list, AreaView{page.FormatID(a.ID), page.FormatID(m.ID), hand.Name(d, world.Ref{Sort: world.SortArea, ID: a.ID}), page.Box(l.Box(on.Bounds())), page.Spans(l, on)})
		}
	}
	return list
}

// MakeArea makes an area of the cells that are selected.
type MakeArea struct{}

// Do implements Order.
func (MakeArea) Do(p *page.Page) page.Changed {
	c := p.Hand.Chosen(p.Doc())
	if len(c.Region) == 0 {
		return p.Refuse("Select the cells first that the area is to have.")
	}
	m := p.Doc().Map(c.Map)
	a := &world.Area{Name: fmt.Sprintf("Area %d", len(p.Doc().Areas)+1), Map: m.ID, Cells: c.Region}
	id := p.IDs.NewID()
	ref := world.Ref{Sort: world.SortArea, ID: id}
	changed := p.Do(edit.Edit{Label: edit.Clip(fmt.Sprintf("make %s on %s", a.Name, m.Name)), Parts: []edit.Part{edit.Put{Ref: ref, Values: a.Values()}}})
	if p.Doc().Area(id) != nil {
		p.Hand.Cells = hand.Cells{}
		p.SelectRef(ref, 0)
	}
	return changed | page.StateChanged
}

func areaRef(id page.ID) world.Ref { return world.Ref{Sort: world.SortArea, ID: world.ID(id)} }

// SetArea sets what an area does.
type SetArea struct {
	Area   page.ID             `json:"area"`
	Change page.Part[AreaLook] `json:"change"`
}

// Do implements Order.
func (o SetArea) Do(p *page.Page) page.Changed {
	ref := areaRef(o.Area)
	a := p.Doc().Area(ref.ID)
	if a == nil {
		return p.Fail(world.ErrGone)
	}
	to, err := o.Change.Over(ViewAreaLook(a))
	if err != nil {
		return p.Fail(err)
	}
	next := *a
	next.Forces, next.Holds, next.Zoom = to.Forces.Forces(a.Forces), to.Holds, stored(measure.Zoom, to.Zoom, a.Zoom)
	return p.Change(a.Name, edit.Changes(ref, a.Values(), next.Values()))
}

// SetAreaCells gives an area the cells that are selected.
type SetAreaCells struct {
	Area page.ID `json:"area"`
}

// Do implements Order.
func (o SetAreaCells) Do(p *page.Page) page.Changed {
	ref := areaRef(o.Area)
	a, c := p.Doc().Area(ref.ID), p.Hand.Chosen(p.Doc())
	if a == nil {
		return p.Fail(world.ErrGone)
	}
	if c.Map != a.Map || len(c.Region) == 0 {
		return p.Refuse("Select the cells first that the area is to have, on the map on which it lies.")
	}
	next := *a
	next.Cells = c.Region
	return p.Change(a.Name, edit.Changes(ref, a.Values(), next.Values()))
}

// AddTrackPoint leads the track of the selected piece on to a pixel of the board. A piece without a track gets one.
type AddTrackPoint struct {
	X int `json:"x"`
	Y int `json:"y"`
}

// Do implements Order.
func (o AddTrackPoint) Do(p *page.Page) page.Changed {
	d := p.Doc()
	sel := p.Hand.Selected.Ref
	m, piece := d.Piece(sel.ID)
	if sel.Sort != world.SortPiece || piece == nil || !piece.Kind().Goes {
		return p.Refuse("Select a foe or a moving platform first, then lead its track on to where the pointer is.")
	}
	s := hand.At(d, page.At(o.X, o.Y))
	if s.Map == nil || s.Map.ID != m.ID {
		return p.Refuse("A track stays on the map of its piece: lead it on within %s.", m.Name)
	}
	foot := m.FootFor(d.Project.Lattice(), piece, s.Cell)
	if t := d.Track(piece.Refers(props.Track)); t != nil && t.Map == m.ID {
		next := *t
		next.Points = append(append([]grid.Point{}, t.Points...), foot)
		return p.Change(t.Name, edit.Changes(world.Ref{Sort: world.SortTrack, ID: t.ID}, t.Values(), next.Values()))
	}
	t := &world.Track{Name: fmt.Sprintf("Track %d", len(d.Tracks)+1), Map: m.ID, Points: []grid.Point{foot}}
	next := *piece
	id := p.IDs.NewID()
	next.Props = next.Props.With(props.Track.Refer(id))
	parts := []edit.Part{edit.Put{Ref: world.Ref{Sort: world.SortTrack, ID: id}, Values: t.Values()}}
	return p.Do(edit.Edit{Label: edit.Clip("make a track for " + hand.PieceName(d, piece)), Parts: append(parts, edit.Changes(sel, piece.Values(), next.Values())...)})
}

// SetTrack sets whether a track goes round, and cuts off what comes after so many points.
type SetTrack struct {
	Track  page.ID              `json:"track"`
	Change page.Part[TrackLook] `json:"change"`
}

// Do implements Order.
func (o SetTrack) Do(p *page.Page) page.Changed {
	ref := world.Ref{Sort: world.SortTrack, ID: world.ID(o.Track)}
	t := p.Doc().Track(ref.ID)
	if t == nil {
		return p.Fail(world.ErrGone)
	}
	to, err := o.Change.Over(TrackLook{t.Round, len(t.Points)})
	if err != nil {
		return p.Fail(err)
	}
	next := *t
	next.Round = to.Round
	if to.Points >= 1 && to.Points < len(t.Points) {
		next.Points = t.Points[:to.Points]
	}
	return p.Change(t.Name, edit.Changes(ref, t.Values(), next.Values()))
}
