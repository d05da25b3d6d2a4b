// Command azzel-assets compresses the built front end beforehand: beside each file of a folder that gains by it, it
// writes the same with brotli. What it has compressed once it keeps in another folder.
package main

import (
	"bytes"
	"crypto/sha256"
	"encoding/hex"
	"errors"
	"fmt"
	"io/fs"
	"os"
	"path/filepath"
	"sync"

	"github.com/andybalholm/brotli"
)

// hard is how hard brotli tries and how far back it looks: the core's module is an eighth smaller than at quality 9, for
// half a minute.
var hard = brotli.WriterOptions{Quality: 11, LGWin: 24}

func main() {
	if len(os.Args) != 3 {
		fmt.Fprintln(os.Stderr, "usage: azzel-assets FOLDER KEPT")
		os.Exit(2)
	}
	if err := run(os.Args[1], os.Args[2]); err != nil {
		fmt.Fprintln(os.Stderr, "azzel-assets:", err)
		os.Exit(1)
	}
}

// run compresses the files of a folder, all at a time.
func run(folder, kept string) error {
	if err := os.MkdirAll(kept, 0o755); err != nil {
		return fmt.Errorf("keeping what is compressed: %w", err)
	}
	var all sync.WaitGroup
	var mu sync.Mutex
	var failed error
	used := map[string]bool{}
	err := filepath.WalkDir(folder, func(path string, d fs.DirEntry, err error) error {
		if err != nil || d.IsDir() || !gains(path) {
			return err
		}
		all.Go(func() {
			known, err := compress(path, kept)
			mu.Lock()
			defer mu.Unlock()
			used[known] = true
			failed = errors.Join(failed, err)
		})
		return nil
	})
	all.Wait()
	if err := errors.Join(err, failed); err != nil {
		return err
	}
	return forget(kept, used)
}

// forget removes what was kept and is not used any more.
func forget(kept string, used map[string]bool) error {
	old, err := filepath.Glob(filepath.Join(kept, "*.br"))
	for _, name := range old {
		if !used[name] {
			err = errors.Join(err, os.Remove(name))
		}
	}
	return err
}

// gains reports whether files of a name are compressed.
func gains(name string) bool {
	switch filepath.Ext(name) {
	case ".js", ".css", ".html", ".wasm", ".svg", ".json":
		return true
	}
	return false
}

// compress writes a file compressed beside it, and tells under which name it is kept.
func compress(path, kept string) (known string, err error) {
	body, err := os.ReadFile(path)
	if err != nil {
		return "", err
	}
	sum := sha256.Sum256(body)
	known = filepath.Join(kept, hex.EncodeToString(sum[:])+".br")
	small, err := os.ReadFile(known)
	if errors.Is(err, fs.ErrNotExist) {
		small, err = brotlied(body)
		if err == nil {
			err = os.WriteFile(known, small, 0o644)
		}
	}
	if err != nil {
		return known, fmt.Errorf("compressing %s: %w", path, err)
	}
	if len(small) >= len(body) {
		return known, nil
	}
	return known, os.WriteFile(path+".br", small, 0o644)
}

func brotlied(body []byte) ([]byte, error) {
	var out bytes.Buffer
	w := brotli.NewWriterOptions(&out, hard)
	if _, err := w.Write(body); err != nil {
		return nil, err
	}
	if err := w.Close(); err != nil {
		return nil, err
	}
	return out.Bytes(), nil
}
