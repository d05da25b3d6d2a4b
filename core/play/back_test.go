package play_test

import (
	"testing"

	"azzel/core/edit"
	"azzel/core/grid"
	"azzel/core/kind"
	"azzel/core/kinds/corridor"
	"azzel/core/kinds/switches"
	"azzel/core/logic"
	"azzel/core/play"
	"azzel/core/tiles"
	"azzel/core/world"
)

// A rule goes as the player comes back to where they came in, after their health was used up.
func TestPlayerComesBack(t *testing.T) {
	corridor.EitherWay(t, func(t *testing.T, view world.View) {
		d := ruled(t, view, newRule(1, kind.NoThing, 0, logic.Moment{Is: logic.PlayerBack.Number}).do(up(labels, 1)),
			newRule(2, kind.NoThing, 0, pressed(plate)).do(logic.Action{Does: logic.Hurt, Number: 50}))
		w := corridor.Begin(t, d, 3, sluice)
		for n := 0; n < 90 && factOf(w, d, labels) == 0; n++ {
			w.Tick(play.Right)
		}
		if w.Wait(5); factOf(w, d, labels) != 1 || w.Column() != 3 {
			t.Errorf("the player came back %d times, and is in column %d", factOf(w, d, labels), w.Column())
		}
	})
}

// The nearest of those in an area is meant, from where the player is.
func TestNearestInArea(t *testing.T) {
	corridor.EitherWay(t, func(t *testing.T, view world.View) {
		const near, far = world.ID(741), world.ID(740)
		byUse := kind.Set(switches.By.Is(switches.ByUse), switches.Then.Is(switches.Toggles))
		more := []corridor.Piece{{ID: far, Column: 9, Type: switches.Kind.ID, Set: byUse}, {ID: near, Column: 8, Type: switches.Kind.ID, Set: byUse}}
		r := newRule(1, kind.NoThing, 0, pressed(plate)).do(logic.Action{Does: logic.SetState, Subject: logic.Noun{Is: logic.NearestInArea, Thing: bed}, Is: kind.StateNamed("pressed").Number})
		w := corridor.Begin(t, ruledWith(t, view, more, r), 3, sluice)
		w.To(t, 5)
		w.Wait(3)
		if a, b := corridor.StateOf(w.Game, near), corridor.StateOf(w.Game, far); a != "pressed" || b != "released" {
			t.Errorf("the nearer one is %s, the other %s", a, b)
		}
	})
}

// A rule takes the player to a doorway, on another map and back: they come out of it as if they had gone through, and stay there.
func TestTakenToADoorway(t *testing.T) {
	corridor.EitherWay(t, func(t *testing.T, view world.View) {
		const way = world.ID(791)
		house, layers := world.NewMap("Boiler room", grid.Point{X: 300}, grid.Rect{W: 9, H: 5}, &world.Counter{Prefix: 8})
		house.SeenAs(view)
		floor := grid.BoxRegion(grid.Rect{X: house.Bounds.X, Y: house.Bounds.Y + 4, W: 9, H: 1})
		goes := newRule(1, kind.NoThing, 0, pressed(plate)).do(logic.Action{Does: logic.TakeToDoorway, Thing: way, Is: 1}, wait(60), logic.Action{Does: logic.TakeToDoorway, Thing: way})
		goes.Elsewhere = true
		d := ruled(t, view, goes)
		first := d.Maps[0]
		crossing := world.Crossing{BothWays: true, Ends: [2]world.End{{Map: first.ID, Cells: grid.Rect{X: 10, Y: corridor.Row, W: 1, H: 1}}, {Map: house.ID, Cells: grid.Rect{X: house.Bounds.X + 4, Y: house.Bounds.Y + 3, W: 1, H: 1}}}}
		d = apply(t, d, append(edit.PutMap(house, layers), edit.Paint{Map: house.ID, Layer: house.PlayerLayer, Region: floor, Cells: grid.Runs{{N: floor.Len(), Cell: grid.Cell(tiles.Wall)}}},
			edit.Put{Ref: world.Ref{Sort: world.SortCrossing, ID: way}, Values: crossing.Values()})...)
		w := corridor.Begin(t, d, 3, sluice)
		for n := 0; n < 90 && w.Status().Map == first.ID; n++ {
			w.Tick(play.Right)
		}
		if w.Wait(40); w.Status().Map != house.ID || (w.Column() < house.Bounds.X+3 || w.Column() > house.Bounds.X+5) {
			t.Errorf("the player is on map %d, in column %d", w.Status().Map, w.Column())
		}
		if w.Wait(60); w.Status().Map != first.ID || (w.Column() < 9 || w.Column() > 11) {
			t.Errorf("taken back the player is on map %d, in column %d", w.Status().Map, w.Column())
		}
	})
}
