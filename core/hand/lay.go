package hand

import (
	"fmt"
	"strings"

	"azzel/core/board"
	"azzel/core/edit"
	"azzel/core/grid"
	"azzel/core/pace"
	"azzel/core/world"
)

// A Lay is what would be laid on one layer of one map.
type Lay struct {
	Map, Layer world.ID
	Region     grid.Region
	Supply
	// Makes, unless nil, is the layer that the map lacks and that is made for it.
	Makes *world.Layer
}

// A swath is a part of a stroke that is laid of one supply, in cells of the board.
type swath struct {
	region grid.Region
	supply Supply
}

// An axis is a mirror line of the board: x lies opposite to X − x, y to Y − y.
type axis grid.Point

// Mirror says how strokes are repeated on the other side of a line.
type Mirror struct {
	LeftRight, TopBottom bool
}

// axisOf is the mirror line of a map: the one set, else through its middle.
func (h *Hand) axisOf(m *world.Map) axis {
	if a, set := h.axes[m.ID]; set {
		return axis{a.X + 2*m.Origin.X, a.Y + 2*m.Origin.Y}
	}
	on := m.OnBoard()
	return axis{2*on.X + on.W - 1, 2*on.Y + on.H - 1}
}

// SetAxis lets the mirror lines of a map go through the middle of one of its cells.
func (h *Hand) SetAxis(m *world.Map, c grid.Point) {
	h.axes[m.ID] = grid.Point{X: 2 * c.X, Y: 2 * c.Y}
}

// Axis is where the mirror lines of a map are, in half cells of the map from the
// middle of cell (0, 0).
func (h *Hand) Axis(m *world.Map) grid.Point {
	a := h.axisOf(m)
	return grid.Point{X: a.X - 2*m.Origin.X, Y: a.Y - 2*m.Origin.Y}
}

// mirror is a region of the board on the other side of an axis.
func (a axis) mirror(g grid.Region, leftRight bool) grid.Region {
	spans := make([]grid.Span, len(g))
	for i, s := range g {
		spans[i] = grid.Span{Y: a.Y - s.Y, X0: s.X0, X1: s.X1}
		if leftRight {
			spans[i] = grid.Span{Y: s.Y, X0: a.X - s.X1, X1: a.X - s.X0}
		}
	}
	return grid.RegionOf(spans)
}

// mirrored adds to swaths what lies opposite. Where both would be laid, what was
// drawn itself is.
func (h *Hand) mirrored(d *world.Document, m *world.Map, swaths []swath) []swath {
	a := h.axisOf(m)
	for _, leftRight := range []bool{true, false} {
		if leftRight && !h.Mirror.LeftRight || !leftRight && !h.Mirror.TopBottom {
			continue
		}
		var taken grid.Region
		for _, s := range swaths {
			taken = taken.Join(s.region)
		}
		for _, s := range swaths[:len(swaths):len(swaths)] {
			if g := a.mirror(s.region, leftRight).Minus(taken); len(g) > 0 {
				swaths = append(swaths, swath{g, s.supply.mirrored(d, a, leftRight)})
			}
		}
	}
	return swaths
}

// reach lists the maps that a stroke begun on m may run over: those that touch it,
// those that touch these, and so on.
func reach(d *world.Document, m *world.Map) []*world.Map {
	list := []*world.Map{m}
	in := map[world.ID]bool{m.ID: true}
	for i := 0; i < len(list); i++ {
		for _, o := range board.Touching(d, list[i].ID, list[i].OnBoard()) {
			if !in[o.ID] {
				in[o.ID] = true
				list = append(list, o)
			}
		}
	}
	return list
}

// lays divides swaths by map and layer. Maps on whose layer nothing can be laid are
// left out, unless it is the first; why is said then.
func (h *Hand) lays(d *world.Document, maps []*world.Map, swaths []swath, erase bool) (lays []Lay, problem string) {
	for i, m := range maps {
		on := m.OnBoard()
		away := grid.Point{X: -m.Origin.X, Y: -m.Origin.Y}
		made := map[int]*world.Layer{}
		for _, s := range swaths {
			g := s.region.Within(on)
			if len(g) == 0 {
				continue
			}
			h.Pace.Did(g.Len())
			for _, t := range h.targets(d, maps[0], m, s.supply, erase) {
				layer, makes := t.layer, (*world.Layer)(nil)
				if layer == nil {
					if made[t.supply.Layer] == nil {
						made[t.supply.Layer] = h.newLayer(m, t.supply.Block.Layers[t.supply.Layer])
					}
					layer = made[t.supply.Layer]
					makes = layer
				}
				if p := h.problem(d, layer, t.supply, erase); p != "" {
					if i == 0 {
						problem = p
					}
					continue
				}
				if covered := t.supply.covers(g); len(covered) > 0 {
					lays = append(lays, Lay{m.ID, layer.ID, covered.Move(away), t.supply, makes})
					h.Pace.Did(covered.Len())
				}
			}
		}
	}
	return lays, problem
}

// A target is the layer on which a supply is laid; nil for one that must be made.
type target struct {
	layer  *world.Layer
	supply Supply
}

// targets are the layers of m on which a supply is laid by a stroke that began on
// first.
func (h *Hand) targets(d *world.Document, first, m *world.Map, s Supply, erase bool) []target {
	if erase && h.Through {
		var list []target
		for _, l := range m.Layers {
			if !h.hidden[l.ID] && !l.Locked {
				list = append(list, target{l, s})
			}
		}
		return list
	}
	if s.Block != nil && (len(s.Block.Layers) != 1 || s.Block.Layers[0].Name != "") {
		var list []target
		for i, l := range s.Block.Layers {
			s.Layer = i
			list = append(list, target{m.LayerFor(l), s})
		}
		return list
	}
	l := h.target(d, first, s)
	if m != first {
		l = like(first, l, m)
	}
	return []target{{l, s}}
}

