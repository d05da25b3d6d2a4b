package play_test

import (
	"errors"
	"math/rand/v2"
	"reflect"
	"slices"
	"strings"
	"testing"

	"azzel/core/edit"
	"azzel/core/grid"
	"azzel/core/kind"
	"azzel/core/kinds/props"
	"azzel/core/play"
	"azzel/core/play/generate"
	"azzel/core/world"
)

// Over many worlds with changes of the document in between and players brought to marks: whatever
// is kept begins at a start that is there, and comes out the same on the document on which it was
// played, from the state with which it begins; some of it begins in the middle of a play.
func TestKeptFromTheMiddle(t *testing.T) {
	worlds := 80
	if testing.Short() {
		worlds = 60
	}
	middle, brought := 0, 0
worlds:
	for seed := range uint64(worlds) {
		r := rand.New(rand.NewPCG(seed, 83))
		d, g := begun(t, seed)
		rec := play.Record(g)
		for _, in := range generate.Inputs(seed, 900) {
			switch r.IntN(150) {
			case 0:
				res, err := edit.Apply(d, randomEdit(r, d, rec.Game()))
				if err != nil {
					continue
				}
				if d = res.Document; rec.SetDocument(d) != nil {
					continue worlds // there is nowhere left to stand
				}
			case 1:
				if marks := of(d, world.Mark); len(marks) > 0 && rec.Bring(marks[r.IntN(len(marks))]) == nil {
					brought++
				}
			case 2:
				if rec.Go(rec.First()+r.IntN(rec.Last()-rec.First()+1)) != nil {
					continue worlds
				}
			}
			if rec.Tick(in); !rec.Game().Fits() {
				t.Fatalf("world %d: the player is in what is solid", seed)
			}
		}
		replay, err := rec.Kept("From the middle")
		if err != nil {
			if !errors.Is(err, play.ErrNotFromStart) && !errors.Is(err, play.ErrChanged) {
				t.Fatalf("world %d: %v", seed, err)
			}
			continue
		}
		if changes := rec.Changes(); len(changes) > 0 && changes[len(changes)-1] == rec.Now() {
			continue // it was played on the document before
		}
		if len(replay.State) > 0 {
			middle++
		}
		if o := again(t, d, replay, 11); o.Parts || !o.Same {
			t.Fatalf("world %d, from tick %d: kept and played again: %s", seed, replay.Began, o)
		}
	}
	if middle < worlds/8 || brought < worlds/8 {
		t.Errorf("only %d of %d began in the middle, %d times somebody was brought to a mark, so that this shows little", middle, worlds, brought)
	}
}

// of lists the pieces of a type.
func of(d *world.Document, is world.ID) (ids []world.ID) {
	for _, m := range d.Maps {
		for _, p := range m.Pieces {
			if p.Type == is {
				ids = append(ids, p.ID)
			}
		}
	}
	return ids
}

