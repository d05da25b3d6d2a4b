package world

import (
	"cmp"
	"errors"
	"fmt"
	"slices"

	"azzel/core/grid"
	"azzel/core/lists"
	"azzel/core/pace"
	"azzel/core/pack"
)

// ErrGone is reported for a change to something that is not there any more.
var ErrGone = errors.New("it is not there any more")

// ErrThere is reported for a thing that is to be made and is there.
var ErrThere = errors.New("it is there already")

// A Draft is the next document in the making. It copies what it touches; the
// document it began with stays as it was. A Draft that reported an error must
// be thrown away.
type Draft struct {
	// Pace is told of the cells that are painted.
	Pace pace.Pace
	// Final says that nothing is to be taken back: Paint need not tell what lay there.
	Final    bool
	doc      *Document
	own      map[any]bool
	touched  []Ref
	painting *painting
}

// painting is a layer to which more may still be done, as long as nobody looks.
type painting struct {
	layer  *Layer
	editor *grid.Editor
}

// editorOf is for painting on a layer of this draft, until settle.
func (d *Draft) editorOf(l *Layer) *grid.Editor {
	if d.painting != nil && d.painting.layer == l {
		return d.painting.editor
	}
	d.settle()
	d.painting = &painting{l, l.Cells.Edit()}
	d.painting.editor.Pace = d.Pace
	return d.painting.editor
}

// settle ends painting, and comes before anything else looks at the layer.
func (d *Draft) settle() {
	if d.painting == nil {
		return
	}
	l, old := d.painting.layer, d.painting.layer.Cells
	l.Cells = d.painting.editor.Done()
	d.painting = nil
	d.count(old, l.Cells)
}

// Draft begins a change of d.
func (d *Document) Draft() *Draft {
	next := *d
	next.Maps = slices.Clone(d.Maps)
	for _, c := range collections {
		c.clone(&next)
	}
	return &Draft{doc: &next, own: map[any]bool{}}
}

// Document is the draft as it stands, not yet checked. It must not be kept.
func (d *Draft) Document() *Document {
	d.settle()
	return d.doc
}

// mine finds a thing that may be changed: the draft's own, which is made of that of the document it began with.
func mine[T any](d *Draft, list []*T, want func(*T) bool) (*T, error) {
	return owned(d, list, want, copied)
}

