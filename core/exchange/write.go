package exchange

import (
	"archive/zip"
	"bytes"
	"encoding/json"
	"fmt"
	"image/png"
	"io"
	"strings"

	"azzel/core/grid"
	"azzel/core/kind"
	"azzel/core/raster"
	"azzel/core/rows"
	"azzel/core/tiles"
	"azzel/core/world"
)

// A Library gives bytes by their SHA-256 sum, hexadecimal.
type Library func(sum string) ([]byte, error)

// Write writes a project as a bundle. The same project gives the same bytes. The
// cost grows with all that is painted; done is asked after each part, and its error
// ends the writing.
func Write(w io.Writer, d *world.Document, library Library, done func() error) error {
	b := &writer{zip: zip.NewWriter(w), doc: d, library: library, done: done, short: map[*world.Tileset]string{}, kept: map[string]string{}}
	for i, t := range d.Tilesets {
		b.short[t] = rows.Short(i)
	}
	if err := b.all(); err != nil {
		return err
	}
	if err := b.zip.Close(); err != nil {
		return fmt.Errorf("writing the bundle: %w", err)
	}
	return nil
}

type writer struct {
	zip     *zip.Writer
	doc     *world.Document
	library Library
	done    func() error
	// short are the tilesets' short names, kept the parts that pictures are in, by
	// their sums.
	short map[*world.Tileset]string
	kept  map[string]string
}

// part begins a part. Its time is none, so that the same parts give the same bytes.
func (b *writer) part(name string, stored bool) (io.Writer, error) {
	if err := b.done(); err != nil {
		return nil, err
	}
	h := &zip.FileHeader{Name: name, Method: zip.Deflate}
	if stored {
		h.Method = zip.Store
	}
	w, err := b.zip.CreateHeader(h)
	if err != nil {
		return nil, fmt.Errorf("writing %s: %w", name, err)
	}
	return w, nil
}

// encode writes JSON that a person can read.
func encode(v any) ([]byte, error) {
	var buf bytes.Buffer
	e := json.NewEncoder(&buf)
	e.SetEscapeHTML(false)
	e.SetIndent("", "  ")
	err := e.Encode(v)
	return buf.Bytes(), err
}

func (b *writer) json(name string, v any) error {
	text, err := encode(v)
	if err != nil {
		return fmt.Errorf("writing %s: %w", name, err)
	}
	w, err := b.part(name, false)
	if err != nil {
		return err
	}
	if _, err := w.Write(text); err != nil {
		return fmt.Errorf("writing %s: %w", name, err)
	}
	return nil
}

