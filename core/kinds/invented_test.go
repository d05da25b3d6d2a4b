package kinds_test

import (
	"bytes"
	"fmt"
	"slices"
	"strings"
	"testing"

	"azzel/core/edit"
	"azzel/core/exchange"
	"azzel/core/grid"
	"azzel/core/kind"
	_ "azzel/core/kinds"
	"azzel/core/kinds/props"
	"azzel/core/logic"
	"azzel/core/page"
	"azzel/core/page/history"
	"azzel/core/page/holding"
	"azzel/core/page/pieces"
	"azzel/core/page/view"
	"azzel/core/picture"
	"azzel/core/play"
	"azzel/core/stage"
	"azzel/core/words"
	"azzel/core/world"
)

// A boiler is a kind that there is in this test alone: with a property of each sort, two states, a moment, and behaviour in
// both views.
var (
	cold     = &kind.State{Number: 60_001, Word: "cold", Name: "cold"}
	hot      = &kind.State{Number: 60_002, Word: "hot", Name: "hot"}
	stoked   = &kind.Moment{Number: 60_001, Word: "stoked", Name: "stoked"}
	fires    = &kind.Prop{Field: 60_008, Word: "fires", Label: "Fires", Name: "what must hold so that a boiler fires", Sort: kind.Condition, None: "always"}
	pressure = &kind.Prop{Field: 60_001, Changes: true, Word: "pressure", Label: "Pressure", Name: "the pressure of a boiler, in tenths of a bar,", Unit: "bar", Per: 10, Usual: 20, Least: 1, Most: 500, Reach: 100}
	sealed   = &kind.Prop{Field: 60_002, Word: "sealed", Label: "Is sealed", Name: "whether a boiler is sealed", Sort: kind.YesNo}
	valve    = &kind.Prop{Field: 60_003, Word: "valve", Label: "Valve", Name: "how the valve of a boiler is", Sort: kind.Choice, Options: []string{"open", "shut", "stuck"}}
	faces    = &kind.Prop{Field: 60_004, Word: "faces", Label: "Faces", Name: "where a boiler faces", Sort: kind.Direction, Options: []string{"south", "west", "east", "north"}, None: "nowhere"}
	pipe     = &kind.Prop{Field: 60_005, Word: "pipe", Label: "Pipe", Name: "how far the pipe of a boiler goes", Sort: kind.Offset, Unit: "cells", Least: -900, Most: 900, Reach: 9}
	leaks    = &kind.Prop{Field: 60_006, Word: "leaks", Label: "Leaks", Name: "the leaks of a boiler", Sort: kind.Weights, Options: []string{"steam", "water"}, Most: 50, Reach: 9}
	heats    = &kind.Prop{Field: 60_007, Word: "heats", Label: "Heats", Name: "what a boiler heats", Sort: kind.Reference, To: kind.Area, None: "nothing", Local: true}
	plaque   = &kind.Prop{Field: 60_009, Word: "plaque", Label: "Plaque", Name: "what the plaque of a boiler says", Sort: kind.Words, None: "nothing"}
	boiler   = &kind.Kind{ID: 60_000, Word: "boiler", Name: "Boiler", Family: kind.Hazards, Purpose: "Scalds whoever touches it.", Acts: true, Hurts: true,
		Side: kind.Extent{W: 1, OfW: 1, H: 1, OfH: 1}, Above: kind.Extent{W: 1, OfW: 1, H: 1, OfH: 1}, Picture: []kind.Shape{{1, 4, 14, 16, 0x8a5a2b}}, Behaviour: scalds{},
		States: []*kind.State{cold, hot}, Moments: []*kind.Moment{stoked}, Changes: []kind.Change{{From: cold, To: hot, By: stoked, Needs: []*kind.Prop{pressure}, Lasting: true}},
		Props: slices.Concat([]kind.Has{{Prop: pressure}, {Prop: sealed}, {Prop: valve, If: func(v kind.Values) bool { return v.Int(nil, sealed) == 0 }}, {Prop: faces}, {Prop: pipe}, {Prop: leaks}, {Prop: heats}, {Prop: plaque},
			{Prop: props.Item, Label: "Burns"}, {Prop: fires}, {Prop: props.Power}, {Prop: props.Own, Apart: true}}, props.Presence)}
)

func init() { kind.Register(boiler) }

// A boiler hurts by a health for each two bar, from the side only from beside it or below.
type scalds struct{}

