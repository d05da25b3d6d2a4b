package world

import "azzel/core/kind"

// The built-in types.
const (
	Spawn          ID = 1
	Exit           ID = 2
	Collectible    ID = 3
	Checkpoint     ID = 4
	MovingPlatform ID = 5
	Foe            ID = 6
	Spring         ID = 7
	Hazard         ID = 8
	Pushable       ID = 9
	Breakable      ID = 10
	Emitter        ID = 11
	Lottery        ID = 12
	Mark           ID = 13
)

// Kind is what the piece is one of, as its type of the designer's own has it, if it has one; nil for a kind that is not there.
func (p *Piece) Kind() *kind.Kind {
	if p.own != nil {
		return p.own.kind
	}
	return kind.Of(p.Type)
}

// A Facing is where somebody looks.
type Facing uint8

// The facings.
const (
	South Facing = iota
	West
	East
	North
)
