package edit_test

import (
	"bytes"
	"math/rand/v2"
	"testing"

	"azzel/core/edit"
	"azzel/core/edit/generate"
	"azzel/core/grid"
	"azzel/core/tiles"
	"azzel/core/world"
)

// seasons is a document with two tilesets of 24 tiles, 6 in a row: the second has
// the same names in another order, lacks the last 4, and shares some roles. The numbers of a third
// follow on those of the first.
func seasons(t *testing.T, r *rand.Rand) *world.Document {
	t.Helper()
	d := newDocument(t)
	ids := &world.Counter{Prefix: 700}
	names := []string{"moss", "fern", "gravel", "stone", "pond", "bed", "path", "lamp", "leaf", "bark", "root", "soil", "sand", "clay", "vine", "stem", "bulb", "seed", "reed", "rush", "iris", "lily", "palm", "vane"}
	make24 := func(name string, first, count int, order []int) edit.Part {
		set := &world.Tileset{Name: name, First: first, Count: count, Columns: 6, Rows: 4}
		for i := range count {
			set.Places = append(set.Places, i)
			set.Tiles = append(set.Tiles, &tiles.Properties{Name: names[order[i]], Role: tiles.Role(order[i] % 4)})
		}
		return edit.Put{Ref: world.Ref{Sort: world.SortTileset, ID: ids.NewID()}, Values: set.Values()}
	}
	var straight []int
	for i := range 24 {
		straight = append(straight, i)
	}
	d = apply(t, d, make24("Summer", 100, 24, straight), make24("Winter", 200, 20, r.Perm(24)), make24("Autumn", 124, 3, straight))
	other, layers := world.NewMap("Shed", grid.Point{X: 100}, grid.Rect{X: -5, W: 40, H: 33}, ids)
	parts := []edit.Part{edit.Put{Ref: world.Ref{Sort: world.SortMap, ID: other.ID}, Values: other.Values()}}
	for _, l := range layers {
		parts = append(parts, edit.Put{Ref: world.Ref{Sort: world.SortLayer, Map: other.ID, ID: l.ID}, Values: l.Values()})
	}
	d = apply(t, d, parts...)
	for _, m := range d.Maps {
		for _, l := range m.Layers {
			g := grid.BoxRegion(m.Bounds)
			cells := grid.RunsOf(g, func(grid.Point) grid.Cell {
				return []grid.Cell{0, grid.Cell(1 + r.IntN(9)), grid.Cell(100 + r.IntN(24)).Turned(r.IntN(8)), grid.Cell(100 + r.IntN(9)), grid.Cell(124 + r.IntN(3))}[r.IntN(5)]
			})
			d = apply(t, d, edit.Paint{Map: m.ID, Layer: l.ID, Region: g, Cells: cells})
		}
	}
	return d
}

