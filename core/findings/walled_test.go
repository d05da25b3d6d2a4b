package findings

import (
	"math/rand/v2"
	"slices"
	"testing"

	"azzel/core/body"
	"azzel/core/edit"
	"azzel/core/grid"
	"azzel/core/kind"
	"azzel/core/kinds/person"
	"azzel/core/kinds/sign"
	"azzel/core/logic"
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
			g, apart := solidOn(d, m), roomsOf(d, m)
			for range 20 {
				from, to := generate.Cell(r, m), generate.Cell(r, m)
				size := body.Size{W: 1 + r.IntN(20), H: 1 + r.IntN(20)}
				search := body.Search{Size: size, Straight: r.IntN(2) == 0, Left: body.PathCells, Beside: true}
				_, _, found := search.Path(g, from, to)
				is := apart.apart(from, to)
				if found && is {
					t.Fatalf("world %d: from %v to %v there is a way, and walls lie between", seed, from, to)
				}
				if is {
					between++
				} else if found && from.Sub(to) != (grid.Point{}) && (from.X-to.X)*(from.X-to.X)+(from.Y-to.Y)*(from.Y-to.Y) > 9 {
					free++
				}
			}
		}
	}
	if between < 100 || free < 100 {
		t.Errorf("walls lay between %d times, and did not %d times: this shows little", between, free)
	}
}

// A wall that keeps somebody from a sign is found, no longer once a doorway leads through it, a rule clears it, or a platform might carry them, and again
// without that: looked at anew as from scratch.
func TestWallsThatChange(t *testing.T) {
	d, err := generate.World(2)
	if err != nil {
		t.Fatal(err)
	}
	ids := &world.Counter{Prefix: 40}
	house, layers := world.NewMap("Tool shed", grid.Point{X: 4000}, grid.Rect{W: 9, H: 5}, ids)
	across := grid.BoxRegion(grid.Rect{X: 4, W: 1, H: 5})
	at := func(k *kind.Kind, x int) (world.ID, edit.Part) {
		id := ids.NewID()
		p := &world.Piece{Type: k.ID, Layer: house.PlayerLayer, Foot: d.Project.Lattice().Foot(grid.Point{X: x, Y: 2})}
		return id, edit.Put{Ref: world.Ref{Sort: world.SortPiece, Map: house.ID, ID: id}, Values: p.Values()}
	}
	who, porter := at(person.Kind, 1)
	to, board := at(sign.Kind, 7)
	rule, area := ids.NewID(), ids.NewID()
	send := &world.Rule{}
	send.Set(logic.Part{ID: ids.NewID(), Begins: logic.Moment{Is: logic.PlayBegins.Number}})
	send.Set(logic.Part{ID: ids.NewID(), Action: logic.Action{Does: logic.WalkTo, Subject: logic.Noun{Is: logic.Piece, Thing: who}, Towards: logic.Noun{Is: logic.Piece, Thing: to}}})
	var f Finder
	look := func(what string, want bool, parts ...edit.Part) {
		t.Helper()
		res, err := edit.Apply(d, edit.Edit{Parts: parts})
		if err != nil {
			t.Fatal(err)
		}
		d = res.Document
		list := f.Find(d)
		if is := slices.ContainsFunc(list, func(is Finding) bool { return is.Fault == NoWay && is.Of.ID == rule }); is != want {
			t.Errorf("%s: found %t, not %t", what, is, want)
		}
		if !slices.Equal(list, Find(d)) {
			t.Errorf("%s: from scratch it is something else", what)
		}
	}
	look("a wall across", true, append(edit.PutMap(house, layers), edit.Paint{Map: house.ID, Layer: house.PlayerLayer, Region: across, Cells: grid.Runs{{N: across.Len(), Cell: grid.Cell(tiles.Wall)}}},
		porter, board, edit.Put{Ref: world.RuleRef(rule), Values: send.Values()})...)
	doorway := world.Crossing{Ends: [2]world.End{{Map: house.ID, Cells: grid.Rect{X: 4, Y: 3, W: 1, H: 1}}, {Map: house.ID, Cells: grid.Rect{X: 8, Y: 4, W: 1, H: 1}}}}
	through := world.Ref{Sort: world.SortCrossing, ID: ids.NewID()}
	look("a doorway through it", false, edit.Put{Ref: through, Values: doorway.Values()})
	look("the doorway gone", true, edit.Remove{Ref: through})
	gap := world.Area{Map: house.ID, Cells: across}
	clears := &world.Rule{}
	clears.Set(logic.Part{ID: ids.NewID(), Action: logic.Action{Does: logic.SetCells, Thing: area, Is: logic.CellsCleared}})
	other := world.RuleRef(ids.NewID())
	look("a rule that clears it", false, edit.Put{Ref: world.Ref{Sort: world.SortArea, ID: area}, Values: gap.Values()}, edit.Put{Ref: other, Values: clears.Values()})
	look("that rule gone", true, edit.Remove{Ref: other})
	raft, carries := at(kind.Named("moving platform"), 2)
	look("a platform", false, carries)
	look("the platform gone", true, edit.Remove{Ref: world.Ref{Sort: world.SortPiece, Map: house.ID, ID: raft}})
	look("a hole in the wall", false, edit.Paint{Map: house.ID, Layer: house.PlayerLayer, Region: grid.BoxRegion(grid.Rect{X: 4, Y: 1, W: 1, H: 1}), Cells: grid.Runs{{N: 1}}})
}
