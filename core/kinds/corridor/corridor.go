// Package corridor is a map on which tests of kinds walk: a wall but for one row. Nothing but tests uses it.
package corridor

import (
	"testing"

	"azzel/core/edit"
	"azzel/core/grid"
	"azzel/core/kind"
	"azzel/core/play"
	"azzel/core/tiles"
	"azzel/core/world"
)

// Row is the row in which one walks.
const Row = 2

// A Piece stands in a column of the corridor.
type Piece struct {
	ID     world.ID
	Column int
	Type   world.ID
	Set    kind.Values
}

// New is a project with the corridor, seen from a side, and pieces in it. More is put beside them, as items and characters.
func New(t *testing.T, view world.View, pieces []Piece, more ...edit.Part) *world.Document {
	t.Helper()
	d, err := world.Start(world.Project{Name: "Night shift", CellW: 16, CellH: 16, SeenW: 16, SeenH: 5, View: view}, &world.Counter{Prefix: 2})
	if err != nil {
		t.Fatal(err)
	}
	m := d.Maps[0]
	all := grid.BoxRegion(m.Bounds)
	free := grid.BoxRegion(grid.Rect{X: m.Bounds.X, Y: Row, W: m.Bounds.W, H: 1})
	parts := append([]edit.Part{
		edit.Paint{Map: m.ID, Layer: m.PlayerLayer, Region: all, Cells: grid.Runs{{N: all.Len(), Cell: grid.Cell(tiles.Wall)}}},
		edit.Paint{Map: m.ID, Layer: m.PlayerLayer, Region: free, Cells: grid.Runs{{N: free.Len()}}},
	}, more...)
	for _, p := range pieces {
		stands := world.Piece{Type: p.Type, Layer: m.PlayerLayer, Foot: m.FootOf(d.Project.Lattice(), p.Type, grid.Point{X: p.Column, Y: Row}), Props: p.Set}
		parts = append(parts, edit.Put{Ref: world.Ref{Sort: world.SortPiece, Map: m.ID, ID: p.ID}, Values: stands.Values()})
	}
	res, err := edit.Apply(d, edit.Edit{Parts: parts})
	if err != nil {
		t.Fatal(err)
	}
	return res.Document
}

// EitherWay runs a test from the side and from above.
func EitherWay(t *testing.T, run func(t *testing.T, view world.View)) {
	t.Run("from the side", func(t *testing.T) { run(t, world.SideView) })
	t.Run("from above", func(t *testing.T) { run(t, world.TopDown) })
}

// A Walk is a game in the corridor, and the piece that it is about.
type Walk struct {
	*play.Game
	d     *world.Document
	about world.ID
}

// Begin begins a game in a column.
func Begin(t *testing.T, d *world.Document, column int, about world.ID) Walk {
	t.Helper()
	g, err := play.New(d, play.Start{Map: d.Maps[0].ID, Cell: grid.Point{X: column, Y: Row}})
	if err != nil {
		t.Fatal(err)
	}
	return Walk{g, d, about}
}

// Hold lets ticks pass with something held, and counts how often a moment happened to the piece.
func (w Walk) Hold(in play.Input, ticks int, m *kind.Moment) (n int) {
	for range ticks {
		w.Tick(in)
		for _, e := range w.Events() {
			if e.Moment == m && e.Piece == w.about {
				n++
			}
		}
	}
	return n
}

// Wait lets ticks pass.
func (w Walk) Wait(ticks int) { w.Hold(0, ticks, nil) }

// To lets the player walk until they stand in a column.
func (w Walk) To(t *testing.T, column int) {
	t.Helper()
	in := play.Right
	if w.Column() > column {
		in = play.Left
	}
	for range 400 {
		if w.Column() == column {
			return
		}
		w.Tick(in)
	}
	t.Fatalf("the player comes to column %d, not to %d", w.Column(), column)
}

// Column is where the player stands.
func (w Walk) Column() int { return w.Status().Place.Cell(w.d.Project.Lattice()).X }

// State is the word of the state in which the piece is.
func (w Walk) State() string { return StateOf(w.Game, w.about) }

// StateOf is the word of the state in which a piece is.
func StateOf(g *play.Game, id world.ID) string {
	n, _ := g.Asked(0).State(id)
	return kind.StateOf(n).Word
}
