// Package history is the room of what was done: undo and redo, the list of steps, and versions that were kept.
package history

import (
	"errors"

	"azzel/core/edit"
	"azzel/core/page"
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
func Steps(p *page.Page) []StepView {
	list := []StepView{}
	for _, s := range p.Replica.Steps() {
		list = append(list, StepView(s))
	}
	return list
}

// AddEarlier takes earlier steps of this session, as the server sent them.
type AddEarlier struct {
	Records page.Attached `json:"-"`
}

// Do implements Order.
func (o AddEarlier) Do(p *page.Page) page.Changed {
	records, err := edit.DecodeRecords(o.Records.First())
	if err != nil {
		return p.Fail(err)
	}
	p.Replica.AddEarlier(records)
	return page.StateChanged
}

// WalkHistory undoes and redoes until so many steps of this session are done.
type WalkHistory struct {
	Done int `json:"done"`
}

// Do implements Order.
func (o WalkHistory) Do(p *page.Page) page.Changed {
	if p.Looking() {
		return page.StateChanged
	}
	p.Hand.Cancel()
	left, of, err := p.Replica.Walk(o.Done, p.Send)
	return p.TookBack(left, of, err)
}

// UndoStep undoes one step from among those that were done, by its sequence number.
type UndoStep struct {
	Step uint64 `json:"step"`
}

// Do implements Order.
func (o UndoStep) Do(p *page.Page) page.Changed {
	if p.Looking() {
		return page.StateChanged
	}
	p.Hand.Cancel()
	message, left, of, err := p.Replica.TakeBack(o.Step)
	if errors.Is(err, edit.ErrNothing) {
		return p.Refuse("This step was undone before.")
	}
	if err != nil {
		return p.Fail(err)
	}
	p.Send(message)
	return p.TookBack(left, of, nil)
}

// Undo takes back the last step of this session that is done.
type Undo struct{}

// Do implements Order.
func (Undo) Do(p *page.Page) page.Changed { return takeBack(p, "undo", p.Replica.Undo) }

// Redo does the step again that was taken back last.
type Redo struct{}

// Do implements Order.
func (Redo) Do(p *page.Page) page.Changed { return takeBack(p, "redo", p.Replica.Redo) }

func takeBack(p *page.Page, which string, run func() (uint64, []byte, int, int, error)) page.Changed {
	if p.Looking() {
		return page.StateChanged
	}
	p.Hand.Cancel()
	_, message, left, of, err := run()
	if errors.Is(err, edit.ErrNothing) {
		return p.Refuse("There is nothing to %s.", which)
	}
	if err != nil {
		return p.Fail(err)
	}
	p.Send(message)
	return p.TookBack(left, of, nil)
}

// DoAgain does steps here that were meant for another database, as far as they can be done, and says how many were.
type DoAgain struct {
	Steps page.Attached `json:"-"`
}

// Do implements Order.
func (o DoAgain) Do(p *page.Page) page.Changed {
	if p.Looking() {
		return page.StateChanged
	}
	became, done := map[uint64]uint64{}, 0
	for _, m := range o.Steps {
		sequence, body, err := edit.ReadSend(m)
		if err != nil {
			continue
		}
		e, err := edit.Decode(body)
		if err == nil && e.Undoes != 0 {
			if e.Undoes = became[e.Undoes]; e.Undoes == 0 {
				continue
			}
		}
		if err != nil {
			continue
		}
		n, message, err := p.Replica.Do(e)
		if err != nil {
			continue
		}
		became[sequence] = n
		done++
		p.Send(message)
	}
	p.Say("%d of %s could be done here.", done, page.Counted(len(o.Steps), "step"))
	return p.Follow() | page.StateChanged | page.OutgoingChanged
}
