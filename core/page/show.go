package page

import (
	"slices"
	"strings"

	"azzel/core/board"
	"azzel/core/grid"
	"azzel/core/hand"
	"azzel/core/kind"
	"azzel/core/kinds/props"
	"azzel/core/picture"
	"azzel/core/play"
	"azzel/core/tiles"
	"azzel/core/world"
)

var kindNames = map[world.Sort]string{world.SortProject: "project", world.SortTileset: "tileset", world.SortMap: "map",
	world.SortLayer: "layer", world.SortPiece: "piece", world.SortCrossing: "crossing", world.SortCharacter: "character", world.SortMedley: "medley", world.SortBond: "bond", world.SortProperty: "property", world.SortPatch: "patch", world.SortReplay: "replay",
	world.SortTrack: "track", world.SortArea: "area", world.SortItem: "item", world.SortFact: "fact"}

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

func kindOf(name string) world.Sort {
	for k, n := range kindNames {
		if n == name {
			return k
		}
	}
	return 0
}

func box(r grid.Rect) BoxView { return BoxView{r.X, r.Y, r.W, r.H} }

// Scene is what lies on the board now.
func (p *Page) Scene() Scene {
	d := p.doc()
	l := d.Project.Lattice()
	var namings map[world.ID][]world.Naming
	if len(d.Items)+len(d.Facts) > 0 {
		namings = d.Namings()
	}
	missing := p.bitmaps.Atlas.AddMissing(d)
	s := Scene{
		Project: ProjectView{d.Project.Name, d.Project.CellW, d.Project.CellH, d.Project.SeenW, d.Project.SeenH},
		Maps:    []MapView{}, Pieces: []PieceView{}, Crossings: []CrossingView{}, Tilesets: []TilesetHead{}, Medleys: []MedleyView{}, Bonds: []BondView{}, Patches: []PatchView{}, Drawer: drawer(d), Characters: viewCharacters(d), Items: viewItems(d, namings), Facts: viewFacts(d, namings), Acts: world.ActNames[:], Facings: world.FacingNames[:], Areas: viewAreas(d), Paths: []PathView{}, Triggers: []TriggerView{}, Odds: world.OddsNames(), Own: []OwnView{}, Roles: []string{"none"}, Edges: world.EdgeNames[:], Sides: world.SideNames[:], Types: []TypeView{}, Mark: FormatID(kind.First(func(k *kind.Kind) bool { return k.Named }).ID), Missing: []MissingView{}, Movement: viewMovement(d),
		Bitmap: BitmapView{picture.BaseCells(l), picture.Levels(l)},
	}
	// What lies first in the drawer is mostly what is seen first.
	rank := map[world.ID]int{}
	for i, id := range shelved(d, world.SortTileset) {
		rank[id] = i
	}
	slices.SortFunc(missing, func(a, b *world.Tileset) int { return rank[a.ID] - rank[b.ID] })
	var used []bool
	if len(missing) > 0 {
		used = d.UsedTiles()
	}
	for _, t := range missing {
		s.Missing = append(s.Missing, MissingView{FormatID(t.ID), t.Strip, slices.Contains(used[t.First:t.First+t.Count], true)})
	}
	for _, c := range d.Characters {
		if c.Strip != "" && p.strips[c.Strip] == nil {
			s.Missing = append(s.Missing, MissingView{FormatID(c.ID), c.Strip, c.ID == d.Project.Player})
		}
	}
	for _, m := range d.Maps {
		b := l.Box(m.OnBoard())
		origin := l.Pixel(m.Origin)
		v := MapView{ID: FormatID(m.ID), Name: m.Name, X: b.X, Y: b.Y, W: b.W, H: b.H, OriginX: origin.X, OriginY: origin.Y,
			Columns: m.Bounds.W, Rows: m.Bounds.H, Layers: []LayerView{}, Ways: len(d.CrossingsOf(m.ID)), Look: viewMapLook(d, m), Places: viewPlaces(d, m)}
		for _, layer := range m.Layers {
			v.Layers = append(v.Layers, LayerView{FormatID(layer.ID), layer.Name, layer.ID == m.PlayerLayer,
				layer == p.hand.Layer(m), p.hand.Hidden(layer.ID), p.hand.Only(m) == layer, viewLook(layer)})
		}
		s.Maps = append(s.Maps, v)
		for _, piece := range m.Pieces {
			foot := piece.Foot.Add(origin)
			t := piece.Kind()
			if way := path(d, m, piece); way != nil {
				s.Paths = append(s.Paths, *way)
			}
			if t.Touch {
				c := l.CellAt(piece.Foot)
				s.Triggers = append(s.Triggers, TriggerView{FormatID(piece.ID), box(l.Box(grid.Rect{X: c.X, Y: c.Y, W: 1, H: 1}.Move(m.Origin)))})
			}
			view := PieceView{ID: FormatID(piece.ID), Map: v.ID, Name: hand.PieceName(d, piece), Type: FormatID(piece.Type), Family: string(t.Family), X: foot.X, Y: foot.Y,
				Conditional: world.HasWhile(piece), Starts: startsWord(piece)}
			p.standing(&view, piece, m.View)
			s.Pieces = append(s.Pieces, view)
		}
	}
	for _, c := range d.Crossings {
		v := CrossingView{ID: FormatID(c.ID), Name: hand.CrossingName(d, c), BothWays: c.BothWays}
		for i := range c.Ends {
			if c.Leads(i) {
				s.Triggers = append(s.Triggers, TriggerView{Box: box(p.door(c, i))})
			}
			v.Doors = append(v.Doors, box(p.door(c, i)))
		}
		for _, pt := range board.Line(d, c) {
			v.Curve = append(v.Curve, pt.X, pt.Y)
		}
		s.Crossings = append(s.Crossings, v)
	}
	for _, t := range d.Tilesets {
		was := p.stamps[t.ID]
		if was.set != t {
			was = stamp{t, was.n + 1}
			p.stamps[t.ID] = was
		}
		s.Tilesets = append(s.Tilesets, TilesetHead{FormatID(t.ID), was.n})
	}
	for _, m := range d.Medleys {
		s.Medleys = append(s.Medleys, viewMedley(m))
	}
	for _, patch := range d.Patches {
		s.Patches = append(s.Patches, viewPatch(patch))
	}
	for _, own := range d.Properties {
		s.Own = append(s.Own, viewOwn(own))
	}
	for _, b := range d.Bonds {
		s.Bonds = append(s.Bonds, viewBond(b))
	}
	for _, r := range tiles.Roles() {
		s.Roles = append(s.Roles, r.String())
	}
	for _, t := range kind.All() {
		s.Types = append(s.Types, TypeView{FormatID(t.ID), t.Name, string(t.Family), t.Purpose, t.Acts})
	}
	return s
}

