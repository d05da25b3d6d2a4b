package edit

import (
	"bytes"
	"errors"
	"fmt"
	"slices"

	"azzel/core/grid"
	_ "azzel/core/kinds" // so that there are kinds wherever documents are changed
	"azzel/core/pace"
	"azzel/core/world"
)

// An Edit is one step of somebody's work: it happens as a whole or not at all.
type Edit struct {
	// Label says in a few words what the step did.
	Label string
	// Undoes is 0, or the sequence number of the step of the same session that
	// this one takes back. Its parts are then that step's inverse, and each
	// changes only what is still as that step left it.
	Undoes uint64
	// Parts are applied in order.
	Parts []Part
}

// A Part is one of Paint, Deal, Put, Change and Remove.
type Part interface {
	apply(*application) error
	encode(*encoder)
}

// Paint lays cells over a region of a layer.
type Paint struct {
	Map, Layer world.ID
	Region     grid.Region
	Cells      grid.Runs
	// Expect, if not nil, is what must still lie in a cell for it to be changed.
	Expect grid.Runs
	// Swap, if not nil, takes the place of Cells and Expect, as long as the part is not
	// encoded.
	Swap *grid.Swap
	// Loose is the part of Region in which a tile of a bond stands for the bond:
	// which of its tiles is laid follows from the neighbours.
	Loose grid.Region
}

// Deal lays the tiles of a medley over a region of a layer. Which tile a cell
// gets follows from the medley and the cell alone.
type Deal struct {
	Map, Layer, Medley world.ID
	Region             grid.Region
}

// Put makes a new thing with the given properties.
type Put struct {
	Ref    world.Ref
	Values []world.Value
}

// Change sets one property of a thing.
type Change struct {
	Ref   world.Ref
	Value world.Value
	// Expect, if not nil, is the value that must still be there.
	Expect []byte
}

// Remove takes a thing away with all that lies in it and every crossing that
// leads to it.
type Remove struct {
	Ref world.Ref
	// Expect, if not nil, are the properties the thing must still have; nothing
	// may then lie in it.
	Expect []world.Value
}

// A Result is what applying an edit gave.
type Result struct {
	Document *world.Document
	// Inverse are the parts that take the edit back.
	Inverse []Part
	// Parts are those of the edit that were applied: all of them, but for an undo.
	Parts []Part
	// Left of Of are the cells and properties that an undo left alone, since
	// somebody had changed them meanwhile.
	Left, Of int
}

type application struct {
	draft   *world.Draft
	undoing bool
	inverse []Part
	left    int
	of      int
}

// Apply gives the document after e, which must have its parts. An error leaves
// nothing changed and says why in words for people. An undo is applied part by part and
// is never refused: what can't be taken back any more is left alone and counted.
func Apply(d *world.Document, e Edit) (Result, error) { return ApplyAt(nil, d, e) }

// ApplyAt is Apply for work that goes at a pace.
func ApplyAt(p pace.Pace, d *world.Document, e Edit) (Result, error) {
	a := &application{draft: d.Draft()}
	a.draft.Pace = p
	next, err := a.apply(e)
	if err != nil && e.Undoes != 0 {
		return takeBackPartly(p, d, e), nil
	}
	if err != nil {
		return Result{}, err
	}
	slices.Reverse(a.inverse)
	return Result{Document: next, Inverse: a.inverse, Parts: e.Parts, Left: a.left, Of: a.of}, nil
}

// Follow gives the document after edits that were applied elsewhere, one after the other,
// and are not taken back from here.
func Follow(p pace.Pace, d *world.Document, edits ...Edit) (*world.Document, error) {
	a := &application{draft: d.Draft()}
	a.draft.Pace, a.draft.Final = p, true
	next, err := a.apply(edits...)
	if err != nil {
		return nil, err
	}
	return next, nil
}

func (a *application) apply(edits ...Edit) (*world.Document, error) {
	for _, e := range edits {
		a.undoing, a.inverse = e.Undoes != 0, nil
		for _, p := range e.Parts {
			if err := p.apply(a); err != nil {
				return nil, err
			}
		}
	}
	return a.draft.Done()
}

