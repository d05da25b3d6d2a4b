// Package core_test holds the packages of the core against their order.
package core_test

import (
	"go/build"
	"os"
	"slices"
	"strings"
	"testing"
)

// order is the packages of the core, each of which imports only those before.
var order = []string{"limit", "pack", "pace", "raster", "grid", "rows", "tiles", "world", "edit", "body", "board", "play", "picture", "hand", "page", "desk", "exchange"}

// outside is what no package of the core imports directly: network, database,
// processes, files, clock, chance and interface.
var outside = []string{"net", "os", "os/", "time", "database/", "log", "math/rand", "syscall", "html", "crypto/rand",
	"github.com/", "gorm.io/", "azzel/server", "azzel/store", "azzel/cluster", "azzel/web", "azzel/demo"}

func TestImportsRunOneWay(t *testing.T) {
	folders, err := os.ReadDir(".")
	if err != nil {
		t.Fatal(err)
	}
	for _, f := range folders {
		if !f.IsDir() {
			continue
		}
		at := slices.Index(order, f.Name())
		if at < 0 {
			t.Errorf("core/%s has no place in the order of the packages", f.Name())
			continue
		}
		p, err := build.ImportDir(f.Name(), 0)
		if err != nil {
			t.Fatal(err)
		}
		for _, i := range p.Imports {
			if name, core := strings.CutPrefix(i, "azzel/core/"); core {
				if k := slices.Index(order, name); k < 0 || k >= at {
					t.Errorf("core/%s imports core/%s, which does not come before it", f.Name(), name)
				}
			}
			for _, bad := range outside {
				if i == strings.TrimSuffix(bad, "/") && !strings.HasSuffix(bad, "/") || strings.HasSuffix(bad, "/") && strings.HasPrefix(i, bad) || strings.HasPrefix(i, bad+"/") {
					t.Errorf("core/%s imports %s", f.Name(), i)
				}
			}
		}
	}
}
