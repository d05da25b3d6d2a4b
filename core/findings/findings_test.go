package findings

import (
	"math/rand/v2"
	"slices"
	"testing"

	"azzel/core/edit"
	edits "azzel/core/edit/generate"
	"azzel/core/grid"
	"azzel/core/kind"
	"azzel/core/kinds/door"
	"azzel/core/kinds/props"
	"azzel/core/kinds/sign"
	"azzel/core/logic"
	"azzel/core/play/generate"
	"azzel/core/words"
	"azzel/core/world"
)

// A bed is a random world with rules in which a fault is planted, with new things of its own so that nothing else in it matters.
type bed struct {
	*testing.T
	*rand.Rand
	d     *world.Document
	ids   *world.Counter
	parts []edit.Part
	rule  *world.Rule
	id    world.ID
	order int
}

func (b *bed) put(ref world.Ref, values []world.Value) world.ID {
	ref.ID = b.ids.NewID()
	b.parts = append(b.parts, edit.Put{Ref: ref, Values: values})
	return ref.ID
}

func (b *bed) fact(counts bool) world.ID {
	return b.put(world.Ref{Sort: world.SortFact}, (&world.Fact{Name: "Dew", Counts: counts}).Values())
}

func (b *bed) piece(k *kind.Kind, set ...kind.Value) world.ID {
	m := b.d.Maps[b.IntN(len(b.d.Maps))]
	p := &world.Piece{Type: k.ID, Layer: m.PlayerLayer, Foot: b.d.Project.Lattice().Foot(generate.Cell(b.Rand, m)), Props: kind.Set(set...)}
	return b.put(world.Ref{Sort: world.SortPiece, Map: m.ID}, p.Values())
}

// add puts a part into the rule that is planted, and gives its id.
func (b *bed) add(in world.ID, branch int, a logic.Action) world.ID {
	b.order++
	p := logic.Part{ID: b.ids.NewID(), In: in, Branch: branch, Order: b.order, Action: a}
	b.rule.Set(p)
	return p.ID
}

func (b *bed) begins(m logic.Moment) world.ID {
	p := logic.Part{ID: b.ids.NewID(), Order: -1, Begins: m}
	b.rule.Set(p)
	return p.ID
}

// some adds up to two actions that do no harm.
func (b *bed) some(in world.ID) {
	for range b.IntN(3) {
		b.add(in, logic.Then, logic.Action{Does: []logic.Deed{logic.Heal, logic.Hurt, logic.Wait}[b.IntN(3)], Number: 1 + b.IntN(9)})
	}
}

func say(t string) logic.Action {
	return logic.Action{Does: logic.Say, Subject: logic.Noun{Is: logic.Player}, Text: words.Plain(t)}
}

func needs(fact world.ID, by logic.Comparison, n int) logic.Condition {
	return logic.Needs(logic.FactValue, fact, by, n)
}

