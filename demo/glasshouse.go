package demo

import (
	"azzel/core/edit"
	"azzel/core/grid"
	"azzel/core/world"
	"azzel/demo/art"
)

// A room is a map being laid out.
type room struct {
	b     *builder
	m     *world.Map
	over  *world.Layer
	parts []edit.Part
}

func (b *builder) room(name string, x, y, w, h int) *room {
	m, layers := world.NewMap(name, grid.Point{X: x, Y: y}, grid.Rect{W: w, H: h}, b.ids)
	r := &room{b: b, m: m, over: layers[1]}
	r.parts = append(r.parts, edit.Put{Ref: world.Ref{Kind: world.KindMap, ID: m.ID}, Values: m.Values()})
	for _, l := range layers {
		r.parts = append(r.parts, edit.Put{Ref: world.Ref{Kind: world.KindLayer, Map: m.ID, ID: l.ID}, Values: l.Values()})
	}
	return r
}

func (r *room) lay(layer world.ID, x, y, w, h int, place func(x, y int) int) {
	g := grid.BoxRegion(grid.Rect{X: x, Y: y, W: w, H: h}.Meet(r.m.Bounds))
	var runs grid.Runs
	for _, s := range g {
		for x := s.X0; x <= s.X1; x++ {
			runs = append(runs, grid.Run{N: 1, Cell: r.b.cell(place(x, s.Y))})
		}
	}
	r.parts = append(r.parts, edit.Paint{Map: r.m.ID, Layer: layer, Region: g, Cells: runs})
}

func (r *room) box(x, y, w, h, place int) {
	r.lay(r.m.PlayerLayer, x, y, w, h, func(int, int) int { return place })
}

// mixed lays one of several tiles in each cell, by a hash of its place.
func (r *room) mixed(x, y, w, h int, places ...int) {
	r.lay(r.m.PlayerLayer, x, y, w, h, func(x, y int) int {
		n := uint32(x*73856093) ^ uint32(y*19349663)
		n ^= n >> 13
		n *= 0x5bd1e995
		return places[int(n>>16)%len(places)]
	})
}

func (r *room) palm(x, y int) {
	r.box(x, y-1, 1, 2, art.Trunk)
	for i, place := range []int{art.CrownNW, art.CrownNE, art.CrownSW, art.CrownSE} {
		r.lay(r.over.ID, x-1+i%2, y-2+i/2, 1, 1, func(int, int) int { return place })
	}
}

func (r *room) piece(of world.ID, name string, x, y int) {
	p := &world.Piece{Type: of, Name: name, Layer: r.m.PlayerLayer, Foot: r.b.doc.Project.Lattice().Foot(grid.Point{X: x, Y: y})}
	r.parts = append(r.parts, edit.Put{Ref: world.Ref{Kind: world.KindPiece, Map: r.m.ID, ID: r.b.ids.NewID()}, Values: p.Values()})
}

func (r *room) walls(place int) {
	w, h := r.m.Bounds.W, r.m.Bounds.H
	r.box(0, 0, w, 1, place)
	r.box(0, h-1, w, 1, place)
	side := place
	if place == art.Glass {
		side = art.GlassPost
	}
	r.box(0, 1, 1, h-2, side)
	r.box(w-1, 1, 1, h-2, side)
}

func (b *builder) join(a *room, ax, ay int, c *room, cx, cy int) {
	x := &world.Crossing{BothWays: true, Ends: [2]world.End{
		{Map: a.m.ID, Cells: grid.Rect{X: ax, Y: ay, W: 1, H: 1}}, {Map: c.m.ID, Cells: grid.Rect{X: cx, Y: cy, W: 1, H: 1}}}}
	b.step("join "+a.m.Name+" and "+c.m.Name, edit.Put{Ref: world.Ref{Kind: world.KindCrossing, ID: b.ids.NewID()}, Values: x.Values()})
}

