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

// Wired says of each wire that ends at a piece, of those that count together at once, why the piece is or is not on by it in a game, or for what it waits.
func Wired(d *world.Document, g *play.Game, piece *world.Piece, say func(says string, on bool)) {
	said := map[int]bool{}
	for _, w := range d.WiresOf(piece.ID) {
		_, from := d.Piece(w.From)
		if w.To != piece.ID || from == nil || w.Does == world.WhileHeld && said[w.Works] {
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
		end := OnWord(piece.Kind(), w.Works, piece.Kind().Worked)
		if !now.EndOn {
			end = "not " + end
		}
		say(strings.ToUpper(end[:1])+end[1:]+": "+says+".", now.EndOn)
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
