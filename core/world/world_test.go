package world

import (
	"bytes"
	"fmt"
	"strings"
	"testing"

	"azzel/core/grid"
)

func start(t testing.TB, p Project) *Document {
	t.Helper()
	d, err := Start(p, &Counter{Prefix: 7})
	if err != nil {
		t.Fatal(err)
	}
	return d
}

var glasshouse = Project{Name: "Night shift", CellW: 16, CellH: 16, SeenW: 20, SeenH: 12}

// A project is there at once, whatever its sizes, and comes back from its
// bytes and from what Diff says of it.
func TestStart(t *testing.T) {
	for _, p := range []Project{glasshouse, {Name: "x", CellW: 4, CellH: 128, SeenW: 1, SeenH: 1}, {Name: "Gewächshaus", CellW: 128, CellH: 4, SeenW: 256, SeenH: 3}} {
		d := start(t, p)
		if len(d.Maps) != 1 || len(d.Maps[0].Pieces) != 1 || d.Maps[0].Pieces[0].Type != Spawn {
			t.Errorf("%+v: no map with a spawn", p)
		}
		if l := d.Maps[0].Layers; len(l) != 2 || l[0].Order >= l[1].Order {
			t.Errorf("%+v: the layers are in no order", p)
		}
		back, err := Decode(d.Encode())
		if err != nil || !bytes.Equal(back.Encode(), d.Encode()) || back.stored != d.stored {
			t.Errorf("%+v: a document came back changed: %v", p, err)
		}
		diff := Diff(&Document{}, d)
		built, err := Assemble(d.Next(), func(draft *Draft) error {
			for _, e := range diff.Put {
				if e.Ref.Sort == SortProject {
					for _, v := range e.Values {
						if err := draft.Change(e.Ref, v); err != nil {
							return err
						}
					}
				}
			}
			for k := SortTileset; k <= SortProperty; k++ {
				for _, e := range diff.Put {
					if e.Ref.Sort == k {
						if err := draft.Put(e.Ref, e.Values); err != nil {
							return err
						}
					}
				}
			}
			for _, c := range diff.Chunks {
				if err := draft.SetChunk(c.Map, c.Layer, c.CX, c.CY, c.Chunk); err != nil {
					return err
				}
			}
			return nil
		})
		if err != nil || !bytes.Equal(built.Encode(), d.Encode()) {
			t.Errorf("%+v: what Diff says does not make the document: %v", p, err)
		}
	}
}

func TestProjectLimits(t *testing.T) {
	for _, c := range []struct {
		p    Project
		says string
	}{
		{Project{Name: "", CellW: 16, CellH: 16, SeenW: 9, SeenH: 9}, "name is needed"},
		{Project{Name: strings.Repeat("ü", 121), CellW: 16, CellH: 16, SeenW: 9, SeenH: 9}, "120 letters"},
		{Project{Name: "a\nb", CellW: 16, CellH: 16, SeenW: 9, SeenH: 9}, "one line"},
		{Project{Name: "a", CellW: 3, CellH: 16, SeenW: 9, SeenH: 9}, "4 to 128 px"},
		{Project{Name: "a", CellW: 16, CellH: 129, SeenW: 9, SeenH: 9}, "4 to 128 px"},
		{Project{Name: "a", CellW: 16, CellH: 16, SeenW: 0, SeenH: 9}, "1 to 256 cells"},
	} {
		if _, err := Start(c.p, &Counter{}); err == nil || !strings.Contains(err.Error(), c.says) {
			t.Errorf("%+v: %v, want something about %q", c.p, err, c.says)
		}
	}
}

