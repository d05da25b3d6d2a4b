package view

import (
	"slices"
	"strings"

	"azzel/core/board"
	"azzel/core/grid"
	"azzel/core/hand"
	"azzel/core/kind"
	"azzel/core/kinds/props"
	"azzel/core/page"
	"azzel/core/page/characters"
	"azzel/core/page/holding"
	"azzel/core/page/maps"
	"azzel/core/page/memory"
	"azzel/core/page/pieces"
	"azzel/core/page/places"
	"azzel/core/page/playing"
	"azzel/core/page/supplies"
	"azzel/core/page/tilework"
	"azzel/core/page/wires"
	"azzel/core/picture"
	"azzel/core/play"
	"azzel/core/tiles"
	"azzel/core/world"
)

// startsWord is how a piece starts in play, if not there, on and as usual.
func startsWord(p *world.Piece) string {
	if p.Props == "" {
		return ""
	}
	var words []string
	if n := p.Int(props.Starts); n != kind.There && !world.HasWhile(p) {
		words = append(words, kind.Presences[n])
	}
	if s := kind.StateOf(p.Int(props.Own)); s != nil {
		words = append(words, s.Name)
	}
	if n := p.Int(props.Power); n != kind.On {
		words = append(words, kind.Powers[n])
	}
	return strings.Join(words, ", ")
}

