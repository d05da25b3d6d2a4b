package world_test

import (
	"slices"
	"testing"

	"azzel/core/world"
)

// The rows of a sheet are taken for what their number says, and empty places are left out.
func TestProposePoses(t *testing.T) {
	full := func(columns, rows int) (places []int) {
		for i := range columns * rows {
			places = append(places, i)
		}
		return places
	}
	if got := world.ProposePoses(6, 1, full(6, 1)); len(got) != 1 || got[0].Act != world.ActWalk || got[0].Facing != world.East || len(got[0].Frames) != 6 {
		t.Errorf("one row became %+v", got)
	}
	four := world.ProposePoses(3, 4, full(3, 4))
	for i, p := range four {
		if p.Act != world.ActWalk || p.Facing != world.Facing(i) || !slices.Equal(p.Frames, []int{3 * i, 3*i + 1, 3*i + 2}) {
			t.Errorf("of four rows, row %d became %+v", i, p)
		}
	}
	// The third row is empty, the second has two of four.
	ragged := world.ProposePoses(4, 8, []int{0, 1, 2, 3, 4, 5, 12, 13, 14, 15, 16, 20, 24, 28})
	acts := []world.Act{world.ActStand, world.ActWalk, world.ActJump, world.ActFall, world.ActClimb, world.ActSwim, world.ActHurt}
	if len(ragged) != len(acts) || len(ragged[1].Frames) != 2 || !slices.Equal(ragged[2].Frames, []int{6, 7, 8, 9}) {
		t.Fatalf("eight rows became %+v", ragged)
	}
	for i, p := range ragged {
		if p.Act != acts[i] || p.Facing != world.East {
			t.Errorf("of eight rows, number %d shows %v to the %v", i, p.Act, p.Facing)
		}
	}
}

// What a sheet does not have is shown by what is most like it: the other side mirrored, another side,
// another act; frames go on with time.
func TestFrames(t *testing.T) {
	c := &world.Character{Strip: "s", Count: 9, Poses: []world.Pose{
		{Act: world.ActWalk, Facing: world.East, Frames: []int{0, 1, 2}, Ticks: 4},
		{Act: world.ActWalk, Facing: world.North, Frames: []int{3, 4}, Ticks: 4},
		{Act: world.ActHurt, Facing: world.South, Frames: []int{8}, Ticks: 4},
	}}
	for _, want := range []struct {
		act      world.Act
		facing   world.Facing
		tick     int
		frame    int
		mirrored bool
	}{
		{world.ActWalk, world.East, 0, 0, false}, {world.ActWalk, world.East, 4, 1, false}, {world.ActWalk, world.East, 13, 0, false},
		{world.ActWalk, world.West, 9, 2, true}, {world.ActWalk, world.North, 5, 4, false}, {world.ActWalk, world.South, 4, 1, false},
		{world.ActStand, world.West, 9, 0, true}, {world.ActRun, world.East, 8, 2, false}, {world.ActJump, world.East, 0, 1, false},
		{world.ActClimb, world.North, 4, 4, false}, {world.ActHurt, world.West, 99, 8, false}, {world.ActSwim, world.East, 4, 1, false},
	} {
		if frame, mirrored := c.Frame(want.act, want.facing, want.tick); frame != want.frame || mirrored != want.mirrored {
			t.Errorf("who %s to the %s is seen by frame %d, mirrored %v after %d ticks, want %+v", world.ActNames[want.act], world.FacingNames[want.facing], frame, mirrored, want.tick, want)
		}
	}
	if frame, _ := (&world.Character{}).Frame(world.ActWalk, world.East, 3); frame != -1 {
		t.Errorf("without pictures frame %d is seen", frame)
	}
	old := &world.Character{Strip: "s"}
	if frame, mirrored := old.Frame(world.ActWalk, world.North, world.UsualPoseTicks); frame != 3*world.CharacterFrames+1 || mirrored {
		t.Errorf("of four rows of four, the second to the north is %d", frame)
	}
}
