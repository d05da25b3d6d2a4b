//go:build js && wasm

// Command azzel-desk-wasm is the part of the core that reads pictures and cuts
// them: a module of its own, which is loaded when a picture is laid on the desk
// and ends with it.
package main

import (
	"encoding/json"

	"azzel/cmd/internal/bridge"
	"azzel/core/desk"
	"azzel/core/tiles"
)

var now desk.Desk

func main() { select {} }

//go:wasmexport deskOpen
func deskOpen(cellW, cellH int32) (result int32) {
	defer bridge.Guard(&result)
	return bridge.Write(now.Open(bridge.In, int(cellW), int(cellH)))
}

// deskCompare reads the tiles of the tileset from the buffer; deskCompareCut came
// before it.
//
//go:wasmexport deskCompare
func deskCompare() (result int32) {
	defer bridge.Guard(&result)
	return bridge.Write(now.Compare(bridge.In, comparing))
}

//go:wasmexport deskColours
func deskColours() (result int32) {
	defer bridge.Guard(&result)
	var c desk.Colours
	c, places = now.Colours()
	return bridge.Write(c)
}

// places are what deskPlaces gives after deskColours.
var places []byte

//go:wasmexport deskPlaces
func deskPlaces() (result int32) {
	defer bridge.Guard(&result)
	return bridge.Answer(places)
}

// deskApart reads how the picture is to be cut and taken apart from the buffer.
//
//go:wasmexport deskApart
func deskApart() (result int32) {
	defer bridge.Guard(&result)
	var how struct {
		Cut   tiles.Cut   `json:"cut"`
		Apart tiles.Apart `json:"apart"`
	}
	if err := json.Unmarshal(bridge.In, &how); err != nil {
		panic(err)
	}
	return bridge.Write(now.Apart(how.Cut, how.Apart))
}

// comparing is the cut that deskCompare goes by.
var comparing tiles.Cut

//go:wasmexport deskCompareCut
func deskCompareCut() (result int32) {
	defer bridge.Guard(&result)
	if err := json.Unmarshal(bridge.In, &comparing); err != nil {
		panic(err)
	}
	return 0
}

//go:wasmexport deskCut
func deskCut() (result int32) {
	defer bridge.Guard(&result)
	var c tiles.Cut
	if err := json.Unmarshal(bridge.In, &c); err != nil {
		panic(err)
	}
	return bridge.Write(now.Cut(c))
}
