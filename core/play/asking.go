package play

import (
	"cmp"
	"hash/maphash"
	"slices"
	"sort"

	"azzel/core/kind"
	"azzel/core/kinds/props"
	"azzel/core/logic"
	"azzel/core/world"
)

// A conditional is a piece that is there only while something holds, or never unless that is changed.
type conditional struct {
	piece *world.Piece
	while logic.Condition
	// gone says that it starts absent, or in a state in which it is gone.
	gone bool
}

// conditionals lists the pieces of all maps that may be absent, and says whether one of them asks for what became of
// pieces, and whether any piece begins anew that says so itself.
func conditionals(d *world.Document) (list []conditional, ofPieces, forget bool) {
	for _, m := range d.Maps {
		for _, p := range m.Pieces {
			if p.Props == "" {
				continue
			}
			forget = forget || p.Int(props.OnReturn) == props.BeginsAnew || p.Int(props.AfterHarm) == props.BeginsAnew
			while, gone := p.While(), startsGone(p)
			if while.Empty() && !gone {
				continue
			}
			list = append(list, conditional{p, while, gone})
			for t := range while.Each() {
				ofPieces = ofPieces || !t.Groups() && (t.Ask != logic.Compares || t.Left.OfPieces() || t.Right.OfPieces())
			}
		}
	}
	return list, ofPieces, forget
}

// placedOrder are pieces that may be absent in the order in which they were placed, whatever maps they are on.
func placedOrder(list []conditional) []conditional {
	list = slices.Clone(list)
	sort.Slice(list, func(i, j int) bool { return list[i].piece.Number < list[j].piece.Number })
	return list
}

// startsGone reports whether a piece is not there when play begins: it is in a state in which it is gone, or absent and not
// there by what must hold for it.
func startsGone(p *world.Piece) bool {
	return startsDone(p) || p.Int(props.Starts) == kind.Absent && !world.HasWhile(p)
}

// startsDone reports whether a piece starts in a state in which it is gone.
func startsDone(p *world.Piece) bool {
	own := kind.StateOf(p.Int(props.Own))
	return own != nil && own.Gone
}

// StartsHidden reports whether a piece is there and not seen.
func StartsHidden(p *world.Piece) bool {
	return p.Int(props.Starts) == kind.Hidden && !world.HasWhile(p)
}

// An inquiry is a game of which a piece asks what it remembers. It implements logic.World.
type inquiry struct {
	g *Game
	// home is the piece that asks.
	home world.ID
}

// Holds reports whether a condition of a piece holds by now.
func (g *Game) Holds(home world.ID, c logic.Condition) bool { return c.Holds(inquiry{g, home}) }

// Asked is the game as conditions of a piece ask it.
func (g *Game) Asked(home world.ID) logic.World { return inquiry{g, home} }

// Fact implements logic.World.
func (i inquiry) Fact(id world.ID) (value, least, most int, there bool) {
	f := i.g.doc.Fact(id)
	if f == nil {
		return 0, 0, 0, false
	}
	is, _ := i.g.Known(f)
	least, most = f.Reach()
	return is.Value, least, most, true
}

// Item implements logic.World.
func (i inquiry) Item(id world.ID) (int, bool) {
	item := i.g.doc.Item(id)
	if item == nil {
		return 0, false
	}
	return i.g.Has(item), true
}

