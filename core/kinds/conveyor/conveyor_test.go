package conveyor_test

import (
	"testing"

	"azzel/core/body"
	"azzel/core/edit"
	"azzel/core/grid"
	"azzel/core/kind"
	"azzel/core/kinds/conveyor"
	"azzel/core/kinds/corridor"
	"azzel/core/kinds/props"
	"azzel/core/play"
	"azzel/core/tiles"
	"azzel/core/world"
)

const theBelt, crate, other = world.ID(700), world.ID(701), world.ID(702)

// belt is a belt of 5 cells with its middle in column 6, that sets something besides where it runs.
func belt(set ...kind.Value) corridor.Piece {
	return corridor.Piece{ID: theBelt, Column: 6, Type: conveyor.Kind.ID, Set: conveyor.Kind.Placed.With(props.Width.Is(5)).With(set...)}
}

// begin begins a game with a belt that one walks on: from the side it lies in the floor of the corridor.
func begin(t *testing.T, view world.View, at int, more []edit.Part, pieces ...corridor.Piece) corridor.Walk {
	t.Helper()
	d := corridor.New(t, view, pieces, more...)
	if view == world.SideView {
		m := d.Maps[0]
		var parts []edit.Part
		for _, p := range m.Pieces {
			if p.Type != conveyor.Kind.ID {
				continue
			}
			next := *p
			next.Foot.Y += d.Project.CellH
			parts = append(parts, edit.Changes(world.Ref{Sort: world.SortPiece, Map: m.ID, ID: p.ID}, p.Values(), next.Values())...)
			under := grid.BoxRegion(next.Cells(d.Project.Lattice()))
			parts = append(parts, edit.Paint{Map: m.ID, Layer: m.PlayerLayer, Region: under, Cells: grid.Runs{{N: under.Len()}}})
		}
		res, err := edit.Apply(d, edit.Edit{Parts: parts})
		if err != nil {
			t.Fatal(err)
		}
		d = res.Document
	}
	return corridor.Begin(t, d, at, theBelt)
}

// A belt moves the player to its end and no farther, as fast as it says; it is walked on against it; off, or running nowhere, it moves nobody.
func TestMovesThePlayer(t *testing.T) {
	corridor.EitherWay(t, func(t *testing.T, view world.View) {
		w := begin(t, view, 4, nil, belt())
		// Two cells a second.
		for tick, column := range map[int]int{5: 4, 65: 6, 125: 8} {
			w := begin(t, view, 4, nil, belt())
			if w.Wait(tick); w.Column() != column {
				t.Errorf("after %d ticks the player is in column %d, not %d", tick, w.Column(), column)
			}
		}
		if w.Wait(400); w.Column() != 9 {
			t.Errorf("at the end the player is in column %d", w.Column())
		}
		w.To(t, 4)
		if w.Column() != 4 {
			t.Error("the player does not get on against it")
		}
		second := belt()
		second.ID, second.Column = other, 11
		w = begin(t, view, 4, nil, belt(), second)
		w.Wait(10)
		from := w.Status().Place.X
		if w.Wait(200); w.Status().Place.X-from != 200*(2*16*body.Unit/60) {
			t.Errorf("over two belts that meet the player went %d, not %d", w.Status().Place.X-from, 200*(2*16*body.Unit/60))
		}
		for name, set := range map[string]kind.Value{"off": props.Power.Is(kind.Off), "running nowhere": props.Toward.Unset()} {
			w := begin(t, view, 5, nil, belt(set))
			if w.Wait(100); w.Column() != 5 {
				t.Errorf("%s, it moves the player to column %d", name, w.Column())
			}
		}
		w = begin(t, view, 7, nil, belt(props.Toward.Is(int(world.West)+1), props.Speed.Is(60)))
		if w.Wait(60); w.Column() != 3 {
			t.Errorf("to the west the player comes to column %d", w.Column())
		}
	})
}

