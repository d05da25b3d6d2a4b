package edit

import (
	"errors"
	"fmt"
	"slices"
	"strings"

	"azzel/core/grid"
	"azzel/core/kind"
	"azzel/core/lists"
	"azzel/core/world"
)

// PutMap are the parts that make a map with its layers.
func PutMap(m *world.Map, layers []*world.Layer) []Part {
	parts := []Part{Put{Ref: world.Ref{Sort: world.SortMap, ID: m.ID}, Values: m.Values()}}
	for _, l := range layers {
		parts = append(parts, Put{Ref: layerRef(m, l), Values: l.Values()})
	}
	return parts
}

func layerRef(m *world.Map, l *world.Layer) world.Ref {
	return world.Ref{Sort: world.SortLayer, Map: m.ID, ID: l.ID}
}

// MakeLayer puts a new layer above another of a map, below all if above is 0.
func MakeLayer(d *world.Document, mapID, above world.ID, l *world.Layer) (Edit, error) {
	m := d.Map(mapID)
	if m == nil {
		return Edit{}, world.ErrGone
	}
	at := slices.IndexFunc(m.Layers, func(o *world.Layer) bool { return o.ID == above }) + 1
	e := Edit{Label: Clip(fmt.Sprintf("make the layer %s on %s", l.Name, m.Name))}
	order := lists.Insert(slices.Clone(m.Layers), at, l)
	e.Parts = reorder(m, order)
	for i, o := range order {
		if o == l {
			fresh := *l
			fresh.Order = i + 1
			e.Parts = append(e.Parts, Put{Ref: layerRef(m, l), Values: fresh.Values()})
		}
	}
	return e, nil
}

// reorder are the changes that give the layers of a map the order of a list, which
// may hold one that is not there yet.
func reorder(m *world.Map, list []*world.Layer) []Part {
	var parts []Part
	for i, l := range list {
		if m.Layer(l.ID) != nil && l.Order != i+1 {
			parts = append(parts, Change{Ref: layerRef(m, l), Value: world.IntValue(world.FieldOrder, i+1)})
		}
	}
	return parts
}

// MoveLayer puts a layer just below another of its map, or on top if there is no
// such.
func MoveLayer(d *world.Document, mapID, id, below world.ID) (Edit, error) {
	m := d.Map(mapID)
	if m == nil || m.Layer(id) == nil {
		return Edit{}, world.ErrGone
	}
	l := m.Layer(id)
	list := lists.Without(slices.Clone(m.Layers), func(o *world.Layer) bool { return o.ID == id })
	at := slices.IndexFunc(list, func(o *world.Layer) bool { return o.ID == below })
	if at < 0 {
		at = len(list)
	}
	return Edit{Label: Clip(fmt.Sprintf("move the layer %s", l.Name)), Parts: reorder(m, lists.Insert(list, at, l))}, nil
}

// DuplicateLayer puts a copy of a layer with all its cells above it. Pieces stay on
// the old one.
func DuplicateLayer(d *world.Document, mapID, id world.ID, ids world.Allocator) (Edit, error) {
	m := d.Map(mapID)
	if m == nil || m.Layer(id) == nil {
		return Edit{}, world.ErrGone
	}
	l := m.Layer(id)
	fresh := *l
	fresh.ID, fresh.Name = ids.NewID(), copyName(l.Name, func(name string) bool {
		return slices.ContainsFunc(m.Layers, func(o *world.Layer) bool { return strings.EqualFold(o.Name, name) })
	})
	e, err := MakeLayer(d, mapID, id, &fresh)
	if err != nil {
		return e, err
	}
	e.Label = Clip(fmt.Sprintf("duplicate the layer %s", l.Name))
	e.Parts = append(e.Parts, filled(m, &fresh, l.Cells)...)
	return e, nil
}

// filled paints what a plane holds onto a new layer.
func filled(m *world.Map, l *world.Layer, cells grid.Plane) []Part {
	g := cells.Filled()
	if len(g) == 0 {
		return nil
	}
	return []Part{Paint{Map: m.ID, Layer: l.ID, Region: g, Cells: cells.Read(g)}}
}

// copyName is the name of a copy that nothing else has.
func copyName(name string, taken func(string) bool) string {
	base := name
	if r := []rune(base); len(r) > 100 {
		base = string(r[:100])
	}
	for n := 2; ; n++ {
		next := fmt.Sprintf("%s, %d", base, n)
		if !taken(next) {
			return next
		}
	}
}

