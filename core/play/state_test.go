package play

import (
	"reflect"
	"strings"
	"testing"
	"unsafe"

	"azzel/core/logic"
	"azzel/core/world"
)

// filled is a state with one of each thing that there may be several of, and nothing else.
func filled() state {
	return state{players: []player{{}}, cast: cast{things: []Thing{{ID: 3}}, fallen: []world.ID{6}}, flight: flight{[]shot{{}}},
		memory: memory{taken: []world.ID{5}, items: []world.Stock{{Item: 7, Count: 1}}, facts: []Known{{Fact: 8}}, refused: []world.ID{9, 10}, states: []stated{{11, 3}}, properties: []property{{20, 13, 5}}, spoken: []spoken{{16, 2}}, left: []world.ID{19}},
		ruling: ruling{runs: logic.Runs{Begun: 9, List: []logic.Run{{Number: 1, Frames: []logic.Frame{{}}}}, Queue: []logic.Happened{{}}, Went: []logic.Past{{Times: 1}}, So: []logic.Pair{{}}},
			inAreas: []stay{{area: 17}}, presences: []presence{{piece: 18}}},
		reading: reading{piece: 15, says: 50},
		wiring:  wiring{wires: []wired{{12, false, false, 3}}, worked: []workedEnd{{13, 0}}, switched: []world.ID{14}}}
}

// eachField visits all that a value is made of, also what is not exported, so that it can be set.
func eachField(v reflect.Value, path string, visit func(path string, v reflect.Value)) {
	switch v.Kind() {
	case reflect.Struct:
		for i := range v.NumField() {
			f := v.Field(i)
			eachField(reflect.NewAt(f.Type(), unsafe.Pointer(f.UnsafeAddr())).Elem(), path+"."+v.Type().Field(i).Name, visit)
		}
	case reflect.Slice:
		for i := range v.Len() {
			eachField(v.Index(i), path+"[]", visit)
		}
	default:
		visit(path, v)
	}
}

// Every field of the state comes back from its encoding, and a clone shares none with it: what is added to the state and
// forgotten in either is found here. The camera is apart: it is written after the rest, and worked out anew where a play
// goes on.
func TestEveryFieldOfTheState(t *testing.T) {
	var paths []string
	one := filled()
	eachField(reflect.ValueOf(&one).Elem(), "state", func(path string, _ reflect.Value) { paths = append(paths, path) })
	if len(paths) < 80 {
		t.Fatalf("the state has %d fields", len(paths))
	}
	for n, path := range paths {
		s := filled()
		k := 0
		eachField(reflect.ValueOf(&s).Elem(), "state", func(_ string, v reflect.Value) {
			if k++; k-1 != n {
				return
			}
			switch {
			case v.Type() == reflect.TypeFor[Input]():
				v.SetUint(uint64(helps & (^helps + 1)))
			case v.Kind() == reflect.Bool:
				v.SetBool(true)
			case v.CanInt():
				v.SetInt(v.Int() + 1)
			case v.CanUint():
				v.SetUint(v.Uint() + 1)
			default:
				t.Fatalf("%s is a %s", path, v.Kind())
			}
		})
		if path == "state.memory.refused[]" {
			s.refused = []world.ID{9 + world.ID(n%2), 12}
		}
		if strings.HasPrefix(path, "state.lens") {
			continue
		}
		if reflect.DeepEqual(s, filled()) && path != "state.memory.refused[]" {
			t.Errorf("%s was not changed", path)
		}
		written := s.encode()
		c := s.clone()
		if !reflect.DeepEqual(c, s) {
			t.Errorf("a clone lacks %s", path)
		}
		eachField(reflect.ValueOf(&c).Elem(), "state", func(_ string, v reflect.Value) {
			if v.CanInt() {
				v.SetInt(99)
			} else if v.CanUint() {
				v.SetUint(99)
			}
		})
		back, err := readState(written)
		if err != nil || !reflect.DeepEqual(back, s) {
			t.Errorf("%s does not come back, or a clone shares something: %v\nis  %+v\nwas %+v", path, err, back, s)
		}
	}
}
