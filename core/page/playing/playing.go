// Package playing is the room of the game under way: how it is begun, goes on and is shown, and how the player moves.
package playing

import (
	"slices"

	"azzel/core/hand"
	"azzel/core/page"
	"azzel/core/play"
	"azzel/core/world"
)

// StartPlay begins to play: at a pixel of the board if Here is set, else at the spawn.
type StartPlay struct {
	Here bool `json:"here,omitempty"`
	X    int  `json:"x,omitempty"`
	Y    int  `json:"y,omitempty"`
}

// Do implements Order.
func (o StartPlay) Do(p *page.Page) page.Changed {
	p.Plays++
	start := play.Start{Chance: p.Chance | p.Plays}
	if o.Here {
		if s := hand.At(p.Doc(), page.At(o.X, o.Y)); s.Map != nil {
			start.Map, start.Cell = s.Map.ID, s.Cell
		} else {
			p.Say("There is no map under the pointer, so play begins at the spawn.")
		}
	}
	game, err := play.New(p.Doc(), start)
	if err != nil {
		return p.Fail(err)
	}
	Record(p, game)
	return page.PlayChanged | page.StateChanged | page.PointerChanged
}

// StartPlayAt begins to play at a piece.
type StartPlayAt struct {
	Piece page.ID `json:"piece"`
}

// Do implements Order.
func (o StartPlayAt) Do(p *page.Page) page.Changed {
	m, piece := p.Doc().Piece(world.ID(o.Piece))
	if piece == nil {
		return p.Fail(world.ErrGone)
	}
	l := p.Doc().Project.Lattice()
	at := l.Foot(l.CellAt(piece.Foot).Add(m.Origin))
	return StartPlay{Here: !piece.Kind().Begins, X: at.X, Y: at.Y}.Do(p)
}

// StartPlayAs begins to play by a named start, without one by that by which play began last, or the first.
type StartPlayAs struct {
	Start page.ID `json:"start,omitempty"`
}

// Do implements Order.
func (o StartPlayAs) Do(p *page.Page) page.Changed {
	d := p.Doc()
	s := d.NamedStart(world.ID(o.Start))
	if o.Start == 0 {
		if s = d.NamedStart(p.StartedAs); s == nil && len(d.Starts) > 0 {
			s = d.Starts[0]
		}
	}
	switch {
	case s == nil && o.Start != 0:
		return p.Fail(world.ErrGone)
	case s == nil:
		return p.Refuse("There is no named start yet. Make one in the list of starts, or while you play.")
	}
	p.Plays++
	game, err := play.New(d, play.Start{As: s.ID, Chance: p.Chance | p.Plays})
	if err != nil {
		return p.Fail(err)
	}
	p.StartedAs = s.ID
	Record(p, game)
	return page.PlayChanged | page.StateChanged | page.PointerChanged
}

// StopPlay ends the game.
type StopPlay struct{}

// Do implements Order.
func (StopPlay) Do(p *page.Page) page.Changed {
	p.Played = nil
	return page.PlayChanged | page.StateChanged
}

// BringPlayer sets the player down on a mark.
type BringPlayer struct {
	Mark page.ID `json:"mark"`
}

// Do implements Order.
func (o BringPlayer) Do(p *page.Page) page.Changed {
	if p.Played == nil {
		return p.Refuse("Nothing is being played. Start at the mark by the button of its slip.")
	}
	if err := p.Played.Bring(world.ID(o.Mark)); err != nil {
		return p.Fail(err)
	}
	p.Moving, p.Sent, p.Hands = false, nil, nil
	p.Collect()
	return page.PlayChanged | page.TakenChanged
}

// Record takes a game that has just begun as the one under way.
func Record(p *page.Page, game *play.Game) {
	p.Hand.Cancel()
	p.Hand.Selected = hand.Selection{}
	p.Played, p.Events, p.Sent, p.Hands, p.Helps, p.Presses, p.Trying = play.Record(game), nil, nil, nil, 0, nil, false
	p.Collect()
}

