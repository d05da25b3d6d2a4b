package pieces

import (
	"fmt"
	"math"
	"slices"

	"azzel/core/edit"
	"azzel/core/grid"
	"azzel/core/kind"
	"azzel/core/kinds/props"
	"azzel/core/page"
	"azzel/core/page/measure"
	"azzel/core/play"
	"azzel/core/world"
)

// Path is the way of a piece to and fro or along its track, and what of it goes in a second, in
// pixels of the board; nil if it has none.
func Path(d *world.Document, m *world.Map, p *world.Piece) *page.PathView {
	if !p.Kind().Goes {
		return nil
	}
	l := d.Project.Lattice()
	origin := l.Pixel(m.Origin)
	v := &page.PathView{Points: []int{}, Second: float64(p.Int(props.Speed)*l.W) / 10, W: p.Width() * l.W, H: l.H / 2}
	add := func(at grid.Point) { v.Points = append(v.Points, at.X+origin.X, at.Y+origin.Y) }
	add(p.Foot)
	if t := d.Track(p.Refers(props.Track)); t != nil && t.Map == m.ID {
		for _, at := range t.Points {
			add(at)
		}
		if t.Round {
			add(p.Foot)
		}
	} else if p.To() != (grid.Point{}) {
		add(p.PathTo())
	}
	if len(v.Points) == 2 {
		return nil
	}
	return v
}

// TrailView is where a piece will be, tick by tick, in pixels of the board.
type TrailView struct {
	// Places are x and y of its foot in turns, W and H what it covers.
	Places []float64 `json:"places"`
	W      int       `json:"w"`
	H      int       `json:"h"`
	// Player is the body of the player who is in its sight, nil if it does not look for one.
	Player *page.BoxView `json:"player"`
}

// trailTicks is how far ahead a trail shows.
const trailTicks = 12 * play.TicksPerSecond

// Trail is where a piece will be that goes somewhere by itself, with the value that is tried, if one
// is.
func Trail(p *page.Page, id world.ID) TrailView {
	v := TrailView{Places: []float64{}}
	d := p.Doc()
	if p.Attempt != nil {
		d = p.Attempt
	}
	m, _ := d.Piece(id)
	if m == nil {
		return v
	}
	origin := d.Project.Lattice().Pixel(m.Origin)
	trail := play.TrailOf(d, m, id, trailTicks)
	v.W, v.H = trail.Size.W, trail.Size.H
	if trail.Met {
		of := trail.PlayerSize
		v.Player = &page.BoxView{X: trail.Player.X/256 - of.W/2 + origin.X, Y: trail.Player.Y/256 - of.H + origin.Y, W: of.W, H: of.H}
	}
	for _, at := range trail.Places {
		v.Places = append(v.Places, float64(at.X)/256+float64(origin.X), float64(at.Y)/256+float64(origin.Y))
	}
	return v
}

// LevelOf is at which level pieces of a kind stand: what lies on the ground has all else on it, seen from above.
func LevelOf(k *kind.Kind, view world.View) int {
	if k.Lies && view == world.TopDown {
		return page.LevelGround
	}
	return page.LevelFeet
}

// Standing shows where the picture of a piece is drawn, and a piece that is a character as that stands there.
func Standing(p *page.Page, v *PieceView, piece *world.Piece, m *world.Map) {
	view := m.View
	v.Dress, v.Over = Dress(piece), Over(m, piece)
	var foot grid.Point
	defer func() { v.Spot = SpotOn(m, piece, grid.Point{X: v.X, Y: v.Y}, foot) }()
	switch is := Seen(p, piece, atFirst(piece, view)); {
	case is.View != nil:
		v.Seen, v.Columns, v.Rows, foot = is.View, piece.Width(), piece.Height(), is.Foot
		return
	case is.Who != nil:
		v.Who, v.Sprite, v.Mirrored, foot = page.FormatID(is.Who.ID), is.Frame, is.Mirrored, is.Foot
		return
	}
	c := p.Doc().Character(piece.Refers(props.Who))
	if c == nil || !piece.Kind().Figure || p.Strips[c.Strip] == nil {
		return
	}
	facing := world.South
	if view == world.SideView {
		facing = world.East
	}
	if looks := piece.Int(props.Looks); looks != 0 {
		facing = world.Facing(looks - 1)
	}
	v.Who = page.FormatID(c.ID)
	v.Sprite, v.Mirrored = c.Frame(world.ActStand, facing, 0)
	foot = c.Foot(v.Mirrored)
}

