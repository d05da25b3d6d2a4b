package tilework

import (
	"fmt"

	"azzel/core/edit"
	"azzel/core/grid"
	"azzel/core/hand"
	"azzel/core/page"
	"azzel/core/tiles"
	"azzel/core/world"
)

func tilesetRef(id page.ID) world.Ref { return world.Ref{Sort: world.SortTileset, ID: world.ID(id)} }

// MarkTiles paints a property onto tiles of a tileset.
type MarkTiles struct {
	Tileset page.ID    `json:"tileset"`
	Tiles   []int      `json:"tiles"`
	Mark    tiles.Mark `json:"mark"`
}

// Do implements Order.
func (o MarkTiles) Do(p *page.Page) page.Changed {
	ref, m := tilesetRef(o.Tileset), o.Mark
	t := p.Doc().Tileset(ref.ID)
	if t == nil {
		return p.Fail(world.ErrGone)
	}
	if m.Property == "own" {
		own, err := ownMark(p, m)
		if err != nil {
			return p.Fail(err)
		}
		m = own
	}
	e := edit.Edit{Label: fmt.Sprintf("mark %s on %s of %s", m.Property, page.Counted(len(o.Tiles), "tile"), t.Name)}
	for _, i := range o.Tiles {
		if i < 0 || i >= t.Count {
			continue
		}
		becomes, err := m.Apply(t.Tile(i), func() tiles.Mask { return shownMask(p, t.First+i) })
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
	return p.Do(e)
}

// AnimateTile lets a tile of a tileset show frames; none for standing still.
type AnimateTile struct {
	Tileset page.ID       `json:"tileset"`
	Tile    int           `json:"tile"`
	Frames  []tiles.Frame `json:"frames"`
}

// Do implements Order.
func (o AnimateTile) Do(p *page.Page) page.Changed {
	ref, i, frames := tilesetRef(o.Tileset), o.Tile, o.Frames
	t := p.Doc().Tileset(ref.ID)
	if t == nil || i < 0 || i >= t.Count {
		return p.Fail(world.ErrGone)
	}
	becomes := t.Tile(i)
	becomes.Animation = nil
	label := fmt.Sprintf("let %s of %s stand still", hand.TileCalled(t, i), t.Name)
	if len(frames) > 0 {
		becomes.Animation = &tiles.Animation{Frames: frames}
		label = fmt.Sprintf("let %s of %s show %s", hand.TileCalled(t, i), t.Name, page.Counted(len(frames), "frame"))
	}
	values := world.TileValues(i, t.Tile(i), becomes)
	if len(values) == 0 {
		return 0
	}
	return p.Do(edit.Edit{Label: edit.Clip(label), Parts: []edit.Part{edit.Change{Ref: ref, Value: values[0]}}})
}

// ShowFrames lets the first of some tiles of a tileset show all of them.
type ShowFrames struct {
	Tileset page.ID `json:"tileset"`
	Tiles   []int   `json:"tiles"`
}

// Do implements Order.
func (o ShowFrames) Do(p *page.Page) page.Changed {
	t := p.Doc().Tileset(world.ID(o.Tileset))
	if t == nil {
		return p.Fail(world.ErrGone)
	}
	numbers := make([]int, len(o.Tiles))
	for k, i := range o.Tiles {
		numbers[k] = t.First + i
	}
	frames := tiles.FramesOf(numbers)
	if frames == nil {
		return 0
	}
	return AnimateTile{o.Tileset, o.Tiles[0], frames}.Do(p)
}

// shownMask is the mask of what a tile shows; whole if its pixels are missing.
func shownMask(p *page.Page, n int) tiles.Mask {
	l := p.Doc().Project.Lattice()
	if pix := p.Tile(grid.Cell(n)); pix != nil {
		return tiles.MaskOf(pix, l.W, l.H)
	}
	return tiles.Whole
}
