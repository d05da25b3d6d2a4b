package play

import (
	"azzel/core/limit"
	"azzel/core/logic"
	"azzel/core/pack"
	"azzel/core/text"
	"azzel/core/world"
)

// bag is the box in which the player chooses what to use of what they have: while it is open, everything else stands still.
type bag struct {
	open bool
	// at is the item at which the player is, 0 for the first one.
	at world.ID
	// keys are those that count in the box and were held in the last tick; while it is shut the one that opens it.
	keys Input
}

func (b *bag) encode(w *pack.Writer) {
	w.Bool(b.open)
	w.Uint(uint64(b.at))
	w.Uint(uint64(b.keys))
}

func decodeBag(r *pack.Reader) bag {
	return bag{r.Bool(), world.ID(r.Uint()), Input(within(r, int(min(r.Uint(), 1<<16)), 1<<16-1))}
}

// openBag opens the box of what the player has once its key is pressed. Without anything it says so.
func (g *Game) openBag(t *tick) {
	pressed := t.in &^ g.bag.keys & Items
	g.bag.keys = t.in & Items
	switch {
	case pressed == 0 || g.reads():
	case len(g.Items()) == 0:
		g.happens(HasNothing)
	default:
		g.bag = bag{open: true, keys: t.in & (turning | choosing | Items)}
	}
}

// chosen is where the player is among what they have.
func (b *bag) chosen(list []world.Stock) int {
	for i, s := range list {
		if s.Item == b.at {
			return i
		}
	}
	return 0
}

// readBag lets the player choose something to use, or shut the box.
func (g *Game) readBag(in Input) {
	pressed := in & (turning | choosing | Items) &^ g.bag.keys
	g.bag.keys = in & (turning | choosing | Items)
	list := g.Items()
	at := g.bag.chosen(list)
	switch {
	case len(list) == 0 || pressed&Items != 0:
		g.shutBag(in)
	case pressed&Up != 0:
		g.bag.at = list[(at+len(list)-1)%len(list)].Item
	case pressed&Down != 0:
		g.bag.at = list[(at+1)%len(list)].Item
	case pressed&turning != 0:
		g.shutBag(in)
		g.useItem(list[at].Item)
	}
}

// shutBag shuts the box, whose keys do nothing else meanwhile.
func (g *Game) shutBag(in Input) {
	g.bag = bag{keys: in & Items}
	g.used, g.jumped = in&Use != 0, in&Jump != 0
}

// useItem lets rules answer to that an item is used, and says so if none goes.
func (g *Game) useItem(item world.ID) {
	before := g.rulesWent()
	g.raise(logic.ItemUsed, item, 0, 0)
	g.goByRules(true)
	does := Event{Moment: logic.ItemUsed, Item: item}
	if g.rulesWent() == before {
		does.Moment = Useless
	}
	does.Tick = g.tick
	g.events = append(g.events, does)
}

// rulesWent is how often rules went up to now.
func (g *Game) rulesWent() (times int) {
	for _, w := range g.runs.Went {
		times += w.Times
	}
	return times
}

// bagPage is what the player has as a page: a line each, as many as a question has answers, those round where the player is. More says that there
// are more below.
func (g *Game) bagPage() (page text.Page, more, reads bool) {
	list := g.Items()
	if !g.bag.open || len(list) == 0 {
		return page, false, false
	}
	at := g.bag.chosen(list)
	first := max(0, min(at-limit.Choices/2, len(list)-limit.Choices))
	last := min(first+limit.Choices, len(list))
	for _, s := range list[first:last] {
		page.Choices = append(page.Choices, g.oneLine(g.doc.Item(s.Item).Times(s.Count)))
	}
	page.Chosen = at - first
	return page, last < len(list), true
}

// oneLine is as much of a text as a line of a box shows that can be chosen.
func (g *Game) oneLine(says string) string {
	if lines := text.Break(says, BoxOf(g.doc).Choice()); len(lines) > 0 {
		return lines[0]
	}
	return "…"
}
