package exchange

import (
	"bufio"
	"bytes"
	"crypto/sha256"
	"encoding/hex"
	"encoding/json"
	"errors"
	"fmt"
	"image"
	"image/draw"
	"image/png"
	"io"
	"maps"
	"slices"
	"strconv"
	"strings"

	"azzel/core/grid"
	"azzel/core/limit"
	"azzel/core/raster"
	"azzel/core/rows"
	"azzel/core/tiles"
	"azzel/core/world"
)

// Contents is what was read from a bundle: a document, with the bytes that it names
// by their sums.
type Contents struct {
	Document *world.Document
	Blobs    map[string][]byte
}

// Bodies are the blobs in the order of their sums.
func (c *Contents) Bodies() [][]byte {
	var list [][]byte
	for _, sum := range slices.Sorted(maps.Keys(c.Blobs)) {
		list = append(list, c.Blobs[sum])
	}
	return list
}

// Read reads a bundle and checks it whole: what it gives is a document within all
// limits. An error says which part is wrong and how, in words for people. Pictures
// are measured before they are decoded, and done is asked now and then.
func Read(r io.ReaderAt, size int64, done func() error) (*Contents, error) {
	p, err := openParts(r, size, done)
	if err != nil {
		return nil, err
	}
	var head struct{ Format, Version any }
	if body, err := p.bytes("bundle.json", limit.PartBytes); err != nil {
		return nil, err
	} else if err := json.Unmarshal(body, &head); err == nil {
		if head.Format != Format {
			return nil, errors.New("bundle.json does not say that this is a bundle of Azzel's")
		}
		if v, ok := head.Version.(float64); ok && v > Version {
			return nil, fmt.Errorf("this bundle is of version %v, and this Azzel reads up to version %d: it was written by a newer one", v, Version)
		}
	}
	b := &reader{parts: p, out: &Contents{Blobs: map[string][]byte{}}, first: map[string]int{}, count: map[string]int{}, ids: map[world.ID]string{}}
	if err := p.json("bundle.json", &b.bundle); err != nil {
		return nil, err
	}
	if b.bundle.Version != Version {
		return nil, fmt.Errorf("bundle.json: version is %d, and there is none but %d", b.bundle.Version, Version)
	}
	b.out.Document, err = world.Assemble(1, b.all)
	if err != nil {
		return nil, err
	}
	return b.out, nil
}

type reader struct {
	parts  *parts
	bundle Bundle
	out    *Contents
	draft  *world.Draft
	// first and count are the numbers of the tiles of a tileset, by its short name.
	first, count map[string]int
	// ids are those that were given, with what has them.
	ids map[world.ID]string
	// next is the number of the next tile.
	next int
}

// newID reads the id of a thing, which nothing else may have.
func (b *reader) newID(s, what string) (world.ID, error) {
	id, err := parseID(s)
	if err != nil {
		return 0, fmt.Errorf("%s: %w", what, err)
	}
	if other := b.ids[id]; other != "" {
		return 0, fmt.Errorf("%s and %s have the same id %s", other, what, s)
	}
	b.ids[id] = what
	return id, nil
}

// put makes a thing of a draft.
func (b *reader) put(kind world.Kind, mapID, id world.ID, values []world.Value, what string) error {
	if err := b.draft.Put(world.Ref{Kind: kind, Map: mapID, ID: id}, values); err != nil {
		return fmt.Errorf("%s: %w", what, err)
	}
	return nil
}

func (b *reader) all(d *world.Draft) error {
	b.draft, b.next = d, 1
	in := b.bundle
	project := world.Project{Name: in.Project.Name, CellW: in.Project.Cell.W, CellH: in.Project.Cell.H, SeenW: in.Project.Seen.W, SeenH: in.Project.Seen.H}
	// The sizes are needed before anything else is read.
	if err := project.Check(); err != nil {
		return fmt.Errorf("bundle.json: project: %w", err)
	}
	var err error
	if in.Project.Player != "" {
		if project.Player, err = parseID(in.Project.Player); err != nil {
			return fmt.Errorf("bundle.json: project, player: %w", err)
		}
	}
	var drawer []world.ID
	for _, s := range in.Project.Drawer {
		id, err := parseID(s)
		if err != nil {
			return fmt.Errorf("bundle.json: project, drawer: %w", err)
		}
		drawer = append(drawer, id)
	}
	project.Drawer = world.Arranged(drawer)
	for _, v := range project.Values() {
		if err := d.Change(world.Ref{Kind: world.KindProject}, v); err != nil {
			return fmt.Errorf("bundle.json: project: %w", err)
		}
	}
	for i, short := range in.Tilesets {
		if err := b.tileset(i, short); err != nil {
			return err
		}
	}
	for i, name := range in.Maps {
		if err := b.oneMap(i, name); err != nil {
			return err
		}
	}
	for _, read := range []func() error{b.properties, b.characters, b.medleys, b.bonds, b.crossings, b.patches} {
		if err := read(); err != nil {
			return err
		}
	}
	return nil
}

