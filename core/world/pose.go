package world

import (
	"errors"
	"fmt"

	"azzel/core/grid"
	"azzel/core/limit"
	"azzel/core/pack"
)

// An Act is something that somebody is seen doing.
type Act uint8

// The acts, in the order in which the rows of a sheet mostly have them.
const (
	ActStand Act = iota
	ActWalk
	ActRun
	ActJump
	ActFall
	ActClimb
	ActSwim
	ActHurt
	actEnd
)

// What is stored of pictures is held to the same number of acts.
var _ [limit.Acts]struct{} = [actEnd]struct{}{}

// ActNames are what the acts are called, in their order.
var ActNames = [...]string{"stands", "walks", "runs", "jumps", "falls", "climbs", "swims", "is hurt"}

// FacingNames are what the facings are called, in their order.
var FacingNames = [...]string{"south", "west", "east", "north"}

// A Pose is the frames that show somebody doing something, looking to a side.
type Pose struct {
	Act    Act
	Facing Facing
	// Frames are places among the frames of the character's strip, Ticks is for how long each
	// is shown.
	Frames []int
	Ticks  int
}

// UsualPoseTicks is for how long a frame is shown that says nothing else.
const UsualPoseTicks = 8

// instead lists what is shown of somebody whose sheet does not have an act, the likest first.
var instead = [actEnd][]Act{
	ActStand: {ActWalk, ActRun},
	ActWalk:  {ActRun, ActStand},
	ActRun:   {ActWalk, ActStand},
	ActJump:  {ActFall, ActRun, ActWalk, ActStand},
	ActFall:  {ActJump, ActRun, ActWalk, ActStand},
	ActClimb: {ActWalk, ActRun, ActStand},
	ActSwim:  {ActFall, ActWalk, ActRun, ActStand},
	ActHurt:  {ActStand, ActWalk, ActRun},
}

// Rows are the poses that a character has, or without any the four rows of walking that characters
// had at first.
func (c *Character) Rows() []Pose {
	if len(c.Poses) > 0 || c.Strip == "" {
		return c.Poses
	}
	list := make([]Pose, 4)
	for f := range list {
		list[f] = Pose{Act: ActWalk, Facing: Facing(f), Ticks: UsualPoseTicks}
		for i := range CharacterFrames {
			list[f].Frames = append(list[f].Frames, f*CharacterFrames+i)
		}
	}
	return list
}

// Foot is where in a frame the foot is, in pixels to the right of the middle of its lower edge and above it.
func (c *Character) Foot(mirrored bool) grid.Point {
	if mirrored {
		return grid.Point{X: -c.FootX, Y: c.FootY}
	}
	return grid.Point{X: c.FootX, Y: c.FootY}
}

// Frame is which frame is seen of somebody who has been doing something for so many ticks, and
// whether it is mirrored; −1 without pictures. Where the sheet lacks an act or a side, it is what
// is most like it.
func (c *Character) Frame(act Act, f Facing, tick int) (frame int, mirrored bool) {
	poses := c.Rows()
	for i, a := range append([]Act{act}, instead[act]...) {
		p, mirrored := pose(poses, a, f)
		if p == nil || len(p.Frames) == 0 {
			continue
		}
		switch {
		case i > 0 && (act == ActStand || act == ActHurt):
			return p.Frames[0], mirrored
		case i > 0 && (act == ActJump || act == ActFall):
			// In mid-stride.
			return p.Frames[min(1, len(p.Frames)-1)], mirrored
		}
		return p.Frames[tick/max(1, p.Ticks)%len(p.Frames)], mirrored
	}
	return -1, false
}

// pose finds the pose of an act for a side: its own, the other side mirrored, or any.
func pose(poses []Pose, a Act, f Facing) (found *Pose, mirrored bool) {
	other := map[Facing]Facing{West: East, East: West}
	for i := range poses {
		p := &poses[i]
		if p.Act != a {
			continue
		}
		if p.Facing == f {
			return p, false
		}
		o, sides := other[f]
		switch {
		case sides && p.Facing == o:
			found, mirrored = p, true
		case found == nil:
			found = p
		}
	}
	return found, mirrored
}

// ProposePoses is what the rows of a sheet most likely show: with four rows somebody who walks to the
// four sides, else what one does looking to the right, in the order of the acts. Places say where
// each frame was: row × columns + column, ascending.
func ProposePoses(columns, rows int, places []int) []Pose {
	frames := make([][]int, rows)
	for i, place := range places {
		frames[place/columns] = append(frames[place/columns], i)
	}
	var list []Pose
	for r, row := range frames {
		if len(row) == 0 || r >= limit.Poses {
			continue
		}
		p := Pose{Act: Act(min(r, int(actEnd)-1)), Facing: East, Frames: row, Ticks: UsualPoseTicks}
		switch rows {
		case 1:
			p.Act = ActWalk
		case 4:
			p.Act, p.Facing = ActWalk, Facing(r)
		}
		list = append(list, p)
	}
	return list
}

func (c *Character) checkPoses() error {
	if c.Count < 0 || c.Count > limit.CharacterFrames || len(c.Poses) > limit.Poses {
		return fmt.Errorf("a character has at most %d frames in %d rows", limit.CharacterFrames, limit.Poses)
	}
	if most := limit.MaxCellSide; max(c.FootX, -c.FootX) > most || max(c.FootY, -c.FootY) > most {
		return errors.New("the foot lies outside the picture")
	}
	for _, p := range c.Poses {
		if p.Act >= actEnd || p.Facing > North || p.Ticks < 1 || p.Ticks > limit.Interval || len(p.Frames) == 0 {
			return errors.New("a row of the sheet shows something that characters can't do")
		}
		for _, f := range p.Frames {
			if f < 0 || f >= c.Frames() {
				return errors.New("a row of its sheet has a frame that is not there")
			}
		}
	}
	return nil
}

// Frames is how many frames the strip of a character has.
func (c *Character) Frames() int {
	if c.Count == 0 {
		return 4 * CharacterFrames
	}
	return c.Count
}

// Properties of characters: those up to FieldFrames say where its pictures are.
const (
	FieldSheet  Field = 2
	FieldFrames Field = 5
)

// With is a character with other values of some properties.
func (c *Character) With(values []Value) (*Character, error) {
	next := *c
	return &next, setFields(&next, characterFields, values)
}

var poseFields = []field[*Character]{
	intsField(FieldFrames, func(c *Character) *int { return &c.Count }),
	intsField(6, func(c *Character) *int { return &c.FootX }, func(c *Character) *int { return &c.FootY }),
	{8, func(c *Character, w *pack.Writer) {
		w.Uint(uint64(len(c.Poses)))
		for _, p := range c.Poses {
			w.Uint(uint64(p.Act))
			w.Uint(uint64(p.Facing))
			w.Int(p.Ticks)
			w.Uint(uint64(len(p.Frames)))
			for _, f := range p.Frames {
				w.Int(f)
			}
		}
	}, func(c *Character, r *pack.Reader) {
		c.Poses = nil
		for range r.Count(limit.Poses, 4) {
			p := Pose{Act: Act(bounded(r, 255)), Facing: Facing(bounded(r, 255)), Ticks: r.Int()}
			for range r.Count(limit.CharacterFrames, 1) {
				p.Frames = append(p.Frames, r.Int())
			}
			c.Poses = append(c.Poses, p)
		}
	}},
}
