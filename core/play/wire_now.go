package play

import "azzel/core/world"

// A WireNow is how a wire stands in a game, and why.
type WireNow struct {
	// Held says that its beginning is on, On that it counts as on by now; Left is for how many ticks it waits before it counts as its
	// beginning is, or does what it does once.
	Held, On bool
	Left     int
	// Among is how many wires count together with it, itself among them, AreOn how many of these are on, and Need how many must be.
	Among, AreOn, Need int
	// EndOn says that the piece at its end is on; Blocked that it can't become what wires say, since somebody or something is in it.
	EndOn, Blocked bool
}

// WireNow is how a wire stands. A wire of which a piece is gone is as at first.
func (g *Game) WireNow(w *world.Wire) (now WireNow) {
	if _, from := g.pieceOf(w.From); from == nil {
		return now
	}
	end := workedEnd{w.To, w.Works}
	is := g.wire(w.ID)
	now = WireNow{Held: g.isOn(w.From), On: is.on, Left: is.left, EndOn: g.isWorkedOn(end)}
	if w.Does != world.WhileHeld {
		now.On, now.Blocked = now.Held, is.left == 1
		return now
	}
	for _, o := range g.doc.Together(w) {
		if _, from := g.pieceOf(o.From); from == nil {
			continue
		}
		now.Among++
		if g.wire(o.ID).on {
			now.AreOn++
		}
	}
	now.Need = needed(w.Of, now.Among)
	now.Blocked = now.AreOn >= now.Need != g.isWorked(end)
	return now
}
