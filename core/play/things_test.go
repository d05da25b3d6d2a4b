package play_test

import (
	"bytes"
	"fmt"
	"math/rand/v2"
	"slices"
	"strings"
	"testing"

	"azzel/core/body"
	"azzel/core/edit"
	"azzel/core/grid"
	"azzel/core/kind"
	"azzel/core/kinds/door"
	"azzel/core/kinds/gate"
	"azzel/core/kinds/props"
	"azzel/core/kinds/spring"
	"azzel/core/play"
	"azzel/core/play/generate"
	"azzel/core/tiles"
	"azzel/core/world"
)

// shaft is a map seen from the side, 24 × 12 cells, with ground in its lowest two rows.
func shaft(t *testing.T) (*world.Document, *world.Map) {
	t.Helper()
	d, err := world.Start(world.Project{Name: "Shaft", CellW: 16, CellH: 16, SeenW: 6, SeenH: 12, View: world.SideView}, &world.Counter{Prefix: 2})
	if err != nil {
		t.Fatal(err)
	}
	return d, d.Maps[0]
}

func acting(d *world.Document, m *world.Map, id, of world.ID, x, y int, a kind.Values) edit.Part {
	p := &world.Piece{Type: of, Layer: m.PlayerLayer, Foot: d.Project.Lattice().Foot(grid.Point{X: x, Y: y}), Props: a}
	return edit.Put{Ref: world.Ref{Sort: world.SortPiece, Map: m.ID, ID: id}, Values: p.Values()}
}

func begin(t *testing.T, d *world.Document, x, y int) *play.Game {
	t.Helper()
	g, err := play.New(d, play.Start{Map: d.Maps[0].ID, Cell: grid.Point{X: x, Y: y}})
	if err != nil {
		t.Fatal(err)
	}
	return g
}

// where is a thing of the player's map.
func where(g *play.Game, id world.ID) (found play.Thing) {
	g.Things(func(t play.Thing, _ int, _ body.Size) {
		if t.ID == id {
			found = t
		}
	})
	return found
}

// A platform carries who stands on it to both sides, up and down, pushes who is in its way, and
// hurts who is between it and a wall.
func TestPlatforms(t *testing.T) {
	for _, to := range []grid.Point{{X: 80}, {X: -40}, {Y: -64}, {Y: 48}, {X: 64, Y: -48}} {
		d, m := shaft(t)
		d = apply(t, d, acting(d, m, 700, world.MovingPlatform, 10, 5, kind.Set(props.Width.Is(3), props.To.Is(to.X, to.Y))))
		g := begin(t, d, 10, 3)
		walk(g, 0, 60)
		if g.Status().Doing != body.Grounded {
			t.Fatalf("towards %v: not on the platform: %+v", to, g.Status())
		}
		before, on := g.Status().Place, where(g, 700).Place
		for tick := range 600 {
			g.Tick(0)
			s, p := g.Status(), where(g, 700).Place
			if s.Doing != body.Grounded || s.Place.X-before.X != p.X-on.X || s.Place.Y-before.Y != p.Y-on.Y {
				t.Fatalf("towards %v, tick %d: the platform went from %v to %v, who stands on it from %v to %v", to, tick, on, p, before, s.Place)
			}
		}
	}
	// In its way, on the ground.
	d, m := shaft(t)
	d = apply(t, d, acting(d, m, 700, world.MovingPlatform, 4, 9, kind.Set(props.Width.Is(1), props.To.Is(160, 0))))
	g := begin(t, d, 8, 9)
	pushed := g.Status().Place.X
	walk(g, 0, 120)
	if x := g.Status().Place.X; x <= pushed || !g.Fits() {
		t.Errorf("who is in the way of a platform was at %d and is at %d", pushed, x)
	}
	d = apply(t, d, paint(m, grid.Rect{X: 10, Y: 5, W: 1, H: 5}, grid.Cell(tiles.Wall)))
	g = begin(t, d, 8, 9)
	events := walk(g, 0, 200)
	if !play.Happened(events, play.Crushed) || g.Status().Health != 2 || !g.Fits() {
		t.Errorf("between a platform and a wall: %v, %+v", events, g.Status())
	}
}

