package found_test

import (
	"math/rand/v2"
	"strings"
	"testing"

	"azzel/core/edit"
	edits "azzel/core/edit/generate"
	"azzel/core/findings"
	"azzel/core/page"
	"azzel/core/page/found"
	"azzel/core/page/history"
	"azzel/core/page/pagetest"
	"azzel/core/play/generate"
	"azzel/core/world"
)

func ask(p *page.Page) found.FindingsView { return found.AskFindings{}.Answer(p).(found.FindingsView) }

// In random worlds that random edits change, each finding is said in words; what a click mends is not wrong there any more, does nothing a second time, and comes back by undo.
func TestMending(t *testing.T) {
	mended := map[string]int{}
	worlds := uint64(60)
	if testing.Short() {
		worlds = 25
	}
	for seed := range worlds {
		d, err := generate.Ruled(seed)
		if err != nil {
			t.Fatal(err)
		}
		a := edits.Author{Rand: rand.New(rand.NewPCG(seed, 5)), IDs: &world.Counter{Prefix: 70}}
		d = a.Changed(d, 30)
		p, err := page.Open(edit.Opening{Prefix: 12, Document: d}.Encode(), nil)
		if err != nil {
			t.Fatal(err)
		}
		all := ask(p)
		for _, f := range all.List {
			if f.Says == "" || f.Here == "" || f.Where == "" || strings.Contains(f.Says+f.Here, "%") || strings.Contains(f.Says, "“”") || !strings.HasSuffix(f.Says, ".") || !strings.HasSuffix(f.Here, ".") {
				t.Fatalf("seed %d: a finding is said as %q, beside its line as %q, of %q", seed, f.Says, f.Here, f.Where)
			}
			if f.Mend == "" {
				continue
			}
			part := world.ID(page.ParseID(f.Part))
			order := found.MendFinding{Fault: f.Fault, Thing: f.Thing, Part: page.ID(part)}
			before := p.Document()
			pagetest.Order(p, order)
			if p.Document() == before {
				t.Fatalf("seed %d: %s, %s: nothing was done: %s", seed, f.Says, f.Mend, pagetest.Said(p))
			}
			for _, left := range findings.Find(p.Document()) {
				if int(left.Fault) == f.Fault && left.Of == f.Thing.Ref() && left.Part == part && f.Fault != int(findings.Gone) {
					t.Fatalf("seed %d: %s, %s: it is so still", seed, f.Says, f.Mend)
				}
			}
			mended[f.Mend]++
			pagetest.Order(p, history.Undo{})
			if now := ask(p); now.Count != all.Count {
				t.Fatalf("seed %d: mended and taken back there are %d findings, not %d", seed, now.Count, all.Count)
			}
		}
		pagetest.Order(p, found.MendFinding{Fault: int(findings.Stray), Thing: pagetest.Thing("rule", 0, 1), Part: 2})
		if pagetest.Said(p) == "" {
			t.Error("what is not wrong was mended without a word")
		}
	}
	for _, label := range []string{"Delete the rule", "Take it out", "Take out what is never done", "Wait 1 s after it", "Let the player move at the end", "Switch that rule on"} {
		if mended[label] == 0 {
			t.Errorf("nothing was mended by %q: %v", label, mended)
		}
	}
}
