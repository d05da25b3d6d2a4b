package play_test

import (
	"testing"

	"azzel/core/body"
	"azzel/core/edit"
	"azzel/core/grid"
	"azzel/core/kind"
	"azzel/core/kinds/props"
	"azzel/core/play"
	"azzel/core/play/generate"
	"azzel/core/tiles"
	"azzel/core/world"
)

// track puts a track onto the first map, through the feet of cells.
func track(d *world.Document, id world.ID, round bool, cells ...grid.Point) edit.Part {
	m := d.Maps[0]
	t := &world.Track{Name: "Round", Map: m.ID, Round: round}
	for _, c := range cells {
		t.Points = append(t.Points, m.FootOf(d.Project.Lattice(), world.MovingPlatform, c))
	}
	return edit.Put{Ref: world.Ref{Sort: world.SortTrack, ID: id}, Values: t.Values()}
}

func area(d *world.Document, id world.ID, r grid.Rect, set func(*world.Area)) edit.Part {
	a := &world.Area{Name: "Draught", Map: d.Maps[0].ID, Cells: grid.BoxRegion(r)}
	set(a)
	return edit.Put{Ref: world.Ref{Sort: world.SortArea, ID: id}, Values: a.Values()}
}

// A platform comes past all points of its track, in its order and back or round, at its own speed;
// with the track gone it stands where it was placed.
func TestTracks(t *testing.T) {
	both(t, func(t *testing.T, view world.View) {
		for _, round := range []bool{false, true} {
			d := bare(t, view)
			corners := []grid.Point{{X: 12, Y: 3}, {X: 12, Y: 7}, {X: 5, Y: 7}}
			d = apply(t, d, track(d, 600, round, corners...), put(d, 700, world.MovingPlatform, 5, 3, kind.Set(props.Track.Refer(600), props.Speed.Is(60), props.Width.Is(2))))
			g := begin(t, d, 20, 9)
			at := func(c grid.Point) body.Place {
				foot := d.Maps[0].FootOf(d.Project.Lattice(), world.MovingPlatform, c)
				return body.Place{X: foot.X * body.Unit, Y: (foot.Y + 1) * body.Unit}
			}
			var passed []int
			last := where(g, 700).Place
			for range 1200 {
				g.Tick(0)
				p := where(g, 700).Place
				if d := max(p.X-last.X, last.X-p.X) + max(p.Y-last.Y, last.Y-p.Y); d > 2*60*cell/600 {
					t.Fatalf("it goes %d positions in a tick", d)
				}
				last = p
				for i, c := range append([]grid.Point{{X: 5, Y: 3}}, corners...) {
					if to := at(c); max(p.X-to.X, to.X-p.X)+max(p.Y-to.Y, to.Y-p.Y) <= 60*cell/600 && (len(passed) == 0 || passed[len(passed)-1] != i) {
						passed = append(passed, i)
					}
				}
			}
			want := []int{0, 1, 2, 3, 2, 1, 0, 1}
			if round {
				want = []int{0, 1, 2, 3, 0, 1, 2, 3}
			}
			for i, n := range want {
				if i >= len(passed) || passed[i] != n {
					t.Fatalf("round %v: it comes past %v, want it to begin with %v", round, passed, want)
				}
			}
			if err := g.SetDocument(apply(t, d, edit.Remove{Ref: world.Ref{Sort: world.SortTrack, ID: 600}})); err != nil {
				t.Fatal(err)
			}
			if walk(g, 0, 2); where(g, 700).Place != at(grid.Point{X: 5, Y: 3}) {
				t.Errorf("without its track it is at %v", where(g, 700).Place)
			}
		}
		// Who patrols follows it too, on foot.
		d := bare(t, view)
		d = apply(t, d, track(d, 600, false, grid.Point{X: 16, Y: 9}), put(d, 700, world.Foe, 6, 9, kind.Set(props.Track.Refer(600), props.Speed.Is(40))))
		g := begin(t, d, 2, 9)
		least, most := 1<<30, 0
		for range 1200 {
			g.Tick(play.Unhurt)
			x := where(g, 700).Place.X
			least, most = min(least, x), max(most, x)
		}
		if least < 6*cell || most > 17*cell || most < 16*cell {
			t.Errorf("who patrols from 6 to 16 goes from %.1f to %.1f", float64(least)/cell, float64(most)/cell)
		}
	})
}

