package memory

import (
	"fmt"
	"strings"

	"azzel/core/edit"
	"azzel/core/page"
	"azzel/core/world"
)

// ItemView is an item, with where it is given, needed and had.
type ItemView struct {
	ID   string `json:"id"`
	Name string `json:"name"`
	// Most is how many one can have of it at once.
	Most int `json:"most"`
	// Named is what gives, needs, begins with or asks for it; More is how many more there are.
	Named []NamingView `json:"named"`
	More  int          `json:"more"`
}

// StockView is how many of an item somebody has.
type StockView struct {
	ID    string `json:"id"`
	Name  string `json:"name"`
	Count int    `json:"count"`
}

// ItemsOf are all items of a project.
func ItemsOf(d *world.Document) []world.ID {
	return page.IDsOf(d.Items, func(i *world.Item) world.ID { return i.ID })
}

// ViewItems are all items as views, with what names each.
func ViewItems(d *world.Document, namings map[world.ID][]world.Naming) []ItemView {
	list := []ItemView{}
	for _, i := range d.Items {
		v := ItemView{ID: page.FormatID(i.ID), Name: i.Name, Most: i.Room()}
		v.Named, v.More = viewNamings(d, namings[i.ID])
		list = append(list, v)
	}
	return list
}

func begins(c *world.Character, item world.ID) int {
	for _, s := range c.Begins {
		if s.Item == item {
			return s.Count
		}
	}
	return 0
}

// ViewStocks are how many somebody has of each item that they have, in the order of the items.
func ViewStocks(d *world.Document, stocks []world.Stock) []StockView {
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
			list = append(list, StockView{page.FormatID(i.ID), i.Name, n})
		}
	}
	return list
}

// mostInWords is how many items are told of in one line.
const mostInWords = 12

// InWords is how many somebody has of each item, as words.
func InWords(d *world.Document, stocks []world.Stock) string {
	words := make([]string, 0, mostInWords)
	for k, s := range stocks {
		if k == mostInWords {
			words = append(words, fmt.Sprintf("%d more", len(stocks)-k))
			break
		}
		if i := d.Item(s.Item); i != nil {
			words = append(words, i.Times(s.Count))
		}
	}
	return strings.Join(words, ", ")
}

// NewItem is an item with a free name, made of a piece's if it has one, and the part that puts it.
func NewItem(a page.Author, name string) (world.ID, edit.Part) {
	id := a.IDs.NewID()
	item := &world.Item{Name: freeName(a.D.Items, func(i *world.Item) string { return i.Name }, name, "Item")}
	return id, edit.Put{Ref: world.Ref{Sort: world.SortItem, ID: id}, Values: item.Values()}
}

// MakeItem makes an item of a name.
type MakeItem struct {
	Name string `json:"name"`
}

// Do implements Order.
func (o MakeItem) Do(p *page.Page) page.Changed {
	_, put := NewItem(p.Author(), strings.TrimSpace(o.Name))
	return p.Do(edit.Edit{Label: edit.Clip("make an item"), Parts: []edit.Part{put}})
}

// SetItemMost says how many of an item the player can have.
type SetItemMost struct {
	Item page.ID `json:"item"`
	Most int     `json:"most"`
}

// Do implements Order.
func (o SetItemMost) Do(p *page.Page) page.Changed {
	i := p.Doc().Item(world.ID(o.Item))
	if i == nil {
		return p.Fail(world.ErrGone)
	}
	next := *i
	next.Most = o.Most
	return p.Change(i.Name, edit.Changes(world.Ref{Sort: world.SortItem, ID: i.ID}, i.Values(), next.Values()))
}

// SetBegins says how many of an item a character begins with; 0 for none.
type SetBegins struct {
	Character page.ID `json:"character"`
	Item      page.ID `json:"item"`
	Count     int     `json:"count"`
}

// Do implements Order.
func (o SetBegins) Do(p *page.Page) page.Changed {
	d := p.Doc()
	ref, item := page.CharacterRef(o.Character), world.ID(o.Item)
	c := d.Character(ref.ID)
	if c == nil || d.Item(item) == nil {
		return p.Fail(world.ErrGone)
	}
	next := *c
	next.Begins = nil
	for _, i := range d.Items {
		n := begins(c, i.ID)
		if i.ID == item {
			n = o.Count
		}
		if n != 0 {
			next.Begins = append(next.Begins, world.Stock{Item: i.ID, Count: n})
		}
	}
	return p.Change("what "+c.Name+" begins with", edit.Changes(ref, c.Values(), next.Values()))
}
