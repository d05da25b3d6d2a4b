package logic_test

import (
	"strconv"
	"strings"

	"azzel/core/kind"
	"azzel/core/logic"
)

// A world is one in which everything is as chance has it: each question has one answer. What ends in 9 is gone.
type world struct{ seed uint64 }

// chance is a number from 0 to before n for a question.
func (w world) chance(n int, question string, about ...kind.ID) int {
	z := w.seed*0x9e3779b97f4a7c15 + 99
	mix := func(x uint64) {
		z = (z ^ x) * 0xbf58476d1ce4e5b9
		z ^= z >> 29
	}
	for _, c := range []byte(question) {
		mix(uint64(c))
	}
	for _, id := range about {
		mix(uint64(id) + 1000)
	}
	return int(z>>8) & (1<<40 - 1) % n
}

func isGone(id kind.ID) bool { return id%10 == 9 }

func (w world) Fact(id kind.ID) (value, least, most int, there bool) {
	if most = 1; id == 12 {
		most = 6
	}
	return w.chance(most+1, "fact", id), 0, most, !isGone(id)
}
func (w world) Item(id kind.ID) (int, bool) { return w.chance(4, "item", id), !isGone(id) }
func (w world) Pieces(n logic.Noun) (ids []kind.ID, there bool) {
	switch n.Is {
	case logic.This:
		return []kind.ID{31}, true
	case logic.Player:
		return []kind.ID{0}, true
	case logic.Piece:
		return []kind.ID{n.Thing}, !isGone(n.Thing)
	case logic.It, logic.Whoever, logic.NearestOfType, logic.NearestInArea:
		return []kind.ID{kind.ID(31 + w.chance(3, "one", n.Type))}, w.chance(4, "named", n.Type) > 0
	}
	for _, id := range []kind.ID{31, 32, 33, 34} {
		if w.chance(2, "in", id, n.Type, n.Thing) == 0 {
			ids = append(ids, id)
		}
	}
	return ids, !isGone(n.Thing)
}
func (w world) Property(piece kind.ID, f kind.Field) (int, bool) {
	return w.chance(5, "property", piece, kind.ID(f)), w.chance(3, "has", piece, kind.ID(f)) > 0
}
func (w world) Presence(piece kind.ID) (int, bool) {
	return w.chance(3, "presence", piece), !isGone(piece)
}
func (w world) Power(piece kind.ID) (int, bool) {
	return w.chance(2, "power", piece), w.chance(2, "powered", piece) == 0
}
func (w world) State(piece kind.ID) (int, bool) {
	return 1 + w.chance(8, "state", piece), w.chance(3, "states", piece) > 0
}
func (w world) Forces(area kind.ID) (int, bool) { return w.chance(2, "forces", area), !isGone(area) }
func (w world) Layer(layer kind.ID) (int, bool) { return w.chance(3, "layer", layer), !isGone(layer) }
func (w world) Lasted(key int) (on, known bool) {
	return w.chance(2, "lasted", kind.ID(key)) == 0, w.chance(3, "asked", kind.ID(key)) > 0
}
func (w world) Within(piece, area kind.ID) (is, there bool) {
	return w.chance(2, "within", piece, area) == 0, !isGone(area)
}
func (w world) OnMap(piece, on kind.ID) (is, there bool) {
	return w.chance(2, "on", piece, on) == 0, !isGone(on)
}
func (w world) Apart(piece, other kind.ID) (cells int, there bool) {
	return w.chance(4, "near", piece, other), w.chance(5, "beside", piece, other) > 0
}
func (w world) Faces(piece, other kind.ID) bool { return w.chance(2, "faces", piece, other) == 0 }
func (w world) Sees(piece, other kind.ID) bool  { return w.chance(2, "sees", piece, other) == 0 }
func (w world) OneIn(times, key int) bool       { return w.chance(times, "chance", kind.ID(key)) == 0 }
func (w world) Draw(n, key int) int             { return w.chance(n, "draw", kind.ID(key)) }
func (w world) Went() int                       { return w.chance(5, "went") }
func (w world) Since() int                      { return w.chance(9, "since") }

