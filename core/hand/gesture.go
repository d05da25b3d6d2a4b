package hand

import (
	"fmt"

	"azzel/core/board"
	"azzel/core/grid"
	"azzel/core/world"
)

type gestureKind int

const (
	idle gestureKind = iota
	painting
	placing
	moving
	joining
	making
	choosing
	carrying
	sizing
	shifting
	measuring
	wiring
)

type gesture struct {
	kind  gestureKind
	erase bool
	start Spot
	// last and spans are cells of the board, way those that the pointer passed.
	last  grid.Point
	spans grid.Region
	way   []grid.Point
	moved bool
	again bool
	// maps are those that a stroke may run over.
	maps   []world.ID
	piece  world.ID
	pieceM world.ID
	// grip is at which of its cells a piece is moved, from that of its foot.
	grip grid.Point
	// sides are those of a map that are dragged.
	sides board.Sides
	// cells are carried, block is what lay in them when their map was as in lay.
	cells Cells
	block *world.Block
	lay   *world.Map
}

// Busy reports whether a gesture is under way.
func (h *Hand) Busy() bool { return h.gesture.kind != idle }

// Cancel gives up the gesture under way and reports whether there was one.
func (h *Hand) Cancel() bool {
	busy := h.Busy()
	h.gesture = gesture{}
	h.ghost = Ghost{}
	return busy
}

// Leave takes the ghost away when the pointer leaves the board.
func (h *Hand) Leave() {
	if !h.Busy() {
		h.ghost = Ghost{}
	}
}

// Hover shows what pressing at a pixel of the board would do.
func (h *Hand) Hover(d *world.Document, pixel grid.Point) {
	h.ghost = Ghost{}
	s := At(d, pixel)
	if h.Holding == Measure {
		// What was measured stays to be read until the next time.
		h.ghost = h.measured
		return
	}
	if h.Holding == Nothing {
		if m, sides := h.edgeAt(d, pixel); sides != 0 {
			h.ghost = Ghost{Sized: m.ID, Text: "drag to resize " + m.Name}
			return
		}
		if m := h.nameAt(d, pixel); m != nil {
			h.ghost = Ghost{Sized: m.ID, Room: m.OnBoard(), Text: "drag to move " + m.Name}
			return
		}
	}
	if s.Map == nil {
		return
	}
	switch {
	case h.Paints():
		if h.Shape.fills() {
			h.ghostFill(d, s)
			return
		}
		h.begin(d, s, false)
		h.extend(d, s.Board)
		h.ghostPaint(d)
		h.gesture = gesture{}
		h.ghost.Text = ""
		if supply, _ := h.supply(d, false, s.Board); h.target(d, s.Map, supply) != h.Layer(s.Map) {
			h.ghost.Text = "on " + h.target(d, s.Map, supply).Name
		}
	case h.Holding == Piece:
		h.ghostPiece(d, s, h.Type, 0)
	case h.Holding == Crossing:
		h.ghost = Ghost{From: s, To: s, Joins: true, Problem: doorwayProblem(d, s)}
	case h.Holding == Wire:
		_, problem := beginning(d, s)
		h.ghost = Ghost{From: s, To: s, Joins: true, Problem: problem}
	}
}

// begin starts a stroke.
func (h *Hand) begin(d *world.Document, s Spot, erase bool) {
	h.gesture = gesture{kind: painting, start: s, last: s.Board, erase: erase || h.Holding == Eraser}
	for _, m := range reach(d, s.Map) {
		h.gesture.maps = append(h.gesture.maps, m.ID)
	}
}

