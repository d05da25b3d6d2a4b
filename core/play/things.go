package play

import (
	"cmp"
	"slices"
	"sort"

	"azzel/core/body"
	"azzel/core/kind"
	"azzel/core/kinds/props"
	"azzel/core/lists"
	"azzel/core/logic"
	"azzel/core/pack"
	"azzel/core/stage"
	"azzel/core/world"
)

// A Thing is what became of a piece that acts, or something that came out of an emitter.
type Thing = stage.Thing

// emitted is set in the ids of what came out of emitters, and in those of nothing else.
const emitted = stage.Emitted

// An actor is something that acts on the maps of the cast.
type actor struct {
	// at is where its Thing is among those of the state.
	at int
	of world.ID
	// box is where what it covers is among the boxes or floors of the ground, if it is solid.
	box int
	// carried says that it was taken along in this tick.
	carried bool
	// conveyed says that a belt has moved it in this tick.
	conveyed bool
	// absent says that it is not there now, because something does not hold; left that it went over an open edge to a map
	// where nothing acts now.
	absent, left bool
	// off says that it does nothing.
	off bool
	// home is the map of its piece.
	home  *world.Map
	piece *world.Piece
	// touched is what happens when the player touches it, nil for nothing.
	touched stage.Touched
	// used is what happens when the player uses it, nil for nothing.
	used   stage.Used
	struck stage.Struck
	// What the behaviour is handed comes last, as most of that is asked for less often.
	stage.Actor
}

// nothing is the kind of a lottery piece that drew nothing.
var nothing kind.Kind

// meet makes the things of the maps of the cast that are not there yet, and lists who
// acts there: by cell, type and number, so that neither ids nor the order of placing count.
func (g *Game) meet() {
	l := g.doc.Project.Lattice()
	m := g.ground.Map
	g.actors = g.actors[:0]
	for _, is := range g.castOf(g.ground) {
		if is.thing == nil {
			i, _ := g.thing(is.piece.ID)
			g.things = lists.Insert(g.things, i, Thing{ID: is.piece.ID, Place: footOf(is.piece), Heading: headingOf(is.piece, m.View)})
		}
	}
	for _, is := range g.castOf(g.ground) {
		p, t := is.piece, is.thing
		g.takeIn(is)
		lookOn(t, p, m.View)
		a := actor{Actor: stage.Actor{Foot: added(footOf(p), g.shift(is.home, m))}, piece: p, home: is.home}
		if t.From != 0 {
			came := &world.Piece{ID: t.ID, Type: t.Type, Foot: p.Foot, Props: p.All(), Number: int(t.ID &^ emitted)}
			// How often is how often something comes, not how often that shoots; what its emitter sets and
			// asks for is not its own.
			came.Props = came.Props.With(props.Every.Unset(), props.Power.Unset(), props.Starts.Unset()).With(world.Change{}.Props()...)
			came.SetWhile(logic.Condition{})
			a.piece = came
			g.actors = append(g.actors, a)
			continue
		}
		if _, fell := slices.BinarySearch(g.fallen, p.Refers(props.Who)); fell && p.Kind().Figure {
			t.Gone = true
		}
		if t.Type = p.Type; p.Kind().Drawn {
			t.Type = g.draw(is.home, p)
		}
		g.actors = append(g.actors, a)
	}
	platforms, solid := 0, 0
	for k := range g.actors {
		a := &g.actors[k]
		a.at, _ = g.thing(a.piece.ID)
		a.absent = g.absent[a.piece.ID]
		a.of, a.Acts, a.box = g.things[a.at].Type, stage.ActingOf(a.piece), -1
		a.off, a.Set = g.isOff(a.piece), a.piece.All()
		a.Size = g.sizeOf(a.of, a.piece, m.View)
		if a.Kind = kind.Of(a.of); a.Kind == nil {
			a.Kind = &nothing
		}
		a.touched, _ = a.Kind.Behaviour.(stage.Touched)
		a.used, _ = a.Kind.Behaviour.(stage.Used)
		a.struck, _ = a.Kind.Behaviour.(stage.Struck)
		a.Step = g.pace(a.Acts.Speed)
		a.Drive = body.NewDrive(l, world.Movement{Speed: max(1, a.Acts.Speed)}.Filled())
		a.Track = g.trackOf(a)
		if to, _ := g.followed(a); to != nil {
			a.Acts.Does = props.Patrols
		}
		if a.Area = g.doc.Area(a.Acts.Area); a.Area != nil && a.Area.Map != a.home.ID {
			a.Area = nil
		}
		a.Within = m.Origin.Sub(a.home.Origin)
		switch {
		case lies(a.of) && m.View == world.TopDown:
			a.box = platforms
			platforms++
		case isSolid(a.of):
			// Who goes about and is in nobody's way takes no box along.
			if !a.Kind.Ridden || !g.passable(a.home, a.piece) {
				a.box = solid
			}
			solid++
		}
	}
	if g.lifted != 0 && !slices.ContainsFunc(g.actors, func(a actor) bool { return a.piece.ID == g.lifted }) {
		g.lifted = 0
	}
	g.solidThings(g.ground)
	g.sortActors()
}

