package play_test

import (
	"errors"
	"math/rand/v2"
	"testing"

	"azzel/core/body"
	"azzel/core/edit"
	"azzel/core/grid"
	"azzel/core/play"
	"azzel/core/play/generate"
	"azzel/core/world"
)

// walked lets a walk go on until it ends. Between ticks the document may be changed.
func walked(t *testing.T, g *play.Game, w *play.Walk, change func() bool) (ticks int, err error) {
	t.Helper()
	for ticks = range 60_000 {
		if !change() {
			return ticks, nil
		}
		in, more, err := w.Next(g)
		if err != nil || !more {
			return ticks, err
		}
		g.Tick(in)
	}
	t.Fatal("a walk never ends")
	return 0, nil
}

// Over random worlds whoever is sent to a cell comes there, over crossings too, and only
// where a flood of the map says that one can't is it said that there is no way.
func TestSentSomewhere(t *testing.T) {
	came, none, far := 0, 0, 0
	for seed := range uint64(60) {
		r := rand.New(rand.NewPCG(seed, 81))
		d, err := generate.FromAbove(seed)
		if err != nil {
			t.Fatal(err)
		}
		size := body.PlayerSize(d.Project.Lattice())
		for range 8 {
			from, to := d.Maps[r.IntN(2)], d.Maps[r.IntN(2)]
			begin, ok := body.NewGround(d, from).Nearest(size, generate.Cell(r, from), 3)
			if !ok {
				continue
			}
			g, err := play.New(d, play.Start{Map: from.ID, Cell: begin})
			if err != nil {
				t.Fatal(err)
			}
			cell := generate.Cell(r, to)
			w, err := g.WalkTo(to.ID, cell)
			if err != nil {
				none++
				ground := body.NewGround(d, to)
				search := body.Search{Size: size, Avoid: func(c grid.Point) bool { return ground.Doorway(c) || exit(d, to, c) }, Left: body.PathCells}
				_, _, found := search.Path(ground, begin, cell)
				if from == to && errors.Is(err, play.ErrNoWay) && found {
					t.Fatalf("world %d: no way from %v to %v, but there is one", seed, begin, cell)
				}
				continue
			}
			if from != to {
				far++
			}
			ticks, err := walked(t, g, w, func() bool { return true })
			s := g.Status()
			// A doorway is gone through as soon as it is come to.
			if at := s.Place.Cell(d.Project.Lattice()); err != nil || !g.Fits() || !s.Finished && (s.Map != to.ID || at != cell) && !body.NewGround(d, to).Doorway(cell) {
				t.Fatalf("world %d: sent from %v of %s to %v of %s one came to %v of map %d after %d ticks: %v", seed, begin, from.Name, cell, to.Name, at, s.Map, ticks, err)
			}
			came++
		}
	}
	if came < 100 || none < 30 || far < 20 {
		t.Errorf("%d walks came to their end, %d over crossings, %d had no way: this test shows little", came, far, none)
	}
}

// Whatever is changed while one walks, the walk comes to an end, and nobody into a wall.
func TestSentWhileEditing(t *testing.T) {
	edits := 0
	for seed := range uint64(40) {
		r := rand.New(rand.NewPCG(seed, 82))
		d, err := generate.FromAbove(seed)
		if err != nil {
			t.Fatal(err)
		}
		for range 6 {
			g, err := play.New(d, play.Start{})
			if err != nil {
				break
			}
			to := d.Maps[r.IntN(len(d.Maps))]
			w, err := g.WalkTo(to.ID, generate.Cell(r, to))
			if err != nil {
				continue
			}
			_, _ = walked(t, g, w, func() bool {
				if !g.Fits() {
					t.Fatalf("world %d: one walked into what is solid", seed)
				}
				if r.IntN(25) > 0 {
					return true
				}
				res, err := edit.Apply(d, randomEdit(r, d, g))
				if err != nil {
					return true
				}
				edits++
				d = res.Document
				return g.SetDocument(d) == nil
			})
		}
	}
	if edits < 100 {
		t.Errorf("only %d edits were made", edits)
	}
}

func exit(d *world.Document, m *world.Map, c grid.Point) bool {
	for _, p := range m.Pieces {
		if p.Type == world.Exit && d.Project.Lattice().CellAt(p.Foot) == c {
			return true
		}
	}
	return false
}
