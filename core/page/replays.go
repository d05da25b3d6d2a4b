package page

import (
	"fmt"
	"strings"

	"azzel/core/edit"
	"azzel/core/hand"
	"azzel/core/play"
	"azzel/core/world"
)

// ReplayView is a replay that was kept, and what came of playing it on what is shown.
type ReplayView struct {
	ID   string `json:"id"`
	Name string `json:"name"`
	// Length is how long it is, in minutes and seconds, From what it begins at.
	Length string `json:"length"`
	From   string `json:"from"`
	// Came is what came of it: waiting, same, finishes, parts or fails.
	Came string `json:"came"`
	// Says is that in words.
	Says string `json:"says"`
	// Place says that X and Y are where it parts, in pixels of the board.
	Place bool `json:"place"`
	X     int  `json:"x"`
	Y     int  `json:"y"`
}

// ReplaysView is all that is told of kept replays.
type ReplaysView struct {
	Kept []ReplayView `json:"kept"`
	// Trial is what came of one of them with other values; nil if none were tried.
	Trial *TrialView `json:"trial"`
}

// What came of playing a replay again, for the page.
const (
	cameWaiting  = "waiting"
	cameSame     = "same"
	cameFinishes = "finishes"
	cameParts    = "parts"
	cameFails    = "fails"
)

// A tried is what came of a replay on a document.
type tried struct {
	doc     *world.Document
	replay  *world.Replay
	rerun   *play.Rerun
	done    bool
	fault   error
	outcome play.Outcome
}

// stands reports whether it still holds for a replay on a document.
func (t *tried) stands(d *world.Document, r *world.Replay) bool {
	return t != nil && t.replay == r && (t.doc == d || world.PlaysAlike(t.doc, d))
}

// play goes on with at most so many ticks, and gives how many are left.
func (t *tried) play(ticks int) int {
	if t.rerun == nil {
		if t.rerun, t.fault = play.NewRerun(t.doc, t.replay); t.fault != nil {
			t.done = true
			return ticks
		}
		// Beginning one costs about as much as some ticks.
		ticks -= 20
	}
	for ; ticks > 0 && !t.done; ticks-- {
		t.done = t.rerun.Step(1)
	}
	if t.done {
		t.outcome, t.rerun = t.rerun.Outcome(), nil
	}
	return ticks
}

func (t *tried) came() (came, says string) {
	o := t.outcome
	switch {
	case t.fault != nil:
		return cameFails, strings.TrimSuffix(sentence(t.fault), ".")
	case !o.Parts:
		return cameSame, o.String()
	case o.Finished && o.Before:
		return cameFinishes, o.String()
	}
	return cameParts, o.String()
}

// KeepReplay keeps the game that is played as a replay, under a name or one that is proposed.
type KeepReplay struct {
	Name string `json:"name"`
}

// Do implements Order.
func (o KeepReplay) Do(p *Page) Changed {
	if p.played == nil {
		return p.refuse("Nothing is being played. Play from the spawn, then keep it.")
	}
	if p.looking() {
		return StateChanged
	}
	d := p.doc()
	name := strings.TrimSpace(o.Name)
	if name == "" {
		name = freeReplayName(d, p.played.Game().Status().Map)
	}
	kept, err := p.played.Kept(name)
	if err != nil {
		return p.Fail(err)
	}
	id := p.ids.NewID()
	changed := p.do(edit.Edit{Label: edit.Clip("keep the replay " + name), Parts: []edit.Part{edit.Put{Ref: world.Ref{Sort: world.SortReplay, ID: id}, Values: kept.Values()}}})
	if p.doc().Replay(id) != nil {
		p.say("Kept as %s: %s from %s on. It is played again after each change.", name, play.Clock(kept.Ticks()), beginsAt(p.doc(), kept))
	}
	return changed | StateChanged | ReplaysChanged
}

// beginsAt is what a replay begins at, in words.
func beginsAt(d *world.Document, r *world.Replay) string {
	m, p := d.Piece(r.From)
	switch {
	case p == nil:
		return "where play began"
	case p.Kind().Begins:
		return "the spawn"
	}
	return hand.Name(d, world.Ref{Sort: world.SortPiece, Map: m.ID, ID: p.ID})
}

// freeReplayName proposes a name: the map's, with a number if it is taken.
func freeReplayName(d *world.Document, on world.ID) string {
	base := "Play"
	if m := d.Map(on); m != nil {
		base = m.Name
	}
	taken := map[string]bool{}
	for _, r := range d.Replays {
		taken[r.Name] = true
	}
	name := base
	for n := 2; taken[name]; n++ {
		name = fmt.Sprintf("%s %d", base, n)
	}
	return name
}

// WatchReplay plays a replay, until the designer holds anything down.
type WatchReplay struct {
	Replay ID `json:"replay"`
}

// Do implements Order.
func (o WatchReplay) Do(p *Page) Changed {
	r := p.doc().Replay(world.ID(o.Replay))
	if r == nil {
		return p.Fail(world.ErrGone)
	}
	game, err := play.NewFor(p.doc(), r)
	if err != nil {
		return p.Fail(err)
	}
	p.record(game)
	p.hands = play.NewHands(r)
	return PlayChanged | StateChanged | PointerChanged
}

// handsOn is what the replay that is watched holds down in the next tick.
func (p *Page) handsOn() play.Input {
	in, more := p.hands.Next()
	if !more {
		p.hands = nil
		p.events = append(p.events, "The replay is over: you play on from here.")
	}
	return in
}
