//go:build js && wasm

package main

import (
	"encoding/hex"
	"hash/fnv"

	"azzel/cmd/internal/bridge"
)

// The views that view writes.
const (
	viewScene = iota
	viewState
	viewPointer
	viewPlay
	viewProbe
	viewSteps
	viewReplays
	viewMemory
	viewKnown
	viewAskable
)

// prepare begins a view, so that the page can draw before it is written.
//
//go:wasmexport prepare
func prepare(which int32) (result int32) {
	defer bridge.Guard(&result)
	prepared.which, prepared.view = which, viewOf(which)
	return 0
}

// prepared is the view that was begun, nil if none was.
var prepared struct {
	which int32
	view  any
}

//go:wasmexport view
func view(which int32) (result int32) {
	defer bridge.Guard(&result)
	v := prepared.view
	if v == nil || prepared.which != which {
		v = viewOf(which)
	}
	prepared.view = nil
	return bridge.Write(v)
}

func viewOf(which int32) any {
	switch which {
	case viewScene:
		return now.Scene()
	case viewState:
		return now.State()
	case viewPointer:
		return now.PointerView()
	case viewPlay:
		return now.Play()
	case viewProbe:
		sum := fnv.New128a()
		sum.Write(now.Document().Encode())
		return map[string]any{"revision": now.Revision(), "hash": hex.EncodeToString(sum.Sum(nil))}
	case viewSteps:
		return now.Steps()
	case viewReplays:
		return reruns.View()
	case viewMemory:
		return now.Memory()
	case viewKnown:
		return now.Known()
	case viewAskable:
		return now.Askable()
	}
	panic("no such view")
}
