package world

import (
	"fmt"
	"slices"

	"azzel/core/grid"
	"azzel/core/kind"
	"azzel/core/kinds/props"
	"azzel/core/pack"
)

// A Piece is one thing placed on a map.
type Piece struct {
	ID     ID
	Name   string
	Number int
	Type   ID
	Layer  ID
	// Foot is the pixel of the map on which the piece stands.
	Foot grid.Point
	// Props are what is set of what its kind has; all else is as usual.
	Props kind.Values
	// own is the type of the designer's own of which it is, all what it sets and that type says beside. Both follow from the document.
	own *Type
	all kind.Values
}

// The fields of pieces of long ago that had several meanings. They are read, and never written.
const (
	fieldRange    Field = 10
	fieldStrength Field = 11
)

// baseFields are the properties that every piece has, and always stores. The type stands before what depends on it.
var baseFields = []field[*Piece]{
	textField(FieldName, func(p *Piece) *string { return &p.Name }),
	pointField(FieldFoot, func(p *Piece) *grid.Point { return &p.Foot }),
	idField(FieldType, func(p *Piece) *ID { return &p.Type }),
	idField(FieldLayer, func(p *Piece) *ID { return &p.Layer }),
	intsField(FieldNumber, func(p *Piece) *int { return &p.Number }),
}

func isBase(f Field) bool {
	return slices.ContainsFunc(baseFields, func(b field[*Piece]) bool { return b.number == f })
}

// Values are the properties of a piece: those that every piece has, and what it sets.
func (p *Piece) Values() []Value {
	values := valuesOf(p, baseFields)
	for f, b := range p.Props.All() {
		values = append(values, Value{Field: f, Bytes: b})
	}
	return values
}

// stored is the piece as far as it is stored.
func (p *Piece) stored() Piece {
	is := *p
	is.own, is.all = nil, ""
	return is
}

// Int is the number of a property: the one that is set, else the usual one of the kind, 0 if the kind does not have it.
func (p *Piece) Int(prop *kind.Prop) int { return p.All().Int(p.Kind(), prop) }

// Refers is what a property refers to, 0 for nothing.
func (p *Piece) Refers(prop *kind.Prop) ID { return p.All().Refers(prop) }

// set gives a piece a stored property. Another type keeps what it has too of what was set.
func (p *Piece) set(v Value) error {
	if isBase(v.Field) {
		if err := setField(p, baseFields, v); err != nil || v.Field != FieldType {
			return err
		}
		p.own = nil
		p.Props = p.Kind().Keeps(p.Props)
		return nil
	}
	own, err := ownValues(p.Kind(), v)
	for _, v := range own {
		p.Props = p.Props.With(v)
	}
	return err
}

// setAll gives a piece stored properties, the type first.
func (p *Piece) setAll(values []Value) error {
	for _, base := range []bool{true, false} {
		for _, v := range values {
			if isBase(v.Field) == base {
				if err := p.set(v); err != nil {
					return err
				}
			}
		}
	}
	return nil
}

// ownValues are the properties of a kind that a stored one stands for: itself, those that had one field in common long
// ago, or none for one that pieces of all kinds stored then.
func ownValues(k *kind.Kind, v Value) ([]Value, error) {
	if v.Field >= kind.FirstOwnField {
		return []Value{v}, kind.CheckOwn(v.Bytes)
	}
	list := []*kind.Prop{kind.PropOf(v.Field)}
	old := v.Field < kind.FirstOfOneMeaning
	switch {
	case k == nil:
		return nil, nil // and the piece is refused for that
	case v.Field == fieldRange:
		list = k.Range
	case v.Field == fieldStrength:
		list = k.Strength
	case list[0] == nil:
		return nil, fmt.Errorf("%w: property %d of a piece is not known here; reload the page", pack.ErrMalformed, v.Field)
	}
	own := make([]Value, 0, len(list))
	for _, p := range list {
		b := v.Bytes
		if old {
			b = kind.OldBytes(b)
		}
		if err := p.Check(b); err != nil {
			return nil, err
		}
		if p.Sort == kind.OwnState && !k.Can(p.Number(b)) {
			return nil, fmt.Errorf("a piece of the type %s can't be %s", k.Name, kind.StateOf(p.Number(b)).Name)
		}
		if _, has := k.Has(p); has {
			own = append(own, Value{Field: p.Field, Bytes: p.Canonical(b)})
		} else if len(b) > 0 && !old {
			return nil, fmt.Errorf("%s: a piece of the type %s has no such property", p.Name, k.Name)
		}
	}
	return own, nil
}

