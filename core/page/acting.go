package page

import (
	"fmt"
	"slices"
	"strings"

	"azzel/core/body"
	"azzel/core/edit"
	"azzel/core/grid"
	"azzel/core/hand"
	"azzel/core/kind"
	"azzel/core/kinds/props"
	"azzel/core/play"
	"azzel/core/world"
)

// ActingView is how a piece acts in play, with what can be set of it.
type ActingView struct {
	Values  []TermView   `json:"values"`
	Choices []ChoiceView `json:"choices"`
	// Moves says that it goes somewhere by itself, so that it has a trail; Tracked that it follows
	// a track, which can be led on.
	Moves   bool `json:"moves"`
	Tracked bool `json:"tracked"`
}

// ChoiceView is one of some things that can be chosen.
type ChoiceView struct {
	Name    string   `json:"name"`
	Label   string   `json:"label"`
	Options []string `json:"options"`
	Is      int      `json:"is"`
}

// ThingView is a piece that acts, as it is in play.
type ThingView struct {
	ID   string  `json:"id"`
	Type string  `json:"type"`
	X    float64 `json:"x"`
	Y    float64 `json:"y"`
	// Mirrored says that it looks to the left, Cells how many cells wide it is.
	Mirrored bool `json:"mirrored"`
	Cells    int  `json:"cells"`
	Gone     bool `json:"gone"`
	// W and H are its body, Hurts says that touching it hurts.
	W     int  `json:"w"`
	H     int  `json:"h"`
	Hurts bool `json:"hurts"`
	// Who is the character that it is, empty for none; Sprite which frame of their sheet is seen, −1
	// for the built-in picture, FootX and FootY where in it the foot is.
	Who    string `json:"who"`
	Sprite int    `json:"sprite"`
	FootX  int    `json:"footX"`
	FootY  int    `json:"footY"`
	// Level is −1 for what all else stands on, 1 for what is carried overhead, else 0.
	Level int `json:"level"`
}

// viewActing is what can be set of how a piece acts, as its kind declares it; nil if nothing can.
func viewActing(d *world.Document, m *world.Map, p *world.Piece) *ActingView {
	v := &ActingView{Values: []TermView{}, Choices: []ChoiceView{}}
	k := p.Kind()
	for _, h := range k.Props {
		if !h.Hidden && (h.If == nil || h.If(p.Props)) {
			v.prop(d, m, p, h)
		}
	}
	if len(v.Values)+len(v.Choices) == 0 {
		return nil
	}
	v.Moves = k.Goes && p.Int(props.Does) != props.Stands
	return v
}

// prop shows a property of a piece.
func (v *ActingView) prop(d *world.Document, m *world.Map, p *world.Piece, h kind.Has) {
	numbers := p.Props.Numbers(p.Kind(), h.Prop)
	choice := func(is int, options ...string) {
		v.Choices = append(v.Choices, ChoiceView{h.Word, h.Says(), options, is})
	}
	switch h.Sort {
	case kind.Choice:
		choice(numbers[0], h.Options...)
	case kind.YesNo:
		choice(numbers[0], "no", "yes")
	case kind.Direction:
		choice(numbers[0], append([]string{h.None}, h.Options...)...)
	case kind.Reference:
		refers := v.listed(d, h.Word, h.Says(), h.None, sortOf(h.To), thingsOf(d, m, h.To), p.Refers(h.Prop))
		if makesNew(h.To) {
			last := &v.Choices[len(v.Choices)-1]
			last.Options = append(last.Options, "a new "+sortNames[sortOf(h.To)])
		}
		v.Tracked = v.Tracked || refers && h.To == kind.Track
	case kind.Offset:
		v.value(m, p, h.Word+"-x", h.Says()+" right", h, 0, numbers[0], d.Project.CellW)
		v.value(m, p, h.Word+"-y", h.Says()+" down", h, 1, numbers[1], d.Project.CellH)
	case kind.Weights:
		for i, option := range h.Options {
			v.value(m, p, h.Word+"-"+option, h.Says()+" "+option, h, i, numbers[i], 1)
		}
	default:
		v.value(m, p, h.Word, h.Says(), h, 0, numbers[0], 1)
	}
}

