package replays_test

import (
	"strings"
	"testing"

	"azzel/core/kinds/props"
	"azzel/core/logic"
	"azzel/core/page"
	"azzel/core/page/history"
	"azzel/core/page/holding"
	"azzel/core/page/pagetest"
	"azzel/core/page/pieces"
	"azzel/core/page/playing"
	"azzel/core/page/replays"
	"azzel/core/page/rules"
	"azzel/core/page/things"
	"azzel/core/page/view"
	"azzel/core/play"
	"azzel/core/world"
)

// A play is kept under a name as a step; after each change it is played again and told what
// came of it; watched, it does the same until one takes over.
func TestReplaysOfAPage(t *testing.T) {
	p := pagetest.FromTheSide(t)
	e := pagetest.NewElsewhere(t, p)
	for _, junk := range [][]byte{nil, []byte("D"), []byte("Djunk"), []byte("Sjunk"), []byte("Tjunk")} {
		if e.Take(junk) == nil {
			t.Errorf("%q was taken over", junk)
		}
	}
	if message, more := replays.HandOver(p, 1<<30); message != nil || more || len(e.View().Kept) != 0 {
		t.Error("something is handed over though nothing is kept")
	}
	pagetest.Order(p, replays.KeepReplay{})
	if pagetest.Said(p) == "" || len(p.Document().Replays) != 0 {
		t.Error("something was kept without being played")
	}
	pagetest.Order(p, playing.StartPlay{})
	for tick := range 200 {
		in := play.Right
		if tick > 60 && tick < 80 {
			in |= play.Jump
		}
		playing.Tick(p, in)
	}
	end := playing.PlayView(p)
	pagetest.Order(p, replays.KeepReplay{Name: "  Over the pots "})
	d := p.Document()
	if len(d.Replays) != 1 || d.Replays[0].Name != "Over the pots" || d.Replays[0].Ticks() != 200 {
		t.Fatalf("%d replays are kept: %q", len(d.Replays), pagetest.Said(p))
	}
	if len(playing.PlayView(p).Changes) != 0 {
		t.Error("keeping a replay counts as a change while one plays")
	}
	if v := e.Rerun(); v.Came != "same" || v.Length != "0:03.33" || v.Place {
		t.Errorf("played again: %+v", v)
	}
	// Nothing is played again for what does not count in play.
	pagetest.Order(p, things.Rename{Thing: page.Thing{Kind: "project"}, Name: "Pipe shaft"})
	if changed := e.Told().Run(0); changed != 0 {
		t.Errorf("after a change of a name, %b has changed", changed)
	}
	pagetest.Order(p, playing.SetMovement{Term: "speed", Value: 2})
	if changed := e.Told().Run(0); changed&page.RerunLeft == 0 || e.View().Kept[0].Came != "waiting" {
		t.Errorf("after a change: %b, %+v", changed, e.View().Kept[0])
	}
	if v := e.Rerun(); v.Came != "parts" || !v.Place || !strings.Contains(v.Says, "cells from where they were") {
		t.Errorf("slower, it is played again: %+v", v)
	}
	pagetest.Order(p, history.Undo{})
	if v := e.Rerun(); v.Came != "same" {
		t.Errorf("taken back, it is played again: %+v", v)
	}
	id := page.FormatID(d.Replays[0].ID)
	// Other values are tried beside each other, and nothing is changed.
	before := p.Document()
	pagetest.Order(p, replays.TryValues{Replay: page.ID(page.ParseID(id)), Term: "speed", Values: "3, 5.5; 8"})
	e.Rerun()
	if rows := e.View().Trial.Rows; len(rows) != 3 || rows[0].Came != "parts" || rows[1].Came != "same" || !rows[1].Now || rows[2].Came != "parts" || p.Document() != before {
		t.Errorf("tried with three speeds: %+v", rows)
	}
	for _, bad := range []replays.TryValues{{Term: "charm", Values: "1"}, {Term: "speed", Values: "0"}, {Term: "speed", Values: "1 2 3 4 5 6 7 8 9 10"}, {Term: "speed", Values: "3, fast"}, {Term: "speed", Values: "NaN"}} {
		bad.Replay = page.ID(page.ParseID(id))
		pagetest.Order(p, bad)
		if says := pagetest.Said(p); e.Told().Run(0)&page.RerunLeft != 0 || e.View().Trial != nil || says == "" {
			t.Errorf("tried: %+v", bad)
		}
	}
	pagetest.Order(p, replays.WatchReplay{Replay: page.ID(page.ParseID(id))})
	for range 200 {
		playing.Tick(p, 0)
	}
	if is := playing.PlayView(p); is.X != end.X || is.Y != end.Y {
		t.Errorf("watched, it ends at %.1f, %.1f, and ended at %.1f, %.1f", is.X, is.Y, end.X, end.Y)
	}
	pagetest.Order(p, replays.WatchReplay{Replay: page.ID(page.ParseID(id))})
	playing.Tick(p, 0)
	playing.Tick(p, play.Left)
	from := playing.PlayView(p).X
	for range 100 {
		playing.Tick(p, 0)
	}
	if playing.PlayView(p).X > from {
		t.Error("it goes on after somebody took over")
	}
	pagetest.Order(p, replays.TryValues{Replay: page.ID(page.ParseID(id)), Term: "speed", Values: "3"})
	pagetest.Order(p, things.Delete{Thing: page.Thing{Kind: "replay", ID: page.ID(page.ParseID(id))}})
	if e.Told().Run(10); len(e.View().Kept) != 0 || e.View().Trial != nil {
		t.Error("a replay can't be deleted while values are tried over it")
	}
	pagetest.Order(p, replays.WatchReplay{Replay: page.ID(page.ParseID(id))})
	if pagetest.Said(p) == "" {
		t.Error("a replay that is gone was watched without a word")
	}
}

