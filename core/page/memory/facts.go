// Package memory is the room of what a game remembers: facts and items, what names them, and why pieces did or did
// not do what they are there for.
package memory

import (
	"fmt"
	"strings"

	"azzel/core/edit"
	"azzel/core/limit"
	"azzel/core/page"
	"azzel/core/world"
)

// FactView is a fact, with what sets it and what asks for it.
type FactView struct {
	ID   string `json:"id"`
	Name string `json:"name"`
	// Sort is what it is, by number; Counts says that it is a number, Start is what it is when play begins.
	Sort   int  `json:"sort"`
	Counts bool `json:"counts"`
	Start  int  `json:"start"`
	// Objective says that the player is shown it while it is open.
	Objective bool `json:"objective"`
	// Least and Most are what it can be, Words what its numbers are called, if it is one of some words, Typed the same as they are typed.
	Least int      `json:"least"`
	Most  int      `json:"most"`
	Words []string `json:"words"`
	Typed string   `json:"typed"`
	// Text says that it is a short text, one of Texts or none.
	Text  bool       `json:"text"`
	Texts []TextView `json:"texts"`
	// Map is the map to which it belongs, empty for the whole game.
	Map string `json:"map"`
	// Sets and Asks are how many set it and ask for it.
	Sets  int          `json:"sets"`
	Asks  int          `json:"asks"`
	Named []NamingView `json:"named"`
	More  int          `json:"more"`
}

// TextView is a text that a fact can be, by the number that stands for it.
type TextView struct {
	Number int    `json:"number"`
	Text   string `json:"text"`
}

// ViewTexts are the texts that a fact can be.
func ViewTexts(f *world.Fact) []TextView {
	list := []TextView{}
	for _, t := range f.Texts {
		list = append(list, TextView(t))
	}
	return list
}

// ViewFacts are all facts as views, with what names each.
func ViewFacts(d *world.Document, namings map[world.ID][]world.Naming) []FactView {
	list := []FactView{}
	for _, f := range d.Facts {
		named := namings[f.ID]
		v := FactView{ID: page.FormatID(f.ID), Name: f.Name, Sort: f.Sort(), Counts: f.Counts, Objective: f.Objective, Start: f.Start, Words: append([]string{}, f.Words...), Typed: strings.Join(f.Words, ", ")}
		v.Text, v.Texts = f.Text, ViewTexts(f)
		if d.Map(f.Map) != nil {
			v.Map = page.FormatID(f.Map)
		}
		v.Least, v.Most = f.Reach()
		v.Named, v.More = viewNamings(d, named)
		for _, by := range named {
			if by.Use == world.UseSets {
				v.Sets++
			} else {
				v.Asks++
			}
		}
		list = append(list, v)
	}
	return list
}

// settingWords are how a fact is set: to yes, up by 2.
func settingWords(d *world.Document, c world.Change) string {
	f := d.Fact(c.Fact)
	switch {
	case f == nil:
		return "to nothing"
	case c.How == world.Lowers && !f.Counts:
		return "to no"
	case !f.Counts:
		return "to yes"
	case c.How == world.Raises:
		return fmt.Sprintf("up by %d", c.Amount())
	case c.How == world.Lowers:
		return fmt.Sprintf("down by %d", c.Amount())
	}
	return "to " + f.Says(f.Bound(c.Amount()))
}

// FactsOf are all facts of a project.
func FactsOf(d *world.Document) []world.ID {
	return page.IDsOf(d.Facts, func(f *world.Fact) world.ID { return f.ID })
}

// SetByPieces are the facts that pieces can set: all but short texts, which rules set, and the one that is set.
func SetByPieces(d *world.Document, set world.ID) (list []world.ID) {
	for _, f := range d.Facts {
		if !f.Text || f.ID == set {
			list = append(list, f.ID)
		}
	}
	return list
}

// TextOf is the number that stands for a text of a fact, with what must be done before where it is new.
func TextOf(d *world.Document, fact world.ID, text string, before *[]edit.Part) (int, error) {
	f := d.Fact(fact)
	if f == nil {
		return 0, world.ErrGone
	}
	if !f.Text {
		return 0, fmt.Errorf("%s is %s, and no text", f.Name, f.Range())
	}
	text = strings.TrimSpace(text)
	number, has := f.NumberOf(text)
	if !has {
		*before = append(*before, edit.Change{Ref: world.Ref{Sort: world.SortFact, ID: f.ID}, Value: world.FactText{Number: number, Text: text}.Value()})
	}
	return number, nil
}

// SetFactText says with which text a fact begins that is one; empty for none.
type SetFactText struct {
	Fact page.ID `json:"fact"`
	Text string  `json:"text"`
}

// Do implements Order.
func (o SetFactText) Do(p *page.Page) page.Changed {
	var parts []edit.Part
	number, err := TextOf(p.Doc(), world.ID(o.Fact), o.Text, &parts)
	if err != nil {
		return p.Fail(err)
	}
	f := p.Doc().Fact(world.ID(o.Fact))
	next := *f
	next.Start = number
	return p.Change(f.Name, append(parts, edit.Changes(world.Ref{Sort: world.SortFact, ID: f.ID}, f.Values(), next.Values())...))
}

// SetFactMap says to which map a fact belongs, 0 for the whole game.
type SetFactMap struct {
	Fact page.ID `json:"fact"`
	Map  page.ID `json:"map"`
}