func (scalds) Touched(self stage.Self, how stage.Touch, do stage.Effects) {
	if !how.Onto {
		do.Hurt(self.Int(pressure) / 20)
	}
	if self.State == cold {
		do.Become(hot)
	}
}

type window struct {
	*page.Page
	t *testing.T
}

func open(t *testing.T, view world.View) window {
	t.Helper()
	d, err := world.Start(world.Project{Name: "Boiler house", CellW: 16, CellH: 16, SeenW: 12, SeenH: 12, View: view}, &world.Counter{Prefix: 1})
	if err != nil {
		t.Fatal(err)
	}
	p, err := page.Open(edit.Opening{Prefix: 7, Document: d}.Encode(), nil)
	if err != nil {
		t.Fatal(err)
	}
	return window{p, t}
}

func (w window) order(o page.Order) { w.Order(1, page.OrderText(o), nil) }

// copied is what is selected, as text for the clipboard.
func copied(p *page.Page) string { return holding.Copied{}.Answer(p).(holding.CopiedView).Text }

func (w window) click(at grid.Point) {
	at = grid.Point{X: at.X*16 + 8, Y: at.Y*16 + 8}
	w.Pointer(page.Press, at, false, false, 0)
	w.Pointer(page.Release, at, false, false, 0)
}

func (w window) piece() *world.Piece {
	pieces := w.Document().Maps[0].Pieces
	return pieces[len(pieces)-1]
}

func (w window) set(name string, value int) {
	w.t.Helper()
	o := pieces.SetPieceField{Map: page.ID(w.Document().Maps[0].ID), Piece: page.ID(w.piece().ID), Field: name, Number: float64(value), Choice: "what nobody offers"}
	for _, f := range w.offered() {
		if f.Name == name && value >= 0 && value < len(f.Options) {
			o.Choice = f.Options[value].ID
		}
		if f.Name == name && len(f.Options) == 0 {
			o.Number = float64(value) * f.Fine
		}
	}
	w.order(o)
}

func (w window) offered() []pieces.FieldView {
	w.order(holding.Select{Thing: page.Thing{Kind: "piece", Map: page.ID(w.Document().Maps[0].ID), ID: page.ID(w.piece().ID)}})
	slip := view.StateOf(w.Page).Slip
	if slip == nil || slip.Acting == nil {
		return nil
	}
	if slip.Asking != nil {
		return append(slices.Clone(slip.Acting.Fields), slip.Asking.Fields...)
	}
	return slip.Acting.Fields
}

func (w window) fields() (names []string) {
	w.offered()
	for _, f := range view.StateOf(w.Page).Slip.Acting.Fields {
		value := f.Value
		if len(f.Options) > 0 {
			value = float64(slices.IndexFunc(f.Options, func(o pieces.OptionView) bool { return o.ID == f.Chosen }))
		}
		names = append(names, fmt.Sprintf("%s=%v", f.Name, value))
	}
	return names
}

