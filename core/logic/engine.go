package logic

import (
	"cmp"
	"slices"
	"sort"

	"azzel/core/kind"
	"azzel/core/limit"
	"azzel/core/lists"
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
	// Of is of which kind a piece is, and what else.
	Of(piece kind.ID) Belonging
	// Are lists the pieces that are a character, Plays reports whether the player is.
	Are(character kind.ID) []kind.ID
	Plays(character kind.ID) bool
	// Ended reports whether the game is over, so that nothing more is done.
	Ended() bool
}

// A Belonging is of which built-in kind and of which type of the designer's own a piece is, the character that it is, and the map on which it is; 0 for what is
// no piece, nothing of one's own, or nobody in particular.
type Belonging struct{ Kind, Own, Who, On kind.ID }

// is reports whether a piece is of a type, built-in or of the designer's own.
func (b Belonging) is(of kind.ID) bool { return of != 0 && (of == b.Kind || of == b.Own) }

// Engine lets the rules of a book go on a stage.
type Engine struct {
	*Book
	*Runs
	Stage
	// Watch, unless nil, is told of each action that a rule does, Tried of each time that one was to begin, with the game as it asked that.
	Watch func(rule, part kind.ID)
	Tried func(t Trial, asked Happening)
	// Chose, unless nil, is told of each condition that an action asks, and that an answer to a question has, before Watch is of the action, with the game as it asked that.
	Chose func(rule, part kind.ID, holds bool, asked Happening)
	// underWay is how many runs there are of each rule, by where it stands in the book, once that was asked.
	underWay []int
	// deeds is how many actions were done in this tick.
	deeds int
	// frames are those that runs which begin are given, each once.
	frames []Frame
}

// A Trial is a time that a rule was to begin: by which of its moments, 0 where another rule asked for it or since it is so while something holds; for a
// branch of the rule; and what came of it.
type Trial struct {
	Pair
	By     kind.ID
	Branch int
	Outcome
}

// An Outcome is what comes of a rule that is to begin.
type Outcome uint8

// The outcomes: it goes, it does not go again since it went before, what must hold does not, and it is under way and left so.
const (
	Goes Outcome = iota
	WentBefore
	NotSo
	LeftUnderWay
)

// Step lets rules go on for a tick: first those under way that are due, then those that answer to the moments that wait, in their order. Moments that come by that are answered after
// them. While held, time stands still: what waits for time goes on waiting.
func (e *Engine) Step(held bool) {
	for _, number := range e.due(held) {
		if e.Ended() || e.Jammed != 0 {
			return
		}
		if r := e.Run(number); r != nil {
			e.goOnWith(r)
		}
	}
	for n := 0; len(e.Queue) > 0 && n < limit.Moments && e.Jammed == 0 && e.deeds < limit.Deeds && !e.Ended(); n++ {
		h := e.Queue[0]
		// Not moved up, which takes long where many wait.
		e.Queue = e.Queue[1:]
		e.Moments++
		e.answer(h)
	}
}

// due are the numbers of the runs that go on in this tick: by the tick in which they began, by rule, and by their number.
func (e *Engine) due(held bool) (numbers []int) {
	var list []*Run
	e.Runs.List = lists.Without(e.Runs.List, func(r Run) bool { return e.rule(r.Rule) == nil })
	var joined map[int]bool
	for i := range e.Runs.List {
		if of := e.Runs.List[i].Of; of > 0 {
			if joined == nil {
				joined = map[int]bool{}
			}
			joined[of-1] = true
		}
	}
	for i := range e.Runs.List {
		r := &e.Runs.List[i]
		is := e.rule(r.Rule)
		if is.On != 0 && is.On != e.On() && !is.Elsewhere || r.Box == HasBox {
			continue
		}
		if r.Box == AwaitsMoment && r.still(is) || r.Box == AwaitsOthers && joined[r.Number] {
			continue
		}
		if r.Box > HasBox {
			r.Box = NoBox // what it waited for is gone
		}
		if r.Left > 0 {
			if held {
				continue
			}
			if r.Left--; r.Left > 0 {
				continue
			}
		}
		list = append(list, r)
	}
	slices.SortFunc(list, func(a, b *Run) int {
		return cmp.Or(cmp.Compare(a.Since, b.Since), cmp.Compare(e.rule(a.Rule).Number, e.rule(b.Rule).Number), cmp.Compare(a.Number, b.Number))
	})
	for _, r := range list {
		numbers = append(numbers, r.Number)
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
			e.awaited(h, Belonging{})
			e.begin(r, of, Then, 0)
		}
		return
	}
	belongs := e.Of(h.Thing)
	e.awaited(h, belongs)
	type one struct {
		heard
		this kind.ID
		rank int
	}
	var list []one
	keys := []kind.ID{h.Thing}
	for _, of := range []kind.ID{belongs.Kind, belongs.Own, belongs.Who} {
		if of != 0 {
			keys = append(keys, of)
		}
	}
	for _, of := range keys {
		all := e.heard[listening{h.Moment, of}]
		list = slices.Grow(list, len(all))
		for _, l := range all {
			r := &e.rules[l.rule]
			if !l.part.Begins.hears(h) {
				continue
			}
			is := one{heard: l, this: r.thisOf(h, belongs), rank: r.rank(h)}
			if r.HomeSort == kind.Character && is.this == 0 && !e.Plays(r.Home) {
				continue // what befalls no piece that is the character concerns the one who is played
			}
			list = append(list, is)
		}
	}
	before := func(a, b *one) bool {
		if a.rank != b.rank {
			return a.rank < b.rank
		}
		if x, y := e.rules[a.rule].Number, e.rules[b.rule].Number; x != y {
			return x < y
		}
		return a.rule < b.rule
	}
	// Where all belong to the same they stand in their order already.
	for i := 1; i < len(list); i++ {
		if before(&list[i], &list[i-1]) {
			sort.SliceStable(list, func(i, j int) bool { return before(&list[i], &list[j]) })
			break
		}
	}
	e.makeRoom(len(list))
	for i, l := range list {
		if i > 0 && list[i-1].rule == l.rule {
			continue
		}
		r := &e.rules[l.rule]
		e.begin(r, Bound{l.this, h.Thing, h.Doer}, Then, l.part.ID)
	}
}

