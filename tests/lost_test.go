package tests

import (
	"math/rand/v2"
	"testing"
	"time"

	"github.com/go-rod/rod/lib/input"
)

// opened waits until the page shows its board.
func (w *window) opened() {
	w.t.Helper()
	w.until("the board", `() => window.azzel?.scene()?.maps.length > 0`)
	w.frame()
}

// same waits until two windows show the same document.
func same(a, b *window) {
	a.t.Helper()
	a.saved()
	b.saved()
	deadline := time.Now().Add(patience)
	for a.probe().Hash != b.probe().Hash {
		if time.Now().After(deadline) {
			a.t.Fatalf("two windows differ: %+v and %+v", a.probe(), b.probe())
		}
		time.Sleep(20 * time.Millisecond)
	}
}

func TestNothingLost(t *testing.T) {
	s := newSite(t)
	profile := browser.MustIncognito()
	defer profile.MustClose()
	one := s.windowIn(profile, "/")
	one.newProject("Two windows")
	two := s.windowIn(profile, "/project/1")
	two.opened()
	// Each sees the other's changes at once, each takes back its own.
	one.page.MustActivate()
	one.take("wall")
	one.press(input.KeyD)
	one.tap("First map", 5, 5)
	one.saved()
	two.page.MustActivate()
	two.tile(5, 5, "wall")
	two.take("water")
	two.press(input.KeyD)
	two.tap("First map", 7, 5)
	same(one, two)
	one.page.MustActivate()
	one.tile(7, 5, "water")
	one.with(input.ControlLeft, input.KeyZ)
	one.tile(5, 5, "ground")
	one.tile(7, 5, "water")
	two.page.MustActivate()
	two.with(input.ControlLeft, input.KeyZ)
	two.tile(7, 5, "ground")
	same(one, two)
	two.page.MustClose()
	// The server is away for ten seconds: one paints on, and all is sent after.
	one.page.MustActivate()
	one.tap("First map", 9, 9)
	one.saved()
	s.kill()
	one.tap("First map", 10, 9)
	one.tap("First map", 11, 9)
	one.sees("[role=status]", "Waiting for the server (2 changes)")
	time.Sleep(10 * time.Second)
	s.start()
	one.saved()
	before := one.probe()
	// A reload: the same project, and undo still works.
	one.page.MustReload()
	one.opened()
	if after := one.probe(); after.Hash != before.Hash {
		t.Fatalf("after the reload %+v, before %+v", after, before)
	}
	one.tile(11, 9, "wall")
	one.with(input.ControlLeft, input.KeyZ)
	one.tile(11, 9, "ground")
	one.saved()
	// The tab closes while the server is away: the next one takes queue and undo over.
	s.kill()
	one.take("path")
	one.press(input.KeyD)
	one.tap("First map", 12, 12)
	one.sees("[role=status]", "Waiting for the server (1 change)")
	time.Sleep(300 * time.Millisecond) // the queue is written
	one.page.MustClose()
	s.start()
	three := s.windowIn(profile, "/project/1")
	three.opened()
	three.saved()
	three.tile(12, 12, "path")
	three.with(input.ControlLeft, input.KeyZ)
	three.tile(12, 12, "ground")
	three.saved()
}

// The server is killed at random moments of painting: what was acknowledged is
// there, and every stroke once.
func TestKilledWhilePainting(t *testing.T) {
	rounds := 5
	if !testing.Short() {
		rounds = 20
	}
	s := newSite(t)
	w := s.window("/")
	w.newProject("Storm")
	w.take("wall")
	w.press(input.KeyD)
	r := rand.New(rand.NewPCG(7, 7))
	painted := 0
	for range rounds {
		killed := make(chan struct{})
		go func() {
			defer close(killed)
			time.Sleep(time.Duration(r.IntN(400)) * time.Millisecond)
			s.kill()
		}()
		for range 6 {
			w.tap("First map", 2+painted%36, 2+painted/36*2)
			painted++
		}
		<-killed
		s.start()
		w.saved()
	}
	p := w.probe()
	if p.Revision != painted {
		t.Errorf("%d strokes gave %d steps in the log", painted, p.Revision)
	}
	w.page.MustReload()
	w.opened()
	if after := w.probe(); after.Hash != p.Hash || after.Revision != p.Revision {
		t.Errorf("the database has %+v, the page had %+v", after, p)
	}
	for range 3 {
		w.with(input.ControlLeft, input.KeyZ)
	}
	w.saved()
	if w.probe().Revision != painted+3 {
		t.Errorf("undo after all that: revision %d", w.probe().Revision)
	}
}
