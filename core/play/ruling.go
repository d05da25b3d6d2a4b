package play

import (
	"cmp"
	"fmt"
	"slices"

	"azzel/core/kind"
	"azzel/core/limit"
	"azzel/core/lists"
	"azzel/core/logic"
	"azzel/core/pack"
	"azzel/core/world"
)

// ruling is what became of rules, and what they made of pieces and the player.
type ruling struct {
	runs logic.Runs
	// begun says that it was answered that play began; at is the map on which the player was when rules went last, 0 for none yet.
	begun bool
	at    world.ID
	// inAreas are the areas in which the player is, and for how many ticks, sorted.
	inAreas []stay
	// presences are the pieces that rules made there, hidden or absent, sorted.
	presences []presence
	// stilled says that the player may not move.
	stilled bool
	// box is what a rule says or asks.
	box box
	// ending is the rule and the action by which the play ended, 0 for none.
	ending logic.Pair
}

// stay is that the player is in an area, for how many ticks.
type stay struct {
	area  world.ID
	ticks int
}

// presence is that of a piece.
type presence struct {
	piece world.ID
	is    int
}

// of compares the piece with another.
func (p presence) of(id world.ID) int { return cmp.Compare(p.piece, id) }

func encodePresences(w *pack.Writer, list []presence) {
	w.Uint(uint64(len(list)))
	for _, p := range list {
		w.Uint(uint64(p.piece))
		w.Int(p.is)
	}
}

func decodePresences(r *pack.Reader, most int) (list []presence) {
	for range r.Count(most, 2) {
		p := presence{world.ID(r.Uint()), within(r, r.Int(), kind.Absent)}
		if n := len(list); n > 0 && list[n-1].piece >= p.piece {
			r.Fail(fmt.Errorf("%w: what has a presence is out of order", pack.ErrMalformed))
		}
		list = append(list, p)
	}
	return list
}

// box is what an action of a rule under way says or asks: which page is shown, at which choice the player is, and which keys are held.
type box struct {
	rule, part   world.ID
	run          int
	page, choice int
	keys         Input
}

// choosing are the keys that go from one choice to another.
const choosing = Up | Down

func (m *ruling) empty() bool {
	return m.runs.Empty() && !m.begun && m.at == 0 && len(m.inAreas)+len(m.presences) == 0 && !m.stilled && m.box == (box{}) && m.ending == (logic.Pair{})
}

func (m *ruling) encode(w *pack.Writer) {
	m.runs.Encode(w)
	w.Bool(m.begun)
	w.Bool(m.stilled)
	w.Uint(uint64(m.at))
	w.Uint(uint64(len(m.inAreas)))
	for _, s := range m.inAreas {
		w.Uint(uint64(s.area))
		w.Int(s.ticks)
	}
	encodePresences(w, m.presences)
	for _, id := range []world.ID{m.box.rule, m.box.part, m.ending.Rule, m.ending.This} {
		w.Uint(uint64(id))
	}
	for _, n := range []int{m.box.run, m.box.page, m.box.choice, int(m.box.keys)} {
		w.Int(n)
	}
}

func decodeRuling(r *pack.Reader) (m ruling) {
	m.runs = logic.DecodeRuns(r)
	m.begun, m.stilled, m.at = r.Bool(), r.Bool(), world.ID(r.Uint())
	for range r.Count(limit.Areas, 2) {
		s := stay{world.ID(r.Uint()), within(r, r.Int(), 1<<40)}
		if n := len(m.inAreas); n > 0 && m.inAreas[n-1].area >= s.area {
			r.Fail(fmt.Errorf("%w: areas out of order", pack.ErrMalformed))
		}
		m.inAreas = append(m.inAreas, s)
	}
	m.presences = decodePresences(r, limit.Pieces)
	for _, id := range []*world.ID{&m.box.rule, &m.box.part, &m.ending.Rule, &m.ending.This} {
		*id = world.ID(r.Uint())
	}
	m.box.run, m.box.page, m.box.choice = within(r, r.Int(), 1<<40), within(r, r.Int(), limit.Words), within(r, r.Int(), limit.Choices)
	m.box.keys = Input(within(r, r.Int(), 1<<16-1))
	return m
}

