package supplies

import (
	"slices"

	"azzel/core/edit"
	"azzel/core/grid"
	"azzel/core/hand"
	"azzel/core/page"
	"azzel/core/page/holding"
	"azzel/core/tiles"
	"azzel/core/world"
)

// MedleyView is a medley in the drawer and on the desk.
type MedleyView struct {
	ID       string           `json:"id"`
	Name     string           `json:"name"`
	Tiles    []tiles.Weighted `json:"tiles"`
	Seed     int              `json:"seed"`
	Turned   bool             `json:"turned"`
	Mirrored bool             `json:"mirrored"`
}

// Dealing is what a medley is to be.
type Dealing struct {
	Tiles    []tiles.Weighted `json:"tiles"`
	Seed     int              `json:"seed"`
	Turned   bool             `json:"turned"`
	Mirrored bool             `json:"mirrored"`
}

func (d Dealing) medley() tiles.Medley {
	return tiles.Medley{Tiles: d.Tiles, Seed: d.Seed, Turned: d.Turned, Mirrored: d.Mirrored}
}

// ViewMedley is a medley as a view.
func ViewMedley(m *world.Medley) MedleyView {
	return MedleyView{page.FormatID(m.ID), m.Name, m.Tiles, m.Seed, m.Turned, m.Mirrored}
}

// MakeMedley makes a medley of tiles, and holds it. Without a name it is called for the first of them.
type MakeMedley struct {
	Name  string `json:"name,omitempty"`
	Tiles []int  `json:"tiles"`
}

// Do implements Order.
func (o MakeMedley) Do(p *page.Page) page.Changed {
	m := &world.Medley{ID: p.IDs.NewID(), Name: o.Name}
	for _, n := range o.Tiles {
		m.Tiles = append(m.Tiles, tiles.Weighted{Tile: n, Weight: max(1, p.Doc().TileOf(n).Weight)})
	}
	if m.Name == "" && len(o.Tiles) > 0 {
		m.Name = "Medley of " + hand.TileName(p.Doc(), grid.Cell(o.Tiles[0]))
	}
	return holding.MakeHeld(p, world.Ref{Sort: world.SortMedley, ID: m.ID}, m.Name, m.Values(), hand.Medley)
}

// ChangeMedley changes a medley.
type ChangeMedley struct {
	Medley page.ID            `json:"medley"`
	Change page.Part[Dealing] `json:"change"`
}

// Do implements Order.
func (o ChangeMedley) Do(p *page.Page) page.Changed {
	ref := world.Ref{Sort: world.SortMedley, ID: world.ID(o.Medley)}
	m := p.Doc().Medley(ref.ID)
	if m == nil {
		return p.Fail(world.ErrGone)
	}
	to, err := o.Change.Over(Dealing{slices.Clone(m.Tiles), m.Seed, m.Turned, m.Mirrored})
	if err != nil {
		return p.Fail(err)
	}
	next := *m
	next.Medley = to.medley()
	return p.Change(m.Name, edit.Changes(ref, m.Values(), next.Values()))
}

// Dealt is how a medley would be laid.
type Dealt struct {
	// Cells lie over a box of cells, row by row.
	Cells []int `json:"cells"`
	// Shares are the percentages of the tiles, in tenths.
	Shares []int `json:"shares"`
}

// DealtOver is how a medley would be laid over a box of w × h cells, each at most 64.
func DealtOver(p *page.Page, to Dealing, w, h int) Dealt {
	m := world.Medley{Medley: to.medley()}
	v := Dealt{[]int{}, []int{}}
	for _, t := range m.Tiles {
		v.Shares = append(v.Shares, (t.Weight*2000+m.Total())/(2*max(1, m.Total())))
	}
	for y := range min(h, 64) {
		for x := range min(w, 64) {
			v.Cells = append(v.Cells, int(m.Deal(p.Doc().Project.Lattice(), 0, 0, grid.Point{X: x, Y: y})))
		}
	}
	return v
}