func (a *application) undo(p Part) { a.inverse = append(a.inverse, p) }

func (p Paint) apply(a *application) error {
	a.of += p.Region.Len()
	stroke := world.Stroke{Region: p.Region, Cells: p.Cells, Expect: p.Expect, Swap: p.Swap, Loose: p.Loose}
	if a.undoing {
		stroke = a.draft.Fitting(p.Map, p.Layer, stroke)
		a.left += p.Region.Len() - stroke.Region.Len()
		if len(stroke.Region) == 0 {
			return nil
		}
	}
	done, err := a.draft.Paint(p.Map, p.Layer, stroke)
	if err != nil {
		return fmt.Errorf("painting %d cells: %w", p.Region.Len(), err)
	}
	a.left += done.Left
	a.undo(Paint{Map: p.Map, Layer: p.Layer, Region: done.Region, Swap: &done.Back, Loose: done.Loose})
	return nil
}

func (d Deal) apply(a *application) error {
	doc := a.draft.Document()
	m := doc.Medley(d.Medley)
	if m == nil {
		return fmt.Errorf("laying a medley: %w", world.ErrGone)
	}
	l := doc.Project.Lattice()
	var cells grid.Runs
	for _, s := range d.Region {
		for x := s.X0; x <= s.X1; x++ {
			cells = cells.Append(1, m.Deal(l, d.Map, d.Layer, grid.Point{X: x, Y: s.Y}))
		}
		a.draft.Pace.Did(s.X1 - s.X0 + 1)
	}
	return Paint{Map: d.Map, Layer: d.Layer, Region: d.Region, Cells: cells}.apply(a)
}

func (p Put) apply(a *application) error {
	a.of++
	err := a.draft.Put(p.Ref, p.Values)
	if a.undoing && (errors.Is(err, world.ErrGone) || errors.Is(err, world.ErrThere)) {
		a.left++
		return nil
	}
	if err != nil {
		return err
	}
	values, _ := a.draft.Values(p.Ref)
	a.undo(Remove{p.Ref, values})
	return nil
}

func (c Change) apply(a *application) error {
	values, err := a.draft.Resolve(c.Ref, c.Value)
	if err != nil {
		return err
	}
	a.of++
	left := a.left
	var expect []world.Value
	if c.Expect != nil {
		expect, err = a.draft.Resolve(c.Ref, world.Value{Field: c.Value.Field, Bytes: c.Expect})
	}
	if err != nil {
		return err
	}
	for i, v := range values {
		one := Change{Ref: c.Ref, Value: v}
		if c.Expect != nil {
			one.Expect = expect[i].Bytes
		}
		if err := one.applyOne(a, c.Expect != nil); err != nil {
			return err
		}
	}
	a.left = min(a.left, left+1)
	return nil
}

// applyOne applies a change of one property, as it is stored now.
func (c Change) applyOne(a *application, expects bool) error {
	before, there := a.draft.Value(c.Ref, c.Value.Field)
	if expects && (!there || !bytes.Equal(before.Bytes, c.Expect)) {
		if !there || !bytes.Equal(before.Bytes, c.Value.Bytes) {
			a.left++
		}
		return nil
	}
	if !there {
		return world.ErrGone
	}
	var values []world.Value
	retyped := c.Ref.Sort == world.SortPiece && c.Value.Field == world.FieldType
	if retyped {
		values, _ = a.draft.Values(c.Ref)
	}
	if err := a.draft.Change(c.Ref, c.Value); err != nil {
		return err
	}
	if retyped {
		// What the other type does not have is set again once the type is back.
		now, _ := a.draft.Values(c.Ref)
		for _, lost := range Changes(c.Ref, now, values) {
			if back := lost.(Change); back.Value.Field != world.FieldType {
				back.Expect = []byte{}
				a.undo(back)
			}
		}
	}
	a.undo(Change{c.Ref, before, exactly(c.Value.Bytes)})
	return nil
}

// exactly is what is expected of a value: none at all is expected too.
func exactly(b []byte) []byte {
	if b == nil {
		return []byte{}
	}
	return b
}

