// Package view is what a page shows of a project, and the list of all that it can be asked to do or tell.
package view

import (
	"azzel/core/page"
	"azzel/core/page/characters"
	"azzel/core/page/holding"
	"azzel/core/page/maps"
	"azzel/core/page/memory"
	"azzel/core/page/pieces"
	"azzel/core/page/places"
	"azzel/core/page/playing"
	"azzel/core/page/rules"
	"azzel/core/page/supplies"
	"azzel/core/page/talking"
	"azzel/core/page/tilework"
	"azzel/core/page/wires"
)

// The types in this file are what the page's core tells the browser, as JSON.
// cmd/azzel-types writes them in TypeScript. Places and sizes are pixels of the
// board unless said otherwise; ids are decimal numbers as text.

// Scene is what lies on the board.
type Scene struct {
	Project   ProjectView            `json:"project"`
	Maps      []MapView              `json:"maps"`
	Pieces    []pieces.PieceView     `json:"pieces"`
	Crossings []CrossingView         `json:"crossings"`
	Wires     []wires.WireView       `json:"wires"`
	Tilesets  []tilework.TilesetHead `json:"tilesets"`
	Medleys   []supplies.MedleyView  `json:"medleys"`
	Bonds     []supplies.BondView    `json:"bonds"`
	Patches   []holding.PatchView    `json:"patches"`
	// Own are the properties of tiles that the project has of its own.
	Own []tilework.OwnView `json:"own"`
	// Characters are all of them, Acts and Facings the names of what the rows of their sheets
	// may show.
	Characters []characters.CharacterView `json:"characters"`
	Acts       []string                   `json:"acts"`
	Facings    []string                   `json:"facings"`
	// Items are what the player can have.
	Items []memory.ItemView `json:"items"`
	// Facts are what the game remembers.
	Facts []memory.FactView `json:"facts"`
	// Starts are those by which play can begin as if the player had come so far.
	Starts []memory.StartView `json:"starts"`
	// Drawer are the ids of tilesets, bonds and medleys in the order of the drawer.
	Drawer []string `json:"drawer"`
	// Areas are those of all maps, Odds the names of what may come of odds.
	Areas []places.AreaView `json:"areas"`
	// Paths are the ways of all pieces that have one, Triggers the cells in which something
	// happens to who steps onto them.
	Paths    []page.PathView `json:"paths"`
	Triggers []TriggerView   `json:"triggers"`
	Odds     []string        `json:"odds"`
	// Roles are the names of the roles, the first without one.
	Roles []string `json:"roles"`
	// Edges are the names of what an edge does, Sides those of a map's sides.
	Edges []string   `json:"edges"`
	Sides []string   `json:"sides"`
	Types []TypeView `json:"types"`
	// Mark is the type of marks.
	Mark    string        `json:"mark"`
	Missing []MissingView `json:"missing"`
	// Movement is how the player moves.
	Movement playing.MovementView `json:"movement"`
	Bitmap   BitmapView           `json:"bitmap"`
}

// TriggerView is a cell in which something happens, or a doorway.
type TriggerView struct {
	// Piece is what makes it happen, empty for a doorway.
	Piece string       `json:"piece"`
	Box   page.BoxView `json:"box"`
}

// ProjectView is what holds for the whole project.
type ProjectView struct {
	Name  string `json:"name"`
	CellW int    `json:"cellW"`
	CellH int    `json:"cellH"`
	SeenW int    `json:"seenW"`
	SeenH int    `json:"seenH"`
}

// BitmapView says how bitmaps divide a map.
type BitmapView struct {
	BaseCells int `json:"baseCells"`
	Levels    int `json:"levels"`
}

// MapView is a map on the board.
type MapView struct {
	ID   string `json:"id"`
	Name string `json:"name"`
	X    int    `json:"x"`
	Y    int    `json:"y"`
	W    int    `json:"w"`
	H    int    `json:"h"`
	// OriginX and OriginY are where the map's own cell (0, 0) lies.
	OriginX int         `json:"originX"`
	OriginY int         `json:"originY"`
	Columns int         `json:"columns"`
	Rows    int         `json:"rows"`
	Layers  []LayerView `json:"layers"`
	// Slabs are how its layers are drawn.
	Slabs []maps.Slab  `json:"slabs"`
	Ways  int          `json:"ways"`
	Look  maps.MapLook `json:"look"`
	// Places are its tracks and areas.
	Places []places.PlaceView `json:"places"`
}

