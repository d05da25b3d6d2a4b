package wording

import (
	"fmt"
	"strings"

	"azzel/core/hand"
	"azzel/core/kind"
	"azzel/core/play"
	"azzel/core/world"
)

// OnWord is what a piece of a kind is that is on: in the second of the states between which it goes, if states says that these are worked, else what has power is.
func OnWord(k *kind.Kind, works int, states bool) string {
	if _, second := k.Pair(); works == world.WorksState && states && second != nil {
		return second.Name
	}
	return kind.Powers[kind.On]
}

// EndOn is what the end of a wire is that is on.
func EndOn(e hand.WireEnd, works int) string {
	switch {
	case e.Piece != nil:
		return OnWord(e.Piece.Kind(), works, e.Piece.Kind().Worked)
	case e.Layer != nil:
		return kind.Presences[kind.There]
	}
	return kind.Powers[kind.On]
}

// Wired says of each wire that ends at something, of those that count together at once, why that is or is not on by it in a game, or for what it waits.
func Wired(d *world.Document, g *play.Game, end hand.WireEnd, say func(says string, on bool)) {
	said := map[int]bool{}
	for _, w := range d.WiresOf(end.Ref.ID) {
		_, from := d.Piece(w.From)
		if w.To != end.Ref.ID || from == nil || w.Does == world.WhileHeld && said[w.Works] {
			continue
		}
		now := g.WireNow(w)
		says := beginning(d, w, now.Held)
		switch {
		case w.Does != world.WhileHeld:
			says += fmt.Sprintf(" (%s, it %s)", OnWord(from.Kind(), world.WorksState, true), world.WireDoes[w.Does])
		case now.Among > 1:
			var list []string
			for _, o := range d.Together(w) {
				if _, from := d.Piece(o.From); from != nil {
					list = append(list, beginning(d, o, g.WireNow(o).Held))
				}
			}
			says = fmt.Sprintf("of %d wires %d must be on: %s", now.Among, now.Need, Some(list))
			fallthrough
		default:
			said[w.Works] = true
		}
		if now.Left > 1 {
			says += fmt.Sprintf("; that counts in %s", Seconds(now.Left))
		} else if now.Blocked {
			says += "; something is in its way"
		}
		is := EndOn(end, w.Works)
		if !now.EndOn {
			is = "not " + is
		}
		say(strings.ToUpper(is[:1])+is[1:]+": "+says+".", now.EndOn)
	}
}

// beginning is whether a wire begins at what is on, in words.
func beginning(d *world.Document, w *world.Wire, held bool) string {
	_, from := d.Piece(w.From)
	on := OnWord(from.Kind(), world.WorksState, true)
	if !held {
		on = "not " + on
	}
	return hand.PieceName(d, from) + " is " + on
}
