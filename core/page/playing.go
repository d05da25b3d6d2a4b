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
	p.played, p.events = play.Record(game), nil
	p.collect()
	return PlayChanged | StateChanged | SceneChanged | CellsChanged | PointerChanged
}

// Tick lets a tick of the game pass.
func (p *Page) Tick(in play.Input) Changed {
	if p.played == nil {
		return 0
	}
	before := p.played.Game().Status()
	p.played.Tick(in)
	after := p.played.Game().Status()
	p.moving = before.Place != after.Place
	p.collect()
	if before.Taken != after.Taken {
		return PlayChanged | TakenChanged
	}
	return PlayChanged
}

// showTick shows another tick of the game, which goes on from there.
func (p *Page) showTick(tick int) Changed {
	if p.played == nil {
		return 0
	}
	if err := p.played.Go(tick); err != nil {
		return p.Fail(err)
	}
	p.moving = false
	p.collect()
	return PlayChanged | TakenChanged
}

func (p *Page) collect() {
	for _, e := range p.played.Game().Events() {
		p.events = append(p.events, string(e))
	}
}