// lookOn lets a thing look to where its piece does if it looks to where nothing can on a map that is
// seen so.
func lookOn(t *Thing, p *world.Piece, view world.View) {
	if t.Heading < 0 && view == world.TopDown || t.Heading > 1 && view == world.SideView {
		t.Heading = headingOf(p, view)
	}
}

// seenAs lets a thing of a map that is seen otherwise from now on be at rest where it is.
func seenAs(t *Thing, p *world.Piece, view world.View) {
	t.Heading, t.Motion, t.Thrown, t.Left = headingOf(p, view), body.Motion{}, false, 0
}

// moved puts things where their pieces are by a change to another document, and lets those look
// elsewhere that are to. What became of them otherwise stays.
func (g *Game) moved(d *world.Document) {
	for _, m := range d.Maps {
		was := g.doc.Map(m.ID)
		if was == m {
			continue
		}
		for _, p := range m.Pieces {
			// Where another state to start in is set meanwhile, that counts.
			if k, there := g.stated(p.ID); there && was != nil {
				if old := was.Piece(p.ID); old != nil && old.Int(props.Own) != p.Int(props.Own) {
					g.states = slices.Delete(g.states, k, k+1)
				}
			}
			i, there := g.thing(p.ID)
			if !there {
				continue
			}
			from, old := was, (*world.Piece)(nil)
			if was != nil {
				k, _ := slices.BinarySearchFunc(was.Pieces, p.Number, func(p *world.Piece, n int) int { return cmp.Compare(p.Number, n) })
				if k < len(was.Pieces) && was.Pieces[k].ID == p.ID {
					old = was.Pieces[k]
				}
			}
			if old == nil {
				from, old = g.doc.Piece(p.ID)
			}
			t := &g.things[i]
			if from != nil && from.View != m.View {
				seenAs(t, p, m.View)
			}
			if old == nil || old == p {
				continue
			}
			if from.ID != m.ID || old.Foot != p.Foot {
				*t = Thing{ID: t.ID, Type: t.Type, Place: footOf(p), Heading: headingOf(p, m.View), Gone: t.Gone, Hits: t.Hits}
			} else if old.Int(props.Looks) != p.Int(props.Looks) {
				t.Heading = headingOf(p, m.View)
			}
		}
		if was != nil && was.View != m.View {
			for i := range g.things {
				if p := m.Piece(g.things[i].From); g.things[i].From != 0 && p != nil {
					seenAs(&g.things[i], p, m.View)
				}
			}
		}
	}
}

// sortActors puts the actors into their order and lists them by type.
func (g *Game) sortActors() {
	l := g.ground.Lattice
	sort.Slice(g.actors, func(i, j int) bool {
		a, b := &g.actors[i], &g.actors[j]
		x, y := a.Foot.Cell(l), b.Foot.Cell(l)
		return cmp.Or(cmp.Compare(x.Y, y.Y), cmp.Compare(x.X, y.X), cmp.Compare(a.piece.Type, b.piece.Type), cmp.Compare(a.piece.Number, b.piece.Number)) < 0
	})
	if g.by == nil {
		g.by = map[world.ID][]int{}
	}
	for of := range g.by {
		g.by[of] = g.by[of][:0]
	}
	g.riders.Reset(max(l.W, l.H))
	g.pushable = g.pushable[:0]
	g.hittable[0], g.hittable[1] = g.hittable[0][:0], g.hittable[1][:0]
	for k, a := range g.actors {
		g.by[a.of] = append(g.by[a.of], k)
		if a.Kind.Pushed {
			g.pushable = append(g.pushable, k)
		}
		switch {
		case a.Kind.Struck && a.Kind.Solid:
			g.hittable[1] = append(g.hittable[1], k)
		case a.Kind.Struck, a.struck != nil:
			g.hittable[0] = append(g.hittable[0], k)
		}
	}
}

// headingOf is where a piece looks at first.
func headingOf(p *world.Piece, view world.View) int {
	is := p.Int(props.Looks)
	looks := world.Facing(is - 1)
	switch {
	case is == 0:
		return 1
	case view == world.TopDown:
		return int(looks)
	case looks == world.West:
		return -1
	}
	return 1
}

// footOf is where the foot of a piece is at first.
func footOf(p *world.Piece) body.Place {
	return body.Place{X: p.Foot.X * body.Unit, Y: (p.Foot.Y + 1) * body.Unit}
}