func (b *writer) all() error {
	d := b.doc
	out := Bundle{Format: Format, Version: Version, Tilesets: []string{}, Maps: []string{}}
	out.Project.Name = d.Project.Name
	out.Project.Cell, out.Project.Seen = Size{d.Project.CellW, d.Project.CellH}, Size{d.Project.SeenW, d.Project.SeenH}
	if d.Project.View != world.TopDown {
		out.Project.View = word(viewWords, d.Project.View)
	}
	if d.Project.Player != 0 {
		out.Project.Player = idText(d.Project.Player)
	}
	out.Project.Camera, out.Project.Turns = writeCamera(d.Project.Camera), d.Project.Turns
	for _, id := range d.Project.Drawer.IDs() {
		out.Project.Drawer = append(out.Project.Drawer, idText(id))
	}
	for _, m := range d.Project.Legend.Meanings() {
		if _, there := d.Meant(m.Colour); !there {
			continue
		}
		part := Meaning{Colour: m.Colour.String()}
		if m.Tile != 0 {
			part.Tile = b.tile(m.Tile)
		}
		out.Project.Legend = append(out.Project.Legend, part)
	}
	for i := range d.Tilesets {
		out.Tilesets = append(out.Tilesets, rows.Short(i))
	}
	for _, p := range d.Properties {
		out.Properties = append(out.Properties, Property{idText(p.ID), p.Name, word(typeWords, p.Type)})
	}
	for i, c := range d.Characters {
		var sheet *Sheet
		if c.Strip != "" {
			var err error
			if sheet, err = b.sheet(fmt.Sprintf("characters/%d", i+1), c.Picture, c.Strip); err != nil {
				return fmt.Errorf("the character %s: %w", c.Name, err)
			}
		}
		out.Characters = append(out.Characters, Character{ID: idText(c.ID), Name: c.Name, Frame: Size{c.W, c.H}, Sheet: sheet, Movement: movement(c.Movement)})
		out.Characters[i].poses(c)
		for _, s := range c.Begins {
			out.Characters[i].Begins = append(out.Characters[i].Begins, Stock{idText(s.Item), s.Count})
		}
	}
	for _, item := range d.Items {
		out.Items = append(out.Items, Item{idText(item.ID), item.Name, item.Most})
	}
	for _, f := range d.Facts {
		out.Facts = append(out.Facts, Fact{idText(f.ID), f.Name, f.Counts, f.Start})
	}
	for _, m := range d.Medleys {
		part := Medley{ID: idText(m.ID), Name: m.Name, Seed: m.Seed, Turned: m.Turned, Mirrored: m.Mirrored, Tiles: []Weighted{}}
		for _, t := range m.Tiles {
			part.Tiles = append(part.Tiles, Weighted{b.tile(t.Tile), t.Weight})
		}
		out.Medleys = append(out.Medleys, part)
	}
	for _, bond := range d.Bonds {
		out.Bonds = append(out.Bonds, b.bond(bond))
	}
	for i := range d.Maps {
		out.Maps = append(out.Maps, fmt.Sprintf("maps/%d.json", i+1))
	}
	for i := range d.Patches {
		out.Patches = append(out.Patches, fmt.Sprintf("patches/%d.json", i+1))
	}
	for i := range d.Replays {
		out.Replays = append(out.Replays, fmt.Sprintf("replays/%d.json", i+1))
	}
	for _, c := range d.Crossings {
		part := Crossing{ID: idText(c.ID), Name: c.Name, BothWays: c.BothWays}
		for i, end := range c.Ends {
			part.Ends[i] = End{idText(end.Map), Box(end.Cells)}
		}
		out.Crossings = append(out.Crossings, part)
	}
	if err := b.json("bundle.json", out); err != nil {
		return err
	}
	for _, t := range d.Tilesets {
		if err := b.tileset(t); err != nil {
			return fmt.Errorf("the tileset %s: %w", t.Name, err)
		}
	}
	for i, m := range d.Maps {
		if err := b.oneMap(i+1, m); err != nil {
			return fmt.Errorf("the map %s: %w", m.Name, err)
		}
	}
	for i, r := range d.Replays {
		if err := b.json(fmt.Sprintf("replays/%d.json", i+1), replay(r)); err != nil {
			return err
		}
	}
	for i, p := range d.Patches {
		if err := b.json(fmt.Sprintf("patches/%d.json", i+1), b.patch(p)); err != nil {
			return err
		}
	}
	return nil
}

func (b *writer) tile(n int) string {
	set, i := b.doc.ShortName(n)
	return fmt.Sprintf("%s%d", set, i+1)
}

func (b *writer) bond(bond *world.Bond) Bond {
	part := Bond{ID: idText(bond.ID), Name: bond.Name, Join: word(joinWords, bond.Join), Border: bond.Border, Seed: bond.Seed, Tiles: []Bonded{}}
	for _, t := range bond.Tiles {
		part.Tiles = append(part.Tiles, Bonded{b.tile(t.Tile), joinedText(t.Joined), t.Weight})
	}
	for _, n := range bond.Also {
		part.Also = append(part.Also, b.tile(n))
	}
	for _, id := range bond.JoinsTo {
		part.JoinsTo = append(part.JoinsTo, idText(id))
	}
	return part
}

