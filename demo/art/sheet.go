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

const rows = 13

// FirstFrame is the place of the first tile that is only a frame of another.
const FirstFrame = 10 * Columns

// WaterFrames is how many frames a tile of water has besides itself.
const WaterFrames = 2

// WaterFrame is the place of a frame, 1 to WaterFrames, of the water that joins
// along the sides.
func WaterFrame(frame, sides int) int { return FirstFrame + (frame-1)*Columns + sides }

// LampFrame is the place of the frame in which a lamp, Lamp or LampWall, burns
// low.
func LampFrame(lamp int) int { return FirstFrame + WaterFrames*Columns + lamp - Lamp }

// FrameOf is the tile that a place is a frame of, and which; 0 for the tile
// itself.
func FrameOf(place int) (tile, frame int) {
	if place < FirstFrame {
		return place, 0
	}
	if frame = (place-FirstFrame)/Columns + 1; frame <= WaterFrames {
		return Joined(Channel, place%Columns), frame
	}
	return Lamp + place%Columns, 1
}

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
				channel(c, sides, 0)
			case Brick:
				brickWall(c, sides)
			case Glass:
				glassWall(c, sides)
			}
		}
	}
	for frame := 1; frame <= WaterFrames; frame++ {
		for sides := range 16 {
			// The chance of the tile itself, so that its ripples move.
			c := tile(Joined(Channel, sides))
			c.area = tile(WaterFrame(frame, sides)).area
			channel(c, sides, frame)
		}
	}
	for _, lamp := range []int{Lamp, LampWall} {
		c := tile(lamp)
		c.area = tile(LampFrame(lamp)).area
		small(c, lamp)
		c.box(5, 3, 6, 3, straw)
		c.box(6, 3, 4, 2, brass)
		for _, ray := range [][2]int{{3, 3}, {2, 4}, {3, 5}, {12, 3}, {13, 4}, {12, 5}} {
			c.dot(ray[0], ray[1], gravel)
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
