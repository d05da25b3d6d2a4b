package holding

import (
	"errors"
	"fmt"

	"azzel/core/kind"
	"azzel/core/kinds/props"
	"azzel/core/limit"
	"azzel/core/page"
	"azzel/core/page/wording"
	"azzel/core/rows"
	"azzel/core/world"
)

// A clipType is a type of one's own of which pieces of a block are.
type clipType struct {
	ID   string `json:"id"`
	Name string `json:"name"`
	// Base is the word of the kind on which it builds.
	Base       string              `json:"base"`
	Purpose    string              `json:"purpose,omitempty"`
	Keywords   string              `json:"keywords,omitempty"`
	May        int                 `json:"may,omitempty"`
	Most       int                 `json:"most,omitempty"`
	Usual      map[string]clipProp `json:"usual,omitempty"`
	Properties []clipProperty      `json:"properties,omitempty"`
	// Rules are those that belong to it.
	Rules []clipRule `json:"rules,omitempty"`
}

// A clipProperty is a property of a type: its sort is a number for 0, yes or no for 1, one of Words for 2.
type clipProperty struct {
	ID      string   `json:"id"`
	Name    string   `json:"name"`
	Sort    int      `json:"sort,omitempty"`
	Words   []string `json:"words,omitempty"`
	Unit    string   `json:"unit,omitempty"`
	Usual   int      `json:"usual,omitempty"`
	Least   int      `json:"least,omitempty"`
	Most    int      `json:"most,omitempty"`
	Changes bool     `json:"changes,omitempty"`
}

// propertySorts are the sorts of properties by their numbers in clipboards.
var propertySorts = []kind.Sort{kind.Whole, kind.YesNo, kind.Choice}

// writeTypes writes the types of one's own of which the pieces of a block are.
func (c *clip) writeTypes(d *world.Document, b *world.Block, name rows.Namer) {
	used := map[world.ID]bool{}
	for _, p := range b.Pieces {
		used[p.Props.Refers(props.OwnType)] = true
	}
	for _, t := range d.Types {
		if !used[t.ID] {
			continue
		}
		out := clipType{ID: page.FormatID(t.ID), Name: t.Name, Base: kind.Of(t.Base).Word, Purpose: t.Purpose, Keywords: t.Keywords, May: int(t.May), Most: t.Most, Usual: writeProps(d, kind.Of(t.Base).Keeps(t.Usual), name)}
		for _, p := range t.Further {
			is := clipProperty{ID: page.FormatID(p.ID), Name: p.Name, Words: p.Words, Unit: p.Unit, Usual: p.Usual, Least: p.Least, Most: p.Most, Changes: p.Changes}
			for i, sort := range propertySorts {
				if sort == p.Sort {
					is.Sort = i
				}
			}
			out.Properties = append(out.Properties, is)
		}
		for _, r := range d.RulesOf(kind.Type, t.ID) {
			out.Rules = append(out.Rules, writeRule(d, r))
		}
		c.Types = append(c.Types, out)
	}
}

// readTypes reads the types of one's own of which pieces are, and gives by their ids those that they are here: the same one, one of the same name on the same
// kind, or one that comes along with the block. Came says which come along, o is told the names of what they name that is not here. An error says which can't be.
func (c *clip) readTypes(o outsider, b *world.Block) (known map[world.ID]world.ID, came string, err error) {
	d, known := o.d, map[world.ID]world.ID{}
	if len(c.Types) > limit.Types {
		return nil, "", fmt.Errorf("over %d types", limit.Types)
	}
	for i := range c.Types {
		id := page.ParseID(c.Types[i].ID)
		if id < kind.FirstOwn || known[id] != 0 {
			return nil, "", errors.New("a type without an id of its own")
		}
		known[id] = id
	}
	var names []string
	for i := range c.Types {
		in := &c.Types[i]
		id := page.ParseID(in.ID)
		base := kind.Named(in.Base)
		if base == nil {
			delete(known, id)
			continue // its pieces are not known here either
		}
		t := world.Type{ID: id, Name: in.Name, Base: base.ID, Purpose: in.Purpose, Keywords: in.Keywords, May: world.Most(min(max(in.May, 0), 255)), Most: in.Most}
		if same := sameType(d, &t); same != 0 {
			known[id] = same
			continue
		}
		if d.Type(id) != nil {
			return nil, "", fmt.Errorf("the type %.40q, which is another one here: rename it there, then copy again", in.Name)
		}
		o.within = func(sort kind.Thing, of world.ID) bool {
			return (sort == kind.OwnType || sort == kind.Type) && known[of] != 0
		}
		if t.Usual, err = o.props(base, in.Usual); err != nil {
			return nil, "", fmt.Errorf("a type that can't be: %w", err)
		}
		values := t.Values()
		for _, p := range in.Properties {
			is := world.TypeProp{ID: page.ParseID(p.ID), Name: p.Name, Sort: propertySorts[min(max(p.Sort, 0), len(propertySorts)-1)], Words: p.Words, Unit: p.Unit, Usual: p.Usual, Least: p.Least, Most: p.Most, Changes: p.Changes}
			values = append(values, is.Value())
		}
		if t, err = world.TypeOf(id, values); err != nil {
			return nil, "", fmt.Errorf("a type that can't be: %w", err)
		}
		b.Types = append(b.Types, t)
		for k := range in.Rules {
			r, err := o.rule(&in.Rules[k], kind.Type, id)
			if err != nil {
				return nil, "", err
			}
			b.TypeRules = append(b.TypeRules, r)
		}
		names = append(names, t.Name)
	}
	if len(names) > 0 {
		came = fmt.Sprintf("With it comes what is not here yet: the type %s.", wording.Some(names))
	}
	return known, came, nil
}

// asKnown lets all that a block says name the types by which those of the clipboard are known here.
func asKnown(b *world.Block, known map[world.ID]world.ID) {
	to := func(sort kind.Thing, id world.ID) world.ID {
		if here := known[id]; here != 0 && (sort == kind.Type || sort == kind.OwnType) {
			return here
		}
		return id
	}
	for i := range b.Pieces {
		b.Pieces[i].Props = b.Pieces[i].Props.Refer(func(_ *kind.Prop, sort kind.Thing, id world.ID) world.ID { return to(sort, id) })
	}
	for _, list := range [][]world.Rule{b.Rules, b.TypeRules} {
		for i := range list {
			list[i] = list[i].Refer(to)
		}
	}
}

// sameType is the type of a project that is one of another: by its id, else by its name, on the same kind; 0 for none.
func sameType(d *world.Document, t *world.Type) world.ID {
	if is := d.Type(t.ID); is != nil && is.Base == t.Base {
		return is.ID
	}
	for _, is := range d.Types {
		if is.Name == t.Name && is.Base == t.Base {
			return is.ID
		}
	}
	return 0
}