// Tileset is one tileset with all its tiles; nil if it is gone.
func (p *Page) Tileset(id world.ID) *TilesetView {
	t := p.doc().Tileset(id)
	if t == nil {
		return nil
	}
	v := &TilesetView{ID: FormatID(t.ID), Name: t.Name, Builtin: t.Builtin(), Picture: t.Picture, Strip: t.Strip, Cut: t.Cut, First: t.First, Count: t.Count,
		Columns: t.Columns, Rows: t.Rows, Places: t.Places, Tiles: make([]*TileView, t.Count), Called: hand.PlainTile}
	for i := range t.Count {
		if t.Tiles[i] == nil {
			continue
		}
		is := t.Tile(i)
		tile := &TileView{Name: hand.TileCalled(t, i), Named: is.Name != "", Does: hand.TileDoes(is), Role: int(is.Role), Rows: []int{}, Whole: is.Solid == tiles.Whole,
			OneWay: is.OneWay, Climbable: is.Climbable, Water: is.Water, Slippery: is.Slippery, Slow: is.Slow, Above: is.Above,
			Danger: is.Danger, Weight: is.Weight, Keywords: is.Keywords, Home: is.Home, Frames: []tiles.Frame{}, Own: ownValues(p.doc(), is.Own)}
		if is.Animation != nil {
			tile.Frames = is.Animation.Frames
		}
		if is.Solid != 0 {
			v.Solid++
			tile.Rows = is.Solid.Rows()
		}
		v.Tiles[i] = tile
	}
	return v
}

