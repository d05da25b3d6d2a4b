package world

import (
	"encoding/binary"
	"slices"

	"azzel/core/grid"
	"azzel/core/kind"
	"azzel/core/tiles"
)

// An ID names one thing of a document for ever. The upper 32 bits are a prefix
// that the server gave out, the lower 32 a counter; 0 is no thing. Built-in
// types have ids below 65,536.
type ID = kind.ID

// An Allocator gives out ids that nobody else gives out.
type Allocator interface{ NewID() ID }

// Counter is the usual Allocator. The zero value, with Prefix set, is ready.
type Counter struct {
	// Prefix is what the server gave, at least 1.
	Prefix uint32
	next   uint32
}

// NewID gives the next id.
func (c *Counter) NewID() ID {
	c.next++
	return ID(c.Prefix)<<32 | ID(c.next)
}

// A View is how a map is seen.
type View int

// The views.
const (
	TopDown View = iota
	SideView
	viewEnd
)

// ViewNames are the words for how maps are seen, in their order.
var ViewNames = [...]string{"from above (top-down)", "from the side (side-view)"}

// A Document is the whole of a project at one moment. Nothing in it may be
// changed; a Draft makes the next.
type Document struct {
	Project Project
	// Tilesets are sorted by their first tile's number.
	Tilesets []*Tileset
	// Maps are sorted by number.
	Maps []*Map
	// Crossings are sorted by number.
	Crossings []*Crossing
	// Characters are sorted by number.
	Characters []*Character
	// Medleys are sorted by number.
	Medleys []*Medley
	// Properties are those of the project's own, sorted by number.
	Properties []*Property
	// Bonds are sorted by number.
	Bonds []*Bond
	// Patches are sorted by number.
	Patches []*Patch
	// Replays are sorted by number.
	Replays []*Replay
	// Tracks and Areas are sorted by number.
	Tracks []*Track
	Areas  []*Area
	// Items are sorted by number.
	Items []*Item
	// Facts are sorted by number.
	Facts []*Fact
	// Wires are sorted by number.
	Wires []*Wire
	// Rules are sorted by number.
	Rules []*Rule
	// Starts are sorted by number.
	Starts []*NamedStart
	// Types are those of the designer's own, sorted by number.
	Types []*Type
	// bonds finds the bond of a tile.
	bonds *bondIndex
	// next is the creation number that comes next.
	next int
	// stored counts the cells towards limit.StoredCells.
	stored int
}

// A Project is what holds for all maps.
type Project struct {
	Name string
	// CellW and CellH are the size of a cell in pixels.
	CellW, CellH int
	// SeenW and SeenH are how many cells the player sees at once.
	SeenW, SeenH int
	// View is how maps are seen that are made.
	View View
	// Player is the character that is played; 0 for the built-in figure.
	Player ID
	// Drawer is how tilesets, bonds and medleys are arranged.
	Drawer Arrangement
	// Camera is how what the player sees follows them.
	Camera Camera
	// Turns says that time passes by steps: from above, everybody else moves when the player
	// has taken a step.
	Turns bool
	// Legend is what the colours of pictures meant that maps were made of.
	Legend Legend
}

// An Arrangement is things in the order in which somebody likes them, as 8 bytes
// for each id, so that it can be compared. What is not in it comes after.
type Arrangement string

// Arranged makes an arrangement of ids.
func Arranged(ids []ID) Arrangement {
	b := make([]byte, 0, 8*len(ids))
	for _, id := range ids {
		b = binary.BigEndian.AppendUint64(b, uint64(id))
	}
	return Arrangement(b)
}

// IDs lists the things.
func (a Arrangement) IDs() []ID {
	ids := make([]ID, 0, len(a)/8)
	for b := []byte(a); len(b) >= 8; b = b[8:] {
		ids = append(ids, ID(binary.BigEndian.Uint64(b)))
	}
	return ids
}

// Lattice maps between cells and pixels of the project's maps.
func (p *Project) Lattice() grid.Lattice { return grid.Lattice{W: p.CellW, H: p.CellH} }

