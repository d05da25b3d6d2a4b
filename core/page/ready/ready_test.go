package ready_test

import (
	"fmt"
	"slices"
	"strings"
	"testing"

	"azzel/core/edit"
	"azzel/core/grid"
	"azzel/core/kind"
	"azzel/core/kinds/corridor"
	"azzel/core/kinds/door"
	"azzel/core/kinds/person"
	"azzel/core/kinds/props"
	"azzel/core/kinds/switches"
	"azzel/core/page"
	"azzel/core/page/history"
	"azzel/core/page/pagetest"
	"azzel/core/page/ready"
	"azzel/core/play"
	"azzel/core/world"
)

// The things of the corridor.
const (
	plate  = world.ID(700)
	second = world.ID(701)
	sluice = world.ID(702)
	label  = world.ID(703)
	tag    = world.ID(704)
	keeper = world.ID(705)
	lit    = world.ID(801)
	fuse   = world.ID(802)
	bed    = world.ID(803)
)

func furnished(t *testing.T, view world.View) *page.Page {
	t.Helper()
	holds := kind.Set(switches.Then.Is(1))
	d := corridor.New(t, view, []corridor.Piece{
		{ID: plate, Column: 5, Type: switches.Kind.ID}, {ID: second, Column: 7, Type: switches.Kind.ID, Set: holds}, {ID: sluice, Column: 14, Type: door.Kind.ID},
		{ID: label, Column: 8, Type: world.Collectible}, {ID: tag, Column: 10, Type: world.Collectible}, {ID: keeper, Column: 4, Type: person.Kind.ID},
	}, edit.Put{Ref: world.Ref{Sort: world.SortFact, ID: lit}, Values: (&world.Fact{Name: "Lamps lit"}).Values()},
		edit.Put{Ref: world.Ref{Sort: world.SortItem, ID: fuse}, Values: (&world.Item{Name: "Fuse", Most: 3}).Values()})
	m := d.Maps[0]
	area := &world.Area{Name: "Bed", Map: m.ID, Cells: grid.BoxRegion(grid.Rect{X: 11, Y: corridor.Row, W: 2, H: 1})}
	tagged := m.Piece(tag)
	next := *tagged
	next.Props = next.Props.With(props.Item.Refer(fuse))
	parts := []edit.Part{edit.Put{Ref: world.Ref{Sort: world.SortArea, ID: bed}, Values: area.Values()}}
	parts = append(parts, edit.Changes(page.PieceRef(page.ID(m.ID), page.ID(tag)), tagged.Values(), next.Values())...)
	res, err := edit.Apply(d, edit.Edit{Label: "furnish", Parts: parts})
	if err != nil {
		t.Fatal(err)
	}
	p, err := page.Open(edit.Opening{Prefix: 12, Document: res.Document}.Encode(), nil)
	if err != nil {
		t.Fatal(err)
	}
	return p
}

func of(slot string, ids ...world.ID) ready.Chosen {
	c := ready.Chosen{Slot: slot}
	for _, id := range ids {
		c.Things = append(c.Things, page.ID(id))
	}
	return c
}

// told is all that can be made: rules, wires, and what is set of pieces.
func told(d *world.Document) string {
	s := fmt.Sprint(len(d.Rules), len(d.Wires))
	for _, p := range d.Maps[0].Pieces {
		s += fmt.Sprint(p.Values())
	}
	return s
}

