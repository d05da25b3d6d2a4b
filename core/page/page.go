package page

import (
	"encoding/json"
	"errors"
	"fmt"
	"strconv"

	"azzel/core/edit"
	"azzel/core/grid"
	"azzel/core/hand"
	"azzel/core/picture"
	"azzel/core/play"
	"azzel/core/tiles"
	"azzel/core/world"
)

// Changed has a bit for each part of what is shown that may differ now.
type Changed uint32

// The parts.
const (
	SceneChanged Changed = 1 << iota
	StateChanged
	CellsChanged
	PointerChanged
	OutgoingChanged
	PlayChanged
	TakenChanged
)

// A Page is one open page of a project. It must be used by one goroutine.
type Page struct {
	replica  *edit.Replica
	hand     *hand.Hand
	ids      *world.Counter
	bitmaps  *picture.Bitmaps
	game     *play.Game
	fill     *hand.FillTask
	found    int
	total    int
	outgoing [][]byte
	messages []string
	events   []string
	pixel    grid.Point
	shown    *world.Document
	moving   bool
	// stamps count how often each tileset has changed.
	stamps map[world.ID]stamp
	// strips are the pictures of characters, by their sums.
	strips map[string]*tiles.Strip
}

// Open begins with what the server sent and with the messages of an earlier
// page of this session that may not have arrived.
func Open(opening []byte, queue [][]byte) (*Page, error) {
	o, err := edit.DecodeOpening(opening)
	if err != nil {
		return nil, err
	}
	p := &Page{replica: edit.NewReplica(o), ids: &world.Counter{Prefix: o.Prefix}, strips: map[string]*tiles.Strip{}, stamps: map[world.ID]stamp{}}
	p.hand = hand.New(p.ids)
	for _, m := range queue {
		if err := p.replica.Resend(m); err != nil {
			return nil, fmt.Errorf("taking up what was not sent: %w", err)
		}
	}
	p.bitmaps = picture.NewBitmaps(picture.NewAtlas(o.Document.Project.Lattice()))
	p.outgoing = p.replica.Outgoing()
	return p, nil
}

// A stamp is how a tileset was when it was last looked at.
type stamp struct {
	set *world.Tileset
	n   int
}

func (p *Page) doc() *world.Document { return p.replica.Document() }

func (p *Page) say(format string, values ...any) {
	p.messages = append(p.messages, fmt.Sprintf(format, values...))
}

// Fail tells the designer of an error.
func (p *Page) Fail(err error) Changed {
	if err == nil {
		return 0
	}
	text := []rune(err.Error())
	if len(text) > 0 && text[0] >= 'a' && text[0] <= 'z' {
		text[0] -= 'a' - 'A'
	}
	p.say("%s.", string(text))
	return StateChanged
}

// Receive takes a message from the server. After edit.ErrGap the page must be
// opened anew.
func (p *Page) Receive(message []byte) (Changed, error) {
	n, err := p.replica.Receive(message)
	if err != nil {
		return 0, err
	}
	if n.Refused != "" {
		p.say("The server refused a change: %s.", n.Refused)
	}
	return p.follow() | StateChanged | OutgoingChanged, nil
}

// Outgoing takes the messages that are to be sent and were not taken before.
func (p *Page) Outgoing() [][]byte {
	out := p.outgoing
	p.outgoing = nil
	return out
}

// Unsent is the messages of all steps without an answer, to be sent again.
func (p *Page) Unsent() [][]byte {
	p.outgoing = nil
	return p.replica.Outgoing()
}

// follow lets game and pictures go on with the present document.
func (p *Page) follow() Changed {
	d := p.doc()
	if d == p.shown {
		return 0
	}
	was := p.shown
	p.shown = d
	changed := CellsChanged | PointerChanged
	if was == nil || sceneDiffers(was, d) {
		changed |= SceneChanged | StateChanged
	}
	if p.game != nil {
		if err := p.game.SetDocument(d); err != nil {
			p.game = nil
			p.Fail(err)
		} else {
			p.collect()
		}
		changed |= PlayChanged | StateChanged
	}
	return changed
}

