package view

import (
	"fmt"
	"slices"

	"azzel/core/board"
	"azzel/core/grid"
	"azzel/core/hand"
	"azzel/core/kinds/props"
	"azzel/core/page"
	"azzel/core/page/holding"
	"azzel/core/page/pieces"
	"azzel/core/page/places"
	"azzel/core/page/rules"
	"azzel/core/page/talking"
	"azzel/core/page/wires"
	"azzel/core/play"
	"azzel/core/world"
)

// slip says what is selected; nil if nothing is, or it is gone.
func slip(p *page.Page) *SlipView {
	d, sel := p.Doc(), p.Hand.Selected
	l := d.Project.Lattice()
	v := &SlipView{Kind: page.KindNames[sel.Ref.Sort], ID: page.FormatID(sel.Ref.ID), Map: page.FormatID(sel.Ref.Map), Lines: []page.SlipLine{}, Stack: []StackView{}, Landings: []page.BoxView{}, Joins: []wires.JoinView{}, Rules: []rules.HeadView{}, Around: []rules.HomeView{}, Otherwise: []string{}, Pictures: []pieces.PictureView{}, InHand: pieces.InHand(p)}
	line := func(label, format string, values ...any) {
		v.Lines = append(v.Lines, page.SlipLine{Label: label, Value: fmt.Sprintf(format, values...)})
	}
	switch sel.Ref.Sort {
	case world.SortMap:
		m := d.Map(sel.Ref.ID)
		if m == nil {
			return nil
		}
		v.Name, v.Sort, v.Box = m.Name, "map", page.Box(l.Box(m.OnBoard()))
		line("Size", "%d × %d cells", m.Bounds.W, m.Bounds.H)
		line("Ways out", "%d", len(d.CrossingsOf(m.ID)))
		line("Pieces", "%d", len(m.Pieces))
	case world.SortPiece:
		m := d.Map(sel.Ref.Map)
		if m == nil || m.Piece(sel.Ref.ID) == nil {
			return nil
		}
		piece := m.Piece(sel.Ref.ID)
		t := piece.Kind()
		foot := l.CellAt(piece.Foot)
		v.Name, v.Sort, v.Type = piece.Name, t.Name, page.FormatID(piece.TypeID())
		for _, h := range piece.Otherwise() {
			if world.SetsUsual(h) {
				v.Otherwise = append(v.Otherwise, h.Says())
			}
		}
		v.Box = page.Box(l.Box(piece.Cells(l).Move(m.Origin)))
		line("Stands on", "%s, cell %d, %d", m.Name, foot.X, foot.Y)
		line("In play", "%s", t.Purpose)
		v.Pictures = pieces.ViewPictures(p, piece.Kind(), piece.All(), piece.Props)
		v.Acting, v.Asking, v.Path = pieces.ViewActing(d, m, piece), pieces.ViewAsking(d, m, piece), pieces.Path(d, m, piece)
		v.Starts = t.Begins || t.Starts
		v.Around = rules.Around(d, piece)
		v.Joins, v.Talk = wires.Joins(d, piece.ID), talking.ViewTalk(d, piece)
	case world.SortWire:
		w := d.Wire(sel.Ref.ID)
		if w == nil {
			return nil
		}
		box, ok := wires.Box(d, w)
		if !ok {
			return nil
		}
		v.Name, v.Sort, v.Box, v.Wire = w.Name, "wire", box, wires.ViewWire(d, w)
		line("In play", "%s", wires.Says(d, w))
	case world.SortCrossing:
		c := d.Crossing(sel.Ref.ID)
		if c == nil {
			return nil
		}
		crossingSlip(p, v, c, sel.End&1, line)
	default:
		v.Joins = wires.Joins(d, sel.Ref.ID)
		if !placeSlip(p, v, sel.Ref, line) {
			return nil
		}
	}
	if sort, can := rules.HomeSort(sel.Ref.Sort); can {
		v.Rules, v.Ruled = rules.Of(d, sort, sel.Ref.ID), true
	}
	v.Clear = v.Box
	if w := v.Path; w != nil {
		way := grid.Rect{X: v.Box.X, Y: v.Box.Y, W: v.Box.W, H: v.Box.H}
		for i := 0; i+1 < len(w.Points); i += 2 {
			way = way.Join(grid.Rect{X: w.Points[i] - w.W/2, Y: w.Points[i+1] - w.H, W: w.W + 1, H: w.H + 1})
		}
		v.Clear = page.Box(way)
	}
	if m, piece := d.Piece(sel.Ref.ID); piece != nil && piece.Kind().Goes && slices.Contains([]int{props.Follows, props.Flees}, props.Doing(piece.Kind(), piece.All())) {
		// The player whom its trail shows.
		at := play.InSightOf(d, m, piece)
		met := l.Box(grid.Rect{X: at.X, Y: at.Y - 1, W: 1, H: 2}.Move(m.Origin))
		v.Clear = page.Box(met.Join(grid.Rect{X: v.Clear.X, Y: v.Clear.Y, W: v.Clear.W, H: v.Clear.H}))
	}
	v.Proposed = hand.Name(d, sel.Ref)
	e, says := hand.Remove(d, sel)
	v.Removes, v.Kept = says, e == nil
	for _, s := range holding.Stack(p) {
		v.Stack = append(v.Stack, StackView{page.KindNames[s.Ref.Sort], page.ID(s.Ref.Map), page.ID(s.Ref.ID), s.End, hand.Name(d, s.Ref), page.KindNames[s.Ref.Sort], s.Ref == sel.Ref && s.End == sel.End})
	}
	return v
}

