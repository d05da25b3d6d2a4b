package page

import (
	"azzel/core/hand"
	"azzel/core/pace"
	"azzel/core/world"
)

// sliceCells is how many cells are worked on before a page is let draw and listen.
const sliceCells = 15_000

// A job is something to be done to the page that may take long.
type job struct {
	do func() (Changed, error)
	// own says that the designer asked for it, and may stop it. Ticket is that of an order, 0 for what is none.
	own    bool
	ticket int
}

// working is a job under way.
type working struct {
	job
	*pace.Work
	at    pace.Pace
	gave  Changed
	fault error
	// hand and document are what they were before, for when the job is stopped.
	hand     hand.Hand
	document *world.Document
}

// jobCells is how many cells could be worked on in the time that a job takes at least.
const jobCells = 100

// enter does a job, after those that came before it. What of it is left when the slice
// is over is done by Work.
func (p *Page) enter(j job) (Changed, error) {
	if p.working != nil {
		p.later = append(p.later, j)
		return WorkLeft, nil
	}
	p.begin(j)
	return p.Work(p.Slice)
}

// begin makes a job the one under way. Nothing of it is done yet.
func (p *Page) begin(j job) {
	w := &working{job: j, hand: *p.Hand, document: p.Doc()}
	p.reply = nil
	if j.ticket != 0 {
		p.reply = &Reply{Ticket: j.ticket}
	}
	w.Work = pace.Begin(func(at pace.Pace) {
		w.at = at
		p.pace(at)
		w.gave, w.fault = j.do()
	})
	p.working = w
}

// ask does what the designer asked for.
func (p *Page) ask(do func() Changed) Changed {
	// Only what the server sends can fail in a way that the page must know of.
	changed, _ := p.enter(job{do: func() (Changed, error) { return do(), nil }, own: true})
	return changed
}

// Work goes on with what is under way, and with what waits for it, for about budget
// cells. WorkLeft is among what has changed as long as there is more. After edit.ErrGap
// the page must be opened anew.
func (p *Page) Work(budget int) (changed Changed, err error) {
	for p.working != nil {
		w := p.working
		if budget <= 0 {
			p.told = true
			return changed | StateChanged | WorkLeft, nil
		}
		before := w.Done()
		// Between the steps others may use the hand, who are not to wait.
		p.pace(w.at)
		done := w.Step(budget)
		p.pace(nil)
		budget -= w.Done() - before + jobCells
		if !done {
			continue
		}
		changed |= w.gave
		if p.reply != nil {
			p.answer(w.gave)
			changed |= RepliesChanged
		}
		p.next()
		if w.fault != nil {
			return changed, w.fault
		}
	}
	changed |= p.finished
	p.finished = 0
	if p.told {
		p.told = false
		changed |= StateChanged
	}
	return changed, nil
}

// next lets what waits be under way.
func (p *Page) next() {
	p.working = nil
	switch {
	case len(p.later) > 0:
		j := p.later[0]
		p.later = p.later[1:]
		p.begin(j)
	case len(p.inbox) > 0:
		p.begin(job{do: p.hear})
	}
}

func (p *Page) pace(at pace.Pace) { p.Hand.Pace, p.Replica.Pace = at, at }

// Underway is how many cells of what is under way were worked on, and whether it can be stopped; −1 if nothing is.
func (p *Page) Underway() (cells int, stops bool) {
	if p.working == nil {
		return -1, false
	}
	return p.working.Done(), p.working.own
}

// Working reports whether anything is under way.
func (p *Page) Working() bool { return p.working != nil }

// Finish ends what is under way, without slices. What has changed by it is given with the next Work.
func (p *Page) Finish() {
	for p.working != nil {
		changed, err := p.Work(1 << 40)
		if p.finished |= changed; err != nil {
			p.finished |= p.Fail(err)
		}
	}
}

// stop gives up what is under way, unless it came from the server, and everything asked for
// after it.
func (p *Page) stop() Changed {
	w := p.working
	if !w.own {
		return 0
	}
	w.Stop()
	p.working = nil
	*p.Hand = w.hand
	p.Hand.Cancel()
	says := "Stopped. What was done before stays."
	if p.Doc() == w.document {
		says = "Stopped. Nothing was changed."
	}
	p.Refuse("%s", says)
	p.answer(StateChanged)
	for _, j := range p.later {
		if j.ticket != 0 {
			p.reply = &Reply{Ticket: j.ticket, Refused: says}
			p.answer(StateChanged)
		}
	}
	p.later = nil
	changed := p.Follow() | StateChanged | OutgoingChanged | p.Hover()
	p.next()
	// An error comes again with the server's next message.
	more, _ := p.Work(p.Slice)
	return changed | more
}
