package pace_test

import (
	"testing"

	"azzel/core/pace"
)

// count works on n cells, one after another, and says how far it came.
func count(n int, at *int, ended *bool) func(pace.Pace) {
	return func(p pace.Pace) {
		defer func() { *ended = true }()
		for range n {
			*at++
			p.Did(1)
		}
	}
}

func TestWorkGoesInSlices(t *testing.T) {
	at, ended := 0, false
	w := pace.Begin(count(1000, &at, &ended))
	if at != 0 {
		t.Fatal("work was done before the first step")
	}
	for steps := 1; ; steps++ {
		done := w.Step(100)
		if want := min(100*steps, 1000); at != want || w.Done() != want {
			t.Fatalf("after %d steps %d cells were done, told as %d, want %d", steps, at, w.Done(), want)
		}
		if done {
			// The tenth slice ends with the last cell, before the end itself.
			if steps != 11 || !ended {
				t.Fatalf("the work ended after %d steps (%v), want 11", steps, ended)
			}
			break
		}
	}
}

func TestWorkIsStopped(t *testing.T) {
	at, ended := 0, false
	w := pace.Begin(count(1000, &at, &ended))
	w.Step(250)
	w.Stop()
	if at != 250 || !ended {
		t.Fatalf("stopped work did %d cells, want 250, and left its stack: %v", at, ended)
	}
	if !w.Step(1) || at != 250 {
		t.Fatal("stopped work went on")
	}
}

func TestWorkThatFails(t *testing.T) {
	w := pace.Begin(func(p pace.Pace) { p.Did(1); panic("the lamp fell") })
	w.Step(1)
	defer func() {
		if r := recover(); r != "the lamp fell" {
			t.Errorf("a panic came out as %v", r)
		}
	}()
	w.Step(1)
}
