package ready

import (
	"fmt"

	"azzel/core/edit"
	"azzel/core/hand"
	"azzel/core/kind"
	"azzel/core/kinds/props"
	"azzel/core/logic"
	"azzel/core/play"
	"azzel/core/talk"
	"azzel/core/words"
	"azzel/core/world"
)

// A recipe is something ready-made.
type recipe struct {
	word, name, does string
	slots            []slot
	make             func(m *making)
}

func has(p *kind.Prop) func(*kind.Kind) bool {
	return func(k *kind.Kind) bool { _, has := k.Has(p); return has }
}

// begins are kinds of pieces at which something begins: they go between two states by themselves.
func begins(k *kind.Kind) bool { first, _ := k.Pair(); return first != nil }

func worked(k *kind.Kind) bool { return k.Worked && begins(k) }

// opening are kinds that need something and can be worked, as what is opened does.
func opening(k *kind.Kind) bool { return has(props.Needs)(k) && k.Worked }

func conditional(k *kind.Kind) bool { return !k.Always }

var recipes = []recipe{
	{"locked-way", "Locked way", "Something opens only if the player has an item.", []slot{
		{name: "way", label: "What is locked", sort: aPiece, fits: opening}, {name: "item", label: "What opens it", sort: anItem},
	}, lockedWay},
	{"lever-and-sluice", "Lever and sluice", "While one thing is on, another is open, also on another map.", []slot{
		{name: "lever", label: "What works it", sort: aPiece, fits: begins}, {name: "sluice", label: "What is worked", sort: aPiece, fits: worked},
	}, leverAndSluice},
	{"plates-at-once", "Plates at once", "Something is open while several things are on at the same time.", []slot{
		{name: "plates", label: "All of these", sort: aPiece, fits: begins, least: 2}, {name: "sluice", label: "What they open", sort: aPiece, fits: worked},
	}, platesAtOnce},
	{"all-collected", "Comes when all is collected", "Something is there only once the player has taken all of some things.", []slot{
		{name: "things", label: "What is collected", sort: aPiece, fits: func(k *kind.Kind) bool { return k.Counted }, least: 2}, {name: "comes", label: "What comes then", sort: aPiece, fits: conditional},
	}, allCollected},
	{"talk-changes", "Talk that changes", "Somebody says something else once a fact is yes.", []slot{
		{name: "who", label: "Who speaks", sort: aPiece, fits: has(props.Sayings)}, {name: "fact", label: "Once this is so", sort: aFact},
		{name: "before", label: "Before", sort: aText, usual: "Not yet."}, {name: "after", label: "After", sort: aText, usual: "At last."},
	}, talkChanges},
	{"timed-gate", "Timed gate", "When one thing is worked another opens, and shuts again after some seconds.", []slot{
		{name: "switch", label: "What opens it", sort: aPiece, fits: begins}, {name: "gate", label: "What opens", sort: aPiece, fits: worked},
		{name: "seconds", label: "Open for", sort: aNumber, usual: "5", unit: "s", most: 600},
	}, timedGate},
	{"first-entering", "Scene on first entering", "The first time that the player enters an area, they stand still and read something.", []slot{
		{name: "area", label: "Where", sort: anArea}, {name: "text", label: "What they read", sort: aText, usual: "It is warm in here."},
	}, firstEntering},
	{"ending-by-found", "Ending by what was found", "Where the player enters an area the game ends: one way if they have enough of an item, else another.", []slot{
		{name: "area", label: "Where", sort: anArea}, {name: "item", label: "What is counted", sort: anItem}, {name: "count", label: "At least", sort: aNumber, usual: "3", most: 999},
		{name: "good", label: "The ending then", sort: aName, usual: "All found"}, {name: "else", label: "The ending else", sort: aName, usual: "Something missing"},
	}, endingByFound},
}

func (m *making) one(slot string) world.ID { return m.things[slot][0] }

func (m *making) piece(slot string) *world.Piece {
	_, p := m.D.Piece(m.one(slot))
	return p
}

// set gives a piece what is set of it.
func (m *making) set(p *world.Piece, values ...kind.Value) {
	on, _ := m.D.Piece(p.ID)
	next := *p
	next.Props = next.Props.With(values...)
	m.parts = append(m.parts, edit.Changes(world.Ref{Sort: world.SortPiece, Map: on.ID, ID: p.ID}, p.Values(), next.Values())...)
}

// rule puts a rule that begins by a moment, and does some actions.
func (m *making) rule(home kind.Thing, of world.ID, begins logic.Moment, how func(r *world.Rule), actions ...logic.Action) *world.Rule {
	r := &world.Rule{}
	r.HomeSort, r.Home = home, of
	r.Set(logic.Part{ID: m.IDs.NewID(), Begins: begins})
	for _, a := range actions {
		m.add(r, 0, logic.Then, a)
	}
	if how != nil {
		how(r)
	}
	m.parts = append(m.parts, edit.Put{Ref: world.RuleRef(m.IDs.NewID()), Values: r.Values()})
	return r
}

