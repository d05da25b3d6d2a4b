package play

import (
	"fmt"
	"slices"

	"azzel/core/limit"
	"azzel/core/pack"
	"azzel/core/world"
)

// cast is what became of all that acts.
type cast struct {
	// things are what became of pieces that act and what came out of emitters, sorted by id; came
	// is how much came so far.
	things []Thing
	came   int
	// fallen are the characters that are gone, sorted.
	fallen []world.ID
}

func (c *cast) encode(w *pack.Writer) {
	w.Int(c.came)
	encodeIDs(w, c.fallen)
	w.Uint(uint64(len(c.things)))
	for i := range c.things {
		t := &c.things[i]
		encodeThing(w, t)
		w.Uint(uint64(t.On))
		w.Uint(uint64(t.Frame))
	}
}

func decodeCast(r *pack.Reader) (c cast) {
	c.came = within(r, r.Int(), farthest)
	c.fallen = readIDs(r, limit.Characters)
	for range r.Count(limit.Pieces, 25) {
		t := readThing(r)
		t.On, t.Frame = world.ID(r.Uint()), world.ID(r.Uint())
		if !c.add(r, t) {
			return c
		}
	}
	return c
}

// add adds a thing that was read, and reports whether it may stand there.
func (c *cast) add(r *pack.Reader, t Thing) bool {
	if n := len(c.things); n > 0 && c.things[n-1].ID >= t.ID || t.ID&emitted != 0 && (t.From == 0 || int(t.ID&^emitted) > c.came) {
		r.Fail(fmt.Errorf("%w: things out of order", pack.ErrMalformed))
	}
	if r.Err() != nil {
		return false
	}
	c.things = append(c.things, t)
	return true
}

func (c cast) clone() cast {
	c.things, c.fallen = slices.Clone(c.things), slices.Clone(c.fallen)
	return c
}

func encodeIDs(w *pack.Writer, ids []world.ID) {
	w.Uint(uint64(len(ids)))
	for _, id := range ids {
		w.Uint(uint64(id))
	}
}
