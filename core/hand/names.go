package hand

import (
	"fmt"

	"azzel/core/grid"
	"azzel/core/tiles"
	"azzel/core/world"
)

// Name is what something is called: its own name, or one made of its type and
// place. Empty if it is gone.
func Name(d *world.Document, r world.Ref) string {
	switch r.Kind {
	case world.KindProject:
		return d.Project.Name
	case world.KindMap:
		if m := d.Map(r.ID); m != nil {
			return m.Name
		}
	case world.KindTileset:
		if t := d.Tileset(r.ID); t != nil {
			return t.Name
		}
	case world.KindCharacter:
		if c := d.Character(r.ID); c != nil {
			return c.Name
		}
	case world.KindCrossing:
		if c := d.Crossing(r.ID); c != nil {
			return CrossingName(d, c)
		}
	case world.KindPiece:
		if m := d.Map(r.Map); m != nil {
			if p := m.Piece(r.ID); p != nil {
				return PieceName(d, p)
			}
		}
	case world.KindLayer:
		if m := d.Map(r.Map); m != nil {
			if l := m.Layer(r.ID); l != nil {
				return l.Name
			}
		}
	}
	return ""
}

// PieceName is a piece's name, or its type and cell.
func PieceName(d *world.Document, p *world.Piece) string {
	if p.Name != "" {
		return p.Name
	}
	t, _ := world.TypeOf(p.Type)
	c := d.Project.Lattice().CellAt(p.Foot)
	return fmt.Sprintf("%s at %d, %d", t.Name, c.X, c.Y)
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
	if role := t.Role(i); role != tiles.NoRole {
		return fmt.Sprintf("%s, %s", role, t.Name)
	}
	return fmt.Sprintf("tile %d, %s", i+1, t.Name)
}
