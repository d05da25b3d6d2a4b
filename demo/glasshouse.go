package demo

import (
	"bytes"
	"fmt"
	"image"
	"image/png"

	"azzel/core/edit"
	"azzel/core/grid"
	"azzel/core/kind"
	"azzel/core/kinds/container"
	"azzel/core/kinds/conveyor"
	"azzel/core/kinds/decoration"
	"azzel/core/kinds/door"
	"azzel/core/kinds/gate"
	"azzel/core/kinds/person"
	"azzel/core/kinds/props"
	"azzel/core/kinds/sign"
	"azzel/core/kinds/switches"
	"azzel/core/logic"
	"azzel/core/talk"
	"azzel/core/words"
	"azzel/core/world"
	"azzel/demo/art"
)

// A room is a map being laid out.
type room struct {
	b     *builder
	m     *world.Map
	over  *world.Layer
	parts []edit.Part
}

func (b *builder) room(name string, x, y, w, h int) *room {
	m, layers := world.NewMap(name, grid.Point{X: x, Y: y}, grid.Rect{W: w, H: h}, b.ids)
	// There is room between them for what lies under the ground.
	layers[0].Order, layers[1].Order = 10, 20
	r := &room{b: b, m: m, over: layers[1]}
	r.parts = edit.PutMap(m, layers)
	return r
}

// layer puts a layer at an order: the ground is at 10, what is overhead at 20.
func (r *room) layer(l *world.Layer) world.ID {
	l.ID = r.b.ids.NewID()
	r.parts = append(r.parts, edit.Put{Ref: world.Ref{Sort: world.SortLayer, Map: r.m.ID, ID: l.ID}, Values: l.Values()})
	return l.ID
}

// opens lets the player walk over a side of the room.
func (r *room) opens(side int) {
	r.m.Edges[side] = world.EdgeOpen
	r.parts[0] = edit.Put{Ref: world.Ref{Sort: world.SortMap, ID: r.m.ID}, Values: r.m.Values()}
}

// picture is a layer that shows a picture behind all others, as far away as depth
// says.
func (r *room) picture(name string, order, depth int, draw func() ([]byte, error), how world.Backdrop) {
	body, err := draw()
	if err == nil {
		var size image.Config
		size, err = png.DecodeConfig(bytes.NewReader(body))
		how.W, how.H = size.Width, size.Height
	}
	if err == nil {
		var sums []string
		if sums, err = r.b.store.AddBlobs(r.b.ctx, r.b.project, body); err == nil {
			how.Picture = sums[0]
		}
	}
	if err != nil && r.b.err == nil {
		r.b.err = fmt.Errorf("the backdrop %s: %w", name, err)
	}
	r.layer(&world.Layer{Name: name, Order: order, DepthX: depth, DepthY: depth, Backdrop: how})
}

func (r *room) lay(layer world.ID, x, y, w, h int, place func(x, y int) int) {
	g := grid.BoxRegion(grid.Rect{X: x, Y: y, W: w, H: h}.Meet(r.m.Bounds))
	var runs grid.Runs
	for _, s := range g {
		for x := s.X0; x <= s.X1; x++ {
			runs = append(runs, grid.Run{N: 1, Cell: r.b.cell(place(x, s.Y))})
		}
	}
	r.parts = append(r.parts, edit.Paint{Map: r.m.ID, Layer: layer, Region: g, Cells: runs})
}

// empty takes away what lies on the ground.
func (r *room) empty(x, y, w, h int) {
	g := grid.BoxRegion(grid.Rect{X: x, Y: y, W: w, H: h})
	r.parts = append(r.parts, edit.Paint{Map: r.m.ID, Layer: r.m.PlayerLayer, Region: g, Cells: grid.Runs{{N: g.Len()}}})
}

func (r *room) box(x, y, w, h, place int) {
	r.lay(r.m.PlayerLayer, x, y, w, h, func(int, int) int { return place })
}

// mixed lays one of several tiles in each cell, by a hash of its place.
func (r *room) mixed(x, y, w, h int, places ...int) {
	r.lay(r.m.PlayerLayer, x, y, w, h, func(x, y int) int {
		n := uint32(x*73856093) ^ uint32(y*19349663)
		n ^= n >> 13
		n *= 0x5bd1e995
		return places[int(n>>16)%len(places)]
	})
}

