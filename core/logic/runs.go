package logic

import (
	"cmp"
	"fmt"
	"slices"
	"sort"

	"azzel/core/kind"
	"azzel/core/limit"
	"azzel/core/lists"
	"azzel/core/pack"
)

// Runs is what became of rules in a game: those under way, what waits, and what went. The zero value is that of a game that begins. It is
// part of the state of the game.
type Runs struct {
	// Begun is how many runs began, Moments how many moments came, Visits how often the player came to a map.
	Begun, Moments, Visits int
	// List are the rules under way, by the number of the run.
	List []Run
	// Queue are the moments that wait to be answered.
	Queue []Happened
	// Went is how often rules went, sorted by rule and piece.
	Went []Past
	// So are the rules that are so while something holds which does, sorted by rule and piece.
	So []Pair
	// Lastings are the conditions of rules that last, sorted by rule, piece and key. They are written apart.
	Lastings []Lasting
	// Jammed is the rule by which the game stands still, since rules set one another off without end; 0 for none.
	Jammed kind.ID
}

// A Happened is a moment that came.
type Happened struct {
	// Moment is its number, Thing to what it happened, Doer who did it; 0 is the player.
	Moment      int
	Thing, Doer kind.ID
	// From and To are what a fact was and is.
	From, To int
}

// Bound is what the nouns of a rule mean while it goes: the piece to which it belongs, it to which something happened, and whoever did it.
type Bound struct{ This, It, Whoever kind.ID }

// A Run is a rule under way.
type Run struct {
	// Number tells it from others and grows; Rule is what goes, Moment the number of the moment by which it began, Since the tick.
	Number int
	Rule   kind.ID
	Bound
	Moment, Since int
	// Frames are what it goes through, the innermost last.
	Frames []Frame
	// Left is how many ticks it still waits, Box for what else.
	Left int
	Box  Box
	// Of is the number of the run, plus 1, that does it together with others, Only what it does of them; 0 for a rule as a whole.
	Of   int
	Only kind.ID
}

// A Box says for what a run waits, but for time.
type Box uint8

// What a run waits for: nothing, that it can ask or say something, that the player has read it, that a moment comes, and that all has ended that is done
// together.
const (
	NoBox Box = iota
	WantsBox
	HasBox
	AwaitsMoment
	AwaitsOthers
	boxEnd
)

// partOf is added to what a run waits for where it says that it is done together with others.
const partOf = 8

// A Frame is a branch that is gone through: in which part it is, after which of its parts it goes on, and how often it is still gone through again.
type Frame struct {
	In     kind.ID
	Branch int
	Last   kind.ID
	Order  int
	Left   int
}

// A Past is how often a rule went of a piece, and when it did last: the tick, and in which visit.
type Past struct {
	Pair
	Times, Tick, Visit int
}

// A Pair is a rule and the piece to which it belongs then, 0 for none.
type Pair struct{ Rule, This kind.ID }

func (p Pair) compare(o Pair) int {
	return cmp.Or(cmp.Compare(p.Rule, o.Rule), cmp.Compare(p.This, o.This))
}

// Empty reports whether nothing became of rules.
func (s *Runs) Empty() bool {
	return s.Begun|s.Moments|s.Visits == 0 && len(s.List)+len(s.Queue)+len(s.Went)+len(s.So)+len(s.Lastings) == 0 && s.Jammed == 0
}

// Clone shares nothing with s that changes.
func (s Runs) Clone() Runs {
	s.List = slices.Clone(s.List)
	for i := range s.List {
		s.List[i].Frames = slices.Clone(s.List[i].Frames)
	}
	s.Queue, s.Went, s.So, s.Lastings = slices.Clone(s.Queue), slices.Clone(s.Went), slices.Clone(s.So), slices.Clone(s.Lastings)
	return s
}

