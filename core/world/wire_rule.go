package world

import (
	"bytes"
	"errors"
	"slices"

	"azzel/core/kind"
	"azzel/core/kinds/props"
	"azzel/core/logic"
)

// What Opened and Folded report of what can't be said in the other way.
var (
	ErrWireOfNothing = errors.New("the wire does nothing, so that no rule says it: a piece at one of its ends is gone, or can't be worked")
	ErrMoreThanWire  = errors.New("the rule is more than a wire: a wire lets one piece work another, or keeps one on while others are")
	ErrWiresBeside   = errors.New("other wires keep the same piece on too and would count with these: open them into a rule first, or take them away")
)

// Opened is the rule that does what a wire does, with parts of the ids that fresh gives, and the wires in the place of which it stands: those that count
// together with it if it keeps its end on while it is held, else itself. Folded gives the same wires back. A rule goes along a moment, so that what a
// wire begins with comes within a tick of when it came by the wire. It is ErrWireOfNothing where no rule says what a wire does.
func (d *Document) Opened(w *Wire, fresh func() ID) (is Rule, wires []*Wire, err error) {
	wires = []*Wire{w}
	if w.Does == WhileHeld {
		wires = d.Together(w)
	}
	is.Name = w.Name
	if is.Rule, err = d.ruleOf(wires, fresh); err != nil {
		return Rule{}, nil, err
	}
	return is, wires, nil
}

// Folded are the wires that do what a rule does which is no more than that, without ids and numbers. It is ErrMoreThanWire of any other rule, and
// ErrWiresBeside where others would count with them.
func (d *Document) Folded(r *Rule) ([]Wire, error) {
	// What has many parts is not gone through, as each rule that is shown is asked.
	if len(r.Parts) > mostOpened {
		return nil, ErrMoreThanWire
	}
	guess, ok := d.wiresLike(r)
	if !ok {
		return nil, ErrMoreThanWire
	}
	for i := range guess {
		if guess[i].Name = r.Name; guess[i].Check() != nil {
			return nil, ErrMoreThanWire
		}
	}
	wires := make([]*Wire, len(guess))
	for i := range guess {
		wires[i] = &guess[i]
	}
	next := ID(0)
	like, err := d.ruleOf(wires, func() ID { next++; return next })
	if err != nil || r.Off {
		return nil, ErrMoreThanWire
	}
	is := r.Rule
	if guess[0].After == 0 || len(guess) > 1 {
		// What takes no time ends where the player is.
		is.Elsewhere = true
	}
	if !alike(named(is), named(like)) {
		return nil, ErrMoreThanWire
	}
	if w := guess[0]; w.Does == WhileHeld && len(d.Together(&w)) > 0 {
		return nil, ErrWiresBeside
	}
	return guess, nil
}

// mostOpened is how many parts a rule has at most into which wires are opened: a few moments, two waits, and what is done.
const mostOpened = 16

// wireEnd is what of a piece of a kind a wire works: between which of its states it goes, both nil if it is switched on and off.
func (w *Wire) wireEnd(k *kind.Kind) (first, second *kind.State, ok bool) {
	if first, second = k.Pair(); w.Works == WorksState && k.Worked && first != nil {
		return first, second, true
	}
	_, has := k.Has(props.Power)
	return nil, nil, has
}

// ruleOf is the rule that does what some wires do that end at the same and count together, or one alone.
func (d *Document) ruleOf(wires []*Wire, fresh func() ID) (is logic.Rule, err error) {
	w := wires[0]
	end, ok := d.workedEnd(w)
	if !ok {
		return is, ErrWireOfNothing
	}
	is.Elsewhere = true
	order := 0
	add := func(in ID, branch int, p logic.Part) ID {
		order += 1 << 10
		p.ID, p.In, p.Branch, p.Order = fresh(), in, branch, order
		is.Set(p)
		return p.ID
	}
	turns := func(in ID, branch int, on bool) {
		a := end.off
		if on {
			a = end.on
		}
		add(in, branch, logic.Part{Action: a})
	}
	set := func(branch int, on bool) {
		in := ID(0)
		// What begins in a third state, as what is locked, is left in it.
		if !on && end.third {
			in, branch = add(0, branch, logic.Part{Action: logic.Action{Does: logic.If, If: end.is}}), logic.Then
		}
		turns(in, branch, on)
	}
	wait := func(branch int) {
		if w.After > 0 {
			add(0, branch, logic.Part{Action: logic.Action{Does: logic.Wait, Number: w.After}})
		}
	}
	if w.Does != WhileHeld {
		is.HomeSort, is.Home = kind.Piece, w.From
		begins, _, err := d.begins(w.From)
		if err != nil {
			return is, err
		}
		for _, m := range begins {
			add(0, logic.Then, logic.Part{Begins: logic.Moment{Is: m.Number, Of: logic.Noun{Is: logic.Piece, Thing: w.From}}})
		}
		wait(logic.Then)
		switch w.Does {
		case TurnsOn, TurnsOff:
			set(logic.Then, w.Does == TurnsOn)
		case ChangesOver:
			in := add(0, logic.Then, logic.Part{Action: logic.Action{Does: logic.If, If: end.is}})
			turns(in, logic.Then, false)
			turns(in, logic.Otherwise, true)
		}
		return ofHome(is), nil
	}
	is.HomeSort, is.Home, is.Begins = end.home, end.of, logic.While
	var terms []logic.Condition
	for _, o := range wires {
		_, on, err := d.begins(o.From)
		if err != nil {
			return is, err
		}
		if o.After > 0 && len(wires) > 1 {
			// Each of several waits by itself.
			on = logic.Condition{Ask: logic.Lasts, Number: o.After, Terms: []logic.Condition{on}}
		}
		terms = append(terms, on)
	}
	switch {
	case w.Of == AllOf:
		is.If = logic.Condition{Ask: logic.All, Terms: terms}
	case w.Of != AnyOf:
		is.If = logic.Condition{Ask: logic.SoMany, Number: w.Of, Terms: terms}
	case len(terms) == 1:
		is.If = terms[0]
	default:
		is.If = logic.Condition{Ask: logic.Any, Terms: terms}
	}
	is.If.NumberLasting()
	if err := is.If.CheckWhile(); err != nil {
		return is, err
	}
	if len(wires) == 1 {
		wait(logic.Then)
	}
	set(logic.Then, true)
	if len(wires) == 1 {
		wait(logic.Otherwise)
	}
	set(logic.Otherwise, false)
	return ofHome(is), nil
}