// plants plant a fault each, and say in which part of the rule it is, or that it is elsewhere.
var plants = map[Fault]func(b *bed) (part world.ID, elsewhere bool){
	Homeless: func(b *bed) (world.ID, bool) {
		b.rule.HomeSort, b.rule.Home = []kind.Thing{kind.Map, kind.Piece, kind.Area}[b.IntN(3)], b.ids.NewID()
		return 0, false
	},
	NeverBegins: func(b *bed) (world.ID, bool) {
		for _, m := range b.rule.Moments() {
			b.rule.Drop(m.ID)
		}
		b.some(0)
		b.add(0, logic.Then, say("Mist."))
		return 0, false
	},
	DoesNothing: func(b *bed) (world.ID, bool) {
		if b.IntN(2) == 0 {
			p := logic.Part{ID: b.ids.NewID(), Off: true, Action: say("Mist.")}
			b.rule.Set(p)
		}
		return 0, false
	},
	NeverComes: func(b *bed) (world.ID, bool) {
		b.add(0, logic.Then, say("Mist."))
		if b.IntN(2) == 0 {
			return b.begins(logic.Moment{Is: logic.FactReached.Number, Thing: b.fact(false), Number: []int{-1, 2, 7}[b.IntN(3)]}), false
		}
		return b.begins(logic.Moment{Is: props.Pressed.Number, Of: logic.Noun{Is: logic.Piece, Thing: b.piece(door.Kind)}}), false
	},
	NeverHolds: func(b *bed) (world.ID, bool) {
		f, n := b.fact(true), b.IntN(40)
		bad := [][]logic.Condition{
			{needs(f, logic.Over, n), needs(f, logic.Under, n)}, {needs(f, logic.Equals, n), needs(f, logic.Differs, n)},
			{needs(f, logic.AtLeast, n+1), {Ask: logic.Any, Terms: []logic.Condition{needs(f, logic.Equals, n), needs(f, logic.AtMost, n)}}},
			{needs(f, logic.AtMost, n), {Ask: logic.None, Terms: []logic.Condition{needs(f, logic.Under, n+5)}}},
		}[b.IntN(4)]
		if b.IntN(4) == 0 {
			p := b.piece(door.Kind)
			for _, s := range door.Kind.States[:2] {
				bad = append(bad, logic.Condition{Ask: logic.InState, Subject: logic.Noun{Is: logic.Piece, Thing: p}, Is: s.Number})
			}
			bad = bad[len(bad)-2:]
		}
		c := logic.Condition{Terms: bad}
		if b.IntN(2) == 0 {
			b.add(0, logic.Then, say("Mist."))
			b.rule.If = c
			return 0, false
		}
		in := b.add(0, logic.Then, logic.Action{Does: logic.If, If: c})
		b.add(in, logic.Then, say("Mist."))
		return in, false
	},
	Unchosen: func(b *bed) (world.ID, bool) {
		b.some(0)
		return b.add(0, logic.Then, logic.Action{Does: []logic.Deed{logic.SetFact, logic.Get, logic.Lose, logic.TakeTo, logic.AskFor}[b.IntN(5)], Value: logic.Value{Number: 1}}), false
	},
	Gone: func(b *bed) (world.ID, bool) {
		id := b.ids.NewID()
		b.some(0)
		switch b.IntN(3) {
		case 0:
			return b.add(0, logic.Then, logic.Action{Does: logic.Say, Subject: logic.Noun{Is: logic.Player}, Text: words.Text{{Letters: "So many: "}, {Fact: id}}}), false
		case 1:
			in := b.add(0, logic.Then, logic.Action{Does: logic.If, If: needs(id, logic.AtLeast, 1)})
			b.add(in, logic.Then, say("Mist."))
			return in, false
		}
		return b.add(0, logic.Then, logic.Action{Does: []logic.Deed{logic.SetFact, logic.Get, logic.TakeTo, logic.AskFor}[b.IntN(4)], Thing: id, Value: logic.Value{Number: 1}}), false
	},
	NoThis: func(b *bed) (world.ID, bool) {
		return b.add(0, logic.Then, logic.Action{Does: logic.SetPresence, Is: b.IntN(3)}), false
	},
	Stray: func(b *bed) (world.ID, bool) {
		b.add(0, logic.Then, say("Mist."))
		return b.add(b.ids.NewID(), logic.Then, say("Mist.")), false
	},
	NeverDone: func(b *bed) (world.ID, bool) {
		b.some(0)
		in := world.ID(0)
		if b.IntN(2) == 0 {
			in = b.add(0, logic.Then, logic.Action{Does: logic.Again, Number: 2})
		}
		if b.IntN(2) == 0 {
			fork := b.add(in, logic.Then, logic.Action{Does: logic.If, If: needs(b.fact(true), logic.AtLeast, 1)})
			b.add(fork, logic.Then, logic.Action{Does: logic.Stop})
			b.add(fork, logic.Otherwise, logic.Action{Does: logic.End, Name: "dew"})
		} else {
			b.add(in, logic.Then, logic.Action{Does: logic.Stop})
		}
		return b.add(in, logic.Then, say("Mist.")), false
	},
	NoAnswer: func(b *bed) (world.ID, bool) {
		q := b.add(0, logic.Then, logic.Action{Does: logic.Question, Subject: logic.Noun{Is: logic.Player}, Text: words.Plain("More?")})
		if b.IntN(2) == 0 {
			b.rule.Set(logic.Part{ID: b.ids.NewID(), In: q, Off: true, Action: logic.Action{Does: logic.Choice, Text: words.Plain("Yes")}})
		}
		return q, false
	},
	NoDifference: func(b *bed) (world.ID, bool) {
		q := b.add(0, logic.Then, logic.Action{Does: logic.Question, Subject: logic.Noun{Is: logic.Player}, Text: words.Plain("More?")})
		for range 1 + b.IntN(3) {
			b.add(q, logic.Then, logic.Action{Does: logic.Choice, Text: words.Plain("Yes")})
		}
		return q, false
	},
	NoCase: func(b *bed) (world.ID, bool) {
		o := b.add(0, logic.Then, logic.Action{Does: logic.OneOf})
		for range b.IntN(3) {
			b.add(b.add(o, logic.Then, logic.Action{Does: logic.Case}), logic.Then, say("Mist."))
		}
		return o, false
	},
	CannotBe: func(b *bed) (world.ID, bool) {
		if b.IntN(3) == 0 {
			b.add(0, logic.Then, say("Mist."))
			s := world.NamedStart{Name: "Dew", Map: b.d.Maps[0].ID, Cell: grid.Point{X: b.d.Maps[0].Bounds.X, Y: b.d.Maps[0].Bounds.Y}, Facts: []world.FactIs{{Fact: b.fact(false), Value: 2 + b.IntN(5)}}}
			if b.IntN(2) == 0 {
				s.Facts, s.States = nil, []world.StateIs{{Piece: b.piece(sign.Kind), State: door.Kind.States[b.IntN(3)].Number}}
			}
			b.put(world.Ref{Sort: world.SortStart}, s.Values())
			return 0, true
		}
		p := logic.Noun{Is: logic.Piece, Thing: b.piece(sign.Kind)}
		return b.add(0, logic.Then, logic.Action{Does: logic.SetState, Subject: p, Is: door.Kind.States[b.IntN(3)].Number}), false
	},
	WaitsBeneath: func(b *bed) (world.ID, bool) {
		f := b.fact(false)
		p := b.piece(door.Kind, needs(f, logic.AtLeast, 1).Set(props.While))
		return b.add(0, logic.Then, logic.Action{Does: logic.SetPresence, Subject: logic.Noun{Is: logic.Piece, Thing: p}, Is: b.IntN(3)}), false
	},
	HeldForGood: func(b *bed) (world.ID, bool) {
		b.some(0)
		is := b.add(0, logic.Then, logic.Action{Does: logic.HoldStill})
		b.some(0)
		return is, false
	},
	InCircles: func(b *bed) (world.ID, bool) {
		in := b.add(0, logic.Then, logic.Action{Does: logic.Again, Number: 2 + b.IntN(9)})
		if b.IntN(2) == 0 {
			in = b.add(in, logic.Then, logic.Action{Does: logic.If, If: needs(b.fact(true), logic.AtLeast, 1)})
		}
		return b.add(in, logic.Then, logic.Action{Does: logic.TakeTo, Thing: b.piece(door.Kind)}), false
	},
	Endless: func(b *bed) (world.ID, bool) {
		switch b.IntN(3) {
		case 0:
			b.add(0, logic.Then, logic.Action{Does: logic.AskFor, Thing: b.id})
		case 1:
			f := b.fact(true)
			b.begins(logic.Moment{Is: logic.FactChanged.Number, Thing: f})
			b.add(0, logic.Then, logic.Action{Does: logic.SetFact, Thing: f, How: logic.GoesUp, Value: logic.Value{Number: 1}})
		default:
			f, one, other := b.fact(true), b.IntN(5), 5+b.IntN(5)
			for _, m := range b.rule.Moments() {
				b.rule.Drop(m.ID)
			}
			b.begins(logic.Moment{Is: logic.FactReached.Number, Thing: f, Number: one})
			b.add(0, logic.Then, logic.Action{Does: logic.SetFact, Thing: f, Value: logic.Value{Number: other}})
			back := &world.Rule{}
			back.Set(logic.Part{ID: b.ids.NewID(), Begins: logic.Moment{Is: logic.FactReached.Number, Thing: f, Number: other}})
			back.Set(logic.Part{ID: b.ids.NewID(), Action: logic.Action{Does: logic.SetFact, Thing: f, Value: logic.Value{Number: one}}})
			b.put(world.Ref{Sort: world.SortRule}, back.Values())
		}
		return 0, false
	},
	AsksOff: func(b *bed) (world.ID, bool) {
		other := &world.Rule{Off: true}
		return b.add(0, logic.Then, logic.Action{Does: logic.AskFor, Thing: b.put(world.Ref{Sort: world.SortRule}, other.Values())}), false
	},
	TooLong: func(b *bed) (world.ID, bool) {
		long := "Mist"
		for range 60 + b.IntN(60) {
			long += " lies on the glass"
		}
		if b.IntN(2) == 0 {
			b.add(0, logic.Then, say("Mist."))
			b.piece(sign.Kind, words.Plain(long).Set(props.Says))
			return 0, true
		}
		return b.add(0, logic.Then, say(long)), false
	},
	TooLongAnswer: func(b *bed) (world.ID, bool) {
		q := b.add(0, logic.Then, logic.Action{Does: logic.Question, Subject: logic.Noun{Is: logic.Player}, Text: words.Plain("More?")})
		c := b.add(q, logic.Then, logic.Action{Does: logic.Choice, Text: words.Plain("More than can be said on one line of a box that is as wide as a view of so many cells, whatever one does")})
		b.add(c, logic.Then, say("Mist."))
		return c, false
	},
	NoLetter: func(b *bed) (world.ID, bool) {
		return b.add(0, logic.Then, say("Mist "+string(rune('一'+b.IntN(900))))), false
	},
	NeverAsked: func(b *bed) (world.ID, bool) {
		b.add(0, logic.Then, logic.Action{Does: logic.SetFact, Thing: b.fact(b.IntN(2) == 0), Value: logic.Value{Number: 1}})
		return 0, true
	},
	NeverSet: func(b *bed) (world.ID, bool) {
		b.add(0, logic.Then, say("Mist."))
		b.rule.If = needs(b.fact(b.IntN(2) == 0), logic.AtLeast, 1)
		return 0, true
	},
	Forgotten: func(b *bed) (world.ID, bool) {
		b.rule.Repeats = logic.OnceEver
		set := []kind.Value{props.OnReturn.Is(props.BeginsAnew)}
		if b.IntN(2) == 0 {
			// By their maps.
			set = nil
			for _, m := range b.d.Maps {
				next := *m
				next.Anew |= world.AnewOnReturn
				b.parts = append(b.parts, edit.Changes(world.Ref{Sort: world.SortMap, ID: m.ID}, m.Values(), next.Values())...)
			}
		}
		in := world.ID(0)
		if b.IntN(2) == 0 {
			in = b.add(0, logic.Then, logic.Action{Does: logic.Again, Number: 2})
		}
		for range 1 + b.IntN(2) {
			p := logic.Noun{Is: logic.Piece, Thing: b.piece(door.Kind, set...)}
			b.add(in, logic.Then, []logic.Action{{Does: logic.SetState, Subject: p, Is: door.Kind.States[1].Number}, {Does: logic.SetPresence, Subject: p, Is: 1 + b.IntN(2)}}[b.IntN(2)])
			b.add(in, logic.Then, logic.Action{Does: logic.Wait, Number: 30})
		}
		return 0, false
	},
	OffMap: func(b *bed) (world.ID, bool) {
		b.add(0, logic.Then, say("Mist."))
		m := b.d.Maps[b.IntN(len(b.d.Maps))]
		s := world.NamedStart{Name: "Dew", Map: m.ID, Cell: grid.Point{X: m.Bounds.X + m.Bounds.W + b.IntN(3), Y: m.Bounds.Y}}
		b.put(world.Ref{Sort: world.SortStart}, s.Values())
		return 0, true
	},
	NeverGiven: func(b *bed) (world.ID, bool) {
		item := b.put(world.Ref{Sort: world.SortItem}, (&world.Item{Name: "Fuse"}).Values())
		if b.IntN(2) == 0 {
			b.add(0, logic.Then, logic.Action{Does: logic.Lose, Thing: item, Value: logic.Value{Number: 1}})
			return 0, true
		}
		b.add(0, logic.Then, say("Mist."))
		b.rule.If = logic.Needs(logic.ItemCount, item, logic.AtLeast, 1+b.IntN(3))
		return 0, true
	},
}

