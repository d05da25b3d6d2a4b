package play_test

import (
	"bytes"
	"errors"
	"math/rand/v2"
	"testing"

	"azzel/core/edit"
	"azzel/core/play"
	"azzel/core/play/generate"
	"azzel/core/world"
)

// A recording goes to any tick, plays on from there and has its document changed, at
// random: it shows what was there when that tick was played, as long as the document is
// the same since, and never anybody in what is solid.
func TestRecordingAgainstEachTick(t *testing.T) {
	type seen struct {
		state []byte
		doc   *world.Document
	}
	same, other := 0, 0
	for seed := range uint64(30) {
		r := rand.New(rand.NewPCG(seed, 80))
		d, g := begun(t, seed)
		rec := play.Record(g)
		inputs := generate.Inputs(seed, 4000)
		at := func() seen { return seen{rec.Game().Snapshot(), d} }
		ticks := []seen{at()}
	played:
		for step, in := range inputs {
			switch n := r.IntN(41); {
			case n == 40:
				if rec.Game().Status().Finished {
					continue
				}
				ticks = append(ticks[:rec.Now()], at())
				if f := d.Facts[r.IntN(len(d.Facts))]; rec.SetFact(f.ID, r.IntN(2)) != nil || !rec.Game().Fits() {
					t.Fatalf("world %d, step %d: a fact can't be set, or somebody stands in what is solid then", seed, step)
				}
				ticks[rec.Now()] = at()
			case n < 37:
				if rec.Game().Status().Finished {
					continue
				}
				ticks = append(ticks[:rec.Now()], at())
				if step%150 > 90 {
					in |= play.Laden
				}
				rec.Tick(in)
				ticks = append(ticks, at())
			case n == 37:
				res, err := edit.Apply(d, randomEdit(r, d, rec.Game()))
				if err != nil {
					continue
				}
				if rec.SetDocument(res.Document) != nil {
					break played // there is nowhere left to stand
				}
				d = res.Document
				if rec.Now() == rec.Last() {
					ticks[rec.Now()] = at()
				}
			default:
				to := r.IntN(rec.Last() + 1)
				if err := rec.Go(to); errors.Is(err, play.ErrNowhere) {
					break played
				} else if err != nil {
					t.Fatal(err)
				}
				if !rec.Game().Fits() || rec.Now() != to {
					t.Fatalf("world %d, step %d: at tick %d somebody stands in what is solid, or it is tick %d", seed, step, to, rec.Now())
				}
				if ticks[to].doc != d {
					other++
				} else if same++; !bytes.Equal(ticks[to].state, rec.Game().Snapshot()) {
					t.Fatalf("world %d, step %d: tick %d of %d is another when it is shown again", seed, step, to, rec.Last())
				}
			}
			if rec.Last() != len(ticks)-1 {
				t.Fatalf("world %d, step %d: %d ticks are recorded, %d were played", seed, step, rec.Last(), len(ticks)-1)
			}
		}
		for _, tick := range rec.Changes() {
			if tick < rec.First() || tick > rec.Last() {
				t.Errorf("a change after tick %d is told, between %d and %d", tick, rec.First(), rec.Last())
			}
		}
	}
	if same < 200 || other < 200 {
		t.Errorf("only %d and %d times a tick was shown again, so that this test shows little", same, other)
	}
}

// A document that is changed at the very beginning does no harm when that is forgotten.
func TestChangedAtTheBeginning(t *testing.T) {
	d := room(t)
	g, err := play.New(d, play.Start{})
	if err != nil {
		t.Fatal(err)
	}
	rec := play.Record(g)
	if err := rec.SetDocument(apply(t, d, edit.Change{Ref: world.Ref{Sort: world.SortMap, ID: d.Maps[0].ID}, Value: world.TextValue(world.FieldName, "Moss court")})); err != nil {
		t.Fatal(err)
	}
	for i := range play.RecordedTicks + 5 {
		rec.Tick(play.Input(1 << (i / 30 % 4)))
	}
	for _, back := range []int{1, 100, 3} {
		if err := rec.Go(rec.Last() - back); err != nil {
			t.Fatal(err)
		}
		rec.Tick(play.Left)
	}
	// The change did nothing to how it began, so that what came after it can be kept.
	keptAgain(t, rec)
}

// keptAgain keeps what was played up to the tick that is shown, and plays it again: it ends as it did.
func keptAgain(t *testing.T, rec *play.Recording) {
	t.Helper()
	kept, err := rec.Kept("Moss")
	if err != nil {
		t.Fatal(err)
	}
	rerun, err := play.NewRerun(rec.Game().Document(), kept)
	if err != nil {
		t.Fatal(err)
	}
	for !rerun.Step(1000) {
	}
	if out := rerun.Outcome(); !out.Same || out.Parts {
		t.Errorf("what is kept goes otherwise when it is played again: %+v", out)
	}
}

// A recording reaches back ten minutes, not further; many changes of the document shorten
// it.
func TestRecordingEnds(t *testing.T) {
	d := room(t)
	g, err := play.New(d, play.Start{})
	if err != nil {
		t.Fatal(err)
	}
	rec := play.Record(g)
	for i := range play.RecordedTicks + 5000 {
		rec.Tick(play.Input(1 << (i / 30 % 4)))
	}
	if long := rec.Last() - rec.First(); long < play.RecordedTicks || long > play.RecordedTicks+200 {
		t.Errorf("%d ticks are recorded, want about %d", long, play.RecordedTicks)
	}
	if err := rec.Go(rec.First()); err != nil || rec.Now() != rec.First() {
		t.Errorf("the first tick can't be shown: %v", err)
	}
	for _, tick := range []int{rec.First() - 1, rec.Last() + 1, -5} {
		if rec.Go(tick) == nil {
			t.Errorf("tick %d of %d to %d was shown", tick, rec.First(), rec.Last())
		}
	}
	m := d.Maps[0]
	for i := range 4000 {
		d = apply(t, d, edit.Change{Ref: world.Ref{Sort: world.SortMap, ID: m.ID}, Value: world.TextValue(world.FieldName, []string{"Fern court", "Moss court"}[i%2])})
		if err := rec.SetDocument(d); err != nil {
			t.Fatal(err)
		}
		rec.Tick(0)
	}
	if n := len(rec.Changes()); n < 1000 || n > 2000 {
		t.Errorf("%d changes are kept", n)
	}
	if err := rec.Go(rec.First()); err != nil {
		t.Error(err)
	}
}
