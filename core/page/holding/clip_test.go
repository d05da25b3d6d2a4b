package holding_test

import (
	"strings"
	"testing"

	"azzel/core/grid"
	"azzel/core/kind"
	"azzel/core/kinds/props"
	"azzel/core/page"
	"azzel/core/page/holding"
	"azzel/core/page/pagetest"
	"azzel/core/page/places"
	"azzel/core/page/things"
	"azzel/core/world"
)

// A piece from the clipboard follows its track again where a track of that name is, and no other: in
// another project the same number may stand for something else. How it acts comes along either way.
func TestPastedPieceKnowsItsTrack(t *testing.T) {
	p := pagetest.FromTheSide(t)
	lift := pagetest.Place(p, world.MovingPlatform, 6, 5)
	pagetest.Order(p, places.AddTrackPoint{X: 10*16 + 8, Y: 5*16 + 8})
	tracks := p.Document().Tracks
	if len(tracks) != 1 {
		t.Fatalf("led on once there are %d tracks", len(tracks))
	}
	for name, n := range map[string]int{"speed": 12, "width": 2} {
		pagetest.Set(p, lift, name, n)
	}
	want := p.Document().Maps[0].Piece(lift.ID).Props
	if want.Refers(props.Track) != tracks[0].ID {
		t.Fatalf("led on it acts as %+v", want)
	}
	pagetest.Order(p, holding.Select{Thing: pagetest.Thing("piece", p.Document().Maps[0].ID, lift.ID)})
	text := pagetest.Copied(p)
	if !strings.Contains(text, `"name": "Track 1"`) {
		t.Fatalf("the clipboard does not say what its track is called: %s", text)
	}
	paste := func(text string, x int) kind.Values {
		t.Helper()
		before := len(p.Document().Maps[0].Pieces)
		pagetest.Order(p, holding.Paste{Text: text})
		at := grid.Point{X: x*16 + 8, Y: 9*16 + 8}
		p.Pointer(page.Press, at, false, false, 0)
		p.Pointer(page.Release, at, false, false, 0)
		pieces := p.Document().Maps[0].Pieces
		if len(pieces) != before+1 {
			t.Fatalf("pasted there are %d pieces, not one more than %d: %s", len(pieces), before, pagetest.Said(p))
		}
		return pieces[before].Props
	}
	if got := paste(text, 2); got != want {
		t.Errorf("pasted beside it acts as %+v, not %+v", got, want)
	}
	track := things.Rename{Thing: page.Thing{Kind: "track", ID: page.ID(tracks[0].ID)}, Name: "Night round"}
	pagetest.Order(p, track)
	if name := p.Document().Tracks[0].Name; name != "Night round" {
		t.Fatalf("renamed, the track is called %q", name)
	}
	free := want.With(props.Track.Unset())
	if got := paste(text, 8); got != free {
		t.Errorf("where its track is called otherwise it acts as %+v, not %+v", got, free)
	}
	damaged := strings.Replace(text, `"names": [`, `"names": ["one too many", `, 1)
	if got := paste(damaged, 14); got != free {
		t.Errorf("with names that don't fit it acts as %+v, not %+v", got, free)
	}
}