func (m ruling) clone() ruling {
	m.runs, m.inAreas, m.presences = m.runs.Clone(), slices.Clone(m.inAreas), slices.Clone(m.presences)
	return m
}

// bookOf makes a book of the rules of a document that go.
func bookOf(d *world.Document) *logic.Book {
	if len(d.Rules) == 0 {
		return nil
	}
	var list []logic.Listed
	for _, r := range d.Rules {
		is := logic.Listed{ID: r.ID, Number: r.Number, Rule: &r.Rule}
		m := d.MapOf(r)
		if m != nil {
			is.On = m.ID
		}
		// What belongs to something that is gone does not go.
		if !r.Off && d.IsHome(r.HomeSort, r.Home) {
			list = append(list, is)
		}
	}
	return logic.NewBook(list)
}

// ruled reports whether rules go, or anything became of them.
func (g *Game) ruled() bool { return !g.book.Empty() || len(g.runs.List)+len(g.runs.Queue) > 0 }

// raise lets rules answer to a moment, if any listens to it.
func (g *Game) raise(m *kind.Moment, thing world.ID, from, to int) {
	if g.book.Listens(m.Number) {
		g.runs.Raise(g.book, logic.Happened{Moment: m.Number, Thing: thing, From: from, To: to})
	}
}

func (g *Game) engine() *logic.Engine {
	book := g.book
	if book == nil {
		book = &logic.Book{}
	}
	return &logic.Engine{Book: book, Runs: &g.runs, Stage: onStage{g}, Watch: g.watch, Tried: g.tried, Chose: g.chose}
}

// goByRules lets rules go on for a tick. While held, no time passes.
func (g *Game) goByRules(held bool) {
	if !g.ruled() {
		return
	}
	g.noticePlaces(held)
	g.renewRules()
	e := g.engine()
	e.Step(held)
	g.renewRules()
	if g.book.Settles() {
		if sum := g.sumOfRemembered(); sum != g.soSaw || g.runs.Lasts() {
			g.soSaw = sum
			if e.Settle(held); held && len(g.runs.Lastings) > 0 {
				// What lasts takes it up once time passes.
				g.soSaw = 0
			}
		}
	}
	if !g.finished {
		g.arrive()
	}
	if g.runs.Jammed != 0 {
		g.happens(Jammed)
	}
}

// noticePlaces tells rules where the player came to and went from.
func (g *Game) noticePlaces(held bool) {
	if !g.begun {
		g.begun = true
		g.raise(logic.PlayBegins, 0, 0, 0)
	}
	arrived := g.at != g.mapID
	if arrived {
		if g.at != 0 {
			g.raise(logic.MapLeft, g.at, 0, 0)
		}
		g.at = g.mapID
		g.runs.Visits++
		g.raise(logic.MapBegins, g.mapID, 0, 0)
	}
	if !held && g.book.Listens(logic.TimePassed.Number) {
		g.passed++
		g.raise(logic.TimePassed, 0, 0, g.passed)
	}
	if steps := g.steppedSoFar(); steps > g.steps && g.book.Listens(logic.StepsPassed.Number) {
		g.steps = steps
		g.raise(logic.StepsPassed, 0, 0, steps)
	}
	now := g.areasOfPlayer()
	var stays []stay
	for _, s := range g.inAreas {
		if !slices.Contains(now, s.area) {
			g.raise(logic.AreaLeft, s.area, 0, 0)
		}
	}
	for _, id := range now {
		i, was := slices.BinarySearchFunc(g.inAreas, id, func(s stay, id world.ID) int { return cmp.Compare(s.area, id) })
		s := stay{area: id}
		switch {
		case !was:
			g.raise(logic.AreaEntered, id, 0, 0)
		case held:
			s = g.inAreas[i]
		default:
			s.ticks = g.inAreas[i].ticks + 1
			g.raise(logic.AreaStayed, id, 0, s.ticks)
		}
		stays = append(stays, s)
	}
	g.inAreas = stays
	g.noticeInside(arrived)
}

