// Package pagetest is what the tests of the rooms of a page share: pages to begin with, and hands for them.
package pagetest

import (
	"slices"
	"strings"
	"testing"

	"azzel/core/edit"
	"azzel/core/grid"
	"azzel/core/logic"
	"azzel/core/page"
	"azzel/core/page/holding"
	"azzel/core/page/pieces"
	"azzel/core/page/replays"
	"azzel/core/page/tilework"
	"azzel/core/page/view"
	"azzel/core/tiles"
	"azzel/core/world"
)

// Open is a page with a new project.
func Open(t *testing.T, prefix uint32) *page.Page {
	t.Helper()
	d, err := world.Start(world.Project{Name: "Fern grotto", CellW: 16, CellH: 16, SeenW: 12, SeenH: 9}, &world.Counter{Prefix: 1})
	if err != nil {
		t.Fatal(err)
	}
	p, err := page.Open(edit.Opening{Prefix: prefix, Document: d}.Encode(), nil)
	if err != nil {
		t.Fatal(err)
	}
	return p
}

// Order gives an order, with what comes with it.
func Order(p *page.Page, o page.Order, attached ...[]byte) { p.Order(1, page.OrderText(o), attached) }

// Thing is a thing of the project in orders.
func Thing(kind string, m, id world.ID) page.Thing {
	return page.Thing{Kind: kind, Map: page.ID(m), ID: page.ID(id)}
}

// Set sets a field of a piece as on its slip: to a number, as it is stored, or to option n of those that are offered.
func Set(p *page.Page, piece *world.Piece, name string, n int) {
	m, _ := p.Document().Piece(piece.ID)
	o := pieces.SetPieceField{Map: page.ID(m.ID), Piece: page.ID(piece.ID), Field: name, Number: float64(n), Choice: "what nobody offers"}
	hand := view.StateOf(p)
	Order(p, holding.Select{Thing: Thing("piece", m.ID, piece.ID)})
	if slip := view.StateOf(p).Slip; slip != nil {
		var fields []pieces.FieldView
		if slip.Acting != nil {
			fields = slip.Acting.Fields
		}
		if slip.Asking != nil {
			fields = append(slices.Clone(fields), slip.Asking.Fields...)
		}
		for _, f := range fields {
			if f.Name == name && n >= 0 && n < len(f.Options) {
				o.Choice = f.Options[n].ID
			}
			if f.Name == name && len(f.Options) == 0 {
				o.Number = float64(n) * f.Fine
			}
		}
	}
	Order(p, holding.Unselect{})
	Order(p, holding.Hold{Holding: hand.Holding})
	Order(p, o)
}

// Copied is what is selected, as text for the clipboard.
func Copied(p *page.Page) string {
	return holding.Copied{}.Answer(p).(holding.CopiedView).Text
}

// FromTheSide is a page with a new project that is seen from the side.
func FromTheSide(t *testing.T) *page.Page {
	t.Helper()
	d, err := world.Start(world.Project{Name: "Shaft", CellW: 16, CellH: 16, SeenW: 12, SeenH: 12, View: world.SideView}, &world.Counter{Prefix: 1})
	if err != nil {
		t.Fatal(err)
	}
	p, err := page.Open(edit.Opening{Prefix: 7, Document: d}.Encode(), nil)
	if err != nil {
		t.Fatal(err)
	}
	return p
}

// Said is what the page has told the designer since it was asked last.
func Said(p *page.Page) string { return strings.Join(view.StateOf(p).Messages, " ") }

// Taken brings a tileset of count tiles in, four in a row with every fifth place
// empty, and gives it and its pixels.
func Taken(t *testing.T, p *page.Page, count int) (*world.Tileset, *tiles.Strip) {
	t.Helper()
	in := &tilework.Taken{Name: "Ferns", Picture: strings.Repeat("1a", 32), Strip: strings.Repeat("2b", 32), First: p.Document().TilesEnd(),
		Columns: 4, Cut: tiles.Cut{W: 16, H: 16}}
	s := &tiles.Strip{W: 16, H: 16, Columns: 4}
	for place := 0; len(in.Places) < count; place++ {
		if place%5 != 4 {
			in.Places = append(in.Places, place)
		}
		in.Rows = place/4 + 1
	}
	s.Rows, s.Places, s.Pixels = in.Rows, in.Places, make([]byte, count*16*16*4)
	for i := range s.Pixels {
		tile := i / (16 * 16 * 4)
		s.Pixels[i] = byte(tile * 7)
		// The lower half of each tile shows something.
		if i%4 == 3 {
			s.Pixels[i] = 255 * byte(i/(16*8*4)%2)
		}
	}
	Order(p, tilework.MakeTileset{Taken: *in})
	set := p.Document().Tilesets[len(p.Document().Tilesets)-1]
	if set.Name != "Ferns" || set.Count != count {
		t.Fatalf("the tileset did not come in: %s", Said(p))
	}
	return set, s
}

// Place puts a piece of a type into a cell of the first map by hand and selects it.
func Place(p *page.Page, of world.ID, x, y int) *world.Piece {
	Order(p, holding.Hold{Holding: "piece", ID: page.ID(of)})
	at := grid.Point{X: x*16 + 8, Y: y*16 + 8}
	click := func() {
		p.Pointer(page.Press, at, false, false, 0)
		p.Pointer(page.Release, at, false, false, 0)
	}
	click()
	Order(p, holding.Hold{Holding: "nothing"})
	click()
	pieces := p.Document().Maps[0].Pieces
	return pieces[len(pieces)-1]
}

// Finish lets a page end what is under way.
func Finish(t *testing.T, p *page.Page) {
	t.Helper()
	for i := 0; p.Working(); i++ {
		if _, err := p.Work(500); err != nil {
			t.Fatal(err)
		}
		if i == 1_000_000 {
			t.Fatal("the work never ends")
		}
	}
}

// Asks is the condition that a fact, or how many of an item there are, compares so with a number.
func Asks(is, id, by string, n int) *logic.ConditionForm {
	return &logic.ConditionForm{Asks: "compares", Left: &logic.ValueForm{Is: is, Thing: id}, By: by, Right: &logic.ValueForm{Is: "number", Number: n}}
}

// Elsewhere plays the kept replays of a page, told what is new as a worker is.
type Elsewhere struct {
	replays.Reruns
	t *testing.T
	p *page.Page
}

// NewElsewhere is one that was told nothing yet.
func NewElsewhere(t *testing.T, p *page.Page) *Elsewhere { return &Elsewhere{t: t, p: p} }

// Told takes what is new, in small slices.
func (e *Elsewhere) Told() *Elsewhere {
	e.t.Helper()
	for more := true; more; {
		var message []byte
		if message, more = replays.HandOver(e.p, 500); message != nil {
			if err := e.Take(message); err != nil {
				e.t.Fatal(err)
			}
		}
	}
	return e
}

// Rerun plays the kept replays to their end, in slices, and gives what came of the first.
func (e *Elsewhere) Rerun() replays.ReplayView {
	e.t.Helper()
	e.Told()
	for slices := 0; e.Run(50)&page.RerunLeft != 0; slices++ {
		if slices > 100 {
			e.t.Fatal("playing the replays again does not end")
		}
		if came := e.View().Kept[0].Came; came != "waiting" && e.View().Trial == nil {
			e.t.Fatalf("not played to its end, a replay %s", came)
		}
	}
	return e.View().Kept[0]
}