// TryPieceField shows the trail of a piece as if a number of it were another, while that is dragged.
type TryPieceField struct {
	Map    page.ID `json:"map"`
	Piece  page.ID `json:"piece"`
	Field  string  `json:"field"`
	Number float64 `json:"number"`
}

// Do implements Order.
func (o TryPieceField) Do(p *page.Page) page.Changed {
	e, err := Acted(p.Author(), page.PieceRef(o.Map, o.Piece), o.Field, o.Number, "")
	if err != nil {
		return p.Fail(err)
	}
	p.Attempt = p.Doc()
	if len(e.Parts) > 0 {
		res, err := edit.Apply(p.Doc(), e)
		if err != nil {
			return p.Fail(err)
		}
		p.Attempt = res.Document
	}
	return page.StateChanged
}

// SetPieceField sets a field of a piece: a number in its unit, or for a field with options the one that is chosen.
type SetPieceField struct {
	Map    page.ID `json:"map"`
	Piece  page.ID `json:"piece"`
	Field  string  `json:"field"`
	Number float64 `json:"number,omitempty"`
	Choice string  `json:"choice,omitempty"`
}

// Do implements Order.
func (o SetPieceField) Do(p *page.Page) page.Changed {
	p.Attempt = nil
	e, err := Acted(p.Author(), page.PieceRef(o.Map, o.Piece), o.Field, o.Number, o.Choice)
	if err != nil {
		return p.Fail(err)
	}
	return p.Change(o.Field, e.Parts)
}

// PieceView is a piece on the board; X and Y are its foot.
type PieceView struct {
	ID     string `json:"id"`
	Map    string `json:"map"`
	Name   string `json:"name"`
	Type   string `json:"type"`
	Family string `json:"family"`
	X      int    `json:"x"`
	Y      int    `json:"y"`
	// Spot is where its picture is drawn in play.
	Spot page.SpotView `json:"spot"`
	// Who is the character that it is, empty for none whose pictures are here; Sprite which frame of
	// their sheet is seen.
	Who      string `json:"who"`
	Sprite   int    `json:"sprite"`
	Mirrored bool   `json:"mirrored"`
	// Seen is the picture of its own as which it is seen; nil if it has none. Columns and Rows are how many cells it covers.
	Seen    *SeenView `json:"seen"`
	Columns int       `json:"columns"`
	Rows    int       `json:"rows"`
	// Dress is how that is seen, nil for as it is; Over says that it lies before all else on its map.
	Dress *DressView `json:"dress"`
	Over  bool       `json:"over"`
	// Conditional says that it is there only while something holds.
	Conditional bool `json:"conditional"`
	// Starts is how it starts in play, in words; empty for there, on and as usual.
	Starts string `json:"starts"`
}

// PieceTerm is the name among what can be tried of a value of a piece.
func PieceTerm(r world.Ref, name string) string {
	return fmt.Sprintf("piece %d %d %s", r.Map, r.ID, name)
}

// Around are some values of a term from half to one and a half of the one that is set.
func Around(m measure.Measured) []float64 {
	list := make([]float64, 0, 5)
	for quarters := 2.; quarters <= 6; quarters++ {
		value := m.Value
		if quarters != 4 {
			value = math.Round(math.Round(m.Value*quarters/4/m.Step)*m.Step*100) / 100
		}
		list = append(list, min(max(value, m.Least), m.Most))
	}
	return slices.Compact(list)
}
