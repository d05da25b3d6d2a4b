package hand

import (
	"fmt"
	"strings"
	"unicode/utf8"

	"azzel/core/board"
	"azzel/core/edit"
	"azzel/core/grid"
	"azzel/core/world"
)

// nameAt finds the map whose name a pixel of the board is on: it stands above the
// map's left corner, in letters that keep their size on the screen.
func (h *Hand) nameAt(d *world.Document, pixel grid.Point) *world.Map {
	for _, m := range d.Maps {
		box := d.Project.Lattice().Box(m.OnBoard())
		// Near is as many pixels of the board as 8 are on the screen. A name is 20 high
		// and 9 a letter; the edge itself is dragged to resize.
		wide := max(h.Near*9*utf8.RuneCountInString(m.Name)/8, 5*h.Near)
		strip := grid.Rect{X: box.X, Y: box.Y - h.Near*5/2, W: min(wide, max(box.W, 8*h.Near)), H: h.Near * 5 / 2}
		// Over another map it is taken only once its map is selected.
		mine := h.Selected.Ref.Sort == world.SortMap && h.Selected.Ref.ID == m.ID
		if strip.Has(pixel) && (mine || d.MapAt(d.Project.Lattice().CellAt(pixel)) == nil) {
			return m
		}
	}
	return nil
}

// snap is how many cells away a side of a map is drawn to another.
func (h *Hand) snap(l grid.Lattice) int { return min(3, max(1, h.Near/min(l.W, l.H))) }

// ghostShift shows where a map would lie that was dragged to a cell of the board. With
// Steady set it lies just where it was dragged, if that is free.
func (h *Hand) ghostShift(d *world.Document, at grid.Point) {
	g := &h.gesture
	m := d.Map(g.start.Map.ID)
	if m == nil {
		h.ghost = Ghost{Problem: "This map is not there any more."}
		return
	}
	snap := h.snap(d.Project.Lattice())
	if h.Steady {
		snap = 0
	}
	origin, ok := board.Settled(d, m, m.Origin.Add(at.Sub(g.start.Board)), snap)
	h.ghost = Ghost{Sized: m.ID, Room: m.Bounds.Move(origin)}
	if !ok {
		h.ghost.Problem = "There is no room for it."
		return
	}
	h.ghost.Text = fmt.Sprintf("%s to %d, %d", m.Name, h.ghost.Room.X, h.ghost.Room.Y)
	var names []string
	for _, o := range board.Touching(d, m.ID, h.ghost.Room) {
		names = append(names, o.Name)
	}
	if len(names) > 0 {
		h.ghost.Text += " · touches " + strings.Join(names[:min(3, len(names))], ", ")
	}
}

// shift moves a map to where its ghost lies.
func (h *Hand) shift(d *world.Document, id world.ID, ghost Ghost) Outcome {
	m := d.Map(id)
	if m == nil || ghost.Problem != "" {
		return said("%s", ghost.Problem)
	}
	if ghost.Room.Empty() {
		return Outcome{}
	}
	return moved(d, m, grid.Point{X: ghost.Room.X - m.Bounds.X, Y: ghost.Room.Y - m.Bounds.Y})
}

// moved is the outcome of moving a map; nothing if it stays.
func moved(d *world.Document, m *world.Map, origin grid.Point) Outcome {
	if origin == m.Origin {
		return Outcome{}
	}
	return Outcome{Edit: &edit.Edit{Label: edit.Clip("move " + m.Name), Parts: []edit.Part{
		edit.Change{Ref: world.Ref{Sort: world.SortMap, ID: m.ID}, Value: world.PointValue(world.FieldOrigin, origin)}}}}
}

// MoveMap moves the selected map by cells of the board. Where another lies in the way,
// it goes beyond it.
func (h *Hand) MoveMap(d *world.Document, by grid.Point) Outcome {
	m := d.Map(h.Selected.Ref.ID)
	if h.Selected.Ref.Sort != world.SortMap || m == nil {
		return said("Select a map first.")
	}
	origin, ok := board.Settled(d, m, m.Origin.Add(by), 0)
	if !ok {
		return said("There is no room for it.")
	}
	return moved(d, m, origin)
}

// MapOfPatch makes a map of a patch: as large as it, with its layers and pieces, where
// there is room nearest to a cell of the board.
func (h *Hand) MapOfPatch(d *world.Document, id world.ID, at grid.Point) Outcome {
	p := d.Patch(id)
	if p == nil {
		return said("This patch is not there any more.")
	}
	room, ok := board.Free(d, grid.Rect{X: at.X, Y: at.Y, W: max(2, p.W), H: max(2, p.H)}, 0)
	if !ok {
		return said("There is no room for it.")
	}
	m, parts := h.newMap(d, room)
	m.Name = p.Name
	parts[0] = edit.Put{Ref: world.Ref{Sort: world.SortMap, ID: m.ID}, Values: m.Values()}
	res, err := edit.Apply(d, edit.Edit{Parts: parts})
	if err != nil {
		return said("%s", err.Error())
	}
	made := res.Document
	lays, _, problem := h.onto(made, made.Map(m.ID), &p.Block, grid.Point{X: room.X, Y: room.Y})
	laid, gone := layParts(made, lays, h.Pace)
	if problem += gone; problem != "" {
		return said("%s", problem)
	}
	parts = append(parts, laid...)
	var laying laying
	for _, piece := range p.Pieces {
		if !isThere(d, piece.Type) {
			is := world.Piece{Type: piece.Type, Name: piece.Name, Layer: m.PlayerLayer, Foot: piece.Foot, Props: piece.Props}
			laying.put(grid.Point{}, piece.ID, m, is, h.ids.NewID())
		}
	}
	pieces, _ := laying.parts(d, &p.Block, h.ids)
	parts = append(parts, pieces...)
	h.Selected = Selection{world.Ref{Sort: world.SortMap, ID: m.ID}, 0, m.ID, grid.Point{}}
	return Outcome{Edit: &edit.Edit{Label: edit.Clip("make a map of " + p.Name), Parts: parts}}
}
