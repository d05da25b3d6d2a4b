// Package tilework is the room of tilesets: how they come in, what is marked on their tiles, how they take the place
// of others.
package tilework

import (
	"azzel/core/hand"
	"azzel/core/page"
	"azzel/core/tiles"
	"azzel/core/world"
)

// Tileset is one tileset with all its tiles; nil if it is gone.
func Tileset(p *page.Page, id world.ID) *TilesetView {
	t := p.Doc().Tileset(id)
	if t == nil {
		return nil
	}
	v := &TilesetView{ID: page.FormatID(t.ID), Name: t.Name, Builtin: t.Builtin(), Picture: t.Picture, Strip: t.Strip, Cut: t.Cut, First: t.First, Count: t.Count,
		Columns: t.Columns, Rows: t.Rows, Places: t.Places, Tiles: make([]*TileView, t.Count), Called: hand.PlainTile}
	for i := range t.Count {
		if t.Tiles[i] == nil {
			continue
		}
		is := t.Tile(i)
		tile := &TileView{Name: hand.TileCalled(t, i), Named: is.Name != "", Does: hand.TileDoes(is), Role: int(is.Role), Rows: []int{}, Whole: is.Solid == tiles.Whole,
			OneWay: is.OneWay, Climbable: is.Climbable, Water: is.Water, Slippery: is.Slippery, Slow: is.Slow, Above: is.Above,
			Danger: is.Danger, Weight: is.Weight, Keywords: is.Keywords, Home: is.Home, Frames: []tiles.Frame{}, Own: OwnValues(p.Doc(), is.Own)}
		if is.Animation != nil {
			tile.Frames = is.Animation.Frames
		}
		if is.Solid != 0 {
			v.Solid++
			tile.Rows = is.Solid.Rows()
		}
		v.Tiles[i] = tile
	}
	return v
}

// TilesetHead names a tileset. Its view is asked for apart, when the stamp has
// changed.
type TilesetHead struct {
	ID    string `json:"id"`
	Stamp int    `json:"stamp"`
}

// TilesetView is a tileset in the drawer and on the desk.
type TilesetView struct {
	ID      string `json:"id"`
	Name    string `json:"name"`
	Builtin bool   `json:"builtin"`
	First   int    `json:"first"`
	Count   int    `json:"count"`
	// Picture and Strip are the sums of the picture file and of its tiles; empty for
	// the built-in ones. Cut is how it was cut.
	Picture string    `json:"picture"`
	Strip   string    `json:"strip"`
	Cut     tiles.Cut `json:"cut"`
	Columns int       `json:"columns"`
	Rows    int       `json:"rows"`
	// Places are where each tile was in the picture: row × columns + column.
	Places []int `json:"places"`
	// Tiles are what the tiles do and are called; null for one that does nothing and
	// is called Called and its number, from 1 on.
	Tiles  []*TileView `json:"tiles"`
	Called string      `json:"called"`
	// Solid counts the tiles that are solid, wholly or in parts.
	Solid int `json:"solid"`
}

// TileView is what a tile does and is called.
type TileView struct {
	// Name is the tile's own, or what it is called without one.
	Name  string `json:"name"`
	Named bool   `json:"named"`
	// Does says in words what it does; empty if it does nothing.
	Does string `json:"does"`
	Role int    `json:"role"`
	// Rows are the 8 rows of what is solid, empty if nothing is.
	Rows      []int  `json:"rows"`
	Whole     bool   `json:"whole"`
	OneWay    bool   `json:"oneWay"`
	Climbable bool   `json:"climbable"`
	Water     bool   `json:"water"`
	Slippery  bool   `json:"slippery"`
	Slow      bool   `json:"slow"`
	Above     bool   `json:"above"`
	Danger    int    `json:"danger"`
	Weight    int    `json:"weight"`
	Keywords  string `json:"keywords"`
	Home      string `json:"home"`
	// Own are its values of the project's own properties.
	Own []OwnValueView `json:"own"`
	// Frames are shown in its place one after the other; empty if it stands still.
	Frames []tiles.Frame `json:"frames"`
}
