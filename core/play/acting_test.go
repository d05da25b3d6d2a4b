package play_test

import (
	"slices"
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

const cell = 16 * body.Unit

// put is a piece that acts in a cell of the first map, however that is seen.
func put(d *world.Document, id, of world.ID, x, y int, a kind.Values) edit.Part {
	m := d.Maps[0]
	p := &world.Piece{Type: of, Layer: m.PlayerLayer, Foot: m.FootOf(d.Project.Lattice(), of, grid.Point{X: x, Y: y}), Props: a}
	return edit.Put{Ref: world.Ref{Sort: world.SortPiece, Map: m.ID, ID: id}, Values: p.Values()}
}

// as makes the player somebody who moves in a way.
func as(d *world.Document, m world.Movement) []edit.Part {
	who := &world.Character{Name: "Gardener", Movement: m}
	return []edit.Part{edit.Put{Ref: world.Ref{Sort: world.SortCharacter, ID: 900}, Values: who.Values()},
		edit.Change{Ref: world.Ref{Sort: world.SortProject}, Value: world.IDValue(world.FieldPlayer, 900)}}
}

// bare is an empty map of 24 × 12 cells, with ground in its lowest two rows if it is seen from the
// side, and walls round it if it is seen from above.
func bare(t *testing.T, view world.View, parts ...edit.Part) *world.Document {
	t.Helper()
	d, _ := shaft(t)
	m := *d.Maps[0]
	if view == world.TopDown {
		m.SeenAs(view)
		d = apply(t, d, append(edit.Changes(world.Ref{Sort: world.SortMap, ID: m.ID}, d.Maps[0].Values(), m.Values()), paint(d.Maps[0], m.Bounds, 0))...)
	}
	return apply(t, d, parts...)
}

// both runs a test for a map that is seen from the side and for one from above. Row 9 is that on
// which one stands.
func both(t *testing.T, run func(t *testing.T, view world.View)) {
	t.Run("from the side", func(t *testing.T) { run(t, world.SideView) })
	t.Run("from above", func(t *testing.T) { run(t, world.TopDown) })
}

func count(events []play.Event, m *kind.Moment) int {
	return len(slices.DeleteFunc(slices.Clone(events), func(e play.Event) bool { return e.Moment != m }))
}

// Who walks into pushables pushes them, several in a row too, up to a wall or a foe; from the side
// they fall into what is open beneath them.
func TestPushing(t *testing.T) {
	both(t, func(t *testing.T, view world.View) {
		for _, row := range []int{1, 3} {
			d := bare(t, view)
			for i := range row {
				d = apply(t, d, put(d, world.ID(700+i), world.Pushable, 6+i, 9, ""))
			}
			d = apply(t, d, paint(d.Maps[0], grid.Rect{X: 15, Y: 9, W: 1, H: 1}, grid.Cell(tiles.Wall)))
			g := begin(t, d, 3, 9)
			from := where(g, 700).Place.X
			walk(g, play.Right, 90)
			if where(g, 700).Place.X < from+cell {
				t.Fatalf("%d in a row went %d positions in a second and a half", row, where(g, 700).Place.X-from)
			}
			walk(g, play.Right, 600)
			for i := range row {
				if at, want := where(g, world.ID(700+i)).Place.X, 15*cell-7*cell/16-(row-1-i)*14*body.Unit; at > want || at < want-body.Unit {
					t.Errorf("%d of %d in a row stops at %d, want %d before the wall", i+1, row, at, want)
				}
			}
			if !g.Fits() || g.Status().Place.X > where(g, 700).Place.X-7*body.Unit-4*body.Unit {
				t.Errorf("who pushes is at %d, behind what is at %d", g.Status().Place.X, where(g, 700).Place.X)
			}
		}
		d := bare(t, view)
		d = apply(t, d, put(d, 700, world.Pushable, 6, 9, ""), put(d, 701, world.Foe, 10, 9, kind.Set(props.Does.Is(props.Stands))))
		g := begin(t, d, 3, 9)
		walk(g, play.Right, 600)
		if at := where(g, 700).Place.X; at > 10*cell || g.Status().Health != g.Status().Most {
			t.Errorf("pushed at a foe it comes to %d", at)
		}
		d = apply(t, bare(t, view, put(d, 700, world.Pushable, 6, 9, "")), as(d, world.Movement{Cannot: world.Pushing})...)
		g = begin(t, d, 3, 9)
		if at := where(g, 700).Place; true {
			if walk(g, play.Right, 200); where(g, 700).Place != at {
				t.Error("who can't push does")
			}
		}
	})
	d := bare(t, world.SideView)
	d = apply(t, d, put(d, 700, world.Pushable, 6, 9, ""), paint(d.Maps[0], grid.Rect{X: 9, Y: 10, W: 1, H: 1}, 0))
	g := begin(t, d, 3, 9)
	walk(g, play.Right, 400)
	if at := where(g, 700).Place; at.Y != 11*cell || g.Status().Place.X < 11*cell {
		t.Errorf("pushed over a hole it is at %v, who pushed it at %v: want it in the hole, and them over it", at, g.Status().Place)
	}
}

// A player who was hurt is safe for a moment, and neither before nor after it.
func TestSafeForAMoment(t *testing.T) {
	both(t, func(t *testing.T, view world.View) {
		d := bare(t, view)
		d = apply(t, d, put(d, 700, world.Hazard, 8, 9, ""))
		g := begin(t, d, 5, 9)
		for range 200 {
			s := g.Status()
			if s.Health < s.Most {
				break
			}
			if s.Safe {
				t.Fatalf("safe before anything hurt, at %v", s.Place)
			}
			g.Tick(play.Right)
		}
		if s := g.Status(); !s.Safe || s.Health != s.Most-1 {
			t.Fatalf("after walking into a hazard: %+v", s)
		}
		walk(g, play.Left, 200)
		if s := g.Status(); s.Safe || s.Health != s.Most-1 {
			t.Errorf("200 ticks later, away from the hazard: %+v", s)
		}
	})
}

// Cell by cell, what is pushed goes on by whole cells, or not at all.
func TestPushingCellByCell(t *testing.T) {
	d := bare(t, world.TopDown)
	d = apply(t, d, append(as(d, world.Movement{Steering: world.CellByCell}), put(d, 700, world.Pushable, 6, 9, ""), put(d, 701, world.Pushable, 8, 9, ""),
		paint(d.Maps[0], grid.Rect{X: 11, Y: 9, W: 1, H: 1}, grid.Cell(tiles.Wall)))...)
	g := begin(t, d, 4, 9)
	l := d.Project.Lattice()
	for range 900 {
		g.Tick(play.Right)
		if s := g.Status(); s.Place == body.At(l, s.Place.Cell(l)) {
			for _, id := range []world.ID{700, 701} {
				if at := where(g, id).Place; (at.X-cell/2)%cell != 0 {
					t.Fatalf("who walks stands in the middle of a cell, what they push at %v", at)
				}
			}
		}
	}
	if a, b, s := where(g, 700).Place.Cell(l), where(g, 701).Place.Cell(l), g.Status().Place.Cell(l); a.X != 9 || b.X != 10 || s.X != 8 {
		t.Errorf("two in a row before a wall are in the cells %d and %d, who pushes in %d", a.X, b.X, s.X)
	}
}

// What is picked up is carried, thrown at foes and breakables, and put down; where there is no
// room for it, it stays in the hands. It stays on its map.
func TestCarrying(t *testing.T) {
	both(t, func(t *testing.T, view world.View) {
		d := bare(t, view)
		d = apply(t, d, put(d, 700, world.Pushable, 5, 9, ""), put(d, 701, world.Foe, 9, 9, kind.Set(props.Does.Is(props.Stands))),
			put(d, 702, world.Breakable, 2, 9, ""))
		g := begin(t, d, 4, 9)
		walk(g, play.Right, 1)
		walk(g, play.Right|play.Use, 1)
		walk(g, 0, 10)
		if s := g.Status(); s.Lifted != 700 || where(g, 700).Place.X != s.Place.X || where(g, 700).Place.Y >= s.Place.Y {
			t.Fatalf("not carried: %+v, it is at %v", s, where(g, 700).Place)
		}
		walk(g, play.Right, 20)
		walk(g, play.Use, 1)
		walk(g, 0, 60)
		if !where(g, 701).Gone || g.Status().Lifted != 0 {
			t.Errorf("thrown at a foe: %+v; what was thrown is at %v", where(g, 701), where(g, 700).Place)
		}
		walk(g, play.Right, 60)
		walk(g, play.Right|play.Use, 1)
		if g.Status().Lifted != 700 {
			t.Fatalf("not picked up again: one is at %v, it at %v", g.Status().Place, where(g, 700).Place)
		}
		for g.Status().Place.X > 4*cell {
			g.Tick(play.Left)
		}
		events := walk(g, play.Left|play.Use, 1)
		events = append(events, walk(g, 0, 60)...)
		if !where(g, 702).Gone || count(events, props.Broken) != 1 {
			t.Errorf("thrown at a breakable: %v, it is at %v", events, where(g, 700).Place)
		}
		// Put down, and with a wall there kept.
		d = apply(t, bare(t, view), put(d, 700, world.Pushable, 5, 9, ""))
		g = begin(t, d, 4, 9)
		walk(g, play.Right|play.Use, 1)
		walk(g, 0, 1)
		d = apply(t, d, paint(d.Maps[0], grid.Rect{X: 5, Y: 6, W: 2, H: 4}, grid.Cell(tiles.Wall)))
		if err := g.SetDocument(d); err != nil {
			t.Fatal(err)
		}
		if events := walk(g, play.Use|play.Down, 1); count(events, play.NoRoom) != 1 || g.Status().Lifted != 700 {
			t.Errorf("before a wall it is let go of: %v", events)
		}
		walk(g, play.Left, 30)
		walk(g, play.Use|play.Down, 1)
		walk(g, 0, 40)
		if at, s := where(g, 700).Place, g.Status(); s.Lifted != 0 || at.X > s.Place.X || view == world.SideView && at.Y != 10*cell {
			t.Errorf("put down it is at %v, one is at %v", at, s.Place)
		}
	})
}

// Breakables and foes bear as many strikes or shots as they say; shots end at walls; who has no
// arms does nothing.
func TestArms(t *testing.T) {
	both(t, func(t *testing.T, view world.View) {
		for _, arm := range []struct {
			arms world.Arm
			in   play.Input
			away int
		}{{world.Striking, play.Strike, 5}, {world.Shooting, play.Shoot, 9}} {
			for _, of := range []world.ID{world.Foe, world.Breakable} {
				d := bare(t, view)
				d = apply(t, d, append(as(d, world.Movement{Arms: arm.arms}), put(d, 700, of, arm.away, 9, kind.Set(props.Does.Is(props.Stands), props.Bears.Is(3))))...)
				g := begin(t, d, 4, 9)
				walk(g, play.Right, 1)
				for n := 1; n <= 3; n++ {
					walk(g, arm.in, 1)
					walk(g, 0, 60)
					if where(g, 700).Gone != (n == 3) {
						t.Errorf("of 3 hits by %d, a piece of type %d has had %d and is gone: %v", arm.in, of, n, where(g, 700).Gone)
					}
				}
				d = apply(t, d, paint(d.Maps[0], grid.Rect{X: 7, Y: 9, W: 1, H: 1}, grid.Cell(tiles.Wall)))
				g = begin(t, d, 4, 9)
				walk(g, play.Right|arm.in, 200)
				if arm.arms == world.Shooting && where(g, 700).Gone {
					t.Error("shots go through a wall")
				}
				unarmed := apply(t, d, edit.Change{Ref: world.Ref{Sort: world.SortProject}, Value: world.IDValue(world.FieldPlayer, 0)})
				g = begin(t, unarmed, arm.away-1, 9)
				walk(g, play.Right, 1)
				if walk(g, arm.in, 100); where(g, 700).Gone {
					t.Error("who has no arms uses them")
				}
			}
		}
	})
}

// Two emitters in one place let one solid thing out at a time. What is used lies in the cell ahead, and no further.
func TestOneAtATime(t *testing.T) {
	d := bare(t, world.TopDown)
	out := kind.Set(props.Every.Is(30), props.Most.Is(9), world.Odds{world.OddsPushable: 1}.Prop())
	d = apply(t, d, put(d, 700, world.Emitter, 12, 5, out), put(d, 701, world.Emitter, 12, 5, out),
		put(d, 702, world.Collectible, 5, 9, ""), put(d, 703, world.Collectible, 4, 9, ""))
	g := begin(t, d, 3, 9)
	crates := func() (n int) {
		g.Things(func(thing play.Thing, _ int, _ body.Size) {
			if thing.Type == world.Pushable {
				n++
			}
		})
		return n
	}
	if walk(g, 0, 70); crates() != 1 {
		t.Errorf("%d crates came into one place", crates())
	}
	walk(g, play.Right, 1)
	if events := walk(g, play.Use, 2); g.Status().Taken != 1 {
		t.Errorf("%d things ahead were taken: %v", g.Status().Taken, events)
	}
}

// How far and fast one throws, shoots and strikes is what the terms say; how fast what a foe shoots flies too.
func TestTermsOfArms(t *testing.T) {
	both(t, func(t *testing.T, view world.View) {
		// flown is how far what is shot goes in its second tick, and all in all.
		flown := func(m world.Movement) (fast, far int) {
			d := bare(t, view)
			m.Arms = world.Shooting
			d = apply(t, d, as(d, m)...)
			g := begin(t, d, 3, 6)
			walk(g, play.Right, 1)
			from, last := g.Status().Place.X, 0
			for tick := range 200 {
				in := play.Input(0)
				if tick == 0 {
					in = play.Shoot
				}
				g.Tick(in)
				g.Shots(func(at body.Place, _ bool) {
					if last != 0 && fast == 0 {
						fast = at.X - last
					}
					last, far = at.X, max(far, at.X-from)
				})
			}
			return fast, far
		}
		for _, tenths := range []int{30, 100, 400} {
			fast, far := flown(world.Movement{Shot: tenths, ShotReach: 6})
			if want := tenths * cell / 600; fast < want-1 || fast > want+1 || far > 6*cell+cell/8 || far < 6*cell-want-cell/8 {
				t.Errorf("at %d tenths a shot goes %d positions in a tick, want %d, and %.2f cells, want 6", tenths, fast, want, float64(far)/cell)
			}
		}
		// thrown is how far a crate comes to lie from who throws it.
		thrown := func(m world.Movement) int {
			d := bare(t, view)
			d = apply(t, d, append(as(d, m), put(d, 700, world.Pushable, 5, 9, ""))...)
			g := begin(t, d, 4, 9)
			walk(g, play.Right, 3)
			walk(g, play.Use, 1)
			walk(g, 0, 1)
			from := g.Status().Place.X
			walk(g, play.Use, 1)
			walk(g, 0, 200)
			return where(g, 700).Place.X - from
		}
		usual := thrown(world.Movement{})
		if slow, fast := thrown(world.Movement{Throw: 40}), thrown(world.Movement{Throw: 130}); slow >= usual-cell/4 || fast <= usual+cell/4 || slow < 0 {
			t.Errorf("thrown at 40, 90 and 130 tenths a crate flies %.2f, %.2f and %.2f cells", float64(slow)/cell, float64(usual)/cell, float64(fast)/cell)
		}
		if high := thrown(world.Movement{ThrowRise: 120}); (high > usual+cell) != (view == world.SideView) {
			t.Errorf("thrown up twice as fast a crate flies %.2f cells, not %.2f", float64(high)/cell, float64(usual)/cell)
		}
		// struck is how often a pane two cells away is struck in two seconds.
		struck := func(m world.Movement) (n int) {
			d := bare(t, view)
			m.Arms = world.Striking
			d = apply(t, d, append(as(d, m), put(d, 700, world.Breakable, 6, 9, kind.Set(props.Bears.Is(90))))...)
			g := begin(t, d, 4, 9)
			walk(g, play.Right, 1)
			last := 0
			for range 120 {
				g.Tick(play.Strike)
				if is := g.Status().Striking; is != 0 && last == 0 {
					n++
				}
				last = g.Status().Striking
			}
			if hits := play.HitsOf(g, 700); (hits > 0) != (m.Strike > 100) || hits > 0 && hits != n {
				t.Errorf("a strike that reaches %d hundredths hits a pane two cells away %d times of %d", m.Strike, hits, n)
			}
			return n
		}
		if few, many := struck(world.Movement{Strike: 75, Pause: 60}), struck(world.Movement{Strike: 150, Pause: 10}); few != 2 || many != 12 {
			t.Errorf("with a pause of 60 and of 10 ticks one strikes %d and %d times in two seconds", few, many)
		}
		for _, tenths := range []int{0, 50, 300} {
			d := bare(t, view)
			g := begin(t, apply(t, d, put(d, 700, world.Foe, 20, 5, kind.Set(props.Every.Is(500), props.Shot.Is(tenths), props.Looks.Is(int(world.West)+1), props.Does.Is(props.Stands)))), 2, 2)
			last, fast := 0, 0
			for range 600 {
				g.Tick(play.Unhurt)
				g.Shots(func(at body.Place, _ bool) {
					if last != 0 {
						fast = last - at.X
					}
					last = at.X
				})
			}
			if want := max(tenths, 100*(1-min(1, tenths))) * cell / 600; fast < want-1 || fast > want+1 {
				t.Errorf("what a foe shoots at %d tenths goes %d positions in a tick, want %d", tenths, fast, want)
			}
		}
	})
}
