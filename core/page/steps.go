package page

import (
	"errors"

	"azzel/core/edit"
)

// StepView is one line of the list of what was done.
type StepView struct {
	Label  string `json:"label"`
	Own    bool   `json:"own"`
	Undone bool   `json:"undone"`
	Done   int    `json:"done"`
	// Back says that it was taken back alone.
	Back bool `json:"back"`
	// Sequence is the number of a step of one's own.
	Sequence uint64 `json:"sequence"`
}

// Steps lists what was done, the earliest first.
func (p *Page) Steps() []StepView {
	list := []StepView{}
	for _, s := range p.replica.Steps() {
		list = append(list, StepView(s))
	}
	return list
}

// AddEarlier takes earlier steps of this session, as the server sent them.
type AddEarlier struct {
	Records Attached `json:"-"`
}

// Do implements Order.
func (o AddEarlier) Do(p *Page) Changed {
	records, err := edit.DecodeRecords(o.Records.first())
	if err != nil {
		return p.Fail(err)
	}
	p.replica.AddEarlier(records)
	return StateChanged
}

// WalkHistory undoes and redoes until so many steps of this session are done.
type WalkHistory struct {
	Done int `json:"done"`
}

// Do implements Order.
func (o WalkHistory) Do(p *Page) Changed {
	if p.looking() {
		return StateChanged
	}
	p.hand.Cancel()
	left, of, err := p.replica.Walk(o.Done, p.send)
	return p.tookBack(left, of, err)
}

// UndoStep undoes one step from among those that were done, by its sequence number.
type UndoStep struct {
	Step uint64 `json:"step"`
}

// Do implements Order.
func (o UndoStep) Do(p *Page) Changed {
	if p.looking() {
		return StateChanged
	}
	p.hand.Cancel()
	message, left, of, err := p.replica.TakeBack(o.Step)
	if errors.Is(err, edit.ErrNothing) {
		return p.refuse("This step is not done any more.")
	}
	if err != nil {
		return p.Fail(err)
	}
	p.send(message)
	return p.tookBack(left, of, nil)
}

func (p *Page) send(message []byte) { p.outgoing = append(p.outgoing, message) }

// tookBack shows what became of steps that were taken back or brought back.
func (p *Page) tookBack(left, of int, err error) Changed {
	if left > 0 {
		p.say("%d of %d changed since and were left alone.", left, of)
	}
	changed := p.follow() | StateChanged | OutgoingChanged | p.hover()
	if err != nil {
		changed |= p.Fail(err)
	}
	return changed
}