// Of each fault that there is, a hundred are planted in random worlds, and at least 95 are found where they are.
func TestPlants(t *testing.T) {
	beds := make([]*world.Document, 25)
	for n := range beds {
		d, err := generate.Ruled(uint64(n))
		if err != nil {
			t.Fatal(err)
		}
		beds[n] = d
	}
	for _, f := range Faults() {
		plant := plants[f]
		if plant == nil {
			t.Errorf("no %s is planted", Words[f])
			continue
		}
		found := 0
		for n := range 100 {
			d := beds[n%len(beds)]
			if f == HeldForGood {
				d = without(t, d, logic.LetGo)
			}
			b := &bed{T: t, Rand: rand.New(rand.NewPCG(uint64(n), uint64(f))), d: d, ids: &world.Counter{Prefix: 40}, rule: &world.Rule{}}
			b.id = b.ids.NewID()
			b.begins(logic.Moment{Is: logic.PlayBegins.Number})
			part, elsewhere := plant(b)
			b.parts = append(b.parts, edit.Put{Ref: world.RuleRef(b.id), Values: b.rule.Values()})
			res, err := edit.Apply(d, edit.Edit{Label: "plant", Parts: b.parts})
			if err != nil {
				t.Fatalf("%s: %v", Words[f], err)
			}
			if slices.ContainsFunc(Find(res.Document), func(is Finding) bool {
				return is.Fault == f && (elsewhere && is.Of.ID > 40<<32 || is.Of.ID == b.id && is.Part == part)
			}) {
				found++
			}
		}
		if found < 95 {
			t.Errorf("of 100 × %s %d were found", Words[f], found)
		}
	}
}