// block lays a bond over some boxes of the ground.
func (r *room) block(b art.Block, boxes ...grid.Rect) { r.blockOn(r.m.PlayerLayer, b, boxes...) }

func (r *room) blockOn(layer world.ID, b art.Block, boxes ...grid.Rect) {
	for _, box := range boxes {
		g := grid.BoxRegion(box)
		centre := r.b.doc.Bond(r.b.bond[b]).Centre()
		r.parts = append(r.parts, edit.Paint{Map: r.m.ID, Layer: layer, Region: g, Cells: grid.Runs{{N: g.Len(), Cell: centre}}, Loose: g})
	}
}

// walls runs a wall round the room.
func (r *room) walls(b art.Block) {
	w, h := r.m.Bounds.W, r.m.Bounds.H
	r.block(b, grid.Rect{W: w, H: 1}, grid.Rect{Y: h - 1, W: w, H: 1}, grid.Rect{Y: 1, W: 1, H: h - 2}, grid.Rect{X: w - 1, Y: 1, W: 1, H: h - 2})
}

// bed lays a bed and plants what is given over all of it but its edge.
func (r *room) bed(x, y, w, h int, plants ...int) {
	r.block(art.Bed, grid.Rect{X: x, Y: y, W: w, H: h})
	r.mixed(x+1, y+1, w-2, h-2, plants...)
}

// palm plants a palm whose crown covers the three rows above its foot.
func (r *room) palm(x, y int) {
	r.box(x, y-1, 1, 2, art.Trunk)
	r.lay(r.over.ID, x-1, y-3, 3, 3, func(u, v int) int { return art.Crown(u-x+1, v-y+3) })
}

// line lays one thing after the other to the right.
func (r *room) line(x, y int, places ...int) {
	for i, place := range places {
		r.box(x+i, y, 1, 1, place)
	}
}

func (r *room) piece(of world.ID, name string, x, y int) { r.acting(of, name, x, y, "") }

// acting puts down a piece that acts otherwise than usual.
func (r *room) acting(of world.ID, name string, x, y int, set kind.Values) {
	r.actingAs(r.b.ids.NewID(), of, name, x, y, set)
}

// wire lets one piece keep another on while it is held.
func (r *room) wire(from, to world.ID) { r.wireOf(from, to, world.AnyOf) }

// wireOf is the same where so many of the wires that end at a piece must be on.
func (r *room) wireOf(from, to world.ID, of int) {
	w := &world.Wire{From: from, To: to, Of: of}
	r.parts = append(r.parts, edit.Put{Ref: edit.WireRef(r.b.ids.NewID()), Values: w.Values()})
}

// actingAs is the same for a piece that others name.
func (r *room) actingAs(id, of world.ID, name string, x, y int, set kind.Values) {
	if of == world.Collectible && set.Refers(props.Item) == 0 {
		set = set.With(props.OwnType.Refer(r.b.types.brass))
	}
	p := &world.Piece{Type: of, Name: name, Layer: r.m.PlayerLayer, Foot: r.m.FootOf(r.b.doc.Project.Lattice(), of, grid.Point{X: x, Y: y}), Props: set}
	r.parts = append(r.parts, edit.Put{Ref: world.Ref{Sort: world.SortPiece, Map: r.m.ID, ID: id}, Values: p.Values()})
}

// adorn puts down something that is there to be seen alone, on a layer.
func (r *room) adorn(layer world.ID, name string, x, y int, set kind.Values) {
	p := &world.Piece{Type: decoration.Kind.ID, Name: name, Layer: layer, Foot: r.m.FootOf(r.b.doc.Project.Lattice(), decoration.Kind.ID, grid.Point{X: x, Y: y}), Props: set}
	r.parts = append(r.parts, edit.Put{Ref: world.Ref{Sort: world.SortPiece, Map: r.m.ID, ID: r.b.ids.NewID()}, Values: p.Values()})
}

