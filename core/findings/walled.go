package findings

import (
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
	at := groundOf(d, m)
	is, known := f.rooms[at]
	if !known {
		is = roomsOf(d, m)
		f.rooms[at] = is
	}
	l := d.Project.Lattice()
	return is.apart(l.CellAt(who.Foot), l.CellAt(to.Foot)) && !layersChange(d, m) && !moved(d, m)
}

// rooms are the cells of a map that hang together by their sides and are not solid all over: which of them each is of, by row and column; 0 for a cell
// that is solid.
type rooms struct {
	bounds grid.Rect
	of     []int32
}

// roomsOf looks at each cell of a map once.
func roomsOf(d *world.Document, m *world.Map) rooms {
	g := solidOn(d, m)
	r := rooms{m.Bounds, make([]int32, m.Bounds.W*m.Bounds.H)}
	var number int32
	var next []grid.Point
	enter := func(c grid.Point) {
		if at := r.at(c); at != nil && *at == 0 && !g.Opaque(c) {
			*at = number
			next = append(next, c)
		}
	}
	for y := range r.bounds.H {
		for x := range r.bounds.W {
			number++
			for enter(grid.Point{X: r.bounds.X + x, Y: r.bounds.Y + y}); len(next) > 0; {
				c := next[len(next)-1]
				next = next[:len(next)-1]
				for _, by := range []grid.Point{{X: 1}, {X: -1}, {Y: 1}, {Y: -1}} {
					enter(c.Add(by))
				}
			}
		}
	}
	return r
}

// at is of which room a cell is; nil outside the map.
func (r rooms) at(c grid.Point) *int32 {
	if !r.bounds.Has(c) {
		return nil
	}
	return &r.of[(c.Y-r.bounds.Y)*r.bounds.W+c.X-r.bounds.X]
}

// apart reports whether walls lie between a cell and another one with those round it, so that no way leads there from side to side.
func (r rooms) apart(from, to grid.Point) bool {
	in := r.at(from)
	if in == nil || *in == 0 {
		return false
	}
	for y := to.Y - 1; y <= to.Y+1; y++ {
		for x := to.X - 1; x <= to.X+1; x++ {
			if is := r.at(grid.Point{X: x, Y: y}); is != nil && *is == *in {
				return false
			}
		}
	}
	return true
}

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
