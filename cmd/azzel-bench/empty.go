package main

import (
	"fmt"
	"net/http"
	"net/http/httptest"
	"os"
	"os/exec"
	"path/filepath"
	"slices"
	"strings"

	"github.com/go-rod/rod"
)

// emptyPage begins a Go module that does nothing.
const emptyPage = `<!doctype html><meta charset="utf-8"><title>Empty</title><script src="wasm_exec.js"></script><script>
	const go = new Go();
	WebAssembly.instantiateStreaming(fetch('empty.wasm'), go.importObject).then(({ instance }) => {
		const start = performance.now();
		go.run(instance);
		window.took = performance.now() - start;
	});
</script>`

// empty measures the floor of what opening takes in one task: how long an empty Go module
// takes until it runs, in a profile that has not seen it.
func empty(b *bench, browser *rod.Browser) error {
	root, err := exec.Command("go", "env", "GOROOT").Output()
	if err != nil {
		return err
	}
	dir, err := os.MkdirTemp("", "azzel-bench-empty-")
	if err != nil {
		return err
	}
	defer os.RemoveAll(dir)
	if err := os.CopyFS(dir, os.DirFS(filepath.Join(strings.TrimSpace(string(root)), "lib", "wasm"))); err != nil {
		return err
	}
	for name, text := range map[string]string{"index.html": emptyPage, "main.go": "package main\n\nfunc main() { select {} }\n"} {
		if err := os.WriteFile(filepath.Join(dir, name), []byte(text), 0o600); err != nil {
			return err
		}
	}
	build := exec.Command("go", "build", "-trimpath", "-ldflags=-s -w", "-o", "empty.wasm", "main.go")
	build.Dir, build.Env = dir, append(os.Environ(), "GOOS=js", "GOARCH=wasm")
	if out, err := build.CombinedOutput(); err != nil {
		return fmt.Errorf("building an empty module: %w\n%s", err, out)
	}
	server := httptest.NewServer(http.FileServer(http.Dir(dir)))
	defer server.Close()
	var took []float64
	for range 7 {
		page := browser.MustIncognito().MustPage(server.URL)
		page.MustWait(`() => window.took !== undefined`)
		took = append(took, page.MustEval(`() => window.took`).Num())
		page.MustClose()
	}
	slices.Sort(took)
	b.add("the floor of that task: a Go module that does nothing begins, new profile, best / median / worst of 7", "–", "%.0f / %.0f / %.0f ms", took[0], took[3], took[6])
	return nil
}
