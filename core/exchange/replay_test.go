package exchange_test

import (
	"reflect"
	"strings"
	"testing"

	"azzel/core/exchange"
	"azzel/core/world"
)

func someReplay() *world.Replay {
	r := &world.Replay{ID: 7<<32 | 12, Name: "Up the pipes", From: 7<<32 | 40, State: []byte("as it stood"), Began: 52, Rules: 3, Chance: 0x9000000000000007, End: 0x00ab54a98ceb1f0a,
		Held: []world.Held{{Ticks: 20, Input: 2}, {Ticks: 5}, {Ticks: 7, Input: 34}, {Ticks: 4, Input: 2 | 1<<9 | 1<<10}}}
	for i := range r.Ticks() {
		r.Trace = append(r.Trace, byte(i*37))
	}
	for i := range r.Samplings() + 1 {
		r.Samples = append(r.Samples, world.Sample{Map: 7<<32 | 3, X: 4096 * i, Y: -i, Health: 3, Taken: i, Finished: i == 2, Moving: uint32(i * 77777)})
	}
	return r
}

// A replay goes out and comes in as it was; what was cut short, altered or is something else
// is refused in words.
func TestReplayFile(t *testing.T) {
	r := someReplay()
	text, err := exchange.WriteReplay(r)
	if err != nil {
		t.Fatal(err)
	}
	if got, err := exchange.ReadReplay(text); err != nil || !reflect.DeepEqual(got, r) {
		t.Fatalf("came back as %+v, %v", got, err)
	}
	if !strings.Contains(string(text), `"held": "20 right, 5 nothing, 7 right+jump, 4 right+strike+shoot"`) {
		t.Errorf("what was held down can't be read:\n%s", text)
	}
	for _, c := range []struct{ from, to, says string }{
		{string(text), "", "cut short"},
		{string(text), string(text[:len(text)/2]), "cut short"},
		{`"azzel replay"`, `"azzel bundle"`, "does not say that it is a replay"},
		{`"version": 2`, `"version": 3`, "newer"},
		{`"version": 2`, `"version": 1`, "0: it was cut short"},
		{`"version": 2`, `"version": "one"`, "version"},
		{`"began": 52`, `"began": 59`, "cut short or altered"},
		{`"began": 52`, `"began": -1`, "can't begin at tick -1"},
		{`"state": "`, `"state": "?`, "base64"},
		{`"rules": 3`, `"rules": "three"`, "rules"},
		{`"id": "7.12"`, `"id": "twelve"`, "id"},
		{`"from": "7.40"`, `"from": "-1.2"`, "from"},
		{`"chance": "9`, `"chance": "luck`, "chance"},
		{`20 right`, `20 sideways`, "sideways"},
		{`20 right`, `right`, "number of ticks"},
		{`20 right`, `0 right`, "holds something down"},
		{`20 right`, `21 right`, "cut short or altered"},
		{`20 right`, `40000 right`, "holds something down"},
		{`20 right`, strings.Repeat("30000 right, ", 2) + `1 right`, "10 minutes"},
		{`"end": "00ab54a98ceb1f0a"`, `"end": "soon"`, "end"},
		{`"trace": "00`, `"trace": "zz`, "trace"},
		{`"trace": "00`, `"trace": "`, "cut short or altered"},
		{`"name"`, `"charm"`, "charm"},
		{`"Up the pipes"`, `""`, "name"},
		{`"moving": "00000000"`, `"moving": "123456789"`, "sample 1"},
	} {
		if _, err := exchange.ReadReplay([]byte(strings.Replace(string(text), c.from, c.to, 1))); err == nil || !strings.Contains(err.Error(), c.says) {
			t.Errorf("%.30q in the place of %.30q: %v, want %q", c.to, c.from, err, c.says)
		}
	}
}

// Whatever a file holds: it is refused, or what it gives is within the limits and comes back
// as it is.
func FuzzReplay(f *testing.F) {
	text, err := exchange.WriteReplay(someReplay())
	if err != nil {
		f.Fatal(err)
	}
	f.Add(text)
	f.Add([]byte(`{"format":"azzel replay","version":2,"id":"1.1","name":"a","rules":1,"state":"eQ==","began":14,"held":"1 up","trace":"00","samples":[{"map":"1.2","x":0,"y":0,"health":0,"taken":0,"moving":"0"},{"map":"1.2","x":0,"y":0,"health":0,"taken":0,"moving":"0"}],"end":"0"}`))
	f.Add([]byte(`{"format":"azzel replay","version":1,"id":"1.1","name":"a","rules":1,"held":"1 up","trace":"00","marks":[{"map":"1.2","x":0,"y":0,"health":0,"taken":0,"moving":"0"}],"end":"0"}`))
	f.Fuzz(func(t *testing.T, body []byte) {
		r, err := exchange.ReadReplay(body)
		if err != nil {
			return
		}
		if err := r.Check(); err != nil {
			t.Fatalf("what was read is not within the limits: %v", err)
		}
		text, err := exchange.WriteReplay(r)
		if err != nil {
			t.Fatal(err)
		}
		if again, err := exchange.ReadReplay(text); err != nil || !reflect.DeepEqual(again, r) {
			t.Fatalf("came back as %+v, %v", again, err)
		}
	})
}

// A replay of version 1 is read, whose samples were called marks.
func TestOlderReplayFile(t *testing.T) {
	r, err := exchange.ReadReplay([]byte(`{"format":"azzel replay","version":1,"id":"1.1","name":"a","rules":1,"held":"1 up","trace":"00","marks":[{"map":"1.2","x":7,"y":0,"health":0,"taken":0,"moving":"0"}],"end":"0"}`))
	if err != nil || len(r.Samples) != 1 || r.Samples[0].X != 7 {
		t.Errorf("read as %+v, %v", r, err)
	}
}
