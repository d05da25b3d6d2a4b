// Package demo makes the demo project: the night shift in a botanical
// glasshouse. Its art is drawn by programs in this folder.
package demo

import (
	"context"
	"fmt"

	"azzel/core/edit"
	"azzel/core/grid"
	"azzel/core/raster"
	"azzel/core/tiles"
	"azzel/core/world"
	"azzel/demo/art"
	"azzel/store"
)

// Name is what the demo project is called.
const Name = "Night shift"

// session marks the demo's own steps in the log.
const session = 1

// Install puts the demo project in, unless a project of its name is there.
func Install(ctx context.Context, s *store.Store) error {
	list, err := s.Projects(ctx)
	if err != nil {
		return err
	}
	for _, p := range list {
		if p.Name == Name {
			return nil
		}
	}
	prefix, err := s.Prefix(ctx)
	if err != nil {
		return err
	}
	ids := &world.Counter{Prefix: prefix}
	start, err := world.Start(world.Project{Name: Name, CellW: art.Side, CellH: art.Side, SeenW: 20, SeenH: 12}, ids)
	if err != nil {
		return err
	}
	p, err := s.Create(ctx, start)
	if err != nil {
		return err
	}
	b := &builder{ctx: ctx, store: s, project: p.ID, doc: start, ids: ids, tile: map[int]int{}, bond: map[art.Block]world.ID{}, shaft: map[int]int{}}
	if err := b.shaftTiles(); err != nil {
		return err
	}
	if err := b.bringInFittings(); err != nil {
		return err
	}
	winter := season{"Glasshouse in winter", " in winter", map[int]int{}, map[art.Block]world.ID{}}
	summer := season{"Glasshouse", "", b.tile, b.bond}
	for _, take := range []struct {
		season
		picture func() ([]byte, error)
	}{{winter, art.WinterPNG}, {summer, art.PNG}} {
		picture, err := take.picture()
		if err != nil {
			return err
		}
		if err := b.season(take.season, picture); err != nil {
			return err
		}
	}
	b.joined(summer)
	b.joined(winter)
	if err := b.gardener(); err != nil {
		return err
	}
	if err := b.bringInCreatures(); err != nil {
		return err
	}
	b.medleys()
	b.makeTypes()
	b.glasshouse()
	return b.err
}

// does says what the tile at a place of the sheet does.
func does(place int) *tiles.Properties {
	name := art.Name(place)
	place, _ = art.FrameOf(place)
	p := tiles.Wall.Properties()
	block := art.Block(place % art.Columns / 4)
	switch {
	case place < art.Gravel && block == art.Channel || place == art.WaterLily || place == art.WaterBloom:
		p = tiles.Water.Properties()
	case place < art.Gravel:
	case place >= art.Paving && place <= art.PavingDrain || place == art.DoorGlass || place == art.DoorBrick:
		p = tiles.Path.Properties()
	case place <= art.Grating || place == art.Rug || place == art.Puddle:
		p = tiles.Ground.Properties()
	case place >= art.Crown(0, 0) && place%art.Columns < 3:
		p = tiles.Overhead.Properties()
	case place >= art.Fern && place <= art.BedLabel:
		p = tiles.Decoration.Properties()
		p.Solid = tiles.Whole
	}
	p.Name = name
	return &p
}

// take cuts a picture drawn by art and stores it with its tiles.
func (b *builder) take(picture []byte, cut tiles.Cut) (strip *tiles.Strip, sums []string, err error) {
	img, err := raster.Decode(picture)
	if err != nil {
		return nil, nil, err
	}
	if strip, err = tiles.Take(img, cut); err != nil {
		return nil, nil, err
	}
	sums, err = b.store.AddBlobs(b.ctx, b.project, picture, strip.Encode())
	return strip, sums, err
}

// A season is a tileset of the glasshouse, with the numbers of its tiles by their
// place in the sheet, and its bonds.
type season struct {
	name, suffix string
	tile         map[int]int
	bond         map[art.Block]world.ID
}

// season brings in a picture of the sheet's layout.
func (b *builder) season(of season, picture []byte) error {
	set, err := b.tileset(of.name, picture, of.tile, does)
	if err != nil {
		return err
	}
	of.animate(set)
	b.bringIn(set)
	return b.err
}

// tileset cuts a picture and says of its tiles, by place, which numbers they have and what they
// do.
func (b *builder) tileset(name string, picture []byte, tile map[int]int, does func(place int) *tiles.Properties) (*world.Tileset, error) {
	cut := tiles.Cut{W: art.Side, H: art.Side}
	strip, sums, err := b.take(picture, cut)
	if err != nil {
		return nil, err
	}
	first, _, err := b.store.ReserveTiles(b.ctx, b.project, len(strip.Places))
	if err != nil {
		return nil, err
	}
	set := &world.Tileset{Name: name, Picture: sums[0], Strip: sums[1], First: first, Count: len(strip.Places),
		Columns: strip.Columns, Rows: strip.Rows, Cut: cut, Places: strip.Places}
	for i, place := range strip.Places {
		tile[place] = first + i
		set.Tiles = append(set.Tiles, does(place))
	}
	return set, nil
}

