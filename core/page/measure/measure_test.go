package measure

import (
	"math/rand/v2"
	"testing"
)

// What is shown of a stored number stands for that number, however finely it is stored; and a step more is another number.
func TestShownNumbersAreStoredAgain(t *testing.T) {
	r := rand.New(rand.NewPCG(3, 9))
	for _, per := range []int{0, 1, 4, 10, 16, 33, 60, 64, 99, 100} {
		m := Measure{Per: per, Least: -50_000, Most: 50_000}
		if step := m.Range().Step; m.Stored(step) == 0 {
			t.Errorf("of %d to the unit, a step of %v is none", per, step)
		}
		for range 2000 {
			n := r.IntN(100_001) - 50_000
			if got := m.Stored(m.Shown(n)); got != n {
				t.Fatalf("of %d to the unit, %d is shown as %v, which stands for %d", per, n, m.Shown(n), got)
			}
		}
	}
	for _, far := range []float64{1e300, -1e300, 1e15} {
		if n := (Measure{Per: 10}).Stored(far); n != farthest && n != -farthest {
			t.Errorf("%v is stored as %d", far, n)
		}
	}
}

// Every measure has room, and what is usual lies in it.
func TestNamedMeasures(t *testing.T) {
	for name, m := range Named {
		r := m.Range()
		if r.Least >= r.Most || r.From < r.Least || r.To > r.Most || m.Usual != 0 && (m.Usual < r.Least || m.Usual > r.Most) {
			t.Errorf("%s: %+v, usually %v", name, r, m.Usual)
		}
	}
}
