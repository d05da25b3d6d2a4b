package demo

import (
	"errors"
	"fmt"
	"slices"

	"azzel/core/body"
	"azzel/core/grid"
	"azzel/core/kinds/props"
	"azzel/core/play"
	"azzel/core/world"
	"azzel/demo/art"
)

// A player plays a level by what is to be seen of it, as a hand would. After an error nothing more
// is done.
type player struct {
	r   *play.Recording
	m   *world.Map
	err error
	// with is held down while walking to somewhere.
	with play.Input
}

// cell is how many positions there are to a cell.
const cell = art.Side * body.Unit

// longestWait is for how many ticks something is waited for.
const longestWait = 20 * play.TicksPerSecond

// playFrom begins at a checkpoint of a map.
func playFrom(d *world.Document, name string) *player {
	for _, m := range d.Maps {
		for _, p := range m.Pieces {
			if m.Name != name || p.Type != world.Checkpoint {
				continue
			}
			g, err := play.New(d, play.Start{Map: m.ID, Cell: d.Project.Lattice().CellAt(p.Foot)})
			if err != nil {
				return &player{err: err}
			}
			return &player{r: play.Record(g), m: m}
		}
	}
	return &player{err: fmt.Errorf("there is no checkpoint on %s to begin at", name)}
}

// until holds something down until something is so.
func (p *player) until(what string, in play.Input, done func() bool) {
	if p.err != nil {
		return
	}
	for range longestWait {
		if done() {
			return
		}
		p.r.Tick(in)
	}
	at := p.r.Game().Status().Place
	p.err = fmt.Errorf("waiting for %s: one is at %.1f, %.1f", what, float64(at.X)/cell, float64(at.Y)/cell)
}

// ticks holds something down for some ticks.
func (p *player) ticks(n int, in play.Input) {
	if p.err != nil {
		return
	}
	for range n {
		p.r.Tick(in)
	}
}

// to walks by a click to a cell of the map.
func (p *player) to(x, y int) {
	if p.err == nil {
		if p.err = walkTo(p.r, p.r.Game().Status().Map, grid.Point{X: x, Y: y}, p.with); p.err != nil {
			p.err = fmt.Errorf("to cell %d, %d: %w", x, y, p.err)
		}
	}
}

// right and left hold until the player is beyond a place, in cells.
func (p *player) right(to float64, with play.Input) {
	p.until(fmt.Sprintf("%.1f to the right", to), play.Right|with, func() bool { return p.x() >= to })
}

func (p *player) left(to float64, with play.Input) {
	p.until(fmt.Sprintf("%.1f to the left", to), play.Left|with, func() bool { return p.x() <= to })
}

func (p *player) x() float64 { return float64(p.r.Game().Status().Place.X) / cell }
func (p *player) y() float64 { return float64(p.r.Game().Status().Place.Y) / cell }

func (p *player) grounded() bool { return p.r.Game().Status().Doing == body.Grounded }

// called is what became of the piece of a name.
func (p *player) called(name string) (found play.Thing) {
	for _, piece := range p.m.Pieces {
		if piece.Name == name {
			p.r.Game().Things(func(t play.Thing, _ int, _ body.Size) {
				if t.ID == piece.ID {
					found = t
				}
			})
		}
	}
	return found
}

// took reports whether the piece of a name was taken.
func (p *player) took(name string) bool {
	return slices.ContainsFunc(p.m.Pieces, func(piece *world.Piece) bool { return piece.Name == name && p.r.Game().Taken(piece.ID) })
}

// kept is what was played, if it was finished.
func (p *player) kept(name string) (*world.Replay, error) {
	if p.err == nil && !p.r.Game().Status().Finished {
		p.err = fmt.Errorf("the level is not finished: one is at %.1f, %.1f", p.x(), p.y())
	}
	if p.err != nil {
		return nil, p.err
	}
	return p.r.Kept(name)
}

// playShaft goes down the ladder, to the label in the cellar and back, over the pit with the lift, past
// the slug, up by the spring and the warm draught.
func playShaft(d *world.Document) (*world.Replay, error) {
	p := playFrom(d, "Pipe shaft")
	if p.err != nil {
		return nil, p.err
	}
	p.look()
	p.right(7.3, 0)
	p.until("the foot of the ladder", play.Down, func() bool { return p.grounded() && p.y() >= 14 })
	p.cellar()
	p.overPit()
	p.past()
	p.until("landing before the spring", 0, p.grounded)
	p.until("beyond the spring", play.Right|play.Jump, func() bool { return p.x() > 37.2 })
	p.until("the label by the spring", play.Right, func() bool { return p.r.Game().Status().Taken == 2 })
	p.look()
	p.backOverPit()
	p.gantries()
	p.past()
	p.until("landing", 0, p.grounded)
	in := play.Right
	if p.x() > 35.5 {
		in = play.Left
	}
	p.until("the spring", in, func() bool { return play.Happened(p.r.Game().Events(), props.Threw) })
	p.until("the top of the draught", play.Right, func() bool { return p.y() < 2.6 })
	p.until("the upper gantry", play.Left, func() bool { return p.grounded() && p.y() <= 3 })
	p.underTheRoof()
	return p.kept("Through the pipe shaft")
}

