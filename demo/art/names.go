package art

import "fmt"

var names = map[int]string{
	Gravel: "gravel", GravelFine: "fine gravel", GravelPebbles: "gravel with pebbles", GravelMoss: "mossy gravel", GravelLeaves: "gravel with leaves",
	Paving: "paving", PavingWorn: "worn paving", PavingMoss: "mossy paving", PavingDrain: "drain", Planks: "planks", PlanksWorn: "worn planks",
	Boards: "floorboards", BoardsWorn: "worn floorboards", Grating: "grating", WaterLily: "water lily", WaterBloom: "water lily in bloom",
	Fern: "fern", FernYoung: "young ferns", BroadLeaf: "broad leaves", Seedlings: "seedlings", Orchid: "orchids", Cactus: "cactus", Moss: "moss",
	Trunk: "palm trunk", BedLabel: "bed label", Lamp: "lamp", LampWall: "lamp on paving", Pot: "pot", PotFern: "potted fern", PotStack: "pots, stacked",
	Can: "watering can", Sack: "sack", Crate: "crate", CrateStack: "crates", BenchLeft: "bench, left end", Bench: "bench", BenchRight: "bench, right end",
	BarrowLeft: "barrow", BarrowRight: "barrow, handles", Shelf: "book shelf", ShelfJars: "jars", Cabinet: "cabinet", Pipe: "pipe", PipeUp: "pipe, upright",
	PipeBend: "pipe, bend", Valve: "valve", Gauge: "gauge", Coal: "coal", DoorGlass: "glass door", DoorBrick: "brick door", Hatch: "hatch", Hose: "hose",
	Rug: "rug", Puddle: "puddle", Table: "table", Stool: "stool", Thermometer: "thermometer", Broom: "broom",
}

// Name is what the tile at a place of the sheet is called.
func Name(place int) string {
	if tile, frame := FrameOf(place); frame > 0 {
		return fmt.Sprintf("%s, frame %d", Name(tile), frame+1)
	}
	if name := names[place]; name != "" {
		return name
	}
	x, y := place%Columns, place/Columns
	switch {
	case y < 4:
		part := [4][4]string{
			{"upper left", "upper edge", "upper right", "upper end"},
			{"left edge", "middle", "right edge", "upright"},
			{"lower left", "lower edge", "lower right", "lower end"},
			{"left end", "level", "right end", "alone"},
		}[y][x%4]
		return fmt.Sprintf("%s, %s", [4]string{"bed", "water", "brick wall", "glass wall"}[x/4], part)
	case x < 3:
		return fmt.Sprintf("palm crown, row %d, column %d", y-Crown(0, 0)/Columns+1, x+1)
	}
	first := Boiler(0, 0)
	return fmt.Sprintf("boiler, row %d, column %d", y-first/Columns+1, x-first%Columns+1)
}