func (b *builder) join(a *room, ax, ay int, c *room, cx, cy int) {
	x := &world.Crossing{BothWays: true, Ends: [2]world.End{
		{Map: a.m.ID, Cells: grid.Rect{X: ax, Y: ay, W: 1, H: 1}}, {Map: c.m.ID, Cells: grid.Rect{X: cx, Y: cy, W: 1, H: 1}}}}
	b.step("join "+a.m.Name+" and "+c.m.Name, edit.Put{Ref: world.Ref{Sort: world.SortCrossing, ID: b.ids.NewID()}, Values: x.Values()})
}

// glasshouse lays out the maps and takes the first, empty one away.
func (b *builder) glasshouse() {
	first := b.doc.Maps[0]
	palm, yard, boiler, frames, roof, shaft, grotto := b.palmHouse(), b.yard(), b.boilerRoom(), b.coldFrames(), b.roofWalk(), b.pipeShaft(), b.fernGrotto()
	b.step("remove the first map", edit.Remove{Ref: world.Ref{Sort: world.SortMap, ID: first.ID}})
	for _, r := range []*room{palm, yard, boiler, frames, roof, shaft, grotto} {
		b.step("make "+r.m.Name, r.parts...)
	}
	b.join(yard, 33, 11, palm, 0, 9)
	b.join(palm, 17, 17, boiler, 9, 0)
	b.join(palm, 18, 0, roof, 19, 9)
	b.join(boiler, 12, 10, shaft, 1, 4)
	b.join(yard, 14, 21, grotto, 3, 0)
	b.scenes(boiler)
	b.byTheBoilers()
	b.logBook(boiler)
	b.watering(frames)
	b.toDo()
	b.soFar(yard, palm)
	b.dressPieces()
	b.keepReplays()
}