func sceneDiffers(a, b *world.Document) bool {
	diff := world.Diff(a, b)
	return len(diff.Put)+len(diff.Removed) > 0
}

func (p *Page) do(e edit.Edit) Changed {
	_, message, err := p.replica.Do(e)
	if err != nil {
		return p.Fail(err)
	}
	p.outgoing = append(p.outgoing, message)
	return p.follow() | StateChanged | OutgoingChanged
}

func (p *Page) outcome(o hand.Outcome) Changed {
	changed := StateChanged | PointerChanged
	if o.Said != "" {
		p.say("%s", o.Said)
	}
	if o.Fill != nil {
		p.fill = o.Fill
		p.found, p.total = 0, 0
	}
	if o.Edit != nil {
		changed |= p.do(*o.Edit)
	}
	return changed
}

// What the pointer, or the cell cursor in its place, does.
const (
	Hover = iota
	Press
	Drag
	Release
	Leave
)

// Pointer takes a movement of the pointer to a pixel of the board.
func (p *Page) Pointer(what int, pixel grid.Point, erase, steady bool) Changed {
	d := p.doc()
	p.pixel = pixel
	p.hand.Steady = steady
	switch what {
	case Hover, Drag:
		if p.fill != nil {
			return PointerChanged
		}
		p.hand.Drag(d, pixel)
	case Press:
		if p.fill != nil {
			return 0
		}
		return p.outcome(p.hand.Press(d, pixel, erase))
	case Release:
		if !p.hand.Busy() {
			return 0
		}
		return p.outcome(p.hand.Release(d, pixel)) | p.hover()
	case Leave:
		p.hand.Leave()
	}
	return PointerChanged
}

func (p *Page) hover() Changed {
	p.hand.Hover(p.doc(), p.pixel)
	return PointerChanged
}

// FillStep goes on with a fill under way, for about budget cells.
func (p *Page) FillStep(budget int) Changed {
	if p.fill == nil {
		return 0
	}
	found, total, done := p.fill.Step(budget)
	p.found, p.total = found, total
	if !done {
		return StateChanged
	}
	task := p.fill
	p.fill = nil
	return p.outcome(task.Outcome(p.doc())) | p.hover()
}

// AddStrip takes the tiles of a tileset or the frames of a character, as the
// server keeps them.
func (p *Page) AddStrip(id string, data []byte) (Changed, error) {
	s, err := tiles.DecodeStrip(data)
	if err != nil {
		return 0, err
	}
	if c := p.doc().Character(ParseID(id)); c != nil && len(s.Places) == 4*world.CharacterFrames {
		p.strips[c.Strip] = s
		return SceneChanged, nil
	}
	t := p.doc().Tileset(ParseID(id))
	if t == nil {
		return 0, nil
	}
	p.bitmaps.Atlas.Add(t, s)
	return SceneChanged | CellsChanged, nil
}

// ParseID reads an id; 0 if it is none.
func ParseID(s string) world.ID {
	n, err := strconv.ParseUint(s, 10, 64)
	if err != nil {
		return 0
	}
	return world.ID(n)
}

// FormatID writes an id.
func FormatID(id world.ID) string { return strconv.FormatUint(uint64(id), 10) }

var errUnknown = errors.New("this page is older than it should be: reload it")

// Order does what the designer asked for, written as JSON.
func (p *Page) Order(data []byte) Changed {
	var o Order
	if err := json.Unmarshal(data, &o); err != nil {
		return p.Fail(errUnknown)
	}
	return p.order(o)
}

