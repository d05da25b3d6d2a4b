package play

import (
	"cmp"
	"slices"

	"azzel/core/body"
	"azzel/core/grid"
	"azzel/core/pack"
	"azzel/core/world"
)

// A Thing is what became of a piece that acts.
type Thing struct {
	ID    world.ID
	Place body.Place
	// Way is where it goes: −1 or 1 in side-view, a facing from above.
	Way int
	// Gone says that it was defeated.
	Gone bool
	// far is how much of its way a platform has gone, in positions, back that it comes back.
	far  int
	back bool
	// motion is how it moves in side-view; left for how many ticks it still wanders this way.
	motion body.Motion
	left   int
}

// An actor is a piece that acts on the player's map.
type actor struct {
	piece *world.Piece
	acts  world.Acting
	size  body.Size
	drive body.Drive
	// at is where its Thing is among those of the state, box where what it covers is among the
	// boxes of the ground, for a platform.
	at, box int
}

// meet makes the things of the map the player is on that are not there yet, and lists who
// acts there: by cell, type and number, so that neither ids nor the order of placing count.
func (g *Game) meet() {
	l := g.doc.Project.Lattice()
	g.actors = g.actors[:0]
	platforms := 0
	for _, p := range g.ground.Map.Pieces {
		if world.Acts(p.Type) {
			a := actor{piece: p, acts: p.Filled(), size: sizeOfPiece(l, p, g.ground.Map.View), box: platforms}
			if p.Type == world.MovingPlatform {
				platforms++
			}
			a.drive = body.NewDrive(l, world.Movement{Speed: max(1, a.acts.Speed)}.Filled())
			g.actors = append(g.actors, a)
		}
	}
	slices.SortFunc(g.actors, func(a, b actor) int {
		x, y := l.CellAt(a.piece.Foot), l.CellAt(b.piece.Foot)
		return cmp.Or(cmp.Compare(x.Y, y.Y), cmp.Compare(x.X, y.X), cmp.Compare(a.piece.Type, b.piece.Type), cmp.Compare(a.piece.Number, b.piece.Number))
	})
	for _, a := range g.actors {
		i, there := g.thing(a.piece.ID)
		if !there {
			g.things = slices.Insert(g.things, i, Thing{ID: a.piece.ID, Place: footOf(a.piece), Way: 1})
		}
	}
	for k := range g.actors {
		a := &g.actors[k]
		a.at, _ = g.thing(a.piece.ID)
	}
	g.solidThings(g.ground)
}

// footOf is where the foot of a piece is at first.
func footOf(p *world.Piece) body.Place {
	return body.Place{X: p.Foot.X * body.Unit, Y: (p.Foot.Y + 1) * body.Unit}
}

// sizeOfPiece is the body of a piece that acts.
func sizeOfPiece(l grid.Lattice, p *world.Piece, view world.View) body.Size {
	switch p.Type {
	case world.MovingPlatform:
		return body.Size{W: p.Width() * l.W, H: max(1, l.H/2)}
	case world.Spring:
		return body.Size{W: max(2, l.W*3/4), H: max(2, l.H/2)}
	}
	if view == world.TopDown {
		return body.PlayerSize(l)
	}
	return body.Size{W: max(2, l.W*5/8), H: max(2, l.H*3/4)}
}

// solidThings puts what is solid of the things of a map where bodies ask for it, in the order
// of its pieces.
func (g *Game) solidThings(of *body.Ground) {
	l := of.Lattice
	of.Boxes = of.Boxes[:0]
	for _, p := range of.Map.Pieces {
		if p.Type != world.MovingPlatform {
			continue
		}
		at := footOf(p)
		if i, there := g.thing(p.ID); there {
			at = g.things[i].Place
		}
		of.Boxes = append(of.Boxes, sizeOfPiece(l, p, of.Map.View).Box(at))
	}
}

// thing finds what became of a piece.
func (g *Game) thing(id world.ID) (int, bool) {
	return slices.BinarySearchFunc(g.things, id, func(t Thing, id world.ID) int { return cmp.Compare(t.ID, id) })
}

// movePlatforms lets all platforms of the map go on, with who stands on them.
func (g *Game) movePlatforms() {
	on := g.mapID
	for _, a := range g.actors {
		if a.piece.Type != world.MovingPlatform {
			continue
		}
		t := &g.things[a.at]
		was := a.size.Box(t.Place)
		t.glide(g, a)
		is := a.size.Box(t.Place)
		g.ground.Boxes[a.box] = is
		if g.carry(was, is); g.mapID != on {
			// One was set down on another map.
			return
		}
	}
}