// tile reads the name of a tile.
func (b *reader) tile(s string) (int, error) {
	at := strings.IndexAny(s, "0123456789")
	if at < 1 {
		return 0, fmt.Errorf("%.40q is no tile: a tileset's short name and a number are needed, such as a12", s)
	}
	n, err := strconv.Atoi(s[at:])
	if err != nil || n < 1 {
		return 0, fmt.Errorf("%.40q is no tile", s)
	}
	return b.find(s[:at], n-1)
}

func (b *reader) find(set string, index int) (int, error) {
	first, there := b.first[set]
	switch {
	case !there:
		return 0, fmt.Errorf("there is no tileset %.40q in the bundle", set)
	case index >= b.count[set]:
		return 0, fmt.Errorf("the tileset %s has %d tiles, and no %d", set, b.count[set], index+1)
	}
	return first + index, nil
}

func (b *reader) properties() error {
	for i, in := range b.bundle.Properties {
		what := fmt.Sprintf("bundle.json: property %d", i+1)
		id, err := b.newID(in.ID, what)
		if err != nil {
			return err
		}
		kind, err := wordNumber(typeWords, in.Type)
		if err != nil {
			return fmt.Errorf("%s: %w", what, err)
		}
		p := world.Property{Name: in.Name, Type: tiles.ValueType(kind)}
		if err := b.put(world.KindProperty, 0, id, p.Values(), what); err != nil {
			return err
		}
	}
	return nil
}

func (b *reader) characters() error {
	for i, in := range b.bundle.Characters {
		what := fmt.Sprintf("bundle.json: character %d", i+1)
		id, err := b.newID(in.ID, what)
		if err != nil {
			return err
		}
		c := world.Character{Name: in.Name, W: in.Frame.W, H: in.Frame.H}
		if c.Picture, c.Strip, _, err = b.sheet(in.Sheet, 4*world.CharacterFrames); err != nil {
			return fmt.Errorf("%s: %w", what, err)
		}
		if err := b.put(world.KindCharacter, 0, id, c.Values(), what); err != nil {
			return err
		}
	}
	return nil
}

func (b *reader) medleys() error {
	for i, in := range b.bundle.Medleys {
		what := fmt.Sprintf("bundle.json: medley %d", i+1)
		id, err := b.newID(in.ID, what)
		if err != nil {
			return err
		}
		m := world.Medley{Name: in.Name, Medley: tiles.Medley{Seed: in.Seed, Turned: in.Turned, Mirrored: in.Mirrored}}
		for _, t := range in.Tiles {
			n, err := b.tile(t.Tile)
			if err != nil {
				return fmt.Errorf("%s: %w", what, err)
			}
			m.Tiles = append(m.Tiles, tiles.Weighted{Tile: n, Weight: max(0, t.Weight)})
		}
		if err := b.put(world.KindMedley, 0, id, m.Values(), what); err != nil {
			return err
		}
	}
	return nil
}

func (b *reader) bonds() error {
	for i, in := range b.bundle.Bonds {
		what := fmt.Sprintf("bundle.json: bond %d", i+1)
		id, err := b.newID(in.ID, what)
		if err != nil {
			return err
		}
		bond, err := b.bond(in)
		if err != nil {
			return fmt.Errorf("%s: %w", what, err)
		}
		if err := b.put(world.KindBond, 0, id, bond.Values(), what); err != nil {
			return err
		}
	}
	return nil
}

