package memory_test

import (
	"fmt"
	"strings"
	"testing"

	"azzel/core/edit"
	"azzel/core/grid"
	"azzel/core/kind"
	"azzel/core/kinds/props"
	"azzel/core/page"
	"azzel/core/page/history"
	"azzel/core/page/holding"
	"azzel/core/page/memory"
	"azzel/core/page/pagetest"
	"azzel/core/page/pieces"
	"azzel/core/page/playing"
	"azzel/core/page/replays"
	"azzel/core/page/things"
	"azzel/core/page/view"
	"azzel/core/play"
	"azzel/core/world"
)

// Items are made by name or at the piece that gives them, listed with all that names them, had by who
// begins with them, and gone from all of them by one step that can be taken back. What can't be set is
// refused in words.
func TestItemsOfAPage(t *testing.T) {
	p := pagetest.FromTheSide(t)
	m := p.Document().Maps[0]
	act := func(piece *world.Piece, name string, n int) { pagetest.Set(p, piece, name, n) }
	pagetest.Order(p, memory.MakeItem{Name: " Lamp oil "})
	pagetest.Order(p, memory.MakeItem{Name: "Lamp oil"})
	if items := view.SceneOf(p).Items; len(items) != 2 || items[0].Name != "Lamp oil" || items[1].Name != "Lamp oil 2" || items[0].Most != world.UsualMost {
		t.Fatalf("made: %+v", items)
	}
	label, gate := pagetest.Place(p, world.Collectible, 7, 9), pagetest.Place(p, world.Exit, 12, 9)
	// The last choice of a piece makes an item called as the piece is.
	pagetest.Order(p, things.Rename{Thing: pagetest.Thing("piece", m.ID, label.ID), Name: "Brass label"})
	act(label, "item", 3)
	if d := p.Document(); len(d.Items) != 3 || d.Items[2].Name != "Brass label" || d.Maps[0].Piece(label.ID).Refers(props.Item) != d.Items[2].ID {
		t.Fatalf("at a piece an item was made: %+v", d.Items)
	}
	act(label, "amount", 2)
	pagetest.Order(p, pieces.SetCondition{Map: page.ID(m.ID), Piece: page.ID(gate.ID), Property: "needs", Condition: pagetest.Asks("item", page.FormatID(p.Document().Items[2].ID), "at-least", 3)})
	pagetest.Order(p, playing.SetMovement{Term: "speed", Value: 6})
	d := p.Document()
	who, brass := page.ID(d.Characters[0].ID), page.ID(d.Items[2].ID)
	pagetest.Order(p, memory.SetBegins{Character: who, Item: brass, Count: 1})
	var named []string
	for _, n := range view.SceneOf(p).Items[2].Named {
		named = append(named, n.Name+" "+n.Does)
	}
	if got := strings.Join(named, ", "); got != "Brass label gives 2, Exit at 12, 9 needs at least 3, Player begins with 1" {
		t.Errorf("the item is named by %s", got)
	}
	if begins := view.SceneOf(p).Characters[0].Begins; len(begins) != 1 || begins[0].Count != 1 || begins[0].Name != "Brass label" {
		t.Errorf("begins with %+v", begins)
	}
	view.StateOf(p)
	for _, bad := range []page.Order{
		memory.SetItemMost{Item: brass, Most: 5000}, memory.SetItemMost{Item: 99, Most: 5},
		memory.SetBegins{Character: who, Item: brass, Count: -1}, memory.SetBegins{Character: who, Item: 77, Count: 1},
		things.Rename{Thing: pagetest.Thing("item", 0, world.ID(brass)), Name: " "}, things.Delete{Thing: pagetest.Thing("item", 0, 99)},
	} {
		before := p.Document()
		if pagetest.Order(p, bad); p.Document() != before || pagetest.Said(p) == "" {
			t.Errorf("%+v was done, or not done without a word", bad)
		}
	}
	// Played, they are had, and remembered; the exit lets out who has enough.
	pagetest.Order(p, playing.StartPlayAt{Piece: page.ID(m.Pieces[0].ID)})
	if had := playing.PlayView(p).Has; had != "Brass label" {
		t.Errorf("play begins with %q", had)
	}
	for range 300 {
		playing.Tick(p, play.Right)
	}
	if v := playing.PlayView(p); !v.Finished || v.Has != "3 × Brass label" || v.Taken != 1 {
		t.Errorf("in play: finished %t with %q", v.Finished, v.Has)
	}
	pagetest.Order(p, playing.StopPlay{})
	view.StateOf(p)
	pagetest.Order(p, things.Delete{Thing: page.Thing{Kind: "item", ID: brass}})
	if says := pagetest.Said(p); len(p.Document().Items) != 2 || !strings.Contains(says, "Brass label is gone from Brass label, Exit at 12, 9, Player") {
		t.Errorf("deleted, it is said %q", says)
	}
	pagetest.Order(p, playing.StartPlay{})
	if had := playing.PlayView(p).Has; had != "" {
		t.Errorf("what is gone is had: %q", had)
	}
	pagetest.Order(p, history.Undo{})
	if items := view.SceneOf(p).Items; len(items) != 3 || len(items[2].Named) != 3 {
		t.Errorf("taken back: %+v", items)
	}
}

