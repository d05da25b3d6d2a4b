package main

import (
	"bytes"
	"encoding/binary"
	"errors"
	"slices"
	"strings"
)

// The format of modules: https://webassembly.github.io/spec/core/binary/modules.html
const (
	header      = 8
	dataSection = 11
	i32Const    = 0x41
	end         = 0x0b
	// largestMemory bounds the data of a module that is read.
	largestMemory = 256 << 20
	// gap is how many bytes without a value may lie within one piece of data: they cost less than another piece.
	gap = 4096
)

var errBroken = errors.New("the module ends too soon, or has data of another kind than the Go linker writes")

// lean is a module with its data joined and without the lines of its source.
func lean(module []byte) ([]byte, error) {
	if len(module) < header || !bytes.HasPrefix(module, []byte("\x00asm")) {
		return nil, errors.New("this is no WebAssembly module")
	}
	out := bytes.Clone(module[:header])
	for rest := module[header:]; len(rest) > 0; {
		id := rest[0]
		size, n := binary.Uvarint(rest[1:])
		if n <= 0 || uint64(len(rest)-1-n) < size {
			return nil, errBroken
		}
		body := rest[1+n:][:size]
		if id == dataSection {
			memory, err := readData(body)
			if err != nil {
				return nil, err
			}
			if err := dropLines(memory); err != nil {
				return nil, err
			}
			body = writeData(memory)
		}
		out = append(out, id)
		out = binary.AppendUvarint(out, uint64(len(body)))
		out = append(out, body...)
		rest = rest[1+n+int(size):]
	}
	return out, nil
}

// readData is the memory with which a module begins, up to the last byte that has a value.
func readData(section []byte) ([]byte, error) {
	var memory []byte
	pieces, n := binary.Uvarint(section)
	if n <= 0 {
		return nil, errBroken
	}
	section = section[n:]
	for range pieces {
		if len(section) < 2 || section[0] != 0 || section[1] != i32Const {
			return nil, errBroken
		}
		at, n := signed(section[2:])
		if n <= 0 || at < 0 || at > largestMemory || len(section) < 2+n+1 || section[2+n] != end {
			return nil, errBroken
		}
		section = section[2+n+1:]
		size, n := binary.Uvarint(section)
		if n <= 0 || uint64(len(section)-n) < size {
			return nil, errBroken
		}
		if to := at + int(size); to > len(memory) {
			memory = append(memory, make([]byte, to-len(memory))...)
		}
		copy(memory[at:], section[n:][:size])
		section = section[n+int(size):]
	}
	return memory, nil
}

// writeData is the section of data for a memory.
func writeData(memory []byte) []byte {
	var pieces []byte
	count := 0
	for at := next(memory, 0); at < len(memory); {
		to := at
		start := at
		for at < len(memory) && at-to < gap {
			if to = bytes.IndexByte(memory[at:], 0); to < 0 {
				to = len(memory) - at
			}
			to += at
			at = next(memory, to)
		}
		pieces = append(pieces, 0, i32Const)
		pieces = appendSigned(pieces, start)
		pieces = append(pieces, end)
		pieces = binary.AppendUvarint(pieces, uint64(to-start))
		pieces = append(pieces, memory[start:to]...)
		count++
	}
	return append(binary.AppendUvarint(nil, uint64(count)), pieces...)
}

// next is the first byte from a place on that has a value, or the end.
func next(memory []byte, from int) int {
	for from < len(memory) && memory[from] == 0 {
		from++
	}
	return from
}

// signed reads a signed number, of which the last byte says the sign.
func signed(b []byte) (v, n int) {
	for n < len(b) && n < 5 {
		c := b[n]
		v |= int(c&0x7f) << (7 * n)
		n++
		if c&0x80 == 0 {
			if c&0x40 != 0 {
				v -= 1 << (7 * n)
			}
			return v, n
		}
	}
	return 0, 0
}

// appendSigned writes a number from 0 on as signed reads it.
func appendSigned(b []byte, v int) []byte {
	for v >= 0x40 {
		b = append(b, byte(v&0x7f|0x80))
		v >>= 7
	}
	return append(b, byte(v))
}

// stackMaps is which of the tables of a function the runtime needs: what of its stack are pointers. The others say where it may be interrupted, which
// no function of a module is, which calls were set into it, and which arguments are still known.
const stackMaps = 1

// tracedData is what of a function traces alone need: the calls that were set into it, its arguments, which of them are still known, and what it wraps.
var tracedData = []int{3, 5, 6, 7}

