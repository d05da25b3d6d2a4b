package play_test

import (
	"math/rand/v2"
	"testing"

	"azzel/core/edit"
	"azzel/core/grid"
	"azzel/core/kind"
	"azzel/core/kinds/corridor"
	"azzel/core/kinds/props"
	"azzel/core/kinds/random"
	"azzel/core/logic"
	"azzel/core/play"
	"azzel/core/world"
)

// setting is that a rule sets a property of a piece.
func setting(n logic.Noun, p *kind.Prop, how logic.SetBy, to int) logic.Action {
	return logic.Action{Does: logic.SetProperty, Subject: n, Property: p.Field, How: how, Value: number(to)}
}

// drawn is a value that a property can have.
func drawn(r *rand.Rand, p *kind.Prop) int {
	least, most := p.Ranges(0)
	if p.Sort == kind.Whole {
		least, most = p.Least, min(most, max(p.Reach, p.Least+1))
	}
	return least + r.IntN(most-least+1)
}

// For each kind, in both views, and each property that changes in play: where a rule sets it, all goes on as if the designer had changed it at that moment, to
// the last bit.
func TestSetPropertyIsAsEdited(t *testing.T) {
	differed := map[*kind.Prop]bool{}
	both(t, func(t *testing.T, view world.View) {
		for _, k := range kind.All() {
			for _, h := range k.Props {
				if !logic.Changes(h.Prop) {
					continue
				}
				for seed := range uint64(3) {
					r := rand.New(rand.NewPCG(seed, uint64(k.ID)<<8+uint64(h.Field)))
					set := k.Keeps(random.Values(r, k).With(props.Starts.Unset(), props.Power.Unset(), props.OnReturn.Unset(), props.AfterHarm.Unset()))
					to := drawn(r, h.Prop)
					begin := func(does ...logic.Action) (*play.Game, *world.Document) {
						d := ruledWith(t, view, nil, newRule(1, kind.NoThing, 0, logic.Moment{Is: logic.TimePassed.Number, Number: 20}).do(append(does, up(labels, 1))...))
						d = apply(t, d, put(d, 720, k.ID, 10, corridor.Row, set), put(d, 721, world.Pushable, 8, corridor.Row, ""))
						g, err := play.New(d, play.Start{Map: d.Maps[0].ID, Cell: grid.Point{X: 6, Y: corridor.Row}, Chance: seed})
						if err != nil {
							t.Fatal(err)
						}
						return g, d
					}
					ruled, d := begin(setting(logic.Noun{Is: logic.Piece, Thing: 720}, h.Prop, logic.Becomes, to))
					edited, _ := begin()
					same, _ := begin()
					for tick := range 240 {
						in := []play.Input{play.Right, play.Right | play.Jump, play.Left, play.Use, play.Right, play.Strike}[(tick/18+int(seed))%6]
						ruled.Tick(in)
						edited.Tick(in)
						same.Tick(in)
						if tick == 19 {
							_, p := d.Piece(720)
							next := *p
							next.Props = next.Props.With(h.Is(to))
							if err := edited.SetDocument(apply(t, edited.Document(), edit.Changes(world.Ref{Sort: world.SortPiece, Map: d.Maps[0].ID, ID: 720}, p.Values(), next.Values())...)); err != nil {
								t.Fatal(err)
							}
						}
						is, want := play.Became(ruled, 720), play.Became(edited, 720)
						if is != want || ruled.Status().Place != edited.Status().Place || ruled.Status().Health != edited.Status().Health {
							t.Fatalf("%s of a %s to %d, seed %d, tick %d: set by a rule it is\n%s, the player at %v\nand changed by the designer\n%s, %v", h.Word, k.Word, to, seed, tick, is, ruled.Status().Place, want, edited.Status().Place)
						}
						differed[h.Prop] = differed[h.Prop] || is != play.Became(same, 720) || ruled.Status().Place != same.Status().Place || ruled.Status().Health != same.Status().Health
					}
				}
			}
		}
	})
	felt := 0
	for _, is := range differed {
		if is {
			felt++
		}
	}
	if len(differed) < 20 || felt < 12 {
		t.Errorf("of %d properties that change in play %d changed anything in these plays", len(differed), felt)
	}
}

