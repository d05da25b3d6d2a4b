package exchange

import (
	"bufio"
	"bytes"
	"errors"
	"fmt"

	"azzel/core/grid"
	"azzel/core/kind"
	"azzel/core/limit"
	"azzel/core/rows"
	"azzel/core/world"
)

func (b *reader) crossings() error {
	for i, in := range b.bundle.Crossings {
		what := fmt.Sprintf("bundle.json: crossing %d", i+1)
		id, err := b.newID(in.ID, what)
		if err != nil {
			return err
		}
		c := world.Crossing{Name: in.Name, BothWays: in.BothWays}
		for k, end := range in.Ends {
			if c.Ends[k].Map, err = parseID(end.Map); err != nil {
				return fmt.Errorf("%s: %w", what, err)
			}
			c.Ends[k].Cells = grid.Rect(end.Cells)
		}
		if err := b.put(world.SortCrossing, 0, id, c.Values(), what); err != nil {
			return err
		}
	}
	return nil
}

func (b *reader) oneMap(i int, name string) error {
	var in Map
	if err := b.parts.json(name, &in); err != nil {
		return err
	}
	id, err := b.newID(in.ID, name)
	if err != nil {
		return err
	}
	m := &world.Map{ID: id, Name: in.Name, Number: i + 1, Origin: grid.Point(in.Origin), Bounds: grid.Rect(in.Bounds), Notes: in.Notes, Keywords: in.Keywords,
		Forces: in.Here.read(), Lottery: in.Lottery.read()}
	if side := limit.MaxMapSide; m.Bounds.W < 1 || m.Bounds.H < 1 || m.Bounds.W > side || m.Bounds.H > side {
		return fmt.Errorf("%s: a map is 1 to %d cells wide and high; this one is %d × %d", name, side, m.Bounds.W, m.Bounds.H)
	}
	view, err := wordNumber(viewWords, in.View)
	if err != nil {
		return fmt.Errorf("%s: view: %w", name, err)
	}
	m.View = world.View(view)
	if len(in.Edges) != len(m.Edges) {
		return fmt.Errorf("%s: edges are four, of the left, right, top and bottom; here are %d", name, len(in.Edges))
	}
	for k, s := range in.Edges {
		e, err := wordNumber(world.EdgeNames[:], s)
		if err != nil {
			return fmt.Errorf("%s: edges: %w", name, err)
		}
		m.Edges[k] = world.Edge(e)
	}
	if in.Background != nil {
		if m.Background.Top, err = world.ParseColour(in.Background.Top); err == nil {
			m.Background.Bottom, err = world.ParseColour(in.Background.Bottom)
		}
		if err != nil {
			return fmt.Errorf("%s: background: %w", name, err)
		}
	}
	if m.Own, err = readOwn(in.Own); err != nil {
		return fmt.Errorf("%s: own: %w", name, err)
	}
	if m.Barred, m.BarredArms, err = readBarred(in.Barred); err != nil {
		return fmt.Errorf("%s: barred: %w", name, err)
	}
	if m.Anew, err = readAnew(in.Anew); err != nil {
		return fmt.Errorf("%s: anew: %w", name, err)
	}
	if m.PlayerLayer, err = parseID(in.PlayerLayer); err != nil {
		return fmt.Errorf("%s: playerLayer: %w", name, err)
	}
	if err := b.put(world.SortMap, 0, id, m.Values(), name); err != nil {
		return err
	}
	for k, l := range in.Layers {
		if err := b.layer(m, k, l); err != nil {
			return fmt.Errorf("%s: layer %d, %.40s: %w", name, k+1, l.Name, err)
		}
	}
	for k, p := range in.Pieces {
		if err := b.piece(m, p, fmt.Sprintf("%s: piece %d", name, k+1)); err != nil {
			return err
		}
	}
	return b.places(m, in, name)
}

func (b *reader) piece(m *world.Map, in Piece, what string) error {
	id, err := b.newID(in.ID, what)
	if err != nil {
		return err
	}
	p := world.Piece{Name: in.Name, Foot: grid.Point(in.Foot)}
	if p.Props, err = in.Acting.values(b.names()); err != nil {
		return fmt.Errorf("%s: acting, %w", what, err)
	}
	if p.Type, err = readKind(in.Type); err != nil {
		return fmt.Errorf("%s: %w", what, err)
	}
	if p.Layer, err = parseID(in.Layer); err != nil {
		return fmt.Errorf("%s, layer: %w", what, err)
	}
	return b.put(world.SortPiece, m.ID, id, p.Values(), what)
}

func readKind(s string) (world.ID, error) {
	if k := kind.Named(s); k != nil {
		return k.ID, nil
	}
	return 0, fmt.Errorf("there is no type %.40q", s)
}

