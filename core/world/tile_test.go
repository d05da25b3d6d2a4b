package world

import (
	"math/rand/v2"
	"strings"
	"testing"

	"azzel/core/pack"
	"azzel/core/tiles"
)

func randomTile(r *rand.Rand) tiles.Properties {
	var p tiles.Properties
	flip := func() bool { return r.IntN(3) == 0 }
	p.OneWay, p.Climbable, p.Water, p.Slippery, p.Slow, p.Above = flip(), flip(), flip(), flip(), flip(), flip()
	if flip() {
		p.Solid, p.Role = tiles.Mask(r.Uint64()), tiles.Role(r.IntN(tiles.BlockoutCount+1))
	}
	if flip() {
		p.Danger, p.Weight = r.IntN(tiles.MaxDanger+1), r.IntN(tiles.MaxWeight+1)
	}
	if flip() {
		p.Name, p.Keywords, p.Home = "Fern no. 7", "green, damp", "Überkopf"
	}
	return p
}

// What a tile does comes back as it was stored, and becomes another by the
// values that differ, set one at a time in any order.
func TestTileProperties(t *testing.T) {
	r := rand.New(rand.NewPCG(3, 1))
	d := start(t, glasshouse)
	set := d.Tilesets[0]
	// A tile that the tileset does not have has nothing.
	draft := d.Draft()
	for _, v := range TileValues(len(set.Tiles), tiles.Properties{}, randomTile(r)) {
		if had, there := draft.Value(Ref{SortTileset, 0, set.ID}, v.Field); there {
			t.Fatalf("property %d of a tile past the last has the value %v", v.Field, had)
		}
	}
	for range 400 {
		is := randomTile(r)
		var w pack.Writer
		encodeTile(&w, &is)
		in := pack.NewReader(w.Bytes)
		back := decodeTile(in)
		if back == nil {
			back = new(tiles.Properties)
		}
		if err := in.Done(); err != nil || *back != is {
			t.Fatalf("%+v came back as %+v: %v", is, back, err)
		}
		i := r.IntN(set.Count)
		draft := d.Draft()
		ref := Ref{SortTileset, 0, set.ID}
		values := TileValues(i, set.Tile(i), is)
		r.Shuffle(len(values), func(a, b int) { values[a], values[b] = values[b], values[a] })
		before := set.Tile(i)
		for _, v := range values {
			if had, there := draft.Value(ref, v.Field); !there || string(had.Bytes) == string(v.Bytes) {
				t.Fatalf("property %d of a tile had the value that was to be set", v.Field%TileProperties)
			}
			if err := draft.Change(ref, v); err != nil {
				t.Fatal(err)
			}
		}
		next, err := draft.Done()
		if err != nil {
			t.Fatal(err)
		}
		if got := next.Tilesets[0].Tile(i); got != is || set.Tile(i) != before {
			t.Fatalf("tile %d is %+v, want %+v", i, got, is)
		}
		d, set = next, next.Tilesets[0]
	}
}

// Values that no tile can have are refused.
func TestBadTileProperties(t *testing.T) {
	d := start(t, glasshouse)
	set := d.Tilesets[0]
	text := func(s string) []byte { return TextValue(0, s).Bytes }
	for name, v := range map[string]Value{
		"a role that is not there":    {Field: TileField + 0, Bytes: []byte{99}},
		"too much danger":             {Field: TileField + 8, Bytes: []byte{101}},
		"a name of two lines":         {Field: TileField + 10, Bytes: text("a\nb")},
		"a long name":                 {Field: TileField + 10, Bytes: text(strings.Repeat("x", 121))},
		"an unknown property":         {Field: TileField + 15, Bytes: []byte{1}},
		"a tile that is not there":    {Field: TileField + Field(set.Count*TileProperties), Bytes: []byte{1}},
		"a value with something more": {Field: TileField + 3, Bytes: []byte{1, 1}},
	} {
		if err := d.Draft().Change(Ref{SortTileset, 0, set.ID}, v); err == nil {
			t.Errorf("%s was taken", name)
		}
	}
}
