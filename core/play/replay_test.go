package play_test

import (
	"errors"
	"math/rand/v2"
	"strings"
	"testing"

	"azzel/core/body"
	"azzel/core/edit"
	"azzel/core/grid"
	"azzel/core/kind"
	"azzel/core/kinds/corridor"
	"azzel/core/kinds/props"
	"azzel/core/logic"
	"azzel/core/play"
	"azzel/core/play/generate"
	"azzel/core/tiles"
	"azzel/core/world"
)

// kept plays a world with a recording, goes back in between, and keeps what was played.
func kept(t *testing.T, seed uint64, ticks int) (*world.Document, *world.Replay) {
	t.Helper()
	d, g := begun(t, seed)
	rec := play.Record(g)
	r := rand.New(rand.NewPCG(seed, 81))
	for _, in := range generate.Inputs(seed, ticks) {
		if rec.Now() > 0 && r.IntN(80) == 0 {
			if err := rec.Go(r.IntN(rec.Last() + 1)); err != nil {
				t.Fatal(err)
			}
		}
		rec.Tick(in)
	}
	replay, err := rec.Kept("Round the beds")
	if err != nil {
		t.Fatalf("world %d: %v", seed, err)
	}
	return d, replay
}

func again(t *testing.T, d *world.Document, r *world.Replay, slice int) play.Outcome {
	t.Helper()
	re, err := play.NewRerun(d, r)
	if err != nil {
		t.Fatal(err)
	}
	for !re.Step(slice) {
	}
	return re.Outcome()
}

// What was kept comes out the same on the same document, whatever was rewound while it was
// played. On another document it parts at the first tick after which the player is elsewhere
// than they were, found by playing both side by side, or is the same to the end.
func TestReplayParts(t *testing.T) {
	worlds := 60
	if testing.Short() {
		worlds = 30
	}
	parted := 0
	for seed := range uint64(worlds) {
		d, replay := kept(t, seed, 500)
		o := again(t, d, replay, 7)
		if o.Parts || !o.Same || o.Ticks != replay.Ticks() || o.Finished != o.Before {
			t.Fatalf("world %d: kept and played again: %+v", seed, o)
		}
		r := rand.New(rand.NewPCG(seed, 82))
		was, err := play.NewFor(d, replay)
		if err != nil {
			t.Fatal(err)
		}
		other := d
		for range 1 + r.IntN(3) {
			if res, err := edit.Apply(other, randomEdit(r, other, was)); err == nil {
				other = res.Document
			}
		}
		is, err := play.NewFor(other, replay)
		if err != nil {
			continue // the start is gone, or walled up
		}
		o = again(t, other, replay, 1000)
		first, hands := 0, play.NewHands(replay)
		for tick := 1; ; tick++ {
			in, more := hands.Next()
			if !more || is.Status().Finished {
				break
			}
			was.Tick(in)
			is.Tick(in)
			a, b := was.Status(), is.Status()
			if a.Map != b.Map || a.Place != b.Place || a.Most-a.Health != b.Most-b.Health || a.Taken != b.Taken {
				first = tick
				break
			}
		}
		switch {
		case first == 0 && o.Parts && o.Tick%world.SampleTicks != 0 && o.Tick != o.Ticks:
			t.Errorf("world %d: parts at tick %d, and the player is nowhere else: %s", seed, o.Tick, o)
		case first > 0 && !o.Parts:
			t.Errorf("world %d: parts at tick %d, which is not seen", seed, first)
		case first > 0 && o.Tick > first+3:
			// A byte a tick says nothing else one time in 256.
			t.Errorf("world %d: parts at tick %d, and is seen to at %d: %s", seed, first, o.Tick, o)
		case o.Parts && o.What == "":
			t.Errorf("world %d: it is not said what is different", seed)
		}
		if first > 0 {
			parted++
		}
	}
	if parted < worlds/4 {
		t.Errorf("only %d of %d replays parted, so that this shows little", parted, worlds)
	}
}

