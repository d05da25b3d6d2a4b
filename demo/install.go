// Package demo makes the demo project: the night shift in a botanical
// glasshouse. Its art is drawn by programs in this folder.
package demo

import (
	"context"
	"fmt"

	"azzel/core/edit"
	"azzel/core/grid"
	"azzel/core/raster"
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
	b := &builder{ctx: ctx, store: s, project: p.ID, doc: start, ids: ids, tile: map[int]int{}}
	if err := b.tileset(); err != nil {
		return err
	}
	if err := b.gardener(); err != nil {
		return err
	}
	b.glasshouse()
	return b.err
}

// free reports whether one can walk over a place of the sheet.
func free(place int) bool {
	switch place {
	case art.Crown(0, 0), art.Crown(1, 0), art.Crown(2, 0), art.Crown(0, 1), art.Crown(1, 1), art.Crown(2, 1), art.Crown(0, 2), art.Crown(1, 2), art.Crown(2, 2),
		art.DoorGlass, art.DoorBrick, art.Rug, art.Puddle:
		return true
	}
	return place >= art.Gravel && place <= art.Grating
}

// take cuts a picture drawn by art and stores it with its tiles.
func (b *builder) take(picture []byte, cut tiles.Cut) (strip *tiles.Strip, sums []string, err error) {
	img, err := raster.Decode(picture)
	if err != nil {
		return nil, nil, err
	}
	if strip, err = tiles.Take(img, cut); err != nil {
		return nil, nil, err
	}
	sums, err = b.store.AddBlobs(b.ctx, b.project, picture, strip.Encode())
	return strip, sums, err
}

func (b *builder) tileset() error {
	picture, err := art.PNG()
	if err != nil {
		return err
	}
	cut := tiles.Cut{W: art.Side, H: art.Side}
	strip, sums, err := b.take(picture, cut)
	if err != nil {
		return err
	}
	first, err := b.store.ReserveTiles(b.ctx, b.project, len(strip.Places))
	if err != nil {
		return err
	}
	set := &world.Tileset{Name: "Glasshouse", Picture: sums[0], Strip: sums[1], First: first, Count: len(strip.Places),
		Columns: strip.Columns, Rows: strip.Rows, Cut: cut, Places: strip.Places}
	for i, place := range strip.Places {
		b.tile[place] = first + i
		var flags world.TileFlags
		if !free(place) {
			flags = world.Solid
		}
		set.Flags = append(set.Flags, flags)
	}
	b.step("bring in the glasshouse tiles", edit.Put{Ref: world.Ref{Kind: world.KindTileset, ID: b.ids.NewID()}, Values: set.Values()})
	return nil
}

// gardener brings in the character that is played.
func (b *builder) gardener() error {
	picture, err := art.GardenerPNG()
	if err != nil {
		return err
	}
	_, sums, err := b.take(picture, tiles.Cut{W: art.GardenerWidth, H: art.GardenerHeight})
	if err != nil {
		return err
	}
	c := &world.Character{ID: b.ids.NewID(), Name: "Gardener", Picture: sums[0], Strip: sums[1], W: art.GardenerWidth, H: art.GardenerHeight}
	b.step("bring in the gardener", edit.Put{Ref: world.Ref{Kind: world.KindCharacter, ID: c.ID}, Values: c.Values()},
		edit.Change{Ref: world.Ref{Kind: world.KindProject}, Value: world.IDValue(world.FieldPlayer, c.ID)})
	return nil
}

// A builder makes the demo step by step, as a designer would.
type builder struct {
	ctx     context.Context
	store   *store.Store
	project int64
	doc     *world.Document
	ids     *world.Counter
	// tile is the number of the tile at each place of the sheet.
	tile map[int]int
	done uint64
	err  error
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

// cell is the cell of a place of the sheet.
func (b *builder) cell(place int) grid.Cell { return grid.Cell(b.tile[place]) }
