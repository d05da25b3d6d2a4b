package findings

import (
	"azzel/core/kind"
	"azzel/core/limit"
	"azzel/core/logic"
	"azzel/core/world"
)

// A ruling is a look at a rule, part by part.
type ruling struct {
	*glance
	*look
	ref world.Ref
	// home is the piece to which the rule belongs, and of which kind it is; nil for none.
	home *world.Piece
	kind *kind.Kind
	// somebody says that it belongs to a character, who may be any piece.
	somebody bool
	// waits says that something in the rule takes time, over that it ends the game.
	waits, over bool
	// once is what the rule causes if it was not so before: what it makes of a fact, and on which map the player is.
	once []signal
}

// atRule looks at a rule. One that is switched off sets nothing and is not looked at further.
func (g *glance) atRule(r *world.Rule) *look {
	g.saw = nil
	w := &ruling{glance: g, look: &look{rule: r}, ref: world.RuleRef(r.ID)}
	w.whole(r)
	w.look.saw = g.saw
	return w.look
}

func (w *ruling) whole(r *world.Rule) {
	switch r.HomeSort {
	case kind.Piece:
		if w.home = w.piece(r.Home); w.home != nil {
			w.kind = w.home.Kind()
		}
	case kind.Type:
		w.kind = w.typeOf(r.Home)
	}
	w.somebody = r.HomeSort == kind.Character
	if r.HomeSort != kind.NoThing && w.of(r.HomeSort, r.Home) == nil {
		// That says enough of how it begins.
		w.begins = true
		w.found(Homeless, nil)
		return
	}
	if r.Off {
		return
	}
	w.begins = r.Begins == logic.While
	if r.Begins == logic.When {
		for _, m := range r.Moments() {
			if !m.Off {
				w.moment(m)
			}
		}
	}
	w.condition(nil, r.If)
	does := len(w.list)
	ends := w.branch(0, logic.Then, inside{straight: true})
	some := ends || w.some(0, logic.Then)
	if r.Begins == logic.While {
		w.branch(0, logic.Otherwise, inside{})
		some = some || w.some(0, logic.Otherwise)
	}
	if !some && does == len(w.list) {
		w.found(DoesNothing, nil)
	}
	w.forgotten()
	for _, p := range r.Strays() {
		if !p.Off {
			w.found(Stray, p)
		}
	}
	for i := range w.lasts {
		if w.lasts[i].undone || w.over {
			w.lasts[i].parts = nil
		}
	}
	if len(w.hears) != 1 {
		w.once = nil
	}
	if !r.If.Empty() || r.Repeats != logic.EachTime || r.Begins == logic.While || w.waits {
		w.raises, w.once = nil, nil
	}
	for _, s := range w.once {
		if h := w.hears[0]; s.moment == h.moment && (s.moment == logic.MapBegins.Number && s.thing != h.thing || s.thing == h.thing && s.number != h.number) {
			w.raises = append(w.raises, s)
		}
	}
}

// some reports whether anything is done in a branch.
func (w *ruling) some(in world.ID, branch int) bool {
	for _, p := range w.rule.Kids(in, branch) {
		if w.rule.Done(p) {
			return true
		}
	}
	return false
}

func (w *ruling) found(f Fault, p *logic.Part) *Finding {
	is := Finding{Fault: f, Of: w.ref}
	if p != nil {
		is.Part = p.ID
	}
	w.list = append(w.list, is)
	return &w.list[len(w.list)-1]
}

// about is found with what it is about besides.
func (w *ruling) about(f Fault, p *logic.Part, sort kind.Thing, id world.ID) {
	is := w.found(f, p)
	is.Sort, is.Thing = sort, id
}

// names looks at each thing that a part names, but for those in its condition and text.
func (w *ruling) names(p *logic.Part) {
	bare := *p
	bare.If, bare.Text = logic.Condition{}, nil
	bare.Refers(func(sort kind.Thing, id world.ID) {
		switch {
		case id == 0:
			w.about(Unchosen, p, sort, 0)
		case sort == kind.Rule:
			// Looked at together.
		case w.of(sort, id) == nil:
			w.about(Gone, p, sort, id)
		}
	})
}

// this reports whether the rule has a piece to which it belongs.
func (w *ruling) this() bool { return w.kind != nil || w.somebody }