// isSolid reports whether things of a type stop bodies.
func isSolid(of world.ID) bool { k := kind.Of(of); return k != nil && k.Solid }

// isHazard reports whether things of a type hurt where they are.
func isHazard(of world.ID) bool { k := kind.Of(of); return k != nil && k.Hurts && !k.Goes }

// lies reports whether things of a type lie below what stands on them, from above.
func lies(of world.ID) bool { k := kind.Of(of); return k != nil && k.Lies }

// sizeOf is the body of a piece that acts as one of a type.
func (g *Game) sizeOf(of world.ID, p *world.Piece, view world.View) body.Size {
	l := g.doc.Project.Lattice()
	k := kind.Of(of)
	if k == nil {
		k = &kind.Kind{}
	}
	if who := g.doc.Character(p.Refers(props.Who)); who != nil && k.Figure {
		return body.SizeOf(l, view, who.Movement)
	}
	extent := k.Side
	switch {
	case view == world.TopDown:
		extent = k.Above
	case k.SideOf != nil:
		extent = k.SideOf(p.All())
	}
	switch {
	case extent != kind.Extent{}:
		w, h := extent.Of(l.W, l.H)
		return body.Size{W: p.Width() * w, H: p.Height() * h}
	case view == world.TopDown:
		return body.PlayerSize(l)
	}
	return body.Size{W: max(2, l.W*5/8), H: max(2, l.H*3/4)}
}

// solidThings puts what is solid of the things of a map and its neighbours where bodies ask for it, in the order
// in which meet counts them.
func (g *Game) solidThings(of *body.Ground) {
	of.Boxes.Reset(max(of.Lattice.W, of.Lattice.H))
	of.Floors.Reset(max(of.Lattice.W, of.Lattice.H))
	for _, is := range g.castOf(of) {
		t := Thing{Type: is.piece.Type}
		if is.thing != nil {
			t = *is.thing
		}
		if t.From == 0 {
			if t.Type = is.piece.Type; is.piece.Kind().Drawn {
				t.Type = g.draw(is.home, is.piece)
			}
			t.Gone = t.Gone || g.absent[is.piece.ID] || isSolid(t.Type) && g.passable(is.home, is.piece)
		}
		t.Place = g.placeIn(is, of.Map)
		g.solidThing(of, is.piece, t)
	}
}

func (g *Game) solidThing(of *body.Ground, p *world.Piece, t Thing) {
	box := body.Nowhere
	if !t.Gone && (t.ID == 0 || t.ID != g.lifted) {
		box = g.sizeOf(t.Type, p, of.Map.View).Box(t.Place)
	}
	switch {
	case lies(t.Type) && of.Map.View == world.TopDown:
		of.Floors.Add(box)
	case isSolid(t.Type):
		of.Boxes.Add(box)
	}
}

// thing finds what became of a piece.
func (g *Game) thing(id world.ID) (int, bool) {
	return slices.BinarySearchFunc(g.things, id, func(t Thing, id world.ID) int { return cmp.Compare(t.ID, id) })
}

// there reports whether an actor is on the map to be met.
func (g *Game) there(a *actor) bool {
	t := &g.things[a.at]
	return !t.Gone && !a.absent && !a.left && t.ID != g.lifted
}

// random is a number from 0 to before n, from the state alone. (Steele, Lea and Flood, "Fast
// Splittable Pseudorandom Number Generators", 2014.)
func (g *Game) random(n int) int {
	g.seed += 0x9e3779b97f4a7c15
	return int(mixed(g.seed) % uint64(n))
}

func mixed(z uint64) uint64 {
	z = (z ^ z>>30) * 0xbf58476d1ce4e5b9
	z = (z ^ z>>27) * 0x94d049bb133111eb
	return z ^ z>>31
}

// Things are all of the cast, as it is now and in positions of the player's map, with how many cells wide it is, and
// its body.
func (g *Game) Things(each func(t Thing, cells int, size body.Size)) {
	for _, a := range g.actors {
		if t := g.things[a.at]; t.Type != 0 && !a.absent && !a.left {
			each(t, a.piece.Width(), a.Size)
		}
	}
}

// encodeThing writes a thing as canonical bytes.
func encodeThing(w *pack.Writer, t *Thing) {
	w.Uint(uint64(t.ID))
	w.Uint(uint64(t.From))
	w.Uint(uint64(t.Type))
	m := t.Motion
	for _, n := range []int{t.Place.X, t.Place.Y, t.Heading, t.Far, int(t.Rest), int(t.Left), int(t.Hits), int(t.Wait), m.VX, m.VY, m.RestX, m.RestY, int(m.Mode), m.Left, m.Asked} {
		w.Int(n)
	}
	for _, yes := range []bool{t.Gone, t.Back, t.Thrown, m.Rising, m.Thrown} {
		w.Bool(yes)
	}
}