// Do implements Order.
func (o SetFactMap) Do(p *page.Page) page.Changed {
	if m := world.ID(o.Map); m != 0 && p.Doc().Map(m) == nil {
		return p.Fail(world.ErrGone)
	}
	return changeFact(p, o.Fact, func(f *world.Fact) error {
		f.Map = world.ID(o.Map)
		return nil
	})
}

// NewFact is a fact with a free name, and the part that puts it.
func NewFact(a page.Author, name string) (world.ID, edit.Part) {
	id := a.IDs.NewID()
	fact := &world.Fact{Name: freeName(a.D.Facts, func(f *world.Fact) string { return f.Name }, name, "Fact")}
	return id, edit.Put{Ref: world.Ref{Sort: world.SortFact, ID: id}, Values: fact.Values()}
}

// MakeFact makes a fact of a name and a sort, one of world.FactSorts by its number.
type MakeFact struct {
	Name string `json:"name"`
	Sort int    `json:"sort"`
}

// Do implements Order.
func (o MakeFact) Do(p *page.Page) page.Changed {
	_, put := NewFact(p.Author(), strings.TrimSpace(o.Name))
	is := world.Fact{}
	if err := setSort(&is, o.Sort); err != nil {
		return p.Fail(err)
	}
	parts := append([]edit.Part{put}, edit.Changes(put.(edit.Put).Ref, (&world.Fact{}).Values(), is.Values())...)
	return p.Do(edit.Edit{Label: "make a fact", Parts: parts})
}

// proposedWords are those of a fact that has just become one of some words.
var proposedWords = []string{"first", "second"}

// setSort makes a fact one of a sort, with nothing set of that yet.
func setSort(f *world.Fact, sort int) error {
	if sort < 0 || sort >= len(world.FactSorts) {
		return page.ErrUnknown
	}
	f.Counts, f.Least, f.Most, f.Words, f.Objective = sort != world.YesOrNo, 0, 0, nil, sort == world.AnObjective
	if f.Text || sort == world.AText {
		f.Start = 0
	}
	f.Text, f.Texts = sort == world.AText, nil
	switch sort {
	case world.OneOfWords:
		f.Words = proposedWords
	case world.AnObjective:
		f.Words = world.ObjectiveWords
	}
	return nil
}

// SetFact says what a fact is when play begins.
type SetFact struct {
	Fact  page.ID `json:"fact"`
	Start int     `json:"start"`
}

// Do implements Order.
func (o SetFact) Do(p *page.Page) page.Changed {
	f := p.Doc().Fact(world.ID(o.Fact))
	if f == nil {
		return p.Fail(world.ErrGone)
	}
	next := *f
	next.Start = o.Start
	return p.Change(f.Name, edit.Changes(world.Ref{Sort: world.SortFact, ID: f.ID}, f.Values(), next.Values()))
}

// SetFactSort says of which sort a fact is, one of world.FactSorts by its number.
type SetFactSort struct {
	Fact page.ID `json:"fact"`
	Sort int     `json:"sort"`
}

// Do implements Order.
func (o SetFactSort) Do(p *page.Page) page.Changed {
	return changeFact(p, o.Fact, func(f *world.Fact) error {
		if f.Sort() == o.Sort {
			return nil
		}
		return setSort(f, o.Sort)
	})
}

// SetFactRange says what a fact that is a number can be. What it starts with becomes the nearest to that.
type SetFactRange struct {
	Fact  page.ID `json:"fact"`
	Least int     `json:"least"`
	Most  int     `json:"most"`
}

// Do implements Order.
func (o SetFactRange) Do(p *page.Page) page.Changed {
	return changeFact(p, o.Fact, func(f *world.Fact) error {
		if f.Sort() != world.ANumber {
			return fmt.Errorf("%s is %s: let it be a number first", f.Name, world.FactSorts[f.Sort()])
		}
		if f.Least, f.Most = o.Least, o.Most; o.Least == 0 && o.Most == limit.FactValue {
			f.Most = 0
		} else if o.Least == 0 && o.Most == 0 {
			return fmt.Errorf("a number that can only be 0 is no use: let it be at least 0 to 1")
		}
		return nil
	})
}

// SetFactWords says of which words a fact is one, as they are typed: with commas between. What it was by its number it is still, as far as there is a word for
// that.
type SetFactWords struct {
	Fact  page.ID `json:"fact"`
	Typed string  `json:"typed"`
}

// Do implements Order.
func (o SetFactWords) Do(p *page.Page) page.Changed {
	return changeFact(p, o.Fact, func(f *world.Fact) error {
		if f.Sort() != world.OneOfWords {
			return fmt.Errorf("%s is %s: let it be one of some words first", f.Name, world.FactSorts[f.Sort()])
		}
		f.Words = nil
		for word := range strings.SplitSeq(o.Typed, ",") {
			if word = strings.TrimSpace(word); word != "" {
				f.Words = append(f.Words, word)
			}
		}
		if n := len(f.Words); n < 2 || n > limit.FactWords {
			return fmt.Errorf("%s is one of 2 to %d words, not of %d", f.Name, limit.FactWords, n)
		}
		return nil
	})
}

// changeFact changes what a fact is, and lets it start within that.
func changeFact(p *page.Page, id page.ID, how func(*world.Fact) error) page.Changed {
	f := p.Doc().Fact(world.ID(id))
	if f == nil {
		return p.Fail(world.ErrGone)
	}
	next := *f
	if err := how(&next); err != nil {
		return p.Fail(err)
	}
	if next.Least <= next.Most {
		next.Start = next.Bound(next.Start)
	}
	return p.Change(f.Name, edit.Changes(world.Ref{Sort: world.SortFact, ID: f.ID}, f.Values(), next.Values()))
}