// What a rule that goes once ever brings back itself is not missed when it is forgotten, nor what it does on an only map.
func TestNothingIsForgotten(t *testing.T) {
	d, err := generate.Ruled(4)
	if err != nil {
		t.Fatal(err)
	}
	one, err := world.Start(world.Project{Name: "Night shift", CellW: 16, CellH: 16, SeenW: 16, SeenH: 9}, &world.Counter{Prefix: 9})
	if err != nil {
		t.Fatal(err)
	}
	for n, c := range []struct {
		d      *world.Document
		states []int
		want   bool
	}{{d, []int{1}, true}, {d, []int{1, 0}, false}, {d, []int{0}, false}, {one, []int{1}, false}} {
		b := &bed{T: t, Rand: rand.New(rand.NewPCG(1, 1)), d: c.d, ids: &world.Counter{Prefix: 40}, rule: &world.Rule{}}
		b.id = b.ids.NewID()
		b.rule.Repeats = logic.OnceEver
		b.begins(logic.Moment{Is: logic.PlayBegins.Number})
		sluice := logic.Noun{Is: logic.Piece, Thing: b.piece(door.Kind, props.OnReturn.Is(props.BeginsAnew))}
		for _, i := range c.states {
			b.add(0, logic.Then, logic.Action{Does: logic.SetState, Subject: sluice, Is: door.Kind.States[i].Number})
		}
		res, err := edit.Apply(c.d, edit.Edit{Parts: append(b.parts, edit.Put{Ref: world.RuleRef(b.id), Values: b.rule.Values()})})
		if err != nil {
			t.Fatal(err)
		}
		if found := slices.ContainsFunc(Find(res.Document), func(f Finding) bool { return f.Fault == Forgotten && f.Of.ID == b.id }); found != c.want {
			t.Errorf("rule %d is found to be forgotten: %t", n, found)
		}
	}
}

