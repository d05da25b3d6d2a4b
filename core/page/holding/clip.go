package holding

import (
	"encoding/json"
	"fmt"
	"maps"
	"slices"
	"strings"

	"azzel/core/grid"
	"azzel/core/hand"
	"azzel/core/kind"
	"azzel/core/limit"
	"azzel/core/lists"
	"azzel/core/page"
	"azzel/core/page/wording"
	"azzel/core/rows"
	"azzel/core/world"
)

// A clip is a block as text, for the clipboard: see docs/FORMATS.md. Its names are
// those of the JSON, which other programs may read and write.
type clip struct {
	// Azzel says what it is: clipKind.
	Azzel      string             `json:"azzel"`
	Version    int                `json:"version"`
	CellWidth  int                `json:"cellWidth"`
	CellHeight int                `json:"cellHeight"`
	Columns    int                `json:"columns"`
	Rows       int                `json:"rows"`
	Tilesets   map[string]clipSet `json:"tilesets"`
	Layers     []clipLayer        `json:"layers"`
	Pieces     []clipPiece        `json:"pieces"`
	// Wires are those between the pieces, Rules those that belong to them, as clipboards say since version 4.
	Wires []clipWire `json:"wires,omitempty"`
	Rules []clipRule `json:"rules,omitempty"`
	// Types are the types of one's own of which pieces are, with their rules.
	Types []clipType `json:"types,omitempty"`
}

type clipSet struct {
	Name string `json:"name"`
	// Tiles is the SHA-256 sum of its tiles' pixels; empty for the built-in ones.
	Tiles string `json:"tiles"`
}

type clipLayer struct {
	Name   string   `json:"name"`
	Depth  int      `json:"depth"`
	Counts bool     `json:"counts"`
	Rows   []string `json:"rows"`
}

type clipPiece struct {
	// ID is by what others of the block name it, if any does.
	ID   string `json:"id,omitempty"`
	Type string `json:"type"`
	Name string `json:"name"`
	X    int    `json:"x"`
	Y    int    `json:"y"`
	// Props are what it sets, by the words of properties, as clipboards say since version 2.
	Props map[string]clipProp `json:"props,omitempty"`
	// Acting and Names are how it acts, as clipboards of version 1 say.
	Acting *clipActing `json:"acting,omitempty"`
	Names  []string    `json:"names,omitempty"`
}

const (
	clipKind    = "block"
	clipVersion = 5
	// unpictured is the version of clipboards in which all pieces are seen as they come.
	unpictured = 4
	// unlinked is the version of clipboards in which no piece names another.
	unlinked = 3
)

// writeClip writes a block of a document as text.
func writeClip(d *world.Document, b *world.Block) string {
	c := clip{Azzel: clipKind, Version: unlinked, CellWidth: d.Project.CellW, CellHeight: d.Project.CellH, Columns: b.W, Rows: b.H,
		Tilesets: map[string]clipSet{}, Layers: []clipLayer{}, Pieces: []clipPiece{}}
	short := map[world.ID]string{}
	name := func(tile int) (string, int) {
		t, i := d.TilesetOf(tile)
		if t == nil {
			return "none", 0
		}
		if short[t.ID] == "" {
			short[t.ID] = rows.Short(len(short))
			c.Tilesets[short[t.ID]] = clipSet{t.Name, t.Strip}
		}
		return short[t.ID], i
	}
	for _, l := range b.Layers {
		lines := rows.Write(l.Cells, grid.Rect{W: b.W, H: b.H}, l.Loose, name)
		c.Layers = append(c.Layers, clipLayer{l.Name, l.Depth, l.Counts, lines})
	}
	c.writeTypes(d, b, name)
	linked := b.Linked()
	for _, p := range b.Pieces {
		is := clipPiece{Type: kind.Of(p.Type).Word, Name: p.Name, X: p.Foot.X, Y: p.Foot.Y, Props: writeProps(d, p.Props, name)}
		if linked {
			is.ID = page.FormatID(p.ID)
		}
		c.Pieces = append(c.Pieces, is)
	}
	if linked {
		c.Version = unpictured
		c.link(d, b)
	}
	if c.pictured() {
		c.Version = clipVersion
	}
	text, err := json.MarshalIndent(c, "", " ")
	if err != nil {
		panic(err) // Nothing in a clip can't be written.
	}
	return string(text)
}

