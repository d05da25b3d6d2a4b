package world

import (
	"errors"
	"fmt"
	"strings"
	"unicode/utf8"

	"azzel/core/grid"
	"azzel/core/limit"
)

// CheckName holds a name against the limits. A name that may be empty is shown
// as one derived from type and place.
func CheckName(name string, mayBeEmpty bool) error {
	switch n := utf8.RuneCountInString(name); {
	case !utf8.ValidString(name) || strings.ContainsFunc(name, func(r rune) bool { return r < ' ' }):
		return errors.New("a name is one line of text")
	case n > limit.NameLetters:
		return fmt.Errorf("a name has at most %d letters; this one has %d", limit.NameLetters, n)
	case strings.TrimSpace(name) == "" && !mayBeEmpty:
		return errors.New("a name is needed here")
	}
	return nil
}

// Check holds a project's settings against the limits.
func (p *Project) Check() error {
	if err := CheckName(p.Name, false); err != nil {
		return err
	}
	if p.CellW < limit.MinCellSide || p.CellH < limit.MinCellSide || p.CellW > limit.MaxCellSide || p.CellH > limit.MaxCellSide {
		return fmt.Errorf("a cell is %d to %d px wide and high; this one is %d × %d px", limit.MinCellSide, limit.MaxCellSide, p.CellW, p.CellH)
	}
	if p.View < 0 || p.View >= viewEnd {
		return errors.New("maps are seen top-down or from the side")
	}
	if p.SeenW < 1 || p.SeenH < 1 || p.SeenW > limit.MaxSeen || p.SeenH > limit.MaxSeen {
		return fmt.Errorf("the player sees 1 to %d cells each way; this is %d × %d", limit.MaxSeen, p.SeenW, p.SeenH)
	}
	return p.Camera.check()
}

// check holds one thing, if it is there, against the limits and against what
// it refers to; if it is gone, it looks whether anything still refers to it.
func (d *Document) check(r Ref) error {
	switch r.Sort {
	case SortProject, SortCharacter:
		if d.Project.Player != 0 && d.Character(d.Project.Player) == nil {
			return errors.New("the character that is played is missing: choose another player first")
		}
		if r.Sort == SortProject {
			return d.Project.Check()
		}
		if c := d.Character(r.ID); c != nil {
			return d.checkCharacter(c)
		}
		return nil
	case SortTileset:
		return d.checkTileset(r.ID)
	case SortMap:
		return d.checkMap(r.ID)
	case SortMedley:
		if m := d.Medley(r.ID); m != nil {
			return d.checkMedley(m)
		}
		return nil
	case SortBond:
		return d.checkBond(r.ID)
	case SortProperty:
		return d.checkProperty(r.ID)
	case SortPatch:
		if p := d.Patch(r.ID); p != nil {
			return d.checkPatch(p)
		}
		return nil
	case SortReplay:
		if kept := d.Replay(r.ID); kept != nil {
			return d.checkReplay(kept)
		}
		return nil
	case SortTrack:
		if t := d.Track(r.ID); t != nil {
			return d.checkTrack(t)
		}
		return nil
	case SortArea:
		if a := d.Area(r.ID); a != nil {
			return d.checkArea(a)
		}
		return nil
	case SortItem:
		if i := d.Item(r.ID); i != nil {
			return d.checkItem(i)
		}
		return nil
	case SortFact:
		if f := d.Fact(r.ID); f != nil {
			return d.checkFact(f)
		}
		return nil
	case SortWire:
		if w := d.Wire(r.ID); w != nil {
			return d.checkWire(w)
		}
		return nil
	case SortRule:
		if r := d.Rule(r.ID); r != nil {
			return d.checkRule(r)
		}
		return nil
	case SortStart:
		if s := d.NamedStart(r.ID); s != nil {
			return d.checkStart(s)
		}
		return nil
	case SortType:
		if t := d.Type(r.ID); t != nil {
			return d.checkType(t)
		}
		return nil
	case SortCrossing:
		if c := d.Crossing(r.ID); c != nil {
			return d.checkCrossing(c)
		}
		return nil
	}
	m := d.Map(r.Map)
	if m == nil {
		return nil
	}
	if r.Sort == SortLayer {
		return m.checkLayers()
	}
	if p := m.Piece(r.ID); p != nil {
		return d.checkPiece(m, p)
	}
	return nil
}

func (d *Document) checkTileset(id ID) error {
	t := d.Tileset(id)
	if t == nil {
		return d.checkUses()
	}
	if err := CheckName(t.Name, false); err != nil {
		return err
	}
	if t.Count < 1 || t.Count > limit.Tiles || t.Count != len(t.Places) || t.Count != len(t.Tiles) {
		return errors.New("a tileset does not say rightly how many tiles it has")
	}
	if t.First < 1 || t.First+t.Count-1 > grid.MaxTile {
		return errors.New("the numbers of a tileset's tiles are out of range")
	}
	for i, p := range t.Tiles {
		if p != nil && p.Animation != nil {
			if err := p.Animation.Check(t.First, t.Count); err != nil {
				return fmt.Errorf("tile %d of %s: %w", i+1, t.Name, err)
			}
		}
	}
	for _, o := range d.Tilesets {
		if o != t && t.First < o.First+o.Count && o.First < t.First+t.Count {
			return errors.New("two tilesets claim the same tile numbers: import the picture again")
		}
	}
	total := 0
	for _, o := range d.Tilesets {
		total += o.Count
	}
	if total > limit.Tiles || len(d.Tilesets) > limit.Tilesets {
		return fmt.Errorf("a project has at most %d tiles in %d tilesets: delete a tileset first", limit.Tiles, limit.Tilesets)
	}
	return nil
}

