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
	named := d.Namings()
	uses := func(id ID) (list []Use) {
		for _, n := range named[id] {
			list = append(list, n.Use)
		}
		slices.Sort(list)
		return list
	}
	if got := uses(truth); !slices.Equal(got, []Use{UseSets, UseSets}) {
		t.Errorf("a fact is set by %v", got)
	}
	if got := uses(number); !slices.Equal(got, []Use{UseAsks, UseAsks, UseAsks, UseAsks}) {
		t.Errorf("a fact is asked for by %v", got)
	}
	if got := uses(item); !slices.Equal(got, []Use{UseGives, UseNeeds}) {
		t.Errorf("an item is named by %v", got)
	}
	// A number that is a yes or no from now on is still within its bounds in play.
	if f := d.Fact(truth); f.Bound(7) != 1 || f.Says(7) != "yes" || d.Fact(number).Says(7) != "7" {
		t.Error("what a fact says of a value is not what it is")
	}
}
