//go:build js && wasm

// Command azzel-wasm is the browser's door to the core: bindings, no more.
// Numbers go directly, bytes through the buffers of package bridge. After an
// export that gave bridge.Broken the page begins again from what is stored.
package main

import (
	"encoding/json"
	"errors"
	"fmt"
	"os"
	"runtime/debug"
	"unsafe"

	"azzel/cmd/internal/bridge"
	"azzel/core/edit"
	"azzel/core/grid"
	"azzel/core/page"
	"azzel/core/picture"
	"azzel/core/play"
	"azzel/core/world"
)

// gap is given when messages are missing: the page must be opened anew.
const gap = -2

// more is given when something goes on with the next call.
const more = -3

var (
	pixels = make([]byte, picture.BitmapSide*picture.BitmapSide*4)
	box    [4]int32
	queue  [][]byte
	sends  [][]byte
	now    *page.Page
)

func main() {
	// A module never gives memory back, so what is not needed must be found sooner.
	debug.SetGCPercent(50)
	debug.SetMemoryLimit(320 << 20)
	select {}
}

//go:wasmexport pixelsAddress
func pixelsAddress() uint32 { return bridge.Address(pixels) }

//go:wasmexport boxAddress
func boxAddress() uint32 { return uint32(uintptr(unsafe.Pointer(&box[0]))) }

// receive takes the messages that were put into the queue.
//
//go:wasmexport receive
func receive() (result int32) {
	defer bridge.Guard(&result)
	messages := queue
	queue = nil
	return received(now.Receive(messages...))
}

//go:wasmexport work
func work(budget int32) (result int32) {
	defer bridge.Guard(&result)
	return received(now.Work(int(budget)))
}

// received is what has changed, or gap.
func received(changed page.Changed, err error) int32 {
	if err != nil {
		if !errors.Is(err, edit.ErrGap) {
			fmt.Fprintf(os.Stderr, "receiving: %v\n", err)
		}
		return gap
	}
	return int32(changed)
}

//go:wasmexport order
func order() (result int32) {
	defer bridge.Guard(&result)
	return int32(now.Order(bridge.In))
}

//go:wasmexport pointer
func pointer(what, x, y, erase, steady, near int32) (result int32) {
	defer bridge.Guard(&result)
	return int32(now.Pointer(int(what), grid.Point{X: int(x), Y: int(y)}, erase != 0, steady != 0, int(near)))
}

// addEarlier reads earlier steps from the buffer.
//
//go:wasmexport addEarlier
func addEarlier() (result int32) {
	defer bridge.Guard(&result)
	return int32(now.AddEarlier(bridge.In))
}

// copied gives what is selected as text, what has changed before it as a byte.
//
//go:wasmexport copied
func copied(cut int32) (result int32) {
	defer bridge.Guard(&result)
	text, changed := now.Copied(cut != 0)
	return bridge.Answer(append([]byte{byte(changed)}, text...))
}

// paste reads the clipboard's text from the buffer.
//
//go:wasmexport paste
func paste() (result int32) {
	defer bridge.Guard(&result)
	return int32(now.Paste(string(bridge.In)))
}

// look reads the kept state from the buffer that was taken before, and its name from
// the buffer.
//
//go:wasmexport look
func look() (result int32) {
	defer bridge.Guard(&result)
	document := queue[len(queue)-1]
	queue = nil
	return int32(now.Look(document, string(bridge.In)))
}

// mapOfColours reads the places of the colours from the buffer that was taken before, and
// the legend from the buffer.
//
//go:wasmexport mapOfColours
func mapOfColours() (result int32) {
	defer bridge.Guard(&result)
	places := queue[len(queue)-1]
	queue = nil
	var to page.Legend
	if err := json.Unmarshal(bridge.In, &to); err != nil {
		panic(err)
	}
	return int32(now.MapOfColours(to, places))
}

// alike reads colours from the buffer; those that are known mean what they meant, if known is
// not 0.
//
//go:wasmexport alike
func alike(set int64, known int32) (result int32) {
	defer bridge.Guard(&result)
	var colours []int
	if err := json.Unmarshal(bridge.In, &colours); err != nil {
		panic(err)
	}
	if known != 0 {
		return bridge.Write(now.Meant(world.ID(set), colours))
	}
	return bridge.Write(now.Alike(world.ID(set), colours))
}

// layCSV reads the text from the buffer.
//
//go:wasmexport layCSV
func layCSV(m, layer int64) (result int32) {
	defer bridge.Guard(&result)
	return int32(now.LayCSV(world.ID(m), world.ID(layer), bridge.In))
}

