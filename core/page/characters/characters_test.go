package characters_test

import (
	"testing"

	"azzel/core/grid"
	"azzel/core/page"
	"azzel/core/page/characters"
	"azzel/core/page/pagetest"
	"azzel/core/page/playing"
	"azzel/core/page/things"
	"azzel/core/page/tilework"
	"azzel/core/page/view"
	"azzel/core/tiles"
	"azzel/core/world"
)

// sheetOf is a sheet of frames of 10 × 20 px in rows of three, of which the opaque part is the same
// box in all, and what the server says of it.
func sheetOf(rows int, opaque grid.Rect) (*tiles.Strip, *characters.SheetTaken) {
	s := &tiles.Strip{W: 10, H: 20, Columns: 3, Rows: rows}
	for i := range 3 * rows {
		s.Places = append(s.Places, i)
		pix := make([]byte, s.W*s.H*4)
		for y := opaque.Y; y < opaque.Y+opaque.H; y++ {
			for x := opaque.X; x < opaque.X+opaque.W; x++ {
				pix[(y*s.W+x)*4], pix[(y*s.W+x)*4+3] = byte(i), 255
			}
		}
		s.Pixels = append(s.Pixels, pix...)
	}
	return s, &characters.SheetTaken{Name: "Night porter", Picture: sum("1a"), Strip: sum("2b"), W: s.W, H: s.H, Columns: 3, Rows: rows, Places: s.Places}
}

func sum(part string) (s string) {
	for len(s) < 64 {
		s += part
	}
	return s
}

// A sheet becomes a character who is played, with what its rows show and the body of its pixels; both
// can be set, another one can be played, and what can't be is said.
func TestCharactersOfAPage(t *testing.T) {
	p := pagetest.FromTheSide(t)
	strip, taken := sheetOf(4, grid.Rect{X: 2, Y: 5, W: 5, H: 13})
	pagetest.Order(p, characters.TakeSheet{Sheet: *taken})
	d := p.Document()
	if len(d.Characters) != 1 || d.Project.Player != d.Characters[0].ID || len(d.Characters[0].Poses) != 4 || d.Characters[0].Count != 12 {
		t.Fatalf("of the sheet became %+v", d.Characters)
	}
	id := page.FormatID(d.Characters[0].ID)
	who := page.ID(page.ParseID(id))
	propose := characters.ProposeBody{Character: who}
	view.StateOf(p)
	if pagetest.Order(p, propose); pagetest.Said(p) == "" || p.Document() != d {
		t.Error("without its pictures a body was proposed without a word")
	}
	if len(view.SceneOf(p).Missing) == 0 {
		t.Error("its pictures are not missing")
	}
	if pagetest.Order(p, tilework.AddPictures{Of: who}, strip.Encode()); pagetest.Said(p) != "" {
		t.Fatal("the pictures were refused")
	}
	pagetest.Order(p, propose)
	if c := p.Document().Characters[0]; c.BodyW != 5 || c.BodyH != 13 || c.FootX != -1 || c.FootY != 2 {
		t.Errorf("of its pixels the body became %d × %d, the foot %d, %d", c.BodyW, c.BodyH, c.FootX, c.FootY)
	}
	if pix, w, h := characters.CharacterFrame(p, d.Characters[0].ID, 7); w != 10 || h != 20 || pix[(6*10+3)*4] != 7 {
		t.Errorf("frame 7 is %d × %d", w, h)
	}
	pagetest.Order(p, characters.SetPose{Character: who, Row: 2, Act: int(world.ActJump), Facing: int(world.West), Ticks: 3})
	if pose := p.Document().Characters[0].Poses[2]; pose.Act != world.ActJump || pose.Facing != world.West || pose.Ticks != 3 {
		t.Errorf("the third row shows %+v", pose)
	}
	before := p.Document()
	for _, bad := range []page.Order{characters.SetPose{Character: who, Row: 2, Act: 99, Ticks: 3}, characters.SetPose{Character: who, Row: 2}, characters.SetPose{Character: who, Row: 7, Ticks: 3},
		characters.SetBody{Character: who, Body: characters.Body{W: -1, H: 4}}, characters.SetBody{Character: who, Body: characters.Body{W: 4, H: 4, FootX: 900}}, characters.TakeSheet{Character: who, Sheet: characters.SheetTaken{Columns: 2, Rows: 1, Places: []int{9}}}} {
		view.StateOf(p)
		if pagetest.Order(p, bad); p.Document() != before || pagetest.Said(p) == "" {
			t.Errorf("%+v was done without a word", bad)
		}
	}
	pagetest.Order(p, playing.StartPlay{})
	for range 20 {
		playing.Tick(p, 0)
	}
	if v := playing.PlayView(p); v.Sprite < 0 || v.Body.W != 5 || v.Body.H != 13 || v.Spot.Y != v.Y+2 || v.Spot.X != v.X+1 {
		t.Errorf("in play there is frame %d, a body of %v, drawn at %v", v.Sprite, v.Body, v.Spot)
	}
	pagetest.Order(p, characters.UseAsPlayer{})
	if v := playing.PlayView(p); p.Document().Project.Player != 0 || v == nil || v.Sprite != -1 {
		t.Errorf("the built-in figure is seen by frame %d", v.Sprite)
	}
	pagetest.Order(p, characters.UseAsPlayer{Character: who})
	if p.Document().Project.Player != d.Characters[0].ID {
		t.Error("the character is not played again")
	}
	view.StateOf(p)
	if pagetest.Order(p, things.Delete{Thing: page.Thing{Kind: "character", ID: who}}); pagetest.Said(p) == "" || len(p.Document().Characters) != 1 {
		t.Error("who is played was deleted without a word")
	}
}
