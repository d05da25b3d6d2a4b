package logic

import (
	"cmp"
	"slices"

	"azzel/core/kind"
	"azzel/core/limit"
)

// A Stage is where rules go: a game in play.
type Stage interface {
	// Asked is the game as a rule asks it that goes, or is to go, with its nouns bound, by the moment of a number.
	Asked(by Pair, of Bound, moment int) Happening
	// Act does what an action says that takes no time. It reports false if that can't be done yet, and is to be tried again in the next tick.
	Act(p *Part, by Pair, of Bound, moment int) bool
	// Open opens a box with what an action says or asks, if none is open. The run goes on once Closed is called.
	Open(run int, p *Part, by Pair, of Bound) bool
	// Tick is the tick that passes.
	Tick() int
	// On is the map on which the player is.
	On() kind.ID
	// Of is the type of a piece, and the map on which it is; 0 for what is no piece.
	Of(piece kind.ID) (typ, on kind.ID)
	// Ended reports whether the game is over, so that nothing more is done.
	Ended() bool
}

// A Listed is a rule with the ids by which it is known and sorted.
type Listed struct {
	ID     kind.ID
	Number int
	// On is the map to which it belongs, 0 for none.
	On kind.ID
	*Rule
}

// A Book is rules, found by what they begin with. It is made of those of a document, and does not change.
type Book struct {
	rules []Listed
	byID  map[kind.ID]int
	heard map[listening][]heard
	// listened are the moments to which any rule listens.
	listened map[int]bool
	so       []int
}

// A listening finds those that listen to a moment of something; of 0 where it is of nothing or the player.
type listening struct {
	moment int
	of     kind.ID
}

type heard struct {
	rule int
	part *Part
}

// NewBook makes a book of rules that are on, in the order of their numbers.
func NewBook(rules []Listed) *Book {
	b := &Book{rules: rules, byID: make(map[kind.ID]int, len(rules)), heard: map[listening][]heard{}, listened: map[int]bool{}}
	for i, r := range rules {
		b.byID[r.ID] = i
		if r.Begins == While {
			b.so = append(b.so, i)
			continue
		}
		for _, p := range r.Moments() {
			m := &p.Begins
			if p.Off {
				continue
			}
			k := listening{moment: m.Is}
			switch parts := consists(m.Is); {
			case len(parts) == 0:
			case parts[0] != ofPiece:
				k.of = m.Thing
			case m.Of.Is == Piece:
				k.of = m.Of.Thing
			case m.Of.Is == AnyOfType || m.Of.Is == AllOfType:
				k.of = m.Of.Type
			case m.Of.Is == This:
				k.of = r.Home
			}
			b.heard[k] = append(b.heard[k], heard{i, p})
			b.listened[m.Is] = true
		}
	}
	return b
}

// Empty reports whether there is no rule.
func (b *Book) Empty() bool { return b == nil || len(b.rules) == 0 }

// Listens reports whether any rule listens to a moment.
func (b *Book) Listens(moment int) bool { return b != nil && b.listened[moment] }

// Settles reports whether any rule is so while something holds.
func (b *Book) Settles() bool { return b != nil && len(b.so) > 0 }

// rule finds a rule; nil if there is none that is on.
func (b *Book) rule(id kind.ID) *Listed {
	i, there := b.byID[id]
	if !there {
		return nil
	}
	return &b.rules[i]
}

// Engine lets the rules of a book go on a stage.
type Engine struct {
	*Book
	*Runs
	Stage
	// Watch, unless nil, is told of each rule that begins, with 0, and of each action that it does.
	Watch func(rule, part kind.ID)
	// underWay is how many runs there are of each rule and piece, once that was asked.
	underWay map[Pair]int
	// deeds is how many actions were done in this tick.
	deeds int
}

// Step lets rules go on for a tick: first those under way that are due, then those that answer to the moments that wait, in their order. Moments that come by that are answered after
// them. While held, time stands still: what waits for time goes on waiting.
func (e *Engine) Step(held bool) {
	for _, number := range e.due(held) {
		if e.Ended() || e.Jammed != 0 {
			return
		}
		if r := e.Run(number); r != nil {
			e.goOn(r)
		}
	}
	for n := 0; len(e.Queue) > 0 && n < limit.Moments && e.Jammed == 0 && e.deeds < limit.Deeds && !e.Ended(); n++ {
		h := e.Queue[0]
		e.Queue = slices.Delete(e.Queue, 0, 1)
		e.Moments++
		e.answer(h)
	}
}

