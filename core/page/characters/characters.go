// Package characters is the room of characters: their sheets, poses and bodies, and who is played.
package characters

import (
	"fmt"
	"math"

	"azzel/core/body"
	"azzel/core/edit"
	"azzel/core/limit"
	"azzel/core/page"
	"azzel/core/page/memory"
	"azzel/core/world"
)

// CharacterView is a character as it is set up.
type CharacterView struct {
	ID   string `json:"id"`
	Name string `json:"name"`
	// Played says that it is the one who is played.
	Played bool `json:"played"`
	// Strip is the sum of its frames, empty without pictures; W and H are the size of a frame.
	Strip string     `json:"strip"`
	W     int        `json:"w"`
	H     int        `json:"h"`
	Poses []PoseView `json:"poses"`
	// Begins is what it begins with.
	Begins []memory.StockView `json:"begins"`
}

// PoseView is a row of a character's sheet and what it shows.
type PoseView struct {
	Act    int   `json:"act"`
	Facing int   `json:"facing"`
	Frames []int `json:"frames"`
	Ticks  int   `json:"ticks"`
}

// SheetTaken is the sheet of a character that the server has taken in.
type SheetTaken struct {
	Name    string `json:"name"`
	Picture string `json:"picture"`
	Strip   string `json:"strip"`
	W       int    `json:"w"`
	H       int    `json:"h"`
	Columns int    `json:"columns"`
	Rows    int    `json:"rows"`
	Places  []int  `json:"places"`
}

// CharactersOf are all characters of a project.
func CharactersOf(d *world.Document) []world.ID {
	return page.IDsOf(d.Characters, func(c *world.Character) world.ID { return c.ID })
}

// ViewCharacters are all characters as views.
func ViewCharacters(d *world.Document) []CharacterView {
	list := []CharacterView{}
	for _, c := range d.Characters {
		v := CharacterView{ID: page.FormatID(c.ID), Name: c.Name, Played: c.ID == d.Project.Player, Strip: c.Strip, W: c.W, H: c.H, Poses: []PoseView{},
			Begins: memory.ViewStocks(d, c.Begins)}
		for _, p := range c.Rows() {
			v.Poses = append(v.Poses, PoseView{int(p.Act), int(p.Facing), p.Frames, p.Ticks})
		}
		list = append(list, v)
	}
	return list
}

// TakeSheet makes a character of a sheet, or gives Character, if there is one, another sheet. The first character is played.
type TakeSheet struct {
	Character page.ID    `json:"character,omitempty"`
	Sheet     SheetTaken `json:"sheet"`
}

// Do implements Order.
func (o TakeSheet) Do(p *page.Page) page.Changed {
	ref, t := page.CharacterRef(o.Character), o.Sheet
	if t.Columns < 1 || t.Rows < 1 || t.Columns > limit.PictureSide || t.Rows > limit.PictureSide || len(t.Places) == 0 || len(t.Places) > limit.CharacterFrames {
		return p.Fail(page.ErrUnknown)
	}
	for _, place := range t.Places {
		if place < 0 || place >= t.Columns*t.Rows {
			return p.Fail(page.ErrUnknown)
		}
	}
	d := p.Doc()
	next := &world.Character{Name: t.Name}
	was := d.Character(ref.ID)
	if was != nil {
		copied := *was
		next = &copied
	}
	next.Picture, next.Strip, next.W, next.H, next.Count = t.Picture, t.Strip, t.W, t.H, len(t.Places)
	next.Poses, next.FootX, next.FootY = world.ProposePoses(t.Columns, t.Rows, t.Places), 0, 0
	e := edit.Edit{Label: edit.Clip("give " + next.Name + " a sheet")}
	if was != nil {
		e.Parts = edit.Changes(ref, was.Values(), next.Values())
		return p.Do(e)
	}
	e.Label = edit.Clip("import " + next.Name)
	ref.ID = p.IDs.NewID()
	e.Parts = []edit.Part{edit.Put{Ref: ref, Values: next.Values()}}
	if d.Project.Player == 0 {
		e.Parts = append(e.Parts, edit.Change{Ref: world.Ref{Sort: world.SortProject}, Value: world.IDValue(world.FieldPlayer, ref.ID)})
	}
	return p.Do(e)
}

// SetPose says what a row of a character's sheet shows: an act, a facing, and for how many ticks each frame is shown.
type SetPose struct {
	Character page.ID `json:"character"`
	Row       int     `json:"row"`
	Act       int     `json:"act"`
	Facing    int     `json:"facing"`
	Ticks     int     `json:"ticks"`
}

// Do implements Order.
func (o SetPose) Do(p *page.Page) page.Changed {
	ref := page.CharacterRef(o.Character)
	c := p.Doc().Character(ref.ID)
	if c == nil || o.Row < 0 || o.Row >= len(c.Rows()) {
		return p.Fail(world.ErrGone)
	}
	next := *c
	next.Poses = append([]world.Pose{}, c.Rows()...)
	pose := &next.Poses[o.Row]
	pose.Act, pose.Facing, pose.Ticks = world.Act(min(max(o.Act, 0), 255)), world.Facing(min(max(o.Facing, 0), 255)), o.Ticks
	return p.Change(c.Name, edit.Changes(ref, c.Values(), next.Values()))
}

