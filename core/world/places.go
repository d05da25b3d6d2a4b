package world

import (
	"errors"
	"fmt"

	"azzel/core/grid"
	"azzel/core/kinds/props"
	"azzel/core/limit"
	"azzel/core/pack"
)

// A Track is a line of points on a map that pieces follow, from the first point to the last
// and back, or round and round.
type Track struct {
	ID     ID
	Name   string
	Number int
	Map    ID
	// Points are pixels of the map.
	Points []grid.Point
	// Round says that after the last point comes the first.
	Round bool
}

// Forces are what acts on all that moves somewhere.
type Forces struct {
	// Gravity is in percent of the usual; 0 stands for as usual. It counts from the side.
	Gravity int
	// WindX and WindY are how fast the wind carries along to the right and down, in tenths of
	// a cell a second.
	WindX, WindY int
}

// Reach is where maps and their areas may lie, in cells, both on the board and on themselves.
var Reach = grid.Rect{X: -limit.MaxBoard, Y: -limit.MaxBoard, W: 2 * limit.MaxBoard, H: 2 * limit.MaxBoard}

// An Area is a named set of cells of a map.
type Area struct {
	ID     ID
	Name   string
	Number int
	Map    ID
	Cells  grid.Region
	Forces
	// Holds says that the camera does not look beyond the box round the area while the player
	// is in it.
	Holds bool
	// Zoom is how much larger things are seen in it, in percent; 0 stands for as usual.
	Zoom int
}

// Track finds a track; nil if there is none.
func (d *Document) Track(id ID) *Track {
	return byID(d.Tracks, id, func(t *Track) ID { return t.ID })
}

// Area finds an area; nil if there is none.
func (d *Document) Area(id ID) *Area {
	return byID(d.Areas, id, func(a *Area) ID { return a.ID })
}

// Filled is f with 100 percent where nothing is said.
func (f Forces) Filled() Forces {
	if f.Gravity == 0 {
		f.Gravity = 100
	}
	return f
}

// Over is f where it says something, else what is beneath.
func (f Forces) Over(beneath Forces) Forces {
	if f.Gravity == 0 {
		f.Gravity = beneath.Gravity
	}
	if f.WindX == 0 && f.WindY == 0 {
		f.WindX, f.WindY = beneath.WindX, beneath.WindY
	}
	return f
}

func (f Forces) check() error {
	if f.Gravity < 0 || f.Gravity > limit.Gravity {
		return fmt.Errorf("gravity is 1 to %d percent, not %d", limit.Gravity, f.Gravity)
	}
	if most := 10 * limit.Wind; max(f.WindX, -f.WindX) > most || max(f.WindY, -f.WindY) > most {
		return fmt.Errorf("the wind carries along by at most %d cells a second", limit.Wind)
	}
	return nil
}

func forcesField[P any](n Field, at func(P) *Forces) field[P] {
	return intsField(n, func(t P) *int { return &at(t).Gravity }, func(t P) *int { return &at(t).WindX }, func(t P) *int { return &at(t).WindY })
}

// Properties of tracks and areas.
const (
	FieldMap    Field = 2
	FieldPoints Field = 3
	FieldRound  Field = 4
	FieldCells  Field = 3
	FieldForces Field = 4
	FieldHolds  Field = 5
	FieldZoom   Field = 6
)

var trackFields = []field[*Track]{
	textField(FieldName, func(t *Track) *string { return &t.Name }),
	intsField(FieldNumber, func(t *Track) *int { return &t.Number }),
	idField(FieldMap, func(t *Track) *ID { return &t.Map }),
	{FieldPoints, func(t *Track, w *pack.Writer) {
		w.Uint(uint64(len(t.Points)))
		for _, p := range t.Points {
			w.Int(p.X)
			w.Int(p.Y)
		}
	}, func(t *Track, r *pack.Reader) {
		t.Points = nil
		for range r.Count(limit.TrackPoints, 2) {
			t.Points = append(t.Points, grid.Point{X: r.Int(), Y: r.Int()})
		}
	}},
	boolField(FieldRound, func(t *Track) *bool { return &t.Round }),
}

var areaFields = []field[*Area]{
	textField(FieldName, func(a *Area) *string { return &a.Name }),
	intsField(FieldNumber, func(a *Area) *int { return &a.Number }),
	idField(FieldMap, func(a *Area) *ID { return &a.Map }),
	{FieldCells, func(a *Area, w *pack.Writer) { a.Cells.Encode(w) },
		func(a *Area, r *pack.Reader) { a.Cells = grid.DecodeRegion(nil, r, limit.PaintCells) }},
	forcesField(FieldForces, func(a *Area) *Forces { return &a.Forces }),
	boolField(FieldHolds, func(a *Area) *bool { return &a.Holds }),
	intsField(FieldZoom, func(a *Area) *int { return &a.Zoom }),
}

// Values are the properties of a track.
func (t *Track) Values() []Value { return valuesOf(t, trackFields) }

// Values are the properties of an area.
func (a *Area) Values() []Value { return valuesOf(a, areaFields) }

// OfMap lists the tracks and areas that lie on a map.
func (d *Document) OfMap(id ID) []Ref {
	var list []Ref
	for _, t := range d.Tracks {
		if t.Map == id {
			list = append(list, Ref{Sort: SortTrack, ID: t.ID})
		}
	}
	for _, a := range d.Areas {
		if a.Map == id {
			list = append(list, Ref{Sort: SortArea, ID: a.ID})
		}
	}
	return list
}

var errMapGone = errors.New("the map on which it lies is not there any more")

func (d *Document) checkTrack(t *Track) error {
	if err := CheckName(t.Name, true); err != nil {
		return err
	}
	if len(d.Tracks) > limit.Tracks {
		return fmt.Errorf("a project has at most %d tracks", limit.Tracks)
	}
	if d.Map(t.Map) == nil {
		return errMapGone
	}
	if n := len(t.Points); n < 1 || n > limit.TrackPoints {
		return fmt.Errorf("a track has 1 to %d points; this one has %d", limit.TrackPoints, n)
	}
	for _, p := range t.Points {
		if max(p.X, -p.X) > props.Far || max(p.Y, -p.Y) > props.Far {
			return errors.New("a point of the track lies too far from its map")
		}
	}
	return nil
}

func (d *Document) checkArea(a *Area) error {
	if err := CheckName(a.Name, true); err != nil {
		return err
	}
	if len(d.Areas) > limit.Areas {
		return fmt.Errorf("a project has at most %d areas", limit.Areas)
	}
	if d.Map(a.Map) == nil {
		return errMapGone
	}
	if len(a.Cells) == 0 {
		return errors.New("an area has at least one cell")
	}
	if !Reach.Holds(a.Cells.Bounds()) {
		return errors.New("a cell of the area lies too far from the middle of the board")
	}
	if a.Zoom != 0 && (a.Zoom < limit.MinZoom || a.Zoom > limit.MaxZoom) {
		return fmt.Errorf("the camera zoom is %d to %d percent, not %d", limit.MinZoom, limit.MaxZoom, a.Zoom)
	}
	return a.Forces.check()
}
