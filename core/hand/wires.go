package hand

import (
	"cmp"
	"fmt"

	"azzel/core/edit"
	"azzel/core/grid"
	"azzel/core/kinds/props"
	"azzel/core/world"
)

// Begins reports whether a wire can begin at a piece: it goes between two states of its kind, or has power.
func Begins(p *world.Piece) bool {
	first, _ := p.Kind().Pair()
	_, power := p.Kind().Has(props.Power)
	return first != nil || power
}

// Worked are what of a piece wires can work, as world.Wire.Works has it, the usual one first; none if they can't work it.
func Worked(p *world.Piece) (works []int) {
	k := p.Kind()
	if k.Worked {
		works = append(works, world.WorksState)
	}
	if _, power := k.Has(props.Power); power {
		works = append(works, world.WorksPower)
	}
	return works
}

// beginning is the piece in a cell at which a wire would begin, and why none would.
func beginning(d *world.Document, s Spot) (p *world.Piece, problem string) {
	if s.Map != nil {
		p = topPiece(d, s)
	}
	switch {
	case p == nil:
		return nil, "A wire begins at a piece: drag from it to what it is to work."
	case !Begins(p):
		return nil, beginProblem(d, p)
	}
	return p, ""
}

func beginProblem(d *world.Document, p *world.Piece) string {
	return fmt.Sprintf("No wire can begin at %s: it goes neither on nor off.", PieceName(d, p))
}

// A WireEnd is what a wire works: a piece, the forces of an area, or a layer.
type WireEnd struct {
	Ref   world.Ref
	Piece *world.Piece
	Area  *world.Area
	Layer *world.Layer
	// Name is what it is called.
	Name string
}

// At is where a wire ends on the board, in pixels: the foot of a piece, else that of a cell of an area or layer, or in the middle of an empty layer's map.
func (e WireEnd) At(d *world.Document) grid.Point {
	l := d.Project.Lattice()
	m := e.On(d)
	switch {
	case m == nil:
		return grid.Point{}
	case e.Piece != nil:
		return e.Piece.Foot.Add(l.Pixel(m.Origin))
	case e.Layer != nil:
		return l.Foot(firstTile(m, e.Layer)).Add(l.Pixel(m.Origin))
	case len(e.Area.Cells) == 0:
		return l.Pixel(m.Origin)
	}
	row := e.Area.Cells[len(e.Area.Cells)/2]
	return l.Foot(grid.Point{X: (row.X0 + row.X1) / 2, Y: row.Y}).Add(l.Pixel(m.Origin))
}

// On is the map on which it lies; nil if that is gone.
func (e WireEnd) On(d *world.Document) *world.Map {
	if e.Area != nil {
		return d.Map(e.Area.Map)
	}
	return d.Map(e.Ref.Map)
}

// firstTile is a cell of a layer in which there is a tile, the middle of the map if it has none.
func firstTile(m *world.Map, l *world.Layer) grid.Point {
	at, found := grid.Point{X: m.Bounds.X + m.Bounds.W/2, Y: m.Bounds.Y + m.Bounds.H/2}, false
	l.Cells.EachChunk(func(cx, cy int, c *grid.Chunk) {
		if found {
			return
		}
		for i := 0; i < 32*32 && !found; i++ {
			if found = c.At(i&31, i>>5) != 0; found {
				at = grid.Point{X: cx<<5 + i&31, Y: cy<<5 + i>>5}
			}
		}
	})
	return at
}

// EndOf finds what a wire works; false if there is nothing of that id.
func EndOf(d *world.Document, id world.ID) (e WireEnd, there bool) {
	if m, p := d.Piece(id); p != nil {
		return WireEnd{Ref: world.Ref{Sort: world.SortPiece, Map: m.ID, ID: id}, Piece: p, Name: PieceName(d, p)}, true
	}
	if a := d.Area(id); a != nil {
		e = WireEnd{Ref: world.Ref{Sort: world.SortArea, ID: id}, Area: a}
		e.Name = Name(d, e.Ref)
		return e, true
	}
	if m, l := d.LayerOn(id); l != nil {
		return WireEnd{Ref: world.Ref{Sort: world.SortLayer, Map: m.ID, ID: id}, Layer: l, Name: "the layer " + l.Name}, true
	}
	return e, false
}

