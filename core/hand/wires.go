package hand

import (
	"fmt"

	"azzel/core/edit"
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
		return nil, "A wire begins at a piece: drag from it to the piece that it is to work."
	case !Begins(p):
		return nil, beginProblem(d, p)
	}
	return p, ""
}

func beginProblem(d *world.Document, p *world.Piece) string {
	return fmt.Sprintf("No wire can begin at %s: it goes neither on nor off.", PieceName(d, p))
}

// ending is the piece in a cell at which a wire would end, and why it can't.
func ending(d *world.Document, from *world.Piece, s Spot) (p *world.Piece, problem string) {
	if s.Map != nil {
		p = topPiece(d, s)
	}
	return p, endProblem(d, from, p)
}

// endProblem says why no wire can lead from one piece to another; empty if one can, or if both are the same.
func endProblem(d *world.Document, from, p *world.Piece) string {
	switch {
	case p == nil:
		return "Drag to the piece that the wire is to work."
	case p.ID == from.ID:
		return ""
	case len(Worked(p)) == 0:
		return fmt.Sprintf("No wire can work %s: it goes neither on nor off.", PieceName(d, p))
	}
	for _, w := range d.Wires {
		if w.From == from.ID && w.To == p.ID {
			return fmt.Sprintf("There is a wire to %s already.", PieceName(d, p))
		}
	}
	return ""
}

// wired is the edit that makes a wire from one piece to another, or why there can be none.
func wired(d *world.Document, from, to world.ID, ids world.Allocator) (e *edit.Edit, problem string) {
	_, begins := d.Piece(from)
	_, ends := d.Piece(to)
	switch {
	case begins == nil || ends == nil:
		return nil, "A piece at one end of the wire is not there any more."
	case !Begins(begins):
		return nil, beginProblem(d, begins)
	case from == to:
		return nil, "A wire can't end where it begins: drag to the piece that it is to work."
	}
	if problem = endProblem(d, begins, ends); problem != "" {
		return nil, problem
	}
	w := &world.Wire{From: from, To: to, Works: Worked(ends)[0]}
	if others := d.Together(w); len(others) > 0 {
		// It counts together with them.
		w.Of = others[0].Of
	}
	return &edit.Edit{Label: edit.Clip("wire " + PieceName(d, begins) + " to " + PieceName(d, ends)),
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
	to, problem := ending(d, from, s)
	switch {
	case problem != "":
		h.ghost.Problem = problem
	case to.ID != from.ID:
		froms, tos := h.wiredAlong(d, from, to)
		h.ghost.Text = oneOrMany(d, froms) + map[bool]string{true: " works ", false: " work "}[len(froms) == 1] + oneOrMany(d, tos)
	}
}

// oneOrMany is the name of a piece, or how many there are.
func oneOrMany(d *world.Document, pieces []*world.Piece) string {
	if len(pieces) == 1 {
		return PieceName(d, pieces[0])
	}
	return fmt.Sprintf("%d pieces", len(pieces))
}

// mostWired is how many wires one drag makes at most.
const mostWired = 1000

// wiredAlong are the pieces that a drag from one to another wires: one that is among the cells chosen stands for all there that can be so, but not for the
// one at the other end.
func (h *Hand) wiredAlong(d *world.Document, from, to *world.Piece) (froms, tos []*world.Piece) {
	chosen := h.Chosen(d)
	m := d.Map(chosen.Map)
	among := func(p *world.Piece) bool {
		return m != nil && m.Piece(p.ID) != nil && chosen.Region.Has(d.Project.Lattice().CellAt(p.Foot))
	}
	all := func(can func(*world.Piece) bool) (list []*world.Piece) {
		for _, p := range m.Pieces {
			if among(p) && can(p) && len(list) < mostWired {
				list = append(list, p)
			}
		}
		return list
	}
	froms, tos = []*world.Piece{from}, []*world.Piece{to}
	if among(to) {
		return froms, all(func(p *world.Piece) bool { return p != from && len(Worked(p)) > 0 })
	}
	if among(from) {
		froms = all(func(p *world.Piece) bool { return p != to && Begins(p) })
	}
	return froms, tos
}

// wire makes a wire of what a drag from a piece showed.
func (h *Hand) wire(d *world.Document, from world.ID, ghost Ghost) Outcome {
	to := world.ID(0)
	if ghost.To.Map != nil {
		if p := topPiece(d, ghost.To); p != nil {
			to = p.ID
		}
	}
	if to == 0 {
		return said("Drag to the piece that the wire is to work.")
	}
	e, problem := wired(d, from, to, h.ids)
	if e == nil {
		return Outcome{Said: problem}
	}
	_, begins := d.Piece(from)
	_, ends := d.Piece(to)
	froms, tos := h.wiredAlong(d, begins, ends)
	if len(froms)*len(tos) < 2 {
		return Outcome{Edit: e}
	}
	many := edit.Edit{Label: edit.Clip("wire " + oneOrMany(d, froms) + " to " + oneOrMany(d, tos))}
	for _, begins := range froms {
		for _, ends := range tos {
			// What is wired already is left as it is.
			if one, _ := wired(d, begins.ID, ends.ID, h.ids); one != nil {
				many.Parts = append(many.Parts, one.Parts...)
			}
		}
	}
	return Outcome{Edit: &many}
}

// eraseWires takes away the wires that begin or end at the piece in a cell.
func (h *Hand) eraseWires(d *world.Document, s Spot) Outcome {
	p := topPiece(d, s)
	if p == nil {
		return said("There is no piece here.")
	}
	parts := edit.RemoveWires(d, p)
	if len(parts) == 0 {
		return said("No wire begins or ends at %s.", PieceName(d, p))
	}
	return Outcome{Edit: &edit.Edit{Label: edit.Clip("delete the wires of " + PieceName(d, p)), Parts: parts}}
}

// WireName is a wire's name, or those of the pieces that it joins.
func WireName(d *world.Document, w *world.Wire) string {
	if w.Name != "" {
		return w.Name
	}
	end := func(id world.ID) string {
		if _, p := d.Piece(id); p != nil {
			return PieceName(d, p)
		}
		return "what is gone"
	}
	return end(w.From) + " – " + end(w.To)
}
