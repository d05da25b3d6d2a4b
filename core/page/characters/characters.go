// Package characters is the room of characters: their sheets, poses and bodies, and who is played.
package characters

import (
	"fmt"

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
	// AboveW and AboveH are its body from above, Begins what it begins with.
	AboveW int                `json:"aboveW"`
	AboveH int                `json:"aboveH"`
	Begins []memory.StockView `json:"begins"`
	// BodyW and BodyH are its body from the side, FootX and FootY where in a frame its foot is,
	// to the right of the middle of its lower edge and up from it.
	BodyW int `json:"bodyW"`
	BodyH int `json:"bodyH"`
	FootX int `json:"footX"`
	FootY int `json:"footY"`
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
		size, above := body.SizeOf(d.Project.Lattice(), world.SideView, c.Movement), body.SizeOf(d.Project.Lattice(), world.TopDown, c.Movement)
		v := CharacterView{ID: page.FormatID(c.ID), Name: c.Name, Played: c.ID == d.Project.Player, Strip: c.Strip, W: c.W, H: c.H, Poses: []PoseView{},
			AboveW: above.W, AboveH: above.H, Begins: memory.ViewStocks(d, c.Begins), BodyW: size.W, BodyH: size.H, FootX: c.FootX, FootY: c.FootY}
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

// SetBody gives a character a body from the side or from above, of a width and height in pixels, and the place of its foot in
// a frame.
type SetBody struct {
	Character page.ID `json:"character"`
	Above     bool    `json:"above"`
	W         int     `json:"w"`
	H         int     `json:"h"`
	FootX     int     `json:"footX"`
	FootY     int     `json:"footY"`
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
	return SetBody{Character: o.Character, W: box.W, H: box.H, FootX: box.X + box.W/2 - strip.W/2, FootY: strip.H - box.Y - box.H}.Do(p)
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
