package exchange

import (
	"fmt"
	"slices"

	"azzel/core/world"
)

// movement writes how a character moves; nil for the usual way.
func movement(m world.Movement) *Movement {
	if m == (world.Movement{}) {
		return nil
	}
	out := &Movement{Speed: m.Speed, Steering: word(steering, m.Steering), Jump: m.Jump, Air: m.Air, Start: m.Start, Stop: m.Stop,
		Climb: m.Climb, Swim: m.Swim, Grace: m.Grace, Health: m.Health,
		Throw: m.Throw, ThrowRise: m.ThrowRise, Shot: m.Shot, ShotReach: m.ShotReach, Strike: m.Strike, Pause: m.Pause}
	for i, name := range abilities {
		if m.Cannot>>i&1 != 0 {
			out.Cannot = append(out.Cannot, name)
		}
	}
	for i, name := range arms {
		if m.Arms>>i&1 != 0 {
			out.Arms = append(out.Arms, name)
		}
	}
	if m.BodyW != 0 || m.BodyH != 0 {
		out.Body = &Size{m.BodyW, m.BodyH}
	}
	if m.AboveW != 0 || m.AboveH != 0 {
		out.Above = &Size{m.AboveW, m.AboveH}
	}
	return out
}

// movement reads how a character moves.
func (in *Movement) movement() (world.Movement, error) {
	if in == nil {
		return world.Movement{}, nil
	}
	m := world.Movement{Speed: in.Speed, Jump: in.Jump, Air: in.Air, Start: in.Start, Stop: in.Stop,
		Climb: in.Climb, Swim: in.Swim, Grace: in.Grace, Health: in.Health,
		Throw: in.Throw, ThrowRise: in.ThrowRise, Shot: in.Shot, ShotReach: in.ShotReach, Strike: in.Strike, Pause: in.Pause}
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
	for _, name := range in.Arms {
		i, err := wordNumber(arms, name)
		if err != nil {
			return m, fmt.Errorf("arms: %w", err)
		}
		m.Arms |= 1 << i
	}
	if in.Body != nil {
		m.BodyW, m.BodyH = in.Body.W, in.Body.H
	}
	if in.Above != nil {
		m.AboveW, m.AboveH = in.Above.W, in.Above.H
	}
	return m, nil
}

// poses writes what the frames of a character show.
func (out *Character) poses(c *world.Character) {
	out.Frames = c.Count
	for _, p := range c.Poses {
		out.Poses = append(out.Poses, Pose{word(world.ActNames[:], p.Act), word(world.FacingNames[:], p.Facing), p.Frames, p.Ticks})
	}
	if c.FootX != 0 || c.FootY != 0 {
		out.Foot = &Place{c.FootX, c.FootY}
	}
}

// readPoses reads what the frames of a character show.
func (in *Character) readPoses(c *world.Character) error {
	for i, p := range in.Poses {
		act, err := wordNumber(world.ActNames[:], p.Act)
		if err != nil {
			return fmt.Errorf("pose %d, act: %w", i+1, err)
		}
		facing, err := wordNumber(world.FacingNames[:], p.Facing)
		if err != nil {
			return fmt.Errorf("pose %d, facing: %w", i+1, err)
		}
		c.Poses = append(c.Poses, world.Pose{Act: world.Act(act), Facing: world.Facing(facing), Frames: p.Frames, Ticks: p.Ticks})
	}
	if in.Foot != nil {
		c.FootX, c.FootY = in.Foot.X, in.Foot.Y
	}
	return nil
}

// writeBarred lists what nobody can do on a map.
func writeBarred(m *world.Map) (list []string) {
	for i, name := range abilities {
		if m.Barred>>i&1 != 0 {
			list = append(list, name)
		}
	}
	for i, name := range arms {
		if m.BarredArms>>i&1 != 0 {
			list = append(list, name)
		}
	}
	return list
}

// readBarred reads what nobody can do on a map.
func readBarred(list []string) (barred world.Ability, of world.Arm, err error) {
	for _, name := range list {
		i, err := wordNumber(slices.Concat(abilities, arms), name)
		switch {
		case err != nil:
			return 0, 0, err
		case i < len(abilities):
			barred |= 1 << i
		default:
			of |= 1 << (i - len(abilities))
		}
	}
	return barred, of, nil
}

// whenAnew are the words for when something begins anew, by the bits of world.Anew.
var whenAnew = []string{"on-return", "after-harm"}

func writeAnew(anew world.Anew) (list []string) {
	for i, name := range whenAnew {
		if anew>>i&1 != 0 {
			list = append(list, name)
		}
	}
	return list
}

func readAnew(list []string) (anew world.Anew, err error) {
	for _, name := range list {
		i, err := wordNumber(whenAnew, name)
		if err != nil {
			return 0, err
		}
		anew |= 1 << i
	}
	return anew, nil
}