// ending is what lies at a spot at which a wire would end: the topmost piece there, else the area that was made last, else the topmost layer that is
// not the lowest of its map and has a tile there; false if nothing of that is.
func ending(d *world.Document, s Spot) (e WireEnd, there bool) {
	if s.Map == nil {
		return e, false
	}
	if p := topPiece(d, s); p != nil {
		return EndOf(d, p.ID)
	}
	for i := len(d.Areas) - 1; i >= 0; i-- {
		if a := d.Areas[i]; a.Map == s.Map.ID && a.Cells.Has(s.Cell) {
			return EndOf(d, a.ID)
		}
	}
	for i := len(s.Map.Layers) - 1; i > 0; i-- {
		if l := s.Map.Layers[i]; l.Cells.At(s.Cell) != 0 {
			return EndOf(d, l.ID)
		}
	}
	return e, false
}

// noEnd says that nothing lies there at which a wire could end.
const noEnd = "Drag to what the wire is to work: a piece, an area, or a tile of a layer above the lowest."

// endProblem says why no wire can lead from a piece to something; empty if one can, or if both are the same.
func endProblem(d *world.Document, from *world.Piece, e WireEnd) string {
	switch {
	case e.Ref.ID == from.ID:
		return ""
	case e.Piece != nil && len(Worked(e.Piece)) == 0:
		return fmt.Sprintf("No wire can work %s: it goes neither on nor off.", e.Name)
	}
	for _, w := range d.Wires {
		if w.From == from.ID && w.To == e.Ref.ID {
			return fmt.Sprintf("There is a wire to %s already.", e.Name)
		}
	}
	return ""
}

// wired is the edit that makes a wire from a piece to something, or why there can be none.
func wired(d *world.Document, from, to world.ID, ids world.Allocator) (e *edit.Edit, problem string) {
	_, begins := d.Piece(from)
	end, there := EndOf(d, to)
	switch {
	case begins == nil || !there:
		return nil, "What lies at one end of the wire is not there any more."
	case !Begins(begins):
		return nil, beginProblem(d, begins)
	case from == to:
		return nil, "A wire can't end where it begins: drag to what it is to work."
	}
	if problem = endProblem(d, begins, end); problem != "" {
		return nil, problem
	}
	w := &world.Wire{From: from, To: to}
	if end.Piece != nil {
		w.Works = Worked(end.Piece)[0]
	}
	if others := d.Together(w); len(others) > 0 {
		// It counts together with them.
		w.Of = others[0].Of
	}
	return &edit.Edit{Label: edit.Clip("wire " + PieceName(d, begins) + " to " + end.Name),
		Parts: []edit.Part{edit.Put{Ref: edit.WireRef(ids.NewID()), Values: w.Values()}}}, ""
}

// ghostWire shows the wire from where a drag began.
func (h *Hand) ghostWire(d *world.Document, start, s Spot) {
	h.ghost = Ghost{From: start, To: s, Joins: true}
	_, from := d.Piece(h.gesture.piece)
	if from == nil {
		h.ghost.Problem = "The piece at which the wire begins is not there any more."
		return
	}
	to, there := ending(d, s)
	if !there {
		h.ghost.Problem = noEnd
		return
	}
	if h.ghost.Problem = endProblem(d, from, to); h.ghost.Problem == "" && to.Ref.ID != from.ID {
		froms, tos := h.wiredAlong(d, from, to)
		h.ghost.Text = pieceNames(d, froms) + map[bool]string{true: " works ", false: " work "}[len(froms) == 1] + endNames(d, tos)
	}
}

// pieceNames is the name of a piece, or how many there are.
func pieceNames(d *world.Document, pieces []*world.Piece) string {
	if len(pieces) == 1 {
		return PieceName(d, pieces[0])
	}
	return fmt.Sprintf("%d pieces", len(pieces))
}

// endNames is the name of what a wire works, or how many pieces there are.
func endNames(d *world.Document, ids []world.ID) string {
	if e, there := EndOf(d, ids[0]); there && len(ids) == 1 {
		return e.Name
	}
	return fmt.Sprintf("%d pieces", len(ids))
}

// mostWired is how many wires one drag makes at most.
const mostWired = 1000