// MergeLayer lays the cells of a layer over those of the one below it, with its
// pieces, and takes it away.
func MergeLayer(d *world.Document, mapID, id world.ID) (Edit, error) {
	m := d.Map(mapID)
	if m == nil || m.Layer(id) == nil {
		return Edit{}, world.ErrGone
	}
	at := slices.IndexFunc(m.Layers, func(o *world.Layer) bool { return o.ID == id })
	if at == 0 {
		return Edit{}, fmt.Errorf("%s is the lowest layer: there is none below it to merge it into", m.Layers[0].Name)
	}
	l, below := m.Layers[at], m.Layers[at-1]
	if below.Locked || l.Locked {
		return Edit{}, fmt.Errorf("%s or %s is locked: unlock it first", l.Name, below.Name)
	}
	pieces := rehome(m, l, below)
	if len(pieces) > 0 && below.Takes.NoPieces {
		return Edit{}, fmt.Errorf("%s takes no pieces, and there are some on %s: change what it takes first", below.Name, l.Name)
	}
	e := Edit{Label: Clip(fmt.Sprintf("merge the layer %s into %s", l.Name, below.Name))}
	if g := l.Cells.Filled(); len(g) > 0 {
		e.Parts = append(e.Parts, Paint{Map: m.ID, Layer: below.ID, Region: g, Cells: l.Cells.Read(g)})
	}
	e.Parts = append(e.Parts, pieces...)
	if m.PlayerLayer == l.ID {
		e.Parts = append(e.Parts, playerLayer(m, below))
	}
	e.Parts = append(e.Parts, RemoveWires(d, l.ID)...)
	e.Parts = append(e.Parts, Remove{Ref: layerRef(m, l)})
	return e, nil
}

// rehome are the changes that put the pieces of a layer onto another.
func rehome(m *world.Map, from, to *world.Layer) []Part {
	var parts []Part
	for _, p := range m.Pieces {
		if p.Layer == from.ID {
			parts = append(parts, Change{Ref: world.Ref{Sort: world.SortPiece, Map: m.ID, ID: p.ID}, Value: world.IDValue(world.FieldLayer, to.ID)})
		}
	}
	return parts
}

func playerLayer(m *world.Map, l *world.Layer) Part {
	return Change{Ref: world.Ref{Sort: world.SortMap, ID: m.ID}, Value: world.IDValue(world.FieldPlayerLayer, l.ID)}
}

// RemoveLayer takes a layer away with its cells and pieces. The one that the player
// walks on stays.
func RemoveLayer(d *world.Document, mapID, id world.ID) (Edit, error) {
	m := d.Map(mapID)
	if m == nil || m.Layer(id) == nil {
		return Edit{}, world.ErrGone
	}
	l := m.Layer(id)
	if m.PlayerLayer == id {
		return Edit{}, errors.New("the player walks on this layer: let them walk on another first")
	}
	e := Edit{Label: Clip(fmt.Sprintf("delete the layer %s", l.Name))}
	var lying []*world.Piece
	for _, p := range m.Pieces {
		if p.Layer == id {
			lying = append(lying, p)
		}
	}
	e.Parts = append(e.Parts, RemoveWith(d, lying...)...)
	e.Parts = append(e.Parts, RemoveWires(d, l.ID)...)
	for _, p := range lying {
		e.Parts = append(e.Parts, Remove{Ref: world.Ref{Sort: world.SortPiece, Map: m.ID, ID: p.ID}})
	}
	e.Parts = append(e.Parts, Remove{Ref: layerRef(m, l)})
	return e, nil
}

// ClearLayer takes away all cells of a layer.
func ClearLayer(d *world.Document, mapID, id world.ID) (Edit, error) {
	m := d.Map(mapID)
	if m == nil || m.Layer(id) == nil {
		return Edit{}, world.ErrGone
	}
	l := m.Layer(id)
	g := l.Cells.Filled()
	switch {
	case l.Locked:
		return Edit{}, fmt.Errorf("%s is locked: unlock it first", l.Name)
	case len(g) == 0:
		return Edit{}, fmt.Errorf("%s is empty already", l.Name)
	}
	return Edit{Label: Clip(fmt.Sprintf("clear the layer %s", l.Name)),
		Parts: []Part{Paint{Map: m.ID, Layer: l.ID, Region: g, Cells: grid.Runs{{N: g.Len()}}}}}, nil
}

