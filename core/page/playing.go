package page

import (
	"azzel/core/grid"
	"azzel/core/hand"
	"azzel/core/play"
)

func (p *Page) play(o Order) Changed {
	start := play.Start{}
	if o.Yes {
		if s := hand.At(p.doc(), grid.Point{X: o.X, Y: o.Y}); s.Map != nil {
			start = play.Start{Map: s.Map.ID, Cell: s.Cell}
		} else {
			p.say("There is no map under the pointer, so play begins at the spawn.")
		}
	}
	game, err := play.New(p.doc(), start)
	if err != nil {
		return p.Fail(err)
	}
	p.hand.Cancel()
	p.hand.Selected = hand.Selection{}
	p.game, p.events = game, nil
	p.collect()
	return PlayChanged | StateChanged | SceneChanged | CellsChanged | PointerChanged
}

// Tick lets a tick of the game pass.
func (p *Page) Tick(in play.Input) Changed {
	if p.game == nil {
		return 0
	}
	before := p.game.Status()
	p.game.Tick(in)
	after := p.game.Status()
	p.moving = before.Place != after.Place
	p.collect()
	if before.Taken != after.Taken {
		return PlayChanged | TakenChanged
	}
	return PlayChanged
}

func (p *Page) collect() {
	for _, e := range p.game.Events() {
		p.events = append(p.events, string(e))
	}
}
