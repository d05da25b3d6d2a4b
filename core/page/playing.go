package page

import (
	"slices"

	"azzel/core/hand"
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
func (o StartPlay) Do(p *Page) Changed {
	p.plays++
	start := play.Start{Chance: p.chance | p.plays}
	if o.Here {
		if s := hand.At(p.doc(), at(o.X, o.Y)); s.Map != nil {
			start.Map, start.Cell = s.Map.ID, s.Cell
		} else {
			p.say("There is no map under the pointer, so play begins at the spawn.")
		}
	}
	game, err := play.New(p.doc(), start)
	if err != nil {
		return p.Fail(err)
	}
	p.record(game)
	return PlayChanged | StateChanged | PointerChanged
}

// StartPlayAt begins to play at a piece.
type StartPlayAt struct {
	Piece ID `json:"piece"`
}

// Do implements Order.
func (o StartPlayAt) Do(p *Page) Changed {
	m, piece := p.doc().Piece(world.ID(o.Piece))
	if piece == nil {
		return p.Fail(world.ErrGone)
	}
	l := p.doc().Project.Lattice()
	at := l.Foot(l.CellAt(piece.Foot).Add(m.Origin))
	return StartPlay{Here: !piece.Kind().Begins, X: at.X, Y: at.Y}.Do(p)
}

// StopPlay ends the game.
type StopPlay struct{}

// Do implements Order.
func (StopPlay) Do(p *Page) Changed {
	p.played = nil
	return PlayChanged | StateChanged
}

// BringPlayer sets the player down on a mark.
type BringPlayer struct {
	Mark ID `json:"mark"`
}

// Do implements Order.
func (o BringPlayer) Do(p *Page) Changed {
	if p.played == nil {
		return p.refuse("Nothing is being played. Begin at the mark by its slip.")
	}
	if err := p.played.Bring(world.ID(o.Mark)); err != nil {
		return p.Fail(err)
	}
	p.moving, p.sent, p.hands = false, nil, nil
	p.collect()
	return PlayChanged | TakenChanged
}

// record takes a game that has just begun as the one under way.
func (p *Page) record(game *play.Game) {
	p.hand.Cancel()
	p.hand.Selected = hand.Selection{}
	p.played, p.events, p.sent, p.hands, p.helps, p.trying = play.Record(game), nil, nil, nil, 0, false
	p.collect()
}

// Tick lets a tick of the game pass.
func (p *Page) Tick(in play.Input) Changed {
	if p.played == nil {
		return 0
	}
	before := p.played.Game().Status()
	if in != 0 {
		p.sent, p.hands = nil, nil
	}
	switch {
	case p.hands != nil:
		in = p.handsOn()
	case p.sent != nil:
		in = p.walkOn()
	}
	p.played.Tick(in | p.helps)
	after := p.played.Game().Status()
	p.moving = before.Place != after.Place
	p.collect()
	if before.Taken != after.Taken {
		return PlayChanged | TakenChanged
	}
	return PlayChanged
}

// SendPlayer lets the player walk to a pixel of the board.
type SendPlayer struct {
	X int `json:"x"`
	Y int `json:"y"`
}

// Do implements Order.
func (o SendPlayer) Do(p *Page) Changed {
	if p.played == nil {
		return 0
	}
	p.sent, p.hands = nil, nil
	s := hand.At(p.doc(), at(o.X, o.Y))
	if s.Map == nil {
		return PlayChanged
	}
	w, err := p.played.Game().WalkTo(s.Map.ID, s.Cell)
	if err != nil {
		return p.Fail(err)
	}
	p.sent = w
	return PlayChanged
}

// walkOn is what the walk under way holds down in the next tick.
func (p *Page) walkOn() play.Input {
	in, more, err := p.sent.Next(p.played.Game())
	if err != nil {
		p.events = append(p.events, sentence(err))
	}
	if !more {
		p.sent = nil
	}
	return in
}

// ShowTick shows another tick of the game, or the nearest that is recorded. The game goes on from there.
type ShowTick struct {
	Tick int `json:"tick"`
}

// Do implements Order.
func (o ShowTick) Do(p *Page) Changed {
	if p.played == nil {
		return 0
	}
	if err := p.played.Go(min(max(o.Tick, p.played.First()), p.played.Last())); err != nil {
		// There is nowhere left to stand.
		p.played = nil
		return p.Fail(err) | PlayChanged | StateChanged
	}
	p.moving, p.sent, p.hands = false, nil, nil
	p.collect()
	return PlayChanged | TakenChanged
}

func (p *Page) collect() {
	for _, e := range p.played.Game().Events() {
		if text := eventText(p.doc(), e); text != "" {
			p.events = append(p.events, text)
		}
	}
}

// SetTestAid turns one of the aids for testing on or off, by its name.
type SetTestAid struct {
	Aid string `json:"aid"`
	On  bool   `json:"on"`
}

// Do implements Order.
func (o SetTestAid) Do(p *Page) Changed {
	n := slices.Index(helpNames, o.Aid)
	if n < 0 {
		return p.Fail(errUnknown)
	}
	if p.helps &^= helpInputs[n]; o.On {
		p.helps |= helpInputs[n]
	}
	return PlayChanged
}

// helpNames are what there is for who tests, in their order.
var helpNames = []string{"safe from harm", "unseen by foes", "able to go through walls", "laden with all items"}

var helpInputs = [...]play.Input{play.Unhurt, play.Unseen, play.Through, play.Laden}

// helpsOn says which helps are on, in their order.
func (p *Page) helpsOn() []bool {
	on := make([]bool, len(helpInputs))
	for i, in := range helpInputs {
		on[i] = p.helps&in != 0
	}
	return on
}
