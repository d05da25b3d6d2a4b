package play

import (
	"cmp"
	"slices"

	"azzel/core/kinds/props"
	"azzel/core/lists"
	"azzel/core/logic"
	"azzel/core/world"
)

// pack gives the player what they begin with, as far as there is room.
func (g *Game) pack() {
	who := g.doc.Character(g.doc.Project.Player)
	if who == nil {
		return
	}
	for _, s := range who.Begins {
		if i := g.doc.Item(s.Item); i != nil {
			g.give(i, min(s.Count, i.Room()))
		}
	}
}

func (g *Game) stock(item world.ID) (int, bool) {
	return slices.BinarySearchFunc(g.items, item, func(s world.Stock, id world.ID) int { return cmp.Compare(s.Item, id) })
}

// Has is how many the player has of an item.
func (g *Game) Has(i *world.Item) int {
	if g.helped&Laden != 0 {
		return i.Room()
	}
	if k, there := g.stock(i.ID); there {
		return g.items[k].Count
	}
	return 0
}

// give gives the player so many of an item if they have room for all of them, and reports whether
// they have.
func (g *Game) give(i *world.Item, n int) bool {
	k, there := g.stock(i.ID)
	if !there {
		g.items = lists.Insert(g.items, k, world.Stock{Item: i.ID})
	}
	if g.items[k].Count+n > i.Room() {
		if !there {
			g.items = slices.Delete(g.items, k, k+1)
		}
		return false
	}
	g.items[k].Count += n
	g.raise(logic.ItemHad, i.ID, g.items[k].Count-n, g.items[k].Count)
	g.stale = true
	return true
}

// spend takes from the player what a condition says that they have at least, where it says that and no more.
func (g *Game) spend(needs logic.Condition) {
	g.spendItem(needs.Item())
}

// spendItem takes so many of an item from the player, or as many as they have.
func (g *Game) spendItem(item world.ID, n int) {
	if k, had := g.stock(item); had && n > 0 {
		if g.items[k].Count = max(0, g.items[k].Count-n); g.items[k].Count == 0 {
			g.items = slices.Delete(g.items, k, k+1)
			g.raise(logic.ItemUsedUp, item, 1, 0)
		}
		g.stale = true
	}
}

// lets reports whether what a piece needs holds, and tells the player what they lack if not.
func (g *Game) lets(p *world.Piece) bool {
	needs := p.Needs()
	if g.Holds(p.ID, needs) {
		return true
	}
	why := Event{Moment: props.Refused, Piece: p.ID}
	if id, n := needs.Item(); id != 0 {
		item := g.doc.Item(id)
		why.Item, why.Count, why.Had = item.ID, n, g.Has(item)
	}
	g.refuse(why)
	return false
}

// refuse tells the player once that a piece refuses something, until they have been away from it.
func (g *Game) refuse(why Event) {
	if !g.staysAt(why.Piece) {
		g.tell(why)
	}
}

// staysAt notes that a piece has told the player something, and reports whether it has before and the player stayed at it.
func (g *Game) staysAt(piece world.ID) bool {
	i, twice := slices.BinarySearch(g.refusing, piece)
	if !twice {
		g.refusing = lists.Insert(g.refusing, i, piece)
	}
	_, told := slices.BinarySearch(g.refused, piece)
	return told || twice
}

// Items are what the player has, in the order of their making; what was deleted since is left out.
func (g *Game) Items() []world.Stock {
	list := make([]world.Stock, 0, len(g.items))
	for _, i := range g.doc.Items {
		if n := g.Has(i); n > 0 {
			list = append(list, world.Stock{Item: i.ID, Count: n})
		}
	}
	return list
}
