package page

import (
	"azzel/core/appearance"
	"fmt"
	"slices"
	"strconv"

	"azzel/core/edit"
	"azzel/core/findings"
	"azzel/core/grid"
	"azzel/core/hand"
	"azzel/core/pace"
	"azzel/core/page/sent"
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
	// PlayHeld says that what play is held at has come, so that no more ticks are to pass by themselves.
	PlayHeld
)

// A Page is one open page of a project. It must be used by one goroutine.
type Page struct {
	// Slice is how many cells are worked on before what is left waits for Work.
	Slice   int
	Replica *edit.Replica
	Hand    *hand.Hand
	// IDs are those of the things that are made here.
	IDs     *world.Counter
	Bitmaps *picture.Bitmaps
	// Pixel is where the pointer is on the board.
	Pixel grid.Point
	// Messages are what is to be said to the designer with the next view of the state.
	Messages []string
	// SentScene is what of the scene was sent.
	SentScene sent.View
	// Stamps count how often each tileset has changed.
	Stamps map[world.ID]Stamp
	// Strips are the pictures of characters, by their sums.
	Strips map[string]*tiles.Strip
	// Appearances are the numbers of pictures of pieces that this page was told of, by how they are stored, AppearanceList those pictures.
	Appearances    map[string]int
	AppearanceList []appearance.Picture
	// Stills are the pieces of a document, StillOf, that have pictures of their own, or are there to be seen alone.
	Stills  []Still
	StillOf *world.Document
	// Block is the block that was told of last, Blocks counts them.
	Block  *world.Block
	Blocks int
	// Looked, unless nil, is the version that is shown, called LookedName.
	Looked     *world.Document
	LookedName string
	// Finder finds what is wrong in the project.
	Finder findings.Finder
	// Given is what those know who play kept replays.
	Given Given

	// Played is the game under way, nil for none. Trying says that it is played with a value that is being dragged and is not
	// yet in the document; Attempt, unless nil, is the document with a value of a piece that is dragged.
	Played  *play.Recording
	Trying  bool
	Attempt *world.Document
	// Plays counts the plays begun here, Chance is what their chance begins with.
	Plays, Chance uint64
	// Sent is where the player was sent by a click, Hands are those of the replay that is watched; nil for none.
	Sent  *play.Walk
	Hands *play.Hands
	// Presses are keys that are pressed in the next ticks, each in one of them.
	Presses []play.Input
	// HoldRules are the rules at which play is held once one goes, HoldFacts what facts become at which it is.
	HoldRules map[world.ID]bool
	HoldFacts map[world.ID]int
	// StartedAs is the named start by which play began last, 0 for none.
	StartedAs world.ID
	// Helps are the aids for testing that are on.
	Helps play.Input
	// Moving says that the player moved in the last tick.
	Moving bool
	// Overruled are changes of rules that others made just before this page made others of the same, oldest first, which stand.
	Overruled []edit.Change
	// Events are what happened in the game and was not told yet, in words.
	Events []string

	working *working
	later   []job
	// inbox are messages from the server that wait, outgoing those that are to be sent.
	inbox, outgoing [][]byte
	// finished is what has changed since Work was called last.
	finished Changed
	// told says that it was last said that something is under way.
	told bool
	// reply is that of the order under way, nil for none; replies are those that were not taken.
	reply   *Reply
	replies []Reply
	// shown is the document that was followed last, reseen what was seen of one that is played when Reseen was called last.
	shown, reseen *world.Document
	// aside are steps of an earlier page that can't be read.
	aside [][]byte
}

// A Still is a piece that has pictures of its own, or is there to be seen alone, with its map.
type Still struct {
	Map   *world.Map
	Piece *world.Piece
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
	p := &Page{Slice: sliceCells, Replica: edit.NewReplica(o), IDs: &world.Counter{Prefix: o.Prefix}, Chance: uint64(o.Prefix) << 32, Strips: map[string]*tiles.Strip{}, Stamps: map[world.ID]Stamp{}}
	p.Hand = hand.New(p.IDs)
	p.Replica.Pace = at
	defer func() { p.Replica.Pace = nil }()
	p.aside = p.Replica.TakeUp(queue)
	p.Bitmaps = picture.NewBitmaps(picture.NewAtlas(p.Replica.Document().Project.Lattice()))
	p.outgoing = p.Replica.Outgoing()
	return p, nil
}

// A Stamp is how a tileset was when it was last looked at.
type Stamp struct {
	Set *world.Tileset
	N   int
}

// Doc is what is shown: the project, or a version that was kept.
func (p *Page) Doc() *world.Document {
	if p.Looked != nil {
		return p.Looked
	}
	return p.Replica.Document()
}

// Say tells the designer something, with the next view of the state.
func (p *Page) Say(format string, values ...any) {
	p.Messages = append(p.Messages, fmt.Sprintf(format, values...))
}

