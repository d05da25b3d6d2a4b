package demo

import (
	"azzel/core/grid"
	"azzel/core/world"
	"azzel/demo/art"
)

func box(x, y, w, h int) grid.Rect { return grid.Rect{X: x, Y: y, W: w, H: h} }

// coldFrames is a yard of two by two screens; its lower edge opens to the potting yard.
func (b *builder) coldFrames() *room {
	r := b.room("Cold frames", -45, -18, 40, 24)
	r.mixed(0, 0, 40, 24, art.Gravel, art.GravelFine, art.Gravel, art.Gravel, art.GravelPebbles, art.Gravel, art.GravelFine, art.GravelMoss, art.Gravel, art.GravelLeaves)
	r.walls(art.Brick)
	r.mixed(16, 1, 2, 23, art.Paving, art.Paving, art.PavingWorn, art.Paving, art.PavingMoss)
	r.mixed(1, 11, 38, 2, art.Paving, art.Paving, art.Paving, art.PavingWorn)
	r.line(17, 12, art.PavingDrain)
	for _, y := range []int{2, 6, 14, 18} {
		for _, x := range []int{2, 9, 20, 27} {
			r.bed(x, y, 6, 3, art.Seedlings, art.FernYoung, art.Seedlings, art.Moss)
			r.line(x+4, y+1, art.BedLabel)
		}
	}
	r.bed(34, 2, 5, 7, art.BroadLeaf, art.Fern, art.Orchid, art.Fern)
	r.palm(36, 7)
	r.block(art.Channel, box(34, 15, 4, 6))
	r.line(35, 17, art.WaterLily)
	r.line(36, 19, art.WaterBloom)
	for _, x := range []int{14, 19} {
		r.line(x, 9, art.Lamp)
		r.line(x, 14, art.Lamp)
		r.line(x, 21, art.Lamp)
	}
	r.line(1, 1, art.CrateStack, art.Crate)
	r.line(1, 22, art.Sack, art.Sack, art.PotStack)
	r.line(38, 22, art.Crate)
	r.line(12, 10, art.Can, art.Broom)
	r.line(16, 23, art.Paving, art.PavingMoss)
	r.opens(world.SideBottom)
	r.piece(world.Collectible, "Label of the winter lettuce", 7, 10)
	r.piece(world.Collectible, "Label of the hardy fern", 33, 22)
	b.hedgehog(r, 8, 22, box(4, 21, 11, 2))
	return r
}

// roofWalk is a way between two rows of glass, with the night behind it.
func (b *builder) roofWalk() *room {
	r := b.room("Roof walk", 0, -15, 40, 12)
	r.picture("Night sky", 1, 80, art.SkyPNG, world.Backdrop{Stretch: true})
	r.picture("Clouds", 2, 70, art.CloudsPNG, world.Backdrop{Y: 14, RepeatX: true, DriftX: 5})
	r.picture("Trees", 3, 45, art.TreesPNG, world.Backdrop{Y: 120, RepeatX: true})
	r.mixed(1, 6, 38, 3, art.Boards, art.Boards, art.BoardsWorn, art.Boards)
	r.box(1, 7, 38, 1, art.Grating)
	r.block(art.Glass, box(0, 5, 40, 1), box(0, 9, 40, 1), box(0, 6, 1, 3), box(39, 6, 1, 3))
	for _, x := range []int{6, 30} {
		r.lay(r.over.ID, x, 4, 3, 3, func(u, v int) int { return art.Crown(u-x, v-4) })
	}
	r.line(4, 6, art.Cabinet, art.Shelf)
	r.line(13, 6, art.Stool)
	r.line(25, 6, art.ShelfJars, art.Shelf)
	r.line(35, 6, art.Thermometer)
	r.line(19, 9, art.DoorGlass)
	r.piece(world.Collectible, "Label of the moonflower", 2, 7)
	b.moth(r, 34, 7)
	return r
}