// Whatever a foe does, it stays in the area that was set.
func TestStaysInArea(t *testing.T) {
	both(t, func(t *testing.T, view world.View) {
		r := grid.Rect{X: 10, Y: 4, W: 5, H: 6}
		for name, a := range map[string]kind.Values{"patrols": "", "wanders": kind.Set(props.Does.Is(props.Wanders)), "follows": kind.Set(props.Does.Is(props.Follows), props.Sight.Is(20)),
			"flees": kind.Set(props.Does.Is(props.Flees), props.Sight.Is(20)), "patrols along a track": kind.Set(props.Track.Refer(601))} {
			d := bare(t, view)
			a = a.With(props.Area.Refer(600), props.Speed.Is(80), props.Looks.Is(int(world.East)+1))
			d = apply(t, d, area(d, 600, r, func(*world.Area) {}), track(d, 601, false, grid.Point{X: 20, Y: 9}), put(d, 700, world.Foe, 12, 9, a))
			g := begin(t, d, 4, 9)
			cells := map[int]bool{}
			for tick := range 3000 {
				// The player goes to and fro on both sides of it.
				in := play.Unhurt | []play.Input{play.Right, play.Left}[tick/400%2]
				if view == world.TopDown {
					in |= []play.Input{play.Up, play.Down}[tick/200%2]
				}
				g.Tick(in)
				c := where(g, 700).Place.Cell(d.Project.Lattice())
				if cells[c.X] = true; !r.Has(c) {
					t.Fatalf("who %s went to %v", name, c)
				}
			}
			if len(cells) < 3 {
				t.Errorf("who %s comes to %d columns of 5", name, len(cells))
			}
		}
	})
}

// With half the gravity one jumps twice as high; the wind carries along as fast as it says, on a
// map and in an area of it, but through no wall; an updraught lifts.
func TestForces(t *testing.T) {
	highest := func(d *world.Document) int {
		g := begin(t, d, 5, 9)
		from, top := g.Status().Place.Y, g.Status().Place.Y
		for range 200 {
			g.Tick(play.Jump)
			top = min(top, g.Status().Place.Y)
			if g.Status().Doing == body.Grounded && top < from {
				break
			}
		}
		return from - top
	}
	d := bare(t, world.SideView)
	usual := highest(d)
	half := highest(apply(t, d, area(d, 600, d.Maps[0].Bounds, func(a *world.Area) { a.Gravity = 50 })))
	if off := half - 2*usual; off > 2*body.Unit || off < -2*body.Unit {
		t.Errorf("a jump of %d positions is %d high with half the gravity", usual, half)
	}
	both(t, func(t *testing.T, view world.View) {
		d := bare(t, view)
		m := *d.Maps[0]
		m.WindX = 30
		open := apply(t, d, edit.Changes(world.Ref{Sort: world.SortMap, ID: m.ID}, d.Maps[0].Values(), m.Values())...)
		windy := apply(t, open, area(d, 600, grid.Rect{X: 12, Y: 0, W: 12, H: 10}, func(a *world.Area) { a.WindX = -30 }))
		var g *play.Game
		for _, d := range []*world.Document{open, windy} {
			d = apply(t, d, put(d, 710, world.Foe, 9, 9, kind.Set(props.Does.Is(props.Stands))))
			g = begin(t, d, 5, 9)
			from := g.Status().Place.X
			walk(g, 0, 60)
			if far := g.Status().Place.X - from; max(far-3*cell, 3*cell-far) > cell/8 {
				t.Errorf("a wind of 3 cells a second carries %.2f cells in a second", float64(far)/cell)
			}
			if x := where(g, 710).Place.Cell(d.Project.Lattice()).X; view == world.SideView && x < 11 {
				t.Errorf("a foe is not carried along by it, and is in column %d", x)
			}
		}
		walk(g, 0, 400)
		if c := g.Status().Place.Cell(d.Project.Lattice()).X; c != 11 && c != 12 {
			t.Errorf("between two winds one comes to column %d", c)
		}
		walled := apply(t, windy, paint(d.Maps[0], grid.Rect{X: 7, Y: 8, W: 1, H: 2}, grid.Cell(tiles.Wall)))
		g = begin(t, walled, 5, 9)
		if walk(g, 0, 300); g.Status().Place.X > 7*cell || !g.Fits() {
			t.Errorf("the wind carries through a wall, to %.2f", float64(g.Status().Place.X)/cell)
		}
	})
	g := begin(t, apply(t, d, area(d, 600, grid.Rect{X: 4, Y: 2, W: 3, H: 8}, func(a *world.Area) { a.WindY = -120 })), 5, 9)
	from := g.Status().Place.Y
	if walk(g, 0, 120); g.Status().Place.Y > from-3*cell {
		t.Errorf("an updraught lifts from %d to %d", from, g.Status().Place.Y)
	}
}