// A play that began anywhere is kept from the checkpoint on that it came to, and one that was
// changed from the one it came back to; the start may be moved or deleted since.
func TestKeptFromCheckpoint(t *testing.T) {
	d := room(t)
	m := d.Maps[0]
	d = apply(t, d, piece(d, m, 700, world.Exit, 16, 6), piece(d, m, 701, world.Checkpoint, 6, 6), piece(d, m, 702, world.Mark, 10, 3))
	g, err := play.New(d, play.Start{Map: m.ID, Cell: grid.Point{X: 3, Y: 6}})
	if err != nil {
		t.Fatal(err)
	}
	rec := play.Record(g)
	for !rec.Game().Status().Finished {
		if rec.Tick(play.Right); rec.Now() > 600 {
			t.Fatal("the exit is not reached")
		}
	}
	replay, err := rec.Kept("From the gate")
	if err != nil || replay.From != 701 || replay.Began == 0 || replay.Began+replay.Ticks() != rec.Now() {
		t.Fatalf("kept from %d, tick %d: %v", replay.From, replay.Began, err)
	}
	// From a spawn it begins there, however many checkpoints come after.
	if g, err = play.New(d, play.Start{}); err != nil {
		t.Fatal(err)
	}
	at := g.Status().Place.Cell(d.Project.Lattice())
	if g, err = play.New(apply(t, d, piece(d, m, 705, world.Checkpoint, at.X+7, at.Y)), play.Start{}); err != nil {
		t.Fatal(err)
	}
	whole := play.Record(g)
	for range 300 {
		whole.Tick(play.Right)
	}
	if c := whole.Game().Status().Place.Cell(d.Project.Lattice()); c.X < at.X+7 {
		t.Fatalf("the checkpoint is not reached: the player is in column %d", c.X)
	}
	if kept, err := whole.Kept("All of it"); err != nil || d.Maps[0].Piece(kept.From) == nil || d.Maps[0].Piece(kept.From).Type != world.Spawn || kept.Began != 0 {
		t.Errorf("from the spawn it is kept from %d, tick %d: %v", kept.From, kept.Began, err)
	}
	// Watched and kept once more, it is the same replay.
	if g, err = play.NewFor(d, replay); err != nil {
		t.Fatal(err)
	}
	watched, hands := play.Record(g), play.NewHands(replay)
	for in, more := hands.Next(); more; in, more = hands.Next() {
		watched.Tick(in)
	}
	if twice, err := watched.Kept(replay.Name); err != nil || !reflect.DeepEqual(twice, replay) {
		t.Errorf("watched and kept once more: %v, from %d, tick %d", err, twice.From, twice.Began)
	}
	foot := func(id world.ID, x, y int) edit.Part {
		return edit.Change{Ref: world.Ref{Sort: world.SortPiece, Map: m.ID, ID: id}, Value: world.PointValue(world.FieldFoot, d.Project.Lattice().Foot(grid.Point{X: x, Y: y}))}
	}
	for says, on := range map[string]*world.Document{
		", as it was kept":            d,
		"finishes after 0:0":          apply(t, d, foot(701, 8, 6)),
		"does not finish any more; f": apply(t, d, foot(701, 6, 9)),
	} {
		if got := again(t, on, replay, 9).String(); !strings.Contains(got, says) {
			t.Errorf("it is said %q, want %q", got, says)
		}
	}
	if _, err := play.NewRerun(apply(t, d, edit.Remove{Ref: world.Ref{Sort: world.SortPiece, Map: m.ID, ID: 701}}), replay); !errors.Is(err, play.ErrStartGone) {
		t.Errorf("without its start: %v", err)
	}
	// Brought to a mark, with the help that gives all there is to have: nothing can be kept then.
	if err := rec.Bring(702); err != nil || rec.Game().Status().Place.Cell(d.Project.Lattice()) != (grid.Point{X: 10, Y: 3}) || rec.Game().Status().Finished {
		t.Fatalf("brought to %v, %v", rec.Game().Status().Place.Cell(d.Project.Lattice()), err)
	}
	for range 30 {
		rec.Tick(play.Down)
	}
	if kept, err := rec.Kept("From the mark"); err != nil || kept.From != 702 || kept.Ticks() != 30 || again(t, d, kept, 4).Parts {
		t.Errorf("kept from a mark: %v", err)
	}
	rec.Tick(play.Laden)
	if err := rec.Bring(702); err != nil {
		t.Fatal(err)
	}
	rec.Tick(play.Down)
	if _, err := rec.Kept("Helped"); !errors.Is(err, play.ErrHelped) {
		t.Errorf("kept although a help was on before: %v", err)
	}
	if err := rec.Bring(701); !errors.Is(err, world.ErrGone) {
		t.Errorf("brought to what is no mark: %v", err)
	}
}