func (b *builder) palmHouse() *room {
	r := b.room("Palm house", 0, 0, 36, 18)
	// Nobody swings anything among the palms.
	plain := *r.m
	r.m.BarredArms = world.Striking | world.Shooting
	r.parts = append(r.parts, edit.Changes(world.Ref{Sort: world.SortMap, ID: r.m.ID}, plain.Values(), r.m.Values())...)
	r.mixed(0, 0, 36, 18, art.Gravel, art.GravelFine, art.Gravel, art.Gravel, art.GravelFine, art.GravelPebbles, art.Gravel, art.GravelFine, art.Gravel, art.GravelMoss, art.Gravel, art.GravelFine, art.GravelLeaves)
	r.walls(art.Glass)
	r.mixed(1, 8, 34, 2, art.Paving, art.Paving, art.PavingWorn, art.Paving, art.Paving, art.PavingMoss)
	r.mixed(17, 1, 2, 16, art.Paving, art.Paving, art.Paving, art.PavingWorn)
	// The channel lies in a layer under the ground, and the bridge on the ground covers it.
	water := r.layer(&world.Layer{Name: "Water", Order: 5, Counts: true})
	r.blockOn(water, art.Channel, grid.Rect{X: 26, Y: 1, W: 3, H: 16})
	for i, lily := range []int{art.WaterLily, art.WaterBloom, art.WaterBloom, art.WaterLily} {
		r.lay(water, 27, []int{3, 6, 12, 15}[i], 1, 1, func(int, int) int { return lily })
	}
	r.empty(26, 1, 3, 16)
	r.mixed(26, 8, 3, 2, art.Planks, art.Planks, art.PlanksWorn)
	for _, at := range [][2]int{{2, 2}, {10, 2}, {20, 2}, {30, 2}, {2, 11}, {10, 11}, {20, 11}, {30, 11}} {
		x, y := at[0], at[1]
		w := 6
		if x >= 20 {
			w = 5
		}
		if x >= 30 {
			w = 4
		}
		r.bed(x, y, w, 5, art.Fern, art.BroadLeaf, art.FernYoung, art.Fern, art.Moss, art.Orchid, art.BroadLeaf, art.FernYoung)
		r.palm(x+2, y+3)
		r.line(x+1, y+3, art.BedLabel)
	}
	for _, x := range []int{4, 12, 22, 32} {
		r.line(x, 7, art.Lamp)
		r.line(x, 10, art.Lamp)
	}
	r.line(8, 3, art.PotFern)
	r.line(16, 14, art.Can)
	r.line(0, 9, art.DoorGlass)
	r.line(17, 17, art.DoorGlass)
	r.line(18, 0, art.DoorGlass)
	r.piece(world.Collectible, "Label of the lady palm", 8, 5)
	r.piece(world.Collectible, "Label of the tree fern", 16, 12)
	r.piece(world.Collectible, "Label of the pitcher plant", 29, 14)
	labels := logic.Needs(logic.ItemCount, b.label, logic.AtLeast, 5)
	r.acting(world.Exit, "Night gate", 34, 8, kind.Set(labels.Set(props.Needs)))
	r.piece(world.Mark, "At the bridge", 24, 8)
	// Who has read three name plates knows which seeds to take: the cabinet opens then, and stays open.
	for _, plate := range []struct {
		x          int
		name, says string
	}{{6, "Name plate of the sago palm", "Cycas revoluta.\nOlder than the house, and in no hurry."}, {14, "Name plate of the bird's nest", "Asplenium nidus.\nLives on what falls into it."}, {24, "Name plate of the slipper", "Paphiopedilum.\nOpens once a year, by night."}} {
		r.acting(sign.Kind.ID, plate.name, plate.x, 7, kind.Set(props.OwnType.Refer(b.types.plate), words.Plain(plate.says).Set(props.Says)))
	}
	r.acting(container.Kind.ID, "Seed cabinet", 16, 7, kind.Set(container.By.Is(1), props.Item.Refer(b.seeds), logic.Needs(logic.FactValue, b.read, logic.AtLeast, 3).Set(props.Needs)))
	r.acting(person.Kind.ID, "Emil, who sweeps", 18, 13, kind.Set(props.SaysWhich.Is(props.SaysByChance), props.Manner.Is(2), props.Speed.Is(12), props.Straying.Is(2), b.says(
		talk.Saying{Text: words.Plain("Leaves. Every night, leaves.")},
		talk.Saying{Text: words.Plain("The bench by the palms is free, once you have three labels or the lamps burn.")},
		talk.Saying{Text: words.Plain("Mind the channel. The lilies hide the edge.")})))
	// Who has found some labels, or lit the lamps, may rest here.
	rest := logic.Condition{Ask: logic.Any, Terms: []logic.Condition{logic.Needs(logic.FactValue, b.found, logic.AtLeast, 3), logic.Needs(logic.FactValue, b.lit, logic.AtLeast, 1)}}
	r.acting(world.Checkpoint, "Bench by the palms", 15, 9, kind.Set(rest.Set(props.While)))
	// A belt along the wall takes bulbs to the can; baskets hang over the paths, and leaves drift on the water.
	r.acting(conveyor.Kind.ID, "Watering belt", 8, 16, conveyor.Kind.Placed.With(props.Width.Is(9), props.Speed.Is(12)))
	r.acting(world.Pushable, "Crate on the belt", 5, 16, "")
	sways := kind.Set(props.Stirs.Is(props.Sways), props.StirsBy.Is(12), props.StirsIn.Is(200))
	for _, at := range [][2]int{{9, 8}, {16, 4}, {21, 9}, {19, 15}} {
		r.adorn(r.over.ID, "Hanging basket", at[0], at[1], sways.With(props.Size.Is(130)))
	}
	for i, at := range [][2]int{{26, 4}, {28, 13}} {
		r.adorn(water, "Lily leaf", at[0], at[1], kind.Set(props.Stirs.Is(props.Bobs), props.StirsIn.Is(180), props.Turned.Is(40*i), props.Tint.Is(int(world.RGB(0xd8, 0xf0, 0xc8)))))
	}
	return r
}