// A foe that patrols turns at walls and ledges, and never falls; from above onto it, it is gone
// and one bounces; touched otherwise it hurts, and for a moment nothing more does. A spring
// throws as high as it says.
func TestFoesAndSprings(t *testing.T) {
	d, m := shaft(t)
	d = apply(t, d, paint(m, grid.Rect{X: 6, Y: 6, W: 5, H: 1}, grid.Cell(tiles.Wall)), paint(m, grid.Rect{X: 6, Y: 5, W: 1, H: 1}, grid.Cell(tiles.Wall)),
		acting(d, m, 700, world.Foe, 8, 5, kind.Set(props.Speed.Is(60))))
	g := begin(t, d, 1, 9)
	least, most := 1<<30, 0
	for range 600 {
		g.Tick(0)
		at := where(g, 700)
		if at.Gone || at.Place.Cell(d.Project.Lattice()).Y != 5 {
			t.Fatalf("the foe fell: %+v", at)
		}
		least, most = min(least, at.Place.X), max(most, at.Place.X)
	}
	cell := 16 * body.Unit
	if least < 7*cell || least > 8*cell || most > 11*cell || most < 10*cell {
		t.Errorf("the foe goes from %.1f to %.1f, want from the wall at 7 to the ledge at 11", float64(least)/float64(cell), float64(most)/float64(cell))
	}
	d, m = shaft(t)
	d = apply(t, d, acting(d, m, 700, world.Foe, 9, 9, kind.Set(props.Does.Is(props.Stands))))
	g = begin(t, d, 9, 6)
	events := walk(g, 0, 40)
	if !play.Happened(events, props.Stomped) || play.Happened(events, play.Hurt) || !where(g, 700).Gone {
		t.Errorf("fallen onto a foe: %v", events)
	}
	g = begin(t, d, 7, 9)
	events = walk(g, play.Right, 60)
	if n := len(slices.DeleteFunc(events, func(e play.Event) bool { return e.Moment != play.Hurt })); n != 1 || g.Status().Health != 2 {
		t.Errorf("a foe that is walked into hurts %d times: %+v", n, g.Status())
	}
	for _, tenths := range []int{10, 50, 85} {
		d, m = shaft(t)
		d = apply(t, d, acting(d, m, 700, world.Spring, 9, 9, kind.Set(spring.Height.Is(tenths))))
		g = begin(t, d, 9, 7)
		from, highest := 0, 1<<30
		for range 240 {
			g.Tick(0)
			if play.Happened(g.Events(), props.Threw) {
				from, highest = g.Status().Place.Y, 1<<30
			}
			highest = min(highest, g.Status().Place.Y)
			if from != 0 && g.Status().Place.Y > highest {
				break
			}
		}
		if got, want := from-highest, tenths*cell/10; max(got-want, want-got) > body.Unit {
			t.Errorf("a spring of %d tenths throws %.2f cells high", tenths, float64(got)/float64(cell))
		}
	}
}

// Foes go after the player or away from them as they are told, seen from above too, and stay
// on their map.
func TestFoesFromAbove(t *testing.T) {
	for _, does := range []int{props.Patrols, props.Wanders, props.Follows, props.Flees} {
		d := room(t)
		m := d.Maps[0]
		d = apply(t, d, acting(d, m, 700, world.Foe, 10, 8, kind.Set(props.Does.Is(does), props.Sight.Is(5))))
		g := begin(t, d, 7, 8)
		from := where(g, 700).Place
		far := func() int {
			return max(where(g, 700).Place.X-g.Status().Place.X, g.Status().Place.X-where(g, 700).Place.X)
		}
		near, moved := far(), 0
		for range 90 {
			before := where(g, 700).Place
			g.Tick(0)
			if at := where(g, 700).Place; at != before {
				moved++
			} else if !m.Bounds.Has(at.Cell(d.Project.Lattice())) {
				t.Fatalf("one who %v left the map", does)
			}
		}
		if moved < 20 {
			t.Errorf("one who %v moved in %d of 90 ticks", does, moved)
		}
		if now := far(); does == props.Follows && now >= near || does == props.Flees && now <= near {
			t.Errorf("one who %v was %d away and is %d", does, near, now)
		}
		if at := where(g, 700).Place; does == props.Wanders && max(at.X-from.X, from.X-at.X) > 5*16*body.Unit {
			t.Errorf("one who wanders strayed from %v to %v", from, at)
		}
	}
}

