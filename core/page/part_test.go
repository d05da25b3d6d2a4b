package page_test

import (
	"encoding/json"
	"testing"

	"azzel/core/edit"
	"azzel/core/grid"
	"azzel/core/page"
	"azzel/core/page/history"
	"azzel/core/page/pagetest"
	"azzel/core/page/view"
	"azzel/core/world"
)

// What is set of a thing is only what was changed: what was set meanwhile by an order that waited, or by somebody
// else, stays.
func TestPartsKeepTheRest(t *testing.T) {
	p := pagetest.Open(t, 5)
	m := p.Document().Maps[0]
	l := m.Layers[1]
	send := func(text string) {
		t.Helper()
		p.Order(1, []byte(text), nil)
		for _, says := range view.StateOf(p).Messages {
			t.Error(says)
		}
	}
	layer := func(change string) {
		text, err := json.Marshal(map[string]any{"do": "setLayer", "with": map[string]any{"map": page.ID(m.ID), "layer": page.ID(l.ID), "change": json.RawMessage(change)}})
		if err != nil {
			t.Fatal(err)
		}
		send(string(text))
	}
	layer(`{"locked":true}`)
	layer(`{"fade":40}`)
	layer(`{"backdrop":{"x":7}}`)
	layer(`{"roles":[2,3]}`)
	layer(`{"depthX":30}`)
	// Somebody else, who has seen none of it.
	theirs := edit.Edit{Label: "theirs", Parts: []edit.Part{edit.Change{Ref: world.Ref{Sort: world.SortLayer, Map: m.ID, ID: l.ID}, Value: world.TextValue(world.FieldGroup, "Vines")}}}
	if _, err := p.Receive(edit.Other(p.Revision()+1, theirs.Encode())); err != nil {
		t.Fatal(err)
	}
	layer(`{"counts":true}`)
	is := p.Document().Maps[0].Layer(l.ID)
	if !is.Locked || is.Fade != 40 || is.Backdrop.X != 7 || is.Takes.Roles != 1<<2|1<<3 || is.DepthX != 30 || is.Group != "Vines" || !is.Counts {
		t.Errorf("the layer has become %+v", is)
	}
	setMap := func(change string) string {
		return `{"do":"setMap","with":{"map":"` + page.FormatID(m.ID) + `","change":` + change + `}}`
	}
	shown := view.SceneOf(p).Maps[0].Look
	send(setMap(`{"notes":"moss"}`))
	send(setMap(`{"edges":[1,0,0,0]}`))
	send(setMap(`{"lottery":[0,0,0,0,9]}`))
	send(setMap(`{"forces":{"gravity":70}}`))
	if now := p.Document().Maps[0]; now.Notes != "moss" || now.Edges[0] != world.Edge(1) || now.Lottery[4] != 9 || now.Gravity != 70 || now.WindX != 0 {
		t.Errorf("the map has become %+v", now)
	}
	if m.Lottery != (world.Odds{}) || shown.Lottery[4] != 0 {
		t.Error("what was shown before has changed with it")
	}
	before := p.Document()
	for _, bad := range []string{`"moss"`, `{"edges":[1]}`, `{"edges":"left"}`, `null`, `{"view":{}}`} {
		if p.Order(1, []byte(setMap(bad)), nil); p.Document() != before || len(view.StateOf(p).Messages) == 0 {
			t.Errorf("%s is set without a word", bad)
		}
	}
}

// A step of an earlier page that can't be read is set aside; those before and after it are taken up, an undo among
// them takes back what it was meant for, and all of it reaches the server under numbers without a gap.
func TestQueueThatCanNotBeRead(t *testing.T) {
	base := pagetest.Open(t, 5)
	m := base.Document().Maps[0]
	opening := edit.Opening{Prefix: 6, Document: base.Document()}
	paint := func(x int, c grid.Cell) []byte {
		g := grid.BoxRegion(grid.Rect{X: x, Y: 2, W: 1, H: 1})
		return edit.Edit{Label: "moss", Parts: []edit.Part{edit.Paint{Map: m.ID, Layer: m.PlayerLayer, Region: g, Cells: grid.Runs{{N: 1, Cell: c}}}}}.Encode()
	}
	undo := func(n uint64) []byte { return edit.Edit{Label: "moss", Undoes: n}.Encode() }
	for name, c := range map[string]struct {
		bad  []byte
		rest []byte
	}{
		"a broken step":  {edit.Send(2, []byte{'E', 200, 1, 2, 3}), undo(2)},
		"no message":     {[]byte("\xff\xff"), undo(2)},
		"nothing at all": {nil, undo(2)},
	} {
		queue := [][]byte{edit.Send(1, paint(2, 3)), c.bad, edit.Send(3, paint(3, 4)), edit.Send(4, paint(4, 5)), edit.Send(5, undo(4)), edit.Send(6, c.rest), edit.Send(7, paint(5, 6))}
		p, err := page.Open(opening.Encode(), queue)
		if err != nil {
			t.Fatalf("%s: the project can't be opened: %v", name, err)
		}
		aside := p.Aside()
		if len(aside) != 1 || string(aside[0]) != string(c.bad) {
			t.Errorf("%s: set aside are %q", name, aside)
		}
		at := func(x int) grid.Cell {
			now := p.Document().Maps[0]
			return now.Layer(now.PlayerLayer).Cells.At(grid.Point{X: x, Y: 2})
		}
		was := m.Layer(m.PlayerLayer).Cells.At(grid.Point{X: 4, Y: 2})
		if at(2) != 3 || at(3) != 4 || at(4) != was || at(5) != 6 {
			t.Errorf("%s: the cells are %d, %d, %d, %d", name, at(2), at(3), at(4), at(5))
		}
		for i, message := range p.Unsent() {
			if n, _, err := edit.ReadSend(message); err != nil || n != uint64(i+1) {
				t.Errorf("%s: message %d has the number %d: %v", name, i+1, n, err)
			}
		}
		pagetest.Order(p, history.Undo{})
		if at(5) == 6 || at(3) != 4 {
			t.Errorf("%s: the last step is not the one that undo takes back", name)
		}
	}
}
