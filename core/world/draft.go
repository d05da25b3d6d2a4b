package world

import (
	"cmp"
	"errors"
	"fmt"
	"slices"

	"azzel/core/grid"
	"azzel/core/pack"
)

// ErrGone is reported for a change to something that is not there any more.
var ErrGone = errors.New("it is not there any more")

// A Draft is the next document in the making. It copies what it touches; the
// document it began with stays as it was. A Draft that reported an error must
// be thrown away.
type Draft struct {
	doc     *Document
	own     map[any]bool
	touched []Ref
}

// Draft begins a change of d.
func (d *Document) Draft() *Draft {
	next := *d
	next.Tilesets = slices.Clone(d.Tilesets)
	next.Maps = slices.Clone(d.Maps)
	next.Crossings = slices.Clone(d.Crossings)
	next.Characters = slices.Clone(d.Characters)
	next.Medleys = slices.Clone(d.Medleys)
	next.Bonds = slices.Clone(d.Bonds)
	next.Properties = slices.Clone(d.Properties)
	return &Draft{doc: &next, own: map[any]bool{}}
}

// Document is the draft as it stands, not yet checked. It must not be kept.
func (d *Draft) Document() *Document { return d.doc }

func mine[T any](d *Draft, list []*T, want func(*T) bool) (*T, error) {
	i := slices.IndexFunc(list, want)
	if i < 0 {
		return nil, ErrGone
	}
	if !d.own[list[i]] {
		fresh := *list[i]
		d.own[&fresh] = true
		list[i] = &fresh
	}
	return list[i], nil
}

func (d *Draft) mapOf(id ID) (*Map, error) {
	m, err := mine(d, d.doc.Maps, func(m *Map) bool { return m.ID == id })
	if err == nil && !d.own[m.ID] {
		d.own[m.ID] = true
		m.Layers = slices.Clone(m.Layers)
		m.Pieces = slices.Clone(m.Pieces)
	}
	return m, err
}

func (d *Draft) layerOf(mapID, id ID) (*Layer, error) {
	m, err := d.mapOf(mapID)
	if err != nil {
		return nil, err
	}
	return mine(d, m.Layers, func(l *Layer) bool { return l.ID == id })
}

// Values are the properties of what r points at, and whether it is there.
func (d *Draft) Values(r Ref) ([]Value, bool) {
	switch r.Kind {
	case KindProject:
		return d.doc.Project.Values(), true
	case KindTileset:
		if t := d.doc.Tileset(r.ID); t != nil {
			return t.Values(), true
		}
	case KindCrossing:
		if c := d.doc.Crossing(r.ID); c != nil {
			return c.Values(), true
		}
	case KindCharacter:
		if c := d.doc.Character(r.ID); c != nil {
			return c.Values(), true
		}
	case KindMedley:
		if m := d.doc.Medley(r.ID); m != nil {
			return m.Values(), true
		}
	case KindBond:
		if b := d.doc.Bond(r.ID); b != nil {
			return b.Values(), true
		}
	case KindProperty:
		if p := d.doc.Property(r.ID); p != nil {
			return p.Values(), true
		}
	case KindMap:
		if m := d.doc.Map(r.ID); m != nil {
			return m.Values(), true
		}
	case KindLayer, KindPiece:
		m := d.doc.Map(r.Map)
		if m == nil {
			return nil, false
		}
		if l := m.Layer(r.ID); l != nil && r.Kind == KindLayer {
			return l.Values(), true
		}
		if p := m.Piece(r.ID); p != nil && r.Kind == KindPiece {
			return p.Values(), true
		}
	}
	return nil, false
}

// Value is one property of what r points at, and whether it is there.
func (d *Draft) Value(r Ref, f Field) (Value, bool) {
	if r.Kind == KindTileset && f >= TileField {
		t := d.doc.Tileset(r.ID)
		if i, property := tileField(f); t != nil && i < len(t.Tiles) && property != nil {
			p := t.Tile(i)
			return Value{f, encodeField(&p, *property)}, true
		}
		return Value{}, false
	}
	values, _ := d.Values(r)
	for _, v := range values {
		if v.Field == f {
			return v, true
		}
	}
	return Value{}, false
}