// What happens does not depend on the order in which pieces were placed, nor on their ids.
func TestOrderOfPlacing(t *testing.T) {
	r := rand.New(rand.NewPCG(9, 9))
	for seed := range uint64(20) {
		var pieces []*world.Piece
		d, m := shaft(t)
		for i := range 12 {
			of := []world.ID{world.Foe, world.MovingPlatform, world.Spring, world.Hazard}[r.IntN(4)]
			pieces = append(pieces, &world.Piece{Type: of, Layer: m.PlayerLayer, Foot: d.Project.Lattice().Foot(grid.Point{X: 1 + 2*i%22, Y: 3 + r.IntN(7)}),
				Props: kind.Set(props.Does.Is(r.IntN(5)), props.Speed.Is(r.IntN(60)), world.IntValue(10, 1+r.IntN(4)), props.To.Is(r.IntN(90)-45, r.IntN(90)-45))})
		}
		var first []byte
		for trial := range 3 {
			doc := d
			for n, i := range r.Perm(len(pieces)) {
				doc = apply(t, doc, edit.Put{Ref: world.Ref{Sort: world.SortPiece, Map: m.ID, ID: world.ID(700 + (n*7+trial*13)%97)}, Values: pieces[i].Values()})
			}
			g := begin(t, doc, 2, 8)
			var seen bytes.Buffer
			for _, in := range generate.Inputs(seed, 300) {
				g.Tick(in)
				s := g.Status()
				fmt.Fprintln(&seen, s.Place, s.Health, s.Doing)
			}
			if trial > 0 && !bytes.Equal(first, seen.Bytes()) {
				t.Fatalf("world %d: placed in another order, the player goes elsewhere", seed)
			}
			first = seen.Bytes()
		}
	}
}

