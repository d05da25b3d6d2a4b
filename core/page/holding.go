package page

import (
	"math"
	"slices"

	"azzel/core/grid"
	"azzel/core/hand"
	"azzel/core/world"
)

// handChanged is what differs once the hand holds or does something else.
func (p *Page) handChanged() Changed { return StateChanged | SceneChanged | p.hover() }

// Hold takes something into the hand: a tile, or the piece, medley, bond or patch with an id. Without one it is what was held
// of that sort last.
type Hold struct {
	Holding string `json:"holding"`
	Tile    int    `json:"tile,omitempty"`
	ID      ID     `json:"id,omitempty"`
}

// Do implements Order.
func (o Hold) Do(p *Page) Changed {
	if !slices.Contains(hand.Holdings, hand.Holding(o.Holding)) {
		return p.Fail(errUnknown)
	}
	if set, _ := p.doc().TilesetOf(grid.Cell(o.Tile).Tile()); o.Tile != 0 && (o.Tile < 0 || o.Tile > math.MaxInt32 || set == nil) {
		return p.Fail(world.ErrGone)
	}
	p.hold(o)
	return p.handChanged()
}

func (p *Page) hold(o Hold) {
	p.hand.Cancel()
	held := p.hand.Held
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
		if patch := p.doc().Patch(id); patch != nil {
			p.hand.HoldBlock(&patch.Block, id)
			return
		}
		if held.Block == nil {
			held.Holding = hand.Nothing
		}
	}
	p.hand.Take(held)
}

// SetShape chooses the shape in which the hand works. A hand that does not work in shapes holds a tile then.
type SetShape struct {
	Shape string `json:"shape"`
}

// Do implements Order.
func (o SetShape) Do(p *Page) Changed {
	if !slices.Contains(hand.Shapes, hand.Shape(o.Shape)) {
		return p.Fail(errUnknown)
	}
	p.hand.Shape = hand.Shape(o.Shape)
	if !p.hand.Paints() && p.hand.Holding != hand.Choose {
		p.hand.Holding = hand.Tile
	}
	return p.handChanged()
}

// SetSize says how many cells wide a brush is.
type SetSize struct {
	Size int `json:"size"`
}

// Do implements Order.
func (o SetSize) Do(p *Page) Changed {
	p.hand.Size = min(max(o.Size, 1), hand.MaxSize)
	return p.handChanged()
}

// Widen makes a brush wider by so many cells, or narrower if By is below 0.
type Widen struct {
	By int `json:"by"`
}

// Do implements Order.
func (o Widen) Do(p *Page) Changed {
	return SetSize{p.hand.Size + min(max(o.By, -hand.MaxSize), hand.MaxSize)}.Do(p)
}

// Turn turns the cells that are selected, or what is in the hand, by a quarter.
type Turn struct{}

// Do implements Order.
func (Turn) Do(p *Page) Changed { return p.transform(hand.Quarter) }

// Flip mirrors the cells that are selected, or what is in the hand: left to right, or top to bottom.
type Flip struct {
	LeftRight bool `json:"leftRight"`
}

// Do implements Order.
func (o Flip) Do(p *Page) Changed {
	if o.LeftRight {
		return p.transform(hand.LeftRight)
	}
	return p.transform(hand.TopBottom)
}

// MirrorStrokes lets strokes be mirrored left to right, or top to bottom, or not any more.
type MirrorStrokes struct {
	LeftRight bool `json:"leftRight"`
	On        bool `json:"on"`
}

// Do implements Order.
func (o MirrorStrokes) Do(p *Page) Changed {
	if o.LeftRight {
		p.hand.Mirror.LeftRight = o.On
	} else {
		p.hand.Mirror.TopBottom = o.On
	}
	return p.handChanged()
}

// MirrorHere lays the line at which strokes are mirrored through a pixel of the board.
type MirrorHere struct {
	X int `json:"x"`
	Y int `json:"y"`
}

// Do implements Order.
func (o MirrorHere) Do(p *Page) Changed {
	if s := hand.At(p.doc(), at(o.X, o.Y)); s.Map != nil {
		p.hand.SetAxis(s.Map, s.Cell)
	}
	return p.handChanged()
}

// ReachThrough lets selecting, erasing and picking go through all layers, or not any more.
type ReachThrough struct {
	On bool `json:"on"`
}

// Do implements Order.
func (o ReachThrough) Do(p *Page) Changed {
	p.hand.Through = o.On
	return p.handChanged()
}

// SetAdding says what selecting does with what is selected.
type SetAdding struct {
	Adding string `json:"adding"`
}

// Do implements Order.
func (o SetAdding) Do(p *Page) Changed {
	if !slices.Contains(hand.Addings, hand.Adding(o.Adding)) {
		return p.Fail(errUnknown)
	}
	p.hand.Adds = hand.Adding(o.Adding)
	return p.handChanged()
}

// PickUp takes what lies in a box into the hand, between two pixels of the board.
type PickUp struct {
	X   int `json:"x"`
	Y   int `json:"y"`
	ToX int `json:"toX"`
	ToY int `json:"toY"`
}

// Do implements Order.
func (o PickUp) Do(p *Page) Changed {
	p.hand.Cancel()
	if !p.hand.PickBox(p.doc(), at(o.X, o.Y), at(o.ToX, o.ToY)) {
		p.refuse("There is nothing here to take into the hand.")
	}
	return p.handChanged()
}

// Cancel ends the innermost thing: what is under way, a gesture, what is in the hand, the selection.
type Cancel struct{}

// Stops says that what is under way is stopped instead, if anything is.
func (Cancel) Stops() {}

// Do implements Order.
func (Cancel) Do(p *Page) Changed {
	switch {
	case p.hand.Cancel():
	case p.hand.Holding != hand.Nothing:
		p.hand.Holding = hand.Nothing
	case p.hand.Chosen(p.doc()).Map != 0:
		p.hand.Cells = hand.Cells{}
	default:
		p.hand.Selected = hand.Selection{}
	}
	return StateChanged | p.hover()
}

// Duplicate takes a copy of what is selected into the hand.
type Duplicate struct{}

// Do implements Order.
func (Duplicate) Do(p *Page) Changed {
	b, problem := p.copied()
	if b == nil {
		return p.refuse("%s", problem)
	}
	p.hand.HoldBlock(b, 0)
	return p.handChanged()
}
