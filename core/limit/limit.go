// Package limit holds every limit of a project in one place. Whoever checks
// one says in the error what is too large, how large it is, what the most is
// and what to do.
package limit

const (
	// Cell sides in pixels.
	MinCellSide, MaxCellSide = 4, 128
	// MaxSeen is how many cells a player may see at once along one axis.
	MaxSeen = 256
	// MaxMapSide is a map's greatest width and height in cells.
	MaxMapSide = 4096
	// MaxBoard is how far from the middle of the board a map may lie, in cells.
	MaxBoard = 1 << 20
	// StoredCells is the number of cells a project may hold in chunks that are
	// neither empty nor of one tile.
	StoredCells = 64 << 20
	// Layers a map may have.
	Layers = 64
	// Maps a project may have.
	Maps = 1000
	// Tiles a project may have.
	Tiles = 262_144
	// Tilesets a project may have.
	Tilesets = 1000
	// PiecesInMap and Pieces are the most on one map and in a project.
	PiecesInMap, Pieces = 50_000, 200_000
	// Crossings a project may have.
	Crossings = 10_000
	// Starts are the named ones that a project may have, StartStates how many pieces each may say the state of.
	Starts      = 64
	StartStates = 2_000
	// Wires a project may have.
	Wires = 10_000
	// Medleys a project may have, and the most tiles of one.
	Medleys, MedleyTiles = 1000, 256
	// Bonds a project may have, and the most tiles of one.
	Bonds, BondTiles = 1000, 512
	// Patches a project may have, and the most cells one layer of one has.
	Patches, BlockCells = 1000, 4 << 20
	// TextBytes is the longest text of several lines.
	TextBytes = 64 << 10
	// Words is how many letters words that the player reads have, WordsParts how many facts and items are filled into them.
	Words, WordsParts = 4000, 200
	// Sayings is how many things somebody says.
	Sayings = 64
	// LayerDepth is how far from the map a layer may be, in percent.
	LayerDepth = 400
	// Drift is how fast a backdrop may drift, in pixels a second.
	Drift = 1000
	// Properties of its own a project may have.
	Properties = 64
	// TileFrames is the most frames of an animated tile.
	TileFrames = 64
	// CharacterFrames is how many frames a character has, Poses how many rows of them.
	CharacterFrames, Poses = 1024, 64
	// Acts is how many things somebody can be seen doing.
	Acts = 8
	// PictureCells is how many cells a picture of a piece is wide and high, PictureFrames how many frames it has, PictureFoot how many pixels from the middle
	// of its lower edge its foot is, at most.
	PictureCells, PictureFrames, PictureFoot = 16, 64, 256
	// Characters a project may have.
	Characters = 1000
	// Speed is how many cells somebody moves in a second, Jump how many cells high they
	// jump, and Body how many cells wide and high they are, at most.
	Speed, Jump, Body = 64, 32, 8
	// Pause is how many ticks lie at most between two strikes or shots of somebody.
	Pause = 240
	// Gravity is in percent of the usual, Wind in cells a second, at most.
	Gravity, Wind = 1000, 64
	// Tracks and Areas a project has, and how many points a track has.
	Tracks, Areas, TrackPoints = 10_000, 10_000, 1000
	// Interval is how many ticks lie at most between two things that come by themselves,
	// Emitted how many of them there may be of each emitter, and Flying how many shots at once.
	Interval, Emitted, Flying = 3600, 32, 256
	// Bears is how many hits a piece bears, Weight the greatest weight of odds.
	Bears, Weight = 100, 1000
	// MinZoom and MaxZoom are how large things are seen, in percent; Shake how many pixels the
	// camera shakes at most.
	MinZoom, MaxZoom, Shake = 25, 400, 64
	// Replays a project keeps, and how many ticks of a sixtieth of a second one has: ten
	// minutes.
	Replays, ReplayTicks = 200, 36_000
	// Items is how many items a project has, Stack how many one can have of one at once.
	Items, Stack = 1000, 999
	// Facts is how many facts a project has, FactValue the greatest number that one can be, FactWords of how many words.
	Facts, FactValue, FactWords = 1000, 999_999, 32
	// FactTexts is how many texts a fact can be that is a short text, FactLetters how many letters each has.
	FactTexts, FactLetters = 500, 120
	// Rules is how many rules a project has, RuleParts how many moments and actions one of them, RuleTicks the longest time of which a rule
	// speaks, in ticks.
	Rules, RuleParts, RuleTicks = 20_000, 1000, 216_000
	// Runs is how many rules are under way at most, and how many moments wait; Moments and Deeds how many a tick does, RunDeeds how many of
	// the deeds one run.
	Runs, Moments, Deeds, RunDeeds = 4096, 1000, 10_000, 1000
	// Choices is how many answers a question has at most.
	Choices = 6
	// Values is how many properties a stored thing has.
	Values = 4096
	// ReplayState is the largest state that a replay begins with.
	ReplayState = 2 << 20
	// ReplayBytes is the largest file of a replay.
	ReplayBytes = 4 << 20
	// Types is how many types of its own a project has, TypeLetters how many letters say what one is for.
	Types, TypeLetters = 1000, 300
	// TypeProps is how many properties of its own a type has.
	TypeProps = 100
	// NameLetters is the longest name, in letters.
	NameLetters = 120
	// PictureSide is a picture's greatest width and height in pixels.
	PictureSide = 8192
	// PicturePixels is the most pixels of a picture.
	PicturePixels = 32 << 20
	// PictureBytes is the largest picture file.
	PictureBytes = 16 << 20
	// EditBytes is the largest edit in its encoding.
	EditBytes = 16 << 20
	// SocketBytes is the largest message on a socket; larger edits go by POST.
	SocketBytes = 1 << 20
	// EditParts is the most parts one edit may have.
	EditParts = 100_000
	// PaintCells is the most cells one part may paint.
	PaintCells = MaxMapSide * MaxMapSide
	// BundleBytes is the largest bundle, BundleParts the most parts it has, and
	// BundleUnpacked how much they may be when they are unpacked.
	BundleBytes, BundleParts, BundleUnpacked = 256 << 20, 100_000, 2 << 30
	// PartBytes is the largest part that is JSON or a sheet of tiles, RowsBytes the
	// largest with rows of cells, and RowBytes the longest row.
	PartBytes, RowsBytes, RowBytes = 64 << 20, 512 << 20, 128 << 10
	// Versions is the most states of a project that are kept by name.
	Versions = 1000
	// CSVBytes is the largest file of a layer's cells.
	CSVBytes = 256 << 20
	// LegendColours is how many colours of pictures a project remembers the tiles of.
	LegendColours = 1000
	// DealCells is the most cells one part may lay a medley over.
	DealCells = 4 << 20
)
