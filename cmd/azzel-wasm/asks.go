//go:build js && wasm

package main

import (
	"encoding/json"

	"azzel/cmd/internal/bridge"
	"azzel/core/grid"
	"azzel/core/page"
	"azzel/core/tiles"
	"azzel/core/world"
)

//go:wasmexport tileset
func tileset(id int64) (result int32) {
	defer bridge.Guard(&result)
	return bridge.Write(now.Tileset(world.ID(id)))
}

// dealt reads what the medley is to be from the buffer.
//
//go:wasmexport dealt
func dealt(w, h int32) (result int32) {
	defer bridge.Guard(&result)
	var to page.Dealing
	if err := json.Unmarshal(bridge.In, &to); err != nil {
		panic(err)
	}
	return bridge.Write(now.Dealt(to, int(w), int(h)))
}

// bondSample reads what the bond is to be from the buffer.
//
//go:wasmexport bondSample
func bondSample() (result int32) {
	defer bridge.Guard(&result)
	var to page.Bonding
	if err := json.Unmarshal(bridge.In, &to); err != nil {
		panic(err)
	}
	return bridge.Write(now.BondSample(to))
}

//go:wasmexport usage
func usage() (result int32) {
	defer bridge.Guard(&result)
	return bridge.Write(now.Usage())
}

// reskinned reads the re-skin from the buffer.
//
//go:wasmexport reskinned
func reskinned() (result int32) {
	defer bridge.Guard(&result)
	return bridge.Write(now.Reskinned(reskinIn()))
}

func reskinIn() page.Reskin {
	var r page.Reskin
	if err := json.Unmarshal(bridge.In, &r); err != nil {
		panic(err)
	}
	return r
}

//go:wasmexport joinedWith
func joinedWith(join, joined, bit, on int32) (result int32) {
	defer bridge.Guard(&result)
	return int32(tiles.Join(join).With(tiles.Neighbours(joined), 1<<bit, on != 0))
}

// tileCells gives how many cells hold each tile of a tileset.
//
//go:wasmexport tileCells
func tileCells(id int64) (result int32) {
	defer bridge.Guard(&result)
	return bridge.Write(now.TileCells(world.ID(id)))
}

//go:wasmexport proposedReskin
func proposedReskin(m int64) (result int32) {
	defer bridge.Guard(&result)
	return bridge.Write(now.ProposedReskin(world.ID(m)))
}

// proposed reads the numbers of the tiles from the buffer.
//
//go:wasmexport proposed
func proposed(join int32) (result int32) {
	defer bridge.Guard(&result)
	var list []int
	if err := json.Unmarshal(bridge.In, &list); err != nil {
		panic(err)
	}
	return bridge.Write(now.Proposed(list, int(join)))
}

// sheetShape reads the name of the property from the buffer.
//
//go:wasmexport sheetShape
func sheetShape(id int64, x0, y0, x1, y1 int32) (result int32) {
	defer bridge.Guard(&result)
	return bridge.Write(now.SheetShape(world.ID(id), string(bridge.In), grid.Point{X: int(x0), Y: int(y0)}, grid.Point{X: int(x1), Y: int(y1)}))
}
