package world

import (
	"fmt"
	"slices"

	"azzel/core/limit"
	"azzel/core/lists"
	"azzel/core/pack"
)

// A collection is one of the lists of things that a document has beside its maps,
// with all that is done with it alike.
type collection struct {
	sort Sort
	// since is the version of the document's encoding from which on it is there.
	since byte
	// most is how many there may be.
	most   int
	clone  func(*Document)
	ids    func(*Document) []ID
	values func(*Document, ID) ([]Value, bool)
	put    func(*Draft, ID, []Value) error
	change func(*Draft, ID, Value) error
	remove func(*Draft, ID) bool
	encode func(*Document, *pack.Writer)
	diff   func(out *Difference, old, now *Document)
}

// A listing says of a sort of thing how it is told apart, sorted and called. Like all that is done with things alike it is
// of pointers to them: for those Go makes one function, not one for each sort.
type listing[P any] struct {
	id   func(P) *ID
	name func(P) string
	// order is what the list is sorted by: a creation number that is given, if
	// numbered, else what the thing itself says.
	order    func(P) *int
	numbered bool
	// empty makes a new one, copy another that is the same.
	empty func() P
	copy  func(P) P
}

// listed makes a listing of things that get creation numbers.
func listed[T any](id func(*T) *ID, name func(*T) string, number func(*T) *int) listing[*T] {
	return listing[*T]{id, name, number, true, func() *T { return new(T) }, copied[T]}
}

// unnumbered are things that say themselves where they stand.
func (l listing[P]) unnumbered() listing[P] {
	l.numbered = false
	return l
}

func copied[T any](t *T) *T {
	c := *t
	return &c
}

// further are fields of a T that its table does not list, since there may be any number of them. What is not there has no bytes.
type further[P any] struct {
	values func(P) []Value
	is     func(Field) bool
	set    func(P, Value) error
}

func collect[P any](sort Sort, most int, list func(*Document) *[]P, fields []field[P], is listing[P]) collection {
	return collectFurther(sort, most, list, fields, is, nil)
}

func collectFurther[P any](sort Sort, most int, list func(*Document) *[]P, fields []field[P], is listing[P], more *further[P]) collection {
	for i, f := range fields {
		if slices.ContainsFunc(fields[:i], func(g field[P]) bool { return g.number == f.number }) {
			panic(fmt.Sprintf("two properties of things of sort %d have the number %d", sort, f.number))
		}
	}
	valuesOf := func(t P, fields []field[P]) []Value {
		values := valuesOf(t, fields)
		if more != nil {
			values = append(values, more.values(t)...)
		}
		return values
	}
	setOne := func(t P, v Value) error {
		if more != nil && more.is(v.Field) {
			return more.set(t, v)
		}
		return setField(t, fields, v)
	}
	ref := func(t P) Ref { return Ref{Sort: sort, ID: *is.id(t)} }
	return collection{
		sort: sort, most: most,
		clone: func(d *Document) { *list(d) = slices.Clone(*list(d)) },
		ids: func(d *Document) (ids []ID) {
			for _, t := range *list(d) {
				ids = append(ids, *is.id(t))
			}
			return ids
		},
		values: func(d *Document, id ID) ([]Value, bool) {
			i := slices.IndexFunc(*list(d), func(t P) bool { return *is.id(t) == id })
			if i < 0 {
				return nil, false
			}
			return valuesOf((*list(d))[i], fields), true
		},
		put: func(d *Draft, id ID, values []Value) error {
			t := is.empty()
			*is.id(t) = id
			for _, v := range values {
				if err := setOne(t, v); err != nil {
					return err
				}
			}
			if is.numbered {
				d.number(is.order(t))
			}
			d.own[t] = true
			*list(d.doc) = insert(*list(d.doc), t, func(t P) int { return *is.order(t) })
			return nil
		},
		change: func(d *Draft, id ID, v Value) error {
			t, err := owned(d, *list(d.doc), func(t P) bool { return *is.id(t) == id }, is.copy)
			if err != nil {
				return err
			}
			return setOne(t, v)
		},
		remove: func(d *Draft, id ID) bool {
			before := len(*list(d.doc))
			*list(d.doc) = lists.Without(*list(d.doc), func(t P) bool { return *is.id(t) == id })
			return len(*list(d.doc)) < before
		},
		encode: func(d *Document, w *pack.Writer) {
			w.Uint(uint64(len(*list(d))))
			for _, t := range *list(d) {
				w.Uint(uint64(*is.id(t)))
				EncodeValues(w, valuesOf(t, fields))
			}
		},
		diff: func(out *Difference, old, now *Document) {
			compare(*list(old), *list(now), func(t P) ID { return *is.id(t) },
				func(t P) { out.Removed = append(out.Removed, ref(t)) },
				func(_, t P) { out.Put = append(out.Put, Stored{ref(t), is.name(t), valuesOf(t, fields)}) })
		},
	}
}

