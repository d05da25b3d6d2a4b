package exchange

import (
	"fmt"

	"azzel/core/appearance"
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
	// Properties are those that its pieces have beside those of the kind.
	Properties []TypeProperty `json:"properties,omitempty"`
}

// A TypeProperty is a property of a type of the project's own: pieces set it by its id.
type TypeProperty struct {
	ID   string `json:"id"`
	Name string `json:"name"`
	// Sort is whether it is yes or no, or one of Words, a number without it.
	Sort  string   `json:"sort,omitempty" jsonschema:"enum=yes-no,enum=choice"`
	Words []string `json:"words,omitempty"`
	Unit  string   `json:"unit,omitempty"`
	// Usual is what a piece has that does not set it, a word by its place from 0 on; Least and Most are what a number can be.
	Usual int `json:"usual,omitempty"`
	Least int `json:"least,omitempty"`
	Most  int `json:"most,omitempty"`
	// Changes says that rules set it in play.
	Changes bool `json:"changes,omitempty"`
}

// sortWords are the words for the sorts of properties of a type of the project's own.
var sortWords = map[kind.Sort]string{kind.Whole: "", kind.YesNo: "yes-no", kind.Choice: "choice"}

// mayWords are the words for how many pieces of a type there may be, by their numbers.
var mayWords = []string{world.AnyNumber: "", world.ExactlyOne: "exactly-one", world.MostOnMap: "so-many-on-a-map", world.MostInProject: "so-many"}

func typesOf(d *world.Document, names appearance.Names) (list []OwnType) {
	for _, t := range d.Types {
		out := OwnType{idText(t.ID), t.Name, kind.Of(t.Base).Word, t.Purpose, t.Keywords, mayWords[t.May], t.Most, acting(t.Usual, names), nil}
		for _, p := range t.Further {
			out.Properties = append(out.Properties, TypeProperty{idText(p.ID), p.Name, sortWords[p.Sort], p.Words, p.Unit, p.Usual, p.Least, p.Most, p.Changes})
		}
		list = append(list, out)
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
		if t.Usual, err = in.Usual.values(b.names()); err != nil {
			return fmt.Errorf("%s: usual: %w", what, err)
		}
		values := t.Values()
		for n, in := range in.Properties {
			p, err := in.read()
			if err != nil {
				return fmt.Errorf("%s: property %d: %w", what, n+1, err)
			}
			values = append(values, p.Value())
		}
		if err := b.put(world.SortType, 0, id, values, what); err != nil {
			return err
		}
	}
	return nil
}

func (in *TypeProperty) read() (p world.TypeProp, err error) {
	id, err := parseID(in.ID)
	if err != nil {
		return p, err
	}
	p = world.TypeProp{ID: id, Name: in.Name, Unit: in.Unit, Words: in.Words, Usual: in.Usual, Least: in.Least, Most: in.Most, Changes: in.Changes, Sort: kind.Sort(255)}
	for sort, word := range sortWords {
		if word == in.Sort {
			p.Sort = sort
		}
	}
	if p.Sort == kind.Sort(255) {
		return p, fmt.Errorf("sort: %.40q is not known", in.Sort)
	}
	return p, nil
}
