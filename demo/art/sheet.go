package art

import "image"

// Columns is how many tiles of the sheet stand side by side.
const Columns = 16

// A Block is a block of 4 × 4 tiles that join along their sides.
type Block int

// The blocks, side by side in the first four rows of the sheet.
const (
	Bed Block = iota
	Channel
	Brick
	Glass
)

// The sides along which a tile of a block joins its neighbour.
const (
	North = 1 << iota
	East
	South
	West
)

// Joined is the place of the tile of a block that joins along the sides.
func Joined(b Block, sides int) int {
	return int(b)*4 + along(sides&East != 0, sides&West != 0) + Columns*along(sides&South != 0, sides&North != 0)
}

// along is the column (or row) of a block whose tiles join onward, back, both
// or neither.
func along(onward, back bool) int {
	switch {
	case onward && back:
		return 1
	case onward:
		return 0
	case back:
		return 2
	}
	return 3
}

// The single tiles, by place. Crown is a palm's crown of 3 × 3 tiles, and
// Boiler of 2 × 2; both are row after row of the sheet.
const (
	Gravel = 4*Columns + iota
	GravelFine
	GravelPebbles
	GravelMoss
	GravelLeaves
	Paving
	PavingWorn
	PavingMoss
	PavingDrain
	Planks
	PlanksWorn
	Boards
	BoardsWorn
	Grating
	WaterLily
	WaterBloom

	Fern
	FernYoung
	BroadLeaf
	Seedlings
	Orchid
	Cactus
	Moss
	Trunk
	BedLabel
	Lamp
	LampWall
	Pot
	PotFern
	PotStack
	Can
	Sack

	Crate
	CrateStack
	BenchLeft
	Bench
	BenchRight
	BarrowLeft
	BarrowRight
	Shelf
	ShelfJars
	Cabinet
	Pipe
	PipeUp
	PipeBend
	Valve
	Gauge
	Coal

	CrownFirst
	crown1
	crown2
	BoilerFirst
	boiler1
	DoorGlass
	DoorBrick
	Hatch
	Hose
	Rug
	Puddle
	Table
	Stool
	Thermometer
	Broom
	emptyFirst
)

const rows = 10

// Crown is the place of a palm's crown at column x and row y, each 0 to 2.
func Crown(x, y int) int { return CrownFirst + x + y*Columns }

// Boiler is the place of the boiler at column x and row y, each 0 or 1.
func Boiler(x, y int) int { return BoilerFirst + x + y*Columns }

// Sheet draws the whole sheet. Some of its places stay empty.
func Sheet() *image.NRGBA {
	img := image.NewNRGBA(image.Rect(0, 0, Columns*Side, rows*Side))
	tile := func(place int) canvas {
		return part(img, place%Columns*Side, place/Columns*Side, Side, Side, uint64(place))
	}
	for b := Bed; b <= Glass; b++ {
		for sides := range 16 {
			c := tile(Joined(b, sides))
			switch b {
			case Bed:
				bed(c, sides)
			case Channel:
				channel(c, sides)
			case Brick:
				brickWall(c, sides)
			case Glass:
				glassWall(c, sides)
			}
		}
	}
	for place := Gravel; place < CrownFirst; place++ {
		single(tile(place), place)
	}
	for place := DoorGlass; place < emptyFirst; place++ {
		single(tile(place), place)
	}
	x, y := CrownFirst%Columns*Side, CrownFirst/Columns*Side
	crown(part(img, x, y, 3*Side, 3*Side, 77))
	x, y = BoilerFirst%Columns*Side, BoilerFirst/Columns*Side
	boiler(part(img, x, y, 2*Side, 2*Side, 78))
	return img
}

// PNG is the sheet as a file.
func PNG() ([]byte, error) { return file(Sheet()) }

func single(c canvas, place int) {
	switch {
	case place <= PavingDrain:
		ground(c, place)
	case place <= Grating:
		floor(c, place)
	case place <= WaterBloom:
		lily(c, place)
	case place <= BedLabel:
		plant(c, place)
	case place <= Sack:
		small(c, place)
	case place <= Cabinet:
		furniture(c, place)
	case place <= Coal:
		works(c, place)
	default:
		fitting(c, place)
	}
}