// While it runs: a wall is painted on the player, the platform under them is deleted, a foe's
// speed is changed, the map is resized. Nobody ends in what is solid, and each goes on from where
// it was.
func TestChangedWhileItRuns(t *testing.T) {
	d, m := shaft(t)
	d = apply(t, d, acting(d, m, 700, world.MovingPlatform, 10, 5, kind.Set(props.Width.Is(3), props.To.Is(60, 0))), acting(d, m, 701, world.Foe, 16, 9, kind.Set(props.Speed.Is(20))))
	g := begin(t, d, 10, 3)
	walk(g, 0, 60)
	at, foe := g.Status(), where(g, 701).Place
	if at.Doing != body.Grounded {
		t.Fatalf("not on the platform: %+v", at)
	}
	change := func(parts ...edit.Part) {
		t.Helper()
		d = apply(t, d, parts...)
		if err := g.SetDocument(d); err != nil || !g.Fits() {
			t.Fatalf("after a change one is at %v: %v", g.Status().Place, err)
		}
	}
	change(edit.Remove{Ref: world.Ref{Sort: world.SortPiece, Map: m.ID, ID: 700}})
	if g.Status().Place != at.Place {
		t.Errorf("with the platform gone one is moved from %v to %v at once", at.Place, g.Status().Place)
	}
	walk(g, 0, 60)
	if s := g.Status(); s.Doing != body.Grounded || s.Place.Y <= at.Place.Y {
		t.Errorf("with the platform gone one does not fall to the ground: %+v", s)
	}
	cell := g.Status().Place.Cell(d.Project.Lattice())
	change(paint(m, grid.Rect{X: cell.X - 1, Y: cell.Y - 1, W: 3, H: 2}, grid.Cell(tiles.Wall)))
	if now := g.Status().Place.Cell(d.Project.Lattice()); now == cell {
		t.Error("one stands in a wall that was painted")
	}
	before := where(g, 701).Place
	change(edit.Change{Ref: world.Ref{Sort: world.SortPiece, Map: m.ID, ID: 701}, Value: props.Speed.Is(160)})
	if where(g, 701).Place != before || before == foe {
		t.Errorf("the foe was at %v, then at %v, and at %v once it is faster", foe, before, where(g, 701).Place)
	}
	walk(g, 0, 20)
	if way := where(g, 701).Place.X - before.X; max(way, -way) < 2*16*body.Unit {
		t.Errorf("the faster foe went %d in a third of a second", way)
	}
	// Moved, it is there at once, and looks where it is to look; what became of it stays.
	foot := m.FootOf(d.Project.Lattice(), world.Foe, grid.Point{X: 5, Y: 9})
	change(edit.Change{Ref: world.Ref{Sort: world.SortPiece, Map: m.ID, ID: 701}, Value: world.PointValue(world.FieldFoot, foot)},
		edit.Change{Ref: world.Ref{Sort: world.SortPiece, Map: m.ID, ID: 701}, Value: world.IntValue(props.Looks.Field, int(world.West)+1)})
	if is := where(g, 701); is.Place != (body.Place{X: foot.X * body.Unit, Y: (foot.Y + 1) * body.Unit}) || is.Heading != -1 {
		t.Errorf("moved to %v, the foe is at %v and looks %d", foot, is.Place, is.Heading)
	}
	// Hits that it has borne are not forgotten when it is moved, nor that it is gone.
	play.Hit(g, 701, 2)
	change(edit.Change{Ref: world.Ref{Sort: world.SortPiece, Map: m.ID, ID: 701}, Value: world.PointValue(world.FieldFoot, foot.Add(grid.Point{X: 16}))})
	if play.HitsOf(g, 701) != 2 {
		t.Error("with a foe that is moved what it has borne is forgotten")
	}
	change(edit.Change{Ref: world.Ref{Sort: world.SortPiece, Map: m.ID, ID: 701}, Value: world.IntValue(props.Looks.Field, int(world.East)+1)})
	if where(g, 701).Heading != 1 {
		t.Error("told to look the other way, the foe does not")
	}
	b := d.Maps[0].Bounds
	change(resized(t, d, edit.Resize{Map: m.ID, Bounds: grid.Rect{X: b.X - 3, Y: b.Y - 4, W: b.W + 3, H: b.H + 4}})...)
	stands := g.Status().Place
	walk(g, 0, 30)
	if g.Status().Place.X != stands.X {
		t.Error("growing the map moves the player")
	}
	here := g.Status().Place.Cell(d.Project.Lattice())
	change(resized(t, d, edit.Resize{Map: m.ID, Bounds: grid.Rect{X: here.X + 2, Y: b.Y, W: b.X + b.W - here.X - 2, H: b.H}})...)
	if !d.Maps[0].Bounds.Has(g.Status().Place.Cell(d.Project.Lattice())) {
		t.Error("the map shrank away from under the player")
	}
}

// Sent where only danger leads, one goes as far as that and stops; if there is another way, one
// takes it.
func TestSentThroughDanger(t *testing.T) {
	d := room(t)
	m := d.Maps[0]
	b := m.Bounds
	d = apply(t, d, paint(m, grid.Rect{X: 8, Y: b.Y, W: 1, H: b.H}, grid.Cell(tiles.Danger)))
	sent := func() (play.Status, error) {
		g := begin(t, d, 3, 4)
		w, err := g.WalkTo(m.ID, grid.Point{X: 13, Y: 4})
		if err != nil {
			t.Fatal(err)
		}
		_, err = walked(t, g, w, func() bool { return true })
		return g.Status(), err
	}
	s, err := sent()
	if c := s.Place.Cell(d.Project.Lattice()); err == nil || !strings.Contains(err.Error(), "danger") || c.X != 7 || s.Health != s.Most {
		t.Errorf("sent through danger one is at %v, health %d: %v", c, s.Health, err)
	}
	d = apply(t, d, paint(m, grid.Rect{X: 8, Y: 9, W: 1, H: 1}, grid.Cell(tiles.Ground)))
	s, err = sent()
	if c := s.Place.Cell(d.Project.Lattice()); err != nil || c != (grid.Point{X: 13, Y: 4}) || s.Health != s.Most {
		t.Errorf("with a way round danger one is at %v, health %d: %v", c, s.Health, err)
	}
}

