package play

import (
	"errors"

	"azzel/core/board"
	"azzel/core/body"
	"azzel/core/grid"
	"azzel/core/limit"
	"azzel/core/world"
)

// ErrNoWay is reported for a place to which one can't walk.
var ErrNoWay = errors.New("there is no way there")

// ErrFromTheSide is reported on a map that is seen from the side.
var ErrFromTheSide = errors.New("walking somewhere by a click is for maps that are seen from above")

// errDanger is reported where danger begins.
var errDanger = errors.New("the only way on leads through danger, so you stop before it")

// errFar is reported if looking for a way was given up.
var errFar = errors.New("that is too far to find the way at once: walk a part of it first")

// walkCells is how many cells are looked at for one walk, on all maps together.
const walkCells = 2 * body.PathCells

// patience is for how many ticks one tries to get on before the way is looked for anew.
const patience = 20

// mostAnew is how often the way is looked for anew before a walk is given up.
const mostAnew = 20

// A Walk leads the player to a cell, over crossings if it must: it says what to hold down
// in each tick. It is not part of the game, so that what it did is recorded like keys.
type Walk struct {
	Map  world.ID
	Cell grid.Point
	doc  *world.Document
	// on is the map that way lies on, its next cell last.
	on   world.ID
	path []grid.Point
	// ends says that the way is the last one, without a crossing at its end.
	ends bool
	// danger says that the way was cut where danger begins.
	danger bool
	last   body.Place
	stays  int
	anew   int
}

// WalkTo begins a walk to a cell. An error says in words why there is none.
func (g *Game) WalkTo(m world.ID, cell grid.Point) (*Walk, error) {
	w := &Walk{Map: m, Cell: cell}
	if g.ground.Map.View == world.SideView {
		return nil, ErrFromTheSide
	}
	if err := w.look(g); err != nil {
		return nil, err
	}
	return w, nil
}

// A spot is a cell of a map.
type spot struct {
	m    world.ID
	cell grid.Point
}

// A leg begins where one comes into a map.
type leg struct {
	spot
	// first is the way on the player's own map that leads here; nil for that map itself.
	first []grid.Point
}

// look finds the way over as few crossings as can be; through danger only if there is no
// other, and then up to where it begins.
func (w *Walk) look(g *Game) error {
	w.doc, w.stays, w.danger = g.doc, 0, false
	search := body.Search{Size: g.size, Straight: g.moves.Steering != world.EightWays, Left: walkCells}
	err := w.search(g, &search, false)
	if err != ErrNoWay {
		return err
	}
	if err := w.search(g, &search, true); err != nil {
		return err
	}
	hurts := g.hurting(g.ground.Map)
	for n := len(w.path) - 2; n >= 0; n-- {
		if hurts(w.path[n]) {
			w.path, w.ends, w.danger = w.path[n+1:], true, true
			break
		}
	}
	return nil
}

// search looks for the way, through danger or not.
func (w *Walk) search(g *Game, search *body.Search, danger bool) error {
	open := []leg{{spot{g.mapID, g.place.Cell(g.doc.Project.Lattice())}, nil}}
	seen := map[spot]bool{}
	for len(open) > 0 {
		at := open[0]
		open = open[1:]
		m := g.doc.Map(at.m)
		if m.View == world.SideView {
			continue
		}
		search.Avoid = g.avoided(m, danger)
		// way gives the way on the player's own map, if it goes on to a cell here.
		path := func(to grid.Point) []grid.Point {
			cells, _, found := search.Path(g.groundOf(m), at.cell, to)
			if found && at.first != nil {
				return at.first
			}
			return cells
		}
		if at.m == w.Map {
			if cells := path(w.Cell); cells != nil {
				w.on, w.path, w.ends = g.mapID, cells, at.first == nil
				return nil
			}
		}
		for _, x := range g.doc.Crossings {
			for i, end := range x.Ends {
				if end.Map != at.m || !x.Leads(i) {
					continue
				}
				to := x.Ends[1-i]
				landing, _ := board.Landing(g.groundOf(g.doc.Map(to.Map)), g.sizeOn(g.doc.Map(to.Map)), to.Cells)
				next := spot{to.Map, landing}
				if seen[next] {
					continue
				}
				if cells := path(grid.Point{X: end.Cells.X + end.Cells.W/2, Y: end.Cells.Y + end.Cells.H/2}); cells != nil {
					seen[next] = true
					open = append(open, leg{next, cells})
				}
				if search.Left <= 0 {
					return errFar
				}
			}
		}
	}
	if search.Left <= 0 {
		return errFar
	}
	return ErrNoWay
}