func (p *Page) order(o Order) Changed {
	d := p.doc()
	ref := world.Ref{Kind: kindOf(o.Kind), Map: ParseID(o.Map), ID: ParseID(o.ID)}
	switch o.Do {
	case "hold":
		p.hold(o)
	case "shape":
		p.hand.Shape = hand.Shape(o.Text)
		if !p.hand.Paints() {
			p.hand.Holding = hand.Tile
		}
	case "pick":
		p.hand.Cancel()
		if !p.hand.Pick(d, grid.Point{X: o.X, Y: o.Y}) {
			p.say("There is nothing here to take into the hand.")
		}
	case "cancel":
		return p.cancel()
	case "layer":
		p.hand.SetLayer(ref.Map, ref.ID)
		return SceneChanged | StateChanged | p.hover()
	case "hide":
		p.hand.SetHidden(ref.ID, o.Yes)
		return SceneChanged | CellsChanged | p.hover()
	case "select":
		p.selectRef(ref, o.N)
	case "stack":
		p.selectStack(o.N)
	case "unselect":
		p.hand.Selected = hand.Selection{}
	case "delete":
		return p.remove()
	case "rename":
		return p.do(*hand.Rename(d, ref, o.Text))
	case "undo", "redo":
		return p.takeBack(o.Do)
	case "make-medley":
		return p.makeMedley(o)
	case "change-medley":
		return p.changeMedley(ref, o.Medley)
	case "remove":
		return p.do(edit.Edit{Label: "delete " + hand.Name(d, ref), Parts: []edit.Part{edit.Remove{Ref: ref}}})
	case "mark":
		return p.mark(ref, o.List, o.Mark)
	case "tileset":
		return p.tileset(o.Taken)
	case "play":
		return p.play(o)
	case "stop":
		p.game = nil
		return PlayChanged | StateChanged | SceneChanged | CellsChanged
	default:
		return p.Fail(errUnknown)
	}
	return StateChanged | SceneChanged | p.hover()
}

func (p *Page) hold(o Order) {
	p.hand.Cancel()
	p.hand.Holding = hand.Holding(o.Kind)
	switch p.hand.Holding {
	case hand.Tile:
		if o.N > 0 {
			p.hand.Tile = grid.Cell(o.N)
		}
	case hand.Piece:
		if id := ParseID(o.ID); id != 0 {
			p.hand.Type = id
		}
	case hand.Medley:
		if id := ParseID(o.ID); id != 0 {
			p.hand.Medley = id
		}
	}
}

// cancel ends the innermost thing: a fill, a gesture, what is in the hand, the
// selection.
func (p *Page) cancel() Changed {
	switch {
	case p.fill != nil:
		p.fill = nil
		p.say("Stopped. Nothing was filled.")
	case p.hand.Cancel():
	case p.hand.Holding != hand.Nothing:
		p.hand.Holding = hand.Nothing
	default:
		p.hand.Selected = hand.Selection{}
	}
	return StateChanged | p.hover()
}

func (p *Page) remove() Changed {
	if p.hand.Selected.Ref.Kind == 0 {
		p.say("Nothing is selected. Click a piece, a doorway or a map first.")
		return StateChanged
	}
	e, says := hand.Remove(p.doc(), p.hand.Selected)
	if e == nil {
		if says != "" {
			p.say("%s", says)
		}
		return StateChanged
	}
	p.hand.Selected = hand.Selection{}
	return p.do(*e)
}

func (p *Page) takeBack(which string) Changed {
	run := p.replica.Undo
	if which == "redo" {
		run = p.replica.Redo
	}
	p.hand.Cancel()
	_, message, left, of, err := run()
	if errors.Is(err, edit.ErrNothing) {
		p.say("There is nothing to %s.", which)
		return StateChanged
	}
	if err != nil {
		return p.Fail(err)
	}
	if left > 0 {
		p.say("%d of %d changed since and were left alone.", left, of)
	}
	p.outgoing = append(p.outgoing, message)
	return p.follow() | StateChanged | OutgoingChanged | p.hover()
}

