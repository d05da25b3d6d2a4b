package play

import (
	"fmt"
	"maps"
	"slices"

	"azzel/core/body"
	"azzel/core/grid"
	"azzel/core/kind"
	"azzel/core/limit"
	"azzel/core/logic"
	"azzel/core/pack"
	"azzel/core/world"
)

// turned is that the cells of an area have become others, because a rule says so.
type turned struct {
	// area is whose cells, is which of logic.CellWords but CellsPainted, patch what they became where that is CellsBecome.
	area  world.ID
	is    int
	patch world.ID
}

func encodeTurns(w *pack.Writer, list []turned) {
	w.Uint(uint64(len(list)))
	for _, t := range list {
		w.Uint(uint64(t.area))
		w.Int(t.is)
		w.Uint(uint64(t.patch))
	}
}

func decodeTurns(r *pack.Reader) (list []turned) {
	known := map[world.ID]bool{}
	for range r.Count(limit.Areas, 3) {
		t := turned{world.ID(r.Uint()), within(r, r.Int(), len(logic.CellWords)-1), world.ID(r.Uint())}
		if known[t.area] || t.is == logic.CellsPainted || t.is == logic.CellsCleared && t.patch != 0 {
			r.Fail(fmt.Errorf("%w: cells of an area became several things, or none", pack.ErrMalformed))
		}
		known[t.area] = true
		list = append(list, t)
	}
	return list
}

// turnCells lets the cells of an area become those of a patch, empty, or as they are painted. Where that changes what is solid, whoever is in it then is
// set down beside it. It reports false if that was done too often in this tick.
func (g *Game) turnCells(area world.ID, is int, patch world.ID) bool {
	a := g.doc.Area(area)
	if a == nil || g.doc.Map(a.Map) == nil || is == logic.CellsBecome && g.doc.Patch(patch) == nil {
		return true
	}
	next := turned{area, is, patch}
	i := slices.IndexFunc(g.turns, func(t turned) bool { return t.area == area })
	switch {
	case i < 0 && is == logic.CellsPainted:
		return true
	case i >= 0 && i == len(g.turns)-1 && g.turns[i] == next:
		return true
	}
	if g.ground != nil && g.isAround(g.doc.Map(a.Map)) {
		if g.takes++; g.takes > mostTakes {
			return false
		}
	}
	if i >= 0 {
		g.turns = slices.Delete(g.turns, i, i+1)
	}
	if is != logic.CellsPainted {
		// What became so last lies over what became so before.
		g.turns = append(g.turns, next)
	}
	g.laid, g.shown = nil, nil
	g.changedGround(g.doc.Map(a.Map))
	return true
}

// changedGround looks anew at what is solid on a map, and sets down beside it whoever is in something solid then.
func (g *Game) changedGround(m *world.Map) {
	g.stale = true
	if g.ground != nil && g.isAround(m) {
		clear(g.grounds)
		g.stand(g.ground.Map)
		if !g.drifting {
			g.makeRoom()
		}
		return
	}
	// Others lie beside that map.
	maps.DeleteFunc(g.grounds, func(_ world.ID, of *body.Ground) bool { return of != g.ground })
}

// planes are the cells of layers in which some have become others; nil for none. The cost, once for each time that they did, grows with the cells of the
// areas, and with the layers of their maps.
func (g *Game) planes() map[world.ID]grid.Plane {
	if g.laid != nil || len(g.turns) == 0 {
		return g.laid
	}
	g.laid = map[world.ID]grid.Plane{}
	for _, t := range g.turns {
		a := g.doc.Area(t.area)
		if a == nil {
			continue
		}
		m := g.doc.Map(a.Map)
		if m == nil {
			continue
		}
		cells := a.Cells.Within(m.Bounds)
		if t.is == logic.CellsCleared {
			for _, l := range m.Layers[min(1, len(m.Layers)):] {
				g.lay(l, cells, func(grid.Point) (grid.Cell, bool) { return 0, true })
			}
			continue
		}
		p := g.doc.Patch(t.patch)
		if p == nil || p.Block.W < 1 || p.Block.H < 1 {
			continue
		}
		at := a.Cells.Bounds()
		walks := slices.IndexFunc(m.Layers, func(l *world.Layer) bool { return l.ID == m.PlayerLayer })
		for _, b := range p.Block.Layers {
			k := walks + b.Depth
			if k < 0 || k >= len(m.Layers) {
				continue
			}
			read := grid.Reader{Plane: b.Cells}
			g.lay(m.Layers[k], cells, func(c grid.Point) (grid.Cell, bool) {
				is := read.At((c.X-at.X)%p.Block.W, (c.Y-at.Y)%p.Block.H)
				return is, is != 0
			})
		}
	}
	return g.laid
}

// lay lets cells of a layer be others, those for which there is one.
func (g *Game) lay(l *world.Layer, cells grid.Region, to func(grid.Point) (grid.Cell, bool)) {
	was, there := g.laid[l.ID]
	if !there {
		was = l.Cells
	}
	e := was.Edit()
	for _, s := range cells {
		for x := s.X0; x <= s.X1; x++ {
			c := grid.Point{X: x, Y: s.Y}
			if is, sets := to(c); sets {
				e.Set(c, is)
			}
		}
	}
	g.laid[l.ID] = e.Done()
}

// Shown is the document as it is seen in play: with the cells that rules have let become others, and without those of layers that are not seen on maps
// on which the player is not. It is false as long as there are none, so that it is seen as it is. It is the same document until that changes.
func (g *Game) Shown() (d *world.Document, other bool) {
	if len(g.turns) == 0 && !slices.ContainsFunc(g.layers, func(l presence) bool { return l.is != kind.There }) {
		return nil, false
	}
	if g.shown != nil {
		return g.shown, true
	}
	planes := maps.Clone(g.planes())
	if planes == nil {
		planes = map[world.ID]grid.Plane{}
	}
	for _, l := range g.layers {
		if m, _ := g.doc.LayerOn(l.piece); l.is != kind.There && m != nil && m.ID != g.mapID {
			planes[l.piece] = grid.Plane{}
		}
	}
	g.shown = g.doc.WithCells(planes)
	return g.shown, true
}
