// Package things is the room of what can be done to a thing of any sort.
package things

import (
	"azzel/core/edit"
	"azzel/core/hand"
	"azzel/core/kind"
	"azzel/core/page"
	"azzel/core/page/memory"
	"azzel/core/page/tilework"
	"azzel/core/world"
)

// Rename gives a thing another name.
type Rename struct {
	Thing page.Thing `json:"thing"`
	Name  string     `json:"name"`
}

// Do implements Order.
func (o Rename) Do(p *page.Page) page.Changed {
	return p.Do(*hand.Rename(p.Doc(), o.Thing.Ref(), o.Name))
}

// Delete deletes a thing.
type Delete struct {
	Thing page.Thing `json:"thing"`
}

// Do implements Order.
func (o Delete) Do(p *page.Page) page.Changed {
	ref := o.Thing.Ref()
	switch ref.Sort {
	case world.SortProperty:
		return tilework.RemoveProperty(p, ref)
	case world.SortItem, world.SortFact:
		return memory.RemoveNamed(p, ref)
	}
	var parts []edit.Part
	if ref.Sort == world.SortCharacter {
		parts = edit.RemoveRules(p.Doc(), kind.Character, ref.ID)
	}
	return p.Do(edit.Edit{Label: "delete " + hand.Name(p.Doc(), ref), Parts: append(parts, edit.Remove{Ref: ref})})
}
