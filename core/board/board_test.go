package board_test

import (
	"math/rand/v2"
	"strings"
	"testing"

	"azzel/core/board"
	"azzel/core/body"
	"azzel/core/grid"
	"azzel/core/play/generate"
	"azzel/core/world"
)

// The box of a new map holds its corner, lies on no other map, and is the box
// dragged where nothing is in the way.
func TestRoomLiesOnNothing(t *testing.T) {
	r := rand.New(rand.NewPCG(4, 4))
	ids := &world.Counter{Prefix: 8}
	for seed := range uint64(30) {
		d, err := generate.FromAbove(seed)
		if err != nil {
			t.Fatal(err)
		}
		for range 40 {
			at := func() grid.Point { return grid.Point{X: r.IntN(400) - 100, Y: r.IntN(200) - 100} }
			corner, to := at(), at()
			room := board.Room(d, corner, to)
			if d.MapAt(corner) != nil {
				if !room.Empty() {
					t.Fatalf("a map could begin on another, at %v", corner)
				}
				continue
			}
			if !room.Has(corner) {
				t.Fatalf("%v does not hold its corner %v", room, corner)
			}
			free := true
			for _, m := range d.Maps {
				if !m.OnBoard().Meet(room).Empty() {
					t.Fatalf("%v lies on %s", room, m.Name)
				}
				free = free && m.OnBoard().Meet(grid.Between(corner, to)).Empty()
			}
			if free && room != grid.Between(corner, to) {
				t.Fatalf("%v was cut to %v though nothing is there", grid.Between(corner, to), room)
			}
			if r.IntN(8) == 0 && room.W < 60 && room.H < 60 {
				draft := d.Draft()
				m, layers := world.NewMap(board.NameFor(d, room), grid.Point{X: room.X, Y: room.Y}, grid.Rect{W: room.W, H: room.H}, ids)
				if err := world.PutMap(draft, m, layers); err != nil {
					t.Fatal(err)
				}
				if d, err = draft.Done(); err != nil {
					t.Fatal(err)
				}
			}
		}
		names := map[string]bool{}
		for _, m := range d.Maps {
			if names[m.Name] || strings.TrimSpace(m.Name) == "" {
				t.Fatalf("two maps are called %q", m.Name)
			}
			names[m.Name] = true
		}
	}
}

// One lands where one can stand, on no doorway, near the one one comes out of;
// only where there is no such place, in the doorway itself.
func TestLandings(t *testing.T) {
	landed := 0
	for seed := range uint64(150) {
		d, err := generate.FromAbove(seed)
		if err != nil {
			t.Fatal(err)
		}
		size := body.PlayerSize(d.Project.Lattice())
		for _, c := range d.Crossings {
			for from := range 2 {
				end := c.Ends[1-from]
				g := body.NewGround(d, d.Map(end.Map))
				at, ok := board.LandingOf(d, c, from)
				if !g.Stands(size, at) {
					t.Fatalf("world %d: one can't stand at the landing %v", seed, at)
				}
				if !ok {
					if !end.Cells.Has(at) {
						t.Fatalf("world %d: no landing, yet %v is not the doorway", seed, at)
					}
					continue
				}
				landed++
				dx, dy := at.X-end.Cells.X, at.Y-end.Cells.Y
				if g.Doorway(at) || max(dx, -dx)+max(dy, -dy) > 8 {
					t.Fatalf("world %d: the landing %v is a doorway or far from %v", seed, at, end.Cells)
				}
			}
		}
	}
	if landed < 1000 {
		t.Errorf("only %d landings were looked at", landed)
	}
}
