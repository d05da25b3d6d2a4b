package play_test

import (
	"bytes"
	"testing"

	"azzel/core/body"
	"azzel/core/edit"
	"azzel/core/grid"
	"azzel/core/kind"
	"azzel/core/kinds/props"
	"azzel/core/play"
	"azzel/core/tiles"
	"azzel/core/world"
)

// Helps are part of the state: whatever is on right after a state was kept, each tick is shown again as
// it was played.
func TestHelpsAreRewound(t *testing.T) {
	d := bare(t, world.TopDown)
	d = apply(t, d, edit.Put{Ref: world.Ref{Sort: world.SortItem, ID: 801}, Values: (&world.Item{Name: "Fuse"}).Values()},
		put(d, 701, world.Breakable, 6, 9, kind.Values("").With(world.Single{Item: 801, Least: 1}.Props()...)),
		put(d, 702, world.Foe, 9, 9, kind.Set(props.Does.Is(props.Follows), props.Sight.Is(9))))
	rec := play.Record(begin(t, d, 3, 9))
	var states [][]byte
	for tick := range 600 {
		states = append(states, rec.Game().Snapshot())
		in := play.Input(0)
		switch {
		case tick < 33:
			in = play.Right // to where the pane is while they have a fuse
		case tick/120%2 == 1:
			in = play.Laden // which they are from right after a state that is kept on
		case tick > 300:
			in = play.Left | play.Unhurt | play.Unseen
		}
		rec.Tick(in)
	}
	for _, from := range []int{600, 200, 100} {
		for tick := 599; tick >= 0; tick-- {
			if err := rec.Go(from); err != nil {
				t.Fatal(err)
			}
			if err := rec.Go(tick); err != nil || !bytes.Equal(rec.Game().Snapshot(), states[tick]) {
				t.Fatalf("shown from tick %d, tick %d is another than was played: %v", from, tick, err)
			}
		}
	}
}

// A change of the document right after being brought to a mark, or where a checkpoint was reached,
// leaves what follows to be kept; one that changes how it begins does not.
func TestKeptAfterAChange(t *testing.T) {
	d := bare(t, world.TopDown)
	d = apply(t, d, put(d, 701, world.Mark, 10, 9, ""), put(d, 702, world.Collectible, 14, 9, ""))
	m := d.Maps[0]
	mark := world.Ref{Sort: world.SortPiece, Map: m.ID, ID: 701}
	for name, c := range map[string]struct {
		part edit.Part
		kept bool
	}{
		"a cell elsewhere":    {paint(m, grid.Rect{X: 20, Y: 2, W: 1, H: 1}, 2), true},
		"a piece moved":       {edit.Change{Ref: world.Ref{Sort: world.SortPiece, Map: m.ID, ID: 702}, Value: world.PointValue(world.FieldFoot, d.Project.Lattice().Foot(grid.Point{X: 12, Y: 9}))}, true},
		"the mark is gone":    {edit.Remove{Ref: mark}, false},
		"the mark goes ahead": {edit.Change{Ref: mark, Value: world.PointValue(world.FieldFoot, d.Project.Lattice().Foot(grid.Point{X: 4, Y: 4}))}, false},
	} {
		rec := play.Record(begin(t, d, 3, 9))
		for range 30 {
			rec.Tick(play.Up)
		}
		if err := rec.Bring(701); err != nil {
			t.Fatal(err)
		}
		if err := rec.SetDocument(apply(t, d, c.part)); err != nil {
			t.Fatal(err)
		}
		for range 90 {
			rec.Tick(play.Right)
		}
		if !c.kept {
			if _, err := rec.Kept("Moss"); err == nil {
				t.Errorf("%s: what follows is kept", name)
			}
			continue
		}
		keptAgain(t, rec)
	}
}

// The camera is no part of play: changing it neither begins a new stretch nor keeps anything from being kept, while
// any change of what is played does.
func TestCameraIsNotPlay(t *testing.T) {
	d := bare(t, world.TopDown)
	for name, c := range map[string]struct {
		value world.Value
		plays bool
	}{"camera": {value: changed(t, d, func(p *world.Project) { p.Camera = world.Camera{FreeW: 40, Ahead: 20} })},
		"turns": {value: changed(t, d, func(p *world.Project) { p.Turns = true }), plays: true}} {
		rec := play.Record(begin(t, d, 3, 9))
		for tick := range 60 {
			if tick == 30 {
				if err := rec.SetDocument(apply(t, d, edit.Change{Ref: world.Ref{Sort: world.SortProject}, Value: c.value})); err != nil {
					t.Fatal(err)
				}
			}
			rec.Tick(play.Right)
		}
		if n := len(rec.Changes()); (n > 0) != c.plays {
			t.Errorf("%s: %d changes are told of", name, n)
		}
	}
}

// changed is the one value of the project that a change makes another.
func changed(t *testing.T, d *world.Document, change func(*world.Project)) world.Value {
	t.Helper()
	next := d.Project
	change(&next)
	for i, v := range next.Values() {
		if !bytes.Equal(v.Bytes, d.Project.Values()[i].Bytes) {
			return v
		}
	}
	t.Fatal("nothing is changed")
	return world.Value{}
}

