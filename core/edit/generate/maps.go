package generate

import (
	"fmt"

	"azzel/core/edit"
	"azzel/core/grid"
	"azzel/core/tiles"
	"azzel/core/world"
)

// shape is an edit of what a map is: its size, its layers, its looks, a patch of it,
// a copy of it. It has no parts if there was nothing to do.
func (a Author) shape(d *world.Document) edit.Edit {
	m := d.Maps[a.Rand.IntN(len(d.Maps))]
	l := m.Layers[a.Rand.IntN(len(m.Layers))]
	layer := world.Ref{Sort: world.SortLayer, Map: m.ID, ID: l.ID}
	var e edit.Edit
	switch a.Rand.IntN(11) {
	case 0, 1, 2:
		b := m.Bounds
		left, top := a.Rand.IntN(5)-2, a.Rand.IntN(5)-2
		b = grid.Rect{X: b.X - left, Y: b.Y - top, W: max(2, b.W+left+a.Rand.IntN(5)-2), H: max(2, b.H+top+a.Rand.IntN(5)-2)}
		e, _ = edit.Resize{Map: m.ID, Bounds: b}.Edit(d)
	case 3:
		e, _ = edit.MakeLayer(d, m.ID, l.ID, &world.Layer{ID: a.IDs.NewID(), Name: fmt.Sprintf("Layer %d", a.Rand.IntN(99)), Counts: a.Rand.IntN(2) == 0})
	case 4:
		e, _ = edit.MoveLayer(d, m.ID, l.ID, m.Layers[a.Rand.IntN(len(m.Layers))].ID)
	case 5:
		if len(m.Layers) < 5 {
			e, _ = edit.DuplicateLayer(d, m.ID, l.ID, a.IDs)
		} else {
			e, _ = edit.MergeLayer(d, m.ID, l.ID)
		}
	case 6:
		e, _ = edit.ClearLayer(d, m.ID, l.ID)
	case 7:
		if len(m.Layers) > 3 {
			e, _ = edit.RemoveLayer(d, m.ID, l.ID)
		}
	case 8:
		look := *l
		look.Fade, look.Locked, look.Group = a.Rand.IntN(101), a.Rand.IntN(2) == 0, []string{"", "Vines"}[a.Rand.IntN(2)]
		look.Tint, look.DepthX = world.RGB(uint8(a.Rand.IntN(256)), 40, 9), a.Rand.IntN(200)-100
		look.Takes = world.Takes{NoPieces: a.Rand.IntN(2) == 0, Roles: uint32(a.Rand.IntN(4096))}
		e.Parts = edit.Changes(layer, l.Values(), look.Values())
	case 9:
		look := *m
		look.Edges[a.Rand.IntN(4)] = world.Edge(a.Rand.IntN(len(world.EdgeNames)))
		look.Background = world.Background{Top: world.RGB(9, 20, uint8(a.Rand.IntN(256))), Bottom: world.RGB(1, 2, 3)}
		look.Notes, look.Keywords = "two lines\nof notes", "fern, night"
		e.Parts = edit.Changes(world.Ref{Sort: world.SortMap, ID: m.ID}, m.Values(), look.Values())
	default:
		if b := d.Cut(m, a.region(m), func(*world.Layer) bool { return true }, true, nil); b != nil && len(d.Patches) < 3 {
			p := &world.Patch{Name: "A corner", Block: *b}
			e.Parts = []edit.Part{edit.Put{Ref: world.Ref{Sort: world.SortPatch, ID: a.IDs.NewID()}, Values: p.Values()}}
		} else if len(d.Properties) < 3 {
			p := &world.Property{Name: fmt.Sprintf("moist %d", a.IDs.NewID()), Type: tiles.Number}
			e.Parts = []edit.Part{edit.Put{Ref: world.Ref{Sort: world.SortProperty, ID: a.IDs.NewID()}, Values: p.Values()}}
		}
	}
	e.Label = "a step"
	return e
}
