package picture_test

import (
	"bytes"
	"math/rand/v2"
	"testing"

	"azzel/core/grid"
	"azzel/core/picture"
	"azzel/core/tiles"
	"azzel/core/world"
)

// strip draws count random tiles of w × h pixels, some opaque, some with holes,
// some half clear.
func strip(r *rand.Rand, w, h, count int) *tiles.Strip {
	s := &tiles.Strip{W: w, H: h, Columns: count, Rows: 1, Places: make([]int, count), Pixels: make([]byte, count*w*h*4)}
	for i := range s.Places {
		s.Places[i] = i
	}
	for i := range s.Pixels {
		s.Pixels[i] = byte(r.Uint32())
		if i%4 == 3 {
			switch i / (w * h * 4) % 3 {
			case 0:
				s.Pixels[i] = 255
			case 1:
				s.Pixels[i] = 255 * byte(r.IntN(2))
			}
		}
	}
	return s
}

// withTiles is a document whose second tileset has random tiles, and an atlas
// that has them.
func withTiles(t *testing.T, r *rand.Rand, cellW, cellH int, s *tiles.Strip, scale int) (*world.Document, *picture.Atlas) {
	t.Helper()
	d, err := world.Start(world.Project{Name: "Ferns", CellW: cellW, CellH: cellH, SeenW: 24, SeenH: 20}, &world.Counter{Prefix: 1})
	if err != nil {
		t.Fatal(err)
	}
	set := &world.Tileset{ID: 77, Name: "Moss", Strip: "s", First: d.TilesEnd(), Count: len(s.Places), Columns: s.Columns, Rows: s.Rows,
		Cut: tiles.Cut{W: s.W, H: s.H, Scale: scale}, Places: s.Places, Tiles: make([]*tiles.Properties, len(s.Places))}
	next := *d
	next.Tilesets = append(next.Tilesets[:1:1], set)
	atlas := picture.NewAtlas(d.Project.Lattice())
	if missing := atlas.AddMissing(&next); len(missing) != 1 || missing[0] != set {
		t.Fatalf("%d tilesets are missing, want the one that is not built in", len(missing))
	}
	atlas.Add(set, s)
	if missing := atlas.AddMissing(&next); len(missing) != 0 {
		t.Fatal("a tileset that was added is still missing")
	}
	return &next, atlas
}

// over is one colour laid on another, reckoned with fractions.
func over(top, below [4]float64) [4]float64 {
	a := top[3] + below[3]*(1-top[3])
	out := [4]float64{3: a}
	if a == 0 {
		return out
	}
	for c := range 3 {
		out[c] = (top[c]*top[3] + below[c]*below[3]*(1-top[3])) / a
	}
	return out
}

func colour(p []byte) [4]float64 {
	return [4]float64{float64(p[0]), float64(p[1]), float64(p[2]), float64(p[3]) / 255}
}

// A map's bitmap at full size is, pixel by pixel, its layers laid on each other
// with each tile as it lies in its cell.
func TestDrawingAgainstEachPixel(t *testing.T) {
	for _, size := range [][2]int{{16, 16}, {8, 12}} {
		r := rand.New(rand.NewPCG(41, uint64(size[0])))
		s := strip(r, size[0], size[1], 9)
		d, atlas := withTiles(t, r, size[0], size[1], s, 0)
		first, l := d.Tilesets[1].First, d.Project.Lattice()
		m := *d.Maps[0]
		m.Layers = nil
		ferns := make([]byte, 7*5*4)
		for i := range ferns {
			ferns[i] = byte(r.IntN(256))
		}
		atlas.AddBackdrop("ferns", 7, 5, ferns)
		for _, layer := range d.Maps[0].Layers {
			mine := *layer
			e := layer.Cells.Edit()
			for y := range 12 {
				for x := range 12 {
					c := grid.Cell(first + r.IntN(9)).Turned(r.IntN(8))
					if r.IntN(4) == 0 {
						c = 0
					}
					e.Set(grid.Point{X: x, Y: y}, c)
				}
			}
			mine.Cells = e.Done()
			mine.Backdrop = world.Backdrop{Picture: "ferns", W: 7, H: 5, X: r.IntN(30) - 10, Y: r.IntN(30) - 10, RepeatX: r.IntN(2) == 0, RepeatY: r.IntN(2) == 0}
			m.Layers = append(m.Layers, &mine)
		}
		d.Maps = []*world.Map{&m}
		out := make([]byte, picture.BitmapSide*picture.BitmapSide*4)
		box, _ := picture.NewBitmaps(atlas).Refresh(d, picture.Key{Map: m.ID, Layers: 3}, out)
		// Bitmaps have no backdrops, which the page lays itself; whole maps have.
		whole, w, _ := atlas.Scaled(&m, picture.AllLayers, 1)
		for y := range 12 * l.H {
			for x := range 12 * l.W {
				var tilesAlone, all [4]float64
				for _, layer := range m.Layers {
					b := layer.Backdrop
					u, v := x-b.X, y-b.Y
					if (b.RepeatX || u >= 0 && u < b.W) && (b.RepeatY || v >= 0 && v < b.H) {
						all = over(colour(ferns[((v%b.H+b.H)%b.H*b.W+(u%b.W+b.W)%b.W)*4:]), all)
					}
					c := layer.Cells.At(grid.Point{X: x / l.W, Y: y / l.H})
					if c == 0 {
						continue
					}
					u, v = grid.Lying(c.Orientation(), x%l.W, y%l.H, l.W, l.H)
					tile := colour(s.Tile(c.Tile() - first)[(v*l.W+u)*4:])
					tilesAlone, all = over(tile, tilesAlone), over(tile, all)
				}
				alike(t, out[(y*box.W+x)*4:], tilesAlone, x, y)
				alike(t, whole[(y*w+x)*4:], all, x, y)
			}
		}
	}
}

