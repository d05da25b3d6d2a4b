package play

import (
	"cmp"
	"slices"
	"strconv"

	"azzel/core/kind"
	"azzel/core/kinds/props"
	"azzel/core/limit"
	"azzel/core/lists"
	"azzel/core/logic"
	"azzel/core/pack"
	"azzel/core/talk"
	"azzel/core/text"
	"azzel/core/words"
	"azzel/core/world"
)

// reading is the box that the player reads: while there is one, everything else stands still.
type reading struct {
	// piece is what says it, 0 if nothing does, and says the property that holds the words.
	piece world.ID
	says  kind.Field
	// which says which of several things it is, by its id; page is which page of the words is shown, then the state to which the piece goes once they were read.
	which      kind.ID
	page, then int
	// keys are those that turn pages and were held in the last tick: a key turns one page each time that it is pressed.
	keys Input
}

// turning are the keys that turn pages.
const turning = Use | Jump

func (m *reading) encode(w *pack.Writer) {
	w.Uint(uint64(m.piece))
	if m.piece == 0 {
		return
	}
	w.Uint(uint64(m.says))
	w.Uint(uint64(m.which))
	w.Int(m.page)
	w.Int(m.then)
	w.Uint(uint64(m.keys))
}

func decodeReading(r *pack.Reader) (m reading) {
	if m.piece = world.ID(r.Uint()); m.piece == 0 {
		return m
	}
	m.says = kind.Field(min(r.Uint(), 1<<31-1))
	m.which = kind.ID(r.Uint())
	m.page = within(r, r.Int(), limit.Words)
	m.then = within(r, r.Int(), 1<<31-1)
	m.keys = Input(within(r, int(min(r.Uint(), 1<<16)), 1<<16-1))
	return m
}

// say opens a box with what a piece says. The player reads it to the end; then the piece goes to a state. Where a box is open, or
// the piece has said it and the player is still at it, nothing happens.
func (e effects) say(then int) {
	g := e.g
	if g.staysAt(e.piece.ID) || g.reads() {
		return
	}
	g.reading = reading{piece: e.piece.ID, says: props.Says.Field, then: then, keys: g.now.in & turning}
	if _, several := e.piece.Kind().Has(props.Sayings); several {
		g.reading.says, g.reading.which = props.Sayings.Field, g.choose(e.piece)
		e.lookAtPlayer()
	}
	if len(g.pages()) == 0 {
		g.readOut()
	}
}

// choose is which of the things that somebody has to say they say now, 0 for none; it counts that they were spoken to.
func (g *Game) choose(p *world.Piece) kind.ID {
	i, met := slices.BinarySearchFunc(g.spoken, p.ID, func(s spoken, id world.ID) int { return cmp.Compare(s.piece, id) })
	if !met {
		g.spoken = lists.Insert(g.spoken, i, spoken{piece: p.ID})
	}
	times := g.spoken[i].times
	g.spoken[i].times = min(times+1, mostSpoken)
	list := talk.Of(p.All(), props.Sayings)
	holding := list.Holding(inquiry{g, p.ID})
	if len(holding) == 0 {
		return 0
	}
	at := 0
	switch p.Int(props.SaysWhich) {
	case props.SaysInTurn:
		at = times
	case props.SaysByChance:
		at = int(mixed(mixed(mixed(g.chance+2)+uint64(p.Number))+uint64(times)) >> 33)
	}
	return list[holding[at%len(holding)]].ID
}

// lookAtPlayer lets somebody look to where the player is.
func (e effects) lookAtPlayer() {
	if e.actor == nil {
		return
	}
	g, t := e.g, &e.g.things[e.actor.at]
	dx, dy := g.place.X-t.Place.X, g.place.Y-t.Place.Y
	switch {
	case g.ground.Map.View == world.TopDown:
		t.Face(dx, dy)
	case dx != 0:
		t.Heading = cmp.Compare(dx, 0)
	}
}