// It moves crates, with what stands on them, until something stops them; none comes where the player is.
func TestMovesCrates(t *testing.T) {
	corridor.EitherWay(t, func(t *testing.T, view world.View) {
		wall := edit.Part(nil)
		d := corridor.New(t, view, nil)
		m := d.Maps[0]
		g := grid.BoxRegion(grid.Rect{X: 8, Y: corridor.Row, W: 1, H: 1})
		wall = edit.Paint{Map: m.ID, Layer: m.PlayerLayer, Region: g, Cells: grid.Runs{{N: 1, Cell: grid.Cell(tiles.Wall)}}}
		w := begin(t, view, 2, []edit.Part{wall}, belt(), corridor.Piece{ID: crate, Column: 5, Type: world.Pushable})
		column := func(id world.ID) (c int) {
			w.Things(func(is play.Thing, _ int, _ body.Size) {
				if is.ID == id {
					c = is.Place.Cell(d.Project.Lattice()).X
				}
			})
			return c
		}
		if w.Wait(30); column(crate) != 6 {
			t.Errorf("after half a second the crate is in column %d", column(crate))
		}
		if w.Wait(200); column(crate) != 7 {
			t.Errorf("before the wall the crate is in column %d", column(crate))
		}
		w = begin(t, view, 9, nil, belt(), corridor.Piece{ID: crate, Column: 5, Type: world.Pushable})
		at := w.Status().Place
		for range 300 {
			if w.Tick(0); !w.Fits() || w.Status().Place.X != at.X {
				t.Fatal("the crate was moved into the player, or pushed them")
			}
		}
		// Of two belts that meet one at a time moves it.
		second := belt()
		second.ID, second.Column = other, 11
		w = begin(t, view, 2, nil, belt(), second, corridor.Piece{ID: crate, Column: 5, Type: world.Pushable})
		far := func() (x int) {
			w.Things(func(is play.Thing, _ int, _ body.Size) {
				if is.ID == crate {
					x = is.Place.X
				}
			})
			return x
		}
		w.Wait(10)
		from := far()
		if w.Wait(200); far()-from != 200*(2*16*body.Unit/60) {
			t.Errorf("over two belts the crate went %d, not %d", far()-from, 200*(2*16*body.Unit/60))
		}
		// Of two that run against each other neither moves it beyond where they meet.
		second.Set = second.Set.With(props.Toward.Is(int(world.West) + 1))
		w = begin(t, view, 2, nil, belt(), second, corridor.Piece{ID: crate, Column: 5, Type: world.Pushable})
		w.Wait(300)
		if seam := 9 * 16 * body.Unit; far() < seam-300 || far() > seam+300 {
			t.Errorf("between two belts the crate is at %d, and they meet at %d", far(), seam)
		}
	})
}

// Who walks cell by cell goes on by cells while nothing is held down, and ends in the middle of one.
func TestCellByCell(t *testing.T) {
	who := &world.Character{Name: "Ottilie", Movement: world.Movement{Steering: world.CellByCell}}
	w := begin(t, world.TopDown, 4, []edit.Part{
		edit.Put{Ref: world.Ref{Sort: world.SortCharacter, ID: 720}, Values: who.Values()},
		edit.Change{Ref: world.Ref{Sort: world.SortProject}, Value: world.IDValue(world.FieldPlayer, 720)},
	}, belt())
	if w.Wait(300); w.Column() != 9 {
		t.Errorf("at the end the player is in column %d", w.Column())
	}
	at := w.Status().Place
	if w.Wait(60); w.Status().Place != at || w.Status().Moving {
		t.Error("beyond the belt the player does not stand still")
	}
	l := grid.Lattice{W: 16, H: 16}
	if at != body.At(l, grid.Point{X: 9, Y: corridor.Row}) {
		t.Errorf("the player ends at %v, not in the middle of a cell", at)
	}
	w.To(t, 6)
	for w.Status().Place != body.At(l, grid.Point{X: 6, Y: corridor.Row}) {
		w.Tick(play.Left)
	}
	w.Tick(play.Left)
	goal, reached := body.At(l, grid.Point{X: 5, Y: corridor.Row}), false
	for range 60 {
		w.Wait(1)
		reached = reached || w.Status().Place == goal
	}
	if !reached {
		t.Error("a step against it is not gone to its end")
	}
}