// A platform that comes along the ground moves whoever is in its way on, to both sides.
func TestPushedByAPlatform(t *testing.T) {
	for _, to := range []int{6 * 16, -6 * 16} {
		d := bare(t, world.SideView)
		d = apply(t, d, put(d, 700, world.MovingPlatform, 12, 9, kind.Set(props.Speed.Is(20), props.Width.Is(1), props.Rest.Is(600), props.To.Is(to, 0))))
		g := begin(t, d, 12+3*to/96, 9)
		from := g.Status().Place.X
		events := walk(g, 0, 240)
		if moved := g.Status().Place.X - from; moved*to < 0 || max(moved, -moved) < 2*cell || g.Status().Health != g.Status().Most {
			t.Errorf("a platform that goes %d px moved the player %.2f cells: %v", to, float64(moved)/cell, events)
		}
	}
}

// Where time passes by steps, nobody else moves while the player stands, seen from above.
func TestTurns(t *testing.T) {
	d := bare(t, world.TopDown)
	p := d.Project
	p.Turns = true
	d = apply(t, d, append(edit.Changes(world.Ref{Sort: world.SortProject}, d.Project.Values(), p.Values()),
		append(as(d, world.Movement{Steering: world.CellByCell}), put(d, 700, world.Foe, 15, 3, kind.Set(props.Speed.Is(55))))...)...)
	g := begin(t, d, 3, 9)
	at := where(g, 700).Place
	if walk(g, 0, 200); where(g, 700).Place != at {
		t.Errorf("while one stands, others move from %v to %v", at, where(g, 700).Place)
	}
	walk(g, play.Right, 1)
	for g.Status().Place != body.At(d.Project.Lattice(), grid.Point{X: 4, Y: 9}) {
		g.Tick(0)
	}
	walk(g, 0, 1)
	turn := where(g, 700).Place
	if far := max(turn.X-at.X, at.X-turn.X) + max(turn.Y-at.Y, at.Y-turn.Y); far < cell*3/4 || far > cell*5/4 {
		t.Errorf("with a step of one cell, one who is as fast goes %.2f cells", float64(far)/cell)
	}
	if walk(g, 0, 100); where(g, 700).Place != turn {
		t.Error("after the step others move on")
	}
	if walk(g, play.Use, 30); where(g, 700).Place == turn {
		t.Error("time does not pass while one lets it")
	}
}

// A raft carries over water, seen from above; beside it the water stops one. Who stands on it when
// it turns stays on it.
func TestRafts(t *testing.T) {
	d := bare(t, world.TopDown)
	m := d.Maps[0]
	d = apply(t, d, paint(m, grid.Rect{X: 6, Y: 0, W: 10, H: 12}, grid.Cell(tiles.Water)),
		put(d, 700, world.MovingPlatform, 6, 9, kind.Set(props.Width.Is(2), props.Speed.Is(40), props.Rest.Is(60), props.To.Is(8*16+8, 0))))
	g := begin(t, d, 4, 9)
	for range 2000 {
		if raft := where(g, 700).Place; raft.X < 7*cell && g.Status().Place.X < raft.X {
			g.Tick(play.Right | play.Unhurt)
		} else {
			g.Tick(play.Unhurt)
		}
		if !g.Fits() {
			t.Fatalf("one is in the water at %v, the raft at %v", g.Status().Place, where(g, 700).Place)
		}
		if raft := where(g, 700).Place; raft.X > 14*cell-cell/2 && g.Status().Place.X > 12*cell {
			break
		}
	}
	if x := g.Status().Place.X; x < 12*cell {
		t.Fatalf("not carried over the water: one is at %.1f", float64(x)/cell)
	}
	walk(g, play.Right, 90)
	if x := g.Status().Place.X; x < 16*cell {
		t.Errorf("not off the raft at the other side: %.1f", float64(x)/cell)
	}
	if err := g.SetDocument(apply(t, d, edit.Remove{Ref: world.Ref{Sort: world.SortPiece, Map: m.ID, ID: 700}})); err != nil {
		t.Fatal(err)
	}
	walk(g, play.Left, 120)
	if x := g.Status().Place.X; x < 16*cell {
		t.Errorf("one walks on water to %.1f", float64(x)/cell)
	}
}