// noun finds what is wrong with who is meant.
func (w *ruling) noun(p *logic.Part, n logic.Noun) {
	if n.Is == logic.This && !w.this() {
		w.found(NoThis, p)
	}
}

// comes looks at whether a moment can come.
func (w *ruling) comes(p *logic.Part) {
	m := &p.Begins
	if f := w.fact(m.Thing); m.Is == logic.FactReached.Number && f != nil && f.Bound(m.Number) != m.Number {
		w.about(NeverComes, p, kind.Fact, f.ID)
	}
	if m.Befalls() {
		w.noun(p, m.Of)
		if k := w.kindOf(m.Of); k != nil && !k.Drawn && !has(k, m.Is) {
			w.found(NeverComes, p)
		}
	}
}

// moment looks at one at which the rule begins.
func (w *ruling) moment(p *logic.Part) {
	before := len(w.list)
	w.names(p)
	m := &p.Begins
	w.comes(p)
	if len(w.list) == before {
		w.begins = true
	}
	w.hears = append(w.hears, signal{m.Is, m.Thing, m.Number})
	p.Asks(w.asks)
}

// asks notes what is asked for.
func (w *ruling) asks(sort kind.Thing, id world.ID) { w.uses = append(w.uses, use{sort, id, asks}) }

// condition looks at what must hold for a part, or for the rule for nil.
func (w *ruling) condition(p *logic.Part, c logic.Condition) {
	if c.Empty() {
		return
	}
	gone := false
	c.Refers(func(sort kind.Thing, id world.ID) {
		if p == nil {
			w.asks(sort, id)
		}
		if sort != kind.NoThing && w.of(sort, id) == nil {
			w.about(Gone, p, sort, id)
			gone = true
		}
	})
	for t := range c.Each() {
		if !t.Groups() && t.Ask != logic.Compares {
			w.noun(p, t.Subject)
		}
	}
	if !gone && !w.possible(&c, w.home) {
		w.found(NeverHolds, p)
	}
}

// inside is where a branch stands.
type inside struct {
	// straight says that it is done each time the rule goes.
	straight bool
	// again says that an action lies round it that goes round without a wait.
	again bool
}

// branch looks at what is done one after the other, and reports whether that always ends the rule.
func (w *ruling) branch(in world.ID, branch int, at inside) (ends bool) {
	said := false
	for _, p := range w.rule.Kids(in, branch) {
		if p.Does == logic.Nothing || p.Off {
			continue
		}
		if ends {
			if !said {
				w.found(NeverDone, p)
			}
			said = true
			continue
		}
		ends = w.action(p, at)
	}
	return ends
}

// action looks at an action, and reports whether it always ends the rule.
func (w *ruling) action(p *logic.Part, at inside) (ends bool) {
	r := &w.rule.Rule
	w.names(p)
	w.used(p)
	if p.ActsOn() {
		w.noun(p, p.Subject)
	}
	if p.Aims() {
		w.noun(p, p.Towards)
	}
	w.said(p.Text, p.Does == logic.Choice, func(f Fault, sort kind.Thing, id world.ID, letters string) {
		is := w.found(f, p)
		is.Sort, is.Thing, is.Letters = sort, id, letters
	})
	w.waits = w.waits || p.TakesTime()
	within := at
	within.straight = false
	for i, of := range lastings {
		switch p.Does {
		case of.does:
			w.lasts[i].parts = append(w.lasts[i].parts, p.ID)
		case of.undoes:
			w.lasts[i].undone = true
		}
	}
	switch p.Does {
	case logic.Stop, logic.End:
		w.over = w.over || p.Does == logic.End
		return true
	case logic.Until:
		w.comes(p)
	case logic.WalkTo:
		w.sends(p)
	case logic.SetFact, logic.AskFor, logic.TakeTo, logic.TakeToDoorway:
		w.goesRound(p, at)
	case logic.SetPresence, logic.SetPower, logic.SetState, logic.SetProperty, logic.LetOut, logic.PutAt, logic.FollowTrack, logic.ShowPose:
		w.becomes(p)
	case logic.If:
		w.condition(p, p.If)
		ends = w.branch(p.ID, logic.Then, within)
		return w.branch(p.ID, logic.Otherwise, within) && ends
	case logic.Choice:
		w.condition(p, p.If)
		w.branch(p.ID, logic.Then, within)
	case logic.Question:
		w.branch(p.ID, logic.Then, within)
		w.question(p)
	case logic.Together:
		return w.branch(p.ID, logic.Then, within)
	case logic.Again:
		within.again = p.Number > 1 && !w.takesTime(p.ID, limit.RuleParts)
		return w.branch(p.ID, logic.Then, within)
	case logic.OneOf:
		w.branch(p.ID, logic.Then, within)
		likely := false
		for _, c := range r.Kids(p.ID, logic.Then) {
			likely = likely || c.Does == logic.Case && !c.Off && c.Number > 0
		}
		if !likely {
			w.found(NoCase, p)
		}
	case logic.Case:
		w.branch(p.ID, logic.Then, within)
	}
	return false
}

