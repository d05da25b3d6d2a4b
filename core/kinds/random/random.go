// Package random draws what a piece may set from what its kind declares, for tests.
package random

import (
	"math/rand/v2"

	"azzel/core/appearance"
	"azzel/core/grid"
	"azzel/core/kind"
	"azzel/core/logic"
	"azzel/core/talk"
	"azzel/core/words"
)

// Values are random values of about half the properties of a kind: mostly such as are set by hand, now and then the
// least or the most there is. What refers to another thing is left alone, as is how a fact is set and what is asked for.
func Values(r *rand.Rand, k *kind.Kind) (v kind.Values) {
	for _, h := range k.Props {
		if h.Sort == kind.Reference || h.Sort == kind.Setting || h.Sort == kind.Condition || r.IntN(2) == 0 {
			continue
		}
		if h.Sort == kind.OwnState || len(h.Options) > 0 && (&h.Options[0] == &kind.Presences[0] || &h.Options[0] == &kind.Powers[0]) {
			// Most pieces are there and do something.
			if r.IntN(4) == 0 {
				v = v.With(start(r, k, h.Prop))
			}
			continue
		}
		if h.Sort == kind.Picture {
			// Most look as they come.
			if r.IntN(16) == 0 {
				v = v.With(Picture(r).Set(h.Prop))
			}
			continue
		}
		if h.Sort == kind.Colour {
			v = v.With(h.Is(kind.ColourEnd/2 + r.IntN(kind.ColourEnd/2)))
			continue
		}
		if h.Sort == kind.Sayings {
			v = v.With(talks(r).Set(h.Prop))
			continue
		}
		if h.Sort == kind.Words {
			v = v.With(Words(r).Set(h.Prop))
			continue
		}
		v = v.With(value(r, h.Prop))
	}
	return v
}

// sayings are what random words consist of: plain ones, other scripts, marks, what joins and turns letters, and long ones.
var sayings = []string{"Please water", " the ferns", ".\n\n", "\n", "It is dark here, and the lamps are out. ", "Ά λφα", "Ночь ", "e\u0301\u0308", "\u05e9\u05dc\u05d5\u05dd ", "\U0001f331", "\u200d", "\u00a0",
	"Fuchsiagewächshausschlüsselbrettbeschriftung", "\"quoted\" {braced} ", "№ 4 – ½ full"}

// Words are random words of letters alone.
func Words(r *rand.Rand) words.Text {
	said := ""
	for range 1 + r.IntN(8) {
		said += sayings[r.IntN(len(sayings))]
	}
	return words.Plain(said)
}

// Picture is a random picture of a few tiles, of those that a new project has and one that no project has.
func Picture(r *rand.Rand) appearance.Picture {
	p := appearance.Picture{W: 1 + r.IntN(2), H: 1 + r.IntN(2), Ticks: 1 + r.IntN(20), Foot: grid.Point{X: r.IntN(9) - 4, Y: r.IntN(9) - 4}}
	for range 1 + r.IntN(3) {
		frame := make([]grid.Cell, p.W*p.H)
		for i := range frame {
			frame[i] = grid.Cell(r.IntN(8)).Turned(r.IntN(8))
		}
		p.Frames = append(p.Frames, frame)
	}
	return p
}

// talks are random things to say, some of which are said only while somebody was not spoken to, or never.
func talks(r *rand.Rand) (l talk.List) {
	for i := range r.IntN(4) {
		s := talk.Saying{ID: kind.ID(5<<40 | i + 1), Text: Words(r)}
		switch r.IntN(4) {
		case 0:
			s.While = logic.Condition{Ask: logic.IsPowered, Subject: logic.Noun{Is: logic.This}, Is: r.IntN(len(kind.Powers))}
		case 1:
			s.Text = nil
		}
		l = append(l, s)
	}
	return l
}

// start is how a piece starts.
func start(r *rand.Rand, k *kind.Kind, p *kind.Prop) kind.Value {
	if p.Sort == kind.OwnState {
		return p.Is(k.States[r.IntN(len(k.States))].Number)
	}
	return p.Is(r.IntN(len(p.Options)))
}

func value(r *rand.Rand, p *kind.Prop) kind.Value {
	numbers := make([]int, p.Size())
	for i := range numbers {
		least, most := p.Ranges(i)
		near := most
		if p.Reach > 0 {
			near = min(most, p.Reach)
		}
		switch r.IntN(12) {
		case 0:
			numbers[i] = most
		case 1:
			numbers[i] = least
		default:
			numbers[i] = max(least, -near) + r.IntN(near-max(least, -near)+1)
		}
	}
	return p.Is(numbers...)
}
