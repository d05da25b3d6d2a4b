package holding

import (
	"azzel/core/edit"
	"azzel/core/grid"
	"azzel/core/hand"
	"azzel/core/page"
	"azzel/core/world"
)

// Ghost is what would be laid, selected, moved or resized.
type Ghost struct {
	// Lays are drawn one over the other.
	Lays []LayView `json:"lays"`
	// Spans are boxes of one row of cells each: x, y, w, h, one after the other; of
	// what is one box, or too much, there are none. Box is round all of them.
	Spans []int         `json:"spans"`
	Box   *page.BoxView `json:"box"`
	// Stamp is where the block in the hand, or carried, would lie once.
	Stamp *page.BoxView `json:"stamp"`
	// Selects says that cells would be selected or moved rather than painted.
	Selects bool   `json:"selects"`
	Piece   string `json:"piece"`
	Erase   bool   `json:"erase"`
	// Room is what a new map, or the map Sized, would cover.
	Room  *page.BoxView `json:"room"`
	Sized string        `json:"sized"`
	// Lost are boxes whose contents would go, Moved those of maps that make room.
	Lost    []int          `json:"lost"`
	Moved   []page.BoxView `json:"moved"`
	Joins   []int          `json:"joins"`
	Text    string         `json:"text"`
	Problem string         `json:"problem"`
}

// LayView is what would be laid on one layer.
type LayView struct {
	Spans []int        `json:"spans"`
	Box   page.BoxView `json:"box"`
	Tile  int          `json:"tile"`
	// Cells are the cells of a medley, bond or block in the order of the spans, or of
	// the box, if they are not too many.
	Cells []int `json:"cells"`
}

// maxDealt is how many cells of a medley, bond or block a ghost shows one by one.
const maxDealt = 2000

// GhostHere is what would happen where the pointer is.
func GhostHere(p *page.Page) Ghost {
	d := p.Doc()
	l := d.Project.Lattice()
	g := p.Hand.Ghost()
	v := Ghost{Lays: []LayView{}, Spans: page.Spans(l, g.Region), Selects: g.Selects, Erase: g.Erase, Lost: []int{}, Moved: []page.BoxView{},
		Text: g.Text, Problem: g.Problem, Joins: []int{}}
	if g.Piece != 0 {
		v.Piece = page.FormatID(g.Piece)
	}
	if len(g.Region) > 0 {
		b := page.Box(l.Box(g.Region.Bounds()))
		v.Box = &b
	}
	if !g.Stamp.Empty() {
		b := page.Box(l.Box(g.Stamp))
		v.Stamp = &b
	}
	if !g.Room.Empty() {
		b := page.Box(l.Box(g.Room))
		v.Room = &b
	}
	if g.Sized != 0 {
		v.Sized = page.FormatID(g.Sized)
	}
	for _, s := range g.Lost {
		r := l.Box(grid.Rect{X: s.X0, Y: s.Y, W: s.X1 - s.X0 + 1, H: 1})
		v.Lost = append(v.Lost, r.X, r.Y, r.W, r.H)
	}
	for _, r := range g.Moved {
		v.Moved = append(v.Moved, page.Box(l.Box(r)))
	}
	if g.Joins {
		a, b := l.Pixel(g.From.Board), l.Pixel(g.To.Board)
		v.Joins = []int{a.X + l.W/2, a.Y + l.H/2, b.X + l.W/2, b.Y + l.H/2}
	}
	if !g.Erase {
		v.Lays = lays(p, d, g)
	}
	return v
}

// lays shows what a ghost would lay, cell by cell where cells differ and are not too
// many.
func lays(p *page.Page, d *world.Document, g hand.Ghost) []LayView {
	l := d.Project.Lattice()
	list, mixed, cells := []LayView{}, false, 0
	for _, lay := range g.Lays {
		m := d.Map(lay.Map)
		if m == nil {
			continue
		}
		region := lay.Region.Move(m.Origin)
		v := LayView{Spans: page.Spans(l, region), Box: page.Box(l.Box(region.Bounds())), Cells: []int{}}
		if lay.Medley == 0 && lay.Bond == 0 && lay.Block == nil {
			v.Tile = int(lay.Cell)
		} else {
			mixed = true
			cells += region.Len()
		}
		list = append(list, v)
	}
	if !mixed || cells > maxDealt || len(list) != len(g.Lays) {
		return list
	}
	after := d
	if e := hand.Laying(d, g.Lays); e != nil {
		res, err := edit.Apply(d, *e)
		if err != nil {
			return list
		}
		after = res.Document
	}
	for i, lay := range g.Lays {
		if list[i].Tile == 0 {
			laid := after.Map(lay.Map).Layer(lay.Layer).Cells.Read(lay.Region)
			laid.Over(lay.Region, func(_ grid.Point, c grid.Cell) { list[i].Cells = append(list[i].Cells, int(c)) })
		}
	}
	return list
}
