package logic_test

import (
	"bytes"
	"encoding/json"
	"errors"
	"fmt"
	"math/rand/v2"
	"reflect"
	"strconv"
	"strings"
	"testing"

	"azzel/core/kind"
	_ "azzel/core/kinds"
	"azzel/core/kinds/props"
	"azzel/core/logic"
	"azzel/core/logic/random"
)

// things are what the conditions of these tests ask for; of each sort the last is gone.
var things = random.Things{Newest: true, Facts: []kind.ID{11, 12, 19}, Items: []kind.ID{21, 22, 29}, Pieces: []kind.ID{31, 32, 33, 34, 39}, Areas: []kind.ID{41, 49}, Maps: []kind.ID{51, 59}, Layers: []kind.ID{91, 99}, Tracks: []kind.ID{95}, Patches: []kind.ID{96, 99}}

var ids = logic.IDs{
	Format: func(id kind.ID) string { return fmt.Sprint("n", uint64(id)) },
	Parse: func(s string) (kind.ID, error) {
		n, err := strconv.ParseUint(strings.TrimPrefix(s, "n"), 10, 64)
		return kind.ID(n), err
	},
}

// Stored, and said as files say it, a condition is what it was. As bytes there is one way to store it.
func TestConditionsComeBack(t *testing.T) {
	seen := map[logic.Ask]int{}
	for seed := range uint64(4000) {
		r := rand.New(rand.NewPCG(seed, 1))
		c := random.Condition(r, things, seed%2 == 0, 1+int(seed%4))
		if seed%9 == 0 {
			c = random.Lasting(r, things)
		}
		for term := range c.Each() {
			seen[term.Ask]++
		}
		stored := c.Encode()
		back, err := logic.Decode(stored)
		if err != nil || !back.Equal(c) {
			t.Fatalf("condition %d came back from bytes as %+v: %v", seed, back, err)
		}
		text, err := json.Marshal(ids.Write(c))
		if err != nil {
			t.Fatal(err)
		}
		var form logic.ConditionForm
		d := json.NewDecoder(bytes.NewReader(text))
		d.DisallowUnknownFields()
		if err := d.Decode(&form); err != nil {
			t.Fatal(err)
		}
		if back, err := ids.Read(&form); err != nil || !back.Equal(c) || !reflect.DeepEqual(ids.Write(back), form) {
			t.Fatalf("condition %d came back from %s as %+v: %v", seed, text, back, err)
		}
		same := c.Refer(func(_ kind.Thing, id kind.ID) kind.ID { return id })
		if w := (world{seed: seed}); same.Holds(w) != c.Holds(w) {
			t.Fatalf("condition %d, referring to the same, does not hold as it did: %s", seed, text)
		}
		none := c.Refer(func(kind.Thing, kind.ID) kind.ID { return 0 })
		none.Refers(func(sort kind.Thing, id kind.ID) {
			t.Fatalf("condition %d still asks for %d of sort %d", seed, id, sort)
		})
	}
	for ask := logic.All; ask <= logic.LayerIs; ask++ {
		if seen[ask] < 50 {
			t.Errorf("of what there is to ask, number %d was drawn %d times", ask, seen[ask])
		}
	}
}

// A condition answers as a plain evaluator does, which was written apart from it and reads what files say.
func TestAnswers(t *testing.T) {
	answers := map[logic.Answer]int{}
	for seed := range uint64(30_000) {
		r := rand.New(rand.NewPCG(seed, 2))
		c := random.Condition(r, things, seed%3 == 0, 1+int(seed%4))
		if seed%9 == 0 {
			c = random.Lasting(r, things)
		}
		w := world{seed: seed}
		want := logic.Unasked
		switch plain(ids.Write(c), w) {
		case "yes":
			want = logic.Holding
		case "no":
			want = logic.Failing
		}
		got := c.Answer(w)
		if answers[got]++; got != want {
			text, _ := json.MarshalIndent(ids.Write(c), "", " ")
			t.Fatalf("in world %d this answers %d, not %d: %s", seed, got, want, text)
		}
		if c.Holds(w) != (want != logic.Failing) {
			t.Fatalf("condition %d does not hold as it answers", seed)
		}
	}
	for _, a := range []logic.Answer{logic.Unasked, logic.Holding, logic.Failing} {
		if answers[a] < 1000 {
			t.Errorf("only %d conditions answered %d", answers[a], a)
		}
	}
}

