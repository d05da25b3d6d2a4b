//go:build js && wasm

package main

import (
	"runtime"

	"azzel/cmd/internal/bridge"
	"azzel/core/pace"
	"azzel/core/page"
)

//go:wasmexport enqueue
func enqueue() (result int32) {
	defer bridge.Guard(&result)
	queue = append(queue, bridge.Taken())
	return 0
}

// leave forgets the project, so that another can be opened.
//
//go:wasmexport leave
func leave() (result int32) {
	defer bridge.Guard(&result)
	now, opening, opened, openFault, queue, sends = nil, nil, nil, nil, nil, nil
	ready = nil
	bridge.Forget()
	runtime.GC()
	return 0
}

// document gives all that the page shows, with what was not saved.
//
//go:wasmexport document
func document() (result int32) {
	defer bridge.Guard(&result)
	return bridge.Answer(now.Latest().Encode())
}

// aside gives a step of an earlier page that could not be taken up, 0 if there are no more.
//
//go:wasmexport aside
func aside(n int32) (result int32) {
	defer bridge.Guard(&result)
	if list := now.Aside(); int(n) < len(list) {
		return bridge.Answer(list[n])
	}
	return 0
}

// open begins to open a project; openStep goes on until it gives 0, or the length of a
// text for people.
//
//go:wasmexport open
func open() (result int32) {
	defer bridge.Guard(&result)
	bytes, q := bridge.Taken(), queue
	queue, now, sends = nil, nil, nil
	opening = pace.Begin(func(at pace.Pace) { opened, openFault = page.OpenAt(at, bytes, q) })
	return 0
}

//go:wasmexport openStep
func openStep(budget int32) (result int32) {
	defer bridge.Guard(&result)
	if !opening.Step(int(budget)) {
		return more
	}
	if openFault != nil {
		return bridge.Answer([]byte(openFault.Error()))
	}
	now, opened, opening = opened, nil, nil
	return 0
}

// opening gives opened or openFault.
var (
	opening   *pace.Work
	opened    *page.Page
	openFault error
)
