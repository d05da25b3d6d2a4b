package stage

import (
	"azzel/core/body"
	"azzel/core/grid"
)

// A Track is a way that a thing follows, as places of its foot with how far each lies along it.
type Track struct {
	points []body.Place
	// along is how far along the way each point lies, in positions; the last is its length.
	along []int
	round bool
}

// NewTrack is the way through some points, and back to the first one if it goes round; nil if it leads nowhere.
func NewTrack(points []body.Place, round bool) *Track {
	t := &Track{points: points, round: round}
	if round {
		t.points = append(t.points, points[0])
	}
	t.along = make([]int, len(t.points))
	for i := 1; i < len(t.points); i++ {
		dx, dy := t.points[i].X-t.points[i-1].X, t.points[i].Y-t.points[i-1].Y
		t.along[i] = t.along[i-1] + grid.Root(dx>>4*(dx>>4)+dy>>4*(dy>>4))<<4
	}
	if t.length() == 0 {
		return nil
	}
	return t
}

// length is how long the way is, in positions.
func (t *Track) length() int { return t.along[len(t.along)-1] }

// at is the place so far along the way.
func (t *Track) at(far int) body.Place {
	i := 1
	for i < len(t.along)-1 && t.along[i] < far {
		i++
	}
	a, b, length := t.points[i-1], t.points[i], t.along[i]-t.along[i-1]
	if length == 0 {
		return b
	}
	part := far - t.along[i-1]
	return body.Place{X: a.X + (b.X-a.X)*part/length, Y: a.Y + (b.Y-a.Y)*part/length}
}

// Glide moves an actor along its way by so many positions: to and fro, or round and round. The document may have been
// changed, so that it is further along than its way is long.
func (a *Actor) Glide(step int) {
	if a.Track == nil {
		a.Place = a.Foot
		return
	}
	if a.Rest > 0 {
		a.Rest--
		return
	}
	length, was, round := a.Track.length(), a.Far, a.Track.round
	switch {
	case round:
		a.Far, a.Back = (a.Far+step)%length, false
	case a.Back:
		a.Far -= step
	default:
		a.Far += step
	}
	a.Far = min(max(a.Far, 0), length)
	if !round && (a.Far == 0 || a.Far == length) {
		a.Back, a.Rest = a.Far == length, int32(a.Acts.Rest)
	}
	if round && a.Far < was {
		a.Rest = int32(a.Acts.Rest)
	}
	a.Place = a.Track.at(a.Far)
}
