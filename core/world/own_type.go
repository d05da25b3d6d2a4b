package world

import (
	"errors"
	"fmt"
	"strings"
	"unicode/utf8"

	"azzel/core/kind"
	"azzel/core/kinds/props"
	"azzel/core/limit"
	"azzel/core/pack"
)

// A Type is one of the designer's own: a kind of piece with a name of its own and other usual values. Its pieces are of that kind, and name the type by
// props.OwnType: where the type is gone they are plain pieces of their kind, and keep what they set themselves.
type Type struct {
	ID     ID
	Name   string
	Number int
	// Base is the kind on which it builds.
	Base ID
	// Purpose says in a sentence what its pieces are for, in the place of what the kind says. Keywords are words by which it is found.
	Purpose, Keywords string
	// May is how many of its pieces there may be, with Most where that says so many.
	May  Most
	Most int
	// Usual is what its pieces have that do not set it themselves.
	Usual kind.Values
	// Further are properties that its pieces have beside those of the kind, sorted by id.
	Further []TypeProp
	// kind is what its pieces are: that of Base with the name of the type. It follows from the rest.
	kind *kind.Kind
}

// A Most is how many pieces of a type there may be.
type Most uint8

// How many pieces of a type there may be: any number, exactly one in the project, at most so many on a map, at most so many in the project.
const (
	AnyNumber Most = iota
	ExactlyOne
	MostOnMap
	MostInProject
	mostEnd
)

// TypeFurther + the id of a property is the field of a type that holds what that is, TypeUsual + the field of a property is the field of a type that holds what its pieces usually have of that: one for each, so that two people can change one
// type at a time. What is as usual for the kind has no bytes.
const (
	TypeUsual   Field = 1 << 63
	TypeFurther Field = 1 << 62
)

// The fields of a type.
const (
	FieldBase        Field = 2
	FieldPurpose     Field = 3
	FieldTypeKeyword Field = 4
	FieldMay         Field = 5
)

var typeFields = []field[*Type]{
	textField(FieldName, func(t *Type) *string { return &t.Name }),
	idField(FieldBase, func(t *Type) *ID { return &t.Base }),
	textField(FieldPurpose, func(t *Type) *string { return &t.Purpose }),
	textField(FieldTypeKeyword, func(t *Type) *string { return &t.Keywords }),
	{FieldMay, func(t *Type, w *pack.Writer) {
		w.Uint(uint64(t.May))
		w.Int(t.Most)
	}, func(t *Type, r *pack.Reader) { t.May, t.Most = Most(min(r.Uint(), 255)), r.Int() }},
	intsField(FieldNumber, func(t *Type) *int { return &t.Number }),
}

// typeUsual are the fields of a type that hold usual values.
var typeUsual = &further[*Type]{
	values: func(t *Type) (list []Value) {
		for f, b := range t.Usual.All() {
			list = append(list, Value{Field: TypeUsual | f, Bytes: b})
		}
		for i := range t.Further {
			list = append(list, t.Further[i].Value())
		}
		return list
	},
	is: func(f Field) bool { return f&(TypeUsual|TypeFurther) != 0 },
	set: func(t *Type, v Value) error {
		if v.Field&TypeFurther != 0 {
			return t.setFurther(v)
		}
		f := v.Field &^ TypeUsual
		p := kind.PropOf(f)
		if p == nil || p == props.OwnType {
			return fmt.Errorf("%w: property %d of a type is not known here; reload the page", pack.ErrMalformed, f)
		}
		if err := p.Check(v.Bytes); err != nil {
			return err
		}
		t.Usual = t.Usual.With(kind.Value{Field: f, Bytes: p.Canonical(v.Bytes)})
		return nil
	},
}

// TypeOf is a type of an id with some values. An error says in words what can't be.
func TypeOf(id ID, values []Value) (t Type, err error) {
	t.ID = id
	for _, v := range values {
		if typeUsual.is(v.Field) {
			err = typeUsual.set(&t, v)
		} else {
			err = setField(&t, typeFields, v)
		}
		if err != nil {
			return t, err
		}
	}
	return t, (&Document{}).checkType(&t)
}

// Prop is a property of pieces by its field: a built-in one, or one of a type of the designer's own; nil for one that is gone.
func (d *Document) Prop(f Field) *kind.Prop {
	if f < kind.FirstOwnField {
		return kind.PropOf(f)
	}
	for _, t := range d.Types {
		if p := t.Kind().PropOf(f); p != nil {
			return p
		}
	}
	return nil
}

// Values are the properties of a type, with a value for each that its pieces usually have otherwise than their kind.
func (t *Type) Values() []Value { return append(valuesOf(t, typeFields), typeUsual.values(t)...) }

// TypeRef is a type of the designer's own as a reference.
func TypeRef(id ID) Ref { return Ref{Sort: SortType, ID: id} }

