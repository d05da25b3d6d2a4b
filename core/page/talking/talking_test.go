package talking_test

import (
	"strings"
	"testing"

	"azzel/core/edit"
	"azzel/core/grid"
	"azzel/core/kinds/person"
	"azzel/core/logic"
	"azzel/core/page"
	"azzel/core/page/holding"
	"azzel/core/page/pagetest"
	"azzel/core/page/pieces"
	"azzel/core/page/talking"
	"azzel/core/page/view"
	"azzel/core/world"
)

// What somebody says is added, typed, asked for, put into order and taken away, each in a step that is taken back alone; what is
// gone or can't be is refused in words, and nothing changes.
func TestTalkOfAPage(t *testing.T) {
	p := pagetest.Open(t, 5)
	m := p.Document().Maps[0]
	const keeper = world.ID(900)
	stands := world.Piece{Type: person.Kind.ID, Layer: m.PlayerLayer, Foot: m.FootOf(p.Document().Project.Lattice(), person.Kind.ID, grid.Point{X: 4, Y: 4})}
	p.Do(edit.Edit{Parts: []edit.Part{edit.Put{Ref: world.Ref{Sort: world.SortPiece, Map: m.ID, ID: keeper}, Values: stands.Values()}}})
	says := func() *talking.TalkView {
		pagetest.Order(p, holding.Select{Thing: pagetest.Thing("piece", m.ID, keeper)})
		return view.StateOf(p).Slip.Talk
	}
	all := func() string {
		var list []string
		for _, s := range says().Sayings {
			list = append(list, s.Typed+"/"+s.While.Says)
		}
		return strings.Join(list, ", ")
	}
	on, piece := page.ID(m.ID), page.ID(keeper)
	id := func(n int) page.ID { return page.ID(page.ParseID(says().Sayings[n].ID)) }
	for range 2 {
		pagetest.Order(p, talking.AddSaying{Map: on, Piece: piece})
	}
	pagetest.Order(p, talking.TypeSaying{Map: on, Piece: piece, Saying: id(0), Typed: "Again."})
	pagetest.Order(p, talking.TypeSaying{Map: on, Piece: piece, Saying: id(1), Typed: "Good evening {"})
	pagetest.Order(p, talking.SetSayingCondition{Map: on, Piece: piece, Saying: id(0), Condition: &logic.ConditionForm{Asks: "compares", Left: &logic.ValueForm{Is: "fact", Thing: pieces.NewFact}, By: "at-least", Right: &logic.ValueForm{Is: "number", Number: 1}}})
	if got := all(); got != "Again./Fact 1 is yes, Good evening {/" || len(p.Document().Facts) != 1 {
		t.Fatalf("it says %s", got)
	}
	pagetest.Order(p, talking.MoveSaying{Map: on, Piece: piece, Saying: id(0)})
	if got := all(); !strings.HasPrefix(got, "Good evening") {
		t.Errorf("with the first put last it says %s", got)
	}
	pagetest.Order(p, talking.MoveSaying{Map: on, Piece: piece, Saying: id(1), Before: id(0)})
	if got := all(); !strings.HasPrefix(got, "Again.") {
		t.Errorf("with the last put first it says %s", got)
	}
	before := p.Document()
	for name, bad := range map[string]page.Order{
		"a saying that is gone":                    talking.RemoveSaying{Map: on, Piece: piece, Saying: 77},
		"moved before what is gone":                talking.MoveSaying{Map: on, Piece: piece, Saying: id(0), Before: 77},
		"a piece that is gone":                     talking.AddSaying{Map: on, Piece: 77},
		"a map that is gone":                       talking.AddSaying{Map: 77, Piece: piece},
		"a piece with nothing to say":              talking.AddSaying{Map: on, Piece: page.ID(m.Pieces[0].ID)},
		"too many letters":                         talking.TypeSaying{Map: on, Piece: piece, Saying: id(0), Typed: strings.Repeat("long ", 20_000)},
		"what only something that happens can ask": talking.SetSayingCondition{Map: on, Piece: piece, Saying: id(0), Condition: &logic.ConditionForm{Asks: "one-in", Number: 2}},
	} {
		p.Replies()
		pagetest.Order(p, bad)
		if r := p.Replies(); len(r) != 1 || r[0].Refused == "" || p.Document() != before {
			t.Errorf("%s: %+v", name, r)
		}
	}
	pagetest.Order(p, talking.RemoveSaying{Map: on, Piece: piece, Saying: id(0)})
	if got := all(); got != "Good evening {/" {
		t.Errorf("with the first removed it says %s", got)
	}
	for len(says().Sayings) < 64 {
		pagetest.Order(p, talking.AddSaying{Map: on, Piece: piece})
	}
	p.Replies()
	pagetest.Order(p, talking.AddSaying{Map: on, Piece: piece})
	if r := p.Replies(); !says().Full || len(r) != 1 || !strings.Contains(r[0].Refused, "64") {
		t.Errorf("one more than there may be: %+v", r)
	}
}