func (b *builder) bringIn(set *world.Tileset) {
	b.step("import "+set.Name, edit.Put{Ref: world.Ref{Sort: world.SortTileset, ID: b.ids.NewID()}, Values: set.Values()})
}

// animate lets the water of a tileset move and its lamps flicker.
func (of season) animate(set *world.Tileset) {
	frames := func(place int, list ...tiles.Frame) {
		set.Tiles[of.tile[place]-set.First].Animation = &tiles.Animation{Frames: list}
	}
	for sides := range 16 {
		still, one, two := of.tile[art.Joined(art.Channel, sides)], of.tile[art.WaterFrame(1, sides)], of.tile[art.WaterFrame(2, sides)]
		frames(art.Joined(art.Channel, sides), tiles.Frame{Tile: still, Millis: 450}, tiles.Frame{Tile: one, Millis: 350}, tiles.Frame{Tile: two, Millis: 450}, tiles.Frame{Tile: one, Millis: 350})
	}
	for _, lamp := range []int{art.Lamp, art.LampWall} {
		bright, low := of.tile[lamp], of.tile[art.LampFrame(lamp)]
		frames(lamp, tiles.Frame{Tile: bright, Millis: 1900}, tiles.Frame{Tile: low, Millis: 120}, tiles.Frame{Tile: bright, Millis: 700}, tiles.Frame{Tile: low, Millis: 90})
	}
}

// gardener brings in the character that is played.
func (b *builder) gardener() error {
	picture, err := art.GardenerPNG()
	if err != nil {
		return err
	}
	_, sums, err := b.take(picture, tiles.Cut{W: art.GardenerWidth, H: art.GardenerHeight})
	if err != nil {
		return err
	}
	knife := b.ids.NewID()
	for _, id := range []*world.ID{&b.label, &b.fuse, &b.found, &b.lit, &b.lever, &b.shed, &b.seeds, &b.read} {
		*id = b.ids.NewID()
	}
	b.step("say what there is to have", edit.Put{Ref: world.Ref{Sort: world.SortItem, ID: b.label}, Values: (&world.Item{Name: "Brass label"}).Values()},
		edit.Put{Ref: world.Ref{Sort: world.SortItem, ID: knife}, Values: (&world.Item{Name: "Grafting knife", Most: 1}).Values()},
		edit.Put{Ref: world.Ref{Sort: world.SortItem, ID: b.fuse}, Values: (&world.Item{Name: "Fuse", Most: 3}).Values()},
		edit.Put{Ref: world.Ref{Sort: world.SortItem, ID: b.seeds}, Values: (&world.Item{Name: "Packet of seeds"}).Values()})
	b.step("say what is remembered", edit.Put{Ref: world.Ref{Sort: world.SortFact, ID: b.found}, Values: (&world.Fact{Name: "Labels found", Counts: true}).Values()},
		edit.Put{Ref: world.Ref{Sort: world.SortFact, ID: b.lit}, Values: (&world.Fact{Name: "Lamps lit"}).Values()},
		edit.Put{Ref: world.Ref{Sort: world.SortFact, ID: b.read}, Values: (&world.Fact{Name: "Name plates read", Counts: true, Most: 3}).Values()})
	c := &world.Character{ID: b.ids.NewID(), Name: "Gardener", Begins: []world.Stock{{Item: knife, Count: 1}}, Picture: sums[0], Strip: sums[1], W: art.GardenerWidth, H: art.GardenerHeight,
		Count: 22, Poses: gardenerPoses(),
		Movement: world.Movement{Arms: world.Striking | world.Shooting, Jump: 33, Air: 40}}
	seen := b.doc.Project
	seen.Camera = world.Camera{FreeW: 12, FreeH: 16, Ahead: 12, Shake: 4}
	b.step("let the camera look ahead", edit.Changes(world.Ref{Sort: world.SortProject}, b.doc.Project.Values(), seen.Values())...)
	b.step("bring in the gardener", edit.Put{Ref: world.Ref{Sort: world.SortCharacter, ID: c.ID}, Values: c.Values()},
		edit.Change{Ref: world.Ref{Sort: world.SortProject}, Value: world.IDValue(world.FieldPlayer, c.ID)})
	return nil
}

