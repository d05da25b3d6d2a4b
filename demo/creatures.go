package demo

import (
	"fmt"

	"azzel/core/edit"
	"azzel/core/grid"
	"azzel/core/kind"
	"azzel/core/kinds/props"
	"azzel/core/tiles"
	"azzel/core/world"
	"azzel/demo/art"
)

// bringInCreatures makes characters of the animals of the night.
func (b *builder) bringInCreatures() error {
	b.creature = map[art.Creature]world.ID{}
	for _, of := range []struct {
		is    art.Creature
		name  string
		moves world.Movement
		ticks int
	}{
		{art.Moth, "Lamp moth", world.Movement{AboveW: 8, AboveH: 6}, 7},
		{art.Hedgehog, "Hedgehog", world.Movement{AboveW: 12, AboveH: 6}, 10},
		{art.Beetle, "Rose beetle", world.Movement{AboveW: 12, AboveH: 6}, 10},
	} {
		picture, err := of.is.PNG()
		if err != nil {
			return err
		}
		_, sums, err := b.take(picture, tiles.Cut{W: art.CreatureWidth, H: art.CreatureHeight})
		if err != nil {
			return fmt.Errorf("%s: %w", of.name, err)
		}
		id := b.ids.NewID()
		b.creature[of.is] = id
		c := &world.Character{Name: of.name, Picture: sums[0], Strip: sums[1], W: art.CreatureWidth, H: art.CreatureHeight, Count: art.CreatureFrames,
			Poses: []world.Pose{{Act: world.ActWalk, Facing: world.East, Frames: []int{0, 1}, Ticks: of.ticks}}, Movement: of.moves}
		b.step("import "+of.name, edit.Put{Ref: world.Ref{Sort: world.SortCharacter, ID: id}, Values: c.Values()})
	}
	return b.err
}

// moth follows who comes near it, until the lamps are lit.
func (b *builder) moth(r *room, x, y int) {
	r.acting(world.Foe, "", x, y, kind.Set(props.OwnType.Refer(b.types.moth)))
}

// hedgehog flees from who comes near, and keeps to a corner of the room.
func (b *builder) hedgehog(r *room, x, y int, corner grid.Rect) {
	id := b.ids.NewID()
	area := &world.Area{Name: "Hedgehog's corner", Map: r.m.ID, Cells: grid.BoxRegion(corner)}
	r.parts = append(r.parts, edit.Put{Ref: world.Ref{Sort: world.SortArea, ID: id}, Values: area.Values()})
	r.acting(world.Foe, "", x, y, kind.Set(props.Who.Refer(b.creature[art.Hedgehog]), props.Does.Is(props.Flees), props.Speed.Is(30), props.Sight.Is(5), props.Area.Refer(id)))
}

// beetle goes round and round past some cells.
func (b *builder) beetle(r *room, cells ...grid.Point) {
	l := b.doc.Project.Lattice()
	id := b.ids.NewID()
	round := &world.Track{Name: "Round of the beetle", Map: r.m.ID, Round: true}
	for _, c := range cells[1:] {
		round.Points = append(round.Points, r.m.FootOf(l, world.Foe, c))
	}
	r.parts = append(r.parts, edit.Put{Ref: world.Ref{Sort: world.SortTrack, ID: id}, Values: round.Values()})
	r.acting(world.Foe, "", cells[0].X, cells[0].Y, kind.Set(props.Who.Refer(b.creature[art.Beetle]), props.Speed.Is(14), props.Track.Refer(id), props.OnReturn.Is(props.BeginsAnew)))
}
