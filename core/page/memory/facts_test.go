package memory_test

import (
	"slices"
	"strings"
	"testing"

	"azzel/core/edit"
	"azzel/core/grid"
	"azzel/core/kinds/door"
	"azzel/core/kinds/switches"
	"azzel/core/logic"
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
	"azzel/core/page/wires"
	"azzel/core/play"
	"azzel/core/world"
)

// Facts are made by name or at the piece that sets or asks for them, listed with what names them, and
// gone from all of it by one step. In play it is told what each is and since when, and of each piece of
// the map why it is there, has set something, lets one out, or not; who tests sets them by hand.
func TestFactsOfAPage(t *testing.T) {
	p := pagetest.FromTheSide(t)
	m := p.Document().Maps[0]
	act := func(piece *world.Piece, name string, n int) {
		t.Helper()
		pagetest.Set(p, piece, name, n)
		if says := pagetest.Said(p); says != "" {
			t.Errorf("%s %d: %s", name, n, says)
		}
	}
	offers := func(piece *world.Piece, name string) []string {
		pagetest.Order(p, holding.Select{Thing: pagetest.Thing("piece", m.ID, piece.ID)})
		acts := view.StateOf(p).Slip.Asking
		if acts == nil {
			return nil
		}
		for _, c := range acts.Fields {
			if c.Name == name {
				var labels []string
				for _, o := range c.Options {
					labels = append(labels, o.Label)
				}
				return append(labels, c.Options[slices.IndexFunc(c.Options, func(o pieces.OptionView) bool { return o.ID == c.Chosen })].Label)
			}
		}
		return nil
	}
	ask := func(piece *world.Piece, word string, c *logic.ConditionForm) {
		t.Helper()
		pagetest.Order(p, pieces.SetCondition{Map: page.ID(m.ID), Piece: page.ID(piece.ID), Property: word, Condition: c})
		if says := pagetest.Said(p); says != "" {
			t.Errorf("%s: %s", word, says)
		}
	}
	pagetest.Order(p, memory.MakeFact{Name: " Moths seen ", Sort: world.ANumber})
	fuse, pane, gate := pagetest.Place(p, world.Collectible, 7, 9), pagetest.Place(p, world.Breakable, 9, 9), pagetest.Place(p, world.Exit, 12, 9)
	pagetest.Order(p, things.Rename{Thing: pagetest.Thing("piece", m.ID, fuse.ID), Name: "Fuse"})
	// The last choice makes a fact, called as what happens to the piece.
	act(fuse, "sets", 2)
	ask(pane, "while", pagetest.Asks("fact", page.FormatID(p.Document().Facts[1].ID), "under", 1))
	// What is asked for can be made by asking for it.
	ask(gate, "while", pagetest.Asks("fact", "a new fact", "at-least", 1))
	ask(gate, "needs", pagetest.Asks("item", "a new item", "at-least", 1))
	item := page.FormatID(p.Document().Items[0].ID)
	ask(gate, "while", pagetest.Asks("item", item, "at-least", 2))
	d := p.Document()
	seen, taken := d.Facts[0], d.Facts[1]
	if len(d.Facts) != 3 || seen.Name != "Moths seen" || !seen.Counts || taken.Name != "Fuse taken" || taken.Counts || d.Facts[2].Name != "Fact 1" {
		t.Fatalf("made: %+v %+v", seen, taken)
	}
	if is := d.Maps[0].Piece(gate.ID).While(); !is.Equal(logic.Needs(logic.ItemCount, d.Items[0].ID, logic.AtLeast, 2)) {
		t.Errorf("the gate is there while %+v", is)
	}
	if offers(pane, "sets") == nil || offers(gate, "sets") != nil || says(p, pane) != "There only while: Fuse taken is no" ||
		says(p, gate) != "Needs: the number of Item 1 is at least 1, There only while: the number of Item 1 is at least 2" || says(p, m.Pieces[0]) != "" {
		t.Errorf("the slips say %q, %q, %q", says(p, pane), says(p, gate), says(p, m.Pieces[0]))
	}
	// Of a fact that is yes or no there is one way to say each, however it was asked; what is asked for first is there.
	for by, want := range map[string]string{"over": "at-least", "is-not": "at-least", "is": "under", "at-most": "under"} {
		ask(pane, "while", pagetest.Asks("fact", page.FormatID(taken.ID), by, 0))
		pagetest.Order(p, holding.Select{Thing: pagetest.Thing("piece", m.ID, pane.ID)})
		if is := view.StateOf(p).Slip.Asking.Conditions[0].Is; is.By != want || is.Right.Number != 1 {
			t.Errorf("%s 0 is said as %s %d", by, is.By, is.Right.Number)
		}
	}
	ask(pane, "while", pagetest.Asks("fact", page.FormatID(taken.ID), "under", 1))
	if v := pieces.Askable(p); v.First.Left.Thing != page.FormatID(seen.ID) || v.FirstPiece.Subject.Thing != page.FormatID(fuse.ID) || v.FirstPiece.Is != "taken" || len(v.Comparisons) != 6 || v.Comparisons[4].Name != "exactly" {
		t.Errorf("asked for first are %+v and %+v", v.First.Left, v.FirstPiece)
	}
	pagetest.Order(p, holding.Unselect{})
	var named []string
	for _, f := range view.SceneOf(p).Facts {
		for _, n := range f.Named {
			named = append(named, n.Name+" "+n.Does)
		}
	}
	if got := strings.Join(named, ", "); got != "Fuse sets it to yes, Breakable at 9, 9 there while no" || view.SceneOf(p).Facts[1].Sets != 1 || view.SceneOf(p).Facts[1].Asks != 1 {
		t.Errorf("facts are named by %s", got)
	}
	id := page.FormatID(taken.ID)
	for _, bad := range []page.Order{
		memory.SetFact{Fact: page.ID(taken.ID), Start: 2}, memory.SetFact{Fact: 99, Start: 1}, memory.SetFactInPlay{Fact: page.ID(taken.ID), Value: 1},
		memory.SetFact{Fact: page.ID(seen.ID), Start: 1_000_000}, things.Rename{Thing: pagetest.Thing("fact", 0, taken.ID), Name: " "}, things.Delete{Thing: pagetest.Thing("fact", 0, 99)},
	} {
		before := p.Document()
		if pagetest.Order(p, bad); p.Document() != before || pagetest.Said(p) == "" {
			t.Errorf("%+v was done, or not done without a word", bad)
		}
	}

	// Played.
	reasons := func() string {
		var list []string
		for _, r := range memory.Known(p).Reasons {
			list = append(list, r.Name+": "+r.Says)
		}
		return strings.Join(list, " ")
	}
	pagetest.Order(p, playing.StartPlayAt{Piece: page.ID(m.Pieces[0].ID)})
	if got := reasons(); got != "Fuse: Not taken yet; then it sets Fuse taken to yes. Breakable at 9, 9: There: Fuse taken is no. "+
		"Exit at 12, 9: Not there: you have 0 × Item 1, not at least 2. Exit at 12, 9: Lets nobody out: you have 0 × Item 1, not at least 1." {
		t.Errorf("at first: %s", got)
	}
	if v := playing.PlayView(p); !slices.Equal(v.GoneIDs, []string{page.FormatID(gate.ID)}) || memory.Known(p).Facts[1].Since != "as play began" {
		t.Errorf("absent are %v", v.GoneIDs)
	}
	for range 100 {
		playing.Tick(p, play.Right)
	}
	if got := reasons(); !strings.HasPrefix(got, "Fuse: Has set Fuse taken to yes, at 0:0") || !strings.Contains(got, "Breakable at 9, 9: Not there: Fuse taken is yes, not no.") {
		t.Errorf("with the fuse: %s", got)
	}
	if f := memory.Known(p).Facts[1]; f.Value != 1 || !strings.HasPrefix(f.Since, "since 0:0") || !strings.HasSuffix(f.Since, ", by Fuse") {
		t.Errorf("the game knows %+v", f)
	}
	pagetest.Order(p, memory.SetFactInPlay{Fact: page.ID(page.ParseID(id)), Value: 0})
	if got := reasons(); !strings.HasPrefix(got, "Fuse: Has set Fuse taken to yes, or was gone otherwise; last set by hand, at") || len(playing.PlayView(p).GoneIDs) != 2 {
		t.Errorf("set by hand: %s", got)
	}
	for range 20 {
		playing.Tick(p, play.Left)
	}
	pagetest.Order(p, replays.KeepReplay{Name: "Helped"})
	if says := pagetest.Said(p); len(p.Document().Replays) != 0 || !strings.Contains(says, "test aid") {
		t.Errorf("kept, and said %q", says)
	}
	// What is given for it in the list changes while it plays.
	ask(gate, "while", nil)
	if v := playing.PlayView(p); len(v.GoneIDs) != 1 {
		t.Errorf("no longer asking, gone are %v", v.GoneIDs)
	}
	pagetest.Order(p, playing.StopPlay{})
	pagetest.Order(p, things.Delete{Thing: page.Thing{Kind: "fact", ID: page.ID(page.ParseID(id))}})
	if says := pagetest.Said(p); len(p.Document().Facts) != 2 || !strings.Contains(says, "Fuse taken is gone from Fuse, Breakable at 9, 9") {
		t.Errorf("deleted, it is said %q", says)
	}
	pagetest.Order(p, playing.StartPlay{})
	if v := playing.PlayView(p); len(v.GoneIDs) != 0 || len(memory.Known(p).Facts) != 2 {
		t.Errorf("without the fact, gone are %v", v.GoneIDs)
	}
	pagetest.Order(p, history.Undo{})
	if f := view.SceneOf(p).Facts; len(f) != 3 || len(f[1].Named) != 2 {
		t.Errorf("taken back: %+v", f)
	}
}