func (b *writer) tileset(t *world.Tileset) error {
	name := "tilesets/" + b.short[t]
	part := Tileset{ID: idText(t.ID), Name: t.Name, Count: t.Count, Cut: Cut{Tile: Size{t.Cut.W, t.Cut.H}, Margin: t.Cut.Margin,
		Spacing: t.Cut.Spacing, Offset: Place{t.Cut.OffsetX, t.Cut.OffsetY}, Scale: t.Cut.Scale}}
	if t.Cut.Crop != (grid.Rect{}) {
		crop := Box(t.Cut.Crop)
		part.Cut.Crop = &crop
	}
	if t.Cut.Keyed {
		part.Cut.Key = fmt.Sprintf("#%06x", t.Cut.Key)
	}
	if !t.Builtin() {
		sheet, err := b.sheet(name, t.Picture, t.Strip)
		if err != nil {
			return err
		}
		part.Sheet = sheet
	}
	for i, p := range t.Tiles {
		if p != nil {
			part.Tiles = append(part.Tiles, tilePart(i, p, t.First))
		}
	}
	return b.json(name+".json", part)
}

func tilePart(i int, p *tiles.Properties, first int) Tile {
	part := Tile{Tile: i + 1, Role: p.Role.String(), Solid: solidRows(p.Solid), OneWay: p.OneWay, Climbable: p.Climbable, Water: p.Water,
		Slippery: p.Slippery, Slow: p.Slow, Above: p.Above, Danger: p.Danger, Weight: p.Weight, Name: p.Name, Keywords: p.Keywords,
		Home: p.Home, Own: ownPart(p.Own)}
	if p.Animation != nil {
		for _, f := range p.Animation.Frames {
			part.Frames = append(part.Frames, Frame{f.Tile - first + 1, f.Millis})
		}
	}
	return part
}

func ownPart(own *tiles.Own) (list []OwnValue) {
	if own == nil {
		return nil
	}
	for _, v := range own.Values {
		list = append(list, OwnValue{idText(world.ID(v.Property)), v.Value})
	}
	return list
}

// The greatest size of one picture of a sheet, in pixels.
const sheetW, sheetH = 2048, 8192

// onSheet is how many tiles lie side by side on a picture of a sheet, and how many
// on the whole picture.
func onSheet(w, h, count int) (columns, all int) {
	columns = max(1, min(count, sheetW/w))
	return columns, columns * max(1, sheetH/h)
}

// sheet writes the picture that tiles came from, and the tiles.
func (b *writer) sheet(name, source, strip string) (*Sheet, error) {
	body, err := b.library(strip)
	if err != nil {
		return nil, err
	}
	s, err := tiles.DecodeStrip(body)
	if err != nil {
		return nil, err
	}
	part := &Sheet{Tile: Size{s.W, s.H}, Columns: s.Columns, Rows: s.Rows, Places: rangesText(s.Places)}
	if part.Source, err = b.picture(source); err != nil {
		return nil, err
	}
	columns, all := onSheet(s.W, s.H, len(s.Places))
	for first := 0; first < len(s.Places); first += all {
		n := min(all, len(s.Places)-first)
		img := drawSheet(s, columns, first, n)
		file := name + ".png"
		if first > 0 {
			file = fmt.Sprintf("%s-%d.png", name, first/all+1)
		}
		w, err := b.part(file, true)
		if err != nil {
			return nil, err
		}
		if err := png.Encode(w, img); err != nil {
			return nil, fmt.Errorf("writing %s: %w", file, err)
		}
		part.Pictures = append(part.Pictures, file)
	}
	return part, nil
}

// picture writes a picture file once, as it came in, and gives the part's name.
func (b *writer) picture(sum string) (string, error) {
	if name, there := b.kept[sum]; there {
		return name, nil
	}
	body, err := b.library(sum)
	if err != nil {
		return "", err
	}
	info, err := raster.Measure(body)
	if err != nil {
		return "", err
	}
	name := "pictures/" + sum[:16] + "." + strings.ToLower(info.Format)
	w, err := b.part(name, true)
	if err != nil {
		return "", err
	}
	if _, err := w.Write(body); err != nil {
		return "", fmt.Errorf("writing %s: %w", name, err)
	}
	b.kept[sum] = name
	return name, nil
}