// Type finds a type of the designer's own; nil if there is none.
func (d *Document) Type(id ID) *Type { return byID(d.Types, id, func(t *Type) ID { return t.ID }) }

// Kind is what pieces of the type are.
func (t *Type) Kind() *kind.Kind {
	if t.kind == nil {
		return t.made()
	}
	return t.kind
}

// made is what pieces of the type are, worked out.
func (t *Type) made() *kind.Kind {
	base := kind.Of(t.Base)
	if base == nil {
		return nil
	}
	purpose := t.Purpose
	if purpose == "" {
		purpose = base.Purpose
	}
	var more []*kind.Prop
	for i := range t.Further {
		more = append(more, t.Further[i].Prop())
	}
	return base.As(t.ID, t.Name, purpose, base.Keeps(t.Usual), more)
}

// Kind is a built-in kind by its number, or what pieces of a type of the designer's own are; nil for none.
func (d *Document) Kind(of ID) *kind.Kind {
	if of < kind.FirstOwn {
		return kind.Of(of)
	}
	if t := d.Type(of); t != nil {
		return t.Kind()
	}
	return nil
}

// KindName is what people read as the name of a type, built-in or of the designer's own; empty for one that is gone.
func (d *Document) KindName(of ID) string {
	if k := d.Kind(of); k != nil {
		return k.Name
	}
	return ""
}

// InKit is a type of piece that there is to place: a built-in kind, or one of the designer's own.
type InKit struct {
	Type ID
	*kind.Kind
}

// Kit are all types of piece that there are: those of the designer's own, then the built-in ones that are placed most, then the others.
func (d *Document) Kit() (list []InKit) {
	for _, t := range d.Types {
		list = append(list, InKit{t.ID, t.Kind()})
	}
	for _, seldom := range []bool{false, true} {
		for _, k := range kind.All() {
			if k.Seldom == seldom {
				list = append(list, InKit{k.ID, k})
			}
		}
	}
	return list
}

// Room says why no more pieces of a type can be on a map, of which there are some already but for one that is moved there; empty if one can. It looks at every piece
// where the type says how many there may be.
func (d *Document) Room(of ID, on *Map, moved ID) string {
	t := d.Type(of)
	if t == nil || t.May == AnyNumber {
		return ""
	}
	here, all := 0, 0
	for _, m := range d.Maps {
		for _, p := range m.Pieces {
			if p.ID != moved && p.own == t {
				all++
				if m.ID == on.ID {
					here++
				}
			}
		}
	}
	switch {
	case t.May == ExactlyOne && all >= 1:
		return fmt.Sprintf("There is exactly one %s in the project: move that one, or change its type.", t.Name)
	case t.May == MostOnMap && here >= t.Most:
		return fmt.Sprintf("Of %s there are at most %d on a map, and %s has them.", t.Name, t.Most, on.Name)
	case t.May == MostInProject && all >= t.Most:
		return fmt.Sprintf("Of %s there are at most %d in the project.", t.Name, t.Most)
	}
	return ""
}

// SetsUsual reports whether types can say of a property what is usual: not what of a single piece lies on a map, nor of which type it is.
func SetsUsual(h kind.Has) bool {
	return !h.Old && h.Prop != props.OwnType && h.To != kind.Track && h.To != kind.Area
}

func (d *Document) checkType(t *Type) error {
	if len(d.Types) > limit.Types {
		return fmt.Errorf("a project has at most %d types of its own: delete one first", limit.Types)
	}
	base := kind.Of(t.Base)
	switch {
	case base == nil:
		return fmt.Errorf("%w: a type that builds on a kind that is not known here; reload the page", pack.ErrMalformed)
	case base.Single || base.Starts || base.Begins:
		return fmt.Errorf("a type can't build on the %s, at which play begins", strings.ToLower(base.Name))
	case len(t.Further) > limit.TypeProps:
		return fmt.Errorf("a type has at most %d properties of its own", limit.TypeProps)
	case t.May >= mostEnd:
		return fmt.Errorf("%w: a type of which there may be as many as is not known here; reload the page", pack.ErrMalformed)
	case t.May >= MostOnMap && (t.Most < 1 || t.Most > limit.PiecesInMap):
		return fmt.Errorf("of a type there are at most 1 to %d pieces, not %d", limit.PiecesInMap, t.Most)
	case t.Most < 0 || t.Most > limit.PiecesInMap:
		return errors.New("how many pieces of a type there may be is out of range")
	}
	for name, text := range map[string]string{"what a type is for": t.Purpose, "the words by which a type is found": t.Keywords} {
		if utf8.RuneCountInString(text) > limit.TypeLetters || !utf8.ValidString(text) {
			return fmt.Errorf("%s has at most %d letters", name, limit.TypeLetters)
		}
	}
	return CheckName(t.Name, false)
}
