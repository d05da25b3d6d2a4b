package tiles

import (
	"fmt"

	"azzel/core/limit"
)

// A Frame is one picture of an animated tile.
type Frame struct {
	// Tile is the number of the tile that is shown.
	Tile int `json:"tile"`
	// Millis is for how long, in milliseconds, MinFrame to MaxFrame.
	Millis int `json:"millis"`
}

// The shortest and longest time of a frame, in milliseconds.
const (
	MinFrame = 20
	MaxFrame = 60_000
)

// usualFrame is how long a new frame is shown, in milliseconds.
const usualFrame = 200

// FramesOf are tiles as frames, each for the usual time; none for fewer than two.
func FramesOf(list []int) []Frame {
	var frames []Frame
	for _, n := range list {
		frames = append(frames, Frame{Tile: n, Millis: usualFrame})
	}
	if len(frames) < 2 {
		return nil
	}
	return frames
}

// An Animation is frames that are shown one after the other, for ever. It must
// not be changed.
type Animation struct{ Frames []Frame }

// Check reports what is wrong with the frames, for tiles first to first+count-1.
func (a *Animation) Check(first, count int) error {
	if len(a.Frames) < 2 || len(a.Frames) > limit.TileFrames {
		return fmt.Errorf("an animated tile has 2 to %d frames; this one has %d", limit.TileFrames, len(a.Frames))
	}
	for i, f := range a.Frames {
		if f.Tile < first || f.Tile >= first+count {
			return fmt.Errorf("frame %d is not a tile of the same tileset", i+1)
		}
		if f.Millis < MinFrame || f.Millis > MaxFrame {
			return fmt.Errorf("a frame is shown for %d to %d ms; frame %d for %d", MinFrame, MaxFrame, i+1, f.Millis)
		}
	}
	return nil
}

// At is the tile that is shown at a time in milliseconds, 0 or more, and for how
// many milliseconds yet.
func (a *Animation) At(millis int) (tile, left int) {
	all := 0
	for _, f := range a.Frames {
		all += f.Millis
	}
	if all == 0 {
		return 0, 0
	}
	millis %= all
	for _, f := range a.Frames {
		if millis < f.Millis {
			return f.Tile, f.Millis - millis
		}
		millis -= f.Millis
	}
	return 0, 0
}
