package page_test

import (
	"slices"
	"strings"
	"testing"

	"azzel/core/body"
	"azzel/core/edit"
	"azzel/core/grid"
	"azzel/core/kind"
	"azzel/core/kinds/props"
	"azzel/core/page"
	"azzel/core/play"
	"azzel/core/world"
)

// fromTheSide is a page with a new project that is seen from the side.
func fromTheSide(t *testing.T) *page.Page {
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

// highest is how many pixels high the player jumps in the game under way.
func highest(p *page.Page) (most float64) {
	for range 60 {
		p.Tick(0)
	}
	ground := p.Play().Y
	for range 90 {
		p.Tick(play.Jump)
		most = max(most, ground-p.Play().Y)
	}
	return most
}

// A value of the movement that is dragged counts in the game alone; let go it is one step that
// can be taken back. Who is played without being a character becomes one. What can't be is said,
// and nothing changes.
func TestMovementIsTried(t *testing.T) {
	p := fromTheSide(t)
	order(p, page.StartPlay{})
	first := p.Document()
	if got := highest(p); got < 34 || got > 36 {
		t.Errorf("a usual jump is %.1f px high", got)
	}
	order(p, page.TryMovement{Term: "jump", Value: 50})
	if got := highest(p); got < 79 || got > 81 || p.Document() != first {
		t.Errorf("tried, a jump of 5 cells is %.1f px high", got)
	}
	// Dragged back to where it was, nothing is to be undone.
	order(p, page.SetMovement{Term: "jump", Value: 22})
	if got := highest(p); got < 34 || got > 36 || p.Document() != first || p.State().Undo != "" {
		t.Errorf("dragged back, a jump is %.1f px high, and %q can be undone", got, p.State().Undo)
	}
	order(p, page.SetMovement{Term: "jump", Value: 50})
	if d := p.Document(); len(d.Characters) != 1 || d.Project.Player != d.Characters[0].ID || d.Played().Jump != 50 {
		t.Fatalf("let go, %d characters, jump %d", len(d.Characters), d.Played().Jump)
	}
	width := func() page.TermView {
		terms := p.Scene().Movement.Terms
		return terms[slices.IndexFunc(terms, func(v page.TermView) bool { return v.Name == "jump width" })]
	}
	for _, want := range []int{20, 33, 90} {
		order(p, page.SetMovement{Term: "jump width", Value: want})
		if got := width().Value; max(got-want, want-got) > 1 || body.JumpWidth(p.Document().Played()) != got {
			t.Errorf("a jump width of %d became %d", want, got)
		}
	}
	before := p.Document()
	for _, bad := range []page.SetMovement{{Term: "speed", Value: 641}, {Term: "jump", Value: 0}, {Term: "steering", Value: 3}, {Term: "charm", Value: 1}} {
		for _, o := range []page.Order{bad, page.TryMovement(bad)} {
			p.State()
			if order(p, o); p.Document() != before || said(p) == "" {
				t.Errorf("%+v was done without a word", bad)
			}
		}
	}
	for p.State().Undo != "" {
		order(p, page.Undo{})
	}
	if p.Document().Played() != world.UsualMovement || len(p.Document().Characters) != 0 {
		t.Error("taking it all back leaves another movement")
	}
}

// How a piece acts is set value by value, copied with it and kept in patches; what can't be is
// said, and nothing changes.
func TestActing(t *testing.T) {
	p := fromTheSide(t)
	order(p, page.Hold{Holding: "piece", ID: page.ID(world.Foe)})
	at := grid.Point{X: 5*16 + 8, Y: 9*16 + 8}
	p.Pointer(page.Press, at, false, false, 0)
	p.Pointer(page.Release, at, false, false, 0)
	order(p, page.Hold{Holding: "nothing"})
	slug := func() *world.Piece { return p.Document().Maps[0].Pieces[1] }
	set := func(name string, n int) { set(p, slug(), name, n) }
	want := kind.Set(props.Does.Is(props.Wanders), props.Speed.Is(18), props.Sight.Is(4), props.Harm.Is(2))
	for name, n := range map[string]int{"does": props.Wanders, "speed": 18, "sight": 4, "harm": 2} {
		set(name, n)
	}
	if slug().Props != want {
		t.Fatalf("it acts as %+v, want %+v", slug().Props, want)
	}
	before := p.Document()
	for name, n := range map[string]int{"does": 9, "speed": -1, "sight": 1000, "harm": 5000, "to-x": 1, "width": 2, "charm": 1} {
		p.State()
		if set(name, n); p.Document() != before || said(p) == "" {
			t.Errorf("%s of %d was set without a word", name, n)
		}
	}
	p.Pointer(page.Press, at, false, false, 0)
	p.Pointer(page.Release, at, false, false, 0)
	slip := p.State().Slip
	if slip == nil || slip.Acting == nil || len(slip.Acting.Fields) == 0 || slip.Acting.Fields[0].Chosen != "wanders" {
		t.Fatalf("the slip says %+v", slip)
	}
	if slip.Clear != slip.Box {
		t.Errorf("one that goes nowhere is at %+v and keeps %+v clear", slip.Box, slip.Clear)
	}
	text := copied(p)
	if !strings.Contains(text, `"wanders"`) {
		t.Fatalf("the clipboard holds %s", text)
	}
	order(p, page.Paste{Text: text})
	to := grid.Point{X: 20*16 + 8, Y: 9*16 + 8}
	p.Pointer(page.Press, to, false, false, 0)
	p.Pointer(page.Release, to, false, false, 0)
	pieces := p.Document().Maps[0].Pieces
	if len(pieces) != 3 || pieces[2].Props != want {
		t.Errorf("pasted, there are %d pieces, the last %+v", len(pieces), pieces[len(pieces)-1])
	}
	p.State()
	order(p, page.Paste{Text: strings.Replace(text, `"wanders"`, `"sings"`, 1)})
	if said(p) == "" || len(p.Document().Maps[0].Pieces) != 3 {
		t.Error("a piece that sings was pasted without a word")
	}
}
