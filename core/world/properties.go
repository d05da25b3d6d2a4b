package world

import (
	"fmt"

	"azzel/core/grid"
	"azzel/core/limit"
	"azzel/core/pack"
	"azzel/core/tiles"
)

// The properties that stand in more than one sort or in edits made by hand.
const (
	FieldName   Field = 1
	FieldOrigin Field = 2
	FieldBounds Field = 3
	FieldFoot   Field = 4
	FieldType   Field = 5
	FieldLayer  Field = 6
	FieldNumber Field = 7
	FieldPlayer Field = 8
	FieldDrawer Field = 14
	FieldLegend Field = 15
	FieldView   Field = 16
	FieldTiles  Field = 9
	FieldSeed   Field = 10
	FieldCamera Field = 17
	FieldBeyond Field = 18
	FieldTurns  Field = 19
	FieldLying  Field = 11
	FieldJoin   Field = 12
	FieldAlso   Field = 13
	FieldOrder  Field = 2
)

// Properties of maps.
const (
	FieldPlayerLayer Field = 9
	FieldEdges       Field = 10
	FieldBackground  Field = 11
	FieldNotes       Field = 12
	FieldKeywords    Field = 13
	FieldOwn         Field = 14
	FieldHere        Field = 15
	FieldLottery     Field = 16
	FieldBarred      Field = 17
)

// Properties of layers.
const (
	FieldCounts   Field = 3
	FieldLocked   Field = 4
	FieldFade     Field = 5
	FieldTint     Field = 6
	FieldDepth    Field = 7
	FieldGroup    Field = 8
	FieldTakes    Field = 9
	FieldBackdrop Field = 10
)

var projectFields = append([]field[*Project]{
	textField(FieldName, func(p *Project) *string { return &p.Name }),
	intsField(2, func(p *Project) *int { return &p.CellW }, func(p *Project) *int { return &p.CellH }),
	intsField(3, func(p *Project) *int { return &p.SeenW }, func(p *Project) *int { return &p.SeenH }),
	intsField(FieldView, func(p *Project) *int { return (*int)(&p.View) }),
	idField(FieldPlayer, func(p *Project) *ID { return &p.Player }),
	{FieldDrawer, func(p *Project, w *pack.Writer) { w.Text(string(p.Drawer)) }, func(p *Project, r *pack.Reader) {
		p.Drawer = Arrangement(r.Text(8 * (limit.Tilesets + limit.Medleys + limit.Bonds)))
		if len(p.Drawer)%8 != 0 {
			r.Fail(fmt.Errorf("%w: an arrangement ends within an id", pack.ErrMalformed))
		}
	}},
	{FieldLegend, func(p *Project, w *pack.Writer) { w.Text(string(p.Legend)) }, func(p *Project, r *pack.Reader) {
		p.Legend = Legend(r.Text(8 * limit.LegendColours))
		if len(p.Legend)%8 != 0 {
			r.Fail(fmt.Errorf("%w: a legend ends within a colour", pack.ErrMalformed))
		}
		for _, m := range p.Legend.Meanings() {
			if m.Colour < RGB(0, 0, 0) || m.Colour > colourEnd || !grid.Cell(m.Tile).Valid() || grid.Cell(m.Tile).Orientation() != 0 {
				r.Fail(fmt.Errorf("%w: a legend with an unknown colour or tile", pack.ErrMalformed))
				return
			}
		}
	}},
}, cameraFields()...)

var mapFields = []field[*Map]{
	textField(FieldName, func(m *Map) *string { return &m.Name }),
	pointField(FieldOrigin, func(m *Map) *grid.Point { return &m.Origin }),
	rectField(FieldBounds, func(m *Map) *grid.Rect { return &m.Bounds }),
	intsField(FieldNumber, func(m *Map) *int { return &m.Number }),
	intsField(8, func(m *Map) *int { return (*int)(&m.View) }),
	idField(FieldPlayerLayer, func(m *Map) *ID { return &m.PlayerLayer }),
	{FieldEdges, func(m *Map, w *pack.Writer) {
		for _, e := range m.Edges {
			w.Uint(uint64(e))
		}
	}, func(m *Map, r *pack.Reader) {
		for i := range m.Edges {
			m.Edges[i] = Edge(bounded(r, 255))
		}
	}},
	{FieldBackground, func(m *Map, w *pack.Writer) {
		w.Uint(uint64(m.Background.Top))
		w.Uint(uint64(m.Background.Bottom))
	}, func(m *Map, r *pack.Reader) {
		m.Background = Background{Colour(bounded(r, colourEnd)), Colour(bounded(r, colourEnd))}
	}},
	longField(FieldNotes, func(m *Map) *string { return &m.Notes }),
	longField(FieldKeywords, func(m *Map) *string { return &m.Keywords }),
	ownField(FieldOwn, func(m *Map) **tiles.Own { return &m.Own }),
	forcesField(FieldHere, func(m *Map) *Forces { return &m.Forces }),
	oddsField(FieldLottery, func(m *Map) *Odds { return &m.Lottery }),
	intsField(FieldBarred, func(m *Map) *int { return (*int)(&m.Barred) }, func(m *Map) *int { return (*int)(&m.BarredArms) }),
	{FieldAnew, func(m *Map, w *pack.Writer) {
		if m.Anew != 0 {
			w.Uint(uint64(m.Anew))
		}
	}, func(m *Map, r *pack.Reader) {
		if m.Anew = 0; r.Len() > 0 {
			m.Anew = Anew(bounded(r, int(anewEnd)-1))
		}
	}},
}