func (b *reader) bond(in Bond) (*world.Bond, error) {
	join, err := wordNumber(joinWords, in.Join)
	if err != nil {
		return nil, err
	}
	bond := &world.Bond{Name: in.Name, Bond: tiles.Bond{Join: tiles.Join(join), Border: in.Border, Seed: in.Seed}}
	for _, t := range in.Tiles {
		n, err := b.tile(t.Tile)
		if err != nil {
			return nil, err
		}
		joined, err := parseJoined(t.Joined)
		if err != nil {
			return nil, err
		}
		bond.Tiles = append(bond.Tiles, tiles.Bonded{Tile: n, Joined: joined, Weight: max(0, t.Weight)})
	}
	for _, s := range in.Also {
		n, err := b.tile(s)
		if err != nil {
			return nil, err
		}
		bond.Also = append(bond.Also, n)
	}
	for _, s := range in.JoinsTo {
		id, err := parseID(s)
		if err != nil {
			return nil, err
		}
		bond.JoinsTo = append(bond.JoinsTo, id)
	}
	return bond, nil
}

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
		if err := b.put(world.KindCrossing, 0, id, c.Values(), what); err != nil {
			return err
		}
	}
	return nil
}

// keep keeps bytes by their sum.
func (b *reader) keep(body []byte) string {
	sum := sha256.Sum256(body)
	text := hex.EncodeToString(sum[:])
	b.out.Blobs[text] = body
	return text
}

// picture reads a picture file as it came in.
func (b *reader) picture(name string) (sum string, info raster.Info, err error) {
	body, err := b.parts.bytes(name, limit.PictureBytes)
	if err != nil {
		return "", info, err
	}
	if info, err = raster.Measure(body); err != nil {
		return "", info, fmt.Errorf("%s: %w", name, err)
	}
	return b.keep(body), info, nil
}

// sheet reads tiles, and the picture that they came from.
func (b *reader) sheet(in Sheet, count int) (picture, strip string, places []int, err error) {
	if w, h := in.Tile.W, in.Tile.H; w < 1 || h < 1 || w > limit.MaxCellSide || h > limit.MaxCellSide {
		return "", "", nil, fmt.Errorf("tiles of %d × %d px: each side is 1 to %d px", w, h, limit.MaxCellSide)
	}
	if in.Columns < 1 || in.Rows < 1 || in.Columns > limit.PictureSide || in.Rows > limit.PictureSide {
		return "", "", nil, fmt.Errorf("a picture in %d × %d tiles: that can't be", in.Columns, in.Rows)
	}
	if places, err = parseRanges(in.Places, count, in.Columns*in.Rows); err != nil {
		return "", "", nil, err
	}
	if picture, _, err = b.picture(in.Source); err != nil {
		return "", "", nil, err
	}
	s := &tiles.Strip{W: in.Tile.W, H: in.Tile.H, Columns: in.Columns, Rows: in.Rows, Places: places}
	// Tiles that look the same share their memory once encoded; until then they
	// are counted here.
	for i := 0; len(s.Pixels) < count*s.W*s.H*4; i++ {
		if i >= len(in.Pictures) {
			return "", "", nil, fmt.Errorf("the pictures hold %d tiles, not %d", len(s.Pixels)/(s.W*s.H*4), count)
		}
		if err := b.cutSheet(s, in.Pictures[i], count); err != nil {
			return "", "", nil, err
		}
	}
	body := s.Encode()
	if _, err := tiles.DecodeStrip(body); err != nil {
		return "", "", nil, fmt.Errorf("its tiles are more than %d megapixels", limit.PicturePixels>>20)
	}
	return picture, b.keep(body), places, nil
}