// due are the numbers of the runs that go on in this tick: by the tick in which they began, by rule, and by their number.
func (e *Engine) due(held bool) (numbers []int) {
	type at struct{ since, rule, number int }
	var list []at
	e.Runs.List = slices.DeleteFunc(e.Runs.List, func(r Run) bool { return e.rule(r.Rule) == nil })
	for i := range e.Runs.List {
		r := &e.Runs.List[i]
		is := e.rule(r.Rule)
		if is.On != 0 && is.On != e.On() && !is.Elsewhere || r.Box == HasBox {
			continue
		}
		if r.Left > 0 {
			if held {
				continue
			}
			if r.Left--; r.Left > 0 {
				continue
			}
		}
		list = append(list, at{r.Since, is.Number, r.Number})
	}
	slices.SortFunc(list, func(a, b at) int {
		return cmp.Or(cmp.Compare(a.since, b.since), cmp.Compare(a.rule, b.rule), cmp.Compare(a.number, b.number))
	})
	for _, a := range list {
		numbers = append(numbers, a.number)
	}
	return numbers
}

// answer lets the rules begin that listen to a moment.
func (e *Engine) answer(h Happened) {
	if h.Moment == AskedFor.Number {
		if r := e.rule(h.Thing); r != nil {
			of := Bound{Whoever: h.Doer}
			if r.HomeSort == kind.Piece {
				of.This = r.Home
			}
			e.begin(r, of, Then)
		}
		return
	}
	typ, _ := e.Of(h.Thing)
	type one struct {
		heard
		this kind.ID
		rank int
	}
	var list []one
	keys := []kind.ID{h.Thing}
	if typ != 0 {
		keys = append(keys, typ)
	}
	for _, of := range keys {
		for _, l := range e.heard[listening{h.Moment, of}] {
			r := &e.rules[l.rule]
			if !l.part.Begins.hears(h) {
				continue
			}
			is := one{heard: l, this: r.thisOf(h, typ)}
			is.rank = r.rank(h, typ)
			list = append(list, is)
		}
	}
	slices.SortStableFunc(list, func(a, b one) int {
		return cmp.Or(cmp.Compare(a.rank, b.rank), cmp.Compare(e.rules[a.rule].Number, e.rules[b.rule].Number), cmp.Compare(a.rule, b.rule))
	})
	for i, l := range list {
		if i > 0 && list[i-1].rule == l.rule {
			continue
		}
		r := &e.rules[l.rule]
		e.begin(r, Bound{l.this, h.Thing, h.Doer}, Then)
	}
}

// hears reports whether a moment that came is this one, of what it is of.
func (m *Moment) hears(h Happened) bool {
	switch m.Is {
	case FactReached.Number:
		return h.To == m.Number
	case AreaStayed.Number:
		return h.To == m.Number
	}
	return true
}

// thisOf is the piece to which a rule belongs as something happens: it, for a rule of a type.
func (r *Listed) thisOf(h Happened, typ kind.ID) kind.ID {
	switch {
	case r.HomeSort == kind.Piece:
		return r.Home
	case r.HomeSort == kind.Type && r.Home == typ:
		return h.Thing
	}
	return 0
}

// rank is where a rule stands among those that answer to the same moment: those of the thing to which it happened and its type, of who did it, of areas, of the map, of the project.
func (r *Listed) rank(h Happened, typ kind.ID) int {
	switch r.HomeSort {
	case kind.Piece:
		if r.Home == h.Thing {
			return 0
		}
		return 2
	case kind.Type:
		return 1
	case kind.Area:
		return 3
	case kind.Map:
		return 4
	}
	return 5
}

// begin lets a rule go, unless it does not go again, what must hold does not, or it is under way and is to be left so.
func (e *Engine) begin(r *Listed, of Bound, branch int) {
	by := Pair{r.ID, of.This}
	moment := e.Moments
	if r.Begins == When {
		was := e.Times(by)
		switch {
		case was.Times == 0:
		case r.Repeats == OnceEver,
			r.Repeats == OnceAVisit && was.Visit == e.Visits,
			r.Repeats == NotAgainFor && e.Tick()-was.Tick < r.Pause:
			return
		}
		if !r.If.Holds(e.Asked(by, of, moment)) {
			return
		}
	}
	if (r.Begins == While || r.Busy != Both) && e.isUnderWay(by) {
		if r.Begins == When && r.Busy == LeaveIt {
			return
		}
		e.Runs.List = slices.DeleteFunc(e.Runs.List, func(run Run) bool { return run.by() == by })
		delete(e.underWay, by)
	}
	e.count(by, e.Tick())
	if e.Watch != nil {
		e.Watch(r.ID, 0)
	}
	if len(e.Runs.List) >= limit.Runs {
		e.Jammed = r.ID
		return
	}
	run := Run{Number: e.Begun, Rule: r.ID, Bound: of, Moment: moment, Since: e.Tick(), Frames: []Frame{{Branch: branch}}}
	e.Begun++
	e.Runs.List = append(e.Runs.List, run)
	if e.underWay != nil {
		e.underWay[by]++
	}
	e.goOn(&e.Runs.List[len(e.Runs.List)-1])
}

