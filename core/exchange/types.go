package exchange

import (
	"fmt"

	"azzel/core/kind"
	"azzel/core/world"
)

// An OwnType is a type of piece that the project has of its own.
type OwnType struct {
	ID   string `json:"id"`
	Name string `json:"name"`
	// Base is the word of the kind on which it builds.
	Base     string `json:"base"`
	Purpose  string `json:"purpose,omitempty"`
	Keywords string `json:"keywords,omitempty"`
	// May is how many of its pieces there may be, any number without it; Most how many where it says so many.
	May  string `json:"may,omitempty" jsonschema:"enum=exactly-one,enum=so-many-on-a-map,enum=so-many"`
	Most int    `json:"most,omitempty"`
	// Usual is what its pieces have that do not set it themselves.
	Usual Acting `json:"usual,omitempty"`
}

// mayWords are the words for how many pieces of a type there may be, by their numbers.
var mayWords = []string{world.AnyNumber: "", world.ExactlyOne: "exactly-one", world.MostOnMap: "so-many-on-a-map", world.MostInProject: "so-many"}

func typesOf(d *world.Document) (list []OwnType) {
	for _, t := range d.Types {
		list = append(list, OwnType{idText(t.ID), t.Name, kind.Of(t.Base).Word, t.Purpose, t.Keywords, mayWords[t.May], t.Most, acting(t.Usual)})
	}
	return list
}

func (b *reader) types() error {
	for i, in := range b.bundle.Types {
		what := fmt.Sprintf("bundle.json: type %d", i+1)
		id, err := b.newID(in.ID, what)
		if err != nil {
			return err
		}
		base := kind.Named(in.Base)
		if base == nil {
			return fmt.Errorf("%s: base: there is no kind %.40q", what, in.Base)
		}
		t := world.Type{Name: in.Name, Base: base.ID, Purpose: in.Purpose, Keywords: in.Keywords, Most: in.Most}
		may := -1
		for n, word := range mayWords {
			if word == in.May {
				may = n
			}
		}
		if may < 0 {
			return fmt.Errorf("%s: may: %.40q is not known", what, in.May)
		}
		t.May = world.Most(may)
		if t.Usual, err = in.Usual.values(); err != nil {
			return fmt.Errorf("%s: usual: %w", what, err)
		}
		if err := b.put(world.SortType, 0, id, t.Values(), what); err != nil {
			return err
		}
	}
	return nil
}
