package exchange

import (
	"fmt"

	"azzel/core/world"
)

// movement writes how a character moves; nil for the usual way.
func movement(m world.Movement) *Movement {
	if m == (world.Movement{}) {
		return nil
	}
	out := &Movement{Speed: m.Speed, Steering: word(steering, m.Steering), Jump: m.Jump, Air: m.Air, Start: m.Start, Stop: m.Stop,
		Climb: m.Climb, Swim: m.Swim, Grace: m.Grace, Health: m.Health}
	for i, name := range abilities {
		if m.Cannot>>i&1 != 0 {
			out.Cannot = append(out.Cannot, name)
		}
	}
	if m.BodyW != 0 || m.BodyH != 0 {
		out.Body = &Size{m.BodyW, m.BodyH}
	}
	return out
}

// movement reads how a character moves.
func (in *Movement) movement() (world.Movement, error) {
	if in == nil {
		return world.Movement{}, nil
	}
	m := world.Movement{Speed: in.Speed, Jump: in.Jump, Air: in.Air, Start: in.Start, Stop: in.Stop,
		Climb: in.Climb, Swim: in.Swim, Grace: in.Grace, Health: in.Health}
	way, err := wordNumber(steering, in.Steering)
	if err != nil {
		return m, fmt.Errorf("steering: %w", err)
	}
	m.Steering = world.Steering(way)
	for _, name := range in.Cannot {
		i, err := wordNumber(abilities, name)
		if err != nil {
			return m, fmt.Errorf("cannot: %w", err)
		}
		m.Cannot |= 1 << i
	}
	if in.Body != nil {
		m.BodyW, m.BodyH = in.Body.W, in.Body.H
	}
	return m, nil
}