// pictured reports whether any piece is seen otherwise than it comes.
func (c *clip) pictured() bool {
	seen := func(list map[string]clipProp) bool {
		for _, is := range list {
			if is.Seen != nil {
				return true
			}
		}
		return false
	}
	return slices.ContainsFunc(c.Pieces, func(p clipPiece) bool { return seen(p.Props) }) || slices.ContainsFunc(c.Types, func(t clipType) bool { return seen(t.Usual) })
}

// readClip reads a block for a document. Tiles of tilesets that the document lacks
// are left out, and said.
func readClip(d *world.Document, text string) (b *world.Block, left string, err error) {
	if len(text) > limit.EditBytes {
		return nil, "", fmt.Errorf("what is in the clipboard is over %d MB: copy it in parts", limit.EditBytes>>20)
	}
	var c clip
	if err := json.Unmarshal([]byte(text), &c); err != nil || c.Azzel != clipKind {
		return nil, "", fmt.Errorf("the clipboard holds no cells or pieces: select some and copy them first")
	}
	if c.Version < 1 || c.Version > clipVersion {
		return nil, "", fmt.Errorf("the clipboard comes from a newer version (%d): reload this page", c.Version)
	}
	if c.Columns < 1 || c.Rows < 1 || c.Columns > limit.MaxMapSide || c.Rows > limit.MaxMapSide || len(c.Layers) > limit.Layers {
		return nil, "", fmt.Errorf("what is in the clipboard is 1 to %d cells wide and high; this says %d × %d", limit.MaxMapSide, c.Columns, c.Rows)
	}
	find, missing := finder(d, c.Tilesets)
	b = &world.Block{W: c.Columns, H: c.Rows}
	for _, l := range c.Layers {
		cells, loose, err := rows.Read(l.Rows, grid.Rect{W: b.W, H: b.H}, find)
		if err != nil {
			return nil, "", fmt.Errorf("the clipboard's layer %.40q, %w", l.Name, err)
		}
		// What is no tile of a bond here follows none.
		if len(d.Bonds) == 0 {
			loose = nil
		}
		b.Layers = append(b.Layers, world.BlockLayer{Name: l.Name, Depth: min(max(l.Depth, -limit.Layers), limit.Layers), Counts: l.Counts, Cells: cells, Loose: loose})
	}
	outside := map[string]bool{}
	o := outsider{d: d, lost: func(name string) { outside[name] = true }, find: find}
	known, came, err := c.readTypes(o, b)
	if err != nil {
		return nil, "", fmt.Errorf("the clipboard has %w", err)
	}
	o.within = c.within(known)
	// Pieces lie where their cells are, should those be of another size.
	for _, p := range c.Pieces {
		k := kind.Named(strings.ToLower(p.Type))
		if k == nil || c.CellWidth < 1 || c.CellHeight < 1 {
			continue
		}
		foot := grid.Point{X: p.X * d.Project.CellW / c.CellWidth, Y: p.Y * d.Project.CellH / c.CellHeight}
		if d.Project.Lattice().Box(grid.Rect{W: b.W, H: b.H}).Has(foot) {
			set, err := o.props(k, p.Props)
			if p.Acting != nil {
				set, err = p.Acting.props(d, k, p.Names)
			}
			if err != nil {
				return nil, "", fmt.Errorf("the clipboard has a %s that can't be: %w", k.Word, err)
			}
			b.Pieces = append(b.Pieces, world.BlockPiece{ID: page.ParseID(p.ID), Type: k.ID, Name: p.Name, Foot: foot, Props: set})
		}
	}
	if err := c.readLinks(o, b); err != nil {
		return nil, "", fmt.Errorf("the clipboard has %w", err)
	}
	asKnown(b, known)
	b.Layers = lists.Without(b.Layers, func(l world.BlockLayer) bool { return l.Cells.Empty() })
	if names := missing(); names != "" {
		left = fmt.Sprintf("This project has no tileset like %s. Those cells were left out; bring the picture in first, then paste again.", names)
	}
	if came != "" {
		left = strings.TrimSpace(left + " " + came)
	}
	if len(outside) > 0 {
		left = strings.TrimSpace(left + fmt.Sprintf(" What it names is not here, and is to be chosen anew: %s.", wording.Some(slices.Sorted(maps.Keys(outside)))))
	}
	if len(b.Layers)+len(b.Pieces) == 0 {
		if names := missing(); names != "" {
			return nil, "", fmt.Errorf("this project has no tileset like %s: import its picture first, then paste again", names)
		}
		return nil, "", fmt.Errorf("there is nothing in the copied cells")
	}
	return b, left, b.Check()
}

