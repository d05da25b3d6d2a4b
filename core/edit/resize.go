package edit

import (
	"fmt"
	"strings"

	"azzel/core/grid"
	"azzel/core/kind"
	"azzel/core/world"
)

// A Resize gives a map other bounds. All that lies on it stays where it is; what
// would lie outside goes.
type Resize struct {
	Map    world.ID
	Bounds grid.Rect
	// Moves are maps that make room, by the place where their cell (0, 0) goes.
	Moves map[world.ID]grid.Point
}

// A Loss is what a Resize takes away.
type Loss struct {
	// Cells are painted cells over all layers; Pieces and Crossings go as a whole.
	Cells     int
	Pieces    []*world.Piece
	Crossings []*world.Crossing
}

// String says in words what is lost; empty if nothing is.
func (l Loss) String() string {
	var list []string
	add := func(n int, one, more string) {
		switch {
		case n == 1:
			list = append(list, "1 "+one)
		case n > 1:
			list = append(list, fmt.Sprintf("%d %s", n, more))
		}
	}
	add(l.Cells, "painted cell", "painted cells")
	add(len(l.Pieces), "piece", "pieces")
	add(len(l.Crossings), "crossing", "crossings")
	return strings.Join(list, ", ")
}

// Loss finds what the resizing takes away. The cost grows with the painted cells
// of the map if it becomes smaller on any side.
func (r Resize) Loss(d *world.Document) Loss {
	var loss Loss
	m := d.Map(r.Map)
	if m == nil || r.Bounds.Holds(m.Bounds) {
		return loss
	}
	for _, l := range m.Layers {
		filled := l.Cells.Filled()
		loss.Cells += filled.Len() - filled.Within(r.Bounds).Len()
	}
	box := d.Project.Lattice().Box(r.Bounds)
	for _, p := range m.Pieces {
		if !box.Has(p.Foot) {
			loss.Pieces = append(loss.Pieces, p)
		}
	}
	for _, c := range d.CrossingsOf(m.ID) {
		for _, end := range c.Ends {
			if end.Map == m.ID && end.Cells.Meet(r.Bounds).Empty() {
				loss.Crossings = append(loss.Crossings, c)
				break
			}
		}
	}
	return loss
}

// Edit is the one step that does it. Bonds that join to the border join to the new
// one, and no longer to the old.
func (r Resize) Edit(d *world.Document) (Edit, error) {
	m := d.Map(r.Map)
	if m == nil {
		return Edit{}, world.ErrGone
	}
	e := Edit{Label: Clip(fmt.Sprintf("resize %s to %d × %d cells", m.Name, r.Bounds.W, r.Bounds.H))}
	add := func(p Part) { e.Parts = append(e.Parts, p) }
	loss := r.Loss(d)
	for _, c := range loss.Crossings {
		e.Parts = append(e.Parts, RemoveRules(d, kind.Crossing, c.ID)...)
		add(Remove{Ref: world.Ref{Sort: world.SortCrossing, ID: c.ID}})
	}
	e.Parts = append(e.Parts, RemoveWith(d, loss.Pieces...)...)
	for _, p := range loss.Pieces {
		add(Remove{Ref: world.Ref{Sort: world.SortPiece, Map: m.ID, ID: p.ID}})
	}
	r.narrow(d, m, loss, add)
	border := borders(m.Bounds, r.Bounds)
	type mended struct {
		layer world.ID
		g     grid.Region
		cells grid.Runs
	}
	var mend []mended
	for _, l := range m.Layers {
		if g := l.Cells.Filled().Minus(grid.BoxRegion(r.Bounds)); len(g) > 0 {
			add(Paint{Map: m.ID, Layer: l.ID, Region: g, Cells: grid.Runs{{N: g.Len()}}})
		}
		if len(d.Bonds) == 0 {
			continue
		}
		if g := border.Where(d.Follows(m, l)); len(g) > 0 {
			mend = append(mend, mended{l.ID, g, l.Cells.Read(g)})
		}
	}
	for _, o := range d.Maps {
		if to, moves := r.Moves[o.ID]; moves && to != o.Origin {
			add(Change{Ref: world.Ref{Sort: world.SortMap, ID: o.ID}, Value: world.PointValue(world.FieldOrigin, to)})
		}
	}
	add(Change{Ref: world.Ref{Sort: world.SortMap, ID: m.ID}, Value: world.RectValue(world.FieldBounds, r.Bounds)})
	for _, x := range mend {
		add(Paint{Map: m.ID, Layer: x.layer, Region: x.g, Cells: x.cells, Loose: x.g})
	}
	return e, nil
}

// narrow cuts doorways of which a part stays.
func (r Resize) narrow(d *world.Document, m *world.Map, loss Loss, add func(Part)) {
	gone := map[world.ID]bool{}
	for _, c := range loss.Crossings {
		gone[c.ID] = true
	}
	for _, c := range d.CrossingsOf(m.ID) {
		if gone[c.ID] {
			continue
		}
		next := *c
		for i, end := range c.Ends {
			if end.Map == m.ID {
				next.Ends[i].Cells = end.Cells.Meet(r.Bounds)
			}
		}
		e := Changes(world.Ref{Sort: world.SortCrossing, ID: c.ID}, c.Values(), next.Values())
		for _, p := range e {
			add(p)
		}
	}
}

// borders is the cells along the edge of two boxes that lie in both.
func borders(was, is grid.Rect) grid.Region {
	both := was.Meet(is)
	return grid.Ring(was, 1).Join(grid.Ring(is, 1)).Within(both)
}
