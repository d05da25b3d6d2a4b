package exchange

import (
	"fmt"

	"azzel/core/grid"
	"azzel/core/kind"
	"azzel/core/world"
)

// A Start lets play begin as if the player had come so far. What it names may be gone.
type Start struct {
	ID   string `json:"id"`
	Name string `json:"name"`
	// Map and Cell are where the player stands.
	Map  string `json:"map"`
	Cell Place  `json:"cell"`
	// Items are all that the player has, Facts what is otherwise than at first, States the pieces that are.
	Items  []Stock   `json:"items,omitempty"`
	Facts  []FactIs  `json:"facts,omitempty"`
	States []StateIs `json:"states,omitempty"`
}

// A FactIs is what a fact is, by its id.
type FactIs struct {
	Fact  string `json:"fact"`
	Value int    `json:"value"`
}

// A StateIs is the state of a piece, by its id and the state's word.
type StateIs struct {
	Piece string `json:"piece"`
	State string `json:"state"`
}

func startsOf(d *world.Document) (list []Start) {
	for _, s := range d.Starts {
		out := Start{ID: idText(s.ID), Name: s.Name, Map: idText(s.Map), Cell: Place(s.Cell)}
		for _, i := range s.Items {
			out.Items = append(out.Items, Stock{idText(i.Item), i.Count})
		}
		for _, f := range s.Facts {
			out.Facts = append(out.Facts, FactIs{idText(f.Fact), f.Value})
		}
		for _, is := range s.States {
			out.States = append(out.States, StateIs{idText(is.Piece), kind.StateOf(is.State).Word})
		}
		list = append(list, out)
	}
	return list
}

func (b *reader) starts() error {
	for i, in := range b.bundle.Starts {
		what := fmt.Sprintf("bundle.json: start %d", i+1)
		id, err := b.newID(in.ID, what)
		if err != nil {
			return err
		}
		s := world.NamedStart{Name: in.Name, Cell: grid.Point(in.Cell)}
		ref := func(text string) (id world.ID) {
			if err == nil {
				id, err = parseID(text)
			}
			return id
		}
		s.Map = ref(in.Map)
		for _, i := range in.Items {
			s.Items = append(s.Items, world.Stock{Item: ref(i.Item), Count: i.Count})
		}
		for _, f := range in.Facts {
			s.Facts = append(s.Facts, world.FactIs{Fact: ref(f.Fact), Value: f.Value})
		}
		for n, is := range in.States {
			state := kind.StateNamed(is.State)
			if state == nil {
				return fmt.Errorf("%s: state %d: there is no state %.40q", what, n+1, is.State)
			}
			s.States = append(s.States, world.StateIs{Piece: ref(is.Piece), State: state.Number})
		}
		if err != nil {
			return fmt.Errorf("%s: %w", what, err)
		}
		if err := b.put(world.SortStart, 0, id, s.Values(), what); err != nil {
			return err
		}
	}
	return nil
}