// Body is a body of a character as it is set: its width and height in pixels, and the place of the foot in a frame, to the
// right of the middle of its lower edge and above it.
type Body struct {
	W     int `json:"w"`
	H     int `json:"h"`
	FootX int `json:"footX"`
	FootY int `json:"footY"`
}

// BodyOf is the body of a character from the side or from above.
func BodyOf(d *world.Document, c *world.Character, above bool) Body {
	view := world.SideView
	if above {
		view = world.TopDown
	}
	size := body.SizeOf(d.Project.Lattice(), view, c.Movement)
	return Body{size.W, size.H, c.FootX, c.FootY}
}

// A BodyPart is what of a body is dragged on a frame.
type BodyPart int

// The parts of a body that are dragged: none, its upper right corner, and the foot.
const (
	NoPart BodyPart = iota
	Corner
	Foot
)

// Outlined is a body with where it lies on a frame, in pixels from the frame's upper left corner.
type Outlined struct {
	Body
	// X and Y are the foot, Box what the body covers.
	X   float64       `json:"x"`
	Y   float64       `json:"y"`
	Box page.BodyView `json:"box"`
}

// Dragged is a body on a frame of w × h pixels after a part of it was dragged to a place there.
func (b Body) Dragged(part BodyPart, x, y float64, w, h int) Outlined {
	const least = 2
	whole := func(v float64) int { return int(math.Round(min(max(v, -1<<20), 1<<20))) }
	foot := func() (float64, float64) { return float64(w)/2 + float64(b.FootX), float64(h - b.FootY) }
	switch footX, footY := foot(); part {
	case Corner:
		b.W, b.H = max(least, whole(2*math.Abs(x-footX))), max(least, whole(footY-y))
	case Foot:
		b.FootX, b.FootY = whole(x-float64(w)/2), whole(float64(h)-y)
	}
	at := Outlined{Body: b}
	at.X, at.Y = foot()
	at.Box = page.Body(at.X, at.Y, b.W, b.H)
	return at
}

// SetBody gives a character a body from the side or from above.
type SetBody struct {
	Character page.ID `json:"character"`
	Above     bool    `json:"above"`
	Body
}

// Do implements Order.
func (o SetBody) Do(p *page.Page) page.Changed {
	ref := page.CharacterRef(o.Character)
	c := p.Doc().Character(ref.ID)
	if c == nil {
		return p.Fail(world.ErrGone)
	}
	next := *c
	next.FootX, next.FootY = o.FootX, o.FootY
	if o.Above {
		next.AboveW, next.AboveH = o.W, o.H
	} else {
		next.BodyW, next.BodyH = o.W, o.H
	}
	return p.Change(c.Name, edit.Changes(ref, c.Values(), next.Values()))
}

// ProposeBody gives a character the body and foot that its pictures show: the box round what is opaque of it standing.
type ProposeBody struct {
	Character page.ID `json:"character"`
}

// Do implements Order.
func (o ProposeBody) Do(p *page.Page) page.Changed {
	c := p.Doc().Character(world.ID(o.Character))
	if c == nil {
		return p.Fail(world.ErrGone)
	}
	strip := p.Strips[c.Strip]
	if strip == nil {
		return p.Refuse("The pictures of %s are not here yet. Try again in a moment.", c.Name)
	}
	frame, _ := c.Frame(world.ActStand, world.East, 0)
	box := strip.Opaque([]int{frame})
	if box.Empty() {
		return p.Refuse("Nothing of %s is opaque: give it another sheet, or set its body by numbers.", c.Name)
	}
	return SetBody{Character: o.Character, Body: Body{box.W, box.H, box.X + box.W/2 - strip.W/2, strip.H - box.Y - box.H}}.Do(p)
}

// UseAsPlayer lets another character be played; the built-in figure if none is given.
type UseAsPlayer struct {
	Character page.ID `json:"character,omitempty"`
}

// Do implements Order.
func (o UseAsPlayer) Do(p *page.Page) page.Changed {
	ref := page.CharacterRef(o.Character)
	name := "the built-in figure"
	if c := p.Doc().Character(ref.ID); c != nil {
		name = c.Name
	} else if ref.ID != 0 {
		return p.Fail(world.ErrGone)
	}
	if p.Doc().Project.Player == ref.ID {
		return 0
	}
	return p.Do(edit.Edit{Label: edit.Clip(fmt.Sprintf("play %s", name)),
		Parts: []edit.Part{edit.Change{Ref: world.Ref{Sort: world.SortProject}, Value: world.IDValue(world.FieldPlayer, ref.ID)}}})
}
