package play

import (
	"cmp"
	"fmt"
	"slices"
	"sort"

	"azzel/core/limit"
	"azzel/core/logic"
	"azzel/core/pack"
	"azzel/core/world"
)

// places is where those are who come into areas and go out of them, as far as rules listen to that.
type places struct {
	// watched says that it was looked at on the map on which the player is.
	watched bool
	// entrants are what is in areas, sorted.
	entrants []inside
}

// inside is that something acts in an area.
type inside struct{ area, piece world.ID }

func (i inside) compare(o inside) int {
	return cmp.Or(cmp.Compare(i.area, o.area), cmp.Compare(i.piece, o.piece))
}

func (p *places) empty() bool { return !p.watched && len(p.entrants) == 0 }

func (p places) clone() places {
	p.entrants = slices.Clone(p.entrants)
	return p
}

func (p *places) encode(w *pack.Writer) {
	w.Bool(p.watched)
	w.Uint(uint64(len(p.entrants)))
	for _, i := range p.entrants {
		w.Uint(uint64(i.area))
		w.Uint(uint64(i.piece))
	}
}

func decodePlaces(r *pack.Reader) places {
	p := places{watched: r.Bool()}
	for range r.Count(limit.Areas*limit.Pieces, 2) {
		i := inside{world.ID(r.Uint()), world.ID(r.Uint())}
		if n := len(p.entrants); n > 0 && p.entrants[n-1].compare(i) >= 0 {
			r.Fail(fmt.Errorf("%w: what is in areas is out of order", pack.ErrMalformed))
		}
		p.entrants = append(p.entrants, i)
	}
	return p
}

// noticeInside tells rules what came into areas and went out of them, of what acts on the player's map and beside it. What is there as the player comes to a
// map, or as rules begin to listen, has not come in, and what is gone has not gone out.
func (g *Game) noticeInside(arrived bool) {
	areas := g.book.Areas()
	if len(areas) == 0 {
		g.places = places{}
		return
	}
	var now []inside
	there := map[world.ID]bool{}
	for i := range g.areas {
		a := &g.areas[i]
		if _, listened := slices.BinarySearch(areas, a.ID); !listened {
			continue
		}
		for k := range g.actors {
			is := &g.actors[k]
			if !g.there(is) {
				continue
			}
			there[is.piece.ID] = true
			if a.has(g.things[is.at].Place.Cell(g.ground.Lattice)) {
				now = append(now, inside{a.ID, is.piece.ID})
			}
		}
	}
	sort.Slice(now, func(i, j int) bool { return now[i].compare(now[j]) < 0 })
	if was := g.entrants; g.watched && !arrived {
		for _, i := range was {
			if _, still := slices.BinarySearchFunc(now, i, inside.compare); !still && there[i.piece] {
				g.raise(logic.GoesOutOf, i.piece, 0, int(i.area))
			}
		}
		for _, i := range now {
			if _, already := slices.BinarySearchFunc(was, i, inside.compare); !already {
				g.raise(logic.ComesInto, i.piece, 0, int(i.area))
			}
		}
	}
	g.places = places{true, now}
}
