package tilework

import (
	"azzel/core/edit"
	"azzel/core/grid"
	"azzel/core/hand"
	"azzel/core/page"
	"azzel/core/picture"
	"azzel/core/world"
)

// Reskin is a re-skin as it is being chosen.
type Reskin struct {
	// Map is the map it is about, empty for all.
	Map string `json:"map"`
	// Selected says that it is about the cells that are selected on it.
	Selected bool   `json:"selected"`
	From     string `json:"from"`
	To       string `json:"to"`
	// By is position, name or role.
	By string `json:"by"`
	// Chosen are replacements chosen by hand: a tile's number, and that of the tile
	// that takes its place, 0 for none.
	Chosen []Pair `json:"chosen"`
}

// Pair is a tile and the tile that takes its place.
type Pair struct {
	From int `json:"from"`
	To   int `json:"to"`
}

// ReskinView is what a re-skin would do.
type ReskinView struct {
	Matches []MatchView `json:"matches"`
	// Cells is how many cells would change, Unmatched how many tiles have nothing
	// that takes their place.
	Cells     int `json:"cells"`
	Unmatched int `json:"unmatched"`
}

// MatchView is a tile that is used and what takes its place.
type MatchView struct {
	From   int    `json:"from"`
	Name   string `json:"name"`
	To     int    `json:"to"`
	Cells  int    `json:"cells"`
	Chosen bool   `json:"chosen"`
}

func plan(p *page.Page, r Reskin) edit.Reskin {
	plan := edit.Reskin{Map: page.ParseID(r.Map), From: page.ParseID(r.From), To: page.ParseID(r.To), By: edit.Likeness(r.By), Chosen: map[int]int{}}
	for _, c := range r.Chosen {
		plan.Chosen[c.From] = c.To
	}
	if r.Selected {
		if cells := p.Hand.Chosen(p.Doc()); cells.Map == plan.Map {
			plan.Within = append(grid.Region{}, cells.Region...) // none selected is none at all
		}
	}
	return plan
}

// Reskinned says what a re-skin would do.
func Reskinned(p *page.Page, r Reskin) ReskinView {
	d := p.Doc()
	v := ReskinView{Matches: []MatchView{}}
	for _, m := range plan(p, r).Matches(d) {
		set, i := d.TilesetOf(m.From)
		v.Matches = append(v.Matches, MatchView{m.From, hand.TileCalled(set, i), m.To, m.Cells, m.Chosen})
		if m.To == 0 && !m.Chosen {
			v.Unmatched++
		} else if m.To != 0 && m.To != m.From {
			v.Cells += m.Cells
		}
	}
	return v
}

// ReskinPicture draws a map small, within side pixels, as it would be after a
// re-skin; before it if r.To is empty.
func ReskinPicture(p *page.Page, r Reskin, id world.ID, side int) (pixels []byte, w, h int) {
	d := p.Doc()
	if r.To != "" {
		e, _ := plan(p, r).Edit(d)
		res, err := edit.Apply(d, e)
		if err != nil {
			return nil, 0, 0
		}
		d = res.Document
	}
	m := d.Map(id)
	if m == nil {
		return nil, 0, 0
	}
	p.Bitmaps.Atlas.AddMissing(d)
	return p.Bitmaps.Atlas.Map(m, picture.AllLayers, side)
}

// ProposedReskin is what a re-skin of a map begins with: the tileset that is used
// most there gives way to the latest other one.
func ProposedReskin(p *page.Page, id world.ID) Reskin {
	d := p.Doc()
	r := Reskin{Map: page.FormatID(id), By: string(edit.ByPosition), Chosen: []Pair{}}
	if d.Map(id) == nil {
		r.Map = ""
	}
	most := -1
	var from *world.Tileset
	for _, t := range d.Tilesets {
		used := 0
		for _, n := range edit.TileCells(d, t, page.ParseID(r.Map)) {
			used += n
		}
		if used > most {
			most, from = used, t
		}
	}
	if from == nil {
		return r
	}
	r.From = page.FormatID(from.ID)
	r.To = r.From
	for _, t := range d.Tilesets {
		if t != from {
			r.To = page.FormatID(t.ID)
		}
	}
	return r
}

// TileCells counts for each tile of a tileset the cells of all maps that hold it.
func TileCells(p *page.Page, id world.ID) []int {
	if t := p.Doc().Tileset(id); t != nil {
		return edit.TileCells(p.Doc(), t, 0)
	}
	return []int{}
}

// ApplyReskin does a re-skin.
type ApplyReskin struct {
	Plan Reskin `json:"plan"`
}

// Do implements Order.
func (o ApplyReskin) Do(p *page.Page) page.Changed {
	plan := plan(p, o.Plan)
	plan.Pace = p.Replica.Pace
	e, cells := plan.Edit(p.Doc())
	if cells == 0 {
		return p.Refuse("Nothing would change: choose what takes the place of the tiles that are used.")
	}
	return p.Do(e)
}
