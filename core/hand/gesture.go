package hand

import (
	"fmt"

	"azzel/core/board"
	"azzel/core/edit"
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
)

type gesture struct {
	kind   gestureKind
	erase  bool
	start  Spot
	last   grid.Point
	spans  []grid.Span
	moved  bool
	again  bool
	piece  world.ID
	pieceM world.ID
}

// A Ghost is what would be laid, taken or moved.
type Ghost struct {
	// Map is where Region lies, 0 if there is none; Layer is the one painted on.
	Map    world.ID
	Layer  world.ID
	Region grid.Region
	Supply
	// Erase says that something would be taken away.
	Erase bool
	// Room is the box of a new map, in cells of the board.
	Room grid.Rect
	// Piece is the type of a piece that would stand in Region's one cell.
	Piece world.ID
	// From is the first doorway of a crossing being drawn; Joins says that there
	// is one.
	From  Spot
	To    Spot
	Joins bool
	// Text says how much it is; Problem why it can't be.
	Text    string
	Problem string
}

// Ghost is what the last movement showed.
func (h *Hand) Ghost() Ghost { return h.ghost }

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
	if s.Map == nil {
		return
	}
	switch h.Holding {
	case Tile, Eraser, Medley, Bond:
		if h.Shape == Fill {
			h.ghostFill(d, s)
			return
		}
		h.gesture = gesture{start: s, last: s.Cell, spans: []grid.Span{{Y: s.Cell.Y, X0: s.Cell.X, X1: s.Cell.X}}}
		h.ghostPaint(d)
		h.gesture = gesture{}
		h.ghost.Text = ""
		if layer := h.target(d, s.Map, h.Holding == Eraser); layer != h.Layer(s.Map) {
			h.ghost.Text = "on " + layer.Name
		}
	case Piece:
		h.ghostPiece(d, s, h.Type, 0)
	case Crossing:
		h.ghost = Ghost{From: s, To: s, Joins: true, Problem: doorwayProblem(d, s)}
	}
}

// Press begins a gesture at a pixel of the board. Erase says that it takes
// away what the hand would lay.
func (h *Hand) Press(d *world.Document, pixel grid.Point, erase bool) Outcome {
	h.Cancel()
	s := At(d, pixel)
	h.gesture = gesture{start: s, last: s.Cell, erase: erase || h.Holding == Eraser}
	switch {
	case h.Holding == Nothing:
		return h.pressEmpty(d, s, erase)
	case s.Map == nil:
		h.gesture = gesture{}
		if h.Paints() {
			return said("There is no map here. Put the hand down with Esc, then drag a box to make one.")
		}
		return said("There is no map here.")
	case h.Paints():
		if problem := h.problem(h.target(d, s.Map, h.gesture.erase)); problem != "" {
			h.gesture = gesture{}
			return said("%s", problem)
		}
		if h.Shape == Fill {
			g := h.gesture
			h.gesture = gesture{}
			return h.fill(d, s, g.erase)
		}
		h.gesture.kind = painting
		h.extend(s.Cell)
		h.ghostPaint(d)
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
	}
	return Outcome{}
}

