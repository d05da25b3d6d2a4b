package kit_test

import (
	"strings"
	"testing"

	"azzel/core/grid"
	"azzel/core/kind"
	"azzel/core/kinds/props"
	"azzel/core/logic"
	"azzel/core/page"
	"azzel/core/page/history"
	"azzel/core/page/holding"
	"azzel/core/page/kit"
	"azzel/core/page/memory"
	"azzel/core/page/pagetest"
	"azzel/core/page/pieces"
	"azzel/core/page/rules"
	"azzel/core/page/things"
	"azzel/core/world"
)

// A piece of a type that is copied into another project brings the type along, with its properties and rules, once; what those name that is not there is said, and
// chosen anew. One step, taken back whole.
func TestTypesBetweenProjects(t *testing.T) {
	from := pagetest.Open(t, 5)
	m := from.Document().Maps[0]
	moth := pagetest.Place(from, world.Foe, 3, 3)
	pagetest.Order(from, pieces.SetPieceField{Map: page.ID(m.ID), Piece: page.ID(moth.ID), Field: "speed", Number: 4})
	pagetest.Order(from, kit.MakeType{Map: page.ID(m.ID), Piece: page.ID(moth.ID)})
	own := page.ID(from.Document().Types[0].ID)
	pagetest.Order(from, things.Rename{Thing: page.Thing{Kind: "type", ID: own}, Name: "Night moth"})
	pagetest.Order(from, kit.AddTypeProperty{Type: own, Name: "Dew"})
	dew := from.Document().Types[0].Further[0].ID
	pagetest.Order(from, pieces.SetPieceField{Map: page.ID(m.ID), Piece: page.ID(moth.ID), Field: page.FormatID(dew), Number: 7})
	pagetest.Order(from, memory.MakeFact{Name: "Moths seen", Sort: world.ANumber})
	seen := from.Document().Facts[0].ID
	pagetest.Order(from, rules.AddRule{Home: page.Thing{Kind: "type", ID: own}})
	rule := page.ID(from.Document().Rules[0].ID)
	pagetest.Order(from, rules.AddRulePart{Rule: rule, Part: logic.RulePartForm{ID: "1", Does: "set-fact", Thing: page.FormatID(seen), How: "up", Value: &logic.ValueForm{Is: "number", Number: 1}}})
	pagetest.Order(from, rules.AddRulePart{Rule: rule, Part: logic.RulePartForm{ID: "1", Does: "set-property", Subject: &logic.NounForm{Is: "all", Type: page.FormatID(world.ID(own))}, Property: page.FormatID(dew), How: "up", Value: &logic.ValueForm{Is: "number", Number: 1}}})
	if len(from.Document().Rules[0].Parts) != 3 {
		t.Fatalf("the rule has %d parts: %s", len(from.Document().Rules[0].Parts), pagetest.Said(from))
	}
	pagetest.Order(from, holding.Select{Thing: pagetest.Thing("piece", m.ID, moth.ID)})
	text := pagetest.Copied(from)

	to := pagetest.Open(t, 6)
	paste := func(x int) string {
		on := to.Document().Maps[0]
		pagetest.Order(to, holding.Paste{Text: text})
		said := pagetest.Said(to)
		at := to.Document().Project.Lattice().Foot(on.Origin.Add(grid.Point{X: on.Bounds.X + x, Y: on.Bounds.Y + 4}))
		to.Pointer(page.Press, at, false, false, 0)
		to.Pointer(page.Release, at, false, false, 0)
		return said
	}
	said := paste(4)
	d := to.Document()
	if len(d.Types) != 1 || len(d.Rules) != 1 || d.Types[0].Name != "Night moth" || len(d.Types[0].Further) != 1 {
		t.Fatalf("there are %d types and %d rules: %q, %s", len(d.Types), len(d.Rules), said, pagetest.Said(to))
	}
	last := d.Maps[0].Pieces[len(d.Maps[0].Pieces)-1]
	if last.Own() != d.Types[0] || last.Int(props.Speed) != 40 || last.Int(last.Kind().PropOf(kind.Field(dew))) != 7 {
		t.Errorf("pasted, it is %+v", last)
	}
	if parts := d.Rules[0].Parts; d.Rules[0].Home != d.Types[0].ID || parts[1].Thing != 0 || parts[2].Subject.Type != d.Types[0].ID {
		t.Errorf("its rule is %+v", d.Rules[0].Rule)
	}
	if !strings.Contains(said, "the type Night moth") || !strings.Contains(said, "Moths seen") {
		t.Errorf("it is said: %q", said)
	}
	if said := paste(7); len(to.Document().Types) != 1 || len(to.Document().Rules) != 1 || strings.Contains(said, "comes") {
		t.Errorf("pasted again, there are %d types: %q", len(to.Document().Types), said)
	}
	for range 2 {
		pagetest.Order(to, history.Undo{})
	}
	if d := to.Document(); len(d.Types)+len(d.Rules) != 0 {
		t.Errorf("taken back, there are %d types and %d rules", len(d.Types), len(d.Rules))
	}
	for _, damage := range [][2]string{{`"base": "foe"`, `"base": "moss"`}, {`"base": "foe"`, `"base": "spawn"`}, {`"most": 100`, `"most": -5`}, {`"usual": {`, `"usual": {"speed": {"is": [-4]}, `}, {`"name": "Night moth"`, `"name": ""`}} {
		bad := strings.Replace(text, damage[0], damage[1], 1)
		if bad == text {
			t.Fatalf("%q is not in the clipboard:\n%s", damage[0], text)
		}
		before := to.Document()
		if pagetest.Order(to, holding.Paste{Text: bad}); pagetest.Said(to) == "" && damage[1] != `"base": "moss"` || to.Document() != before {
			t.Errorf("with %s it was pasted without a word", damage[1])
		}
	}
}
