package memory

import (
	"fmt"
	"strings"

	"azzel/core/edit"
	"azzel/core/hand"
	"azzel/core/kinds/props"
	"azzel/core/page"
	"azzel/core/page/wording"
	"azzel/core/world"
)

// NamingView is something that names an item or a fact.
type NamingView struct {
	Kind string `json:"kind"`
	ID   string `json:"id"`
	Map  string `json:"map"`
	Name string `json:"name"`
	// Does says what it does with it: gives 2, needs 1, begins with 3, sets it to yes, there while it
	// is yes.
	Does string `json:"does"`
	// X and Y are where it is on the board, for a piece.
	X int `json:"x"`
	Y int `json:"y"`
}

// mostNamings is how many of what names something are listed.
const mostNamings = 200

// viewNamings are the first of what names something, and how many more there are.
func viewNamings(d *world.Document, named []world.Naming) (list []NamingView, more int) {
	list, l := []NamingView{}, d.Project.Lattice()
	more = max(0, len(named)-mostNamings)
	for _, by := range named[:len(named)-more] {
		n := NamingView{Name: namingName(d, by), Does: namingDoes(d, by)}
		if by.Rule != nil {
			n.Kind, n.ID = page.KindNames[world.SortRule], page.FormatID(by.Rule.ID)
		} else if by.Character != nil {
			n.Kind, n.ID = page.KindNames[world.SortCharacter], page.FormatID(by.Character.ID)
		} else {
			at := by.Piece.Foot.Add(l.Pixel(by.Map.Origin))
			n.Kind, n.ID, n.Map, n.X, n.Y = page.KindNames[world.SortPiece], page.FormatID(by.Piece.ID), page.FormatID(by.Map.ID), at.X, at.Y
		}
		list = append(list, n)
	}
	return list, more
}

func namingName(d *world.Document, by world.Naming) string {
	if by.Character != nil {
		return by.Character.Name
	}
	if by.Rule != nil {
		return wording.RuleName(d, by.Rule)
	}
	return hand.PieceName(d, by.Piece)
}

func namingDoes(d *world.Document, by world.Naming) string {
	if by.Rule != nil {
		return [...]string{world.UseGives: "gives it", world.UseNeeds: "takes it away", world.UseBegins: "", world.UseSets: "sets it", world.UseAsks: "asks for it", world.UseAnswers: "goes as it is used", world.UseShows: "shows it"}[by.Use]
	}
	switch by.Use {
	case world.UseBegins:
		return fmt.Sprintf("begins with %d", by.Count)
	case world.UseSets:
		return "sets it " + settingWords(d, by.Piece.Sets())
	case world.UseAsks:
		return "there while " + wording.AskedWords(d, by.Piece.While())
	case world.UseShows:
		return "in what it says"
	case world.UseNeeds:
		return "needs " + wording.AskedWords(d, by.Piece.Needs())
	}
	return fmt.Sprintf("%s %d", itemVerb(by.Piece), by.Count)
}

// itemVerb is what a piece does with its item.
func itemVerb(p *world.Piece) string {
	h, _ := p.Kind().Has(props.Item)
	return strings.ToLower(h.Says())
}

// freeName is a name that none of some things has: as it is given, or with a number; of a word and a
// number if none is.
func freeName[T any](things []*T, of func(*T) string, name, word string) string {
	base := name
	if name == "" {
		base, name = word, word+" 1"
	}
	return page.FreeName(name, base, things, of)
}

// RemoveNamed deletes an item or fact, and says who named it.
func RemoveNamed(p *page.Page, ref world.Ref) page.Changed {
	d := p.Doc()
	name := hand.Name(d, ref)
	named := d.Namings()[ref.ID]
	changed := p.Do(edit.Edit{Label: edit.Clip("delete " + name), Parts: []edit.Part{edit.Remove{Ref: ref}}})
	if p.Doc() != d && len(named) > 0 {
		names := make([]string, len(named))
		for k, by := range named {
			names[k] = namingName(d, by)
		}
		p.Say("%s is gone from %s. Undo brings it back to all of them.", name, wording.Some(names))
	}
	return changed | page.StateChanged
}
