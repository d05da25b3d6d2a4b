package world

import (
	"errors"
	"fmt"
	"slices"
	"strings"

	"azzel/core/grid"
	"azzel/core/limit"
	"azzel/core/tiles"
)

// checkUses looks for cells and medleys whose tile is in no tileset, and says
// where they are.
func (d *Document) checkUses() error {
	var used []string
	for _, m := range d.Maps {
		for _, l := range m.Layers {
			lost := false
			l.Cells.EachChunk(func(_, _ int, c *grid.Chunk) {
				for _, v := range c.Distinct() {
					if t, _ := d.TilesetOf(v.Tile()); v != 0 && t == nil {
						lost = true
					}
				}
			})
			if lost && (len(used) == 0 || used[len(used)-1] != m.Name) {
				used = append(used, m.Name)
			}
		}
	}
	for _, m := range d.Medleys {
		for _, t := range m.Tiles {
			if set, _ := d.TilesetOf(t.Tile); set == nil {
				used = append(used, "the medley "+m.Name)
				break
			}
		}
	}
	for _, b := range d.Bonds {
		if slices.ContainsFunc(b.Tiles, func(t tiles.Bonded) bool { set, _ := d.TilesetOf(t.Tile); return set == nil }) {
			used = append(used, "the bond "+b.Name)
		}
	}
	for _, p := range d.Patches {
		if p.uses(func(n int) bool { set, _ := d.TilesetOf(n); return set == nil }) {
			used = append(used, "the patch "+p.Name)
		}
	}
	switch n := len(used); {
	case n == 0:
		return nil
	case n > 5:
		return fmt.Errorf("the tileset is still used on %s and in %d more places", strings.Join(used[:5], ", "), n-5)
	}
	return fmt.Errorf("the tileset is still used on %s", strings.Join(used, ", "))
}

func (d *Document) checkMedley(m *Medley) error {
	if err := CheckName(m.Name, false); err != nil {
		return err
	}
	if len(d.Medleys) > limit.Medleys {
		return fmt.Errorf("a project has at most %d medleys", limit.Medleys)
	}
	for _, t := range m.Tiles {
		if set, _ := d.TilesetOf(t.Tile); set == nil {
			return fmt.Errorf("a tile of the medley %s is not there any more", m.Name)
		}
	}
	return m.Check()
}

func (d *Document) checkPatch(p *Patch) error {
	if err := CheckName(p.Name, false); err != nil {
		return err
	}
	if len(d.Patches) > limit.Patches {
		return fmt.Errorf("a project has at most %d patches", limit.Patches)
	}
	if p.uses(func(n int) bool { set, _ := d.TilesetOf(n); return set == nil }) {
		return fmt.Errorf("a tile of the patch %s is not there any more", p.Name)
	}
	return p.Check()
}

func (d *Document) checkProperty(id ID) error {
	p := d.Property(id)
	if p == nil {
		return nil
	}
	if err := CheckName(p.Name, false); err != nil {
		return err
	}
	if !p.Type.Valid() {
		return errors.New("a property is yes or no, a number, or text")
	}
	if len(d.Properties) > limit.Properties {
		return fmt.Errorf("a project has at most %d properties of its own", limit.Properties)
	}
	for _, o := range d.Properties {
		if o != p && strings.EqualFold(o.Name, p.Name) {
			return fmt.Errorf("there is a property called %s already", o.Name)
		}
	}
	return nil
}

func (d *Document) checkBond(id ID) error {
	b := d.Bond(id)
	if b == nil {
		return nil
	}
	if err := CheckName(b.Name, false); err != nil {
		return err
	}
	if len(d.Bonds) > limit.Bonds {
		return fmt.Errorf("a project has at most %d bonds", limit.Bonds)
	}
	mine := map[int]bool{}
	for _, t := range b.Tiles {
		if set, _ := d.TilesetOf(t.Tile); set == nil {
			return fmt.Errorf("a tile of the bond %s is not there any more", b.Name)
		}
		mine[t.Tile] = true
	}
	for _, o := range d.Bonds {
		for _, t := range o.Tiles {
			if o != b && mine[t.Tile] {
				set, i := d.TilesetOf(t.Tile)
				return fmt.Errorf("tile %d of %s is in the bond %s already: a tile is in one bond at most", i+1, set.Name, o.Name)
			}
		}
	}
	return b.Check()
}

func (d *Document) checkCharacter(c *Character) error {
	if err := CheckName(c.Name, false); err != nil {
		return err
	}
	if err := c.Movement.check(); err != nil {
		return fmt.Errorf("how %s moves: %w", c.Name, err)
	}
	switch {
	case c.Strip == "" && c.Picture == "" && c.W == 0 && c.H == 0:
	case c.W < 1 || c.H < 1 || c.W > limit.MaxCellSide || c.H > limit.MaxCellSide:
		return fmt.Errorf("a frame of a character is 1 to %d px wide and high; this one is %d × %d px", limit.MaxCellSide, c.W, c.H)
	}
	if err := c.checkPoses(); err != nil {
		return fmt.Errorf("the pictures of %s: %w", c.Name, err)
	}
	if err := checkStocks(c.Begins); err != nil {
		return fmt.Errorf("what %s begins with: %w", c.Name, err)
	}
	if len(d.Characters) > limit.Characters {
		return fmt.Errorf("a project has at most %d characters", limit.Characters)
	}
	return nil
}

func (d *Document) checkCrossing(c *Crossing) error {
	if err := CheckName(c.Name, true); err != nil {
		return err
	}
	for _, end := range c.Ends {
		m := d.Map(end.Map)
		if m == nil {
			return errors.New("a map that the crossing leads to is not there any more")
		}
		if end.Cells.Empty() || !m.Bounds.Holds(end.Cells) {
			return fmt.Errorf("a doorway of the crossing would lie outside %s", m.Name)
		}
	}
	if c.Ends[0].Map == c.Ends[1].Map && !c.Ends[0].Cells.Meet(c.Ends[1].Cells).Empty() {
		return errors.New("a crossing can't lead to where it begins: end it on another cell")
	}
	if len(d.Crossings) > limit.Crossings {
		return fmt.Errorf("a project has at most %d crossings", limit.Crossings)
	}
	return nil
}
