package maps_test

import (
	"slices"
	"strings"
	"testing"

	"azzel/core/edit"
	"azzel/core/page"
	"azzel/core/page/history"
	"azzel/core/page/maps"
	"azzel/core/page/pagetest"
	"azzel/core/page/things"
	"azzel/core/page/tilework"
	"azzel/core/page/view"
	"azzel/core/world"
)

// Cells from a file keep to what a layer takes, and to what is hidden and locked; while a
// version is looked at nothing is changed, and going back to it is one step.
func TestCellsFromAFile(t *testing.T) {
	p := pagetest.Open(t, 6)
	m := p.Document().Maps[0]
	l := m.Layers[0]
	lay := func(text string) string {
		pagetest.Order(p, maps.LayCSV{Map: page.ID(m.ID), Layer: page.ID(l.ID)}, []byte(text))
		return strings.Join(view.StateOf(p).Messages, " ")
	}
	set := func(change func(*maps.LayerLook)) {
		look := view.SceneOf(p).Maps[0].Layers[0].Look
		for _, v := range view.SceneOf(p).Maps[0].Layers {
			if v.ID == page.FormatID(l.ID) {
				look = v.Look
			}
		}
		change(&look)
		pagetest.Order(p, maps.SetLayer{Map: page.ID(m.ID), Layer: page.ID(l.ID), Change: page.PartOf(look)})
	}
	set(func(v *maps.LayerLook) { v.Roles = []int{1} })
	before := p.Document()
	for text, says := range map[string]string{
		"a1,a3\na1,a1":                    "takes no tile like tile 3 of Blockout",
		"a1,b1":                           "no tileset",
		"a1,a99":                          "no 99",
		strings.Repeat("a1,", 500) + "a1": "make it larger first",
	} {
		if said := lay(text); !strings.Contains(said, says) {
			t.Errorf("%.20q: said %q, want %q", text, said, says)
		}
	}
	pagetest.Order(p, maps.HideLayer{Layer: page.ID(l.ID), Hidden: true})
	if said := lay("a1"); !strings.Contains(said, "hidden") {
		t.Errorf("a hidden layer: %q", said)
	}
	pagetest.Order(p, maps.HideLayer{Layer: page.ID(l.ID)})
	if p.Document() != before {
		t.Fatal("what was refused changed the document")
	}
	kept := p.Document().Encode()
	set(func(v *maps.LayerLook) { v.Locked = true })
	if said := lay("a1"); !strings.Contains(said, "locked") {
		t.Errorf("a locked layer: %q", said)
	}
	pagetest.Order(p, history.ShowVersion{Name: "before it was locked"}, kept)
	if s := view.StateOf(p); s.Looked != "before it was locked" {
		t.Errorf("one looks at %q", s.Looked)
	}
	locked := p.Document()
	for _, o := range []page.Order{history.Undo{}, history.WalkHistory{}, things.Rename{Thing: pagetest.Thing("project", 0, 0), Name: "Other"}} {
		pagetest.Order(p, o)
		if said := strings.Join(view.StateOf(p).Messages, " "); !strings.Contains(said, "earlier version") || p.Document() != locked {
			t.Errorf("%s while looking: said %q", page.NameOf(o), said)
		}
	}
	pagetest.Order(p, history.RestoreVersion{})
	if got := p.Document().Map(m.ID).Layer(l.ID); got.Locked {
		t.Error("going back did not unlock the layer")
	}
	pagetest.Order(p, history.Undo{})
	if got := p.Document().Map(m.ID).Layer(l.ID); !got.Locked {
		t.Error("going back can't be taken back")
	}
	pagetest.Order(p, history.ShowVersion{Name: "nothing"}, []byte("moss"))
	if s := view.StateOf(p); s.Looked != "" || !strings.Contains(strings.Join(s.Messages, " "), "can't be shown") {
		t.Errorf("nonsense is looked at: %+v", s.Messages)
	}
}

// A picture's colours become cells by the legend, and each colour is proposed the tile
// that is most like it.
func TestLegend(t *testing.T) {
	p := pagetest.Open(t, 6)
	blockout := p.Document().Tilesets[0]
	water := blockout.First + 4
	maps.LayerPicture(p, p.Document().Maps[0].ID, 0, 20) // the atlas has the tiles now
	if got := tilework.Alike(p, blockout.ID, []int{0x3a6f9f, 0}); len(got) != 2 || got[0] < blockout.First || got[1] < blockout.First {
		t.Errorf("proposed are %v", got)
	}
	if got := tilework.Alike(p, 12345, []int{1}); got[0] != 0 {
		t.Errorf("a tileset that is not there gave %v", got)
	}
	before := len(p.Document().Maps)
	if got := tilework.Meant(p, blockout.ID, []int{0x102030}); !slices.Equal(got, tilework.Alike(p, blockout.ID, []int{0x102030})) {
		t.Errorf("a colour that means nothing yet is proposed as %v", got)
	}
	pagetest.Order(p, tilework.MakeMapOfColours{Legend: tilework.Legend{Name: "Moss court", Columns: 2, Rows: 2, Cells: []int{water, 0}, Colours: []int{0x102030, 0x3a6f9f}}}, []byte{1, 2, 0, 1})
	d := p.Document()
	if len(d.Maps) != before+1 {
		t.Fatalf("said %v", view.StateOf(p).Messages)
	}
	made := d.Maps[before]
	cells := maps.Cells(p, made.ID, made.PlayerLayer, made.Bounds)
	if made.Name != "Moss court" || len(cells) != 4 || cells[0] != water || cells[1] != 0 || cells[2] != 0 || cells[3] != water {
		t.Errorf("%s holds %v", made.Name, cells)
	}
	if got := tilework.Meant(p, blockout.ID, []int{0x3a6f9f, 0x102030}); !slices.Equal(got, []int{0, water}) {
		t.Errorf("what the colours meant is remembered as %v", got)
	}
	for _, o := range d.Maps[:before] {
		if !o.OnBoard().Meet(made.OnBoard()).Empty() {
			t.Errorf("it lies on %s", o.Name)
		}
	}
	view.StateOf(p)
	pagetest.Order(p, tilework.MakeMapOfColours{Legend: tilework.Legend{Columns: 3, Rows: 2}}, []byte{1})
	pagetest.Order(p, tilework.MakeMapOfColours{Legend: tilework.Legend{Columns: 0, Rows: -2}})
	if said := view.StateOf(p).Messages; len(said) != 2 || len(p.Document().Maps) != before+1 {
		t.Errorf("bad sizes: said %v", said)
	}
	if _, err := edit.Apply(d, edit.Edit{Label: "none", Parts: []edit.Part{edit.Remove{Ref: world.Ref{Sort: world.SortMap, ID: made.ID}}}}); err != nil {
		t.Errorf("the new map can't be removed: %v", err)
	}
}
