package findings

import (
	"math/rand/v2"
	"testing"

	"azzel/core/body"
	"azzel/core/edit"
	"azzel/core/grid"
	"azzel/core/play/generate"
	"azzel/core/tiles"
	"azzel/core/world"
)

// Where walls are said to lie between two cells of random maps, the way that somebody in play looks for is not found, whatever body is looking.
func TestWallsAgainstSearch(t *testing.T) {
	between, free := 0, 0
	for seed := range uint64(150) {
		d, err := generate.World(seed)
		if err != nil {
			t.Fatal(err)
		}
		r := rand.New(rand.NewPCG(seed, 7))
		// A house in which about every other cell is a wall.
		house, layers := world.NewMap("Tool shed", grid.Point{X: 4000}, grid.Rect{W: 8 + r.IntN(40), H: 6 + r.IntN(20)}, &world.Counter{Prefix: 40})
		thick := 25 + r.IntN(40)
		bricks := grid.BoxRegion(house.Bounds).Where(func(grid.Point) bool { return r.IntN(100) < thick })
		res, err := edit.Apply(d, edit.Edit{Parts: append(edit.PutMap(house, layers),
			edit.Paint{Map: house.ID, Layer: house.PlayerLayer, Region: bricks, Cells: grid.Runs{{N: bricks.Len(), Cell: grid.Cell(tiles.Wall)}}})})
		if err != nil {
			t.Fatal(err)
		}
		d = res.Document
		for _, m := range d.Maps {
			if m.View != world.TopDown {
				continue
			}
			alone := *d
			alone.Maps = []*world.Map{m}
			g := body.NewGround(&alone, m)
			for range 20 {
				from, to := generate.Cell(r, m), generate.Cell(r, m)
				size := body.Size{W: 1 + r.IntN(20), H: 1 + r.IntN(20)}
				search := body.Search{Size: size, Straight: r.IntN(2) == 0, Left: body.PathCells, Beside: true}
				_, _, found := search.Path(g, from, to)
				is := walls(d, m, from, to)
				if found && is {
					t.Fatalf("world %d: from %v to %v there is a way, and walls lie between", seed, from, to)
				}
				if is {
					between++
				} else if found && max(abs(from.X-to.X), abs(from.Y-to.Y)) > 3 {
					free++
				}
			}
		}
	}
	if between < 100 || free < 100 {
		t.Errorf("walls lay between %d times, and did not %d times: this shows little", between, free)
	}
}