func (r Remove) apply(a *application) error {
	a.of++
	values, there := a.draft.Values(r.Ref)
	if r.Expect != nil && (!there || !a.draft.Holds(r.Ref, r.Expect) || a.draft.Document().Holds(r.Ref)) {
		a.left++
		return nil
	}
	if !there {
		return world.ErrGone
	}
	if err := r.contents(a); err != nil {
		return err
	}
	if err := a.draft.Remove(r.Ref); err != nil {
		return err
	}
	a.undo(Put{r.Ref, values})
	return nil
}

// contents removes what lies in a map or layer and what leads to a map, each
// so that undoing brings it back after what it needs.
func (r Remove) contents(a *application) error {
	drop := func(ref world.Ref, values []world.Value) error {
		a.undo(Put{ref, values})
		return a.draft.Remove(ref)
	}
	switch r.Ref.Sort {
	case world.SortMap:
		for _, c := range a.draft.Document().CrossingsOf(r.Ref.ID) {
			if err := drop(world.Ref{Sort: world.SortCrossing, ID: c.ID}, c.Values()); err != nil {
				return err
			}
		}
		for _, ref := range a.draft.Document().OfMap(r.Ref.ID) {
			values, _ := a.draft.Values(ref)
			if err := drop(ref, values); err != nil {
				return err
			}
		}
		m := a.draft.Document().Map(r.Ref.ID)
		for _, p := range append([]*world.Piece(nil), m.Pieces...) {
			if err := drop(world.Ref{Sort: world.SortPiece, Map: m.ID, ID: p.ID}, p.Values()); err != nil {
				return err
			}
		}
		for _, l := range append([]*world.Layer(nil), m.Layers...) {
			ref := world.Ref{Sort: world.SortLayer, Map: m.ID, ID: l.ID}
			if err := (Remove{Ref: ref}).contents(a); err != nil {
				return err
			}
			if err := drop(ref, l.Values()); err != nil {
				return err
			}
		}
	case world.SortLayer:
		l := a.draft.Document().Map(r.Ref.Map).Layer(r.Ref.ID)
		if g := l.Cells.Filled(); len(g) > 0 {
			a.undo(Paint{Map: r.Ref.Map, Layer: r.Ref.ID, Region: g, Swap: &grid.Swap{To: l.Cells}})
		}
	}
	return nil
}

// Changes are the parts that give a thing other properties, one for each that
// differs. Both are all of its properties that are set.
func Changes(ref world.Ref, was, is []world.Value) []Part {
	var parts []Part
	of := func(values []world.Value, f world.Field) int {
		return slices.IndexFunc(values, func(v world.Value) bool { return v.Field == f })
	}
	for _, v := range is {
		if i := of(was, v.Field); i < 0 || !bytes.Equal(was[i].Bytes, v.Bytes) {
			parts = append(parts, Change{Ref: ref, Value: v})
		}
	}
	for _, v := range was {
		if of(is, v.Field) < 0 {
			parts = append(parts, Change{Ref: ref, Value: world.Value{Field: v.Field}})
		}
	}
	return parts
}

// Rebond are the parts that turn one state of a bond into another, and lay it
// anew wherever its tiles, or those of bonds that join to it, follow their bond
// now. What was laid otherwise by hand stays.
func Rebond(d *world.Document, was, is *world.Bond) []Part {
	parts := Changes(world.Ref{Sort: world.SortBond, ID: was.ID}, was.Values(), is.Values())
	if len(parts) == 0 {
		return nil
	}
	for _, m := range d.Maps {
		for _, l := range m.Layers {
			if g := d.Following(m, l, was.ID); len(g) > 0 {
				cells := l.Cells.Read(g)
				parts = append(parts, Paint{Map: m.ID, Layer: l.ID, Region: g, Cells: cells, Expect: cells, Loose: g})
			}
		}
	}
	return parts
}

// Clip keeps a label as short as a name may be.
func Clip(label string) string {
	if r := []rune(label); len(r) > 100 {
		return string(r[:99]) + "…"
	}
	return label
}
