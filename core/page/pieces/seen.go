package pieces

import (
	"slices"
	"strings"

	"azzel/core/appearance"
	"azzel/core/grid"
	"azzel/core/kind"
	"azzel/core/kinds/props"
	"azzel/core/page"
	"azzel/core/page/measure"
	"azzel/core/picture"
	"azzel/core/world"
)

// SeenView is a picture of its own as which a piece is seen, in the place of the one with which it comes.
type SeenView struct {
	// Picture is its number, for PiecePicture, Frame which frame of it is seen.
	Picture int `json:"picture"`
	Frame   int `json:"frame"`
	// Columns and Rows are how many cells it is wide and high.
	Columns  int  `json:"columns"`
	Rows     int  `json:"rows"`
	Mirrored bool `json:"mirrored"`
}

// missing is the number of the picture that stands for one that is not there.
const missing = -1

// A Sight is how a piece is to be seen: in which state, by its number, whether it is off, what it is doing, in which tick and how its map is seen.
type Sight struct {
	State int
	Off   bool
	// Side is to which side it looks; Facing says that there may be a picture for each.
	Side   world.Facing
	Facing bool
	Act    world.Act
	Tick   int
	View   world.View
}

// A Shown is as what a piece is seen that has pictures of its own: as one of them, or as a frame of the sheet of a character. The zero value is that it is seen as it comes.
type Shown struct {
	View     *SeenView
	Who      *world.Character
	Frame    int
	Mirrored bool
	// Foot is where in the picture its foot is.
	Foot grid.Point
}

// Seen is as what a piece is seen.
func Seen(p *page.Page, piece *world.Piece, s Sight) Shown {
	side := kind.AnySide
	if s.Facing {
		side = int(s.Side) + 1
	}
	stored, mirrored, has := piece.Seen(s.State, s.Off, side)
	if !has {
		return Shown{}
	}
	n, is := numbered(p, stored)
	d := p.Doc()
	c := d.Character(is.Who)
	resting := restingFoot(d.Project.Lattice(), piece.Kind(), s.View)
	switch {
	case c != nil && p.Strips[c.Strip] == nil:
		return Shown{}
	case is.Empty(), is.Who != 0 && c == nil:
		return Shown{View: &SeenView{Picture: missing, Columns: 1, Rows: 1}, Foot: resting}
	case c != nil:
		act := world.Act(is.Act)
		if act == world.ActStand {
			act = s.Act
		}
		frame, turned := c.Frame(act, s.Side, s.Tick)
		return Shown{Who: c, Frame: frame, Mirrored: turned, Foot: c.Foot(turned).Add(is.Foot)}
	}
	frames, ticks := picture.Frames(d, is)
	foot := resting.Add(is.Foot)
	if mirrored {
		foot.X = -foot.X
	}
	return Shown{View: &SeenView{Picture: n, Frame: s.Tick / ticks % frames, Columns: is.W, Rows: is.H, Mirrored: mirrored}, Mirrored: mirrored, Foot: foot}
}

// restingFoot is where in a picture of whole cells the foot of a piece is that stands in the middle of a cell, so that the picture covers the cell.
func restingFoot(l grid.Lattice, k *kind.Kind, view world.View) grid.Point {
	m := &world.Map{View: view}
	up := l.H - 1 - m.FootOf(l, k.ID, grid.Point{}).Y
	if up < 0 || up >= l.H {
		up = 0
	}
	return grid.Point{Y: up}
}

// numbered is the number of a picture on a page, and the picture, by how it is stored; missing and an empty one for none. Each is decoded once.
func numbered(p *page.Page, stored []byte) (n int, is appearance.Picture) {
	if len(stored) == 0 {
		return missing, is
	}
	n, known := p.Appearances[string(stored)]
	if known {
		return n, p.AppearanceList[n]
	}
	is, err := appearance.Decode(stored)
	if err != nil {
		return missing, appearance.Picture{} // what is stored was checked
	}
	if p.Appearances == nil {
		p.Appearances = map[string]int{}
	}
	n = len(p.AppearanceList)
	p.Appearances[string(stored)] = n
	p.AppearanceList = append(p.AppearanceList, is)
	return n, is
}

// PiecePicture asks for a frame of a picture of a piece, by its number; none while its tileset is not here.
type PiecePicture struct {
	Picture int `json:"picture"`
	Frame   int `json:"frame"`
}