// Press begins a gesture at a pixel of the board. Erase says that it takes
// away what the hand would lay.
func (h *Hand) Press(d *world.Document, pixel grid.Point, erase bool) Outcome {
	h.Cancel()
	s := At(d, pixel)
	h.gesture = gesture{start: s, last: s.Board, erase: erase}
	switch {
	case h.Holding == Nothing:
		if m, sides := h.edgeAt(d, pixel); sides != 0 && !erase {
			h.gesture.kind, h.gesture.sides, h.gesture.start = sizing, sides, Spot{Board: s.Board, Map: m}
			return Outcome{}
		}
		if m := h.nameAt(d, pixel); m != nil && !erase {
			h.Selected, h.Cells = Selection{world.Ref{Sort: world.SortMap, ID: m.ID}, 0, m.ID, grid.Point{}}, Cells{}
			h.gesture.kind, h.gesture.start = shifting, Spot{Board: s.Board, Map: m}
			return Outcome{}
		}
		return h.pressEmpty(d, s, erase)
	case h.Holding == Measure:
		h.gesture.kind, h.measured = measuring, Ghost{}
		return Outcome{}
	case s.Map == nil:
		h.gesture = gesture{}
		if h.Paints() {
			return said("There is no map here. Put the hand down with Esc, then drag a box to make one.")
		}
		return said("There is no map here.")
	case h.Holding == Choose:
		return h.pressChoose(d, s, erase)
	case h.Paints():
		h.begin(d, s, erase)
		if h.Shape.fills() {
			g := h.gesture
			h.gesture = gesture{}
			return h.fill(d, s, g.erase)
		}
		h.extend(d, s.Board)
		h.ghostPaint(d)
		if len(h.ghost.Lays) == 0 && h.ghost.Problem != "" {
			problem := h.ghost.Problem
			h.Cancel()
			return said("%s", problem)
		}
	case h.Holding == Piece:
		h.gesture.kind = placing
		h.ghostPiece(d, s, h.Type, 0)
		h.ghost.Erase = erase
	case h.Holding == Crossing:
		if erase {
			h.gesture = gesture{}
			return h.eraseCrossing(d, s)
		}
		if problem := doorwayProblem(d, s); problem != "" {
			h.gesture = gesture{}
			return said("%s", problem)
		}
		h.gesture.kind = joining
		h.ghost = Ghost{From: s, To: s, Joins: true}
	case h.Holding == Wire:
		if erase {
			h.gesture = gesture{}
			return h.eraseWires(d, s)
		}
		from, problem := beginning(d, s)
		if problem != "" {
			h.gesture = gesture{}
			return said("%s", problem)
		}
		h.gesture.kind, h.gesture.piece = wiring, from.ID
		h.ghostWire(d, s, s)
	}
	return Outcome{}
}

func (h *Hand) pressEmpty(d *world.Document, s Spot, menu bool) Outcome {
	if s.Map == nil {
		h.Selected, h.Cells = Selection{}, Cells{}
		if !menu {
			h.gesture.kind = making
		}
		return Outcome{}
	}
	stack := Stack(d, s)
	chosen := stack[0]
	for _, e := range stack {
		if e.Ref == h.Selected.Ref && h.Selected.Map == s.Map.ID && (h.Selected.Cell == s.Cell || e.Ref.Sort != world.SortMap) {
			chosen = e
			h.gesture.again = true
		}
	}
	if cells := h.Chosen(d); chosen.Ref.Sort == world.SortMap && !menu && cells.Map == s.Map.ID && cells.Region.Has(s.Cell) {
		h.gesture.kind, h.gesture.cells = carrying, cells
		return Outcome{}
	}
	h.Selected = chosen
	h.gesture.kind = moving
	if chosen.Ref.Sort == world.SortPiece && !menu {
		h.gesture.piece, h.gesture.pieceM = chosen.Ref.ID, s.Map.ID
		if p := s.Map.Piece(chosen.Ref.ID); p != nil {
			h.gesture.grip = s.Cell.Sub(d.Project.Lattice().CellAt(p.Foot))
		}
	}
	return Outcome{}
}

