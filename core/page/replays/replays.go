// Package replays is the room of replays that were kept, played again elsewhere, and tried with other values.
package replays

import (
	"strings"

	"azzel/core/edit"
	"azzel/core/hand"
	"azzel/core/page"
	"azzel/core/page/playing"
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
	// acts are the rules that did something when it was played last so that it ended as it was kept.
	acts play.Acts
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
		t.rerun.Against(t.acts)
		// Beginning one costs about as much as some ticks.
		ticks -= 20
	}
	for ; ticks > 0 && !t.done; ticks-- {
		t.done = t.rerun.Step(1)
	}
	if t.done {
		if t.outcome = t.rerun.Outcome(); t.outcome.Same {
			t.acts = t.rerun.Acts()
		}
		t.rerun = nil
	}
	return ticks
}

func (t *tried) came() (came, says string) {
	o := t.outcome
	switch {
	case t.fault != nil:
		return cameFails, strings.TrimSuffix(page.Sentence(t.fault), ".")
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
func (o KeepReplay) Do(p *page.Page) page.Changed {
	if p.Played == nil {
		return p.Refuse("Nothing is being played. Play from the spawn, then keep it.")
	}
	if p.Looking() {
		return page.StateChanged
	}
	d := p.Doc()
	name := strings.TrimSpace(o.Name)
	if name == "" {
		name = freeReplayName(d, p.Played.Game().Status().Map)
	}
	kept, err := p.Played.Kept(name)
	if err != nil {
		return p.Fail(err)
	}
	id := p.IDs.NewID()
	changed := p.Do(edit.Edit{Label: edit.Clip("keep the replay " + name), Parts: []edit.Part{edit.Put{Ref: world.Ref{Sort: world.SortReplay, ID: id}, Values: kept.Values()}}})
	if p.Doc().Replay(id) != nil {
		p.Say("Kept as %s: %s from %s on. It is played again after each change.", name, play.Clock(kept.Ticks()), beginsAt(p.Doc(), kept))
	}
	return changed | page.StateChanged | page.ReplaysChanged
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
	return page.FreeName(base, base, d.Replays, func(r *world.Replay) string { return r.Name })
}

// WatchReplay plays a replay, until the designer holds anything down.
type WatchReplay struct {
	Replay page.ID `json:"replay"`
}

// Do implements Order.
func (o WatchReplay) Do(p *page.Page) page.Changed {
	r := p.Doc().Replay(world.ID(o.Replay))
	if r == nil {
		return p.Fail(world.ErrGone)
	}
	game, err := play.NewFor(p.Doc(), r)
	if err != nil {
		return p.Fail(err)
	}
	playing.Record(p, game)
	p.Hands = play.NewHands(r)
	return page.PlayChanged | page.StateChanged | page.PointerChanged
}