// Lens says of each cell of a box of a map what the tiles there are: 0 for
// nothing, 1 for all of the cell, 2 for part of it.
func (p *Page) Lens(id world.ID, r grid.Rect, property string) []byte {
	m := p.doc().Map(id)
	if m == nil || r.Empty() || r.W > 1024 || r.H > 1024 {
		return nil
	}
	out := make([]byte, 0, r.W*r.H)
	for y := r.Y; y < r.Y+r.H; y++ {
		for x := r.X; x < r.X+r.W; x++ {
			out = append(out, lensAt(p.doc(), m, grid.Point{X: x, Y: y}, property))
		}
	}
	return out
}

func lensAt(d *world.Document, m *world.Map, c grid.Point, property string) byte {
	var mask tiles.Mask
	var any bool
	for _, l := range m.Layers {
		n := l.Cells.At(c).Tile()
		if n == 0 || !l.Counts {
			continue
		}
		is := d.TileOf(n)
		mask |= is.Solid
		has := property != "solid" && is.Has(property)
		switch property {
		case "water", "danger":
			// The topmost tile that counts covers what is beneath it.
			any = has
		default:
			any = any || has
		}
	}
	switch {
	case any || property == "solid" && mask == tiles.Whole:
		return 1
	case property == "solid" && mask != 0:
		return 2
	}
	return 0
}

// door is one doorway of a crossing on the board.
func (p *Page) door(c *world.Crossing, end int) grid.Rect {
	m := p.doc().Map(c.Ends[end].Map)
	if m == nil {
		return grid.Rect{}
	}
	return p.doc().Project.Lattice().Box(c.Ends[end].Cells.Move(m.Origin))
}

// State is the hand and what is selected now. Messages are given once.
func (p *Page) State() State {
	d := p.doc()
	undo, _ := p.replica.CanUndo()
	redo, _ := p.replica.CanRedo()
	s := State{Pending: p.replica.Pending(), Undo: undo, Redo: redo, Holding: string(p.hand.Holding), Shape: string(p.hand.Shape),
		Tile: int(p.hand.Tile), Medley: FormatID(p.hand.Medley), Bond: FormatID(p.hand.Bond), Type: FormatID(p.hand.Type), Messages: p.messages,
		Playing: p.played != nil, Slip: p.slip()}
	s.Size, s.Through, s.Adds = p.hand.Size, p.hand.Through, string(p.hand.Adds)
	s.MirrorX, s.MirrorY = p.hand.Mirror.LeftRight, p.hand.Mirror.TopBottom
	s.Patch, s.Block, s.Lying = FormatID(p.hand.Kept), p.blockStamp(), p.hand.Tile.Orientation()
	s.Chosen, s.Earlier = p.chosen(), p.replica.Earlier()
	if p.looked != nil {
		s.Looked = p.lookedName
	}
	if p.working != nil {
		s.Working = &WorkingView{p.working.Done(), p.working.own}
	}
	if s.Messages == nil {
		s.Messages = []string{}
	}
	p.messages = nil
	switch p.hand.Holding {
	case hand.Tile:
		s.HeldName = hand.TileName(d, p.hand.Tile)
	case hand.Piece:
		s.HeldName = kind.NameOf(p.hand.Type)
	case hand.Medley:
		s.HeldName = hand.Name(d, world.Ref{Sort: world.SortMedley, ID: p.hand.Medley})
	case hand.Bond:
		s.HeldName = hand.Name(d, world.Ref{Sort: world.SortBond, ID: p.hand.Bond})
	case hand.Patch:
		s.HeldName = hand.HeldName(d, p.hand.Held)
	case hand.Choose:
		s.HeldName = "Select"
	case hand.Eraser:
		s.HeldName = "Eraser"
	case hand.Measure:
		s.HeldName = "Measure"
	case hand.Crossing:
		s.HeldName = "Crossing"
	}
	return s
}