// add adds an action to a rule, after those that it has.
func (m *making) add(r *world.Rule, in world.ID, branch int, a logic.Action) world.ID {
	id := m.IDs.NewID()
	r.Set(logic.Part{ID: id, In: in, Branch: branch, Order: (1 + len(r.Parts)) << 10, Action: a})
	return id
}

func (m *making) wire(from, to world.ID, of int) {
	w := &world.Wire{From: from, To: to, Of: of}
	m.parts = append(m.parts, edit.Put{Ref: world.Ref{Sort: world.SortWire, ID: m.IDs.NewID()}, Values: w.Values()})
}

func says(t words.Text) logic.Action {
	return logic.Action{Does: logic.Say, Subject: logic.Noun{Is: logic.Player}, Text: t}
}

func lockedWay(m *making) {
	p := m.piece("way")
	values := []kind.Value{logic.Needs(logic.ItemCount, m.one("item"), logic.AtLeast, 1).Set(props.Needs)}
	if _, has := p.Kind().Has(props.Opens); has && p.Int(props.Opens) == props.OpensWhenWorked {
		// What opens only when it is worked asks for nothing.
		values = append(values, props.Opens.Unset())
	}
	m.set(p, values...)
	m.told = fmt.Sprintf("%s opens only with %s.", hand.PieceName(m.D, p), m.D.Item(m.one("item")).Name)
}

// onlyWorked lets a piece that could also be opened by hand open only when it is worked.
func (m *making) onlyWorked(p *world.Piece) {
	if _, has := p.Kind().Has(props.Opens); has {
		m.set(p, props.Opens.Is(props.OpensWhenWorked))
	}
}

func leverAndSluice(m *making) {
	m.onlyWorked(m.piece("sluice"))
	m.wire(m.one("lever"), m.one("sluice"), world.AnyOf)
}

func platesAtOnce(m *making) {
	m.onlyWorked(m.piece("sluice"))
	for _, p := range m.things["plates"] {
		m.wire(p, m.one("sluice"), world.AllOf)
	}
}

func allCollected(m *making) {
	all := logic.Condition{}
	for _, id := range m.things["things"] {
		_, p := m.D.Piece(id)
		_, done := p.Kind().Pair()
		all.Terms = append(all.Terms, logic.Condition{Ask: logic.InState, Subject: logic.Noun{Is: logic.Piece, Thing: id}, Is: done.Number})
	}
	p := m.piece("comes")
	next := *p
	next.SetWhile(all)
	on, _ := m.D.Piece(p.ID)
	m.parts = append(m.parts, edit.Changes(world.Ref{Sort: world.SortPiece, Map: on.ID, ID: p.ID}, p.Values(), next.Values())...)
	m.told = fmt.Sprintf("%s is there once all %d are taken.", hand.PieceName(m.D, p), len(all.Terms))
}

func talkChanges(m *making) {
	p := m.piece("who")
	m.set(p, talk.List{
		{ID: m.IDs.NewID(), While: logic.Needs(logic.FactValue, m.one("fact"), logic.AtLeast, 1), Text: m.texts["after"]},
		{ID: m.IDs.NewID(), Text: m.texts["before"]},
	}.Set(props.Sayings), props.SaysWhich.Unset())
	m.told = fmt.Sprintf("What %s says changes with %s.", hand.PieceName(m.D, p), m.D.Fact(m.one("fact")).Name)
}

func timedGate(m *making) {
	from, gate := m.piece("switch"), m.piece("gate")
	m.onlyWorked(gate)
	shut, open := gate.Kind().Pair()
	it := logic.Noun{Is: logic.Piece, Thing: gate.ID}
	m.rule(kind.Piece, from.ID, logic.Moment{Is: from.Kind().Changes[0].By.Number, Of: logic.Noun{Is: logic.This}}, func(r *world.Rule) { r.Busy = logic.BeginAgain },
		logic.Action{Does: logic.SetState, Subject: it, Is: open.Number},
		logic.Action{Does: logic.Wait, Number: int(m.numbers["seconds"] * play.TicksPerSecond)},
		logic.Action{Does: logic.SetState, Subject: it, Is: shut.Number})
}

func firstEntering(m *making) {
	m.rule(kind.Area, m.one("area"), logic.Moment{Is: logic.AreaEntered.Number, Thing: m.one("area")}, func(r *world.Rule) { r.Repeats = logic.OnceEver },
		logic.Action{Does: logic.HoldStill}, says(m.texts["text"]), logic.Action{Does: logic.LetGo})
}

func endingByFound(m *making) {
	m.rule(kind.Area, m.one("area"), logic.Moment{Is: logic.AreaEntered.Number, Thing: m.one("area")}, func(r *world.Rule) {
		on := m.add(r, 0, logic.Then, logic.Action{Does: logic.If, If: logic.Needs(logic.ItemCount, m.one("item"), logic.AtLeast, int(m.numbers["count"]))})
		for branch, slot := range []string{logic.Then: "good", logic.Otherwise: "else"} {
			m.add(r, on, branch, logic.Action{Does: logic.End, Name: m.names[slot]})
		}
	})
}