var layerFields = []field[*Layer]{
	textField(FieldName, func(l *Layer) *string { return &l.Name }),
	intsField(2, func(l *Layer) *int { return &l.Order }),
	boolField(FieldCounts, func(l *Layer) *bool { return &l.Counts }),
	boolField(FieldLocked, func(l *Layer) *bool { return &l.Locked }),
	intsField(FieldFade, func(l *Layer) *int { return &l.Fade }),
	{FieldTint, func(l *Layer, w *pack.Writer) { w.Uint(uint64(l.Tint)) },
		func(l *Layer, r *pack.Reader) { l.Tint = Colour(bounded(r, colourEnd)) }},
	intsField(FieldDepth, func(l *Layer) *int { return &l.DepthX }, func(l *Layer) *int { return &l.DepthY }),
	textField(FieldGroup, func(l *Layer) *string { return &l.Group }),
	{FieldTakes, func(l *Layer, w *pack.Writer) {
		w.Bool(l.Takes.NoTiles)
		w.Bool(l.Takes.NoPieces)
		w.Uint(uint64(l.Takes.Roles))
	}, func(l *Layer, r *pack.Reader) { l.Takes = Takes{r.Bool(), r.Bool(), uint32(bounded(r, 1<<32-1))} }},
	{FieldBackdrop, func(l *Layer, w *pack.Writer) { l.Backdrop.encode(w) },
		func(l *Layer, r *pack.Reader) { l.Backdrop = decodeBackdrop(r) }},
}

var crossingFields = []field[*Crossing]{
	textField(FieldName, func(c *Crossing) *string { return &c.Name }),
	idField(2, func(c *Crossing) *ID { return &c.Ends[0].Map }),
	rectField(3, func(c *Crossing) *grid.Rect { return &c.Ends[0].Cells }),
	idField(4, func(c *Crossing) *ID { return &c.Ends[1].Map }),
	rectField(5, func(c *Crossing) *grid.Rect { return &c.Ends[1].Cells }),
	boolField(6, func(c *Crossing) *bool { return &c.BothWays }),
	intsField(FieldNumber, func(c *Crossing) *int { return &c.Number }),
}

var characterFields = append([]field[*Character]{
	textField(FieldName, func(c *Character) *string { return &c.Name }),
	hashField(2, func(c *Character) *string { return &c.Picture }),
	hashField(3, func(c *Character) *string { return &c.Strip }),
	intsField(4, func(c *Character) *int { return &c.W }, func(c *Character) *int { return &c.H }),
	intsField(FieldNumber, func(c *Character) *int { return &c.Number }),
	stocksField(FieldBegins, func(c *Character) *[]Stock { return &c.Begins }),
}, append(poseFields, movementFields()...)...)

var medleyFields = []field[*Medley]{
	textField(FieldName, func(m *Medley) *string { return &m.Name }),
	intsField(FieldNumber, func(m *Medley) *int { return &m.Number }),
	{FieldTiles, func(m *Medley, w *pack.Writer) {
		w.Uint(uint64(len(m.Tiles)))
		for _, t := range m.Tiles {
			w.Uint(uint64(t.Tile))
			w.Uint(uint64(t.Weight))
		}
	}, func(m *Medley, r *pack.Reader) {
		m.Tiles = make([]tiles.Weighted, 0, 4)
		for range r.Count(limit.MedleyTiles, 2) {
			m.Tiles = append(m.Tiles, tiles.Weighted{Tile: bounded(r, grid.MaxTile), Weight: bounded(r, tiles.MaxWeight)})
		}
	}},
	intsField(FieldSeed, func(m *Medley) *int { return &m.Seed }),
	{FieldLying, func(m *Medley, w *pack.Writer) { w.Bool(m.Turned); w.Bool(m.Mirrored) },
		func(m *Medley, r *pack.Reader) { m.Turned, m.Mirrored = r.Bool(), r.Bool() }},
}

var patchFields = []field[*Patch]{
	textField(FieldName, func(p *Patch) *string { return &p.Name }),
	intsField(FieldNumber, func(p *Patch) *int { return &p.Number }),
	{FieldTiles, func(p *Patch, w *pack.Writer) { encodeBlock(&p.Block, w) },
		func(p *Patch, r *pack.Reader) { p.Block = decodeBlock(r) }},
}