// Encode writes it.
func (s *Runs) Encode(w *pack.Writer) {
	for _, n := range []int{s.Begun, s.Moments, s.Visits} {
		w.Int(n)
	}
	w.Uint(uint64(len(s.List)))
	for i := range s.List {
		s.List[i].encode(w)
	}
	w.Uint(uint64(len(s.Queue)))
	for _, h := range s.Queue {
		for _, n := range []int{h.Moment, h.From, h.To} {
			w.Int(n)
		}
		w.Uint(uint64(h.Thing))
		w.Uint(uint64(h.Doer))
	}
	w.Uint(uint64(len(s.Went)))
	for _, t := range s.Went {
		w.Uint(uint64(t.Rule))
		w.Uint(uint64(t.This))
		for _, n := range []int{t.Times, t.Tick, t.Visit} {
			w.Int(n)
		}
	}
	w.Uint(uint64(len(s.So)))
	for _, p := range s.So {
		w.Uint(uint64(p.Rule))
		w.Uint(uint64(p.This))
	}
	w.Uint(uint64(s.Jammed))
}

func (r *Run) encode(w *pack.Writer) {
	box := int(r.Box)
	if r.Of != 0 || r.Only != 0 {
		box += partOf
	}
	for _, n := range []int{r.Number, r.Moment, r.Since, r.Left, box} {
		w.Int(n)
	}
	if r.Of != 0 || r.Only != 0 {
		w.Int(r.Of)
		w.Uint(uint64(r.Only))
	}
	for _, id := range []kind.ID{r.Rule, r.This, r.It, r.Whoever} {
		w.Uint(uint64(id))
	}
	w.Uint(uint64(len(r.Frames)))
	for _, f := range r.Frames {
		w.Uint(uint64(f.In))
		w.Uint(uint64(f.Last))
		for _, n := range []int{f.Branch, f.Order, f.Left} {
			w.Int(n)
		}
	}
}

// mostTicks is more ticks than anybody plays.
const mostTicks = 1 << 40

// number reads a number from least to most.
func number(r *pack.Reader, least, most int) int {
	n := r.Int()
	if n < least || n > most {
		r.Fail(fmt.Errorf("%w: what became of rules has the number %d", pack.ErrMalformed, n))
		return least
	}
	return n
}

// DecodeRuns reads what Encode wrote, and believes nothing that it says of rules and pieces.
func DecodeRuns(r *pack.Reader) (s Runs) {
	s.Begun, s.Moments, s.Visits = number(r, 0, mostTicks), number(r, 0, mostTicks), number(r, 0, mostTicks)
	unsorted := func() { r.Fail(fmt.Errorf("%w: what became of rules is out of order", pack.ErrMalformed)) }
	for range r.Count(limit.Runs, 10) {
		run := decodeRun(r)
		if n := len(s.List); n > 0 && s.List[n-1].Number >= run.Number || run.Number >= s.Begun {
			unsorted()
		}
		s.List = append(s.List, run)
	}
	for range r.Count(limit.Runs, 5) {
		h := Happened{Moment: number(r, 0, 1<<31-1), From: r.Int(), To: r.Int()}
		h.Thing, h.Doer = kind.ID(r.Uint()), kind.ID(r.Uint())
		s.Queue = append(s.Queue, h)
	}
	for range r.Count(limit.Rules+limit.Pieces, 5) {
		t := Past{Pair: Pair{kind.ID(r.Uint()), kind.ID(r.Uint())}, Times: number(r, 1, mostTicks), Tick: number(r, 0, mostTicks), Visit: number(r, 0, mostTicks)}
		if n := len(s.Went); n > 0 && s.Went[n-1].compare(t.Pair) >= 0 {
			unsorted()
		}
		s.Went = append(s.Went, t)
	}
	for range r.Count(limit.Rules+limit.Pieces, 2) {
		p := Pair{kind.ID(r.Uint()), kind.ID(r.Uint())}
		if n := len(s.So); n > 0 && s.So[n-1].compare(p) >= 0 {
			unsorted()
		}
		s.So = append(s.So, p)
	}
	s.Jammed = kind.ID(r.Uint())
	return s
}

