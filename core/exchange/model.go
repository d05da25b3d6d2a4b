package exchange

// Format and Version are what bundle.json says of itself.
const (
	Format  = "azzel bundle"
	Version = 10
	// withoutPictures is the version of bundles in which all pieces are seen as they come.
	withoutPictures = 9
	// withoutTypes is the version of bundles in which there are no types of the project's own.
	withoutTypes = 8
	// withoutTexts is the version of bundles in which no fact is a short text, or belongs to a map.
	withoutTexts = 7
	// withoutAnew is the version of bundles in which all maps stay as they are left, without named starts.
	withoutAnew = 6
	// withPlainFacts is the version of bundles that have rules, and facts that have neither a range nor words.
	withPlainFacts = 5
	// withoutRules is the version of bundles that have wires and no rules.
	withoutRules = 4
	// withoutWires is the version of bundles without wires: they are written as before there were any.
	withoutWires = 3
)

// A Bundle is bundle.json: the project, and the names of its other parts in their
// order. Ids are text of two numbers, such as 7.12, and only have to differ. A tile
// is written as its tileset's short name and its place, counted from 1: a12.
type Bundle struct {
	Format  string `json:"format" jsonschema:"enum=azzel bundle"`
	Version int    `json:"version" jsonschema:"minimum=1"`
	Project struct {
		Name string `json:"name"`
		// Cell is the size of a cell in pixels, Seen how many cells the player sees.
		Cell   Size   `json:"cell"`
		Seen   Size   `json:"seen"`
		Player string `json:"player,omitempty"`
		// View is how maps are seen that are made, top-down without it.
		View   string  `json:"view,omitempty" jsonschema:"enum=side-view"`
		Camera *Camera `json:"camera,omitempty"`
		// Turns says that from above time passes by steps of the player.
		Turns bool `json:"turns,omitempty"`
		// Drawer is how tilesets, bonds and medleys are arranged, by id.
		Drawer []string `json:"drawer,omitempty"`
		// Legend is which tile each colour of a picture meant last, the latest first.
		Legend []Meaning `json:"legend,omitempty"`
	} `json:"project"`
	// Tilesets are short names: a stands for tilesets/a.json.
	Tilesets   []string    `json:"tilesets"`
	Properties []Property  `json:"properties,omitempty"`
	Characters []Character `json:"characters,omitempty"`
	Medleys    []Medley    `json:"medleys,omitempty"`
	Bonds      []Bond      `json:"bonds,omitempty"`
	// Maps and Patches are the names of their parts.
	Maps      []string   `json:"maps"`
	Patches   []string   `json:"patches,omitempty"`
	Crossings []Crossing `json:"crossings,omitempty"`
	// Replays are the names of their parts.
	Replays []string `json:"replays,omitempty"`
	Items   []Item   `json:"items,omitempty"`
	Facts   []Fact   `json:"facts,omitempty"`
	Wires   []Wire   `json:"wires,omitempty"`
	Rules   []Rule   `json:"rules,omitempty"`
	Starts  []Start  `json:"starts,omitempty"`
	// Types are those of piece that the project has of its own.
	Types []OwnType `json:"types,omitempty"`
}

// An Item is something that the player can have.
type Item struct {
	ID   string `json:"id"`
	Name string `json:"name"`
	// Most is how many one can have of it, 99 without it.
	Most int `json:"most,omitempty"`
}

// A Stock is how many of an item somebody has.
type Stock struct {
	Item  string `json:"item"`
	Count int    `json:"count"`
}

// A Meaning is what a colour means: a tile, or an empty cell without one.
type Meaning struct {
	Colour string `json:"colour" jsonschema:"pattern=^#[0-9a-f]{6}$"`
	Tile   string `json:"tile,omitempty"`
}

// A Size is a width and a height.
type Size struct {
	W int `json:"w"`
	H int `json:"h"`
}

// A Place is a column and a row, or pixels.
type Place struct {
	X int `json:"x"`
	Y int `json:"y"`
}

// A Box is a place with a size.
type Box struct {
	X int `json:"x"`
	Y int `json:"y"`
	W int `json:"w"`
	H int `json:"h"`
}

// A Property is one of the project's own.
type Property struct {
	ID   string `json:"id"`
	Name string `json:"name"`
	Type string `json:"type" jsonschema:"enum=yes or no,enum=number,enum=text"`
}

// An OwnValue is a value of one of them.
type OwnValue struct {
	Property string `json:"property"`
	Value    string `json:"value"`
}

// A Sheet is tiles or frames of one size, laid on PNG pictures from left to right
// and from top to bottom. Columns and Rows are how the picture that they were cut
// from was divided, Places where each one was: row × columns + column, as ranges.
type Sheet struct {
	Tile     Size     `json:"tile"`
	Columns  int      `json:"columns"`
	Rows     int      `json:"rows"`
	Places   string   `json:"places"`
	Pictures []string `json:"pictures"`
	// Source is the picture as it came in.
	Source string `json:"source"`
}

