package edit

import (
	"errors"
	"fmt"
	"slices"

	"azzel/core/grid"
	"azzel/core/pace"
	"azzel/core/tiles"
	"azzel/core/world"
)

// A Replace puts a newer picture in the place of a tileset.
type Replace struct {
	// Pace is told of the cells that are looked at.
	Pace pace.Pace
	Old  world.ID
	// New is the tileset that comes in, with tile numbers of its own; ID is its id.
	New *world.Tileset
	ID  world.ID
	// To gives for each tile of Old the index of the tile of New that takes its
	// place, below 0 if it is gone.
	To []int
}

// Edit is the one step that does it. Maps, bonds, medleys, frames and pictures of pieces follow, and
// tiles keep what they do; what is gone stays usable from the old tileset, which
// else goes.
func (r Replace) Edit(d *world.Document) (Edit, error) {
	old := d.Tileset(r.Old)
	if old == nil {
		return Edit{}, world.ErrGone
	}
	if len(r.To) != old.Count {
		return Edit{}, errors.New("somebody changed this tileset meanwhile: lay the newer picture on the desk again")
	}
	next := *r.New
	next.Tiles = make([]*tiles.Properties, next.Count)
	gone := false
	for i, to := range r.To {
		switch {
		case to < 0:
			gone = true
		case to >= next.Count:
			return Edit{}, errors.New("the newer picture has fewer tiles than it should: lay it on the desk again")
		default:
			next.Tiles[to] = r.moved(old, &next, old.Tiles[i])
		}
	}
	becomes := func(n int) int {
		if i := n - old.First; i >= 0 && i < old.Count && r.To[i] >= 0 {
			return next.First + r.To[i]
		}
		return n
	}
	e := Edit{Label: Clip(fmt.Sprintf("put a newer picture in the place of %s", old.Name))}
	e.Parts = append(e.Parts, Put{world.Ref{Sort: world.SortTileset, ID: r.ID}, next.Values()})
	e.Parts = append(e.Parts, renumber(d, becomes)...)
	e.Parts = append(e.Parts, inPatches(d, becomes)...)
	skin := Reskin{Pace: r.Pace, From: old.ID}
	skin.each(d, old, func(m *world.Map, l *world.Layer, g grid.Region, _ grid.Runs) {
		at := grid.Reader{Plane: l.Cells}
		g = g.WhereAt(r.Pace, func(p grid.Point) bool { n := at.At(p.X, p.Y).Tile(); return becomes(n) != n })
		if len(g) == 0 {
			return
		}
		cells := grid.RunsOfAt(r.Pace, g, func(p grid.Point) grid.Cell {
			c := at.At(p.X, p.Y)
			return grid.Cell(becomes(c.Tile())).Turned(c.Orientation())
		})
		e.Parts = append(e.Parts, Paint{Map: m.ID, Layer: l.ID, Region: g, Cells: cells})
	})
	ref := world.Ref{Sort: world.SortTileset, ID: old.ID}
	if gone {
		name := []rune(old.Name)
		e.Parts = append(e.Parts, Change{Ref: ref, Value: world.TextValue(world.FieldName, string(name[:min(len(name), 100)])+", older")})
	} else {
		e.Parts = append(e.Parts, Remove{Ref: ref})
	}
	return e, nil
}

// moved is what a tile does, its frames in the newer picture; it stands still if
// one of them is gone.
func (r Replace) moved(old, next *world.Tileset, p *tiles.Properties) *tiles.Properties {
	if p == nil || p.Animation == nil {
		return p
	}
	is := *p
	is.Animation = &tiles.Animation{}
	for _, f := range p.Animation.Frames {
		to := r.To[f.Tile-old.First]
		if to < 0 {
			is.Animation = nil
			return &is
		}
		is.Animation.Frames = append(is.Animation.Frames, tiles.Frame{Tile: next.First + to, Millis: f.Millis})
	}
	return &is
}

// renumber are the parts that give bonds, medleys and pictures of pieces other tiles.
func renumber(d *world.Document, becomes func(int) int) []Part {
	var parts []Part
	for _, b := range d.Bonds {
		is := *b
		is.Tiles, is.Also = slices.Clone(b.Tiles), slices.Clone(b.Also)
		for i := range is.Tiles {
			is.Tiles[i].Tile = becomes(is.Tiles[i].Tile)
		}
		for i := range is.Also {
			is.Also[i] = becomes(is.Also[i])
		}
		parts = append(parts, Changes(world.Ref{Sort: world.SortBond, ID: b.ID}, b.Values(), is.Values())...)
	}
	for _, m := range d.Medleys {
		is := *m
		is.Tiles = slices.Clone(m.Tiles)
		for i := range is.Tiles {
			is.Tiles[i].Tile = becomes(is.Tiles[i].Tile)
		}
		parts = append(parts, Changes(world.Ref{Sort: world.SortMedley, ID: m.ID}, m.Values(), is.Values())...)
	}
	for _, t := range d.Types {
		is := *t
		is.Usual = t.Usual.With(world.Shows(t.Usual, becomes)...)
		parts = append(parts, Changes(world.TypeRef(t.ID), t.Values(), is.Values())...)
	}
	for _, m := range d.Maps {
		for _, p := range m.Pieces {
			is := *p
			is.Props = p.Props.With(world.Shows(p.Props, becomes)...)
			if is.Props != p.Props {
				parts = append(parts, Changes(world.Ref{Sort: world.SortPiece, Map: m.ID, ID: p.ID}, p.Values(), is.Values())...)
			}
		}
	}
	return parts
}

// inPatches are the parts that give pictures of pieces in patches other tiles. The cells of a patch stay: the tileset is not taken away while one has its tiles.
func inPatches(d *world.Document, becomes func(int) int) []Part {
	var parts []Part
	for _, p := range d.Patches {
		is := *p
		is.Pieces = slices.Clone(p.Pieces)
		changed := false
		for i := range is.Pieces {
			props := is.Pieces[i].Props
			is.Pieces[i].Props = props.With(world.Shows(props, becomes)...)
			changed = changed || is.Pieces[i].Props != props
		}
		if changed {
			parts = append(parts, Changes(world.Ref{Sort: world.SortPatch, ID: p.ID}, p.Values(), is.Values())...)
		}
	}
	return parts
}
