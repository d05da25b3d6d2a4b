package hand

import (
	"fmt"
	"strings"

	"azzel/core/board"
	"azzel/core/edit"
	"azzel/core/grid"
	"azzel/core/world"
)

// edgeAt finds which sides of the selected map a pixel of the board is near to.
func (h *Hand) edgeAt(d *world.Document, pixel grid.Point) (m *world.Map, sides board.Sides) {
	if h.Selected.Ref.Sort != world.SortMap || h.Near <= 0 {
		return nil, 0
	}
	if m = d.Map(h.Selected.Ref.ID); m == nil {
		return nil, 0
	}
	box := d.Project.Lattice().Box(m.OnBoard())
	// Less far within the map than outside it, since cells are clicked there.
	inX, inY := min(h.Near/2, box.W/4), min(h.Near/2, box.H/4)
	out := grid.Rect{X: box.X - h.Near, Y: box.Y - h.Near, W: box.W + 2*h.Near, H: box.H + 2*h.Near}
	inner := grid.Rect{X: box.X + inX, Y: box.Y + inY, W: box.W - 2*inX, H: box.H - 2*inY}
	if !out.Has(pixel) || inner.Has(pixel) {
		return nil, 0
	}
	if pixel.X < inner.X {
		sides |= board.Left
	} else if pixel.X >= inner.X+inner.W {
		sides |= board.Right
	}
	if pixel.Y < inner.Y {
		sides |= board.Top
	} else if pixel.Y >= inner.Y+inner.H {
		sides |= board.Bottom
	}
	return m, sides
}

// ghostSize shows what a map would be with its dragged sides at a cell of the board.
// With Steady set it pushes other maps aside, else it stops at them.
func (h *Hand) ghostSize(d *world.Document, at grid.Point) {
	g := &h.gesture
	m := d.Map(g.start.Map.ID)
	if m == nil {
		h.ghost = Ghost{Problem: "This map is not there any more."}
		return
	}
	want := board.Stretch(m.Bounds, g.sides, at.Sub(g.start.Board))
	plan := edit.Resize{Map: m.ID, Bounds: want}
	if h.Steady {
		plan.Moves = board.Pushed(d, m, want)
	} else {
		plan.Bounds = board.Stopped(d, m, want)
	}
	h.ghost = sizeGhost(d, m, plan)
	if plan.Bounds != want {
		h.ghost.Text += " · stopped by a neighbour; hold Shift to push it"
	}
}

// sizeGhost shows a resizing: the new bounds, what would be lost, who makes room.
func sizeGhost(d *world.Document, m *world.Map, plan edit.Resize) Ghost {
	b := plan.Bounds
	ghost := Ghost{Sized: m.ID, Room: b.Move(m.Origin)}
	ghost.Text = fmt.Sprintf("%d × %d cells", b.W, b.H)
	ghost.Lost = grid.BoxRegion(m.OnBoard()).Minus(grid.BoxRegion(ghost.Room))
	if lost := plan.Loss(d).String(); lost != "" {
		ghost.Text += " · loses " + lost
	} else {
		ghost.Lost = nil
	}
	var pushed []string
	for _, o := range d.Maps {
		if to, moves := plan.Moves[o.ID]; moves {
			ghost.Moved = append(ghost.Moved, o.Bounds.Move(to))
			pushed = append(pushed, o.Name)
		}
	}
	if len(pushed) > 0 {
		ghost.Text += " · pushes " + strings.Join(pushed[:min(3, len(pushed))], ", ")
		if len(pushed) > 3 {
			ghost.Text += fmt.Sprintf(" and %d more", len(pushed)-3)
		}
	}
	return ghost
}

func (h *Hand) resize(d *world.Document, id world.ID, ghost Ghost) Outcome {
	m := d.Map(id)
	if m == nil || ghost.Room.Empty() {
		return said("%s", ghost.Problem)
	}
	bounds := ghost.Room.Move(grid.Point{X: -m.Origin.X, Y: -m.Origin.Y})
	plan := edit.Resize{Map: id, Bounds: bounds}
	if len(ghost.Moved) > 0 {
		plan.Moves = board.Pushed(d, m, bounds)
	}
	return Resized(d, plan)
}

// Resized is the outcome of a resizing; nothing if it changes nothing.
func Resized(d *world.Document, plan edit.Resize) Outcome {
	if m := d.Map(plan.Map); m != nil && m.Bounds == plan.Bounds {
		return Outcome{}
	}
	lost := plan.Loss(d).String()
	e, err := plan.Edit(d)
	if err != nil {
		return said("%s", err.Error())
	}
	o := Outcome{Edit: &e}
	if lost != "" {
		o.Said = fmt.Sprintf("%s went with the part cut off. Undo brings them back.", upper(lost))
	}
	return o
}

func upper(s string) string {
	return strings.ToUpper(s[:1]) + s[1:]
}