// Put makes a new thing.
func (d *Draft) Put(r Ref, values []Value) error {
	if r.ID == 0 || r.Kind == KindProject {
		return fmt.Errorf("%w: a thing without an id", pack.ErrMalformed)
	}
	if _, there := d.Values(r); there {
		return errors.New("it is there already")
	}
	d.touched = append(d.touched, r)
	switch r.Kind {
	case KindTileset:
		t := &Tileset{ID: r.ID}
		if err := setFields(t, tilesetFields, values); err != nil {
			return err
		}
		d.own[t] = true
		d.doc.Tilesets = insert(d.doc.Tilesets, t, func(t *Tileset) int { return t.First })
	case KindMap:
		m := &Map{ID: r.ID}
		if err := setFields(m, mapFields, values); err != nil {
			return err
		}
		d.number(&m.Number)
		d.own[m], d.own[m.ID] = true, true
		d.doc.Maps = insert(d.doc.Maps, m, func(m *Map) int { return m.Number })
	case KindCrossing:
		c := &Crossing{ID: r.ID}
		if err := setFields(c, crossingFields, values); err != nil {
			return err
		}
		d.number(&c.Number)
		d.own[c] = true
		d.doc.Crossings = insert(d.doc.Crossings, c, func(c *Crossing) int { return c.Number })
	case KindCharacter:
		c := &Character{ID: r.ID}
		if err := setFields(c, characterFields, values); err != nil {
			return err
		}
		d.number(&c.Number)
		d.own[c] = true
		d.doc.Characters = insert(d.doc.Characters, c, func(c *Character) int { return c.Number })
	case KindMedley:
		m := &Medley{ID: r.ID}
		if err := setFields(m, medleyFields, values); err != nil {
			return err
		}
		d.number(&m.Number)
		d.own[m] = true
		d.doc.Medleys = insert(d.doc.Medleys, m, func(m *Medley) int { return m.Number })
	case KindBond:
		b := &Bond{ID: r.ID}
		if err := setFields(b, bondFields, values); err != nil {
			return err
		}
		d.number(&b.Number)
		d.own[b] = true
		d.doc.Bonds = insert(d.doc.Bonds, b, func(b *Bond) int { return b.Number })
		d.doc.bonds = nil
	case KindProperty:
		p := &Property{ID: r.ID}
		if err := setFields(p, propertyFields, values); err != nil {
			return err
		}
		d.number(&p.Number)
		d.own[p] = true
		d.doc.Properties = insert(d.doc.Properties, p, func(p *Property) int { return p.Number })
	case KindLayer:
		m, err := d.mapOf(r.Map)
		if err != nil {
			return err
		}
		l := &Layer{ID: r.ID}
		if err := setFields(l, layerFields, values); err != nil {
			return err
		}
		d.own[l] = true
		m.Layers = insert(m.Layers, l, func(l *Layer) int { return l.Order })
	case KindPiece:
		m, err := d.mapOf(r.Map)
		if err != nil {
			return err
		}
		p := &Piece{ID: r.ID}
		if err := setFields(p, pieceFields, values); err != nil {
			return err
		}
		d.number(&p.Number)
		d.own[p] = true
		m.Pieces = insert(m.Pieces, p, func(p *Piece) int { return p.Number })
	default:
		return fmt.Errorf("%w: a thing of unknown kind %d", pack.ErrMalformed, r.Kind)
	}
	return nil
}

// number gives the next creation number, unless one was given before.
func (d *Draft) number(n *int) {
	if *n <= 0 {
		*n = d.doc.next
	}
	d.doc.next = max(d.doc.next, *n+1)
}

func insert[T any](list []*T, v *T, key func(*T) int) []*T {
	i, _ := slices.BinarySearchFunc(list, key(v)+1, func(t *T, k int) int { return cmp.Compare(key(t), k) })
	return slices.Insert(list, i, v)
}

// Change sets one property of what r points at.
func (d *Draft) Change(r Ref, v Value) error {
	d.touched = append(d.touched, r)
	switch r.Kind {
	case KindProject:
		return setField(&d.doc.Project, projectFields, v)
	case KindTileset:
		t, err := mine(d, d.doc.Tilesets, func(t *Tileset) bool { return t.ID == r.ID })
		if err != nil {
			return err
		}
		if v.Field < TileField {
			return setField(t, tilesetFields, v)
		}
		i, property := tileField(v.Field)
		if i >= len(t.Tiles) || property == nil {
			return ErrGone
		}
		p := t.Tile(i)
		in := pack.NewReader(v.Bytes)
		property.set(&p, in)
		if err := in.Done(); err != nil {
			return err
		}
		if !d.own[&t.Tiles[0]] {
			t.Tiles = slices.Clone(t.Tiles)
			d.own[&t.Tiles[0]] = true
		}
		t.Tiles[i] = &p
		if p == plainTile {
			t.Tiles[i] = nil
		}
		return nil
	case KindMap:
		m, err := d.mapOf(r.ID)
		if err != nil {
			return err
		}
		return setField(m, mapFields, v)
	case KindLayer:
		l, err := d.layerOf(r.Map, r.ID)
		if err != nil {
			return err
		}
		return setField(l, layerFields, v)
	case KindPiece:
		m, err := d.mapOf(r.Map)
		if err != nil {
			return err
		}
		p, err := mine(d, m.Pieces, func(p *Piece) bool { return p.ID == r.ID })
		if err != nil {
			return err
		}
		return setField(p, pieceFields, v)
	case KindCrossing:
		c, err := mine(d, d.doc.Crossings, func(c *Crossing) bool { return c.ID == r.ID })
		if err != nil {
			return err
		}
		return setField(c, crossingFields, v)
	case KindCharacter:
		c, err := mine(d, d.doc.Characters, func(c *Character) bool { return c.ID == r.ID })
		if err != nil {
			return err
		}
		return setField(c, characterFields, v)
	case KindMedley:
		m, err := mine(d, d.doc.Medleys, func(m *Medley) bool { return m.ID == r.ID })
		if err != nil {
			return err
		}
		return setField(m, medleyFields, v)
	case KindBond:
		b, err := mine(d, d.doc.Bonds, func(b *Bond) bool { return b.ID == r.ID })
		if err != nil {
			return err
		}
		d.doc.bonds = nil
		return setField(b, bondFields, v)
	case KindProperty:
		p, err := mine(d, d.doc.Properties, func(p *Property) bool { return p.ID == r.ID })
		if err != nil {
			return err
		}
		return setField(p, propertyFields, v)
	}
	return fmt.Errorf("%w: a thing of unknown kind %d", pack.ErrMalformed, r.Kind)
}

