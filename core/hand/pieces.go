package hand

import (
	"fmt"
	"strings"

	"azzel/core/board"
	"azzel/core/edit"
	"azzel/core/grid"
	"azzel/core/kind"
	"azzel/core/world"
)

// Stack is what lies in a cell, front to back: pieces, doorways, the map.
func Stack(d *world.Document, s Spot) []Selection {
	var stack []Selection
	for _, p := range piecesAt(d, s) {
		stack = append(stack, Selection{world.Ref{Sort: world.SortPiece, Map: s.Map.ID, ID: p.ID}, 0, s.Map.ID, s.Cell})
	}
	for _, c := range d.Crossings {
		for i, end := range c.Ends {
			if end.Map == s.Map.ID && end.Cells.Has(s.Cell) {
				stack = append(stack, Selection{world.Ref{Sort: world.SortCrossing, ID: c.ID}, i, s.Map.ID, s.Cell})
			}
		}
	}
	return append(stack, Selection{world.Ref{Sort: world.SortMap, ID: s.Map.ID}, 0, s.Map.ID, s.Cell})
}

// next selects what lies beneath what is selected.
func (h *Hand) next(d *world.Document, s Spot) {
	if m := d.Map(s.Map.ID); m != nil {
		s.Map = m
	}
	stack := Stack(d, s)
	for i, e := range stack {
		if e.Ref == h.Selected.Ref && e.End == h.Selected.End {
			h.Selected = stack[(i+1)%len(stack)]
			return
		}
	}
}

// piecesAt are the pieces in a cell, front to back: those that stand there, then those that are larger and cover it.
func piecesAt(d *world.Document, s Spot) (list []*world.Piece) {
	l := d.Project.Lattice()
	var over []*world.Piece
	for i := len(s.Map.Pieces) - 1; i >= 0; i-- {
		if p := s.Map.Pieces[i]; l.CellAt(p.Foot) == s.Cell {
			list = append(list, p)
		} else if p.Wide() && p.Cells(l).Has(s.Cell) {
			over = append(over, p)
		}
	}
	return append(list, over...)
}

func topPiece(d *world.Document, s Spot) *world.Piece {
	if list := piecesAt(d, s); len(list) > 0 {
		return list[0]
	}
	return nil
}

// keepsOff says why no piece can be put on a layer; empty if one can be.
func keepsOff(l *world.Layer) string {
	switch {
	case l == nil:
		return ""
	case l.Locked:
		return fmt.Sprintf("%s is locked. Unlock it before you place or move pieces on it.", l.Name)
	case l.Takes.NoPieces:
		return fmt.Sprintf("%s takes no pieces. Change what it takes, or let the player walk on another layer.", l.Name)
	}
	return ""
}

// held says why a piece can't be moved from where it is, or taken away; empty if it can be.
func held(m *world.Map, p *world.Piece) string {
	if l := m.Layer(p.Layer); l != nil && l.Locked {
		return fmt.Sprintf("%s is locked. Unlock it before you move or erase pieces on it.", l.Name)
	}
	return ""
}

// inPlaceOf says which piece of the same type stands where one would come to stand; empty if none does.
// Those among the moved ones go from there.
func inPlaceOf(d *world.Document, m *world.Map, of world.ID, cell grid.Point, moved map[world.ID]bool) string {
	l := d.Project.Lattice()
	for _, p := range m.Pieces {
		if !moved[p.ID] && p.Type == of && l.CellAt(p.Foot) == cell {
			return fmt.Sprintf("%s stands there already. Move it first, or leave it in the selection.", PieceName(d, p))
		}
	}
	return ""
}

func (h *Hand) ghostPiece(d *world.Document, s Spot, of world.ID, moved world.ID) {
	h.ghost = Ghost{Piece: of, Region: grid.Region{{Y: s.Board.Y, X0: s.Board.X, X1: s.Board.X}}, To: s}
	l := d.Project.Lattice()
	for _, p := range s.Map.Pieces {
		if p.ID != moved && p.TypeID() == of && l.CellAt(p.Foot) == s.Cell && !p.Kind().Adorns() {
			h.ghost.Problem = fmt.Sprintf("There is one here already: %s.", d.KindName(of))
		}
	}
	if problem := d.Room(of, s.Map, moved); problem != "" {
		h.ghost.Problem = problem
	}
	from, p := d.Piece(moved)
	if moved == 0 {
		from, p = singleOf(d, of)
	}
	if p != nil {
		if problem := held(from, p); problem != "" {
			h.ghost.Problem = problem
		}
	}
	if p == nil || from.ID != s.Map.ID {
		if problem := keepsOff(h.under(d, s.Map, of, p)); problem != "" {
			h.ghost.Problem = problem
		}
	}
}

