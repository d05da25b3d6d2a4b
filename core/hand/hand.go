package hand

import (
	"fmt"
	"slices"
	"strings"

	"azzel/core/edit"
	"azzel/core/grid"
	"azzel/core/kind"
	"azzel/core/pace"
	"azzel/core/tiles"
	"azzel/core/world"
)

// Holding is what sort of thing is in the hand.
type Holding string

// What can be held. Nothing selects and drags; Choose selects cells in every shape;
// Patch is a block of cells, kept or not; Measure says how far it is; a Wire lets one piece work another.
const (
	Nothing  Holding = "nothing"
	Tile     Holding = "tile"
	Eraser   Holding = "eraser"
	Piece    Holding = "piece"
	Crossing Holding = "crossing"
	Medley   Holding = "medley"
	Bond     Holding = "bond"
	Patch    Holding = "patch"
	Choose   Holding = "choose"
	Measure  Holding = "measure"
	Wire     Holding = "wire"
)

// Holdings are all that can be held.
var Holdings = []Holding{Nothing, Tile, Eraser, Piece, Crossing, Medley, Bond, Patch, Choose, Measure, Wire}

// Shape is how what is held is laid, or cells are chosen.
type Shape string

// The shapes. A room is walls of what is held with a floor of what was held before.
const (
	Free       Shape = "free"
	Line       Shape = "line"
	Box        Shape = "box"
	Ring       Shape = "ring"
	Room       Shape = "room"
	Oval       Shape = "oval"
	Fill       Shape = "fill"
	Everywhere Shape = "everywhere"
)

// Shapes are all of them, in the order in which they are shown.
var Shapes = []Shape{Free, Line, Box, Ring, Room, Oval, Fill, Everywhere}

// boxed reports whether the shape follows from two corners.
func (s Shape) boxed() bool { return s == Box || s == Ring || s == Room || s == Oval }

// fills reports whether the shape is found from one cell.
func (s Shape) fills() bool { return s == Fill || s == Everywhere }

// MaxSize is the largest brush, in cells.
const MaxSize = 64

// Held is what is in a hand.
type Held struct {
	Holding Holding
	Tile    grid.Cell
	Type    world.ID
	Medley  world.ID
	Bond    world.ID
	// Block is what is held of a patch; Kept is the patch it is, 0 for none.
	Block *world.Block
	Kept  world.ID
}

// Paints reports whether what is held is laid in shapes.
func (h Held) Paints() bool {
	switch h.Holding {
	case Tile, Eraser, Medley, Bond, Patch:
		return true
	}
	return false
}

// Selection is what is selected, and the cell where it was.
type Selection struct {
	Ref  world.Ref
	End  int
	Map  world.ID
	Cell grid.Point
}

// A Hand is one person's hand on one page. Which layer is current and which
// are hidden is theirs alone.
type Hand struct {
	Held
	// Before is what it painted with before; it makes the floor of a room.
	Before Held
	// Last is what it held last that is cells, a tile or a block; the zero value for nothing yet.
	Last  Held
	Shape Shape
	// Size is how many cells wide and high a brush is, and how thick a ring.
	Size int
	// Mirror repeats strokes on the other side of the map's mirror lines.
	Mirror   Mirror
	Selected Selection
	// Cells are the cells chosen, in every layer or in the current one.
	Cells Cells
	// Adds says what choosing does with what is chosen already.
	Adds Adding
	// Through lets choosing, erasing and picking go through all layers that are
	// shown and not locked.
	Through bool
	// Near is how many pixels of the board are near enough to an edge to take it.
	Near int
	// Steady keeps lines straight and boxes square; a map's edge pushes others.
	Steady bool
	// Pace is told of the cells that are looked at where there may be very many.
	Pace    pace.Pace
	current map[world.ID]world.ID
	hidden  map[world.ID]bool
	only    map[world.ID]world.ID
	axes    map[world.ID]grid.Point
	made    map[madeLayer]*world.Layer
	ids     world.Allocator
	gesture gesture
	ghost   Ghost
	// measured is what was measured last.
	measured Ghost
	fills    fillCache
}

// New makes an empty hand whose new things get ids from ids.
func New(ids world.Allocator) *Hand {
	return &Hand{Held: Held{Holding: Nothing, Type: kind.First(func(k *kind.Kind) bool { return k.Counted }).ID, Tile: 1}, Shape: Free, Size: 1, Adds: Anew, ids: ids,
		current: map[world.ID]world.ID{}, hidden: map[world.ID]bool{}, only: map[world.ID]world.ID{}, axes: map[world.ID]grid.Point{}, made: map[madeLayer]*world.Layer{}}
}