// Answer implements Question.
func (q PiecePicture) Answer(p *page.Page) any {
	l := p.Doc().Project.Lattice()
	if q.Picture == missing {
		return page.Pictured(picture.Missing(l), l.W, l.H)
	}
	if q.Picture < 0 || q.Picture >= len(p.AppearanceList) || q.Frame < 0 {
		return page.Picture{}
	}
	return page.Pictured(p.Bitmaps.Atlas.Appearance(p.Doc(), p.AppearanceList[q.Picture], q.Frame))
}

// atFirst is how a piece is seen on the board: as play begins.
func atFirst(piece *world.Piece, view world.View) Sight {
	s := Sight{View: view, Side: world.South, Act: world.ActStand, Off: piece.Int(props.Power) == kind.Off}
	if own := piece.FirstState(); own != nil {
		s.State = own.Number
	}
	if view == world.SideView {
		s.Side = world.East
	}
	if looks := piece.Int(props.Looks); looks != 0 {
		s.Side = world.Facing(looks - 1)
	}
	s.Facing = piece.Kind().Faces
	return s
}

// AsPlaced is as what a piece is seen that was just placed: a picture of its own, or a character with pictures and a frame of their sheet.
func AsPlaced(p *page.Page, piece *world.Piece) (seen *SeenView, who string, sprite int) {
	is := Seen(p, piece, atFirst(piece, world.TopDown))
	if c := p.Doc().Character(piece.Character()); is.View == nil && is.Who == nil && c != nil && p.Strips[c.Strip] != nil {
		is.Who = c
		is.Frame, _ = c.Frame(world.ActStand, world.South, 0)
	}
	if is.Who != nil {
		return nil, page.FormatID(is.Who.ID), is.Frame
	}
	return is.View, "", 0
}

// PictureView is a picture that a piece or a type can have: of a state, looking to a side.
type PictureView struct {
	// Name is what it is called in orders, Label what people read.
	Name  string `json:"name"`
	Label string `json:"label"`
	// Is is what it shows, in words, empty if it is as it comes; Missing says that one is needed, Own that the piece says so itself, and not its type.
	Is      string `json:"is"`
	Missing bool   `json:"missing"`
	Own     bool   `json:"own"`
	// Seen is what it shows; nil for a character, of whom Who and Sprite tell.
	Seen   *SeenView `json:"seen"`
	Who    string    `json:"who"`
	Sprite int       `json:"sprite"`
	// Frames is how many frames it has, Seconds for how long each is shown.
	Frames  int     `json:"frames"`
	Seconds float64 `json:"seconds"`
	// FootX and FootY are where its foot is, in pixels to the right and up from where it would be.
	FootX int `json:"footX"`
	FootY int `json:"footY"`
}

// labelOf is what a picture is called among those of its kind.
func labelOf(k *kind.Kind, p *kind.Prop) string {
	state, side, _ := p.Shown()
	label := strings.TrimPrefix(p.Label, "Picture, ")
	switch {
	case label != p.Label:
		return label
	case len(k.Seen()) > 1 || k.Faces:
		return "otherwise"
	case state == kind.AnyState && side == kind.AnySide:
		return "seen as"
	}
	return label
}

// ViewPictures are the pictures that a piece can have, those of a type of the designer's own beside what it sets itself.
func ViewPictures(p *page.Page, k *kind.Kind, all, own kind.Values) []PictureView {
	list := []PictureView{}
	d := p.Doc()
	needs := appearance.Missing(all, k)
	for _, h := range k.Props {
		state, side, is := h.Shown()
		if !is {
			continue
		}
		n, pic := numbered(p, all.Get(h.Field))
		v := PictureView{Name: h.Word, Label: labelOf(k, h.Prop), Own: len(own.Get(h.Field)) > 0, Missing: side == kind.AnySide && slices.Contains(needs, state), Frames: len(pic.Frames), Seconds: measure.PictureTime.Shown(pic.Ticks), FootX: pic.Foot.X, FootY: pic.Foot.Y}
		switch c := d.Character(pic.Who); {
		case pic.Who != 0 && c == nil:
			v.Is, v.Missing = "somebody who is gone", true
		case pic.Who != 0:
			v.Who, v.Is = page.FormatID(c.ID), c.Name+" "+world.ActNames[pic.Act]
			v.Sprite, _ = c.Frame(world.Act(pic.Act), max(0, world.Facing(side-1)), 0)
		case !pic.Empty():
			v.Seen = &SeenView{Picture: n, Columns: pic.W, Rows: pic.H}
			v.Is = cellsInWords(d, pic)
		}
		list = append(list, v)
	}
	return list
}