// without is a document in which nothing does a deed.
func without(t *testing.T, d *world.Document, does logic.Deed) *world.Document {
	var parts []edit.Part
	for _, r := range d.Rules {
		for _, p := range r.Parts {
			if p.Does == does {
				parts = append(parts, edit.PartGone(r.ID, p.ID))
			}
		}
	}
	res, err := edit.Apply(d, edit.Edit{Label: "without", Parts: parts})
	if err != nil {
		t.Fatal(err)
	}
	return res.Document
}

// After every edit of a random log what is found is the same as from scratch, and an edit of one rule lets little else be looked at.
func TestFoundAnew(t *testing.T) {
	for seed := range uint64(12) {
		d, err := generate.Ruled(seed)
		if err != nil {
			t.Fatal(err)
		}
		a := edits.Author{Rand: rand.New(rand.NewPCG(seed, 3)), IDs: &world.Counter{Prefix: 50}}
		var f Finder
		differs := 0
		last := f.Find(d)
		for n := range 300 {
			res, err := edit.Apply(d, a.Edit(d))
			if err != nil {
				continue
			}
			d = res.Document
			now, want := f.Find(d), Find(d)
			if !slices.Equal(now, want) {
				t.Fatalf("seed %d, edit %d: found anew are %+v, from scratch %+v", seed, n, now, want)
			}
			if !slices.Equal(now, last) {
				differs++
			}
			last = now
		}
		if differs < 3 {
			t.Errorf("seed %d: in 300 edits what is found changed %d times", seed, differs)
		}
		before, rules := f.Looked, len(d.Rules)
		res, err := edit.Apply(d, edit.Edit{Label: "add", Parts: []edit.Part{edit.PartChange(d.Rules[0].ID, logic.Part{ID: a.IDs.NewID(), Action: say("Mist.")})}})
		if err != nil {
			t.Fatal(err)
		}
		if f.Find(res.Document); f.Looked != before+1 || rules < 2 {
			t.Errorf("seed %d: an edit of one of %d rules let %d be looked at", seed, rules, f.Looked-before)
		}
	}
}

