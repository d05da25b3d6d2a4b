package replays

import (
	"encoding/json"
	"errors"
	"fmt"

	"azzel/core/edit"
	"azzel/core/pace"
	"azzel/core/page"
	"azzel/core/play"
	"azzel/core/world"
)

// What a page tells those who play its kept replays: a document, what turns the one before into the
// next, or what is to be tried.
const (
	givenDocument = 'D'
	givenStep     = 'S'
	givenTrial    = 'T'
)

// HandOver goes on with telling those who play kept replays elsewhere what is new, for about budget
// cells. It gives a message for Reruns.Take once one is whole, and reports whether there is more to
// tell. Nothing is told while nothing is kept.
func HandOver(p *page.Page, budget int) (message []byte, more bool) {
	g, d := &p.Given, p.Doc()
	if g.Work == nil && g.Doc != d && (g.Doc != nil || len(d.Replays) > 0) {
		from := g.Doc
		g.To = d
		g.Work = pace.Begin(func(at pace.Pace) {
			if from == nil {
				g.Message = append([]byte{givenDocument}, d.EncodeAt(at)...)
			} else {
				g.Message = append([]byte{givenStep}, edit.Restore(at, from, d, "what is new").Encode()...)
			}
		})
	}
	switch {
	case g.Work != nil && !g.Work.Step(budget):
		return nil, true
	case g.Work != nil:
		message = g.Message
		g.Doc, g.To, g.Work, g.Message = g.To, nil, nil, nil
		return message, g.Asked != nil || g.Doc != d
	case g.Asked != nil && g.Doc != nil:
		body, err := json.Marshal(g.Asked)
		if err != nil {
			panic(err) // Numbers and text can be written.
		}
		g.Asked = nil
		return append([]byte{givenTrial}, body...), false
	}
	return nil, false
}

// HandOverAnew forgets what was told, as whoever was told it is gone.
func HandOverAnew(p *page.Page) {
	if p.Given.Work != nil {
		p.Given.Work.Stop()
	}
	p.Given = page.Given{}
}

// Reruns plays the kept replays of a document, a copy of a page's, wherever there is time for that. The
// zero value has none yet. It must be used by one goroutine.
type Reruns struct {
	doc *world.Document
	// tried is what came of the kept replays, trial one of them with other values, nil for none.
	tried map[world.ID]*tried
	trial *trial
}

// Document is the one on which replays are played, nil for none yet.
func (r *Reruns) Document() *world.Document { return r.doc }

// trialPrefix is that of the ids of what is made for a trial, which a server never gives out.
const trialPrefix = 1<<32 - 1

func (r *Reruns) author() page.Author {
	return page.Author{D: r.doc, IDs: &world.Counter{Prefix: trialPrefix}}
}

// Take takes a message of Page.HandOver. After an error it must be told anew, from the document on.
func (r *Reruns) Take(message []byte) error {
	if len(message) == 0 {
		return errors.New("nothing was handed over")
	}
	switch body := message[1:]; message[0] {
	case givenDocument:
		d, err := world.Decode(body)
		if err != nil {
			return fmt.Errorf("taking over the document: %w", err)
		}
		*r = Reruns{doc: d}
	case givenStep:
		if r.doc == nil {
			return errors.New("a step was handed over before the document")
		}
		e, err := edit.Decode(body)
		if err != nil {
			return fmt.Errorf("taking over a step: %w", err)
		}
		d, err := edit.Follow(nil, r.doc, e)
		if err != nil {
			return fmt.Errorf("taking over a step: %w", err)
		}
		r.doc = d
	case givenTrial:
		var a page.Asked
		if err := json.Unmarshal(body, &a); err != nil {
			return fmt.Errorf("taking over what is to be tried: %w", err)
		}
		r.trial = nil
		if len(a.Values) > 0 {
			if t := (&trial{asked: a}); t.begin(r.author()) == nil && t.replay != nil {
				r.trial = t
			}
		}
	}
	return nil
}

// Run plays kept replays on the document, at most so many ticks of them: only the newest document
// counts, and what came of one stands until something that counts in play has
// changed. RerunLeft is among what has changed as long as there is more.
func (r *Reruns) Run(ticks int) (changed page.Changed) {
	d := r.doc
	if d == nil {
		return 0
	}
	now := make(map[world.ID]*tried, len(d.Replays))
	list := make([]*tried, 0, len(d.Replays))
	for _, kept := range d.Replays {
		t := r.tried[kept.ID]
		if !t.stands(d, kept) {
			var acts play.Acts
			if t != nil && t.replay == kept {
				acts = t.acts
			}
			t = &tried{replay: kept, acts: acts}
			changed |= page.ReplaysChanged
		}
		t.doc = d // the one before may be forgotten
		now[kept.ID] = t
		list = append(list, t)
	}
	r.tried = now
	if r.trial != nil {
		changed |= r.trial.follow(r)
	}
	if r.trial != nil {
		list = append(list, r.trial.rows...)
	}
	for _, t := range list {
		if t.done {
			continue
		}
		if ticks <= 0 {
			return changed | page.RerunLeft
		}
		if ticks = t.play(ticks); !t.done {
			return changed | page.RerunLeft
		}
		changed |= page.ReplaysChanged
	}
	return changed
}

// View is the replays that are kept, with what came of them.
func (r *Reruns) View() ReplaysView {
	d := r.doc
	if d == nil {
		return ReplaysView{Kept: []ReplayView{}}
	}
	list := make([]ReplayView, 0, len(d.Replays))
	for _, kept := range d.Replays {
		v := ReplayView{ID: page.FormatID(kept.ID), Name: kept.Name, Length: play.Clock(kept.Ticks()), From: beginsAt(d, kept), Came: cameWaiting, Says: "is played on what is shown now …"}
		if t := r.tried[kept.ID]; t.stands(d, kept) && t.done {
			v.Came, v.Says = t.came()
			if m := d.Map(t.outcome.At.Map); t.outcome.Parts && m != nil {
				origin := d.Project.Lattice().Pixel(m.Origin)
				v.Place, v.X, v.Y = true, origin.X+t.outcome.At.X/256, origin.Y+t.outcome.At.Y/256
			}
		}
		list = append(list, v)
	}
	return ReplaysView{list, r.trial.view(r.author())}
}
