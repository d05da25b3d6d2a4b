package exchange_test

import (
	"archive/zip"
	"bytes"
	"crypto/sha256"
	"encoding/hex"
	"errors"
	"fmt"
	"image"
	"image/color"
	"image/png"
	"io"
	"math/rand/v2"
	"os"
	"slices"
	"strings"
	"testing"

	"azzel/core/edit"
	"azzel/core/edit/generate"
	"azzel/core/exchange"
	"azzel/core/grid"
	"azzel/core/kind"
	"azzel/core/kinds/props"
	"azzel/core/logic"
	"azzel/core/pack/stored"
	"azzel/core/tiles"
	"azzel/core/world"
)

func never() error { return nil }

// A library keeps blobs by their sums.
type library map[string][]byte

func (l library) add(b []byte) string {
	sum := sha256.Sum256(b)
	text := hex.EncodeToString(sum[:])
	l[text] = b
	return text
}

func (l library) get(sum string) ([]byte, error) {
	if b, there := l[sum]; there {
		return b, nil
	}
	return nil, errors.New("it is not there")
}

// leaves is a picture of so many tiles of 8 px, the last of which is empty.
func leaves(columns, rows int) []byte {
	img := image.NewNRGBA(image.Rect(0, 0, 8*columns, 8*rows))
	for y := range 8 * rows {
		for x := range 8 * columns {
			if x/8 != columns-1 || y/8 != rows-1 {
				img.SetNRGBA(x, y, color.NRGBA{uint8(x * 5), uint8(y * 7), uint8(x ^ y), uint8(128 + x%128)})
			}
		}
	}
	var b bytes.Buffer
	_ = png.Encode(&b, img) // a buffer takes everything
	return b.Bytes()
}

// glasshouse is a project with everything in it that a bundle can hold, changed by
// so many random steps.
func glasshouse(t testing.TB, seed uint64, steps int) (*world.Document, library) {
	t.Helper()
	lib := library{}
	ids := &world.Counter{Prefix: 97}
	d, err := world.Start(world.Project{Name: "Ferns & Öfen", CellW: 8, CellH: 8, SeenW: 12, SeenH: 9}, ids)
	if err != nil {
		t.Fatal(err)
	}
	apply := func(parts ...edit.Part) {
		res, err := edit.Apply(d, edit.Edit{Label: "a step", Parts: parts})
		if err != nil {
			t.Fatal(err)
		}
		d = res.Document
	}
	source := leaves(5, 3)
	img, _ := png.Decode(bytes.NewReader(source))
	cut := tiles.Cut{W: 8, H: 8, Crop: grid.Rect{W: 40, H: 24}, Keyed: true, Key: 0x123456}
	strip, err := tiles.Take(img.(*image.NRGBA), cut)
	if err != nil {
		t.Fatal(err)
	}
	moist := &world.Property{Name: "moist", Type: tiles.Number}
	moistID := ids.NewID()
	set := &world.Tileset{Name: "Leaves", Picture: lib.add(source), Strip: lib.add(strip.Encode()), First: d.TilesEnd() + 500, Count: len(strip.Places),
		Columns: strip.Columns, Rows: strip.Rows, Places: strip.Places, Cut: cut, Tiles: make([]*tiles.Properties, len(strip.Places))}
	own := (*tiles.Own)(nil).With(uint64(moistID), "2.5")
	set.Tiles[1] = &tiles.Properties{Role: tiles.Wall, Solid: tiles.Slope(true), Danger: 3, Weight: 7, Name: "fern", Keywords: "green wet", Home: "Ground", Own: own}
	set.Tiles[2] = &tiles.Properties{OneWay: true, Climbable: true, Water: true, Slippery: true, Slow: true, Above: true,
		Animation: &tiles.Animation{Frames: tiles.FramesOf([]int{set.First + 2, set.First + 4})}}
	named := d.Project
	named.Legend = named.Legend.With([]world.Meaning{{Colour: world.RGB(58, 111, 159), Tile: set.First + 2}, {Colour: world.RGB(0, 0, 0)}})
	apply(edit.Put{Ref: world.Ref{Sort: world.SortProperty, ID: moistID}, Values: moist.Values()},
		edit.Put{Ref: world.Ref{Sort: world.SortTileset, ID: ids.NewID()}, Values: set.Values()})
	apply(edit.Changes(world.Ref{Sort: world.SortProject}, d.Project.Values(), named.Values())...)
	m := d.Maps[0]
	l := *m.Layers[1]
	l.Backdrop = world.Backdrop{Picture: lib.add(leaves(3, 2)), W: 24, H: 16, X: -4, Y: 3, RepeatX: true, DriftX: -12}
	l.DepthY, l.Takes.Roles = 40, 1<<tiles.NoRole|1<<tiles.Overhead
	apply(edit.Changes(world.Ref{Sort: world.SortLayer, Map: m.ID, ID: l.ID}, m.Layers[1].Values(), l.Values())...)
	g := grid.BoxRegion(grid.Rect{X: 3, Y: 2, W: 4, H: 3})
	apply(edit.Paint{Map: m.ID, Layer: m.PlayerLayer, Region: g, Cells: grid.Runs{{N: 7, Cell: grid.Cell(set.First + 1).Turned(grid.MirroredX | grid.Transposed)}, {N: 5, Cell: grid.Cell(set.First)}}})
	walker := &world.Character{Name: "Night gardener", W: 8, H: 8}
	frames := tiles.Blockout(8, 8)
	frames.Places, frames.Pixels, frames.Columns = nil, nil, 4
	for i := range 16 {
		frames.Places = append(frames.Places, i)
		frames.Pixels = append(frames.Pixels, bytes.Repeat([]byte{uint8(i * 9), 40, 80, 255}, 64)...)
	}
	frames.Rows = 4
	walker.Picture, walker.Strip = set.Picture, lib.add(frames.Encode())
	id := ids.NewID()
	apply(edit.Put{Ref: world.Ref{Sort: world.SortCharacter, ID: id}, Values: walker.Values()},
		edit.Change{Ref: world.Ref{Sort: world.SortProject}, Value: world.IDValue(world.FieldPlayer, id)})
	a := generate.Author{Rand: rand.New(rand.NewPCG(seed, 4)), IDs: ids}
	return a.Changed(d, steps), lib
}

