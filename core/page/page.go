package page

import (
	"bytes"
	"fmt"
	"strconv"

	"azzel/core/edit"
	"azzel/core/grid"
	"azzel/core/hand"
	"azzel/core/pace"
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
	// WorkLeft says that something is under way, with which Work goes on.
	WorkLeft
	// ReplaysChanged says that what is told of kept replays differs.
	ReplaysChanged
	// RerunLeft says that kept replays are still being played, with which Rerun goes on.
	RerunLeft
	// RepliesChanged says that there are replies to orders.
	RepliesChanged
)

// A Page is one open page of a project. It must be used by one goroutine.
type Page struct {
	// Slice is how many cells are worked on before what is left waits for Work.
	Slice   int
	replica *edit.Replica
	hand    *hand.Hand
	ids     *world.Counter
	bitmaps *picture.Bitmaps
	// played is the game under way, nil for none.
	played *play.Recording
	// trying says that the game is played with a value that is being dragged and is not yet
	// in the document.
	trying bool
	// sent is where the player was sent by a click, nil for nowhere.
	sent *play.Walk
	// hands are those of the replay that is watched, nil for none.
	hands *play.Hands
	// helps are those that are on.
	helps play.Input
	// given is what those know who play kept replays.
	given given
	// attempt, unless nil, is the document with a value of a piece that is dragged.
	attempt *world.Document
	// plays counts the plays begun here; chance is what their chance begins with.
	plays, chance uint64
	working       *working
	later         []job
	// inbox are messages from the server that wait.
	inbox [][]byte
	// finished is what has changed since Work was called last.
	finished Changed
	// told says that it was last said that something is under way.
	told     bool
	outgoing [][]byte
	messages []string
	// reply is that of the order under way, nil for none; replies are those that were not taken.
	reply   *Reply
	replies []Reply
	events  []string
	pixel   grid.Point
	shown   *world.Document
	moving  bool
	// stamps count how often each tileset has changed.
	stamps map[world.ID]stamp
	// strips are the pictures of characters, by their sums.
	strips map[string]*tiles.Strip
	// block is the block last told of, blocks counts them.
	block  *world.Block
	blocks int
	// aside are steps of an earlier page that can't be read.
	aside [][]byte
	// looked, unless nil, is the kept state that is shown, called lookedName.
	looked     *world.Document
	lookedName string
}

// Open begins with what the server sent and with the messages of an earlier
// page of this session that may not have arrived.
func Open(opening []byte, queue [][]byte) (*Page, error) { return OpenAt(nil, opening, queue) }

// OpenAt is Open for work that goes at a pace.
func OpenAt(at pace.Pace, opening []byte, queue [][]byte) (*Page, error) {
	o, err := edit.DecodeOpening(opening, at)
	if err != nil {
		return nil, err
	}
	p := &Page{Slice: sliceCells, replica: edit.NewReplica(o), ids: &world.Counter{Prefix: o.Prefix}, chance: uint64(o.Prefix) << 32, strips: map[string]*tiles.Strip{}, stamps: map[world.ID]stamp{}}
	p.hand = hand.New(p.ids)
	p.replica.Pace = at
	defer func() { p.replica.Pace = nil }()
	p.aside = p.replica.TakeUp(queue)
	p.bitmaps = picture.NewBitmaps(picture.NewAtlas(o.Document.Project.Lattice()))
	p.outgoing = p.replica.Outgoing()
	return p, nil
}

// A stamp is how a tileset was when it was last looked at.
type stamp struct {
	set *world.Tileset
	n   int
}

// doc is what is shown: the project, or a kept state.
func (p *Page) doc() *world.Document {
	if p.looked != nil {
		return p.looked
	}
	return p.replica.Document()
}

func (p *Page) say(format string, values ...any) {
	p.messages = append(p.messages, fmt.Sprintf(format, values...))
}

// Fail tells the designer of an error, for which what was asked for was not done.
func (p *Page) Fail(err error) Changed {
	if err == nil {
		return 0
	}
	return p.refuse("%s", sentence(err))
}

// sentence is an error as one.
func sentence(err error) string {
	text := []rune(err.Error())
	if len(text) > 0 && text[0] >= 'a' && text[0] <= 'z' {
		text[0] -= 'a' - 'A'
	}
	return string(text) + "."
}

// Receive takes messages from the server, in the order in which they came, together with
// those that wait already. What the designer asked for comes before them. After
// edit.ErrGap the page must be opened anew.
func (p *Page) Receive(messages ...[]byte) (Changed, error) {
	for _, m := range messages {
		single, err := edit.Single(m)
		if err != nil {
			return 0, err
		}
		p.inbox = append(p.inbox, single...)
	}
	if p.working != nil {
		return WorkLeft, nil
	}
	p.next()
	// The rest of a frame in which something came belongs to the designer.
	return p.Work(p.Slice / 4)
}

// heardAtATime is how many messages are taken before something else has its turn.
const heardAtATime = 200