// says is what the slip of a piece says that must hold for it.
func says(p *page.Page, piece *world.Piece) string {
	pagetest.Order(p, holding.Select{Thing: pagetest.Thing("piece", p.Document().Maps[0].ID, piece.ID)})
	acts := view.StateOf(p).Slip.Asking
	if acts == nil {
		return ""
	}
	var list []string
	for _, c := range acts.Conditions {
		if c.Is != nil {
			list = append(list, c.Label+": "+c.Says)
		}
	}
	return strings.Join(list, ", ")
}

// A patch and the clipboard keep what a piece sets and asks for; in a project that calls something else
// so, it is left out.
func TestFactsGoWithPieces(t *testing.T) {
	p := pagetest.FromTheSide(t)
	label := pagetest.Place(p, world.Collectible, 7, 9)
	m := p.Document().Maps[0]
	pagetest.Set(p, label, "sets", 1)
	while := pieces.SetCondition{Map: page.ID(m.ID), Piece: page.ID(label.ID), Property: "while"}
	while.Condition = &logic.ConditionForm{Asks: "any", Of: []logic.ConditionForm{*pagetest.Asks("fact", "a new fact", "under", 1), {Asks: "presence", Subject: &logic.NounForm{Is: "all", Type: "foe"}, Is: "there"}}}
	pagetest.Order(p, while)
	was := p.Document().Maps[0].Piece(label.ID)
	if len(p.Document().Facts) != 2 || was.Sets().Fact == 0 || len(was.While().Terms) != 2 || was.Sets().Fact == was.While().Terms[0].Left.Thing {
		t.Fatalf("the piece acts as %+v", was)
	}
	pagetest.Order(p, holding.Hold{Holding: "choose"})
	for i, at := range []grid.Point{{X: 6 * 16, Y: 8 * 16}, {X: 9*16 + 8, Y: 10*16 + 8}, {X: 9*16 + 8, Y: 10*16 + 8}} {
		p.Pointer([]int{page.Press, page.Drag, page.Release}[i], at, false, false, 0)
	}
	text := pagetest.Copied(p)
	pagetest.Order(p, holding.KeepPatch{})
	back, err := world.Decode(p.Document().Encode())
	if err != nil || len(back.Patches) != 1 || back.Patches[0].Pieces[0].Props != was.Props {
		t.Errorf("stored, the patch is another one: %v", err)
	}
	for _, renamed := range []bool{false, true} {
		o, err := page.Open(edit.Opening{Prefix: 8, Document: p.Document()}.Encode(), nil)
		if err != nil {
			t.Fatal(err)
		}
		want := was.Props
		if renamed {
			pagetest.Order(o, things.Rename{Thing: page.Thing{Kind: "fact", ID: page.ID(was.While().Terms[0].Left.Thing)}, Name: "Something else"})
			without := *was
			without.SetWhile(logic.Condition{Ask: logic.Any, Terms: was.While().Terms[1:]})
			want = without.Props
		}
		pagetest.Order(o, holding.Paste{Text: text})
		at := grid.Point{X: 30 * 16, Y: 5 * 16}
		o.Pointer(page.Press, at, false, false, 0)
		o.Pointer(page.Release, at, false, false, 0)
		pieces := o.Document().Maps[0].Pieces
		if last := pieces[len(pieces)-1]; last.ID == label.ID || last.Props != want {
			t.Errorf("renamed: %t: pasted, the piece acts as %+v, want %+v", renamed, last.Props, want)
		}
	}
}

