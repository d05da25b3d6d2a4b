package main

import (
	"bytes"
	"math/rand/v2"
	"os"
	"os/exec"
	"path/filepath"
	"strings"
	"testing"
)

// failing is a program that calls itself until it fails, and says what it was doing.
const failing = `package main

import (
	"fmt"
	"runtime/debug"
	"strings"
)

//go:noinline
func deep(n int, s []string) int {
	if n == 0 {
		return len(s[4])
	}
	return deep(n-1, append(s, strings.Repeat("x", n))) + 1
}

//go:noinline
func pick[K comparable, V any](from map[K]V, k K) V {
	if v, there := from[k]; there {
		return v
	}
	panic("nothing is there")
}

func main() {
	defer func() {
		r := recover()
		stack := string(debug.Stack())
		fmt.Println(r, strings.Count(stack, "main.pick[...]("), strings.Count(stack, "main.deep("))
	}()
	defer func() {
		fmt.Println(recover() != nil)
		pick(map[string][]int{}, "fern")
	}()
	fmt.Println(deep(3, []string{"a", "b"}), deep(40, nil))
	deep(1, nil)
}
`

// A module that was made leaner does the same, grows its stack, gathers its garbage and names its functions when it fails.
func TestLeanModulesRun(t *testing.T) {
	folder := t.TempDir()
	source, module := filepath.Join(folder, "main.go"), filepath.Join(folder, "main.wasm")
	if err := os.WriteFile(source, []byte(failing), 0o600); err != nil {
		t.Fatal(err)
	}
	build := exec.Command("go", "build", "-trimpath", "-o", module, source)
	build.Env = append(os.Environ(), "GOOS=js", "GOARCH=wasm")
	if out, err := build.CombinedOutput(); err != nil {
		t.Fatalf("%v: %s", err, out)
	}
	root, err := exec.Command("go", "env", "GOROOT").Output()
	if err != nil {
		t.Fatal(err)
	}
	run := func() string {
		out, err := exec.Command("node", filepath.Join(strings.TrimSpace(string(root)), "lib", "wasm", "wasm_exec_node.js"), module).CombinedOutput()
		if err != nil {
			t.Fatalf("%v: %s", err, out)
		}
		return string(out)
	}
	before := run()
	size, err := os.Stat(module)
	if err != nil {
		t.Fatal(err)
	}
	if err := leanFile(module); err != nil {
		t.Fatal(err)
	}
	if after := run(); after != before || !strings.HasSuffix(after, " 1 2\n") {
		t.Errorf("before it says %q, after it %q", before, after)
	}
	if now, err := os.Stat(module); err != nil || now.Size() == size.Size() {
		t.Errorf("it is as large as before: %v", err)
	}
	if err := leanFile(module); err != nil {
		t.Errorf("a module that is lean already: %v", err)
	}
}

// The data of a module is the same memory however it is cut into pieces.
func TestDataOfAModule(t *testing.T) {
	r := rand.New(rand.NewPCG(1, 1))
	for range 200 {
		memory := make([]byte, 1+r.IntN(20_000))
		for range r.IntN(6) {
			from := r.IntN(len(memory))
			for i := from; i < len(memory) && i < from+r.IntN(9000); i++ {
				memory[i] = byte(r.IntN(3))
			}
		}
		memory[len(memory)-1] = 1
		got, err := readData(writeData(memory))
		if err != nil || !bytes.Equal(got, memory) {
			t.Fatalf("%d bytes became %d: %v", len(memory), len(got), err)
		}
	}
}

// What is no module of the Go linker is refused, not made into something else.
func TestBadModules(t *testing.T) {
	for _, bad := range []string{"", "moss", "\x00asm\x01\x00\x00\x00\x0b", "\x00asm\x01\x00\x00\x00\x0b\x05\x01\x01", "\x00asm\x01\x00\x00\x00\x0b\x08\x01\x00\x41\x10\x0b\x02ab"} {
		if out, err := lean([]byte(bad)); err == nil {
			t.Errorf("%q became %q", bad, out)
		}
	}
}