func written(t testing.TB, d *world.Document, lib library) []byte {
	t.Helper()
	var b bytes.Buffer
	if err := exchange.Write(&b, d, lib.get, never); err != nil {
		t.Fatal(err)
	}
	return b.Bytes()
}

// meant is a project's legend in words.
func meant(d *world.Document) []string {
	var list []string
	for _, m := range d.Project.Legend.Meanings() {
		set, i := "", 0
		if m.Tile != 0 {
			set, i = d.ShortName(m.Tile)
		}
		list = append(list, fmt.Sprintf("%s %s %d", m.Colour, set, i))
	}
	return list
}

// same compares what two documents say, without the numbers that a bundle gives
// anew: of tiles, and of the order in which things were made.
func same(t *testing.T, want, got *world.Document) {
	t.Helper()
	was, is := want.Project, got.Project
	if a, b := meant(want), meant(got); !slices.Equal(a, b) {
		t.Errorf("the legend came back as %v, was %v", b, a)
	}
	was.Legend, is.Legend = "", ""
	if was != is || len(want.Maps) != len(got.Maps) || len(want.Tilesets) != len(got.Tilesets) {
		t.Fatalf("another project came back: %+v, %d maps, %d tilesets", got.Project, len(got.Maps), len(got.Tilesets))
	}
	lying := func(d *world.Document, c grid.Cell) string {
		set, i := d.TilesetOf(c.Tile())
		if set == nil {
			return ""
		}
		return fmt.Sprint(set.ID, i, c.Orientation())
	}
	for i, m := range want.Maps {
		o := got.Maps[i]
		if m.ID != o.ID || m.Name != o.Name || m.Bounds != o.Bounds || m.Origin != o.Origin || m.Edges != o.Edges || m.Background != o.Background || m.Notes != o.Notes ||
			m.PlayerLayer != o.PlayerLayer || len(m.Layers) != len(o.Layers) || len(m.Pieces) != len(o.Pieces) {
			t.Fatalf("%s came back as %+v", m.Name, o)
		}
		for k, l := range m.Layers {
			p := o.Layers[k]
			a, b := *l, *p
			a.Order, b.Order, a.Cells, b.Cells = 0, 0, grid.Plane{}, grid.Plane{}
			if fmt.Sprintf("%+v", a) != fmt.Sprintf("%+v", b) {
				t.Fatalf("the layer %s came back as %+v", l.Name, p)
			}
			for y := m.Bounds.Y; y < m.Bounds.Y+m.Bounds.H; y++ {
				for x := m.Bounds.X; x < m.Bounds.X+m.Bounds.W; x++ {
					at := grid.Point{X: x, Y: y}
					if w, g := lying(want, l.Cells.At(at)), lying(got, p.Cells.At(at)); w != g {
						t.Fatalf("%s, layer %s, cell %d, %d: %s came back as %s", m.Name, l.Name, x, y, w, g)
					}
				}
			}
		}
		for k, p := range m.Pieces {
			q := *o.Pieces[k]
			q.Number = p.Number
			if q.ID != p.ID || !world.SameValues(q.Values(), p.Values()) || (q.Own() == nil) != (p.Own() == nil) {
				t.Fatalf("a piece %+v came back as %+v", *p, q)
			}
		}
	}
	if len(want.Medleys) != len(got.Medleys) || len(want.Bonds) != len(got.Bonds) || len(want.Patches) != len(got.Patches) || len(want.Crossings) != len(got.Crossings) || len(want.Properties) != len(got.Properties) {
		t.Fatal("medleys, bonds, patches, crossings or properties are missing")
	}
	// Those of what is gone are not written.
	wires := slices.DeleteFunc(slices.Clone(want.Wires), func(w *world.Wire) bool {
		_, from := want.Piece(w.From)
		_, to := want.Piece(w.To)
		_, layer := want.LayerOn(w.To)
		return from == nil || to == nil && layer == nil && want.Area(w.To) == nil
	})
	if len(wires) != len(got.Wires) {
		t.Fatalf("%d wires came back as %d", len(wires), len(got.Wires))
	}
	for i, w := range wires {
		if is := *got.Wires[i]; is != (world.Wire{ID: w.ID, Name: w.Name, Number: is.Number, From: w.From, To: w.To, Works: w.Works, Does: w.Does, After: w.After, Of: w.Of}) {
			t.Fatalf("a wire %+v came back as %+v", *w, is)
		}
	}
	if len(want.Types) != len(got.Types) {
		t.Fatalf("%d types came back as %d", len(want.Types), len(got.Types))
	}
	for i, is := range want.Types {
		back := *got.Types[i]
		back.Number = is.Number
		if back.ID != is.ID || !world.SameValues(back.Values(), is.Values()) {
			t.Fatalf("a type %+v came back as %+v", *is, back)
		}
	}
	if len(want.Rules) != len(got.Rules) {
		t.Fatalf("%d rules came back as %d", len(want.Rules), len(got.Rules))
	}
	for i, r := range want.Rules {
		is := *got.Rules[i]
		is.Number = r.Number
		if is.ID != r.ID || !world.SameValues(is.Values(), r.Values()) {
			t.Fatalf("a rule %+v came back as %+v", *r, is)
		}
	}
}