func (d *Document) checkMap(id ID) error {
	m := d.Map(id)
	if m == nil {
		if len(d.CrossingsOf(id)) > 0 {
			return errors.New("a crossing still leads to this map")
		}
		if len(d.OfMap(id)) > 0 {
			return errors.New("a track or an area still lies on this map")
		}
		return nil
	}
	if err := CheckName(m.Name, false); err != nil {
		return err
	}
	b := m.Bounds
	if b.W < 1 || b.H < 1 || b.W > limit.MaxMapSide || b.H > limit.MaxMapSide {
		return fmt.Errorf("a map is 1 to %d cells wide and high; this one would be %d × %d", limit.MaxMapSide, b.W, b.H)
	}
	on := m.OnBoard()
	if !Reach.Holds(on) || !Reach.Holds(b) {
		return errors.New("the map lies too far from the middle of the board")
	}
	if m.View < 0 || m.View >= viewEnd {
		return errors.New("the map has a view that is not known")
	}
	for _, o := range d.Maps {
		if o != m && !o.OnBoard().Meet(on).Empty() {
			return fmt.Errorf("%s lies there already: maps can't lie on each other", o.Name)
		}
	}
	if len(d.Maps) > limit.Maps {
		return fmt.Errorf("a project has at most %d maps", limit.Maps)
	}
	if err := d.checkInside(m); err != nil {
		return err
	}
	if err := m.checkLook(); err != nil {
		return err
	}
	if err := m.Forces.check(); err != nil {
		return fmt.Errorf("on %s %w", m.Name, err)
	}
	if m.Barred < 0 || m.Barred >= abilityEnd || m.BarredArms < 0 || m.BarredArms >= armEnd {
		return fmt.Errorf("something is not allowed on %s that nobody can do anyway", m.Name)
	}
	for _, w := range m.Lottery {
		if w < 0 || w > limit.Weight {
			return fmt.Errorf("a weight of the lottery on %s is 0 to %d, not %d", m.Name, limit.Weight, w)
		}
	}
	return m.checkLayers()
}

// checkInside looks whether all that is on a map lies within its bounds: somebody may
// have put it there while another made the map smaller.
func (d *Document) checkInside(m *Map) error {
	for _, l := range m.Layers {
		outside := false
		l.Cells.EachChunk(func(cx, cy int, c *grid.Chunk) {
			area := grid.Rect{X: cx << 5, Y: cy << 5, W: grid.ChunkSide, H: grid.ChunkSide}
			if outside || m.Bounds.Holds(area) {
				return
			}
			for i := range grid.ChunkSide * grid.ChunkSide {
				p := grid.Point{X: area.X + i%grid.ChunkSide, Y: area.Y + i/grid.ChunkSide}
				outside = outside || !m.Bounds.Has(p) && c.At(p.X&31, p.Y&31) != 0
			}
		})
		if outside {
			return fmt.Errorf("%s of %s is painted beyond where the edge would be", l.Name, m.Name)
		}
	}
	box := d.Project.Lattice().Box(m.Bounds)
	for _, p := range m.Pieces {
		if !box.Has(p.Foot) {
			return fmt.Errorf("a piece stands beyond where the edge of %s would be", m.Name)
		}
	}
	for _, c := range d.CrossingsOf(m.ID) {
		for _, end := range c.Ends {
			if end.Map == m.ID && !m.Bounds.Holds(end.Cells) {
				return fmt.Errorf("a doorway lies beyond where the edge of %s would be", m.Name)
			}
		}
	}
	return nil
}

func (m *Map) checkLayers() error {
	if len(m.Layers) > limit.Layers {
		return fmt.Errorf("a map has at most %d layers", limit.Layers)
	}
	for _, l := range m.Layers {
		if err := l.check(); err != nil {
			return err
		}
	}
	if m.Layer(m.PlayerLayer) == nil {
		return fmt.Errorf("the layer in which the player walks on %s is missing", m.Name)
	}
	for _, p := range m.Pieces {
		if m.Layer(p.Layer) == nil {
			return fmt.Errorf("a piece on %s still lies on that layer", m.Name)
		}
	}
	return nil
}

func (d *Document) checkPiece(m *Map, p *Piece) error {
	if err := CheckName(p.Name, true); err != nil {
		return err
	}
	if p.Kind() == nil {
		return errors.New("the piece is of a type that is not there any more")
	}
	if m.Layer(p.Layer) == nil {
		return errors.New("the layer of the piece is not there any more")
	}
	if !d.Project.Lattice().Box(m.Bounds).Has(p.Foot) {
		return fmt.Errorf("the piece would stand outside %s", m.Name)
	}
	total := 0
	for _, o := range d.Maps {
		total += len(o.Pieces)
	}
	if len(m.Pieces) > limit.PiecesInMap || total > limit.Pieces {
		return fmt.Errorf("there are at most %d pieces on a map and %d in a project", limit.PiecesInMap, limit.Pieces)
	}
	return nil
}