// A Tileset is a picture cut into tiles, or the built-in blockout tiles.
type Tileset struct {
	ID   ID
	Name string
	// Picture and Strip are the SHA-256 sums of the picture as it came in and
	// of its tiles in the encoding of tiles.Strip; empty for the blockout tiles.
	Picture, Strip string
	// First is the number of tile 0, Count how many there are.
	First, Count int
	// Columns and Rows are how the picture was divided; Places where each tile
	// was: row × Columns + column.
	Columns, Rows int
	Cut           tiles.Cut
	Places        []int
	// Tiles says of each tile what it does; nil for a tile that does nothing.
	Tiles []*tiles.Properties
}

// Tile is what tile i does.
func (t *Tileset) Tile(i int) tiles.Properties {
	if p := t.Tiles[i]; p != nil {
		return *p
	}
	return tiles.Properties{}
}

// Builtin reports whether t is the blockout tileset.
func (t *Tileset) Builtin() bool { return t.Strip == "" }

// A Map is one place of the game.
type Map struct {
	ID   ID
	Name string
	// Number is given in the order in which maps were made.
	Number int
	// Origin is where on the board, in cells, the map's cell (0, 0) lies.
	Origin grid.Point
	// Bounds is what the map covers, in its own cells. The cells of a map never
	// shift: growing to the left makes X smaller.
	Bounds grid.Rect
	View   View
	// Edges say what is at each side.
	Edges Edges
	// Background is what is seen where nothing is painted.
	Background Background
	// Notes are for the designers, Keywords to be found by.
	Notes, Keywords string
	// Own are its values of the project's own properties.
	Own *tiles.Own
	// Forces are what acts on all that moves here, Lottery the odds of lottery pieces.
	Forces
	Lottery Odds
	// Barred are the abilities and BarredArms the arms that nobody has here.
	Barred     Ability
	BarredArms Arm
	// Anew is when its pieces begin anew that do not say so themselves.
	Anew Anew
	// PlayerLayer is the layer in which the walking figure stands.
	PlayerLayer ID
	// Layers go from the lowest to the topmost.
	Layers []*Layer
	// Pieces are sorted by number.
	Pieces []*Piece
}

// OnBoard is what the map covers on the board, in cells.
func (m *Map) OnBoard() grid.Rect { return m.Bounds.Move(m.Origin) }

// A Layer is one depth of a map.
type Layer struct {
	ID    ID
	Name  string
	Order int
	// Counts says that what is solid here stops the player; else it only looks.
	Counts bool
	// Locked keeps hands off it.
	Locked bool
	// Fade is how much is seen through it, in percent: 0 nothing.
	Fade int
	// Tint colours it.
	Tint Colour
	// DepthX and DepthY are how far it stays behind the map when the view moves, in
	// percent: 0 goes with the map, 100 stands still on the screen, below 0 is nearer
	// than the map.
	DepthX, DepthY int
	// Group is the name of the group it belongs to; empty for none.
	Group string
	// Takes restricts what may be laid here.
	Takes Takes
	// Backdrop is a picture that lies beneath its tiles.
	Backdrop Backdrop
	Cells    grid.Plane
}

// byID finds a thing in a list; nil if it is not there.
func byID[P any](list []P, id ID, of func(P) ID) (t P) {
	for _, t := range list {
		if of(t) == id {
			return t
		}
	}
	return t
}

// Map finds a map; nil if there is none.
func (d *Document) Map(id ID) *Map {
	return byID(d.Maps, id, func(m *Map) ID { return m.ID })
}

// MapAt finds the map that covers a cell of the board; nil if none does.
func (d *Document) MapAt(board grid.Point) *Map {
	for _, m := range d.Maps {
		if m.OnBoard().Has(board) {
			return m
		}
	}
	return nil
}

// Layer finds a layer of the map; nil if there is none.
func (m *Map) Layer(id ID) *Layer {
	return byID(m.Layers, id, func(l *Layer) ID { return l.ID })
}