func (b *writer) oneMap(n int, m *world.Map) error {
	part := Map{ID: idText(m.ID), Name: m.Name, View: word(viewWords, m.View), Origin: Place(m.Origin), Bounds: Box(m.Bounds),
		Notes: m.Notes, Keywords: m.Keywords, Own: ownPart(m.Own), PlayerLayer: idText(m.PlayerLayer), Layers: []Layer{},
		Here: writeForces(m.Forces), Lottery: writeOdds(m.Lottery), Barred: writeBarred(m)}
	part.places(b.doc, m)
	for _, e := range m.Edges {
		part.Edges = append(part.Edges, word(world.EdgeNames[:], e))
	}
	if m.Background != (world.Background{}) {
		part.Background = &Background{m.Background.Top.String(), m.Background.Bottom.String()}
	}
	for i, l := range m.Layers {
		layer, err := b.layer(l)
		if err != nil {
			return err
		}
		if !l.Cells.Empty() {
			layer.Cells = fmt.Sprintf("maps/%d/layer-%d.txt", n, i+1)
			if err := b.cells(layer.Cells, l.Cells, m.Bounds); err != nil {
				return err
			}
		}
		part.Layers = append(part.Layers, layer)
	}
	for _, p := range m.Pieces {
		part.Pieces = append(part.Pieces, Piece{idText(p.ID), p.Kind().Word, p.Name, idText(p.Layer), Place(p.Foot), acting(p.Props)})
	}
	return b.json(fmt.Sprintf("maps/%d.json", n), part)
}

func (b *writer) layer(l *world.Layer) (Layer, error) {
	part := Layer{ID: idText(l.ID), Name: l.Name, Counts: l.Counts, Locked: l.Locked, Fade: l.Fade, Tint: l.Tint.String(), Group: l.Group}
	if l.DepthX != 0 || l.DepthY != 0 {
		part.Depth = &Place{l.DepthX, l.DepthY}
	}
	if l.Takes != (world.Takes{}) {
		part.Takes = &Takes{NoTiles: l.Takes.NoTiles, NoPieces: l.Takes.NoPieces}
		for _, r := range append([]tiles.Role{tiles.NoRole}, tiles.Roles()...) {
			if l.Takes.Roles>>r&1 != 0 {
				part.Takes.Roles = append(part.Takes.Roles, r.String())
			}
		}
	}
	if d := l.Backdrop; d.Picture != "" {
		name, err := b.picture(d.Picture)
		if err != nil {
			return part, fmt.Errorf("the backdrop of %s: %w", l.Name, err)
		}
		part.Backdrop = &Backdrop{Picture: name, At: Place{d.X, d.Y}, RepeatX: d.RepeatX, RepeatY: d.RepeatY, Stretch: d.Stretch}
		if d.DriftX != 0 || d.DriftY != 0 {
			part.Backdrop.Drift = &Place{d.DriftX, d.DriftY}
		}
	}
	return part, nil
}

// cells writes a layer row by row.
func (b *writer) cells(name string, p grid.Plane, bounds grid.Rect) error {
	w, err := b.part(name, false)
	if err != nil {
		return err
	}
	for y := range bounds.H {
		line := rows.Write(p, grid.Rect{X: bounds.X, Y: bounds.Y + y, W: bounds.W, H: 1}, nil, b.doc.ShortName)[0]
		if _, err := io.WriteString(w, line+"\n"); err != nil {
			return fmt.Errorf("writing %s: %w", name, err)
		}
	}
	return nil
}

func (b *writer) patch(p *world.Patch) Patch {
	part := Patch{ID: idText(p.ID), Name: p.Name, Size: Size{p.W, p.H}}
	box := grid.Rect{W: p.W, H: p.H}
	for _, l := range p.Layers {
		part.Layers = append(part.Layers, PatchLayer{l.Name, l.Depth, l.Counts, rows.Write(l.Cells, box, l.Loose, b.doc.ShortName)})
	}
	for _, piece := range p.Pieces {
		part.Pieces = append(part.Pieces, Piece{Type: kind.Of(piece.Type).Word, Name: piece.Name, Foot: Place(piece.Foot), Acting: acting(piece.Props.Kept())})
	}
	return part
}