// alike holds a drawn pixel against what it is to be, as far as bytes can say it.
func alike(t *testing.T, pixel []byte, want [4]float64, x, y int) {
	t.Helper()
	got := colour(pixel)
	for c := range 4 {
		off, most := got[c]-want[c], 3.0
		if c == 3 {
			most = 0.01
		}
		if want[3] > 0.05 && (off > most || off < -most) || want[3] == 0 && got[3] != 0 {
			t.Fatalf("pixel %d, %d is %v, want %v", x, y, got, want)
		}
	}
}

// Tiles of another size than the cell fill it by nearest neighbour, unless
// their cut has a scale of its own: then they stand in the middle of its lower
// edge, pixel for pixel.
func TestTilesOfOtherSizes(t *testing.T) {
	r := rand.New(rand.NewPCG(42, 1))
	for _, c := range []struct{ w, h, scale int }{{8, 8, 0}, {8, 8, 1}, {12, 10, 1}, {32, 32, 0}, {32, 32, 1}, {16, 16, 1}, {5, 16, 2}} {
		s := strip(r, c.w, c.h, 4)
		d, atlas := withTiles(t, r, 16, 16, s, c.scale)
		for i := range 4 {
			got, from := atlas.Cell(grid.Cell(d.Tilesets[1].First+i)), s.Tile(i)
			for y := range 16 {
				for x := range 16 {
					want := []byte{0, 0, 0, 0}
					u, v := x*c.w/16, y*c.h/16
					if c.scale > 0 && c.w <= 16 && c.h <= 16 {
						u, v = x-(16-c.w)/2, y-(16-c.h)
					}
					if u >= 0 && v >= 0 && u < c.w && v < c.h {
						want = from[(v*c.w+u)*4:][:4]
					}
					if !bytes.Equal(got[(y*16+x)*4:][:4], want) {
						t.Fatalf("%+v: tile %d, pixel %d, %d is %v, want %v", c, i, x, y, got[(y*16+x)*4:][:4], want)
					}
				}
			}
		}
		if atlas.Cell(grid.Cell(d.Tilesets[1].First+4)) != nil || atlas.Cell(0) != nil {
			t.Errorf("%+v: a tile that is not there has pixels", c)
		}
	}
}