// WithCells is the document with other cells on some layers. The document itself stays as it is.
func (d *Document) WithCells(planes map[ID]grid.Plane) *Document {
	next := *d
	next.Maps = slices.Clone(d.Maps)
	for i, m := range d.Maps {
		for k, l := range m.Layers {
			cells, is := planes[l.ID]
			if !is {
				continue
			}
			if next.Maps[i] == m {
				on := *m
				on.Layers = slices.Clone(m.Layers)
				next.Maps[i] = &on
			}
			other := *l
			other.Cells = cells
			next.Maps[i].Layers[k] = &other
		}
	}
	return &next
}

// LayerOn finds a layer and the map that it is of; nil if there is none.
func (d *Document) LayerOn(id ID) (*Map, *Layer) {
	for _, m := range d.Maps {
		if l := m.Layer(id); l != nil {
			return m, l
		}
	}
	return nil, nil
}

// Piece finds a piece of the map; nil if there is none.
func (m *Map) Piece(id ID) *Piece {
	return byID(m.Pieces, id, func(p *Piece) ID { return p.ID })
}

// Piece finds a piece wherever it stands.
func (d *Document) Piece(id ID) (*Map, *Piece) {
	for _, m := range d.Maps {
		if p := m.Piece(id); p != nil {
			return m, p
		}
	}
	return nil, nil
}

// A Medley is tiles laid at random in proportion to weights, with a name.
type Medley struct {
	ID     ID
	Name   string
	Number int
	tiles.Medley
}

// Deal is the cell that the medley gives for a cell of a layer.
func (m *Medley) Deal(l grid.Lattice, mapID, layer ID, c grid.Point) grid.Cell {
	return m.Medley.Deal(tiles.Chance(uint64(m.Seed), uint64(mapID), uint64(layer), uint64(c.X), uint64(c.Y)), l.W == l.H)
}

// A Property is a property of tiles that a project has of its own.
type Property struct {
	ID     ID
	Name   string
	Number int
	Type   tiles.ValueType
}

// Property finds a property of the project's own; nil if there is none.
func (d *Document) Property(id ID) *Property {
	return byID(d.Properties, id, func(p *Property) ID { return p.ID })
}

// Medley finds a medley; nil if there is none.
func (d *Document) Medley(id ID) *Medley {
	return byID(d.Medleys, id, func(m *Medley) ID { return m.ID })
}

// Tileset finds a tileset; nil if there is none.
func (d *Document) Tileset(id ID) *Tileset {
	return byID(d.Tilesets, id, func(t *Tileset) ID { return t.ID })
}

// TilesetOf finds the tileset that tile number n belongs to, and n's place in
// it; nil if there is none.
func (d *Document) TilesetOf(n int) (*Tileset, int) {
	for _, t := range d.Tilesets {
		if n >= t.First && n < t.First+t.Count {
			return t, n - t.First
		}
	}
	return nil, 0
}

// TileOf is what tile number n does; nothing for a tile that does not exist.
func (d *Document) TileOf(n int) tiles.Properties {
	if t, i := d.TilesetOf(n); t != nil {
		return t.Tile(i)
	}
	return tiles.Properties{}
}

// TilesEnd is the least number that no tile has yet.
func (d *Document) TilesEnd() int {
	if n := len(d.Tilesets); n > 0 {
		t := d.Tilesets[n-1]
		return t.First + t.Count
	}
	return 1
}

// Holds reports whether anything lies in what r points at, or leads to it.
func (d *Document) Holds(r Ref) bool {
	switch r.Sort {
	case SortMap:
		m := d.Map(r.ID)
		return m != nil && len(m.Layers)+len(m.Pieces)+len(d.CrossingsOf(r.ID))+len(d.OfMap(r.ID)) > 0
	case SortLayer:
		if m := d.Map(r.Map); m != nil {
			l := m.Layer(r.ID)
			return l != nil && !l.Cells.Empty()
		}
	}
	return false
}
