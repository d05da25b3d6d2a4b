package playing

import (
	"strings"

	"azzel/core/page"
	"azzel/core/play"
)

// ReadingView is what the player reads.
type ReadingView struct {
	// Text is the page that is shown, More says that there is another one after it.
	Text string `json:"text"`
	More bool   `json:"more"`
	// Box is where the box is on the board.
	Box page.BoxView `json:"box"`
}

// readingView is what the player reads while the camera sees a part of the board; nil for nothing. The box is at the lower edge of
// what they see, or at the upper one if the player is below.
func readingView(g *play.Game, frame page.BoxView, foot float64) *ReadingView {
	is, more, reads := g.Page()
	if !reads {
		return nil
	}
	box, p := play.BoxOf(g.Document()), g.Document().Project
	// Nearer or farther, what is seen shows the same box.
	seen := func(n int) int { return n * box.Scale * frame.W / (p.SeenW * p.CellW) }
	w, h, edge := seen(box.W), seen(box.H), seen(box.Edge)
	v := &ReadingView{strings.Join(is.Lines, " "), more, page.BoxView{X: frame.X + (frame.W-w)/2, Y: frame.Y + frame.H - h - edge, W: w, H: h}}
	if foot > float64(v.Box.Y) {
		v.Box.Y = frame.Y + edge
	}
	return v
}

// ReadingPicture asks for the box that the player reads; none if there is none.
type ReadingPicture struct{}

// Answer implements Question.
func (ReadingPicture) Answer(p *page.Page) any {
	if p.Played == nil {
		return page.Picture{}
	}
	g := p.Played.Game()
	is, more, reads := g.Page()
	if !reads {
		return page.Picture{}
	}
	m := play.BoxOf(g.Document()).Draw(is, more)
	return page.Picture{Pixels: m.Pixels, W: m.W, H: m.H}
}

// turnPage lets the key that turns pages be pressed in the next tick, if the player reads, and reports whether they do.
func turnPage(p *page.Page) bool {
	_, _, reads := p.Played.Game().Page()
	if reads {
		p.Presses = play.Use
	}
	return reads
}
