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
	"azzel/core/page/maps"
	"azzel/core/page/playing"
	"azzel/core/page/replays"
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

// order reads an order from the buffer, and what comes with it from what was put into the queue.
//
//go:wasmexport order
func order(ticket int32) (result int32) {
	defer bridge.Guard(&result)
	attached := queue
	queue = nil
	return int32(now.Order(int(ticket), bridge.In, attached))
}

// ask reads a question from the buffer and gives the length of the answer: JSON, bytes, or pixels whose width and height are
// left in the box.
//
//go:wasmexport ask
func ask() (result int32) {
	defer bridge.Guard(&result)
	return answer(asked())
}

// prepare reads a question from the buffer, whose answer prepared gives: so the page can draw before that is written.
//
//go:wasmexport prepare
func prepare() (result int32) {
	defer bridge.Guard(&result)
	ready = asked()
	return 0
}

//go:wasmexport prepared
func prepared() (result int32) {
	defer bridge.Guard(&result)
	a := ready
	ready = nil
	return answer(a)
}

// ready is the answer that was prepared.
var ready any

func asked() any {
	a, err := now.Ask(bridge.In)
	if err != nil {
		// The client knows no such question: the page is of another version.
		panic(err)
	}
	return a
}

func answer(a any) int32 {
	switch a := a.(type) {
	case page.Picture:
		box = [4]int32{0, 0, int32(a.W), int32(a.H)}
		return bridge.Answer(a.Pixels)
	case []byte:
		return bridge.Answer(a)
	case json.RawMessage:
		return bridge.Answer(a)
	}
	return bridge.Write(a)
}

//go:wasmexport pointer
func pointer(what, x, y, erase, steady, near int32) (result int32) {
	defer bridge.Guard(&result)
	return int32(now.Pointer(int(what), grid.Point{X: int(x), Y: int(y)}, erase != 0, steady != 0, int(near)))
}

// layerLies leaves in the box the way of a layer, and where its backdrop lies.
//
//go:wasmexport layerLies
func layerLies(m, layer int64, x, y, w, h int32, seconds float64) (result int32) {
	defer bridge.Guard(&result)
	way, backdrop := maps.LayerLies(now, world.ID(m), world.ID(layer), grid.Rect{X: int(x), Y: int(y), W: int(w), H: int(h)}, seconds)
	box = [4]int32{int32(way.X), int32(way.Y), int32(backdrop.X), int32(backdrop.Y)}
	return 0
}

//go:wasmexport tick
func tick(input int32) (result int32) {
	defer bridge.Guard(&result)
	return int32(playing.Tick(now, play.Input(input)))
}

// handOver gives a message for those who play kept replays, or 0 if there is nothing to tell; more if
// there will be one.
//
//go:wasmexport handOver
func handOver(budget int32) (result int32) {
	defer bridge.Guard(&result)
	message, left := replays.HandOver(now, int(budget))
	if message == nil && left {
		return more
	}
	return bridge.Answer(message)
}

//go:wasmexport handOverAnew
func handOverAnew() (result int32) {
	defer bridge.Guard(&result)
	replays.HandOverAnew(now)
	return 0
}

// reruns are the kept replays of a page, if this instance is there to play them.
var reruns replays.Reruns

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

// replayed tells as JSON what came of the kept replays.
//
//go:wasmexport replays
func replayed() (result int32) {
	defer bridge.Guard(&result)
	return bridge.Write(reruns.View())
}

//go:wasmexport rerun
func rerun(ticks int32) (result int32) {
	defer bridge.Guard(&result)
	return int32(reruns.Run(int(ticks)))
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