// What rules set of a piece counts for conditions at once, is kept within what it can be, is forgotten where the piece begins anew, and gives way to what the
// designer changes of it.
func TestSetProperties(t *testing.T) {
	const foe = world.ID(740)
	corridor.EitherWay(t, func(t *testing.T, view world.View) {
		one := logic.Noun{Is: logic.Piece, Thing: foe}
		fast := newRule(2, kind.NoThing, 0)
		fast.Begins, fast.If = logic.While, logic.Condition{Ask: logic.Compares, Left: logic.Value{Is: logic.PropertyOf, Of: one, Property: props.Speed.Field}, By: logic.AtLeast, Right: number(50)}
		d := ruledWith(t, view, []corridor.Piece{{ID: foe, Column: 11, Type: world.Foe, Set: kind.Set(props.Does.Is(props.Stands))}},
			newRule(1, kind.NoThing, 0, pressed(plate)).do(setting(one, props.Speed, logic.GoesUp, 60), setting(one, props.Harm, logic.GoesDown, 5000),
				setting(logic.Noun{Is: logic.AllOfType, Type: world.Foe}, props.Sight, logic.Becomes, 1<<29), setting(one, props.Most, logic.Becomes, 2)),
			fast.do(up(labels, 1)))
		m := *d.Maps[0]
		m.Anew = world.AnewOnReturn
		d = withAnother(t, apply(t, d, edit.Changes(world.Ref{Sort: world.SortMap, ID: m.ID}, d.Maps[0].Values(), m.Values())...))
		w := corridor.Begin(t, d, 3, sluice)
		of := func(p *kind.Prop) int {
			n, _ := w.Asked(0).Property(foe, p.Field)
			return n
		}
		usual, harm := of(props.Speed), of(props.Harm)
		w.To(t, 5)
		w.Wait(3)
		if got := factOf(w, d, labels); of(props.Speed) != usual+60 || of(props.Harm) != props.Harm.Least || of(props.Sight) != props.Sight.Most || got != 1 {
			t.Errorf("set, its speed is %d, what it hurts %d, what it sees %d; the rule that is so by its speed went %d times", of(props.Speed), of(props.Harm), of(props.Sight), got)
		}
		if _, has := w.Asked(0).Property(foe, props.Most.Field); has {
			t.Error("it has a property that its kind lacks")
		}
		_, p := d.Piece(foe)
		next := *p
		next.Props = next.Props.With(props.Speed.Is(31))
		changed := apply(t, d, edit.Changes(world.Ref{Sort: world.SortPiece, Map: m.ID, ID: foe}, p.Values(), next.Values())...)
		if err := w.SetDocument(changed); err != nil {
			t.Fatal(err)
		}
		if of(props.Speed) != 31 || of(props.Sight) != props.Sight.Most {
			t.Errorf("changed by the designer, its speed is %d, and what it sees %d", of(props.Speed), of(props.Sight))
		}
		play.SetDown(w.Game, d.Map(800), grid.Point{X: 4, Y: 4})
		if of(props.Sight) != props.Sight.Most {
			t.Error("what was set is forgotten before the player returns")
		}
		play.SetDown(w.Game, d.Maps[0], grid.Point{X: 3, Y: corridor.Row})
		if of(props.Sight) != props.Sight.Usual || of(props.Harm) != harm {
			t.Errorf("begun anew, it sees %d and hurts %d", of(props.Sight), of(props.Harm))
		}
	})
}

// What a piece remembers by a property of its type is set and asked for like all else, within what that can be; a rule of the type goes for each of its pieces, and
// one of the kind for them too.
func TestPropertiesOfOwnTypes(t *testing.T) {
	const moth, other, plain, own, dew = world.ID(740), world.ID(741), world.ID(742), world.ID(1 << 33), world.ID(1<<33 | 1)
	corridor.EitherWay(t, func(t *testing.T, view world.View) {
		typ := world.Type{Name: "Night moth", Base: world.Foe, Usual: kind.Set(props.Does.Is(props.Stands)), Further: []world.TypeProp{{ID: dew, Name: "Dew", Usual: 2, Most: 9, Changes: true, Unit: "drops"}}}
		this, every := logic.Noun{Is: logic.This}, logic.Noun{Is: logic.AllOfType, Type: own}
		wet := newRule(3, kind.Type, own)
		wet.Begins, wet.If = logic.While, logic.Condition{Ask: logic.Compares, Left: logic.Value{Is: logic.PropertyOf, Of: this, Property: kind.Field(dew)}, By: logic.AtLeast, Right: number(9)}
		d := ruledWith(t, view, nil)
		d = apply(t, d, edit.Put{Ref: world.TypeRef(own), Values: typ.Values()})
		stand := func(id world.ID, column int, set kind.Values) edit.Part {
			return put(d, id, world.Foe, column, corridor.Row, set)
		}
		d = apply(t, d, stand(moth, 11, kind.Set(props.OwnType.Refer(own))), stand(other, 13, kind.Set(props.OwnType.Refer(own), kind.OwnValue(kind.Field(dew), 5))), stand(plain, 15, kind.Set(props.Does.Is(props.Stands))),
			newRule(1, kind.NoThing, 0, pressed(plate)).do(logic.Action{Does: logic.SetProperty, Subject: every, Property: kind.Field(dew), How: logic.GoesUp, Value: number(4)}, logic.Action{Does: logic.SetPower, Subject: every, Is: kind.Off},
				logic.Action{Does: logic.SetPower, Subject: logic.Noun{Is: logic.Piece, Thing: plain}, Is: kind.Off}).part(),
			newRule(2, kind.Type, own, logic.Moment{Is: props.SwitchedOff.Number, Of: this}).do(up(labels, 1)).part(),
			wet.do(up(labels, 10)).part(),
			newRule(4, kind.Type, world.Foe, logic.Moment{Is: props.SwitchedOff.Number, Of: this}).do(up(labels, 100)).part(),
			newRule(5, kind.NoThing, 0, logic.Moment{Is: props.SwitchedOff.Number, Of: logic.Noun{Is: logic.AnyOfType, Type: own}}).do(up(labels, 1000)).part())
		w := corridor.Begin(t, d, 3, sluice)
		of := func(id world.ID) int {
			n, there := w.Asked(0).Property(id, kind.Field(dew))
			if !there {
				return -1
			}
			return n
		}
		if of(moth) != 2 || of(other) != 5 || of(plain) != -1 {
			t.Fatalf("at first there is dew on them: %d, %d, %d", of(moth), of(other), of(plain))
		}
		w.To(t, 5)
		w.Wait(4)
		// Both of the type and the plain one were switched off, and one of the type is wet.
		if got := factOf(w, d, labels); of(moth) != 6 || of(other) != 9 || got != 2*1+1*10+3*100+2*1000 {
			t.Errorf("there is dew on them: %d, %d; the rules went by %d", of(moth), of(other), got)
		}
		typ.Further[0].Most = 7
		if err := w.SetDocument(apply(t, d, edit.Change{Ref: world.TypeRef(own), Value: typ.Further[0].Value()})); err != nil {
			t.Fatal(err)
		}
		if of(moth) != 6 || of(other) > 7 {
			t.Errorf("with at most 7 there is dew on them: %d, %d", of(moth), of(other))
		}
	})
}