// cutSheet adds the tiles of one picture of a sheet.
func (b *reader) cutSheet(s *tiles.Strip, name string, count int) error {
	body, err := b.parts.bytes(name, limit.PartBytes)
	if err != nil {
		return err
	}
	size, err := png.DecodeConfig(bytes.NewReader(body))
	if err != nil {
		return fmt.Errorf("%s is no PNG", name)
	}
	if size.Width < s.W || size.Height < s.H || size.Width > limit.PictureSide || size.Height > limit.PictureSide || size.Width*size.Height > limit.PicturePixels {
		return fmt.Errorf("%s is %d × %d px, which is no sheet of tiles of %d × %d px", name, size.Width, size.Height, s.W, s.H)
	}
	img, err := png.Decode(bytes.NewReader(body))
	if err != nil {
		return fmt.Errorf("%s is damaged", name)
	}
	pix, ok := img.(*image.NRGBA)
	if !ok {
		pix = image.NewNRGBA(img.Bounds())
		draw.Draw(pix, pix.Rect, img, img.Bounds().Min, draw.Src)
	}
	columns, all := size.Width/s.W, size.Width/s.W*(size.Height/s.H)
	have := len(s.Pixels) / (s.W * s.H * 4)
	for i := range min(all, count-have) {
		for y := range s.H {
			at := pix.PixOffset(i%columns*s.W, i/columns*s.H+y)
			s.Pixels = append(s.Pixels, pix.Pix[at:at+s.W*4]...)
		}
	}
	return nil
}

func (b *reader) tileset(i int, short string) error {
	if short != rows.Short(i) {
		return fmt.Errorf("bundle.json: tileset %d is called %.40q; tilesets are called a to z, then aa and so on", i+1, short)
	}
	name := "tilesets/" + short + ".json"
	var in Tileset
	if err := b.parts.json(name, &in); err != nil {
		return err
	}
	id, err := b.newID(in.ID, name)
	if err != nil {
		return err
	}
	if in.Count < 1 || in.Count > limit.Tiles {
		return fmt.Errorf("%s: a tileset has 1 to %d tiles; this says %d", name, limit.Tiles, in.Count)
	}
	t := &world.Tileset{ID: id, Name: in.Name, First: b.next, Count: in.Count}
	if err := b.cut(t, in); err != nil {
		return fmt.Errorf("%s: %w", name, err)
	}
	b.first[short], b.count[short] = t.First, t.Count
	b.next += t.Count
	t.Tiles = make([]*tiles.Properties, t.Count)
	for _, tile := range in.Tiles {
		if tile.Tile < 1 || tile.Tile > t.Count || t.Tiles[tile.Tile-1] != nil {
			return fmt.Errorf("%s: there are tiles 1 to %d, each once; this says %d", name, t.Count, tile.Tile)
		}
		p, err := readTile(tile, t.First)
		if err != nil {
			return fmt.Errorf("%s: tile %d: %w", name, tile.Tile, err)
		}
		t.Tiles[tile.Tile-1] = p
	}
	return b.put(world.KindTileset, 0, id, t.Values(), name)
}

// cut reads the pictures of a tileset, and how it was cut.
func (b *reader) cut(t *world.Tileset, in Tileset) error {
	t.Cut = tiles.Cut{W: in.Cut.Tile.W, H: in.Cut.Tile.H, Margin: in.Cut.Margin, Spacing: in.Cut.Spacing, OffsetX: in.Cut.Offset.X, OffsetY: in.Cut.Offset.Y, Scale: in.Cut.Scale}
	if in.Cut.Crop != nil {
		t.Cut.Crop = grid.Rect(*in.Cut.Crop)
	}
	if in.Cut.Key != "" {
		key, err := parseColour(in.Cut.Key)
		if err != nil {
			return err
		}
		t.Cut.Keyed, t.Cut.Key = true, int(key&0xffffff)
	}
	if in.Sheet == nil {
		if t.Count != tiles.BlockoutCount || len(b.first) > 0 {
			return fmt.Errorf("only the first tileset may be without a sheet, and then it has the %d blockout tiles", tiles.BlockoutCount)
		}
		t.Columns, t.Rows = t.Count, 1
		for i := range t.Count {
			t.Places = append(t.Places, i)
		}
		return nil
	}
	t.Columns, t.Rows = in.Sheet.Columns, in.Sheet.Rows
	var err error
	t.Picture, t.Strip, t.Places, err = b.sheet(*in.Sheet, t.Count)
	return err
}

