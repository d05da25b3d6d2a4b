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

// A trial is a replay played with several values. The document stays as it is.
type trial struct {
	replay *world.Replay
	term   TermView
	values []int
	doc    *world.Document
	rows   []*tried
}

// tryValues begins to play a replay with other values of a term, or ends that if there are
// none.
func (p *Page) tryValues(id world.ID, name string, values []int) Changed {
	p.trial = nil
	r := p.doc().Replay(id)
	if len(values) == 0 || r == nil {
		return ReplaysChanged
	}
	term, _, found := p.triable(name)
	if !found || len(values) > mostTried {
		return p.Fail(fmt.Errorf("one to %d values of the movement, or of a piece that is there, can be tried at a time", mostTried)) | ReplaysChanged
	}
	t := &trial{replay: r, term: term, values: values}
	if err := t.begin(p); err != nil {
		return p.Fail(err) | ReplaysChanged
	}
	p.trial = t
	return ReplaysChanged
}

// begin makes a document for each value.
func (t *trial) begin(p *Page) error {
	t.doc, t.rows = p.doc(), nil
	for _, v := range t.values {
		_, change, found := p.triable(t.term.Name)
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
func (t *trial) follow(p *Page) Changed {
	d := p.doc()
	kept := d.Replay(t.replay.ID)
	if kept == t.replay && (t.doc == d || world.PlaysAlike(t.doc, d)) {
		return 0
	}
	if t.replay = kept; kept == nil || t.begin(p) != nil {
		p.trial = nil
	}
	return ReplaysChanged
}

func (t *trial) view(p *Page) *TrialView {
	if t == nil {
		return nil
	}
	v := &TrialView{Replay: FormatID(t.replay.ID), Term: t.term.Name, Label: t.term.Label, Unit: t.term.Unit, Per: t.term.Per}
	term, _, _ := p.triable(t.term.Name)
	now := term.Value
	for i, row := range t.rows {
		r := TrialRow{Value: t.values[i], Now: t.values[i] == now, Came: cameWaiting, Says: "is played …"}
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
func (p *Page) triable(name string) (term TermView, change func(value int) (edit.Edit, error), found bool) {
	d := p.doc()
	terms := viewMovement(d).Terms
	change = func(value int) (edit.Edit, error) { return p.movement(name, value) }
	ref := world.Ref{Kind: world.KindPiece}
	if of, _ := fmt.Sscanf(name, "piece %d %d %s", &ref.Map, &ref.ID, &term.Name); of == 3 {
		m := d.Map(ref.Map)
		if m == nil || m.Piece(ref.ID) == nil {
			return term, nil, false
		}
		acting := viewActing(d, m, m.Piece(ref.ID))
		if acting == nil {
			return term, nil, false
		}
		terms = acting.Values
		name = term.Name
		change = func(value int) (edit.Edit, error) { return p.acted(ref, name, value) }
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
func around(t TermView) []int {
	list := make([]int, 0, 5)
	for quarters := 2; quarters <= 6; quarters++ {
		list = append(list, min(max((t.Value*quarters+2)/4, t.Least), t.Most))
	}
	return slices.Compact(list)
}

// setTried sets a value that was tried.
func (p *Page) setTried(name string, value int) Changed {
	_, change, found := p.triable(name)
	if !found {
		return p.Fail(world.ErrGone)
	}
	e, err := change(value)
	if err != nil {
		return p.Fail(err)
	}
	if len(e.Parts) == 0 {
		return 0
	}
	return p.do(e)
}