// value adds a number that can be set of a piece: number i of a property, of which per parts are one of its unit.
func (v *ActingView) value(m *world.Map, p *world.Piece, name, label string, h kind.Has, i, is, per int) {
	least, most := h.Ranges(i)
	if h.Sort == kind.Whole {
		least = h.Least
	}
	reach := h.Reach * per
	if h.Per > 0 {
		per = h.Per
	}
	t := TermView{Name: name, Label: label, Unit: h.Unit, Value: is, Per: per, Least: least, Most: most, Reach: min(max(reach, is), most)}
	t.Tries, t.Trial = around(t), PieceTerm(world.Ref{Map: m.ID, ID: p.ID}, name)
	v.Values = append(v.Values, t)
}

// sortOf is the sort of stored thing that a property refers to.
func sortOf(t kind.Thing) world.Sort {
	return map[kind.Thing]world.Sort{kind.Character: world.SortCharacter, kind.Track: world.SortTrack, kind.Area: world.SortArea, kind.Item: world.SortItem, kind.Fact: world.SortFact}[t]
}

// sortNames are what people call the things that can be made by choosing them.
var sortNames = map[world.Sort]string{world.SortItem: "item", world.SortFact: "fact"}

// makesNew reports whether a thing can be made by choosing it.
func makesNew(t kind.Thing) bool { return sortNames[sortOf(t)] != "" }

// thingsOf are the things of a sort that a piece of a map can refer to.
func thingsOf(d *world.Document, m *world.Map, t kind.Thing) []world.ID {
	switch t {
	case kind.Character:
		return charactersOf(d)
	case kind.Track:
		return tracksOf(d, m)
	case kind.Area:
		return areasOf(d, m)
	case kind.Item:
		return itemsOf(d)
	case kind.Fact:
		return factsOf(d)
	}
	return nil
}

// listed lets one of some things be chosen, or none of them; it reports whether one is.
func (v *ActingView) listed(d *world.Document, name, label, none string, sort world.Sort, ids []world.ID, chosen world.ID) bool {
	c := ChoiceView{Name: name, Label: label, Options: []string{none}}
	for i, id := range ids {
		c.Options = append(c.Options, hand.Name(d, world.Ref{Sort: sort, ID: id}))
		if id == chosen {
			c.Is = i + 1
		}
	}
	v.Choices = append(v.Choices, c)
	return c.Is > 0
}

// path is the way of a piece to and fro or along its track, and what of it goes in a second, in
// pixels of the board; nil if it has none.
func path(d *world.Document, m *world.Map, p *world.Piece) *PathView {
	if !p.Kind().Goes {
		return nil
	}
	l := d.Project.Lattice()
	origin := l.Pixel(m.Origin)
	v := &PathView{Points: []int{}, Second: float64(p.Int(props.Speed)*l.W) / 10, W: p.Width() * l.W, H: l.H / 2}
	add := func(at grid.Point) { v.Points = append(v.Points, at.X+origin.X, at.Y+origin.Y) }
	add(p.Foot)
	if t := d.Track(p.Refers(props.Track)); t != nil && t.Map == m.ID {
		for _, at := range t.Points {
			add(at)
		}
		if t.Round {
			add(p.Foot)
		}
	} else if p.To() != (grid.Point{}) {
		add(p.PathTo())
	}
	if len(v.Points) == 2 {
		return nil
	}
	return v
}

// PathView is the way of a piece, with what it covers at its end.
type PathView struct {
	// Points are x and y in turns.
	Points []int `json:"points"`
	// Second is how far it goes in a second.
	Second float64 `json:"second"`
	W      int     `json:"w"`
	H      int     `json:"h"`
}

// TrailView is where a piece will be, tick by tick, in pixels of the board.
type TrailView struct {
	// Places are x and y of its foot in turns, W and H what it covers.
	Places []float64 `json:"places"`
	W      int       `json:"w"`
	H      int       `json:"h"`
	// Player is the body of the player who is in its sight, nil if it does not look for one.
	Player *BoxView `json:"player"`
}

