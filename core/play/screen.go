package play

import (
	"slices"

	"azzel/core/limit"
	"azzel/core/logic"
	"azzel/core/pack"
	"azzel/core/world"
)

// fullDark is how dark the screen is of which nothing is seen.
const fullDark = 1000

// screen is what rules made of what is seen: of the screen, of layers, of cells, of whom the player is; and of the forces of areas.
type screen struct {
	// dark is how dark the screen is, up to fullDark; dims by how much it becomes darker in each tick, below 0 lighter.
	dark, dims int
	// as is the character who the player has become; 0 for the one who is played.
	as world.ID
	// layers are those to which rules gave a presence, sorted; calm are the areas whose forces are switched off, sorted.
	layers []presence
	calm   []world.ID
	// turns are the areas whose cells have become others, each once, in the order in which they did last.
	turns []turned
}

func (s *screen) empty() bool {
	return s.dark|s.dims == 0 && s.as == 0 && len(s.layers)+len(s.calm)+len(s.turns) == 0
}

func (s screen) clone() screen {
	s.layers, s.calm, s.turns = slices.Clone(s.layers), slices.Clone(s.calm), slices.Clone(s.turns)
	return s
}

func (s *screen) encode(w *pack.Writer) {
	w.Int(s.dark)
	w.Int(s.dims)
	w.Uint(uint64(s.as))
	encodePresences(w, s.layers)
	encodeIDs(w, s.calm)
}

func decodeScreen(r *pack.Reader) screen {
	s := screen{dark: within(r, r.Int(), fullDark)}
	if s.dims = r.Int(); s.dims < -fullDark || s.dims > fullDark {
		r.Fail(pack.ErrMalformed)
	}
	s.as = world.ID(r.Uint())
	s.layers = decodePresences(r, limit.Maps*limit.Layers)
	s.calm = readIDs(r, limit.Areas)
	return s
}

// fade lets the screen become dark, or be seen again, in so many ticks.
func (g *Game) fade(p *logic.Part) {
	g.dims = (fullDark + max(1, p.Number) - 1) / max(1, p.Number)
	if p.Does == logic.FadeIn {
		g.dims = -g.dims
	}
	if p.Number == 0 {
		g.darken()
	}
}

// darken goes on with what fade began, by a tick.
func (g *Game) darken() {
	if g.dark = min(max(g.dark+g.dims, 0), fullDark); g.dark == 0 || g.dark == fullDark {
		g.dims = 0
	}
}

// Dark is how dark the screen is, in hundredths.
func (g *Game) Dark() int { return g.dark * 100 / fullDark }

// Who is the character who the player is by now; nil for the built-in figure.
func (g *Game) Who() *world.Character {
	if c := g.doc.Character(g.as); c != nil {
		return c
	}
	return g.doc.Character(g.doc.Project.Player)
}

// playAs lets the player be another character from now on, where they are or as near to it as there is room.
func (g *Game) playAs(who world.ID) {
	if g.doc.Character(who) == nil || g.as == who {
		return
	}
	g.as = who
	g.moveAs(g.ground.Map)
	g.size = g.sizeOn(g.ground.Map)
	if g.now.in&Through == 0 {
		g.makeRoom()
	}
}
