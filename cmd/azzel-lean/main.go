// Command azzel-lean makes WebAssembly modules that the Go linker wrote smaller as they are sent. It joins their data, which
// the linker writes in a hundred thousand pieces, and leaves out what traces alone need but for the names of packages:
// which function of a package it was, which line of which file an instruction comes from, and with which arguments a function was called.
package main

import (
	"fmt"
	"os"
)

func main() {
	for _, file := range os.Args[1:] {
		if err := leanFile(file); err != nil {
			fmt.Fprintf(os.Stderr, "making %s leaner: %v\n", file, err)
			os.Exit(1)
		}
	}
}

// leanFile puts the leaner module in the place of the one in a file.
func leanFile(file string) error {
	module, err := os.ReadFile(file)
	if err != nil {
		return err
	}
	lean, err := lean(module)
	if err != nil {
		return err
	}
	return os.WriteFile(file, lean, 0o644)
}
