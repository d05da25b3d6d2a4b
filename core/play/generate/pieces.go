package generate

import (
	"math/rand/v2"
	"slices"

	"azzel/core/grid"
	"azzel/core/kind"
	"azzel/core/kinds/props"
	"azzel/core/kinds/random"
	terms "azzel/core/logic/random"
	"azzel/core/world"
)

// gardener is who is played, and perhaps met; lantern is what they may have.
const (
	gardener = world.ID(3)<<32 | 1
	lantern  = world.ID(3)<<32 | 2
	lit      = world.ID(3)<<32 | 3
	caught   = world.ID(3)<<32 | 4
)

// asked are what conditions ask for: now and then something that is not there.
func asked(d *world.Document) terms.Things {
	gone := world.ID(3)<<32 | 99
	var pieces []world.ID
	for _, m := range d.Maps {
		for _, p := range m.Pieces {
			pieces = append(pieces, p.ID)
		}
	}
	return terms.Things{Facts: []world.ID{lit, caught, gone}, Items: []world.ID{lantern, gone}, Pieces: append(pieces, gone), Areas: []world.ID{gone}}
}

// facts lets a piece set a fact and be there, or let the player out, only while something holds, at random.
func facts(r *rand.Rand, d *world.Document, p *world.Piece) {
	if r.IntN(2) == 0 {
		p.Props = p.Props.With(world.Change{Fact: []world.ID{lit, caught}[r.IntN(2)], How: world.Setting(r.IntN(3)), By: r.IntN(3)}.Props()...)
	}
	switch r.IntN(8) {
	case 0:
		p.Props = p.Props.With(world.Single{Fact: []world.ID{lit, caught}[r.IntN(2)], Least: r.IntN(3), Not: r.IntN(2) == 0}.Props()...)
	case 1:
		p.Props = p.Props.With(world.Single{Item: lantern, Least: r.IntN(4), Not: r.IntN(2) == 0}.Props()...)
	case 2, 3:
		p.SetWhile(terms.Condition(r, asked(d), false, 3))
	}
	if p.Type == world.Exit && r.IntN(2) == 0 {
		p.SetNeeds(terms.Condition(r, asked(d), false, 2))
	}
	p.Props = p.Kind().Keeps(p.Props)
}

// typesToPlace are the types of which pieces are placed, those that do most more often; of kinds that came later, each once.
func typesToPlace() []world.ID {
	list := slices.Clone(actingTypes)
	for _, k := range kind.All() {
		if k.ID > world.Mark {
			list = append(list, k.ID)
		}
	}
	return list
}

var actingTypes = []world.ID{world.MovingPlatform, world.MovingPlatform, world.Foe, world.Foe, world.Spring, world.Hazard,
	world.Pushable, world.Pushable, world.Pushable, world.Breakable, world.Breakable, world.Emitter, world.Lottery, world.Mark, world.Exit, world.Collectible, world.Checkpoint}

// places makes a track and an area on a map.
func places(r *rand.Rand, m *world.Map, draft *world.Draft, ids *world.Counter) (track, area world.ID, err error) {
	l := draft.Document().Project.Lattice()
	t := &world.Track{Name: "Round", Map: m.ID, Round: r.IntN(2) == 0}
	for range 1 + r.IntN(4) {
		t.Points = append(t.Points, l.Foot(Cell(r, m)))
	}
	from := Cell(r, m)
	a := &world.Area{Name: "Draught", Map: m.ID, Forces: forces(r), Holds: r.IntN(3) == 0,
		Cells: grid.BoxRegion(grid.Rect{X: from.X, Y: from.Y, W: 1 + r.IntN(8), H: 1 + r.IntN(8)}.Meet(m.Bounds))}
	if r.IntN(3) == 0 {
		a.Zoom = 50 + r.IntN(150)
	}
	track, area = ids.NewID(), ids.NewID()
	if err := draft.Put(world.Ref{Sort: world.SortTrack, ID: track}, t.Values()); err != nil {
		return 0, 0, err
	}
	return track, area, draft.Put(world.Ref{Sort: world.SortArea, ID: area}, a.Values())
}

// acting is what a piece of a type sets, at random: often little, and often fast.
func acting(r *rand.Rand, of world.ID) kind.Values {
	k := kind.Of(of)
	v := random.Values(r, k).With(props.Does.Is(r.IntN(5)), props.Sight.Is(1+r.IntN(9)), props.Straying.Is(1+r.IntN(9)), props.Reach.Is(1+r.IntN(9)), props.Harm.Is(1+r.IntN(4)),
		props.Width.Is(1+r.IntN(4)), props.Every.Is(r.IntN(2)*(10+r.IntN(90))), props.Bears.Is(r.IntN(3)), props.Rest.Is(r.IntN(2)*r.IntN(60)), props.To.Is(r.IntN(120)-60, r.IntN(120)-60),
		world.Odds{r.IntN(2), r.IntN(2), r.IntN(3), r.IntN(3), r.IntN(3)}.Prop())
	if r.IntN(3) == 0 {
		// What needs nothing opens for anybody.
		v = v.With(props.Needs.Unset(), props.ShutsAfter.Is(r.IntN(60)), props.FillsAfter.Is(r.IntN(60)))
		if n := len(k.States); k.First != nil && r.IntN(2) == 0 {
			v = v.With(props.Own.Is(k.States[n-1].Number))
		}
	}
	if r.IntN(5) > 0 {
		v = v.With(props.Speed.Is(r.IntN(90)))
	}
	return k.Keeps(v)
}