// tilesets come before the maps that are made of them, the others after. Where they
// stand in this order they stand in a document's encoding.
var tilesets = collect(SortTileset, limit.Tilesets, func(d *Document) *[]*Tileset { return &d.Tilesets }, tilesetFields,
	listed(func(t *Tileset) *ID { return &t.ID }, func(t *Tileset) string { return t.Name }, func(t *Tileset) *int { return &t.First }).unnumbered())

var collections = []collection{
	tilesets,
	collect(SortCrossing, limit.Crossings, func(d *Document) *[]*Crossing { return &d.Crossings }, crossingFields,
		listed(func(c *Crossing) *ID { return &c.ID }, func(c *Crossing) string { return c.Name }, func(c *Crossing) *int { return &c.Number })),
	collect(SortMedley, limit.Medleys, func(d *Document) *[]*Medley { return &d.Medleys }, medleyFields,
		listed(func(m *Medley) *ID { return &m.ID }, func(m *Medley) string { return m.Name }, func(m *Medley) *int { return &m.Number })),
	collect(SortCharacter, limit.Characters, func(d *Document) *[]*Character { return &d.Characters }, characterFields,
		listed(func(c *Character) *ID { return &c.ID }, func(c *Character) string { return c.Name }, func(c *Character) *int { return &c.Number })),
	collect(SortBond, limit.Bonds, func(d *Document) *[]*Bond { return &d.Bonds }, bondFields,
		listed(func(b *Bond) *ID { return &b.ID }, func(b *Bond) string { return b.Name }, func(b *Bond) *int { return &b.Number })),
	collect(SortPatch, limit.Patches, func(d *Document) *[]*Patch { return &d.Patches }, patchFields,
		listed(func(p *Patch) *ID { return &p.ID }, func(p *Patch) string { return p.Name }, func(p *Patch) *int { return &p.Number })),
	collect(SortProperty, limit.Properties, func(d *Document) *[]*Property { return &d.Properties }, propertyFields,
		listed(func(p *Property) *ID { return &p.ID }, func(p *Property) string { return p.Name }, func(p *Property) *int { return &p.Number })),
	collect(SortReplay, limit.Replays, func(d *Document) *[]*Replay { return &d.Replays }, replayFields,
		listed(func(r *Replay) *ID { return &r.ID }, func(r *Replay) string { return r.Name }, func(r *Replay) *int { return &r.Number })).from(4),
	collect(SortTrack, limit.Tracks, func(d *Document) *[]*Track { return &d.Tracks }, trackFields,
		listed(func(t *Track) *ID { return &t.ID }, func(t *Track) string { return t.Name }, func(t *Track) *int { return &t.Number })).from(5),
	collect(SortArea, limit.Areas, func(d *Document) *[]*Area { return &d.Areas }, areaFields,
		listed(func(a *Area) *ID { return &a.ID }, func(a *Area) string { return a.Name }, func(a *Area) *int { return &a.Number })).from(5),
	collect(SortItem, limit.Items, func(d *Document) *[]*Item { return &d.Items }, itemFields,
		listed(func(i *Item) *ID { return &i.ID }, func(i *Item) string { return i.Name }, func(i *Item) *int { return &i.Number })).from(6),
	collectFurther(SortFact, limit.Facts, func(d *Document) *[]*Fact { return &d.Facts }, factFields,
		listed(func(f *Fact) *ID { return &f.ID }, func(f *Fact) string { return f.Name }, func(f *Fact) *int { return &f.Number }), factRange).from(7),
	collect(SortWire, limit.Wires, func(d *Document) *[]*Wire { return &d.Wires }, wireFields,
		listed(func(w *Wire) *ID { return &w.ID }, func(w *Wire) string { return w.Name }, func(w *Wire) *int { return &w.Number })).from(8),
	collectFurther(SortRule, limit.Rules, func(d *Document) *[]*Rule { return &d.Rules }, ruleFields,
		listed(func(r *Rule) *ID { return &r.ID }, func(r *Rule) string { return r.Name }, func(r *Rule) *int { return &r.Number }), ruleParts).from(9),
	collect(SortStart, limit.Starts, func(d *Document) *[]*NamedStart { return &d.Starts }, startFields,
		listed(func(s *NamedStart) *ID { return &s.ID }, func(s *NamedStart) string { return s.Name }, func(s *NamedStart) *int { return &s.Number })).from(11),
	collectFurther(SortType, limit.Types, func(d *Document) *[]*Type { return &d.Types }, typeFields,
		listed(func(t *Type) *ID { return &t.ID }, func(t *Type) string { return t.Name }, func(t *Type) *int { return &t.Number }), typeUsual).from(13),
}

// from says since which version of the encoding a collection is there.
func (c collection) from(version byte) collection {
	c.since = version
	return c
}

// collectionOf finds the collection of a sort; nil for what lies in maps.
func collectionOf(k Sort) *collection {
	for i := range collections {
		if collections[i].sort == k {
			return &collections[i]
		}
	}
	return nil
}