// like is the layer of another map that goes with one of the first: the one called
// the same, else the one as far from the player's.
func like(first *world.Map, l *world.Layer, m *world.Map) *world.Layer {
	for _, o := range m.Layers {
		if strings.EqualFold(o.Name, l.Name) {
			return o
		}
	}
	place := func(m *world.Map, id world.ID) int {
		for i, l := range m.Layers {
			if l.ID == id {
				return i
			}
		}
		return 0
	}
	at := place(m, m.PlayerLayer) + place(first, l.ID) - place(first, first.PlayerLayer)
	return m.Layers[min(max(at, 0), len(m.Layers)-1)]
}

// newLayer is a layer for what a map has none for, at the same depth. It is the same
// as long as it was not made.
func (h *Hand) newLayer(m *world.Map, b world.BlockLayer) *world.Layer {
	key := madeLayer{m.ID, b.Name}
	l := h.made[key]
	if l == nil || m.Layer(l.ID) != nil {
		l = &world.Layer{ID: h.ids.NewID(), Name: b.Name}
		h.made[key] = l
	}
	l.Counts, l.Order = b.Counts, m.Layer(m.PlayerLayer).Order+b.Depth
	return l
}

// A madeLayer names a layer that a stroke would make.
type madeLayer struct {
	m    world.ID
	name string
}

// problem says why nothing of a supply can be laid on a layer.
func (h *Hand) problem(d *world.Document, l *world.Layer, s Supply, erase bool) string {
	switch {
	case h.hidden[l.ID]:
		return fmt.Sprintf("%s is hidden. Show it before you paint on it.", l.Name)
	case l.Locked:
		return fmt.Sprintf("%s is locked. Unlock it before you paint on it.", l.Name)
	case erase || l.Takes == (world.Takes{}):
		return ""
	case l.Takes.NoTiles:
		return fmt.Sprintf("%s takes no tiles. Paint on another layer, or change what it takes.", l.Name)
	}
	for _, r := range s.roles(d) {
		if !l.Takes.Role(r) {
			name := r.String()
			if name == "" {
				name = "none"
			}
			return fmt.Sprintf("%s takes no tile of the role %s. Paint on another layer, or change what it takes.", l.Name, name)
		}
	}
	return ""
}

// covered counts the cells of lays in which something else lies.
func covered(d *world.Document, lays []Lay, erase bool) (cells, over int, more bool) {
	counted := 0
	for _, l := range lays {
		n := l.Region.Len()
		cells += n
		m := d.Map(l.Map)
		if m == nil || l.Makes != nil {
			continue
		}
		if counted += n; counted > coverCells {
			more = true
			continue
		}
		for _, run := range m.Layer(l.Layer).Cells.Read(l.Region) {
			if run.Cell != 0 && (erase || run.Cell != l.Cell || l.mixed()) {
				over += run.N
			}
		}
	}
	return cells, over, more
}

// coverCells is how many cells a ghost counts what it covers for.
const coverCells = 100_000

// lay is the edit that lays what a ghost showed, and sets down pieces.
func (h *Hand) lay(d *world.Document, lays []Lay, pieces []edit.Part, label string) Outcome {
	parts, problem := layParts(d, lays, h.Pace)
	if problem != "" {
		return said("%s", problem)
	}
	if parts = append(parts, pieces...); len(parts) == 0 {
		return Outcome{}
	}
	return Outcome{Edit: &edit.Edit{Label: edit.Clip(label), Parts: parts}}
}

// Laying is the edit that lays what a ghost showed; nil if it can't be laid.
func Laying(d *world.Document, lays []Lay) *edit.Edit {
	parts, problem := layParts(d, lays, nil)
	if problem != "" || len(parts) == 0 {
		return nil
	}
	return &edit.Edit{Parts: parts}
}

func layParts(d *world.Document, lays []Lay, at pace.Pace) (parts []edit.Part, problem string) {
	made := map[world.ID]bool{}
	for _, l := range lays {
		m := d.Map(l.Map)
		if m == nil || l.Makes == nil && m.Layer(l.Layer) == nil {
			return nil, "What you were painting on is not there any more."
		}
		if l.Makes != nil && !made[l.Layer] {
			made[l.Layer] = true
			parts = append(parts, edit.Put{Ref: world.Ref{Sort: world.SortLayer, Map: m.ID, ID: l.Layer}, Values: l.Makes.Values()})
		}
		part, problem := l.part(d, m, l.Layer, l.Region, at)
		if problem != "" {
			return nil, problem
		}
		parts = append(parts, part)
		at.Did(l.Region.Len())
	}
	return parts, ""
}

// labelOf names a step that paints.
func labelOf(d *world.Document, lays []Lay, erase bool) string {
	n := 0
	for _, l := range lays {
		n += l.Region.Len()
	}
	where := ""
	if len(lays) > 0 {
		if m := d.Map(lays[0].Map); m != nil {
			where = m.Name
		}
		for _, l := range lays {
			if l.Map != lays[0].Map {
				where += " and beside it"
				break
			}
		}
	}
	switch name := ""; {
	case erase:
		return fmt.Sprintf("erase %s on %s", count(n, "cell"), where)
	default:
		if len(lays) > 0 {
			name = lays[0].name(d)
		}
		if name != "" {
			return fmt.Sprintf("lay %s over %s on %s", name, count(n, "cell"), where)
		}
		return fmt.Sprintf("paint %s on %s", count(n, "cell"), where)
	}
}

func count(n int, thing string) string {
	if n == 1 {
		return "1 " + thing
	}
	return fmt.Sprintf("%d %ss", n, thing)
}
