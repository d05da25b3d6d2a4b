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
		h.ghost.Text = PieceName(d, from) + " works " + PieceName(d, to)
	}
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
	return Outcome{Edit: e, Said: problem}
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