// begin lets a rule go by one of its moments, unless it does not go again, what must hold does not, or it is under way and is to be left so.
func (e *Engine) begin(r *Listed, of Bound, branch int, part kind.ID) {
	by := Pair{r.ID, of.This}
	moment := e.Moments
	tried := func(o Outcome) {
		if e.Tried != nil {
			e.Tried(Trial{by, part, branch, o}, e.Asked(by, of, moment))
		}
	}
	if r.Begins == When {
		if r.Repeats != EachTime {
			was := e.Times(by)
			switch {
			case was.Times == 0:
			case r.Repeats == OnceEver,
				r.Repeats == OnceAVisit && was.Visit == e.Visits,
				r.Repeats == NotAgainFor && e.Tick()-was.Tick < r.Pause:
				tried(WentBefore)
				return
			}
		}
		if !r.If.blank() && !r.If.Holds(e.Asked(by, of, moment)) {
			tried(NotSo)
			return
		}
	}
	if (r.Begins == While || r.Busy != Both) && e.isUnderWay(r, by) {
		if r.Begins == When && r.Busy == LeaveIt {
			tried(LeftUnderWay)
			return
		}
		before := len(e.Runs.List)
		e.Runs.List = lists.Without(e.Runs.List, func(run Run) bool { return run.by() == by })
		e.underWay[r.index] -= before - len(e.Runs.List)
	}
	tried(Goes)
	e.count(by, e.Tick())
	if len(e.Runs.List) >= limit.Runs {
		e.Jammed = r.ID
		return
	}
	run := Run{Number: e.Begun, Rule: r.ID, Bound: of, Moment: moment, Since: e.Tick(), Frames: e.frame(branch)}
	e.Begun++
	e.Runs.List = append(e.Runs.List, run)
	if e.underWay != nil {
		e.underWay[r.index]++
	}
	e.goOn(&e.Runs.List[len(e.Runs.List)-1])
}

// makeRoom makes room for so many rules that begin, so that what became of the others is moved once.
func (e *Engine) makeRoom(rules int) {
	if rules < 16 {
		return
	}
	e.Runs.List = slices.Grow(e.Runs.List, min(rules, limit.Runs-min(limit.Runs, len(e.Runs.List))))
	e.Went = slices.Grow(e.Went, rules)
}

// frame is what a run goes through that begins.
func (e *Engine) frame(branch int) []Frame {
	if len(e.frames) == 0 {
		e.frames = make([]Frame, 32)
	}
	f := e.frames[:1:1]
	e.frames = e.frames[1:]
	f[0].Branch = branch
	return f
}

// isUnderWay reports whether a rule is under way for a piece.
func (e *Engine) isUnderWay(r *Listed, by Pair) bool {
	if e.underWay == nil {
		e.underWay = make([]int, len(e.rules))
		for i := range e.Runs.List {
			if is := e.rule(e.Runs.List[i].Rule); is != nil {
				e.underWay[is.index]++
			}
		}
	}
	if e.underWay[r.index] == 0 || r.HomeSort != kind.Type && r.HomeSort != kind.Character {
		return e.underWay[r.index] > 0
	}
	// A rule of a type or a character goes for each of its pieces by itself.
	for i := range e.Runs.List {
		if e.Runs.List[i].by() == by {
			return true
		}
	}
	return false
}

// by is the rule that goes, and the piece to which it belongs.
func (r *Run) by() Pair { return Pair{r.Rule, r.This} }

// Settle lets rules be so whose condition holds by now, and no longer be so whose does not: when they are settled first, when that has changed, and in each
// tick in which Lasts. While held, time stands still for conditions that last.
func (e *Engine) Settle(held bool) {
	if len(e.Lastings) > 0 {
		e.forgetLasting()
	}
	for _, i := range e.so {
		r := &e.rules[i]
		pieces := []kind.ID{0}
		switch r.HomeSort {
		case kind.Piece:
			pieces[0] = r.Home
		case kind.Type:
			pieces, _ = e.Asked(Pair{}, Bound{}, 0).Pieces(Noun{Is: AllOfType, Type: r.Home})
		case kind.Character:
			// The player last, also one who is that character no more.
			pieces = append(e.Are(r.Home), 0)
		}
		for _, this := range pieces {
			if e.Ended() || e.Jammed != 0 {
				return
			}
			by := Pair{r.ID, this}
			if len(r.lasting) > 0 && !held {
				e.last(r, by, Bound{This: this})
			}
			plays := r.HomeSort != kind.Character || this != 0 || e.Plays(r.Home)
			holds := plays && r.If.Holds(e.Asked(by, Bound{This: this}, e.Moments))
			// What stands under otherwise is so from the beginning where the condition does not hold then.
			if holds == e.IsSo(by) && (holds || !plays || e.Times(by).Times > 0 || len(r.Kids(0, Otherwise)) == 0) {
				continue
			}
			e.setSo(by, holds)
			branch := Otherwise
			if holds {
				branch = Then
			}
			e.begin(r, Bound{This: this, It: this}, branch, 0)
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

// Raise lets a moment be answered once those are that wait, if a rule listens to it.
func (e *Engine) Raise(h Happened) { e.Runs.Raise(e.Book, h) }
