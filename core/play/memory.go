package play

import (
	"fmt"
	"slices"

	"azzel/core/kind"
	"azzel/core/limit"
	"azzel/core/pack"
	"azzel/core/world"
)

// memory is what the game remembers.
type memory struct {
	// taken are the pieces that were taken, sorted.
	taken []world.ID
	// items are what the player has, sorted by item.
	items []world.Stock
	// facts are what was set during play, sorted by fact.
	facts []Known
	// refused are the pieces that have told the player something and at which they still are,
	// sorted.
	refused []world.ID
	// states are the own states of pieces that went to another one by what they do themselves, sorted by piece.
	states []stated
	// spoken is how often the player spoke to somebody, sorted by piece.
	spoken []spoken
	// left are the pieces of maps that the player left of which what became is forgotten when they return, sorted.
	left []world.ID
	// properties are those of pieces that rules have set, sorted by piece and property.
	properties []property
}

// spoken is how often the player spoke to a piece, at least once.
type spoken struct {
	piece world.ID
	times int
}

// stated is the own state of a piece.
type stated struct {
	piece world.ID
	state int
}

func (m *memory) encode(w *pack.Writer) {
	encodeIDs(w, m.taken)
	encodeItems(w, m.items)
	encodeFacts(w, m.facts)
	encodeIDs(w, m.refused)
	encodeStates(w, m.states)
}

func encodeSpoken(w *pack.Writer, list []spoken) {
	w.Uint(uint64(len(list)))
	for _, s := range list {
		w.Uint(uint64(s.piece))
		w.Int(s.times)
	}
}

func readSpoken(r *pack.Reader) (list []spoken) {
	for range r.Count(limit.Pieces, 2) {
		s := spoken{world.ID(r.Uint()), within(r, r.Int(), mostSpoken)}
		if n := len(list); n > 0 && list[n-1].piece >= s.piece || s.times == 0 {
			r.Fail(fmt.Errorf("%w: how often somebody was spoken to is out of order", pack.ErrMalformed))
		}
		list = append(list, s)
	}
	return list
}

// mostSpoken is how often it is counted that somebody was spoken to.
const mostSpoken = 1 << 20

func decodeMemory(r *pack.Reader) (m memory) {
	m.taken = readIDs(r, limit.Pieces)
	m.items = readItems(r)
	m.facts = readFacts(r)
	m.refused = readIDs(r, limit.Pieces)
	for range r.Count(limit.Pieces, 2) {
		s := stated{world.ID(r.Uint()), int(min(r.Uint(), 1<<31-1))}
		if n := len(m.states); n > 0 && m.states[n-1].piece >= s.piece || kind.StateOf(s.state) == nil {
			r.Fail(fmt.Errorf("%w: states out of order, or one that is not known", pack.ErrMalformed))
		}
		if r.Err() != nil {
			return m
		}
		m.states = append(m.states, s)
	}
	return m
}

func encodeStates(w *pack.Writer, states []stated) {
	w.Uint(uint64(len(states)))
	for _, s := range states {
		w.Uint(uint64(s.piece))
		w.Uint(uint64(s.state))
	}
}

func (m memory) clone() memory {
	m.taken, m.items, m.facts, m.refused = slices.Clone(m.taken), slices.Clone(m.items), slices.Clone(m.facts), slices.Clone(m.refused)
	m.states, m.spoken, m.left, m.properties = slices.Clone(m.states), slices.Clone(m.spoken), slices.Clone(m.left), slices.Clone(m.properties)
	return m
}

func encodeItems(w *pack.Writer, items []world.Stock) {
	w.Uint(uint64(len(items)))
	for _, had := range items {
		w.Uint(uint64(had.Item))
		w.Int(had.Count)
	}
}

func readItems(r *pack.Reader) (items []world.Stock) {
	for range r.Count(limit.Items, 2) {
		had := world.Stock{Item: world.ID(r.Uint()), Count: between(r, r.Int(), 1, limit.Stack)}
		if n := len(items); n > 0 && items[n-1].Item >= had.Item {
			r.Fail(fmt.Errorf("%w: items out of order", pack.ErrMalformed))
		}
		items = append(items, had)
	}
	return items
}

func encodeFacts(w *pack.Writer, facts []Known) {
	w.Uint(uint64(len(facts)))
	for _, k := range facts {
		w.Uint(uint64(k.Fact))
		w.Int(k.Value)
		w.Int(k.Tick)
		w.Uint(uint64(k.By))
	}
}

func readFacts(r *pack.Reader) (facts []Known) {
	for range r.Count(limit.Facts, 4) {
		k := Known{world.ID(r.Uint()), between(r, r.Int(), -limit.FactValue, limit.FactValue), within(r, r.Int(), 1<<40), world.ID(r.Uint())}
		if n := len(facts); n > 0 && facts[n-1].Fact >= k.Fact {
			r.Fail(fmt.Errorf("%w: facts out of order", pack.ErrMalformed))
		}
		facts = append(facts, k)
	}
	return facts
}
