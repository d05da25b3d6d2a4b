package findings

import (
	"azzel/core/body"
	"azzel/core/grid"
	"azzel/core/kinds/props"
	"azzel/core/logic"
	"azzel/core/stage"
	"azzel/core/world"
)

// A walk is that an action sends one piece to another.
type walk struct {
	part     world.ID
	from, to world.ID
}

// mostFlooded is how many cells a map has at most on which it is looked whether walls shut somebody off.
const mostFlooded = 1 << 16

// walled finds the actions that send somebody to where walls keep them from for good, of rules in their order.
func (f *Finder) walled(d *world.Document, rules []*look) (list []Finding) {
	for _, l := range rules {
		for _, w := range l.walks {
			if f.shutOff(d, w) {
				list = append(list, Finding{Fault: NoWay, Of: world.RuleRef(l.rule.ID), Part: w.part})
			}
		}
	}
	return list
}

// shutOff reports whether walls keep a piece from another for good, as far as that is certain: both stand on a map seen from above out of which nobody
// walks, nothing there is put elsewhere, carried, or led along a track, and no rule or wire changes what is solid. What stands in the way besides is not
// looked at, nor what is solid in part.
func (f *Finder) shutOff(d *world.Document, w walk) bool {
	m := d.Map(f.on[w.from])
	who, to := f.placed[w.from], f.placed[w.to]
	if m == nil || who == nil || to == nil || f.on[w.to] != m.ID || m.View != world.TopDown || m.Edges != (world.Edges{}) || m.Bounds.W*m.Bounds.H > mostFlooded {
		return false
	}
	if k := to.Kind(); k.Goes || k.Pushed || k.Ridden || k.Drawn || who.Refers(props.Track) != 0 {
		return false
	}
	l := d.Project.Lattice()
	at := apart{m, l.CellAt(who.Foot), l.CellAt(to.Foot), d.Project, nil, len(d.Tilesets)}
	if at.count > 0 {
		at.tilesets = d.Tilesets[at.count-1]
	}
	if len(f.shut) > mostSpots || f.last != nil && !sameTilesets(f.last, d) {
		f.shut = nil
	}
	is, known := f.shut[at]
	if !known {
		if f.shut == nil {
			f.shut = map[apart]bool{}
		}
		is = walls(d, m, at.from, at.to)
		f.shut[at] = is
	}
	return is && !layersChange(d, m) && !moved(d, m)
}

// apart is on what it depends whether walls lie between two cells.
type apart struct {
	m        *world.Map
	from, to grid.Point
	project  world.Project
	tilesets *world.Tileset
	count    int
}

// walls reports whether walls lie between a cell and another one with those round it, so that no way leads from side to side over cells that are not
// solid all over.
func walls(d *world.Document, m *world.Map, from, to grid.Point) bool {
	alone := *d
	alone.Maps = []*world.Map{m}
	g := body.NewGround(&alone, m)
	if !m.Bounds.Has(from) || g.Opaque(from) {
		return false
	}
	seen := make([]bool, m.Bounds.W*m.Bounds.H)
	at := func(c grid.Point) *bool { return &seen[(c.Y-m.Bounds.Y)*m.Bounds.W+c.X-m.Bounds.X] }
	*at(from) = true
	for next := []grid.Point{from}; len(next) > 0; {
		c := next[len(next)-1]
		next = next[:len(next)-1]
		if max(abs(c.X-to.X), abs(c.Y-to.Y)) <= 1 {
			return false
		}
		for _, by := range []grid.Point{{X: 1}, {X: -1}, {Y: 1}, {Y: -1}} {
			if c := c.Add(by); m.Bounds.Has(c) && !*at(c) && !g.Opaque(c) {
				*at(c) = true
				next = append(next, c)
			}
		}
	}
	return true
}

func abs(n int) int { return max(n, -n) }

// moved reports whether anything on a map may come to be elsewhere than it can walk: it is carried, or a rule puts something somewhere or lets it follow
// a track.
func moved(d *world.Document, m *world.Map) bool {
	for _, p := range m.Pieces {
		if _, carries := p.Kind().Behaviour.(stage.Carrier); carries || p.Kind().Drawn || stage.LetsOut(p.Kind()) {
			return true
		}
	}
	for _, r := range d.Rules {
		for i := range r.Parts {
			if does := r.Parts[i].Does; does == logic.PutAt || does == logic.FollowTrack {
				return true
			}
		}
	}
	return false
}