// under is the layer on which a piece of a type comes to stand: that of the player, or the current one for what is there to be seen alone.
func (h *Hand) under(d *world.Document, m *world.Map, of world.ID, p *world.Piece) *world.Layer {
	if p == nil && d.Kind(of).Adorns() {
		return h.Layer(m)
	}
	return m.Layer(m.PlayerLayer)
}

// singleOf is the piece of a type of which there is at most one, and its map; nil if there is none yet, or may be several.
func singleOf(d *world.Document, of world.ID) (*world.Map, *world.Piece) {
	if k := kind.Of(of); k == nil || !k.Single {
		return nil, nil
	}
	for _, m := range d.Maps {
		for _, p := range m.Pieces {
			if p.Type == of {
				return m, p
			}
		}
	}
	return nil, nil
}

// movesHere says from where a piece goes of which there is one in a project.
func movesHere(d *world.Document, from *world.Map, p *world.Piece) string {
	c := d.Project.Lattice().CellAt(p.Foot)
	return fmt.Sprintf("A project has one %s: it moves here from %s, cell %d, %d.", strings.ToLower(p.Kind().Name), from.Name, c.X, c.Y)
}

// to is the map that a piece would stand on; nil if it is gone.
func (g Ghost) to(d *world.Document) *world.Map {
	if g.To.Map == nil {
		return nil
	}
	return d.Map(g.To.Map.ID)
}

func (h *Hand) place(d *world.Document, ghost Ghost) Outcome {
	m := ghost.to(d)
	if m == nil {
		return said("There is no map here.")
	}
	cell := ghost.To.Cell
	if ghost.Erase {
		if p := topPiece(d, Spot{Map: m, Cell: cell}); p != nil {
			e, says := Remove(d, Selection{Ref: world.Ref{Sort: world.SortPiece, Map: m.ID, ID: p.ID}})
			return Outcome{Edit: e, Said: says}
		}
		return said("There is no piece to erase here.")
	}
	if ghost.Problem != "" {
		return said("%s", ghost.Problem)
	}
	p := d.NewPiece(ghost.Piece)
	if p == nil {
		return said("That type of piece is not there any more: choose another one.")
	}
	foot := m.FootOf(d.Project.Lattice(), p.Type, cell)
	if o, p := singleOf(d, ghost.Piece); p != nil {
		return Outcome{Edit: h.moveTo(d, o, p, m, foot), Said: movesHere(d, o, p)}
	}
	p.Layer, p.Foot = m.PlayerLayer, foot
	if p.Kind().Adorns() {
		p.Layer, p.Foot = h.Layer(m).ID, h.free(ghost, foot)
	}
	ref := world.Ref{Sort: world.SortPiece, Map: m.ID, ID: h.ids.NewID()}
	return Outcome{Edit: &edit.Edit{Label: edit.Clip(fmt.Sprintf("place %s on %s", d.KindName(p.TypeID()), m.Name)),
		Parts: []edit.Part{edit.Put{Ref: ref, Values: p.Values()}}}}
}

// moveTo is the edit that moves a piece, keeping its id if it changes maps.
func (h *Hand) moveTo(d *world.Document, from *world.Map, p *world.Piece, to *world.Map, foot grid.Point) *edit.Edit {
	ref := world.Ref{Sort: world.SortPiece, Map: from.ID, ID: p.ID}
	e := &edit.Edit{Label: edit.Clip("move " + PieceName(d, p))}
	if from.ID == to.ID {
		e.Parts = []edit.Part{edit.Change{Ref: ref, Value: world.PointValue(world.FieldFoot, foot)}}
		return e
	}
	moved := *p
	moved.Foot, moved.Layer = foot, to.PlayerLayer
	there := ref
	there.Map = to.ID
	e.Parts = []edit.Part{edit.Remove{Ref: ref}, edit.Put{Ref: there, Values: moved.Values()}}
	return e
}