// A kind that nothing else knows of is placed, set on the slip, taken back, stored, put into a bundle and read again,
// copied, mirrored, drawn, listed, played in both views and rewound, without a line that is written for it elsewhere.
func TestInventedKind(t *testing.T) {
	for _, from := range []world.View{world.TopDown, world.SideView} {
		w := open(t, from)
		m := w.Document().Maps[0]
		w.order(holding.Hold{Holding: "piece", ID: page.ID(boiler.ID)})
		w.click(grid.Point{X: 6, Y: 9})
		w.order(holding.Hold{Holding: "nothing"})
		if p := w.piece(); p.Type != boiler.ID || p.Props != "" {
			t.Fatalf("placed it is %+v", p)
		}
		if got := strings.Join(w.fields(), " "); got != "pressure=2 sealed=0 valve=0 faces=0 pipe-x=0 pipe-y=0 leaks-steam=0 leaks-water=0 heats=0 plaque=0 item=0 power=0" {
			t.Fatalf("the slip says %s", got)
		}
		area := &world.Area{Name: "Palm house", Map: m.ID, Cells: grid.BoxRegion(grid.Rect{X: 2, Y: 2, W: 3, H: 3})}
		const areaID = world.ID(7<<32 | 900)
		res, err := edit.Apply(w.Document(), edit.Edit{Parts: []edit.Part{edit.Put{Ref: world.Ref{Sort: world.SortArea, ID: areaID}, Values: area.Values()}}})
		if err != nil {
			t.Fatal(err)
		}
		placed := w.Document()
		if from == world.SideView { // once with an area, once without
			p, err := page.Open(edit.Opening{Prefix: 8, Document: res.Document}.Encode(), nil)
			if err != nil {
				t.Fatal(err)
			}
			w.Page, placed = p, p.Document()
			w.set("heats", 1)
		}
		for _, set := range []struct {
			name  string
			value int
		}{{"pressure", 41}, {"valve", 2}, {"faces", 3}, {"pipe-x", -32}, {"pipe-y", 16}, {"leaks-water", 7}, {"item", 1}, {"sealed", 1}} {
			w.set(set.name, set.value)
		}
		w.order(pieces.SetPieceField{Map: page.ID(w.Document().Maps[0].ID), Piece: page.ID(w.piece().ID), Field: "plaque", Choice: "Hot {" + w.Document().Items[0].Name + "}"})
		want := kind.Set(words.Text{{Letters: "Hot "}, {Item: w.Document().Items[0].ID}}.Set(plaque), pressure.Is(41), valve.Is(2), faces.Is(3), pipe.Is(-32, 16), leaks.Is(0, 7), sealed.Is(1), props.Item.Refer(w.Document().Items[0].ID))
		if from == world.SideView {
			want = want.With(heats.Refer(areaID))
		}
		if w.piece().Props != want {
			t.Fatalf("it sets %v, want %v", []byte(w.piece().Props), []byte(want))
		}
		if got := strings.Join(w.fields(), " "); strings.Contains(got, "valve") || !strings.Contains(got, "pressure=4.1 sealed=1 faces=3 pipe-x=-2") {
			t.Errorf("once it is sealed the slip says %s", got)
		}
		for name, n := range map[string]int{"pressure": 501, "valve": 3, "faces": 5, "pipe-x": 901, "leaks-steam": 51, "speed": 3, "moons": 1} {
			view.StateOf(w.Page)
			if w.set(name, n); w.piece().Props != want || len(view.StateOf(w.Page).Messages) == 0 {
				t.Errorf("%s of %d is set without a word", name, n)
			}
		}

		// What must hold for it, and how it starts.
		lacking := &logic.ConditionForm{Asks: "state", Subject: &logic.NounForm{Is: "this"}, Is: "cold"}
		w.order(pieces.SetCondition{Map: page.ID(w.Document().Maps[0].ID), Piece: page.ID(w.piece().ID), Property: "fires", Condition: lacking})
		w.set("state", 1)
		w.set("power", 1)
		want = want.With(logic.Condition{Ask: logic.InState, Is: cold.Number}.Set(fires), props.Own.Is(hot.Number), props.Power.Is(kind.Off))
		if w.piece().Props != want {
			t.Fatalf("it starts and asks as %v, want %v", []byte(w.piece().Props), []byte(want))
		}

		// Stored, in a bundle, in the clipboard.
		d := w.Document()
		back, err := world.Decode(d.Encode())
		if err != nil || back.Maps[0].Piece(w.piece().ID).Props != want {
			t.Fatalf("stored it comes back otherwise: %v", err)
		}
		var bundle bytes.Buffer
		if err := exchange.Write(&bundle, d, func(string) ([]byte, error) { return nil, nil }, func() error { return nil }); err != nil {
			t.Fatal(err)
		}
		read, err := exchange.Read(bytes.NewReader(bundle.Bytes()), int64(bundle.Len()), nil)
		if err != nil || read.Document.Maps[0].Piece(w.piece().ID).Props != want {
			t.Fatalf("out of a bundle it comes back otherwise: %v", err)
		}
		text := copied(w.Page)
		w.order(holding.Paste{Text: text})
		w.click(grid.Point{X: 9, Y: 9})
		if got := w.piece(); got.Type != boiler.ID || got.Props != want || len(w.Document().Maps[0].Pieces) != len(d.Maps[0].Pieces)+1 {
			t.Errorf("pasted it is %+v", got)
		}
		if got := want.Mirrored(true); got != want.With(faces.Is(2), pipe.Is(32, 16)) {
			t.Errorf("mirrored it sets %v", []byte(got))
		}
		if kept := want.Kept(); kept != want.With(heats.Unset()) {
			t.Errorf("in a patch it sets %v", []byte(kept))
		}

		// Taken back, step by step.
		for range 30 {
			w.order(history.Undo{})
		}
		if got := w.Document().Maps[0].Piece(placed.Maps[0].Pieces[len(placed.Maps[0].Pieces)-1].ID); from == world.SideView && (got == nil || got.Props != "") || from == world.TopDown && got != nil {
			t.Errorf("taken back it is %+v", got)
		}

		// Drawn and listed.
		if pix := picture.Piece(d.Project.Lattice(), boiler.ID, picture.AtFirst); len(pix) == 0 {
			t.Error("it has no picture")
		}
		if !slices.ContainsFunc(view.SceneOf(w.Page).Types, func(v view.TypeView) bool { return v.Name == "Boiler" && v.Purpose == boiler.Purpose }) {
			t.Error("it is not among the types")
		}
		played(t, d)
		stokes(t, d)
	}
}

