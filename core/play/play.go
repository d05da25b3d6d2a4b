package play

import (
	"errors"
	"slices"

	"azzel/core/board"
	"azzel/core/body"
	"azzel/core/grid"
	"azzel/core/pack"
	"azzel/core/world"
)

// TicksPerSecond is how often Tick is called for each second of play.
const TicksPerSecond = 60

// An Input is what is held down during a tick.
type Input uint8

// The inputs. Opposite directions cancel out.
const (
	Left Input = 1 << iota
	Right
	Up
	Down
	Use
)

var ahead = [...]grid.Point{world.South: {X: 0, Y: 1}, world.West: {X: -1, Y: 0}, world.East: {X: 1, Y: 0}, world.North: {X: 0, Y: -1}}

// CellsPerSecond10 is the walking speed in tenths of a cell a second.
const CellsPerSecond10 = 55

// A Start says where play begins: at a cell of a map, or at the spawn if Map
// is 0.
type Start struct {
	Map  world.ID
	Cell grid.Point
}

// An Event is something that happened during a tick or a change, to be told.
type Event string

// The events.
const (
	// Elsewhere: one could not stand where play was to begin.
	Elsewhere Event = "You can't stand there, so play began on the nearest free cell."
	// AtSpawn: there was no free place, so play went on at the spawn.
	AtSpawn Event = "There is no room there, so you are at the spawn."
	// NoSpawn: there is no spawn to begin at.
	NoSpawn Event = "There is no spawn yet, so you stand on the first map."
	// Took: a collectible was taken.
	Took Event = "Taken."
	// Crossed: a crossing was taken.
	Crossed Event = "Through."
	// NoLanding: nobody can stand beside the doorway on the other side.
	NoLanding Event = "There is no room beside the doorway on the other side, so you stand in it."
	// Fell: one went over a deadly edge.
	Fell Event = "That edge is deadly: back to where you came in."
	// Finished: an exit was reached.
	Finished Event = "Finished."
)

// ErrNowhere is reported when there is nowhere to stand at all.
var ErrNowhere = errors.New("there is no free cell to begin on: make room on a map, or place a spawn on free ground")

// A Game is a game under way.
type Game struct {
	doc     *world.Document
	ground  *body.Ground
	size    body.Size
	events  []Event
	grounds map[world.ID]*body.Ground
	state
}

// state is all that a snapshot holds.
type state struct {
	tick     int
	mapID    world.ID
	place    body.Place
	facing   world.Facing
	way      int
	taken    []world.ID
	through  world.ID
	finished bool
	used     bool
	// entered is where one came into the map.
	entered body.Place
}

// New begins a game on d.
func New(d *world.Document, start Start) (*Game, error) {
	g := &Game{size: body.PlayerSize(d.Project.Lattice())}
	g.look(d)
	m := d.Map(start.Map)
	if m != nil {
		c, ok := g.groundOf(m).Nearest(g.size, m.Bounds.Clamp(start.Cell), -1)
		if ok {
			if c != start.Cell {
				g.tell(Elsewhere)
			}
			g.set(m, c)
			return g, nil
		}
		g.tell(AtSpawn)
	}
	if !g.toSpawn() {
		return nil, ErrNowhere
	}
	return g, nil
}

// look takes d as the document from now on.
func (g *Game) look(d *world.Document) {
	g.doc, g.grounds = d, map[world.ID]*body.Ground{}
	g.size = body.PlayerSize(d.Project.Lattice())
}

func (g *Game) groundOf(m *world.Map) *body.Ground {
	if g.grounds[m.ID] == nil {
		g.grounds[m.ID] = body.NewGround(g.doc, m)
	}
	return g.grounds[m.ID]
}

func (g *Game) tell(e Event) { g.events = append(g.events, e) }

func (g *Game) set(m *world.Map, c grid.Point) {
	g.mapID, g.ground, g.place = m.ID, g.groundOf(m), body.At(g.doc.Project.Lattice(), c)
	g.through, g.entered = 0, g.place
}

// toSpawn sets the player down at the spawn, or at the nearest free cell; with
// no spawn, on the first map that has a free cell.
func (g *Game) toSpawn() bool {
	l := g.doc.Project.Lattice()
	for _, m := range g.doc.Maps {
		for _, p := range m.Pieces {
			if p.Type != world.Spawn {
				continue
			}
			if c, ok := g.groundOf(m).Nearest(g.size, l.CellAt(p.Foot), -1); ok {
				g.set(m, c)
				return true
			}
		}
	}
	for _, m := range g.doc.Maps {
		middle := grid.Point{X: m.Bounds.X + m.Bounds.W/2, Y: m.Bounds.Y + m.Bounds.H/2}
		if c, ok := g.groundOf(m).Nearest(g.size, middle, -1); ok {
			g.tell(NoSpawn)
			g.set(m, c)
			return true
		}
	}
	return false
}

