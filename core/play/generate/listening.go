package generate

import (
	"math/rand/v2"

	"azzel/core/edit/generate"
	"azzel/core/kind"
	"azzel/core/kinds/props"
	"azzel/core/kinds/random"
	"azzel/core/logic"
	"azzel/core/world"
)

// Listening is Ruled with rules that begin by all that can happen there, and that ask all that can be asked, so that over many worlds each is reached often; some of
// its pieces are of types of their own.
func Listening(seed uint64) (*world.Document, error) {
	d, err := Ruled(seed)
	if err != nil {
		return nil, err
	}
	r := rand.New(rand.NewPCG(seed, 82))
	draft := d.Draft()
	ids := &world.Counter{Prefix: 7}
	of := generate.Things(d)
	rule := func(asks logic.Condition, begins []logic.Moment, does ...logic.Action) error {
		is := &world.Rule{}
		is.If = asks
		for i, m := range begins {
			is.Set(logic.Part{ID: ids.NewID(), Order: i, Begins: m})
		}
		for i, a := range does {
			is.Set(logic.Part{ID: ids.NewID(), Order: len(begins) + i, Action: a})
		}
		return draft.Put(world.RuleRef(ids.NewID()), is.Values())
	}
	heals := logic.Action{Does: logic.Heal, Number: 1}
	var moments []logic.Moment
	moving := logic.Noun{Is: logic.AnyOfType, Type: world.Foe}
	for _, o := range logic.Occasions() {
		of := map[kind.Thing][]kind.ID{kind.Area: of.Areas, kind.Map: of.Maps, kind.Crossing: of.Crossings, kind.Fact: of.Facts, kind.Item: of.Items}[(&logic.Part{Begins: logic.Moment{Is: o.Number}}).Names()]
		m := logic.Moment{Is: o.Number, Of: moving, Number: 1}
		if o == logic.TimePassed {
			m.Number = 40
		}
		if len(of) == 0 {
			moments = append(moments, m)
		}
		for _, id := range of {
			m.Thing = id
			moments = append(moments, m)
		}
	}
	for _, k := range kind.All() {
		for _, m := range k.Moments {
			moments = append(moments, logic.Moment{Is: m.Number, Of: logic.Noun{Is: logic.AnyOfType, Type: k.ID}})
		}
	}
	for _, m := range moments {
		// What does not count of a moment is not stored.
		part, err := logic.DecodePart(1, logic.Part{Begins: m}.Encode())
		if err != nil {
			return nil, err
		}
		if err := rule(logic.Condition{}, []logic.Moment{part.Begins}, heals); err != nil {
			return nil, err
		}
	}
	often := []logic.Moment{{Is: logic.TimePassed.Number, Number: 60}}
	player, any := logic.Noun{Is: logic.Player}, logic.Noun{Is: logic.NearestOfType, Type: world.Foe}
	for _, c := range []logic.Condition{
		{Ask: logic.Faces, Subject: player, Object: any}, {Ask: logic.Sees, Subject: player, Object: any}, {Ask: logic.Near, Subject: player, Object: any, Number: 5}, {Ask: logic.OneIn, Number: 2},
		{Ask: logic.Within, Subject: player, Thing: of.Areas[len(of.Areas)-1]}, {Ask: logic.OnMap, Subject: player, Thing: of.Maps[len(of.Maps)-1]},
	} {
		if err := rule(c, often, heals); err != nil {
			return nil, err
		}
	}
	after := func(ticks int) []logic.Moment {
		return []logic.Moment{{Is: logic.TimePassed.Number, Number: ticks}}
	}
	for _, k := range kind.All() {
		all := logic.Noun{Is: logic.AllOfType, Type: k.ID}
		if _, powered := k.Has(props.Power); powered {
			for power, ticks := range []int{kind.On: 130, kind.Off: 170} {
				if err := rule(logic.Condition{}, after(ticks), logic.Action{Does: logic.SetPower, Subject: all, Is: power}); err != nil {
					return nil, err
				}
			}
		}
		for i, c := range k.Changes {
			if err := rule(logic.Condition{}, after(110+60*i), logic.Action{Does: logic.SetState, Subject: all, Is: c.To.Number}, logic.Action{Does: logic.Wait, Number: 20}, logic.Action{Does: logic.SetState, Subject: all, Is: c.From.Number}); err != nil {
				return nil, err
			}
		}
	}
	for _, id := range of.Items {
		one := logic.Value{Number: 1}
		if err := rule(logic.Condition{}, after(90), logic.Action{Does: logic.Get, Thing: id, Value: one}, logic.Action{Does: logic.Wait, Number: 30}, logic.Action{Does: logic.Lose, Thing: id, Value: logic.Value{Number: 99}}); err != nil {
			return nil, err
		}
	}
	// The player comes to pieces of all kinds, to exits last.
	exits := []world.ID{of.Pieces[len(of.Pieces)-1]}
	for _, m := range d.Maps {
		for _, p := range m.Pieces {
			if p.Kind().Ends {
				exits = append(exits, p.ID)
			}
		}
	}
	for i := range 6 {
		if err := rule(logic.Condition{}, after(50+17*i), logic.Action{Does: logic.TakeTo, Thing: of.Pieces[r.IntN(len(of.Pieces))]}); err != nil {
			return nil, err
		}
	}
	// What can be hit and jumped on comes to the player.
	for i, of := range []world.ID{world.Foe, world.Breakable, world.Foe} {
		near := logic.Noun{Is: logic.NearestOfType, Type: of}
		if err := rule(logic.Condition{}, after(23+10*i), logic.Action{Does: logic.SetState, Subject: near, Is: kind.Of(of).States[0].Number, Quiet: true}, logic.Action{Does: logic.SetPower, Subject: near, Is: kind.On}, logic.Action{Does: logic.PutAt, Subject: near, Towards: player}); err != nil {
			return nil, err
		}
	}
	for i, id := range exits {
		if err := rule(logic.Condition{}, after(70+30*i), logic.Action{Does: logic.TakeTo, Thing: id}); err != nil {
			return nil, err
		}
	}
	still := []logic.Action{{Does: logic.HoldStill}, {Does: logic.Wait, Number: 10}, {Does: logic.LetGo}, {Does: logic.TakeTo, Thing: exits[len(exits)-1]}}
	if err := rule(logic.Condition{}, after(260), still...); err != nil {
		return nil, err
	}
	if seed%3 != 0 {
		if err := rule(logic.Condition{}, []logic.Moment{{Is: logic.TimePassed.Number, Number: 480}}, logic.Action{Does: logic.End}); err != nil {
			return nil, err
		}
	}
	for _, m := range d.Maps {
		for _, p := range m.Pieces {
			if k := p.Kind(); !k.Single && !k.Starts && r.IntN(6) == 0 {
				t := &world.Type{Name: "Of its own", Base: k.ID, Usual: k.Keeps(random.Values(r, k)), Further: []world.TypeProp{{ID: ids.NewID(), Name: "Dew", Most: 9, Changes: true}}}
				id := ids.NewID()
				if err := draft.Put(world.TypeRef(id), t.Values()); err != nil {
					return nil, err
				}
				set := props.OwnType.Refer(id)
				if err := draft.Change(world.Ref{Sort: world.SortPiece, Map: m.ID, ID: p.ID}, world.Value(set)); err != nil {
					return nil, err
				}
				if err := rule(logic.Condition{}, often, logic.Action{Does: logic.SetProperty, Subject: logic.Noun{Is: logic.AllOfType, Type: id}, Property: kind.Field(t.Further[0].ID), How: logic.GoesUp, Value: logic.Value{Number: 1}}); err != nil {
					return nil, err
				}
			}
		}
	}
	return draft.Done()
}
