package logic_test

import (
	"bytes"
	"encoding/json"
	"math/rand/v2"
	"reflect"
	"slices"
	"strings"
	"testing"

	"azzel/core/kind"
	"azzel/core/limit"
	"azzel/core/logic"
	"azzel/core/logic/random"
	"azzel/core/pack"
)

var ruleThings = random.Things{Newest: true, Facts: things.Facts, Items: things.Items, Pieces: things.Pieces, Areas: things.Areas, Maps: things.Maps, Crossings: []kind.ID{61, 69}, Rules: []kind.ID{71, 72, 79}, Characters: []kind.ID{81, 89}, Layers: things.Layers, Tracks: things.Tracks, Patches: things.Patches}

// counter gives ids from 1,001 on.
func counter() func() kind.ID {
	n := kind.ID(1000)
	return func() kind.ID { n++; return n }
}

// Stored, and said as files say it, each part of a rule is what it was. As bytes there is one way to store it.
func TestPartsComeBack(t *testing.T) {
	deeds, moments := map[logic.Deed]int{}, map[int]int{}
	for seed := range uint64(2000) {
		is := random.Rule(rand.New(rand.NewPCG(seed, 5)), ruleThings, counter())
		if err := is.Check(); err != nil {
			t.Fatal(err)
		}
		for _, p := range is.Parts {
			if deeds[p.Does]++; p.Does == logic.Nothing {
				moments[p.Begins.Is]++
			}
			back, err := logic.DecodePart(p.ID, p.Encode())
			if err != nil || !bytes.Equal(back.Encode(), p.Encode()) || back.CheckPart() != nil {
				t.Fatalf("a part came back from bytes as %+v: %v", back, err)
			}
			text, err := json.Marshal(ids.WritePart(&p))
			if err != nil {
				t.Fatal(err)
			}
			var form logic.RulePartForm
			d := json.NewDecoder(bytes.NewReader(text))
			d.DisallowUnknownFields()
			if err := d.Decode(&form); err != nil {
				t.Fatal(err)
			}
			if back, err := ids.ReadPart(&form); err != nil || !bytes.Equal(back.Encode(), p.Encode()) {
				t.Fatalf("a part came back from %s as %+v: %v", text, back, err)
			}
			same := p.Refer(func(_ kind.Thing, id kind.ID) kind.ID { return id })
			if !bytes.Equal(same.Encode(), p.Encode()) && p.If.Holds(world{seed: seed}) != same.If.Holds(world{seed: seed}) {
				t.Fatalf("a part that refers to the same is another one: %s", text)
			}
		}
	}
	for d := logic.Nothing; int(d) < logic.Deeds(); d++ {
		if deeds[d] < 100 {
			t.Errorf("deed %d was drawn %d times", d, deeds[d])
		}
	}
	for _, m := range logic.Occasions() {
		if moments[m.Number] < 20 {
			t.Errorf("the moment %s was drawn %d times", m.Word, moments[m.Number])
		}
	}
}

// A part that can't be one is refused in words, and a rule that is too large or too deep.
func TestWrongRules(t *testing.T) {
	for says, p := range map[string]logic.Part{
		"what an action does":     {Action: logic.Action{Does: 99}},
		"for how long":            {Action: logic.Action{Does: logic.Wait, Number: limit.RuleTicks + 1}},
		"how many times":          {Action: logic.Action{Does: logic.Again, Number: 10_000}},
		"a state of number":       {Action: logic.Action{Does: logic.SetState, Is: 9999}},
		"a moment of number":      {Begins: logic.Moment{Is: 77_777}},
		"one line":                {Action: logic.Action{Does: logic.End, Name: "a\nb"}},
		"in which branch":         {Branch: 2, Action: logic.Action{Does: logic.Stop}},
		"what a fact becomes":     {Begins: logic.Moment{Is: logic.FactReached.Number, Number: 2 * logic.MostValue}},
		"how something is set is": {Action: logic.Action{Does: logic.SetFact, How: 9}},
	} {
		if err := p.CheckPart(); err == nil || !strings.Contains(err.Error(), strings.TrimSuffix(says, " is")) {
			t.Errorf("%s: %v", says, err)
		}
	}
	next := counter()
	var deep, wide logic.Rule
	in := kind.ID(0)
	for range logic.MostNested + 1 {
		p := logic.Part{ID: next(), In: in, Action: logic.Action{Does: logic.If}}
		deep.Set(p)
		in = p.ID
	}
	for range limit.RuleParts + 1 {
		wide.Set(logic.Part{ID: next(), Action: logic.Action{Does: logic.Stop}})
	}
	if err := deep.Check(); err == nil || !strings.Contains(err.Error(), "at most 12 deep") {
		t.Errorf("actions in one another: %v", err)
	}
	if err := wide.Check(); err == nil || !strings.Contains(err.Error(), "at most 1000 actions") {
		t.Errorf("many actions: %v", err)
	}
	// Two that were put into each other at a time stand nowhere, and are kept.
	var round logic.Rule
	round.Set(logic.Part{ID: 5, In: 6, Action: logic.Action{Does: logic.If}})
	round.Set(logic.Part{ID: 6, In: 5, Action: logic.Action{Does: logic.If}})
	if err := round.Check(); err != nil || len(round.Strays()) != 2 || len(round.Within(5)) > 3 {
		t.Errorf("actions that stand in each other: %v, %d strays", err, len(round.Strays()))
	}
}

// FuzzParts reads whatever comes as a part of a rule, and as what became of rules.
func FuzzParts(f *testing.F) {
	is := random.Rule(rand.New(rand.NewPCG(1, 5)), ruleThings, counter())
	for _, p := range is.Parts {
		f.Add(p.Encode())
	}
	f.Fuzz(func(t *testing.T, b []byte) {
		if p, err := logic.DecodePart(7, b); err == nil && p.CheckPart() == nil {
			again, err := logic.DecodePart(7, p.Encode())
			if err != nil || !reflect.DeepEqual(again, p) && !bytes.Equal(again.Encode(), p.Encode()) {
				t.Fatalf("%v is not what it was: %v", again, err)
			}
		}
		r := pack.NewReader(b)
		if s := logic.DecodeRuns(r); r.Done() == nil {
			var w pack.Writer
			s.Encode(&w)
			if r := pack.NewReader(w.Bytes); !reflect.DeepEqual(logic.DecodeRuns(r), s) || r.Done() != nil {
				t.Fatal("what became of rules is not what it was")
			}
		}
	})
}

// The schemas of files list every word that there is for what a condition asks and what an action does.
func TestFormsListAllWords(t *testing.T) {
	listed := func(form any, field string) []string {
		f, _ := reflect.TypeOf(form).FieldByName(field)
		var words []string
		for _, tag := range strings.Split(f.Tag.Get("jsonschema"), ",") {
			if word, is := strings.CutPrefix(tag, "enum="); is {
				words = append(words, word)
			}
		}
		slices.Sort(words)
		return words
	}
	deeds := logic.DeedWords()[1:]
	slices.Sort(deeds)
	if got := listed(logic.RulePartForm{}, "Does"); !slices.Equal(got, deeds) {
		t.Errorf("what an action does is listed as %v, not %v", got, deeds)
	}
	asks := logic.AskWords()
	slices.Sort(asks)
	if got := listed(logic.ConditionForm{}, "Asks"); !slices.Equal(got, asks) {
		t.Errorf("what a condition asks is listed as %v, not %v", got, asks)
	}
}
