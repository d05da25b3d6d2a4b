package view_test

import (
	"encoding/json"
	"math/rand/v2"
	"reflect"
	"testing"

	"azzel/core/edit/generate"
	"azzel/core/page/pagetest"
	"azzel/core/page/view"
	"azzel/core/world"
)

// Whatever is done, the first scene with all changes that were sent laid over it is the scene as it is; what did not change is
// not sent, the vocabulary never.
func TestSentScenes(t *testing.T) {
	p := pagetest.Open(t, 3)
	read := func(q view.AskScene) map[string]any {
		t.Helper()
		var m map[string]any
		if err := json.Unmarshal(q.Answer(p).(json.RawMessage), &m); err != nil {
			t.Fatal(err)
		}
		return m
	}
	shown := read(view.AskScene{})
	a := generate.Author{Rand: rand.New(rand.NewPCG(5, 6)), IDs: &world.Counter{Prefix: 77}}
	for i := range 120 {
		if again := read(view.AskScene{Changes: true}); len(again) != 0 {
			t.Fatalf("step %d: sent again: %v", i, again)
		}
		p.Do(a.Edit(p.Doc()))
		changes := read(view.AskScene{Changes: true})
		for name, value := range changes {
			if reflect.DeepEqual(shown[name], value) || name == "types" || name == "edges" {
				t.Fatalf("step %d: %s is sent and did not change", i, name)
			}
			shown[name] = value
		}
		text, err := json.Marshal(view.SceneOf(p))
		if err != nil {
			t.Fatal(err)
		}
		var now map[string]any
		if err := json.Unmarshal(text, &now); err != nil {
			t.Fatal(err)
		}
		if !reflect.DeepEqual(shown, now) {
			t.Fatalf("step %d: what was sent is not what there is", i)
		}
	}
}
