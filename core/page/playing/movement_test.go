package playing_test

import (
	"slices"
	"strings"
	"testing"

	"azzel/core/body"
	"azzel/core/grid"
	"azzel/core/kind"
	"azzel/core/kinds/props"
	"azzel/core/page"
	"azzel/core/page/history"
	"azzel/core/page/holding"
	"azzel/core/page/pagetest"
	"azzel/core/page/playing"
	"azzel/core/page/view"
	"azzel/core/play"
	"azzel/core/world"
)

// highest is how many pixels high the player jumps in the game under way.
func highest(p *page.Page) (most float64) {
	for range 60 {
		playing.Tick(p, 0)
	}
	ground := playing.PlayView(p).Y
	for range 90 {
		playing.Tick(p, play.Jump)
		most = max(most, ground-playing.PlayView(p).Y)
	}
	return most
}

// A value of the movement that is dragged counts in the game alone; let go it is one step that
// can be taken back. Who is played without being a character becomes one. What can't be is said,
// and nothing changes.
func TestMovementIsTried(t *testing.T) {
	p := pagetest.FromTheSide(t)
	pagetest.Order(p, playing.StartPlay{})
	first := p.Document()
	if got := highest(p); got < 34 || got > 36 {
		t.Errorf("a usual jump is %.1f px high", got)
	}
	pagetest.Order(p, playing.TryMovement{Term: "jump", Value: 5})
	if got := highest(p); got < 79 || got > 81 || p.Document() != first {
		t.Errorf("tried, a jump of 5 cells is %.1f px high", got)
	}
	// Dragged back to where it was, nothing is to be undone.
	pagetest.Order(p, playing.SetMovement{Term: "jump", Value: 2.2})
	if got := highest(p); got < 34 || got > 36 || p.Document() != first || view.StateOf(p).Undo != "" {
		t.Errorf("dragged back, a jump is %.1f px high, and %q can be undone", got, view.StateOf(p).Undo)
	}
	pagetest.Order(p, playing.SetMovement{Term: "jump", Value: 5})
	if d := p.Document(); len(d.Characters) != 1 || d.Project.Player != d.Characters[0].ID || d.Played().Jump != 50 {
		t.Fatalf("let go, %d characters, jump %d", len(d.Characters), d.Played().Jump)
	}
	width := func() playing.TermView {
		terms := view.SceneOf(p).Movement.Terms
		return terms[slices.IndexFunc(terms, func(v playing.TermView) bool { return v.Name == "jump width" })]
	}
	for _, want := range []float64{2, 3.3, 9} {
		pagetest.Order(p, playing.SetMovement{Term: "jump width", Value: want})
		if got := width().Value; max(got-want, want-got) > 0.11 || float64(body.JumpWidth(p.Document().Played()))/10 != got {
			t.Errorf("a jump width of %v became %v", want, got)
		}
	}
	before := p.Document()
	for _, bad := range []playing.SetMovement{{Term: "speed", Value: 64.1}, {Term: "jump", Value: 0}, {Term: "steering", Value: 3}, {Term: "charm", Value: 1}} {
		for _, o := range []page.Order{bad, playing.TryMovement(bad)} {
			view.StateOf(p)
			if pagetest.Order(p, o); p.Document() != before || pagetest.Said(p) == "" {
				t.Errorf("%+v was done without a word", bad)
			}
		}
	}
	for view.StateOf(p).Undo != "" {
		pagetest.Order(p, history.Undo{})
	}
	if p.Document().Played() != world.UsualMovement || len(p.Document().Characters) != 0 {
		t.Error("taking it all back leaves another movement")
	}
}

// How a piece acts is set value by value, copied with it and kept in patches; what can't be is
// said, and nothing changes.
func TestActing(t *testing.T) {
	p := pagetest.FromTheSide(t)
	pagetest.Order(p, holding.Hold{Holding: "piece", ID: page.ID(world.Foe)})
	at := grid.Point{X: 5*16 + 8, Y: 9*16 + 8}
	p.Pointer(page.Press, at, false, false, 0)
	p.Pointer(page.Release, at, false, false, 0)
	pagetest.Order(p, holding.Hold{Holding: "nothing"})
	slug := func() *world.Piece { return p.Document().Maps[0].Pieces[1] }
	set := func(name string, n int) { pagetest.Set(p, slug(), name, n) }
	want := kind.Set(props.Does.Is(props.Wanders), props.Speed.Is(18), props.Sight.Is(4), props.Harm.Is(2))
	for name, n := range map[string]int{"does": props.Wanders, "speed": 18, "sight": 4, "harm": 2} {
		set(name, n)
	}
	if slug().Props != want {
		t.Fatalf("it acts as %+v, want %+v", slug().Props, want)
	}
	before := p.Document()
	for name, n := range map[string]int{"does": 9, "speed": -1, "sight": 1000, "harm": 5000, "to-x": 1, "width": 2, "charm": 1} {
		view.StateOf(p)
		if set(name, n); p.Document() != before || pagetest.Said(p) == "" {
			t.Errorf("%s of %d was set without a word", name, n)
		}
	}
	p.Pointer(page.Press, at, false, false, 0)
	p.Pointer(page.Release, at, false, false, 0)
	slip := view.StateOf(p).Slip
	if slip == nil || slip.Acting == nil || len(slip.Acting.Fields) == 0 || slip.Acting.Fields[0].Chosen != "wanders" {
		t.Fatalf("the slip says %+v", slip)
	}
	if slip.Clear != slip.Box {
		t.Errorf("one that goes nowhere is at %+v and keeps %+v clear", slip.Box, slip.Clear)
	}
	text := pagetest.Copied(p)
	if !strings.Contains(text, `"wanders"`) {
		t.Fatalf("the clipboard holds %s", text)
	}
	pagetest.Order(p, holding.Paste{Text: text})
	to := grid.Point{X: 20*16 + 8, Y: 9*16 + 8}
	p.Pointer(page.Press, to, false, false, 0)
	p.Pointer(page.Release, to, false, false, 0)
	pieces := p.Document().Maps[0].Pieces
	if len(pieces) != 3 || pieces[2].Props != want {
		t.Errorf("pasted, there are %d pieces, the last %+v", len(pieces), pieces[len(pieces)-1])
	}
	view.StateOf(p)
	pagetest.Order(p, holding.Paste{Text: strings.Replace(text, `"wanders"`, `"sings"`, 1)})
	if pagetest.Said(p) == "" || len(p.Document().Maps[0].Pieces) != 3 {
		t.Error("a piece that sings was pasted without a word")
	}
}