// isUnderWay reports whether a rule is under way for a piece.
func (e *Engine) isUnderWay(by Pair) bool {
	if e.underWay == nil {
		e.underWay = make(map[Pair]int, len(e.Runs.List))
		for i := range e.Runs.List {
			e.underWay[e.Runs.List[i].by()]++
		}
	}
	return e.underWay[by] > 0
}

// by is the rule that goes, and the piece to which it belongs.
func (r *Run) by() Pair { return Pair{r.Rule, r.This} }

// Settle lets rules be so whose condition holds by now, and no longer be so whose does not. Quiet ones that were so before are left alone.
func (e *Engine) Settle() {
	for _, i := range e.so {
		r := &e.rules[i]
		pieces := []kind.ID{0}
		switch r.HomeSort {
		case kind.Piece:
			pieces[0] = r.Home
		case kind.Type:
			pieces, _ = e.Asked(Pair{}, Bound{}, 0).Pieces(Noun{Is: AllOfType, Type: r.Home})
		}
		for _, this := range pieces {
			if e.Ended() || e.Jammed != 0 {
				return
			}
			by := Pair{r.ID, this}
			holds := r.If.Holds(e.Asked(by, Bound{This: this}, e.Moments))
			if holds == e.IsSo(by) {
				continue
			}
			e.setSo(by, holds)
			branch := Otherwise
			if holds {
				branch = Then
			}
			e.begin(r, Bound{This: this, It: this}, branch)
		}
	}
}

// Closed lets a run go on that waited for the player to read something: with the choice that was taken, 0 for none.
func (e *Engine) Closed(run int, choice kind.ID) {
	r := e.Run(run)
	if r == nil || r.Box != HasBox {
		return
	}
	r.Box = NoBox
	if is := e.rule(r.Rule); is != nil && choice != 0 && len(r.Frames) > 0 && len(r.Frames) <= MostNested {
		if p := is.Part(choice); p != nil && p.In == r.Frames[len(r.Frames)-1].Last {
			r.Frames = append(r.Frames, Frame{In: choice})
		}
	}
}

// end takes a run away.
func (e *Engine) end(number int) {
	if r := e.Run(number); r != nil && e.underWay != nil {
		e.underWay[r.by()]--
	}
	e.Runs.List = slices.DeleteFunc(e.Runs.List, func(r Run) bool { return r.Number == number })
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
		p := is.after(f)
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
		if run = e.Run(number); run != nil && run.Left > 0 {
			return
		}
	}
}

// after is the part of a branch that comes next; nil at its end, and where what it is in is gone.
func (r *Listed) after(f *Frame) *Part {
	if in := r.Part(f.In); f.In != 0 && (in == nil || !r.Done(in)) {
		return nil
	}
	in := r.Part(f.In)
	for _, p := range r.Kids(f.In, f.Branch) {
		if f.Last != 0 && cmp.Or(cmp.Compare(p.Order, f.Order), cmp.Compare(p.ID, f.Last)) <= 0 {
			continue
		}
		if !p.Off && p.Does != Nothing && p.Does != Choice && p.Does != Case && r.holds(in, f.Branch, p.Does) {
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
	case Wait:
		run.Left = p.Number
	case Stop:
		run.Frames = nil
	case If:
		branch := Otherwise
		if p.If.Holds(e.Asked(by, run.Bound, run.turn())) {
			branch = Then
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
	case AskFor:
		if other := e.rule(p.Thing); other != nil {
			e.Raise(Happened{Moment: AskedFor.Number, Thing: other.ID, Doer: run.Whoever})
		}
	default:
		return e.Act(p, by, run.Bound, run.turn())
	}
	return true
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

// Raise lets a moment be answered once those are that wait, if a rule listens to it.
func (e *Engine) Raise(h Happened) { e.Runs.Raise(e.Book, h) }

// Raise lets a moment be answered once those are that wait, if a rule of a book listens to it. Where too many wait the game stands still, by the rule
// of the lowest id among those that listen to it.
func (s *Runs) Raise(b *Book, h Happened) {
	asked := h.Moment == AskedFor.Number
	switch {
	case !asked && !b.Listens(h.Moment):
	case len(s.Queue) < limit.Runs:
		s.Queue = append(s.Queue, h)
	case asked:
		s.Jammed = h.Thing
	default:
		for k, list := range b.heard {
			for _, l := range list {
				if id := b.rules[l.rule].ID; k.moment == h.Moment && (s.Jammed == 0 || id < s.Jammed) {
					s.Jammed = id
				}
			}
		}
	}
}

// turn numbers what is asked of chance while a run goes: by the moment at which it began, and how often what it is in is still gone through again.
func (r *Run) turn() int {
	n := r.Moment
	for _, f := range r.Frames {
		n = n*31 + f.Left
	}
	return n
}
