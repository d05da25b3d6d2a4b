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
func (p *Page) AddEarlier(data []byte) Changed {
	p.finish()
	records, err := edit.DecodeRecords(data)
	if err != nil {
		return p.Fail(err)
	}
	p.replica.AddEarlier(records)
	return StateChanged
}

// walk goes along the list of steps until as many of one's own are done.
func (p *Page) walk(done int) Changed {
	if p.looking() {
		return StateChanged
	}
	p.hand.Cancel()
	left, of, err := p.replica.Walk(done, p.send)
	return p.tookBack(left, of, err)
}

// takeBackAlone takes back one step from among those that were done.
func (p *Page) takeBackAlone(step uint64) Changed {
	if p.looking() {
		return StateChanged
	}
	p.hand.Cancel()
	message, left, of, err := p.replica.TakeBack(step)
	if errors.Is(err, edit.ErrNothing) {
		p.say("This step is not done any more.")
		return StateChanged
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
