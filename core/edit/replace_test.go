package edit_test

import (
	"math/rand/v2"
	"strings"
	"testing"

	"azzel/core/appearance"
	"azzel/core/edit"
	"azzel/core/edit/generate"
	"azzel/core/grid"
	"azzel/core/kind"
	"azzel/core/tiles"
	"azzel/core/world"
)

// A newer picture takes the place of a tileset everywhere at once: every cell,
// bond, medley and frame follows its tile, tiles keep what they do, what is gone
// stays as it is, and one step takes it back.
func TestReplaceEverywhere(t *testing.T) {
	for seed := range uint64(20) {
		r := rand.New(rand.NewPCG(seed, 97))
		d := hedges(t, r, tiles.Sides, tiles.Both)
		m, old := d.Maps[0], d.Tilesets[1]
		medley := &world.Medley{Name: "Gravel", Medley: tiles.Medley{Tiles: []tiles.Weighted{{Tile: old.First + 3, Weight: 2}, {Tile: old.First + 110, Weight: 1}, {Tile: 2, Weight: 1}}}}
		d = apply(t, d, edit.Put{Ref: world.Ref{Sort: world.SortMedley, ID: 8001}, Values: medley.Values()})
		// A piece, a type and a piece in a patch are seen as tiles of it.
		seen := appearance.Picture{W: 2, H: 1, Ticks: 4, Frames: [][]grid.Cell{{grid.Cell(old.First + 3).Turned(5), grid.Cell(tiles.Wall)}, {grid.Cell(old.First + 110), 0}}}
		picture := kind.PictureOf(kind.AnyState, kind.AnySide)
		kept := world.Patch{Name: "Hedge", Block: world.Block{W: 1, H: 1, Pieces: []world.BlockPiece{{Type: world.Exit, Props: kind.Set(seen.Set(picture))}}}}
		exit := world.Piece{Type: world.Exit, Layer: m.PlayerLayer, Props: kind.Set(seen.Set(picture))}
		gate := world.Type{Name: "Gate", Base: world.Exit, Usual: kind.Set(seen.Set(picture))}
		d = apply(t, d, edit.Put{Ref: world.Ref{Sort: world.SortPatch, ID: 8003}, Values: kept.Values()}, edit.Put{Ref: world.Ref{Sort: world.SortPiece, Map: m.ID, ID: 8004}, Values: exit.Values()},
			edit.Put{Ref: world.TypeRef(8005 << 8), Values: gate.Values()})
		m = d.Maps[0]
		for i := range 6 {
			is := tiles.Properties{Name: strings.Repeat("m", i+1), Solid: tiles.Mask(r.Uint64())}
			if i < 3 {
				is.Animation = &tiles.Animation{Frames: []tiles.Frame{{Tile: old.First + i, Millis: 90}, {Tile: old.First + 20*i + 5, Millis: 80}}}
			}
			for _, v := range world.TileValues(i, old.Tile(i), is) {
				d = apply(t, d, edit.Change{Ref: world.Ref{Sort: world.SortTileset, ID: old.ID}, Value: v})
			}
		}
		old = d.Tilesets[1]
		for range 30 {
			box := grid.Rect{X: r.IntN(m.Bounds.W), Y: r.IntN(m.Bounds.H), W: 1 + r.IntN(5), H: 1 + r.IntN(5)}.Meet(m.Bounds)
			g := grid.BoxRegion(box)
			part := edit.Part(generate.Lay(m, m.Layers[0], d.Bonds[r.IntN(2)], g))
			if r.IntN(3) == 0 {
				part = edit.Paint{Map: m.ID, Layer: m.Layers[r.IntN(2)].ID, Region: g, Cells: grid.Runs{{N: g.Len(), Cell: grid.Cell(old.First + r.IntN(old.Count)).Turned(r.IntN(8))}}}
			}
			d = apply(t, d, part)
		}
		to := r.Perm(old.Count)
		gone := seed%3 > 0
		for i := range to {
			if gone && r.IntN(9) == 0 {
				to[i] = -1
			}
		}
		newer := &world.Tileset{Name: old.Name, First: 600, Count: old.Count + 5, Columns: 25, Rows: 5}
		for i := range newer.Count {
			newer.Places = append(newer.Places, i)
		}
		e, err := edit.Replace{Old: old.ID, New: newer, ID: 8002, To: to}.Edit(d)
		if err != nil {
			t.Fatal(err)
		}
		res, err := edit.Apply(d, e)
		if err != nil {
			t.Fatalf("seed %d: %v", seed, err)
		}
		is := res.Document
		becomes := func(n int) int {
			if i := n - old.First; i >= 0 && i < old.Count && to[i] >= 0 {
				return newer.First + to[i]
			}
			return n
		}
		for k, l := range m.Layers {
			for _, s := range grid.BoxRegion(m.Bounds) {
				for x := s.X0; x <= s.X1; x++ {
					p := grid.Point{X: x, Y: s.Y}
					was, now := d.Maps[0].Layer(l.ID).Cells.At(p), is.Maps[0].Layers[k].Cells.At(p)
					if now != grid.Cell(becomes(was.Tile())).Turned(was.Orientation()) {
						t.Fatalf("seed %d: %v became %d, was %d", seed, p, now, was)
					}
				}
			}
		}
		for i, b := range d.Bonds {
			for k, tile := range b.Tiles {
				if got := is.Bonds[i].Tiles[k]; got.Tile != becomes(tile.Tile) || got.Joined != tile.Joined {
					t.Fatalf("seed %d: a bond has %+v for %+v", seed, got, tile)
				}
			}
		}
		for k, tile := range medley.Tiles {
			if got := is.Medleys[0].Tiles[k].Tile; got != becomes(tile.Tile) {
				t.Fatalf("seed %d: the medley has tile %d, want %d", seed, got, becomes(tile.Tile))
			}
		}
		follows := func(what string, v kind.Values) {
			now := appearance.Of(v, picture)
			for k, frame := range seen.Frames {
				for n, was := range frame {
					if got := now.Frames[k][n]; got != grid.Cell(becomes(was.Tile())).Turned(was.Orientation()) {
						t.Fatalf("seed %d: %s is seen as %v, was %v", seed, what, got, was)
					}
				}
			}
		}
		_, standing := is.Piece(8004)
		follows("a piece", standing.Props)
		follows("a type", is.Type(8005<<8).Usual)
		follows("a piece of a patch", is.Patch(8003).Pieces[0].Props)
		fresh := is.Tileset(8002)
		for i := range 6 {
			if to[i] < 0 {
				continue
			}
			was, now := old.Tile(i), fresh.Tile(to[i])
			if now.Name != was.Name || now.Solid != was.Solid {
				t.Fatalf("seed %d: tile %d does something else now", seed, i)
			}
			if was.Animation != nil {
				all := to[i] >= 0 && to[20*i+5] >= 0
				if (now.Animation != nil) != all || all && now.Animation.Frames[1].Tile != newer.First+to[20*i+5] {
					t.Fatalf("seed %d: tile %d shows %+v", seed, i, now.Animation)
				}
			}
		}
		if left := is.Tileset(old.ID); (left != nil) != gone || left != nil && !strings.HasSuffix(left.Name, ", older") {
			t.Errorf("seed %d: the old tileset is %+v", seed, left)
		}
		back, err := edit.Apply(is, edit.Edit{Undoes: 1, Parts: res.Inverse})
		if err != nil || back.Left != 0 || !sameBut(d.Encode(), back.Document.Encode()) {
			t.Fatalf("seed %d: it can't be taken back in one step: %d left (%v)", seed, back.Left, err)
		}
		again, err := edit.Apply(back.Document, edit.Edit{Undoes: 2, Parts: back.Inverse})
		if err != nil || !sameBut(is.Encode(), again.Document.Encode()) {
			t.Fatalf("seed %d: it can't be brought back: %v", seed, err)
		}
		if _, err := (edit.Replace{Old: old.ID, New: newer, ID: 8003, To: to[1:]}).Edit(d); err == nil {
			t.Error("a comparison with another tileset is taken")
		}
	}
}