// An end is what a wire works: what is done to turn it on and off, what is so while it is on, and to what a rule belongs that does so while something
// holds. third says that it is a piece that begins neither on nor off.
type end struct {
	on, off logic.Action
	is      logic.Condition
	home    kind.Thing
	of      ID
	third   bool
}

// workedEnd is what a wire works; false if that is gone, or can't be worked.
func (d *Document) workedEnd(w *Wire) (e end, ok bool) {
	if a := d.Area(w.To); a != nil {
		act := logic.Action{Does: logic.SetForces, Thing: a.ID, Is: kind.On}
		e = end{on: act, off: act, is: logic.Condition{Ask: logic.ForcesAre, Thing: a.ID, Is: kind.On}, home: kind.Area, of: a.ID}
		e.off.Is = kind.Off
		return e, true
	}
	if m, l := d.LayerOn(w.To); l != nil {
		act := logic.Action{Does: logic.SetLayer, Thing: l.ID, Is: kind.There}
		e = end{on: act, off: act, is: logic.Condition{Ask: logic.LayerIs, Thing: l.ID, Is: kind.There}, home: kind.Map, of: m.ID}
		e.off.Is = kind.Absent
		return e, true
	}
	_, to := d.Piece(w.To)
	if to == nil || to.Kind().Drawn {
		return e, false
	}
	first, second, ok := w.wireEnd(to.Kind())
	at := logic.Noun{Is: logic.Piece, Thing: w.To}
	e = end{home: kind.Piece, of: w.To}
	if second == nil {
		e.is = logic.Condition{Ask: logic.IsPowered, Subject: at, Is: kind.On}
		e.on, e.off = logic.Action{Does: logic.SetPower, Subject: at, Is: kind.On}, logic.Action{Does: logic.SetPower, Subject: at, Is: kind.Off}
		return e, ok
	}
	e.is = logic.Condition{Ask: logic.InState, Subject: at, Is: second.Number}
	e.on, e.off = logic.Action{Does: logic.SetState, Subject: at, Is: second.Number}, logic.Action{Does: logic.SetState, Subject: at, Is: first.Number}
	begins := to.FirstState()
	e.third = begins != first && begins != second
	return e, ok
}

// begins are the moments at which a piece goes on as the beginning of a wire, and what is so while it is on.
func (d *Document) begins(piece ID) (moments []*kind.Moment, on logic.Condition, err error) {
	_, p := d.Piece(piece)
	if p == nil || p.Kind().Drawn {
		return nil, on, ErrWireOfNothing
	}
	at := logic.Noun{Is: logic.Piece, Thing: piece}
	k := p.Kind()
	if _, second := k.Pair(); second != nil {
		for _, c := range k.Changes {
			if c.To == second && !slices.Contains(moments, c.By) {
				moments = append(moments, c.By)
			}
		}
		return moments, logic.Condition{Ask: logic.InState, Subject: at, Is: second.Number}, nil
	}
	if _, has := k.Has(props.Power); !has {
		return nil, on, ErrWireOfNothing
	}
	return []*kind.Moment{props.SwitchedOn}, logic.Condition{Ask: logic.IsPowered, Subject: at, Is: kind.On}, nil
}