func decodeRun(r *pack.Reader) (run Run) {
	run.Number, run.Moment, run.Since = number(r, 0, mostTicks), number(r, 0, mostTicks), number(r, 0, mostTicks)
	run.Left = number(r, 0, limit.RuleTicks)
	box := number(r, 0, partOf+int(boxEnd)-1)
	if box >= partOf {
		run.Of, run.Only = number(r, 0, max(1, run.Number)), kind.ID(r.Uint())
	}
	if run.Box = Box(box % partOf); run.Box >= boxEnd {
		r.Fail(fmt.Errorf("%w: a rule under way waits for %d", pack.ErrMalformed, box))
	}
	run.Rule = kind.ID(r.Uint())
	run.Bound = Bound{kind.ID(r.Uint()), kind.ID(r.Uint()), kind.ID(r.Uint())}
	for range r.Count(MostNested+1, 5) {
		f := Frame{In: kind.ID(r.Uint()), Last: kind.ID(r.Uint())}
		f.Branch, f.Order, f.Left = number(r, 0, branchEnd-1), number(r, -MostValue, MostValue), number(r, 0, MostTimes)
		run.Frames = append(run.Frames, f)
	}
	return run
}

// Times is how often a rule went, of a piece, and in which tick it did last.
func (s *Runs) Times(p Pair) Past {
	if i, there := s.went(p); there {
		return s.Went[i]
	}
	return Past{Pair: p}
}

func (s *Runs) went(p Pair) (int, bool) {
	// Rules that answer to the same moment mostly go in their order.
	if n := len(s.Went); n > 0 && s.Went[n-1].compare(p) < 0 {
		return n, false
	}
	return slices.BinarySearchFunc(s.Went, p, func(t Past, p Pair) int { return t.compare(p) })
}

// count notes that a rule went.
func (s *Runs) count(p Pair, tick int) {
	i, there := s.went(p)
	if !there {
		s.Went = lists.Insert(s.Went, i, Past{Pair: p})
	}
	s.Went[i].Times++
	s.Went[i].Tick, s.Went[i].Visit = tick, s.Visits
}

// IsSo reports whether a rule is so by now.
func (s *Runs) IsSo(p Pair) bool {
	_, is := slices.BinarySearchFunc(s.So, p, Pair.compare)
	return is
}

func (s *Runs) setSo(p Pair, so bool) {
	i, is := slices.BinarySearchFunc(s.So, p, Pair.compare)
	switch {
	case so && !is:
		s.So = lists.Insert(s.So, i, p)
	case is && !so:
		s.So = slices.Delete(s.So, i, i+1)
	}
}

// Anew ends the runs of rules of a book, and lets those be so anew that are so while something holds, of which it is asked of each
// with the piece to which it belongs then. It reports whether a run ended. No engine may be stepping.
func (s *Runs) Anew(b *Book, ends, so func(r *Listed, this kind.ID) bool) (ended bool) {
	if b == nil {
		return false
	}
	before := len(s.List)
	s.List = lists.Without(s.List, func(run Run) bool {
		r := b.rule(run.Rule)
		return r != nil && ends(r, run.This)
	})
	s.So = lists.Without(s.So, func(p Pair) bool {
		r := b.rule(p.Rule)
		return r != nil && so(r, p.This)
	})
	// What is not so is settled anew too.
	s.Went = lists.Without(s.Went, func(p Past) bool {
		r := b.rule(p.Rule)
		return r != nil && r.Begins == While && so(r, p.This)
	})
	s.Lastings = lists.Without(s.Lastings, func(l Lasting) bool {
		r := b.rule(l.Rule)
		return r != nil && so(r, l.This)
	})
	return len(s.List) < before
}

// Run finds one that is under way by its number; nil if there is none.
func (s *Runs) Run(number int) *Run {
	if i, there := s.at(number); there {
		return &s.List[i]
	}
	return nil
}

// at is where a run stands among those under way. What has begun last is asked for most.
func (s *Runs) at(number int) (i int, there bool) {
	if i = len(s.List) - 1; i >= 0 && s.List[i].Number == number {
		return i, true
	}
	// A run is large, so that none is copied to be compared.
	i = sort.Search(len(s.List), func(i int) bool { return s.List[i].Number >= number })
	return i, i < len(s.List) && s.List[i].Number == number
}
