package logic

import (
	"azzel/core/limit"
	"azzel/core/lists"
)

// Awaits reports whether a part says a moment: one at which the rule begins, or up to which it waits.
func (p *Part) Awaits() bool { return p.Does == Nothing || p.Does == Until }

// ends reports whether a moment that came is the one for which a run waits.
func (e *Engine) ends(r *Run, h Happened, belongs Belonging) bool {
	is := e.rule(r.Rule)
	if r.Box != AwaitsMoment || is == nil || len(r.Frames) == 0 || is.On != 0 && is.On != e.On() && !is.Elsewhere {
		return false
	}
	p := is.Part(r.Frames[len(r.Frames)-1].Last)
	if p == nil || p.Does != Until || p.Begins.Is != h.Moment || !p.Begins.hears(h) {
		return false
	}
	if h.Moment == AskedFor.Number {
		return h.Thing == r.Rule
	}
	of := p.Begins.of(r.Bound)
	return of == h.Thing && (of != 0 || !p.Begins.Befalls()) || belongs.is(of)
}

// awaited lets the runs go on that wait for a moment that came.
func (e *Engine) awaited(h Happened, belongs Belonging) {
	if !e.awaits {
		return
	}
	var numbers []int
	for i := range e.Runs.List {
		if e.ends(&e.Runs.List[i], h, belongs) {
			numbers = append(numbers, e.Runs.List[i].Number)
		}
	}
	for _, n := range numbers {
		if r := e.Run(n); r != nil {
			r.Box = NoBox
			e.goOnWith(r)
		}
	}
}

// goOnWith lets a run go on, and then the one that waits for it if it has ended and was the last one.
func (e *Engine) goOnWith(r *Run) {
	of := r.Of
	e.goOn(r)
	if in := e.Run(of - 1); of > 0 && in != nil && in.Box == AwaitsOthers && !e.others(in.Number) {
		in.Box = NoBox
		e.goOnWith(in)
	}
}

// stop ends a run, with all that it is done together with.
func (e *Engine) stop(r *Run) {
	r.Frames = nil
	if r.Of == 0 {
		return
	}
	root, number := r, r.Number
	within := map[int]bool{number: true}
	for root.Of > 0 && e.Run(root.Of-1) != nil {
		root = e.Run(root.Of - 1)
	}
	root.Frames, root.Box = nil, NoBox
	within[root.Number] = true
	is := root.Number
	e.Runs.List = lists.Without(e.Runs.List, func(r Run) bool {
		if r.Of == 0 || !within[r.Of-1] {
			return false
		}
		within[r.Number] = true
		return r.Number != number && r.Number != is
	})
	e.underWay = nil
}

// still reports whether a run still waits for the moment that its rule says: that may be gone since.
func (r *Run) still(is *Listed) bool {
	var p *Part
	if len(r.Frames) > 0 {
		p = is.Part(r.Frames[len(r.Frames)-1].Last)
	}
	return p != nil && p.Does == Until && is.Done(p)
}

// others reports whether anything is under way that a run does together with other things.
func (e *Engine) others(number int) bool {
	for i := range e.Runs.List {
		if e.Runs.List[i].Of == number+1 {
			return true
		}
	}
	return false
}

// together lets all that stands in an action begin at once: each is a run of its own, and the one that began them goes on once all have ended.
func (e *Engine) together(run *Run, is *Listed, p *Part) {
	number := run.Number
	run.Box = AwaitsOthers
	begun := *run
	for _, k := range is.Kids(p.ID, Then) {
		if k.Off || !is.Done(k) {
			continue
		}
		if of := e.Run(number); of == nil || of.Box != AwaitsOthers || e.Ended() || e.Jammed != 0 {
			return
		}
		if len(e.Runs.List) >= limit.Runs {
			e.Jammed = is.ID
			return
		}
		part := Run{Number: e.Begun, Rule: is.ID, Bound: begun.Bound, Moment: begun.turn() & (mostTicks - 1), Since: begun.Since, Of: number + 1, Only: k.ID,
			Frames: []Frame{{In: p.ID}}}
		e.Begun++
		e.Runs.List = append(e.Runs.List, part)
		if e.underWay != nil {
			e.underWay[is.index]++
		}
		e.goOn(&e.Runs.List[len(e.Runs.List)-1])
	}
	if r := e.Run(number); r != nil && r.Box == AwaitsOthers && !e.others(number) {
		r.Box = NoBox
	}
}
