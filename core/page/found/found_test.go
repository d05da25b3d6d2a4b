package found_test

import (
	"math/rand/v2"
	"strings"
	"testing"

	"azzel/core/edit"
	edits "azzel/core/edit/generate"
	"azzel/core/findings"
	"azzel/core/grid"
	"azzel/core/kind"
	"azzel/core/kinds/door"
	"azzel/core/kinds/props"
	"azzel/core/kinds/switches"
	"azzel/core/logic"
	"azzel/core/page"
	"azzel/core/page/found"
	"azzel/core/page/history"
	"azzel/core/page/holding"
	"azzel/core/page/pagetest"
	"azzel/core/page/things"
	"azzel/core/play/generate"
	"azzel/core/tiles"
	"azzel/core/world"
)

func ask(p *page.Page) found.FindingsView { return found.AskFindings{}.Answer(p).(found.FindingsView) }

// In random worlds that random edits change, each finding is said in words; what a click mends is not wrong there any more, does nothing a second time, and comes back by undo.
func TestMending(t *testing.T) {
	mended := map[string]int{}
	worlds := uint64(110)
	if testing.Short() {
		worlds = 80
	}
	for seed := range worlds {
		d, err := generate.Ruled(seed)
		if err != nil {
			t.Fatal(err)
		}
		a := edits.Author{Rand: rand.New(rand.NewPCG(seed, 5)), IDs: &world.Counter{Prefix: 70}}
		d = forgetting(t, a.Changed(d, 30))
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
				said := pagetest.Said(p)
				if f.Fault == int(findings.InWall) && strings.Contains(said, "no room for the player anywhere on its map") {
					continue // a random map can be full
				}
				t.Fatalf("seed %d: %s, %s: nothing was done: %s", seed, f.Says, f.Mend, said)
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
	for _, label := range []string{"Delete the rule", "Take it out", "Take out what is never done", "Wait 1 s after it", "Let the player move at the end", "Let it be seen again at the end", "Switch that rule on", "Let it go once a visit"} {
		if mended[label] == 0 {
			t.Errorf("nothing was mended by %q: %v", label, mended)
		}
	}
}

// forgetting is a document with a rule that goes once ever and hides a piece that begins anew, if there is one.
func forgetting(t *testing.T, d *world.Document) *world.Document {
	for _, m := range d.Maps {
		for _, piece := range m.Pieces {
			if !world.Remembers(piece.Kind()) || world.HasWhile(piece) {
				continue
			}
			next := *piece
			next.Props = next.Props.With(props.OnReturn.Is(props.BeginsAnew))
			r := &world.Rule{}
			r.Repeats = logic.OnceEver
			r.Set(logic.Part{ID: 71<<32 | 1, Begins: logic.Moment{Is: logic.PlayBegins.Number}})
			r.Set(logic.Part{ID: 71<<32 | 2, Action: logic.Action{Does: logic.SetPresence, Subject: logic.Noun{Is: logic.Piece, Thing: piece.ID}, Is: kind.Hidden}})
			res, err := edit.Apply(d, edit.Edit{Label: "forget", Parts: append(edit.Changes(world.Ref{Sort: world.SortPiece, Map: m.ID, ID: piece.ID}, piece.Values(), next.Values()),
				edit.Put{Ref: world.RuleRef(71<<32 | 3), Values: r.Values()})})
			if err != nil {
				t.Fatal(err)
			}
			return res.Document
		}
	}
	return d
}

// A start in a wall is moved to where there is room, and back by undo.
func TestMendedStart(t *testing.T) {
	p := pagetest.Open(t, 12)
	m := p.Document().Maps[0]
	walls := grid.BoxRegion(grid.Rect{X: m.Bounds.X, Y: m.Bounds.Y, W: 3, H: 3})
	s := world.NamedStart{Name: "By the palms", Map: m.ID, Cell: grid.Point{X: m.Bounds.X + 1, Y: m.Bounds.Y + 1}}
	p.Do(edit.Edit{Label: "more", Parts: []edit.Part{
		edit.Paint{Map: m.ID, Layer: m.PlayerLayer, Region: walls, Cells: grid.Runs{{N: walls.Len(), Cell: grid.Cell(tiles.Wall)}}},
		edit.Put{Ref: world.StartRef(5 << 32), Values: s.Values()}}})
	list := ask(p).List
	if len(list) != 1 || list[0].Fault != int(findings.InWall) {
		t.Fatalf("of a start in a wall is found %+v", list)
	}
	pagetest.Order(p, found.MendFinding{Fault: list[0].Fault, Thing: list[0].Thing})
	if is := p.Document().NamedStart(5 << 32); is.Cell == s.Cell || ask(p).Count != 0 {
		t.Errorf("mended it is at %v, with %d findings: %s", is.Cell, ask(p).Count, pagetest.Said(p))
	}
	pagetest.Order(p, history.Undo{})
	if p.Document().NamedStart(5<<32).Cell != s.Cell || ask(p).Count != 1 {
		t.Error("taken back, it is not as it was")
	}
}

// A door that opens only when it is worked is a finding once its wire is deleted, and opens by hand again at a click.
func TestDoorThatNothingWorks(t *testing.T) {
	p := pagetest.Open(t, 12)
	lever, way := pagetest.Place(p, switches.Kind.ID, 3, 3), pagetest.Place(p, door.Kind.ID, 6, 4)
	pagetest.Order(p, holding.Hold{Holding: "wire"})
	p.Pointer(page.Press, lever.Foot.Sub(grid.Point{Y: 4}), false, false, 0)
	p.Pointer(page.Release, way.Foot.Sub(grid.Point{Y: 4}), false, false, 0)
	pagetest.Order(p, holding.Hold{Holding: "nothing"})
	opens := func() int {
		_, is := p.Document().Piece(way.ID)
		return is.Int(props.Opens)
	}
	if len(p.Document().Wires) != 1 || opens() != props.OpensWhenWorked || ask(p).Count != 0 {
		t.Fatalf("wired it opens as %d, with findings %+v", opens(), ask(p).List)
	}
	pagetest.Order(p, things.Delete{Thing: page.Thing{Kind: "wire", ID: page.ID(p.Document().Wires[0].ID)}})
	list := ask(p).List
	if len(list) != 1 || list[0].Fault != int(findings.NeverWorked) || list[0].Thing.ID != page.ID(way.ID) {
		t.Fatalf("without its wire is found %+v", list)
	}
	pagetest.Order(p, found.MendFinding{Fault: list[0].Fault, Thing: list[0].Thing})
	if opens() != props.OpensWhenTouched || ask(p).Count != 0 {
		t.Errorf("mended it opens as %d, with %d findings", opens(), ask(p).Count)
	}
	pagetest.Order(p, history.Undo{})
	pagetest.Order(p, history.Undo{})
	if len(p.Document().Wires) != 1 || ask(p).Count != 0 {
		t.Error("undone it is not wired any more, or a finding all the same")
	}
}
