package play_test

import (
	"math/rand/v2"

	"azzel/core/edit"
	"azzel/core/grid"
	"azzel/core/kinds/props"
	"azzel/core/play"
	"azzel/core/play/generate"
	"azzel/core/tiles"
	"azzel/core/world"
)

func randomEdit(r *rand.Rand, d *world.Document, g *play.Game) edit.Edit {
	m := d.Maps[r.IntN(len(d.Maps))]
	at := g.Status().Place.Cell(d.Project.Lattice())
	if r.IntN(2) == 0 {
		if e := otherEdit(r, d, m); len(e.Parts) > 0 {
			return e
		}
	}
	switch r.IntN(6) {
	case 0, 1:
		return edit.Edit{Parts: []edit.Part{paint(m, grid.Rect{X: at.X - 1, Y: at.Y - 1, W: 1 + r.IntN(4), H: 1 + r.IntN(4)}.Meet(m.Bounds).Join(grid.Rect{X: m.Bounds.X, Y: m.Bounds.Y, W: 1, H: 1}), grid.Cell(tiles.Wall))}}
	case 2:
		c := generate.Cell(r, m)
		return edit.Edit{Parts: []edit.Part{paint(m, grid.Rect{X: c.X, Y: c.Y, W: 3, H: 3}, grid.Cell(r.IntN(5)))}}
	case 3:
		set := d.Tilesets[0]
		i := r.IntN(set.Count)
		is := set.Tile(i)
		becomes := is
		few, fewer := r.Uint64(), r.Uint64()
		becomes.Solid = tiles.Mask(few & fewer)
		if r.IntN(3) == 0 {
			becomes.Solid = ^is.Solid
		}
		e := edit.Edit{}
		for _, v := range world.TileValues(i, is, becomes) {
			e.Parts = append(e.Parts, edit.Change{Ref: world.Ref{Sort: world.SortTileset, ID: set.ID}, Value: v})
		}
		return e
	case 4:
		if len(d.Crossings) > 0 {
			return edit.Edit{Parts: []edit.Part{edit.Remove{Ref: world.Ref{Sort: world.SortCrossing, ID: d.Crossings[0].ID}}}}
		}
	}
	if len(d.Maps) > 1 {
		return edit.Edit{Parts: []edit.Part{edit.Remove{Ref: world.Ref{Sort: world.SortMap, ID: m.ID}}}}
	}
	return edit.Edit{Parts: []edit.Part{edit.Change{Ref: world.Ref{Sort: world.SortProject}, Value: world.TextValue(world.FieldName, "Trial")}}}
}

// otherEdit is a random edit of how a map is seen and edged, of how the player moves, of pieces and of layers; of no parts
// if there is nothing to change.
func otherEdit(r *rand.Rand, d *world.Document, m *world.Map) (e edit.Edit) {
	add := func(p ...edit.Part) { e.Parts = append(e.Parts, p...) }
	ref := world.Ref{Sort: world.SortMap, ID: m.ID}
	next := *m
	switch r.IntN(7) {
	case 0:
		next.View = world.SideView - m.View
		add(edit.Changes(ref, m.Values(), next.Values())...)
	case 1:
		next.Edges[r.IntN(4)] = world.Edge(r.IntN(len(world.EdgeNames)))
		add(edit.Changes(ref, m.Values(), next.Values())...)
	case 2:
		if c := d.Character(d.Project.Player); c != nil {
			who := *c
			who.Movement = generate.Movement(r)
			add(edit.Changes(world.Ref{Sort: world.SortCharacter, ID: c.ID}, c.Values(), who.Values())...)
		}
	case 3, 4:
		if len(m.Pieces) == 0 {
			break
		}
		p := m.Pieces[r.IntN(len(m.Pieces))]
		of := world.Ref{Sort: world.SortPiece, Map: m.ID, ID: p.ID}
		is := *p
		is.Foot = m.FootOf(d.Project.Lattice(), p.Type, generate.Cell(r, m))
		is.Props = is.Props.With(props.Looks.Is(r.IntN(5)), props.Does.Is(r.IntN(5)))
		switch r.IntN(3) {
		case 0:
			add(edit.Changes(of, p.Values(), is.Values())...)
		case 1:
			add(edit.Remove{Ref: of})
		default:
			is.Number = 0
			add(edit.Put{Ref: world.Ref{Sort: world.SortPiece, Map: m.ID, ID: world.ID(9<<32 | r.IntN(1<<30) + 1)}, Values: is.Values()})
		}
	case 5:
		l := m.Layers[len(m.Layers)-1]
		is := *l
		is.Counts = !l.Counts
		c := generate.Cell(r, m)
		g := grid.BoxRegion(grid.Rect{X: c.X, Y: c.Y, W: 4, H: 3}.Meet(m.Bounds))
		add(edit.Changes(world.Ref{Sort: world.SortLayer, Map: m.ID, ID: l.ID}, l.Values(), is.Values())...)
		add(edit.Paint{Map: m.ID, Layer: l.ID, Region: g, Cells: grid.Runs{{N: g.Len(), Cell: grid.Cell(r.IntN(6))}}})
	case 6:
		to := m.Bounds
		to.W, to.H = max(3, to.W+r.IntN(5)-2), max(3, to.H+r.IntN(5)-2)
		e, _ = edit.Resize{Map: m.ID, Bounds: to}.Edit(d)
	}
	return e
}