// PropsOf is what a piece of a kind sets by values that were stored at any time.
func PropsOf(k *kind.Kind, values ...Value) (v kind.Values, err error) {
	for _, set := range values {
		own, err := ownValues(k, set)
		if err != nil {
			return "", err
		}
		v = v.With(own...)
	}
	return v, nil
}

// Acts reports whether pieces of a type move or do something by themselves in play.
func Acts(of ID) bool { k := kind.Of(of); return k != nil && k.Acts }

// FootOf is the pixel on which a piece of a type stands that is put into a cell of the map. From
// the side it stands on the lower edge of the cell; a platform is level with its upper edge.
func (m *Map) FootOf(l grid.Lattice, of ID, c grid.Point) grid.Point {
	foot := l.Foot(c)
	k := kind.Of(of)
	if k == nil {
		k = &kind.Kind{}
	}
	switch {
	case m.View != SideView && k.Fills:
		// What is as large as a cell lies in it.
		foot.Y = (c.Y+1)*l.H - 1
	case m.View != SideView:
	case k.Lies:
		foot.Y = c.Y*l.H + max(1, l.H/2) - 1
	default:
		foot.Y = (c.Y+1)*l.H - 1
	}
	return foot
}

// FootFor is FootOf for a piece: one of an even width lies over the cell and those beside it, so that it
// covers whole cells.
func (m *Map) FootFor(l grid.Lattice, p *Piece, c grid.Point) grid.Point {
	foot := m.FootOf(l, p.Type, c)
	if p.Width()%2 == 0 {
		foot.X = c.X * l.W
	}
	return foot
}

// Character is the character that the piece is; 0 for nobody in particular. What others name besides, as those that come out of them, they are not.
func (p *Piece) Character() ID {
	if !p.Kind().Figure {
		return 0
	}
	return p.Refers(props.Who)
}

// Width is how wide a piece is in play, in cells.
func (p *Piece) Width() int { return max(1, p.Int(props.Width)) }

// Height is how high a piece is in play, in cells.
func (p *Piece) Height() int { return max(1, p.Int(props.Height)) }

// Wide reports whether a piece may cover several cells.
func (p *Piece) Wide() bool {
	_, wide := p.Kind().Has(props.Width)
	return wide
}

// Cells are those that a piece covers where it stands, from the one of its foot upwards: of most pieces that one alone.
func (p *Piece) Cells(l grid.Lattice) grid.Rect {
	foot := l.CellAt(p.Foot)
	w, h := p.Width(), p.Height()
	if w > 1 {
		foot.X = l.CellAt(grid.Point{X: p.Foot.X - w*l.W/2 + l.W/2, Y: p.Foot.Y}).X
	}
	return grid.Rect{X: foot.X, Y: foot.Y - h + 1, W: w, H: h}
}

// To is how far from where it stands a piece that goes to and fro turns, in pixels.
func (p *Piece) To() grid.Point {
	to := p.All().Numbers(p.Kind(), props.To)
	return grid.Point{X: to[0], Y: to[1]}
}

// PathTo is where the foot of a piece that goes to and fro turns, in pixels of the map.
func (p *Piece) PathTo() grid.Point { return p.Foot.Add(p.To()) }

// Wanted is how many of its item a piece gives, or needs as SingleNeed says.
func (p *Piece) Wanted() int { return max(1, p.Int(props.Amount)) }

// Sets is what the piece does to a fact.
func (p *Piece) Sets() Change {
	by := p.All().Numbers(p.Kind(), props.SetsBy)
	return Change{p.Refers(props.Sets), Setting(by[0]), by[1]}
}

// Props are the properties of a piece that does this to a fact.
func (c Change) Props() []kind.Value {
	return []kind.Value{props.Sets.Refer(c.Fact), props.SetsBy.Is(int(c.How), c.By)}
}
