package play_test

import (
	"encoding/binary"
	"fmt"
	"math/rand/v2"
	"testing"

	"azzel/core/body"
	"azzel/core/edit"
	"azzel/core/grid"
	"azzel/core/kind"
	"azzel/core/kinds/props"
	"azzel/core/pack/stored"
	"azzel/core/play"
	"azzel/core/play/generate"
	"azzel/core/tiles"
	"azzel/core/world"
)

const (
	// storedPlays is how many plays there are, of which the last crowdedPlays are of worlds in which much is in each
	// other's way.
	storedPlays, crowdedPlays = 380, 160
	storedTicks               = 420
	// sumTicks is how many ticks come to one sum; a last one is for what is asked at the end.
	sumTicks = 60
)

// What was played once is played so for good, as long as play.Rules is what it is: worlds with all that acts, from
// above and from the side, with edits, rewinding, helps and facts set by hand, come tick by tick to what they came to
// when they were stored. A change of the rules writes them anew (go test ./core/play -run TestStoredPlays -update) and
// says in its commit what goes otherwise.
func TestStoredPlays(t *testing.T) {
	stored.Hold(t, "testdata/plays.gz", func() []stored.Case { return makePlays(t) }, func(c *stored.Case) []uint64 { return playStored(t, c) }, func(n, of int) string {
		if n == of-1 {
			return "where things go by themselves, where one can jump, walk and be"
		}
		return fmt.Sprintf("between tick %d and %d", n*sumTicks, (n+1)*sumTicks)
	})
}

// A teller sums up what is to be seen of games.
type teller struct{ stored.Teller }

// game tells all that is to be seen of a game.
func (w teller) game(g *play.Game) {
	s := g.Status()
	w.Tell(g.Hash(), play.Frozen(g), g.Fits())
	w.Tell(s.Map, s.Place.X, s.Place.Y, s.Size.W, s.Size.H, s.Facing, s.Ticks, s.Steps, s.Taken, s.Total, s.Finished, s.Moving, s.Checkpoint, int(s.Doing))
	w.Tell(s.Health, s.Most, s.Safe, s.Hurt, s.Rises, s.Striking, s.Lifted)
	w.Rect(g.Camera())
	w.Tell(g.Shaking().X, g.Shaking().Y, g.Absent(), g.TakenIDs(), g.Fallen())
	for _, text := range toldTo(g.Document(), g.Events()) {
		w.Tell(text)
	}
	for _, had := range g.Items() {
		w.Tell(had.Item, had.Count)
	}
	g.Shots(func(at body.Place, mine bool) { w.Tell(at.X, at.Y, mine) })
	g.Things(func(t play.Thing, cells int, size body.Size) {
		w.Tell(t.ID, t.Piece(), t.Type, t.Place.X, t.Place.Y, t.Heading, t.Gone, cells, size.W, size.H)
	})
	for _, f := range g.Document().Facts {
		if k, known := g.Known(f); known {
			w.Tell(k.Fact, k.Value, k.Tick, k.By)
		}
	}
}

func (w teller) places(list []body.Place) {
	for _, p := range list {
		w.Tell(p.X, p.Y)
	}
}

// kept tells what would be kept, and what comes of that on documents.
func (w teller) kept(rec *play.Recording, on []*world.Document) {
	replay, err := rec.Kept("Stored")
	w.Tell(err)
	if err != nil {
		return
	}
	w.Tell(replay.From, replay.Rules, replay.Chance, replay.Trace, play.FrozenState(replay.State), replay.Began, replay.End)
	for _, h := range replay.Held {
		w.Tell(h.Ticks, h.Input)
	}
	for _, s := range replay.Samples {
		w.Tell(s.Map, s.X, s.Y, s.Health, s.Taken, s.Finished, s.Moving)
	}
	for _, d := range on {
		w.rerun(d, replay)
	}
}

// rerun tells what comes of a replay on a document.
func (w teller) rerun(d *world.Document, replay *world.Replay) {
	rerun, err := play.NewRerun(d, replay)
	if w.Tell(err); err != nil {
		return
	}
	for !rerun.Step(500) {
	}
	o := rerun.Outcome()
	w.Tell(o, o.Ticks, o.Finished, o.Before, o.Same, o.Parts, o.Tick, o.At.X, o.At.Y, o.What)
}