func (b *builder) yard() *room {
	r := b.room("Potting yard", -42, 6, 34, 22)
	r.mixed(0, 0, 34, 22, art.Gravel, art.GravelFine, art.Gravel, art.GravelPebbles, art.Gravel, art.GravelFine, art.Gravel, art.GravelFine, art.Gravel, art.GravelLeaves, art.GravelFine)
	r.walls(art.Brick)
	r.mixed(13, 1, 2, 20, art.Paving, art.Paving, art.PavingWorn, art.PavingMoss)
	r.mixed(1, 10, 32, 3, art.Paving, art.Paving, art.Paving, art.PavingWorn)
	r.line(13, 11, art.PavingDrain)
	for _, y := range []int{2, 6} {
		r.bed(2, y, 10, 3, art.Seedlings, art.Seedlings, art.FernYoung, art.Seedlings)
		r.line(10, y+1, art.BedLabel)
	}
	for _, y := range []int{3, 7} {
		r.line(18, y, art.BenchLeft, art.Bench, art.Bench, art.BenchRight)
		r.line(23, y, art.Pot, art.PotFern, art.PotStack)
	}
	r.line(28, 1, art.CrateStack, art.Crate, art.Sack, art.Sack)
	r.line(32, 2, art.Crate)
	r.line(27, 8, art.BarrowLeft, art.BarrowRight)
	r.line(16, 8, art.Can, art.Broom)
	r.line(16, 1, art.Hose)
	r.line(17, 5, art.Puddle)
	r.bed(3, 15, 8, 5, art.Cactus, art.Moss, art.Cactus, art.BroadLeaf, art.Moss)
	r.palm(6, 18)
	r.block(art.Channel, grid.Rect{X: 19, Y: 15, W: 10, H: 5})
	r.line(21, 17, art.WaterLily)
	r.line(25, 16, art.WaterBloom)
	r.line(26, 18, art.WaterLily)
	for _, at := range [][2]int{{12, 9}, {12, 14}, {16, 14}, {30, 9}, {30, 14}} {
		r.line(at[0], at[1], art.Lamp)
	}
	r.line(33, 11, art.DoorBrick)
	// A shed for tools, with a door of its own.
	for _, wall := range []grid.Rect{{X: 28, Y: 2, W: 5, H: 1}, {X: 28, Y: 3, W: 1, H: 5}, {X: 29, Y: 7, W: 1, H: 1}, {X: 31, Y: 7, W: 2, H: 1}} {
		r.block(art.Brick, wall)
	}
	r.line(29, 3, art.Shelf, art.ShelfJars, art.Can, art.Broom)
	r.piece(world.Mark, "Tool shed", 30, 5)
	// A lever in another house opens it, and so does a plate inside, so that nobody is shut in.
	r.actingAs(b.shed, door.Kind.ID, "Door of the tool shed", 30, 7, kind.Set(props.Opens.Is(2)))
	plate := b.ids.NewID()
	r.actingAs(plate, switches.Kind.ID, "Plate in the tool shed", 30, 6, "")
	r.wire(plate, b.shed)
	// The same lever raises a grille in the wall at the back.
	grille := b.ids.NewID()
	r.line(28, 5, art.Gravel)
	r.actingAs(grille, gate.Kind.ID, "Grille of the tool shed", 28, 5, kind.Set(gate.In.Is(45), gate.Meets.Is(1)))
	r.wire(b.lever, grille)
	r.acting(container.Kind.ID, "Cabinet in the tool shed", 29, 5, kind.Set(container.By.Is(1), props.Item.Refer(b.fuse)))
	b.coldFrame(r)
	r.line(13, 0, art.Paving, art.PavingWorn)
	r.opens(world.SideTop)
	r.piece(world.Spawn, "", 4, 11)
	notice := words.Text{{Letters: "Night shift.\n\nBring five brass labels to the night gate in the palm house, so that we know what grows where. Found so far: "}, {Fact: b.found}, {Letters: "."}}
	r.acting(sign.Kind.ID, "Notice of the night shift", 6, 9, kind.Set(notice.Set(props.Says)))
	r.piece(world.Collectible, "Label of the seed bed", 12, 5)
	r.piece(world.Collectible, "Label of the water lily", 30, 18)
	// What lives in the leaves runs from who opens the bin.
	r.acting(container.Kind.ID, "Leaf bin", 19, 9, kind.Set(container.By.Is(1), world.Odds{world.OddsFoe: 1}.Prop(), props.Most.Is(2), props.Does.Is(props.Flees), props.Speed.Is(20), props.Who.Refer(b.creature[art.Beetle])))
	b.beetle(r, grid.Point{X: 17, Y: 2}, grid.Point{X: 22, Y: 2}, grid.Point{X: 22, Y: 5}, grid.Point{X: 17, Y: 5})
	return r
}