// The values of a piece are tried over a replay as well: a foe in the way, at three speeds. One of them
// is set, and the replay parts where it did; a piece that is gone ends the trial.
func TestTryingAPiece(t *testing.T) {
	p := pagetest.FromTheSide(t)
	e := pagetest.NewElsewhere(t, p)
	lift := pagetest.Place(p, world.MovingPlatform, 9, 9)
	m := p.Document().Maps[0]
	pagetest.Order(p, pieces.SetPieceField{Map: page.ID(m.ID), Piece: page.ID(lift.ID), Field: "to-x", Number: -4})
	pagetest.Order(p, playing.StartPlay{})
	for range 150 {
		playing.Tick(p, play.Right)
	}
	pagetest.Order(p, replays.KeepReplay{Name: "Against the lift"})
	pagetest.Order(p, playing.StopPlay{})
	id := page.FormatID(p.Document().Replays[0].ID)
	name := pieces.PieceTerm(world.Ref{Sort: world.SortPiece, Map: m.ID, ID: lift.ID}, "speed")
	before := p.Document()
	pagetest.Order(p, replays.TryValues{Replay: page.ID(page.ParseID(id)), Term: name, Values: "1 3 6"})
	e.Rerun()
	v := e.View().Trial
	if v == nil || len(v.Rows) != 3 || v.Rows[0].Came != "parts" || v.Rows[1].Came != "same" || !v.Rows[1].Now || v.Rows[2].Came != "parts" || p.Document() != before || !strings.Contains(v.Label, ": Speed") {
		t.Fatalf("tried with three speeds of the lift: %+v", v)
	}
	pagetest.Order(p, replays.SetTried{Term: name, Value: 6})
	if got := p.Document().Maps[0].Piece(lift.ID).Int(props.Speed); got != 60 {
		t.Errorf("the speed that was tried is set to %d", got)
	}
	if v := e.Rerun(); v.Came != "parts" {
		t.Errorf("with the lift faster it is played again: %+v", v)
	}
	pagetest.Order(p, holding.Select{Thing: page.Thing{Kind: "piece", Map: page.ID(m.ID), ID: page.ID(lift.ID)}})
	pagetest.Order(p, holding.DeleteSelected{})
	if e.Told().Run(10); e.View().Trial != nil {
		t.Errorf("with the lift gone there is still a trial: %+v", e.View().Trial)
	}
	view.StateOf(p)
	if pagetest.Order(p, replays.SetTried{Term: name, Value: 6}); pagetest.Said(p) == "" {
		t.Error("a value of a piece that is gone was set without a word")
	}
}

// A rule without which a kept replay parts is named, also after another change since; taken back, it ends as it did.
func TestReplayMissesARule(t *testing.T) {
	p := pagetest.FromTheSide(t)
	e := pagetest.NewElsewhere(t, p)
	pagetest.Order(p, rules.AddRule{Home: page.Thing{Kind: page.KindNames[world.SortMap], ID: page.ID(p.Document().Maps[0].ID)}})
	r := p.Document().Rules[0]
	pagetest.Order(p, rules.AddRulePart{Rule: page.ID(r.ID), Part: logic.RulePartForm{ID: "1", Does: "hold-still"}})
	pagetest.Order(p, things.Rename{Thing: page.Thing{Kind: "rule", ID: page.ID(r.ID)}, Name: "Rooted"})
	pagetest.Order(p, playing.StartPlay{})
	for range 120 {
		playing.Tick(p, play.Right)
	}
	pagetest.Order(p, replays.KeepReplay{Name: "Still"})
	pagetest.Order(p, playing.StopPlay{})
	if v := e.Rerun(); v.Came != "same" {
		t.Fatalf("played again: %+v", v)
	}
	pagetest.Order(p, things.Delete{Thing: page.Thing{Kind: "rule", ID: page.ID(r.ID)}})
	for range 2 {
		if v := e.Rerun(); v.Came != "parts" || !strings.Contains(v.Says, "where these rules did something before: Rooted") {
			t.Errorf("without the rule: %+v", v)
		}
		pagetest.Order(p, playing.SetMovement{Term: "speed", Value: 2})
	}
	pagetest.Order(p, history.Undo{})
	pagetest.Order(p, history.Undo{})
	if v := e.Rerun(); v.Came != "same" {
		t.Errorf("with the rule again: %+v", v)
	}
}
