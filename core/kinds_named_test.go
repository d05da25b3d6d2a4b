package core_test

import (
	"io/fs"
	"os"
	"path/filepath"
	"regexp"
	"slices"
	"strings"
	"testing"
)

// namesKinds are the files outside core/kinds that name a built-in kind, each with its reason. A kind is one folder:
// whoever shows, stores, changes or plays pieces asks what their kind declares.
var namesKinds = map[string]string{
	"core/world/types.go": "the numbers, for a new project's spawn, the demo and tests",
}

// Outside core/kinds no other file names a built-in kind; tests, what makes projects for them, and the demo may.
func TestKindsAreNotNamed(t *testing.T) {
	names := regexp.MustCompile(`\bworld\.(Spawn|Exit|Collectible|Checkpoint|MovingPlatform|Foe|Spring|Hazard|Pushable|Breakable|Emitter|Lottery|Mark)\b|"azzel/core/kinds/(spawn|exit|collectible|checkpoint|platform|foe|spring|hazard|pushable|breakable|emitter|lottery|mark)"|\bSpawn +ID = 1`)
	var found []string
	for _, in := range []string{"core", "server", "store", "cmd", "cluster"} {
		err := filepath.WalkDir(filepath.Join("..", in), func(path string, f fs.DirEntry, err error) error {
			name := filepath.ToSlash(strings.TrimPrefix(path, ".."+string(filepath.Separator)))
			if err != nil || f.IsDir() || !strings.HasSuffix(name, ".go") || strings.HasSuffix(name, "_test.go") ||
				strings.HasPrefix(name, "core/kinds/") || strings.Contains(name, "/generate/") || strings.HasPrefix(name, "cmd/azzel-bench/") {
				return err
			}
			text, err := os.ReadFile(path)
			if names.Match(text) {
				found = append(found, name)
			}
			return err
		})
		if err != nil {
			t.Fatal(err)
		}
	}
	for _, name := range found {
		if namesKinds[name] == "" {
			t.Errorf("%s names a kind of pieces", name)
		}
	}
	for name := range namesKinds {
		if !slices.Contains(found, name) {
			t.Errorf("%s names no kind any more: take it off the list", name)
		}
	}
}
