package hand

import (
	"fmt"
	"strings"

	"azzel/core/edit"
	"azzel/core/grid"
	"azzel/core/world"
)

// Holding is what sort of thing is in the hand.
type Holding string

// What can be held. Nothing selects and drags.
const (
	Nothing  Holding = "nothing"
	Tile     Holding = "tile"
	Eraser   Holding = "eraser"
	Piece    Holding = "piece"
	Crossing Holding = "crossing"
	Medley   Holding = "medley"
	Bond     Holding = "bond"
)

// Shape is how a tile or the eraser is laid.
type Shape string

// The shapes.
const (
	Free Shape = "free"
	Line Shape = "line"
	Box  Shape = "box"
	Fill Shape = "fill"
)

// Paints reports whether what is held is laid in shapes.
func (h *Hand) Paints() bool {
	return h.Holding == Tile || h.Holding == Eraser || h.Holding == Medley || h.Holding == Bond
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
	Holding  Holding
	Tile     grid.Cell
	Type     world.ID
	Medley   world.ID
	Bond     world.ID
	Shape    Shape
	Selected Selection
	// Steady keeps lines straight and boxes square.
	Steady  bool
	current map[world.ID]world.ID
	hidden  map[world.ID]bool
	ids     world.Allocator
	gesture gesture
	ghost   Ghost
	fills   fillCache
}

// New makes an empty hand whose new things get ids from ids.
func New(ids world.Allocator) *Hand {
	return &Hand{Holding: Nothing, Shape: Free, Type: world.Collectible, Tile: 1, ids: ids,
		current: map[world.ID]world.ID{}, hidden: map[world.ID]bool{}}
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

// target is the layer that what is held would be painted on: a tile's home, the
// layer above the player for a tile that lies above, else the current one.
func (h *Hand) target(d *world.Document, m *world.Map, erase bool) *world.Layer {
	if h.Holding != Tile || erase {
		return h.Layer(m)
	}
	is := d.TileOf(h.Tile.Tile())
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

// Shown has a bit for each layer of m that is not hidden, the lowest first.
func (h *Hand) Shown(m *world.Map) uint64 {
	var mask uint64
	for i, l := range m.Layers {
		if !h.hidden[l.ID] {
			mask |= 1 << i
		}
	}
	return mask
}

// Pick takes into the hand what lies at a pixel of the board: the tile on the
// current layer, or its bond if it has one, else the topmost one that is shown,
// else the type of a piece.
// It reports whether there was anything.
func (h *Hand) Pick(d *world.Document, pixel grid.Point) bool {
	s := At(d, pixel)
	if s.Map == nil {
		return false
	}
	take := func(c grid.Cell) bool {
		if c == 0 {
			return false
		}
		h.Holding, h.Tile = Tile, c
		if b := d.BondOf(c.Tile()); b != nil {
			h.Holding, h.Bond = Bond, b.ID
		}
		if h.Shape == "" {
			h.Shape = Free
		}
		return true
	}
	if p := topPiece(d, s); p != nil {
		h.Holding, h.Type = Piece, p.Type
		return true
	}
	if take(h.Layer(s.Map).Cells.At(s.Cell)) {
		return true
	}
	for i := len(s.Map.Layers) - 1; i >= 0; i-- {
		if l := s.Map.Layers[i]; !h.hidden[l.ID] && take(l.Cells.At(s.Cell)) {
			return true
		}
	}
	return false
}

// Outcome is what the end of a gesture asks for. All parts may be empty.
type Outcome struct {
	// Edit is to be applied.
	Edit *edit.Edit
	// Fill is to be run to its end, in slices; it gives the edit.
	Fill *FillTask
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
	e = &edit.Edit{Label: "delete " + name, Parts: []edit.Part{edit.Remove{Ref: s.Ref}}}
	if s.Ref.Kind != world.KindMap {
		return e, ""
	}
	m := d.Map(s.Ref.ID)
	crossings := d.CrossingsOf(m.ID)
	switch len(crossings) {
	case 0:
		says = fmt.Sprintf("%s goes with all that is on it. No crossing leads here.", m.Name)
	case 1:
		says = fmt.Sprintf("%s goes with all that is on it, and one crossing: %s.", m.Name, CrossingName(d, crossings[0]))
	default:
		says = fmt.Sprintf("%s goes with all that is on it, and %d crossings:", m.Name, len(crossings))
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