// as is the document with its boiler set otherwise.
func as(t *testing.T, d *world.Document, set ...kind.Value) (*world.Document, *world.Piece) {
	t.Helper()
	m := d.Maps[0]
	was := m.Pieces[slices.IndexFunc(m.Pieces, func(p *world.Piece) bool { return p.Type == boiler.ID })]
	next := *was
	next.Props = next.Props.With(set...)
	res, err := edit.Apply(d, edit.Edit{Parts: edit.Changes(world.Ref{Sort: world.SortPiece, Map: m.ID, ID: was.ID}, was.Values(), next.Values())})
	if err != nil {
		t.Fatal(err)
	}
	return res.Document, res.Document.Maps[0].Piece(was.ID)
}

// stokes walks into the boiler, which is hot from then on and told of as that, as a condition says; before, gone back to,
// it is cold. One that is off does nothing.
func stokes(t *testing.T, d *world.Document) {
	t.Helper()
	for _, off := range []bool{false, true} {
		power := kind.On
		if off {
			power = kind.Off
		}
		d, is := as(t, d, props.Own.Unset(), props.Power.Is(power))
		g, err := play.New(d, play.Start{Map: d.Maps[0].ID, Cell: grid.Point{X: 3, Y: 9}, Chance: 1})
		if err != nil {
			t.Fatal(err)
		}
		state := func() *kind.State {
			n, _ := g.Asked(is.ID).State(is.ID)
			return kind.StateOf(n)
		}
		rec := play.Record(g)
		told := 0
		for range 120 {
			before := state()
			rec.Tick(play.Right)
			if play.Happened(g.Events(), stoked) {
				told++
			}
			if (before != state()) != play.Happened(g.Events(), stoked) {
				t.Errorf("from %s to %s it is stoked: %t", before.Word, state().Word, play.Happened(g.Events(), stoked))
			}
		}
		if want := map[bool]int{false: 1, true: 0}[off]; told != want || (state() == hot) == off || len(g.Others()) != want || g.Holds(is.ID, logic.Of(is.Props, fires)) != off {
			t.Errorf("off: %t: stoked %d times it is %s", off, told, state().Word)
		}
		hash := g.Hash()
		if err := rec.Go(rec.First()); err != nil || state() != cold {
			t.Errorf("before it, it is %s (%v)", state().Word, err)
		}
		if err := rec.Go(rec.Last()); err != nil || g.Hash() != hash {
			t.Errorf("gone back to, it is otherwise: %v", err)
		}
	}
}

// played walks into the boiler, which scalds by as much as is set, and goes back to before.
func played(t *testing.T, d *world.Document) {
	t.Helper()
	d, _ = as(t, d, props.Power.Unset())
	m := d.Maps[0]
	g, err := play.New(d, play.Start{Map: m.ID, Cell: grid.Point{X: 3, Y: 9}, Chance: 1})
	if err != nil {
		t.Fatal(err)
	}
	rec := play.Record(g)
	whole := rec.Game().Status().Health
	for range 120 {
		rec.Tick(play.Right)
	}
	if got := rec.Game().Status(); got.Health != whole-41/20 {
		t.Errorf("in view %d, scalded from %d health is %d, at %d", m.View, whole, got.Health, got.Place.X>>8)
	}
	hash := rec.Game().Hash()
	if err := rec.Go(rec.First()); err != nil || rec.Game().Status().Health != whole {
		t.Errorf("before it, health is %d (%v)", rec.Game().Status().Health, err)
	}
	if err := rec.Go(rec.Last()); err != nil || rec.Game().Hash() != hash {
		t.Errorf("gone back to, it is otherwise: %v", err)
	}
}
