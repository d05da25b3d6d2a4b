// Package holding is the room of the hand: what it holds, in which shape, what is selected, the ghost, and the
// clipboard.
package holding

import (
	"math"
	"slices"

	"azzel/core/edit"
	"azzel/core/grid"
	"azzel/core/hand"
	"azzel/core/page"
	"azzel/core/world"
)

// Hold takes something into the hand: a tile, or the piece, medley, bond or patch with an id. Without one it is what was held
// of that sort last.
type Hold struct {
	Holding string  `json:"holding"`
	Tile    int     `json:"tile,omitempty"`
	ID      page.ID `json:"id,omitempty"`
}

// Do implements Order.
func (o Hold) Do(p *page.Page) page.Changed {
	if !slices.Contains(hand.Holdings, hand.Holding(o.Holding)) {
		return p.Fail(page.ErrUnknown)
	}
	if set, _ := p.Doc().TilesetOf(grid.Cell(o.Tile).Tile()); o.Tile != 0 && (o.Tile < 0 || o.Tile > math.MaxInt32 || set == nil) {
		return p.Fail(world.ErrGone)
	}
	hold(p, o)
	return p.HandChanged()
}

func hold(p *page.Page, o Hold) {
	p.Hand.Cancel()
	held := p.Hand.Held
	held.Holding = hand.Holding(o.Holding)
	id := world.ID(o.ID)
	switch held.Holding {
	case hand.Tile:
		if o.Tile > 0 {
			held.Tile = grid.Cell(o.Tile)
		}
	case hand.Piece:
		if id != 0 {
			held.Type = id
		}
	case hand.Medley:
		if id != 0 {
			held.Medley = id
		}
	case hand.Bond:
		if id != 0 {
			held.Bond = id
		}
	case hand.Patch:
		if patch := p.Doc().Patch(id); patch != nil {
			p.Hand.HoldBlock(&patch.Block, id)
			return
		}
		if held.Block == nil {
			held.Holding = hand.Nothing
		}
	}
	p.Hand.Take(held)
}

// SetShape chooses the shape in which the hand works. A hand that does not work in shapes holds a tile then.
type SetShape struct {
	Shape string `json:"shape"`
}

// Do implements Order.
func (o SetShape) Do(p *page.Page) page.Changed {
	if !slices.Contains(hand.Shapes, hand.Shape(o.Shape)) {
		return p.Fail(page.ErrUnknown)
	}
	p.Hand.Shape = hand.Shape(o.Shape)
	if !p.Hand.Paints() && p.Hand.Holding != hand.Choose {
		p.Hand.Holding = hand.Tile
	}
	return p.HandChanged()
}

// SetSize says how many cells wide a brush is.
type SetSize struct {
	Size int `json:"size"`
}

// Do implements Order.
func (o SetSize) Do(p *page.Page) page.Changed {
	p.Hand.Size = min(max(o.Size, 1), hand.MaxSize)
	return p.HandChanged()
}

// Widen makes a brush wider by so many cells, or narrower if By is below 0.
type Widen struct {
	By int `json:"by"`
}

// Do implements Order.
func (o Widen) Do(p *page.Page) page.Changed {
	return SetSize{p.Hand.Size + min(max(o.By, -hand.MaxSize), hand.MaxSize)}.Do(p)
}

// Turn turns the cells that are selected, or what is in the hand, by a quarter.
type Turn struct{}

// Do implements Order.
func (Turn) Do(p *page.Page) page.Changed { return transform(p, hand.Quarter) }

// Flip mirrors the cells that are selected, or what is in the hand: left to right, or top to bottom.
type Flip struct {
	LeftRight bool `json:"leftRight"`
}

// Do implements Order.
func (o Flip) Do(p *page.Page) page.Changed {
	if o.LeftRight {
		return transform(p, hand.LeftRight)
	}
	return transform(p, hand.TopBottom)
}

