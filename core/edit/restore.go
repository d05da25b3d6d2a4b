package edit

import (
	"azzel/core/grid"
	"azzel/core/pace"
	"azzel/core/world"
)

// Restore is the one step that turns a document into another state of the same
// project, at a pace. It has no parts if nothing differs. The cost grows with what differs.
func Restore(at pace.Pace, from, to *world.Document, label string) Edit {
	e := Edit{Label: Clip(label)}
	add := func(p ...Part) { e.Parts = append(e.Parts, p...) }
	diff := world.Diff(from, to)
	was := from.Draft()
	erase(from, to, add)
	// What is needed by others comes before them: tilesets, then what is made of
	// tiles, then maps with what lies in them.
	for _, kinds := range [][]world.Sort{
		{world.SortTileset, world.SortProperty, world.SortItem, world.SortFact, world.SortType}, {world.SortBond, world.SortMedley, world.SortPatch, world.SortCharacter, world.SortProject},
		{world.SortMap}, {world.SortLayer}, {world.SortPiece, world.SortCrossing, world.SortReplay, world.SortTrack, world.SortArea, world.SortWire, world.SortRule, world.SortStart},
	} {
		for _, s := range diff.Put {
			for _, kind := range kinds {
				if s.Ref.Sort != kind {
					continue
				}
				if s.Ref.Sort == world.SortTileset && from.Tileset(s.Ref.ID) != nil {
					add(retiled(s.Ref, from.Tileset(s.Ref.ID), to.Tileset(s.Ref.ID))...)
				} else if values, there := was.Values(s.Ref); there {
					add(Changes(s.Ref, values, s.Values)...)
				} else {
					add(Put{s.Ref, s.Values})
				}
			}
		}
		if kinds[0] == world.SortLayer {
			add(repaint(at, to, diff.Chunks)...)
		}
	}
	// And goes after them.
	for _, kind := range []world.Sort{world.SortStart, world.SortRule, world.SortWire, world.SortArea, world.SortTrack, world.SortReplay, world.SortCrossing, world.SortPiece, world.SortLayer, world.SortMap, world.SortPatch, world.SortBond,
		world.SortMedley, world.SortCharacter, world.SortItem, world.SortFact, world.SortType, world.SortProperty, world.SortTileset} {
		for _, r := range diff.Removed {
			// What lies in a map goes with it.
			if r.Sort == kind && (r.Map == 0 || to.Map(r.Map) != nil) {
				add(Remove{Ref: r})
			}
		}
	}
	return e
}

// erase takes away what lies where maps will not reach any more.
func erase(from, to *world.Document, add func(...Part)) {
	for _, m := range from.Maps {
		o := to.Map(m.ID)
		if o == nil || o.Bounds == m.Bounds {
			continue
		}
		for _, l := range m.Layers {
			if g := l.Cells.Filled().Minus(grid.BoxRegion(o.Bounds)); len(g) > 0 {
				add(Paint{Map: m.ID, Layer: l.ID, Region: g, Cells: grid.Runs{{N: g.Len()}}})
			}
		}
	}
}

// retiled changes what the tiles of a tileset do, one by one.
func retiled(ref world.Ref, was, is *world.Tileset) []Part {
	var parts []Part
	for i := range is.Tiles {
		for _, v := range world.TileValues(i, was.Tile(i), is.Tile(i)) {
			parts = append(parts, Change{Ref: ref, Value: v})
		}
	}
	if was.Name != is.Name {
		parts = append(parts, Change{Ref: ref, Value: world.TextValue(world.FieldName, is.Name)})
	}
	return parts
}

// repaint lays the chunks that differ as they are to be. The cells round them are laid
// too, as they are: else bonds among them would be mended.
func repaint(at pace.Pace, to *world.Document, chunks []world.StoredChunk) []Part {
	type place struct{ m, l world.ID }
	regions := map[place]grid.Region{}
	var order []place
	for _, c := range chunks {
		p := place{c.Map, c.Layer}
		if m := to.Map(p.m); m == nil || m.Layer(p.l) == nil {
			continue
		}
		if regions[p] == nil {
			order = append(order, p)
		}
		regions[p] = append(regions[p], grid.BoxRegion(grid.Rect{X: c.CX * grid.ChunkSide, Y: c.CY * grid.ChunkSide, W: grid.ChunkSide, H: grid.ChunkSide})...)
	}
	var parts []Part
	for _, p := range order {
		m := to.Map(p.m)
		g := grid.RegionOf(regions[p]).Grow().Within(m.Bounds)
		if len(g) > 0 {
			parts = append(parts, Paint{Map: p.m, Layer: p.l, Region: g, Cells: m.Layer(p.l).Cells.ReadAt(at, g)})
		}
	}
	return parts
}
