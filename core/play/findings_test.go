package play_test

import (
	"math/rand/v2"
	"slices"
	"testing"

	"azzel/core/edit"
	"azzel/core/findings"
	"azzel/core/grid"
	"azzel/core/logic"
	"azzel/core/play"
	"azzel/core/play/generate"
	"azzel/core/world"
)

// Of more than 10,000 random rules that are played, none that goes is said not to, and nothing that is done is said not to be done.
func TestNoFalseFindings(t *testing.T) {
	worlds, rules := uint64(1150), 0
	if testing.Short() {
		worlds = 30
	}
	went, said := map[world.ID]bool{}, 0
	for seed := range worlds {
		d, err := generate.Ruled(seed)
		if err != nil {
			t.Fatal(err)
		}
		type of struct{ rule, part world.ID }
		done := map[of]bool{}
		g, err := play.New(d, play.Start{Chance: seed})
		if err != nil {
			t.Fatal(err)
		}
		play.Told(g, func(rule, part world.ID) { done[of{rule, part}] = true })
		for _, in := range generate.Inputs(seed, 150) {
			g.Tick(in)
		}
		for _, f := range findings.Find(d) {
			r := d.Rule(f.Of.ID)
			if f.Of.Sort != world.SortRule || !done[of{r.ID, 0}] {
				continue
			}
			wrong := false
			switch f.Fault {
			case findings.Homeless, findings.NeverBegins:
				wrong = true
			case findings.NeverHolds:
				if wrong = f.Part == 0 && r.Begins == logic.When; f.Part != 0 {
					for _, p := range r.Kids(f.Part, logic.Then) {
						wrong = wrong || done[of{r.ID, p.ID}]
					}
				}
			case findings.Stray, findings.NeverDone:
				wrong = done[of{r.ID, f.Part}]
			case findings.NeverComes:
				if p := r.Part(f.Part); p.Does == logic.Until {
					after := false
					for _, next := range r.Kids(p.In, p.Branch) {
						// What is done together does not wait for what stands before it.
						in := r.Part(p.In)
						wrong = wrong || after && done[of{r.ID, next.ID}] && (in == nil || in.Does != logic.Together)
						after = after || next == p
					}
					break
				}
				// If it begins by nothing else, and no rule asks for it.
				wrong = true
				for _, m := range r.Moments() {
					wrong = wrong && (m.Off || m.ID == f.Part)
				}
				for _, other := range d.Rules {
					for _, p := range other.Parts {
						wrong = wrong && !(p.Does == logic.AskFor && p.Thing == r.ID)
					}
				}
			default:
				continue
			}
			if said++; wrong {
				t.Errorf("world %d: %+v, which is %s, is said of what goes", seed, f, findings.Words[f.Fault])
			}
		}
		rules += len(d.Rules)
		for k := range done {
			went[k.rule] = true
		}
	}
	if !testing.Short() && (rules < 10_000 || said == 0) {
		t.Errorf("%d rules were there, of those that went %d findings could have been wrong", rules, said)
	}
}

// A start of which it is said that there is no room for the player begins elsewhere.
func TestStartsInWalls(t *testing.T) {
	walled, free := 0, 0
	for seed := range uint64(60) {
		d, err := generate.World(seed)
		if err != nil {
			t.Fatal(err)
		}
		r := rand.New(rand.NewPCG(seed, 83))
		for range 10 {
			m := d.Maps[r.IntN(len(d.Maps))]
			cell := grid.Point{X: m.Bounds.X + r.IntN(m.Bounds.W), Y: m.Bounds.Y + r.IntN(m.Bounds.H)}
			s := world.NamedStart{Name: "Dew", Map: m.ID, Cell: cell}
			planted := apply(t, d, edit.Put{Ref: world.StartRef(9 << 32), Values: s.Values()})
			said := slices.ContainsFunc(findings.Find(planted), func(f findings.Finding) bool { return f.Fault == findings.InWall })
			g, err := play.New(planted, play.Start{As: 9 << 32})
			if err != nil {
				continue // there is no room anywhere
			}
			at := g.Status()
			begins := at.Map == m.ID && at.Place.Cell(d.Project.Lattice()) == cell
			switch {
			case said && begins:
				t.Fatalf("world %d: of cell %v of %s, where play begins, it is said that there is no room", seed, cell, m.Name)
			case said:
				walled++
			case begins:
				free++
			}
		}
	}
	if walled < 30 || free < 30 {
		t.Errorf("of starts in walls there were %d, of others %d", walled, free)
	}
}