// A step under way ends where the steering changes, and who walks freely stands still with nothing
// held, also when the steering changes back.
func TestSteeringChanges(t *testing.T) {
	d := bare(t, world.TopDown)
	cells := apply(t, d, as(d, world.Movement{Steering: world.CellByCell})...)
	g := begin(t, cells, 5, 5)
	walk(g, play.Right, 4)
	if err := g.SetDocument(d); err != nil {
		t.Fatal(err)
	}
	walk(g, play.Down, 30)
	at := g.Status().Place
	if walk(g, 0, 60); g.Status().Place != at {
		t.Errorf("who walks freely goes from %v to %v with nothing held", at, g.Status().Place)
	}
	if err := g.SetDocument(cells); err != nil {
		t.Fatal(err)
	}
	if walk(g, 0, 60); g.Status().Place != at {
		t.Errorf("cell by cell again, a step goes on that was begun before: from %v to %v", at, g.Status().Place)
	}
	walk(g, play.Right, 1)
	walk(g, 0, 60)
	if to := g.Status().Place; to != body.At(d.Project.Lattice(), to.Cell(d.Project.Lattice())) {
		t.Errorf("the next step ends at %v, not in the middle of a cell", to)
	}
}

// Cell by cell, a push that is stopped by a wall laid meanwhile is given up: the player goes back alone.
func TestPushIsStopped(t *testing.T) {
	d := bare(t, world.TopDown)
	d = apply(t, d, append(as(d, world.Movement{Steering: world.CellByCell}), put(d, 700, world.Pushable, 7, 9, ""))...)
	for ticks := 2; ticks < 5; ticks++ {
		g := begin(t, d, 6, 9)
		walk(g, play.Right, ticks)
		was := where(g, 700).Place
		if err := g.SetDocument(apply(t, d, paint(d.Maps[0], grid.Rect{X: 8, Y: 9, W: 1, H: 1}, grid.Cell(tiles.Wall)))); err != nil {
			t.Fatal(err)
		}
		walk(g, 0, 60)
		if at, s := where(g, 700).Place, g.Status(); at.X < was.X || s.Place.X != 6*cell+cell/2 {
			t.Errorf("after %d ticks: pushed as far as %v it is at %v, the player at %v", ticks, was, at, s.Place)
		}
	}
}

// A foe over which a wall is laid waits there until it is free again.
func TestFoeInAWall(t *testing.T) {
	both(t, func(t *testing.T, view world.View) {
		d := bare(t, view)
		d = apply(t, d, put(d, 700, world.Foe, 12, 9, kind.Set(props.Does.Is(props.Patrols), props.Speed.Is(60), props.Sight.Is(9))))
		g := begin(t, d, 2, 3)
		walk(g, 0, 30)
		at := where(g, 700).Place
		x := at.Cell(d.Project.Lattice()).X
		for _, wall := range []grid.Rect{{X: x, Y: 9, W: 1, H: 1}, {X: x - 2, Y: 8, W: 5, H: 2}} {
			if err := g.SetDocument(apply(t, d, paint(d.Maps[0], wall, grid.Cell(tiles.Wall)))); err != nil {
				t.Fatal(err)
			}
			if walk(g, 0, 60); where(g, 700).Place != at {
				t.Errorf("in the wall %v it goes from %v to %v", wall, at, where(g, 700).Place)
			}
		}
		if err := g.SetDocument(d); err != nil {
			t.Fatal(err)
		}
		if walk(g, 0, 10); where(g, 700).Place == at {
			t.Errorf("free again it stays at %v", at)
		}
	})
}

// A map that is seen otherwise while it is played: foes go on at the speed they have there, also what
// came out of an emitter.
func TestViewChanges(t *testing.T) {
	for _, first := range []world.View{world.TopDown, world.SideView} {
		for looks := range 5 {
			d := bare(t, first)
			d = apply(t, d, put(d, 700, world.Foe, 12, 9, kind.Set(props.Speed.Is(60), props.Looks.Is(looks))), put(d, 701, world.Emitter, 5, 9, kind.Set(props.Every.Is(10), props.Most.Is(1), props.Speed.Is(60), props.Looks.Is(looks))))
			g := begin(t, d, 2, 3)
			walk(g, play.Unhurt|play.Unseen, 20)
			m := *d.Maps[0]
			m.View = world.SideView + world.TopDown - first
			other := apply(t, d, edit.Changes(world.Ref{Sort: world.SortMap, ID: m.ID}, d.Maps[0].Values(), m.Values())...)
			if err := g.SetDocument(other); err != nil {
				t.Fatal(err)
			}
			walk(g, play.Unhurt|play.Unseen, 20) // to the ground, up to speed
			far, most := map[world.ID]int{}, 60*16*body.Unit/600+1
			last := map[world.ID]body.Place{}
			for range 90 {
				g.Tick(play.Unhurt | play.Unseen)
				g.Things(func(t play.Thing, _ int, _ body.Size) {
					if was, there := last[t.ID]; there && t.Type == world.Foe {
						dx, dy := t.Place.X-was.X, t.Place.Y-was.Y
						if first == world.TopDown {
							dy = 0 // it may still fall
						}
						far[t.ID] = max(far[t.ID], dx, -dx, dy, -dy)
					}
					last[t.ID] = t.Place
				})
			}
			if len(far) != 2 {
				t.Fatalf("%d foes are there, want that placed and that let out", len(far))
			}
			for id, n := range far {
				if n < most/2 || n > most {
					t.Errorf("seen first as %d, looking %d: foe %d goes %d positions in a tick, want %d", first, looks, id, n, most)
				}
			}
		}
	}
}
