package page

// StepView is one line of the list of what was done.
type StepView struct {
	Label  string `json:"label"`
	Own    bool   `json:"own"`
	Undone bool   `json:"undone"`
	Done   int    `json:"done"`
}

// Steps lists what was done, the earliest first.
func (p *Page) Steps() []StepView {
	list := []StepView{}
	for _, s := range p.replica.Steps() {
		list = append(list, StepView(s))
	}
	return list
}

// walk goes along the list of steps until as many of one's own are done.
func (p *Page) walk(done int) Changed {
	if p.looking() {
		return StateChanged
	}
	p.hand.Cancel()
	messages, left, of, err := p.replica.Walk(done)
	p.outgoing = append(p.outgoing, messages...)
	if left > 0 {
		p.say("%d of %d changed since and were left alone.", left, of)
	}
	changed := p.follow() | StateChanged | OutgoingChanged | p.hover()
	if err != nil {
		changed |= p.Fail(err)
	}
	return changed
}
