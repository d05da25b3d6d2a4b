package world

import (
	"fmt"
	"slices"
	"strings"
	"testing"

	"azzel/core/grid"
	"azzel/core/kind"
	"azzel/core/kinds/props"
	"azzel/core/limit"
	"azzel/core/logic"
	"azzel/core/talk"
	"azzel/core/words"
)

// A project has so many facts and no more, none of which starts with what it can't be; a piece sets and
// asks within limits. What names a fact or an item is found by what it does with it, once for each.
func TestFactsOfADocument(t *testing.T) {
	d, err := Start(Project{Name: "Ferns", CellW: 16, CellH: 16, SeenW: 9, SeenH: 9}, &Counter{Prefix: 3})
	if err != nil {
		t.Fatal(err)
	}
	m := d.Maps[0]
	put := func(d *Document, r Ref, values []Value) (*Document, error) {
		draft := d.Draft()
		if err := draft.Put(r, values); err != nil {
			return nil, err
		}
		return draft.Done()
	}
	full := d.Draft()
	for i := range limit.Facts {
		if err := full.Put(Ref{Sort: SortFact, ID: ID(9<<32 | i)}, (&Fact{Name: fmt.Sprintf("Moth %d", i), Counts: i%2 == 0, Start: i % 2}).Values()); err != nil {
			t.Fatal(err)
		}
	}
	if d, err = full.Done(); err != nil {
		t.Fatal(err)
	}
	number, truth, item := d.Facts[0].ID, d.Facts[1].ID, ID(8<<32)
	label := func(of ID, a kind.Values) []Value {
		return (&Piece{Type: of, Layer: m.PlayerLayer, Foot: d.Project.Lattice().Foot(grid.Point{X: m.Bounds.X, Y: m.Bounds.Y}), Props: a}).Values()
	}
	piece := Ref{Sort: SortPiece, Map: m.ID, ID: 7 << 32}
	for _, c := range []struct {
		r      Ref
		values []Value
		says   string
	}{
		{Ref{Sort: SortFact, ID: 9<<32 | 5000}, (&Fact{Name: "One more"}).Values(), "at most 1000 facts"},
		{Ref{Sort: SortFact, ID: number}, (&Fact{Name: "Moth", Counts: true, Start: -1}).Values(), ""},
		{piece, label(Collectible, kind.Values("").With(Change{Fact: number, How: 3}.Props()...)), "how a piece sets a fact is 0 to 2, not 3"},
		{piece, label(Collectible, kind.Values("").With(Change{Fact: number, By: limit.FactValue + 1}.Props()...)), "by how much"},
		{piece, label(Exit, kind.Values("").With(Single{Item: item, Least: -1}.Props()...)), "asks for at least"},
	} {
		if _, err := put(d, c.r, c.values); err == nil || !strings.Contains(err.Error(), c.says) {
			t.Errorf("%s: %v", c.says, err)
		}
	}
	// What asks for a fact does not ask for an item beside. Types that can't set or ask for a fact do not name it, whatever they once did.
	for i, of := range []ID{Collectible, Exit, Spawn, Mark, Foe, Spring} {
		piece.ID = ID(7<<32 | i)
		if d, err = put(d, piece, label(of, kind.Set(props.Item.Refer(item)).With(Change{Fact: truth}.Props()...).With(Single{Fact: number, Item: item}.Props()...))); err != nil {
			t.Fatal(err)
		}
	}
	// What the player reads shows them; what somebody says asks for one and shows the other, as a rule does.
	shown := words.Text{{Fact: truth}, {Letters: ", "}, {Fact: truth}}
	for i, set := range map[ID]kind.Value{20: shown.Set(props.Says), 21: talk.List{{ID: 1, While: logic.Needs(logic.FactValue, truth, logic.AtLeast, 1), Text: words.Text{{Item: item}}}}.Set(props.Sayings)} {
		piece.ID = ID(7<<32) + 100 + i
		if d, err = put(d, piece, label(i, kind.Set(set))); err != nil {
			t.Fatal(err)
		}
	}
	named := d.Namings()
	uses := func(id ID) (list []Use) {
		for _, n := range named[id] {
			list = append(list, n.Use)
		}
		slices.Sort(list)
		return list
	}
	if got := uses(truth); !slices.Equal(got, []Use{UseSets, UseSets, UseShows, UseShows}) {
		t.Errorf("a fact is set by %v", got)
	}
	if got := uses(number); !slices.Equal(got, []Use{UseAsks, UseAsks, UseAsks, UseAsks}) {
		t.Errorf("a fact is asked for by %v", got)
	}
	if got := uses(item); !slices.Equal(got, []Use{UseGives, UseNeeds, UseShows}) {
		t.Errorf("an item is named by %v", got)
	}
	// A number that is a yes or no from now on is still within its bounds in play.
	if f := d.Fact(truth); f.Bound(7) != 1 || f.Says(7) != "yes" || d.Fact(number).Says(7) != "7" {
		t.Error("what a fact says of a value is not what it is")
	}
}