// A re-skin changes each cell as its rule says, tile by tile and no others, keeps
// how it lies, counts what it finds, and is taken back in one step.
func TestReskinAgainstRule(t *testing.T) {
	for seed := range uint64(12) {
		r := rand.New(rand.NewPCG(seed, 95))
		d := seasons(t, r)
		from, to := d.Tilesets[1], d.Tilesets[3]
		for _, by := range []edit.Likeness{edit.ByPosition, edit.ByName, edit.ByRole} {
			skin := edit.Reskin{From: from.ID, To: to.ID, By: by, Chosen: map[int]int{103: 207, 104: 0, 105: 9999}}
			if seed%2 == 0 {
				skin.Map = d.Maps[1].ID
			}
			if seed%4 == 0 {
				skin.Within = grid.BoxRegion(grid.Rect{X: d.Maps[1].Bounds.X + 2, Y: d.Maps[1].Bounds.Y + 1, W: 5, H: 6})
			}
			rule := func(n int) int {
				i := n - from.First
				switch {
				case n == 103:
					return 207
				case n == 104 || i < 0 || i >= from.Count:
					return 0
				case by == edit.ByPosition && i < to.Count:
					return to.First + i
				case by == edit.ByName:
					for k := range to.Count {
						if to.Tile(k).Name == from.Tile(i).Name {
							return to.First + k
						}
					}
				case by == edit.ByRole && from.Tile(i).Role != 0:
					var alike []int
					nth := 0
					for k := range to.Count {
						if to.Tile(k).Role == from.Tile(i).Role {
							alike = append(alike, to.First+k)
						}
					}
					for k := range i {
						if from.Tile(k).Role == from.Tile(i).Role {
							nth++
						}
					}
					if len(alike) > 0 {
						return alike[nth%len(alike)]
					}
				}
				return 0
			}
			e, cells := skin.Edit(d)
			res, err := edit.Apply(d, e)
			if err != nil {
				t.Fatal(err)
			}
			changed, count := 0, map[int]int{}
			for i, m := range d.Maps {
				for k, l := range m.Layers {
					for _, s := range grid.BoxRegion(m.Bounds) {
						for x := s.X0; x <= s.X1; x++ {
							p := grid.Point{X: x, Y: s.Y}
							was, is := l.Cells.At(p), res.Document.Maps[i].Layers[k].Cells.At(p)
							want := was
							if (skin.Map == 0 || skin.Map == m.ID) && (skin.Within == nil || skin.Within.Has(p)) {
								if i := was.Tile() - from.First; i >= 0 && i < from.Count {
									count[was.Tile()]++
								}
								if n := rule(was.Tile()); n != 0 {
									want = grid.Cell(n).Turned(was.Orientation())
									changed++
								}
							}
							if is != want {
								t.Fatalf("seed %d, by %s: %v of %s is %d, want %d", seed, by, p, m.Name, is, want)
							}
						}
					}
				}
			}
			if changed != cells {
				t.Errorf("by %s: %d cells were said to change, %d did", by, cells, changed)
			}
			for _, m := range skin.Matches(d) {
				if m.Cells != count[m.From] || m.To != rule(m.From) || m.Chosen != (m.From == 103 || m.From == 104) {
					t.Errorf("by %s: %+v, want %d cells to %d", by, m, count[m.From], rule(m.From))
				}
				delete(count, m.From)
			}
			if len(count) > 0 {
				t.Errorf("by %s: not listed are %v", by, count)
			}
			back, err := edit.Apply(res.Document, edit.Edit{Undoes: 1, Parts: res.Inverse})
			if err != nil || back.Left != 0 || !bytes.Equal(back.Document.Encode(), d.Encode()) {
				t.Fatalf("by %s: it can't be taken back in one step: %d left (%v)", by, back.Left, err)
			}
		}
	}
	d := seasons(t, rand.New(rand.NewPCG(1, 1)))
	for _, none := range []edit.Reskin{{From: 5, To: d.Tilesets[1].ID}, {From: d.Tilesets[1].ID, To: 5}, {From: d.Tilesets[3].ID, To: d.Tilesets[1].ID}} {
		if e, cells := none.Edit(d); cells != 0 || len(e.Parts) != 0 || len(none.Matches(d)) != 0 {
			t.Errorf("%+v changes %d cells", none, cells)
		}
	}
}

// Where tiles of one bond give way to tiles of another, each cell follows the
// bond it becomes, even if the other has its tiles elsewhere.
func TestReskinOfBonds(t *testing.T) {
	r := rand.New(rand.NewPCG(96, 1))
	d := hedges(t, r, tiles.Sides, tiles.Sides)
	m := d.Maps[0]
	set := d.Tilesets[1]
	second := *set
	second.Name, second.First = "Hedges in winter", 400
	winter := &world.Bond{Name: "Hedge in winter", Bond: d.Bonds[0].Bond}
	winter.Tiles = nil
	for _, tile := range d.Bonds[0].Tiles {
		tile.Tile += 300
		winter.Tiles = append(winter.Tiles, tile)
	}
	// By its position each tile would become one for other surroundings.
	winter.Tiles[3].Joined, winter.Tiles[5].Joined = winter.Tiles[5].Joined, winter.Tiles[3].Joined
	d = apply(t, d, edit.Put{Ref: world.Ref{Sort: world.SortTileset, ID: 9001}, Values: second.Values()},
		edit.Put{Ref: world.Ref{Sort: world.SortBond, ID: 9002}, Values: winter.Values()})
	for range 40 {
		box := grid.Rect{X: r.IntN(m.Bounds.W), Y: r.IntN(m.Bounds.H), W: 1 + r.IntN(5), H: 1 + r.IntN(5)}.Meet(m.Bounds)
		d = apply(t, d, generate.Lay(m, m.Layers[0], d.Bonds[0], grid.BoxRegion(box)))
	}
	right(t, d, "before")
	e, cells := edit.Reskin{From: set.ID, To: 9001, By: edit.ByPosition}.Edit(d)
	res, err := edit.Apply(d, e)
	if err != nil || cells == 0 {
		t.Fatal(cells, err)
	}
	right(t, res.Document, "re-skinned")
	for _, run := range res.Document.Maps[0].Layers[0].Cells.Read(grid.BoxRegion(m.Bounds)) {
		if n := run.Cell.Tile(); n >= set.First && n < set.First+set.Count {
			t.Fatalf("tile %d is still there", n)
		}
	}
	back, err := edit.Apply(res.Document, edit.Edit{Undoes: 1, Parts: res.Inverse})
	if err != nil || !bytes.Equal(back.Document.Encode(), d.Encode()) {
		t.Errorf("a re-skin of bonds can't be taken back: %v", err)
	}
}
