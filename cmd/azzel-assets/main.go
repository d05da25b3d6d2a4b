// Command azzel-assets compresses the built front end beforehand: beside each
// file of a folder that gains by it, it writes the same with brotli.
package main

import (
	"bytes"
	"fmt"
	"io/fs"
	"os"
	"path/filepath"

	"github.com/andybalholm/brotli"
)

// level is how hard brotli tries: the last steps would take ten times as long
// for a tenth less.
const level = 9

func main() {
	if len(os.Args) != 2 {
		fmt.Fprintln(os.Stderr, "usage: azzel-assets FOLDER")
		os.Exit(2)
	}
	if err := filepath.WalkDir(os.Args[1], compress); err != nil {
		fmt.Fprintln(os.Stderr, "azzel-assets:", err)
		os.Exit(1)
	}
}

func compress(path string, d fs.DirEntry, err error) error {
	if err != nil || d.IsDir() {
		return err
	}
	switch filepath.Ext(path) {
	case ".js", ".css", ".html", ".wasm", ".svg", ".json":
	default:
		return nil
	}
	body, err := os.ReadFile(path)
	if err != nil {
		return err
	}
	var out bytes.Buffer
	w := brotli.NewWriterLevel(&out, level)
	if _, err := w.Write(body); err != nil {
		return fmt.Errorf("compressing %s: %w", path, err)
	}
	if err := w.Close(); err != nil {
		return fmt.Errorf("compressing %s: %w", path, err)
	}
	if out.Len() >= len(body) {
		return nil
	}
	return os.WriteFile(path+".br", out.Bytes(), 0o644)
}
