package things_test

import (
	"fmt"
	"strings"
	"testing"

	"azzel/core/grid"
	"azzel/core/page"
	"azzel/core/page/history"
	"azzel/core/page/holding"
	"azzel/core/page/pagetest"
	"azzel/core/page/supplies"
	"azzel/core/page/things"
	"azzel/core/page/tilework"
	"azzel/core/page/view"
)

// Everything that has a name is renamed, which the scene shows, and undo gives
// the old one back.
func TestRenaming(t *testing.T) {
	p := pagetest.Open(t, 5)
	pagetest.Taken(t, p, 4)
	pagetest.Order(p, supplies.MakeMedley{Name: "Gravel", Tiles: []int{1}})
	pagetest.Order(p, holding.Hold{Holding: "crossing"})
	p.Pointer(page.Press, grid.Point{X: 20, Y: 20}, false, false, 0)
	p.Pointer(page.Release, grid.Point{X: 100, Y: 20}, false, false, 0)
	d := p.Document()
	m := d.Maps[0]
	if len(d.Crossings) != 1 {
		t.Fatalf("no crossing was made: %s", pagetest.Said(p))
	}
	names := func() string { return fmt.Sprintf("%+v %+v", view.SceneOf(p), tilework.Tileset(p, d.Tilesets[1].ID)) }
	for _, ref := range []page.Thing{
		pagetest.Thing("project", 0, 0), pagetest.Thing("map", 0, m.ID), pagetest.Thing("piece", m.ID, m.Pieces[0].ID), pagetest.Thing("layer", m.ID, m.Layers[0].ID), pagetest.Thing("crossing", 0, d.Crossings[0].ID),
		pagetest.Thing("tileset", 0, d.Tilesets[1].ID), pagetest.Thing("medley", 0, d.Medleys[0].ID),
	} {
		name := "Fernery of " + ref.Kind
		pagetest.Order(p, things.Rename{Thing: ref, Name: name})
		if !strings.Contains(names(), name) {
			t.Errorf("the %s was not renamed: %s", ref.Kind, pagetest.Said(p))
		}
		if ref.Kind != "project" && ref.Kind != "layer" && ref.Kind != "tileset" && ref.Kind != "medley" {
			pagetest.Order(p, holding.Select{Thing: ref})
			if s := view.StateOf(p).Slip; s == nil || s.Name != name || s.Kind != ref.Kind {
				t.Errorf("the slip of the %s is %+v", ref.Kind, s)
			}
		}
		pagetest.Order(p, history.Undo{})
		if strings.Contains(names(), name) {
			t.Errorf("undo did not take the name of the %s back", ref.Kind)
		}
	}
}