// Play begins at a mark, and who tests is brought to one; what the game remembers is told.
func TestMarksOfAPage(t *testing.T) {
	p := pagetest.FromTheSide(t)
	mark := pagetest.Place(p, world.Mark, 20, 9)
	pagetest.Place(p, world.Checkpoint, 26, 9)
	pagetest.Place(p, world.Collectible, 22, 9)
	m := p.Document().Maps[0]
	id := func(piece *world.Piece) string { return page.FormatID(piece.ID) }
	pagetest.Order(p, holding.Select{Thing: page.Thing{Kind: "piece", Map: page.ID(m.ID), ID: page.ID(page.ParseID(id(mark)))}})
	if slip := view.StateOf(p).Slip; slip == nil || !slip.Starts || slip.Acting != nil {
		t.Errorf("the slip of a mark is %+v", slip)
	}
	pagetest.Order(p, playing.BringPlayer{Mark: page.ID(page.ParseID(id(mark)))})
	if pagetest.Said(p) == "" {
		t.Error("somebody was brought somewhere who does not play")
	}
	pagetest.Order(p, playing.StartPlayAt{Piece: page.ID(page.ParseID(id(mark)))})
	if x := playing.PlayView(p).X; int(x)/16 != 20 {
		t.Errorf("play begins at %.1f", x)
	}
	for range 140 {
		playing.Tick(p, play.Right)
	}
	if lines := playing.Memory(p); len(lines) != 2 || lines[0] != (page.SlipLine{Label: "Comes back to", Value: "Checkpoint at 26, 9"}) || lines[1].Label != "Taken here" || lines[1].Value != "Collectible at 22, 9" {
		t.Errorf("the game remembers %+v", lines)
	}
	from := playing.PlayView(p).Ticks
	pagetest.Order(p, playing.BringPlayer{Mark: page.ID(page.ParseID(id(mark)))})
	if v := playing.PlayView(p); int(v.X)/16 != 20 || v.Ticks != from {
		t.Errorf("brought to %.1f at tick %d, and it was %d", v.X, v.Ticks, from)
	}
	for range 30 {
		playing.Tick(p, play.Left)
	}
	pagetest.Order(p, replays.KeepReplay{Name: "From the mark"})
	if r := p.Document().Replays; len(r) != 1 || r[0].From != mark.ID || r[0].Ticks() != 30 || r[0].Began != from {
		t.Fatalf("kept: %+v %q", r, pagetest.Said(p))
	}
	e := pagetest.NewElsewhere(t, p)
	if v := e.Rerun(); v.Came != "same" || v.From != "Mark at 20, 9" {
		t.Errorf("played again elsewhere: %+v", v)
	}
	// Deleted, it can't be gone to, and the replay has lost its start.
	pagetest.Order(p, holding.Select{Thing: page.Thing{Kind: "piece", Map: page.ID(m.ID), ID: page.ID(page.ParseID(id(mark)))}})
	pagetest.Order(p, holding.DeleteSelected{})
	view.StateOf(p)
	if pagetest.Order(p, playing.BringPlayer{Mark: page.ID(page.ParseID(id(mark)))}); pagetest.Said(p) == "" {
		t.Error("somebody was brought to a mark that is gone")
	}
	if v := e.Rerun(); v.Came != "fails" {
		t.Errorf("without its start: %+v", v)
	}
}