// A small picture of a map of any size keeps within the side that was asked
// for, and shows the map's own colours where they lie.
func TestSmallPictures(t *testing.T) {
	for _, side := range []int{24, 96, 200} {
		for _, size := range []grid.Rect{{W: 3, H: 2}, {X: -40, Y: 7, W: 90, H: 61}, {X: 5, Y: -300, W: 70, H: 512}} {
			d, err := world.Start(world.Project{Name: "Ferns", CellW: 16, CellH: 16, SeenW: 24, SeenH: 20}, &world.Counter{Prefix: 1})
			if err != nil {
				t.Fatal(err)
			}
			atlas := picture.NewAtlas(d.Project.Lattice())
			atlas.AddMissing(d)
			m := *d.Maps[0]
			m.Bounds = size
			layer := *m.Layers[0]
			e := (grid.Plane{}).Edit()
			e.Write(grid.BoxRegion(grid.Rect{X: size.X, Y: size.Y, W: size.W, H: (size.H + 1) / 2}), grid.Runs{{N: size.W * ((size.H + 1) / 2), Cell: 2}})
			layer.Cells = e.Done()
			m.Layers = []*world.Layer{&layer}
			pix, w, h := atlas.Map(&m, 1, side)
			if w < 1 || h < 1 || w > side || h > side || len(pix) != w*h*4 {
				t.Fatalf("%v within %d: %d × %d pixels in %d bytes", size, side, w, h, len(pix))
			}
			for y := range h {
				alpha := pix[(y*w+w/2)*4+3]
				if upper := (2*y+2)*size.H < h*(size.H-2); upper && alpha == 0 {
					t.Errorf("%v within %d: row %d of %d is clear", size, side, y, h)
				}
				if lower := 2*y*size.H > h*(size.H+4); lower && alpha != 0 {
					t.Errorf("%v within %d: row %d of %d is not clear", size, side, y, h)
				}
			}
		}
	}
}

// The picture of a board shows each map where it lies there, as it is drawn alone, and nothing between maps. It keeps
// within the side that was asked for, and there is none of a board that would take long to draw.
func TestBoard(t *testing.T) {
	r := rand.New(rand.NewPCG(42, 3))
	d, atlas := withTiles(t, r, 16, 8, strip(r, 16, 8, 6), 0)
	first := *d.Maps[0]
	first.Background = world.Background{}
	// Multiples of what one pixel stands for at most, so that nothing is rounded.
	first.Origin, first.Bounds = grid.Point{X: -40, Y: 12}, grid.Rect{X: 4, Y: -8, W: 20, H: 16}
	second := first
	second.Origin, second.Bounds = grid.Point{X: 24, Y: -36}, grid.Rect{W: 32, H: 24}
	for _, m := range []*world.Map{&first, &second} {
		layer := *m.Layers[0]
		e := (grid.Plane{}).Edit()
		for range 200 {
			p := grid.Point{X: m.Bounds.X + r.IntN(m.Bounds.W), Y: m.Bounds.Y + r.IntN(m.Bounds.H)}
			e.Set(p, grid.Cell(d.Tilesets[1].First+r.IntN(6)))
		}
		layer.Cells = e.Done()
		m.Layers = []*world.Layer{&layer}
	}
	d.Maps = []*world.Map{&first, &second}
	for _, side := range []int{2000, 700, 350} {
		size, ok := picture.BoardSizeOf(d, side)
		if !ok || max(size.W, size.H) > side || size.Cells != (grid.Rect{X: -36, Y: -36, W: 92, H: 56}) {
			t.Fatalf("within %d: %+v, %t", side, size, ok)
		}
		parts := size.Cells.W * 16 / size.W
		board := atlas.Board(d, size)
		seen := 0
		for i, m := range d.Maps {
			alone, w, h := atlas.Scaled(m, picture.AllLayers, parts)
			at := m.OnBoard()
			x0, y0 := (at.X-size.Cells.X)*16/parts, (at.Y-size.Cells.Y)*8/parts
			for y := range h {
				for x := range w {
					got, want := board[((y0+y)*size.W+x0+x)*4:][:4], alone[(y*w+x)*4:][:4]
					if !bytes.Equal(got, want) {
						t.Fatalf("1 : %d: pixel %d, %d of map %d is %v, alone %v", parts, x, y, i, got, want)
					}
					if want[3] > 0 {
						seen++
					}
				}
			}
		}
		painted := 0
		for i := 3; i < len(board); i += 4 {
			if board[i] > 0 {
				painted++
			}
		}
		if painted != seen || seen == 0 {
			t.Errorf("1 : %d: %d pixels are painted, those of the maps are %d", parts, painted, seen)
		}
	}
	if size, ok := picture.BoardSizeOf(d, 9); ok {
		t.Errorf("within 9 pixels it is %+v", size)
	}
	second.Bounds.W, second.Bounds.H = 1024, 1024
	if size, ok := picture.BoardSizeOf(d, 1<<20); ok {
		t.Errorf("of more than a million cells it is %+v", size)
	}
}
