package world

import (
	"fmt"
	"slices"

	"azzel/core/limit"
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

// A listing says of a sort of thing how it is told apart, sorted and called.
type listing[T any] struct {
	id   func(*T) *ID
	name func(*T) string
	// order is what the list is sorted by: a creation number that is given, if
	// numbered, else what the thing itself says.
	order    func(*T) *int
	numbered bool
}

// further are fields of a T that its table does not list, since there may be any number of them. What is not there has no bytes.
type further[T any] struct {
	values func(*T) []Value
	is     func(Field) bool
	set    func(*T, Value) error
}

func collect[T any](sort Sort, most int, list func(*Document) *[]*T, fields []field[T], is listing[T]) collection {
	return collectFurther(sort, most, list, fields, is, nil)
}

func collectFurther[T any](sort Sort, most int, list func(*Document) *[]*T, fields []field[T], is listing[T], more *further[T]) collection {
	for i, f := range fields {
		if slices.ContainsFunc(fields[:i], func(g field[T]) bool { return g.number == f.number }) {
			panic(fmt.Sprintf("two properties of things of sort %d have the number %d", sort, f.number))
		}
	}
	valuesOf := func(t *T, fields []field[T]) []Value {
		values := valuesOf(t, fields)
		if more != nil {
			values = append(values, more.values(t)...)
		}
		return values
	}
	setOne := func(t *T, v Value) error {
		if more != nil && more.is(v.Field) {
			return more.set(t, v)
		}
		return setField(t, fields, v)
	}
	ref := func(t *T) Ref { return Ref{Sort: sort, ID: *is.id(t)} }
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
			if t := byID(*list(d), id, func(t *T) ID { return *is.id(t) }); t != nil {
				return valuesOf(t, fields), true
			}
			return nil, false
		},
		put: func(d *Draft, id ID, values []Value) error {
			t := new(T)
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
			*list(d.doc) = insert(*list(d.doc), t, func(t *T) int { return *is.order(t) })
			return nil
		},
		change: func(d *Draft, id ID, v Value) error {
			t, err := mine(d, *list(d.doc), func(t *T) bool { return *is.id(t) == id })
			if err != nil {
				return err
			}
			return setOne(t, v)
		},
		remove: func(d *Draft, id ID) bool {
			before := len(*list(d.doc))
			*list(d.doc) = slices.DeleteFunc(*list(d.doc), func(t *T) bool { return *is.id(t) == id })
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
			compare(*list(old), *list(now), func(t *T) ID { return *is.id(t) },
				func(t *T) { out.Removed = append(out.Removed, ref(t)) },
				func(_, t *T) { out.Put = append(out.Put, Stored{ref(t), is.name(t), valuesOf(t, fields)}) })
		},
	}
}

// tilesets come before the maps that are made of them, the others after. Where they
// stand in this order they stand in a document's encoding.
var tilesets = collect(SortTileset, limit.Tilesets, func(d *Document) *[]*Tileset { return &d.Tilesets }, tilesetFields,
	listing[Tileset]{func(t *Tileset) *ID { return &t.ID }, func(t *Tileset) string { return t.Name }, func(t *Tileset) *int { return &t.First }, false})

var collections = []collection{
	tilesets,
	collect(SortCrossing, limit.Crossings, func(d *Document) *[]*Crossing { return &d.Crossings }, crossingFields,
		listing[Crossing]{func(c *Crossing) *ID { return &c.ID }, func(c *Crossing) string { return c.Name }, func(c *Crossing) *int { return &c.Number }, true}),
	collect(SortMedley, limit.Medleys, func(d *Document) *[]*Medley { return &d.Medleys }, medleyFields,
		listing[Medley]{func(m *Medley) *ID { return &m.ID }, func(m *Medley) string { return m.Name }, func(m *Medley) *int { return &m.Number }, true}),
	collect(SortCharacter, limit.Characters, func(d *Document) *[]*Character { return &d.Characters }, characterFields,
		listing[Character]{func(c *Character) *ID { return &c.ID }, func(c *Character) string { return c.Name }, func(c *Character) *int { return &c.Number }, true}),
	collect(SortBond, limit.Bonds, func(d *Document) *[]*Bond { return &d.Bonds }, bondFields,
		listing[Bond]{func(b *Bond) *ID { return &b.ID }, func(b *Bond) string { return b.Name }, func(b *Bond) *int { return &b.Number }, true}),
	collect(SortPatch, limit.Patches, func(d *Document) *[]*Patch { return &d.Patches }, patchFields,
		listing[Patch]{func(p *Patch) *ID { return &p.ID }, func(p *Patch) string { return p.Name }, func(p *Patch) *int { return &p.Number }, true}),
	collect(SortProperty, limit.Properties, func(d *Document) *[]*Property { return &d.Properties }, propertyFields,
		listing[Property]{func(p *Property) *ID { return &p.ID }, func(p *Property) string { return p.Name }, func(p *Property) *int { return &p.Number }, true}),
	collect(SortReplay, limit.Replays, func(d *Document) *[]*Replay { return &d.Replays }, replayFields,
		listing[Replay]{func(r *Replay) *ID { return &r.ID }, func(r *Replay) string { return r.Name }, func(r *Replay) *int { return &r.Number }, true}).from(4),
	collect(SortTrack, limit.Tracks, func(d *Document) *[]*Track { return &d.Tracks }, trackFields,
		listing[Track]{func(t *Track) *ID { return &t.ID }, func(t *Track) string { return t.Name }, func(t *Track) *int { return &t.Number }, true}).from(5),
	collect(SortArea, limit.Areas, func(d *Document) *[]*Area { return &d.Areas }, areaFields,
		listing[Area]{func(a *Area) *ID { return &a.ID }, func(a *Area) string { return a.Name }, func(a *Area) *int { return &a.Number }, true}).from(5),
	collect(SortItem, limit.Items, func(d *Document) *[]*Item { return &d.Items }, itemFields,
		listing[Item]{func(i *Item) *ID { return &i.ID }, func(i *Item) string { return i.Name }, func(i *Item) *int { return &i.Number }, true}).from(6),
	collectFurther(SortFact, limit.Facts, func(d *Document) *[]*Fact { return &d.Facts }, factFields,
		listing[Fact]{func(f *Fact) *ID { return &f.ID }, func(f *Fact) string { return f.Name }, func(f *Fact) *int { return &f.Number }, true}, factRange).from(7),
	collect(SortWire, limit.Wires, func(d *Document) *[]*Wire { return &d.Wires }, wireFields,
		listing[Wire]{func(w *Wire) *ID { return &w.ID }, func(w *Wire) string { return w.Name }, func(w *Wire) *int { return &w.Number }, true}).from(8),
	collectFurther(SortRule, limit.Rules, func(d *Document) *[]*Rule { return &d.Rules }, ruleFields,
		listing[Rule]{func(r *Rule) *ID { return &r.ID }, func(r *Rule) string { return r.Name }, func(r *Rule) *int { return &r.Number }, true}, ruleParts).from(9),
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
