package memory

import (
	"fmt"
	"slices"
	"strings"

	"azzel/core/edit"
	"azzel/core/grid"
	"azzel/core/hand"
	"azzel/core/lists"
	"azzel/core/page"
	"azzel/core/world"
)

// StartView is a named start.
type StartView struct {
	ID   string `json:"id"`
	Name string `json:"name"`
	// Place says where it is, X and Y are that on the board.
	Place string `json:"place"`
	X     int    `json:"x"`
	Y     int    `json:"y"`
	// Items are what the player has, Facts what is otherwise than at first, States the pieces that are; More is how many more there are.
	Items  []StockView `json:"items"`
	Facts  []FactSet   `json:"facts"`
	States []StateSet  `json:"states"`
	More   int         `json:"more"`
}

// FactSet is a fact and what it is.
type FactSet struct {
	ID    string `json:"id"`
	Value int    `json:"value"`
}

// StateSet is a piece, which of its own states it is in, and which there are.
type StateSet struct {
	ID     string        `json:"id"`
	Map    string        `json:"map"`
	Name   string        `json:"name"`
	State  int           `json:"state"`
	States []StateOption `json:"states"`
	X      int           `json:"x"`
	Y      int           `json:"y"`
}

// StateOption is one of the states of a piece.
type StateOption struct {
	State int    `json:"state"`
	Name  string `json:"name"`
}

// mostStates is how many states of a start are listed.
const mostStates = 200

// ViewStarts are all named starts as views. What they name that is gone is left out: findings say so.
func ViewStarts(d *world.Document) []StartView {
	list := []StartView{}
	l, named := d.Project.Lattice(), piecesOf(d)
	for _, s := range d.Starts {
		v := StartView{ID: page.FormatID(s.ID), Name: s.Name, Place: "the spawn", Items: ViewStocks(d, s.Items), Facts: []FactSet{}, States: []StateSet{}}
		if m := d.Map(s.Map); m != nil {
			at := l.Foot(s.Cell.Add(m.Origin))
			v.Place, v.X, v.Y = fmt.Sprintf("%s, %d, %d", m.Name, s.Cell.X, s.Cell.Y), at.X, at.Y
		}
		for _, f := range d.Facts {
			if i := slices.IndexFunc(s.Facts, func(is world.FactIs) bool { return is.Fact == f.ID }); i >= 0 {
				v.Facts = append(v.Facts, FactSet{page.FormatID(f.ID), s.Facts[i].Value})
			}
		}
		for i, is := range s.States {
			m, p := named[is.Piece].on, named[is.Piece].piece
			if p == nil {
				continue
			}
			if len(v.States) == mostStates {
				v.More = len(s.States) - i
				break
			}
			at := p.Foot.Add(l.Pixel(m.Origin))
			set := StateSet{ID: page.FormatID(p.ID), Map: page.FormatID(m.ID), Name: hand.PieceName(d, p), State: is.State, States: []StateOption{}, X: at.X, Y: at.Y}
			for _, state := range p.Kind().States {
				set.States = append(set.States, StateOption{state.Number, state.Name})
			}
			v.States = append(v.States, set)
		}
		list = append(list, v)
	}
	return list
}

// placed is a piece and the map on which it is.
type placed struct {
	on    *world.Map
	piece *world.Piece
}

// piecesOf are the pieces that starts name. It looks at every piece once, if there is any start.
func piecesOf(d *world.Document) map[world.ID]placed {
	named := map[world.ID]placed{}
	for _, s := range d.Starts {
		for _, is := range s.States {
			named[is.Piece] = placed{}
		}
	}
	if len(named) == 0 {
		return named
	}
	for _, m := range d.Maps {
		for _, p := range m.Pieces {
			if _, is := named[p.ID]; is {
				named[p.ID] = placed{m, p}
			}
		}
	}
	return named
}

// MakeStart makes a named start: as the game stands that is played, else at a place on the board in pixels, or without one at the spawn.
type MakeStart struct {
	Name string `json:"name"`
	Here bool   `json:"here,omitempty"`
	X    int    `json:"x,omitempty"`
	Y    int    `json:"y,omitempty"`
}

// Do implements Order.
func (o MakeStart) Do(p *page.Page) page.Changed {
	d := p.Doc()
	s := world.NamedStart{}
	if p.Played != nil {
		s = p.Played.Game().AsIf()
	} else if at := hand.At(d, page.At(o.X, o.Y)); o.Here && at.Map != nil {
		s.Map, s.Cell = at.Map.ID, at.Cell
	} else {
		s.Map, s.Cell = firstPlace(d)
	}
	s.Name = freeName(d.Starts, func(s *world.NamedStart) string { return s.Name }, strings.TrimSpace(o.Name), "Start")
	return p.Do(edit.Edit{Label: edit.Clip("make the start " + s.Name), Parts: []edit.Part{edit.Put{Ref: world.StartRef(p.IDs.NewID()), Values: s.Values()}}})
}

// firstPlace is where play begins by itself.
func firstPlace(d *world.Document) (world.ID, grid.Point) {
	for _, m := range d.Maps {
		for _, piece := range m.Pieces {
			if piece.Kind().Begins {
				return m.ID, d.Project.Lattice().CellAt(piece.Foot)
			}
		}
	}
	if len(d.Maps) == 0 {
		return 0, grid.Point{}
	}
	m := d.Maps[0]
	return m.ID, grid.Point{X: m.Bounds.X + m.Bounds.W/2, Y: m.Bounds.Y + m.Bounds.H/2}
}

