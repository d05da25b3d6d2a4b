package world

import (
	"errors"
	"fmt"
	"slices"
	"sort"
	"strconv"
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

// A TypeProp is a property that the pieces of a type of the designer's own have: a number in a unit, yes or no, or one of some words.
type TypeProp struct {
	// ID is its field in stored pieces too.
	ID   ID
	Name string
	// Sort is kind.Whole, kind.YesNo or kind.Choice, of which Words are the options.
	Sort  kind.Sort
	Words []string
	Unit  string
	// Usual is what a piece has that does not set it, from Least to Most.
	Usual, Least, Most int
	// Changes says that rules set it in play.
	Changes bool
}

// Prop is the property as kinds declare theirs.
func (p *TypeProp) Prop() *kind.Prop {
	is := &kind.Prop{Field: Field(p.ID), Word: strconv.FormatUint(uint64(p.ID), 10), Label: p.Name, Name: p.Name, Sort: p.Sort, Unit: p.Unit, Usual: p.Usual, Least: p.Least, Most: p.Most, Options: p.Words, Changes: p.Changes}
	if p.Sort == kind.Whole {
		is.Reach = min(p.Most, max(20, p.Usual))
	}
	return is
}

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

// Value is the value by which a type has the property.
func (p *TypeProp) Value() Value {
	var w pack.Writer
	w.Text(p.Name)
	w.Uint(uint64(p.Sort))
	w.Text(p.Unit)
	for _, n := range []int{p.Usual, p.Least, p.Most} {
		w.Int(n)
	}
	w.Bool(p.Changes)
	w.Uint(uint64(len(p.Words)))
	for _, word := range p.Words {
		w.Text(word)
	}
	return Value{Field: TypeFurther | Field(p.ID), Bytes: w.Bytes}
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

// NoTypeProp is the value by which a type has a property no more.
func NoTypeProp(id ID) Value { return Value{Field: TypeFurther | Field(id)} }

// setFurther gives a type a property, changes it, or takes it away.
func (t *Type) setFurther(v Value) error {
	p := TypeProp{ID: ID(v.Field &^ TypeFurther)}
	i := sort.Search(len(t.Further), func(i int) bool { return t.Further[i].ID >= p.ID })
	there := i < len(t.Further) && t.Further[i].ID == p.ID
	list := slices.Clone(t.Further)
	if len(v.Bytes) == 0 {
		if there {
			t.Further = slices.Delete(list, i, i+1)
		}
		return nil
	}
	r := pack.NewReader(v.Bytes)
	p.Name, p.Sort, p.Unit = r.Text(4*limit.NameLetters), kind.Sort(min(r.Uint(), 255)), r.Text(4*limit.NameLetters)
	p.Usual, p.Least, p.Most, p.Changes = r.Int(), r.Int(), r.Int(), r.Bool()
	for range r.Count(limit.FactWords, 1) {
		p.Words = append(p.Words, r.Text(4*limit.NameLetters))
	}
	if err := r.Done(); err != nil {
		return err
	}
	if err := p.check(); err != nil {
		return err
	}
	if there {
		list[i] = p
	} else {
		list = slices.Insert(list, i, p)
	}
	t.Further = list
	return nil
}

// check holds a property against what it may be.
func (p *TypeProp) check() error {
	if p.ID < ID(kind.FirstOwnField) {
		return fmt.Errorf("%w: a property of a type that has the number of a built-in one", pack.ErrMalformed)
	}
	if err := CheckName(p.Name, false); err != nil {
		return err
	}
	if err := CheckName(p.Unit, true); err != nil {
		return err
	}
	switch p.Sort {
	case kind.YesNo:
	case kind.Choice:
		if len(p.Words) < 1 || len(p.Words) > limit.FactWords {
			return fmt.Errorf("%s is one of 1 to %d words", p.Name, limit.FactWords)
		}
		for _, word := range p.Words {
			if err := CheckName(word, false); err != nil {
				return err
			}
		}
	case kind.Whole:
		if p.Least > p.Most || p.Least < -kind.MostOwn || p.Most > kind.MostOwn {
			return fmt.Errorf("%s has a least of %d and a most of %d: the least is below the most, both within a thousand millions", p.Name, p.Least, p.Most)
		}
	default:
		return fmt.Errorf("%w: a property of a sort that is not known here; reload the page", pack.ErrMalformed)
	}
	if p.Usual < -kind.MostOwn || p.Usual > kind.MostOwn {
		return fmt.Errorf("what is usual of %s is out of range", p.Name)
	}
	return nil
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

// Kit are all types of piece that there are: those of the designer's own, then the built-in ones.
func (d *Document) Kit() (list []InKit) {
	for _, t := range d.Types {
		list = append(list, InKit{t.ID, t.Kind()})
	}
	for _, k := range kind.All() {
		list = append(list, InKit{k.ID, k})
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

// Own is the type of the designer's own of which the piece is; nil for none, for one that is gone, and for one that builds on another kind by now.
func (p *Piece) Own() *Type { return p.own }

// Is reports whether the piece is of a type: of a built-in kind by its number, or of one of the designer's own.
func (p *Piece) Is(of ID) bool { return p.Type == of || p.own != nil && p.own.ID == of }

// TypeID is the type of the designer's own of which the piece is, else its kind.
func (p *Piece) TypeID() ID {
	if p.own != nil {
		return p.own.ID
	}
	return p.Type
}

// NewPiece is a piece of a type, built-in or of the designer's own, as it is placed; nil for one of the designer's own that is gone.
func (d *Document) NewPiece(of ID) *Piece {
	if of < kind.FirstOwn {
		return &Piece{Type: of}
	}
	t := d.Type(of)
	if t == nil {
		return nil
	}
	p := &Piece{Type: t.Base, Props: kind.Set(props.OwnType.Refer(of))}
	p.settle(t)
	return p
}

// All are the values that the piece has: what it sets, and what its type says beside that.
func (p *Piece) All() kind.Values {
	if p.own == nil {
		return p.Props
	}
	return p.all
}

// With is the piece with other values set, of the same type.
func (p *Piece) With(set ...kind.Value) *Piece {
	next := *p
	next.Props = p.Props.With(set...)
	next.settle(p.own)
	return &next
}

// Deny says of what is not set of a piece, though its type says it, that it has none: of some properties that were set just now.
func (p *Piece) Deny(set ...kind.Field) {
	for _, f := range set {
		if f >= kind.FirstOwnField {
			continue
		}
		denied := kind.Value{Field: kind.None(f)}
		if p.own != nil && len(p.Props.Get(f)) == 0 && len(p.own.kind.Usual.Get(f)) > 0 {
			denied = kind.OwnValue(denied.Field, 1)
		}
		p.Props = p.Props.With(denied)
	}
	p.settle(p.own)
}

// Otherwise are the properties of which the piece says something else than its type, in the order in which they are shown.
func (p *Piece) Otherwise() (list []kind.Has) {
	if p.own == nil {
		return nil
	}
	for _, h := range p.Kind().Props {
		if h.Prop != props.OwnType && (len(p.Props.Get(h.Field)) > 0 || len(p.Props.Get(kind.None(h.Field))) > 0 && h.Field < kind.FirstOwnField) {
			list = append(list, h)
		}
	}
	return list
}

// settle makes a piece one of a type; nil for none.
func (p *Piece) settle(own *Type) {
	p.own, p.all = own, ""
	if own == nil {
		return
	}
	p.all = own.kind.Usual
	for f := range p.Props.All() {
		if of, none := kind.NoneOf(f); none {
			p.all = p.all.With(kind.Value{Field: of})
		}
	}
	for f, b := range p.Props.All() {
		p.all = p.all.With(kind.Value{Field: f, Bytes: b})
	}
}

// typeOf is the type of the designer's own of which a piece says it is, if it can be.
func (d *Document) typeOf(p *Piece) *Type {
	if p.Props == "" || len(d.Types) == 0 {
		return nil
	}
	t := d.Type(p.Props.Refers(props.OwnType))
	if t == nil || t.Base != p.Type {
		return nil
	}
	return t
}

// settleTypes lets the pieces that were touched, and those of the types that were, be of their types as these are now.
func (d *Draft) settleTypes() {
	changed := map[ID]bool{}
	for _, r := range d.touched {
		if r.Sort != SortType {
			continue
		}
		changed[r.ID] = true
		for _, t := range d.doc.Types {
			if t.ID == r.ID {
				t.kind = t.made()
			}
		}
	}
	if len(d.doc.Types) == 0 && len(changed) == 0 {
		return
	}
	for i, r := range d.touched {
		if r.Sort != SortPiece || i > 0 && d.touched[i-1] == r {
			continue
		}
		if m := d.doc.Map(r.Map); m != nil {
			if p := m.Piece(r.ID); p != nil && d.own[p] {
				p.settle(d.doc.typeOf(p))
			}
		}
	}
	if len(changed) == 0 {
		return
	}
	for _, m := range d.doc.Maps {
		for i, p := range m.Pieces {
			if p.Props == "" || !changed[p.Props.Refers(props.OwnType)] {
				continue
			}
			if !d.own[p] {
				m, _ = d.mapOf(m.ID)
				is := *p
				p = &is
				d.own[p], m.Pieces[i] = true, p
			}
			p.settle(d.doc.typeOf(p))
		}
	}
}
