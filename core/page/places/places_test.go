package places_test

import (
	"slices"
	"testing"

	"azzel/core/edit"
	"azzel/core/grid"
	"azzel/core/kinds/props"
	"azzel/core/page"
	"azzel/core/page/history"
	"azzel/core/page/holding"
	"azzel/core/page/maps"
	"azzel/core/page/pagetest"
	"azzel/core/page/pieces"
	"azzel/core/page/places"
	"azzel/core/page/playing"
	"azzel/core/page/view"
	"azzel/core/world"
)

// A track is led on from a piece point by point, goes round or not, is chosen by another piece, and
// what can't be is said; the trail follows it. All of it is taken back step by step.
func TestTracksOfAPage(t *testing.T) {
	p := pagetest.FromTheSide(t)
	pagetest.Order(p, places.AddTrackPoint{X: 40, Y: 40})
	if pagetest.Said(p) == "" || len(p.Document().Tracks) != 0 {
		t.Error("a track was led on from nothing without a word")
	}
	lift := pagetest.Place(p, world.MovingPlatform, 6, 5)
	for _, c := range []grid.Point{{X: 10, Y: 5}, {X: 10, Y: 8}} {
		pagetest.Order(p, places.AddTrackPoint{X: c.X*16 + 8, Y: c.Y*16 + 8})
	}
	tracks := p.Document().Tracks
	if len(tracks) != 1 || len(tracks[0].Points) != 2 || p.Document().Maps[0].Pieces[1].Refers(props.Track) != tracks[0].ID {
		t.Fatalf("led on twice there are %+v", tracks)
	}
	view.StateOf(p)
	pagetest.Order(p, places.AddTrackPoint{X: -4000, Y: 0})
	if pagetest.Said(p) == "" || len(p.Document().Tracks[0].Points) != 2 {
		t.Error("a track was led off its map without a word")
	}
	slip := view.StateOf(p).Slip
	if slip == nil || slip.Acting == nil || !slip.Acting.Tracked || !slip.Acting.Moves || len(slip.Path.Points) != 6 {
		t.Fatalf("the slip of the lift says %+v", slip)
	}
	ends := func() (x, y float64) {
		trail := pieces.Trail(p, lift.ID)
		return trail.Places[2*180], trail.Places[2*180+1]
	}
	x, y := ends()
	if x <= 10*16 || y <= 6*16 {
		t.Errorf("after three seconds at 3 cells a second the lift is at %.0f, %.0f", x, y)
	}
	slow := pieces.TryPieceField{Map: page.ID(p.Document().Maps[0].ID), Piece: page.ID(lift.ID), Field: "speed", Number: 0.5}
	before := p.Document()
	if pagetest.Order(p, slow); p.Document() != before {
		t.Error("a value that is dragged is in the document")
	}
	if x, _ := ends(); x > 8*16+8 {
		t.Errorf("dragged to half a cell a second it is at %.0f after three", x)
	}
	pagetest.Set(p, lift, "speed", 5)
	track := places.SetTrack{Track: page.ID(tracks[0].ID), Change: page.PartOf(places.TrackLook{Round: true, Points: 1})}
	if pagetest.Order(p, track); !p.Document().Tracks[0].Round || len(p.Document().Tracks[0].Points) != 1 {
		t.Errorf("the track became %+v", p.Document().Tracks[0])
	}
	foe := pagetest.Place(p, world.Foe, 3, 9)
	pagetest.Set(p, foe, "track", 1)
	pagetest.Order(p, holding.Select{Thing: page.Thing{Kind: "track", ID: page.ID(tracks[0].ID)}})
	slip = view.StateOf(p).Slip
	if slip == nil || slip.Track == nil || !slices.ContainsFunc(slip.Lines, func(f page.SlipLine) bool { return f.Label == "Used by" && f.Value != "nobody" }) {
		t.Fatalf("the slip of the track says %+v", slip)
	}
	if pagetest.Order(p, holding.DeleteSelected{}); len(p.Document().Tracks) != 0 || len(p.Document().Maps[0].Pieces) != 3 {
		t.Error("deleting a track does not, or takes pieces with it")
	}
	for view.StateOf(p).Undo != "" {
		pagetest.Order(p, history.Undo{})
	}
	if d := p.Document(); len(d.Tracks) != 0 || len(d.Maps[0].Pieces) != 1 {
		t.Errorf("all taken back there are %d tracks and %d pieces", len(d.Tracks), len(d.Maps[0].Pieces))
	}
}