// MirrorStrokes lets strokes be mirrored left to right, or top to bottom, or not any more.
type MirrorStrokes struct {
	LeftRight bool `json:"leftRight"`
	On        bool `json:"on"`
}

// Do implements Order.
func (o MirrorStrokes) Do(p *page.Page) page.Changed {
	if o.LeftRight {
		p.Hand.Mirror.LeftRight = o.On
	} else {
		p.Hand.Mirror.TopBottom = o.On
	}
	return p.HandChanged()
}

// MirrorHere lays the line at which strokes are mirrored through a pixel of the board.
type MirrorHere struct {
	X int `json:"x"`
	Y int `json:"y"`
}

// Do implements Order.
func (o MirrorHere) Do(p *page.Page) page.Changed {
	if s := hand.At(p.Doc(), page.At(o.X, o.Y)); s.Map != nil {
		p.Hand.SetAxis(s.Map, s.Cell)
	}
	return p.HandChanged()
}

// ReachThrough lets selecting, erasing and picking go through all layers, or not any more.
type ReachThrough struct {
	On bool `json:"on"`
}

// Do implements Order.
func (o ReachThrough) Do(p *page.Page) page.Changed {
	p.Hand.Through = o.On
	return p.HandChanged()
}

// SetAdding says what selecting does with what is selected.
type SetAdding struct {
	Adding string `json:"adding"`
}

// Do implements Order.
func (o SetAdding) Do(p *page.Page) page.Changed {
	if !slices.Contains(hand.Addings, hand.Adding(o.Adding)) {
		return p.Fail(page.ErrUnknown)
	}
	p.Hand.Adds = hand.Adding(o.Adding)
	return p.HandChanged()
}

// PickUp takes what lies in a box into the hand, between two pixels of the board.
type PickUp struct {
	X   int `json:"x"`
	Y   int `json:"y"`
	ToX int `json:"toX"`
	ToY int `json:"toY"`
}

// Do implements Order.
func (o PickUp) Do(p *page.Page) page.Changed {
	p.Hand.Cancel()
	if !p.Hand.PickBox(p.Doc(), page.At(o.X, o.Y), page.At(o.ToX, o.ToY)) {
		p.Refuse("There is nothing here to take into the hand.")
	}
	return p.HandChanged()
}

// Cancel ends the innermost thing: what is under way, a gesture, what is in the hand, the selection.
type Cancel struct{}

// Stops says that what is under way is stopped instead, if anything is.
func (Cancel) Stops() {}

// Do implements Order.
func (Cancel) Do(p *page.Page) page.Changed {
	switch {
	case p.Hand.Cancel():
	case p.Hand.Holding != hand.Nothing:
		p.Hand.Empty()
	case p.Hand.Chosen(p.Doc()).Map != 0:
		p.Hand.Cells = hand.Cells{}
	default:
		p.Hand.Selected = hand.Selection{}
	}
	return page.StateChanged | p.Hover()
}

// Duplicate takes a copy of what is selected into the hand.
type Duplicate struct{}

// Do implements Order.
func (Duplicate) Do(p *page.Page) page.Changed {
	b, problem := copied(p)
	if b == nil {
		return p.Refuse("%s", problem)
	}
	p.Hand.HoldBlock(b, 0)
	if left := leftBehind(p.Doc(), b); left != "" {
		p.Say("Holding %s.%s", contents(b), left)
	}
	return p.HandChanged()
}

// MakeHeld makes a thing and takes it into the hand.
func MakeHeld(p *page.Page, ref world.Ref, name string, values []world.Value, holding hand.Holding) page.Changed {
	before := p.Doc()
	changed := p.Do(edit.Edit{Label: edit.Clip("make " + name), Parts: []edit.Part{edit.Put{Ref: ref, Values: values}}})
	if p.Doc() != before {
		hold(p, Hold{Holding: string(holding), ID: page.ID(ref.ID)})
	}
	return changed
}