// What is said of a replay when a wall is laid in its way, when its exit is taken away, and
// when its start is; and that keeping one is no change of the document in play.
func TestReplaySays(t *testing.T) {
	d := room(t)
	m := d.Maps[0]
	d = apply(t, d, piece(d, m, 700, world.Exit, 14, 6), piece(d, m, 701, world.Checkpoint, 3, 6))
	start := play.Start{Map: m.ID, Cell: grid.Point{X: 3, Y: 6}}
	g, err := play.New(d, start)
	if err != nil {
		t.Fatal(err)
	}
	rec := play.Record(g)
	if _, err := rec.Kept("Nothing"); !errors.Is(err, play.ErrNothingPlayed) {
		t.Errorf("nothing was kept: %v", err)
	}
	for range 20 {
		rec.Tick(play.Right)
	}
	early, err := rec.Kept("Early")
	if err != nil {
		t.Fatal(err)
	}
	with := apply(t, d, edit.Put{Ref: world.Ref{Sort: world.SortReplay, ID: 900}, Values: early.Values()})
	if err := rec.SetDocument(with); err != nil {
		t.Fatal(err)
	}
	for range 200 {
		rec.Tick(play.Right)
	}
	replay, err := rec.Kept("To the exit")
	if err != nil || len(rec.Changes()) != 0 || replay.From != 701 {
		t.Fatalf("kept with %v, %d changes, from %d", err, len(rec.Changes()), replay.From)
	}
	if stored := with.Replay(900); stored == nil || again(t, with, stored, 5) != again(t, d, early, 50) || again(t, d, early, 5).Parts {
		t.Errorf("a replay in a document is not the one that was kept")
	}
	for _, c := range []struct {
		with *world.Document
		says string
	}{
		{with, "as it was kept"},
		{apply(t, with, paint(m, grid.Rect{X: 9, Y: m.Bounds.Y, W: 1, H: m.Bounds.H}, grid.Cell(tiles.Wall))), "does not finish any more; from 0:00.9"},
		{apply(t, with, edit.Remove{Ref: world.Ref{Sort: world.SortPiece, Map: m.ID, ID: 700}}), "does not finish any more; from 0:01."},
		{apply(t, with, paint(m, grid.Rect{X: 3, Y: 9, W: 6, H: 1}, grid.Cell(tiles.Wall))), "as it was kept"},
	} {
		if got := again(t, c.with, replay, 10).String(); !strings.Contains(got, c.says) {
			t.Errorf("it is said %q, want %q", got, c.says)
		}
	}
	ends := *replay
	ends.End ^= 1
	if o := again(t, with, &ends, 10); o.Same || !o.Parts || o.What == "" {
		t.Errorf("with another end: %+v", o)
	}
	gone := apply(t, with, edit.Remove{Ref: world.Ref{Sort: world.SortPiece, Map: m.ID, ID: 701}})
	if _, err := play.NewRerun(gone, replay); !errors.Is(err, play.ErrStartGone) {
		t.Errorf("without its start: %v", err)
	}
	altered := *replay
	altered.Trace = altered.Trace[:len(altered.Trace)-4]
	if _, err := play.NewRerun(d, &altered); err == nil || !strings.Contains(err.Error(), "cut short") {
		t.Errorf("cut short: %v", err)
	}
	// Begun anywhere, or with the document changed meanwhile, nothing can be kept.
	if g, err = play.New(d, play.Start{Map: m.ID, Cell: grid.Point{X: 5, Y: 5}}); err != nil {
		t.Fatal(err)
	}
	rec = play.Record(g)
	rec.Tick(0)
	if _, err := rec.Kept("From here"); !errors.Is(err, play.ErrNotFromStart) {
		t.Errorf("begun anywhere: %v", err)
	}
	if g, err = play.New(d, start); err != nil {
		t.Fatal(err)
	}
	rec = play.Record(g)
	for range 50 {
		rec.Tick(play.Down)
	}
	if err := rec.SetDocument(apply(t, d, paint(m, grid.Rect{X: 2, Y: 7, W: 3, H: 6}, grid.Cell(tiles.Wall)))); err != nil {
		t.Fatal(err)
	}
	// What was played before that can be, though the player was set down elsewhere by it.
	for _, tick := range []int{50, 51, 30} {
		if tick > 50 {
			rec.Tick(0)
		} else if err := rec.Go(tick); err != nil {
			t.Fatal(err)
		}
		shown := rec.Game().Hash()
		before, err := rec.Kept("Changed")
		if tick > 50 {
			if !errors.Is(err, play.ErrChanged) {
				t.Errorf("changed meanwhile: %v", err)
			}
			continue
		}
		if err != nil || before.Ticks() != tick || rec.Game().Hash() != shown {
			t.Fatalf("before tick %d: kept with %v, and another state is shown: %t", tick, err, rec.Game().Hash() != shown)
		}
		if o := again(t, d, before, 9); o.Parts {
			t.Errorf("before tick %d: on the document it was played on: %s", tick, o)
		}
	}
}

