// Command azzel-rule-bench measures what rules cost in play, on the desk and among findings, and writes a line for each figure: what, the aim, and what was
// measured, with tabs between them. It goes natively and in WebAssembly.
package main

import (
	"fmt"
	"os"
	"slices"
	"time"

	"azzel/core/edit"
	"azzel/core/findings"
	"azzel/core/kind"
	"azzel/core/logic"
	"azzel/core/page"
	"azzel/core/page/playing"
	"azzel/core/page/rules"
	"azzel/core/play"
	"azzel/core/play/generate"
	"azzel/core/world"
)

// manyRules is a world with so many pieces that act, and with rules: some of the map, the others of the project, of which so many listen to one moment that
// comes.
func manyRules(acting, count, ofMap, listening int) (*world.Document, error) {
	d, err := generate.Crowd(acting, true, 512)
	if err != nil {
		return nil, err
	}
	draft := d.Draft()
	ids := &world.Counter{Prefix: 9}
	facts := make([]world.ID, 100)
	for i := range facts {
		facts[i] = ids.NewID()
		if err := draft.Put(world.Ref{Sort: world.SortFact, ID: facts[i]}, (&world.Fact{Name: fmt.Sprint("Lamp ", i), Counts: true}).Values()); err != nil {
			return nil, err
		}
	}
	for i := range count {
		r := &world.Rule{}
		if i < ofMap {
			r.HomeSort, r.Home = kind.Map, d.Maps[0].ID
		}
		fact := facts[1+i%99]
		switch {
		case i < listening:
			r.Set(logic.Part{ID: ids.NewID(), Begins: logic.Moment{Is: logic.PlayBegins.Number}})
		case i%10 == 0:
			r.Begins, r.If = logic.While, logic.Needs(logic.FactValue, fact, logic.AtLeast, 5)
		default:
			r.Set(logic.Part{ID: ids.NewID(), Begins: logic.Moment{Is: logic.FactChanged.Number, Thing: fact}})
		}
		r.Set(logic.Part{ID: ids.NewID(), Order: 1, Action: logic.Action{Does: logic.SetFact, Thing: facts[0], How: logic.GoesUp, Value: logic.Value{Number: 1}}})
		for n := range 3 {
			r.Set(logic.Part{ID: ids.NewID(), Order: 2 + n, Action: logic.Action{Does: logic.Wait, Number: 30 + i%40}})
		}
		if err := draft.Put(world.RuleRef(ids.NewID()), r.Values()); err != nil {
			return nil, err
		}
	}
	return draft.Done()
}

func main() {
	if err := measure(); err != nil {
		fmt.Fprintln(os.Stderr, "azzel-rule-bench:", err)
		os.Exit(1)
	}
}

// add writes a figure.
func add(what, aim, format string, values ...any) {
	fmt.Printf("%s\t%s\t%s\n", what, aim, fmt.Sprintf(format, values...))
}

