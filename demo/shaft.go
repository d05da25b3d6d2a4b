package demo

import (
	"strings"

	"azzel/core/edit"
	"azzel/core/grid"
	"azzel/core/kind"
	"azzel/core/kinds/props"
	"azzel/core/kinds/spring"
	"azzel/core/world"
	"azzel/demo/art"
)

// shaftTiles brings in what is seen from the side.
func (b *builder) shaftTiles() error {
	picture, err := art.ShaftPNG()
	if err != nil {
		return err
	}
	set, err := b.tileset("Shaft", picture, b.shaft, art.ShaftTile)
	if err != nil {
		return err
	}
	b.bringIn(set)
	return b.err
}

// shaftRows is the pipe shaft as it is seen from the side: down a ladder, over a pit by a
// platform that goes to and fro, or above it from gantry to gantry; and a flooded cellar beside
// the way. 'D' is the door, 'o' a label, 'C' the checkpoint, 's' a slug, 'S' the spring, 'P'
// where the platform stands, 'x' thorns, 'L' the lamp at the door, where one can begin, 'T'
// the hoist under the roof, 'v' a joint that drips, 'g' a pane of glass, 'E' the way out.
var shaftRows = []string{
	"########################################",
	"#                 v                    #",
	"#          E  g                        #",
	"#         ------------      o  T ----  #",
	"#DL                                    #",
	"#######H##                -----        #",
	"#      H                               #",
	"#      H               ---     ---  ---#",
	"#      H                               #",
	"#      H          ---                  #",
	"#      H                               #",
	"#      H      ---                      #",
	"#      H                               #",
	"#      H    /##\\            C   s  S  o#",
	"###H#################P     #############",
	"#  H     ~~~#########      #############",
	"#  H    #~~~#########      #############",
	"#  Hx  ##~o~#########^^^^^^#############",
	"########################################",
	"########################################",
}

// pipeShaft is a map that is seen from the side.
func (b *builder) pipeShaft() *room {
	r := b.room("Pipe shaft", 5, 40, len(shaftRows[0]), len(shaftRows))
	r.m.SeenAs(world.SideView)
	r.m.Background = world.Background{Top: world.RGB(0x34, 0x3b, 0x42), Bottom: world.RGB(0x1d, 0x1b, 0x24)}
	r.parts = edit.PutMap(r.m, []*world.Layer{{ID: r.m.PlayerLayer, Name: "Ground", Order: 10, Counts: true}, r.over})
	back := r.layer(&world.Layer{Name: "Back wall", Order: 5})
	r.shaftCells(back, func(x, y int, _ rune) int {
		switch {
		case x%13 == 4:
			return art.ShaftBackPipe
		case x%9 == 6 && y%6 == 2:
			return art.ShaftBackLamp
		case (x*7+y*5)%23 == 3:
			return art.ShaftFern
		}
		return art.ShaftBack
	})
	solid := func(x, y int) bool { return y < 0 || strings.ContainsRune("#/\\", rune(shaftRows[y][x])) }
	r.shaftCells(r.m.PlayerLayer, func(x, y int, sign rune) int {
		switch sign {
		case '#':
			if solid(x, y-1) {
				return art.ShaftBrick
			}
			return art.ShaftLedge
		case 'H':
			return art.ShaftLadder
		case '-':
			return art.ShaftGantry
		case '/':
			return art.ShaftSlopeUp
		case '\\':
			return art.ShaftSlopeDown
		case '^':
			return art.ShaftSteam
		case '~':
			return art.ShaftWater
		case 'o':
			if y == 17 {
				return art.ShaftWater
			}
		}
		return -1
	})
	b.shaftPieces(r)
	r.piece(world.Mark, "Before the pit", 18, 13)
	r.piece(world.Mark, "Under the roof", 31, 2)
	// Up by the warm air to the way out.
	draught := &world.Area{Name: "Warm draught", Map: r.m.ID, Cells: grid.BoxRegion(grid.Rect{X: 37, Y: 1, W: 2, H: 6}), Forces: world.Forces{WindY: -100}}
	r.parts = append(r.parts, edit.Put{Ref: world.Ref{Sort: world.SortArea, ID: b.ids.NewID()}, Values: draught.Values()})
	return r
}

// shaftCells lays one tile of the shaft for each sign, none for −1.
func (r *room) shaftCells(layer world.ID, place func(x, y int, sign rune) int) {
	var g grid.Region
	var runs grid.Runs
	for y, row := range shaftRows {
		for x, sign := range row {
			if p := place(x, y, sign); p >= 0 {
				g = g.Append(y, x, x)
				runs = runs.Append(1, grid.Cell(r.b.shaft[p]))
			}
		}
	}
	r.parts = append(r.parts, edit.Paint{Map: r.m.ID, Layer: layer, Region: g, Cells: runs})
}

func (b *builder) shaftPieces(r *room) {
	labels := []string{"Label of the shaft fern", "Label of the pipe moss", "Label of the drowned orchid"}
	for y, row := range shaftRows {
		for x, sign := range row {
			switch sign {
			case 'o':
				r.piece(world.Collectible, labels[0], x, y)
				labels = labels[1:]
			case 'C':
				r.piece(world.Checkpoint, "Lamp in the shaft", x, y)
			case 'L':
				r.piece(world.Checkpoint, "Lamp at the hatch", x, y)
			case 'E':
				r.piece(world.Exit, "Way out of the shaft", x, y)
			case 'g':
				r.acting(world.Breakable, "Frosted pane", x, y, kind.Set(props.Bears.Is(2)))
			case 'v':
				r.acting(world.Emitter, "Dripping joint", x, y, kind.Set(props.Every.Is(110), world.Odds{world.OddsHazard: 1}.Prop()))
			case 'T':
				b.hoist(r, x, y)
			case 's':
				r.acting(world.Foe, "Night slug", x, y, kind.Set(props.Speed.Is(18)))
			case 'S':
				r.acting(world.Spring, "", x, y, kind.Set(spring.Height.Is(82)))
			case 'P':
				r.acting(world.MovingPlatform, "Maintenance lift", x+1, y, kind.Set(props.Width.Is(2), props.Speed.Is(10), props.Rest.Is(60), props.To.Is(4*art.Side, 0)))
			case 'x':
				r.piece(world.Hazard, "Thorns", x, y)
			}
		}
	}
}

// hoist is a platform that follows a track under the roof.
func (b *builder) hoist(r *room, x, y int) {
	l := b.doc.Project.Lattice()
	id := b.ids.NewID()
	rail := &world.Track{Name: "Rail under the roof", Map: r.m.ID}
	for _, c := range []grid.Point{{X: x - 3, Y: y - 1}, {X: x - 8, Y: y}} {
		rail.Points = append(rail.Points, r.m.FootOf(l, world.MovingPlatform, c))
	}
	r.parts = append(r.parts, edit.Put{Ref: world.Ref{Sort: world.SortTrack, ID: id}, Values: rail.Values()})
	r.acting(world.MovingPlatform, "Hoist", x, y, kind.Set(props.Width.Is(2), props.Speed.Is(12), props.Rest.Is(60), props.Track.Refer(id)))
}
