package page

import (
	"fmt"

	"azzel/core/edit"
	"azzel/core/grid"
	"azzel/core/hand"
	"azzel/core/kinds/props"
	"azzel/core/world"
)

// AreaView is an area on the board.
type AreaView struct {
	ID   string  `json:"id"`
	Map  string  `json:"map"`
	Name string  `json:"name"`
	Box  BoxView `json:"box"`
	// Spans are its cells, as those of what is selected.
	Spans []int `json:"spans"`
}

// PlaceView is a track or area in the list of a map.
type PlaceView struct {
	Kind string `json:"kind"`
	ID   string `json:"id"`
	Name string `json:"name"`
}

// ForcesView is what acts on all that moves somewhere: gravity in percent, 0 for as usual, wind in
// tenths of a cell a second.
type ForcesView struct {
	Gravity int `json:"gravity"`
	WindX   int `json:"windX"`
	WindY   int `json:"windY"`
}

func viewForces(f world.Forces) ForcesView { return ForcesView(f) }

// AreaLook is all that can be set of an area beside its name and cells.
type AreaLook struct {
	Forces ForcesView `json:"forces"`
	Holds  bool       `json:"holds"`
	// Zoom is in percent, 0 for as usual.
	Zoom int `json:"zoom"`
}

// TrackLook is all that can be set of a track beside its name and points.
type TrackLook struct {
	Round  bool `json:"round"`
	Points int  `json:"points"`
}

func tracksOf(d *world.Document, m *world.Map) []world.ID { return placesOf(d, m, world.SortTrack) }

func areasOf(d *world.Document, m *world.Map) []world.ID { return placesOf(d, m, world.SortArea) }

func placesOf(d *world.Document, m *world.Map, kind world.Sort) (ids []world.ID) {
	for _, r := range d.OfMap(m.ID) {
		if r.Sort == kind {
			ids = append(ids, r.ID)
		}
	}
	return ids
}

// viewPlaces lists the tracks and areas of a map.
func viewPlaces(d *world.Document, m *world.Map) []PlaceView {
	list := []PlaceView{}
	for _, r := range d.OfMap(m.ID) {
		list = append(list, PlaceView{kindNames[r.Sort], FormatID(r.ID), hand.Name(d, r)})
	}
	return list
}

func viewAreas(d *world.Document) []AreaView {
	l := d.Project.Lattice()
	list := []AreaView{}
	for _, a := range d.Areas {
		if m := d.Map(a.Map); m != nil {
			on := a.Cells.Within(m.Bounds).Move(m.Origin)
			list = append(list, AreaView{FormatID(a.ID), FormatID(m.ID), hand.Name(d, world.Ref{Sort: world.SortArea, ID: a.ID}), box(l.Box(on.Bounds())), spans(l, on)})
		}
	}
	return list
}

// MakeArea makes an area of the cells that are selected.
type MakeArea struct{}

// Do implements Order.
func (MakeArea) Do(p *Page) Changed {
	c := p.hand.Chosen(p.doc())
	if len(c.Region) == 0 {
		return p.refuse("Select the cells first that the area is to have.")
	}
	m := p.doc().Map(c.Map)
	a := &world.Area{Name: fmt.Sprintf("Area %d", len(p.doc().Areas)+1), Map: m.ID, Cells: c.Region}
	id := p.ids.NewID()
	ref := world.Ref{Sort: world.SortArea, ID: id}
	changed := p.do(edit.Edit{Label: edit.Clip(fmt.Sprintf("make %s on %s", a.Name, m.Name)), Parts: []edit.Part{edit.Put{Ref: ref, Values: a.Values()}}})
	if p.doc().Area(id) != nil {
		p.hand.Cells = hand.Cells{}
		p.selectRef(ref, 0)
	}
	return changed | StateChanged
}

func areaRef(id ID) world.Ref { return world.Ref{Sort: world.SortArea, ID: world.ID(id)} }

// SetArea sets what an area does.
type SetArea struct {
	Area   ID             `json:"area"`
	Change Part[AreaLook] `json:"change"`
}

// Do implements Order.
func (o SetArea) Do(p *Page) Changed {
	ref := areaRef(o.Area)
	a := p.doc().Area(ref.ID)
	if a == nil {
		return p.Fail(world.ErrGone)
	}
	to, err := o.Change.Over(AreaLook{viewForces(a.Forces), a.Holds, a.Zoom})
	if err != nil {
		return p.Fail(err)
	}
	next := *a
	next.Forces, next.Holds, next.Zoom = world.Forces(to.Forces), to.Holds, to.Zoom
	return p.change(a.Name, edit.Changes(ref, a.Values(), next.Values()))
}

// SetAreaCells gives an area the cells that are selected.
type SetAreaCells struct {
	Area ID `json:"area"`
}

