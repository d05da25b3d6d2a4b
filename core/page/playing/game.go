package playing

import (
	"fmt"
	"slices"

	"azzel/core/body"
	"azzel/core/grid"
	"azzel/core/hand"
	"azzel/core/kind"
	"azzel/core/page"
	"azzel/core/page/maps"
	"azzel/core/page/memory"
	"azzel/core/page/wording"
	"azzel/core/play"
	"azzel/core/world"
)

// mostNotches is how many notches a time line has at most, so that they can be told apart.
const mostNotches = 200

// notches are the ticks after which the document changed, of those that lie close together
// the first.
func notches(r *play.Recording) []int {
	apart := (r.Last() - r.First()) / mostNotches
	ticks := []int{}
	for _, tick := range r.Changes() {
		if len(ticks) == 0 || tick-ticks[len(ticks)-1] > apart {
			ticks = append(ticks, tick)
		}
	}
	return ticks
}

// PlayView is what is to be seen of the game; nil if none is played. Events are
// given once.
func PlayView(p *page.Page) *Play {
	if p.Played == nil {
		return nil
	}
	d := p.Doc()
	l := d.Project.Lattice()
	s := p.Played.Game().Status()
	m := d.Map(s.Map)
	origin := l.Pixel(m.Origin)
	v := &Play{Map: page.FormatID(s.Map), X: float64(s.Place.X)/256 + float64(origin.X), Y: float64(s.Place.Y)/256 + float64(origin.Y),
		Facing: int(s.Facing), FromSide: m.View == world.SideView, Health: s.Health, MostHealth: s.Most, Safe: s.Safe, Frame: page.Box(p.Played.Game().Camera().Move(origin)), Ticks: s.Ticks, Steps: s.Steps,
		Taken: s.Taken, Total: s.Total, GoneIDs: []string{}, Finished: s.Finished, Events: p.Events,
		First: p.Played.First(), Last: p.Played.Last(), Changes: notches(p.Played), Helps: helpNames, HelpsOn: helpsOn(p)}
	var open []string
	for _, f := range p.Played.Game().Objectives() {
		open = append(open, f.Name)
	}
	v.ToDo = wording.Some(open)
	v.Doing, v.Facing, v.Step = pose(s, m.View, p.Moving)
	var foot grid.Point
	v.Sprite, v.Mirrored, foot = frame(p, s, m.View)
	if v.Dark = p.Played.Game().Dark(); v.Sprite >= 0 {
		v.Who = page.FormatID(p.Played.Game().Who().ID)
	}
	v.Body = page.Body(v.X, v.Y, s.Size.W, s.Size.H)
	if v.Spot = page.Spot(v.X, v.Y, foot, page.LevelFeet); v.FromSide {
		// From the side nobody is in front of another by standing lower, so that the player is before all.
		v.Spot = v.Spot.InFront()
	}
	walks := slices.IndexFunc(m.Layers, func(l *world.Layer) bool { return l.ID == m.PlayerLayer }) + 1
	unseen := p.Played.Game().LayerUnseen
	v.Below, v.Above = maps.Slabs(p, m, 0, walks, unseen), maps.Slabs(p, m, walks, len(m.Layers), unseen)
	if p.Sent != nil && d.Map(p.Sent.Map) != nil {
		goal := page.Box(l.Box(grid.Rect{X: p.Sent.Cell.X, Y: p.Sent.Cell.Y, W: 1, H: 1}.Move(d.Map(p.Sent.Map).Origin)))
		v.Goal = &goal
	}
	if v.Events == nil {
		v.Events = []string{}
	}
	p.Events = nil
	v.OnIDs, v.Things, v.Still = []string{}, things(p, p.Played.Game()), still(p, p.Played.Game(), s.Ticks)
	v.Shots, v.MyShots, v.Striking = []float64{}, []float64{}, float64(s.Striking)/100
	p.Played.Game().Shots(func(at body.Place, mine bool) {
		list := &v.Shots
		if mine {
			list = &v.MyShots
		}
		*list = append(*list, float64(at.X)/256+float64(origin.X), float64(at.Y)/256+float64(origin.Y))
	})
	for _, id := range p.Played.Game().CastMaps() {
		v.CastMaps = append(v.CastMaps, page.FormatID(id))
	}
	shake := p.Played.Game().Shaking()
	v.ShakeX, v.ShakeY = shake.X, shake.Y
	v.Reading = readingView(p.Played.Game(), v.Frame, v.Y)
	v.Has = memory.InWords(d, p.Played.Game().Items())
	if s.Checkpoint != 0 {
		v.OnIDs = append(v.OnIDs, page.FormatID(s.Checkpoint))
	}
	for _, id := range p.Played.Game().Others() {
		v.OnIDs = append(v.OnIDs, page.FormatID(id))
	}
	v.Live = []string{}
	for _, id := range p.Played.Game().Live() {
		v.Live = append(v.Live, page.FormatID(id))
	}
	for _, id := range slices.Concat(p.Played.Game().TakenIDs(), p.Played.Game().Absent()) {
		v.GoneIDs = append(v.GoneIDs, page.FormatID(id))
	}
	for _, m := range d.Maps {
		for _, piece := range m.Pieces {
			if piece.Props != "" && p.Played.Game().Hidden(piece) {
				v.GoneIDs = append(v.GoneIDs, page.FormatID(piece.ID))
			}
		}
	}
	for _, id := range p.Played.Game().MadeHidden() {
		v.GoneIDs = append(v.GoneIDs, page.FormatID(id))
	}
	return v
}