// An area is made of the selected cells, says what acts in it, gets other cells, and is chosen for a
// foe to stay in; it is deleted with its map and comes back with it. What can't be is said.
func TestAreasOfAPage(t *testing.T) {
	p := pagetest.FromTheSide(t)
	m := p.Document().Maps[0]
	pagetest.Order(p, places.MakeArea{})
	if pagetest.Said(p) == "" || len(p.Document().Areas) != 0 {
		t.Error("an area was made of nothing without a word")
	}
	choose := func(r grid.Rect) {
		pagetest.Order(p, holding.Hold{Holding: "choose"})
		pagetest.Order(p, holding.SetShape{Shape: "box"})
		p.Pointer(page.Press, grid.Point{X: r.X*16 + 8, Y: r.Y*16 + 8}, false, false, 0)
		to := grid.Point{X: (r.X+r.W-1)*16 + 8, Y: (r.Y+r.H-1)*16 + 8}
		p.Pointer(page.Drag, to, false, false, 0)
		p.Pointer(page.Release, to, false, false, 0)
	}
	choose(grid.Rect{X: 4, Y: 2, W: 5, H: 3})
	pagetest.Order(p, places.MakeArea{})
	areas := p.Document().Areas
	if len(areas) != 1 || areas[0].Cells.Len() != 15 || areas[0].Map != m.ID || view.StateOf(p).Slip == nil || view.StateOf(p).Slip.Area == nil {
		t.Fatalf("of 15 cells became %+v, and the slip says %+v", areas, view.StateOf(p).Slip)
	}
	change := places.SetArea{Area: page.ID(areas[0].ID), Change: page.PartOf(places.AreaLook{Forces: places.ForcesView{Gravity: 40, WindX: -2.5}, Holds: true, Zoom: 150})}
	pagetest.Order(p, change)
	if a := p.Document().Areas[0]; a.Gravity != 40 || a.WindX != -25 || !a.Holds || a.Zoom != 150 {
		t.Errorf("the area became %+v", a)
	}
	before := p.Document()
	for _, bad := range []places.AreaLook{{Zoom: 7}, {Forces: places.ForcesView{Gravity: -3}}, {Forces: places.ForcesView{WindY: 9000}}} {
		view.StateOf(p)
		change.Change = page.PartOf(bad)
		if pagetest.Order(p, change); p.Document() != before || pagetest.Said(p) == "" {
			t.Errorf("%+v was set without a word", bad)
		}
	}
	choose(grid.Rect{X: 6, Y: 2, W: 2, H: 2})
	if pagetest.Order(p, places.SetAreaCells{Area: change.Area}); p.Document().Areas[0].Cells.Len() != 4 {
		t.Errorf("given 4 cells it has %d", p.Document().Areas[0].Cells.Len())
	}
	foe := pagetest.Place(p, world.Foe, 12, 9)
	pagetest.Set(p, foe, "area", 1)
	if got := p.Document().Maps[0].Piece(foe.ID).Refers(props.Area); got != areas[0].ID {
		t.Errorf("the foe stays in %d", got)
	}
	pagetest.Order(p, maps.CopyMap{Map: page.ID(m.ID)})
	d := p.Document()
	if len(d.Areas) != 2 || d.Areas[1].Map != d.Maps[1].ID || !slices.ContainsFunc(d.Maps[1].Pieces, func(o *world.Piece) bool { return o.Refers(props.Area) == d.Areas[1].ID }) {
		t.Fatalf("copied, the map has %+v", d.Areas)
	}
	pagetest.Order(p, holding.Select{Thing: page.Thing{Kind: "map", ID: page.ID(d.Maps[1].ID)}})
	if pagetest.Order(p, holding.DeleteSelected{}); len(p.Document().Areas) != 1 {
		t.Error("an area stays without its map")
	}
	if pagetest.Order(p, history.Undo{}); len(p.Document().Areas) != 2 {
		t.Error("an area does not come back with its map")
	}
}