// gardenerPoses say what the rows of the gardener's sheet show.
func gardenerPoses() []world.Pose {
	var list []world.Pose
	next := 0
	row := func(act world.Act, facing world.Facing, frames, ticks int) {
		p := world.Pose{Act: act, Facing: facing, Ticks: ticks}
		for range frames {
			p.Frames = append(p.Frames, next)
			next++
		}
		list = append(list, p)
	}
	for f := world.South; f <= world.North; f++ {
		row(world.ActWalk, f, art.GardenerFrames, world.UsualPoseTicks)
	}
	row(world.ActJump, world.East, 2, 10)
	row(world.ActFall, world.East, 1, 10)
	row(world.ActClimb, world.North, 2, 12)
	row(world.ActHurt, world.South, 1, 10)
	return list
}

// medleys are what ground is laid with.
func (b *builder) medleys() {
	for _, m := range []struct {
		name     string
		mirrored bool
		tiles    [][2]int
	}{
		{"Gravel walk", true, [][2]int{{art.Gravel, 50}, {art.GravelFine, 35}, {art.GravelPebbles, 8}, {art.GravelMoss, 4}, {art.GravelLeaves, 3}}},
		{"Fallen leaves", true, [][2]int{{art.GravelLeaves, 6}, {art.GravelMoss, 2}, {art.GravelFine, 2}}},
		{"Old paving", false, [][2]int{{art.Paving, 70}, {art.PavingWorn, 20}, {art.PavingMoss, 10}}},
		{"Bed of ferns", false, [][2]int{{art.Fern, 4}, {art.FernYoung, 3}, {art.BroadLeaf, 3}, {art.Moss, 2}, {art.Orchid, 1}}},
	} {
		medley := &world.Medley{Name: m.name, Medley: tiles.Medley{Mirrored: m.mirrored}}
		for _, t := range m.tiles {
			medley.Tiles = append(medley.Tiles, tiles.Weighted{Tile: b.tile[t[0]], Weight: t[1]})
		}
		b.step("make "+m.name, edit.Put{Ref: world.Ref{Sort: world.SortMedley, ID: b.ids.NewID()}, Values: medley.Values()})
	}
}

// joined are the bonds that beds, water and walls are laid with.
func (b *builder) joined(of season) {
	for _, block := range []art.Block{art.Bed, art.Channel, art.Brick, art.Glass} {
		of.bond[block] = b.ids.NewID()
	}
	for _, kind := range []struct {
		block   art.Block
		name    string
		also    []int
		joinsTo []world.ID
	}{
		{art.Bed, "Bed", nil, nil},
		{art.Channel, "Water", []int{art.WaterLily, art.WaterBloom, art.Planks, art.PlanksWorn}, []world.ID{of.bond[art.Glass]}},
		{art.Brick, "Brick wall", []int{art.DoorBrick}, nil},
		{art.Glass, "Glass wall", []int{art.DoorGlass}, nil},
	} {
		bond := &world.Bond{ID: of.bond[kind.block], Name: kind.name + of.suffix, JoinsTo: kind.joinsTo}
		for sides := range 16 {
			bond.Tiles = append(bond.Tiles, tiles.Bonded{Tile: of.tile[art.Joined(kind.block, sides)], Joined: tiles.Neighbours(sides), Weight: 1})
		}
		for _, place := range kind.also {
			bond.Also = append(bond.Also, of.tile[place])
		}
		b.step("make "+bond.Name, edit.Put{Ref: world.Ref{Sort: world.SortBond, ID: bond.ID}, Values: bond.Values()})
	}
}

// A builder makes the demo step by step, as a designer would.
type builder struct {
	ctx     context.Context
	store   *store.Store
	project int64
	doc     *world.Document
	ids     *world.Counter
	// tile is the number of the tile at each place of the sheet.
	tile map[int]int
	bond map[art.Block]world.ID
	// shaft is the same of the sheet of the pipe shaft.
	shaft map[int]int
	// fitting is the same of the fittings.
	fitting  map[int]int
	creature map[art.Creature]world.ID
	// label and fuse are the items that collectibles give, seeds what the seed cabinet does; found is the fact that counts the labels,
	// lit that which says whether the lamps are, read that which counts the name plates that were read.
	label, fuse, seeds, found, lit, read world.ID
	types                                ownTypes
	// lever is the switch that opens the tool shed, shed the door of that.
	lever, shed world.ID
	done        uint64
	err         error
}

func (b *builder) step(label string, parts ...edit.Part) {
	if b.err != nil {
		return
	}
	e := edit.Edit{Label: label, Parts: parts}
	res, err := edit.Apply(b.doc, e)
	if err != nil {
		b.err = fmt.Errorf("%s: %w", label, err)
		return
	}
	b.done++
	b.err = b.store.Append(b.ctx, store.Step{Project: b.project, Session: session, Sequence: b.done, Revision: b.done,
		Label: label, Body: e.Encode(), Inverse: edit.EncodeParts(res.Inverse)}, b.doc, res.Document)
	b.doc = res.Document
}

// cell is the cell of a place of the sheet.
func (b *builder) cell(place int) grid.Cell { return grid.Cell(b.tile[place]) }
