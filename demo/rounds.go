package demo

import (
	"errors"
	"fmt"

	"azzel/core/edit"
	"azzel/core/grid"
	"azzel/core/kinds/switches"
	"azzel/core/play"
	"azzel/core/world"
)

// longestRound is how long the night round may take.
const longestRound = 180 * play.TicksPerSecond

// keepReplays plays the night round and the two levels, and keeps what was played.
func (b *builder) keepReplays() {
	for _, of := range []struct {
		name string
		play func(*world.Document) (*world.Replay, error)
	}{{"the night round", playRound}, {"a place by the boilers", playBoilers}, {"the pipe shaft", playShaft}, {"the fern grotto", playGrotto}} {
		if b.err != nil {
			return
		}
		kept, err := of.play(b.doc)
		if err != nil {
			b.err = fmt.Errorf("playing %s: %w", of.name, err)
			return
		}
		b.step("keep "+of.name, edit.Put{Ref: world.Ref{Sort: world.SortReplay, ID: b.ids.NewID()}, Values: kept.Values()})
	}
}

// playRound plays the night round once, with clicks on what is to be collected on the maps that
// are seen from above, but for the levels, and then on the exit.
func playRound(d *world.Document) (*world.Replay, error) {
	g, err := play.New(d, play.Start{})
	if err != nil {
		return nil, err
	}
	r := play.Record(g)
	if err := PushCrates(r, d); err != nil {
		return nil, err
	}
	for _, of := range []world.ID{world.Collectible, world.Exit} {
		for _, m := range d.Maps {
			for _, p := range m.Pieces {
				if p.Type != of || m.View != world.TopDown || m.Name == "Fern grotto" {
					continue
				}
				err := walkTo(r, m.ID, d.Project.Lattice().CellAt(p.Foot), 0)
				if of == world.Collectible && errors.Is(err, play.ErrNoWay) {
					// A click leads over crossings, not over edges that open.
					continue
				}
				if err != nil {
					return nil, fmt.Errorf("to %s on %s: %w", p.Name, m.Name, err)
				}
				for range play.TicksPerSecond {
					r.Tick(0) // a moment to look at it
				}
			}
		}
	}
	return r.Kept("Night round")
}

// PushCrates pushes the crates by the cold frame onto their plates.
func PushCrates(r *play.Recording, d *world.Document) error {
	for _, m := range d.Maps {
		for _, p := range m.Pieces {
			if p.Type != switches.Kind.ID || p.Int(switches.By) != switches.ByThing {
				continue
			}
			plate := d.Project.Lattice().CellAt(p.Foot)
			if err := walkTo(r, m.ID, plate.Add(grid.Point{Y: -2}), 0); err != nil {
				return fmt.Errorf("to the crate by %s: %w", p.Name, err)
			}
			for range play.TicksPerSecond {
				r.Tick(play.Down)
			}
			for range play.TicksPerSecond / 2 {
				r.Tick(play.Up)
			}
		}
	}
	return nil
}

// playBoilers reads three name plates, takes the seeds out of their cabinet, and brings them to Ottilie.
func playBoilers(d *world.Document) (*world.Replay, error) {
	g, err := play.New(d, play.Start{})
	if err != nil {
		return nil, err
	}
	p := &player{r: play.Record(g)}
	at := func(name string) (m *world.Map, c grid.Point) {
		for _, m := range d.Maps {
			for _, piece := range m.Pieces {
				if piece.Name == name {
					return m, d.Project.Lattice().CellAt(piece.Foot)
				}
			}
		}
		p.err = fmt.Errorf("there is no %s", name)
		return d.Maps[0], grid.Point{}
	}
	// use comes to what lies beside a cell, and uses it; what is said then is read to its end.
	use := func(name string, beside grid.Point, towards play.Input) {
		m, c := at(name)
		if p.err == nil {
			p.err = walkTo(p.r, m.ID, c.Add(beside), 0)
		}
		p.ticks(20, towards)
		p.ticks(2, play.Use)
		p.until("the end of what "+name+" says", 0, func() bool {
			if p.r.Game().Reads() {
				p.r.Tick(play.Use)
			}
			return !p.r.Game().Reads()
		})
		p.ticks(play.TicksPerSecond, 0)
	}
	for _, name := range []string{"Name plate of the sago palm", "Name plate of the bird's nest", "Name plate of the slipper", "Seed cabinet"} {
		use(name, grid.Point{Y: 1}, play.Up)
	}
	use("Ottilie, who stokes", grid.Point{X: -1}, play.Right)
	p.until("the fire", 0, func() bool {
		if p.r.Game().Reads() {
			p.r.Tick(play.Use)
		}
		return p.r.Game().Status().Finished
	})
	return p.kept("By the boilers")
}

// walkTo plays on until the player stands in a cell, or has finished, with something held down.
func walkTo(r *play.Recording, m world.ID, c grid.Point, with play.Input) error {
	w, err := r.Game().WalkTo(m, c)
	if err != nil {
		return err
	}
	for r.Now() < longestRound {
		if r.Game().Reads() {
			// What is said is read to its end, and of what is asked the first is chosen.
			r.Tick(play.Use)
			r.Tick(0)
			continue
		}
		in, more, err := w.Next(r.Game())
		if err != nil {
			return err
		}
		if !more || r.Game().Status().Finished {
			return nil
		}
		r.Tick(in | with)
	}
	return fmt.Errorf("it takes longer than %s", play.Clock(longestRound))
}
