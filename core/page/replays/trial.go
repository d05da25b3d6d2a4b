package replays

import (
	"fmt"
	"math"
	"slices"
	"strconv"
	"strings"
	"unicode"

	"azzel/core/edit"
	"azzel/core/hand"
	"azzel/core/page"
	"azzel/core/page/pieces"
	"azzel/core/page/playing"
	"azzel/core/world"
)

// mostTried is how many values are tried at a time.
const mostTried = 9

var errTooMany = fmt.Errorf("one to %d values of the movement, or of a piece that is there, can be tried at a time", mostTried)

// TrialView is what comes of a kept replay with other values of one term of the movement, or of how a
// piece acts.
type TrialView struct {
	// Replay is its id, Term the name of a TermView.
	Replay string     `json:"replay"`
	Term   string     `json:"term"`
	Label  string     `json:"label"`
	Unit   string     `json:"unit"`
	Rows   []TrialRow `json:"rows"`
}

// TrialRow is what comes of one value in the unit, as in ReplayView.
type TrialRow struct {
	Value float64 `json:"value"`
	// Now says that it is the value that is set.
	Now  bool   `json:"now"`
	Came string `json:"came"`
	Says string `json:"says"`
}

// A trial is a replay played with several values. The document stays as it is.
type trial struct {
	asked  page.Asked
	replay *world.Replay
	term   playing.TermView
	doc    *world.Document
	rows   []*tried
}

// TryValues asks for a replay to be played with other values of a term, or for an end of that if there are none. Values are
// in the unit of the term, as they were typed: with commas, semicolons or spaces between.
type TryValues struct {
	Replay page.ID `json:"replay"`
	Term   string  `json:"term,omitempty"`
	Values string  `json:"values,omitempty"`
}

// parse reads values as they were typed.
func parse(text string) ([]float64, error) {
	parts := strings.FieldsFunc(text, func(r rune) bool { return r == ',' || r == ';' || unicode.IsSpace(r) })
	if len(parts) > mostTried {
		return nil, errTooMany
	}
	list := make([]float64, len(parts))
	for i, part := range parts {
		n, err := strconv.ParseFloat(part, 64)
		if err != nil || math.IsNaN(n) || math.IsInf(n, 0) {
			return nil, fmt.Errorf("values are numbers with commas between, as 4, 5.5, 7: %q is none", part)
		}
		list[i] = n
	}
	return list, nil
}

// Do implements Order.
func (o TryValues) Do(p *page.Page) page.Changed {
	values, err := parse(o.Values)
	if err != nil {
		return p.Fail(err)
	}
	a := page.Asked{Replay: world.ID(o.Replay), Term: o.Term, Values: values}
	if p.Doc().Replay(a.Replay) == nil {
		a.Values = nil
	}
	if len(a.Values) > 0 {
		// It is tried where replays are played, but an error is said here.
		if err := (&trial{asked: a}).begin(p.Author()); err != nil {
			a.Values = nil
			p.Fail(err)
		}
	}
	p.Given.Asked = &a
	return page.ReplaysChanged | page.StateChanged
}

// begin makes a document for each value.
func (t *trial) begin(a page.Author) error {
	term, _, found := triable(a, t.asked.Term)
	if !found || len(t.asked.Values) > mostTried {
		return errTooMany
	}
	t.doc, t.term, t.rows, t.replay = a.D, term, nil, a.D.Replay(t.asked.Replay)
	for _, v := range t.asked.Values {
		_, change, found := triable(a, t.asked.Term)
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
func (t *trial) follow(r *Reruns) page.Changed {
	d := r.doc
	kept := d.Replay(t.replay.ID)
	if kept == t.replay && (t.doc == d || world.PlaysAlike(t.doc, d)) {
		return 0
	}
	if kept == nil || t.begin(r.author()) != nil {
		r.trial = nil
	}
	return page.ReplaysChanged
}

func (t *trial) view(a page.Author) *TrialView {
	if t == nil {
		return nil
	}
	v := &TrialView{Replay: page.FormatID(t.replay.ID), Term: t.term.Name, Label: t.term.Label, Unit: t.term.Unit}
	term, _, _ := triable(a, t.asked.Term)
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

// triable finds what can be tried by its name, as it is now, and how it is changed.
func triable(a page.Author, name string) (term playing.TermView, change func(value float64) (edit.Edit, error), found bool) {
	d := a.D
	terms := playing.ViewMovement(d).Terms
	change = func(value float64) (edit.Edit, error) { return playing.Movement(a, name, value) }
	ref := world.Ref{Sort: world.SortPiece}
	if words := strings.Fields(name); len(words) == 4 && words[0] == "piece" {
		ref.Map, ref.ID, term.Name = page.ParseID(words[1]), page.ParseID(words[2]), words[3]
		m := d.Map(ref.Map)
		if m == nil || m.Piece(ref.ID) == nil {
			return term, nil, false
		}
		acting := pieces.ViewActing(d, m, m.Piece(ref.ID))
		if acting == nil {
			return term, nil, false
		}
		terms = nil
		for _, f := range acting.Fields {
			if len(f.Options) == 0 {
				terms = append(terms, playing.TermView{Name: f.Name, Label: f.Label, Measured: f.Measured, Tries: f.Tries, Trial: f.Trial})
			}
		}
		name = term.Name
		change = func(value float64) (edit.Edit, error) { return pieces.Acted(a, ref, name, value, "") }
	}
	i := slices.IndexFunc(terms, func(t playing.TermView) bool { return t.Name == name })
	if i < 0 {
		return term, nil, false
	}
	term = terms[i]
	if ref.ID != 0 {
		term.Name, term.Label = term.Trial, hand.Name(d, ref)+": "+term.Label
	}
	return term, change, true
}

// SetTried sets a value that was tried, in its unit.
type SetTried struct {
	Term  string  `json:"term"`
	Value float64 `json:"value"`
}

// Do implements Order.
func (o SetTried) Do(p *page.Page) page.Changed {
	_, change, found := triable(p.Author(), o.Term)
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
	return p.Do(e)
}
