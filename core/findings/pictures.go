package findings

import (
	"azzel/core/appearance"
	"azzel/core/kind"
	"azzel/core/kinds/props"
	"azzel/core/world"
)

// atPictures looks at the pictures that a piece sets itself: whether what they show is there, and whether each state has one.
func (g *glance) atPictures(ref world.Ref, p *world.Piece, found func(Finding)) {
	atSet(ref, p.Props, p.All(), p.Kind(), func(sort kind.Thing, id kind.ID) bool { return g.of(sort, id) != nil }, found)
}

// atSet looks at the pictures that a piece or type sets of all that it has.
func atSet(ref world.Ref, set, all kind.Values, k *kind.Kind, there func(kind.Thing, kind.ID) bool, found func(Finding)) {
	if !appearance.Has(set) {
		return
	}
	for f := range set.All() {
		prop := kind.PropOf(f)
		if prop == nil || prop.Sort != kind.Picture {
			continue
		}
		if sort, id := shownGone(appearance.Of(set, prop), there); sort != kind.NoThing {
			found(Finding{Fault: Gone, Of: ref, Property: f, Sort: sort, Thing: id})
		}
	}
	for _, state := range appearance.Missing(all, k) {
		found(Finding{Fault: NoPicture, Of: ref, Property: kind.PictureOf(state, kind.AnySide).Field})
	}
}

// shownGone is the first thing that a picture shows and that is not there; of the sort NoThing if all are.
func shownGone(is appearance.Picture, there func(kind.Thing, kind.ID) bool) (sort kind.Thing, id kind.ID) {
	is.Refers(func(s kind.Thing, i kind.ID) {
		if sort == kind.NoThing && !there(s, i) {
			sort, id = s, i
		}
	})
	return sort, id
}

// pictures finds types that have pictures for some of their states alone, or that show what is gone; and, once anything has pictures of its own, of each type that is seen
// in play the first piece that is seen as it comes.
func pictures(d *world.Document) (list []Finding) {
	any := false
	for _, t := range d.Types {
		any = any || appearance.Has(t.Usual)
		atSet(world.TypeRef(t.ID), t.Usual, t.Usual, t.Kind(), func(sort kind.Thing, id kind.ID) bool { return shown(d, sort, id) }, func(f Finding) { list = append(list, f) })
	}
	stock := map[world.ID]bool{}
	var plain []Finding
	for _, m := range d.Maps {
		for _, p := range m.Pieces {
			switch k := p.Kind(); {
			case k.Picture == nil:
			case appearance.Has(p.All()):
				any = true
			case k.Figure && dressed(d, p):
			case !stock[p.TypeID()]:
				stock[p.TypeID()] = true
				plain = append(plain, Finding{Fault: StockPicture, Of: world.Ref{Sort: world.SortPiece, Map: m.ID, ID: p.ID}})
			}
		}
	}
	if !any {
		return list
	}
	return append(list, plain...)
}

// dressed reports whether a piece is seen as a character that has pictures.
func dressed(d *world.Document, p *world.Piece) bool {
	c := d.Character(p.Refers(props.Who))
	return c != nil && c.Strip != ""
}

// shown reports whether what a picture shows is there.
func shown(d *world.Document, sort kind.Thing, id kind.ID) bool {
	if sort == kind.Tile {
		set, _ := d.TilesetOf(int(id))
		return set != nil
	}
	return d.Character(id) != nil
}