// blockStamp changes with the block in the hand; 0 for none.
func (p *Page) blockStamp() int {
	if b := p.hand.Carried(); b != p.block {
		p.block = b
		p.blocks++
	}
	if p.block == nil {
		return 0
	}
	return p.blocks
}

// chosen is what cells are selected; nil for none.
func (p *Page) chosen() *ChosenView {
	d := p.doc()
	c := p.hand.Chosen(d)
	m := d.Map(c.Map)
	if m == nil {
		return nil
	}
	l := d.Project.Lattice()
	on := c.Region.Move(m.Origin)
	return &ChosenView{FormatID(m.ID), box(l.Box(on.Bounds())), spans(l, on), c.Region.Len(), c.Region.Bounds().W, c.Region.Bounds().H,
		viewPieces(d, m, p.hand.Standing(d, c))}
}

func (p *Page) selectRef(r world.Ref, end int) {
	s := hand.Selection{Ref: r, End: end, Map: r.Map}
	d := p.doc()
	switch r.Sort {
	case world.SortPiece:
		if m := d.Map(r.Map); m != nil {
			if piece := m.Piece(r.ID); piece != nil {
				s.Cell = d.Project.Lattice().CellAt(piece.Foot)
			}
		}
	case world.SortCrossing:
		if c := d.Crossing(r.ID); c != nil {
			e := c.Ends[end&1]
			s.Map, s.Cell = e.Map, grid.Point{X: e.Cells.X, Y: e.Cells.Y}
		}
	case world.SortMap:
		s.Map = r.ID
	case world.SortTrack, world.SortArea:
		// They lie on a map, but in no one cell of it.
		s.Map = 0
	}
	p.hand.Holding = hand.Nothing
	p.hand.Selected = s
}

// PointerView is where the pointer is and what would happen there.
func (p *Page) PointerView() Pointer {
	d := p.doc()
	l := d.Project.Lattice()
	s := hand.At(d, p.pixel)
	v := Pointer{Box: box(l.Box(grid.Rect{X: s.Board.X, Y: s.Board.Y, W: 1, H: 1})), Busy: p.hand.Busy()}
	if s.Map != nil {
		layer := p.hand.Layer(s.Map)
		v.Map, v.CellX, v.CellY, v.PixelX, v.PixelY = FormatID(s.Map.ID), s.Cell.X, s.Cell.Y, s.Pixel.X, s.Pixel.Y
		v.Layer, v.Tile = layer.Name, hand.TileName(d, layer.Cells.At(s.Cell))
		if stack := hand.Stack(d, s); len(stack) > 1 {
			v.Piece = hand.Name(d, stack[0].Ref)
		}
	}
	v.Ghost = p.ghost()
	v.Seen, v.Axis = p.seen(s), []int{}
	if m := p.hand.Mirror; s.Map != nil && (m.LeftRight || m.TopBottom) {
		a, origin := p.hand.Axis(s.Map), l.Pixel(s.Map.Origin)
		v.Axis = []int{origin.X + (a.X+1)*l.W/2, origin.Y + (a.Y+1)*l.H/2}
	}
	return v
}

// seen is what the player sees from the selected piece, else from where the pointer
// is; nil where there is no map.
func (p *Page) seen(s hand.Spot) *BoxView {
	d := p.doc()
	l := d.Project.Lattice()
	m, foot := s.Map, l.Foot(s.Cell)
	if sel := p.hand.Selected.Ref; sel.Sort == world.SortPiece {
		if on, piece := d.Piece(sel.ID); piece != nil {
			m, foot = on, piece.Foot
		}
	}
	if m == nil {
		return nil
	}
	b := box(play.Seen(d, m, foot).Move(l.Pixel(m.Origin)))
	return &b
}
