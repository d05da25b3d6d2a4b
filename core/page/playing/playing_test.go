package playing_test

import (
	"slices"
	"testing"

	"azzel/core/grid"
	"azzel/core/page"
	"azzel/core/page/history"
	"azzel/core/page/holding"
	"azzel/core/page/pagetest"
	"azzel/core/page/playing"
	"azzel/core/page/view"
	"azzel/core/play"
	"azzel/core/world"
)

// While it plays, what is taken and where one stands goes with each change; a
// page that is played counts what is left.
func TestPlayingPage(t *testing.T) {
	p := pagetest.Open(t, 5)
	m := p.Document().Maps[0]
	l := p.Document().Project.Lattice()
	spawn := l.CellAt(m.Pieces[0].Foot)
	pagetest.Order(p, holding.Hold{Holding: "piece", ID: page.ID(world.Collectible)})
	at := l.Pixel(spawn.Add(grid.Point{X: 2})).Add(grid.Point{X: 3, Y: 3})
	p.Pointer(page.Press, at, false, false, 0)
	p.Pointer(page.Release, at, false, false, 0)
	pagetest.Order(p, playing.StartPlay{})
	walk := func(in play.Input, ticks int) page.Changed {
		var all page.Changed
		for range ticks {
			all |= playing.Tick(p, in)
		}
		return all
	}
	before := playing.PlayView(p)
	if before.Total != 1 || before.Taken != 0 || before.Map != page.FormatID(m.ID) {
		t.Fatalf("play begins as %+v", before)
	}
	if all := walk(play.Right, 60); all&page.TakenChanged == 0 {
		t.Error("taking a collectible was not told")
	}
	after := playing.PlayView(p)
	if after.Taken != 1 || len(after.GoneIDs) != 1 || after.X <= before.X || after.Doing != "walks" || !slices.Contains(after.Events, "Taken.") {
		t.Errorf("after walking right it is %+v", after)
	}
	pagetest.Order(p, history.Undo{})
	if now := playing.PlayView(p); now.Total != 0 || now.X != after.X {
		t.Errorf("undo while it plays gives %+v", now)
	}
	pagetest.Order(p, history.Redo{})
	if now := playing.PlayView(p); now.Total != 1 || now.Taken != 1 {
		t.Errorf("a collectible that comes back is %d of %d taken", now.Taken, now.Total)
	}
	pagetest.Order(p, playing.StopPlay{})
	if view.StateOf(p).Playing || walk(play.Right, 5) != 0 {
		t.Error("the game goes on after it was stopped")
	}
}
