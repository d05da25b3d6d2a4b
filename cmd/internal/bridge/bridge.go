//go:build js && wasm

// Package bridge is what every module of the core shares with the browser: one
// buffer that the browser writes into, one that it reads from, and a word for a
// failure of the core itself.
package bridge

import (
	"encoding/json"
	"fmt"
	"os"
	"runtime/debug"
	"unsafe"
)

// Broken is what an export gives that failed for a reason of its own.
const Broken = -1

// In is what the browser wrote last; it is written over by the next call.
var In []byte

// large is from how many bytes on a buffer is not kept for what is smaller.
const large = 4 << 20

var out []byte

// Guard turns a panic into the answer Broken, so that the browser hears of it. It must be deferred in
// every export: after a panic that nobody recovers from, the module answers with rubbish.
func Guard[N int32 | uint32 | float64](result *N) {
	if r := recover(); r != nil {
		fmt.Fprintf(os.Stderr, "the core failed: %v\n%s", r, debug.Stack())
		broken := int32(Broken)
		*result = N(broken)
	}
}

// Address is where the bytes begin in the module's memory.
func Address(b []byte) uint32 { return uint32(uintptr(unsafe.Pointer(unsafe.SliceData(b)))) }

// Taken is what the browser wrote last, to be kept: a copy, or of something large the
// buffer itself.
func Taken() []byte {
	if len(In) < large {
		return append([]byte(nil), In...)
	}
	b := In
	In = nil
	return b
}

// Answer lets the browser read b, and gives its length.
func Answer(b []byte) int32 {
	out = b
	return int32(len(b))
}

// Forget gives up what was written and is to be read.
func Forget() { In, out = nil, nil }

// Result is what the browser may read now.
func Result() []byte { return out }

// Write lets the browser read v as JSON.
func Write(v any) int32 {
	b, err := json.Marshal(v)
	if err != nil {
		panic(err)
	}
	return Answer(b)
}

//go:wasmexport buffer
func buffer(n int32) (result uint32) {
	defer Guard(&result)
	// After something large the memory is given back.
	if int(n) > cap(In) || cap(In) > large && int(n) < large {
		In = make([]byte, n)
	}
	In = In[:n]
	return Address(In)
}

//go:wasmexport resultAddress
func resultAddress() uint32 { return Address(out) }