// A state of a play that is read is refused, or goes on: no panic and no endless loop, whatever
// bytes it is.
func FuzzResume(f *testing.F) {
	worlds := make([]*world.Document, 6)
	for seed := range uint64(len(worlds)) {
		d, err := generate.World(seed)
		if err != nil {
			f.Fatal(err)
		}
		worlds[seed] = d
		g, err := play.New(d, play.Start{})
		if err != nil {
			f.Fatal(err)
		}
		for _, in := range generate.Inputs(seed, 400) {
			g.Tick(in)
		}
		f.Add(uint8(seed), play.StateOf(g))
	}
	f.Fuzz(func(t *testing.T, seed uint8, state []byte) {
		d := worlds[int(seed)%len(worlds)]
		starts := append(of(d, world.Checkpoint), of(d, world.Mark)...)
		if len(starts) == 0 {
			return
		}
		r := &world.Replay{Name: "x", From: starts[0], State: state, Held: []world.Held{{Ticks: 40, Input: int(play.Right | play.Jump)}}, Trace: make([]byte, 40)}
		r.Began = play.TickOf(state)
		r.Samples = make([]world.Sample, max(0, r.Samplings()+1))
		re, err := play.NewRerun(d, r)
		if err != nil {
			return
		}
		for !re.Step(10) {
		}
		if !re.Game().Fits() {
			t.Fatal("the player is in what is solid")
		}
	})
}

// What a play begins with is had, as far as there is room; a collectible gives what it gives once
// there is room for it, an exit lets nobody out who lacks what it needs, and says so once.
func TestItems(t *testing.T) {
	d := room(t)
	m := d.Maps[0]
	const lamp, fuse, porter = world.ID(801), world.ID(802), world.ID(803)
	put := func(k world.Sort, id world.ID, values []world.Value) edit.Part {
		return edit.Put{Ref: world.Ref{Sort: k, ID: id}, Values: values}
	}
	with := func(id world.ID, of, item world.ID, n, x int) edit.Part {
		p := &world.Piece{Type: of, Layer: m.PlayerLayer, Foot: d.Project.Lattice().Foot(grid.Point{X: x, Y: 6}), Props: kind.Set(props.Item.Refer(item), props.Amount.Is(n))}
		return edit.Put{Ref: world.Ref{Sort: world.SortPiece, Map: m.ID, ID: id}, Values: p.Values()}
	}
	d = apply(t, d, put(world.SortItem, lamp, (&world.Item{Name: "Lamp", Most: 1}).Values()), put(world.SortItem, fuse, (&world.Item{Name: "Fuse"}).Values()),
		put(world.SortCharacter, porter, (&world.Character{Name: "Porter", Begins: []world.Stock{{Item: lamp, Count: 3}, {Item: 999, Count: 1}}}).Values()),
		edit.Change{Ref: world.Ref{Sort: world.SortProject}, Value: world.IDValue(world.FieldPlayer, porter)},
		with(701, world.Collectible, lamp, 0, 5), with(702, world.Collectible, fuse, 2, 7), with(703, world.Exit, fuse, 3, 10), with(704, world.Collectible, fuse, 1, 13))
	g, err := play.New(d, play.Start{Map: m.ID, Cell: grid.Point{X: 3, Y: 6}})
	if err != nil {
		t.Fatal(err)
	}
	if got := g.Items(); !slices.Equal(got, []world.Stock{{Item: lamp, Count: 1}}) {
		t.Errorf("begun with %v", got)
	}
	events := walk(g, play.Right, 150)
	for _, want := range []string{"You can't carry more of Lamp than 1.", "2 × Fuse: taken.", "You need 3 × Fuse here, and have 2.", "Fuse: taken."} {
		n := 0
		for _, text := range toldTo(d, events) {
			if text == want {
				n++
			}
		}
		if n != 1 {
			t.Errorf("%q is said %d times: %v", want, n, events)
		}
	}
	if s := g.Status(); s.Finished || s.Taken != 2 || !slices.Equal(g.Items(), []world.Stock{{Item: lamp, Count: 1}, {Item: fuse, Count: 3}}) {
		t.Errorf("finished %t, %d taken, with %v", s.Finished, s.Taken, g.Items())
	}
	if walk(g, play.Left, 120); !g.Status().Finished {
		t.Error("the exit lets nobody out who has what it needs")
	}
	// With all there is to have, and without the item in the project, it lets one out.
	gone := apply(t, d, edit.Remove{Ref: world.Ref{Sort: world.SortItem, ID: fuse}})
	for on, help := range map[*world.Document]play.Input{d: play.Laden, gone: 0} {
		g, err := play.New(on, play.Start{Map: m.ID, Cell: grid.Point{X: 8, Y: 6}})
		if err != nil {
			t.Fatal(err)
		}
		if walk(g, play.Right|help, 60); !g.Status().Finished {
			t.Errorf("with help %b: the exit is closed", help)
		}
	}
}

