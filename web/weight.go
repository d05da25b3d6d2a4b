package web

import (
	"fmt"
	"io/fs"
	"path"
	"regexp"
)

// A Weight is what is sent of the built front end before a board can be seen, in bytes as it is compressed.
type Weight struct {
	// Scripts are those that the page names itself, not those that are fetched when a part is opened.
	Scripts int64
	// Core is the module of the core.
	Core int64
}

// The most that may be sent, in bytes: the core with the kit, 1.6 MB.
const (
	MostScripts = 110_000
	MostCore    = 1_600_000
)

var named = regexp.MustCompile(`(?:src|href)="/(assets/[^"]+\.js)"`)

// Weigh finds what is sent of the front end in files. It fails if the front end is not built.
func Weigh(files fs.FS) (w Weight, err error) {
	page, err := fs.ReadFile(files, "dist/index.html")
	if err != nil {
		return w, fmt.Errorf("weighing the front end: %w", err)
	}
	for _, script := range named.FindAllSubmatch(page, -1) {
		info, err := fs.Stat(files, "dist/"+string(script[1])+".br")
		if err != nil {
			return w, fmt.Errorf("weighing the scripts: %w", err)
		}
		w.Scripts += info.Size()
	}
	cores, err := fs.Glob(files, path.Join("dist", "assets", "azzel-*.wasm.br"))
	if err != nil {
		return w, fmt.Errorf("weighing the core: %w", err)
	}
	if len(cores) != 1 || w.Scripts == 0 {
		return w, fmt.Errorf("weighing the front end: there are %d cores, and scripts of %d bytes", len(cores), w.Scripts)
	}
	info, err := fs.Stat(files, cores[0])
	if err != nil {
		return w, fmt.Errorf("weighing the core: %w", err)
	}
	w.Core = info.Size()
	return w, nil
}