// A Character has frames, and says what they show.
type Character struct {
	ID    string `json:"id"`
	Name  string `json:"name"`
	Frame Size   `json:"frame"`
	// Sheet is its frames. Without it one is seen as the built-in figure.
	Sheet *Sheet `json:"sheet,omitempty"`
	// Frames is how many there are, sixteen without it. Poses say what they show; without them
	// there are four of walking for each side.
	Frames int    `json:"frames,omitempty"`
	Poses  []Pose `json:"poses,omitempty"`
	// Foot is where in a frame the foot is, in pixels to the right of the middle of its lower edge
	// and up from it.
	Foot     *Place    `json:"foot,omitempty"`
	Movement *Movement `json:"movement,omitempty"`
	// Begins is what they have when play begins.
	Begins []Stock `json:"begins,omitempty"`
}

// A Pose is the frames that show somebody doing something, looking to a side.
type Pose struct {
	Act    string `json:"act" jsonschema:"enum=stands,enum=walks,enum=runs,enum=jumps,enum=falls,enum=climbs,enum=swims,enum=is hurt"`
	Facing string `json:"facing" jsonschema:"enum=south,enum=west,enum=east,enum=north"`
	Frames []int  `json:"frames"`
	// Ticks is for how many sixtieths of a second each is shown.
	Ticks int `json:"ticks"`
}

// A Movement is how a character moves. What is not there is as usual.
type Movement struct {
	// Speed, climb and swim are in tenths of a cell a second.
	Speed    int    `json:"speed,omitempty"`
	Steering string `json:"steering,omitempty" jsonschema:"enum=four ways,enum=cell by cell"`
	// Jump is how high one jumps in tenths of a cell, air how long that takes in ticks of a
	// sixtieth of a second.
	Jump int `json:"jump,omitempty"`
	Air  int `json:"air,omitempty"`
	// Start and stop are how many ticks it takes to full speed and to a stand.
	Start int `json:"start,omitempty"`
	Stop  int `json:"stop,omitempty"`
	Climb int `json:"climb,omitempty"`
	Swim  int `json:"swim,omitempty"`
	// Grace is for how many ticks one still jumps beside a ledge.
	Grace  int `json:"grace,omitempty"`
	Health int `json:"health,omitempty"`
	// Cannot lists what one can't do.
	Cannot []string `json:"cannot,omitempty"`
	// Arms lists what one has against foes.
	Arms []string `json:"arms,omitempty"`
	// Throw is how fast one throws, throwRise how fast up in side-view, shot how fast one's shots fly,
	// all in tenths of a cell a second; shotReach is how far, in cells.
	Throw     int `json:"throw,omitempty"`
	ThrowRise int `json:"throwRise,omitempty"`
	Shot      int `json:"shot,omitempty"`
	ShotReach int `json:"shotReach,omitempty"`
	// Strike is how far a strike reaches, in hundredths of a cell, pause how many ticks lie between
	// two strikes or shots.
	Strike int `json:"strike,omitempty"`
	Pause  int `json:"pause,omitempty"`
	// Body is the size of the body in side-view, in pixels.
	Body *Size `json:"body,omitempty"`
	// Above is the same from above: its width, and how far it reaches up from the foot.
	Above *Size `json:"above,omitempty"`
}

// A Map is one part in maps/. Bounds are in its own cells; Origin is where on the
// board its cell 0, 0 lies.
type Map struct {
	ID     string `json:"id"`
	Name   string `json:"name"`
	View   string `json:"view" jsonschema:"enum=top-down,enum=side-view"`
	Origin Place  `json:"origin"`
	Bounds Box    `json:"bounds"`
	// Edges are what the left, right, top and bottom edge do.
	Edges      []string    `json:"edges"`
	Background *Background `json:"background,omitempty"`
	Notes      string      `json:"notes,omitempty"`
	Keywords   string      `json:"keywords,omitempty"`
	Own        []OwnValue  `json:"own,omitempty"`
	// PlayerLayer is the id of the layer in which the player walks.
	PlayerLayer string `json:"playerLayer"`
	// Layers go from the lowest to the topmost.
	Layers []Layer `json:"layers"`
	Pieces []Piece `json:"pieces,omitempty"`
	Tracks []Track `json:"tracks,omitempty"`
	Areas  []Area  `json:"areas,omitempty"`
	// Here is how one moves on it, Lottery the weights of its lottery pieces.
	Here    *Forces `json:"here,omitempty"`
	Lottery *Odds   `json:"lottery,omitempty"`
	// Barred lists what nobody can do on it.
	Barred []string `json:"barred,omitempty"`
	// Anew is when its pieces begin anew: on-return to it, after-harm that the player took on it.
	Anew []string `json:"anew,omitempty"`
}

// A Background is a colour, or runs from the first to the second.
type Background struct {
	Top    string `json:"top"`
	Bottom string `json:"bottom,omitempty"`
}