// What is barred on a map nobody can do there, and can again elsewhere.
func TestBarred(t *testing.T) {
	d := room(t)
	m := d.Maps[0]
	who := &world.Character{Name: "Porter", Movement: world.Movement{Arms: world.Striking}}
	d = apply(t, d, edit.Put{Ref: world.Ref{Sort: world.SortCharacter, ID: 801}, Values: who.Values()}, edit.Change{Ref: world.Ref{Sort: world.SortProject}, Value: world.IDValue(world.FieldPlayer, 801)},
		piece(d, m, 701, world.Pushable, 6, 6), piece(d, m, 702, world.Breakable, 4, 7))
	barred := *m
	barred.Barred, barred.BarredArms = world.Pushing, world.Striking
	here := apply(t, d, edit.Changes(world.Ref{Sort: world.SortMap, ID: m.ID}, m.Values(), barred.Values())...)
	for _, c := range []struct {
		on   *world.Document
		free bool
	}{{d, true}, {here, false}} {
		g, err := play.New(c.on, play.Start{Map: m.ID, Cell: grid.Point{X: 4, Y: 6}})
		if err != nil {
			t.Fatal(err)
		}
		walk(g, play.Down, 4)
		if events := walk(g, play.Strike, 20); play.Happened(events, props.Broken) != c.free {
			t.Errorf("barred %t: struck with %v", !c.free, events)
		}
		walk(g, play.Up, 4)
		if walk(g, play.Right, 90); g.Status().Place.Cell(d.Project.Lattice()).X > 6 != c.free {
			t.Errorf("barred %t: pushed to %v", !c.free, g.Status().Place.Cell(d.Project.Lattice()))
		}
		if c.free {
			continue
		}
		// Allowed again while it is played.
		if err := g.SetDocument(d); err != nil {
			t.Fatal(err)
		}
		if walk(g, play.Right, 90); g.Status().Place.Cell(d.Project.Lattice()).X <= 6 {
			t.Error("still barred when it is allowed again")
		}
	}
}

// Who is brought to a mark lets go of what they carry: it is back where it was placed, and they stand
// beside it if that is there.
func TestBroughtWhileCarrying(t *testing.T) {
	d := room(t)
	m := d.Maps[0]
	d = apply(t, d, piece(d, m, 701, world.Pushable, 6, 6), piece(d, m, 702, world.Mark, 6, 6))
	g, err := play.New(d, play.Start{Map: m.ID, Cell: grid.Point{X: 4, Y: 6}})
	if err != nil {
		t.Fatal(err)
	}
	rec := play.Record(g)
	for tick := 0; rec.Game().Status().Lifted == 0; tick++ {
		if rec.Tick(play.Right | play.Input(tick/5%2)*play.Use); tick > 200 {
			t.Fatal("nothing is picked up")
		}
	}
	for range 30 {
		rec.Tick(play.Down)
	}
	if err := rec.Bring(702); err != nil {
		t.Fatal(err)
	}
	l := d.Project.Lattice()
	if c := rec.Game().Status().Place.Cell(l); rec.Game().Status().Lifted != 0 || where(rec.Game(), 701).Place.Cell(l) != (grid.Point{X: 6, Y: 6}) || !rec.Game().Fits() || c == (grid.Point{X: 6, Y: 6}) {
		t.Errorf("one stands at %v, and the crate at %v", c, where(rec.Game(), 701).Place.Cell(l))
	}
	for range 20 {
		rec.Tick(play.Left)
	}
	kept, err := rec.Kept("From the mark")
	if err != nil || again(t, d, kept, 6).Parts {
		t.Errorf("kept from there: %v", err)
	}
}
