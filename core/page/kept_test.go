package page_test

import (
	"slices"
	"strings"
	"testing"

	"azzel/core/edit"
	"azzel/core/page"
	"azzel/core/world"
)

// Cells from a file keep to what a layer takes, and to what is hidden and locked; while a
// kept state is looked at nothing is changed, and going back to it is one step.
func TestCellsFromAFile(t *testing.T) {
	p := open(t, 6)
	m := p.Document().Maps[0]
	l := m.Layers[0]
	lay := func(text string) string {
		order(p, page.LayCSV{Map: page.ID(m.ID), Layer: page.ID(l.ID)}, []byte(text))
		return strings.Join(p.State().Messages, " ")
	}
	set := func(change func(*page.LayerLook)) {
		look := p.Scene().Maps[0].Layers[0].Look
		for _, v := range p.Scene().Maps[0].Layers {
			if v.ID == page.FormatID(l.ID) {
				look = v.Look
			}
		}
		change(&look)
		order(p, page.SetLayer{Map: page.ID(m.ID), Layer: page.ID(l.ID), Change: page.PartOf(look)})
	}
	set(func(v *page.LayerLook) { v.Roles = []int{1} })
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
	order(p, page.HideLayer{Layer: page.ID(l.ID), Hidden: true})
	if said := lay("a1"); !strings.Contains(said, "hidden") {
		t.Errorf("a hidden layer: %q", said)
	}
	order(p, page.HideLayer{Layer: page.ID(l.ID)})
	if p.Document() != before {
		t.Fatal("what was refused changed the document")
	}
	kept := p.Document().Encode()
	set(func(v *page.LayerLook) { v.Locked = true })
	if said := lay("a1"); !strings.Contains(said, "locked") {
		t.Errorf("a locked layer: %q", said)
	}
	order(p, page.ShowVersion{Name: "before it was locked"}, kept)
	if s := p.State(); s.Looked != "before it was locked" {
		t.Errorf("one looks at %q", s.Looked)
	}
	locked := p.Document()
	for _, o := range []page.Order{page.Undo{}, page.WalkHistory{}, page.Rename{Thing: thing("project", 0, 0), Name: "Other"}} {
		order(p, o)
		if said := strings.Join(p.State().Messages, " "); !strings.Contains(said, "kept state") || p.Document() != locked {
			t.Errorf("%s while looking: said %q", page.NameOf(o), said)
		}
	}
	order(p, page.RestoreVersion{})
	if got := p.Document().Map(m.ID).Layer(l.ID); got.Locked {
		t.Error("going back did not unlock the layer")
	}
	order(p, page.Undo{})
	if got := p.Document().Map(m.ID).Layer(l.ID); !got.Locked {
		t.Error("going back can't be taken back")
	}
	order(p, page.ShowVersion{Name: "nothing"}, []byte("moss"))
	if s := p.State(); s.Looked != "" || !strings.Contains(strings.Join(s.Messages, " "), "can't be shown") {
		t.Errorf("nonsense is looked at: %+v", s.Messages)
	}
}

// A picture's colours become cells by the legend, and each colour is proposed the tile
// that is most like it.
func TestLegend(t *testing.T) {
	p := open(t, 6)
	blockout := p.Document().Tilesets[0]
	water := blockout.First + 4
	p.LayerPicture(p.Document().Maps[0].ID, 0, 20) // the atlas has the tiles now
	if got := p.Alike(blockout.ID, []int{0x3a6f9f, 0}); len(got) != 2 || got[0] < blockout.First || got[1] < blockout.First {
		t.Errorf("proposed are %v", got)
	}
	if got := p.Alike(12345, []int{1}); got[0] != 0 {
		t.Errorf("a tileset that is not there gave %v", got)
	}
	maps := len(p.Document().Maps)
	if got := p.Meant(blockout.ID, []int{0x102030}); !slices.Equal(got, p.Alike(blockout.ID, []int{0x102030})) {
		t.Errorf("a colour that means nothing yet is proposed as %v", got)
	}
	order(p, page.MakeMapOfColours{Legend: page.Legend{Name: "Moss court", Columns: 2, Rows: 2, Cells: []int{water, 0}, Colours: []int{0x102030, 0x3a6f9f}}}, []byte{1, 2, 0, 1})
	d := p.Document()
	if len(d.Maps) != maps+1 {
		t.Fatalf("said %v", p.State().Messages)
	}
	made := d.Maps[maps]
	cells := p.Cells(made.ID, made.PlayerLayer, made.Bounds)
	if made.Name != "Moss court" || len(cells) != 4 || cells[0] != water || cells[1] != 0 || cells[2] != 0 || cells[3] != water {
		t.Errorf("%s holds %v", made.Name, cells)
	}
	if got := p.Meant(blockout.ID, []int{0x3a6f9f, 0x102030}); !slices.Equal(got, []int{0, water}) {
		t.Errorf("what the colours meant is remembered as %v", got)
	}
	for _, o := range d.Maps[:maps] {
		if !o.OnBoard().Meet(made.OnBoard()).Empty() {
			t.Errorf("it lies on %s", o.Name)
		}
	}
	p.State()
	order(p, page.MakeMapOfColours{Legend: page.Legend{Columns: 3, Rows: 2}}, []byte{1})
	order(p, page.MakeMapOfColours{Legend: page.Legend{Columns: 0, Rows: -2}})
	if said := p.State().Messages; len(said) != 2 || len(p.Document().Maps) != maps+1 {
		t.Errorf("bad sizes: said %v", said)
	}
	if _, err := edit.Apply(d, edit.Edit{Label: "none", Parts: []edit.Part{edit.Remove{Ref: world.Ref{Sort: world.SortMap, ID: made.ID}}}}); err != nil {
		t.Errorf("the new map can't be removed: %v", err)
	}
}