// SceneOf is what lies on the board now.
func SceneOf(p *page.Page) Scene {
	d := p.Doc()
	l := d.Project.Lattice()
	var namings map[world.ID][]world.Naming
	if len(d.Items)+len(d.Facts) > 0 {
		namings = d.Namings()
	}
	missing := p.Bitmaps.Atlas.AddMissing(d)
	s := Scene{
		Project: ProjectView{d.Project.Name, d.Project.CellW, d.Project.CellH, d.Project.SeenW, d.Project.SeenH},
		Maps:    []MapView{}, Pieces: []pieces.PieceView{}, Crossings: []CrossingView{}, Wires: wires.Views(d), Tilesets: []tilework.TilesetHead{},
		Medleys: []supplies.MedleyView{}, Bonds: []supplies.BondView{}, Patches: []holding.PatchView{}, Drawer: tilework.Drawer(d),
		Characters: characters.ViewCharacters(d), Items: memory.ViewItems(d, namings), Facts: memory.ViewFacts(d, namings), Starts: memory.ViewStarts(d),
		Acts: world.ActNames[:], Facings: world.FacingNames[:], Areas: places.ViewAreas(d), Paths: []page.PathView{},
		Triggers: []TriggerView{}, Odds: world.OddsNames(), Own: []tilework.OwnView{}, Roles: []string{"none"}, Edges: world.EdgeNames[:],
		Sides: world.SideNames[:], Types: []TypeView{}, Mark: page.FormatID(kind.First(func(k *kind.Kind) bool { return k.Named }).ID),
		Missing: []MissingView{}, Movement: playing.ViewMovement(d),
		Bitmap: BitmapView{picture.BaseCells(l), picture.Levels(l)},
	}
	// What lies first in the drawer is mostly what is seen first.
	rank := map[world.ID]int{}
	for i, id := range tilework.Shelved(d, world.SortTileset) {
		rank[id] = i
	}
	slices.SortFunc(missing, func(a, b *world.Tileset) int { return rank[a.ID] - rank[b.ID] })
	var used []bool
	if len(missing) > 0 {
		used = d.UsedTiles()
	}
	for _, t := range missing {
		s.Missing = append(s.Missing, MissingView{page.FormatID(t.ID), t.Strip, slices.Contains(used[t.First:t.First+t.Count], true)})
	}
	for _, c := range d.Characters {
		if c.Strip != "" && p.Strips[c.Strip] == nil {
			s.Missing = append(s.Missing, MissingView{page.FormatID(c.ID), c.Strip, c.ID == d.Project.Player})
		}
	}
	for _, m := range d.Maps {
		b := l.Box(m.OnBoard())
		origin := l.Pixel(m.Origin)
		v := MapView{ID: page.FormatID(m.ID), Name: m.Name, X: b.X, Y: b.Y, W: b.W, H: b.H, OriginX: origin.X, OriginY: origin.Y,
			Columns: m.Bounds.W, Rows: m.Bounds.H, Layers: []LayerView{}, Ways: len(d.CrossingsOf(m.ID)), Look: maps.ViewMapLook(d, m), Places: places.ViewPlaces(d, m)}
		for _, layer := range m.Layers {
			v.Layers = append(v.Layers, LayerView{page.FormatID(layer.ID), layer.Name, layer.ID == m.PlayerLayer,
				layer == p.Hand.Layer(m), p.Hand.Hidden(layer.ID), p.Hand.Only(m) == layer, maps.ViewLook(layer)})
		}
		v.Slabs = maps.Slabs(p, m, 0, len(m.Layers), nil)
		s.Maps = append(s.Maps, v)
		for _, piece := range m.Pieces {
			foot := piece.Foot.Add(origin)
			t := piece.Kind()
			if way := pieces.Path(d, m, piece); way != nil {
				s.Paths = append(s.Paths, *way)
			}
			if t.Touch {
				c := l.CellAt(piece.Foot)
				s.Triggers = append(s.Triggers, TriggerView{page.FormatID(piece.ID), page.Box(l.Box(grid.Rect{X: c.X, Y: c.Y, W: 1, H: 1}.Move(m.Origin)))})
			}
			view := pieces.PieceView{ID: page.FormatID(piece.ID), Map: v.ID, Name: hand.PieceName(d, piece), Type: page.FormatID(piece.Type), Family: string(t.Family), X: foot.X, Y: foot.Y,
				Conditional: world.HasWhile(piece), Starts: startsWord(piece)}
			pieces.Standing(p, &view, piece, m)
			s.Pieces = append(s.Pieces, view)
		}
	}
	for _, c := range d.Crossings {
		v := CrossingView{ID: page.FormatID(c.ID), Name: hand.CrossingName(d, c), BothWays: c.BothWays}
		for i := range c.Ends {
			if c.Leads(i) {
				s.Triggers = append(s.Triggers, TriggerView{Box: page.Box(door(p, c, i))})
			}
			v.Doors = append(v.Doors, page.Box(door(p, c, i)))
		}
		for _, pt := range board.Line(d, c) {
			v.Curve = append(v.Curve, pt.X, pt.Y)
		}
		s.Crossings = append(s.Crossings, v)
	}
	for _, t := range d.Tilesets {
		was := p.Stamps[t.ID]
		if was.Set != t {
			was = page.Stamp{Set: t, N: was.N + 1}
			p.Stamps[t.ID] = was
		}
		s.Tilesets = append(s.Tilesets, tilework.TilesetHead{ID: page.FormatID(t.ID), Stamp: was.N})
	}
	for _, m := range d.Medleys {
		s.Medleys = append(s.Medleys, supplies.ViewMedley(m))
	}
	for _, patch := range d.Patches {
		s.Patches = append(s.Patches, holding.ViewPatch(patch))
	}
	for _, own := range d.Properties {
		s.Own = append(s.Own, tilework.ViewOwn(own))
	}
	for _, b := range d.Bonds {
		s.Bonds = append(s.Bonds, supplies.ViewBond(b))
	}
	for _, r := range tiles.Roles() {
		s.Roles = append(s.Roles, r.String())
	}
	for _, t := range d.Kit() {
		is := TypeView{page.FormatID(t.Type), page.FormatID(t.Kind.ID), t.Own != 0, t.Single, t.Name, string(t.Family), t.Purpose, "", t.Acts, nil, "", 0}
		if own := d.Type(t.Type); own != nil {
			is.Keywords = own.Keywords
			is.Seen, is.Who, is.Sprite = pieces.AsPlaced(p, d.NewPiece(t.Type))
		}
		s.Types = append(s.Types, is)
	}
	return s
}

// door is one doorway of a crossing on the board.
func door(p *page.Page, c *world.Crossing, end int) grid.Rect {
	m := p.Doc().Map(c.Ends[end].Map)
	if m == nil {
		return grid.Rect{}
	}
	return p.Doc().Project.Lattice().Box(c.Ends[end].Cells.Move(m.Origin))
}