// A bundle holds everything, and out, in and out again gives the same bytes.
func TestBundleComesBack(t *testing.T) {
	for seed := range uint64(12) {
		d, lib := glasshouse(t, seed, int(seed)*60)
		first := written(t, d, lib)
		if again := written(t, d, lib); !bytes.Equal(first, again) {
			t.Fatal("the same project gave other bytes")
		}
		c, err := exchange.Read(bytes.NewReader(first), int64(len(first)), nil)
		if err != nil {
			t.Fatalf("seed %d: %v", seed, err)
		}
		same(t, d, c.Document)
		if second := written(t, c.Document, c.Blobs); !bytes.Equal(first, second) {
			t.Fatalf("seed %d: out, in and out again gave other bytes", seed)
		}
	}
}

// The golden bundles, one written by each version, are read for ever, and hold the same project.
func TestGoldenBundle(t *testing.T) {
	file := func(version int) string { return fmt.Sprintf("testdata/version%d.zip", version) }
	read := func(version int) (*exchange.Contents, []byte) {
		golden, err := os.ReadFile(file(version))
		if err != nil {
			t.Fatal(err)
		}
		c, err := exchange.Read(bytes.NewReader(golden), int64(len(golden)), nil)
		if err != nil {
			t.Fatalf("version %d: %v", version, err)
		}
		return c, golden
	}
	first, _ := read(1)
	asking := askingAll(t, first.Document)
	wired := withWire(t, asking)
	ruled := withRules(t, wired)
	sorted := withFacts(t, ruled)
	anew := withAnew(t, sorted)
	texts := withTexts(t, anew)
	types := withTypes(t, texts)
	pictured := withPictures(t, types)
	if stored.Updating() {
		if err := os.WriteFile(file(exchange.Version), written(t, pictured, first.Blobs), 0o644); err != nil {
			t.Fatal(err)
		}
	}
	for version := 1; version <= exchange.Version; version++ {
		want := first.Document
		if version >= 3 {
			want = asking
		}
		if version >= 4 {
			want = wired
		}
		if version >= 5 {
			want = ruled
		}
		if version >= 6 {
			want = sorted
		}
		if version >= 7 {
			want = anew
		}
		if version >= 8 {
			want = texts
		}
		if version >= 9 {
			want = types
		}
		if version >= 10 {
			want = pictured
		}
		c, _ := read(version)
		same(t, want, c.Document)
	}
	// Written anew, each of its parts is what it was; how a zip packs them may change.
	last, golden := read(exchange.Version)
	want, got := unpacked(t, golden), unpacked(t, written(t, last.Document, last.Blobs))
	for name, body := range want {
		if !strings.HasSuffix(name, ".png") && got[name] != body {
			t.Errorf("%s is now\n%.300s\nand was\n%.300s", name, got[name], body)
		}
	}
	if len(want) != len(got) || len(want) < 12 {
		t.Errorf("%d parts became %d", len(want), len(got))
	}
}

