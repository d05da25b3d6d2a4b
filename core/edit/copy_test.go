package edit_test

import (
	"math/rand/v2"
	"reflect"
	"slices"
	"strings"
	"testing"

	"azzel/core/edit"
	"azzel/core/edit/generate"
	"azzel/core/grid"
	"azzel/core/kind"
	"azzel/core/kinds/props"
	"azzel/core/logic"
	"azzel/core/world"
)

// A copy of a map shows and holds what the map does, but for the spawn; all of it has ids and numbers of its own, and
// what its pieces follow and stay in is that of the copy.
func TestCopyMap(t *testing.T) {
	var seen [2]int
	for seed := range uint64(12) {
		r := rand.New(rand.NewPCG(seed, 77))
		ids := &world.Counter{Prefix: 3}
		a := generate.Author{Rand: r, IDs: ids, Later: true}
		d := newDocument(t)
		for range 250 {
			if res, err := edit.Apply(d, a.Edit(d)); err == nil {
				d = res.Document
			}
		}
		m := d.Maps[r.IntN(len(d.Maps))]
		for i := range 3 {
			is := &world.Rule{}
			is.HomeSort, is.Home = kind.Map, m.ID
			if len(m.Pieces) > 0 && i > 0 {
				is.HomeSort, is.Home = kind.Piece, m.Pieces[r.IntN(len(m.Pieces))].ID
			}
			is.Set(logic.Part{ID: ids.NewID(), Begins: logic.Moment{Is: logic.MapBegins.Number, Thing: m.ID}})
			on := logic.Part{ID: ids.NewID(), Action: logic.Action{Does: logic.If, If: logic.Condition{Ask: logic.OnMap, Subject: logic.Noun{Is: logic.Player}, Thing: m.ID}}}
			is.Set(on)
			is.Set(logic.Part{ID: ids.NewID(), In: on.ID, Action: logic.Action{Does: logic.Stop}})
			res, err := edit.Apply(d, edit.Edit{Parts: []edit.Part{edit.Put{Ref: world.RuleRef(ids.NewID()), Values: is.Values()}}})
			if err != nil {
				t.Fatal(err)
			}
			d = res.Document
		}
		// A fact of the map, which a rule of it sets and a piece of it asks for.
		own := world.ID(ids.NewID())
		fact := world.Fact{Name: "Vents open", Counts: true, Map: m.ID}
		sets := &world.Rule{}
		sets.HomeSort, sets.Home = kind.Map, m.ID
		sets.Set(logic.Part{ID: ids.NewID(), Action: logic.Action{Does: logic.SetFact, Thing: own, Value: logic.Value{Number: 1}}})
		given := []edit.Part{edit.Put{Ref: world.Ref{Sort: world.SortFact, ID: own}, Values: fact.Values()}, edit.Put{Ref: world.RuleRef(ids.NewID()), Values: sets.Values()}}
		for _, p := range m.Pieces {
			if world.Conditional(p.Type) && p.Type != world.Spawn {
				next := *p
				next.SetWhile(logic.Needs(logic.FactValue, own, logic.AtLeast, 1))
				given = append(given, edit.Changes(world.Ref{Sort: world.SortPiece, Map: m.ID, ID: p.ID}, p.Values(), next.Values())...)
			}
		}
		if res, err := edit.Apply(d, edit.Edit{Parts: given}); err != nil {
			t.Fatal(err)
		} else {
			d = res.Document
		}
		m = d.Map(m.ID)
		e, id, err := edit.CopyMap(d, m.ID, grid.Point{X: 9000, Y: -7000}, true, ids)
		if err != nil {
			t.Fatal(err)
		}
		res, err := edit.Apply(d, e)
		if err != nil {
			t.Fatalf("seed %d: the copy does not fit: %v", seed, err)
		}
		after := res.Document
		to := after.Map(id)
		if !slices.Equal(after.Map(m.ID).Pieces, m.Pieces) || len(to.Layers) != len(m.Layers) {
			t.Fatalf("seed %d: the map itself became another", seed)
		}
		for i, l := range m.Layers {
			if all := grid.BoxRegion(m.Bounds); !slices.Equal(l.Cells.Read(all), to.Layers[i].Cells.Read(all)) {
				t.Errorf("seed %d: layer %s shows something else", seed, l.Name)
			}
		}
		spawns := 0
		for _, p := range m.Pieces {
			if p.Type == world.Spawn {
				spawns++
			}
		}
		if len(to.Pieces) != len(m.Pieces)-spawns || len(after.OfMap(id)) != len(d.OfMap(m.ID)) {
			t.Errorf("seed %d: %d pieces, %d tracks and areas became %d and %d", seed, len(m.Pieces), len(d.OfMap(m.ID)), len(to.Pieces), len(after.OfMap(id)))
		}
		// bound counts the pieces that follow a track, and those that stay in an area, of their own map.
		bound := func(d *world.Document, m *world.Map) (n [2]int) {
			for _, p := range m.Pieces {
				if t := d.Track(p.Refers(props.Track)); p.Type != world.Spawn && t != nil && t.Map == m.ID {
					n[0]++
				}
				if a := d.Area(p.Refers(props.Area)); p.Type != world.Spawn && a != nil && a.Map == m.ID {
					n[1]++
				}
			}
			return n
		}
		if had, got := bound(d, m), bound(after, to); had != got {
			t.Errorf("seed %d: %v pieces follow tracks and stay in areas of the map, %v of the copy", seed, had, got)
		}
		numbers := map[int]bool{}
		once := func(number int) {
			if number == 0 || numbers[number] {
				t.Errorf("seed %d: number %d is had twice, or is none", seed, number)
			}
			numbers[number] = true
		}
		for _, m := range after.Maps {
			once(m.Number)
			for _, p := range m.Pieces {
				once(p.Number)
			}
		}
		for _, t := range after.Tracks {
			once(t.Number)
		}
		for _, a := range after.Areas {
			once(a.Number)
		}
		for _, c := range after.Crossings {
			once(c.Number)
		}
		// Rules of the map, and of what is on it, are had by the copy too, of which they speak then.
		for _, r := range after.Rules {
			once(r.Number)
		}
		// asks counts the rules and pieces of a map that name a fact of it, and those that name one of another map.
		asks := func(m *world.Map) (mine, others int) {
			name := func(sort kind.Thing, named world.ID) {
				if f := after.Fact(named); sort == kind.Fact && f != nil && strings.HasPrefix(f.Name, "Vents") {
					if f.Map == m.ID {
						mine++
					} else {
						others++
					}
				}
			}
			for _, r := range after.RulesOf(kind.Map, m.ID) {
				r.Refer(func(sort kind.Thing, named world.ID) world.ID { name(sort, named); return named })
			}
			for _, p := range m.Pieces {
				p.Props.Refer(func(_ *kind.Prop, sort kind.Thing, named world.ID) world.ID { name(sort, named); return named })
			}
			return mine, others
		}
		had, away := asks(after.Map(m.ID))
		got, foreign := asks(to)
		if had == 0 || got == 0 || away != 0 || foreign != 0 {
			t.Errorf("seed %d: of facts called Vents, those of the map are named %d times and others %d, in the copy %d and %d", seed, had, away, got, foreign)
		}
		names := func(d *world.Document, m *world.Map) (rules, parts, here int) {
			own := map[world.ID]bool{m.ID: true}
			for _, p := range m.Pieces {
				own[p.ID] = p.Type != world.Spawn
			}
			for _, r := range d.OfMap(m.ID) {
				own[r.ID] = true
			}
			for _, r := range d.Rules {
				if !own[r.Home] {
					continue
				}
				rules++
				parts += len(r.Parts) - len(r.Strays())
				for i := range r.Parts {
					r.Parts[i].Asks(func(_ kind.Thing, id world.ID) {
						if own[id] {
							here++
						}
					})
				}
			}
			return rules, parts, here
		}
		rules, parts, here := names(d, m)
		if copied, also, there := names(after, to); copied != rules || also != parts || there != here {
			t.Errorf("seed %d: %d rules of %d parts that ask %d times for what is here became %d of %d that ask %d times", seed, rules, parts, here, copied, also, there)
		}
		seen[0] += rules
		seen[1] += here
	}
	if seen[0] < 20 || seen[1] < 20 {
		t.Errorf("%d rules were copied, which ask %d times for what is on their map", seen[0], seen[1])
	}
}

// Earlier steps come back as they were sent.
func TestRecordsComeBack(t *testing.T) {
	want := []edit.Record{{Sequence: 3, Label: "paint", Inverse: []byte{1, 2, 3}}, {Sequence: 7, Undoes: 3, Label: "take back", Inverse: []byte{9}}}
	got, err := edit.DecodeRecords(edit.EncodeRecords(want))
	if err != nil || !reflect.DeepEqual(got, want) {
		t.Errorf("they came back as %+v: %v", got, err)
	}
}
