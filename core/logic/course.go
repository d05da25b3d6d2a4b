package logic

import (
	"slices"

	"azzel/core/kind"
	"azzel/core/limit"
)

// end takes a run away.
func (e *Engine) end(number int) {
	if r := e.Run(number); r != nil && e.underWay != nil {
		if is := e.rule(r.Rule); is != nil {
			e.underWay[is.index]--
		}
	}
	if i, there := e.Runs.at(number); there {
		e.Runs.List = slices.Delete(e.Runs.List, i, i+1)
	}
}

// goOn lets a run do what takes no time, until it waits or has ended.
func (e *Engine) goOn(run *Run) {
	number := run.Number
	is := e.rule(run.Rule)
	for deeds := 0; ; deeds++ {
		// What was done may have let others begin or end.
		if run = e.Run(number); run == nil || e.Ended() || e.Jammed != 0 {
			return
		}
		if deeds >= limit.RunDeeds || e.deeds >= limit.Deeds {
			return
		}
		e.deeds++
		if len(run.Frames) == 0 {
			e.end(number)
			return
		}
		f := &run.Frames[len(run.Frames)-1]
		if run.Box == WantsBox {
			if p := is.Part(f.Last); p == nil || !is.Done(p) {
				run.Box = NoBox
			} else if !e.Open(number, p, Pair{is.ID, run.This}, run.Bound) {
				return
			} else {
				run.Box = HasBox
				return
			}
		}
		only := run.Only
		if len(run.Frames) > 1 {
			only = 0
		}
		p := is.after(f, only)
		if p == nil {
			if in := is.Part(f.In); in != nil && in.Does == Again && f.Left > 1 {
				f.Left--
				f.Last, f.Order = 0, 0
				continue
			}
			run.Frames = run.Frames[:len(run.Frames)-1]
			continue
		}
		was := *f
		f.Last, f.Order = p.ID, p.Order
		if !e.do(run, is, p) {
			*f = was
			return
		}
		if e.Watch != nil {
			e.Watch(is.ID, p.ID)
		}
		if run = e.Run(number); run != nil && (run.Left > 0 || run.Box > HasBox) {
			return
		}
	}
}

// after is the part of a branch that comes next, of which only that of an id counts unless that is 0; nil at its end, and where what it is in is gone.
func (r *Listed) after(f *Frame, only kind.ID) *Part {
	var in *Part
	if f.In != 0 {
		if in = r.Part(f.In); in == nil || !r.Done(in) {
			return nil
		}
	}
	next := func(t *twig) bool {
		if t.does == Nothing || t.off || f.Last != 0 && (t.order < f.Order || t.order == f.Order && t.id <= f.Last) {
			return false
		}
		return (only == 0 || t.id == only) && t.does != Choice && t.does != Case && r.holds(in, f.Branch, t.does)
	}
	if in == nil && f.Branch < branchEnd {
		list := r.twigsOf(f.Branch)
		for i := range list {
			if next(&list[i]) {
				return list[i].part
			}
		}
		return nil
	}
	for _, p := range r.Kids(f.In, f.Branch) {
		if t := twigOf(p); next(&t) {
			return p
		}
	}
	return nil
}

// do does an action, and reports false if it can't be done yet.
func (e *Engine) do(run *Run, is *Listed, p *Part) bool {
	by := Pair{is.ID, run.This}
	enter := func(f Frame) {
		if len(run.Frames) <= MostNested {
			run.Frames = append(run.Frames, f)
		}
	}
	switch p.Does {
	case Until:
		run.Box = AwaitsMoment
	case Together:
		e.together(run, is, p)
	case Stop:
		e.stop(run)
	case If:
		branch := Otherwise
		asked := e.Asked(by, run.Bound, run.turn())
		holds := p.If.Holds(asked)
		if holds {
			branch = Then
		}
		if e.Chose != nil {
			e.Chose(is.ID, p.ID, holds, asked)
		}
		enter(Frame{In: p.ID, Branch: branch})
	case Again:
		enter(Frame{In: p.ID, Left: p.Number})
	case OneOf:
		if in := e.draw(is, p, run); in != 0 {
			enter(Frame{In: in})
		}
	case Say, Question:
		run.Box = WantsBox
		e.askedOf(is, p, run)
	case AskFor:
		if other := e.rule(p.Thing); other != nil {
			e.Raise(Happened{Moment: AskedFor.Number, Thing: other.ID, Doer: run.Whoever})
		}
	case Wait:
		run.Left = p.Number
	default:
		if p.Does.timed() {
			// All that is done by then takes as long as it says.
			run.Left = p.Number
		}
		return e.Act(p, by, run.Bound, run.turn())
	}
	return true
}

// askedOf tells of the conditions of the answers to a question, as they are as it is asked.
func (e *Engine) askedOf(is *Listed, p *Part, run *Run) {
	if e.Chose == nil {
		return
	}
	for _, c := range is.Kids(p.ID, Then) {
		if c.Does == Choice && !c.Off && !c.If.blank() {
			asked := e.Asked(Pair{is.ID, run.This}, run.Bound, run.Moment)
			e.Chose(is.ID, c.ID, c.If.Holds(asked), asked)
		}
	}
}

// draw is one of the cases of an action, by their weights.
func (e *Engine) draw(is *Listed, p *Part, run *Run) kind.ID {
	sum := 0
	cases := is.Kids(p.ID, Then)
	for _, c := range cases {
		if c.Does == Case && !c.Off {
			sum += c.Number
		}
	}
	if sum == 0 {
		return 0
	}
	n := e.Asked(Pair{is.ID, run.This}, run.Bound, run.turn()).Draw(sum, int(p.ID%MostValue))
	for _, c := range cases {
		if c.Does != Case || c.Off {
			continue
		}
		if n -= c.Number; n < 0 {
			return c.ID
		}
	}
	return 0
}

// turn numbers what is asked of chance while a run goes: by the moment at which it began, and how often what it is in is still gone through again.
func (r *Run) turn() int {
	n := r.Moment
	for _, f := range r.Frames {
		n = n*31 + f.Left
	}
	return n
}