// A fact gets words and a range, also as it is made, each in one step that is taken back and brought back; what can't be is refused in words.
func TestFactSortsOfAPage(t *testing.T) {
	p := pagetest.FromTheSide(t)
	pagetest.Order(p, memory.MakeFact{Name: "Pipe", Sort: world.OneOfWords})
	pagetest.Order(p, memory.MakeFact{Name: "Warmth", Sort: world.ANumber})
	if len(p.Document().Facts) != 2 {
		t.Fatalf("there are %d facts: %s", len(p.Document().Facts), pagetest.Said(p))
	}
	pipe, warmth := page.ID(p.Document().Facts[0].ID), page.ID(p.Document().Facts[1].ID)
	says := func() string {
		var list []string
		for _, f := range p.Document().Facts {
			list = append(list, f.Range()+", "+f.Says(f.Start))
		}
		return strings.Join(list, "; ")
	}
	for _, step := range []struct {
		order page.Order
		want  string
	}{
		{memory.SetFactRange{Fact: warmth, Least: 3, Most: 8}, "one of first, second, first; 3 to 8, 3"},
		{memory.SetFactWords{Fact: pipe, Typed: " hot ,cold,, warm,"}, "one of hot, cold, warm, hot; 3 to 8, 3"},
		{memory.SetFact{Fact: pipe, Start: 2}, "one of hot, cold, warm, warm; 3 to 8, 3"},
		{memory.SetFactWords{Fact: pipe, Typed: "hot, cold"}, "one of hot, cold, cold; 3 to 8, 3"},
		{memory.SetFactSort{Fact: pipe, Sort: world.ANumber}, "0 to 999999, 1; 3 to 8, 3"},
		{memory.SetFactSort{Fact: warmth}, "0 to 999999, 1; yes or no, yes"},
		{memory.SetFactSort{Fact: warmth, Sort: world.AnObjective}, "0 to 999999, 1; one of not given, open, reached, open"},
		{memory.SetFactSort{Fact: warmth}, "0 to 999999, 1; yes or no, yes"},
		{memory.SetFactSort{Fact: pipe, Sort: world.AText}, "a short text, ; yes or no, yes"},
		{memory.SetFactText{Fact: pipe, Text: "  Fog – “ό” \u202e 🌫  "}, "a short text, Fog – “ό” \u202e 🌫; yes or no, yes"},
		{memory.SetFactText{Fact: pipe, Text: "Dew"}, "a short text, Dew; yes or no, yes"},
		{memory.SetFactMap{Fact: pipe, Map: page.ID(p.Document().Maps[0].ID)}, "a short text, Dew; yes or no, yes"},
		{memory.SetFactSort{Fact: pipe, Sort: world.ANumber}, "0 to 999999, 0; yes or no, yes"},
	} {
		before := says()
		if pagetest.Order(p, step.order); says() != step.want {
			t.Fatalf("%+v: %s, not %s: %s", step.order, says(), step.want, pagetest.Said(p))
		}
		pagetest.Order(p, history.Undo{})
		if says() != before {
			t.Fatalf("%+v taken back: %s, not %s", step.order, says(), before)
		}
		pagetest.Order(p, history.Redo{})
		if says() != step.want {
			t.Fatalf("%+v brought back: %s, not %s", step.order, says(), step.want)
		}
	}
	refused := func(list ...page.Order) {
		t.Helper()
		for _, bad := range list {
			before := p.Document()
			if pagetest.Order(p, bad); p.Document() != before || pagetest.Said(p) == "" {
				t.Errorf("%+v was done, or not done without a word", bad)
			}
		}
	}
	refused(
		memory.SetFactText{Fact: pipe, Text: "a"}, memory.SetFactMap{Fact: pipe, Map: 99}, memory.SetFactMap{Fact: 99}, memory.SetFactText{Fact: 99}, memory.SetFactWords{Fact: pipe, Typed: "a, b"}, memory.SetFactSort{Fact: pipe, Sort: len(world.FactSorts)}, memory.SetFactSort{Fact: 99}, memory.MakeFact{Name: "Dew", Sort: -1},
		memory.SetFactRange{Fact: pipe, Least: 9, Most: 3}, memory.SetFactRange{Fact: pipe}, memory.SetFactRange{Fact: warmth, Least: 1, Most: 3}, memory.SetFactRange{Fact: 99, Most: 3},
	)
	pagetest.Order(p, memory.SetFactSort{Fact: pipe, Sort: world.OneOfWords})
	refused(memory.SetFactWords{Fact: pipe, Typed: "one"}, memory.SetFactWords{Fact: pipe, Typed: "a, a"}, memory.SetFactWords{Fact: pipe, Typed: strings.Repeat("a,", 40)}, memory.SetFactWords{Fact: pipe})
}

