// Package demo makes the demo project: the night shift in a botanical
// glasshouse. Its art is drawn by programs in this folder.
package demo

import (
	"context"
	"fmt"

	"azzel/core/edit"
	"azzel/core/grid"
	"azzel/core/tiles"
	"azzel/core/world"
	"azzel/demo/art"
	"azzel/store"
)

// Name is what the demo project is called.
const Name = "Night shift"

// session marks the demo's own steps in the log.
const session = 1

// Install puts the demo project in, unless a project of its name is there.
func Install(ctx context.Context, s *store.Store) error {
	list, err := s.Projects(ctx)
	if err != nil {
		return err
	}
	for _, p := range list {
		if p.Name == Name {
			return nil
		}
	}
	prefix, err := s.Prefix(ctx)
	if err != nil {
		return err
	}
	ids := &world.Counter{Prefix: prefix}
	start, err := world.Start(world.Project{Name: Name, CellW: art.Side, CellH: art.Side, SeenW: 20, SeenH: 12}, ids)
	if err != nil {
		return err
	}
	p, err := s.Create(ctx, start)
	if err != nil {
		return err
	}
	set, err := tileset(ctx, s, p.ID)
	if err != nil {
		return err
	}
	b := &builder{ctx: ctx, store: s, project: p.ID, doc: start, ids: ids, first: set.First}
	setID := ids.NewID()
	b.step("bring in the glasshouse tiles", edit.Put{Ref: world.Ref{Kind: world.KindTileset, ID: setID}, Values: set.Values()})
	b.glasshouse()
	return b.err
}

// solid are the places of the sheet that nobody walks into.
var solid = map[int]bool{art.Glass: true, art.GlassPost: true, art.Brick: true, art.Soil: true, art.Fern: true, art.Seedlings: true, art.Orchid: true,
	art.Water: true, art.WaterLily: true, art.Lamp: true, art.Pot: true, art.Trunk: true, art.Bench: true, art.Shelf: true, art.Boiler: true,
	art.Pipe: true, art.Valve: true, art.Crate: true}

func tileset(ctx context.Context, s *store.Store, project int64) (*world.Tileset, error) {
	picture, err := art.PNG()
	if err != nil {
		return nil, err
	}
	img, err := tiles.Decode(picture)
	if err != nil {
		return nil, err
	}
	cut := tiles.Cut{W: art.Side, H: art.Side}
	strip, err := tiles.Take(img, cut)
	if err != nil {
		return nil, err
	}
	first, err := s.ReserveTiles(ctx, project, len(strip.Places))
	if err != nil {
		return nil, err
	}
	sums, err := s.AddBlobs(ctx, project, picture, strip.Encode())
	if err != nil {
		return nil, err
	}
	set := &world.Tileset{Name: "Glasshouse", Picture: sums[0], Strip: sums[1], First: first, Count: len(strip.Places),
		Columns: strip.Columns, Rows: strip.Rows, Cut: cut, Places: strip.Places}
	for _, place := range strip.Places {
		var flags world.TileFlags
		if solid[place] {
			flags = world.Solid
		}
		set.Flags = append(set.Flags, flags)
	}
	return set, nil
}

// A builder makes the demo step by step, as a designer would.
type builder struct {
	ctx     context.Context
	store   *store.Store
	project int64
	doc     *world.Document
	ids     *world.Counter
	first   int
	done    uint64
	err     error
}

func (b *builder) step(label string, parts ...edit.Part) {
	if b.err != nil {
		return
	}
	e := edit.Edit{Label: label, Parts: parts}
	res, err := edit.Apply(b.doc, e)
	if err != nil {
		b.err = fmt.Errorf("%s: %w", label, err)
		return
	}
	b.done++
	b.err = b.store.Append(b.ctx, store.Step{Project: b.project, Session: session, Sequence: b.done, Revision: b.done,
		Label: label, Body: e.Encode(), Inverse: edit.EncodeParts(res.Inverse)}, b.doc, res.Document)
	b.doc = res.Document
}

// cell is the cell of a place of the sheet, whose empty places all come last.
func (b *builder) cell(place int) grid.Cell { return grid.Cell(b.first + place) }
