package exchange

import (
	"archive/zip"
	"bytes"
	"encoding/json"
	"fmt"
	"io"
	"slices"

	"azzel/core/grid"
	"azzel/core/kind"
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
	out := Bundle{Format: Format, Version: withoutWires, Tilesets: []string{}, Maps: []string{}}
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
		is := Fact{ID: idText(f.ID), Name: f.Name, Counts: f.Counts, Start: f.Start, Least: f.Least, Most: f.Most, Words: f.Words, Objective: f.Objective, Text: f.Text, Map: optionalID(f.Map)}
		for _, t := range f.Texts {
			is.Texts = append(is.Texts, FactText(t))
		}
		out.Facts = append(out.Facts, is)
	}
	if out.Wires = wiresOf(d); len(out.Wires) > 0 {
		out.Version = withoutRules
	}
	if out.Rules = rulesOf(d); len(out.Rules) > 0 {
		out.Version = withPlainFacts
	}
	if slices.ContainsFunc(d.Facts, (*world.Fact).Further) {
		out.Version = withoutAnew
	}
	if out.Starts = startsOf(d); d.Anew() || len(out.Starts) > 0 || slices.ContainsFunc(d.Patches, func(p *world.Patch) bool { return p.Linked() }) {
		out.Version = withoutTexts
	}
	if slices.ContainsFunc(d.Facts, (*world.Fact).Later) {
		out.Version = withoutTypes
	}
	if out.Types = typesOf(d, b.names()); len(out.Types) > 0 {
		out.Version = withoutPictures
	}
	if d.Pictured() {
		out.Version = Version
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

func (b *writer) oneMap(n int, m *world.Map) error {
	part := Map{ID: idText(m.ID), Name: m.Name, View: word(viewWords, m.View), Origin: Place(m.Origin), Bounds: Box(m.Bounds),
		Notes: m.Notes, Keywords: m.Keywords, Own: ownPart(m.Own), PlayerLayer: idText(m.PlayerLayer), Layers: []Layer{},
		Here: writeForces(m.Forces), Lottery: writeOdds(m.Lottery), Barred: writeBarred(m), Anew: writeAnew(m.Anew)}
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
		part.Pieces = append(part.Pieces, Piece{idText(p.ID), p.Kind().Word, p.Name, idText(p.Layer), Place(p.Foot), acting(p.Props, b.names())})
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
	kept, linked := p.Block.Kept()
	for _, piece := range kept.Pieces {
		is := Piece{Type: kind.Of(piece.Type).Word, Name: piece.Name, Foot: Place(piece.Foot), Acting: acting(piece.Props, b.names())}
		if linked {
			is.ID = idText(piece.ID)
		}
		part.Pieces = append(part.Pieces, is)
	}
	for i := range kept.Wires {
		part.Wires = append(part.Wires, writeWire(&kept.Wires[i]))
	}
	for i := range kept.Rules {
		part.Rules = append(part.Rules, writeRule(&kept.Rules[i]))
	}
	return part
}