// The camera, and that time passes by steps, are set like the values of the movement; a map's forces
// and odds with its look.
func TestCameraOfAPage(t *testing.T) {
	p := pagetest.FromTheSide(t)
	for name, n := range map[string]float64{"camera free-width": 40, "camera free-height": 30, "camera ahead": 2.5, "camera shake": 6, "camera beyond": 1, "turns": 1} {
		pagetest.Order(p, playing.SetMovement{Term: name, Value: n})
	}
	if got, want := p.Document().Project.Camera, (world.Camera{FreeW: 40, FreeH: 30, Ahead: 25, Shake: 6, Beyond: true}); got != want || !p.Document().Project.Turns {
		t.Errorf("the camera is %+v, want %+v", got, want)
	}
	pagetest.Order(p, playing.StartPlay{})
	for n := 0.0; n <= 90; n += 30 {
		pagetest.Order(p, playing.TryMovement{Term: "camera free-width", Value: n})
	}
	if p.Document().Project.Camera.FreeW != 40 || playing.PlayView(p) == nil {
		t.Errorf("while it is dragged the document has %d", p.Document().Project.Camera.FreeW)
	}
	doc := p.Document()
	for _, bad := range []playing.SetMovement{{Term: "camera free-width", Value: 95}, {Term: "camera charm", Value: 1}, {Term: "camera shake", Value: -1}} {
		view.StateOf(p)
		if pagetest.Order(p, bad); p.Document() != doc || pagetest.Said(p) == "" {
			t.Errorf("%+v was set without a word", bad)
		}
	}
	look := view.SceneOf(p).Maps[0].Look
	look.Forces, look.Lottery = places.ForcesView{Gravity: 60, WindX: 1.2}, []int{0, 3, 0, 1, 0}
	pagetest.Order(p, maps.SetMap{Map: page.ID(doc.Maps[0].ID), Change: page.PartOf(look)})
	if m := p.Document().Maps[0]; m.Gravity != 60 || m.WindX != 12 || m.Lottery != (world.Odds{0, 3, 0, 1, 0}) {
		t.Errorf("the map has %+v and %v", m.Forces, m.Lottery)
	}
}

// The usual gravity and zoom, where they were stored as numbers of their own and not left to what counts as usual, stay so
// when something else of the area or the map is set; set by hand, what is usual is left to that again.
func TestWhatIsShownAlikeStaysStored(t *testing.T) {
	p := pagetest.FromTheSide(t)
	m := p.Document().Maps[0]
	area := world.Area{Name: "Draught", Map: m.ID, Cells: grid.BoxRegion(grid.Rect{X: 2, Y: 2, W: 3, H: 3}), Forces: world.Forces{Gravity: 100}, Zoom: 100}
	ref := world.Ref{Sort: world.SortArea, ID: 7<<32 | 5}
	p.Do(edit.Edit{Parts: []edit.Part{edit.Put{Ref: ref, Values: area.Values()}}})
	set := func(change string) *world.Area {
		t.Helper()
		p.Order(1, []byte(`{"do":"setArea","with":{"area":"`+page.FormatID(ref.ID)+`","change":`+change+`}}`), nil)
		if says := pagetest.Said(p); says != "" {
			t.Fatalf("%s: %s", change, says)
		}
		return p.Document().Area(ref.ID)
	}
	if a := set(`{"holds":true,"forces":{"windX":1.5}}`); a.Forces != (world.Forces{Gravity: 100, WindX: 15}) || a.Zoom != 100 || !a.Holds {
		t.Errorf("with wind it has %+v and a zoom of %d", a.Forces, a.Zoom)
	}
	set(`{"zoom":150,"forces":{"gravity":50}}`)
	if a := set(`{"zoom":100,"forces":{"gravity":100}}`); a.Forces.Gravity != 0 || a.Zoom != 0 {
		t.Errorf("set back to what is usual it has %+v and a zoom of %d", a.Forces, a.Zoom)
	}
}
