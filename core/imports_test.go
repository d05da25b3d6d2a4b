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
var order = []string{"lists", "limit", "pack", "kind", "text", "words", "logic", "talk", "kinds/props", "pace", "raster", "grid", "rows", "appearance", "tiles", "world", "body", "stage", "kinds/going", "kinds/", "kinds", "findings", "edit", "board", "play", "picture", "hand",
	"page/wording", "page/sent", "page/measure", "page", "page/history", "page/memory", "page/characters", "page/holding", "page/places", "page/wires", "page/supplies", "page/tilework", "page/maps", "page/pieces", "page/talking", "page/rules", "page/kit", "page/playing", "page/replays",
	"page/ready", "page/things", "page/found", "page/view", "desk", "exchange"}

// outside is what no package of the core imports directly: network, database,
// processes, files, clock, chance and interface.
var outside = []string{"net", "os", "os/", "time", "database/", "log", "math/rand", "syscall", "html", "crypto/rand",
	"github.com/", "gorm.io/", "azzel/server", "azzel/store", "azzel/cluster", "azzel/web", "azzel/demo"}

func TestImportsRunOneWay(t *testing.T) {
	for _, name := range packages(t) {
		at := place(name)
		if at < 0 {
			t.Errorf("core/%s has no place in the order of the packages", name)
			continue
		}
		p, err := build.ImportDir(name, 0)
		if err != nil {
			t.Fatal(err)
		}
		for _, i := range p.Imports {
			if before, core := strings.CutPrefix(i, "azzel/core/"); core {
				if k := place(before); k < 0 || k >= at {
					t.Errorf("core/%s imports core/%s, which does not come before it", name, before)
				}
			}
			for _, bad := range outside {
				if i == strings.TrimSuffix(bad, "/") && !strings.HasSuffix(bad, "/") || strings.HasSuffix(bad, "/") && strings.HasPrefix(i, bad) || strings.HasPrefix(i, bad+"/") {
					t.Errorf("core/%s imports %s", name, i)
				}
			}
		}
	}
}

// packages are the folders of the core, and those in kinds and page, but for what tests alone use.
func packages(t *testing.T) (names []string) {
	for _, in := range []string{"", "kinds/", "page/"} {
		folders, err := os.ReadDir("./" + in)
		if err != nil {
			t.Fatal(err)
		}
		for _, f := range folders {
			if f.IsDir() && in+f.Name() != "kinds/random" && in+f.Name() != "kinds/corridor" && in+f.Name() != "page/pagetest" {
				names = append(names, in+f.Name())
			}
		}
	}
	return names
}

// place is where a package stands in the order; each kind stands where all of them do.
func place(name string) int {
	if at := slices.Index(order, name); at >= 0 || !strings.HasPrefix(name, "kinds/") {
		return at
	}
	return slices.Index(order, "kinds/")
}
