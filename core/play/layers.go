package play

import (
	"slices"

	"azzel/core/kind"
	"azzel/core/lists"
	"azzel/core/world"
)

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
	if counts && g.ground != nil && g.isAround(m) {
		if g.takes++; g.takes > mostTakes {
			return false
		}
	}
	i, set := slices.BinarySearchFunc(g.layers, layer, presence.of)
	if !set {
		g.layers = lists.Insert(g.layers, i, presence{})
	}
	g.layers[i], g.stale, g.shown = presence{layer, is}, true, nil
	if counts {
		g.changedGround(m)
	}
	return true
}

// isAround reports whether a map is the player's, or beside it over an open edge.
func (g *Game) isAround(m *world.Map) bool {
	_, is := near(g.ground, m.ID)
	return is
}