// With the helps on nothing hurts, nobody who follows sees the player, and walls do not stop
// them; off again they stand beside the wall. What was played so can be rewound, and is not kept.
func TestHelps(t *testing.T) {
	d := room(t)
	m := d.Maps[0]
	d = apply(t, d, piece(d, m, 700, world.Checkpoint, 2, 4), paint(m, grid.Rect{X: 6, Y: m.Bounds.Y, W: 3, H: m.Bounds.H}, grid.Cell(tiles.Wall)))
	slug := &world.Piece{Type: world.Foe, Layer: m.PlayerLayer, Foot: d.Project.Lattice().Foot(grid.Point{X: 4, Y: 4}), Props: kind.Set(props.Does.Is(props.Follows), props.Sight.Is(20))}
	d = apply(t, d, edit.Put{Ref: world.Ref{Sort: world.SortPiece, Map: m.ID, ID: 701}, Values: slug.Values()})
	slugAt := func(g *play.Game) (x int) {
		g.Things(func(is play.Thing, _ int, _ body.Size) { x = is.Place.X })
		return x
	}
	begin := func() *play.Recording {
		g, err := play.New(d, play.Start{Map: m.ID, Cell: grid.Point{X: 2, Y: 4}})
		if err != nil {
			t.Fatal(err)
		}
		return play.Record(g)
	}
	for _, c := range []struct {
		in              play.Input
		health          int
		follows, beyond bool
	}{{0, 1, true, false}, {play.Unhurt, 3, true, false}, {play.Unseen, 2, false, false}, {play.Unhurt | play.Through, 3, true, true}} {
		r := begin()
		from := slugAt(r.Game())
		for range 40 {
			r.Tick(c.in)
		}
		if follows := slugAt(r.Game()) != from; follows != c.follows {
			t.Errorf("with %b it follows: %t", c.in, follows)
		}
		for range 100 {
			r.Tick(c.in | play.Right)
		}
		s := r.Game().Status()
		if beyond := s.Place.Cell(d.Project.Lattice()).X > 8; beyond != c.beyond || s.Health != c.health {
			t.Errorf("with %b one is beyond the wall: %t, health %d of %d", c.in, beyond, s.Health, s.Most)
		}
		if _, err := r.Kept("With helps"); errors.Is(err, play.ErrHelped) != (c.in != 0) {
			t.Errorf("with %b it is kept: %v", c.in, err)
		}
		now := r.Game().Hash()
		if err := r.Go(50); err != nil {
			t.Fatal(err)
		}
		if err := r.Go(r.Last()); err != nil || r.Game().Hash() != now {
			t.Errorf("with %b it is another when it is shown again: %v", c.in, err)
		}
	}
	// Into the wall, and off.
	r := begin()
	for tick := 0; r.Game().Status().Place.Cell(d.Project.Lattice()).X != 7; tick++ {
		if r.Tick(play.Right | play.Through | play.Unhurt); tick > 200 {
			t.Fatalf("through the wall one comes to %v", r.Game().Status().Place.Cell(d.Project.Lattice()))
		}
	}
	r.Tick(play.Unhurt)
	if c := r.Game().Status().Place.Cell(d.Project.Lattice()); !r.Game().Fits() || c.X != 5 && c.X != 9 {
		t.Errorf("out of the wall one stands at %v", c)
	}
}

// Where a replay parts since a rule does something else, the rule is named; rules that do what they did are not.
func TestReplayNamesRules(t *testing.T) {
	corridor.EitherWay(t, func(t *testing.T, view world.View) {
		takes := newRule(1, kind.NoThing, 0, pressed(plate)).do(logic.Action{Does: logic.TakeTo, Thing: spot})
		takes.Name = "To the bed"
		counts := newRule(2, kind.NoThing, 0, logic.Moment{Is: logic.TimePassed.Number, Number: 10}).do(up(labels, 1))
		counts.Name = "Counting"
		d := ruledWith(t, view, []corridor.Piece{{ID: 746, Column: 9, Type: world.Mark}}, takes, counts)
		for _, p := range d.Maps[0].Pieces {
			if next := *p; p.Type == world.Spawn {
				next.Foot = d.Project.Lattice().Foot(grid.Point{X: 3, Y: corridor.Row})
				d = apply(t, d, edit.Changes(world.Ref{Sort: world.SortPiece, Map: d.Maps[0].ID, ID: p.ID}, p.Values(), next.Values())...)
			}
		}
		g, err := play.New(d, play.Start{})
		if err != nil {
			t.Fatal(err)
		}
		rec := play.Record(g)
		for range 200 {
			rec.Tick(play.Right)
		}
		replay, err := rec.Kept("Round the beds")
		if err != nil {
			t.Fatal(err)
		}
		if o := again(t, d, replay, 10); o.Parts {
			t.Fatalf("on the same document it parts: %s", o)
		}
		takes.Parts[1].Thing = 746
		o := again(t, apply(t, d, edit.Remove{Ref: world.RuleRef(1)}, takes.part()), replay, 10)
		if !o.Parts || o.Rules != "To the bed" || !strings.HasSuffix(o.String(), ", after what these rules did: To the bed") {
			t.Errorf("with another goal it is said: %s", o)
		}
		// Without the rule it is known by what it did when the replay was played before.
		before, err := play.NewRerun(d, replay)
		if err != nil {
			t.Fatal(err)
		}
		for !before.Step(50) {
		}
		takes.Off = true
		is, err := play.NewRerun(apply(t, d, edit.Remove{Ref: world.RuleRef(1)}, takes.part()), replay)
		if err != nil {
			t.Fatal(err)
		}
		is.Against(before.Acts())
		for !is.Step(50) {
		}
		if o := is.Outcome(); !o.Parts || o.Rules != "" || o.Silent != "To the bed" || !strings.HasSuffix(o.String(), ", where these rules did something before: To the bed") {
			t.Errorf("without the rule it is said: %s", o)
		}
	})
}
