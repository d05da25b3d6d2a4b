package wording

import (
	"math/rand/v2"
	"testing"

	saying "azzel/core/words"
	"azzel/core/world"
)

// Whatever is stored comes back from what is typed for it, whatever things are called, and what is gone stays.
func TestSpellingComesBack(t *testing.T) {
	names := []string{"Lamps", "Lamps", "Lamps #2", "{", "}", "a}b", "{x}", "two } #1", "Ферн", "ends {", "x", ""}
	pieces := []string{"{", "}", "{{", "}}", "x", "Lamps", " #2", "{x}", "{Lamps}", " ", "\n", "word"}
	for seed := range uint64(2000) {
		r := rand.New(rand.NewPCG(seed, 3))
		d := &world.Document{}
		for i := range r.IntN(6) {
			name := names[r.IntN(len(names))]
			if i%2 == 0 {
				d.Facts = append(d.Facts, &world.Fact{ID: world.ID(10 + i), Number: 1 + i, Name: name})
			} else {
				d.Items = append(d.Items, &world.Item{ID: world.ID(10 + i), Number: 1 + i, Name: name})
			}
		}
		var is saying.Text
		lost := false
		for range r.IntN(9) {
			switch n := r.IntN(3); {
			case n == 0 && len(d.Facts) > 0:
				is = append(is, saying.Part{Fact: d.Facts[r.IntN(len(d.Facts))].ID})
			case n == 1 && len(d.Items) > 0:
				is = append(is, saying.Part{Item: d.Items[r.IntN(len(d.Items))].ID})
			case n == 0 && !lost:
				// What is gone comes back as long as one such thing is named.
				is, lost = append(is, saying.Part{Fact: 99}), true
			default:
				is = append(is, saying.Part{Letters: pieces[r.IntN(len(pieces))]})
			}
		}
		is = is.Clean()
		typed := Spell(d, is)
		back, _, err := ReadWords(d, typed, is)
		if err != nil || string(back.Encode()) != string(is.Encode()) {
			t.Fatalf("seed %d: %+v is typed %q and read as %+v, %v", seed, is, typed, back, err)
		}
	}
}

// What is typed wrong is letters, and said to be wrong.
func TestTypedWrong(t *testing.T) {
	d := &world.Document{Facts: []*world.Fact{{ID: 4, Number: 1, Name: "Lamps lit"}}}
	for _, c := range []struct {
		typed, spelled string
		wrong          int
	}{
		{"{Lamps lit} of 3", "{Lamps lit} of 3", 0}, {"{Lamps}", "{Lamps}", 1}, {"a { b", "a { b", 1}, {"{{Lamps lit}", "{{Lamps lit}", 0}, {"{{", "{", 0}, {"a\r\nb\tc", "a\nb c", 0},
	} {
		is, wrong, err := ReadWords(d, c.typed, nil)
		if got := Spell(d, is); err != nil || len(wrong) != c.wrong || got != c.spelled {
			t.Errorf("%q: %q, %q, %v", c.typed, got, wrong, err)
		}
	}
	if _, _, err := ReadWords(d, "\x07", nil); err == nil {
		t.Error("a sign that no letter is passes")
	}
}
