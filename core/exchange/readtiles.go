package exchange

import (
	"bytes"
	"crypto/sha256"
	"encoding/hex"
	"fmt"
	"image"
	"image/draw"
	"image/png"
	"strconv"
	"strings"

	"azzel/core/grid"
	"azzel/core/limit"
	"azzel/core/raster"
	"azzel/core/rows"
	"azzel/core/tiles"
	"azzel/core/world"
)

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
	return b.put(world.SortTileset, 0, id, t.Values(), name)
}

// cut reads the pictures of a tileset, and how it was cut.
func (b *reader) cut(t *world.Tileset, in Tileset) error {
	t.Cut = tiles.Cut{W: in.Cut.Tile.W, H: in.Cut.Tile.H, Margin: in.Cut.Margin, Spacing: in.Cut.Spacing, OffsetX: in.Cut.Offset.X, OffsetY: in.Cut.Offset.Y, Scale: in.Cut.Scale}
	if in.Cut.Crop != nil {
		t.Cut.Crop = grid.Rect(*in.Cut.Crop)
	}
	if in.Cut.Key != "" {
		key, err := world.ParseColour(in.Cut.Key)
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
