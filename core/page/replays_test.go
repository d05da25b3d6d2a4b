package page_test

import (
	"strings"
	"testing"

	"azzel/core/kinds/props"
	"azzel/core/page"
	"azzel/core/play"
	"azzel/core/world"
)

// elsewhere plays the kept replays of a page, told what is new as a worker is.
type elsewhere struct {
	page.Reruns
	t *testing.T
	p *page.Page
}

// told takes what is new, in small slices.
func (e *elsewhere) told() *elsewhere {
	e.t.Helper()
	for more := true; more; {
		var message []byte
		if message, more = e.p.HandOver(500); message != nil {
			if err := e.Take(message); err != nil {
				e.t.Fatal(err)
			}
		}
	}
	return e
}

// rerun plays the kept replays to their end, in slices, and gives what came of the first.
func (e *elsewhere) rerun() page.ReplayView {
	e.t.Helper()
	e.told()
	for slices := 0; e.Run(50)&page.RerunLeft != 0; slices++ {
		if slices > 100 {
			e.t.Fatal("playing the replays again does not end")
		}
		if came := e.View().Kept[0].Came; came != "waiting" && e.View().Trial == nil {
			e.t.Fatalf("not played to its end, a replay %s", came)
		}
	}
	return e.View().Kept[0]
}

// A play is kept under a name as a step; after each change it is played again and told what
// came of it; watched, it does the same until one takes over.
func TestReplaysOfAPage(t *testing.T) {
	p := fromTheSide(t)
	e := &elsewhere{t: t, p: p}
	for _, junk := range [][]byte{nil, []byte("D"), []byte("Djunk"), []byte("Sjunk"), []byte("Tjunk")} {
		if e.Take(junk) == nil {
			t.Errorf("%q was taken over", junk)
		}
	}
	if message, more := p.HandOver(1 << 30); message != nil || more || len(e.View().Kept) != 0 {
		t.Error("something is handed over though nothing is kept")
	}
	order(p, page.KeepReplay{})
	if said(p) == "" || len(p.Document().Replays) != 0 {
		t.Error("something was kept without being played")
	}
	order(p, page.StartPlay{})
	for tick := range 200 {
		in := play.Right
		if tick > 60 && tick < 80 {
			in |= play.Jump
		}
		p.Tick(in)
	}
	end := p.Play()
	order(p, page.KeepReplay{Name: "  Over the pots "})
	d := p.Document()
	if len(d.Replays) != 1 || d.Replays[0].Name != "Over the pots" || d.Replays[0].Ticks() != 200 {
		t.Fatalf("%d replays are kept: %q", len(d.Replays), said(p))
	}
	if len(p.Play().Changes) != 0 {
		t.Error("keeping a replay counts as a change while one plays")
	}
	if v := e.rerun(); v.Came != "same" || v.Length != "0:03.33" || v.Place {
		t.Errorf("played again: %+v", v)
	}
	// Nothing is played again for what does not count in play.
	order(p, page.Rename{Thing: page.Thing{Kind: "project"}, Name: "Pipe shaft"})
	if changed := e.told().Run(0); changed != 0 {
		t.Errorf("after a change of a name, %b has changed", changed)
	}
	order(p, page.SetMovement{Term: "speed", Value: 20})
	if changed := e.told().Run(0); changed&page.RerunLeft == 0 || e.View().Kept[0].Came != "waiting" {
		t.Errorf("after a change: %b, %+v", changed, e.View().Kept[0])
	}
	if v := e.rerun(); v.Came != "parts" || !v.Place || !strings.Contains(v.Says, "cells from where they were") {
		t.Errorf("slower, it is played again: %+v", v)
	}
	order(p, page.Undo{})
	if v := e.rerun(); v.Came != "same" {
		t.Errorf("taken back, it is played again: %+v", v)
	}
	id := page.FormatID(d.Replays[0].ID)
	// Other values are tried beside each other, and nothing is changed.
	before := p.Document()
	order(p, page.TryValues{Replay: page.ID(page.ParseID(id)), Term: "speed", Values: []int{30, 55, 80}})
	e.rerun()
	if rows := e.View().Trial.Rows; len(rows) != 3 || rows[0].Came != "parts" || rows[1].Came != "same" || !rows[1].Now || rows[2].Came != "parts" || p.Document() != before {
		t.Errorf("tried with three speeds: %+v", rows)
	}
	for _, bad := range []page.TryValues{{Term: "charm", Values: []int{1}}, {Term: "speed", Values: []int{0}}, {Term: "speed", Values: make([]int, 10)}} {
		bad.Replay = page.ID(page.ParseID(id))
		order(p, bad)
		if says := said(p); e.told().Run(0)&page.RerunLeft != 0 || e.View().Trial != nil || says == "" {
			t.Errorf("tried: %+v", bad)
		}
	}
	order(p, page.WatchReplay{Replay: page.ID(page.ParseID(id))})
	for range 200 {
		p.Tick(0)
	}
	if is := p.Play(); is.X != end.X || is.Y != end.Y {
		t.Errorf("watched, it ends at %.1f, %.1f, and ended at %.1f, %.1f", is.X, is.Y, end.X, end.Y)
	}
	order(p, page.WatchReplay{Replay: page.ID(page.ParseID(id))})
	p.Tick(0)
	p.Tick(play.Left)
	from := p.Play().X
	for range 100 {
		p.Tick(0)
	}
	if p.Play().X > from {
		t.Error("it goes on after somebody took over")
	}
	order(p, page.TryValues{Replay: page.ID(page.ParseID(id)), Term: "speed", Values: []int{30}})
	order(p, page.Delete{Thing: page.Thing{Kind: "replay", ID: page.ID(page.ParseID(id))}})
	if e.told().Run(10); len(e.View().Kept) != 0 || e.View().Trial != nil {
		t.Error("a replay can't be deleted while values are tried over it")
	}
	order(p, page.WatchReplay{Replay: page.ID(page.ParseID(id))})
	if said(p) == "" {
		t.Error("a replay that is gone was watched without a word")
	}
}