// stride is for how many ticks one frame of walking is shown.
const stride = 8

// pose is what the player does, where they look and which frame of walking is shown.
func pose(s play.Status, view world.View, moving bool) (doing string, facing, step int) {
	if moving {
		step = s.Ticks / stride % world.CharacterFrames
	}
	facing, doing = int(s.Facing), "stands"
	switch {
	case view == world.SideView && s.Doing == body.Airborne:
		return "is in the air", facing, 1
	case view == world.SideView && s.Doing == body.OnLadder:
		return "climbs", int(world.North), step
	case view == world.SideView && s.Doing == body.InWater:
		doing = "swims"
	case moving:
		doing = "walks"
	}
	return doing, facing, step
}

// Memory is what the game remembers beside items: where one comes back to, what was taken and drawn on
// this map, and who is gone. It has no lines if nothing is played. It looks at every piece of the map.
func Memory(p *page.Page) []page.SlipLine {
	if p.Played == nil {
		return []page.SlipLine{}
	}
	d, g := p.Doc(), p.Played.Game()
	s := g.Status()
	lines := []page.SlipLine{{Label: "Comes back to", Value: "where you came in"}}
	if s.Checkpoint != 0 {
		if on, _ := d.Piece(s.Checkpoint); on != nil {
			lines[0].Value = hand.Name(d, world.Ref{Sort: world.SortPiece, Map: on.ID, ID: s.Checkpoint})
		}
	}
	var taken, drawn []string
	types := map[world.ID]world.ID{}
	for _, piece := range d.Map(s.Map).Pieces {
		if g.Taken(piece.ID) {
			taken = append(taken, hand.PieceName(d, piece))
		}
		types[piece.ID] = piece.Type
	}
	g.Things(func(t play.Thing, _ int, _ body.Size) {
		if is := types[t.ID]; is != 0 && is != t.Type {
			drawn = append(drawn, kind.Of(t.Type).Word)
		}
	})
	if len(taken) > 0 {
		lines = append(lines, page.SlipLine{Label: "Taken here", Value: wording.Some(taken)})
	}
	if len(drawn) > 0 {
		lines = append(lines, page.SlipLine{Label: "Drawn here", Value: wording.Some(drawn)})
	}
	if names := g.Fallen(); len(names) > 0 {
		lines = append(lines, page.SlipLine{Label: "Gone for good", Value: wording.Some(names)})
	}
	gone := map[world.ID]int{}
	g.Things(func(t play.Thing, _ int, _ body.Size) {
		if t.Gone {
			gone[t.Type]++
		}
	})
	for _, of := range kind.All() {
		if n := gone[of.ID]; n > 0 {
			lines = append(lines, page.SlipLine{Label: of.Name, Value: fmt.Sprintf("%d gone here", n)})
		}
	}
	return lines
}