// Do implements Order.
func (o SetAreaCells) Do(p *Page) Changed {
	ref := areaRef(o.Area)
	a, c := p.doc().Area(ref.ID), p.hand.Chosen(p.doc())
	if a == nil {
		return p.Fail(world.ErrGone)
	}
	if c.Map != a.Map || len(c.Region) == 0 {
		return p.refuse("Select the cells first that the area is to have, on the map on which it lies.")
	}
	next := *a
	next.Cells = c.Region
	return p.change(a.Name, edit.Changes(ref, a.Values(), next.Values()))
}

// AddTrackPoint leads the track of the selected piece on to a pixel of the board. A piece without a track gets one.
type AddTrackPoint struct {
	X int `json:"x"`
	Y int `json:"y"`
}

// Do implements Order.
func (o AddTrackPoint) Do(p *Page) Changed {
	d := p.doc()
	sel := p.hand.Selected.Ref
	m, piece := d.Piece(sel.ID)
	if sel.Sort != world.SortPiece || piece == nil || !piece.Kind().Goes {
		return p.refuse("Select a foe or a moving platform first, then lead its track on to where the pointer is.")
	}
	s := hand.At(d, at(o.X, o.Y))
	if s.Map == nil || s.Map.ID != m.ID {
		return p.refuse("A track stays on the map of its piece: lead it on within %s.", m.Name)
	}
	foot := m.FootFor(d.Project.Lattice(), piece, s.Cell)
	if t := d.Track(piece.Refers(props.Track)); t != nil && t.Map == m.ID {
		next := *t
		next.Points = append(append([]grid.Point{}, t.Points...), foot)
		return p.change(t.Name, edit.Changes(world.Ref{Sort: world.SortTrack, ID: t.ID}, t.Values(), next.Values()))
	}
	t := &world.Track{Name: fmt.Sprintf("Track %d", len(d.Tracks)+1), Map: m.ID, Points: []grid.Point{foot}}
	next := *piece
	id := p.ids.NewID()
	next.Props = next.Props.With(props.Track.Refer(id))
	parts := []edit.Part{edit.Put{Ref: world.Ref{Sort: world.SortTrack, ID: id}, Values: t.Values()}}
	return p.do(edit.Edit{Label: edit.Clip("make a track for " + hand.PieceName(d, piece)), Parts: append(parts, edit.Changes(sel, piece.Values(), next.Values())...)})
}

// SetTrack sets whether a track goes round, and cuts off what comes after so many points.
type SetTrack struct {
	Track  ID              `json:"track"`
	Change Part[TrackLook] `json:"change"`
}

// Do implements Order.
func (o SetTrack) Do(p *Page) Changed {
	ref := world.Ref{Sort: world.SortTrack, ID: world.ID(o.Track)}
	t := p.doc().Track(ref.ID)
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
	return p.change(t.Name, edit.Changes(ref, t.Values(), next.Values()))
}

// users names the pieces that follow a track or stay in an area.
func users(d *world.Document, r world.Ref) (names []string) {
	for _, m := range d.Maps {
		for _, piece := range m.Pieces {
			if r.Sort == world.SortTrack && piece.Refers(props.Track) == r.ID || r.Sort == world.SortArea && piece.Refers(props.Area) == r.ID {
				names = append(names, hand.PieceName(d, piece))
			}
		}
	}
	return names
}

// placeSlip says what a track or area is; false if it is neither or gone.
func (p *Page) placeSlip(v *SlipView, r world.Ref, line func(string, string, ...any)) bool {
	d := p.doc()
	l := d.Project.Lattice()
	var m *world.Map
	switch r.Sort {
	case world.SortTrack:
		t := d.Track(r.ID)
		if t == nil || d.Map(t.Map) == nil {
			return false
		}
		m = d.Map(t.Map)
		v.Name, v.Sort = t.Name, "track"
		from := t.Points[0].Add(l.Pixel(m.Origin))
		on := grid.Rect{X: from.X, Y: from.Y, W: 1, H: 1}
		v.Path = &PathView{Points: []int{}}
		for _, at := range t.Points {
			at = at.Add(l.Pixel(m.Origin))
			on = on.Join(grid.Rect{X: at.X, Y: at.Y, W: 1, H: 1})
			v.Path.Points = append(v.Path.Points, at.X, at.Y)
		}
		v.Box = box(on)
		v.Track = &TrackLook{t.Round, len(t.Points)}
		line("Points", "%d", len(t.Points))
	case world.SortArea:
		a := d.Area(r.ID)
		if a == nil || d.Map(a.Map) == nil {
			return false
		}
		m = d.Map(a.Map)
		v.Name, v.Sort, v.Box = a.Name, "area", box(l.Box(a.Cells.Bounds().Move(m.Origin)))
		v.Area = &AreaLook{viewForces(a.Forces), a.Holds, a.Zoom}
		line("Cells", "%d", a.Cells.Len())
	default:
		return false
	}
	line("Lies on", "%s", m.Name)
	switch who := users(d, r); {
	case len(who) == 0 && r.Sort == world.SortTrack:
		line("Used by", "nobody")
	case len(who) == 1:
		line("Used by", "%s", who[0])
	case len(who) > 1:
		line("Used by", "%s and %d more", who[0], len(who)-1)
	}
	return true
}