// dropLines empties what says which file and line an instruction comes from. Where that is not said the runtime takes it for
// unknown. What it needs to go through the stack stays; so do the names of functions. The tables are those of Go 1.20 and
// later: internal/abi, runtime/symtab.go.
func dropLines(memory []byte) error {
	const magic = "\xf1\xff\xff\xff\x00\x00\x01\x08"
	table := bytes.Index(memory, []byte(magic))
	if table < 0 || bytes.Contains(memory[table+1:], []byte(magic)) {
		return errors.New("its table of functions was not found: another version of Go wrote it")
	}
	t := symbols{memory[table:]}
	functions, names, units, files, values, entries := t.word(8), t.word(32), t.word(40), t.word(48), t.word(56), t.word(64)
	if functions == 0 || !(names < units && units <= files && files <= values && values < entries && entries < len(t.b)) {
		return errors.New("its table of functions is laid out as no known one: another version of Go wrote it")
	}
	needed := make([]bool, entries-values)
	named := naming{table: t.b[names:units], kept: make(map[int]bool, functions), of: map[string]int{}}
	for i := range functions {
		f := entries + t.half(entries+8*i+4)
		if f+44 > len(t.b) {
			return errBroken
		}
		if at := t.half(f + 4); at < len(named.table) {
			binary.LittleEndian.PutUint32(t.b[f+4:], uint32(named.keep(at)))
		}
		tables := t.half(f + 28)
		of, more := f+44, f+44+4*tables
		if tables > 16 || more+4*int(t.b[f+43]) > len(t.b) {
			return errBroken
		}
		offsets := []int{t.half(f + 16)}
		for k := range tables {
			if k == stackMaps {
				offsets = append(offsets, t.half(of+4*k))
			} else {
				clear(t.b[of+4*k:][:4])
			}
		}
		for k := range int(t.b[f+43]) {
			if slices.Contains(tracedData, k) {
				binary.LittleEndian.PutUint32(t.b[more+4*k:], 1<<32-1) // none
			}
		}
		for _, at := range offsets {
			if at == 0 {
				continue
			}
			size, err := t.run(values+at, entries)
			if err != nil {
				return err
			}
			for k := range size {
				needed[at+k] = true
			}
		}
		clear(t.b[f+20 : f+28]) // the tables of files and of lines
		clear(t.b[f+32 : f+40]) // the unit and the first line
	}
	for i, keep := range needed {
		if !keep {
			t.b[values+i] = 0
		}
	}
	clear(t.b[units:values])
	named.shorten()
	return nil
}

// naming is the table of names of functions, with those that are kept, and the one that stands for all functions of a package.
type naming struct {
	table []byte
	kept  map[int]bool
	of    map[string]int
}

// own is with what the names begin of functions that keep them: those of the command itself, and those for which the runtime looks by name as it goes through
// the stack (stkframe.go, traceback.go). Of all others a trace says the package: which function it is, is found by its place in a module that was not made
// lean, since functions keep their order.
var own = []string{"main.", "runtime.gopanic", "reflect.makeFuncStub", "reflect.methodValueCall"}

// at is the name at a place of the table.
func (n naming) at(from int) []byte {
	name := n.table[from:]
	if end := bytes.IndexByte(name, 0); end >= 0 {
		name = name[:end]
	}
	return name
}

// keep keeps the name at a place, and says where the function has its name from now on: of a package that is the first name that was kept, of
// which the package alone stays.
func (n naming) keep(from int) int {
	name := string(n.at(from))
	if slices.ContainsFunc(own, func(of string) bool { return strings.HasPrefix(name, of) }) {
		n.kept[from] = true
		return from
	}
	path := strings.LastIndexByte(strings.SplitN(name, "[", 2)[0], '/') + 1
	dot := strings.IndexByte(name[path:], '.')
	if dot < 0 {
		n.kept[from] = true
		return from
	}
	of := name[:path+dot+1]
	first, there := n.of[of]
	if !there {
		first = from
		n.of[of], n.kept[from] = from, true
		clear(n.at(from)[len(of):])
	}
	return first
}

// shorten leaves out the names that no function has any more, and of those of generic functions of what they are, which traces do not say either: they
// have […] there.
func (n naming) shorten() {
	for from := 0; from < len(n.table); {
		name := n.at(from)
		if !n.kept[from] {
			clear(name)
		}
		from += len(name) + 1
		open, end := bytes.IndexByte(name, '['), bytes.LastIndexByte(name, ']')
		if open < 0 || end < open+len("[...") {
			continue
		}
		to := open + copy(name[open:], "[...")
		to += copy(name[to:], name[end:])
		clear(name[to:])
	}
}

// symbols is a table of functions.
type symbols struct{ b []byte }

func (t symbols) word(at int) int {
	if at+8 > len(t.b) {
		return 0
	}
	return int(binary.LittleEndian.Uint64(t.b[at:]))
}

func (t symbols) half(at int) int {
	if at < 0 || at+4 > len(t.b) {
		return 0
	}
	return int(binary.LittleEndian.Uint32(t.b[at:]))
}

// run is how many bytes a table of values has that begins at a place: pairs of numbers, up to a pair of which the first is 0
// and which is not the first one.
func (t symbols) run(at, end int) (int, error) {
	from := at
	for first := true; ; first = false {
		if at < 0 || at >= end {
			return 0, errBroken
		}
		value, n := binary.Uvarint(t.b[at:end])
		if n <= 0 {
			return 0, errBroken
		}
		at += n
		if value == 0 && !first {
			return at - from, nil
		}
		if _, n = binary.Uvarint(t.b[at:end]); n <= 0 {
			return 0, errBroken
		}
		at += n
	}
}
