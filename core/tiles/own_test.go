package tiles

import (
	"math/rand/v2"
	"testing"
)

// A tile's own values behave as a map from properties to values, and what they
// came from never changes.
func TestOwnAgainstMap(t *testing.T) {
	r := rand.New(rand.NewPCG(91, 1))
	var own *Own
	model := map[uint64]string{}
	for step := range 500 {
		before, id, value := own, uint64(1+r.IntN(9)), []string{"", "yes", "2.5", "moss"}[r.IntN(4)]
		was := before.Of(id)
		own = own.With(id, value)
		if before.Of(id) != was {
			t.Fatalf("step %d changed what it began with", step)
		}
		model[id] = value
		count := 0
		for id, want := range model {
			if own.Of(id) != want {
				t.Fatalf("step %d: property %d is %q, want %q", step, id, own.Of(id), want)
			}
			if want != "" {
				count++
			}
		}
		if (own == nil) != (count == 0) || own != nil && len(own.Values) != count {
			t.Fatalf("step %d: %d values are kept, want %d", step, len(own.Values), count)
		}
	}
}

func TestValueTypes(t *testing.T) {
	for _, c := range []struct {
		of       ValueType
		in, want string
		bad      bool
	}{
		{YesNo, " Yes ", "yes", false}, {YesNo, "no", "", false}, {YesNo, "", "", false}, {YesNo, "perhaps", "", true},
		{Number, "2.50", "2.5", false}, {Number, "-7", "-7", false}, {Number, "1e3", "1000", false}, {Number, "", "", false},
		{Number, "much", "", true}, {Number, "NaN", "", true}, {Number, "Inf", "", true}, {Number, "1e999", "", true},
		{Text, " a fern ", "a fern", false}, {Text, "two\nlines", "", true},
	} {
		got, err := c.of.Parse(c.in)
		if got != c.want || (err != nil) != c.bad {
			t.Errorf("%d: %q becomes %q (%v), want %q", c.of, c.in, got, err, c.want)
		}
	}
}
