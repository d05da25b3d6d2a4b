package play

import (
	"slices"

	"azzel/core/body"
	"azzel/core/grid"
	_ "azzel/core/kinds" // so that there are kinds wherever something is played
	"azzel/core/logic"
	"azzel/core/world"
)

// TicksPerSecond is how often Tick is called for each second of play.
const TicksPerSecond = body.TicksPerSecond

// An Input is what is held down during a tick, and which helps are on.
type Input uint16

// The inputs. Opposite directions cancel out.
const (
	Left Input = 1 << iota
	Right
	Up
	Down
	Use
	Jump
	// Unhurt, Unseen and Through are helps for who tests: nothing hurts, nobody who follows or
	// flees sees the player, and one goes through walls.
	Unhurt
	Unseen
	Through
	// Strike and Shoot use what the player has against foes.
	Strike
	Shoot
	// Laden is a help: as if one had all there is to have.
	Laden
	// Items opens what the player has, and shuts it again.
	Items
)

var ahead = [...]grid.Point{world.South: {X: 0, Y: 1}, world.West: {X: -1, Y: 0}, world.East: {X: 1, Y: 0}, world.North: {X: 0, Y: -1}}

// A Game is a game under way.
type Game struct {
	doc    *world.Document
	ground *body.Ground
	// size is the player's body on the map they are on, moves how they move, drive the same
	// in side-view.
	size   body.Size
	moves  world.Movement
	drive  body.Drive
	events []Event
	// now is the tick that is under way; between two it means nothing.
	now     tick
	grounds map[world.ID]*body.Ground
	// laid are the cells of layers in which rules let some become others, shown the document as it is seen; nil until they are asked for.
	laid  map[world.ID]grid.Plane
	shown *world.Document
	// actors is what acts on the player's map, areas are those of the map.
	actors []actor
	// by lists the places among them of those of a type.
	by map[world.ID][]int
	// hittable are those that can be hit, in their order: who lets what flies pass, and what stops it.
	hittable [2][]int
	// riders are where what platforms take along is, while platforms move; carried are those that were.
	riders  body.Boxes
	carried []int
	// conveying are the actors that belts have moved in this tick.
	conveying []int
	// ridersFound says that they were noted in this tick, acting is what a behaviour moves just now.
	ridersFound bool
	acting      *actor
	// pushable are the places among the actors of what can be pushed, in their order.
	pushable []int
	// conditional are the pieces that may be absent, absent those that are, asked when laden was
	// as it is; stale says that it must be asked anew.
	conditional []conditional
	absent      map[world.ID]bool
	laden       Input
	stale       bool
	// recast says that those who act are to be listed anew, as somebody stops others no more, or again.
	recast bool
	// searches is for how many of those whom rules send somewhere a way was looked for in this tick.
	searches int
	// askOfPieces says that some of them ask for what became of pieces, became sums that up as it was when they were
	// asked.
	askOfPieces bool
	became      uint64
	// wiresSaw sums up what became of pieces when wires were gone along last, wiresRest says that none of them was left to
	// wait then.
	wiresSaw  uint64
	wiresRest bool
	// book are the rules of the document, soSaw sums up what was remembered when those were asked last that are so while something holds.
	book  *logic.Book
	soSaw uint64
	// watch is told of each action that a rule does, tried of each time that one was to begin, chose of each condition that an action asks; nil for nobody.
	watch func(rule, part world.ID)
	tried func(t logic.Trial, asked logic.Happening)
	chose func(rule, part world.ID, holds bool, asked logic.Happening)
	// pieces are all of the document, once something asked for one.
	pieces map[world.ID]placed
	areas  []placedArea
	// forced says that something acts there on what moves; edge is what the map covers, in pixels.
	forced bool
	edge   grid.Rect
	began  beginning
	// pushes is how many things may still be pushed in this tick, emitting how many came out of
	// emitters in it.
	pushes, emitting int
	// takes is how often rules took the player elsewhere in this tick.
	takes int
	// started is the checkpoint or mark at which the player is just now, having reached it or come
	// back to it.
	started world.ID
	// refusing are the pieces that have told the player something in this tick, sorted.
	refusing []world.ID
	// wishes are what behaviours asked for in the loop that is under way, opened the pieces by which something is let out after it.
	wishes []wish
	opened []world.ID
	// away says that the player is on their way back to where they came in: it is done once all
	// that moves has moved, since it may lead to another map, where others act.
	away bool
	state
	// player is the one of the state's players who is moved: the only one there is today.
	*player
	// forgets says that something of the document begins anew at some time, renewals is what did so in this tick, of which rules are
	// still to be told; ticking says that a tick is under way.
	forgets  bool
	renewals []renewal
	ticking  bool
}