// glide moves a platform along its way, to and fro.
func (t *Thing) glide(g *Game, a actor) {
	from := footOf(a.piece)
	dx, dy := a.acts.ToX*body.Unit, a.acts.ToY*body.Unit
	length := grid.Root(dx>>4*(dx>>4)+dy>>4*(dy>>4)) << 4
	if length == 0 {
		t.Place = from
		return
	}
	step := g.pace(a.acts.Speed)
	if t.back {
		t.far -= step
	} else {
		t.far += step
	}
	t.far = min(max(t.far, 0), length)
	if t.far == 0 || t.far == length {
		t.back = t.far == length
	}
	t.Place = body.Place{X: from.X + dx*t.far/length, Y: from.Y + dy*t.far/length}
}

// carry takes the player along who stands on a platform that went from one box to another, or
// pushes them who is in its way. Who can't be pushed is hurt and comes back to where they
// came in.
func (g *Game) carry(was, is body.Box) {
	dx, dy := is.X0-was.X0, is.Y0-was.Y0
	if dx == 0 && dy == 0 || g.drifting {
		return
	}
	side := g.ground.Map.View == world.SideView
	mine := g.size.Box(g.place)
	if side && g.motion.VY >= 0 && mine.Y1 == was.Y0 && mine.X0 < was.X1 && was.X0 < mine.X1 {
		to := body.Place{X: g.place.X, Y: g.place.Y + dy}
		if !g.ground.Fits(g.size, to) {
			if dy > 0 {
				return
			}
			g.crush()
			return
		}
		g.place, _ = g.ground.Along(g.size, to, dx)
		return
	}
	if !mine.Meets(is) {
		return
	}
	// Out of its way: in the direction it goes, sideways first.
	var tries [2]body.Place
	tries[0], tries[1] = g.place, g.place
	switch {
	case dx > 0:
		tries[0].X += is.X1 - mine.X0
	case dx < 0:
		tries[0].X -= mine.X1 - is.X0
	}
	switch {
	case dy > 0:
		tries[1].Y += is.Y1 - mine.Y0
	case dy < 0:
		tries[1].Y -= mine.Y1 - is.Y0
	}
	for _, to := range tries {
		if to != g.place && g.ground.Fits(g.size, to) {
			g.place = to
			return
		}
	}
	g.crush()
}

// crush hurts who is between two things, and sets them down where they came in.
func (g *Game) crush() {
	g.wound(1)
	g.tell(Crushed)
	g.comeBack()
}

// moveFoes lets everybody else of the map move.
func (g *Game) moveFoes() {
	for _, a := range g.actors {
		t := &g.things[a.at]
		if a.piece.Type != world.Foe || t.Gone || a.acts.Does == world.Stands && g.ground.Map.View == world.TopDown {
			continue
		}
		if !g.ground.Fits(a.size, t.Place) {
			// Something became solid there: it waits until it is free again.
			continue
		}
		if g.ground.Map.View == world.SideView {
			g.moveFoeFromTheSide(a, t)
		} else {
			g.moveFoe(a, t)
		}
	}
}

// sees tells how far away the player is from a thing, and whether it sees them.
func (g *Game) sees(a actor, t *Thing) (dx, dy int, sees bool) {
	dx, dy = g.place.X-t.Place.X, g.place.Y-t.Place.Y
	l := g.doc.Project.Lattice()
	return dx, dy, g.helped&Unseen == 0 && max(dx, -dx) <= a.acts.Range*l.W*body.Unit && max(dy, -dy) <= a.acts.Range*l.H*body.Unit
}

func (g *Game) moveFoeFromTheSide(a actor, t *Thing) {
	in := body.Intent{X: t.Way}
	dx, _, sees := g.sees(a, t)
	switch a.acts.Does {
	case world.Stands:
		in.X = 0
	case world.Follows, world.Flees:
		if in.X = 0; sees {
			in.X = cmp.Compare(dx, 0)
			if a.acts.Does == world.Flees {
				in.X = -in.X
			}
		}
		if in.X != 0 {
			t.Way = in.X
		}
	case world.Wanders:
		if t.left--; t.left <= 0 {
			t.left = 30 + g.random(90)
			t.Way = g.random(3) - 1
		}
		in.X = t.Way
	}
	before := t.Place
	if in.X != 0 && t.motion.Mode == body.Grounded && g.ground.Ledge(a.size, t.Place, in.X) {
		if t.turn(a); a.acts.Does == world.Patrols {
			in.X = t.Way
		} else {
			in.X = 0
		}
		t.motion.VX = 0
	}
	t.Place, t.motion = g.ground.Go(a.size, t.Place, t.motion, a.drive, in)
	if in.X != 0 && t.Place.X == before.X && t.motion.VX == 0 {
		t.turn(a)
	}
	if !g.ground.Map.Bounds.Has(t.Place.Cell(g.doc.Project.Lattice())) {
		// Off the map.
		t.Gone = true
	}
}