// Take takes something else into the hand.
func (h *Hand) Take(held Held) {
	if h.Paints() && h.Holding != Eraser && held != h.Held {
		h.Before = h.Held
	}
	h.keepLast()
	h.Held, h.measured = held, Ghost{}
}

// Empty lets the hand hold nothing; what it held before stays what it is.
func (h *Hand) Empty() {
	h.keepLast()
	h.Holding = Nothing
}

func (h *Hand) keepLast() {
	if h.Holding == Tile || h.Holding == Patch {
		h.Last = h.Held
	}
}

// floor is what the floor of a room is laid of: what was held before, else the
// ground that goes with the tile in the hand.
func (h *Hand) floor(d *world.Document, at grid.Point) (Supply, string) {
	if h.Before.Paints() && h.Before.Holding != Eraser {
		return h.Before.supply(d, false, at)
	}
	sets := d.Tilesets
	if t, _ := d.TilesetOf(h.Tile.Tile()); t != nil {
		sets = append([]*world.Tileset{t}, sets...)
	}
	for _, t := range sets {
		for i := range t.Count {
			if t.Tile(i).Role == tiles.Ground {
				return Supply{Cell: grid.Cell(t.First + i)}, ""
			}
		}
	}
	return Supply{}, "Take what the floor is to be into the hand first, then what the walls are to be."
}

// A Spot is a place on the board.
type Spot struct {
	// Board is the cell of the board.
	Board grid.Point
	// Map is the map that lies there, or nil.
	Map *world.Map
	// Cell and Pixel are where on that map it is.
	Cell, Pixel grid.Point
}

// At finds the spot at a pixel of the board.
func At(d *world.Document, pixel grid.Point) Spot {
	l := d.Project.Lattice()
	s := Spot{Board: l.CellAt(pixel)}
	if m := d.MapAt(s.Board); m != nil {
		s = on(d, m, pixel)
	}
	return s
}

// on is the spot at a pixel of the board, counted on m even outside it.
func on(d *world.Document, m *world.Map, pixel grid.Point) Spot {
	l := d.Project.Lattice()
	s := Spot{Board: l.CellAt(pixel), Map: m}
	s.Cell = s.Board.Sub(m.Origin)
	s.Pixel = pixel.Sub(l.Pixel(m.Origin))
	return s
}

// Layer is the current layer of a map: the one chosen, else the player's.
func (h *Hand) Layer(m *world.Map) *world.Layer {
	if l := m.Layer(h.current[m.ID]); l != nil {
		return l
	}
	return m.Layer(m.PlayerLayer)
}

// target is the layer on which a supply would be laid: a tile's home, the layer above
// the player for a tile that lies above, else the current one.
func (h *Hand) target(d *world.Document, m *world.Map, s Supply) *world.Layer {
	if s.mixed() || s.Cell == 0 {
		return h.Layer(m)
	}
	is := d.TileOf(s.Cell.Tile())
	for i, l := range m.Layers {
		if is.Home != "" && strings.EqualFold(l.Name, is.Home) {
			return l
		}
		if is.Home == "" && is.Above && l.ID == m.PlayerLayer && i+1 < len(m.Layers) {
			return m.Layers[i+1]
		}
	}
	return h.Layer(m)
}

// SetLayer makes a layer of a map the current one.
func (h *Hand) SetLayer(m, layer world.ID) { h.current[m] = layer }

// Hidden reports whether this person has hidden the layer.
func (h *Hand) Hidden(layer world.ID) bool { return h.hidden[layer] }

// SetHidden hides or shows a layer for this person.
func (h *Hand) SetHidden(layer world.ID, hidden bool) { h.hidden[layer] = hidden }

// Only is the layer of a map that is shown alone; nil if all are.
func (h *Hand) Only(m *world.Map) *world.Layer { return m.Layer(h.only[m.ID]) }

// SetOnly shows a layer of a map alone, for this person, or again all.
func (h *Hand) SetOnly(m, layer world.ID, alone bool) {
	delete(h.only, m)
	if alone {
		h.only[m] = layer
		h.SetLayer(m, layer)
	}
}

// HoldBlock takes a block into the hand, which may be a kept patch; nothing for nil.
func (h *Hand) HoldBlock(b *world.Block, kept world.ID) bool {
	if b == nil {
		return false
	}
	// A block of the current layer alone is laid on whatever layer is current.
	if len(b.Layers) == 1 && !h.Through && kept == 0 {
		flat := *b
		flat.Layers = []world.BlockLayer{b.Layers[0]}
		flat.Layers[0].Name, flat.Layers[0].Depth = "", 0
		b = &flat
	}
	held := h.Held
	held.Holding, held.Block, held.Kept = Patch, b, kept
	h.Take(held)
	if h.Shape.fills() {
		h.Shape = Free
	}
	return true
}

