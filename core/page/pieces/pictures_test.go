package pieces_test

import (
	"strings"
	"testing"

	"azzel/core/appearance"
	"azzel/core/grid"
	"azzel/core/kind"
	"azzel/core/kinds/door"
	"azzel/core/page"
	"azzel/core/page/history"
	"azzel/core/page/holding"
	"azzel/core/page/kit"
	"azzel/core/page/pagetest"
	"azzel/core/page/pieces"
	"azzel/core/page/playing"
	"azzel/core/page/view"
	"azzel/core/play"
	"azzel/core/tiles"
	"azzel/core/world"
)

// A piece is seen as what was in the hand, for each of its states, on the board and in play; its type can say so too, which the piece follows until it says otherwise, also that it is
// as it comes. Each step is one undo.
func TestPicturesOfAPage(t *testing.T) {
	p := pagetest.Open(t, 5)
	m := p.Document().Maps[0]
	is := pagetest.Place(p, door.Kind.ID, 5, 3)
	of := pieces.Pictured{Map: page.ID(m.ID), Piece: page.ID(is.ID)}
	named := func(name string) pieces.Pictured {
		of := of
		of.Picture = name
		return of
	}
	piece := func() *world.Piece { _, is := p.Document().Piece(is.ID); return is }
	seen := func() *pieces.SeenView {
		for _, v := range view.SceneOf(p).Pieces {
			if v.ID == page.FormatID(is.ID) {
				return v.Seen
			}
		}
		return nil
	}
	first := func(seen *pieces.SeenView) int {
		if seen == nil {
			return 0
		}
		return p.AppearanceList[seen.Picture].Frames[0][0].Tile()
	}
	before := p.Document()
	pagetest.Order(p, pieces.SetPicture{Pictured: named("picture-closed"), Shows: "hand"})
	if said := pagetest.Said(p); !strings.Contains(said, "into the hand first") || p.Document() != before {
		t.Fatalf("of an empty hand: %q", said)
	}
	hold := func(of tiles.Role) { pagetest.Order(p, holding.Hold{Holding: "tile", Tile: int(of)}) }
	hold(tiles.Wall)
	pagetest.Order(p, holding.Cancel{})
	pagetest.Order(p, pieces.SetPicture{Pictured: named("picture-closed"), Shows: "hand"})
	if first(seen()) != int(tiles.Wall) {
		t.Fatalf("what was in the hand before is seen as %+v: %s", seen(), pagetest.Said(p))
	}
	hold(tiles.Ground)
	pagetest.Order(p, pieces.SetPicture{Pictured: named("picture-open"), Shows: "hand"})
	pagetest.Order(p, pieces.AddPictureFrame{Pictured: named("picture-open")})
	pagetest.Order(p, pieces.SetPictureLook{Pictured: named("picture-open"), Seconds: 0.5, FootX: 3, FootY: -2})
	open := appearance.Of(piece().Props, kind.PictureOf(kind.StateNamed("open").Number, kind.AnySide))
	if len(open.Frames) != 2 || open.Ticks != 30 || open.Foot != (grid.Point{X: 3, Y: -2}) {
		t.Fatalf("the open door is seen as %+v: %s", open, pagetest.Said(p))
	}
	// In play: closed, then opened by walking against it, and its second frame half a second later.
	pagetest.Order(p, playing.StartPlay{Here: true, X: 3*16 + 8, Y: 3*16 + 8})
	inPlay := func() *pieces.SeenView {
		for _, v := range playing.PlayView(p).Things {
			if v.ID == page.FormatID(is.ID) {
				return v.Seen
			}
		}
		return nil
	}
	if now := inPlay(); first(now) != int(tiles.Wall) {
		t.Fatalf("in play it is seen as %+v", now)
	}
	for range 40 {
		playing.Tick(p, play.Right)
	}
	frames := map[int]bool{}
	for range 70 {
		playing.Tick(p, 0)
		if now := inPlay(); first(now) != int(tiles.Ground) {
			t.Fatalf("opened it is seen as %+v", now)
		} else {
			frames[now.Frame] = true
		}
	}
	if len(frames) != 2 {
		t.Errorf("of its two frames are seen %v", frames)
	}
	pagetest.Order(p, playing.StopPlay{})
	// A type made out of it says it for all; one of them says otherwise, then that it is as it comes, then as its type again.
	pagetest.Order(p, kit.MakeType{Map: of.Map, Piece: of.Piece})
	own := p.Document().Types[0]
	if len(own.Usual.Get(kind.PictureOf(kind.StateNamed("closed").Number, kind.AnySide).Field)) == 0 || first(seen()) != int(tiles.Wall) {
		t.Fatalf("the type made out of it: %+v, seen as %+v", own.Usual, seen())
	}
	pagetest.Order(p, pieces.SetPicture{Pictured: named("picture-closed"), Shows: "as-it-comes"})
	if is, _, _ := piece().Seen(kind.StateNamed("closed").Number, false, 0); len(is) > 0 {
		t.Errorf("as it comes it is seen as %+v", is)
	}
	pagetest.Order(p, history.Undo{})
	hold(tiles.Ground)
	pagetest.Order(p, pieces.SetPicture{Pictured: named("picture-closed"), Shows: "hand"})
	if first(seen()) != int(tiles.Ground) {
		t.Errorf("it says otherwise than its type, and is seen as %+v", seen())
	}
	pagetest.Order(p, pieces.SetPicture{Pictured: named("picture-closed"), Shows: "as-its-type"})
	pagetest.Order(p, pieces.SetPicture{Pictured: pieces.Pictured{Type: page.ID(own.ID), Picture: "picture-closed"}, Shows: "hand"})
	if first(seen()) != int(tiles.Ground) {
		t.Errorf("its type says otherwise, and it is seen as %+v", seen())
	}
	// Taken away, its closed state has none of its own, which is said to be missing.
	pagetest.Order(p, pieces.SetPicture{Pictured: pieces.Pictured{Type: page.ID(own.ID), Picture: "picture-closed"}, Shows: "as-it-comes"})
	if now := seen(); now == nil || now.Picture != -1 {
		t.Errorf("without a picture of its state it is seen as %+v", now)
	}
	pagetest.Order(p, pieces.SetPicture{Pictured: named("speed"), Shows: "hand"})
	if said := pagetest.Said(p); !strings.Contains(said, "has no picture") {
		t.Errorf("of what is no picture: %q", said)
	}
	for range 9 {
		pagetest.Order(p, history.Undo{})
	}
	if piece() == nil || seen() != nil {
		t.Errorf("all taken back, it is seen as %+v", seen())
	}
}