// Of very many pieces that name an item the first are listed, and the others counted; a piece of a type that
// does nothing with items is not among them. What the player has is told in one line of bounded length.
func TestManyNameAnItem(t *testing.T) {
	d := pagetest.Open(t, 5).Document().Draft()
	m := d.Document().Maps[0]
	put := func(k world.Sort, on, id world.ID, values []world.Value) {
		t.Helper()
		if err := d.Put(world.Ref{Sort: k, Map: on, ID: id}, values); err != nil {
			t.Fatal(err)
		}
	}
	var all []world.Stock
	for i := range 20 {
		id := world.ID(9<<32 | 1000 + i)
		put(world.SortItem, 0, id, (&world.Item{Name: fmt.Sprintf("Seed %d", i), Most: 5}).Values())
		all = append(all, world.Stock{Item: id, Count: 1 + i%2})
	}
	for i := range 500 {
		of := world.Collectible
		if i%5 == 0 {
			of = world.Foe
		}
		foot := d.Document().Project.Lattice().Foot(grid.Point{X: m.Bounds.X + i%m.Bounds.W, Y: m.Bounds.Y})
		put(world.SortPiece, m.ID, world.ID(9<<32|5000+i), (&world.Piece{Type: of, Layer: m.PlayerLayer, Foot: foot, Props: kind.Set(props.Item.Refer(all[0].Item))}).Values())
	}
	put(world.SortCharacter, 0, 9<<32|1, (&world.Character{Name: "Night porter", Begins: all}).Values())
	if err := d.Change(world.Ref{Sort: world.SortProject}, world.IDValue(world.FieldPlayer, 9<<32|1)); err != nil {
		t.Fatal(err)
	}
	doc, err := d.Done()
	if err != nil {
		t.Fatal(err)
	}
	p, err := page.Open(edit.Opening{Prefix: 7, Document: doc}.Encode(), nil)
	if err != nil {
		t.Fatal(err)
	}
	items := view.SceneOf(p).Items
	if v := items[0]; len(v.Named) != 200 || v.More != 201 {
		t.Errorf("%d are listed and %d more counted of 400 pieces and a character", len(v.Named), v.More)
	}
	if v := items[1]; len(v.Named) != 1 || v.Named[0].Does != "begins with 2" || v.More != 0 {
		t.Errorf("an item that one begins with is named by %+v", v)
	}
	pagetest.Order(p, playing.StartPlay{})
	if has := playing.PlayView(p).Has; !strings.HasPrefix(has, "Seed 0, 2 × Seed 1, Seed 2, ") || !strings.HasSuffix(has, ", 2 × Seed 11, 8 more") {
		t.Errorf("with 20 items it is said %q", has)
	}
	// With the help one has all there is of each.
	pagetest.Order(p, playing.SetTestAid{Aid: playing.PlayView(p).Helps[3], On: true})
	if playing.Tick(p, 0); !strings.HasPrefix(playing.PlayView(p).Has, "5 × Seed 0, ") || !playing.PlayView(p).HelpsOn[3] {
		t.Errorf("laden, it is said %q", playing.PlayView(p).Has)
	}
}

