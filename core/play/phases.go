package play

import "azzel/core/world"

// A tick is what is known while one passes: what is held down, and how the player was before.
type tick struct {
	in Input
	// walked and foot are how far the player had walked and where its foot was, falls says that the player was falling.
	walked, foot int
	falls        bool
	// pressed says that the key that uses was not held in the tick before.
	pressed bool
	// conveyed says that a belt has moved the player.
	conveyed bool
}

// A phase is one part of a tick.
type phase struct {
	// waits says that it is left out while time stands still for everybody but the player.
	waits bool
	// unfinished says that it is left out once the game was finished in this tick.
	unfinished bool
	do         func(*Game, *tick)
}

// phases are all of them, in the order in which they come in each tick. Where things take the player to is noted while
// they are gone over and done after that (arrive), so that nothing pulls the map from under a loop over it.
var phases = [...]phase{
	// What is there follows from what the helps and the last tick made of items and facts.
	{do: func(g *Game, _ *tick) { g.recall() }},
	// Who came out of walls by letting go of the help is set down where there is room.
	{do: func(g *Game, t *tick) {
		if g.drifting && t.in&Through == 0 {
			g.settle()
		}
	}},
	// Platforms carry what stands on them, then what was pushed falls or goes on.
	{waits: true, do: func(g *Game, _ *tick) {
		g.carryAlong()
		g.arrive()
		g.sink()
		g.slideAll()
	}},
	// The player moves by what is held down, and by the wind.
	{do: (*Game).movePlayer},
	// Over the edge of the map, where there is one to go over.
	{do: func(g *Game, _ *tick) { g.leave() }},
	// The player strikes and shoots.
	{do: func(g *Game, t *tick) { g.fight(t.in) }},
	// Those whom rules send somewhere walk on.
	{do: func(g *Game, t *tick) {
		if len(g.errands) > 0 {
			g.runErrands(g.walked != t.walked)
		}
	}},
	// Whatever else moves, then whatever comes out of emitters.
	{waits: true, do: func(g *Game, _ *tick) {
		g.moveAll()
		g.dropAll()
		g.moveShots()
		g.arrive()
		g.emitAll()
	}},
	// Where time passes by steps, the next tick asks whether the player took one.
	{do: func(g *Game, t *tick) { g.went = g.walked != t.walked || t.in&(Use|Jump) != 0 }},
	// What moves touches the player, then what lies there.
	{do: func(g *Game, t *tick) {
		g.touchThings(t.falls || g.place.Y > t.foot, t.foot)
		g.arrive()
		g.touch(g.cells())
	}},
	// A key that is held is pressed once.
	{do: func(g *Game, t *tick) {
		t.pressed = t.in&Use != 0 && !g.used
		g.used = t.in&Use != 0
	}},
	// What is used is lifted, thrown, crossed or touched.
	{unfinished: true, do: func(g *Game, t *tick) { g.use(t.in, t.pressed) }},
	// What the player has is opened.
	{unfinished: true, do: (*Game).openBag},
	// A piece that told the player something tells it once, as long as the player stays at it.
	{do: func(g *Game, _ *tick) { g.refused = append(g.refused[:0], g.refusing...) }},
	// What hurt in this tick takes its effect.
	{do: func(g *Game, _ *tick) {
		g.damageFromGround()
		g.arrive()
	}},
	// What went over an open edge is on another map.
	{do: func(g *Game, _ *tick) { g.arrange() }},
	// Wires work their ends by what became of their beginnings.
	{do: func(g *Game, _ *tick) { g.goAlongWires() }},
	// Rules answer to what happened.
	{do: func(g *Game, _ *tick) { g.goByRules(false) }},
	// What is there from now on follows from what became of items and facts.
	{do: func(g *Game, _ *tick) { g.recall() }},
	// What began anew by that is told to rules now: only what is in the state is left to the next tick.
	{do: func(g *Game, _ *tick) { g.renewRules() }},
	// Who is seen doing something else is so for a tick less.
	{do: func(g *Game, _ *tick) { g.holdPoses() }},
	// What becomes dark goes on with that, or becomes light.
	{do: func(g *Game, _ *tick) { g.darken() }},
	// The camera goes where the player went.
	{do: func(g *Game, _ *tick) { g.follow() }},
}

// movePlayer moves the player by what is held down, by its view of the map, and by the wind.
func (g *Game) movePlayer(t *tick) {
	t.walked, t.foot, t.falls = g.walked, g.place.Y, g.motion.VY > 0
	switch {
	case t.in&Through != 0:
		g.drift(t.in)
	case g.ground.Map.View == world.SideView:
		g.moveFromTheSide(t.in)
	default:
		if t.in&Jump != 0 {
			// From above nobody jumps: the same key uses what lies ahead.
			t.in |= Use
		}
		g.walk(t.in)
	}
	if t.in&Through == 0 {
		g.blow()
	}
}

// standsStill reports whether nothing moves any more: the game is finished, or rules set one another off without end.
func (g *Game) standsStill() bool { return g.finished || g.runs.Jammed != 0 }

// Tick lets a sixtieth of a second pass. After the finish nothing moves; while the player reads, nothing else does.
func (g *Game) Tick(in Input) {
	g.events = g.events[:0]
	if g.standsStill() {
		return
	}
	g.ticking = true
	defer func() { g.ticking = false }()
	g.tick++
	g.helped, g.started, g.takes, g.searches, g.refusing = in&helps, 0, 0, 0, g.refusing[:0]
	g.assisted = g.assisted || g.helped != 0
	if g.now = (tick{in: in}); g.reads() {
		if g.read(in); !g.reads() {
			g.goByRules(true)
		}
		g.recall()
		g.renewRules()
		g.follow()
		return
	}
	if g.stilled {
		g.now.in &= helps
	}
	if keys, is := g.errandKeys(); is {
		g.now.in = g.now.in&helps | keys
	}
	for i := range phases {
		p := &phases[i]
		if p.waits && !g.timePasses() || p.unfinished && g.finished {
			continue
		}
		p.do(g, &g.now)
	}
}
