package tilework

import (
	"fmt"

	"azzel/core/edit"
	"azzel/core/page"
	"azzel/core/tiles"
	"azzel/core/world"
)

// OwnView is a property of tiles that the project has of its own.
type OwnView struct {
	ID   string `json:"id"`
	Name string `json:"name"`
	// Type is 0 for yes or no, 1 for a number, 2 for text.
	Type int `json:"type"`
}

// OwnValueView is a tile's value of such a property.
type OwnValueView struct {
	ID    string `json:"id"`
	Value string `json:"value"`
}

// ViewOwn is a property of the project's own as a view.
func ViewOwn(p *world.Property) OwnView { return OwnView{page.FormatID(p.ID), p.Name, int(p.Type)} }

// OwnValues are a thing's values of the properties that there are.
func OwnValues(d *world.Document, own *tiles.Own) []OwnValueView {
	list := []OwnValueView{}
	for _, p := range d.Properties {
		if v := own.Of(uint64(p.ID)); v != "" {
			list = append(list, OwnValueView{page.FormatID(p.ID), v})
		}
	}
	return list
}

// MakeProperty makes a property of the project's own.
type MakeProperty struct {
	Name string `json:"name"`
	Type int    `json:"type"`
}

// Do implements Order.
func (o MakeProperty) Do(p *page.Page) page.Changed {
	own := &world.Property{Name: o.Name, Type: tiles.ValueType(min(max(o.Type, 0), 255))}
	return p.Do(edit.Edit{Label: edit.Clip("make the property " + o.Name), Parts: []edit.Part{
		edit.Put{Ref: world.Ref{Sort: world.SortProperty, ID: p.IDs.NewID()}, Values: own.Values()}}})
}

// ownMark brings a mark of a property of the project's own into the form of its
// type.
func ownMark(p *page.Page, m tiles.Mark) (tiles.Mark, error) {
	own := p.Doc().Property(page.ParseID(m.Own))
	if own == nil {
		return m, world.ErrGone
	}
	value, err := own.Type.Parse(m.Text)
	if err != nil {
		return m, fmt.Errorf("%s: %w", own.Name, err)
	}
	m.Text = value
	return m, nil
}

// RemoveProperty takes a property of the project's own away, with the values that
// tiles have of it.
func RemoveProperty(p *page.Page, ref world.Ref) page.Changed {
	d := p.Doc()
	own := d.Property(ref.ID)
	if own == nil {
		return p.Fail(world.ErrGone)
	}
	e := edit.Edit{Label: edit.Clip("delete the property " + own.Name), Parts: []edit.Part{edit.Remove{Ref: ref}}}
	for _, t := range d.Tilesets {
		for i := range t.Count {
			is := t.Tile(i)
			if is.Own.Of(uint64(own.ID)) == "" {
				continue
			}
			becomes := is
			becomes.Own = is.Own.With(uint64(own.ID), "")
			for _, v := range world.TileValues(i, is, becomes) {
				e.Parts = append(e.Parts, edit.Change{Ref: world.Ref{Sort: world.SortTileset, ID: t.ID}, Value: v})
			}
		}
	}
	for _, m := range d.Maps {
		if m.Own.Of(uint64(own.ID)) != "" {
			becomes := *m
			becomes.Own = m.Own.With(uint64(own.ID), "")
			e.Parts = append(e.Parts, edit.Changes(world.Ref{Sort: world.SortMap, ID: m.ID}, m.Values(), becomes.Values())...)
		}
	}
	return p.Do(e)
}
