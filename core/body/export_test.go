package body

import "azzel/core/world"

// GoAnywhere is Go without the quick way on level ground.
func (g *Ground) GoAnywhere(s Size, p Place, m Motion, d Drive, in Intent) (Place, Motion) {
	return g.goAnywhere(s, p, m, d, in)
}

// Level reports whether the quick way is open to somebody who stands there.
func (g *Ground) Level(s Size, p Place) bool { return g.level(s, p, 0) }

// Free is Fits without the quick way.
func (g *Ground) Free(s Size, p Place) bool { return g.free(s, p) }

// WithEdges is the same ground with other edges.
func (g *Ground) WithEdges(e world.Edges) *Ground {
	m := *g.Map
	m.Edges = e
	return NewGround(g.doc, &m)
}
