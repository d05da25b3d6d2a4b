package findings

import (
	"azzel/core/appearance"
	"azzel/core/kind"
	"azzel/core/kinds/props"
	"azzel/core/world"
)

// atPictures looks at the pictures that a piece sets itself: whether what they show is there, and whether each state has one.
func (g *glance) atPictures(ref world.Ref, p *world.Piece, found func(Finding)) {
	own := false
	for f := range p.Props.All() {
		prop := kind.PropOf(f)
		if prop == nil || prop.Sort != kind.Picture {
			continue
		}
		own = true
		if sort, id := shownGone(appearance.Of(p.Props, prop), func(sort kind.Thing, id kind.ID) bool { return g.of(sort, id) != nil }); sort != kind.NoThing {
			found(Finding{Fault: Gone, Of: ref, Property: f, Sort: sort, Thing: id})
		}
	}
	if !own {
		return
	}
	for _, state := range appearance.Missing(p.All(), p.Kind()) {
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
		if !appearance.Has(t.Usual) {
			continue
		}
		any = true
		for f := range t.Usual.All() {
			prop := kind.PropOf(f)
			if prop == nil || prop.Sort != kind.Picture {
				continue
			}
			if sort, id := shownGone(appearance.Of(t.Usual, prop), func(sort kind.Thing, id kind.ID) bool { return shown(d, sort, id) }); sort != kind.NoThing {
				list = append(list, Finding{Fault: Gone, Of: world.TypeRef(t.ID), Property: f, Sort: sort, Thing: id})
			}
		}
		for _, state := range appearance.Missing(t.Usual, t.Kind()) {
			list = append(list, Finding{Fault: NoPicture, Of: world.TypeRef(t.ID), Property: kind.PictureOf(state, kind.AnySide).Field})
		}
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
