package play

import (
	"cmp"
	"fmt"
	"slices"

	"azzel/core/kind"
	"azzel/core/kinds/props"
	"azzel/core/limit"
	"azzel/core/lists"
	"azzel/core/pack"
	"azzel/core/world"
)

// wiring is what became of wires and of what they work.
type wiring struct {
	// wires are those that are not as at first, worked the pieces that wires keep on while they are held, switched the pieces
	// whose power is another than the document says. Each is sorted.
	wires    []wired
	worked   []workedEnd
	switched []world.ID
}

// wired is what became of a wire.
type wired struct {
	wire world.ID
	// held says that its beginning was on when it was looked at last, on that it counts as on.
	held, on bool
	// left is how many ticks are left until it counts as its beginning is, or does what it does once; 0 for none.
	left int
}

// workedEnd is a piece, an area or a layer that wires have brought, or are to bring, to on.
type workedEnd struct {
	thing world.ID
	works int
}

func (e workedEnd) compare(o workedEnd) int {
	return cmp.Or(cmp.Compare(e.thing, o.thing), cmp.Compare(e.works, o.works))
}

func (m *wiring) empty() bool { return len(m.wires)+len(m.worked)+len(m.switched) == 0 }

func (m *wiring) encode(w *pack.Writer) {
	w.Uint(uint64(len(m.wires)))
	for _, is := range m.wires {
		w.Uint(uint64(is.wire))
		w.Bool(is.held)
		w.Bool(is.on)
		w.Int(is.left)
	}
	w.Uint(uint64(len(m.worked)))
	for _, e := range m.worked {
		w.Uint(uint64(e.thing))
		w.Int(e.works)
	}
	encodeIDs(w, m.switched)
}

func decodeWiring(r *pack.Reader) (m wiring) {
	for range r.Count(limit.Wires, 4) {
		is := wired{world.ID(r.Uint()), r.Bool(), r.Bool(), within(r, r.Int(), limit.Interval+1)}
		if n := len(m.wires); n > 0 && m.wires[n-1].wire >= is.wire || is == (wired{wire: is.wire}) {
			r.Fail(fmt.Errorf("%w: wires out of order", pack.ErrMalformed))
		}
		m.wires = append(m.wires, is)
	}
	for range r.Count(limit.Wires, 2) {
		e := workedEnd{world.ID(r.Uint()), within(r, r.Int(), world.WorksPower)}
		if n := len(m.worked); n > 0 && m.worked[n-1].compare(e) >= 0 {
			r.Fail(fmt.Errorf("%w: what wires work is out of order", pack.ErrMalformed))
		}
		m.worked = append(m.worked, e)
	}
	m.switched = readIDs(r, limit.Pieces)
	return m
}

func (m wiring) clone() wiring {
	return wiring{slices.Clone(m.wires), slices.Clone(m.worked), slices.Clone(m.switched)}
}

// wire is what became of a wire; as at first, nothing did.
func (m *wiring) wire(id world.ID) wired {
	if i, there := m.wireAt(id); there {
		return m.wires[i]
	}
	return wired{wire: id}
}

func (m *wiring) wireAt(id world.ID) (int, bool) {
	return slices.BinarySearchFunc(m.wires, id, func(w wired, id world.ID) int { return cmp.Compare(w.wire, id) })
}

func (m *wiring) keep(is wired) {
	i, there := m.wireAt(is.wire)
	switch first := is == (wired{wire: is.wire}); {
	case there && first:
		m.wires = slices.Delete(m.wires, i, i+1)
	case there:
		m.wires[i] = is
	case !first:
		m.wires = lists.Insert(m.wires, i, is)
	}
}

func (m *wiring) isWorked(e workedEnd) bool {
	_, is := slices.BinarySearchFunc(m.worked, e, workedEnd.compare)
	return is
}

func (m *wiring) setWorked(e workedEnd, on bool) {
	switch i, is := slices.BinarySearchFunc(m.worked, e, workedEnd.compare); {
	case is && !on:
		m.worked = slices.Delete(m.worked, i, i+1)
	case !is && on:
		m.worked = lists.Insert(m.worked, i, e)
	}
}

// isOff reports whether a piece does nothing: the document says so, or wires have switched it off.
func (g *Game) isOff(p *world.Piece) bool {
	_, switched := slices.BinarySearch(g.switched, p.ID)
	return (p.Int(props.Power) == kind.Off) != switched
}

// Switched reports whether the power of a piece is another by now than the document says.
func (g *Game) Switched(piece world.ID) bool {
	_, switched := slices.BinarySearch(g.switched, piece)
	return switched
}