func owned[P any](d *Draft, list []P, want func(P) bool, copied func(P) P) (t P, err error) {
	i := slices.IndexFunc(list, want)
	if i < 0 {
		return t, ErrGone
	}
	if !d.own[list[i]] {
		list[i] = copied(list[i])
		d.own[list[i]] = true
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

// Put makes a new thing.
func (d *Draft) Put(r Ref, values []Value) error {
	d.settle()
	if r.ID == 0 || r.Sort == SortProject {
		return fmt.Errorf("%w: a thing without an id", pack.ErrMalformed)
	}
	if _, there := d.Values(r); there {
		return ErrThere
	}
	d.touched = append(d.touched, r)
	if c := collectionOf(r.Sort); c != nil {
		d.forget(r)
		return c.put(d, r.ID, values)
	}
	switch r.Sort {
	case SortMap:
		m := &Map{ID: r.ID}
		if err := setFields(m, mapFields, values); err != nil {
			return err
		}
		d.number(&m.Number)
		d.own[m], d.own[m.ID] = true, true
		d.doc.Maps = insert(d.doc.Maps, m, func(m *Map) int { return m.Number })
	case SortLayer:
		m, err := d.mapOf(r.Map)
		if err != nil {
			return err
		}
		l := &Layer{ID: r.ID}
		if err := setFields(l, layerFields, values); err != nil {
			return err
		}
		d.own[l] = true
		m.Layers = append(m.Layers, l)
		m.sortLayers()
	case SortPiece:
		m, err := d.mapOf(r.Map)
		if err != nil {
			return err
		}
		p := &Piece{ID: r.ID}
		if err := p.setAll(values); err != nil {
			return err
		}
		d.number(&p.Number)
		d.own[p] = true
		m.Pieces = insert(m.Pieces, p, func(p *Piece) int { return p.Number })
	default:
		return fmt.Errorf("%w: a thing of unknown sort %d", pack.ErrMalformed, r.Sort)
	}
	return nil
}

// sortLayers puts the layers into their order; two of the same by their ids.
func (m *Map) sortLayers() {
	slices.SortFunc(m.Layers, func(a, b *Layer) int { return cmp.Or(cmp.Compare(a.Order, b.Order), cmp.Compare(a.ID, b.ID)) })
}

// number gives the next creation number, unless one was given before.
func (d *Draft) number(n *int) {
	if *n <= 0 {
		*n = d.doc.next
	}
	d.doc.next = max(d.doc.next, *n+1)
}

func insert[P any](list []P, v P, key func(P) int) []P {
	i, _ := slices.BinarySearchFunc(list, key(v)+1, func(t P, k int) int { return cmp.Compare(key(t), k) })
	return lists.Insert(list, i, v)
}

// Change sets one property of what r points at.
func (d *Draft) Change(r Ref, v Value) error {
	d.settle()
	d.touched = append(d.touched, r)
	if r.Sort == SortTileset && v.Field >= TileField {
		return d.changeTile(r, v)
	}
	if c := collectionOf(r.Sort); c != nil {
		d.forget(r)
		return c.change(d, r.ID, v)
	}
	switch r.Sort {
	case SortProject:
		return setField(&d.doc.Project, projectFields, v)
	case SortMap:
		m, err := d.mapOf(r.ID)
		if err != nil {
			return err
		}
		return setField(m, mapFields, v)
	case SortLayer:
		l, err := d.layerOf(r.Map, r.ID)
		if err != nil {
			return err
		}
		if err := setField(l, layerFields, v); err != nil {
			return err
		}
		if v.Field == FieldOrder {
			m, _ := d.mapOf(r.Map)
			m.sortLayers()
		}
		return nil
	case SortPiece:
		m, err := d.mapOf(r.Map)
		if err != nil {
			return err
		}
		p, err := mine(d, m.Pieces, func(p *Piece) bool { return p.ID == r.ID })
		if err != nil {
			return err
		}
		return p.set(v)
	}
	return fmt.Errorf("%w: a thing of unknown sort %d", pack.ErrMalformed, r.Sort)
}

// changeTile sets one property of a tile.
func (d *Draft) changeTile(r Ref, v Value) error {
	t, err := mine(d, d.doc.Tilesets, func(t *Tileset) bool { return t.ID == r.ID })
	if err != nil {
		return err
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
}

// forget drops what was made of bonds, if they change.
func (d *Draft) forget(r Ref) {
	if r.Sort == SortBond {
		d.doc.bonds = nil
	}
}

// Remove takes away a thing that nothing lies in or refers to any more.
func (d *Draft) Remove(r Ref) error {
	d.settle()
	d.touched = append(d.touched, r)
	gone := false
	switch c := collectionOf(r.Sort); {
	case c != nil:
		d.forget(r)
		gone = c.remove(d, r.ID)
	case r.Sort == SortMap:
		before := len(d.doc.Maps)
		d.doc.Maps = lists.Without(d.doc.Maps, func(m *Map) bool { return m.ID == r.ID })
		gone = len(d.doc.Maps) < before
	case r.Sort == SortLayer || r.Sort == SortPiece:
		m, err := d.mapOf(r.Map)
		if err != nil {
			return err
		}
		inMap := len(m.Layers) + len(m.Pieces)
		if r.Sort == SortLayer {
			if l := m.Layer(r.ID); l != nil {
				d.doc.stored -= l.Cells.StoredCells()
			}
			m.Layers = lists.Without(m.Layers, func(l *Layer) bool { return l.ID == r.ID })
		} else {
			m.Pieces = lists.Without(m.Pieces, func(p *Piece) bool { return p.ID == r.ID })
		}
		gone = len(m.Layers)+len(m.Pieces) < inMap
	}
	if !gone {
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
	d.settle()
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
	d.settle()
	for i, r := range d.touched {
		if i > 0 && d.touched[i-1] == r {
			continue
		}
		if err := d.doc.check(r); err != nil {
			return nil, err
		}
	}
	d.settleTypes()
	d.doc.index()
	return d.doc, nil
}

// Unfit lists what was touched and can't be as it is now, each once.
func (d *Draft) Unfit() []Ref {
	d.settle()
	var list []Ref
	seen := map[Ref]bool{}
	for _, r := range d.touched {
		if !seen[r] && !d.Fits(r) {
			list = append(list, r)
		}
		seen[r] = true
	}
	return list
}

// Fits reports whether a thing can be as it is now.
func (d *Draft) Fits(r Ref) bool {
	d.settle()
	return d.doc.check(r) == nil
}