// StateOf is the hand and what is selected now. Messages are given once.
func StateOf(p *page.Page) State {
	d := p.Doc()
	undo, _ := p.Replica.CanUndo()
	redo, _ := p.Replica.CanRedo()
	s := State{Pending: p.Replica.Pending(), Undo: undo, Redo: redo, Holding: string(p.Hand.Holding), Shape: string(p.Hand.Shape),
		Tile: int(p.Hand.Tile), Medley: page.FormatID(p.Hand.Medley), Bond: page.FormatID(p.Hand.Bond), Type: page.FormatID(p.Hand.Type), Messages: p.Messages,
		Playing: p.Played != nil, Slip: slip(p)}
	s.Size, s.Through, s.Adds = p.Hand.Size, p.Hand.Through, string(p.Hand.Adds)
	s.MirrorX, s.MirrorY = p.Hand.Mirror.LeftRight, p.Hand.Mirror.TopBottom
	s.Patch, s.Block, s.Lying = page.FormatID(p.Hand.Kept), blockStamp(p), p.Hand.Tile.Orientation()
	s.Chosen, s.Earlier = chosen(p), p.Replica.Earlier()
	if p.Looked != nil {
		s.Looked = p.LookedName
	}
	if cells, stops := p.Underway(); cells >= 0 {
		s.Working = &WorkingView{cells, stops}
	}
	if s.Messages == nil {
		s.Messages = []string{}
	}
	p.Messages = nil
	switch p.Hand.Holding {
	case hand.Tile:
		s.HeldName = hand.TileName(d, p.Hand.Tile)
	case hand.Piece:
		s.HeldName = d.KindName(p.Hand.Type)
	case hand.Medley:
		s.HeldName = hand.Name(d, world.Ref{Sort: world.SortMedley, ID: p.Hand.Medley})
	case hand.Bond:
		s.HeldName = hand.Name(d, world.Ref{Sort: world.SortBond, ID: p.Hand.Bond})
	case hand.Patch:
		s.HeldName = hand.HeldName(d, p.Hand.Held)
	case hand.Choose:
		s.HeldName = "Select"
	case hand.Eraser:
		s.HeldName = "Eraser"
	case hand.Measure:
		s.HeldName = "Measure"
	case hand.Crossing:
		s.HeldName = "Crossing"
	case hand.Wire:
		s.HeldName = "Wire"
	}
	return s
}

// blockStamp changes with the block in the hand; 0 for none.
func blockStamp(p *page.Page) int {
	if b := p.Hand.Carried(); b != p.Block {
		p.Block = b
		p.Blocks++
	}
	if p.Block == nil {
		return 0
	}
	return p.Blocks
}

// chosen is what cells are selected; nil for none.
func chosen(p *page.Page) *ChosenView {
	d := p.Doc()
	c := p.Hand.Chosen(d)
	m := d.Map(c.Map)
	if m == nil {
		return nil
	}
	l := d.Project.Lattice()
	on := c.Region.Move(m.Origin)
	return &ChosenView{page.FormatID(m.ID), page.Box(l.Box(on.Bounds())), page.Spans(l, on), c.Region.Len(), c.Region.Bounds().W, c.Region.Bounds().H,
		pieces.ViewPieces(d, m, p.Hand.Standing(d, c))}
}

// PointerView is where the pointer is and what would happen there.
func PointerView(p *page.Page) Pointer {
	d := p.Doc()
	l := d.Project.Lattice()
	s := hand.At(d, p.Pixel)
	v := Pointer{Box: page.Box(l.Box(grid.Rect{X: s.Board.X, Y: s.Board.Y, W: 1, H: 1})), Busy: p.Hand.Busy()}
	if s.Map != nil {
		layer := p.Hand.Layer(s.Map)
		v.Map, v.CellX, v.CellY, v.PixelX, v.PixelY = page.FormatID(s.Map.ID), s.Cell.X, s.Cell.Y, s.Pixel.X, s.Pixel.Y
		v.Layer, v.Tile = layer.Name, hand.TileName(d, layer.Cells.At(s.Cell))
		if stack := hand.Stack(d, s); len(stack) > 1 {
			v.Piece = hand.Name(d, stack[0].Ref)
		}
	}
	v.Ghost = holding.GhostHere(p)
	v.Seen, v.Axis = seen(p, s), []int{}
	if m := p.Hand.Mirror; s.Map != nil && (m.LeftRight || m.TopBottom) {
		a, origin := p.Hand.Axis(s.Map), l.Pixel(s.Map.Origin)
		v.Axis = []int{origin.X + (a.X+1)*l.W/2, origin.Y + (a.Y+1)*l.H/2}
	}
	return v
}

// seen is what the player sees from the selected piece, else from where the pointer
// is; nil where there is no map.
func seen(p *page.Page, s hand.Spot) *page.BoxView {
	d := p.Doc()
	l := d.Project.Lattice()
	m, foot := s.Map, l.Foot(s.Cell)
	if sel := p.Hand.Selected.Ref; sel.Sort == world.SortPiece {
		if on, piece := d.Piece(sel.ID); piece != nil {
			m, foot = on, piece.Foot
		}
	}
	if m == nil {
		return nil
	}
	b := page.Box(play.Seen(d, m, foot).Move(l.Pixel(m.Origin)))
	return &b
}
