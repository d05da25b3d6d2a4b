package world

import (
	"errors"
	"fmt"
	"slices"
	"strings"

	"azzel/core/grid"
	"azzel/core/kind"
	"azzel/core/limit"
	"azzel/core/pace"
)

// A Block is cells of one or more layers, and pieces, apart from any map: what was
// cut out of one, and can be laid down again. A cell without a tile is not part of
// it, and covers nothing.
type Block struct {
	// W and H are its size in cells.
	W, H int
	// Layers go from the lowest to the topmost.
	Layers []BlockLayer
	Pieces []BlockPiece
	// Wires are those that begin and end at its pieces, Rules those that belong to one: both name them by BlockPiece.ID.
	Wires []Wire
	Rules []Rule
	// Types are types of the designer's own that its pieces are of and that came from another project, TypeRules the rules of these.
	Types     []Type
	TypeRules []Rule
}

// A BlockLayer is the cells of one layer of a block, from (0, 0) on.
type BlockLayer struct {
	// Name is the layer's; empty in a block off a sheet, which is laid on whatever
	// layer is painted on.
	Name string
	// Depth is how many layers it lay above the player's, below 0 under it.
	Depth int
	// Counts says whether it counted in movement.
	Counts bool
	Cells  grid.Plane
	// Loose is where tiles followed their bond, which follow it again where they are
	// laid.
	Loose grid.Region
}

// A BlockPiece is a piece of a block.
type BlockPiece struct {
	// ID is that of the piece of which it was cut, by which others of the block name it; 0 if none does.
	ID   ID
	Type ID
	Name string
	// Foot is in pixels from the block's upper left corner.
	Foot grid.Point
	// Props are what is set of what its kind has.
	Props kind.Values
}

// A Patch is a block that was kept, with a name.
type Patch struct {
	ID     ID
	Name   string
	Number int
	Block
}

// Patch finds a patch; nil if there is none.
func (d *Document) Patch(id ID) *Patch {
	return byID(d.Patches, id, func(p *Patch) ID { return p.ID })
}

// Sheet makes a block of one layer of cells, row by row.
func Sheet(w, h int, cells []grid.Cell) *Block {
	var p grid.Plane
	e := p.Edit()
	for i, c := range cells {
		if c != 0 {
			e.Set(grid.Point{X: i % w, Y: i / w}, c)
		}
	}
	return &Block{W: w, H: h, Layers: []BlockLayer{{Cells: e.Done()}}}
}

// Cut makes a block of the cells of a region on those layers for which take holds,
// with the pieces of those layers that stand in it if pieces is set. Layers that hold nothing
// there are left out. It is nil if there is nothing at all.
func (d *Document) Cut(m *Map, g grid.Region, take func(*Layer) bool, pieces bool, at pace.Pace) *Block {
	bounds := g.Bounds()
	corner := grid.Point{X: bounds.X, Y: bounds.Y}
	away := grid.Point{X: -corner.X, Y: -corner.Y}
	b := &Block{W: bounds.W, H: bounds.H}
	player := slices.IndexFunc(m.Layers, func(l *Layer) bool { return l.ID == m.PlayerLayer })
	for i, l := range m.Layers {
		if !take(l) {
			continue
		}
		cells := l.Cells.Cut(g, away, at)
		if cells.Empty() {
			continue
		}
		b.Layers = append(b.Layers, BlockLayer{Name: l.Name, Depth: i - player, Counts: l.Counts, Cells: cells,
			Loose: d.following(m, l, g).Move(away)})
	}
	if pieces {
		lattice := d.Project.Lattice()
		for _, p := range m.Pieces {
			if l := m.Layer(p.Layer); l != nil && take(l) && g.Has(lattice.CellAt(p.Foot)) {
				b.Pieces = append(b.Pieces, BlockPiece{p.ID, p.Type, p.Name, p.Foot.Sub(lattice.Pixel(corner)), p.Props})
			}
		}
		b.Link(d)
	}
	if len(b.Layers)+len(b.Pieces) == 0 {
		return nil
	}
	return b
}

