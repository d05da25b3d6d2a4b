package exchange

import (
	"fmt"

	"azzel/core/grid"
	"azzel/core/limit"
	"azzel/core/world"
)

// A Track is points, in pixels of the map, that pieces follow.
type Track struct {
	ID     string  `json:"id"`
	Name   string  `json:"name,omitempty"`
	Points []Place `json:"points"`
	// Round says that after the last point comes the first.
	Round bool `json:"round,omitempty"`
}

// An Area is a set of cells of the map, as runs of row, first column and last column.
type Area struct {
	ID    string   `json:"id"`
	Name  string   `json:"name,omitempty"`
	Cells [][3]int `json:"cells"`
	Here  *Forces  `json:"here,omitempty"`
	// Holds says that the camera does not look beyond it while the player is in it.
	Holds bool `json:"holds,omitempty"`
	// Zoom is how large things are seen in it, in percent.
	Zoom int `json:"zoom,omitempty"`
}

// Forces are what acts on all that moves somewhere. What is not there is as usual.
type Forces struct {
	// Gravity is in percent.
	Gravity int `json:"gravity,omitempty"`
	// Wind is in tenths of a cell a second, to the right and down.
	Wind *Place `json:"wind,omitempty"`
}

// Odds are weights of what may come.
type Odds struct {
	Nothing     int `json:"nothing,omitempty"`
	Collectible int `json:"collectible,omitempty"`
	Foe         int `json:"foe,omitempty"`
	Hazard      int `json:"hazard,omitempty"`
	Pushable    int `json:"pushable,omitempty"`
}

// A Camera is how what the player sees follows them. What is not there is 0 or no.
type Camera struct {
	// FreeWidth and FreeHeight are how much of what is seen the player moves through freely,
	// in percent.
	FreeWidth  int `json:"freeWidth,omitempty"`
	FreeHeight int `json:"freeHeight,omitempty"`
	// Ahead is in tenths of a cell, Shake in pixels.
	Ahead int `json:"ahead,omitempty"`
	Shake int `json:"shake,omitempty"`
	// Beyond says that it looks beyond the edges of maps.
	Beyond bool `json:"beyond,omitempty"`
}

func writeForces(f world.Forces) *Forces {
	if f == (world.Forces{}) {
		return nil
	}
	out := &Forces{Gravity: f.Gravity}
	if f.WindX != 0 || f.WindY != 0 {
		out.Wind = &Place{f.WindX, f.WindY}
	}
	return out
}

func (in *Forces) read() (f world.Forces) {
	if in != nil {
		f.Gravity = in.Gravity
		if in.Wind != nil {
			f.WindX, f.WindY = in.Wind.X, in.Wind.Y
		}
	}
	return f
}

func writeOdds(o world.Odds) *Odds {
	if o == (world.Odds{}) {
		return nil
	}
	return &Odds{o[world.OddsNothing], o[world.OddsCollectible], o[world.OddsFoe], o[world.OddsHazard], o[world.OddsPushable]}
}

func (in *Odds) read() world.Odds {
	if in == nil {
		return world.Odds{}
	}
	return world.Odds{in.Nothing, in.Collectible, in.Foe, in.Hazard, in.Pushable}
}

func writeCamera(c world.Camera) *Camera {
	if c == (world.Camera{}) {
		return nil
	}
	return &Camera{c.FreeW, c.FreeH, c.Ahead, c.Shake, c.Beyond}
}

func (in *Camera) read() world.Camera {
	if in == nil {
		return world.Camera{}
	}
	return world.Camera{FreeW: in.FreeWidth, FreeH: in.FreeHeight, Ahead: in.Ahead, Shake: in.Shake, Beyond: in.Beyond}
}

// places writes the tracks and areas of a map.
func (out *Map) places(d *world.Document, m *world.Map) {
	for _, t := range d.Tracks {
		if t.Map != m.ID {
			continue
		}
		part := Track{ID: idText(t.ID), Name: t.Name, Round: t.Round}
		for _, p := range t.Points {
			part.Points = append(part.Points, Place(p))
		}
		out.Tracks = append(out.Tracks, part)
	}
	for _, a := range d.Areas {
		if a.Map != m.ID {
			continue
		}
		part := Area{ID: idText(a.ID), Name: a.Name, Here: writeForces(a.Forces), Holds: a.Holds, Zoom: a.Zoom, Cells: [][3]int{}}
		for _, s := range a.Cells {
			part.Cells = append(part.Cells, [3]int{s.Y, s.X0, s.X1})
		}
		out.Areas = append(out.Areas, part)
	}
}

// places reads the tracks and areas of a map.
func (b *reader) places(m *world.Map, in Map, name string) error {
	for k, part := range in.Tracks {
		what := fmt.Sprintf("%s: track %d", name, k+1)
		id, err := b.newID(part.ID, what)
		if err != nil {
			return err
		}
		t := world.Track{Name: part.Name, Map: m.ID, Round: part.Round}
		if len(part.Points) > limit.TrackPoints {
			return fmt.Errorf("%s has %d points: at most %d can be read", what, len(part.Points), limit.TrackPoints)
		}
		for _, p := range part.Points {
			t.Points = append(t.Points, grid.Point(p))
		}
		if err := b.put(world.SortTrack, 0, id, t.Values(), what); err != nil {
			return err
		}
	}
	for k, part := range in.Areas {
		what := fmt.Sprintf("%s: area %d", name, k+1)
		id, err := b.newID(part.ID, what)
		if err != nil {
			return err
		}
		a := world.Area{Name: part.Name, Map: m.ID, Forces: part.Here.read(), Holds: part.Holds, Zoom: part.Zoom}
		count := 0
		for i, s := range part.Cells {
			// Cells may lie beside the map: it may have been made smaller since the area was drawn.
			if i > 0 && (s[0] < part.Cells[i-1][0] || s[0] == part.Cells[i-1][0] && s[1] <= part.Cells[i-1][2]) || s[2] < s[1] ||
				!world.Reach.Has(grid.Point{X: s[1], Y: s[0]}) || !world.Reach.Has(grid.Point{X: s[2], Y: s[0]}) {
				return fmt.Errorf("%s: run %d of its cells, %v, does not follow the one before it or lies too far away", what, i+1, s)
			}
			if count += s[2] - s[1] + 1; count > limit.PaintCells {
				return fmt.Errorf("%s has more than %d cells: that many can't be read", what, limit.PaintCells)
			}
			a.Cells = a.Cells.Append(s[0], s[1], s[2])
		}
		if err := b.put(world.SortArea, 0, id, a.Values(), what); err != nil {
			return err
		}
	}
	return nil
}
