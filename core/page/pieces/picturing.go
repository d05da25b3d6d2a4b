package pieces

import (
	"fmt"

	"azzel/core/appearance"
	"azzel/core/edit"
	"azzel/core/grid"
	"azzel/core/hand"
	"azzel/core/kind"
	"azzel/core/limit"
	"azzel/core/page"
	"azzel/core/page/measure"
	"azzel/core/world"
)

// Pictured names a picture that a piece, or else all pieces of a type, can have.
type Pictured struct {
	Map   page.ID `json:"map,omitempty"`
	Piece page.ID `json:"piece,omitempty"`
	Type  page.ID `json:"type,omitempty"`
	// Picture is its name.
	Picture string `json:"picture"`
}

// What a picture shows, by the words of orders.
const (
	asItComes = "as-it-comes"
	asItsType = "as-its-type"
	fromHand  = "hand"
	fromPatch = "patch"
	ofSomeone = "character"
)

// SetPicture lets a picture show something: as it comes, as its type says, what is in the hand or was before, a patch, or a character doing something.
type SetPicture struct {
	Pictured
	Shows string `json:"shows"`
	// Of is the patch or character, Act what that is doing.
	Of  page.ID `json:"of,omitempty"`
	Act int     `json:"act,omitempty"`
}

// AddPictureFrame lets a picture show what is in the hand, or was before, after what it shows.
type AddPictureFrame struct{ Pictured }

// RemovePictureFrame takes the last frame of a picture away.
type RemovePictureFrame struct{ Pictured }

// SetPictureLook sets for how long each frame of a picture is shown, in seconds, and where its foot is.
type SetPictureLook struct {
	Pictured
	Seconds float64 `json:"seconds"`
	FootX   int     `json:"footX"`
	FootY   int     `json:"footY"`
}

// Do implements Order.
func (o SetPicture) Do(p *page.Page) page.Changed {
	return o.change(p, o.Shows == asItsType, func(d *world.Document, was appearance.Picture) (is appearance.Picture, err error) {
		is.Foot, is.Ticks = was.Foot, max(was.Ticks, appearance.UsualTicks)
		switch o.Shows {
		case asItComes, asItsType:
			return appearance.Picture{}, nil
		case ofSomeone:
			if d.Character(world.ID(o.Of)) == nil {
				return is, world.ErrGone
			}
			is.Who, is.Act, is.Ticks = kind.ID(o.Of), o.Act, 0
			return is, nil
		}
		var b *world.Block
		if o.Shows == fromPatch {
			patch := d.Patch(world.ID(o.Of))
			if patch == nil {
				return is, world.ErrGone
			}
			b = &patch.Block
		}
		frame, w, h, err := frameOf(p, b)
		is.Frames, is.W, is.H = [][]grid.Cell{frame}, w, h
		return is, err
	})
}

// Do implements Order.
func (o AddPictureFrame) Do(p *page.Page) page.Changed {
	return o.change(p, false, func(_ *world.Document, is appearance.Picture) (appearance.Picture, error) {
		frame, w, h, err := frameOf(p, nil)
		switch {
		case err != nil:
			return is, err
		case len(is.Frames) == 0:
			return is, fmt.Errorf("let it show tiles first, then further frames")
		case w != is.W || h != is.H:
			return is, fmt.Errorf("its frames are %d × %d cells, and this is %d × %d: take as many cells into the hand", is.W, is.H, w, h)
		}
		is.Frames = append(is.Frames[:len(is.Frames):len(is.Frames)], frame)
		return is, nil
	})
}

// Do implements Order.
func (o RemovePictureFrame) Do(p *page.Page) page.Changed {
	return o.change(p, false, func(_ *world.Document, is appearance.Picture) (appearance.Picture, error) {
		is.Frames = is.Frames[:max(0, len(is.Frames)-1)]
		return is, nil
	})
}

// Do implements Order.
func (o SetPictureLook) Do(p *page.Page) page.Changed {
	return o.change(p, false, func(_ *world.Document, is appearance.Picture) (appearance.Picture, error) {
		if is.Foot = (grid.Point{X: o.FootX, Y: o.FootY}); len(is.Frames) > 0 {
			is.Ticks = measure.PictureTime.Stored(o.Seconds)
		}
		return is, nil
	})
}

