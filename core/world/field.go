package world

import (
	"bytes"
	"encoding/hex"
	"fmt"

	"azzel/core/grid"
	"azzel/core/kind"
	"azzel/core/limit"
	"azzel/core/pack"
)

// A Sort is one of the sorts of things that a document is made of. The numbers stand in
// stored bytes and are never used again.
type Sort uint8

// The sorts, in the order in which a document is put together.
const (
	SortProject  Sort = 1
	SortTileset  Sort = 2
	SortMap      Sort = 3
	SortLayer    Sort = 4
	SortPiece    Sort = 5
	SortCrossing Sort = 6
	// SortCharacter comes after the project in the order of putting together,
	// which names the player by id alone.
	SortCharacter Sort = 7
	SortMedley    Sort = 8
	SortBond      Sort = 9
	SortProperty  Sort = 10
	SortPatch     Sort = 11
	SortReplay    Sort = 12
	SortTrack     Sort = 13
	SortArea      Sort = 14
	SortItem      Sort = 15
	SortFact      Sort = 16
	SortWire      Sort = 17
	SortRule      Sort = 18
	SortStart     Sort = 19
	SortType      Sort = 20
)

// A Ref points at one thing. Map is the map on which a layer or piece is, else
// 0; ID is 0 for the project.
type Ref struct {
	Sort Sort
	Map  ID
	ID   ID
}

// A Field numbers a property of a thing within its sort. The numbers stand in
// stored bytes and are never used again.
type Field = kind.Field

// TileField + i × TileProperties + n is property n of tile i of a tileset: a
// field of its own for each, so that two people can mark tiles of one tileset
// at a time.
const (
	TileField      Field = 1 << 20
	TileProperties       = 16
)

// A Value is one property in the encoding of its sort.
type Value = kind.Value

// A field reads and writes one property of a T.
type field[P any] struct {
	number Field
	get    func(P, *pack.Writer)
	set    func(P, *pack.Reader)
}

func textField[P any](n Field, at func(P) *string) field[P] {
	return field[P]{n,
		func(t P, w *pack.Writer) { w.Text(*at(t)) },
		func(t P, r *pack.Reader) { *at(t) = r.Text(limit.NameLetters * 4) }}
}

// hashField is a SHA-256 sum, hexadecimal in memory and raw in the encoding.
func hashField[P any](n Field, at func(P) *string) field[P] {
	return field[P]{n,
		func(t P, w *pack.Writer) { raw, _ := hex.DecodeString(*at(t)); w.Blob(raw) },
		func(t P, r *pack.Reader) {
			raw := r.Blob(32)
			if len(raw) != 0 && len(raw) != 32 {
				r.Fail(fmt.Errorf("%w: a sum has %d bytes", pack.ErrMalformed, len(raw)))
			}
			*at(t) = hex.EncodeToString(raw)
		}}
}

// longField is a text of up to limit.TextBytes.
func longField[P any](n Field, at func(P) *string) field[P] {
	return field[P]{n,
		func(t P, w *pack.Writer) { w.Text(*at(t)) },
		func(t P, r *pack.Reader) { *at(t) = r.Text(limit.TextBytes) }}
}

func intsField[P any](n Field, at ...func(P) *int) field[P] {
	return field[P]{n,
		func(t P, w *pack.Writer) {
			for _, a := range at {
				w.Int(*a(t))
			}
		},
		func(t P, r *pack.Reader) {
			for _, a := range at {
				*a(t) = r.Int()
			}
		}}
}

func idField[P any](n Field, at func(P) *ID) field[P] {
	return field[P]{n,
		func(t P, w *pack.Writer) { w.Uint(uint64(*at(t))) },
		func(t P, r *pack.Reader) { *at(t) = ID(r.Uint()) }}
}

func boolField[P any](n Field, at func(P) *bool) field[P] {
	return field[P]{n,
		func(t P, w *pack.Writer) { w.Bool(*at(t)) },
		func(t P, r *pack.Reader) { *at(t) = r.Bool() }}
}

func pointField[P any](n Field, at func(P) *grid.Point) field[P] {
	return intsField(n, func(t P) *int { return &at(t).X }, func(t P) *int { return &at(t).Y })
}

func rectField[P any](n Field, at func(P) *grid.Rect) field[P] {
	return intsField(n, func(t P) *int { return &at(t).X }, func(t P) *int { return &at(t).Y },
		func(t P) *int { return &at(t).W }, func(t P) *int { return &at(t).H })
}

func encodeField[P any](t P, f field[P]) []byte {
	var w pack.Writer
	f.get(t, &w)
	return w.Bytes
}