// Remove takes away a thing that nothing lies in or refers to any more.
func (d *Draft) Remove(r Ref) error {
	d.touched = append(d.touched, r)
	count := func() int {
		return len(d.doc.Tilesets) + len(d.doc.Maps) + len(d.doc.Crossings) + len(d.doc.Characters) + len(d.doc.Medleys) + len(d.doc.Bonds) + len(d.doc.Properties)
	}
	before := count()
	switch r.Kind {
	case KindTileset:
		d.doc.Tilesets = slices.DeleteFunc(d.doc.Tilesets, func(t *Tileset) bool { return t.ID == r.ID })
	case KindMap:
		d.doc.Maps = slices.DeleteFunc(d.doc.Maps, func(m *Map) bool { return m.ID == r.ID })
	case KindCrossing:
		d.doc.Crossings = slices.DeleteFunc(d.doc.Crossings, func(c *Crossing) bool { return c.ID == r.ID })
	case KindCharacter:
		d.doc.Characters = slices.DeleteFunc(d.doc.Characters, func(c *Character) bool { return c.ID == r.ID })
	case KindMedley:
		d.doc.Medleys = slices.DeleteFunc(d.doc.Medleys, func(m *Medley) bool { return m.ID == r.ID })
	case KindBond:
		d.doc.Bonds = slices.DeleteFunc(d.doc.Bonds, func(b *Bond) bool { return b.ID == r.ID })
		d.doc.bonds = nil
	case KindProperty:
		d.doc.Properties = slices.DeleteFunc(d.doc.Properties, func(p *Property) bool { return p.ID == r.ID })
	case KindLayer, KindPiece:
		m, err := d.mapOf(r.Map)
		if err != nil {
			return err
		}
		inMap := len(m.Layers) + len(m.Pieces)
		if r.Kind == KindLayer {
			if l := m.Layer(r.ID); l != nil {
				d.doc.stored -= l.Cells.StoredCells()
			}
			m.Layers = slices.DeleteFunc(m.Layers, func(l *Layer) bool { return l.ID == r.ID })
		} else {
			m.Pieces = slices.DeleteFunc(m.Pieces, func(p *Piece) bool { return p.ID == r.ID })
		}
		if len(m.Layers)+len(m.Pieces) == inMap {
			return ErrGone
		}
		return nil
	}
	if count() == before {
		return ErrGone
	}
	return nil
}

func (d *Draft) count(old, now grid.Plane) {
	stored := func(c *grid.Chunk) int {
		if _, uniform := c.Uniform(); uniform {
			return 0
		}
		return grid.ChunkSide * grid.ChunkSide
	}
	old.Differ(now, func(_, _ int, a, b *grid.Chunk) { d.doc.stored += stored(b) - stored(a) })
}

// SetChunk puts a whole chunk of a layer in place, when a document is read.
func (d *Draft) SetChunk(mapID, layerID ID, cx, cy int, c *grid.Chunk) error {
	l, err := d.layerOf(mapID, layerID)
	if err != nil {
		return err
	}
	old := l.Cells
	e := old.Edit()
	e.SetChunk(cx, cy, c)
	l.Cells = e.Done()
	d.count(old, l.Cells)
	return nil
}

// Done checks what was touched and gives the new document.
func (d *Draft) Done() (*Document, error) {
	for i, r := range d.touched {
		if i > 0 && d.touched[i-1] == r {
			continue
		}
		if err := d.doc.check(r); err != nil {
			return nil, err
		}
	}
	d.doc.index()
	return d.doc, nil
}