// trailTicks is how far ahead a trail shows.
const trailTicks = 12 * play.TicksPerSecond

// Trail is where a piece will be that goes somewhere by itself, with the value that is tried, if one
// is.
func (p *Page) Trail(id world.ID) TrailView {
	v := TrailView{Places: []float64{}}
	d := p.doc()
	if p.attempt != nil {
		d = p.attempt
	}
	m, _ := d.Piece(id)
	if m == nil {
		return v
	}
	origin := d.Project.Lattice().Pixel(m.Origin)
	trail := play.TrailOf(d, m, id, trailTicks)
	v.W, v.H = trail.Size.W, trail.Size.H
	if trail.Met {
		of := trail.PlayerSize
		v.Player = &BoxView{trail.Player.X/256 - of.W/2 + origin.X, trail.Player.Y/256 - of.H + origin.Y, of.W, of.H}
	}
	for _, at := range trail.Places {
		v.Places = append(v.Places, float64(at.X)/256+float64(origin.X), float64(at.Y)/256+float64(origin.Y))
	}
	return v
}

// dress shows a thing as the character that its piece is.
func (p *Page) dress(v *ThingView, piece *world.Piece, t play.Thing, view world.View, tick int) {
	c := p.doc().Character(piece.Refers(props.Who))
	if c == nil || p.strips[c.Strip] == nil {
		return
	}
	act, facing := world.ActWalk, world.Facing(t.Heading&3)
	if view == world.SideView {
		if facing = world.East; t.Heading < 0 {
			facing = world.West
		}
	}
	if piece.Int(props.Does) == props.Stands {
		act = world.ActStand
	}
	v.Who, v.FootX, v.FootY = FormatID(c.ID), c.FootX, c.FootY
	if v.Sprite, v.Mirrored = c.Frame(act, facing, tick); v.Mirrored {
		v.FootX = -v.FootX
	}
}

// standing shows a piece that is a character as that stands there.
func (p *Page) standing(v *PieceView, piece *world.Piece, view world.View) {
	c := p.doc().Character(piece.Refers(props.Who))
	if c == nil || !piece.Kind().Figure || p.strips[c.Strip] == nil {
		return
	}
	facing := world.South
	if view == world.SideView {
		facing = world.East
	}
	if looks := piece.Int(props.Looks); looks != 0 {
		facing = world.Facing(looks - 1)
	}
	v.Who, v.FootX, v.FootY = FormatID(c.ID), c.FootX, c.FootY
	if v.Sprite, v.Mirrored = c.Frame(world.ActStand, facing, 0); v.Mirrored {
		v.FootX = -v.FootX
	}
}

// acted is the edit that lets a piece act otherwise. What is chosen among tracks or areas is a number
// of those of its map, from 1 on.
func (a author) acted(ref world.Ref, name string, value int) (edit.Edit, error) {
	d := a.d
	m := d.Map(ref.Map)
	if m == nil || m.Piece(ref.ID) == nil {
		return edit.Edit{}, world.ErrGone
	}
	piece := m.Piece(ref.ID)
	next := *piece
	var err error
	var before []edit.Part
	switch name {
	case "sets":
		before = a.setsChosen(&next, value)
	case "while":
		before = a.whileChosen(&next, value)
	case "sets-how", "sets-by", "least", "not":
		next.Props = next.Props.With(factual(piece, name, value)...)
	default:
		before, err = a.set(m, &next, name, value)
		l := d.Project.Lattice()
		if c := l.CellAt(piece.Foot); piece.Foot == m.FootFor(l, piece, c) {
			// It covers whole cells, and still does when it is wider.
			next.Foot = m.FootFor(l, &next, c)
		}
	}
	for f, b := range next.Props.All() {
		if err == nil {
			err = kind.PropOf(f).Check(b)
		}
	}
	return edit.Edit{Label: "change " + name, Parts: append(before, edit.Changes(ref, piece.Values(), next.Values())...)}, err
}

