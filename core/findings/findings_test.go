package findings

import (
	"math/rand/v2"
	"slices"
	"testing"

	"azzel/core/edit"
	edits "azzel/core/edit/generate"
	"azzel/core/kind"
	"azzel/core/kinds/door"
	"azzel/core/kinds/props"
	"azzel/core/logic"
	"azzel/core/play/generate"
	"azzel/core/world"
)

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
			for _, of := range lastings {
				if f == of.fault {
					d = without(t, d, of.undoes)
				}
			}
			if f == NeverWorked {
				// Rules at random bring about anything to any state.
				d = without(t, d, logic.SetState)
			}
			if f == NoWay {
				// Rules at random put anything anywhere.
				d = without(t, without(t, d, logic.PutAt), logic.FollowTrack)
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
func (s state) Forces(kind.ID) (int, bool)   { return s.dew % 2, true }
func (s state) Layer(kind.ID) (int, bool)    { return s.presence, true }
func (s state) Lasted(int) (bool, bool)      { return false, false }
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