// Fail tells the designer of an error, for which what was asked for was not done.
func (p *Page) Fail(err error) Changed {
	if err == nil {
		return 0
	}
	return p.Refuse("%s", Sentence(err))
}

// Sentence is an error as one.
func Sentence(err error) string {
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
	notices, err := p.Replica.Receive(messages...)
	for _, n := range notices {
		if n.Refused != "" {
			p.Say("The server refused a change: %s.", n.Refused)
		}
		if n.Overruled.Value.Field != 0 {
			p.overruled(n.Overruled)
		}
	}
	if err != nil {
		return 0, err
	}
	return p.Follow() | StateChanged | OutgoingChanged, nil
}

// mostOverruled is how many changes of others are offered at most.
const mostOverruled = 50

// overruled keeps a change that somebody else made just before, in the place of one of the same, and says that there is one.
func (p *Page) overruled(c edit.Change) {
	p.Overruled = slices.DeleteFunc(p.Overruled, func(o edit.Change) bool { return o.Ref == c.Ref && o.Value.Field == c.Value.Field })
	p.Overruled = append(p.Overruled[max(0, len(p.Overruled)-mostOverruled+1):], c)
	p.Say("Somebody else changed the same in a rule just before you did. Yours stands; theirs is offered beneath it.")
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
	return p.Replica.Outgoing()
}

// Aside are the messages of an earlier page that could not be taken up. Those after them were, as steps of
// their own.
func (p *Page) Aside() [][]byte { return p.aside }

// Latest is the project with all that was done here, whatever is looked at.
func (p *Page) Latest() *world.Document { return p.Replica.Document() }

// Follow lets game and pictures go on with the present document.
func (p *Page) Follow() Changed {
	d := p.Doc()
	if d == p.shown {
		return 0
	}
	was := p.shown
	p.shown, p.Attempt = d, nil
	changed := CellsChanged | PointerChanged
	if was == nil || sceneDiffers(was, d) {
		changed |= SceneChanged | StateChanged
	}
	if l := d.Project.Lattice(); l != p.Bitmaps.Atlas.Lattice() {
		// All that was drawn, and where everybody stands, is of cells of another size.
		p.Bitmaps = picture.NewBitmaps(picture.NewAtlas(l))
		if p.Played != nil {
			p.Played = nil
			p.Say("A cell is %d × %d px now, so play has ended.", l.W, l.H)
			changed |= PlayChanged
		}
	}
	if p.Played != nil {
		if err := p.Played.SetDocument(d); err != nil {
			p.Played = nil
			p.Fail(err)
		} else {
			p.Collect()
		}
		changed |= PlayChanged | StateChanged
	}
	return changed
}

func sceneDiffers(a, b *world.Document) bool {
	diff := world.Diff(a, b)
	return len(diff.Put)+len(diff.Removed) > 0
}

// Do does a step, and notes in the reply to the order under way what it made. While a version is shown it says that nothing
// can be changed.
func (p *Page) Do(e edit.Edit) Changed {
	if p.Looking() {
		return StateChanged
	}
	before := p.Doc()
	_, message, err := p.Replica.Do(e)
	if err != nil {
		return p.Fail(err)
	}
	p.Send(message)
	p.made(before, e)
	return p.Follow() | StateChanged | OutgoingChanged
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

// Outcome does what came of a hand, or says why nothing did.
func (p *Page) Outcome(o hand.Outcome) Changed {
	changed := StateChanged | PointerChanged
	if o.Said != "" && o.Edit == nil {
		p.Refuse("%s", o.Said)
	}
	if o.Edit != nil {
		if o.Said != "" {
			p.Say("%s", o.Said)
		}
		changed |= p.Do(*o.Edit)
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
		p.Pixel = pixel
		return 0
	}
	return p.ask(func() Changed {
		d := p.Doc()
		p.Hand.Near, p.Hand.Steady = near, steady
		p.Pixel = pixel
		switch what {
		case Hover, Drag:
			p.Hand.Drag(d, pixel)
		case Press:
			return p.Outcome(p.Hand.Press(d, pixel, erase))
		case Release:
			if !p.Hand.Busy() {
				return 0
			}
			return p.Outcome(p.Hand.Release(d, pixel)) | p.Hover()
		case Leave:
			p.Hand.Leave()
		}
		return PointerChanged
	})
}

// Hover lets the hand see what is under the pointer now.
func (p *Page) Hover() Changed {
	p.Hand.Hover(p.Doc(), p.Pixel)
	return PointerChanged
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
func (p *Page) Answered() uint64 { return p.Replica.Answered() }

// Revision is how many steps of the project's log this page has seen.
func (p *Page) Revision() uint64 { return p.Replica.Revision() }

// Document is the document as it is shown.
func (p *Page) Document() *world.Document { return p.Doc() }