func crossingSlip(p *page.Page, v *SlipView, c *world.Crossing, end int, line func(string, string, ...any)) {
	d := p.Doc()
	l := d.Project.Lattice()
	v.Name, v.Sort, v.Box = c.Name, "crossing", page.Box(door(p, c, end))
	other := c.Ends[1-end]
	m := d.Map(other.Map)
	leads := page.Box(door(p, c, 1-end))
	v.Leads = &leads
	line("Leads to", "%s, cell %d, %d", m.Name, other.Cells.X, other.Cells.Y)
	if c.BothWays {
		line("Ways", "both")
	} else {
		line("Ways", "one")
	}
	for from := range 2 {
		if !c.Leads(from) {
			continue
		}
		to := d.Map(c.Ends[1-from].Map)
		at, ok := board.LandingOf(d, c, from)
		v.Landings = append(v.Landings, page.Box(l.Box(grid.Rect{X: at.X, Y: at.Y, W: 1, H: 1}.Move(to.Origin))))
		if from != end {
			continue
		}
		if ok {
			line("Lands", "cell %d, %d", at.X, at.Y)
		} else {
			line("Lands", "in the doorway: there is no room beside it")
		}
	}
}

// users names the pieces that follow a track or stay in an area.
func users(d *world.Document, r world.Ref) (names []string) {
	for _, m := range d.Maps {
		for _, piece := range m.Pieces {
			if r.Sort == world.SortTrack && piece.Refers(props.Track) == r.ID || r.Sort == world.SortArea && piece.Refers(props.Area) == r.ID {
				names = append(names, hand.PieceName(d, piece))
			}
		}
	}
	return names
}

// placeSlip says what a track or area is; false if it is neither or gone.
func placeSlip(p *page.Page, v *SlipView, r world.Ref, line func(string, string, ...any)) bool {
	d := p.Doc()
	l := d.Project.Lattice()
	var m *world.Map
	switch r.Sort {
	case world.SortTrack:
		t := d.Track(r.ID)
		if t == nil || d.Map(t.Map) == nil {
			return false
		}
		m = d.Map(t.Map)
		v.Name, v.Sort = t.Name, "track"
		from := t.Points[0].Add(l.Pixel(m.Origin))
		on := grid.Rect{X: from.X, Y: from.Y, W: 1, H: 1}
		v.Path = &page.PathView{Points: []int{}}
		for _, at := range t.Points {
			at = at.Add(l.Pixel(m.Origin))
			on = on.Join(grid.Rect{X: at.X, Y: at.Y, W: 1, H: 1})
			v.Path.Points = append(v.Path.Points, at.X, at.Y)
		}
		v.Box = page.Box(on)
		v.Track = &places.TrackLook{Round: t.Round, Points: len(t.Points)}
		line("Points", "%d", len(t.Points))
	case world.SortArea:
		a := d.Area(r.ID)
		if a == nil || d.Map(a.Map) == nil {
			return false
		}
		m = d.Map(a.Map)
		v.Name, v.Sort, v.Box = a.Name, "area", page.Box(l.Box(a.Cells.Bounds().Move(m.Origin)))
		look := places.ViewAreaLook(a)
		v.Area = &look
		line("Cells", "%d", a.Cells.Len())
	default:
		return false
	}
	line("Lies on", "%s", m.Name)
	switch who := users(d, r); {
	case len(who) == 0 && r.Sort == world.SortTrack:
		line("Used by", "nobody")
	case len(who) == 1:
		line("Used by", "%s", who[0])
	case len(who) > 1:
		line("Used by", "%s and %d more", who[0], len(who)-1)
	}
	return true
}