// change is the step by which a picture becomes another; follows says that the piece says nothing of it any more, whatever its type says.
func (o Pictured) change(p *page.Page, follows bool, to func(*world.Document, appearance.Picture) (appearance.Picture, error)) page.Changed {
	d := p.Doc()
	if o.Type != 0 {
		t := d.Type(world.ID(o.Type))
		if t == nil {
			return p.Fail(world.ErrGone)
		}
		h, err := pictureNamed(t.Kind(), o.Picture)
		if err != nil {
			return p.Fail(err)
		}
		is, err := next(d, appearance.Of(t.Usual, h.Prop), to)
		if err != nil {
			return p.Fail(err)
		}
		of := *t
		of.Usual = t.Usual.With(is.Set(h.Prop))
		return p.Change("picture of "+t.Name, edit.Changes(world.TypeRef(t.ID), t.Values(), of.Values()))
	}
	ref := page.PieceRef(o.Map, o.Piece)
	_, piece := d.Piece(ref.ID)
	if piece == nil {
		return p.Fail(world.ErrGone)
	}
	h, err := pictureNamed(piece.Kind(), o.Picture)
	if err != nil {
		return p.Fail(err)
	}
	is, err := next(d, appearance.Of(piece.All(), h.Prop), to)
	if err != nil {
		return p.Fail(err)
	}
	of := *piece
	if of.Props = piece.Props.With(is.Set(h.Prop)); follows {
		of.Props = of.Props.With(kind.Value{Field: kind.None(h.Field)})
	} else {
		of.Deny(h.Field)
	}
	return p.Change("picture of "+hand.PieceName(d, piece), edit.Changes(ref, piece.Values(), of.Values()))
}

// next is what becomes of a picture, checked.
func next(d *world.Document, was appearance.Picture, to func(*world.Document, appearance.Picture) (appearance.Picture, error)) (is appearance.Picture, err error) {
	if is, err = to(d, was); err != nil {
		return is, err
	}
	return is, is.Check()
}

// pictureNamed finds a picture of a kind by its name.
func pictureNamed(k *kind.Kind, name string) (kind.Has, error) {
	h, has := k.Prop(name)
	if _, _, is := shown(h); !has || !is {
		return h, fmt.Errorf("a piece of the type %s has no picture %.40q", k.Name, name)
	}
	return h, nil
}

func shown(h kind.Has) (state, side int, is bool) {
	if h.Prop == nil {
		return 0, 0, false
	}
	return h.Shown()
}

// frameOf are the cells of a block, of each place what lies on top; of nil what is in the hand, or was there before.
func frameOf(p *page.Page, b *world.Block) (frame []grid.Cell, w, h int, err error) {
	if b == nil {
		tile, held := taken(p)
		if b = held; b == nil && tile != 0 {
			return []grid.Cell{tile}, 1, 1, nil
		}
	}
	if b == nil || len(b.Layers) == 0 {
		return nil, 0, 0, fmt.Errorf("take a tile or a block of tiles into the hand first, then let it be the picture")
	}
	if side := limit.PictureCells; b.W > side || b.H > side {
		return nil, 0, 0, fmt.Errorf("a picture of a piece is at most %d cells wide and high, and this is %d × %d", side, b.W, b.H)
	}
	frame = make([]grid.Cell, b.W*b.H)
	for _, l := range b.Layers {
		for i := range frame {
			if c := l.Cells.At(grid.Point{X: i % b.W, Y: i / b.W}); c != 0 {
				frame[i] = c
			}
		}
	}
	return frame, b.W, b.H, nil
}

// taken is the tile or the block that is in the hand, or was there before.
func taken(p *page.Page) (tile grid.Cell, b *world.Block) {
	for _, held := range []hand.Held{p.Hand.Held, p.Hand.Last} {
		switch held.Holding {
		case hand.Tile:
			return held.Tile, nil
		case hand.Patch:
			return 0, held.Block
		}
	}
	return 0, nil
}

// InHand is what a picture can be taken from, in words; empty for nothing.
func InHand(p *page.Page) string {
	tile, b := taken(p)
	switch {
	case b != nil:
		return fmt.Sprintf("%d × %d cells", b.W, b.H)
	case tile != 0:
		return hand.TileName(p.Doc(), tile)
	}
	return ""
}

// cellsInWords is what a picture of tiles shows.
func cellsInWords(d *world.Document, is appearance.Picture) string {
	says := fmt.Sprintf("%d × %d cells", is.W, is.H)
	if is.W == 1 && is.H == 1 {
		says = hand.TileName(d, is.Frames[0][0])
	}
	if len(is.Frames) > 1 {
		says += ", " + page.Counted(len(is.Frames), "frame")
	}
	return says
}