// Tick lets a tick of the game pass.
func Tick(p *page.Page, in play.Input) page.Changed {
	if p.Played == nil {
		return 0
	}
	before := p.Played.Game().Status()
	if in != 0 && !p.Played.Game().Reads() {
		p.Sent, p.Hands = nil, nil
	}
	switch {
	case p.Hands != nil:
		in = handsOn(p)
	case p.Sent != nil && !p.Played.Game().Reads():
		in = walkOn(p)
	}
	if len(p.Presses) > 0 {
		in |= p.Presses[0]
		p.Presses = p.Presses[1:]
	}
	holds := atHolds(p)
	p.Played.Tick(in | p.Helps)
	after := p.Played.Game().Status()
	p.Moving = before.Place != after.Place
	p.Collect()
	changed := page.PlayChanged | p.Reseen()
	if holds.times != nil {
		changed |= heldSince(p, holds)
	}
	if before.Taken != after.Taken {
		changed |= page.TakenChanged
	}
	return changed
}

// SendPlayer lets the player walk to a pixel of the board.
type SendPlayer struct {
	X int `json:"x"`
	Y int `json:"y"`
}

// Do implements Order.
func (o SendPlayer) Do(p *page.Page) page.Changed {
	if p.Played == nil {
		return 0
	}
	if p.Sent, p.Hands = nil, nil; turnPage(p, page.At(o.X, o.Y)) {
		return page.PlayChanged
	}
	s := hand.At(p.Doc(), page.At(o.X, o.Y))
	if s.Map == nil {
		return page.PlayChanged
	}
	w, err := p.Played.Game().WalkTo(s.Map.ID, s.Cell)
	if err != nil {
		return p.Fail(err)
	}
	p.Sent = w
	return page.PlayChanged
}

// walkOn is what the walk under way holds down in the next tick.
func walkOn(p *page.Page) play.Input {
	in, more, err := p.Sent.Next(p.Played.Game())
	if err != nil {
		p.Events = append(p.Events, page.Sentence(err))
	}
	if !more {
		p.Sent = nil
	}
	return in
}

// ShowTick shows another tick of the game, or the nearest that is recorded. The game goes on from there.
type ShowTick struct {
	Tick int `json:"tick"`
}

// Do implements Order.
func (o ShowTick) Do(p *page.Page) page.Changed {
	if p.Played == nil {
		return 0
	}
	if err := p.Played.Go(min(max(o.Tick, p.Played.First()), p.Played.Last())); err != nil {
		// There is nowhere left to stand.
		p.Played = nil
		return p.Fail(err) | page.PlayChanged | page.StateChanged
	}
	p.Moving, p.Sent, p.Hands = false, nil, nil
	p.Collect()
	return page.PlayChanged | page.TakenChanged
}

// SetTestAid turns one of the aids for testing on or off, by its name.
type SetTestAid struct {
	Aid string `json:"aid"`
	On  bool   `json:"on"`
}

// Do implements Order.
func (o SetTestAid) Do(p *page.Page) page.Changed {
	n := slices.Index(helpNames, o.Aid)
	if n < 0 {
		return p.Fail(page.ErrUnknown)
	}
	if p.Helps &^= helpInputs[n]; o.On {
		p.Helps |= helpInputs[n]
	}
	return page.PlayChanged
}

// helpNames are what there is for who tests, in their order.
var helpNames = []string{"safe from harm", "unseen by foes", "able to go through walls", "laden with all items"}

var helpInputs = [...]play.Input{play.Unhurt, play.Unseen, play.Through, play.Laden}

// helpsOn says which helps are on, in their order.
func helpsOn(p *page.Page) []bool {
	on := make([]bool, len(helpInputs))
	for i, in := range helpInputs {
		on[i] = p.Helps&in != 0
	}
	return on
}

// handsOn is what the replay that is watched holds down in the next tick.
func handsOn(p *page.Page) play.Input {
	in, more := p.Hands.Next()
	if !more {
		p.Hands = nil
		p.Events = append(p.Events, "The replay is over: you play on from here.")
	}
	return in
}