// question looks at the answers to one.
func (w *ruling) question(p *logic.Part) {
	answers, does := 0, false
	for _, c := range w.rule.Kids(p.ID, logic.Then) {
		if c.Does == logic.Choice && !c.Off {
			answers++
			does = does || w.some(c.ID, logic.Then)
		}
	}
	switch {
	case answers == 0:
		w.found(NoAnswer, p)
	case !does:
		w.found(NoDifference, p)
	}
}

// takesTime reports whether anything that is done within a part takes time.
func (w *ruling) takesTime(in world.ID, bound int) bool {
	for branch := range 2 {
		for _, p := range w.rule.Kids(in, branch) {
			if p.Off || bound == 0 {
				continue
			}
			if p.TakesTime() || w.takesTime(p.ID, bound-1) {
				return true
			}
		}
	}
	return false
}

// used notes what an action does with facts and items.
func (w *ruling) used(p *logic.Part) {
	switch p.Does {
	case logic.SetFact:
		w.uses = append(w.uses, use{kind.Fact, p.Thing, sets})
	case logic.Get:
		w.uses = append(w.uses, use{kind.Item, p.Thing, sets})
	case logic.Lose:
		w.uses = append(w.uses, use{kind.Item, p.Thing, asks})
	case logic.SetState:
		w.uses = append(w.uses, w.works(p.Subject))
	}
	p.Text.Refers(func(sort kind.Thing, id world.ID) { w.uses = append(w.uses, use{sort, id, shows}) })
	p.Asks(w.asks)
}

// works is what a rule works that brings a noun to a state: a piece, all of a type, or NoThing where it may be any.
func (w *ruling) works(n logic.Noun) use {
	switch {
	case n.Is == logic.Piece:
		return use{kind.Piece, n.Thing, sets}
	case n.Is == logic.This && w.home != nil:
		return use{kind.Piece, w.home.ID, sets}
	case n.Is == logic.This && w.kind != nil:
		return use{kind.Type, w.kind.ID, sets}
	case n.Is == logic.AllOfType || n.Is == logic.AnyOfType || n.Is == logic.NearestOfType:
		return use{kind.Type, n.Type, sets}
	}
	return use{is: sets}
}

// goesRound notes what an action causes that may set off the rule anew.
func (w *ruling) goesRound(p *logic.Part, at inside) {
	switch p.Does {
	case logic.AskFor:
		w.asksFor = append(w.asksFor, asking{p.ID, p.Thing})
		if at.straight {
			w.raises = append(w.raises, signal{logic.AskedFor.Number, p.Thing, 0})
		}
	case logic.TakeTo, logic.TakeToDoorway:
		if at.again {
			w.found(InCircles, p)
		}
		on := w.mapOf(p.Thing)
		if p.Does == logic.TakeToDoorway {
			ends, _ := w.glance.of(kind.Crossing, p.Thing).([2]world.ID)
			on = ends[p.Is]
		}
		if at.straight && on != 0 {
			w.once = append(w.once, signal{logic.MapBegins.Number, on, 0})
		}
	case logic.SetFact:
		f := w.fact(p.Thing)
		switch {
		case f == nil || p.Value.Is != logic.Literal || !at.straight:
		case p.How == logic.Becomes:
			w.once = append(w.once, signal{logic.FactReached.Number, f.ID, f.Bound(p.Value.Number)})
		case f.Counts && p.Value.Number != 0:
			w.raises = append(w.raises, signal{logic.FactChanged.Number, f.ID, 0})
		}
	}
}