// What can't be asked is refused in words, from bytes, from files and where only what happens can ask it.
func TestBadConditions(t *testing.T) {
	deep := logic.Condition{}
	for range logic.MostDeep {
		deep = logic.Condition{Terms: []logic.Condition{deep}}
	}
	wide := logic.Condition{Terms: make([]logic.Condition, logic.MostTerms+1)}
	fact := logic.Needs(logic.FactValue, 11, logic.AtLeast, 1)
	for _, c := range []struct {
		is      logic.Condition
		happens bool
		says    string
	}{
		{fact, false, ""},
		{logic.Needs(logic.FactValue, 0, logic.AtLeast, 1), false, "no fact"},
		{logic.Needs(logic.FactValue, 11, 6, 1), false, "a comparison"},
		{logic.Needs(logic.FactValue, 11, logic.AtLeast, logic.MostValue+1), false, "a number is"},
		{logic.Needs(logic.Went, 0, logic.AtLeast, 1), false, "only what happens"},
		{logic.Needs(logic.Went, 0, logic.AtLeast, 1), true, ""},
		{logic.Condition{Ask: logic.OneIn, Number: 3}, false, "only what happens"},
		{logic.Condition{Ask: logic.OneIn}, true, "1 to 1000, not 0"},
		{logic.Condition{Ask: logic.Near, Number: 257}, true, "0 to 256, not 257"},
		{logic.Condition{Ask: logic.IsPresent, Is: 3}, false, "a presence"},
		{logic.Condition{Ask: logic.InState, Is: 9999}, false, "state of number 9999"},
		{logic.Condition{Ask: logic.IsPresent, Subject: logic.Noun{Is: logic.AllOfType, Type: 999}}, false, "type of piece of number 999"},
		{logic.Condition{Ask: logic.IsPresent, Subject: logic.Noun{Is: logic.Piece}}, false, "no piece"},
		{logic.Condition{Ask: logic.IsPresent, Subject: logic.Noun{Is: logic.Whoever}}, false, "only what happens"},
		{logic.Condition{Ask: logic.Compares, Left: logic.Value{Is: logic.PropertyOf, Property: props.Odds.Field}}, false, "no number"},
		{logic.Condition{Ask: logic.Compares, Left: logic.Value{Is: logic.PropertyOf, Property: 60_999}}, false, "property 60999"},
		{logic.Condition{Ask: logic.Lasts, Number: 9}, true, "how long that has lasted"},
		{logic.Condition{Ask: logic.Lasts, Number: 9}, false, "how long that has lasted"},
		{deep, false, "deep"},
		{wide, false, "at most 64 terms"},
	} {
		err := c.is.Check(c.happens)
		if (err == nil) != (c.says == "") || err != nil && !strings.Contains(err.Error(), c.says) {
			t.Errorf("%+v, with %q expected: %v", c.is, c.says, err)
		}
	}
	if err := logic.Needs(logic.Since, 0, logic.Under, 9).Check(false); !errors.Is(err, logic.ErrMomentary) {
		t.Errorf("what only happens: %v", err)
	}
	for text, says := range map[string]string{
		`{"asks":"dance"}`: `"dance" is not known`, `{"asks":"compares","by":"is"}`: "missing", `{"asks":"state","subject":{"is":"this"},"is":"asleep"}`: `"asleep"`,
		`{"asks":"presence","subject":{"is":"all","type":"ghost"},"is":"there"}`: `"ghost"`, `{"asks":"power","is":"on"}`: "missing",
		`{"asks":"compares","left":{"is":"property","of":{"is":"this"},"property":"mood"},"by":"is","right":{"is":"number"}}`: `"mood"`,
		`{"asks":"presence","subject":{"is":"piece","thing":"x"},"is":"there"}`:                                               "invalid syntax",
		strings.Repeat(`{"asks":"all","of":[`, 9) + strings.Repeat("]}", 9):                                                   "deep",
	} {
		var form logic.ConditionForm
		if err := json.Unmarshal([]byte(text), &form); err != nil {
			t.Fatal(err)
		}
		if _, err := ids.Read(&form); err == nil || !strings.Contains(err.Error(), says) {
			t.Errorf("%s: %v", text, err)
		}
	}
	// What nobody asks for any more holds, and so does what asks for nothing.
	for _, c := range []logic.Condition{{}, {Ask: logic.Any}, {Ask: logic.None, Terms: []logic.Condition{{Ask: logic.Any}}}, logic.Needs(logic.FactValue, 19, logic.Under, 1)} {
		if !c.Holds(world{}) || c.Answer(world{}) != logic.Unasked {
			t.Errorf("%+v does not hold", c)
		}
	}
}

// Whatever bytes are read as a condition, they are written again as such, checked, asked and said without a fault.
func FuzzCondition(f *testing.F) {
	for seed := range uint64(20) {
		f.Add(random.Condition(rand.New(rand.NewPCG(seed, 3)), things, true, 4).Encode())
	}
	f.Fuzz(func(t *testing.T, b []byte) {
		c, err := logic.Decode(b)
		if err != nil {
			return
		}
		if back, err := logic.Decode(c.Encode()); err != nil || !back.Equal(c) {
			t.Fatalf("%x came back as %+v: %v", b, back, err)
		}
		if c.Check(true) != nil {
			return
		}
		c.Holds(world{})
		form := ids.Write(c)
		if back, err := ids.Read(&form); err != nil || !back.Equal(c) {
			t.Fatalf("%x came back from a file as %+v: %v", b, back, err)
		}
		if v := c.Set(props.While); props.While.Check(v.Bytes) == nil && !bytes.Equal(props.While.Canonical(v.Bytes), v.Bytes) {
			t.Fatalf("%x is stored in two ways", b)
		}
	})
}
