package main

import (
	"fmt"
	"math/rand/v2"
	"slices"
	"time"

	"azzel/core/grid"
	"azzel/core/kind"
	"azzel/core/kinds/props"
	"azzel/core/world"
)

// pieces measures natively how large a document of 50,000 pieces is, half of which set their speed if they have one, and
// how long it takes to read.
func pieces(b *bench) error {
	const maps, each, times = 10, 5000, 7
	r := rand.New(rand.NewPCG(1, 1))
	ids := &world.Counter{Prefix: 2}
	d, err := world.Start(world.Project{Name: "Many", CellW: 16, CellH: 16, SeenW: 20, SeenH: 12}, ids)
	if err != nil {
		return err
	}
	draft := d.Draft()
	kinds := kind.All()[1:]
	for i := range maps {
		m, layers := world.NewMap(fmt.Sprint("Bed ", i), grid.Point{X: 100 * (i + 1)}, grid.Rect{W: 99, H: 99}, ids)
		if err := world.PutMap(draft, m, layers); err != nil {
			return err
		}
		for n := range each {
			p := &world.Piece{Type: kinds[n%len(kinds)].ID, Layer: m.PlayerLayer, Foot: grid.Point{X: r.IntN(99)*16 + 8, Y: r.IntN(99)*16 + 15}}
			if r.IntN(2) == 0 {
				p.Props = p.Kind().Keeps(kind.Set(props.Speed.Is(10 + r.IntN(40))))
			}
			if err := draft.Put(world.Ref{Sort: world.SortPiece, Map: m.ID, ID: ids.NewID()}, p.Values()); err != nil {
				return err
			}
		}
	}
	if d, err = draft.Done(); err != nil {
		return err
	}
	bytes := d.Encode()
	took := make([]float64, times)
	for i := range took {
		before := time.Now()
		if _, err := world.Decode(bytes); err != nil {
			return err
		}
		took[i] = float64(time.Since(before).Microseconds()) / 1000
	}
	slices.Sort(took)
	b.add(
		fmt.Sprintf("a document of %d pieces of all kinds, half of which set their speed if they have one: stored; read natively, best / median / worst of %d", maps*each, times),
		"half of 5.2 MB, no slower",
		"%.1f MB; %.0f / %.0f / %.0f ms",
		float64(len(bytes))/1e6,
		took[0],
		took[times/2],
		took[times-1],
	)
	return nil
}