// isOn reports whether a piece at the beginning of a wire is on: it is in the second of the first two states of its kind, or
// has power if it has no such states. Nothing is on that is not there, but for what is gone since it was taken.
func (g *Game) isOn(id world.ID) bool {
	on, p := g.pieceOf(id)
	if p == nil {
		return false
	}
	k := g.kindOf(on, p)
	if k == nil {
		return false
	}
	if _, second := k.Pair(); second != nil {
		return g.own(on, p) == second
	}
	_, has := k.Has(props.Power)
	return has && !g.isOff(p)
}

// end reports what of a piece a wire works: between which of its states it goes, or that it is switched on and off. It
// reports false if neither can be.
func (g *Game) end(p *world.Piece, on *world.Map, works int) (first, second *kind.State, ok bool) {
	k := g.kindOf(on, p)
	if k == nil {
		return nil, nil, false
	}
	if first, second = k.Pair(); works == world.WorksState && k.Worked {
		return first, second, true
	}
	_, has := k.Has(props.Power)
	return nil, nil, has
}

// work brings a piece to on or off, if it is not so by now, and reports whether it is so then: nothing shuts on anybody. What
// is quiet happens to nobody.
func (g *Game) work(e workedEnd, on, quiet bool) bool {
	m, p := g.pieceOf(e.thing)
	if p == nil {
		return g.workPlace(e.thing, on)
	}
	first, second, ok := g.end(p, m, e.works)
	switch {
	case !ok:
	case second == nil:
		if g.isOff(p) == on {
			g.switchPower(p, quiet)
		}
	case on && g.own(m, p) != second:
		g.goes(p.ID, second, quiet)
	case !on && g.own(m, p) == second:
		if k := g.actorOf(p.ID); k != nil && k.Kind.Solid && second.Passable && !g.clear(k) {
			return false
		}
		g.goes(p.ID, first, quiet)
	}
	return true
}

// workPlace lets the forces of an area act, or a layer be there, or not. It reports whether that is so then.
func (g *Game) workPlace(id world.ID, on bool) bool {
	if g.doc.Area(id) != nil {
		g.switchForces(id, !on)
		return true
	}
	return g.setLayer(id, map[bool]int{true: kind.There, false: kind.Absent}[on])
}

func (g *Game) goes(piece world.ID, to *kind.State, quiet bool) {
	if quiet {
		g.setState(piece, to.Number)
		g.stale = true
		return
	}
	g.become(piece, to)
}

// isWorkedOn reports whether a piece is on as the end of a wire; an area if its forces act, a layer if it is there.
func (g *Game) isWorkedOn(e workedEnd) bool {
	m, p := g.pieceOf(e.thing)
	if p == nil {
		_, l := g.doc.LayerOn(e.thing)
		return l != nil && g.layerIs(e.thing) == kind.There || g.doc.Area(e.thing) != nil && !g.calmed(e.thing)
	}
	_, second, ok := g.end(p, m, e.works)
	if second == nil {
		return ok && !g.isOff(p)
	}
	return g.own(m, p) == second
}

// switchPower switches a piece on that is off, or off that is on. What is quiet happens to nobody.
func (g *Game) switchPower(p *world.Piece, quiet bool) {
	g.keepsFrom(p.ID)
	if i, is := slices.BinarySearch(g.switched, p.ID); is {
		g.switched = slices.Delete(g.switched, i, i+1)
	} else {
		g.switched = lists.Insert(g.switched, i, p.ID)
	}
	g.stale = true
	off := g.isOff(p)
	if a := g.actorOf(p.ID); a != nil {
		a.off = off
	}
	switch {
	case quiet:
	case off:
		g.raise(props.SwitchedOff, p.ID, 0, 0)
	default:
		g.raise(props.SwitchedOn, p.ID, 0, 0)
	}
}

// actorOf finds what acts of a piece, on the player's map and what lies beside it; nil if it does not.
func (g *Game) actorOf(piece world.ID) *actor {
	if i := slices.IndexFunc(g.actors, func(a actor) bool { return a.piece.ID == piece }); i >= 0 {
		return &g.actors[i]
	}
	return nil
}

// settleWires lets wires be as their beginnings are, and pieces as wires keep them, without anything happening by that: when play
// begins, and for wires that a document has which the one before had not.
func (g *Game) settleWires(before *world.Document) {
	known := map[world.ID]bool{}
	if before != nil {
		for _, w := range before.Wires {
			known[w.ID] = true
		}
	}
	g.wires = lists.Without(g.wires, func(is wired) bool { return g.doc.Wire(is.wire) == nil })
	g.settleThose(func(w *world.Wire) (begins, ends bool) { return !known[w.ID], !known[w.ID] })
}

