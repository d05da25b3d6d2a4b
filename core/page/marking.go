package page

import (
	"fmt"

	"azzel/core/edit"
	"azzel/core/grid"
	"azzel/core/hand"
	"azzel/core/tiles"
	"azzel/core/world"
)

// mark paints a property onto tiles of a tileset.
func (p *Page) mark(ref world.Ref, list []int, m *tiles.Mark) Changed {
	t := p.doc().Tileset(ref.ID)
	if t == nil {
		return p.Fail(world.ErrGone)
	}
	if m == nil {
		return p.Fail(errUnknown)
	}
	if m.Property == "own" {
		own, err := p.ownMark(*m)
		if err != nil {
			return p.Fail(err)
		}
		m = &own
	}
	e := edit.Edit{Label: fmt.Sprintf("mark %s on %s of %s", m.Property, counted(len(list), "tile"), t.Name)}
	for _, i := range list {
		if i < 0 || i >= t.Count {
			continue
		}
		becomes, err := m.Apply(t.Tile(i), func() tiles.Mask { return p.shownMask(t.First + i) })
		if err != nil {
			return p.Fail(err)
		}
		for _, v := range world.TileValues(i, t.Tile(i), becomes) {
			e.Parts = append(e.Parts, edit.Change{Ref: ref, Value: v})
		}
	}
	if len(e.Parts) == 0 {
		return 0
	}
	e.Label = edit.Clip(e.Label)
	return p.do(e)
}

// animate lets tile i of a tileset show frames; none for standing still.
func (p *Page) animate(ref world.Ref, i int, frames []tiles.Frame) Changed {
	t := p.doc().Tileset(ref.ID)
	if t == nil || i < 0 || i >= t.Count {
		return p.Fail(world.ErrGone)
	}
	becomes := t.Tile(i)
	becomes.Animation = nil
	label := fmt.Sprintf("let %s of %s stand still", hand.TileCalled(t, i), t.Name)
	if len(frames) > 0 {
		becomes.Animation = &tiles.Animation{Frames: frames}
		label = fmt.Sprintf("let %s of %s show %s", hand.TileCalled(t, i), t.Name, counted(len(frames), "frame"))
	}
	values := world.TileValues(i, t.Tile(i), becomes)
	if len(values) == 0 {
		return 0
	}
	return p.do(edit.Edit{Label: edit.Clip(label), Parts: []edit.Part{edit.Change{Ref: ref, Value: values[0]}}})
}

// showFrames lets the first of some tiles of a tileset show all of them.
func (p *Page) showFrames(ref world.Ref, list []int) Changed {
	t := p.doc().Tileset(ref.ID)
	if t == nil {
		return p.Fail(world.ErrGone)
	}
	numbers := make([]int, len(list))
	for k, i := range list {
		numbers[k] = t.First + i
	}
	frames := tiles.FramesOf(numbers)
	if frames == nil {
		return 0
	}
	return p.animate(ref, list[0], frames)
}

// shownMask is the mask of what a tile shows; whole if its pixels are missing.
func (p *Page) shownMask(n int) tiles.Mask {
	l := p.doc().Project.Lattice()
	if pix := p.Tile(grid.Cell(n)); pix != nil {
		return tiles.MaskOf(pix, l.W, l.H)
	}
	return tiles.Whole
}
