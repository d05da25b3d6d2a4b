package main

import (
	"azzel/core/grid"
	"azzel/core/world"
)

// project stores a project with one map of w × h cells with two layers: the
// lower one of one tile or, if mixed, of many.
func (b *bench) project(name string, w, h int, mixed bool) (id int64, d *world.Document, err error) {
	ground := grid.Runs{{N: w * h, Cell: 1}}
	if mixed {
		ground = ground[:0]
		for i := range w * h {
			ground = append(ground, grid.Run{N: 1, Cell: grid.Cell(1 + (i*7+i/w*3)%6)})
		}
	}
	return b.field(name, w, h, ground, mixed)
}

// field makes a project with a map whose ground is painted so, and over it something every few cells if
// that is wanted.
func (b *bench) field(name string, w, h int, ground grid.Runs, strewn bool) (id int64, d *world.Document, err error) {
	prefix, err := b.store.Prefix(b.ctx)
	if err != nil {
		return 0, nil, err
	}
	ids := &world.Counter{Prefix: prefix}
	d, err = world.Start(world.Project{Name: name, CellW: 16, CellH: 16, SeenW: 20, SeenH: 12}, ids)
	if err != nil {
		return 0, nil, err
	}
	draft := d.Draft()
	bounds := grid.Rect{W: w, H: h}
	m, layers := world.NewMap("Field", grid.Point{X: 100}, bounds, ids)
	if err := world.PutMap(draft, m, layers); err != nil {
		return 0, nil, err
	}
	if err := draft.Put(world.Ref{Sort: world.SortMedley, ID: ids.NewID()}, wetGround().Values()); err != nil {
		return 0, nil, err
	}
	if err := draft.Put(world.Ref{Sort: world.SortBond, ID: ids.NewID()}, hedge().Values()); err != nil {
		return 0, nil, err
	}
	region := grid.BoxRegion(bounds)
	if _, err := draft.Paint(m.ID, layers[0].ID, world.Stroke{Region: region, Cells: ground}); err != nil {
		return 0, nil, err
	}
	if strewn {
		over := grid.Runs{}
		for i := range w * h {
			cell := grid.Cell(0)
			if i%5 == 0 {
				cell = 7
			}
			over = append(over, grid.Run{N: 1, Cell: cell})
		}
		if _, err := draft.Paint(m.ID, layers[1].ID, world.Stroke{Region: region, Cells: over}); err != nil {
			return 0, nil, err
		}
	}
	d, err = draft.Done()
	if err != nil {
		return 0, nil, err
	}
	p, err := b.store.Create(b.ctx, d)
	return p.ID, d, err
}