func measure() error {
	const ticks, times = 1200, 7
	mean := func(d *world.Document) (float64, error) {
		took := make([]float64, times)
		for i := range took {
			g, err := play.New(d, play.Start{Map: d.Maps[0].ID})
			if err != nil {
				return 0, err
			}
			g.Tick(0)
			in := generate.Inputs(3, ticks)
			before := time.Now()
			for _, is := range in {
				g.Tick(is)
			}
			took[i] = float64(time.Since(before).Microseconds()) / 1000 / ticks
		}
		slices.Sort(took)
		return took[0], nil
	}
	plain, err := generate.Crowd(200, true, 512)
	if err != nil {
		return err
	}
	without, err := mean(plain)
	if err != nil {
		return err
	}
	d, err := manyRules(200, 10_000, 500, 0)
	if err != nil {
		return err
	}
	with, err := mean(d)
	if err != nil {
		return err
	}
	add("a tick with 200 pieces that act and 10,000 rules in the project, 500 of the map, above one without rules (best of 7)", "0.2 ms", "%.3f ms (%.3f and %.3f)", with-without, with, without)

	heard, err := manyRules(200, 2000, 500, 1000)
	if err != nil {
		return err
	}
	took := make([]float64, 5*times)
	for i := range took {
		g, err := play.New(heard, play.Start{Map: heard.Maps[0].ID})
		if err != nil {
			return err
		}
		before := time.Now()
		g.Tick(0)
		took[i] = float64(time.Since(before).Microseconds()) / 1000
	}
	slices.Sort(took)
	add("a tick in which 1,000 rules begin by one moment, best / median / worst of 35", "8 ms", "%.2f / %.2f / %.2f ms", took[0], took[len(took)/2], took[len(took)-1])

	p, err := page.Open(edit.Opening{Prefix: 12, Document: d}.Encode(), nil)
	if err != nil {
		return err
	}
	worst := 0.0
	for round := range 6 {
		for _, typed := range []string{"", "lamp 7 up", "every beet", "nothing that there is"} {
			before := time.Now()
			rules.AskOffers{Rule: page.ID(d.Rules[0].ID), Takes: "actions", Typed: typed}.Answer(p)
			// Of a page that has just begun the first take longer.
			if ms := float64(time.Since(before).Microseconds()) / 1000; round > 2 {
				worst = max(worst, ms)
			}
		}
	}
	add("what is offered after a keystroke in a sentence, in a project with 10,000 rules, worst of 12", "16 ms", "%.2f ms", worst)
	if err := why(p, d); err != nil {
		return err
	}
	return found(d)
}

// why measures how long it takes to say why a rule went, and to play ten minutes again.
func why(p *page.Page, d *world.Document) error {
	g, err := play.New(d, play.Start{Map: d.Maps[0].ID})
	if err != nil {
		return err
	}
	playing.Record(p, g)
	for _, in := range generate.Inputs(3, 900) {
		playing.Tick(p, in)
	}
	worst := 0.0
	for round := range 8 {
		if err := p.Played.Go(900 - 61*round); err != nil {
			return err
		}
		before := time.Now()
		rules.AskWhy{Rule: page.ID(d.Rules[round].ID)}.Answer(p)
		if ms := float64(time.Since(before).Microseconds()) / 1000; round > 2 {
			worst = max(worst, ms)
		}
	}
	add("why a rule went or did not in 5 s of play with 10,000 rules and 200 pieces that act, worst of 5", "100 ms", "%.1f ms", worst)
	for _, acting := range []int{20, 200} {
		small, err := manyRules(acting, 200, 100, 0)
		if err != nil {
			return err
		}
		g, err = play.New(small, play.Start{Map: small.Maps[0].ID})
		if err != nil {
			return err
		}
		inputs := generate.Inputs(3, play.RecordedTicks)
		before := time.Now()
		for _, in := range inputs {
			g.Tick(in)
		}
		add(fmt.Sprintf("ten minutes with 200 rules and %d pieces that act played again: times real time", acting), "500 times, natively", "%.0f", 600/time.Since(before).Seconds())
	}
	return nil
}

// found measures how long it takes to find what is wrong, from scratch and after an edit of one rule.
func found(d *world.Document) error {
	var f findings.Finder
	before := time.Now()
	list := f.Find(d)
	first := float64(time.Since(before).Microseconds()) / 1000
	const times = 20
	took := make([]float64, times)
	for i := range took {
		r := d.Rules[i*97%len(d.Rules)]
		res, err := edit.Apply(d, edit.Edit{Label: "a step", Parts: []edit.Part{edit.PartChange(r.ID, logic.Part{ID: world.ID(i) + 1, Action: logic.Action{Does: logic.Stop}})}})
		if err != nil {
			return err
		}
		d = res.Document
		before := time.Now()
		f.Find(d)
		took[i] = float64(time.Since(before).Microseconds()) / 1000
	}
	slices.Sort(took)
	add(fmt.Sprintf("findings in a project with %d rules (%d of them), from scratch / after an edit of one rule, median / worst of %d", len(d.Rules), len(list), times), "50 ms after an edit", "%.1f / %.1f / %.1f ms", first, took[times/2], took[times-1])
	return nil
}