// Link gives the block the wires of a document between its pieces, and the rules that belong to them.
func (b *Block) Link(d *Document) {
	if len(b.Pieces) == 0 || len(d.Wires)+len(d.Rules) == 0 {
		return
	}
	in := make(map[ID]bool, len(b.Pieces))
	for _, p := range b.Pieces {
		in[p.ID] = true
	}
	for _, w := range d.Wires {
		if in[w.From] && in[w.To] {
			b.Wires = append(b.Wires, *w)
		}
	}
	for _, r := range d.Rules {
		if r.HomeSort == kind.Piece && in[r.Home] {
			b.Rules = append(b.Rules, *r)
		}
	}
}

// LeadOut are the wires of a document that join a piece of the block with one that is not in it: copies leave them behind.
func (b *Block) LeadOut(d *Document) (out []*Wire) {
	if len(d.Wires) == 0 {
		return nil
	}
	in := make(map[ID]bool, len(b.Pieces))
	for _, p := range b.Pieces {
		in[p.ID] = p.ID != 0
	}
	for _, w := range d.Wires {
		if in[w.From] != in[w.To] {
			out = append(out, w)
		}
	}
	return out
}

// following is the part of a region in which tiles of any bond follow it.
func (d *Document) following(m *Map, l *Layer, g grid.Region) grid.Region {
	i := bonder{d.index(), m.ID, l.ID, m.Bounds}
	if len(i.bonds) == 0 || len(g) == 0 || !i.near(l.Cells, g) {
		return nil
	}
	return g.Where(d.Follows(m, l))
}

// moved makes another block by moving every cell and piece, at a pace.
func (b *Block) moved(at pace.Pace, w, h int, cell func(grid.Point) grid.Point, turn func(grid.Cell) grid.Cell, foot func(grid.Point) grid.Point, props func(kind.Values) kind.Values) *Block {
	next := &Block{W: w, H: h, Wires: b.Wires, Rules: b.Rules}
	for _, l := range b.Layers {
		var p grid.Plane
		e := p.Edit()
		l.Cells.EachChunk(func(cx, cy int, c *grid.Chunk) {
			for i := range grid.ChunkSide * grid.ChunkSide {
				x, y := i%grid.ChunkSide, i/grid.ChunkSide
				if v := c.At(x, y); v != 0 {
					e.Set(cell(grid.Point{X: cx*grid.ChunkSide + x, Y: cy*grid.ChunkSide + y}), turn(v))
				}
			}
			at.Did(grid.ChunkSide * grid.ChunkSide)
		})
		var loose []grid.Span
		for _, s := range l.Loose {
			for x := s.X0; x <= s.X1; x++ {
				to := cell(grid.Point{X: x, Y: s.Y})
				loose = append(loose, grid.Span{Y: to.Y, X0: to.X, X1: to.X})
				// What follows its bond stays as it is: the bond says which tile it is.
				e.Set(to, l.Cells.At(grid.Point{X: x, Y: s.Y}))
			}
			at.Did(s.X1 - s.X0 + 1)
		}
		l.Cells, l.Loose = e.Done(), grid.RegionOf(loose)
		next.Layers = append(next.Layers, l)
	}
	for _, p := range b.Pieces {
		p.Foot, p.Props = foot(p.Foot), props(p.Props)
		next.Pieces = append(next.Pieces, p)
	}
	return next
}

// Mirrored is the block mirrored left to right, or else top to bottom, on a
// lattice. Pieces keep standing at the same height of their cell, in its middle if they stood there, and
// go and look to the other side.
func (b *Block) Mirrored(at pace.Pace, l grid.Lattice, leftRight bool) *Block {
	props := func(v kind.Values) kind.Values { return v.Mirrored(leftRight) }
	if leftRight {
		return b.moved(at, b.W, b.H, func(p grid.Point) grid.Point { return grid.Point{X: b.W - 1 - p.X, Y: p.Y} },
			func(c grid.Cell) grid.Cell { return c.Mirror(true, false) },
			func(p grid.Point) grid.Point {
				c := l.CellAt(p)
				beside := p.X - l.Foot(c).X
				// What stands on the first line of a cell stands on the last of the block at most.
				return grid.Point{X: min(l.Foot(grid.Point{X: b.W - 1 - c.X}).X-beside, b.W*l.W-1), Y: p.Y}
			}, props)
	}
	return b.moved(at, b.W, b.H, func(p grid.Point) grid.Point { return grid.Point{X: p.X, Y: b.H - 1 - p.Y} },
		func(c grid.Cell) grid.Cell { return c.Mirror(false, true) },
		func(p grid.Point) grid.Point {
			c := l.CellAt(p)
			return grid.Point{X: p.X, Y: p.Y + (b.H-1-2*c.Y)*l.H}
		}, props)
}

