package exchange_test

import (
	"bytes"
	"testing"

	"azzel/core/edit"
	"azzel/core/exchange"
	"azzel/core/kind"
	"azzel/core/kinds/props"
	"azzel/core/logic"
	"azzel/core/words"
	"azzel/core/world"
)

// Rules come back from a bundle with all that they are made of, also what stands in what is gone, and what can't be one is refused with its place.
func TestRulesInABundle(t *testing.T) {
	d, err := world.Start(world.Project{Name: "Night shift", CellW: 16, CellH: 16, SeenW: 16, SeenH: 9}, &world.Counter{Prefix: 9})
	if err != nil {
		t.Fatal(err)
	}
	r := world.Rule{Name: "Dew"}
	r.HomeSort, r.Home, r.Repeats, r.Pause = kind.Type, world.Foe, logic.NotAgainFor, 717
	r.If = logic.Needs(logic.FactValue, 5<<32|1, logic.AtLeast, 1)
	for i, p := range []logic.Part{
		{Begins: logic.Moment{Is: props.Defeated.Number}},
		{Action: logic.Action{Does: logic.Question, Text: words.Plain("Whose label is it?")}},
		{In: 8<<32 | 2, Action: logic.Action{Does: logic.Choice, Text: words.Plain("Ottilie's “fern”")}},
		{In: 8<<32 | 3, Action: logic.Action{Does: logic.Wait, Number: 919}},
		{In: 8<<32 | 77, Action: logic.Action{Does: logic.Stop}},
	} {
		p.ID, p.Order = world.ID(8<<32|(i+1)), i
		r.Set(p)
	}
	res, err := edit.Apply(d, edit.Edit{Parts: []edit.Part{edit.Put{Ref: world.RuleRef(63 << 32), Values: r.Values()}}})
	if err != nil {
		t.Fatal(err)
	}
	whole := written(t, res.Document, library{})
	back, err := exchange.Read(bytes.NewReader(whole), int64(len(whole)), nil)
	if err != nil {
		t.Fatal(err)
	}
	same(t, res.Document, back.Document)
	refused(t, whole, []altered{
		{"bundle.json", `"home": "type"`, `"home": "shed"`, "rule 1: home: a rule belongs to a piece, a type"},
		{"bundle.json", `"of": "foe"`, `"of": "moth"`, `rule 1: of: there is no type "moth"`},
		{"bundle.json", `"repeats": "not-again-for"`, `"repeats": "never"`, "rule 1: repeats"},
		{"bundle.json", `"pause": 717`, `"pause": -1`, "does not go again for 0 to"},
		{"bundle.json", `"moment": "defeated"`, `"moment": "bored"`, `rule 1: part 1: "bored" is not known as a moment`},
		{"bundle.json", `"does": "wait"`, `"does": "dream"`, "rule 1: part 4"},
		{"bundle.json", `"number": 919`, `"number": 99999999`, "for how long something goes on is 0 to"},
		{"bundle.json", `"id": "8.4"`, `"id": "8.1"`, "have the same id 8.1"},
		{"bundle.json", `"in": "8.3"`, `"in": "8.4"`, "it stands in itself"},
		{"bundle.json", `"version": 5`, `"version": 99`, "newer"},
	})
}
