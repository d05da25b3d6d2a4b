package holding_test

import (
	"fmt"
	"regexp"
	"strings"
	"testing"

	"azzel/core/edit"
	"azzel/core/grid"
	"azzel/core/hand"
	"azzel/core/kind"
	"azzel/core/kinds/door"
	"azzel/core/kinds/props"
	"azzel/core/kinds/switches"
	"azzel/core/logic"
	"azzel/core/page"
	"azzel/core/page/holding"
	"azzel/core/page/pagetest"
	"azzel/core/play/generate"
	"azzel/core/world"
)

// linked is a random world with rules of pieces, in which a switch is wired to a door that asks for it, and both have a rule.
func linked(t *testing.T, seed uint64) *world.Document {
	d, err := generate.Ruled(seed)
	if err != nil {
		t.Fatal(err)
	}
	m := d.Maps[0]
	var parts []edit.Part
	for i, id := range []world.ID{90<<32 | 1, 90<<32 | 2} {
		p := world.Piece{Type: []world.ID{switches.Kind.ID, door.Kind.ID}[i], Layer: m.PlayerLayer, Foot: d.Project.Lattice().Foot(grid.Point{X: m.Bounds.X + i, Y: m.Bounds.Y})}
		if i == 1 {
			asks := logic.Condition{Ask: logic.InState, Subject: logic.Noun{Is: logic.Piece, Thing: 90<<32 | 1}, Is: switches.Kind.States[1].Number}
			p.Props = kind.Set(asks.Set(props.Needs))
		}
		parts = append(parts, edit.Put{Ref: world.Ref{Sort: world.SortPiece, Map: m.ID, ID: id}, Values: p.Values()})
	}
	r := world.Rule{Name: "Feed"}
	r.HomeSort, r.Home = kind.Piece, 90<<32|1
	r.Set(logic.Part{ID: 91<<32 | 1, Begins: logic.Moment{Is: props.Pressed.Number, Of: logic.Noun{Is: logic.This}}})
	r.Set(logic.Part{ID: 91<<32 | 2, Action: logic.Action{Does: logic.SetPower, Subject: logic.Noun{Is: logic.Piece, Thing: 90<<32 | 2}, Is: kind.Off}})
	res, err := edit.Apply(d, edit.Edit{Label: "link", Parts: append(parts, edit.Put{Ref: edit.WireRef(92 << 32), Values: (&world.Wire{From: 90<<32 | 1, To: 90<<32 | 2, After: 30}).Values()},
		edit.Put{Ref: world.RuleRef(93 << 32), Values: r.Values()})})
	if err != nil {
		t.Fatal(err)
	}
	return res.Document
}

// keeping is a page on a document, stored and read again, in which all of its first map was kept as a patch.
func keeping(t *testing.T, d *world.Document) *page.Page {
	p := openOn(t, d)
	pagetest.Order(p, holding.ReachThrough{On: true})
	pagetest.Order(p, holding.SelectAllCells{Map: page.ID(d.Maps[0].ID)})
	pagetest.Order(p, holding.KeepPatch{Name: "Fern bench"})
	again, err := world.Decode(p.Document().Encode())
	if err != nil || len(again.Patches) != len(d.Patches)+1 {
		t.Fatal(err, pagetest.Said(p))
	}
	return openOn(t, again)
}