// Sent somewhere one goes round hazards that stand in the way, also those that stand between cells, and
// not at all where they leave no way; not round those that are not there.
func TestSentRoundHazards(t *testing.T) {
	for _, steering := range []world.Steering{world.EightWays, world.FourWays, world.CellByCell} {
		for _, off := range []grid.Point{{}, {X: 7}, {X: -7, Y: 3}, {Y: -6}} {
			d := bare(t, world.TopDown)
			d = apply(t, d, as(d, world.Movement{Steering: steering})...)
			m := d.Maps[0]
			hazard := func(id world.ID, x, y int, a kind.Values) edit.Part {
				p := &world.Piece{Type: world.Hazard, Layer: m.PlayerLayer, Foot: d.Project.Lattice().Foot(grid.Point{X: x, Y: y}).Add(off), Props: a}
				return edit.Put{Ref: world.Ref{Sort: world.SortPiece, Map: m.ID, ID: id}, Values: p.Values()}
			}
			for y := range 9 {
				d = apply(t, d, hazard(world.ID(700+y), 10, y, ""))
			}
			sent := func(d *world.Document) (play.Status, error) {
				g := begin(t, d, 4, 3)
				w, err := g.WalkTo(m.ID, grid.Point{X: 17, Y: 3})
				if err != nil {
					return g.Status(), err
				}
				_, err = walked(t, g, w, func() bool { return true })
				return g.Status(), err
			}
			s, err := sent(d)
			if c := s.Place.Cell(d.Project.Lattice()); err != nil || s.Health != s.Most || c != (grid.Point{X: 17, Y: 3}) {
				t.Errorf("steering %d, hazards %v beside their cells: round them one comes to %v, health %d: %v", steering, off, c, s.Health, err)
			}
			walled := apply(t, d, paint(m, grid.Rect{X: 8, Y: 8, W: 5, H: 4}, grid.Cell(tiles.Wall)))
			if s, err = sent(walled); err == nil || !strings.Contains(err.Error(), "danger") || s.Health != s.Most {
				t.Errorf("steering %d, %v: where only hazards lead on one comes to %v, health %d: %v", steering, off, s.Place.Cell(d.Project.Lattice()), s.Health, err)
			}
			absent := apply(t, walled, edit.Put{Ref: world.Ref{Sort: world.SortFact, ID: 850}, Values: (&world.Fact{Name: "Lit"}).Values()})
			for y := range 9 {
				next := hazard(world.ID(700+y), 10, y, kind.Values("").With(world.Single{Fact: 850, Least: 1}.Props()...)).(edit.Put)
				absent = apply(t, absent, edit.Remove{Ref: next.Ref}, next)
			}
			if s, err = sent(absent); err != nil || s.Place.Cell(d.Project.Lattice()) != (grid.Point{X: 17, Y: 3}) {
				t.Errorf("steering %d, %v: where hazards are absent one comes to %v: %v", steering, off, s.Place.Cell(d.Project.Lattice()), err)
			}
		}
	}
}

func resized(t *testing.T, d *world.Document, plan edit.Resize) []edit.Part {
	t.Helper()
	e, err := plan.Edit(d)
	if err != nil {
		t.Fatal(err)
	}
	return e.Parts
}

// What a piece of several cells covers on the board is what it covers in play.
func TestCellsAreThoseInPlay(t *testing.T) {
	both(t, func(t *testing.T, view world.View) {
		for _, of := range []world.ID{door.Kind.ID, gate.Kind.ID} {
			for w := range 5 {
				for h := range 3 {
					d := bare(t, view)
					m := d.Maps[0]
					p := &world.Piece{Type: of, Layer: m.PlayerLayer, Props: kind.Set(props.Width.Is(1+w), props.Height.Is(1+h))}
					p.Foot = m.FootFor(d.Project.Lattice(), p, grid.Point{X: 12, Y: 8})
					d = apply(t, d, edit.Put{Ref: world.Ref{Sort: world.SortPiece, Map: m.ID, ID: 700}, Values: p.Values()})
					g := begin(t, d, 3, 9)
					g.Things(func(is play.Thing, _ int, s body.Size) {
						c := p.Cells(d.Project.Lattice())
						if want := (body.Box{X0: c.X * cell, Y0: c.Y * cell, X1: (c.X + c.W) * cell, Y1: (c.Y + c.H) * cell}); is.ID == 700 && s.Box(is.Place) != want {
							t.Errorf("%d × %d, seen as %d: on the board %v, in play %v", 1+w, 1+h, view, want, s.Box(is.Place))
						}
					})
				}
			}
		}
	})
}