// Each that is ready-made is made of what is chosen, in one step that undo takes back, and does in play what it says.
func TestReadyMade(t *testing.T) {
	for word, c := range map[string]struct {
		chosen []ready.Chosen
		play   func(t *testing.T, d *world.Document) string
		want   string
	}{
		"locked-way": {[]ready.Chosen{of("way", sluice), of("item", fuse)}, func(t *testing.T, d *world.Document) string {
			without := corridor.Begin(t, d, 12, sluice)
			without.Hold(play.Right, 60, nil)
			with := corridor.Begin(t, d, 9, sluice)
			with.To(t, 11)
			with.Hold(play.Right, 120, nil)
			return without.State() + " " + with.State()
		}, "locked open"},
		"lever-and-sluice": {[]ready.Chosen{of("lever", second), of("sluice", sluice)}, func(t *testing.T, d *world.Document) string {
			w := corridor.Begin(t, d, 6, sluice)
			before := w.State()
			w.To(t, 8)
			w.Wait(3)
			return before + " " + w.State()
		}, "closed open"},
		"plates-at-once": {[]ready.Chosen{of("plates", plate, second), of("sluice", sluice)}, func(t *testing.T, d *world.Document) string {
			w := corridor.Begin(t, d, 6, sluice)
			w.To(t, 7)
			w.Wait(3)
			one := w.State()
			w.To(t, 5)
			w.Wait(3)
			return one + " " + w.State()
		}, "closed open"},
		"all-collected": {[]ready.Chosen{of("things", label, tag), of("comes", sluice)}, func(t *testing.T, d *world.Document) string {
			w := corridor.Begin(t, d, 7, sluice)
			there := func() string {
				if slices.Contains(w.Absent(), sluice) {
					return "absent"
				}
				return "there"
			}
			w.To(t, 9)
			one := there()
			w.To(t, 11)
			w.Wait(3)
			return one + " " + there()
		}, "absent there"},
		"talk-changes": {[]ready.Chosen{of("who", keeper), of("fact", lit), {Slot: "before", Text: "Not yet."}, {Slot: "after", Text: "At last."}}, func(t *testing.T, d *world.Document) string {
			said := func(w corridor.Walk) string {
				w.Hold(play.Right, 6, nil)
				w.Hold(play.Use, 1, nil)
				w.Wait(2)
				p, _, _ := w.Page()
				return strings.Join(p.Lines, " ")
			}
			before := said(corridor.Begin(t, d, 3, keeper))
			draft := d.Draft()
			if err := draft.Change(world.Ref{Sort: world.SortFact, ID: lit}, (&world.Fact{Name: "Lamps lit", Start: 1}).Values()[3]); err != nil {
				t.Fatal(err)
			}
			return before + " " + said(corridor.Begin(t, draft.Document(), 3, keeper))
		}, "Not yet. At last."},
		"timed-gate": {[]ready.Chosen{of("switch", plate), of("gate", sluice), {Slot: "seconds", Number: 2}}, func(t *testing.T, d *world.Document) string {
			w := corridor.Begin(t, d, 6, sluice)
			w.To(t, 5)
			w.Wait(3)
			open := w.State()
			w.To(t, 6)
			w.Wait(130)
			return open + " " + w.State()
		}, "open closed"},
		"first-entering": {[]ready.Chosen{of("area", bed), {Slot: "text", Text: "It is warm in here."}}, func(t *testing.T, d *world.Document) string {
			w := corridor.Begin(t, d, 9, sluice)
			read := func() string {
				for n := 0; n < 90 && !w.Reads(); n++ {
					w.Tick(play.Right)
				}
				p, _, _ := w.Page()
				return strings.Join(p.Lines, " ")
			}
			first := read()
			w.Wait(2)
			w.Hold(play.Use, 1, nil)
			w.To(t, 9)
			return first + " " + read()
		}, "It is warm in here. "},
		"ending-by-found": {[]ready.Chosen{of("area", bed), of("item", fuse), {Slot: "count", Number: 1}, {Slot: "good", Text: "All found"}, {Slot: "else", Text: "Something missing"}}, func(t *testing.T, d *world.Document) string {
			ending := func(column int) string {
				w := corridor.Begin(t, d, column, sluice)
				for n := 0; n < 200 && !w.Status().Finished; n++ {
					w.Tick(play.Right)
				}
				name, _ := w.Ending()
				return name
			}
			return ending(9) + ", " + ending(11)
		}, "All found, Something missing"},
	} {
		corridor.EitherWay(t, func(t *testing.T, view world.View) {
			p := furnished(t, view)
			before := p.Document()
			pagetest.Order(p, ready.MakeReady{Ready: word, Chosen: c.chosen})
			if p.Document() == before {
				t.Fatalf("%s was not made: %s", word, pagetest.Said(p))
			}
			if got := c.play(t, p.Document()); got != c.want {
				t.Errorf("%s: in play %q, want %q", word, got, c.want)
			}
			pagetest.Order(p, history.Undo{})
			if told(p.Document()) != told(before) {
				t.Errorf("%s is not taken back by one step", word)
			}
			// Without one of what it asks for, or with what does not fit, nothing is made, and that is said.
			for i := range c.chosen {
				bad := append([]ready.Chosen(nil), c.chosen...)
				bad[i] = ready.Chosen{Slot: bad[i].Slot, Things: []page.ID{page.ID(before.Maps[0].ID)}, Number: -1}
				now := p.Document()
				pagetest.Order(p, ready.MakeReady{Ready: word, Chosen: bad})
				if p.Document() != now || pagetest.Said(p) == "" {
					t.Errorf("%s was made of %+v, or refused without a word", word, bad[i])
				}
			}
		})
	}
	if list := (ready.AskReady{}).Answer(furnished(t, world.SideView)).([]ready.ReadyView); len(list) != 8 {
		t.Errorf("%d are ready-made", len(list))
	}
}