// hear takes messages that wait.
func (p *Page) hear() (Changed, error) {
	n := min(len(p.inbox), heardAtATime)
	messages := p.inbox[:n]
	p.inbox = p.inbox[n:]
	notices, err := p.replica.Receive(messages...)
	for _, n := range notices {
		if n.Refused != "" {
			p.say("The server refused a change: %s.", n.Refused)
		}
	}
	if err != nil {
		return 0, err
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

// Aside are the messages of an earlier page that could not be taken up. Those after them were, as steps of
// their own.
func (p *Page) Aside() [][]byte { return p.aside }

// Latest is the project with all that was done here, whatever is looked at.
func (p *Page) Latest() *world.Document { return p.replica.Document() }

// DoAgain does steps here that were meant for another database, as far as they can be done, and says how many were.
type DoAgain struct {
	Steps Attached `json:"-"`
}

// Do implements Order.
func (o DoAgain) Do(p *Page) Changed {
	if p.looking() {
		return StateChanged
	}
	became, done := map[uint64]uint64{}, 0
	for _, m := range o.Steps {
		sequence, body, err := edit.ReadSend(m)
		if err != nil {
			continue
		}
		e, err := edit.Decode(body)
		if err == nil && e.Undoes != 0 {
			if e.Undoes = became[e.Undoes]; e.Undoes == 0 {
				continue
			}
		}
		if err != nil {
			continue
		}
		n, message, err := p.replica.Do(e)
		if err != nil {
			continue
		}
		became[sequence] = n
		done++
		p.send(message)
	}
	p.say("%d of %s could be done here.", done, counted(len(o.Steps), "step"))
	return p.follow() | StateChanged | OutgoingChanged
}

// follow lets game and pictures go on with the present document.
func (p *Page) follow() Changed {
	d := p.doc()
	if d == p.shown {
		return 0
	}
	was := p.shown
	p.shown, p.attempt = d, nil
	changed := CellsChanged | PointerChanged
	if was == nil || sceneDiffers(was, d) {
		changed |= SceneChanged | StateChanged
	}
	if p.played != nil {
		if err := p.played.SetDocument(d); err != nil {
			p.played = nil
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
	if p.looking() {
		return StateChanged
	}
	before := p.doc()
	_, message, err := p.replica.Do(e)
	if err != nil {
		return p.Fail(err)
	}
	p.send(message)
	p.made(before, e)
	return p.follow() | StateChanged | OutgoingChanged
}

// made notes in the reply what an edit made.
func (p *Page) made(before *world.Document, e edit.Edit) {
	if p.reply == nil {
		return
	}
	for _, part := range e.Parts {
		put, is := part.(edit.Put)
		if is && !before.Holds(put.Ref) {
			p.reply.Made = append(p.reply.Made, FormatID(put.Ref.ID))
		}
	}
}

func (p *Page) outcome(o hand.Outcome) Changed {
	changed := StateChanged | PointerChanged
	if o.Said != "" && o.Edit == nil {
		p.refuse("%s", o.Said)
	}
	if o.Edit != nil {
		if o.Said != "" {
			p.say("%s", o.Said)
		}
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
// Near is how many pixels of the board are near enough to an edge to take it.
func (p *Page) Pointer(what int, pixel grid.Point, erase, steady bool, near int) Changed {
	if what == Hover && p.working != nil {
		p.pixel = pixel
		return 0
	}
	return p.ask(func() Changed {
		d := p.doc()
		p.hand.Near, p.hand.Steady = near, steady
		p.pixel = pixel
		switch what {
		case Hover, Drag:
			p.hand.Drag(d, pixel)
		case Press:
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
	})
}

func (p *Page) hover() Changed {
	p.hand.Hover(p.doc(), p.pixel)
	return PointerChanged
}

// AddPictures takes the tiles of a tileset or the frames of a character, as the server keeps them. The bytes are not kept.
type AddPictures struct {
	Of    ID       `json:"of"`
	Strip Attached `json:"-"`
}

// Do implements Order.
func (o AddPictures) Do(p *Page) Changed {
	data := o.Strip.first()
	s, err := tiles.DecodeStrip(data)
	if err != nil {
		return p.Fail(err)
	}
	if c := p.doc().Character(world.ID(o.Of)); c != nil && len(s.Places) == c.Frames() {
		if s, err = tiles.DecodeStrip(bytes.Clone(data)); err != nil {
			return p.Fail(err)
		}
		p.strips[c.Strip] = s
		return SceneChanged
	}
	t := p.doc().Tileset(world.ID(o.Of))
	if t == nil {
		return 0
	}
	p.bitmaps.Atlas.Add(t, s)
	return SceneChanged | CellsChanged
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

// Answered is the sequence number of the last step that the server has taken
// or refused.
func (p *Page) Answered() uint64 { return p.replica.Answered() }

// Revision is how many steps of the project's log this page has seen.
func (p *Page) Revision() uint64 { return p.replica.Revision() }

// Document is the document as it is shown.
func (p *Page) Document() *world.Document { return p.doc() }