//go:wasmexport cells
func cells(m, layer int64, x, y, w, h int32) (result int32) {
	defer bridge.Guard(&result)
	return bridge.Write(now.Cells(world.ID(m), world.ID(layer), grid.Rect{X: int(x), Y: int(y), W: int(w), H: int(h)}))
}

// layerWay leaves the way in the box.
//
//go:wasmexport layerWay
func layerWay(m, layer int64, x, y, w, h int32) (result int32) {
	defer bridge.Guard(&result)
	way := now.LayerWay(world.ID(m), world.ID(layer), grid.Rect{X: int(x), Y: int(y), W: int(w), H: int(h)})
	box = [4]int32{int32(way.X), int32(way.Y), 0, 0}
	return 0
}

// wholeScreens leaves the size in the box.
//
//go:wasmexport wholeScreens
func wholeScreens(columns, rows int32) (result int32) {
	defer bridge.Guard(&result)
	w, h := now.WholeScreens(int(columns), int(rows))
	box = [4]int32{0, 0, int32(w), int32(h)}
	return 0
}

//go:wasmexport scaledSize
func scaledSize(m int64, scale int32) (result int32) {
	defer bridge.Guard(&result)
	return bridge.Answer([]byte(now.ScaledSize(world.ID(m), int(scale))))
}

//go:wasmexport lossOf
func lossOf(m int64, columns, rows, anchor int32) (result int32) {
	defer bridge.Guard(&result)
	return bridge.Answer([]byte(now.LossOf(world.ID(m), int(columns), int(rows), int(anchor))))
}

//go:wasmexport tick
func tick(input int32) (result int32) {
	defer bridge.Guard(&result)
	return int32(now.Tick(play.Input(input)))
}

// handOver gives a message for those who play kept replays, or 0 if there is nothing to tell; more if
// there will be one.
//
//go:wasmexport handOver
func handOver(budget int32) (result int32) {
	defer bridge.Guard(&result)
	message, left := now.HandOver(int(budget))
	if message == nil && left {
		return more
	}
	return bridge.Answer(message)
}

//go:wasmexport handOverAnew
func handOverAnew() (result int32) {
	defer bridge.Guard(&result)
	now.HandOverAnew()
	return 0
}

// reruns are the kept replays of a page, if this instance is there to play them.
var reruns page.Reruns

// rerunTake reads a message of handOver from the buffer.
//
//go:wasmexport rerunTake
func rerunTake() (result int32) {
	defer bridge.Guard(&result)
	if err := reruns.Take(bridge.Taken()); err != nil {
		panic(err)
	}
	return 0
}

//go:wasmexport rerun
func rerun(ticks int32) (result int32) {
	defer bridge.Guard(&result)
	return int32(reruns.Run(int(ticks)))
}

// lens reads the name of the property from the buffer.
//
//go:wasmexport lens
func lens(m int64, x, y, w, h int32) (result int32) {
	defer bridge.Guard(&result)
	return bridge.Answer(now.Lens(world.ID(m), grid.Rect{X: int(x), Y: int(y), W: int(w), H: int(h)}, string(bridge.In)))
}

// outgoing gives the next message to be sent, 0 if there is none.
//
//go:wasmexport outgoing
func outgoing() (result int32) {
	defer bridge.Guard(&result)
	if len(sends) == 0 {
		sends = now.Outgoing()
	}
	if len(sends) == 0 {
		return 0
	}
	m := sends[0]
	sends = sends[1:]
	return bridge.Answer(m)
}

//go:wasmexport resend
func resend() (result int32) {
	defer bridge.Guard(&result)
	sends = now.Unsent()
	return 0
}

//go:wasmexport sequence
func sequence() (result float64) {
	defer bridge.Guard(&result)
	n, _, _ := edit.ReadSend(bridge.Result())
	return float64(n)
}

//go:wasmexport answered
func answered() (result float64) {
	defer bridge.Guard(&result)
	return float64(now.Answered())
}

//go:wasmexport revision
func revision() (result float64) {
	defer bridge.Guard(&result)
	return float64(now.Revision())
}

// reach tells as JSON where the player can jump to from a cell.
//
//go:wasmexport reach
func reach(m int64, x, y int32) (result int32) {
	defer bridge.Guard(&result)
	return bridge.Write(now.Reach(world.ID(m), grid.Point{X: int(x), Y: int(y)}))
}

// trail tells as JSON where a piece will be that goes somewhere by itself.
//
//go:wasmexport trail
func trail(id int64) (result int32) {
	defer bridge.Guard(&result)
	return bridge.Write(now.Trail(world.ID(id)))
}