// turn lets who goes to and fro go the other way.
func (t *Thing) turn(a actor) {
	if a.acts.Does == world.Patrols || a.acts.Does == world.Wanders {
		t.Way = -t.Way
	}
}

func (g *Game) moveFoe(a actor, t *Thing) {
	dx, dy, sees := g.sees(a, t)
	speed := g.pace(a.acts.Speed)
	way := ahead[t.Way&3]
	switch a.acts.Does {
	case world.Follows, world.Flees:
		if !sees {
			return
		}
		way = grid.Point{X: cmp.Compare(dx, 0), Y: cmp.Compare(dy, 0)}
		if max(dx, -dx) > 2*max(dy, -dy) {
			way.Y = 0
		} else if max(dy, -dy) > 2*max(dx, -dx) {
			way.X = 0
		}
		if a.acts.Does == world.Flees {
			way = grid.Point{X: -way.X, Y: -way.Y}
		}
		if way.X != 0 && way.Y != 0 {
			speed = speed * 181 / 256
		}
	case world.Wanders:
		if t.left--; t.left <= 0 {
			t.left = 30 + g.random(90)
			t.Way = g.random(4)
		}
	}
	before := t.Place
	next := g.ground.Move(a.size, t.Place, way.X*speed, way.Y*speed)
	l := g.doc.Project.Lattice()
	if b := g.ground.Map.Bounds; !b.Has(next.Cell(l)) || g.ground.Doorway(next.Cell(l)) || a.acts.Does == world.Wanders && g.strays(a, next) {
		next = before
	}
	if t.Place = next; next == before {
		switch a.acts.Does {
		case world.Patrols:
			t.Way = [4]int{world.South: int(world.North), world.West: int(world.East), world.East: int(world.West), world.North: int(world.South)}[t.Way&3]
		case world.Wanders:
			t.left = 0
		}
	}
}

// strays reports whether a place is further from where a piece stands than its range.
func (g *Game) strays(a actor, p body.Place) bool {
	l, from := g.doc.Project.Lattice(), footOf(a.piece)
	dx, dy := p.X-from.X, p.Y-from.Y
	return max(dx, -dx) > a.acts.Range*l.W*body.Unit || max(dy, -dy) > a.acts.Range*l.H*body.Unit
}

// touchThings lets happen what the player touches that acts.
func (g *Game) touchThings(fell bool, foot int) {
	mine := g.size.Box(g.place)
	l := g.doc.Project.Lattice()
	side := g.ground.Map.View == world.SideView
	at := g.place
	for _, a := range g.actors {
		if g.place != at {
			// One was set down elsewhere.
			return
		}
		t := &g.things[a.at]
		box := a.size.Box(t.Place)
		if t.Gone || !box.Meets(mine) {
			continue
		}
		// From above, in this tick: the foot was higher than the upper half of it.
		onto := side && fell && foot <= (box.Y0+box.Y1)/2
		switch a.piece.Type {
		case world.Spring:
			if side && g.motion.VY >= 0 {
				g.motion = body.Motion{VX: g.motion.VX, VY: -g.drive.SpringSpeed(a.acts.Strength*l.H/10) - g.drive.Half, Thrown: true, Mode: body.Airborne}
				g.tell(Sprung)
			}
		case world.Foe:
			if onto {
				t.Gone = true
				g.motion.VY, g.motion.Mode, g.motion.Rising = -g.drive.Leap*2/3, body.Airborne, g.jumped
				g.tell(Stomped)
				continue
			}
			g.hurt(a.acts.Strength)
		case world.Hazard:
			g.hurt(a.acts.Strength)
		}
	}
}

// random is a number from 0 to before n, from the state alone. (Steele, Lea and Flood, "Fast
// Splittable Pseudorandom Number Generators", 2014.)
func (g *Game) random(n int) int {
	g.seed += 0x9e3779b97f4a7c15
	z := g.seed
	z = (z ^ z>>30) * 0xbf58476d1ce4e5b9
	z = (z ^ z>>27) * 0x94d049bb133111eb
	return int((z ^ z>>31) % uint64(n))
}

// Things are all pieces that act on the player's map, as they are now, with their pieces.
func (g *Game) Things(each func(*world.Piece, Thing)) {
	for _, a := range g.actors {
		each(a.piece, g.things[a.at])
	}
}

// encode writes a thing as canonical bytes.
func (t *Thing) encode(w *pack.Writer) {
	w.Uint(uint64(t.ID))
	m := t.motion
	for _, n := range []int{t.Place.X, t.Place.Y, t.Way, t.far, t.left, m.VX, m.VY, m.RestX, m.RestY, int(m.Mode), m.Left, m.Asked} {
		w.Int(n)
	}
	for _, yes := range []bool{t.Gone, t.back, m.Rising, m.Thrown} {
		w.Bool(yes)
	}
}