// mark paints a property onto tiles of a tileset.
func (p *Page) mark(ref world.Ref, list []int, m *tiles.Mark) Changed {
	t := p.doc().Tileset(ref.ID)
	if t == nil {
		return p.Fail(world.ErrGone)
	}
	if m == nil {
		return p.Fail(errUnknown)
	}
	e := edit.Edit{Label: fmt.Sprintf("mark %s on %s of %s", m.Property, counted(len(list), "tile"), t.Name)}
	for _, i := range list {
		if i < 0 || i >= t.Count {
			continue
		}
		becomes, err := m.Apply(t.Tile(i), func() tiles.Mask { return p.shownMask(t.First + i) })
		if err != nil {
			return p.Fail(err)
		}
		for _, v := range world.TileValues(i, t.Tile(i), becomes) {
			e.Parts = append(e.Parts, edit.Change{Ref: ref, Value: v})
		}
	}
	if len(e.Parts) == 0 {
		return 0
	}
	if r := []rune(e.Label); len(r) > 100 {
		e.Label = string(r[:99]) + "…"
	}
	return p.do(e)
}

// shownMask is the mask of what a tile shows; whole if its pixels are missing.
func (p *Page) shownMask(n int) tiles.Mask {
	l := p.doc().Project.Lattice()
	if pix := p.Tile(grid.Cell(n)); pix != nil {
		return tiles.MaskOf(pix, l.W, l.H)
	}
	return tiles.Whole
}

func counted(n int, thing string) string {
	if n == 1 {
		return "1 " + thing
	}
	return fmt.Sprintf("%d %ss", n, thing)
}

func (p *Page) tileset(t *Taken) Changed {
	if t == nil {
		return p.Fail(errUnknown)
	}
	set := &world.Tileset{Name: t.Name, Picture: t.Picture, Strip: t.Strip, First: t.First, Count: len(t.Places),
		Columns: t.Columns, Rows: t.Rows, Places: t.Places, Tiles: make([]*tiles.Properties, len(t.Places)),
		Cut: t.Cut}
	ref := world.Ref{Kind: world.KindTileset, ID: p.ids.NewID()}
	return p.do(edit.Edit{Label: "bring in " + t.Name, Parts: []edit.Part{edit.Put{Ref: ref, Values: set.Values()}}})
}

func (p *Page) play(o Order) Changed {
	start := play.Start{}
	if o.Yes {
		if s := hand.At(p.doc(), grid.Point{X: o.X, Y: o.Y}); s.Map != nil {
			start = play.Start{Map: s.Map.ID, Cell: s.Cell}
		} else {
			p.say("There is no map under the pointer, so play begins at the spawn.")
		}
	}
	game, err := play.New(p.doc(), start)
	if err != nil {
		return p.Fail(err)
	}
	p.hand.Cancel()
	p.hand.Selected = hand.Selection{}
	p.game, p.events = game, nil
	p.collect()
	return PlayChanged | StateChanged | SceneChanged | CellsChanged | PointerChanged
}

// Tick lets a tick of the game pass.
func (p *Page) Tick(in play.Input) Changed {
	if p.game == nil {
		return 0
	}
	before := p.game.Status()
	p.game.Tick(in)
	after := p.game.Status()
	p.moving = before.Place != after.Place
	p.collect()
	if before.Taken != after.Taken {
		return PlayChanged | TakenChanged
	}
	return PlayChanged
}

func (p *Page) collect() {
	for _, e := range p.game.Events() {
		p.events = append(p.events, string(e))
	}
}

// Answered is the sequence number of the last step that the server has taken
// or refused.
func (p *Page) Answered() uint64 { return p.replica.Answered() }

// Revision is how many steps of the project's log this page has seen.
func (p *Page) Revision() uint64 { return p.replica.Revision() }

// Document is the document as it is shown.
func (p *Page) Document() *world.Document { return p.doc() }