// What stands on a platform goes with it: foes and what can be pushed, with what stands on that.
func TestPlatformsCarryAll(t *testing.T) {
	for _, to := range []grid.Point{{X: 80}, {Y: -48}, {X: 64, Y: 32}} {
		d := bare(t, world.SideView)
		d = apply(t, d, put(d, 700, world.MovingPlatform, 10, 6, kind.Set(props.Width.Is(4), props.Speed.Is(20), props.To.Is(to.X, to.Y))),
			put(d, 701, world.Pushable, 10, 5, ""), put(d, 702, world.Pushable, 10, 4, ""), put(d, 703, world.Foe, 9, 5, kind.Set(props.Does.Is(props.Stands))))
		g := begin(t, d, 11, 5)
		walk(g, play.Unhurt, 60)
		ids := []world.ID{701, 702, 703}
		was, mine := map[world.ID]body.Place{700: where(g, 700).Place}, g.Status().Place
		for _, id := range ids {
			was[id] = where(g, id).Place
		}
		for tick := range 500 {
			g.Tick(play.Unhurt)
			p := where(g, 700).Place
			dx, dy := p.X-was[700].X, p.Y-was[700].Y
			for _, id := range ids {
				at := where(g, id).Place
				if at.X-was[id].X != dx || max(at.Y-was[id].Y-dy, was[id].Y+dy-at.Y) > body.Unit {
					t.Fatalf("towards %v, tick %d: the platform went by %d, %d; thing %d from %v to %v", to, tick, dx, dy, id, was[id], at)
				}
			}
			if at := g.Status().Place; at.X-mine.X != dx || at.Y-mine.Y != dy {
				t.Fatalf("towards %v, tick %d: the platform went by %d, %d; the player from %v to %v", to, tick, dx, dy, mine, at)
			}
		}
	}
}

// Who stands beside a crate on a platform or raft goes as far as both of them, to whichever side it goes.
func TestBesideACrate(t *testing.T) {
	both(t, func(t *testing.T, view world.View) {
		for _, to := range []int{-96, 96} {
			d := bare(t, view)
			if view == world.TopDown {
				d = apply(t, d, paint(d.Maps[0], grid.Rect{X: 2, Y: 5, W: 20, H: 3}, grid.Cell(tiles.Water)))
			}
			on := 6
			if view == world.SideView {
				on = 5
			}
			d = apply(t, d, put(d, 700, world.MovingPlatform, 10, 6, kind.Set(props.Width.Is(5), props.Speed.Is(20), props.Rest.Is(30), props.To.Is(to, 0))), put(d, 701, world.Pushable, 10, on, ""))
			for _, beside := range []int{9, 11} {
				g := begin(t, d, beside, on)
				way := play.Right
				if beside == 11 {
					way = play.Left
				}
				walk(g, way, 4)
				walk(g, 0, 10)
				p, crate, mine := where(g, 700).Place, where(g, 701).Place, g.Status().Place
				for tick := range 700 {
					g.Tick(0)
					dx := where(g, 700).Place.X - p.X
					if at, me := where(g, 701).Place.X-crate.X, g.Status().Place.X-mine.X; at != dx || me != dx || !g.Fits() {
						t.Fatalf("towards %d, in column %d, tick %d: it went %d, the crate %d, who stands beside it %d", to, beside, tick, dx, at, me)
					}
				}
			}
		}
	})
}

// Hundreds of things heaped up stop one who pushes, and take no longer than others.
func TestHeap(t *testing.T) {
	d := bare(t, world.TopDown)
	for i := range 300 {
		d = apply(t, d, put(d, world.ID(700+i), world.Pushable, 5+i%18, 2+i/18%9, ""))
	}
	g := begin(t, d, 3, 6)
	for _, in := range generate.Inputs(4, 600) {
		if g.Tick(in | play.Right); !g.Fits() {
			t.Fatal("one is in what is heaped up")
		}
	}
	// In one tick only so many are pushed, however many stand in the way: the work of a tick has a bound.
	d = bare(t, world.TopDown)
	for i := range 400 {
		d = apply(t, d, put(d, world.ID(700+i), world.Pushable, 6+i%12, 5, ""))
	}
	g = begin(t, d, 4, 5)
	most := 0
	for range 60 {
		before := map[world.ID]body.Place{}
		g.Things(func(thing play.Thing, _ int, _ body.Size) { before[thing.ID] = thing.Place })
		g.Tick(play.Right)
		n := 0
		g.Things(func(thing play.Thing, _ int, _ body.Size) {
			if before[thing.ID] != thing.Place {
				n++
			}
		})
		most = max(most, n)
	}
	if most < 20 || most > 64 {
		t.Errorf("%d are pushed in a tick, want some, and at most 64", most)
	}
}