// plain asks a condition as files say it: yes, no, or nothing if it is not asked. It is written as plainly as can be, from
// what the page of formats says, and shares nothing with what it holds logic against.
func plain(f logic.ConditionForm, w world) string {
	var given []string
	for _, of := range f.Of {
		if is := plain(of, w); is != "" {
			given = append(given, is)
		}
	}
	all := strings.Join(given, " ")
	switch f.Asks {
	case "all", "any", "none":
		if len(given) == 0 {
			return ""
		}
		yes, no := strings.Contains(all, "yes"), strings.Contains(all, "no")
		return says(f.Asks == "all" && !no || f.Asks == "any" && yes || f.Asks == "none" && !yes)
	case "so-many":
		if len(given) == 0 {
			return ""
		}
		return says(strings.Count(all, "yes") >= f.Number)
	case "lasts":
		on, known := w.Lasted(f.Key)
		if len(given) > 0 && known {
			return says(on)
		}
		return map[bool]string{true: says(!strings.Contains(all, "no"))}[len(given) > 0]
	case "compares":
		return plainCompare(f, w)
	case "one-in":
		return says(w.OneIn(f.Number, f.Key))
	}
	thing, _ := ids.Parse(f.Thing)
	switch f.Asks {
	case "forces":
		is, there := w.Forces(thing)
		return when(there, []string{"on", "off"}[is] == f.Is)
	case "layer":
		is, there := w.Layer(thing)
		return when(there, []string{"there", "hidden", "absent"}[is] == f.Is)
	}
	return each(f.Subject, w, func(id kind.ID) string {
		is, there := 0, true
		switch f.Asks {
		case "presence":
			is, there = w.Presence(id)
			return when(there, []string{"there", "hidden", "absent"}[is] == f.Is)
		case "power":
			is, there = w.Power(id)
			return when(there, []string{"on", "off"}[is] == f.Is)
		case "state":
			is, there = w.State(id)
			return when(there, kind.StateOf(is).Word == f.Is)
		case "within":
			in, there := w.Within(id, number(f.Thing))
			return when(there, in)
		case "on-map":
			on, there := w.OnMap(id, number(f.Thing))
			return when(there, on)
		}
		return each(f.Object, w, func(other kind.ID) string {
			cells, beside := w.Apart(id, other)
			return says(f.Asks == "near" && beside && cells <= f.Number || f.Asks == "faces" && w.Faces(id, other) || f.Asks == "sees" && w.Sees(id, other))
		})
	})
}

func says(yes bool) string {
	if yes {
		return "yes"
	}
	return "no"
}

func when(there, yes bool) string {
	if !there {
		return ""
	}
	return says(yes)
}

func number(s string) kind.ID {
	n, err := strconv.Atoi(strings.TrimPrefix(s, "n"))
	if err != nil {
		panic(err)
	}
	return kind.ID(n)
}

func noun(n *logic.NounForm, w world) ([]kind.ID, bool) {
	for i, word := range []string{"this", "piece", "player", "all", "any", "all-in", "any-in", "it", "whoever", "nearest", "nearest-in"} {
		if word == n.Is {
			is := logic.Noun{Is: logic.NounSort(i)}
			if n.Thing != "" {
				is.Thing = number(n.Thing)
			}
			if n.Type != "" {
				is.Type = kind.Named(n.Type).ID
			}
			return w.Pieces(is)
		}
	}
	panic(n.Is)
}

// each asks for the pieces that a noun names: of several, all or any of them must answer yes.
func each(n *logic.NounForm, w world, ask func(kind.ID) string) string {
	ids, there := noun(n, w)
	if !there {
		return ""
	}
	yes, no := 0, 0
	for _, id := range ids {
		switch ask(id) {
		case "yes":
			yes++
		case "no":
			no++
		}
	}
	switch n.Is {
	case "any", "any-in":
		return says(yes > 0)
	case "all", "all-in":
		return says(no == 0)
	}
	return when(yes+no > 0, yes > 0)
}

func plainCompare(f logic.ConditionForm, w world) string {
	l, there := plainValue(f.Left, w)
	r, also := plainValue(f.Right, w)
	if !there || !also {
		return ""
	}
	// Beside a fact that is yes or no, a number over 1 is 1, and one below 0 is 0; beside one up to 6 alike.
	near := func(n int, is, other *logic.ValueForm) int {
		if is.Is != "number" || other.Is != "fact" {
			return n
		}
		_, _, most, _ := w.Fact(number(other.Thing))
		switch {
		case n < 0:
			return 0
		case n > most:
			return most
		}
		return n
	}
	l, r = near(l, f.Left, f.Right), near(r, f.Right, f.Left)
	return says(map[string]bool{"at-least": l >= r, "under": l < r, "at-most": l <= r, "over": l > r, "is": l == r, "is-not": l != r}[f.By])
}

func plainValue(v *logic.ValueForm, w world) (n int, there bool) {
	switch v.Is {
	case "number":
		return v.Number, true
	case "fact":
		n, _, _, there = w.Fact(number(v.Thing))
		return n, there
	case "item":
		return w.Item(number(v.Thing))
	case "went":
		return w.Went(), true
	case "since":
		return w.Since(), true
	case "property":
		ids, there := noun(v.Of, w)
		if !there || len(ids) == 0 {
			return 0, false
		}
		return w.Property(ids[0], kind.PropNamed(v.Property).Field)
	case "count":
		ids, there := noun(v.Of, w)
		for _, id := range ids {
			is, has := w.Presence(id)
			own, _ := w.State(id)
			if has && is < 2 && !strings.Contains("broken taken defeated", kind.StateOf(own).Word) {
				n++
			}
		}
		return n, there
	}
	l, has := plainValue(v.Left, w)
	r, also := plainValue(v.Right, w)
	if v.Is == "difference" {
		r = -r
	}
	const most = 1_000_000_000
	return max(-most, min(most, l+r)), has && also
}
