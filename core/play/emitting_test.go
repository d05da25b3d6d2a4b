package play_test

import (
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

// A foe that shoots does so as often as it says: at the player whom it sees, or to where it
// looks. Walls and what is pushed between stop shots.
func TestFoesShoot(t *testing.T) {
	both(t, func(t *testing.T, view world.View) {
		shots := func(d *world.Document, ticks int) (flown int, events []play.Event) {
			g := begin(t, d, 4, 9)
			was := 0
			for range ticks {
				g.Tick(play.Unhurt)
				events = append(events, g.Events()...)
				n := 0
				g.Shots(func(body.Place, bool) { n++ })
				if n > was {
					flown++
				}
				was = n
			}
			return flown, events
		}
		d := bare(t, view)
		foe := kind.Set(props.Does.Is(props.Stands), props.Every.Is(60), props.Sight.Is(10), props.Reach.Is(10))
		aimed := apply(t, d, put(d, 700, world.Foe, 12, 9, foe))
		if n, _ := shots(aimed, 600); n < 9 || n > 10 {
			t.Errorf("%d shots in ten seconds, want one a second", n)
		}
		if n, _ := shots(apply(t, d, put(d, 700, world.Foe, 20, 9, foe)), 600); n != 0 {
			t.Errorf("%d shots at somebody who is too far away", n)
		}
		hurt := func(d *world.Document) bool {
			return count(walk(begin(t, d, 4, 9), 0, 300), play.Hurt) > 0
		}
		foe = foe.With(props.Looks.Is(int(world.West) + 1))
		west := apply(t, d, put(d, 700, world.Foe, 12, 9, foe))
		foe = foe.With(props.Looks.Is(int(world.East) + 1))
		for name, c := range map[string]struct {
			d    *world.Document
			want bool
		}{"aimed": {aimed, true}, "to the west": {west, true}, "to the east": {apply(t, d, put(d, 700, world.Foe, 12, 9, foe)), false},
			"behind a wall":     {apply(t, west, paint(west.Maps[0], grid.Rect{X: 8, Y: 8, W: 1, H: 2}, grid.Cell(tiles.Wall))), false},
			"behind a pushable": {apply(t, west, put(west, 701, world.Pushable, 8, 9, "")), false}} {
			if got := hurt(c.d); got != c.want {
				t.Errorf("%s, shots hurt the player: %v", name, got)
			}
		}
	})
}

// An emitter lets something come as often and as much at once as it says, in the proportions of its
// weights; what comes acts as the emitter says.
func TestEmitting(t *testing.T) {
	both(t, func(t *testing.T, view world.View) {
		d := bare(t, view)
		d = apply(t, d, put(d, 700, world.Emitter, 12, 4, kind.Set(props.Every.Is(30), props.Most.Is(4), props.Does.Is(props.Wanders), props.Reach.Is(3), world.Odds{world.OddsFoe: 1}.Prop())))
		g := begin(t, d, 2, 9)
		came := func() (foes, others int) {
			g.Things(func(t play.Thing, _ int, _ body.Size) {
				switch {
				case t.ID == 700 || t.Gone:
				case t.Type == world.Foe:
					foes++
				default:
					others++
				}
			})
			return foes, others
		}
		for n := 1; n <= 6; n++ {
			walk(g, play.Unseen|play.Unhurt, 30)
			if foes, others := came(); foes != min(n, 4) || others != 0 {
				t.Fatalf("after %d times 30 ticks there are %d foes and %d others, want at most 4", n, foes, others)
			}
		}
		d = apply(t, bare(t, view), put(d, 700, world.Emitter, 12, 2, kind.Set(props.Every.Is(2), props.Most.Is(32), world.Odds{world.OddsNothing: 3, world.OddsHazard: 1}.Prop())))
		g = begin(t, d, 2, 9)
		hazards, seen := 0, map[world.ID]bool{}
		for range 4000 {
			g.Tick(play.Unhurt)
			g.Things(func(t play.Thing, _ int, _ body.Size) {
				if t.Type == world.Hazard && !seen[t.ID] {
					seen[t.ID] = true
					hazards++
				}
			})
		}
		if hazards < 400 || hazards > 600 {
			t.Errorf("one in four of 2,000 times a hazard is to come, and %d came", hazards)
		}
	})
}

// What comes out of an emitter is the real thing: a collectible is taken and gives what the emitter says,
// a foe is as large as the character that it is, and the character is not gone with it.
func TestEmittedThings(t *testing.T) {
	both(t, func(t *testing.T, view world.View) {
		d := bare(t, view)
		tall := &world.Character{Name: "Watchman", Movement: world.Movement{BodyW: 12, BodyH: 20, AboveW: 12, AboveH: 9}}
		d = apply(t, d, edit.Put{Ref: world.Ref{Sort: world.SortItem, ID: 801}, Values: (&world.Item{Name: "Fuse", Most: 3}).Values()},
			edit.Put{Ref: world.Ref{Sort: world.SortCharacter, ID: 802}, Values: tall.Values()},
			put(d, 700, world.Emitter, 6, 9, kind.Set(props.Every.Is(40), props.Most.Is(2), props.Item.Refer(801), world.Odds{world.OddsCollectible: 1}.Prop())),
			put(d, 701, world.Emitter, 12, 9, kind.Set(props.Every.Is(30), props.Most.Is(1), props.Speed.Is(1), props.Who.Refer(802), world.Odds{world.OddsFoe: 1}.Prop())), put(d, 702, world.Foe, 20, 9, kind.Set(props.Who.Refer(802), props.Does.Is(props.Stands))))
		d = apply(t, d, as(d, world.Movement{Arms: world.Striking})...)
		g := begin(t, d, 3, 9)
		walk(g, play.Right, 32)
		events := walk(g, 0, 400)
		if n := count(events, props.Taken); n != 3 || g.Has(d.Item(801)) != 3 || count(events, props.Full) != 2 {
			t.Errorf("%d fuses are taken, %d are had, with room for 3: %v", n, g.Has(d.Item(801)), events)
		}
		left := 0
		g.Things(func(thing play.Thing, _ int, size body.Size) {
			if thing.Type == world.Collectible && !thing.Gone {
				left++
			}
			if want := (body.Size{W: 12, H: []int{world.TopDown: 9, world.SideView: 20}[view]}); thing.Type == world.Foe && size != want {
				t.Errorf("a watchman is %v, want %v", size, want)
			}
		})
		if left != 2 {
			t.Errorf("%d fuses lie there, want 2", left)
		}
		// Past the fuses, up to the one that came; struck, it is gone, and the one that was placed is there.
		walk(g, play.Right|play.Unhurt, 50)
		for range 20 {
			walk(g, play.Strike|play.Unhurt, 16)
		}
		if where(g, 702).Gone {
			t.Error("with one that came out of an emitter the character is gone everywhere")
		}
	})
}

// A hazard that comes out of an emitter is there for two seconds from above; from the side it falls to the ground.
func TestEmittedHazards(t *testing.T) {
	both(t, func(t *testing.T, view world.View) {
		d := bare(t, view)
		d = apply(t, d, put(d, 700, world.Emitter, 9, 4, kind.Set(props.Every.Is(300), props.Most.Is(1), world.Odds{world.OddsHazard: 1}.Prop())))
		g := begin(t, d, 3, 9)
		there := 0
		for range 600 {
			g.Tick(0)
			g.Things(func(thing play.Thing, _ int, _ body.Size) {
				if thing.Type == world.Hazard && !thing.Gone {
					there++
				}
			})
		}
		if most := map[world.View]int{world.TopDown: 2*play.TicksPerSecond + 1, world.SideView: play.TicksPerSecond}[view]; there < most/4 || there > most || view == world.TopDown && there < most {
			t.Errorf("the hazard is there for %d ticks, want %d at most", there, most)
		}
	})
}

// A lottery piece is drawn when play begins, in the proportions of its map's weights or its own, and
// is the same all through that play.
func TestLottery(t *testing.T) {
	d := bare(t, world.TopDown)
	m := *d.Maps[0]
	m.Lottery = world.Odds{1, 2, 3, 4, 0}
	d = apply(t, d, append(edit.Changes(world.Ref{Sort: world.SortMap, ID: m.ID}, d.Maps[0].Values(), m.Values()),
		put(d, 700, world.Lottery, 8, 5, kind.Set(props.Does.Is(props.Stands))), put(d, 701, world.Lottery, 9, 5, kind.Set(world.Odds{world.OddsPushable: 5}.Prop())))...)
	drawn := map[world.ID]int{}
	for chance := range uint64(4000) {
		g, err := play.New(d, play.Start{Map: m.ID, Cell: grid.Point{X: 2, Y: 9}, Chance: chance})
		if err != nil {
			t.Fatal(err)
		}
		of := where(g, 700).Type
		drawn[of]++
		if walk(g, 0, 2); where(g, 700).Type != of || where(g, 701).Type != world.Pushable {
			t.Fatal("what was drawn became something else")
		}
		if want := map[bool]int{true: 1}[of == world.Collectible]; g.Status().Total != want {
			t.Fatalf("with a piece of type %d drawn there are %d to be taken", of, g.Status().Total)
		}
	}
	// What a recording drew is drawn again by every later version.
	for chance, want := range []world.ID{0, 8, 8, 6, 6, 8, 6, 3, 8, 6, 8, 3} {
		g, err := play.New(d, play.Start{Map: m.ID, Cell: grid.Point{X: 2, Y: 9}, Chance: uint64(chance)})
		if err != nil {
			t.Fatal(err)
		}
		if of := where(g, 700).Type; of != want {
			t.Errorf("with chance %d, type %d is drawn and not %d", chance, of, want)
		}
	}
	for of, want := range map[world.ID]int{0: 400, world.Collectible: 800, world.Foe: 1200, world.Hazard: 1600} {
		if n := drawn[of]; n < want*8/10 || n > want*12/10 {
			t.Errorf("type %d was drawn %d times of 4,000, want about %d", of, n, want)
		}
	}
}

// Pieces that are the same character have its body and are gone together, on other maps too; rewound,
// they are there again.
func TestSameCharacter(t *testing.T) {
	d := bare(t, world.SideView)
	ids := &world.Counter{Prefix: 9}
	far, layers := world.NewMap("Far", grid.Point{X: 100}, grid.Rect{W: 12, H: 12}, ids)
	far.SeenAs(world.SideView)
	who := &world.Character{Name: "Night porter", Movement: world.Movement{BodyW: 8, BodyH: 30}}
	porter := func(x int) world.Piece {
		return world.Piece{Type: world.Foe, Layer: d.Maps[0].PlayerLayer, Foot: d.Maps[0].FootOf(d.Project.Lattice(), world.Foe, grid.Point{X: x, Y: 9}), Props: kind.Set(props.Does.Is(props.Stands), props.Who.Refer(800))}
	}
	there := porter(5)
	there.Layer = far.PlayerLayer
	here, beside := porter(9), porter(14)
	way := &world.Crossing{BothWays: true, Ends: [2]world.End{{Map: d.Maps[0].ID, Cells: grid.Rect{X: 20, Y: 9, W: 1, H: 1}}, {Map: far.ID, Cells: grid.Rect{X: 9, Y: 9, W: 1, H: 1}}}}
	parts := append(edit.PutMap(far, layers), edit.Put{Ref: world.Ref{Sort: world.SortCharacter, ID: 800}, Values: who.Values()},
		edit.Put{Ref: world.Ref{Sort: world.SortPiece, Map: d.Maps[0].ID, ID: 700}, Values: here.Values()},
		edit.Put{Ref: world.Ref{Sort: world.SortPiece, Map: d.Maps[0].ID, ID: 701}, Values: beside.Values()},
		edit.Put{Ref: world.Ref{Sort: world.SortPiece, Map: far.ID, ID: 702}, Values: there.Values()},
		edit.Put{Ref: world.Ref{Sort: world.SortCrossing, ID: ids.NewID()}, Values: way.Values()},
		paint(far, grid.Rect{Y: 10, W: 12, H: 2}, grid.Cell(tiles.Wall)))
	d = apply(t, d, parts...)
	g := begin(t, d, 9, 5)
	g.Things(func(is play.Thing, _ int, size body.Size) {
		if size != (body.Size{W: 8, H: 30}) {
			t.Errorf("the body of piece %d is %+v", is.ID, size)
		}
	})
	r := play.Record(g)
	for range 60 {
		r.Tick(0)
	}
	if !where(g, 700).Gone || !where(g, 701).Gone {
		t.Fatalf("with one jumped on, the two are %+v and %+v", where(g, 700), where(g, 701))
	}
	for tick := 0; r.Game().Status().Map != far.ID && tick < 600; tick++ {
		r.Tick(play.Right)
	}
	if r.Game().Status().Map != far.ID || !where(r.Game(), 702).Gone {
		t.Errorf("on the other map, %d of %d, it is %+v", r.Game().Status().Map, far.ID, where(r.Game(), 702))
	}
	if err := r.Go(1); err != nil || where(r.Game(), 701).Gone {
		t.Errorf("rewound, it is %+v (%v)", where(r.Game(), 701), err)
	}
}