// Pieces implements logic.World. It looks at every piece where a noun names several.
func (i inquiry) Pieces(n logic.Noun) (ids []world.ID, there bool) {
	d := i.g.doc
	switch n.Is {
	case logic.This:
		return []world.ID{i.home}, true
	case logic.Piece:
		_, p := i.g.pieceOf(n.Thing)
		return []world.ID{n.Thing}, p != nil
	case logic.Player:
		return []world.ID{0}, true
	}
	var within *world.Area
	if n.Is == logic.AllInArea || n.Is == logic.AnyInArea {
		if within = d.Area(n.Thing); within == nil {
			return nil, false
		}
	}
	var named []*world.Piece
	for _, m := range d.Maps {
		if within != nil && within.Map != m.ID {
			continue
		}
		for _, p := range m.Pieces {
			if within == nil && p.Is(n.Type) || within != nil && within.Cells.Has(d.Project.Lattice().CellAt(p.Foot)) {
				named = append(named, p)
			}
		}
	}
	// The first is the one that was placed first, on whatever map it is.
	slices.SortFunc(named, func(a, b *world.Piece) int { return cmp.Compare(a.Number, b.Number) })
	for _, p := range named {
		ids = append(ids, p.ID)
	}
	return ids, true
}

// Property implements logic.World.
func (i inquiry) Property(piece world.ID, f kind.Field) (int, bool) {
	_, p := i.g.pieceOf(piece)
	if p == nil {
		return 0, false
	}
	prop := p.Kind().PropOf(f)
	if prop == nil {
		return 0, false
	}
	return p.Int(prop), true
}

// Presence implements logic.World.
func (i inquiry) Presence(piece world.ID) (int, bool) {
	switch _, p := i.g.pieceOf(piece); {
	case p == nil:
		return 0, false
	case i.g.absent[piece]:
		return kind.Absent, true
	case i.g.Hidden(p):
		return kind.Hidden, true
	}
	return kind.There, true
}

// Power implements logic.World.
func (i inquiry) Power(piece world.ID) (int, bool) {
	_, p := i.g.pieceOf(piece)
	if p == nil {
		return 0, false
	}
	_, has := p.Kind().Has(props.Power)
	if i.g.isOff(p) {
		return kind.Off, has
	}
	return kind.On, has
}

// State implements logic.World. Of a lottery piece it is that of what was drawn.
func (i inquiry) State(piece world.ID) (int, bool) {
	on, p := i.g.pieceOf(piece)
	if p == nil {
		return 0, false
	}
	own := i.g.own(on, p)
	if own == nil {
		return 0, false
	}
	return own.Number, true
}

// Forces implements logic.World.
func (i inquiry) Forces(area world.ID) (int, bool) {
	if i.g.calmed(area) {
		return kind.Off, i.g.doc.Area(area) != nil
	}
	return kind.On, i.g.doc.Area(area) != nil
}

// Layer implements logic.World.
func (i inquiry) Layer(layer world.ID) (int, bool) {
	_, l := i.g.doc.LayerOn(layer)
	return i.g.layerIs(layer), l != nil
}

// Lasted implements logic.World: nothing lasts of which a piece asks.
func (i inquiry) Lasted(int) (on, known bool) { return false, false }

// A placed is a piece and the map on which it is.
type placed struct {
	on    *world.Map
	piece *world.Piece
}

// pieceOf finds a piece, with what rules have set of it; nil if it is not there. The first time it looks at every piece of the document.
func (g *Game) pieceOf(id world.ID) (*world.Map, *world.Piece) {
	if g.pieces == nil {
		g.pieces = map[world.ID]placed{}
		for _, m := range g.doc.Maps {
			for _, p := range m.Pieces {
				g.pieces[p.ID] = placed{m, g.withSet(p)}
			}
		}
	}
	is := g.pieces[id]
	return is.on, is.piece
}

// Here reports whether a piece is there, as far as that depends on what it is there only while it
// holds.
func (g *Game) Here(piece world.ID) bool { return !g.absent[piece] }

// Absent are the pieces of all maps that are not there because something does not hold, in the order
// of the document.
func (g *Game) Absent() (ids []world.ID) {
	for _, c := range g.conditional {
		if g.absent[c.piece.ID] {
			ids = append(ids, c.piece.ID)
		}
	}
	for _, p := range g.presences {
		if p.is == kind.Absent && g.absent[p.piece] {
			ids = append(ids, p.piece)
		}
	}
	return ids
}

