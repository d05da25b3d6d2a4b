package tilework

import (
	"slices"

	"azzel/core/edit"
	"azzel/core/hand"
	"azzel/core/lists"
	"azzel/core/pack"
	"azzel/core/page"
	"azzel/core/world"
)

// Usage is how much of what is in the drawer lies on no map.
type Usage struct {
	Tilesets []UnusedTiles `json:"tilesets"`
	// Unused are the bonds and medleys of which no tile lies on a map.
	Unused []string `json:"unused"`
}

// UnusedTiles counts the tiles of a tileset that lie on no map.
type UnusedTiles struct {
	ID     string `json:"id"`
	Unused int    `json:"unused"`
}

// UsageOf counts what lies on no map. The cost grows with the chunks of all maps.
func UsageOf(p *page.Page) Usage {
	d := p.Doc()
	used := d.UsedTiles()
	lies := func(n int) bool { return n < len(used) && used[n] }
	v := Usage{Tilesets: []UnusedTiles{}, Unused: []string{}}
	for _, t := range d.Tilesets {
		count := UnusedTiles{ID: page.FormatID(t.ID)}
		for i := range t.Count {
			if !lies(t.First + i) {
				count.Unused++
			}
		}
		v.Tilesets = append(v.Tilesets, count)
	}
	none := func(id world.ID, list []int) {
		if !slices.ContainsFunc(list, lies) {
			v.Unused = append(v.Unused, page.FormatID(id))
		}
	}
	for _, b := range d.Bonds {
		var list []int
		for _, t := range b.Tiles {
			list = append(list, t.Tile)
		}
		none(b.ID, list)
	}
	for _, m := range d.Medleys {
		var list []int
		for _, t := range m.Tiles {
			list = append(list, t.Tile)
		}
		none(m.ID, list)
	}
	return v
}

// Shelved are the things of a kind in the order of the drawer: as arranged, then
// tilesets from the latest on, bonds and medleys from the first on.
func Shelved(d *world.Document, kind world.Sort) []world.ID {
	var ids []world.ID
	switch kind {
	case world.SortTileset:
		for _, t := range d.Tilesets {
			ids = append(ids, t.ID)
		}
		slices.Reverse(ids)
	case world.SortBond:
		for _, b := range d.Bonds {
			ids = append(ids, b.ID)
		}
	case world.SortMedley:
		for _, m := range d.Medleys {
			ids = append(ids, m.ID)
		}
	}
	return d.Project.Arranged(ids)
}

// Drawer lists all that is in the drawer, in its order.
func Drawer(d *world.Document) []string {
	list := []string{}
	for _, kind := range []world.Sort{world.SortTileset, world.SortBond, world.SortMedley} {
		for _, id := range Shelved(d, kind) {
			list = append(list, page.FormatID(id))
		}
	}
	return list
}

// Arrange puts a thing before another of its kind in the drawer; last if there is no such.
type Arrange struct {
	Thing  page.Thing `json:"thing"`
	Before page.ID    `json:"before"`
}

// Do implements Order.
func (o Arrange) Do(p *page.Page) page.Changed {
	d := p.Doc()
	ref, before := o.Thing.Ref(), world.ID(o.Before)
	if ref.ID == before || hand.Name(d, ref) == "" && d.Tileset(ref.ID) == nil {
		return 0
	}
	var all []world.ID
	for _, kind := range []world.Sort{world.SortTileset, world.SortBond, world.SortMedley} {
		ids := Shelved(d, kind)
		if kind == ref.Sort {
			ids = lists.Without(ids, func(id world.ID) bool { return id == ref.ID })
			at := slices.Index(ids, before)
			if at < 0 {
				at = len(ids)
			}
			ids = lists.Insert(ids, at, ref.ID)
		}
		all = append(all, ids...)
	}
	var w pack.Writer
	w.Text(string(world.Arranged(all)))
	return p.Do(edit.Edit{Label: "arrange the drawer", Parts: []edit.Part{
		edit.Change{Ref: world.Ref{Sort: world.SortProject}, Value: world.Value{Field: world.FieldDrawer, Bytes: w.Bytes}}}})
}
