//go:build js && wasm

package main

import (
	"encoding/json"

	"azzel/cmd/internal/bridge"
	"azzel/core/edit"
	"azzel/core/grid"
	"azzel/core/kind"
	"azzel/core/page"
	"azzel/core/page/holding"
	"azzel/core/page/maps"
	"azzel/core/page/playing"
	"azzel/core/page/tilework"
	"azzel/core/page/view"
	"azzel/core/picture"
	"azzel/core/play"
	"azzel/core/tiles"
	"azzel/core/world"
)

// warming is a small project of no one's, with which everything is done once that opening
// does: the browser compiles a function when it is called first, and does so in a worker
// while the page is built and the project that was asked for is on its way.
var warming struct {
	opening []byte
	page    *page.Page
	scene   view.Scene
}

// opens is given by warm after the last part that opening a project needs.
const opens = 2

// warm does one part, and gives 0 once there is nothing more to do. The parts after opens are what play
// needs.
//
//go:wasmexport warm
func warm(part int32) (result int32) {
	defer bridge.Guard(&result)
	w := &warming
	var v any
	switch part {
	case 0:
		d, err := world.Start(world.Project{Name: "Warm", CellW: 16, CellH: 16, SeenW: 20, SeenH: 12}, &world.Counter{Prefix: 1})
		if err != nil {
			panic(err)
		}
		w.opening = edit.Opening{Prefix: 2, Document: d}.Encode()
		return 1
	case 1:
		p, err := page.Open(w.opening, nil)
		if err != nil {
			panic(err)
		}
		w.page = p
		return 1
	case 2:
		v = view.PointerView(w.page)
	case 3:
		v = view.StateOf(w.page)
	case 4:
		w.scene = view.SceneOf(w.page)
		return 1
	case 5:
		v = w.scene
	case 6:
		v = tilework.Tileset(w.page, w.page.Document().Tilesets[0].ID)
	case 7:
		w.page.Bitmap(picture.Key{Map: w.page.Document().Maps[0].ID, Layers: picture.AllLayers}, pixels)
		return 1
	case 8:
		maps.LayerPicture(w.page, w.page.Document().Maps[0].ID, 0, 40)
		return opens
	case 9:
		warmFill()
		return 1
	case 10, 11:
		warmPlay(world.View(part - 10))
		return 1
	default:
		w.opening, w.page, w.scene = nil, nil, view.Scene{}
		return 0
	}
	if _, err := json.Marshal(v); err != nil {
		panic(err)
	}
	return 1
}

// limber does once what the first order and the first frame of play need of this instance itself, beside
// compiled code: to know the types that are read and written. There are parts from 0 on, and it gives 0
// once there are no more.
//
//go:wasmexport limber
func limber(part int32) (result int32) {
	defer bridge.Guard(&result)
	var err error
	switch part {
	case 0:
		err = json.Unmarshal([]byte("{}"), &holding.Hold{})
	case 1:
		_, err = json.Marshal(playing.Play{})
	default:
		return 0
	}
	if err != nil {
		panic(err)
	}
	return 1
}

// warmFill fills what hangs together on a map of cells of two sorts, mixed.
func warmFill() {
	const side = 300
	d, err := world.Start(world.Project{Name: "Warm", CellW: 16, CellH: 16, SeenW: side / 2, SeenH: side / 2}, &world.Counter{Prefix: 1})
	if err != nil {
		panic(err)
	}
	draft := d.Draft()
	m := d.Maps[0]
	var cells grid.Runs
	for i := range m.Bounds.W * m.Bounds.H {
		// Two of three are alike, and hang together.
		cells = cells.Append(1, 1+grid.Cell(tiles.Chance(uint64(i), 0, 0)%3/2))
	}
	if _, err := draft.Paint(m.ID, m.PlayerLayer, world.Stroke{Region: grid.BoxRegion(m.Bounds), Cells: cells}); err != nil {
		panic(err)
	}
	if d, err = draft.Done(); err != nil {
		panic(err)
	}
	p, err := page.Open(edit.Opening{Prefix: 2, Document: d}.Encode(), nil)
	if err != nil {
		panic(err)
	}
	for i, o := range []page.Order{holding.Hold{Holding: "tile", Tile: 3}, holding.SetShape{Shape: "fill"}} {
		p.Order(i+1, page.OrderText(o), nil)
	}
	p.Bitmap(picture.Key{Map: m.ID, Layers: picture.AllLayers, Level: 2}, pixels)
	for _, what := range []int{page.Hover, page.Press, page.Release} {
		p.Pointer(what, grid.Point{X: side * 8, Y: side * 8}, false, false, 4)
	}
	for p.Working() {
		if _, err := p.Work(2000); err != nil {
			panic(err)
		}
	}
	p.Bitmap(picture.Key{Map: m.ID, Layers: picture.AllLayers, Level: 2}, pixels)
}

// warmPlay plays for two seconds, with one each of what moves and acts.
func warmPlay(view world.View) {
	d, err := world.Start(world.Project{Name: "Warm", CellW: 16, CellH: 16, SeenW: 20, SeenH: 12, View: view}, &world.Counter{Prefix: 1})
	if err != nil {
		panic(err)
	}
	draft := d.Draft()
	m := d.Maps[0]
	for i, of := range kind.All()[1:] {
		at := grid.Point{X: m.Bounds.W/2 + i, Y: m.Bounds.H/2 + 1}
		p := &world.Piece{Type: of.ID, Layer: m.PlayerLayer, Foot: m.FootOf(d.Project.Lattice(), of.ID, at)}
		if err := draft.Put(world.Ref{Sort: world.SortPiece, Map: m.ID, ID: world.ID(1<<20 + i)}, p.Values()); err != nil {
			panic(err)
		}
	}
	if d, err = draft.Done(); err != nil {
		panic(err)
	}
	p, err := page.Open(edit.Opening{Prefix: 2, Document: d}.Encode(), nil)
	if err != nil {
		panic(err)
	}
	p.Order(1, page.OrderText(playing.StartPlay{}), nil)
	for tick := range 120 {
		playing.Tick(p, play.Input(1<<(tick/20%6))|play.Right)
		if _, err := json.Marshal(playing.PlayView(p)); err != nil {
			panic(err)
		}
	}
}
