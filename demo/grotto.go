package demo

import (
	"azzel/core/edit"
	"azzel/core/grid"
	"azzel/core/kind"
	"azzel/core/kinds/props"
	"azzel/core/kinds/switches"
	"azzel/core/world"
	"azzel/demo/art"
)

// grottoRows is the fern grotto as it is seen from above. Two ideas: crates stop the seeds that
// the pitcher plant spits, and a raft crosses the pool; behind a crate one can ride over under
// fire. Beside the way, a pane of glass hides a label until a crate is thrown at it. 'c' is a
// crate, 'g' glass, 'o' a label, 'R' where the raft stands, 'P' the pitcher plant, '?' a lottery
// piece, 'C' the checkpoint at the door, 'E' the exit, against a draught, '*' ferns, 'v' a drain that
// lets slugs out.
var grottoRows = []string{
	"###D##############################",
	"#  C     *##########*o     *##   #",
	"#        *##########        ##   #",
	"#   ?     ##########   v         #",
	"#         ##########        ##   #",
	"#*        ##########*      *##   #",
	"#*       *########~~~~~~~~~~##*  #",
	"#        *########~~~~~~~~~~##   #",
	"#                 ~~~~~~~~~~     #",
	"#          c       R~~~~~~~~    P#",
	"#                 ~~~~~~~~~~     #",
	"#        *########~~~~~~~~~~##   #",
	"#        *########~~~~~~~~~~##   #",
	"####     *#################### ? #",
	"#o g    c *#E                    #",
	"####     **################### * #",
	"##################################",
}

// fernGrotto is a level of its own, seen from above.
func (b *builder) fernGrotto() *room {
	r := b.room("Fern grotto", -44, 33, len(grottoRows[0]), len(grottoRows))
	water := r.layer(&world.Layer{Name: "Water", Order: 5, Counts: true})
	r.mixed(0, 0, r.m.Bounds.W, r.m.Bounds.H, art.GravelMoss, art.Gravel, art.GravelMoss, art.GravelFine, art.GravelLeaves, art.GravelMoss, art.GravelPebbles)
	var walls, pool []grid.Rect
	for y, row := range grottoRows {
		for x, sign := range row {
			at := grid.Rect{X: x, Y: y, W: 1, H: 1}
			switch sign {
			case '#', 'D':
				walls = append(walls, at)
			case '~':
				pool = append(pool, at)
			case 'R':
				pool = append(pool, at)
			}
		}
	}
	r.block(art.Brick, walls...)
	r.blockOn(water, art.Channel, pool...)
	for _, at := range pool {
		r.empty(at.X, at.Y, 1, 1)
	}
	for y, row := range grottoRows {
		for x, sign := range row {
			if sign == '*' {
				r.line(x, y, art.PotFern)
			}
		}
	}
	r.line(3, 0, art.DoorBrick)
	b.grottoPieces(r)
	r.piece(world.Mark, "Before the pool", 15, 9)
	r.piece(world.Mark, "Beyond the pool", 30, 10)
	draught := &world.Area{Name: "Cold draught", Map: r.m.ID, Cells: grid.BoxRegion(grid.Rect{X: 12, Y: 14, W: 17, H: 1}), Forces: world.Forces{WindX: 46}}
	wind, shutter := b.ids.NewID(), b.ids.NewID()
	r.parts = append(r.parts, edit.Put{Ref: world.Ref{Sort: world.SortArea, ID: wind}, Values: draught.Values()})
	// Who finds the shutter need not walk against it.
	r.actingAs(shutter, switches.Kind.ID, "Shutter of the draught", 32, 15, kind.Set(switches.By.Is(switches.ByUse), switches.Then.Is(switches.Toggles)))
	shuts := &world.Wire{From: shutter, To: wind, Does: world.ChangesOver}
	r.parts = append(r.parts, edit.Put{Ref: edit.WireRef(b.ids.NewID()), Values: shuts.Values()})
	return r
}

func (b *builder) grottoPieces(r *room) {
	label := map[bool]string{true: "Label of the hart's tongue", false: "Label of the filmy fern"}
	for y, row := range grottoRows {
		for x, sign := range row {
			switch sign {
			case 'C':
				r.piece(world.Checkpoint, "Lamp in the grotto", x, y)
			case 'o':
				r.piece(world.Collectible, label[y < 5], x, y)
			case 'c':
				r.acting(world.Pushable, "Crate of pots", x, y, "")
			case 'g':
				r.acting(world.Breakable, "Frosted pane", x, y, "")
			case 'R':
				r.acting(world.MovingPlatform, "Raft of boards", x, y, kind.Set(props.Width.Is(3), props.Speed.Is(8), props.Rest.Is(180), props.To.Is(7*art.Side, 0)))
			case 'P':
				r.acting(world.Foe, "Pitcher plant", x, y, kind.Set(props.Does.Is(props.Stands), props.Every.Is(90), props.Looks.Is(int(world.West)+1), props.Reach.Is(40), props.Bears.Is(6)))
			case '?':
				r.acting(world.Lottery, "", x, y, kind.Set(props.Does.Is(props.Stands), world.Odds{world.OddsNothing: 2, world.OddsCollectible: 1}.Prop()))
			case 'E':
				r.piece(world.Exit, "Way out of the grotto", x, y)
			case 'v':
				b.drain(r, x, y)
			}
		}
	}
}

// drain lets slugs out that stay in the damp room round it.
func (b *builder) drain(r *room, x, y int) {
	id := b.ids.NewID()
	damp := &world.Area{Name: "Damp room", Map: r.m.ID, Cells: grid.BoxRegion(grid.Rect{X: 20, Y: 1, W: 8, H: 5})}
	r.parts = append(r.parts, edit.Put{Ref: world.Ref{Sort: world.SortArea, ID: id}, Values: damp.Values()})
	r.acting(world.Emitter, "Drain", x, y, kind.Set(props.Does.Is(props.Wanders), props.Speed.Is(10), props.Every.Is(240), props.Most.Is(2), props.Area.Refer(id), world.Odds{world.OddsNothing: 1, world.OddsFoe: 2}.Prop()))
}