func (h *Hand) movePiece(d *world.Document, g gesture, ghost Ghost) Outcome {
	from, p := d.Piece(g.piece)
	to := ghost.to(d)
	if p == nil || to == nil || ghost.Problem != "" {
		return said("%s", ghost.Problem)
	}
	cell := ghost.To.Cell
	h.Selected = Selection{world.Ref{Sort: world.SortPiece, Map: to.ID, ID: p.ID}, 0, to.ID, cell}
	foot := to.FootFor(d.Project.Lattice(), p, cell)
	if p.Kind().Adorns() {
		foot = h.free(ghost, foot)
	}
	return Outcome{Edit: h.moveTo(d, from, p, to, foot)}
}

// free is where the foot of something comes to stand that is there to be seen alone: at the pixel to which a ghost points while the hand is steady, else where others would.
func (h *Hand) free(ghost Ghost, foot grid.Point) grid.Point {
	if h.Steady {
		return ghost.To.Pixel
	}
	return foot
}

func doorwayProblem(d *world.Document, s Spot) string {
	if s.Map == nil {
		return "A crossing leads from a cell of a map to a cell of a map."
	}
	for _, c := range d.Crossings {
		for _, end := range c.Ends {
			if end.Map == s.Map.ID && end.Cells.Has(s.Cell) {
				return fmt.Sprintf("There is a doorway here already, of %s.", CrossingName(d, c))
			}
		}
	}
	return ""
}

func (h *Hand) join(d *world.Document, start Spot, ghost Ghost) Outcome {
	to := ghost.To
	if to.Map != nil && to.Map.ID == start.Map.ID && to.Cell == start.Cell {
		return said("Drag from here to the cell of a map where the crossing is to lead.")
	}
	if ghost.Problem != "" {
		return said("%s", ghost.Problem)
	}
	e := &edit.Edit{}
	if to.Map == nil {
		m, parts := h.newMap(d, ghost.Room)
		e.Parts, e.Label = parts, edit.Clip("make "+m.Name+" and a crossing to it")
		to = Spot{Map: m, Cell: ghost.Room.Clamp(start.Board).Sub(m.Origin)}
	}
	c := &world.Crossing{BothWays: true, Ends: [2]world.End{
		{Map: start.Map.ID, Cells: grid.Rect{X: start.Cell.X, Y: start.Cell.Y, W: 1, H: 1}},
		{Map: to.Map.ID, Cells: grid.Rect{X: to.Cell.X, Y: to.Cell.Y, W: 1, H: 1}},
	}}
	if e.Label == "" {
		e.Label = edit.Clip("join " + CrossingName(d, c))
	}
	e.Parts = append(e.Parts, edit.Put{Ref: world.Ref{Sort: world.SortCrossing, ID: h.ids.NewID()}, Values: c.Values()})
	return Outcome{Edit: e}
}

// farSide is the map that would be made at the end of a crossing drawn to the empty
// board: one screen, where there is room nearest to it.
func farSide(d *world.Document, at grid.Point) (room grid.Rect, text, problem string) {
	w, h := max(4, d.Project.SeenW), max(4, d.Project.SeenH)
	room, ok := board.Free(d, grid.Rect{X: at.X - w/2, Y: at.Y - h/2, W: w, H: h}, 0)
	if !ok {
		return room, "", "There is no room for a map here."
	}
	return room, fmt.Sprintf("new map, %d × %d cells, with a crossing to it", room.W, room.H), ""
}

// newMap makes an empty map of a box of the board.
func (h *Hand) newMap(d *world.Document, r grid.Rect) (*world.Map, []edit.Part) {
	m, layers := world.NewMap(board.NameFor(d, r), grid.Point{X: r.X, Y: r.Y}, grid.Rect{W: r.W, H: r.H}, h.ids)
	m.SeenAs(d.Project.View)
	return m, edit.PutMap(m, layers)
}

func (h *Hand) eraseCrossing(d *world.Document, s Spot) Outcome {
	for _, e := range Stack(d, s) {
		if e.Ref.Sort == world.SortCrossing {
			ed, _ := Remove(d, e)
			return Outcome{Edit: ed}
		}
	}
	return said("There is no doorway here.")
}

func (h *Hand) make(d *world.Document, ghost Ghost) Outcome {
	if ghost.Problem != "" {
		return said("%s", ghost.Problem)
	}
	m, parts := h.newMap(d, ghost.Room)
	e := &edit.Edit{Label: edit.Clip("make " + m.Name), Parts: parts}
	h.Selected = Selection{world.Ref{Sort: world.SortMap, ID: m.ID}, 0, m.ID, grid.Point{}}
	return Outcome{Edit: e}
}
