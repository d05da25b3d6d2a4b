package play

import (
	"slices"

	"azzel/core/body"
	"azzel/core/kind"
	"azzel/core/limit"
	"azzel/core/logic"
	"azzel/core/pack"
	"azzel/core/stage"
	"azzel/core/world"
)

// fullDark is how dark the screen is of which nothing is seen.
const fullDark = 1000

// screen is what rules made of the screen, and of whom the player is.
type screen struct {
	// dark is how dark the screen is, up to fullDark; dims by how much it becomes darker in each tick, below 0 lighter.
	dark, dims int
	// as is the character who the player has become; 0 for the one who is played.
	as world.ID
	// layers are those to which rules gave a presence, sorted; calm are the areas whose forces are switched off, sorted.
	layers []presence
	calm   []world.ID
}

func (s *screen) empty() bool {
	return s.dark|s.dims == 0 && s.as == 0 && len(s.layers)+len(s.calm) == 0
}

func (s screen) clone() screen {
	s.layers, s.calm = slices.Clone(s.layers), slices.Clone(s.calm)
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

// letOut lets something come out of each emitter that an action names and that is on the player's map, whether it is off or not.
func (s onStage) letOut(p *logic.Part, asked logic.Happening) {
	g := s.g
	ids, _ := asked.Pieces(p.Subject)
	g.emitting = 0
	for _, id := range ids {
		a := g.actorOf(id)
		if a == nil {
			continue
		}
		if stage.LetsOut(a.Kind) && g.there(a) {
			a.Thing = &g.things[a.at]
			g.emitFrom(a)
		}
	}
	if g.emitting > 0 {
		g.meet()
	}
}

// putAt sets down what an action names, and what platforms take along, where something else is, or as near to it as there is room: on the player's map or
// one beside it. It reports false while the player stands there, or if that was done too often in this tick.
func (s onStage) putAt(p *logic.Part, asked logic.Happening) bool {
	g := s.g
	to, _ := asked.Pieces(p.Towards)
	if len(to) == 0 {
		return true
	}
	m, at, there := g.whereIs(to[0])
	if there {
		_, there = near(g.ground, m.ID)
	}
	if !there {
		return true
	}
	ids, _ := asked.Pieces(p.Subject)
	for _, id := range ids {
		a := g.actorOf(id)
		if a == nil || !a.Kind.Ridden || !g.there(a) || g.things[a.at].ID == g.lifted {
			continue
		}
		if g.takes++; g.takes > mostTakes {
			return false
		}
		if a.box >= 0 {
			g.ground.Boxes.Set(a.box, body.Nowhere)
		}
		cell, free := g.ground.Nearest(a.Size, at.Cell(g.ground.Lattice), nearby)
		place := g.ground.At(cell)
		blocked := free && isSolid(a.of) && g.meetsPlayer(a.Size, place)
		if free && !blocked {
			t := &g.things[a.at]
			t.Place, t.Motion, t.Thrown = place, body.Motion{}, false
		}
		g.meet()
		if blocked {
			return false
		}
	}
	return true
}

// nearby is within how many cells there must be room for what is put somewhere.
const nearby = 8

// layerIs is which presence a rule gave a layer; there at first.
func (g *Game) layerIs(layer world.ID) int {
	if i, set := slices.BinarySearchFunc(g.layers, layer, presence.of); set {
		return g.layers[i].is
	}
	return kind.There
}

// LayerUnseen reports whether a layer is hidden or absent, because a rule says so.
func (g *Game) LayerUnseen(layer world.ID) bool { return g.layerIs(layer) != kind.There }

// layersAway are the layers that are absent; nil for none.
func (g *Game) layersAway() (away map[world.ID]bool) {
	for _, l := range g.layers {
		if l.is == kind.Absent {
			if away == nil {
				away = map[world.ID]bool{}
			}
			away[l.piece] = true
		}
	}
	return away
}

// setLayer makes a layer seen, hidden or absent. Where that changes what is solid, whoever is in it then is set down beside it. It reports false if that
// was done too often in this tick.
func (g *Game) setLayer(layer world.ID, is int) bool {
	m, l := g.doc.LayerOn(layer)
	was := g.layerIs(layer)
	if l == nil || was == is {
		return true
	}
	counts := l.Counts && (was == kind.Absent) != (is == kind.Absent)
	if counts {
		if g.takes++; g.takes > mostTakes {
			return false
		}
	}
	i, set := slices.BinarySearchFunc(g.layers, layer, presence.of)
	if !set {
		g.layers = slices.Insert(g.layers, i, presence{})
	}
	g.layers[i] = presence{layer, is}
	if !counts {
		return true
	}
	if _, here := near(g.ground, m.ID); !here {
		delete(g.grounds, m.ID)
		return true
	}
	clear(g.grounds)
	g.stand(g.ground.Map)
	if !g.drifting {
		g.makeRoom()
	}
	return true
}

// calmed reports whether the forces of an area are switched off.
func (g *Game) calmed(area world.ID) bool {
	_, is := slices.BinarySearch(g.calm, area)
	return is
}

// switchForces switches the forces of an area off, or on again.
func (g *Game) switchForces(area world.ID, off bool) {
	i, is := slices.BinarySearch(g.calm, area)
	switch {
	case off && !is && g.doc.Area(area) != nil:
		g.calm = slices.Insert(g.calm, i, area)
	case !off && is:
		g.calm = slices.Delete(g.calm, i, i+1)
	}
}