// A Layer is one of a map. Cells names the part with its rows; without it the layer
// is empty.
type Layer struct {
	ID       string    `json:"id"`
	Name     string    `json:"name"`
	Counts   bool      `json:"counts"`
	Locked   bool      `json:"locked,omitempty"`
	Fade     int       `json:"fade,omitempty"`
	Tint     string    `json:"tint,omitempty"`
	Depth    *Place    `json:"depth,omitempty"`
	Group    string    `json:"group,omitempty"`
	Takes    *Takes    `json:"takes,omitempty"`
	Backdrop *Backdrop `json:"backdrop,omitempty"`
	Cells    string    `json:"cells,omitempty"`
}

// Takes is what may be laid on a layer.
type Takes struct {
	NoTiles  bool     `json:"noTiles,omitempty"`
	NoPieces bool     `json:"noPieces,omitempty"`
	Roles    []string `json:"roles,omitempty"`
}

// A Backdrop is a picture behind a layer's tiles.
type Backdrop struct {
	Picture string `json:"picture"`
	At      Place  `json:"at"`
	RepeatX bool   `json:"repeatX,omitempty"`
	RepeatY bool   `json:"repeatY,omitempty"`
	Stretch bool   `json:"stretch,omitempty"`
	// Drift is in pixels a second.
	Drift *Place `json:"drift,omitempty"`
}

// A Piece stands with its foot on a pixel of the map.
type Piece struct {
	ID     string `json:"id,omitempty"`
	Type   string `json:"type"`
	Name   string `json:"name,omitempty"`
	Layer  string `json:"layer,omitempty"`
	Foot   Place  `json:"foot"`
	Acting Acting `json:"acting,omitempty"`
}

// A Crossing leads from its first end to its second, or both ways.
type Crossing struct {
	ID       string `json:"id"`
	Name     string `json:"name,omitempty"`
	BothWays bool   `json:"bothWays"`
	Ends     [2]End `json:"ends"`
}

// An End is a doorway: cells of a map.
type End struct {
	Map   string `json:"map"`
	Cells Box    `json:"cells"`
}

// A Patch is one part in patches/: a block that was kept. Its rows stand in it.
type Patch struct {
	ID     string       `json:"id"`
	Name   string       `json:"name"`
	Size   Size         `json:"size"`
	Layers []PatchLayer `json:"layers,omitempty"`
	Pieces []Piece      `json:"pieces,omitempty"`
	// Wires are between its pieces, Rules belong to them: both name them by their ids, which say nothing outside the patch.
	Wires []Wire `json:"wires,omitempty"`
	Rules []Rule `json:"rules,omitempty"`
}

// A PatchLayer is the cells of one layer of a patch. Depth is how many layers it lay
// above the player's.
type PatchLayer struct {
	Name   string   `json:"name,omitempty"`
	Depth  int      `json:"depth"`
	Counts bool     `json:"counts"`
	Rows   []string `json:"rows"`
}

// A Replay is one part in replays/, or a file of its own: a recorded play, with what came of
// it.
type Replay struct {
	Format  string `json:"format" jsonschema:"enum=azzel replay"`
	Version int    `json:"version" jsonschema:"minimum=1"`
	ID      string `json:"id"`
	Name    string `json:"name"`
	// From is the id of the spawn, checkpoint or mark where it began; without it, where play begins
	// that has no spawn.
	From string `json:"from,omitempty"`
	// State is how the game stood if it began in the middle of a play, in the encoding of the rules
	// that it was recorded by, as base64; Began the tick of then.
	State []byte `json:"state,omitempty"`
	Began int    `json:"began,omitempty"`
	// Rules is the version of the rules of play that it was recorded by.
	Rules int `json:"rules"`
	// Chance is what all chance began with, as 16 hexadecimal digits; 0 without it.
	Chance string `json:"chance,omitempty"`
	// Held is what was held down, for how many ticks of a sixtieth of a second: 20 right+jump,
	// 5 nothing, 12 left.
	Held string `json:"held"`
	// Trace has a byte for each tick, hexadecimal, that depends on where the player was.
	Trace string `json:"trace"`
	// Samples are how the game stood after each tick that is a multiple of 15, counted from the
	// beginning of the play, and after the last one. In version 1 they were called marks.
	Samples []ReplaySample `json:"samples,omitempty"`
	Marks   []ReplaySample `json:"marks,omitempty"`
	// End is a hash of the whole state after the last tick, hexadecimal.
	End string `json:"end"`
}

// A ReplaySample is how a game stood. X and Y are in 1/256 pixel of the map.
type ReplaySample struct {
	Map      string `json:"map"`
	X        int    `json:"x"`
	Y        int    `json:"y"`
	Health   int    `json:"health"`
	Taken    int    `json:"taken"`
	Finished bool   `json:"finished,omitempty"`
	// Moving is a hash of what moves beside the player, hexadecimal.
	Moving string `json:"moving"`
}