// A fact with a range or words is stored and read as it is; one without is stored as it was before there were any, and what is stored says so by its version. What it
// can't be is refused in words.
func TestFactsOfAllSorts(t *testing.T) {
	d, err := Start(Project{Name: "Ferns", CellW: 16, CellH: 16, SeenW: 9, SeenH: 9}, &Counter{Prefix: 3})
	if err != nil {
		t.Fatal(err)
	}
	at := Ref{Sort: SortFact, ID: 9 << 32}
	for _, c := range []struct {
		fact                Fact
		least, most, values int
		version             byte
		says                string
	}{
		{Fact{}, 0, 1, 4, 7, "no yes"}, {Fact{Counts: true, Start: 7}, 0, limit.FactValue, 4, 7, "0 999999"},
		{Fact{Counts: true, Least: -5, Most: 5, Start: -3}, -5, 5, 5, 10, "-5 5"}, {Fact{Counts: true, Least: -9, Most: -2, Start: -2}, -9, -2, 5, 10, "-9 -2"},
		{Fact{Counts: true, Words: []string{"cold", "warm", "hot"}, Start: 2}, 0, 2, 5, 10, "cold hot"},
		{Fact{Counts: true, Words: ObjectiveWords, Objective: true, Start: Open}, 0, 2, 6, 10, "not given reached"},
	} {
		c.fact.Name = "Pipe"
		draft := d.Draft()
		if err := draft.Put(at, c.fact.Values()); err != nil {
			t.Fatal(err)
		}
		made, err := draft.Done()
		if err != nil {
			t.Fatalf("%+v: %v", c.fact, err)
		}
		b := made.Encode()
		read, err := Decode(b)
		if err != nil || b[1] != c.version {
			t.Fatalf("%+v: %v, of version %d", c.fact, err, b[1])
		}
		f := read.Facts[0]
		least, most := f.Reach()
		if fmt.Sprintf("%+v", *f) != fmt.Sprintf("%+v", *made.Facts[0]) || !slices.Equal(read.Encode(), b) || len(f.Values()) != c.values {
			t.Errorf("%+v was read as %+v, of %d values", c.fact, f, len(f.Values()))
		}
		if least != c.least || most != c.most || f.Bound(least-1) != least || f.Bound(most+1) != most || f.Says(least)+" "+f.Says(most) != c.says {
			t.Errorf("%+v is %d to %d: %s to %s", c.fact, least, most, f.Says(least), f.Says(most))
		}
		// What it has is taken away again by values without bytes.
		draft = made.Draft()
		for _, field := range []Field{factObjective, factReach, factWords} {
			if err := draft.Change(at, Value{Field: field}); err != nil {
				t.Fatal(err)
			}
		}
		if f := draft.Document().Facts[0]; f.Further() {
			t.Errorf("%+v has a range or words still", f)
		}
	}
	for want, f := range map[string]Fact{
		"the first is at most the second": {Counts: true, Least: 5, Most: 1}, "both lie within": {Counts: true, Most: limit.FactValue + 1, Least: 1},
		"of 2 to 32 words, not of 1": {Counts: true, Words: []string{"cold"}}, "has neither a range nor words": {Least: 1, Most: 2},
		"is an objective: not given, open, reached": {Counts: true, Objective: true, Words: []string{"open", "reached"}},
		"twice": {Counts: true, Words: []string{"cold", "cold"}}, "a name": {Counts: true, Words: []string{"cold", ""}}, "has no range": {Counts: true, Words: []string{"a", "b"}, Most: 1},
		"can't start with 9": {Counts: true, Least: 1, Most: 5, Start: 9}, "over the limit of 32": {Counts: true, Words: make([]string, 33)},
	} {
		f.Name = "Pipe"
		draft := d.Draft()
		err := draft.Put(at, f.Values())
		if err == nil {
			_, err = draft.Done()
		}
		if err == nil || !strings.Contains(err.Error(), want) {
			t.Errorf("%+v: %v, want %q", f, err, want)
		}
	}
}