// A state is a game of which conditions ask: what two facts are, and in which state and presence a piece is.
type state struct{ lit, dew, own, presence int }

const (
	lit   = world.ID(91)
	dew   = world.ID(92)
	panel = world.ID(93)
)

func (s state) Fact(id kind.ID) (value, least, most int, there bool) {
	switch id {
	case lit:
		return s.lit, 0, 1, true
	case dew:
		return s.dew, 0, (&world.Fact{Counts: true}).Bound(logic.MostValue), true
	}
	return 0, 0, 0, false
}
func (s state) Item(kind.ID) (int, bool)                 { return 0, false }
func (s state) Property(kind.ID, kind.Field) (int, bool) { return 0, false }
func (s state) Power(kind.ID) (int, bool)                { return 0, false }
func (s state) Pieces(n logic.Noun) ([]kind.ID, bool) {
	return []kind.ID{panel}, n.Is == logic.This || n.Thing == panel
}
func (s state) Presence(kind.ID) (int, bool) { return s.presence, true }
func (s state) State(kind.ID) (int, bool)    { return door.Kind.States[s.own].Number, true }

// Conditions at random are held against every game that there can be: one that holds in any is never taken for one that can't, and of those that hold in none
// most are found.
func TestPossible(t *testing.T) {
	r := rand.New(rand.NewPCG(5, 5))
	d, err := world.Start(world.Project{Name: "Told", CellW: 16, CellH: 16, SeenW: 9, SeenH: 9}, &world.Counter{Prefix: 1})
	if err != nil {
		t.Fatal(err)
	}
	draft := d.Draft()
	m := d.Maps[0]
	for id, f := range map[world.ID]*world.Fact{lit: {Name: "Lit"}, dew: {Name: "Dew", Counts: true}} {
		if err := draft.Put(world.Ref{Sort: world.SortFact, ID: id}, f.Values()); err != nil {
			t.Fatal(err)
		}
	}
	home := &world.Piece{Type: door.Kind.ID, Layer: m.PlayerLayer, Foot: d.Project.Lattice().Foot(generate.Cell(r, m))}
	if err := draft.Put(world.Ref{Sort: world.SortPiece, Map: m.ID, ID: panel}, home.Values()); err != nil {
		t.Fatal(err)
	}
	d = draft.Document()
	var condition func(deep int) logic.Condition
	condition = func(deep int) logic.Condition {
		if deep > 0 && r.IntN(3) > 0 {
			c := logic.Condition{Ask: logic.Ask(r.IntN(3))}
			for range r.IntN(5) {
				c.Terms = append(c.Terms, condition(deep-1))
			}
			return c
		}
		on := []logic.Noun{{}, {Is: logic.Piece, Thing: panel}}[r.IntN(2)]
		switch r.IntN(5) {
		case 0:
			return logic.Condition{Ask: logic.InState, Subject: on, Is: door.Kind.States[r.IntN(3)].Number}
		case 1:
			return logic.Condition{Ask: logic.IsPresent, Subject: on, Is: r.IntN(3)}
		}
		c := needs([]world.ID{lit, dew}[r.IntN(2)], logic.Comparison(r.IntN(6)), r.IntN(4))
		if r.IntN(3) == 0 {
			c.Left, c.Right = c.Right, c.Left
		}
		return c
	}
	never, found := 0, 0
	for range 20000 {
		c := condition(3)
		holds := false
		for n := range 2 * 6 * 3 * 3 {
			holds = holds || c.Holds(state{n % 2, n / 2 % 6, n / 12 % 3, n / 36})
		}
		g := new(Finder).glance(d)
		can := g.possible(&c, d.Maps[0].Piece(panel))
		switch {
		case holds && !can:
			t.Fatalf("%+v holds, and is taken for what can't", c)
		case !holds:
			if never++; !can {
				found++
			}
		}
	}
	if never < 1000 || found*100 < never*95 {
		t.Errorf("of %d that never hold %d were found", never, found)
	}
}