// CopyMap puts a copy of a map with all that is on it at a place of the board, where
// its cell (0, 0) lies. Its spawn is left out, since there is one in a project. Its facts are copied, and meant by what is copied.
// Wires and crossings within the map are copied too, crossings that
// lead elsewhere only if leading is set.
func CopyMap(d *world.Document, id world.ID, origin grid.Point, leading bool, ids world.Allocator) (e Edit, copied world.ID, err error) {
	m := d.Map(id)
	if m == nil {
		return e, 0, world.ErrGone
	}
	fresh := *m
	fresh.ID, fresh.Number, fresh.Origin = ids.NewID(), 0, origin
	fresh.Name = copyName(m.Name, func(name string) bool {
		return slices.ContainsFunc(d.Maps, func(o *world.Map) bool { return strings.EqualFold(o.Name, name) })
	})
	layer := map[world.ID]world.ID{}
	for _, l := range m.Layers {
		layer[l.ID] = ids.NewID()
	}
	fresh.PlayerLayer = layer[m.PlayerLayer]
	e.Label = Clip("copy " + m.Name)
	e.Parts = append(e.Parts, Put{Ref: world.Ref{Sort: world.SortMap, ID: fresh.ID}, Values: fresh.Values()})
	for _, l := range m.Layers {
		next := *l
		next.ID = layer[l.ID]
		e.Parts = append(e.Parts, Put{Ref: layerRef(&fresh, &next), Values: next.Values()})
		e.Parts = append(e.Parts, filled(&fresh, &next, l.Cells)...)
	}
	copies := map[world.ID]world.ID{}
	for _, ref := range d.OfMap(id) {
		copies[ref.ID] = ids.NewID()
		to := world.Ref{Sort: ref.Sort, ID: copies[ref.ID]}
		if ref.Sort == world.SortTrack {
			next := *d.Track(ref.ID)
			next.Number, next.Map = 0, fresh.ID
			e.Parts = append(e.Parts, Put{Ref: to, Values: next.Values()})
		} else {
			next := *d.Area(ref.ID)
			next.Number, next.Map = 0, fresh.ID
			e.Parts = append(e.Parts, Put{Ref: to, Values: next.Values()})
		}
	}
	for _, p := range m.Pieces {
		if !p.Kind().Single {
			copies[p.ID] = ids.NewID()
		}
	}
	for _, f := range d.Facts {
		if f.Map != id {
			continue
		}
		next := *f
		next.Number, next.Map = 0, fresh.ID
		next.Name = copyName(f.Name, func(name string) bool {
			return slices.ContainsFunc(d.Facts, func(o *world.Fact) bool { return strings.EqualFold(o.Name, name) })
		})
		copies[f.ID] = ids.NewID()
		e.Parts = append(e.Parts, Put{Ref: world.Ref{Sort: world.SortFact, ID: copies[f.ID]}, Values: next.Values()})
	}
	for _, p := range m.Pieces {
		if p.Kind().Single {
			continue
		}
		next := *p
		// What it names of this map is meant of the copy.
		next.Props = next.Props.Refer(func(_ *kind.Prop, sort kind.Thing, id world.ID) world.ID {
			if to := copies[id]; to != 0 || sort == kind.Track || sort == kind.Area {
				return to
			}
			return id
		})
		next.Number, next.Layer = 0, layer[p.Layer]
		e.Parts = append(e.Parts, Put{Ref: world.Ref{Sort: world.SortPiece, Map: fresh.ID, ID: copies[p.ID]}, Values: next.Values()})
	}
	for of, to := range layer {
		copies[of] = to
	}
	for _, c := range d.CrossingsOf(id) {
		within := c.Ends[0].Map == id && c.Ends[1].Map == id
		if !within && !leading {
			continue
		}
		next := *c
		next.Number = 0
		for i := range next.Ends {
			if next.Ends[i].Map == id {
				next.Ends[i].Map = fresh.ID
			}
		}
		copies[c.ID] = ids.NewID()
		e.Parts = append(e.Parts, Put{Ref: world.Ref{Sort: world.SortCrossing, ID: copies[c.ID]}, Values: next.Values()})
	}
	for _, r := range d.Rules {
		if d.MapOf(r) != m && r.HomeSort != kind.Crossing {
			continue
		}
		if (r.HomeSort == kind.Piece || r.HomeSort == kind.Crossing) && copies[r.Home] == 0 {
			continue
		}
		e.Parts = append(e.Parts, CopyRule(r, ids, func(_ kind.Thing, named world.ID) world.ID {
			switch to := copies[named]; {
			case named == id:
				return fresh.ID
			case to != 0:
				return to
			}
			return named
		}))
	}
	for _, w := range d.Wires {
		next := *w
		if next.From, next.To = copies[w.From], copies[w.To]; next.From != 0 && next.To != 0 {
			next.Number = 0
			e.Parts = append(e.Parts, Put{Ref: WireRef(ids.NewID()), Values: next.Values()})
		}
	}
	return e, fresh.ID, nil
}