func valuesOf[P any](t P, fields []field[P]) []Value {
	values := make([]Value, 0, len(fields))
	for _, f := range fields {
		// What is stored only where it is set has no bytes where it is not.
		if b := encodeField(t, f); len(b) > 0 {
			values = append(values, Value{Field: f.number, Bytes: b})
		}
	}
	return values
}

func setField[P any](t P, fields []field[P], v Value) error {
	for _, f := range fields {
		if f.number == v.Field {
			r := pack.NewReader(v.Bytes)
			f.set(t, r)
			return r.Done()
		}
	}
	return fmt.Errorf("%w: property %d is not known here; reload the page", pack.ErrMalformed, v.Field)
}

func setFields[P any](t P, fields []field[P], values []Value) error {
	for _, v := range values {
		if err := setField(t, fields, v); err != nil {
			return err
		}
	}
	return nil
}

// TextValue makes a value of a text property.
func TextValue(f Field, s string) Value {
	var w pack.Writer
	w.Text(s)
	return Value{Field: f, Bytes: w.Bytes}
}

// IDValue makes a value of a property that names another thing.
func IDValue(f Field, id ID) Value {
	var w pack.Writer
	w.Uint(uint64(id))
	return Value{Field: f, Bytes: w.Bytes}
}

// PointValue makes a value of a property that is a place.
func PointValue(f Field, p grid.Point) Value {
	var w pack.Writer
	w.Int(p.X)
	w.Int(p.Y)
	return Value{Field: f, Bytes: w.Bytes}
}

// RectValue makes a value of a property that is a box.
func RectValue(f Field, r grid.Rect) Value {
	var w pack.Writer
	w.Int(r.X)
	w.Int(r.Y)
	w.Int(r.W)
	w.Int(r.H)
	return Value{Field: f, Bytes: w.Bytes}
}

// IntValue makes a value of a property that is one number.
func IntValue(f Field, n int) Value {
	var w pack.Writer
	w.Int(n)
	return Value{Field: f, Bytes: w.Bytes}
}

// BoolValue makes a value of a property that is yes or no.
func BoolValue(f Field, yes bool) Value {
	var w pack.Writer
	w.Bool(yes)
	return Value{Field: f, Bytes: w.Bytes}
}

// Values are the properties of a map as they are stored, without its layers
// and pieces. The other sorts have the same method.
func (m *Map) Values() []Value { return valuesOf(m, mapFields) }

// Values are the properties of a layer, without its cells.
func (l *Layer) Values() []Value { return valuesOf(l, layerFields) }

// Values are the properties of a crossing.
func (c *Crossing) Values() []Value { return valuesOf(c, crossingFields) }

// Values are the properties of a character.
func (c *Character) Values() []Value { return valuesOf(c, characterFields) }

// Values are the properties of a medley.
func (m *Medley) Values() []Value { return valuesOf(m, medleyFields) }

// Values are the properties of a property.
func (p *Property) Values() []Value { return valuesOf(p, propertyFields) }

// Values are the properties of a patch.
func (p *Patch) Values() []Value { return valuesOf(p, patchFields) }

// Values are the properties of a bond.
func (b *Bond) Values() []Value { return valuesOf(b, bondFields) }

// Values are the properties of a tileset.
func (t *Tileset) Values() []Value { return valuesOf(t, tilesetFields) }

// Values are the properties of a project.
func (p *Project) Values() []Value { return valuesOf(p, projectFields) }

// SameValues reports whether a and b are equal, value by value.
func SameValues(a, b []Value) bool {
	if len(a) != len(b) {
		return false
	}
	for i := range a {
		if a[i].Field != b[i].Field || !bytes.Equal(a[i].Bytes, b[i].Bytes) {
			return false
		}
	}
	return true
}

// EncodeValues writes values as stored.
func EncodeValues(w *pack.Writer, values []Value) {
	w.Uint(uint64(len(values)))
	for _, v := range values {
		w.Uint(uint64(v.Field))
		w.Blob(v.Bytes)
	}
}

// DecodeValues reads what EncodeValues wrote.
func DecodeValues(r *pack.Reader) []Value {
	n := r.Count(limit.Values, 2)
	values := make([]Value, 0, n)
	for range n {
		values = append(values, Value{Field: Field(r.Uint()), Bytes: r.Blob(limit.EditBytes)})
	}
	return values
}

// ReadCharacter reads a character's properties.
func ReadCharacter(values []Value) (*Character, error) {
	c := new(Character)
	return c, setFields(c, characterFields, values)
}

// ReadLayer reads a layer's properties; those that are not given are as of a new one.
func ReadLayer(values []Value) (*Layer, error) {
	l := new(Layer)
	return l, setFields(l, layerFields, values)
}

// ReadTileset reads a tileset's properties.
func ReadTileset(values []Value) (*Tileset, error) {
	t := new(Tileset)
	return t, setFields(t, tilesetFields, values)
}