// avoided are the cells of a map that lead elsewhere, end the game or hurt.
func (g *Game) avoided(m *world.Map, danger bool) func(grid.Point) bool {
	ground := g.groundOf(m)
	l := g.doc.Project.Lattice()
	exits := map[grid.Point]bool{}
	for _, p := range m.Pieces {
		if p.Kind().Ends && g.Here(p.ID) {
			exits[l.CellAt(p.Foot)] = true
		}
	}
	hurts := func(grid.Point) bool { return false }
	if !danger {
		hurts = g.hurting(m)
	}
	return func(c grid.Point) bool { return ground.Doorway(c) || exits[c] || hurts(c) }
}

// hurting are the cells of a map in which something hurts that stands still: a tile, or a hazard,
// which also hurts beside the cell on which it stands if a body in the middle of that touches it.
func (g *Game) hurting(m *world.Map) func(grid.Point) bool {
	ground, l, mine := g.groundOf(m), g.doc.Project.Lattice(), g.sizeOn(m)
	cells := map[grid.Point]bool{}
	for _, p := range m.Pieces {
		of := p.Type
		if p.Kind().Drawn {
			of = g.draw(m, p)
		}
		if i, there := g.thing(p.ID); !isHazard(of) || g.isOff(p) || !g.Here(p.ID) || there && g.things[i].Gone {
			continue
		}
		box := g.sizeOf(of, p, m.View).Box(footOf(p))
		at := l.CellAt(p.Foot)
		cells[at] = true
		// No body is wider than so many cells.
		for y := at.Y - limit.Body; y <= at.Y+limit.Body; y++ {
			for x := at.X - limit.Body; x <= at.X+limit.Body; x++ {
				if c := (grid.Point{X: x, Y: y}); box.Meets(mine.Box(body.At(l, c))) {
					cells[c] = true
				}
			}
		}
	}
	return func(c grid.Point) bool { return cells[c] || ground.Danger(c) > 0 }
}

// Next is what to hold down in the game's next tick; without more the walk is over. An
// error says why it ended on the way.
func (w *Walk) Next(g *Game) (in Input, more bool, err error) {
	jumped := g.mapID != w.on || w.last != (body.Place{}) && w.jumped(g)
	switch {
	case g.finished:
		return 0, false, nil
	case g.doc == w.doc && jumped && w.ends && len(w.path) <= 2 && g.groundOf(g.doc.Map(w.on)).Doorway(w.Cell):
		// A doorway is gone through as soon as it is come to.
		return 0, false, nil
	case !jumped && w.ends && len(w.path) <= 1 && w.danger && g.doc == w.doc && (len(w.path) == 0 || w.there(g, w.path[0])):
		return 0, false, errDanger
	case !jumped && w.ends && len(w.path) <= 1 && !w.danger && w.there(g, w.Cell):
		return 0, false, nil
	case g.ground.Map.View == world.SideView:
		return 0, false, ErrFromTheSide
	}
	w.stays++
	if g.place != w.last {
		w.stays = 0
	}
	w.last = g.place
	if g.doc != w.doc || jumped || w.stays > patience {
		if w.anew++; w.anew > mostAnew {
			return 0, false, ErrNoWay
		}
		if err := w.look(g); err != nil {
			return 0, false, err
		}
	}
	for len(w.path) > 1 && w.there(g, w.path[len(w.path)-1]) {
		w.path = w.path[:len(w.path)-1]
	}
	return w.towards(g, w.path[len(w.path)-1]), true, nil
}

// jumped reports whether one is elsewhere than a tick of walking leads.
func (w *Walk) jumped(g *Game) bool {
	dx, dy := g.place.X-w.last.X, g.place.Y-w.last.Y
	return max(dx, -dx, dy, -dy) > 2*g.speed()
}

// aim is where in a cell one is to come, and how near to it along each axis: what a tick
// covers. The middle of a cell lies on its lower border, so that it is a little above.
func (w *Walk) aim(g *Game, c grid.Point) (to body.Place, near int) {
	near = g.speed()/2 + 1
	to = body.At(g.doc.Project.Lattice(), c)
	to.Y -= near
	return to, near
}

func (w *Walk) there(g *Game, c grid.Point) bool { return w.towards(g, c) == 0 }

// towards is what to hold down to come to a cell; nothing if one is there.
func (w *Walk) towards(g *Game, c grid.Point) (in Input) {
	to, near := w.aim(g, c)
	switch {
	case to.X-g.place.X > near:
		in |= Right
	case g.place.X-to.X > near:
		in |= Left
	}
	switch {
	case to.Y-g.place.Y > near:
		in |= Down
	case g.place.Y-to.Y > near:
		in |= Up
	}
	return in
}
