package page

import (
	"fmt"
	"strings"

	"azzel/core/edit"
	"azzel/core/hand"
	"azzel/core/world"
)

// ItemView is an item, with where it is given, needed and had.
type ItemView struct {
	ID   string `json:"id"`
	Name string `json:"name"`
	// Most is how many one can have of it at once.
	Most int `json:"most"`
	// Named are the pieces that give or need it, and the characters who begin with it.
	Named []NamingView `json:"named"`
}

// NamingView is something that names an item.
type NamingView struct {
	Kind string `json:"kind"`
	ID   string `json:"id"`
	Map  string `json:"map"`
	Name string `json:"name"`
	// Does says what it does with it: gives 2, needs 1, begins with 3.
	Does string `json:"does"`
	// X and Y are where it is on the board, for a piece.
	X int `json:"x"`
	Y int `json:"y"`
}

// StockView is how many of an item somebody has.
type StockView struct {
	ID    string `json:"id"`
	Name  string `json:"name"`
	Count int    `json:"count"`
}

func itemsOf(d *world.Document) (ids []world.ID) {
	for _, i := range d.Items {
		ids = append(ids, i.ID)
	}
	return ids
}

func viewItems(d *world.Document) []ItemView {
	list := []ItemView{}
	if len(d.Items) == 0 {
		return list
	}
	l, naming := d.Project.Lattice(), d.Naming()
	for _, i := range d.Items {
		v := ItemView{ID: FormatID(i.ID), Name: i.Name, Most: i.Room(), Named: []NamingView{}}
		for _, r := range naming[i.ID] {
			n := NamingView{Kind: kindNames[r.Kind], ID: FormatID(r.ID), Map: FormatID(r.Map), Name: hand.Name(d, r)}
			if m := d.Map(r.Map); m != nil {
				piece := m.Piece(r.ID)
				at := piece.Foot.Add(l.Pixel(m.Origin))
				n.X, n.Y = at.X, at.Y
				n.Does = fmt.Sprintf("%s %d", strings.ToLower(itemVerbs[piece.Type]), piece.Wanted())
			} else {
				n.Does = fmt.Sprintf("begins with %d", begins(d.Character(r.ID), i.ID))
			}
			v.Named = append(v.Named, n)
		}
		list = append(list, v)
	}
	return list
}

// itemVerbs are what pieces of a type do with an item.
var itemVerbs = map[world.ID]string{world.Collectible: "Gives", world.Lottery: "Gives", world.Exit: "Needs"}

func begins(c *world.Character, item world.ID) int {
	for _, s := range c.Begins {
		if s.Item == item {
			return s.Count
		}
	}
	return 0
}

// viewStocks are how many somebody has of each item that they have, in the order of the items.
func viewStocks(d *world.Document, stocks []world.Stock) []StockView {
	list := []StockView{}
	if len(stocks) == 0 {
		return list
	}
	counts := make(map[world.ID]int, len(stocks))
	for _, s := range stocks {
		counts[s.Item] = s.Count
	}
	for _, i := range d.Items {
		if n := counts[i.ID]; n > 0 {
			list = append(list, StockView{FormatID(i.ID), i.Name, n})
		}
	}
	return list
}

// item lets it be chosen which item a piece gives or needs, and how many.
func (v *ActingView) item(d *world.Document, p *world.Piece, value func(name, label, unit string, is, per, reach int)) {
	chosen := v.listed(d, "item", itemVerbs[p.Type], "nothing", world.KindItem, itemsOf(d), p.Item)
	last := &v.Choices[len(v.Choices)-1]
	last.Options = append(last.Options, "a new item")
	if chosen {
		value("amount", "How many", "", p.Wanted(), 1, 10)
	}
}

// newItem is an item with a free name, made of a piece's if it has one, and the part that puts it.
func (a author) newItem(name string) (world.ID, edit.Part) {
	d := a.d
	taken := map[string]bool{}
	for _, i := range d.Items {
		taken[i.Name] = true
	}
	base, proposed := name, name
	if base == "" {
		base, proposed = "Item", "Item 1"
	}
	for n := 2; taken[proposed]; n++ {
		proposed = fmt.Sprintf("%s %d", base, n)
	}
	id := a.ids.NewID()
	return id, edit.Put{Ref: world.Ref{Kind: world.KindItem, ID: id}, Values: (&world.Item{Name: proposed}).Values()}
}

// makeItem makes an item of a name.
func (p *Page) makeItem(name string) Changed {
	_, put := p.author().newItem(strings.TrimSpace(name))
	return p.do(edit.Edit{Label: edit.Clip("make an item"), Parts: []edit.Part{put}})
}

// setItem says how many one can have of an item.
func (p *Page) setItem(ref world.Ref, most int) Changed {
	i := p.doc().Item(ref.ID)
	if i == nil {
		return p.Fail(world.ErrGone)
	}
	next := *i
	next.Most = most
	return p.change(i.Name, edit.Changes(world.Ref{Kind: world.KindItem, ID: i.ID}, i.Values(), next.Values()))
}

// removeItem deletes an item, and says who named it.
func (p *Page) removeItem(ref world.Ref) Changed {
	d := p.doc()
	i := d.Item(ref.ID)
	if i == nil {
		return p.Fail(world.ErrGone)
	}
	named := d.Naming()[i.ID]
	changed := p.do(edit.Edit{Label: edit.Clip("delete " + i.Name), Parts: []edit.Part{edit.Remove{Ref: ref}}})
	if p.doc().Item(ref.ID) == nil && len(named) > 0 {
		names := make([]string, len(named))
		for k, r := range named {
			names[k] = hand.Name(d, r)
		}
		p.say("%s is gone from %s. Undo brings it back to all of them.", i.Name, some(names))
	}
	return changed | StateChanged
}

// setBegins says how many of an item a character begins with; 0 for none.
func (p *Page) setBegins(ref world.Ref, item world.ID, count int) Changed {
	d := p.doc()
	c := d.Character(ref.ID)
	if c == nil || d.Item(item) == nil {
		return p.Fail(world.ErrGone)
	}
	next := *c
	next.Begins = nil
	for _, i := range d.Items {
		n := begins(c, i.ID)
		if i.ID == item {
			n = count
		}
		if n != 0 {
			next.Begins = append(next.Begins, world.Stock{Item: i.ID, Count: n})
		}
	}
	return p.change("what "+c.Name+" begins with", edit.Changes(ref, c.Values(), next.Values()))
}
