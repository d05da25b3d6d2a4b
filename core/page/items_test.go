package page_test

import (
	"strings"
	"testing"

	"azzel/core/page"
	"azzel/core/play"
	"azzel/core/world"
)

// Items are made by name or at the piece that gives them, listed with all that names them, had by who
// begins with them, and gone from all of them by one step that can be taken back. What can't be set is
// refused in words.
func TestItemsOfAPage(t *testing.T) {
	p := fromTheSide(t)
	m := p.Document().Maps[0]
	ref := func(do string, piece *world.Piece) page.Order {
		return page.Order{Do: do, Kind: "piece", Map: page.FormatID(m.ID), ID: page.FormatID(piece.ID)}
	}
	act := func(piece *world.Piece, name string, n int) {
		o := ref("set-acting", piece)
		o.Text, o.N = name, n
		order(p, o)
	}
	order(p, page.Order{Do: "make-item", Text: " Lamp oil "})
	order(p, page.Order{Do: "make-item", Text: "Lamp oil"})
	if items := p.Scene().Items; len(items) != 2 || items[0].Name != "Lamp oil" || items[1].Name != "Lamp oil 2" || items[0].Most != world.UsualMost {
		t.Fatalf("made: %+v", items)
	}
	label, gate := place(p, world.Collectible, 7, 9), place(p, world.Exit, 12, 9)
	// The last choice of a piece makes an item called as the piece is.
	rename := ref("rename", label)
	rename.Text = "Brass label"
	order(p, rename)
	act(label, "item", 3)
	if d := p.Document(); len(d.Items) != 3 || d.Items[2].Name != "Brass label" || d.Maps[0].Piece(label.ID).Item != d.Items[2].ID {
		t.Fatalf("at a piece an item was made: %+v", d.Items)
	}
	act(label, "amount", 2)
	act(gate, "item", 3)
	act(gate, "amount", 3)
	order(p, page.Order{Do: "set-movement", Text: "speed", N: 60})
	d := p.Document()
	who, brass := page.FormatID(d.Characters[0].ID), page.FormatID(d.Items[2].ID)
	order(p, page.Order{Do: "set-begins", Kind: "character", ID: who, Text: brass, N: 1})
	var named []string
	for _, n := range p.Scene().Items[2].Named {
		named = append(named, n.Name+" "+n.Does)
	}
	if got := strings.Join(named, ", "); got != "Brass label gives 2, Exit at 12, 9 needs 3, Player begins with 1" {
		t.Errorf("the item is named by %s", got)
	}
	if begins := p.Scene().Characters[0].Begins; len(begins) != 1 || begins[0].Count != 1 || begins[0].Name != "Brass label" {
		t.Errorf("begins with %+v", begins)
	}
	p.State()
	for _, bad := range []page.Order{
		{Do: "set-item", Kind: "item", ID: brass, N: 5000}, {Do: "set-item", Kind: "item", ID: "99", N: 5},
		{Do: "set-begins", Kind: "character", ID: who, Text: brass, N: -1}, {Do: "set-begins", Kind: "character", ID: who, Text: "77", N: 1},
		{Do: "rename", Kind: "item", ID: brass, Text: " "}, {Do: "remove", Kind: "item", ID: "99"},
	} {
		before := p.Document()
		if order(p, bad); p.Document() != before || said(p) == "" {
			t.Errorf("%+v was done, or not done without a word", bad)
		}
	}
	// Played, they are had, and remembered; the exit lets out who has enough.
	order(p, page.Order{Do: "play-at", Kind: "piece", Map: page.FormatID(m.ID), ID: page.FormatID(m.Pieces[0].ID)})
	if had := p.Play().Items; len(had) != 1 || had[0].Count != 1 {
		t.Errorf("play begins with %+v", had)
	}
	for range 300 {
		p.Tick(play.Right)
	}
	if v := p.Play(); !v.Finished || len(v.Items) != 1 || v.Items[0].Count != 3 || v.Taken != 1 {
		t.Errorf("in play: finished %t with %+v", v.Finished, v.Items)
	}
	order(p, page.Order{Do: "stop"})
	p.State()
	order(p, page.Order{Do: "remove", Kind: "item", ID: brass})
	if says := said(p); len(p.Document().Items) != 2 || !strings.Contains(says, "Brass label is gone from Brass label, Exit at 12, 9, Player") {
		t.Errorf("deleted, it is said %q", says)
	}
	order(p, page.Order{Do: "play"})
	if had := p.Play().Items; len(had) != 0 {
		t.Errorf("what is gone is had: %+v", had)
	}
	order(p, page.Order{Do: "undo"})
	if items := p.Scene().Items; len(items) != 3 || len(items[2].Named) != 3 {
		t.Errorf("taken back: %+v", items)
	}
}

// Play begins at a mark, and who tests is brought to one; what the game remembers is told.
func TestMarksOfAPage(t *testing.T) {
	p := fromTheSide(t)
	mark := place(p, world.Mark, 20, 9)
	place(p, world.Checkpoint, 26, 9)
	place(p, world.Collectible, 22, 9)
	m := p.Document().Maps[0]
	id := func(piece *world.Piece) string { return page.FormatID(piece.ID) }
	order(p, page.Order{Do: "select", Kind: "piece", Map: page.FormatID(m.ID), ID: id(mark)})
	if slip := p.State().Slip; slip == nil || !slip.Starts || slip.Acting != nil {
		t.Errorf("the slip of a mark is %+v", slip)
	}
	order(p, page.Order{Do: "bring", Kind: "piece", ID: id(mark)})
	if said(p) == "" {
		t.Error("somebody was brought somewhere who does not play")
	}
	order(p, page.Order{Do: "play-at", Kind: "piece", Map: page.FormatID(m.ID), ID: id(mark)})
	if x := p.Play().X; int(x)/16 != 20 {
		t.Errorf("play begins at %.1f", x)
	}
	for range 140 {
		p.Tick(play.Right)
	}
	if lines := p.Memory(); len(lines) != 2 || lines[0] != (page.SlipLine{Label: "Comes back to", Value: "Checkpoint at 26, 9"}) || lines[1].Label != "Taken here" || lines[1].Value != "Collectible at 22, 9" {
		t.Errorf("the game remembers %+v", lines)
	}
	from := p.Play().Ticks
	order(p, page.Order{Do: "bring", Kind: "piece", ID: id(mark)})
	if v := p.Play(); int(v.X)/16 != 20 || v.Ticks != from {
		t.Errorf("brought to %.1f at tick %d, and it was %d", v.X, v.Ticks, from)
	}
	for range 30 {
		p.Tick(play.Left)
	}
	order(p, page.Order{Do: "keep-replay", Text: "From the mark"})
	if r := p.Document().Replays; len(r) != 1 || r[0].From != mark.ID || r[0].Ticks() != 30 || r[0].Began != from {
		t.Fatalf("kept: %+v %q", r, said(p))
	}
	e := &elsewhere{t: t, p: p}
	if v := e.rerun(); v.Came != "same" || v.From != "Mark at 20, 9" {
		t.Errorf("played again elsewhere: %+v", v)
	}
	// Deleted, it can't be gone to, and the replay has lost its start.
	order(p, page.Order{Do: "select", Kind: "piece", Map: page.FormatID(m.ID), ID: id(mark)})
	order(p, page.Order{Do: "delete"})
	p.State()
	if order(p, page.Order{Do: "bring", Kind: "piece", ID: id(mark)}); said(p) == "" {
		t.Error("somebody was brought to a mark that is gone")
	}
	if v := e.rerun(); v.Came != "fails" {
		t.Errorf("without its start: %+v", v)
	}
}
