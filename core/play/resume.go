package play

import (
	"bytes"
	"errors"
	"fmt"
	"slices"

	"azzel/core/body"
	"azzel/core/kind"
	"azzel/core/pack"
	"azzel/core/world"
)

// ErrOtherRules is given for a replay that begins in the middle of a play by other rules, whose state
// can't be read.
var ErrOtherRules = errors.New("it begins in the middle of a play that was recorded by older or newer rules: play it once more and keep that")

// resume goes on where a replay began in the middle of a play, on a document. If the checkpoint or
// mark was moved since, it is there.
func resume(d *world.Document, r *world.Replay) (*Game, error) {
	s, err := readState(r.State)
	if err != nil {
		return nil, fmt.Errorf("where it begins: %w", err)
	}
	if s.tick != r.Began || s.finished || s.assisted || s.players[0].drifting {
		return nil, fmt.Errorf("where it begins: %w: nothing could be proved from there", pack.ErrMalformed)
	}
	return from(d, s, r.From)
}

// from goes on with a state that stands at a checkpoint or mark, on a document. If that was moved
// since, it is there.
func from(d *world.Document, s state, start world.ID) (*Game, error) {
	on, from := d.Piece(start)
	if from == nil || !IsStart(from.Type) {
		return nil, ErrStartGone
	}
	elsewhere := on.ID != s.players[0].mapID
	g := newGame(s)
	g.began = beginning{start, true}
	g.look(d)
	if elsewhere {
		g.ground, g.shots = g.groundOf(on), nil
		g.leaveBehind()
	}
	g.stand(on)
	cell := g.ground.Lattice.CellAt(from.Foot)
	// A checkpoint may be touched from the cell beside it.
	if elsewhere || from.Kind().Named || !g.cells().Inset(-1).Has(cell) || !g.ground.Fits(g.size, g.place) {
		to, ok := g.ground.Nearest(g.size, cell, -1)
		if !ok {
			return nil, ErrNowhere
		}
		g.set(on, to)
	}
	g.follow()
	return g, nil
}

// beginsAgain reports whether a play that is kept from here on begins again just so.
func (g *Game) beginsAgain(at beginning) bool {
	var again *Game
	var err error
	if _, p := g.doc.Piece(at.from); p != nil && IsStart(p.Type) {
		again, err = from(g.doc, g.state.clone(), at.from)
	} else if g.tick > 0 {
		return false
	} else {
		again, err = New(g.doc, Start{Chance: g.chance})
	}
	return err == nil && bytes.Equal(again.state.encode(), g.state.encode())
}

// farthest is how far from the middle of its map anything is, in positions, and fastest how far it
// goes in a tick: more than anything can that was played.
const (
	farthest = 1 << 31
	fastest  = 1 << 27
)

func readThing(r *pack.Reader) Thing {
	t := Thing{ID: world.ID(r.Uint()), From: world.ID(r.Uint()), Type: world.ID(r.Uint())}
	if kind.Of(t.Type) == nil && t.Type != 0 {
		r.Fail(fmt.Errorf("%w: a thing of no known type", pack.ErrMalformed))
	}
	t.Place, t.Heading, t.Far = readPlace(r), between(r, r.Int(), -1, int(world.North)), r.Int()
	for _, n := range []*int32{&t.Rest, &t.Left, &t.Hits, &t.Wait} {
		*n = int32(r.Int())
	}
	readMotion(r, &t.Motion)
	for _, yes := range []*bool{&t.Gone, &t.Back, &t.Thrown, &t.Motion.Rising, &t.Motion.Thrown} {
		*yes = r.Bool()
	}
	return t
}

func readMotion(r *pack.Reader, m *body.Motion) {
	for _, n := range []*int{&m.VX, &m.VY, &m.RestX, &m.RestY} {
		*n = between(r, r.Int(), -fastest, fastest)
	}
	m.Mode, m.Left, m.Asked = body.Mode(within(r, r.Int(), int(body.InWater))), r.Int(), r.Int()
}

func readPlace(r *pack.Reader) body.Place {
	return body.Place{X: between(r, r.Int(), -farthest, farthest), Y: between(r, r.Int(), -farthest, farthest)}
}

// readIDs reads ids that are sorted, each once.
func readIDs(r *pack.Reader, most int) []world.ID {
	var ids []world.ID
	for range r.Count(most, 1) {
		ids = append(ids, world.ID(r.Uint()))
	}
	for i := 1; i < len(ids); i++ {
		if ids[i-1] >= ids[i] {
			r.Fail(fmt.Errorf("%w: ids out of order", pack.ErrMalformed))
		}
	}
	return slices.Clip(ids)
}

// within is n, from 0 to most, or a failure.
func within(r *pack.Reader, n, most int) int { return between(r, n, 0, most) }

// between is n, from least to most, or a failure.
func between(r *pack.Reader, n, least, most int) int {
	if n < least || n > most {
		r.Fail(fmt.Errorf("%w: %d is not from %d to %d", pack.ErrMalformed, n, least, most))
		return least
	}
	return n
}
