package tilework_test

import (
	"math/rand/v2"
	"slices"
	"testing"

	"azzel/core/grid"
	"azzel/core/page"
	"azzel/core/page/history"
	"azzel/core/page/holding"
	"azzel/core/page/pagetest"
	"azzel/core/page/tilework"
	"azzel/core/tiles"
)

// Properties are painted onto tiles as a plain list of properties says, with
// every shape, and undo and redo lead through exactly these lists.
func TestMarksAgainstModel(t *testing.T) {
	r := rand.New(rand.NewPCG(51, 1))
	p := pagetest.Open(t, 5)
	set, strip := pagetest.Taken(t, p, 30)
	if pagetest.Order(p, tilework.AddPictures{Of: page.ID(set.ID)}, strip.Encode()); pagetest.Said(p) != "" {
		t.Fatal("the pictures were refused")
	}
	lower := tiles.MaskOf(strip.Tile(3), 16, 16)
	if lower == 0 || lower == tiles.Whole {
		t.Fatalf("the tiles of this test show %x", lower)
	}
	now := make([]tiles.Properties, set.Count)
	states, at := [][]tiles.Properties{slices.Clone(now)}, 0
	for step := range 500 {
		switch way := r.IntN(5); {
		case way == 0 && at > 0:
			pagetest.Order(p, history.Undo{})
			at--
			now = slices.Clone(states[at])
		case way == 1:
			pagetest.Order(p, history.Redo{})
			at = min(at+1, len(states)-1)
			now = slices.Clone(states[at])
		default:
			shape := []string{"free", "line", "box", "fill"}[r.IntN(4)]
			pagetest.Order(p, holding.SetShape{Shape: shape})
			m := tiles.Mark{Property: []string{"solid", "water", "danger", "above", "home", "role", "name"}[r.IntN(7)], On: r.IntN(2) == 0,
				Amount: r.IntN(4), Text: []string{"", "Crowns", "Roots"}[r.IntN(3)], Rows: []int{0, 0, 0, 0, 255, 255, 24, 255}}
			from, to := grid.Point{X: r.IntN(4), Y: r.IntN(set.Rows)}, grid.Point{X: r.IntN(4), Y: r.IntN(set.Rows)}
			list := tilework.SheetShape(p, set.ID, m.Property, from, to)
			for _, i := range list {
				place := grid.Point{X: set.Places[i] % 4, Y: set.Places[i] / 4}
				if shape == "box" && !grid.Between(from, to).Has(place) || shape != "fill" && !grid.Between(from, to).Has(place) {
					t.Fatalf("step %d: a %s from %v to %v holds %v", step, shape, from, to, place)
				}
				if shape == "fill" && now[i].Value(m.Property) != now[list[0]].Value(m.Property) {
					t.Fatalf("step %d: a fill of one value holds two", step)
				}
			}
			pagetest.Order(p, tilework.MarkTiles{Tileset: page.ID(set.ID), Tiles: list, Mark: m})
			next := slices.Clone(now)
			for _, i := range list {
				var err error
				if next[i], err = m.Apply(now[i], func() tiles.Mask { return lower }); err != nil {
					t.Fatal(err)
				}
			}
			if !slices.Equal(next, now) {
				now = next
				at++
				states = append(states[:at], slices.Clone(now))
			}
		}
		is := p.Document().Tileset(set.ID)
		for i := range now {
			if is.Tile(i) != now[i] {
				t.Fatalf("step %d: tile %d is %+v, want %+v", step, i, is.Tile(i), now[i])
			}
		}
		view := tilework.Tileset(p, set.ID)
		solid := 0
		for _, q := range now {
			if q.Solid != 0 {
				solid++
			}
		}
		if view.Solid != solid || len(view.Tiles) != len(now) {
			t.Fatalf("step %d: the view counts %d solid tiles, want %d", step, view.Solid, solid)
		}
	}
	if at < 20 {
		t.Errorf("only %d marks took place", at)
	}
}
