package playing

import (
	"strings"

	"azzel/core/grid"
	"azzel/core/page"
	"azzel/core/play"
)

// ReadingView is what the player reads.
type ReadingView struct {
	// Text is the page that is shown, More says that there is another one after it.
	Text string `json:"text"`
	// Choices are what the player can choose, Chosen which one they are at.
	Choices []string `json:"choices"`
	Chosen  int      `json:"chosen"`
	More    bool     `json:"more"`
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
	w, h, edge := seen(box.W), seen(box.High(is)), seen(box.Edge)
	says := strings.Join(is.Lines, " ")
	v := &ReadingView{says, append([]string{}, is.Choices...), is.Chosen, more, page.BoxView{X: frame.X + (frame.W-w)/2, Y: frame.Y + frame.H - h - edge, W: w, H: h}}
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

// OpenItems lets the key that opens what the player has, or shuts it, be pressed in the next tick.
type OpenItems struct{}

// Do implements Order.
func (OpenItems) Do(p *page.Page) page.Changed {
	if p.Played != nil {
		p.Presses = []play.Input{play.Items}
	}
	return 0
}

// turnPage lets the key that turns pages be pressed in the next tick, if the player reads, and reports whether they do. Where they can choose,
// a click on a choice goes to it and takes it.
func turnPage(p *page.Page, at grid.Point) bool {
	g := p.Played.Game()
	is, _, reads := g.Page()
	switch {
	case !reads:
	case len(is.Choices) == 0:
		p.Presses = []play.Input{play.Use}
	default:
		v := PlayView(p).Reading
		box := play.BoxOf(g.Document())
		if n := box.ChoiceAt(is, (at.Y-v.Box.Y)*box.High(is)/max(1, v.Box.H)); n >= 0 && at.X >= v.Box.X && at.X < v.Box.X+v.Box.W {
			key := play.Down
			if n < is.Chosen {
				key = play.Up
			}
			p.Presses = nil
			for range max(n-is.Chosen, is.Chosen-n) {
				p.Presses = append(p.Presses, key, 0)
			}
			p.Presses = append(p.Presses, play.Use)
		}
	}
	return reads
}