// newGame is a game that stands at a state, on no document yet.
func newGame(s state) *Game {
	g := &Game{}
	g.goTo(s)
	return g
}

// goTo lets the game stand at a state.
func (g *Game) goTo(s state) {
	if len(s.players) == 0 {
		s.players = make([]player, 1)
	}
	if !slices.Equal(g.layers, s.layers) || !slices.Equal(g.turns, s.turns) {
		// What is solid depends on which layers are there, and on what cells have become.
		clear(g.grounds)
	}
	if !slices.Equal(g.properties, s.properties) {
		g.pieces = nil
	}
	g.laid, g.shown = nil, nil
	g.state = s
	g.player = &g.players[0]
	g.wiresRest, g.soSaw = false, 0
}

// New begins a game on d.
func New(d *world.Document, start Start) (*Game, error) {
	g := newGame(state{chances: chances{start.Chance, start.Chance}})
	g.look(d)
	g.pack()
	if s := d.NamedStart(start.As); s != nil {
		start.Map, start.Cell = s.Map, s.Cell
		g.asIf(s)
	}
	g.settleWires(nil)
	g.ask()
	if err := g.begin(start); err != nil {
		return nil, err
	}
	g.follow()
	return g, nil
}

// look takes d as the document from now on.
func (g *Game) look(d *world.Document) {
	g.doc, g.grounds, g.pieces = d, map[world.ID]*body.Ground{}, nil
	g.laid, g.shown = nil, nil
	g.wiresRest, g.soSaw = false, 0
	g.book = bookOf(d)
	g.moves = d.Played()
	g.conditional, g.askOfPieces, g.forgets = conditionals(d)
	g.forgets = g.forgets || d.Anew()
	g.ask()
}

// sizeOn is the player's body on a map.
func (g *Game) sizeOn(m *world.Map) body.Size {
	return body.SizeOf(g.doc.Project.Lattice(), m.View, g.moves)
}

// stand takes m as the map the player is on.
func (g *Game) stand(m *world.Map) {
	g.rest()
	if m.ID != g.mapID {
		g.shown = nil // what is seen of layers depends on where the player is
	}
	g.mapID, g.ground, g.size = m.ID, g.groundOf(m), g.sizeOn(m)
	g.edge = g.ground.Lattice.Box(m.Bounds)
	g.moveAs(m)
	if m.View == world.SideView || g.moves.Steering != world.CellByCell {
		g.stepping, g.shoved = false, 0
	}
	g.areasHere()
	g.meet()
}

// enter lets the player go to a map, on which they perhaps are already. What flies on another ends, unless that is a
// neighbour. It reports whether anything began anew, and so perhaps stands where nothing did.
func (g *Game) enter(m *world.Map) (renewed bool) {
	if g.ground != nil && m.ID != g.mapID {
		if _, is := near(g.ground, m.ID); is {
			by := g.shift(g.ground.Map, m)
			for i := range g.shots {
				g.shots[i].Place = added(g.shots[i].Place, by)
			}
			g.now.foot += by.Y
		} else {
			g.leaveBehind()
			g.shots = nil
		}
	}
	renewed = g.leaves(m)
	g.stand(m)
	if renewed {
		g.meetAnew()
	}
	return renewed
}