// look is a moment to look at something.
func (p *player) look() { p.ticks(play.TicksPerSecond, 0) }

// lift waits until the lift goes towards a side and is beyond a place, in cells.
func (p *player) lift(beyond float64, way int) { p.wait("Maintenance lift", beyond, way) }

func (p *player) wait(platform string, beyond float64, way int) {
	was := p.called(platform).Place.X
	p.until(platform, 0, func() bool {
		now := p.called(platform).Place.X
		goes := (now - was) * way
		was = now
		return goes >= 0 && now*way > int(beyond*cell)*way && p.grounded()
	})
}

// overPit rides over the pit with the lift.
func (p *player) overPit() {
	p.until("the pit", play.Right, func() bool { return p.x() > 19.6 })
	p.lift(23.5, -1)
	p.until("the lift", play.Right|play.Jump, func() bool { return p.x() > 22 })
	p.until("standing on the lift", 0, func() bool { return p.grounded() && p.y() == 14 })
	p.lift(25.8, 1)
	p.right(28.6, play.Jump)
	p.until("standing beyond the pit", play.Right, func() bool { return p.grounded() && p.x() > 28.2 })
	p.look()
}

// backOverPit goes back the same way.
func (p *player) backOverPit() {
	p.until("the pit from the right", play.Left|play.Jump, func() bool { return p.x() < 34 })
	p.until("the pit from the right", play.Left, func() bool { return p.x() < 28 })
	p.lift(24.8, 1)
	p.until("the lift from the right", play.Left|play.Jump, func() bool { return p.x() < 26.3 })
	p.until("standing on the lift again", 0, func() bool { return p.grounded() && p.y() == 14 })
	p.lift(23.2, -1)
	p.left(19.8, play.Jump)
	p.until("standing on the left of the pit", play.Left, func() bool { return p.grounded() && p.x() < 19.8 })
}

// gantries climbs from gantry to gantry to the label above the pit, and drops down beyond it.
func (p *player) gantries() {
	p.left(14.6, 0)
	p.ticks(12, 0)
	p.until("the lowest gantry", play.Jump, func() bool { return p.grounded() && p.y() <= 11 })
	for _, step := range []struct{ edge, y float64 }{{16.9, 9}, {20.9, 7}, {25.6, 5}} {
		p.right(step.edge, 0)
		p.until(fmt.Sprintf("the gantry at height %.0f", step.y), play.Right|play.Jump, func() bool { return p.grounded() && p.y() <= step.y })
	}
	p.right(28.4, 0)
	p.ticks(10, 0)
	p.until("the label over the pit", play.Jump, func() bool { return p.r.Game().Status().Taken == 3 })
	p.look()
	p.until("the floor beyond", play.Right, func() bool { return p.grounded() && p.y() >= 14 })
}

// cellar goes down the second ladder, over the thorns into the pool for its label, and back up.
func (p *player) cellar() {
	p.ticks(play.TicksPerSecond/2, 0)
	p.left(3.7, 0)
	p.until("the middle of the ladder", play.Down, func() bool { return p.y() > 16.5 })
	p.right(5.4, play.Jump)
	p.until("the cellar's floor", play.Right, func() bool { return p.grounded() })
	p.right(6.0, 0)
	p.until("the step", play.Right|play.Jump, func() bool { return p.grounded() && p.y() <= 17 })
	p.ticks(5, 0)
	p.until("the rim of the pool", play.Right|play.Jump, func() bool { return p.grounded() && p.y() <= 16 })
	p.right(9.6, 0)
	p.until("the label in the pool", play.Down, func() bool { return p.r.Game().Status().Taken == 1 })
	p.ticks(play.TicksPerSecond, 0)
	p.until("the surface", play.Jump, func() bool { return p.y() < 16.4 })
	p.until("the rim again", play.Left|play.Jump, func() bool { return p.grounded() && p.y() <= 16 && p.x() < 9 })
	p.left(6.9, 0)
	p.until("the floor again", 0, p.grounded)
	p.left(6, 0)
	p.left(4.2, play.Jump)
	p.until("the ladder again", play.Left|play.Up, func() bool { return p.r.Game().Status().Doing == body.OnLadder })
	p.left(3.55, 0)
	p.until("the top of the ladder", play.Up, func() bool { return p.grounded() && p.y() <= 14 })
	p.ticks(play.TicksPerSecond/2, play.Right)
}