func (h *Hand) pressEmpty(d *world.Document, s Spot, menu bool) Outcome {
	if s.Map == nil {
		h.Selected = Selection{}
		if !menu {
			h.gesture.kind = making
		}
		return Outcome{}
	}
	stack := Stack(d, s)
	chosen := stack[0]
	for _, e := range stack {
		if e.Ref == h.Selected.Ref && h.Selected.Map == s.Map.ID && (h.Selected.Cell == s.Cell || e.Ref.Kind != world.KindMap) {
			chosen = e
			h.gesture.again = true
		}
	}
	h.Selected = chosen
	h.gesture.kind = moving
	if chosen.Ref.Kind == world.KindPiece && !menu {
		h.gesture.piece, h.gesture.pieceM = chosen.Ref.ID, s.Map.ID
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
		s = on(d, g.start.Map, pixel)
		h.extend(h.steady(g.start.Cell, s.Cell))
		h.ghostPaint(d)
	case placing:
		if s.Map != nil {
			erase := h.ghost.Erase
			h.ghostPiece(d, s, h.Type, 0)
			h.ghost.Erase = erase
		}
	case moving:
		g.moved = g.moved || s.Map == nil || s.Map.ID != g.start.Map.ID || s.Cell != g.start.Cell
		if g.piece == 0 || !g.moved {
			return
		}
		if s.Map == nil {
			h.ghost = Ghost{Problem: "There is no map here."}
			return
		}
		if _, p := d.Piece(g.piece); p != nil {
			h.ghostPiece(d, s, p.Type, p.ID)
		}
	case joining:
		h.ghost = Ghost{From: g.start, To: s, Joins: true, Problem: doorwayProblem(d, s)}
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
		if len(ghost.Region) == 0 {
			return Outcome{}
		}
		return h.paint(d, g.start.Map, ghost.Layer, ghost.Region, ghost.Supply)
	case placing:
		return h.place(d, ghost)
	case moving:
		if g.piece != 0 && g.moved {
			return h.movePiece(d, g, ghost)
		}
		if !g.moved && g.again {
			h.next(d, g.start)
		}
	case joining:
		return h.join(d, g.start, ghost)
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
	switch {
	case h.gesture.kind == making || h.Shape == Box || h.Shape == Line && 2*min(ax, ay) > max(ax, ay):
		side := max(ax, ay)
		return grid.Point{X: from.X + side*sign(dx), Y: from.Y + side*sign(dy)}
	case ax >= ay:
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

// extend carries the painted spans on to cell c.
func (h *Hand) extend(c grid.Point) {
	g := &h.gesture
	from := g.last
	switch h.Shape {
	case Box:
		r := grid.Between(g.start.Cell, c).Meet(g.start.Map.Bounds)
		g.spans = grid.BoxRegion(r)
		return
	case Line:
		g.spans = g.spans[:0]
		from = g.start.Cell
	}
	for _, p := range grid.Line(from, c) {
		if g.start.Map.Bounds.Has(p) {
			g.spans = append(g.spans, grid.Span{Y: p.Y, X0: p.X, X1: p.X})
		}
	}
	g.last = c
}

// problem says why nothing can be painted on a layer.
func (h *Hand) problem(l *world.Layer) string {
	if h.hidden[l.ID] {
		return fmt.Sprintf("%s is hidden. Show it before you paint on it.", l.Name)
	}
	return ""
}

// coverCells is how many cells a ghost counts what it covers for.
const coverCells = 100_000

func (h *Hand) ghostPaint(d *world.Document) {
	g := &h.gesture
	m := d.Map(g.start.Map.ID)
	if m == nil {
		h.ghost = Ghost{Problem: "This map is not there any more."}
		return
	}
	erase := g.erase || h.Holding == Eraser
	supply, problem := h.supply(d, erase)
	if problem != "" {
		h.ghost = Ghost{Problem: problem}
		return
	}
	region := grid.RegionOf(append([]grid.Span(nil), g.spans...)).Within(m.Bounds)
	layer := h.target(d, m, erase)
	h.ghost = Ghost{Map: m.ID, Layer: layer.ID, Region: region, Supply: supply, Erase: erase, Problem: h.problem(layer)}
	b := region.Bounds()
	n := region.Len()
	h.ghost.Text = fmt.Sprintf("%d × %d cells", b.W, b.H)
	if h.Shape != Box {
		h.ghost.Text = count(n, "cell")
	}
	if n <= coverCells {
		covered := 0
		for _, run := range layer.Cells.Read(region) {
			if run.Cell != 0 && (run.Cell != supply.Cell || supply.mixed()) {
				covered += run.N
			}
		}
		switch {
		case erase:
			h.ghost.Text += fmt.Sprintf(" · erases %d", covered)
		case covered > 0:
			h.ghost.Text += fmt.Sprintf(" · covers %d", covered)
		}
	}
	if layer != h.Layer(m) {
		h.ghost.Text += " · on " + layer.Name
	}
}

func count(n int, thing string) string {
	if n == 1 {
		return "1 " + thing
	}
	return fmt.Sprintf("%d %ss", n, thing)
}

func (h *Hand) paint(d *world.Document, m *world.Map, layer world.ID, region grid.Region, supply Supply) Outcome {
	if now := d.Map(m.ID); now == nil || now.Layer(layer) == nil {
		return said("This map is not there any more.")
	}
	n := region.Len()
	part, problem := supply.Part(d, m.ID, layer, region)
	if problem != "" {
		return said("%s", problem)
	}
	label := fmt.Sprintf("paint %s on %s", count(n, "cell"), m.Name)
	switch name := supply.name(d); {
	case name != "":
		label = fmt.Sprintf("lay %s over %s on %s", name, count(n, "cell"), m.Name)
	case supply.Cell == 0:
		label = fmt.Sprintf("erase %s on %s", count(n, "cell"), m.Name)
	}
	return Outcome{Edit: &edit.Edit{Label: edit.Clip(label), Parts: []edit.Part{part}}}
}