// LayerView is a layer of a map, the lowest first.
type LayerView struct {
	ID      string `json:"id"`
	Name    string `json:"name"`
	Player  bool   `json:"player"`
	Current bool   `json:"current"`
	// Hidden and Only are this person's: it is not shown, or nothing else is.
	Hidden bool           `json:"hidden"`
	Only   bool           `json:"only"`
	Look   maps.LayerLook `json:"look"`
}

// CrossingView is a crossing: its two doorways and the curve of its line.
type CrossingView struct {
	ID       string         `json:"id"`
	Name     string         `json:"name"`
	BothWays bool           `json:"bothWays"`
	Doors    []page.BoxView `json:"doors"`
	Curve    []int          `json:"curve"`
}

// TypeView is a type of pieces in the drawer.
type TypeView struct {
	ID string `json:"id"`
	// Kind is the built-in kind on which it builds, Own says that it is one of the designer's own.
	Kind string `json:"kind"`
	Own  bool   `json:"own"`
	// Single says that there is at most one in a project.
	Single  bool   `json:"single"`
	Name    string `json:"name"`
	Family  string `json:"family"`
	Purpose string `json:"purpose"`
	// Keywords are further words by which one of the designer's own is found.
	Keywords string `json:"keywords"`
	// Acts says that pieces of it are drawn in play as things.
	Acts bool `json:"acts"`
	// Seen is the picture that its pieces have of their own as they are placed, nil if they have none; Who and Sprite are the character as which they are seen, empty for none, and a frame of their sheet.
	Seen   *pieces.SeenView `json:"seen"`
	Who    string           `json:"who"`
	Sprite int              `json:"sprite"`
}

// MissingView is a tileset or character whose pictures must be fetched.
type MissingView struct {
	Of  string `json:"of"`
	Sum string `json:"sum"`
	// Used says that it is to be seen on a map, or in play.
	Used bool `json:"used"`
}

// State is what changes with the hand rather than with the document.
type State struct {
	Pending  int       `json:"pending"`
	Undo     string    `json:"undo"`
	Redo     string    `json:"redo"`
	Holding  string    `json:"holding"`
	Shape    string    `json:"shape"`
	Tile     int       `json:"tile"`
	Medley   string    `json:"medley"`
	Bond     string    `json:"bond"`
	HeldName string    `json:"heldName"`
	Type     string    `json:"type"`
	Slip     *SlipView `json:"slip"`
	Messages []string  `json:"messages"`
	// Earlier is the step before which the server knows more of this session's; 0 for none.
	Earlier uint64 `json:"earlier"`
	// Working is what is under way and goes on in slices.
	Working *WorkingView `json:"working"`
	Playing bool         `json:"playing"`
	// Size is how many cells wide a brush is.
	Size int `json:"size"`
	// Through says that selecting, erasing and picking go through all layers.
	Through bool `json:"through"`
	// Adds is what selecting does with what is selected.
	Adds string `json:"adds"`
	// MirrorX and MirrorY say that strokes are mirrored left to right, top to bottom.
	MirrorX bool `json:"mirrorX"`
	MirrorY bool `json:"mirrorY"`
	// Patch is the kept patch in the hand; Block changes with the block that is held or
	// carried, 0 for none.
	Patch string `json:"patch"`
	Block int    `json:"block"`
	// Lying is how the tile in the hand lies.
	Lying  int         `json:"lying"`
	Chosen *ChosenView `json:"chosen"`
	// Looked is what the version that is shown is called; empty for none.
	Looked string `json:"looked"`
}

// WorkingView is work under way.
type WorkingView struct {
	// Cells is how many were worked on so far.
	Cells int `json:"cells"`
	// Stops says that it can be stopped.
	Stops bool `json:"stops"`
}

