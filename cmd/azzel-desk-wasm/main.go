//go:build js && wasm

// Command azzel-desk-wasm is the part of the core that reads pictures and cuts
// them: a module of its own, which is loaded when a picture is laid on the desk
// and ends with it.
package main

import (
	"azzel/cmd/internal/bridge"
	"azzel/core/desk"
	"azzel/core/tiles"
)

var now desk.Desk

func main() { select {} }

//go:wasmexport deskOpen
func deskOpen() (result int32) {
	defer bridge.Guard(&result)
	return bridge.Write(now.Open(bridge.In))
}

//go:wasmexport deskCut
func deskCut(w, h, margin, spacing int32) (result int32) {
	defer bridge.Guard(&result)
	return bridge.Write(now.Cut(tiles.Cut{W: int(w), H: int(h), Margin: int(margin), Spacing: int(spacing)}))
}