func (b *reader) layer(m *world.Map, order int, in Layer) error {
	id, err := b.newID(in.ID, fmt.Sprintf("the layer %.40s of %.40s", in.Name, m.Name))
	if err != nil {
		return err
	}
	l := &world.Layer{Name: in.Name, Order: order + 1, Counts: in.Counts, Locked: in.Locked, Fade: in.Fade, Group: in.Group}
	if l.Tint, err = world.ParseColour(in.Tint); err != nil {
		return err
	}
	if in.Depth != nil {
		l.DepthX, l.DepthY = in.Depth.X, in.Depth.Y
	}
	if in.Takes != nil {
		l.Takes.NoTiles, l.Takes.NoPieces = in.Takes.NoTiles, in.Takes.NoPieces
		for _, s := range in.Takes.Roles {
			r, err := parseRole(s)
			if err != nil {
				return err
			}
			l.Takes.Roles |= 1 << r
		}
	}
	if d := in.Backdrop; d != nil {
		sum, info, err := b.picture(d.Picture)
		if err != nil {
			return err
		}
		l.Backdrop = world.Backdrop{Picture: sum, W: info.Width, H: info.Height, X: d.At.X, Y: d.At.Y, RepeatX: d.RepeatX, RepeatY: d.RepeatY, Stretch: d.Stretch}
		if d.Drift != nil {
			l.Backdrop.DriftX, l.Backdrop.DriftY = d.Drift.X, d.Drift.Y
		}
	}
	if err := b.draft.Put(world.Ref{Sort: world.SortLayer, Map: m.ID, ID: id}, l.Values()); err != nil {
		return err
	}
	if in.Cells == "" {
		return nil
	}
	return b.cells(m, id, in.Cells)
}

// spareRows is how many empty rows may follow those of a layer.
const spareRows = 16

// cells reads the rows of a layer, a band of chunks at a time.
func (b *reader) cells(m *world.Map, layer world.ID, name string) error {
	r, err := b.parts.open(name, limit.RowsBytes)
	if err != nil {
		return err
	}
	defer r.Close()
	scan := bufio.NewScanner(r)
	scan.Buffer(make([]byte, 64<<10), limit.RowBytes)
	for y := 0; y < m.Bounds.H; {
		top := m.Bounds.Y + y
		n := min(m.Bounds.H-y, grid.ChunkSide-(top&(grid.ChunkSide-1)))
		var lines []string
		for len(lines) < n && scan.Scan() {
			lines = append(lines, scan.Text())
		}
		if errors.Is(scan.Err(), bufio.ErrTooLong) {
			return fmt.Errorf("%s has a row of more than %d KB", name, limit.RowBytes>>10)
		}
		if len(lines) == 0 {
			return scan.Err()
		}
		band, _, err := rows.ReadFrom(y, lines, grid.Rect{X: m.Bounds.X, Y: top, W: m.Bounds.W, H: n}, b.find)
		if err != nil {
			return fmt.Errorf("%s: %w", name, err)
		}
		band.EachChunk(func(cx, cy int, c *grid.Chunk) {
			if err == nil {
				err = b.draft.SetChunk(m.ID, layer, cx, cy, c)
			}
		})
		if err != nil {
			return fmt.Errorf("%s: %w", name, err)
		}
		y += n
	}
	// A file may end with a few empty rows.
	for n := 0; scan.Scan(); n++ {
		if n == spareRows || len(bytes.TrimSpace(scan.Bytes())) > 0 {
			return fmt.Errorf("%s has more rows than the %d of the map", name, m.Bounds.H)
		}
	}
	return scan.Err()
}

func (b *reader) patches() error {
	for _, name := range b.bundle.Patches {
		var in Patch
		if err := b.parts.json(name, &in); err != nil {
			return err
		}
		id, err := b.newID(in.ID, name)
		if err != nil {
			return err
		}
		p := &world.Patch{Name: in.Name, Block: world.Block{W: in.Size.W, H: in.Size.H}}
		if p.W < 1 || p.H < 1 || p.W > limit.MaxMapSide || p.H > limit.MaxMapSide {
			return fmt.Errorf("%s: a patch is 1 to %d cells wide and high; this one is %d × %d", name, limit.MaxMapSide, p.W, p.H)
		}
		for k, l := range in.Layers {
			layer := world.BlockLayer{Name: l.Name, Depth: l.Depth, Counts: l.Counts}
			if layer.Cells, layer.Loose, err = rows.Read(l.Rows, grid.Rect{W: p.W, H: p.H}, b.find); err != nil {
				return fmt.Errorf("%s: layer %d: %w", name, k+1, err)
			}
			p.Layers = append(p.Layers, layer)
		}
		for k, piece := range in.Pieces {
			of, err := readKind(piece.Type)
			if err != nil {
				return fmt.Errorf("%s: piece %d: %w", name, k+1, err)
			}
			acts, err := piece.Acting.values(b.names())
			if err != nil {
				return fmt.Errorf("%s: piece %d: acting, %w", name, k+1, err)
			}
			is := world.BlockPiece{Type: of, Name: piece.Name, Foot: grid.Point(piece.Foot), Props: acts}
			if piece.ID != "" {
				if is.ID, err = parseID(piece.ID); err != nil {
					return fmt.Errorf("%s: piece %d: %w", name, k+1, err)
				}
			}
			p.Pieces = append(p.Pieces, is)
		}
		if err := in.links(p); err != nil {
			return fmt.Errorf("%s: %w", name, err)
		}
		if err := b.put(world.SortPatch, 0, id, p.Values(), name); err != nil {
			return err
		}
	}
	return nil
}

// links reads the wires and rules of a patch whose pieces are there.
func (in *Patch) links(p *world.Patch) error {
	there := map[world.ID]bool{}
	for _, piece := range p.Pieces {
		there[piece.ID] = piece.ID != 0
	}
	for k := range in.Wires {
		w, err := readWire(&in.Wires[k], there, nil)
		if err != nil {
			return fmt.Errorf("wire %d: %w", k+1, err)
		}
		p.Wires = append(p.Wires, w)
	}
	for k := range in.Rules {
		r, err := readRule(&in.Rules[k])
		if err != nil {
			return fmt.Errorf("rule %d: %w", k+1, err)
		}
		p.Rules = append(p.Rules, *r)
	}
	return nil
}