// ChosenView is the cells that are selected.
type ChosenView struct {
	Map   string       `json:"map"`
	Box   page.BoxView `json:"box"`
	Spans []int        `json:"spans"`
	Cells int          `json:"cells"`
	W     int          `json:"w"`
	H     int          `json:"h"`
	// Pieces are those that stand in the cells, nil for fewer than two.
	Pieces *pieces.PiecesView `json:"pieces"`
}

// SlipView is what the slip says of what is selected.
type SlipView struct {
	Kind string `json:"kind"`
	ID   string `json:"id"`
	Map  string `json:"map"`
	// Name is the thing's own name, Proposed what it is called without one.
	Name     string `json:"name"`
	Proposed string `json:"proposed"`
	Sort     string `json:"sort"`
	// Box is the thing on the board, Clear what the slip must not cover: with its way.
	Box     page.BoxView    `json:"box"`
	Clear   page.BoxView    `json:"clear"`
	Lines   []page.SlipLine `json:"lines"`
	Stack   []StackView     `json:"stack"`
	Removes string          `json:"removes"`
	// Kept says that the thing can't be deleted; Removes then says why.
	Kept bool `json:"kept"`
	// Leads is the other doorway of a crossing.
	Leads    *page.BoxView  `json:"leads"`
	Landings []page.BoxView `json:"landings"`
	// Acting is how a piece acts in play, Path its way there; Asking which fact it sets, and what
	// must hold for it.
	Acting *pieces.ActingView `json:"acting"`
	Asking *pieces.AskingView `json:"asking"`
	Path   *page.PathView     `json:"path"`
	// Pictures are those that a piece can have of its own, InHand what one can be taken from.
	Pictures []pieces.PictureView `json:"pictures"`
	InHand   string               `json:"inHand"`
	// Type is the type of a piece, built-in or of one's own; empty for what has none.
	Type string `json:"type"`
	// Otherwise is what a piece sets otherwise than its type says, by the labels of that.
	Otherwise []string `json:"otherwise"`
	// Starts says that play can begin at it so that it can be kept.
	Starts bool `json:"starts"`
	// Track and Area are what can be set of those.
	Track *places.TrackLook `json:"track"`
	Area  *places.AreaLook  `json:"area"`
	// Wire is what can be set of a wire, Joins are the wires of a piece.
	Wire *wires.WireSlip `json:"wire"`
	// Talk is what somebody says who has several things to say.
	Talk  *talking.TalkView `json:"talk"`
	Joins []wires.JoinView  `json:"joins"`
	// Rules are those that belong to it; Ruled says that some can.
	Rules []rules.HeadView `json:"rules"`
	Ruled bool             `json:"ruled"`
	// Around are the rules that go for a piece as for others, by what they belong to.
	Around []rules.HomeView `json:"around"`
}

// StackView is one thing in the stack of a cell, front to back.
type StackView struct {
	// Kind, Map, ID and End say which thing it is.
	Kind     string  `json:"kind"`
	Map      page.ID `json:"map"`
	ID       page.ID `json:"id"`
	End      int     `json:"end"`
	Name     string  `json:"name"`
	Sort     string  `json:"sort"`
	Selected bool    `json:"selected"`
}

// Pointer is where the pointer is and what would happen there.
type Pointer struct {
	Map   string `json:"map"`
	CellX int    `json:"cellX"`
	CellY int    `json:"cellY"`
	// Box is the cell.
	Box    page.BoxView  `json:"box"`
	PixelX int           `json:"pixelX"`
	PixelY int           `json:"pixelY"`
	Layer  string        `json:"layer"`
	Tile   string        `json:"tile"`
	Piece  string        `json:"piece"`
	Ghost  holding.Ghost `json:"ghost"`
	Busy   bool          `json:"busy"`
	// Axis is where on the board, in pixels, the mirror lines of the map are; empty while
	// strokes are not mirrored.
	Axis []int `json:"axis"`
	// Seen is what the player sees from here.
	Seen *page.BoxView `json:"seen"`
}