// SetDocument goes on with another document, between two ticks. The player
// stays where they stand; if that place is solid now they are pushed to the
// nearest free one within 8 cells, else to the spawn.
func (g *Game) SetDocument(d *world.Document) error {
	scale := g.doc.Project.Lattice() != d.Project.Lattice()
	cell := g.place.Cell(g.doc.Project.Lattice())
	g.look(d)
	m := d.Map(g.mapID)
	if m != nil {
		g.ground = g.groundOf(m)
		if !scale && g.ground.Fits(g.size, g.place) {
			return nil
		}
		if c, ok := g.ground.Nearest(g.size, cell, 8); ok {
			g.set(m, c)
			return nil
		}
	}
	g.tell(AtSpawn)
	if !g.toSpawn() {
		return ErrNowhere
	}
	return nil
}

// Tick lets a sixtieth of a second pass. After the finish nothing moves.
func (g *Game) Tick(in Input) {
	g.events = g.events[:0]
	if g.finished {
		return
	}
	g.tick++
	g.walk(in)
	g.leave()
	cell := g.place.Cell(g.doc.Project.Lattice())
	g.touch(cell)
	pressed := in&Use != 0 && !g.used
	g.used = in&Use != 0
	g.cross(cell, pressed)
	if pressed && !g.finished {
		g.touch(cell.Add(ahead[g.facing]))
	}
}

func (g *Game) walk(in Input) {
	dx, dy := 0, 0
	if in&Left != 0 {
		dx--
	}
	if in&Right != 0 {
		dx++
	}
	if in&Up != 0 {
		dy--
	}
	if in&Down != 0 {
		dy++
	}
	if dx == 0 && dy == 0 {
		return
	}
	g.face(dx, dy)
	l := g.doc.Project.Lattice()
	speed := g.speed()
	if dx != 0 && dy != 0 {
		speed = speed * 181 / 256
	}
	before := g.place
	if dx != 0 && dy != 0 {
		g.place = g.ground.Move(g.size, g.place, dx*speed, dy*speed)
	} else {
		reach := l.W
		if dx != 0 {
			reach = l.H
		}
		g.place = g.ground.Round(g.size, g.place, dx*speed, dy*speed, reach*body.Unit*3/8)
	}
	g.way += root((g.place.X-before.X)*(g.place.X-before.X) + (g.place.Y-before.Y)*(g.place.Y-before.Y))
}

// speed is how far one walks in a tick, in positions.
func (g *Game) speed() int {
	return g.doc.Project.CellW * body.Unit * CellsPerSecond10 / 10 / TicksPerSecond
}

// leave lets happen what the edge does over which the foot has gone, if any.
func (g *Game) leave() {
	l := g.doc.Project.Lattice()
	cell := g.place.Cell(l)
	if g.ground.Map.Bounds.Has(cell) {
		return
	}
	if to, wraps := g.ground.Wrap(g.place); wraps {
		g.place = to
		return
	}
	if beside, _ := g.ground.Across(cell); beside != nil {
		by := l.Pixel(g.ground.Map.Origin.Sub(beside.Map.Origin))
		g.place = body.Place{X: g.place.X + by.X*body.Unit, Y: g.place.Y + by.Y*body.Unit}
		g.mapID, g.ground = beside.Map.ID, g.groundOf(beside.Map)
		g.entered, g.through = g.place, 0
		return
	}
	g.tell(Fell)
	g.place = g.entered
	if !g.ground.Fits(g.size, g.place) {
		// What one came in by is solid by now.
		if c, ok := g.ground.Nearest(g.size, g.ground.Map.Bounds.Clamp(g.place.Cell(l)), -1); ok {
			g.set(g.ground.Map, c)
		}
	}
}

// face keeps the facing while one of the held directions is it.
func (g *Game) face(dx, dy int) {
	a := ahead[g.facing]
	if dx != 0 && a.X == dx || dy != 0 && a.Y == dy {
		return
	}
	switch {
	case dx < 0:
		g.facing = world.West
	case dx > 0:
		g.facing = world.East
	case dy < 0:
		g.facing = world.North
	default:
		g.facing = world.South
	}
}

// touch lets what stands in a cell happen.
func (g *Game) touch(c grid.Point) {
	l := g.doc.Project.Lattice()
	for _, p := range g.ground.Map.Pieces {
		if l.CellAt(p.Foot) != c {
			continue
		}
		switch p.Type {
		case world.Collectible:
			if i, taken := slices.BinarySearch(g.taken, p.ID); !taken {
				g.taken = slices.Insert(g.taken, i, p.ID)
				g.tell(Took)
			}
		case world.Exit:
			g.finished = true
			g.tell(Finished)
		}
	}
}