// wiredAlong are the pieces from which a drag from one to something wires, and to what: a piece that is among the cells chosen stands for all there that
// can be so, but not for the one at the other end.
func (h *Hand) wiredAlong(d *world.Document, from *world.Piece, to WireEnd) (froms []*world.Piece, tos []world.ID) {
	chosen := h.Chosen(d)
	m := d.Map(chosen.Map)
	among := func(p *world.Piece) bool {
		return p != nil && m != nil && m.Piece(p.ID) != nil && chosen.Region.Has(d.Project.Lattice().CellAt(p.Foot))
	}
	all := func(can func(*world.Piece) bool) (list []*world.Piece) {
		for _, p := range m.Pieces {
			if among(p) && can(p) && len(list) < mostWired {
				list = append(list, p)
			}
		}
		return list
	}
	froms, tos = []*world.Piece{from}, []world.ID{to.Ref.ID}
	if among(to.Piece) {
		tos = tos[:0]
		for _, p := range all(func(p *world.Piece) bool { return p != from && len(Worked(p)) > 0 }) {
			tos = append(tos, p.ID)
		}
		return froms, tos
	}
	if among(from) {
		froms = all(func(p *world.Piece) bool { return p.ID != to.Ref.ID && Begins(p) })
	}
	return froms, tos
}

// wire makes a wire of what a drag from a piece showed.
func (h *Hand) wire(d *world.Document, from world.ID, ghost Ghost) Outcome {
	to, there := ending(d, ghost.To)
	if !there {
		return said(noEnd)
	}
	e, problem := wired(d, from, to.Ref.ID, h.ids)
	if e == nil {
		return Outcome{Said: problem}
	}
	_, begins := d.Piece(from)
	froms, tos := h.wiredAlong(d, begins, to)
	if len(froms)*len(tos) < 2 {
		shut, says := onlyWorked(d, to.Piece)
		e.Parts = append(e.Parts, shut...)
		return Outcome{Edit: e, Said: says}
	}
	many := edit.Edit{Label: edit.Clip("wire " + pieceNames(d, froms) + " to " + endNames(d, tos))}
	for _, begins := range froms {
		for _, ends := range tos {
			// What is wired already is left as it is.
			if one, _ := wired(d, begins.ID, ends, h.ids); one != nil {
				many.Parts = append(many.Parts, one.Parts...)
			}
		}
	}
	o := Outcome{Edit: &many}
	for _, id := range tos {
		if _, ends := d.Piece(id); ends != nil {
			shut, says := onlyWorked(d, ends)
			many.Parts = append(many.Parts, shut...)
			if o.Said = cmp.Or(says, o.Said); says != "" && len(tos) > 1 {
				o.Said = "What is wired opens only when it is worked now, and by nobody who walks against it."
			}
		}
	}
	return o
}

// onlyWorked are the parts by which what is wired for the first time opens by its wire alone, and what is said of that. It is left as it is where the
// designer said how it opens, or what for: else a door with a switch would open to whoever walks against it.
func onlyWorked(d *world.Document, p *world.Piece) (parts []edit.Part, says string) {
	if p == nil || p.All().Get(props.Opens.Field) != nil || !p.Needs().Empty() || Worked(p)[0] != world.WorksState {
		return nil, ""
	}
	if _, opens := p.Kind().Has(props.Opens); !opens {
		return nil, ""
	}
	for _, w := range d.Wires {
		if w.To == p.ID {
			return nil, ""
		}
	}
	on, _ := d.Piece(p.ID)
	next := *p
	next.Props = next.Props.With(props.Opens.Is(props.OpensWhenWorked))
	return edit.Changes(world.Ref{Sort: world.SortPiece, Map: on.ID, ID: p.ID}, p.Values(), next.Values()),
		fmt.Sprintf("%s opens only when it is worked now: its slip says otherwise under %s.", PieceName(d, p), props.Opens.Label)
}

// eraseWires takes away the wires that begin or end at what lies in a cell.
func (h *Hand) eraseWires(d *world.Document, s Spot) Outcome {
	at, there := ending(d, s)
	if !there {
		return said("Nothing lies here at which a wire could begin or end.")
	}
	parts := edit.RemoveWires(d, at.Ref.ID)
	if len(parts) == 0 {
		return said("No wire begins or ends at %s.", at.Name)
	}
	return Outcome{Edit: &edit.Edit{Label: edit.Clip("delete the wires of " + at.Name), Parts: parts}}
}

// WireName is a wire's name, or those of the pieces that it joins.
func WireName(d *world.Document, w *world.Wire) string {
	if w.Name != "" {
		return w.Name
	}
	end := func(id world.ID) string {
		if e, there := EndOf(d, id); there {
			return e.Name
		}
		return "what is gone"
	}
	return end(w.From) + " – " + end(w.To)
}