// set gives a piece a number of a property by the name that it has for the page, and says what must be made before.
func (a author) set(m *world.Map, p *world.Piece, name string, value int) (before []edit.Part, err error) {
	k := p.Kind()
	for _, h := range k.Props {
		part, is := strings.CutPrefix(name, h.Word+"-")
		i := 0
		switch {
		case name == h.Word:
		case is && h.Sort == kind.Offset:
			i = slices.Index([]string{"x", "y"}, part)
		case is && h.Sort == kind.Weights:
			i = slices.Index(h.Options, part)
		default:
			continue
		}
		if i < 0 || h.Hidden {
			break
		}
		if h.Sort == kind.Reference {
			things := thingsOf(a.d, m, h.To)
			id := chosen(things, value)
			if makesNew(h.To) && value == len(things)+1 {
				var put edit.Part
				if id, put = a.newItem(p.Name); h.To == kind.Fact {
					id, put = a.newFact(p.Name)
				}
				before = append(before, put)
			}
			p.Props = p.Props.With(h.Refer(id))
			return before, nil
		}
		numbers := p.Props.Numbers(k, h.Prop)
		numbers[i] = value
		p.Props = p.Props.With(h.Is(numbers...))
		return nil, nil
	}
	return nil, fmt.Errorf("a piece of the type %s has no %q", k.Name, name)
}

// chosen is number n of some things, from 1 on; 0 for none.
func chosen(ids []world.ID, n int) world.ID {
	if n < 1 || n > len(ids) {
		return 0
	}
	return ids[n-1]
}

// tryActing shows the trail of a piece as if it acted otherwise, while a value is dragged.
func (p *Page) tryActing(ref world.Ref, name string, value int) Changed {
	e, err := p.author().acted(ref, name, value)
	if err != nil {
		return p.Fail(err)
	}
	p.attempt = p.doc()
	if len(e.Parts) > 0 {
		res, err := edit.Apply(p.doc(), e)
		if err != nil {
			return p.Fail(err)
		}
		p.attempt = res.Document
	}
	return StateChanged
}

// setActing lets a piece act otherwise.
func (p *Page) setActing(ref world.Ref, name string, value int) Changed {
	p.attempt = nil
	e, err := p.author().acted(ref, name, value)
	if err != nil {
		return p.Fail(err)
	}
	return p.change(name, e.Parts)
}

// things are the pieces that act and are near what the player sees.
func (p *Page) things(g *play.Game) []ThingView {
	d := p.doc()
	l := d.Project.Lattice()
	const margin = 4 // cells, so that nothing appears in view
	seen := g.Camera()
	seen = grid.Rect{X: seen.X - margin*l.W, Y: seen.Y - margin*l.H, W: seen.W + 2*margin*l.W, H: seen.H + 2*margin*l.H}
	list := []ThingView{}
	status := g.Status()
	m := d.Map(status.Map)
	origin := l.Pixel(m.Origin)
	g.Things(func(t play.Thing, cells int, size body.Size) {
		x, y := t.Place.X/256, t.Place.Y/256
		if x < seen.X || y < seen.Y || x >= seen.X+seen.W || y >= seen.Y+seen.H {
			return
		}
		level := 0
		switch {
		case t.ID == status.Lifted:
			level = 1
		case kind.Of(t.Type).Lies && m.View == world.TopDown:
			level = -1
		}
		v := ThingView{ID: FormatID(t.ID), Type: FormatID(t.Type), X: float64(t.Place.X)/256 + float64(origin.X), Y: float64(t.Place.Y)/256 + float64(origin.Y),
			Mirrored: m.View == world.SideView && t.Heading < 0, Cells: cells, Gone: t.Gone, W: size.W, H: size.H, Hurts: kind.Of(t.Type).Hurts, Level: level, Sprite: -1}
		if piece := m.Piece(t.Piece()); piece != nil && kind.Of(t.Type).Figure {
			p.dress(&v, piece, t, m.View, status.Ticks)
		}
		list = append(list, v)
	})
	return list
}