// Drag moves the gesture under way on to a pixel of the board.
func (h *Hand) Drag(d *world.Document, pixel grid.Point) {
	g := &h.gesture
	if g.kind == idle {
		h.Hover(d, pixel)
		return
	}
	s := At(d, pixel)
	switch g.kind {
	case painting:
		h.extend(d, h.steady(g.start.Board, s.Board))
		h.ghostPaint(d)
	case choosing:
		h.extend(d, h.steady(g.start.Board, s.Board))
		h.ghostChoose(d)
	case carrying:
		g.moved = g.moved || s.Board != g.start.Board
		h.ghostCarry(d, h.steady(g.start.Board, s.Board).Sub(g.start.Board))
	case sizing:
		h.ghostSize(d, s.Board)
	case shifting:
		h.ghostShift(d, s.Board)
	case measuring:
		h.ghostMeasure(d, s)
	case placing:
		if s.Map != nil {
			erase := h.ghost.Erase
			h.ghostPiece(d, s, h.Type, 0)
			h.ghost.Erase = erase
		}
	case moving:
		g.moved = g.moved || s.Map == nil || s.Map.ID != g.start.Map.ID || s.Cell != g.start.Cell
		if g.piece == 0 && g.moved {
			// The empty hand selects a box of cells.
			h.gesture = gesture{kind: choosing, start: g.start, last: g.start.Board, maps: []world.ID{g.start.Map.ID}}
			h.extend(d, h.steady(g.start.Board, s.Board))
			h.ghostChoose(d)
			return
		}
		if !g.moved {
			return
		}
		if g.grip != (grid.Point{}) {
			s = At(d, pixel.Sub(d.Project.Lattice().Pixel(g.grip)))
		}
		if s.Map == nil {
			h.ghost = Ghost{Problem: "There is no map here."}
			return
		}
		if _, p := d.Piece(g.piece); p != nil {
			h.ghostPiece(d, s, p.TypeID(), p.ID)
		}
	case joining:
		h.ghost = Ghost{From: g.start, To: s, Joins: true}
		if s.Map != nil {
			h.ghost.Problem = doorwayProblem(d, s)
		} else {
			h.ghost.Room, h.ghost.Text, h.ghost.Problem = farSide(d, s.Board)
		}
	case wiring:
		h.ghostWire(d, g.start, s)
	case making:
		g.moved = g.moved || s.Board != g.start.Board
		if g.moved {
			h.ghost = Ghost{Room: board.Room(d, g.start.Board, h.steady(g.start.Board, s.Board))}
			h.ghost.Text = fmt.Sprintf("new map, %d × %d cells", h.ghost.Room.W, h.ghost.Room.H)
			if h.ghost.Room.W < 2 || h.ghost.Room.H < 2 {
				h.ghost.Problem = "A new map has at least 2 × 2 cells."
			}
		}
	}
}

// Release ends the gesture and gives what it asks for.
func (h *Hand) Release(d *world.Document, pixel grid.Point) Outcome {
	h.Drag(d, pixel)
	g, ghost := h.gesture, h.ghost
	h.Cancel()
	switch g.kind {
	case painting:
		pieces, says := h.blockPieces(d, ghost)
		o := h.lay(d, ghost.Lays, pieces, labelOf(d, ghost.Lays, ghost.Erase))
		if o.Said == "" {
			o.Said = says
		}
		return o
	case choosing:
		h.choose(g.start.Map.ID, ghost.Region.Move(grid.Point{X: -g.start.Map.Origin.X, Y: -g.start.Map.Origin.Y}), g.erase)
	case carrying:
		if !g.moved {
			h.Cells = Cells{}
			return Outcome{}
		}
		return h.carry(d, g.cells, h.carriedBlock(d, &g), h.steady(g.start.Board, At(d, pixel).Board).Sub(g.start.Board))
	case sizing:
		return h.resize(d, g.start.Map.ID, ghost)
	case measuring:
		h.measured, h.ghost = ghost, ghost
	case shifting:
		return h.shift(d, g.start.Map.ID, ghost)
	case placing:
		return h.place(d, ghost)
	case moving:
		if g.piece != 0 && g.moved {
			return h.movePiece(d, g, ghost)
		}
		h.Cells = Cells{}
		if !g.moved && g.again {
			h.next(d, g.start)
		}
	case joining:
		return h.join(d, g.start, ghost)
	case wiring:
		return h.wire(d, g.piece, ghost)
	case making:
		if g.moved {
			return h.make(d, ghost)
		}
	}
	return Outcome{}
}

// steady keeps a line straight or a box square while Steady is set.
func (h *Hand) steady(from, to grid.Point) grid.Point {
	if !h.Steady {
		return to
	}
	dx, dy := to.X-from.X, to.Y-from.Y
	ax, ay := max(dx, -dx), max(dy, -dy)
	shape := h.shape()
	switch {
	case h.gesture.kind == carrying:
	case h.gesture.kind == making || shape.boxed() || shape == Line && 2*min(ax, ay) > max(ax, ay):
		side := max(ax, ay)
		return grid.Point{X: from.X + side*sign(dx), Y: from.Y + side*sign(dy)}
	}
	if ax >= ay {
		return grid.Point{X: to.X, Y: from.Y}
	}
	return grid.Point{X: from.X, Y: to.Y}
}

func sign(n int) int {
	if n < 0 {
		return -1
	}
	return 1
}