var propertyFields = []field[*Property]{
	textField(FieldName, func(p *Property) *string { return &p.Name }),
	intsField(FieldNumber, func(p *Property) *int { return &p.Number }),
	{FieldType, func(p *Property, w *pack.Writer) { w.Uint(uint64(p.Type)) },
		func(p *Property, r *pack.Reader) { p.Type = tiles.ValueType(bounded(r, 255)) }},
}

var bondFields = []field[*Bond]{
	textField(FieldName, func(b *Bond) *string { return &b.Name }),
	intsField(FieldNumber, func(b *Bond) *int { return &b.Number }),
	{FieldTiles, func(b *Bond, w *pack.Writer) {
		w.Uint(uint64(len(b.Tiles)))
		for _, t := range b.Tiles {
			w.Uint(uint64(t.Tile))
			w.Uint(uint64(t.Joined))
			w.Uint(uint64(t.Weight))
		}
	}, func(b *Bond, r *pack.Reader) {
		b.Tiles = make([]tiles.Bonded, 0, 16)
		for range r.Count(limit.BondTiles, 3) {
			b.Tiles = append(b.Tiles, tiles.Bonded{Tile: bounded(r, grid.MaxTile), Joined: tiles.Neighbours(bounded(r, 255)), Weight: bounded(r, tiles.MaxWeight)})
		}
	}},
	intsField(FieldSeed, func(b *Bond) *int { return &b.Seed }),
	{FieldJoin, func(b *Bond, w *pack.Writer) {
		w.Uint(uint64(b.Join))
		w.Bool(b.Border)
	}, func(b *Bond, r *pack.Reader) { b.Join, b.Border = tiles.Join(bounded(r, 255)), r.Bool() }},
	{FieldAlso, func(b *Bond, w *pack.Writer) {
		w.Uint(uint64(len(b.Also)))
		for _, n := range b.Also {
			w.Uint(uint64(n))
		}
		w.Uint(uint64(len(b.JoinsTo)))
		for _, id := range b.JoinsTo {
			w.Uint(uint64(id))
		}
	}, func(b *Bond, r *pack.Reader) {
		b.Also = make([]int, 0, 4)
		for range r.Count(limit.BondTiles, 1) {
			b.Also = append(b.Also, bounded(r, grid.MaxTile))
		}
		b.JoinsTo = make([]ID, 0, 4)
		for range r.Count(limit.Bonds, 1) {
			b.JoinsTo = append(b.JoinsTo, ID(r.Uint()))
		}
	}},
}

var tilesetFields = []field[*Tileset]{
	textField(FieldName, func(t *Tileset) *string { return &t.Name }),
	hashField(2, func(t *Tileset) *string { return &t.Picture }),
	hashField(3, func(t *Tileset) *string { return &t.Strip }),
	intsField(4, func(t *Tileset) *int { return &t.First }, func(t *Tileset) *int { return &t.Count },
		func(t *Tileset) *int { return &t.Columns }, func(t *Tileset) *int { return &t.Rows }),
	intsField(5, func(t *Tileset) *int { return &t.Cut.W }, func(t *Tileset) *int { return &t.Cut.H },
		func(t *Tileset) *int { return &t.Cut.Margin }, func(t *Tileset) *int { return &t.Cut.Spacing }),
	intsField(8, func(t *Tileset) *int { return &t.Cut.OffsetX }, func(t *Tileset) *int { return &t.Cut.OffsetY }),
	rectField(9, func(t *Tileset) *grid.Rect { return &t.Cut.Crop }),
	boolField(10, func(t *Tileset) *bool { return &t.Cut.Keyed }),
	intsField(11, func(t *Tileset) *int { return &t.Cut.Key }, func(t *Tileset) *int { return &t.Cut.Scale }),
	{6, func(t *Tileset, w *pack.Writer) {
		w.Uint(uint64(len(t.Places)))
		last := 0
		for _, p := range t.Places {
			w.Uint(uint64(p - last))
			last = p
		}
	}, func(t *Tileset, r *pack.Reader) {
		n, last := r.Count(limit.Tiles, 1), 0
		t.Places = make([]int, 0, n)
		for range n {
			last += int(r.Uint() & (1<<31 - 1))
			t.Places = append(t.Places, last)
		}
	}},
	{7, func(t *Tileset, w *pack.Writer) {
		w.Uint(uint64(len(t.Tiles)))
		for _, p := range t.Tiles {
			encodeTile(w, p)
		}
	}, func(t *Tileset, r *pack.Reader) {
		n := r.Count(limit.Tiles, 1)
		t.Tiles = make([]*tiles.Properties, 0, n)
		for range n {
			t.Tiles = append(t.Tiles, decodeTile(r))
		}
	}},
}
