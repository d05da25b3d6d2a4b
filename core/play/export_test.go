package play

import "azzel/core/world"

// StateOf is the state of a game as a replay begins with it.
func StateOf(g *Game) []byte { return g.played() }

// TickOf is the tick of such a state, 0 if it can't be read.
func TickOf(state []byte) int {
	s, err := readState(state)
	if err != nil {
		return 0
	}
	return s.tick
}

// Document is what a game is played on.
func (g *Game) Document() *world.Document { return g.doc }
