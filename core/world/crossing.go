package world

import "azzel/core/grid"

// An End is one end of a crossing: the cells of its doorway.
type End struct {
	Map ID
	// Cells is the doorway, in the map's cells.
	Cells grid.Rect
}

// A Crossing is a way between two places.
type Crossing struct {
	ID     ID
	Name   string
	Number int
	Ends   [2]End
	// BothWays is false if the way leads from end 0 to end 1 only.
	BothWays bool
}

// Leads reports whether one can go in at the given end.
func (c *Crossing) Leads(end int) bool { return end == 0 || c.BothWays }

// Crossing finds a crossing; nil if there is none.
func (d *Document) Crossing(id ID) *Crossing {
	return byID(d.Crossings, id, func(c *Crossing) ID { return c.ID })
}

// CrossingsOf lists the crossings with an end on the map.
func (d *Document) CrossingsOf(id ID) []*Crossing {
	var found []*Crossing
	for _, c := range d.Crossings {
		if c.Ends[0].Map == id || c.Ends[1].Map == id {
			found = append(found, c)
		}
	}
	return found
}