func readTile(in Tile, first int) (*tiles.Properties, error) {
	role, err := parseRole(in.Role)
	if err != nil {
		return nil, err
	}
	solid, err := parseSolid(in.Solid)
	if err != nil {
		return nil, err
	}
	own, err := readOwn(in.Own)
	if err != nil {
		return nil, err
	}
	if in.Danger < 0 || in.Weight < 0 || in.Danger > tiles.MaxDanger || in.Weight > tiles.MaxWeight {
		return nil, fmt.Errorf("danger is 0 to %d and weight 0 to %d", tiles.MaxDanger, tiles.MaxWeight)
	}
	p := &tiles.Properties{Role: role, Solid: solid, OneWay: in.OneWay, Climbable: in.Climbable, Water: in.Water, Slippery: in.Slippery, Slow: in.Slow,
		Above: in.Above, Danger: in.Danger, Weight: in.Weight, Name: in.Name, Keywords: in.Keywords, Home: in.Home, Own: own}
	if len(in.Frames) > 0 {
		p.Animation = &tiles.Animation{}
		for _, f := range in.Frames {
			if f.Tile < 1 || f.Tile > limit.Tiles || f.Millis < 0 {
				return nil, fmt.Errorf("a frame is a tile of the tileset; this says %d", f.Tile)
			}
			p.Animation.Frames = append(p.Animation.Frames, tiles.Frame{Tile: first + f.Tile - 1, Millis: f.Millis})
		}
	}
	return p, nil
}

func readOwn(in []OwnValue) (own *tiles.Own, err error) {
	for _, v := range in {
		id, err := parseID(v.Property)
		if err != nil {
			return nil, err
		}
		own = own.With(uint64(id), v.Value)
	}
	return own, nil
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
	m := &world.Map{ID: id, Name: in.Name, Number: i + 1, Origin: grid.Point(in.Origin), Bounds: grid.Rect(in.Bounds), Notes: in.Notes, Keywords: in.Keywords}
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
		if m.Background.Top, err = parseColour(in.Background.Top); err == nil {
			m.Background.Bottom, err = parseColour(in.Background.Bottom)
		}
		if err != nil {
			return fmt.Errorf("%s: background: %w", name, err)
		}
	}
	if m.Own, err = readOwn(in.Own); err != nil {
		return fmt.Errorf("%s: own: %w", name, err)
	}
	if m.PlayerLayer, err = parseID(in.PlayerLayer); err != nil {
		return fmt.Errorf("%s: playerLayer: %w", name, err)
	}
	if err := b.put(world.KindMap, 0, id, m.Values(), name); err != nil {
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
	return nil
}

func (b *reader) piece(m *world.Map, in Piece, what string) error {
	id, err := b.newID(in.ID, what)
	if err != nil {
		return err
	}
	p := world.Piece{Name: in.Name, Foot: grid.Point(in.Foot)}
	if p.Type, err = readKind(in.Type); err != nil {
		return fmt.Errorf("%s: %w", what, err)
	}
	if p.Layer, err = parseID(in.Layer); err != nil {
		return fmt.Errorf("%s, layer: %w", what, err)
	}
	return b.put(world.KindPiece, m.ID, id, p.Values(), what)
}

func readKind(s string) (world.ID, error) {
	for id, w := range kindWords {
		if w == s {
			return id, nil
		}
	}
	return 0, fmt.Errorf("there is no type %.40q", s)
}

func (b *reader) layer(m *world.Map, order int, in Layer) error {
	id, err := b.newID(in.ID, fmt.Sprintf("the layer %.40s of %.40s", in.Name, m.Name))
	if err != nil {
		return err
	}
	l := &world.Layer{Name: in.Name, Order: order + 1, Counts: in.Counts, Locked: in.Locked, Fade: in.Fade, Group: in.Group}
	if l.Tint, err = parseColour(in.Tint); err != nil {
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
	if err := b.draft.Put(world.Ref{Kind: world.KindLayer, Map: m.ID, ID: id}, l.Values()); err != nil {
		return err
	}
	if in.Cells == "" {
		return nil
	}
	return b.cells(m, id, in.Cells)
}

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
	for scan.Scan() {
		if strings.TrimSpace(scan.Text()) != "" {
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
			kind, err := readKind(piece.Type)
			if err != nil {
				return fmt.Errorf("%s: piece %d: %w", name, k+1, err)
			}
			p.Pieces = append(p.Pieces, world.BlockPiece{Type: kind, Name: piece.Name, Foot: grid.Point(piece.Foot)})
		}
		if err := b.put(world.KindPatch, 0, id, p.Values(), name); err != nil {
			return err
		}
	}
	return nil
}
