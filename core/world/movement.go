package world

import (
	"fmt"

	"azzel/core/limit"
)

// A Steering is in which directions somebody walks who is seen from above.
type Steering int

// The steerings.
const (
	EightWays Steering = iota
	FourWays
	// CellByCell walks from the middle of a cell to that of the next.
	CellByCell
	steeringEnd
)

// An Ability is something somebody can do.
type Ability int

// The abilities, to be combined.
const (
	Jumping Ability = 1 << iota
	Climbing
	Swimming
	Stomping
	Pushing
	// Carrying picks up what can be pushed, throws it and puts it down.
	Carrying
	abilityEnd
)

// An Arm is something to strike or shoot with.
type Arm int

// The arms, to be combined.
const (
	Striking Arm = 1 << iota
	Shooting
	armEnd
)

// A Movement is how somebody moves, in the terms of a designer. A value of 0 stands for the
// usual one; Filled puts that in.
type Movement struct {
	// Speed is how fast one walks and runs, in tenths of a cell a second.
	Speed int
	// Steering is where to one walks, seen from above.
	Steering Steering
	// Jump is how high one jumps, in tenths of a cell; Air how long that takes until one is
	// down again, in ticks.
	Jump, Air int
	// Start and Stop are how long it takes to come to full speed and to a stand in
	// side-view, in ticks.
	Start, Stop int
	// Climb and Swim are how fast one does so, in tenths of a cell a second.
	Climb, Swim int
	// Grace is for how many ticks one still jumps after leaving a ledge, and for how many
	// ticks before landing asking for it counts.
	Grace int
	// Health is how much one bears.
	Health int
	// Cannot are the abilities one has not.
	Cannot Ability
	// Arms are what one has against foes, none as usual.
	Arms Arm
	// BodyW and BodyH are the size of the body in pixels, in side-view.
	BodyW, BodyH int
	// Throw is how fast one throws what one carries, ThrowRise how fast up in side-view, Shot how
	// fast one's shots fly, all in tenths of a cell a second; ShotReach is how far they do, in cells.
	Throw, ThrowRise, Shot, ShotReach int
	// Strike is how far a strike reaches before one's body, in hundredths of a cell, Pause how many
	// ticks lie between two strikes or shots.
	Strike, Pause int
	// AboveW and AboveH are the size of the body in pixels as it is seen from above: its width,
	// and how far it reaches up from the foot.
	AboveW, AboveH int
}

// UsualMovement is what the values of 0 stand for, but for the body, which follows from the
// size of a cell.
var UsualMovement = Movement{Speed: 55, Jump: 22, Air: 36, Start: 8, Stop: 6, Climb: 30, Swim: 35, Grace: 6, Health: 3,
	Throw: 90, ThrowRise: 60, Shot: 100, ShotReach: 12, Strike: 75, Pause: 15}

// A term is a value of a movement with its range.
type term struct {
	number      Field
	name        string
	least, most int
	at          func(*Movement) *int
}

// FieldMovement is the first of the fields that say how a character moves.
const FieldMovement Field = 10

