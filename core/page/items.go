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
	// More is how many more there are.
	Named []NamingView `json:"named"`
	More  int          `json:"more"`
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

func itemsOf(d *world.Document) []world.ID {
	return idsOf(d.Items, func(i *world.Item) world.ID { return i.ID })
}

// mostNamings is how many of what names an item are listed.
const mostNamings = 200

func viewItems(d *world.Document) []ItemView {
	list := []ItemView{}
	if len(d.Items) == 0 {
		return list
	}
	l, namings := d.Project.Lattice(), d.Namings()
	for _, i := range d.Items {
		named := namings[i.ID]
		v := ItemView{ID: FormatID(i.ID), Name: i.Name, Most: i.Room(), Named: []NamingView{}, More: max(0, len(named)-mostNamings)}
		for _, by := range named[:len(named)-v.More] {
			n := NamingView{Name: namingName(d, by)}
			if by.Character != nil {
				n.Kind, n.ID, n.Does = kindNames[world.KindCharacter], FormatID(by.Character.ID), fmt.Sprintf("begins with %d", by.Count)
			} else {
				at := by.Piece.Foot.Add(l.Pixel(by.Map.Origin))
				n.Kind, n.ID, n.Map, n.X, n.Y = kindNames[world.KindPiece], FormatID(by.Piece.ID), FormatID(by.Map.ID), at.X, at.Y
				n.Does = fmt.Sprintf("%s %d", strings.ToLower(itemVerb(by.Piece.Type)), by.Count)
			}
			v.Named = append(v.Named, n)
		}
		list = append(list, v)
	}
	return list
}

func namingName(d *world.Document, by world.Naming) string {
	if by.Character != nil {
		return by.Character.Name
	}
	return hand.PieceName(d, by.Piece)
}

// itemVerb is what pieces of a type do with an item, empty for nothing.
func itemVerb(of world.ID) string {
	switch {
	case world.Gives(of):
		return "Gives"
	case world.Needs(of):
		return "Needs"
	}
	return ""
}

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

// mostInWords is how many items are told of in one line.
const mostInWords = 12

// inWords is how many somebody has of each item, as words.
func inWords(d *world.Document, stocks []world.Stock) string {
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

// item lets it be chosen which item a piece gives or needs, and how many.
func (v *ActingView) item(d *world.Document, p *world.Piece, value func(name, label, unit string, is, per, reach int)) {
	chosen := v.listed(d, "item", itemVerb(p.Type), "nothing", world.KindItem, itemsOf(d), p.Item)
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
	named := d.Namings()[i.ID]
	changed := p.do(edit.Edit{Label: edit.Clip("delete " + i.Name), Parts: []edit.Part{edit.Remove{Ref: ref}}})
	if p.doc().Item(ref.ID) == nil && len(named) > 0 {
		names := make([]string, len(named))
		for k, by := range named {
			names[k] = namingName(d, by)
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