// coldFrame is a frame by the channel that opens while a crate stands on each of two plates; behind each of them is something to push it against.
func (b *builder) coldFrame(r *room) {
	lid := b.ids.NewID()
	r.block(art.Brick, grid.Rect{X: 23, Y: 13, W: 1, H: 2}, grid.Rect{X: 25, Y: 13, W: 1, H: 2})
	r.line(24, 14, art.GravelMoss)
	r.actingAs(lid, door.Kind.ID, "Lid of the cold frame", 24, 13, kind.Set(props.Opens.Is(2)))
	r.piece(world.Collectible, "Label of the cold frame", 24, 14)
	for _, of := range []struct {
		x    int
		side string
	}{{20, "left"}, {28, "right"}} {
		plate := b.ids.NewID()
		r.line(of.x, 14, art.PotStack)
		r.actingAs(plate, switches.Kind.ID, "Plate on the "+of.side, of.x, 13, kind.Set(switches.By.Is(switches.ByThing)))
		r.wireOf(plate, lid, world.AllOf)
		r.acting(world.Pushable, "Crate of bulbs on the "+of.side, of.x, 12, "")
	}
	r.acting(sign.Kind.ID, "Note on the cold frame", 22, 13, kind.Set(words.Plain("Cold frame.\nThe lid opens while both plates bear a crate.").Set(props.Says)))
}

func (b *builder) boilerRoom() *room {
	r := b.room("Boiler room", 5, 24, 24, 12)
	r.mixed(0, 0, 24, 12, art.Boards, art.Boards, art.Boards, art.BoardsWorn)
	r.box(1, 3, 22, 1, art.Grating)
	r.box(1, 8, 22, 1, art.Grating)
	r.walls(art.Brick)
	r.line(1, 1, art.Pipe, art.Valve, art.Pipe, art.Gauge, art.Pipe, art.Pipe, art.Valve)
	r.line(12, 1, art.Pipe, art.Gauge, art.Pipe, art.Pipe, art.Valve, art.Pipe, art.Pipe, art.Gauge, art.Pipe, art.Valve, art.Pipe)
	for _, x := range []int{3, 8, 14, 19} {
		for i := range 4 {
			r.line(x+i%2, 5+i/2, art.Boiler(i%2, i/2))
		}
		r.line(x+2, 6, art.Coal)
	}
	r.line(1, 10, art.Shelf, art.ShelfJars, art.Cabinet, art.Shelf)
	r.line(6, 10, art.Table, art.Stool)
	r.line(19, 10, art.Cabinet, art.Shelf, art.ShelfJars, art.Cabinet)
	r.line(12, 10, art.Hatch)
	r.line(9, 9, art.Rug)
	r.line(22, 5, art.Thermometer)
	r.line(9, 0, art.DoorBrick)
	r.actingAs(b.lever, switches.Kind.ID, "Lever by the boilers", 11, 8, kind.Set(switches.By.Is(switches.ByUse), switches.Then.Is(switches.Toggles)))
	r.wire(b.lever, b.shed)
	r.acting(person.Kind.ID, "Ottilie, who stokes", 14, 9, kind.Set(b.says(
		talk.Saying{While: logic.Needs(logic.FactValue, b.lit, logic.AtLeast, 1), Text: words.Plain("The lamps burn again! Even the moth has left us.")},
		talk.Saying{While: b.pulled(), Text: words.Plain("That was the lever of the tool shed, out in the yard. There is a fuse in the cabinet, if nobody took it.")},
		talk.Saying{Text: words.Plain("Good evening. Dark, is it not?\n\nThe lever beside me opens the tool shed in the potting yard. The lamps want a fuse.")})))
	r.piece(world.Collectible, "Label of the boiler vine", 21, 8)
	r.piece(world.Collectible, "Label without a plant", 2, 8)
	r.acting(world.Collectible, "Spare fuse", 12, 4, kind.Set(props.Item.Refer(b.fuse)).With(world.Change{Fact: b.lit}.Props()...))
	return r
}

// says is what somebody says.
func (b *builder) says(list ...talk.Saying) kind.Value {
	for i := range list {
		list[i].ID = b.ids.NewID()
	}
	return talk.List(list).Set(props.Sayings)
}

// pulled asks whether the lever by the boilers was pulled.
func (b *builder) pulled() logic.Condition {
	return logic.Condition{Ask: logic.InState, Subject: logic.Noun{Is: logic.Piece, Thing: b.lever}, Is: switches.Kind.States[1].Number}
}