// cross takes the crossing whose doorway is at c, or ahead if one uses it.
func (g *Game) cross(c grid.Point, use bool) {
	found, from := g.doorway(c)
	if found == nil && use {
		found, from = g.doorway(c.Add(ahead[g.facing]))
	} else if found != nil && found.ID == g.through && !use {
		return
	}
	if found == nil {
		g.through = 0
		return
	}
	end := found.Ends[1-from]
	m := g.doc.Map(end.Map)
	landing, ok := board.Landing(g.groundOf(m), g.size, end.Cells)
	g.set(m, landing)
	g.tell(Crossed)
	if !ok {
		g.through = found.ID
		g.tell(NoLanding)
	}
}

// doorway finds the crossing that leads on from cell c of the player's map.
func (g *Game) doorway(c grid.Point) (*world.Crossing, int) {
	if !g.ground.Doorway(c) {
		return nil, 0
	}
	for _, x := range g.doc.Crossings {
		for i, end := range x.Ends {
			if end.Map == g.mapID && x.Leads(i) && end.Cells.Has(c) {
				return x, i
			}
		}
	}
	return nil, 0
}

// root is the whole part of a square root.
func root(n int) int {
	r := 0
	for bit := 1 << 30; bit > 0; bit >>= 1 {
		if try := r + bit; try <= 1<<30 && try*try <= n {
			r = try
		}
	}
	return r
}

// A Status is what is to be seen of a game.
type Status struct {
	Map      world.ID
	Place    body.Place
	Facing   world.Facing
	Ticks    int
	Steps    int
	Taken    int
	Total    int
	Finished bool
	Moving   bool
}

// Status tells how the game stands. Taken of Total collectibles are counted
// over all maps.
func (g *Game) Status() Status {
	s := Status{Map: g.mapID, Place: g.place, Facing: g.facing, Ticks: g.tick, Finished: g.finished,
		Steps: g.way / (g.doc.Project.CellW * body.Unit)}
	for _, m := range g.doc.Maps {
		for _, p := range m.Pieces {
			if p.Type == world.Collectible {
				s.Total++
				if g.Taken(p.ID) {
					s.Taken++
				}
			}
		}
	}
	return s
}

// Taken reports whether the piece has been taken.
func (g *Game) Taken(id world.ID) bool {
	_, taken := slices.BinarySearch(g.taken, id)
	return taken
}

// TakenIDs lists what has been taken, also what was deleted since, so that it
// stays taken if the deletion is undone. The slice must not be changed.
func (g *Game) TakenIDs() []world.ID { return g.taken }

// Fits reports whether the player touches nothing solid. It always holds.
func (g *Game) Fits() bool { return g.ground.Fits(g.size, g.place) }

// Events is what happened in the last tick or change. The slice is used again.
func (g *Game) Events() []Event { return g.events }

// Camera is what the player sees, in pixels of the player's map.
func (g *Game) Camera() grid.Rect {
	return Seen(g.doc, g.ground.Map, grid.Point{X: g.place.X / body.Unit, Y: g.place.Y / body.Unit})
}

// Seen is what a player sees whose foot is at a pixel of a map, in its pixels: as many
// cells as the project says, around the player, not beyond the map's edges unless the
// map is smaller.
func Seen(d *world.Document, m *world.Map, foot grid.Point) grid.Rect {
	l := d.Project.Lattice()
	edge := l.Box(m.Bounds)
	r := grid.Rect{W: d.Project.SeenW * l.W, H: d.Project.SeenH * l.H}
	r.X = fit(foot.X-r.W/2, r.W, edge.X, edge.W)
	r.Y = fit(foot.Y-l.H/4-r.H/2, r.H, edge.Y, edge.H)
	return r
}

func fit(at, length, from, room int) int {
	if room <= length {
		return from + (room-length)/2
	}
	return min(max(at, from), from+room-length)
}

const stateTag = 'P'

// Snapshot is the whole state as canonical bytes, version 2.
func (g *Game) Snapshot() []byte {
	w := pack.Writer{Bytes: []byte{stateTag, 2}}
	w.Int(g.tick)
	w.Uint(uint64(g.mapID))
	w.Int(g.place.X)
	w.Int(g.place.Y)
	w.Int(g.entered.X)
	w.Int(g.entered.Y)
	w.Uint(uint64(g.facing))
	w.Uint(uint64(g.way))
	w.Uint(uint64(g.through))
	w.Bool(g.finished)
	w.Bool(g.used)
	w.Uint(uint64(len(g.taken)))
	for _, id := range g.taken {
		w.Uint(uint64(id))
	}
	return w.Bytes
}