// takes reports of the layers of a map whether hands reach them: the current one, or
// all that are shown and not locked.
func (h *Hand) takes(m *world.Map) func(*world.Layer) bool {
	current := h.Layer(m)
	return func(l *world.Layer) bool {
		if h.Through {
			return !h.hidden[l.ID] && !l.Locked
		}
		return l == current || l.ID == current.ID
	}
}

// Turn turns what is held by a quarter to the right; it says why it can't be.
func (h *Hand) Turn(d *world.Document) string {
	l := d.Project.Lattice()
	switch {
	case h.Holding != Tile && (h.Holding != Patch || h.Block == nil):
		return "Only tiles and blocks can be turned. Take one into the hand first."
	case l.W != l.H:
		return "The cells of this project are not square, so tiles can't be turned. Mirror them instead."
	case h.Holding == Patch:
		h.Block = h.Block.Turned(h.Pace, l)
	default:
		h.Tile = h.Tile.Transpose().Mirror(true, false)
	}
	return ""
}

// Flip mirrors what is held left to right, or else top to bottom; it says why it
// can't be.
func (h *Hand) Flip(d *world.Document, leftRight bool) string {
	switch {
	case h.Holding == Tile:
		h.Tile = h.Tile.Mirror(leftRight, !leftRight)
	case h.Holding == Patch && h.Block != nil:
		h.Block = h.Block.Mirrored(h.Pace, d.Project.Lattice(), leftRight)
	default:
		return "Only tiles and blocks can be mirrored. Take one into the hand first."
	}
	return ""
}

// Outcome is what the end of a gesture asks for. All parts may be empty.
type Outcome struct {
	// Edit is to be applied.
	Edit *edit.Edit
	// Said is for the designer: why nothing happened.
	Said string
}

func said(format string, values ...any) Outcome { return Outcome{Said: fmt.Sprintf(format, values...)} }

// Remove is the edit that removes what is selected, nil if it can't be. For a
// map it also says in words what goes with it.
func Remove(d *world.Document, s Selection) (e *edit.Edit, says string) {
	name := Name(d, s.Ref)
	if name == "" {
		return nil, ""
	}
	if m := d.Map(s.Ref.Map); s.Ref.Sort == world.SortPiece && m != nil && m.Piece(s.Ref.ID) != nil {
		if problem := held(m, m.Piece(s.Ref.ID)); problem != "" {
			return nil, problem
		}
	}
	e = &edit.Edit{Label: "delete " + name}
	switch s.Ref.Sort {
	case world.SortPiece:
		if _, p := d.Piece(s.Ref.ID); p != nil {
			e.Parts = edit.RemoveWith(d, p)
		}
	case world.SortMap:
		e.Parts = edit.RemoveWithMap(d, d.Map(s.Ref.ID))
	case world.SortCrossing:
		e.Parts = edit.RemoveRules(d, kind.Crossing, s.Ref.ID)
	case world.SortArea:
		e.Parts = append(edit.RemoveRules(d, kind.Area, s.Ref.ID), edit.RemoveWires(d, s.Ref.ID)...)
	}
	e.Parts = append(e.Parts, edit.Remove{Ref: s.Ref})
	if s.Ref.Sort != world.SortMap {
		return e, ""
	}
	m := d.Map(s.Ref.ID)
	crossings := d.CrossingsOf(m.ID)
	all := "all that is on it"
	if slices.ContainsFunc(d.Facts, func(f *world.Fact) bool { return f.Map == m.ID }) {
		all += " and its facts"
	}
	switch len(crossings) {
	case 0:
		says = fmt.Sprintf("%s goes with %s. No crossing leads here.", m.Name, all)
	case 1:
		says = fmt.Sprintf("%s goes with %s, and one crossing: %s.", m.Name, all, CrossingName(d, crossings[0]))
	default:
		says = fmt.Sprintf("%s goes with %s, and %d crossings:", m.Name, all, len(crossings))
		for i, c := range crossings {
			if i == 5 {
				says += fmt.Sprintf(" and %d more", len(crossings)-i)
				break
			}
			if i > 0 {
				says += ";"
			}
			says += " " + CrossingName(d, c)
		}
		says += "."
	}
	if m.ID != 0 && len(d.Maps) == 1 {
		return nil, "This is the only map. Make another before you delete it."
	}
	return e, says
}

// Rename is the edit that gives something another name.
func Rename(d *world.Document, r world.Ref, name string) *edit.Edit {
	return &edit.Edit{Label: fmt.Sprintf("rename %s", Name(d, r)),
		Parts: []edit.Part{edit.Change{Ref: r, Value: world.TextValue(world.FieldName, name)}}}
}
