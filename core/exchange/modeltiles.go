package exchange

// A Tileset is tilesets/NAME.json. Without a sheet it is the blockout tileset.
type Tileset struct {
	ID    string `json:"id"`
	Name  string `json:"name"`
	Count int    `json:"count"`
	Sheet *Sheet `json:"sheet,omitempty"`
	Cut   Cut    `json:"cut"`
	// Tiles are those that do anything or are called anything.
	Tiles []Tile `json:"tiles,omitempty"`
}

// A Cut is how the picture was cut, in its pixels.
type Cut struct {
	Tile    Size   `json:"tile"`
	Margin  int    `json:"margin,omitempty"`
	Spacing int    `json:"spacing,omitempty"`
	Offset  Place  `json:"offset"`
	Crop    *Box   `json:"crop,omitempty"`
	Key     string `json:"key,omitempty"`
	// Scale is 0 to stretch to the cell, n to enlarge, -n to make smaller.
	Scale int `json:"scale,omitempty"`
}

// A Tile is what one tile does. Solid is "whole", or eight rows of eight letters of
// which # is solid.
type Tile struct {
	Tile      int        `json:"tile"`
	Role      string     `json:"role,omitempty"`
	Solid     []string   `json:"solid,omitempty"`
	OneWay    bool       `json:"oneWay,omitempty"`
	Climbable bool       `json:"climbable,omitempty"`
	Water     bool       `json:"water,omitempty"`
	Slippery  bool       `json:"slippery,omitempty"`
	Slow      bool       `json:"slow,omitempty"`
	Above     bool       `json:"above,omitempty"`
	Danger    int        `json:"danger,omitempty"`
	Weight    int        `json:"weight,omitempty"`
	Name      string     `json:"name,omitempty"`
	Keywords  string     `json:"keywords,omitempty"`
	Home      string     `json:"home,omitempty"`
	Frames    []Frame    `json:"frames,omitempty"`
	Own       []OwnValue `json:"own,omitempty"`
}

// A Frame is one of an animated tile: a tile of the same tileset.
type Frame struct {
	Tile   int `json:"tile"`
	Millis int `json:"millis"`
}

// A Medley is tiles with weights.
type Medley struct {
	ID       string     `json:"id"`
	Name     string     `json:"name"`
	Seed     int        `json:"seed"`
	Turned   bool       `json:"turned,omitempty"`
	Mirrored bool       `json:"mirrored,omitempty"`
	Tiles    []Weighted `json:"tiles"`
}

// A Weighted is a tile of a medley.
type Weighted struct {
	Tile   string `json:"tile"`
	Weight int    `json:"weight"`
}

// A Bond is tiles that join up. Joined are the neighbours a tile joins to, as n, e,
// s, w, ne, se, sw and nw.
type Bond struct {
	ID      string   `json:"id"`
	Name    string   `json:"name"`
	Join    string   `json:"join" jsonschema:"enum=sides,enum=corners,enum=both"`
	Border  bool     `json:"border,omitempty"`
	Seed    int      `json:"seed"`
	Tiles   []Bonded `json:"tiles"`
	Also    []string `json:"also,omitempty"`
	JoinsTo []string `json:"joinsTo,omitempty"`
}

// A Bonded is a tile of a bond.
type Bonded struct {
	Tile   string `json:"tile"`
	Joined string `json:"joined"`
	Weight int    `json:"weight"`
}
