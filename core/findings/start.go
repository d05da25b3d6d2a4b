package findings

import (
	"azzel/core/body"
	"azzel/core/grid"
	"azzel/core/kind"
	"azzel/core/logic"
	"azzel/core/world"
)

// atStarts finds what is wrong with named starts: what they name is gone, or can't be so any more. There are few of them, so that they
// are looked at each time.
func (g *glance) atStarts(hasRoom func(*world.Document, *world.NamedStart) bool) (list []Finding) {
	for _, s := range g.d.Starts {
		found := func(f Fault, sort kind.Thing, id world.ID) {
			list = append(list, Finding{Fault: f, Of: world.StartRef(s.ID), Sort: sort, Thing: id})
		}
		switch m := g.d.Map(s.Map); {
		case m == nil:
			found(Gone, kind.Map, s.Map)
		case !m.Bounds.Has(s.Cell):
			found(OffMap, kind.Map, s.Map)
		case !hasRoom(g.d, s):
			found(InWall, kind.Map, s.Map)
		}
		for _, i := range s.Items {
			if g.d.Item(i.Item) == nil {
				found(Gone, kind.Item, i.Item)
			}
		}
		for _, f := range s.Facts {
			switch is := g.d.Fact(f.Fact); {
			case is == nil:
				found(Gone, kind.Fact, f.Fact)
			case !f.Fits(is):
				found(CannotBe, kind.Fact, f.Fact)
			}
		}
		for _, is := range s.States {
			switch p := g.placed[is.Piece]; {
			case p == nil:
				found(Gone, kind.Piece, is.Piece)
			case !is.Fits(p):
				found(CannotBe, kind.Piece, is.Piece)
			}
		}
	}
	return list
}

// ground is on what it depends what is solid on a map. A list that has changed stands elsewhere.
type ground struct {
	layers   **world.Layer
	bounds   grid.Rect
	view     world.View
	tilesets *world.Tileset
	// crossings are those whose doorways are open.
	crossings **world.Crossing
	// layered, tiled and crossed are how many there are of each.
	layered, tiled, crossed int
	project                 world.Project
}

func groundOf(d *world.Document, m *world.Map) ground {
	g := ground{bounds: m.Bounds, view: m.View, layered: len(m.Layers), tiled: len(d.Tilesets), crossed: len(d.Crossings), project: d.Project}
	if g.layered > 0 {
		g.layers = &m.Layers[0]
	}
	if g.tiled > 0 {
		g.tilesets = d.Tilesets[g.tiled-1]
	}
	if g.crossed > 0 {
		g.crossings = &d.Crossings[0]
	}
	return g
}

// solidOn is what is solid on a map by itself.
func solidOn(d *world.Document, m *world.Map) *body.Ground {
	alone := *d
	alone.Maps = []*world.Map{m}
	return body.NewGround(&alone, m)
}

// A spot is what it depends on whether there is room for the player at a start.
type spot struct {
	ground
	cell  grid.Point
	moves world.Movement
}

// mostSpots is how many spots are kept, mostRooms of how many maps the rooms are.
const mostSpots, mostRooms = 1000, 100

// forgetGrounds forgets what depends on what is solid, once that is much or tiles do something else.
func (f *Finder) forgetGrounds(d *world.Document) {
	if len(f.roomy) > mostSpots || len(f.rooms) > mostRooms || f.last != nil && !sameTilesets(f.last, d) {
		f.roomy, f.rooms = nil, nil
	}
	if f.roomy == nil {
		f.roomy, f.rooms = map[spot]bool{}, map[ground]rooms{}
	}
}

// hasRoom reports whether there is room for the player at a start. Where wires or rules let layers of its map come and go, that is not known, and taken for so.
func (f *Finder) hasRoom(d *world.Document, s *world.NamedStart) bool {
	at := spot{groundOf(d, d.Map(s.Map)), s.Cell, d.Played()}
	is, known := f.roomy[at]
	if !known {
		cell, free := FreePlace(d, s)
		is = free && cell == s.Cell
		f.roomy[at] = is
	}
	return is || layersChange(d, d.Map(s.Map))
}

func sameTilesets(a, b *world.Document) bool {
	if len(a.Tilesets) != len(b.Tilesets) {
		return false
	}
	for i, t := range a.Tilesets {
		if t != b.Tilesets[i] {
			return false
		}
	}
	return true
}

// layersChange reports whether wires or rules may change what is solid on a map: its layers, or cells of them.
func layersChange(d *world.Document, m *world.Map) (may bool) {
	for _, w := range d.Wires {
		may = may || m.Layer(w.To) != nil
	}
	for _, r := range d.Rules {
		for i := range r.Parts {
			p := &r.Parts[i]
			may = may || p.Does == logic.SetLayer && m.Layer(p.Thing) != nil
			if a := d.Area(p.Thing); p.Does == logic.SetCells && a != nil {
				may = may || a.Map == m.ID
			}
		}
	}
	return may
}

// FreePlace is the place nearest to a start where there is room for the player, whatever stands there and lies beside its map; false if there is none.
func FreePlace(d *world.Document, s *world.NamedStart) (cell grid.Point, free bool) {
	m := d.Map(s.Map)
	return solidOn(d, m).Nearest(body.SizeOf(d.Project.Lattice(), m.View, d.Played()), s.Cell, -1)
}