// areasOfPlayer are the areas in which the player stands, sorted by id.
func (g *Game) areasOfPlayer() (ids []world.ID) {
	cell := g.place.Cell(g.ground.Lattice)
	for i := range g.areas {
		if g.areas[i].has(cell) {
			ids = append(ids, g.areas[i].ID)
		}
	}
	slices.Sort(ids)
	return ids
}

// settleRules lets rules go on by a document that has changed. Where there were none before, it counts as known where the player is: nothing happens by that.
func (g *Game) settleRules(before *world.Document) {
	g.soSaw = 0
	if g.runs.Jammed != 0 {
		g.runs.Jammed, g.runs.Queue, g.runs.List = 0, nil, nil
	}
	if r := g.doc.Rule(g.box.rule); g.box.rule != 0 && (r == nil || r.Off || r.Part(g.box.part) == nil) {
		g.shutBox(0)
	}
	if !g.begun && len(before.Rules) == 0 && len(g.doc.Rules) > 0 && g.tick > 0 {
		g.begun, g.at = true, g.mapID
		for _, id := range g.areasOfPlayer() {
			g.inAreas = append(g.inAreas, stay{area: id})
		}
	}
}

// sumOfRemembered sums up all that rules which are so while something holds can ask for.
func (g *Game) sumOfRemembered() uint64 {
	sum := g.sumOfPieces() + 1
	mix := func(n uint64) { sum = mixed(sum ^ n) }
	for _, k := range g.facts {
		mix(uint64(k.Fact))
		mix(uint64(k.Value))
	}
	for _, s := range g.items {
		mix(uint64(s.Item))
		mix(uint64(s.Count))
	}
	for _, p := range g.presences {
		mix(uint64(p.piece))
		mix(uint64(p.is))
	}
	for id, is := range g.absent {
		if is {
			sum += mixed(uint64(id))
		}
	}
	for _, l := range g.layers {
		mix(uint64(l.piece))
		mix(uint64(l.is))
	}
	for _, id := range g.calm {
		mix(uint64(id))
	}
	mix(uint64(g.as))
	mix(uint64(g.helped & Laden))
	return sum
}

// presenceSet is which presence rules gave a piece, and whether they did. What a piece is there only while it holds wins over it.
func (g *Game) presenceSet(piece world.ID) (int, bool) {
	i, set := slices.BinarySearchFunc(g.presences, piece, presence.of)
	if !set {
		return 0, false
	}
	return g.presences[i].is, true
}

// setPresence makes a piece there, hidden or absent.
func (g *Game) setPresence(piece world.ID, is int) {
	g.keepsFrom(piece)
	i, set := slices.BinarySearchFunc(g.presences, piece, presence.of)
	if !set {
		g.presences = lists.Insert(g.presences, i, presence{})
	}
	g.presences[i] = presence{piece, is}
	g.stale = true
}

// Hidden reports whether a piece is there and not seen.
func (g *Game) Hidden(p *world.Piece) bool {
	if len(g.presences) > 0 && !world.HasWhile(p) {
		if is, set := g.presenceSet(p.ID); set {
			return is == kind.Hidden
		}
	}
	return StartsHidden(p)
}

// MadeHidden are the pieces that rules have made hidden.
func (g *Game) MadeHidden() (ids []world.ID) {
	for _, s := range g.presences {
		if _, p := g.pieceOf(s.piece); p != nil && g.Hidden(p) {
			ids = append(ids, s.piece)
		}
	}
	return ids
}