// A patch and the clipboard keep the item of a piece; in a project that lacks it, or calls something else
// so, it is left out.
func TestItemsGoWithPieces(t *testing.T) {
	p := pagetest.FromTheSide(t)
	label := pagetest.Place(p, world.Collectible, 7, 9)
	pagetest.Set(p, label, "item", 1)
	pagetest.Set(p, label, "amount", 4)
	item := p.Document().Items[0].ID
	choose := func() {
		pagetest.Order(p, holding.Hold{Holding: "choose"})
		p.Pointer(page.Press, grid.Point{X: 6 * 16, Y: 8 * 16}, false, false, 0)
		p.Pointer(page.Drag, grid.Point{X: 9*16 + 8, Y: 10*16 + 8}, false, false, 0)
		p.Pointer(page.Release, grid.Point{X: 9*16 + 8, Y: 10*16 + 8}, false, false, 0)
	}
	choose()
	pagetest.Order(p, holding.KeepPatch{})
	if kept := p.Document().Patches; len(kept) != 1 || len(kept[0].Pieces) != 1 || kept[0].Pieces[0].Props != kind.Set(props.Item.Refer(item), props.Amount.Is(4)) {
		t.Fatalf("the patch that was kept is %+v %q", kept, pagetest.Said(p))
	}
	back, err := world.Decode(p.Document().Encode())
	if err != nil || back.Patches[0].Pieces[0].Props != p.Document().Patches[0].Pieces[0].Props {
		t.Errorf("stored, the patch is another one: %v", err)
	}
	choose()
	text := pagetest.Copied(p)
	for _, c := range []struct {
		change func(*page.Page)
		want   world.ID
	}{
		{func(*page.Page) {}, item},
		{func(p *page.Page) {
			pagetest.Order(p, things.Rename{Thing: page.Thing{Kind: "item", ID: page.ID(item)}, Name: "Something else"})
		}, 0},
		{func(p *page.Page) {
			pagetest.Order(p, things.Delete{Thing: page.Thing{Kind: "item", ID: page.ID(item)}})
		}, 0},
	} {
		o, err := page.Open(edit.Opening{Prefix: 8, Document: p.Document()}.Encode(), nil)
		if err != nil {
			t.Fatal(err)
		}
		c.change(o)
		pagetest.Order(o, holding.Paste{Text: text})
		at := grid.Point{X: 30 * 16, Y: 5 * 16}
		o.Pointer(page.Press, at, false, false, 0)
		o.Pointer(page.Release, at, false, false, 0)
		pieces := o.Document().Maps[0].Pieces
		if last := pieces[len(pieces)-1]; last.ID == label.ID || last.Refers(props.Item) != c.want || last.Wanted() != 4 {
			t.Errorf("pasted, the piece is %+v, want item %d", last, c.want)
		}
	}
}

// A platform of an even width covers whole cells: when it becomes wider, and when it is moved; one that
// was put elsewhere by hand stays where it is.
func TestEvenPlatforms(t *testing.T) {
	p := pagetest.FromTheSide(t)
	lift := pagetest.Place(p, world.MovingPlatform, 9, 5)
	m := p.Document().Maps[0]
	wide := func(n int) *world.Piece {
		pagetest.Order(p, pieces.SetPieceField{Map: page.ID(m.ID), Piece: page.ID(lift.ID), Field: "width", Number: float64(n)})
		return p.Document().Maps[0].Piece(lift.ID)
	}
	for _, c := range []struct{ width, foot int }{{2, 9 * 16}, {4, 9 * 16}, {3, 9*16 + 8}, {2, 9 * 16}} {
		if is := wide(c.width); is.Foot.X != c.foot || is.Width() != c.width {
			t.Errorf("%d cells wide its foot is at %d, want %d", is.Width(), is.Foot.X, c.foot)
		}
	}
	from, to := grid.Point{X: 9*16 + 4, Y: 5*16 + 4}, grid.Point{X: 14*16 + 4, Y: 7*16 + 4}
	p.Pointer(page.Press, from, false, false, 0)
	p.Pointer(page.Drag, to, false, false, 0)
	p.Pointer(page.Release, to, false, false, 0)
	if is := p.Document().Maps[0].Piece(lift.ID); is.Foot.X != 14*16 {
		t.Errorf("moved to column 14 its foot is at %d", is.Foot.X)
	}
}
