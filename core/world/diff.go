package world

import "azzel/core/grid"

// A Stored is one thing as it is stored.
type Stored struct {
	Ref    Ref
	Name   string
	Values []Value
}

// A StoredChunk is one chunk of a layer as it is stored; nil if it is empty.
type StoredChunk struct {
	Layer  ID
	Map    ID
	CX, CY int
	Chunk  *grid.Chunk
}

// A Difference is what must be written to turn one stored document into
// another.
type Difference struct {
	Put     []Stored
	Removed []Ref
	Chunks  []StoredChunk
}

// Diff finds what differs between two documents, in time that depends on what
// they do not share.
func Diff(old, now *Document) Difference {
	var d Difference
	if old.Project != now.Project {
		d.Put = append(d.Put, Stored{Ref{SortProject, 0, 0}, now.Project.Name, now.Project.Values()})
	}
	compare(old.Maps, now.Maps, func(m *Map) ID { return m.ID },
		func(m *Map) {
			d.maps(m, &Map{ID: m.ID})
			d.Removed = append(d.Removed, Ref{SortMap, 0, m.ID})
		},
		func(was, m *Map) {
			if was == nil {
				was = &Map{}
			}
			if values := m.Values(); !SameValues(was.Values(), values) {
				d.Put = append(d.Put, Stored{Ref{SortMap, 0, m.ID}, m.Name, values})
			}
			d.maps(was, m)
		})
	for _, c := range collections {
		c.diff(&d, old, now)
	}
	return d
}

func (d *Difference) maps(old, now *Map) {
	compare(old.Layers, now.Layers, func(l *Layer) ID { return l.ID },
		func(l *Layer) {
			d.chunks(now.ID, l, &Layer{ID: l.ID})
			d.Removed = append(d.Removed, Ref{SortLayer, now.ID, l.ID})
		},
		func(was, l *Layer) {
			if was == nil {
				was = &Layer{}
			}
			if values := l.Values(); !SameValues(was.Values(), values) {
				d.Put = append(d.Put, Stored{Ref{SortLayer, now.ID, l.ID}, l.Name, values})
			}
			d.chunks(now.ID, was, l)
		})
	compare(old.Pieces, now.Pieces, func(p *Piece) ID { return p.ID },
		func(p *Piece) { d.Removed = append(d.Removed, Ref{SortPiece, now.ID, p.ID}) },
		func(was, p *Piece) {
			if was != nil && was.stored() == p.stored() {
				return // its type is another
			}
			d.Put = append(d.Put, Stored{Ref{SortPiece, now.ID, p.ID}, p.Name, p.Values()})
		})
}

func (d *Difference) chunks(mapID ID, old, now *Layer) {
	old.Cells.Differ(now.Cells, func(cx, cy int, _, c *grid.Chunk) {
		d.Chunks = append(d.Chunks, StoredChunk{now.ID, mapID, cx, cy, c})
	})
}

// compare calls gone for each of old that is not in now, then put for each of
// now that is new (with nil) or another value than before.
func compare[P any](old, now []P, id func(P) ID, gone func(P), put func(was, is P)) {
	if len(old) == len(now) {
		same := true
		for i := range old {
			if id(old[i]) != id(now[i]) {
				same = false
				break
			}
		}
		if same {
			for i := range old {
				if any(old[i]) != any(now[i]) {
					put(old[i], now[i])
				}
			}
			return
		}
	}
	was := make(map[ID]P, len(old))
	for _, t := range old {
		was[id(t)] = t
	}
	is := make(map[ID]bool, len(now))
	for _, t := range now {
		is[id(t)] = true
	}
	for _, t := range old {
		if !is[id(t)] {
			gone(t)
		}
	}
	for _, t := range now {
		if any(was[id(t)]) != any(t) {
			put(was[id(t)], t)
		}
	}
}
