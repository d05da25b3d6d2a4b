package page

import (
	"azzel/core/grid"
	"azzel/core/hand"
	"azzel/core/kind"
	"azzel/core/logic"
	"azzel/core/world"
)

// PieceRef is a piece of a map as a reference.
func PieceRef(m, piece ID) world.Ref {
	return world.Ref{Sort: world.SortPiece, Map: world.ID(m), ID: world.ID(piece)}
}

// CharacterRef is a character as a reference.
func CharacterRef(id ID) world.Ref { return world.Ref{Sort: world.SortCharacter, ID: world.ID(id)} }

// IDsOf are the ids of some things.
func IDsOf[T any](list []*T, id func(*T) world.ID) []world.ID {
	ids := make([]world.ID, len(list))
	for i, t := range list {
		ids[i] = id(t)
	}
	return ids
}

// Conditions are written for the page and read from it with ids as it writes them.
var Conditions = logic.IDs{Format: FormatID, Parse: func(s string) (kind.ID, error) { return ParseID(s), nil }}

// SortOf is the sort of stored thing that a property refers to.
func SortOf(t kind.Thing) world.Sort {
	return map[kind.Thing]world.Sort{kind.Character: world.SortCharacter, kind.Track: world.SortTrack, kind.Area: world.SortArea, kind.Item: world.SortItem, kind.Fact: world.SortFact, kind.Piece: world.SortPiece, kind.Map: world.SortMap, kind.Crossing: world.SortCrossing, kind.Rule: world.SortRule, kind.Layer: world.SortLayer, kind.Patch: world.SortPatch, kind.OwnType: world.SortType}[t]
}

// KindNames are what sorts of things are called in orders.
var KindNames = map[world.Sort]string{
	world.SortProject: "project", world.SortTileset: "tileset", world.SortMap: "map", world.SortLayer: "layer",
	world.SortPiece: "piece", world.SortCrossing: "crossing", world.SortCharacter: "character", world.SortMedley: "medley",
	world.SortBond: "bond", world.SortProperty: "property", world.SortPatch: "patch", world.SortReplay: "replay",
	world.SortTrack: "track", world.SortArea: "area", world.SortItem: "item", world.SortFact: "fact", world.SortWire: "wire", world.SortRule: "rule", world.SortStart: "start",
	world.SortType: "type",
}

func kindOf(name string) world.Sort {
	for k, n := range KindNames {
		if n == name {
			return k
		}
	}
	return 0
}

// Box is a rectangle as views have it.
func Box(r grid.Rect) BoxView { return BoxView{r.X, r.Y, r.W, r.H} }

// SelectRef selects a thing; end is the doorway of a crossing that is meant.
func (p *Page) SelectRef(r world.Ref, end int) {
	s := hand.Selection{Ref: r, End: end, Map: r.Map}
	d := p.Doc()
	switch r.Sort {
	case world.SortPiece:
		if m := d.Map(r.Map); m != nil {
			if piece := m.Piece(r.ID); piece != nil {
				s.Cell = d.Project.Lattice().CellAt(piece.Foot)
			}
		}
	case world.SortCrossing:
		if c := d.Crossing(r.ID); c != nil {
			e := c.Ends[end&1]
			s.Map, s.Cell = e.Map, grid.Point{X: e.Cells.X, Y: e.Cells.Y}
		}
	case world.SortMap:
		s.Map = r.ID
	case world.SortTrack, world.SortArea:
		// They lie on a map, but in no one cell of it.
		s.Map = 0
	}
	p.Hand.Holding = hand.Nothing
	p.Hand.Selected = s
}

// An Author makes edits of a document from what is said in words of the page.
type Author struct {
	D   *world.Document
	IDs world.Allocator
}

// Author makes edits of what is shown.
func (p *Page) Author() Author { return Author{p.Doc(), p.IDs} }