// A draft that breaks a rule of the document gives an error that says which.
func TestChecks(t *testing.T) {
	d := start(t, glasshouse)
	m := d.Maps[0]
	ids := &Counter{Prefix: 9}
	crossing := func(a, b End) *Crossing { return &Crossing{Ends: [2]End{a, b}, BothWays: true} }
	cell := func(x, y int) grid.Rect { return grid.Rect{X: x, Y: y, W: 1, H: 1} }
	for name, c := range map[string]struct {
		says string
		do   func(*Draft) error
	}{
		"maps on each other": {"can't lie on each other", func(d *Draft) error {
			m, layers := NewMap("Shed", grid.Point{X: 3, Y: 3}, grid.Rect{W: 5, H: 5}, ids)
			return PutMap(d, m, layers)
		}},
		"a map too large": {"4096", func(d *Draft) error {
			m, layers := NewMap("Shed", grid.Point{X: 300}, grid.Rect{W: 5000, H: 5}, ids)
			return PutMap(d, m, layers)
		}},
		"a piece outside": {"outside", func(d *Draft) error {
			return d.Put(Ref{SortPiece, m.ID, ids.NewID()}, (&Piece{Type: Exit, Layer: m.PlayerLayer, Foot: grid.Point{X: -1}}).Values())
		}},
		"a piece of no type": {"type", func(d *Draft) error {
			return d.Put(Ref{SortPiece, m.ID, ids.NewID()}, (&Piece{Type: 999, Layer: m.PlayerLayer}).Values())
		}},
		"a crossing to nowhere": {"not there any more", func(d *Draft) error {
			return d.Put(Ref{SortCrossing, 0, ids.NewID()}, crossing(End{m.ID, cell(1, 1)}, End{99, cell(1, 1)}).Values())
		}},
		"a crossing to itself": {"where it begins", func(d *Draft) error {
			return d.Put(Ref{SortCrossing, 0, ids.NewID()}, crossing(End{m.ID, cell(1, 1)}, End{m.ID, cell(1, 1)}).Values())
		}},
		"a missing player's layer": {"layer in which the player walks", func(d *Draft) error {
			m, _ := NewMap("Shed", grid.Point{X: 300}, grid.Rect{W: 5, H: 5}, ids)
			return PutMap(d, m, nil)
		}},
		"a tile that is not there": {"not there any more", func(d *Draft) error {
			_, err := d.Paint(m.ID, m.PlayerLayer, Stroke{Region: grid.BoxRegion(cell(1, 1)), Cells: grid.Runs{{N: 1, Cell: 500}}})
			return err
		}},
		"painting outside": {"outside", func(d *Draft) error {
			_, err := d.Paint(m.ID, m.PlayerLayer, Stroke{Region: grid.BoxRegion(cell(-1, 1)), Cells: grid.Runs{{N: 1, Cell: 1}}})
			return err
		}},
		"a used tileset removed": {"still used", func(d *Draft) error {
			return d.Remove(Ref{SortTileset, 0, d.doc.Tilesets[0].ID})
		}},
	} {
		before := d.Encode()
		draft := d.Draft()
		err := c.do(draft)
		if err == nil {
			_, err = draft.Done()
		}
		if err == nil || !strings.Contains(err.Error(), c.says) {
			t.Errorf("%s: %v, want something about %q", name, err, c.says)
		}
		if !bytes.Equal(before, d.Encode()) {
			t.Errorf("%s changed the document it began with", name)
		}
	}
}

// No two properties of a sort have the same number, as one would be read as the other.
func TestFieldNumbers(t *testing.T) {
	numbers := map[string]string{
		"area":      "[1 7 2 3 4 5 6]",
		"bond":      "[1 7 9 10 12 13]",
		"character": "[1 2 3 4 7 26 5 6 8 10 11 12 13 14 15 16 17 18 19 20 23 21 22 24 25 27 28 29 30 31 32]",
		"crossing":  "[1 2 3 4 5 6 7]",
		"fact":      "[1 7 2 3]",
		"item":      "[1 7 2]",
		"layer":     "[1 2 3 4 5 6 7 8 9 10]",
		"map":       "[1 2 3 7 8 9 10 11 12 13 14 15 16 17]",
		"medley":    "[1 7 9 10 11]",
		"patch":     "[1 7 9]",
		"piece":     "[1 4 5 6 7]",
		"project":   "[1 2 3 16 8 14 15 17 18 19]",
		"property":  "[1 7 5]",
		"replay":    "[1 7 2 3 4 5 6 9 10 11 8]",
		"tileset":   "[1 2 3 4 5 8 9 10 11 6 7]",
		"track":     "[1 7 2 3 4]",
	}
	for sort, values := range map[string][]Value{
		"project": (&Project{}).Values(), "tileset": (&Tileset{}).Values(), "map": (&Map{}).Values(), "layer": (&Layer{}).Values(),
		"piece": (&Piece{}).Values(), "crossing": (&Crossing{}).Values(), "character": (&Character{}).Values(), "medley": (&Medley{}).Values(),
		"bond": (&Bond{}).Values(), "patch": (&Patch{}).Values(), "property": (&Property{}).Values(), "track": (&Track{}).Values(), "area": (&Area{}).Values(), "item": (&Item{}).Values(), "fact": (&Fact{}).Values(), "replay": (&Replay{}).Values(),
	} {
		seen := map[Field]bool{}
		for _, v := range values {
			if seen[v.Field] {
				t.Errorf("two properties of a %s have the number %d", sort, v.Field)
			}
			seen[v.Field] = true
		}
		var is []Field
		for _, v := range values {
			is = append(is, v.Field)
		}
		// What is stored is found by these numbers: a property keeps its own for good.
		if got := fmt.Sprint(is); got != numbers[sort] {
			t.Errorf("the properties of a %s have the numbers %s, and not %s", sort, got, numbers[sort])
		}
	}
}
