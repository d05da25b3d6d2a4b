package playing

import (
	"azzel/core/body"
	"azzel/core/grid"
	"azzel/core/page"
	"azzel/core/picture"
	"azzel/core/play"
	"azzel/core/world"
)

// hurtTicks is for how long somebody is seen being hurt.
const hurtTicks = 20

// actOf is what the player is seen doing.
func actOf(s play.Status, view world.View, moving bool) world.Act {
	switch {
	case s.Hurt > 0 && s.Hurt <= hurtTicks:
		return world.ActHurt
	case view == world.SideView && s.Doing == body.Airborne && s.Rises:
		return world.ActJump
	case view == world.SideView && s.Doing == body.Airborne:
		return world.ActFall
	case view == world.SideView && s.Doing == body.OnLadder:
		return world.ActClimb
	case view == world.SideView && s.Doing == body.InWater:
		return world.ActSwim
	case moving && view == world.SideView:
		return world.ActRun
	case moving:
		return world.ActWalk
	}
	return world.ActStand
}

// frame is which frame of the player's sheet is seen, mirrored or not; −1 for the built-in figure.
func frame(p *page.Page, s play.Status, view world.View) (frame int, mirrored bool, foot grid.Point) {
	c := p.Played.Game().Who()
	if c == nil || p.Strips[c.Strip] == nil {
		return -1, false, foot
	}
	act, facing := actOf(s, view, p.Moving), s.Facing
	tick := s.Ticks
	if is, posed := p.Played.Game().Posed(0); posed {
		act = is
	}
	if act == world.ActClimb {
		facing = world.North
		if _, posed := p.Played.Game().Posed(0); !p.Moving && !posed {
			tick = 0
		}
	}
	frame, mirrored = c.Frame(act, facing, tick)
	return frame, mirrored, c.Foot(mirrored)
}

// SpriteFigure is the player among what a sprite shows; any other number is the type of a
// piece.
const SpriteFigure = 0

// Sprite is the pixels of a picture and their size in pixels, nil if it is not seen in play:
// which, for the figure its facing and frame, for a piece its state as the frame.
func Sprite(p *page.Page, which, facing, frame int) (pixels []byte, w, h int) {
	l := p.Doc().Project.Lattice()
	facing, frame = facing&3, frame&(world.CharacterFrames-1)
	w, h = picture.SpriteSize(l)
	if which == SpriteFigure {
		return picture.Figure(l, world.Facing(facing), frame), w, h
	}
	return picture.Piece(l, world.ID(which), frame), w, h
}