// What is copied with its wires, rules and conditions and pasted, where it is from and into another project, or kept as a patch and laid, names itself: every wire joins
// copies, every rule belongs to one, and nothing of them names what stands for a copy. In another project, and of a patch, they name no other piece.
func TestCopiedWithItsLogic(t *testing.T) {
	wires, rules, refers, outside := 0, 0, 0, 0
	for seed := range uint64(40) {
		d := linked(t, seed)
		text := copiedFrom(t, d, uint64(len(d.Maps)))
		for i, p := range []*page.Page{openOn(t, d), pagetest.Open(t, 9), keeping(t, d)} {
			before := p.Document()
			if i == 2 {
				patch := before.Patches[len(before.Patches)-1]
				pagetest.Order(p, holding.Hold{Holding: "patch", ID: page.ID(patch.ID)})
			} else {
				pagetest.Order(p, holding.Paste{Text: text})
				_, names, said := strings.Cut(pagetest.Said(p), "is to be chosen anew: ")
				if first, _, _ := strings.Cut(strings.TrimSuffix(names, "."), ", "); said && (i == 0 || !strings.Contains(text, first)) {
					t.Fatalf("seed %d, project %d: %q", seed, i+1, pagetest.Said(p))
				}
				if said {
					more := 0
					if _, rest, cut := strings.Cut(names, " and "); cut {
						fmt.Sscan(rest, &more)
					}
					outside += 1 + strings.Count(names, ", ") + more
				}
			}
			on := before.Maps[0]
			at := before.Project.Lattice().Foot(on.Origin.Add(grid.Point{X: on.Bounds.X + (on.Bounds.W-1)/2, Y: on.Bounds.Y + (on.Bounds.H-1)/2}))
			p.Pointer(page.Press, at, false, false, 0)
			p.Pointer(page.Release, at, false, false, 0)
			now := p.Document()
			fresh, old := map[world.ID]bool{}, map[world.ID]bool{}
			for _, m := range now.Maps {
				for _, piece := range m.Pieces {
					if _, was := before.Piece(piece.ID); was == nil {
						fresh[piece.ID] = true
					}
				}
			}
			for _, piece := range d.Maps[0].Pieces {
				old[piece.ID] = !piece.Kind().Single && len(fresh) >= len(d.Maps[0].Pieces)-2
			}
			named := func(sort kind.Thing, id world.ID) {
				switch {
				case sort != kind.Piece || id == 0:
				case fresh[id]:
					refers++
				case i == 1 || old[id] || i == 2 && d.Maps[0].Piece(id) == nil:
					t.Fatalf("seed %d, project %d: a copy names %d, which is none", seed, i+1, id)
				}
			}
			for _, w := range now.Wires[len(before.Wires):] {
				if wires++; !fresh[w.From] || !fresh[w.To] {
					t.Fatalf("seed %d: a wire from %d to %d joins no copies", seed, w.From, w.To)
				}
			}
			for _, r := range now.Rules[len(before.Rules):] {
				if rules++; !fresh[r.Home] {
					t.Fatalf("seed %d: a rule belongs to %d, which is no copy", seed, r.Home)
				}
				r.Refer(func(sort kind.Thing, id world.ID) world.ID { named(sort, id); return id })
			}
			for id := range fresh {
				_, piece := now.Piece(id)
				piece.Props.Refer(func(_ *kind.Prop, sort kind.Thing, id world.ID) world.ID { named(sort, id); return id })
			}
			if taken := pagetest.Said(p); strings.Contains(taken, "can’t") || len(fresh) == 0 {
				t.Fatalf("seed %d: %d pieces, %s", seed, len(fresh), taken)
			}
		}
		p := openOn(t, d)
		pagetest.Order(p, holding.Select{Thing: pagetest.Thing("piece", d.Maps[0].ID, 90<<32|1)})
		out := d.WiresOf(90<<32 | 1)[0]
		if pagetest.Order(p, holding.Duplicate{}); !strings.Contains(pagetest.Said(p), "A wire leads out of it, and stays behind: "+hand.WireName(d, out)+".") {
			t.Fatalf("seed %d: of the wire that leads out of a switch it is said %q", seed, pagetest.Said(p))
		}
		for _, damaged := range []string{strings.Replace(text, `"after": 30`, `"after": -30`, 1), strings.Replace(text, `"after": 30`, `"after": 30, "does": "moss"`, 1), strings.Replace(text, `"does": "set-power"`, `"does": "dream"`, 1), regexp.MustCompile(`"version": [45]`).ReplaceAllString(text, `"version": 6`)} {
			p := openOn(t, d)
			if pagetest.Order(p, holding.Paste{Text: damaged}); damaged != text && pagetest.Said(p) == "" {
				t.Fatalf("seed %d: what can't be was pasted without a word", seed)
			}
		}
	}
	if wires < 40 || rules < 60 || refers < 100 || outside < 200 {
		t.Errorf("only %d wires, %d rules and %d names were copied, and %d names of what is outside were told", wires, rules, refers, outside)
	}
}
