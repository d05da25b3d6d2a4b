package play_test

import (
	"errors"
	"testing"

	"azzel/core/edit"
	"azzel/core/grid"
	"azzel/core/kind"
	"azzel/core/kinds/props"
	"azzel/core/limit"
	"azzel/core/play"
	"azzel/core/play/generate"
	"azzel/core/tiles"
	"azzel/core/world"
)

// Odd worlds are played as far as they can be, or it is said why not: nobody ends in what is
// solid, and nothing hangs.
func TestOddWorlds(t *testing.T) {
	sized := func(view world.View, w, h int, parts ...edit.Part) *world.Document {
		d := room(t)
		m := *d.Maps[0]
		d = apply(t, d, edit.Remove{Ref: world.Ref{Sort: world.SortPiece, Map: m.ID, ID: m.Pieces[0].ID}})
		for _, l := range m.Layers {
			g := grid.BoxRegion(m.Bounds)
			d = apply(t, d, edit.Paint{Map: m.ID, Layer: l.ID, Region: g, Cells: grid.Runs{{N: g.Len()}}})
		}
		m.View, m.Bounds = view, grid.Rect{W: w, H: h}
		d = apply(t, d, edit.Changes(world.Ref{Sort: world.SortMap, ID: m.ID}, d.Maps[0].Values(), m.Values())...)
		return apply(t, d, parts...)
	}
	someone := func(d *world.Document, m world.Movement) *world.Document {
		who := &world.Character{Name: "Night porter", Movement: m}
		return apply(t, d, edit.Put{Ref: world.Ref{Sort: world.SortCharacter, ID: 800}, Values: who.Values()},
			edit.Change{Ref: world.Ref{Sort: world.SortProject}, Value: world.IDValue(world.FieldPlayer, 800)})
	}
	acting := func(d *world.Document, of world.ID, x, y int, a kind.Values) *world.Document {
		m := d.Maps[0]
		p := &world.Piece{Type: of, Layer: m.PlayerLayer, Foot: d.Project.Lattice().Foot(grid.Point{X: x, Y: y}), Props: a}
		return apply(t, d, edit.Put{Ref: world.Ref{Sort: world.SortPiece, Map: m.ID, ID: world.ID(900 + x + 100*y)}, Values: p.Values()})
	}
	floored := func(d *world.Document) *world.Document {
		m := d.Maps[0]
		return apply(t, d, paint(m, grid.Rect{Y: m.Bounds.H - 1, W: m.Bounds.W, H: 1}, grid.Cell(tiles.Wall)))
	}
	fastest, largest := 10*limit.Speed, limit.Body*limit.MaxCellSide
	for _, view := range []world.View{world.TopDown, world.SideView} {
		walled := sized(view, 9, 9)
		m := walled.Maps[0]
		walled = apply(t, walled, paint(m, grid.Rect{X: 3, Y: 3, W: 3, H: 3}, grid.Cell(tiles.Wall)), piece(walled, m, 700, world.Spawn, 4, 4))
		crowd, err := generate.Crowd(1000, false, 64)
		if err != nil {
			t.Fatal(err)
		}
		seen := *crowd.Maps[0]
		seen.View = view
		crowd = apply(t, crowd, edit.Changes(world.Ref{Sort: world.SortMap, ID: seen.ID}, crowd.Maps[0].Values(), seen.Values())...)
		solid := sized(view, 6, 6)
		solid = apply(t, solid, paint(solid.Maps[0], grid.Rect{W: 6, H: 6}, grid.Cell(tiles.Wall)))
		for _, c := range []struct {
			what string
			doc  *world.Document
			says *kind.Moment
			err  error
		}{
			{"a spawn in a wall", walled, nil, nil},
			{"no spawn", sized(view, 5, 5), play.NoSpawn, nil},
			{"a map of one cell", sized(view, 1, 1), play.NoSpawn, nil},
			{"nothing but wall", solid, nil, play.ErrNowhere},
			{"a way that leads off the map", acting(floored(sized(view, 12, 6)), world.MovingPlatform, 3, 2, kind.Set(props.Speed.Is(fastest), props.To.Is(1<<19, -1<<19))), play.NoSpawn, nil},
			{"a thousand foes in one cell", crowd, nil, nil},
			{"as slow as can be", someone(acting(floored(sized(view, 12, 6)), world.Foe, 3, 2, kind.Set(props.Speed.Is(1), props.Does.Is(props.Follows))), world.Movement{Speed: 1, Climb: 1, Swim: 1, Jump: 1}), play.NoSpawn, nil},
			{"as fast as can be", someone(acting(floored(sized(view, 12, 6)), world.Foe, 3, 2, kind.Set(props.Speed.Is(fastest), props.Does.Is(props.Wanders))), world.Movement{Speed: fastest, Climb: fastest, Swim: fastest, Jump: 10 * limit.Jump, Air: 6}), play.NoSpawn, nil},
		} {
			g, err := play.New(c.doc, play.Start{})
			if !errors.Is(err, c.err) {
				t.Errorf("%s: %v", c.what, err)
			}
			if err != nil {
				continue
			}
			if c.says != nil && !play.Happened(g.Events(), c.says) {
				t.Errorf("%s: it is said %v", c.what, g.Events())
			}
			for tick, in := range generate.Inputs(7, 300) {
				if g.Tick(in); !g.Fits() {
					t.Fatalf("%s, seen %d: in what is solid after tick %d", c.what, view, tick)
				}
			}
		}
	}
	huge := someone(floored(sized(world.SideView, 4, 4)), world.Movement{BodyW: largest, BodyH: largest})
	if _, err := play.New(huge, play.Start{}); !errors.Is(err, play.ErrNowhere) {
		t.Errorf("a body larger than the map: %v", err)
	}
}