// glasshouse lays out the maps and takes the first, empty one away.
func (b *builder) glasshouse() {
	first := b.doc.Maps[0]
	palm, yard, boiler := b.palmHouse(), b.yard(), b.boilerRoom()
	b.step("remove the first map", edit.Remove{Ref: world.Ref{Kind: world.KindMap, ID: first.ID}})
	for _, r := range []*room{palm, yard, boiler} {
		b.step("make "+r.m.Name, r.parts...)
	}
	b.join(yard, 33, 11, palm, 0, 9)
	b.join(palm, 17, 17, boiler, 9, 0)
}

func (b *builder) palmHouse() *room {
	r := b.room("Palm house", 0, 0, 36, 18)
	r.mixed(0, 0, 36, 18, art.Gravel, art.Gravel, art.Gravel, art.GravelPebbles, art.GravelMoss)
	r.walls(art.Glass)
	r.mixed(1, 8, 34, 2, art.Paving, art.Paving, art.PavingWorn)
	r.mixed(17, 10, 2, 7, art.Paving, art.PavingWorn)
	r.mixed(24, 1, 3, 16, art.Water, art.Water, art.Water, art.WaterLily)
	r.box(24, 8, 3, 2, art.Planks)
	for _, x := range []int{3, 10, 19, 29} {
		for _, y := range []int{2, 12} {
			r.mixed(x, y, 5, 4, art.Fern, art.Seedlings, art.Soil, art.Fern, art.Orchid)
			r.palm(x+2, y+2)
		}
	}
	for _, x := range []int{2, 9, 16, 22, 28} {
		r.box(x, 7, 1, 1, art.Lamp)
	}
	r.piece(world.Spawn, "", 4, 9)
	r.piece(world.Collectible, "Fern spores", 8, 4)
	r.piece(world.Collectible, "", 16, 13)
	r.piece(world.Collectible, "", 28, 13)
	r.piece(world.Exit, "Night gate", 34, 8)
	return r
}

func (b *builder) yard() *room {
	r := b.room("Potting yard", -42, 6, 34, 22)
	r.mixed(0, 0, 34, 22, art.Gravel, art.GravelPebbles, art.GravelMoss, art.Gravel)
	r.walls(art.Brick)
	r.mixed(13, 1, 2, 20, art.Paving, art.PavingWorn)
	r.mixed(1, 10, 33, 3, art.Paving, art.Paving, art.PavingWorn)
	for y := 2; y < 9; y += 3 {
		for x := 3; x < 12; x += 4 {
			r.mixed(x, y, 3, 1, art.Seedlings, art.Orchid, art.Soil)
		}
		r.box(19, y, 4, 1, art.Bench)
		r.box(26, y, 1, 1, art.Pot)
		r.box(28, y, 1, 1, art.Crate)
	}
	r.mixed(4, 15, 7, 4, art.Fern, art.Soil, art.Seedlings)
	r.palm(7, 17)
	r.mixed(20, 15, 8, 4, art.Water, art.WaterLily, art.Water)
	r.piece(world.Collectible, "Labelled seed packet", 30, 5)
	r.piece(world.Collectible, "", 17, 18)
	return r
}

func (b *builder) boilerRoom() *room {
	r := b.room("Boiler room", 5, 24, 24, 12)
	r.box(0, 0, 24, 12, art.PlanksDark)
	r.box(1, 3, 22, 1, art.Grating)
	r.box(1, 8, 22, 1, art.Grating)
	r.walls(art.Brick)
	r.box(1, 1, 7, 1, art.Pipe)
	r.box(12, 1, 11, 1, art.Pipe)
	r.box(5, 1, 1, 1, art.Valve)
	r.box(18, 1, 1, 1, art.Valve)
	for _, x := range []int{3, 8, 14, 19} {
		r.box(x, 5, 2, 2, art.Boiler)
	}
	r.box(1, 10, 5, 1, art.Shelf)
	r.box(18, 10, 5, 1, art.Crate)
	r.piece(world.Collectible, "Boiler key tag", 21, 8)
	r.piece(world.Collectible, "", 2, 8)
	return r
}