// playStored plays what is stored and sums up what is to be seen.
func playStored(t *testing.T, c *stored.Case) (sums []uint64) {
	t.Helper()
	var documents []*world.Document
	for _, b := range c.Blobs[1:] {
		d, err := world.Decode(b)
		if err != nil {
			t.Fatal(err)
		}
		documents = append(documents, d)
	}
	w := teller{stored.NewTeller()}
	r := rand.New(rand.NewPCG(c.Seed, 91))
	rec, later := beginStored(t, documents[0], c.Seed), documents[1:]
	d := documents[0]
	w.game(rec.Game())
	for tick, in := range readInputs(t, c.Blobs[0]) {
		switch n := r.IntN(300); {
		case n < 4:
			if len(later) > 0 {
				d, later = later[0], later[1:]
				w.Tell(rec.SetDocument(d))
			}
		case n < 7:
			if len(d.Facts) > 0 {
				w.Tell(rec.SetFact(d.Facts[r.IntN(len(d.Facts))].ID, r.IntN(3)))
			}
		case n < 9:
			if marks := of(d, world.Mark); len(marks) > 0 {
				w.Tell(rec.Bring(marks[r.IntN(len(marks))]))
			}
		case n < 12:
			w.Tell(rec.Go(rec.First() + r.IntN(rec.Last()-rec.First()+1)))
			w.game(rec.Game())
		case n < 13:
			w.kept(rec, documents)
		}
		if c.Seed%3 == 0 && tick%140 > 100 {
			in |= play.Input(r.Uint32()) & (play.Unhurt | play.Unseen | play.Through | play.Laden)
		}
		// What can't go on, as nobody has room any more, ends here.
		if rec.Tick(in); rec.Game().Status().Finished && r.IntN(20) == 0 {
			w.Tell(rec.Go(rec.First()))
		}
		w.game(rec.Game())
		if (tick+1)%sumTicks == 0 {
			sums = append(sums, w.Sum64())
		}
	}
	w.kept(rec, documents)
	w.Tell(rec.Changes(), rec.First(), rec.Last(), rec.Now())
	w.asks(d, c.Seed, r)
	return append(sums, w.Sum64())
}

// asks tells what can be known of a document without playing it on: ways, jumps and trails.
func (w teller) asks(d *world.Document, seed uint64, r *rand.Rand) {
	for _, m := range d.Maps {
		for _, p := range m.Pieces {
			if !world.Acts(p.Type) || r.IntN(3) > 0 {
				continue
			}
			trail := play.TrailOf(d, m, p.ID, 90)
			w.Tell(trail.Size.W, trail.Size.H, trail.Met, trail.Player.X, trail.Player.Y, trail.PlayerSize.W)
			w.places(trail.Places)
			if p.Type == world.Foe {
				at := play.InSightOf(d, m, p)
				w.Tell(at.X, at.Y)
			}
		}
		for range 4 {
			cell := generate.Cell(r, m)
			reach, ok := play.ReachFrom(d, m, cell)
			w.Tell(ok, reach.Stands.X, reach.Stands.Y)
			for _, arc := range reach.Arcs {
				w.places(arc)
			}
			for _, c := range reach.Landings {
				w.Tell(c.X, c.Y)
			}
			w.Rect(play.Seen(d, m, d.Project.Lattice().Foot(cell)))
		}
		g, err := play.New(d, play.Start{Map: m.ID, Cell: generate.Cell(r, m), Chance: seed})
		if w.Tell(err); err != nil {
			continue
		}
		to := d.Maps[r.IntN(len(d.Maps))]
		walk, err := g.WalkTo(to.ID, generate.Cell(r, to))
		w.Tell(err)
		for range 200 {
			if err != nil {
				break
			}
			in, more, stops := walk.Next(g)
			if w.Tell(int(in), more, stops); stops != nil || !more {
				break
			}
			g.Tick(in)
		}
		w.game(g)
	}
}

func beginStored(t *testing.T, d *world.Document, seed uint64) *play.Recording {
	t.Helper()
	g, err := play.New(d, play.Start{Chance: seed})
	if err != nil {
		t.Fatal(err)
	}
	return play.Record(g)
}

