package hand

import (
	"fmt"
	"strings"

	"azzel/core/grid"
	"azzel/core/kinds/props"
	"azzel/core/tiles"
	"azzel/core/world"
)

// Name is what something is called: its own name, or one made of its type and
// place. Empty if it is gone.
func Name(d *world.Document, r world.Ref) string {
	switch r.Sort {
	case world.SortProject:
		return d.Project.Name
	case world.SortMap:
		if m := d.Map(r.ID); m != nil {
			return m.Name
		}
	case world.SortTileset:
		if t := d.Tileset(r.ID); t != nil {
			return t.Name
		}
	case world.SortProperty:
		if p := d.Property(r.ID); p != nil {
			return p.Name
		}
	case world.SortBond:
		if b := d.Bond(r.ID); b != nil {
			return b.Name
		}
	case world.SortPatch:
		if p := d.Patch(r.ID); p != nil {
			return p.Name
		}
	case world.SortMedley:
		if m := d.Medley(r.ID); m != nil {
			return m.Name
		}
	case world.SortReplay:
		if kept := d.Replay(r.ID); kept != nil {
			return kept.Name
		}
	case world.SortTrack:
		if t := d.Track(r.ID); t != nil {
			return placeName(t.Name, "Track", t.Number)
		}
	case world.SortArea:
		if a := d.Area(r.ID); a != nil {
			return placeName(a.Name, "Area", a.Number)
		}
	case world.SortItem:
		if i := d.Item(r.ID); i != nil {
			return i.Name
		}
	case world.SortFact:
		if f := d.Fact(r.ID); f != nil {
			return f.Name
		}
	case world.SortCharacter:
		if c := d.Character(r.ID); c != nil {
			return c.Name
		}
	case world.SortWire:
		if w := d.Wire(r.ID); w != nil {
			return WireName(d, w)
		}
	case world.SortType:
		if t := d.Type(r.ID); t != nil {
			return t.Name
		}
	case world.SortStart:
		if s := d.NamedStart(r.ID); s != nil {
			return s.Name
		}
	case world.SortRule:
		if r := d.Rule(r.ID); r != nil {
			return r.Says()
		}
	case world.SortCrossing:
		if c := d.Crossing(r.ID); c != nil {
			return CrossingName(d, c)
		}
	case world.SortPiece:
		if m := d.Map(r.Map); m != nil {
			if p := m.Piece(r.ID); p != nil {
				return PieceName(d, p)
			}
		}
	case world.SortLayer:
		if m := d.Map(r.Map); m != nil {
			if l := m.Layer(r.ID); l != nil {
				return l.Name
			}
		}
	}
	return ""
}

// placeName is the name of a track or area, or one made of its sort and number.
func placeName(name, sort string, number int) string {
	if name != "" {
		return name
	}
	return fmt.Sprintf("%s %d", sort, number)
}

// PieceName is a piece's name, or its type and cell.
func PieceName(d *world.Document, p *world.Piece) string {
	if p.Name != "" {
		return p.Name
	}
	if who := d.Character(p.Refers(props.Who)); who != nil {
		return who.Name
	}
	c := d.Project.Lattice().CellAt(p.Foot)
	return fmt.Sprintf("%s at %d, %d", p.Kind().Name, c.X, c.Y)
}

// CrossingName is a crossing's name, or the names of the maps it joins.
func CrossingName(d *world.Document, c *world.Crossing) string {
	if c.Name != "" {
		return c.Name
	}
	names := [2]string{}
	for i, end := range c.Ends {
		if m := d.Map(end.Map); m != nil {
			names[i] = m.Name
		}
	}
	if names[0] == names[1] {
		return "Crossing within " + names[0]
	}
	return names[0] + " – " + names[1]
}

// TileName is what a cell's tile is called, empty for an empty cell.
func TileName(d *world.Document, c grid.Cell) string {
	if c == 0 {
		return ""
	}
	t, i := d.TilesetOf(c.Tile())
	if t == nil {
		return "a tile that is missing"
	}
	return fmt.Sprintf("%s, %s", TileCalled(t, i), t.Name)
}

// PlainTile is what a tile without name and role is called, with its number.
const PlainTile = "tile"

// TileCalled is the name of tile i of a tileset, or one made of its role and
// place.
func TileCalled(t *world.Tileset, i int) string {
	is := t.Tile(i)
	switch {
	case is.Name != "":
		return is.Name
	case is.Role == tiles.NoRole:
		return fmt.Sprintf("%s %d", PlainTile, i+1)
	case t.Builtin():
		return is.Role.String()
	}
	return fmt.Sprintf("%s %d", is.Role, i+1)
}

// TileDoes says in words what a tile does; empty if it does nothing.
func TileDoes(is tiles.Properties) string {
	var does []string
	add := func(on bool, text string) {
		if on {
			does = append(does, text)
		}
	}
	add(is.Solid == tiles.Whole, "solid")
	add(is.Solid != 0 && is.Solid != tiles.Whole, "solid in part")
	add(is.OneWay, "one-way")
	add(is.Climbable, "climbable")
	add(is.Water, "water")
	add(is.Danger > 0, fmt.Sprintf("hurts %d", is.Danger))
	add(is.Slippery, "slippery")
	add(is.Slow, "slow")
	add(is.Above, "above the player")
	add(is.Animation != nil, "moves")
	add(is.Home != "", "goes to "+is.Home)
	return strings.Join(does, ", ")
}

// HeldName is what a patch or block in the hand is called.
func HeldName(d *world.Document, h Held) string {
	if p := d.Patch(h.Kept); p != nil {
		return p.Name
	}
	if h.Block == nil {
		return ""
	}
	if len(h.Block.Layers) == 0 {
		return count(len(h.Block.Pieces), "piece")
	}
	return fmt.Sprintf("Block of %d × %d", h.Block.W, h.Block.H)
}