// Turned is the block after a quarter turn to the right. The cells of the lattice
// must be square.
func (b *Block) Turned(at pace.Pace, l grid.Lattice) *Block {
	return b.moved(at, b.H, b.W, func(p grid.Point) grid.Point { return grid.Point{X: b.H - 1 - p.Y, Y: p.X} },
		func(c grid.Cell) grid.Cell { return c.Transpose().Mirror(true, false) },
		func(p grid.Point) grid.Point {
			c := l.CellAt(p)
			within := p.Sub(l.Pixel(c))
			return l.Pixel(grid.Point{X: b.H - 1 - c.Y, Y: c.X}).Add(within)
		}, kind.Values.Turned)
}

// Check holds a block against the limits.
func (b *Block) Check() error {
	if b.W < 1 || b.H < 1 || b.W > limit.MaxMapSide || b.H > limit.MaxMapSide {
		return fmt.Errorf("a patch is 1 to %d cells wide and high; this one is %d × %d", limit.MaxMapSide, b.W, b.H)
	}
	if len(b.Layers) > limit.Layers || len(b.Pieces) > limit.PiecesInMap {
		return fmt.Errorf("a patch has at most %d layers and %d pieces", limit.Layers, limit.PiecesInMap)
	}
	if len(b.Layers)+len(b.Pieces) == 0 {
		return errors.New("there is nothing in this patch")
	}
	all := grid.Rect{W: b.W, H: b.H}
	for _, l := range b.Layers {
		if err := CheckName(l.Name, true); err != nil {
			return err
		}
		if !all.Holds(l.Cells.Filled().Bounds()) || !all.Holds(l.Loose.Bounds()) {
			return errors.New("a cell of the patch lies outside it")
		}
	}
	in := map[ID]bool{}
	for _, p := range b.Pieces {
		if kind.Of(p.Type) == nil {
			return errors.New("a piece of the patch is of a type that is not there")
		}
		if p.ID != 0 && in[p.ID] {
			return errors.New("two pieces of the patch have the same id")
		}
		in[p.ID] = p.ID != 0
		if err := CheckName(p.Name, true); err != nil {
			return err
		}
	}
	return b.checkLinks(in)
}

// checkLinks holds wires and rules of a block with some pieces against what they may be.
func (b *Block) checkLinks(in map[ID]bool) error {
	if len(b.Wires) > limit.Wires || len(b.Rules) > limit.Rules {
		return fmt.Errorf("a patch has at most %d wires and %d rules", limit.Wires, limit.Rules)
	}
	for i := range b.Wires {
		w := &b.Wires[i]
		if err := w.Check(); err != nil {
			return err
		}
		if !in[w.From] || !in[w.To] {
			return errors.New("a wire of the patch begins or ends at what is not in it")
		}
	}
	for i := range b.Rules {
		r := &b.Rules[i]
		if err := CheckName(r.Name, true); err != nil {
			return err
		}
		if err := r.Check(); err != nil {
			return err
		}
		if r.HomeSort != kind.Piece || !in[r.Home] {
			return errors.New("a rule of the patch belongs to what is not in it")
		}
	}
	return nil
}

// uses reports whether any tile of the block is one that is meant.
func (b *Block) uses(want func(int) bool) bool {
	for _, l := range b.Layers {
		found := false
		l.Cells.EachChunk(func(_, _ int, c *grid.Chunk) {
			found = found || slices.ContainsFunc(c.Distinct(), func(v grid.Cell) bool { return v != 0 && want(v.Tile()) })
		})
		if found {
			return true
		}
	}
	return false
}

// LayerFor finds the layer of a map on which a layer of a block belongs: the one
// called the same, or the player's for what lay on the player's. It is nil if the
// map has none.
func (m *Map) LayerFor(b BlockLayer) *Layer {
	for _, l := range m.Layers {
		if strings.EqualFold(l.Name, b.Name) {
			return l
		}
	}
	if b.Depth == 0 {
		return m.Layer(m.PlayerLayer)
	}
	return nil
}