// makePlays makes the plays that are stored: what is held down, then documents, each of which can be played.
func makePlays(t *testing.T) (list []stored.Case) {
	for seed := range uint64(storedPlays) {
		r := rand.New(rand.NewPCG(seed, 90))
		d, err := generate.World(seed + 5000)
		if err != nil {
			t.Fatal(err)
		}
		if seed >= storedPlays-crowdedPlays {
			d = crowded(t, r, d)
		}
		var held []byte
		for _, in := range generate.Inputs(seed+5000, storedTicks) {
			held = binary.AppendUvarint(held, uint64(in))
		}
		c := stored.Case{Seed: seed, Blobs: [][]byte{held, d.Encode()}}
		g := beginStored(t, d, seed).Game()
		for range 1 + r.IntN(6) {
			res, err := edit.Apply(d, randomEdit(r, d, g))
			if err != nil {
				continue
			}
			if _, err := play.New(res.Document, play.Start{}); err != nil {
				continue
			}
			d = res.Document
			c.Blobs = append(c.Blobs, d.Encode())
		}
		list = append(list, c)
	}
	return list
}

// crowded is a world with room round where play begins, and much there of a few types.
func crowded(t *testing.T, r *rand.Rand, d *world.Document) *world.Document {
	l := d.Project.Lattice()
	g := beginStored(t, d, 0).Game()
	m := d.Map(g.Status().Map)
	at := g.Status().Place.Cell(l)
	room := grid.Rect{X: at.X - 5, Y: at.Y - 4, W: 11, H: 8}.Meet(m.Bounds)
	parts := []edit.Part{paint(m, room, 0)}
	if m.View == world.SideView {
		parts = append(parts, paint(m, grid.Rect{X: room.X, Y: min(at.Y+1, m.Bounds.Y+m.Bounds.H-1), W: room.W, H: 1}, grid.Cell(tiles.Wall)))
	}
	all := []world.ID{world.Pushable, world.MovingPlatform, world.Foe, world.Breakable, world.Emitter, world.Spring, world.Hazard}
	few := []world.ID{world.Pushable, all[r.IntN(len(all))], all[r.IntN(len(all))]}
	rows := []grid.Point{{X: 1}, {X: -1}, {Y: 1}, {Y: -1}, {X: 2}, {X: -2}, {Y: 2}, {Y: -2}, {X: 3}, {X: -3}, {Y: 3}, {Y: -3}}
	for n := range 14 {
		p := &world.Piece{Type: few[r.IntN(3)], Layer: m.PlayerLayer, Props: kind.Set(props.Does.Is(r.IntN(5)), props.Speed.Is(5+r.IntN(60)), world.IntValue(11, r.IntN(3)), props.Looks.Is(r.IntN(5)), props.Bears.Is(r.IntN(3)))}
		if p.Type == world.MovingPlatform {
			p.Props = p.Props.With(props.Does.Is(0), props.To.Is((r.IntN(7)-3)*10, (r.IntN(5)-2)*10), props.Rest.Is(r.IntN(20)))
		}
		if p.Type == world.Emitter {
			p.Props = p.Props.With(props.Every.Is(20+r.IntN(40)), props.Most.Is(1+r.IntN(4)), world.Odds{1, 1, 1, 1, 1}.Prop())
		}
		cell := grid.Point{X: room.X + r.IntN(room.W), Y: room.Y + r.IntN(room.H)}
		if r.IntN(2) == 0 {
			// In rows that go out from the player.
			cell = at.Add(rows[r.IntN(len(rows))])
		}
		if !m.Bounds.Has(cell) || cell == at {
			continue
		}
		p.Foot = m.FootOf(l, p.Type, cell)
		parts = append(parts, edit.Put{Ref: world.Ref{Sort: world.SortPiece, Map: m.ID, ID: world.ID(8<<32 | n + 1)}, Values: p.Values()})
	}
	if c := d.Character(d.Project.Player); c != nil {
		who := *c
		who.Steering, who.Speed, who.Cannot = world.Steering(r.IntN(3)), 30+r.IntN(40), 0
		who.BodyW, who.BodyH, who.AboveW, who.AboveH = 0, 0, 0, 0
		parts = append(parts, edit.Changes(world.Ref{Sort: world.SortCharacter, ID: c.ID}, c.Values(), who.Values())...)
	}
	full := apply(t, d, parts...)
	if _, err := play.New(full, play.Start{}); err != nil {
		return d
	}
	return full
}

func readInputs(t *testing.T, held []byte) (list []play.Input) {
	t.Helper()
	for len(held) > 0 {
		in, n := binary.Uvarint(held)
		if n <= 0 {
			t.Fatal("what is held down can't be read")
		}
		list, held = append(list, play.Input(in)), held[n:]
	}
	return list
}