// finder finds the tiles of tilesets that are named in a text: those with the same
// pixels, else the one called the same. Missing names those that were not found.
func finder(d *world.Document, sets map[string]clipSet) (find rows.Finder, missing func() string) {
	found := map[string]*world.Tileset{}
	for short, is := range sets {
		for _, t := range d.Tilesets {
			if t.Strip == is.Tiles || found[short] == nil && strings.EqualFold(t.Name, is.Name) {
				found[short] = t
			}
		}
	}
	lost := map[string]bool{}
	find = func(set string, index int) (int, error) {
		is, named := sets[set]
		if !named {
			return 0, fmt.Errorf("there is no tileset %.20q", set)
		}
		t := found[set]
		if t == nil || index >= t.Count {
			lost[is.Name] = true
			return 0, nil
		}
		return t.First + index, nil
	}
	missing = func() string {
		var names []string
		for name := range lost {
			names = append(names, "“"+name+"”")
		}
		slices.Sort(names)
		return strings.Join(names[:min(3, len(names))], ", ")
	}
	return find, missing
}

// CopiedView is what is selected, as text for the clipboard, and what is to be said of that: what was copied, or, without
// text, why nothing was.
type CopiedView struct {
	Text string `json:"text"`
	Says string `json:"says"`
}

// Copied asks for what is selected as text, once what is under way is done.
type Copied struct{}

// Answer implements Question.
func (Copied) Answer(p *page.Page) any {
	p.Finish()
	b, problem := copied(p)
	if b == nil {
		return CopiedView{Says: problem}
	}
	text := writeClip(p.Doc(), b)
	if len(text) > limit.EditBytes {
		return CopiedView{Says: fmt.Sprintf("This is too large for the clipboard (%d MB; the most is %d MB). Move it, or copy it in parts.", len(text)>>20, limit.EditBytes>>20)}
	}
	return CopiedView{text, fmt.Sprintf("Copied %s.", contents(b)) + leftBehind(p.Doc(), b)}
}

// leftBehind says which wires a copy of a block leaves behind; empty for none.
func leftBehind(d *world.Document, b *world.Block) string {
	var names []string
	for _, w := range b.LeadOut(d) {
		names = append(names, hand.WireName(d, w))
	}
	switch len(names) {
	case 0:
		return ""
	case 1:
		return fmt.Sprintf(" A wire leads out of it, and stays behind: %s.", names[0])
	default:
		return fmt.Sprintf(" %d wires lead out of it, and stay behind: %s.", len(names), wording.Some(names))
	}
}

// copied is what is selected as a block: cells, or one piece.
func copied(p *page.Page) (*world.Block, string) {
	d := p.Doc()
	if sel := p.Hand.Selected; sel.Ref.Sort == world.SortPiece && p.Hand.Chosen(d).Map == 0 {
		if m := d.Map(sel.Ref.Map); m != nil && m.Piece(sel.Ref.ID) != nil {
			piece := m.Piece(sel.Ref.ID)
			l := d.Project.Lattice()
			b := &world.Block{W: 1, H: 1, Pieces: []world.BlockPiece{{ID: piece.ID, Type: piece.Type, Name: piece.Name, Foot: piece.Foot.Sub(l.Pixel(l.CellAt(piece.Foot))), Props: piece.Props}}}
			b.Link(d)
			return b, ""
		}
	}
	return p.Hand.CopyCells(d)
}

func contents(b *world.Block) string {
	text := fmt.Sprintf("%d × %d cells", b.W, b.H)
	if n := len(b.Layers); n > 1 {
		text += fmt.Sprintf(" of %d layers", n)
	}
	if n := len(b.Pieces); n > 0 {
		text += " with " + page.Counted(n, "piece")
	}
	return text
}

// Paste takes what the text of the clipboard says into the hand.
type Paste struct {
	Text string `json:"text"`
}

// Do implements Order.
func (o Paste) Do(p *page.Page) page.Changed {
	b, left, err := readClip(p.Doc(), o.Text)
	if err != nil {
		return p.Fail(err)
	}
	if left != "" {
		p.Say("%s", left)
	}
	p.Hand.Cancel()
	p.Hand.HoldBlock(b, 0)
	p.Hand.Shape = hand.Free
	return page.StateChanged | p.Hover()
}

