package page

import (
	"fmt"
	"slices"

	"azzel/core/edit"
	"azzel/core/hand"
	"azzel/core/world"
)

// mostTried is how many values are tried at a time.
const mostTried = 9

// TrialView is what comes of a kept replay with other values of one term of the movement, or of how a
// piece acts.
type TrialView struct {
	// Replay is its id, Term and Per as in TermView.
	Replay string     `json:"replay"`
	Term   string     `json:"term"`
	Label  string     `json:"label"`
	Unit   string     `json:"unit"`
	Per    int        `json:"per"`
	Rows   []TrialRow `json:"rows"`
}

// TrialRow is what comes of one value, as in ReplayView.
type TrialRow struct {
	Value int `json:"value"`
	// Now says that it is the value that is set.
	Now  bool   `json:"now"`
	Came string `json:"came"`
	Says string `json:"says"`
}

// asked is what is to be tried over which replay; no values end the trial.
type asked struct {
	Replay world.ID `json:"replay"`
	Term   string   `json:"term"`
	Values []int    `json:"values"`
}

// A trial is a replay played with several values. The document stays as it is.
type trial struct {
	asked  asked
	replay *world.Replay
	term   TermView
	doc    *world.Document
	rows   []*tried
}

// TryValues asks for a replay to be played with other values of a term, or for an end of that if there are none.
type TryValues struct {
	Replay ID     `json:"replay"`
	Term   string `json:"term,omitempty"`
	Values []int  `json:"values,omitempty"`
}

// Do implements Order.
func (o TryValues) Do(p *Page) Changed {
	a := asked{world.ID(o.Replay), o.Term, o.Values}
	if p.doc().Replay(a.Replay) == nil {
		a.Values = nil
	}
	if len(a.Values) > 0 {
		// It is tried where replays are played, but an error is said here.
		if err := (&trial{asked: a}).begin(p.author()); err != nil {
			a.Values = nil
			p.Fail(err)
		}
	}
	p.given.asked = &a
	return ReplaysChanged | StateChanged
}

// begin makes a document for each value.
func (t *trial) begin(a author) error {
	term, _, found := a.triable(t.asked.Term)
	if !found || len(t.asked.Values) > mostTried {
		return fmt.Errorf("one to %d values of the movement, or of a piece that is there, can be tried at a time", mostTried)
	}
	t.doc, t.term, t.rows, t.replay = a.d, term, nil, a.d.Replay(t.asked.Replay)
	for _, v := range t.asked.Values {
		_, change, found := a.triable(t.asked.Term)
		if !found {
			return world.ErrGone
		}
		e, err := change(v)
		if err != nil {
			return err
		}
		d := t.doc
		if len(e.Parts) > 0 {
			res, err := edit.Apply(d, e)
			if err != nil {
				return err
			}
			d = res.Document
		}
		t.rows = append(t.rows, &tried{doc: d, replay: t.replay})
	}
	return nil
}

// follow begins anew if the document has changed in what counts in play, and ends if the
// replay is gone.
func (t *trial) follow(r *Reruns) Changed {
	d := r.doc
	kept := d.Replay(t.replay.ID)
	if kept == t.replay && (t.doc == d || world.PlaysAlike(t.doc, d)) {
		return 0
	}
	if kept == nil || t.begin(r.author()) != nil {
		r.trial = nil
	}
	return ReplaysChanged
}

func (t *trial) view(a author) *TrialView {
	if t == nil {
		return nil
	}
	v := &TrialView{Replay: FormatID(t.replay.ID), Term: t.term.Name, Label: t.term.Label, Unit: t.term.Unit, Per: t.term.Per}
	term, _, _ := a.triable(t.asked.Term)
	now := term.Value
	for i, row := range t.rows {
		r := TrialRow{Value: t.asked.Values[i], Now: t.asked.Values[i] == now, Came: cameWaiting, Says: "is played …"}
		if row.done {
			r.Came, r.Says = row.came()
		}
		v.Rows = append(v.Rows, r)
	}
	return v
}

// PieceTerm is the name among what can be tried of a value of a piece.
func PieceTerm(r world.Ref, name string) string {
	return fmt.Sprintf("piece %d %d %s", r.Map, r.ID, name)
}

// triable finds what can be tried by its name, as it is now, and how it is changed.
func (a author) triable(name string) (term TermView, change func(value int) (edit.Edit, error), found bool) {
	d := a.d
	terms := viewMovement(d).Terms
	change = func(value int) (edit.Edit, error) { return a.movement(name, value) }
	ref := world.Ref{Sort: world.SortPiece}
	if of, _ := fmt.Sscanf(name, "piece %d %d %s", &ref.Map, &ref.ID, &term.Name); of == 3 {
		m := d.Map(ref.Map)
		if m == nil || m.Piece(ref.ID) == nil {
			return term, nil, false
		}
		acting := viewActing(d, m, m.Piece(ref.ID))
		if acting == nil {
			return term, nil, false
		}
		terms = nil
		for _, f := range acting.Fields {
			if len(f.Options) == 0 {
				terms = append(terms, TermView{Name: f.Name, Label: f.Label, Unit: f.Unit, Value: f.Value, Per: f.Per, Least: f.Least, Most: f.Most, Reach: f.Reach, Tries: f.Tries, Trial: f.Trial})
			}
		}
		name = term.Name
		change = func(value int) (edit.Edit, error) { return a.acted(ref, name, value, "") }
	}
	i := slices.IndexFunc(terms, func(t TermView) bool { return t.Name == name })
	if i < 0 {
		return term, nil, false
	}
	term = terms[i]
	if ref.ID != 0 {
		term.Name, term.Label = term.Trial, hand.Name(d, ref)+": "+term.Label
	}
	return term, change, true
}

// around are some values of a term from half to one and a half of the one that is set.
func around(value, least, most int) []int {
	list := make([]int, 0, 5)
	for quarters := 2; quarters <= 6; quarters++ {
		list = append(list, min(max((value*quarters+2)/4, least), most))
	}
	return slices.Compact(list)
}

// SetTried sets a value that was tried.
type SetTried struct {
	Term  string `json:"term"`
	Value int    `json:"value"`
}

// Do implements Order.
func (o SetTried) Do(p *Page) Changed {
	_, change, found := p.author().triable(o.Term)
	if !found {
		return p.Fail(world.ErrGone)
	}
	e, err := change(o.Value)
	if err != nil {
		return p.Fail(err)
	}
	if len(e.Parts) == 0 {
		return 0
	}
	return p.do(e)
}
