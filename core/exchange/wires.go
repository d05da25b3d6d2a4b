package exchange

import (
	"fmt"

	"azzel/core/world"
)

// A Wire lets a piece work another, the forces of an area, or a layer, on whatever maps they are.
type Wire struct {
	ID   string `json:"id"`
	Name string `json:"name,omitempty"`
	// From is the id of a piece, To of a piece, an area or a layer.
	From string `json:"from"`
	To   string `json:"to"`
	// Works is what of a piece at its end it works: its own state without it.
	Works string `json:"works,omitempty" jsonschema:"enum=power"`
	// Does is how: on while held without it.
	Does string `json:"does,omitempty" jsonschema:"enum=on,enum=off,enum=over"`
	// After is for how many ticks of a sixtieth of a second.
	After int `json:"after,omitempty" jsonschema:"minimum=0"`
	// Of is how many wires must be on of those that are held: any without it, -1 for all, or at least so many.
	Of int `json:"of,omitempty" jsonschema:"minimum=-1"`
}

// wiresOf are the wires of a document, but for those that begin or end at what is gone.
func wiresOf(d *world.Document) (list []Wire) {
	if len(d.Wires) == 0 {
		return nil
	}
	begin, end := endsOf(d)
	for _, w := range d.Wires {
		if begin[w.From] && (begin[w.To] || end[w.To]) {
			list = append(list, writeWire(w))
		}
	}
	return list
}

// endsOf are the pieces of a document, at which wires begin and end, and its areas and layers, at which they end.
func endsOf(d *world.Document) (begin, end map[world.ID]bool) {
	begin, end = map[world.ID]bool{}, map[world.ID]bool{}
	for _, m := range d.Maps {
		for _, p := range m.Pieces {
			begin[p.ID] = true
		}
		for _, l := range m.Layers {
			end[l.ID] = true
		}
	}
	for _, a := range d.Areas {
		end[a.ID] = true
	}
	return begin, end
}

// wires are read after the maps, with what they join.
func (b *reader) wires() error {
	var begin, end map[world.ID]bool
	if len(b.bundle.Wires) > 0 {
		begin, end = endsOf(b.draft.Document())
	}
	for i, in := range b.bundle.Wires {
		what := fmt.Sprintf("bundle.json: wire %d", i+1)
		id, err := b.newID(in.ID, what)
		if err != nil {
			return err
		}
		w, err := readWire(&in, begin, end)
		if err != nil {
			return fmt.Errorf("%s: %w", what, err)
		}
		if err := b.put(world.SortWire, 0, id, w.Values(), what); err != nil {
			return err
		}
	}
	return nil
}

func writeWire(w *world.Wire) Wire {
	return Wire{idText(w.ID), w.Name, idText(w.From), idText(w.To), world.WorksWords[w.Works], world.DoesWords[w.Does], w.After, w.Of}
}

// readWire reads a wire between pieces that are there, or to what else is there at which one can end.
func readWire(in *Wire, pieces, ends map[world.ID]bool) (w world.Wire, err error) {
	w = world.Wire{Name: in.Name, After: in.After, Of: in.Of}
	for _, end := range []struct {
		name, text string
		at         *world.ID
	}{{"from", in.From, &w.From}, {"to", in.To, &w.To}} {
		if *end.at, err = parseID(end.text); err != nil {
			return w, fmt.Errorf("%s: %w", end.name, err)
		}
		switch {
		case pieces[*end.at] || end.at == &w.To && ends[*end.at]:
		case len(ends) > 0 && end.at == &w.To:
			return w, fmt.Errorf("%s: there is no piece, area or layer %s", end.name, end.text)
		default:
			return w, fmt.Errorf("%s: there is no piece %s", end.name, end.text)
		}
	}
	if w.Works, err = wordNumber(world.WorksWords, in.Works); err != nil {
		return w, fmt.Errorf("works: %w", err)
	}
	if w.Does, err = wordNumber(world.DoesWords, in.Does); err != nil {
		return w, fmt.Errorf("does: %w", err)
	}
	return w, nil
}