// terms are the values that can be set, in the order of their fields.
var terms = [...]term{
	{FieldMovement, "speed", 1, 10 * limit.Speed, func(m *Movement) *int { return &m.Speed }},
	{FieldMovement + 1, "steering", 0, int(steeringEnd) - 1, func(m *Movement) *int { return (*int)(&m.Steering) }},
	{FieldMovement + 2, "jump", 1, 10 * limit.Jump, func(m *Movement) *int { return &m.Jump }},
	{FieldMovement + 3, "air", 6, 240, func(m *Movement) *int { return &m.Air }},
	{FieldMovement + 4, "start", 1, 240, func(m *Movement) *int { return &m.Start }},
	{FieldMovement + 5, "stop", 1, 240, func(m *Movement) *int { return &m.Stop }},
	{FieldMovement + 6, "climb", 1, 10 * limit.Speed, func(m *Movement) *int { return &m.Climb }},
	{FieldMovement + 7, "swim", 1, 10 * limit.Speed, func(m *Movement) *int { return &m.Swim }},
	{FieldMovement + 8, "grace", 1, 60, func(m *Movement) *int { return &m.Grace }},
	{FieldMovement + 9, "health", 1, 100, func(m *Movement) *int { return &m.Health }},
	{FieldMovement + 10, "cannot", 0, int(abilityEnd) - 1, func(m *Movement) *int { return (*int)(&m.Cannot) }},
	{FieldMovement + 13, "arms", 0, int(armEnd) - 1, func(m *Movement) *int { return (*int)(&m.Arms) }},
	{FieldMovement + 11, "body width", 1, limit.Body * limit.MaxCellSide, func(m *Movement) *int { return &m.BodyW }},
	{FieldMovement + 12, "body height", 1, limit.Body * limit.MaxCellSide, func(m *Movement) *int { return &m.BodyH }},
	{FieldMovement + 14, "width from above", 1, limit.Body * limit.MaxCellSide, func(m *Movement) *int { return &m.AboveW }},
	{FieldMovement + 15, "depth from above", 1, limit.Body * limit.MaxCellSide, func(m *Movement) *int { return &m.AboveH }},
	// 16 more than the first is what one begins with.
	{FieldMovement + 17, "throw", 1, 10 * limit.Speed, func(m *Movement) *int { return &m.Throw }},
	{FieldMovement + 18, "throw rise", 1, 10 * limit.Speed, func(m *Movement) *int { return &m.ThrowRise }},
	{FieldMovement + 19, "shot", 1, 10 * limit.Speed, func(m *Movement) *int { return &m.Shot }},
	{FieldMovement + 20, "shot reach", 1, limit.MaxSeen, func(m *Movement) *int { return &m.ShotReach }},
	{FieldMovement + 21, "strike", 1, 100 * limit.Body, func(m *Movement) *int { return &m.Strike }},
	{FieldMovement + 22, "pause", 1, limit.Pause, func(m *Movement) *int { return &m.Pause }},
}

// Filled is m with the usual values where it has none.
func (m Movement) Filled() Movement {
	usual := UsualMovement
	for _, t := range terms {
		if v := t.at(&m); *v == 0 {
			*v = *t.at(&usual)
		}
	}
	return m
}

// Can reports whether somebody has an ability.
func (m Movement) Can(a Ability) bool { return m.Cannot&a == 0 }

// On is how somebody moves on a map: without what is barred there.
func (m Movement) On(at *Map) Movement {
	m.Cannot |= at.Barred
	m.Arms &^= at.BarredArms
	return m
}

// With sets a value by the name it has for the page. An error says in words what the value
// may be.
func (m Movement) With(name string, value int) (Movement, error) {
	for _, t := range terms {
		if t.name == name {
			if value < t.least || value > t.most {
				return m, fmt.Errorf("%s is %d to %d, not %d", t.name, t.least, t.most, value)
			}
			*t.at(&m) = value
			return m, nil
		}
	}
	return m, fmt.Errorf("there is no %q about moving", name)
}

// Term is a value by its name, and the least and the most it may be.
func (m Movement) Term(name string) (value, least, most int) {
	for _, t := range terms {
		if t.name == name {
			return *t.at(&m), t.least, t.most
		}
	}
	return 0, 0, 0
}

func (m Movement) check() error {
	for _, t := range terms {
		if v := *t.at(&m); v != 0 && (v < t.least || v > t.most) {
			return fmt.Errorf("%s is %d to %d, not %d", t.name, t.least, t.most, v)
		}
	}
	return nil
}

// movementFields are the fields of a character that say how they move.
func movementFields() []field[*Character] {
	list := make([]field[*Character], 0, len(terms))
	for _, t := range terms {
		list = append(list, intsField(t.number, func(c *Character) *int { return t.at(&c.Movement) }))
	}
	return list
}

// Played is how the one who is played moves.
func (d *Document) Played() Movement {
	if c := d.Character(d.Project.Player); c != nil {
		return c.Movement.Filled()
	}
	return UsualMovement
}