// mostRounds is how often pieces that ask for one another are asked at most, before it is left as it is.
const mostRounds = 16

// ask finds out anew which pieces are there. It changes nothing of the state, so that a state that
// is gone back to goes on as it did: pieces are asked in the order in which they were placed, first as if all were there, and again
// with what came of that as long as something changes, since they may ask whether others are there.
func (g *Game) ask() {
	g.laden = g.helped & Laden
	if g.absent = nil; len(g.conditional)+len(g.states)+len(g.presences) > 0 {
		g.absent = map[world.ID]bool{}
	}
	for _, p := range g.presences {
		if _, piece := g.pieceOf(p.piece); piece != nil && p.is == kind.Absent && !world.HasWhile(piece) {
			g.absent[p.piece] = true
		}
	}
	for _, s := range g.states {
		if kind.StateOf(s.state).Gone {
			g.absent[s.piece] = true
		}
	}
	asked := g.conditional
	if g.askOfPieces {
		asked = placedOrder(asked)
	}
	for range mostRounds {
		changed := false
		for i := range asked {
			c := &asked[i]
			if not := g.isSetAbsent(c) || g.isGone(c.piece.ID) || !g.Holds(c.piece.ID, c.while); not != g.absent[c.piece.ID] {
				g.absent[c.piece.ID], changed = not, true
			}
		}
		if !changed || !g.askOfPieces {
			break
		}
	}
	g.became = g.whatBecame()
	for _, ground := range g.grounds {
		g.solidThings(ground)
	}
	for k := range g.actors {
		a := &g.actors[k]
		a.absent = g.absent[a.piece.ID]
	}
}

// isGone reports whether a piece went to a state in which it is gone.
func (g *Game) isGone(piece world.ID) bool {
	i, there := g.stated(piece)
	return there && kind.StateOf(g.states[i].state).Gone
}

// becameSeed lets sums of what became of pieces be compared within a process.
var becameSeed = maphash.MakeSeed()

// whatBecame sums up what became of pieces, if anything asks for that.
func (g *Game) whatBecame() uint64 {
	if !g.askOfPieces {
		return 0
	}
	return g.sumOfPieces()
}

// sumOfPieces sums up what became of all pieces: where it is the same, so is what any of them is in.
func (g *Game) sumOfPieces() uint64 {
	var h maphash.Hash
	h.SetSeed(becameSeed)
	put := func(id world.ID) {
		for i := range 8 {
			h.WriteByte(byte(id >> (8 * i)))
		}
	}
	put(g.checkpoint)
	for _, id := range g.fallen {
		put(id)
	}
	for _, id := range g.taken {
		put(id)
	}
	for _, s := range g.states {
		put(s.piece)
		put(world.ID(s.state))
	}
	for _, id := range g.switched {
		put(id)
	}
	for _, p := range g.presences {
		put(p.piece)
		put(world.ID(p.is))
	}
	for _, p := range g.properties {
		put(p.piece)
		put(world.ID(p.field)<<32 ^ world.ID(p.number))
	}
	for k := range g.things {
		if t := &g.things[k]; t.Gone && t.From == 0 {
			put(t.ID)
		}
	}
	return h.Sum64()
}

// recall lets what was set, had or done meanwhile count for what is there: not within a tick, in
// which nothing comes or goes under the feet of what moves. Who stands where something solid appears
// is set down beside it.
func (g *Game) recall() {
	if g.recast {
		// Who walks by a rule is in nobody's way.
		g.recast = false
		g.meet()
		if !g.drifting {
			g.makeRoom()
		}
	}
	if !g.stale && g.laden == g.helped&Laden && g.became == g.whatBecame() {
		return
	}
	if g.stale = false; len(g.conditional)+len(g.states)+len(g.presences)+len(g.absent) == 0 {
		return
	}
	g.ask()
	if g.absent[g.lifted] {
		g.leaveBehind()
	}
	if !g.drifting {
		g.makeRoom()
	}
}