// changeStart turns a named start into another.
func changeStart(p *page.Page, id page.ID, change func(s *world.NamedStart) error) page.Changed {
	s := p.Doc().NamedStart(world.ID(id))
	if s == nil {
		return p.Fail(world.ErrGone)
	}
	next := *s
	next.Items, next.Facts, next.States = slices.Clone(s.Items), slices.Clone(s.Facts), slices.Clone(s.States)
	if err := change(&next); err != nil {
		return p.Fail(err)
	}
	return p.Change(s.Name, edit.Changes(world.StartRef(s.ID), s.Values(), next.Values()))
}

// TakeStart lets a named start be as the game stands that is played.
type TakeStart struct {
	Start page.ID `json:"start"`
}

// Do implements Order.
func (o TakeStart) Do(p *page.Page) page.Changed {
	if p.Played == nil {
		return p.Refuse("Nothing is being played. Play, come to where the start is to be, and take it then.")
	}
	return changeStart(p, o.Start, func(s *world.NamedStart) error {
		next := p.Played.Game().AsIf()
		next.ID, next.Name, next.Number = s.ID, s.Name, s.Number
		*s = next
		return nil
	})
}

// PlaceStart sets where a named start is, on the board in pixels.
type PlaceStart struct {
	Start page.ID `json:"start"`
	X     int     `json:"x"`
	Y     int     `json:"y"`
}

// Do implements Order.
func (o PlaceStart) Do(p *page.Page) page.Changed {
	at := hand.At(p.Doc(), page.At(o.X, o.Y))
	if at.Map == nil {
		return p.Refuse("There is no map there. Point at the map on which the player is to stand.")
	}
	return changeStart(p, o.Start, func(s *world.NamedStart) error {
		s.Map, s.Cell = at.Map.ID, at.Cell
		return nil
	})
}

// SetStartItem says how many of an item the player has at a named start, 0 for none.
type SetStartItem struct {
	Start page.ID `json:"start"`
	Item  page.ID `json:"item"`
	Count int     `json:"count"`
}

// Do implements Order.
func (o SetStartItem) Do(p *page.Page) page.Changed {
	i := p.Doc().Item(world.ID(o.Item))
	if i == nil {
		return p.Fail(world.ErrGone)
	}
	return changeStart(p, o.Start, func(s *world.NamedStart) error {
		s.Items = lists.Without(s.Items, func(had world.Stock) bool { return had.Item == i.ID })
		if o.Count > 0 {
			s.Items = append(s.Items, world.Stock{Item: i.ID, Count: min(o.Count, i.Room())})
		}
		return nil
	})
}

// SetStartFact says what a fact is at a named start; with First that it is as when play begins.
type SetStartFact struct {
	Start page.ID `json:"start"`
	Fact  page.ID `json:"fact"`
	Value int     `json:"value"`
	First bool    `json:"first,omitempty"`
}

// Do implements Order.
func (o SetStartFact) Do(p *page.Page) page.Changed {
	f := p.Doc().Fact(world.ID(o.Fact))
	if f == nil {
		return p.Fail(world.ErrGone)
	}
	return changeStart(p, o.Start, func(s *world.NamedStart) error {
		s.Facts = lists.Without(s.Facts, func(is world.FactIs) bool { return is.Fact == f.ID })
		if o.First {
			return nil
		}
		if o.Value != f.Bound(o.Value) {
			return fmt.Errorf("%s can't be %d: it is %s", f.Name, o.Value, f.Range())
		}
		s.Facts = append(s.Facts, world.FactIs{Fact: f.ID, Value: o.Value})
		return nil
	})
}

// SetStartState says in which of its own states a piece is at a named start, by its number; 0 is as when play begins, and −1 the second
// of them.
type SetStartState struct {
	Start page.ID `json:"start"`
	Piece page.ID `json:"piece"`
	State int     `json:"state"`
}

// Do implements Order.
func (o SetStartState) Do(p *page.Page) page.Changed {
	_, piece := p.Doc().Piece(world.ID(o.Piece))
	if piece == nil {
		return p.Fail(world.ErrGone)
	}
	states := piece.Kind().States
	if len(states) < 2 || piece.Kind().Starts {
		return p.Refuse("There is nothing to say of %s: what becomes of it does not stay in a state of its own.", hand.PieceName(p.Doc(), piece))
	}
	state := o.State
	if state < 0 {
		state = states[1].Number
	}
	if state != 0 && !piece.Kind().Can(state) {
		return p.Fail(page.ErrUnknown)
	}
	return changeStart(p, o.Start, func(s *world.NamedStart) error {
		i := slices.IndexFunc(s.States, func(is world.StateIs) bool { return is.Piece == piece.ID })
		switch {
		case state == 0 && i >= 0:
			s.States = slices.Delete(s.States, i, i+1)
		case i >= 0:
			s.States[i].State = state
		case state != 0:
			s.States = append(s.States, world.StateIs{Piece: piece.ID, State: state})
		}
		return nil
	})
}
