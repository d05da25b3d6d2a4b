package memory

import (
	"cmp"
	"fmt"
	"slices"

	"azzel/core/edit"
	"azzel/core/hand"
	"azzel/core/kind"
	"azzel/core/kinds/props"
	"azzel/core/page"
	"azzel/core/world"
)

// When says when something stays or begins anew, in the order of StaysView.
var When = []string{"when the player returns", "after harm"}

// times are world.Anew, and the property of a piece that says it of itself, in the order of When.
var times = []struct {
	anew world.Anew
	own  *kind.Prop
}{{world.AnewOnReturn, props.OnReturn}, {world.AnewAfterHarm, props.AfterHarm}}

// StaysView is what of a map stays as it is left, and what begins anew.
type StaysView struct {
	ID   string `json:"id"`
	Name string `json:"name"`
	// Anew says, in the order of When, whether what says nothing itself begins anew.
	Anew []bool `json:"anew"`
	// Types are those of which there are pieces here.
	Types []StaysType `json:"types"`
}

// StaysType is what the pieces of a type on a map do.
type StaysType struct {
	Type  string `json:"type"`
	Name  string `json:"name"`
	Count int    `json:"count"`
	// Says is what all of them say, in the order of When, as the options of the property; −1 where they differ.
	Says []int `json:"says"`
	// Pieces are its pieces, if they were asked for; More is how many more there are.
	Pieces []StaysPiece `json:"pieces"`
	More   int          `json:"more"`
}

// StaysPiece is a piece, what it says, and how it is in the game that is played.
type StaysPiece struct {
	ID   string `json:"id"`
	Name string `json:"name"`
	Says []int  `json:"says"`
	Now  string `json:"now"`
	X    int    `json:"x"`
	Y    int    `json:"y"`
}

// mostStaying is how many pieces of a type are listed.
const mostStaying = 200

// WhatStays asks what of a map stays and what begins anew, with the pieces of a type unless that is 0. It looks at every piece of
// the map.
type WhatStays struct {
	Map  page.ID `json:"map"`
	Type page.ID `json:"type"`
}

// Answer implements Question.
func (q WhatStays) Answer(p *page.Page) any {
	d := p.Doc()
	m := d.Map(world.ID(q.Map))
	v := StaysView{Anew: []bool{}, Types: []StaysType{}}
	if m == nil {
		return v
	}
	v.ID, v.Name = page.FormatID(m.ID), m.Name
	for _, t := range times {
		v.Anew = append(v.Anew, m.Anew&t.anew != 0)
	}
	origin := d.Project.Lattice().Pixel(m.Origin)
	var types []*StaysType
	at := map[world.ID]*StaysType{}
	for _, piece := range m.Pieces {
		k := piece.Kind()
		if !world.Remembers(k) {
			continue
		}
		says := saysOf(piece)
		t := at[k.ID]
		if t == nil {
			t = &StaysType{Type: page.FormatID(k.ID), Name: k.Name, Says: says, Pieces: []StaysPiece{}}
			at[k.ID], types = t, append(types, t)
		}
		for n := range t.Says {
			if t.Says[n] != says[n] {
				t.Says[n] = -1
			}
		}
		if t.Count++; k.ID != world.ID(q.Type) {
			continue
		}
		if len(t.Pieces) == mostStaying {
			t.More++
			continue
		}
		place := piece.Foot.Add(origin)
		t.Pieces = append(t.Pieces, StaysPiece{page.FormatID(piece.ID), hand.PieceName(d, piece), saysOf(piece), now(p, piece), place.X, place.Y})
	}
	slices.SortFunc(types, func(a, b *StaysType) int { return cmp.Compare(a.Name, b.Name) })
	for _, t := range types {
		v.Types = append(v.Types, *t)
	}
	return v
}

func saysOf(piece *world.Piece) (says []int) {
	for _, t := range times {
		says = append(says, piece.Int(t.own))
	}
	return says
}

// now is how a piece is in the game that is played, empty if nothing is played or there is nothing to say.
func now(p *page.Page, piece *world.Piece) string {
	if p.Played == nil {
		return ""
	}
	g := p.Played.Game()
	if state, has := g.Asked(0).State(piece.ID); has {
		if s := kind.StateOf(state); s != nil {
			return s.Name
		}
	}
	if is, _ := g.Asked(0).Presence(piece.ID); is != kind.There {
		return kind.Presences[is]
	}
	return ""
}

// SetMapStays says of a map whether what says nothing itself begins anew at a time, by its place in When.
type SetMapStays struct {
	Map  page.ID `json:"map"`
	When int     `json:"when"`
	Anew bool    `json:"anew"`
}

// Do implements Order.
func (o SetMapStays) Do(p *page.Page) page.Changed {
	m := p.Doc().Map(world.ID(o.Map))
	if m == nil || o.When < 0 || o.When >= len(times) {
		return p.Fail(world.ErrGone)
	}
	next := *m
	if next.Anew |= times[o.When].anew; !o.Anew {
		next.Anew &^= times[o.When].anew
	}
	parts := edit.Changes(world.Ref{Sort: world.SortMap, ID: m.ID}, m.Values(), next.Values())
	if len(parts) == 0 {
		return page.StateChanged
	}
	return p.Do(edit.Edit{Label: edit.Clip(fmt.Sprintf("let %s %s %s", m.Name, staysOrAnew(o.Anew), When[o.When])), Parts: parts})
}

func staysOrAnew(anew bool) string {
	if anew {
		return "begin anew"
	}
	return "stay as left"
}

// SetPieceStays says of a piece of a map, or of all of a type if Piece is 0, what it is at a time, by its place in When: one of the
// options of the property.
type SetPieceStays struct {
	Map   page.ID `json:"map"`
	Type  page.ID `json:"type"`
	Piece page.ID `json:"piece"`
	When  int     `json:"when"`
	Says  int     `json:"says"`
}

// Do implements Order.
func (o SetPieceStays) Do(p *page.Page) page.Changed {
	m := p.Doc().Map(world.ID(o.Map))
	if m == nil || o.When < 0 || o.When >= len(times) {
		return p.Fail(world.ErrGone)
	}
	own := times[o.When].own
	if o.Says < 0 || o.Says >= len(own.Options) {
		return p.Fail(page.ErrUnknown)
	}
	var parts []edit.Part
	name := ""
	for _, piece := range m.Pieces {
		if o.Piece != 0 && piece.ID != world.ID(o.Piece) || o.Piece == 0 && piece.Type != world.ID(o.Type) || !world.Remembers(piece.Kind()) {
			continue
		}
		if name == "" {
			name = hand.PieceName(p.Doc(), piece)
		} else {
			name = "all of the type " + piece.Kind().Name
		}
		next := *piece
		next.Props = next.Props.With(own.Is(o.Says))
		parts = append(parts, edit.Changes(world.Ref{Sort: world.SortPiece, Map: m.ID, ID: piece.ID}, piece.Values(), next.Values())...)
	}
	if name == "" {
		return p.Fail(world.ErrGone)
	}
	if len(parts) == 0 {
		return page.StateChanged
	}
	return p.Do(edit.Edit{Label: edit.Clip(fmt.Sprintf("%s: %s %s", name, own.Options[o.Says], When[o.When])), Parts: parts})
}
