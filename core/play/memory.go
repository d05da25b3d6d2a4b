package play

import (
	"fmt"
	"slices"

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
	// refused are the pieces that have told the player what they lack and at which they still are,
	// sorted.
	refused []world.ID
}

func (m *memory) encode(w *pack.Writer) {
	encodeIDs(w, m.taken)
	encodeItems(w, m.items)
	encodeFacts(w, m.facts)
	encodeIDs(w, m.refused)
}

func decodeMemory(r *pack.Reader) (m memory) {
	m.taken = readIDs(r, limit.Pieces)
	m.items = readItems(r)
	m.facts = readFacts(r)
	m.refused = readIDs(r, limit.Pieces)
	return m
}

func (m memory) clone() memory {
	m.taken, m.items, m.facts, m.refused = slices.Clone(m.taken), slices.Clone(m.items), slices.Clone(m.facts), slices.Clone(m.refused)
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
		k := Known{world.ID(r.Uint()), between(r, r.Int(), 0, limit.FactValue), within(r, r.Int(), 1<<40), world.ID(r.Uint())}
		if n := len(facts); n > 0 && facts[n-1].Fact >= k.Fact {
			r.Fail(fmt.Errorf("%w: facts out of order", pack.ErrMalformed))
		}
		facts = append(facts, k)
	}
	return facts
}