// settleWiresOf is settleWires for wires from and to pieces that have begun anew.
func (g *Game) settleWiresOf(pieces map[world.ID]bool) {
	g.worked = lists.Without(g.worked, func(e workedEnd) bool { return pieces[e.thing] })
	g.settleThose(func(w *world.Wire) (begins, ends bool) { return pieces[w.From], pieces[w.To] })
}

// settleThose lets those wires be as their beginnings are that are to begin anew, and what those keep on that end anew.
func (g *Game) settleThose(anew func(*world.Wire) (begins, ends bool)) {
	ends := map[workedEnd]bool{}
	for _, w := range g.doc.Wires {
		begins, end := anew(w)
		if begins {
			held := g.isOn(w.From)
			g.keep(wired{wire: w.ID, held: held, on: held && w.Does == world.WhileHeld})
		}
		if end && w.Does == world.WhileHeld {
			ends[workedEnd{w.To, w.Works}] = true
		}
	}
	for _, e := range g.heldEnds() {
		if ends[e.workedEnd] {
			// What can't be so yet is tried again.
			g.setWorked(e.workedEnd, e.on == g.work(e.workedEnd, e.on, true))
		}
	}
}

// A heldEnd is a piece that wires keep on while they are held, and whether they do.
type heldEnd struct {
	workedEnd
	on bool
}

// heldEnds are what wires keep on while they are held, in the order of the first wire to each.
func (g *Game) heldEnds() (ends []heldEnd) {
	type count struct{ at, on, all, of int }
	counts := map[workedEnd]*count{}
	for _, w := range g.doc.Wires {
		if w.Does != world.WhileHeld {
			continue
		}
		e := workedEnd{w.To, w.Works}
		c := counts[e]
		if c == nil {
			c = &count{at: len(ends), of: w.Of}
			counts[e] = c
			ends = append(ends, heldEnd{workedEnd: e})
		}
		// What begins at nothing does not count.
		if _, from := g.pieceOf(w.From); from == nil {
			continue
		}
		c.all++
		if g.wire(w.ID).on {
			c.on++
		}
	}
	for e, c := range counts {
		ends[counts[e].at].on = c.on >= needed(c.of, c.all)
	}
	return ends
}

// needed is how many of some wires that count together must be on, by what world.Wire.Of says.
func needed(of, all int) int {
	switch of {
	case world.AnyOf:
		return 1
	case world.AllOf:
		return max(1, all)
	}
	return of
}

// goAlongWires lets wires take up what became of their beginnings, and work their ends: first each wire in the order of their
// numbers, then what is kept on while wires are held. What a wire brought about counts for the wires that begin there in the
// next tick. As long as nothing became of any piece and no wire waits or has just changed, there is nothing to be done.
func (g *Game) goAlongWires() {
	if len(g.doc.Wires) == 0 {
		return
	}
	sum := g.sumOfPieces()
	if g.wiresRest && sum == g.wiresSaw {
		return
	}
	g.wiresSaw, g.wiresRest = sum, true
	for _, w := range g.doc.Wires {
		was, held := g.wire(w.ID), g.isOn(w.From)
		is, rises := was, held && !was.held
		switch {
		case w.Does == world.WhileHeld && held != was.held:
			is.left = w.After
		case w.Does != world.WhileHeld && rises && is.left == 0:
			is.left = w.After + 1
		}
		is.held = held
		switch {
		case w.Does == world.WhileHeld:
			if is.left == 0 {
				is.on = held
			} else {
				is.left--
			}
		case is.left == 1:
			e := workedEnd{w.To, w.Works}
			if g.work(e, w.Does == world.TurnsOn || w.Does == world.ChangesOver && !g.isWorkedOn(e), false) {
				is.left = 0
			}
		case is.left > 1:
			is.left--
		}
		g.keep(is)
		g.wiresRest = g.wiresRest && is == was && is.left == 0
	}
	for _, e := range g.heldEnds() {
		if e.on == g.isWorked(e.workedEnd) {
			continue
		}
		if g.work(e.workedEnd, e.on, false) {
			g.setWorked(e.workedEnd, e.on)
		} else {
			g.wiresRest = false
		}
	}
}

// Live lists the wires that are on by now, in their order: what begins them is.
func (g *Game) Live() (ids []world.ID) {
	for _, w := range g.doc.Wires {
		if is := g.wire(w.ID); is.held || is.on {
			ids = append(ids, w.ID)
		}
	}
	return ids
}