// wiresLike are the wires of which a rule speaks, if it is one that wires could be: what else it says is not looked at.
func (d *Document) wiresLike(r *Rule) (wires []Wire, ok bool) {
	is := named(r.Rule)
	w := Wire{}
	// What is worked is said by the last action, which stands in a branch of another where it depends on what the piece is.
	var last *logic.Part
	for list := is.Kids(0, logic.Then); len(list) > 0; {
		last = list[len(list)-1]
		list = is.Kids(last.ID, logic.Then)
	}
	if last == nil {
		return nil, false
	}
	in := is.Part(last.In)
	switch last.Does {
	case logic.SetPower:
		w.Works = WorksPower
		w.Does = []int{kind.On: TurnsOn, kind.Off: TurnsOff}[last.Is]
	case logic.SetState:
		w.Does = TurnsOn
		if _, to := d.Piece(last.Subject.Thing); to != nil {
			if first, _ := to.Kind().Pair(); first != nil && first.Number == last.Is {
				w.Does = TurnsOff
			}
		}
	case logic.SetForces:
		w.Does = map[bool]int{true: TurnsOn, false: TurnsOff}[last.Is == kind.On]
	case logic.SetLayer:
		w.Does = map[bool]int{true: TurnsOn, false: TurnsOff}[last.Is == kind.There]
	default:
		return nil, false
	}
	if in != nil && len(is.Kids(in.ID, logic.Otherwise)) > 0 {
		w.Does = ChangesOver
	}
	switch w.To = last.Subject.Thing; {
	case last.Does == logic.SetForces || last.Does == logic.SetLayer:
		w.To = last.Thing
	case last.Subject.Is != logic.Piece:
		return nil, false
	}
	for _, p := range is.Kids(0, logic.Then) {
		if p.Does == logic.Wait {
			w.After = p.Number
		}
	}
	if is.Begins == logic.When {
		moments := is.Moments()
		if len(moments) == 0 || moments[0].Begins.Of.Is != logic.Piece {
			return nil, false
		}
		w.From = moments[0].Begins.Of.Thing
		return []Wire{w}, true
	}
	w.Does = WhileHeld
	after, terms := w.After, is.If.Terms
	switch is.If.Ask {
	case logic.All:
		w.Of = AllOf
	case logic.SoMany:
		w.Of = is.If.Number
	case logic.Any:
	default:
		terms = []logic.Condition{is.If}
	}
	for _, t := range terms {
		if w.After = after; t.Ask == logic.Lasts && len(t.Terms) == 1 {
			w.After, t = t.Number, t.Terms[0]
		}
		if w.From = t.Subject.Thing; t.Subject.Is != logic.Piece {
			return nil, false
		}
		wires = append(wires, w)
	}
	return wires, len(wires) > 0
}

// renouned is a rule with other nouns for the pieces that act in it and of which it asks.
func renouned(r logic.Rule, to func(logic.Noun) logic.Noun) logic.Rule {
	var asked func(c logic.Condition) logic.Condition
	asked = func(c logic.Condition) logic.Condition {
		c.Subject = to(c.Subject)
		c.Terms = slices.Clone(c.Terms)
		for i, t := range c.Terms {
			c.Terms[i] = asked(t)
		}
		return c
	}
	parts := r.Parts
	r.Parts, r.If = nil, asked(r.If)
	for _, p := range parts {
		p.Subject, p.Begins.Of, p.If = to(p.Subject), to(p.Begins.Of), asked(p.If)
		r.Set(p)
	}
	return r
}

// ofHome is a rule that speaks of the piece to which it belongs as such, named one that names it.
func ofHome(r logic.Rule) logic.Rule {
	return renouned(r, func(n logic.Noun) logic.Noun {
		if n == (logic.Noun{Is: logic.Piece, Thing: r.Home}) {
			return logic.Noun{}
		}
		return n
	})
}

func named(r logic.Rule) logic.Rule {
	if r.HomeSort != kind.Piece {
		return r
	}
	return renouned(r, func(n logic.Noun) logic.Noun {
		if n.Is == logic.This {
			return logic.Noun{Is: logic.Piece, Thing: r.Home}
		}
		return n
	})
}

// alike reports whether two rules say the same in the same order, whatever they belong to and whatever ids their parts have.
func alike(a, b logic.Rule) bool {
	if a.Begins != b.Begins || a.Repeats != b.Repeats || a.Busy != b.Busy || a.Elsewhere != b.Elsewhere || len(a.Parts) != len(b.Parts) ||
		a.If.Empty() != b.If.Empty() || !a.If.Empty() && !a.If.Equal(b.If) {
		return false
	}
	return alikeIn(&a, &b, 0, 0)
}

func alikeIn(a, b *logic.Rule, in, other ID) bool {
	for branch := logic.Then; branch <= logic.Otherwise; branch++ {
		these, those := a.Kids(in, branch), b.Kids(other, branch)
		if len(these) != len(those) {
			return false
		}
		for i := range these {
			p, q := *these[i], *those[i]
			p.In, p.Order, q.In, q.Order = 0, 0, 0, 0
			if !bytes.Equal(p.Encode(), q.Encode()) || !alikeIn(a, b, these[i].ID, those[i].ID) {
				return false
			}
		}
	}
	return true
}
