package rules

import (
	"azzel/core/hand"
	"azzel/core/kind"
	"azzel/core/page"
	"azzel/core/page/wording"
	"azzel/core/world"
)

// SlotChoice is a thing that can be chosen: its id, what it is called, and under which heading it stands.
type SlotChoice struct {
	ID    string `json:"id"`
	Name  string `json:"name"`
	Group string `json:"group"`
}

// AskThings asks which things of a sort can be chosen in a slot that names one: facts, items, areas, maps, crossings, marks or rules.
type AskThings struct {
	Rule page.ID `json:"rule"`
	Part page.ID `json:"part"`
	// Other says that the other thing is asked for that the part names: the patch that cells become.
	Other bool `json:"other,omitempty"`
}

// Answer implements Question.
func (q AskThings) Answer(p *page.Page) any {
	d := p.Doc()
	list := []SlotChoice{}
	r := d.Rule(world.ID(q.Rule))
	if r == nil {
		return list
	}
	is := r.Part(world.ID(q.Part))
	if is == nil {
		return list
	}
	add := func(id world.ID, name, group string) {
		list = append(list, SlotChoice{page.FormatID(id), name, group})
	}
	sort := is.Names()
	if q.Other {
		sort = kind.Patch
	}
	switch sort {
	case kind.Patch:
		for _, b := range d.Patches {
			add(b.ID, b.Name, "")
		}
	case kind.Fact:
		for _, f := range d.Facts {
			add(f.ID, f.Name, "")
		}
	case kind.Item:
		for _, i := range d.Items {
			add(i.ID, i.Name, "")
		}
	case kind.Area:
		for _, a := range d.Areas {
			add(a.ID, hand.Name(d, world.Ref{Sort: world.SortArea, ID: a.ID}), "")
		}
	case kind.Track:
		for _, t := range d.Tracks {
			if m := d.Map(t.Map); m != nil {
				add(t.ID, hand.Name(d, world.Ref{Sort: world.SortTrack, ID: t.ID}), m.Name)
			}
		}
	case kind.Map:
		for _, m := range d.Maps {
			add(m.ID, m.Name, "")
		}
	case kind.Crossing:
		for _, c := range d.Crossings {
			add(c.ID, hand.CrossingName(d, c), "")
		}
	case kind.Layer:
		for _, m := range d.Maps {
			for _, l := range m.Layers {
				add(l.ID, l.Name, m.Name)
			}
		}
	case kind.Character:
		for _, c := range d.Characters {
			add(c.ID, c.Name, "")
		}
	case kind.Rule:
		for _, other := range d.Rules {
			add(other.ID, wording.RuleName(d, other), "")
		}
	case kind.Piece:
		for _, m := range d.Maps {
			for _, piece := range m.Pieces {
				if k := piece.Kind(); (k.Named || k.Starts || k.Begins || piece.Name != "") && len(list) < mostChoices {
					add(piece.ID, hand.PieceName(d, piece), m.Name)
				}
			}
		}
	}
	return list
}

// mostChoices is how many pieces are listed to be chosen.
const mostChoices = 400