func (g *Game) groundOf(m *world.Map) *body.Ground {
	of, known := g.grounds[m.ID]
	if !known {
		of = body.NewGround(g.doc, m)
		of.Without(g.layersAway())
		of.Instead(g.planes())
		g.grounds[m.ID] = of
	}
	// What moves is followed on the player's map alone.
	if of != g.ground && (!known || hasNeighbours(of)) {
		g.solidThings(of)
	}
	return of
}

// set sets the player down on a cell of a map, or of a neighbour of it.
func (g *Game) set(m *world.Map, c grid.Point) {
	if on, at := g.groundOf(m).On(c); on != nil {
		m, c = on, at
	}
	if g.enter(m) && !g.ground.Fits(g.size, g.ground.At(c)) {
		if free, ok := g.ground.Nearest(g.size, c, -1); ok {
			c = free
		}
	}
	// What was read stands elsewhere.
	g.through, g.reading = 0, reading{}
	g.shutBox(0)
	g.put(g.ground.At(c))
	g.entered, g.enteredOn = g.place, 0
	g.comesBackTo(0)
}

// put sets the player down at rest.
func (g *Game) put(p body.Place) {
	g.place, g.motion, g.stepping, g.shoved = p, body.Motion{}, false, 0
}

// SetDocument goes on with another document, between two ticks. The player
// stays where they stand; if that place is solid now they are pushed to the
// nearest free one within 8 cells, else to the spawn.
func (g *Game) SetDocument(d *world.Document) error {
	err := g.goOn(d)
	if err == nil {
		g.follow()
	}
	return err
}

func (g *Game) goOn(d *world.Document) error {
	before := g.doc
	if err := g.standOn(d); err != nil {
		return err
	}
	g.settleWires(before)
	g.settleRules(before)
	return nil
}

// standOn takes d as the document from now on, and sets the player down where they can be.
func (g *Game) standOn(d *world.Document) error {
	scale, view := g.doc.Project.Lattice() != d.Project.Lattice(), g.ground.Map.View
	cell := g.place.Cell(g.doc.Project.Lattice())
	g.rest()
	g.moved(d)
	g.forgetProperties(d)
	g.look(d)
	m := d.Map(g.mapID)
	if m != nil {
		if m.View != view {
			g.motion = body.Motion{}
		}
		g.stand(m)
		if !scale && (g.drifting && m.Bounds.Has(cell) || g.ground.Fits(g.size, g.place)) {
			return nil
		}
		if c, ok := g.ground.Nearest(g.size, cell, 8); ok {
			g.set(m, c)
			return nil
		}
	}
	g.happens(AtSpawn)
	if !g.toSpawn() {
		return ErrNowhere
	}
	return nil
}

// use lifts, throws and crosses, or else uses what lies ahead.
func (g *Game) use(in Input, pressed bool) {
	if pressed && g.lift(in) {
		pressed = false
	}
	cell := g.place.Cell(g.doc.Project.Lattice())
	g.cross(cell, pressed)
	if pressed {
		next := cell.Add(ahead[g.facing])
		g.touch(grid.Rect{X: next.X, Y: next.Y, W: 1, H: 1})
		g.useThings()
	}
}

// timePasses reports whether everybody else moves in this tick: always, unless the project counts
// time by the player's steps and is seen from above.
func (g *Game) timePasses() bool {
	return g.went || !g.doc.Project.Turns || g.ground.Map.View == world.SideView
}

// cells are those the player touches: from above the one of the foot, from the side all that
// the body covers.
func (g *Game) cells() grid.Rect {
	l := g.doc.Project.Lattice()
	if g.ground.Map.View == world.TopDown {
		c := g.place.Cell(l)
		return grid.Rect{X: c.X, Y: c.Y, W: 1, H: 1}
	}
	return g.size.Cells(l, g.place)
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
