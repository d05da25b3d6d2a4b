package findings

import (
	"math/rand/v2"
	"slices"
	"testing"

	"azzel/core/body"
	"azzel/core/edit"
	"azzel/core/grid"
	"azzel/core/kind"
	"azzel/core/kinds/door"
	"azzel/core/kinds/person"
	"azzel/core/kinds/props"
	"azzel/core/kinds/random"
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
	return b.pieceOn(b.d.Maps[b.IntN(len(b.d.Maps))], k, set...)
}

func (b *bed) pieceOn(m *world.Map, k *kind.Kind, set ...kind.Value) world.ID {
	p := &world.Piece{Type: k.ID, Layer: m.PlayerLayer, Foot: b.d.Project.Lattice().Foot(generate.Cell(b.Rand, m)), Props: kind.Set(set...)}
	return b.put(world.Ref{Sort: world.SortPiece, Map: m.ID}, p.Values())
}

// wall is a tile in which there is no room, as it lies somewhere in the world; 0 if none is found.
func (b *bed) wall() grid.Cell {
	for range 400 {
		m := b.d.Maps[b.IntN(len(b.d.Maps))]
		c := generate.Cell(b.Rand, m)
		if body.NewGround(b.d, m).Opaque(c) {
			if cell := m.Layer(m.PlayerLayer).Cells.At(c); cell != 0 {
				return cell
			}
		}
	}
	return 0
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
		m := logic.Moment{Is: props.Pressed.Number, Of: logic.Noun{Is: logic.Piece, Thing: b.piece(door.Kind)}}
		if b.IntN(3) == 0 {
			p := logic.Part{ID: b.ids.NewID(), Order: 5, Action: logic.Action{Does: logic.Until}, Begins: m}
			b.rule.Set(p)
			return p.ID, false
		}
		return b.begins(m), false
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
		if b.IntN(3) == 0 {
			return b.add(0, logic.Then, []logic.Action{{Does: logic.LetOut, Subject: p}, {Does: logic.PutAt, Subject: p, Towards: logic.Noun{Is: logic.Player}}}[b.IntN(2)]), false
		}
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
	LeftDark: func(b *bed) (world.ID, bool) {
		b.some(0)
		is := b.add(0, logic.Then, logic.Action{Does: logic.FadeOut, Number: b.IntN(90)})
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
	InWall: func(b *bed) (world.ID, bool) {
		b.add(0, logic.Then, say("Mist."))
		// Most maps of random worlds have layers that rules let come and go, so that nothing is said of their walls.
		house, layers := world.NewMap("Dew house", grid.Point{X: 5000}, grid.Rect{W: 5, H: 5}, b.ids)
		b.parts = append(b.parts, edit.PutMap(house, layers)...)
		if cell := b.wall(); cell != 0 {
			walls := grid.BoxRegion(grid.Rect{W: 5, H: 5})
			b.parts = append(b.parts, edit.Paint{Map: house.ID, Layer: house.PlayerLayer, Region: walls, Cells: grid.Runs{{N: walls.Len(), Cell: cell}}})
		}
		s := world.NamedStart{Name: "Dew", Map: house.ID, Cell: grid.Point{X: b.IntN(5), Y: b.IntN(5)}}
		b.put(world.Ref{Sort: world.SortStart}, s.Values())
		return 0, true
	},
	NoWay: func(b *bed) (world.ID, bool) {
		b.some(0)
		walker, to := logic.Noun{Is: logic.Piece, Thing: b.piece(door.Kind)}, logic.Noun{Is: logic.Piece, Thing: b.piece(sign.Kind)}
		if from := slices.IndexFunc(b.d.Maps, func(m *world.Map) bool { return m.View == world.TopDown }); from >= 0 && len(b.d.Maps) > 1 && b.IntN(2) == 0 {
			walker.Thing, to.Thing = b.pieceOn(b.d.Maps[from], person.Kind), b.pieceOn(b.d.Maps[(from+1)%len(b.d.Maps)], sign.Kind)
		}
		if b.IntN(3) == 0 {
			// Both are in a house of which a wall from end to end keeps them apart; the wall is of a tile that walls are made of in that world.
			if cell := b.wall(); cell != 0 {
				house, layers := world.NewMap("Tool shed", grid.Point{X: 4000}, grid.Rect{W: 9, H: 5}, b.ids)
				b.parts = append(b.parts, edit.PutMap(house, layers)...)
				across := grid.BoxRegion(grid.Rect{X: 3 + b.IntN(3), W: 1, H: 5})
				b.parts = append(b.parts, edit.Paint{Map: house.ID, Layer: house.PlayerLayer, Region: across, Cells: grid.Runs{{N: across.Len(), Cell: cell}}})
				put := func(k *kind.Kind, x int) world.ID {
					p := &world.Piece{Type: k.ID, Layer: house.PlayerLayer, Foot: b.d.Project.Lattice().Foot(grid.Point{X: x, Y: b.IntN(5)})}
					return b.put(world.Ref{Sort: world.SortPiece, Map: house.ID}, p.Values())
				}
				walker.Thing, to.Thing = put(person.Kind, b.IntN(2)), put(sign.Kind, 7+b.IntN(2))
			}
		}
		return b.add(0, logic.Then, logic.Action{Does: logic.WalkTo, Subject: walker, Towards: to}), false
	},
	NeverWorked: func(b *bed) (world.ID, bool) {
		b.some(0)
		b.piece(door.Kind, props.Opens.Is(props.OpensWhenWorked))
		return 0, true
	},
	TooMany: func(b *bed) (world.ID, bool) {
		b.some(0)
		t := world.Type{Name: "Dew pot", Base: door.Kind.ID, May: world.ExactlyOne + world.Most(b.IntN(3))}
		if t.May != world.ExactlyOne {
			t.Most = 1 + b.IntN(3)
		}
		own := b.put(world.Ref{Sort: world.SortType}, t.Values())
		m := b.d.Maps[b.IntN(len(b.d.Maps))]
		for range max(t.Most, 1) + 1 + b.IntN(3) {
			b.pieceOn(m, door.Kind, props.OwnType.Refer(own))
		}
		return 0, true
	},
	NoneThere: func(b *bed) (world.ID, bool) {
		b.some(0)
		own := b.put(world.Ref{Sort: world.SortType}, (&world.Type{Name: "Dew pot", Base: door.Kind.ID, May: world.ExactlyOne}).Values())
		// One of the same kind, or one that says so and is of another, is none of it.
		b.piece(door.Kind)
		if b.IntN(2) == 0 {
			b.piece(sign.Kind, props.OwnType.Refer(own))
		}
		return 0, true
	},
	NoPicture: func(b *bed) (world.ID, bool) {
		b.some(0)
		// Of a door, a picture for one of its states alone; of others nothing is missing.
		state := []int{kind.StateNamed("closed").Number, kind.StateNamed("open").Number, kind.WhileOff}[b.IntN(3)]
		set := random.Picture(b.Rand).Set(kind.PictureOf(state, kind.AnySide))
		if b.IntN(2) == 0 {
			b.put(world.Ref{Sort: world.SortType}, (&world.Type{Name: "Dew pot", Base: door.Kind.ID, Usual: kind.Set(set)}).Values())
			return 0, true
		}
		b.piece(door.Kind, set)
		return 0, true
	},
	StockPicture: func(b *bed) (world.ID, bool) {
		b.some(0)
		b.put(world.Ref{Sort: world.SortType}, (&world.Type{Name: "Dew pot", Base: sign.Kind.ID, Usual: kind.Set(random.Picture(b.Rand).Set(kind.PictureOf(kind.AnyState, kind.AnySide)))}).Values())
		// Others of their kind may be found before it, and stand for it; of its own type it is the first.
		own := b.put(world.Ref{Sort: world.SortType}, (&world.Type{Name: "Dew door", Base: door.Kind.ID}).Values())
		b.piece(door.Kind, props.OwnType.Refer(own))
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
