package generate

import (
	"math/rand/v2"

	"azzel/core/edit/generate"
	"azzel/core/grid"
	"azzel/core/kind"
	"azzel/core/logic"
	terms "azzel/core/logic/random"
	"azzel/core/tiles"
	"azzel/core/world"
)

// Ruled is World with an area on each map and with rules at random, which begin by what happens often.
func Ruled(seed uint64) (*world.Document, error) {
	d, err := World(seed)
	if err != nil {
		return nil, err
	}
	r := rand.New(rand.NewPCG(seed, 81))
	draft := d.Draft()
	ids := &world.Counter{Prefix: 6}
	for _, m := range d.Maps {
		b := m.Bounds
		area := &world.Area{Name: "Bed", Map: m.ID, Cells: grid.BoxRegion(grid.Rect{X: b.X, Y: b.Y, W: (b.W + 1) / 2, H: b.H})}
		if err := draft.Put(world.Ref{Sort: world.SortArea, ID: ids.NewID()}, area.Values()); err != nil {
			return nil, err
		}
	}
	for _, patch := range patches(seed) {
		if err := draft.Put(world.Ref{Sort: world.SortPatch, ID: ids.NewID()}, patch.Values()); err != nil {
			return nil, err
		}
	}
	of := generate.Things(draft.Document())
	of.Newest = true
	for range 10 {
		of.Rules = append(of.Rules, ids.NewID())
	}
	for i, id := range of.Rules[1:] {
		is := &world.Rule{Off: r.IntN(20) == 0, Rule: terms.Rule(r, of, ids.NewID)}
		switch r.IntN(7) {
		case 0:
			is.HomeSort, is.Home = kind.Map, of.Maps[r.IntN(len(of.Maps))]
		case 1:
			is.HomeSort, is.Home = kind.Piece, of.Pieces[r.IntN(len(of.Pieces))]
		case 2:
			all := kind.All()
			is.HomeSort, is.Home = kind.Type, all[r.IntN(len(all))].ID
		case 3:
			is.HomeSort, is.Home = kind.Character, of.Characters[r.IntN(len(of.Characters))]
		case 4:
			is.HomeSort, is.Home = kind.Crossing, of.Crossings[r.IntN(len(of.Crossings))]
		}
		if is.Begins == logic.When && r.IntN(3) > 0 {
			// What chance draws seldom comes.
			often := []logic.Moment{
				{Is: logic.PlayBegins.Number}, {Is: logic.MapBegins.Number, Thing: of.Maps[r.IntN(len(of.Maps))]}, {Is: logic.AreaEntered.Number, Thing: of.Areas[r.IntN(len(of.Areas))]},
				{Is: logic.AreaLeft.Number, Thing: of.Areas[r.IntN(len(of.Areas))]}, {Is: logic.AreaStayed.Number, Thing: of.Areas[r.IntN(len(of.Areas))], Number: 1 + r.IntN(60)},
				{Is: logic.FactChanged.Number, Thing: of.Facts[r.IntN(len(of.Facts))]},
			}
			is.Set(logic.Part{ID: ids.NewID(), Order: -1 - i, Begins: often[r.IntN(len(often))]})
		}
		if r.IntN(3) > 0 {
			is.If = logic.Condition{}
		}
		// A play that ends at once shows nothing.
		for _, p := range is.Parts {
			if p.Does == logic.End && r.IntN(3) > 0 || p.Does == logic.HoldStill && r.IntN(3) > 0 {
				p.Off = true
				is.Set(p)
			}
		}
		if err := draft.Put(world.RuleRef(id), is.Values()); err != nil {
			return nil, err
		}
	}
	for range r.IntN(4) {
		w := world.Wire{From: of.Pieces[r.IntN(len(of.Pieces))], To: of.Areas[r.IntN(len(of.Areas))], Does: r.IntN(4), After: r.IntN(2) * r.IntN(60), Of: r.IntN(4) - 1}
		if r.IntN(2) == 0 {
			w.To = of.Layers[r.IntN(len(of.Layers))]
		}
		if w.From == w.To {
			continue // both are gone
		}
		if err := draft.Put(world.Ref{Sort: world.SortWire, ID: ids.NewID()}, w.Values()); err != nil {
			return nil, err
		}
	}
	return draft.Done()
}

// patches are what cells can become: a wall, and two cells side by side of any tiles.
func patches(seed uint64) (list []*world.Patch) {
	r := rand.New(rand.NewPCG(seed, 83))
	for w := 1; w <= 2; w++ {
		cells := grid.Plane{}.Edit()
		for x := range w {
			cells.Set(grid.Point{X: x}, grid.Cell(1+r.IntN(tiles.BlockoutCount)))
		}
		if w == 1 {
			cells.Set(grid.Point{}, grid.Cell(tiles.Wall))
		}
		list = append(list, &world.Patch{Name: "Bench", Block: world.Block{W: w, H: 1, Layers: []world.BlockLayer{{Name: "Ground", Depth: r.IntN(2), Counts: true, Cells: cells.Done()}}}})
	}
	return list
}
