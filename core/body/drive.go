package body

import (
	"azzel/core/grid"
	"azzel/core/world"
)

// Fine is how many units of speed there are to a pixel a tick.
const Fine = 1 << 16

// positionFine is how many units of Fine there are to a position.
const positionFine = Fine / Unit

// A Drive is how somebody moves in side-view, computed from the designer's terms: speeds in
// 1/65,536 pixel a tick, and what a tick changes of them.
type Drive struct {
	Run, SpeedUp, SlowDown int
	// Leap is the speed a jump begins with, Half half of what a tick takes of it.
	Leap, Half  int
	Fall        int
	Climb, Swim int
	Grace       int
	Jumps       bool
	Climbs      bool
	Swims       bool
}

// NewDrive computes a drive. What is jumped is exact: after half its time the foot is as
// high as was asked for, within a pixel, and after all of it as low as it began. Height is
// half·n·(time − n) after n ticks.
func NewDrive(l grid.Lattice, m world.Movement) Drive {
	// The highest of n·(time − n) over whole ticks.
	highest := m.Air / 2 * (m.Air - m.Air/2)
	half := (m.Jump*l.H*Fine/10 + highest/2) / highest
	d := Drive{Run: Speed(m.Speed, l.W), Leap: half * m.Air, Half: half, Climb: Speed(m.Climb, l.H), Swim: Speed(m.Swim, l.H),
		Grace: m.Grace, Jumps: m.Can(world.Jumping), Climbs: m.Can(world.Climbing), Swims: m.Can(world.Swimming)}
	d.SpeedUp, d.SlowDown = max(1, d.Run/m.Start), max(1, d.Run/m.Stop)
	d.Fall = max(d.Leap, min(Speed(10*mostFall, l.H), max(2*d.Leap, d.Run)))
	return d
}

// mostFall is how fast somebody falls at most, in cells a second, unless they jump so high
// that they come down faster.
const mostFall = 60

// JumpWidth is how wide somebody jumps who runs, in tenths of a cell.
func JumpWidth(m world.Movement) int { return m.Speed * m.Air / TicksPerSecond }

// SpeedFor is the speed, in tenths of a cell a second, with which somebody jumps so wide.
func SpeedFor(m world.Movement, width int) int { return (width*TicksPerSecond + m.Air/2) / m.Air }

// Under is how somebody moves where gravity is so many percent of the usual.
func (d Drive) Under(gravity int) Drive {
	if gravity == 100 {
		return d
	}
	d.Half = max(1, d.Half*gravity/100)
	return d
}

// Speed is a speed, in tenths of a cell of so many pixels a second, in 1/65,536 pixel a tick.
func Speed(tenths, side int) int { return tenths * side * Fine / (10 * TicksPerSecond) }

// SpringSpeed is the speed, in 1/65,536 pixel a tick, with which somebody comes so high, in
// pixels, who falls as d says.
func (d Drive) SpringSpeed(height int) int {
	// A speed of v is used up after v/(2·Half) ticks, v²/(4·Half) higher.
	return grid.Root(4*d.Half*height) << 8
}