// underTheRoof rides on the hoist, strikes the pane to pieces and goes out.
func (p *player) underTheRoof() {
	p.left(33.4, 0)
	p.look()
	p.wait("Hoist", 30.8, 1)
	p.until("the hoist", play.Left|play.Jump, func() bool { return p.x() < 31.9 })
	p.until("standing on the hoist", 0, func() bool { return p.grounded() && p.y() <= 3 })
	p.wait("Hoist", 23.6, -1)
	p.until("the walk under the roof", play.Left|play.Jump, func() bool { return p.grounded() && p.x() < 21.8 && p.y() <= 3 })
	p.left(19.6, 0)
	p.until("a drop to fall", 0, func() bool { return p.r.Game().Status().Ticks%110 == 40 })
	p.left(15.6, 0)
	for p.err == nil && !p.called("Frosted pane").Gone {
		p.ticks(20, play.Left|play.Strike)
		if p.r.Now() > longestRound {
			p.err = errors.New("the pane does not break")
		}
	}
	p.until("the way out", play.Left, func() bool { return p.r.Game().Status().Finished })
}

// past jumps over the slug when it comes near.
func (p *player) past() {
	for p.err == nil && p.x() < 33.5 {
		slug := p.called("Night slug")
		away := float64(slug.Place.X)/cell - p.x()
		in := play.Right
		if !slug.Gone && (away > 0 && away < 1.9 || !p.grounded()) {
			in |= play.Jump
		}
		p.ticks(1, in)
		if p.r.Now() > longestRound {
			p.err = fmt.Errorf("the slug can't be passed: one is at %.1f, %.1f", p.x(), p.y())
		}
	}
}

// shield is the pushable nearest to the right of the player.
func (p *player) shield() (id world.ID) {
	nearest := 1 << 30
	if p.err != nil {
		return 0
	}
	p.r.Game().Things(func(t play.Thing, _ int, _ body.Size) {
		if away := t.Place.X - p.r.Game().Status().Place.X; t.Type == world.Pushable && away > 0 && away < nearest {
			id, nearest = t.ID, away
		}
	})
	return id
}

// place is how far to the right a thing is, in cells.
func (p *player) place(id world.ID) (x float64) {
	p.r.Game().Things(func(t play.Thing, _ int, _ body.Size) {
		if t.ID == id {
			x = float64(t.Place.X) / cell
		}
	})
	return x
}

// playGrotto takes the label behind the glass, then pushes a crate before it to the raft, rides
// over the pool behind it and goes out.
func playGrotto(d *world.Document) (*world.Replay, error) {
	p := playFrom(d, "Fern grotto")
	if p.err != nil {
		return nil, p.err
	}
	game := func() play.Status { return p.r.Game().Status() }
	p.ticks(play.TicksPerSecond, 0)
	p.to(4, 3)
	p.look()
	p.to(7, 14)
	p.until("the crate in the hands", play.Right|play.Use, func() bool { return game().Lifted != 0 })
	p.ticks(play.TicksPerSecond/2, play.Left)
	p.until("the pane to break", play.Left|play.Use, func() bool {
		return play.Happened(p.r.Game().Events(), props.Broken) || p.called("Frosted pane").Gone
	})
	p.look()
	if p.err == nil && game().Lifted != 0 {
		// It was swung at the pane.
		p.ticks(1, play.Down|play.Use)
		p.until("the crate on the ground", 0, func() bool { return game().Lifted == 0 })
	}
	p.to(1, 14)
	p.until("the label behind the pane", 0, func() bool { return p.took("Label of the filmy fern") })
	p.look()
	p.to(9, 9)
	p.look()
	// The crate before it to the pool, over on the raft, and on to the other side.
	shield := p.shield()
	p.until("the edge of the pool", play.Right, func() bool { return p.place(shield) > 17.2 })
	raft := func() float64 { return float64(p.called("Raft of boards").Place.X) / cell }
	p.until("the raft to go", 0, func() bool { return raft() > 21 })
	p.until("the raft to come back", 0, func() bool { return raft() < 19.6 })
	p.until("standing on the raft behind the crate", play.Right, func() bool { return p.x() > 18.9 })
	p.until("the other side of the pool", 0, func() bool { return raft() > 26.4 })
	p.until("the crate on land", play.Right, func() bool { return p.place(shield) > 29.4 })
	p.to(30, 10)
	p.to(31, 7)
	p.to(31, 3)
	p.look()
	p.with = play.Shoot
	p.to(21, 1)
	p.until("the label in the damp room", 0, func() bool { return p.took("Label of the hart's tongue") })
	p.look()
	p.to(31, 3)
	p.with = 0
	p.to(31, 7)
	p.to(30, 14)
	p.look()
	p.until("the way out", play.Left, func() bool { return game().Finished })
	return p.kept("Through the fern grotto")
}