// askingAll is a document of which a piece asks for all that a piece can ask for, as bundles hold it since version 3.
func askingAll(t *testing.T, d *world.Document) *world.Document {
	t.Helper()
	for _, m := range d.Maps {
		for _, p := range m.Pieces {
			if !world.Conditional(p.Type) {
				continue
			}
			compares := func(v logic.Value, by logic.Comparison) logic.Condition {
				return logic.Condition{Ask: logic.Compares, Left: v, By: by, Right: logic.Value{Number: 3}}
			}
			one := logic.Noun{Is: logic.Piece, Thing: p.ID}
			foes := logic.Noun{Is: logic.AllOfType, Type: world.Foe}
			next := *p
			next.SetWhile(logic.Condition{Ask: logic.Any, Terms: []logic.Condition{
				compares(logic.Value{Is: logic.FactValue, Thing: 5<<32 | 1}, logic.Equals), compares(logic.Value{Is: logic.ItemCount, Thing: 5<<32 | 2}, logic.Under),
				{Ask: logic.None, Terms: []logic.Condition{{Ask: logic.IsPresent, Subject: one, Is: kind.Absent}, {Ask: logic.InState, Subject: foes, Is: 8}, {Ask: logic.IsPowered, Is: kind.Off}}},
				{Ask: logic.All, Terms: []logic.Condition{compares(logic.Value{Is: logic.CountOf, Of: foes}, logic.AtMost),
					compares(logic.Value{Is: logic.Sum, Left: &logic.Value{Is: logic.PropertyOf, Of: one, Property: props.Bears.Field}, Right: &logic.Value{Number: -2}}, logic.Over)}}}})
			res, err := edit.Apply(d, edit.Edit{Label: "ask", Parts: edit.Changes(world.Ref{Sort: world.SortPiece, Map: m.ID, ID: p.ID}, p.Values(), next.Values())})
			if err != nil {
				t.Fatal(err)
			}
			return res.Document
		}
	}
	t.Fatal("no piece can ask for anything")
	return nil
}

func unpacked(t testing.TB, bundle []byte) map[string]string {
	t.Helper()
	z, err := zip.NewReader(bytes.NewReader(bundle), int64(len(bundle)))
	if err != nil {
		t.Fatal(err)
	}
	parts := map[string]string{}
	for _, f := range z.File {
		r, err := f.Open()
		if err != nil {
			t.Fatal(err)
		}
		b, err := io.ReadAll(r)
		if err != nil {
			t.Fatal(err)
		}
		parts[f.Name] = string(b)
	}
	return parts
}

func packed(parts map[string]string) []byte {
	var b bytes.Buffer
	z := zip.NewWriter(&b)
	for name, body := range parts {
		if w, err := z.Create(name); err == nil {
			_, _ = io.WriteString(w, body) // a buffer takes everything
		}
	}
	_ = z.Close()
	return b.Bytes()
}

// Whatever a bundle's parts hold, reading gives a document within the limits or a
// message, and what it gives can be written.
func FuzzBundle(f *testing.F) {
	d, lib := glasshouse(f, 2, 120)
	good := unpacked(f, written(f, d, lib))
	var names []string
	for name := range good {
		if !strings.HasSuffix(name, ".png") {
			names = append(names, name)
		}
	}
	slices.Sort(names)
	for i, name := range names {
		f.Add(uint8(i), []byte(good[name]))
	}
	f.Fuzz(func(t *testing.T, which uint8, body []byte) {
		parts := map[string]string{}
		for name, b := range good {
			parts[name] = b
		}
		parts[names[int(which)%len(names)]] = string(body)
		bundle := packed(parts)
		c, err := exchange.Read(bytes.NewReader(bundle), int64(len(bundle)), nil)
		if err != nil {
			if err.Error() == "" {
				t.Error("an error without words")
			}
			return
		}
		written(t, c.Document, c.Blobs)
	})
}