// The values of a piece are tried over a replay as well: a foe in the way, at three speeds. One of them
// is set, and the replay parts where it did; a piece that is gone ends the trial.
func TestTryingAPiece(t *testing.T) {
	p := fromTheSide(t)
	e := &elsewhere{t: t, p: p}
	lift := place(p, world.MovingPlatform, 9, 9)
	m := p.Document().Maps[0]
	order(p, page.SetPieceField{Map: page.ID(m.ID), Piece: page.ID(lift.ID), Field: "to-x", Number: -64})
	order(p, page.StartPlay{})
	for range 150 {
		p.Tick(play.Right)
	}
	order(p, page.KeepReplay{Name: "Against the lift"})
	order(p, page.StopPlay{})
	id := page.FormatID(p.Document().Replays[0].ID)
	name := page.PieceTerm(world.Ref{Sort: world.SortPiece, Map: m.ID, ID: lift.ID}, "speed")
	before := p.Document()
	order(p, page.TryValues{Replay: page.ID(page.ParseID(id)), Term: name, Values: []int{10, 30, 60}})
	e.rerun()
	v := e.View().Trial
	if v == nil || len(v.Rows) != 3 || v.Rows[0].Came != "parts" || v.Rows[1].Came != "same" || !v.Rows[1].Now || v.Rows[2].Came != "parts" || p.Document() != before || !strings.Contains(v.Label, ": Speed") {
		t.Fatalf("tried with three speeds of the lift: %+v", v)
	}
	order(p, page.SetTried{Term: name, Value: 60})
	if got := p.Document().Maps[0].Piece(lift.ID).Int(props.Speed); got != 60 {
		t.Errorf("the speed that was tried is set to %d", got)
	}
	if v := e.rerun(); v.Came != "parts" {
		t.Errorf("with the lift faster it is played again: %+v", v)
	}
	order(p, page.Select{Thing: page.Thing{Kind: "piece", Map: page.ID(m.ID), ID: page.ID(lift.ID)}})
	order(p, page.DeleteSelected{})
	if e.told().Run(10); e.View().Trial != nil {
		t.Errorf("with the lift gone there is still a trial: %+v", e.View().Trial)
	}
	p.State()
	if order(p, page.SetTried{Term: name, Value: 60}); said(p) == "" {
		t.Error("a value of a piece that is gone was set without a word")
	}
}