// isSetAbsent reports whether a piece is absent by what it starts with or by rules, and not by what it asks for.
func (g *Game) isSetAbsent(c *conditional) bool {
	if len(g.presences) > 0 && !world.HasWhile(c.piece) {
		if is, set := g.presenceSet(c.piece.ID); set {
			return is == kind.Absent || startsDone(c.piece)
		}
	}
	return c.gone
}

// Jam is the rule by which the game stands still, since rules set one another off without end; 0 for none.
func (g *Game) Jam() world.ID { return g.runs.Jammed }

// Ending is what the ending is called by which a rule ended the play; false if none did.
func (g *Game) Ending() (name string, ended bool) {
	if g.ending.Rule == 0 {
		return "", false
	}
	if r := g.doc.Rule(g.ending.Rule); r != nil {
		if p := r.Part(g.ending.This); p != nil {
			name = p.Name
		}
	}
	return name, true
}

// asking is the rule and the action of which a box is open; nil if none is.
func (g *Game) asking() (*world.Rule, *logic.Part) {
	r := g.doc.Rule(g.box.rule)
	if g.box.rule == 0 || r == nil {
		return nil, nil
	}
	return r, r.Part(g.box.part)
}

// choices are what the player can choose by now, with what that is called.
func (g *Game) choices() (list []*logic.Part, texts []string) {
	r, p := g.asking()
	if p == nil || p.Does != logic.Question {
		return nil, nil
	}
	of, moment := logic.Bound{}, 0
	if run := g.runs.Run(g.box.run); run != nil {
		of, moment = run.Bound, run.Moment
	}
	for _, c := range r.Kids(p.ID, logic.Then) {
		if c.Does == logic.Choice && !c.Off && len(list) < limit.Choices && c.If.Holds(onStage{g}.Asked(logic.Pair{Rule: r.ID, This: of.This}, of, moment)) {
			list = append(list, c)
			texts = append(texts, g.oneLine(c.Text.Say(said{g})))
		}
	}
	return list, texts
}

// readRule lets the player read what a rule says, and choose.
func (g *Game) readRule(in Input) {
	keys := in & (turning | choosing)
	pressed := keys &^ g.box.keys
	g.box.keys = keys
	n := len(g.pages())
	list, _ := g.choices()
	atChoices := len(list) > 0 && g.box.page >= n-1
	switch {
	case n == 0 && len(list) == 0:
		g.endBox(in, 0)
	case atChoices && pressed&Up != 0:
		g.box.choice = (g.box.choice + len(list) - 1) % len(list)
	case atChoices && pressed&Down != 0:
		g.box.choice = (g.box.choice + 1) % len(list)
	case atChoices && pressed&turning != 0:
		g.endBox(in, list[min(g.box.choice, len(list)-1)].ID)
	case pressed&turning != 0:
		if g.box.page = min(g.box.page, n-1) + 1; g.box.page >= n {
			g.endBox(in, 0)
		}
	}
}

// endBox shuts the box, whose keys do nothing else meanwhile.
func (g *Game) endBox(in Input, choice world.ID) {
	g.used, g.jumped = in&Use != 0, in&Jump != 0
	g.shutBox(choice)
}

// shutBox shuts a box that a rule opened, which goes on then.
func (g *Game) shutBox(choice world.ID) {
	run := g.box.run
	open := g.box.rule != 0
	g.box = box{}
	if open {
		g.engine().Closed(run, choice)
	}
}

// RuleWent is how often a rule went, in which tick it did last, and which of its actions are under way: those at which a run waits.
func (g *Game) RuleWent(rule world.ID) (times, last int, now []world.ID) {
	for _, w := range g.runs.Went {
		if w.Rule == rule {
			times += w.Times
			last = max(last, w.Tick)
		}
	}
	for i := range g.runs.List {
		r := &g.runs.List[i]
		if r.Rule != rule {
			continue
		}
		for _, f := range r.Frames {
			now = append(now, f.Last)
		}
	}
	return times, last, now
}