// KeepPatch keeps the cells that are selected, or the block in the hand, as a patch, under a name or one that is proposed.
type KeepPatch struct {
	Name string `json:"name,omitempty"`
}

// Do implements Order.
func (o KeepPatch) Do(p *page.Page) page.Changed {
	d := p.Doc()
	b, problem := copied(p)
	if p.Hand.Holding == hand.Patch {
		b = p.Hand.Block
	}
	if b == nil {
		return p.Refuse("%s", problem)
	}
	where := "hand"
	if m := d.Map(p.Hand.Cells.Map); m != nil {
		where = m.Name
	}
	patch := &world.Patch{ID: p.IDs.NewID(), Name: o.Name, Block: *b}
	if patch.Name == "" {
		patch.Name = fmt.Sprintf("Patch of %s, %d × %d", where, b.W, b.H)
	}
	return MakeHeld(p, world.Ref{Sort: world.SortPatch, ID: patch.ID}, patch.Name, patch.Values(), hand.Patch)
}

// PatchView is a patch in the drawer.
type PatchView struct {
	ID      string `json:"id"`
	Name    string `json:"name"`
	Columns int    `json:"columns"`
	Rows    int    `json:"rows"`
	Layers  int    `json:"layers"`
	Pieces  int    `json:"pieces"`
}

// ViewPatch is a patch as a view.
func ViewPatch(p *world.Patch) PatchView {
	return PatchView{page.FormatID(p.ID), p.Name, p.W, p.H, len(p.Layers), len(p.Pieces)}
}

// mostBlock is how many cells of a block are drawn while it is carried; more are shown
// coarsely, since they must be there at once.
const mostBlock = 1 << 16

// BlockPicture draws a patch, or with 0 the block that is held or carried, within side
// pixels.
func BlockPicture(p *page.Page, patch world.ID, side int) (pixels []byte, w, h int) {
	b := p.Hand.Carried()
	if kept := p.Doc().Patch(patch); patch != 0 {
		b = nil
		if kept != nil {
			b = &kept.Block
		}
	}
	if b == nil {
		return nil, 0, 0
	}
	p.Bitmaps.Atlas.AddMissing(p.Doc())
	if b.W*b.H > mostBlock {
		side = min(side, 256)
	}
	m := &world.Map{Bounds: grid.Rect{W: b.W, H: b.H}}
	for _, l := range b.Layers {
		m.Layers = append(m.Layers, &world.Layer{Cells: l.Cells})
	}
	return p.Bitmaps.Atlas.Map(m, ^uint64(0), side)
}

// HoldTiles takes a block of tiles off a sheet into the hand: so many columns, row by row, 0 where there is none.
type HoldTiles struct {
	Columns int   `json:"columns"`
	Tiles   []int `json:"tiles"`
}

// Do implements Order.
func (o HoldTiles) Do(p *page.Page) page.Changed {
	columns, list := o.Columns, o.Tiles
	if columns < 1 || len(list) == 0 || len(list)%columns != 0 {
		return p.Fail(page.ErrUnknown)
	}
	if len(list) == 1 {
		return Hold{Holding: string(hand.Tile), Tile: list[0]}.Do(p)
	}
	cells := make([]grid.Cell, len(list))
	for i, n := range list {
		if t, _ := p.Doc().TilesetOf(n); t != nil {
			cells[i] = grid.Cell(n)
		}
	}
	p.Hand.Cancel()
	p.Hand.HoldBlock(world.Sheet(columns, len(list)/columns, cells), 0)
	return p.HandChanged()
}

// transform mirrors or turns the cells chosen, or else what is in the hand.
func transform(p *page.Page, how hand.Transform) page.Changed {
	d := p.Doc()
	if p.Hand.Chosen(d).Map != 0 && (p.Hand.Holding == hand.Nothing || p.Hand.Holding == hand.Choose) {
		return p.Outcome(p.Hand.TransformCells(d, how))
	}
	problem := ""
	if how == hand.Quarter {
		problem = p.Hand.Turn(d)
	} else {
		problem = p.Hand.Flip(d, how == hand.LeftRight)
	}
	if problem != "" {
		p.Refuse("%s", problem)
	}
	return page.StateChanged | p.Hover()
}