// pages are those of what is read by now, none if nothing is.
func (g *Game) pages() []text.Page {
	if _, part := g.asking(); part != nil {
		return BoxOf(g.doc).Pages(part.Text.Say(said{g}))
	}
	_, p := g.pieceOf(g.reading.piece)
	prop := kind.PropOf(g.reading.says)
	if p == nil || prop == nil {
		return nil
	}
	var is words.Text
	switch prop.Sort {
	case kind.Words:
		is = words.Of(p.All(), prop)
	case kind.Sayings:
		if list := talk.Of(p.All(), prop); list.At(g.reading.which) >= 0 {
			is = list[list.At(g.reading.which)].Text
		}
	}
	return BoxOf(g.doc).Pages(is.Say(said{g}))
}

// Document is the document on which the game is played by now.
func (g *Game) Document() *world.Document { return g.doc }

// BoxOf is the box in which a project shows words.
func BoxOf(d *world.Document) text.Box {
	return text.BoxFor(d.Project.SeenW*d.Project.CellW, d.Project.SeenH*d.Project.CellH)
}

// Page is what the player reads now, in the box of BoxOf; false if nothing. More says that there are more pages of it.
func (g *Game) Page() (page text.Page, more, reads bool) {
	if g.bag.open {
		return g.bagPage()
	}
	pages := g.pages()
	if _, part := g.asking(); len(pages) == 0 && part != nil && part.Does == logic.Question {
		pages = []text.Page{{}}
	}
	if len(pages) == 0 {
		return page, false, false
	}
	at := min(g.reading.page+g.box.page, len(pages)-1)
	page, more = pages[at], at < len(pages)-1
	if _, texts := g.choices(); !more && len(texts) > 0 {
		page.Choices, page.Chosen = texts, min(g.box.choice, len(texts)-1)
	}
	return page, more, true
}

// Reads reports whether the player reads something, so that everything else stands still.
func (g *Game) Reads() bool { return g.reads() }

func (g *Game) reads() bool { return g.reading.piece != 0 || g.box.rule != 0 || g.bag.open }

// read lets the player turn a page, and ends when they have turned the last, or what they read is gone.
func (g *Game) read(in Input) {
	if g.bag.open {
		g.readBag(in)
		return
	}
	g.bag.keys = in & Items
	if g.box.rule != 0 {
		g.readRule(in)
		return
	}
	keys := in & turning
	pressed := keys &^ g.reading.keys
	g.reading.keys = keys
	n := len(g.pages())
	if pressed != 0 {
		g.reading.page = min(g.reading.page, n-1) + 1
	}
	if n == 0 || g.reading.page >= n {
		g.used, g.jumped = in&Use != 0, in&Jump != 0
		g.readOut()
	}
}

// readOut ends what is read: the piece was read then.
func (g *Game) readOut() {
	is := g.reading
	g.reading = reading{}
	on, p := g.pieceOf(is.piece)
	if p == nil {
		return
	}
	then := kind.StateOf(is.then)
	if then == nil {
		return
	}
	if g.own(on, p) == then {
		// It happens each time, and changes it once.
		if k := g.kindOf(on, p); k != nil {
			if i := slices.IndexFunc(k.Changes, func(c kind.Change) bool { return c.To == then }); i >= 0 {
				g.befalls(k.Changes[i].By, is.piece)
			}
		}
		return
	}
	if g.become(is.piece, then); g.own(on, p) == then {
		g.remember(is.piece, p.Sets())
	}
}

// said says what is filled into words as it is by now.
type said struct{ g *Game }

// FactWords implements words.Source.
func (s said) FactWords(id world.ID) string {
	f := s.g.doc.Fact(id)
	if f == nil {
		return ""
	}
	is, _ := s.g.Known(f)
	return f.Says(is.Value)
}

// ItemWords implements words.Source.
func (s said) ItemWords(id world.ID) string {
	i := s.g.doc.Item(id)
	if i == nil {
		return ""
	}
	return strconv.Itoa(s.g.Has(i))
}
