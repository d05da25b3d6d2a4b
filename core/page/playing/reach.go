package playing

import (
	"azzel/core/grid"
	"azzel/core/page"
	"azzel/core/play"
	"azzel/core/world"
)

// ReachView is where the player can jump to from one place, in pixels of the board.
type ReachView struct {
	// Arcs are the ways of the foot: x and y in turns.
	Arcs [][]float64 `json:"arcs"`
	// Landings are the cells on which one comes to stand.
	Landings []page.BoxView `json:"landings"`
}

// Reach is where the player can jump to from a cell of a map; nothing from above, or where
// nobody can stand.
func Reach(p *page.Page, id world.ID, cell grid.Point) ReachView {
	d := p.Doc()
	v := ReachView{Arcs: [][]float64{}, Landings: []page.BoxView{}}
	m := d.Map(id)
	if m == nil {
		return v
	}
	r, ok := play.ReachFrom(d, m, cell)
	if !ok {
		return v
	}
	l := d.Project.Lattice()
	origin := l.Pixel(m.Origin)
	for _, arc := range r.Arcs {
		line := make([]float64, 0, 2*len(arc))
		for _, at := range arc {
			line = append(line, float64(at.X)/256+float64(origin.X), float64(at.Y)/256+float64(origin.Y))
		}
		v.Arcs = append(v.Arcs, line)
	}
	for _, c := range r.Landings {
		v.Landings = append(v.Landings, page.Box(l.Box(grid.Rect{X: c.X, Y: c.Y, W: 1, H: 1}.Move(m.Origin))))
	}
	return v
}