// In play it is said of each piece to which wires lead why it is or is not on: what their beginnings are, how many of those that count together must be on, and for what they wait.
func TestWhyOfWires(t *testing.T) {
	p := pagetest.Open(t, 7)
	gate := pagetest.Place(p, door.Kind.ID, 8, 5)
	// What wires lead to on another map is spoken of too.
	shed, layers := world.NewMap("Tool shed", grid.Point{X: 300}, grid.Rect{W: 9, H: 3}, p.IDs)
	far := edit.Put{Ref: world.Ref{Sort: world.SortPiece, Map: shed.ID, ID: p.IDs.NewID()}, Values: (&world.Piece{Type: door.Kind.ID, Layer: shed.PlayerLayer, Foot: grid.Point{X: 8, Y: 16}}).Values()}
	p.Do(edit.Edit{Label: "furnish", Parts: append(edit.PutMap(shed, layers), far)})
	for i := range 4 {
		plate := pagetest.Place(p, switches.Kind.ID, 3+2*i, 3)
		pagetest.Set(p, plate, "then", 1)
		pagetest.Order(p, holding.Hold{Holding: "wire"})
		p.Pointer(page.Press, plate.Foot.Sub(grid.Point{Y: 4}), false, false, 0)
		p.Pointer(page.Release, gate.Foot.Sub(grid.Point{Y: 4}), false, false, 0)
	}
	list := p.Document().Wires
	set := func(w *world.Wire, how func(*wires.WireLook)) {
		look := wires.ViewWire(p.Document(), w).WireLook
		how(&look)
		pagetest.Order(p, wires.SetWire{Wire: page.ID(w.ID), Change: page.PartOf(look)})
	}
	away := world.Wire{From: list[0].From, To: far.Ref.ID}
	p.Do(edit.Edit{Label: "lay a wire", Parts: []edit.Part{edit.Put{Ref: edit.WireRef(p.IDs.NewID()), Values: away.Values()}}})
	set(list[0], func(l *wires.WireLook) { l.Of, l.After = 2, 0.5 })
	set(list[3], func(l *wires.WireLook) { l.Works, l.Does = world.WorksPower, world.TurnsOff })
	pagetest.Order(p, holding.Hold{Holding: "nothing"})
	pagetest.Order(p, playing.StartPlay{Here: true, X: 1*16 + 8, Y: 3*16 + 8})
	about := gate.ID
	until := func(want string, yes bool) {
		t.Helper()
		var last []memory.ReasonView
		for range 400 {
			last = memory.Known(p).Reasons
			if slices.ContainsFunc(last, func(r memory.ReasonView) bool {
				return r.Says == want && r.Yes == yes && r.ID == page.FormatID(about)
			}) {
				return
			}
			playing.Tick(p, play.Right)
		}
		t.Fatalf("it never says %q, last %+v", want, last)
	}
	until("Not open: of 3 wires 2 must be on: Switch at 3, 3 is not pressed, Switch at 5, 3 is not pressed, Switch at 7, 3 is not pressed.", false)
	until("On: Switch at 9, 3 is not pressed (pressed, it turns it off).", true)
	until("Not open: of 3 wires 2 must be on: Switch at 3, 3 is pressed, Switch at 5, 3 is not pressed, Switch at 7, 3 is not pressed; that counts in 0.25 s.", false)
	until("Open: of 3 wires 2 must be on: Switch at 3, 3 is pressed, Switch at 5, 3 is pressed, Switch at 7, 3 is not pressed.", true)
	until("Not on: Switch at 9, 3 is pressed (pressed, it turns it off).", false)
	about = far.Ref.ID
	until("Open: Switch at 3, 3 is pressed.", true)
}
