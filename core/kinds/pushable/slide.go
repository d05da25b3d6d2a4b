package pushable

import (
	"iter"

	"azzel/core/body"
	"azzel/core/stage"
)

// A pushable falls, flies and slides.
type behaviour struct{}

// Slide implements stage.Slider.
func (behaviour) Slide(all iter.Seq[*stage.Actor], around stage.Around) {
	for a := range all {
		if around.Ground().Fits(a.Size, a.Place) {
			slide(a, around)
		}
		if !around.Inside(a.Place) {
			around.Lost(a)
		}
	}
}

// slide moves one by what it was thrown with, and from the side down.
func slide(a *stage.Actor, around stage.Around) {
	m, ground, side := &a.Motion, around.Ground(), around.Side()
	if side {
		if !a.Thrown && m.VY == 0 && ground.Supported(a.Size, a.Place) {
			return
		}
		f, _ := around.Forces(a.Size, a.Place)
		m.VY = min(m.VY+2*a.Drive.Under(f.Gravity).Half, a.Drive.Fall)
	} else if !a.Thrown {
		return
	}
	dx, dy := m.VX/(body.Fine/body.Unit), m.VY/(body.Fine/body.Unit)
	step := min(ground.Lattice.W, ground.Lattice.H) * body.Unit / 4
	n := 1 + max(dx, -dx, dy, -dy)/step
	for k := range n {
		to, stopped := slid(a, around, dx*(k+1)/n-dx*k/n, dy*(k+1)/n-dy*k/n)
		if a.Thrown && around.Strikes(a.Size.Box(to), swept(a.Box(), dx/n, dy/n)) {
			m.VX = 0
			stopped = true
		}
		if around.MeetsPlayer(a.Size, to) {
			m.VX, m.VY, a.Thrown = 0, 0, false
			return
		}
		a.Place = to
		if stopped {
			m.VX, m.VY, a.Thrown = 0, 0, side && dy < 0
			return
		}
	}
	if !side {
		m.VX, m.VY = m.VX*15/16, m.VY*15/16
		a.Thrown = max(m.VX, -m.VX, m.VY, -m.VY) > body.Fine/8
	}
}

// swept is what a box covers on its way.
func swept(b body.Box, dx, dy int) body.Box {
	return body.Box{X0: b.X0 + min(dx, 0), Y0: b.Y0 + min(dy, 0), X1: b.X1 + max(dx, 0), Y1: b.Y1 + max(dy, 0)}
}

// slid is where one comes to be that flies, and whether it was stopped.
func slid(a *stage.Actor, around stage.Around, dx, dy int) (to body.Place, stopped bool) {
	ground := around.Ground()
	if around.Side() {
		to, aside := ground.Along(a.Size, a.Place, dx)
		to, below := ground.Drop(a.Size, to, dy)
		return to, aside || below
	}
	to = ground.Move(a.Size, a.Place, dx, dy)
	if !around.Inside(to) || ground.Doorway(to.Cell(ground.Lattice)) {
		return a.Place, true
	}
	return to, to != body.Place{X: a.Place.X + dx, Y: a.Place.Y + dy}
}
