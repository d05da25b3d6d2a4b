//go:build js && wasm

package main

import (
	"azzel/cmd/internal/bridge"
	"azzel/core/grid"
	"azzel/core/page/playing"
	"azzel/core/picture"
	"azzel/core/world"
)

func key(m int64, low, high uint32, level, x, y int32) picture.Key {
	return picture.Key{Map: world.ID(m), Layers: uint64(low) | uint64(high)<<32, Level: int(level), X: int(x), Y: int(y)}
}

// bitmap gives 0 if nothing was drawn, 1 for all that was to be, 2 if there is more.
//
//go:wasmexport bitmap
func bitmap(m int64, low, high uint32, level, x, y int32) (result int32) {
	defer bridge.Guard(&result)
	r, more := now.Bitmap(key(m, low, high, level, x, y), pixels)
	if r.Empty() {
		return 0
	}
	box = [4]int32{int32(r.X), int32(r.Y), int32(r.W), int32(r.H)}
	if more {
		return 2
	}
	return 1
}

// animate gives twice the milliseconds to the next call, and 1 more if anything
// shows another frame.
//
//go:wasmexport animate
func animate(millis float64) (result int32) {
	defer bridge.Guard(&result)
	changed, next := now.Animate(int(millis))
	result = int32(next) * 2
	if changed != 0 {
		result++
	}
	return result
}

//go:wasmexport forget
func forget(m int64, low, high uint32, level, x, y int32) (result int32) {
	defer bridge.Guard(&result)
	now.Forget(key(m, low, high, level, x, y))
	return 0
}

//go:wasmexport tile
func tile(n int32) (result int32) {
	defer bridge.Guard(&result)
	return bridge.Answer(now.Tile(grid.Cell(n)))
}

//go:wasmexport sprite
func sprite(which, facing, frame int32) (result int32) {
	defer bridge.Guard(&result)
	pix, w, h := playing.Sprite(now, int(which), int(facing), int(frame))
	box = [4]int32{0, 0, int32(w), int32(h)}
	return bridge.Answer(pix)
}
