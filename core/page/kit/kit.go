// Package kit is the room of the types of piece that a project has of its own.
package kit

import (
	"strings"

	"azzel/core/edit"
	"azzel/core/hand"
	"azzel/core/kind"
	"azzel/core/kinds/props"
	"azzel/core/page"
	"azzel/core/page/pieces"
	"azzel/core/page/rules"
	"azzel/core/world"
)

func init() {
	page.RegisterQuestions(page.Asking{Question: AskTypes{}, Otherwise: TypesView{Types: []OwnTypeView{}, Kinds: []KindView{}, May: []string{}, Sorts: []string{}}})
}

// TypesView is all types that a project has of its own.
type TypesView struct {
	Types []OwnTypeView `json:"types"`
	// Kinds are those on which a type can build, May what there is to say of how many of its pieces there may be.
	Kinds []KindView `json:"kinds"`
	May   []string   `json:"may"`
	// Sorts are what a property of a type can be.
	Sorts []string `json:"sorts"`
	// InHand is what a picture can be taken from.
	InHand string `json:"inHand"`
}

// KindView is a built-in kind.
type KindView struct {
	ID   string `json:"id"`
	Name string `json:"name"`
}

// OwnTypeView is a type of one's own.
type OwnTypeView struct {
	ID string `json:"id"`
	TypeLook
	Name string `json:"name"`
	// Kind is what it builds on, Says what a piece of it does by that, Family and Icon how it is drawn.
	Kind   string `json:"kind"`
	Says   string `json:"says"`
	Family string `json:"family"`
	Icon   string `json:"icon"`
	// Pieces is how many there are, Maps on how many maps, First one of them.
	Pieces int        `json:"pieces"`
	Maps   int        `json:"maps"`
	First  page.Thing `json:"first"`
	// Properties are those that its pieces have beside those of the kind.
	Properties []PropertyView `json:"properties"`
	// Fields are what is usual of its pieces, Pictures how they are seen.
	Fields   []pieces.FieldView   `json:"fields"`
	Pictures []pieces.PictureView `json:"pictures"`
	Rules    []rules.HeadView     `json:"rules"`
}

// TypeLook is what can be set of a type as a whole.
type TypeLook struct {
	Base     page.ID `json:"base"`
	Purpose  string  `json:"purpose"`
	Keywords string  `json:"keywords"`
	// May is how many pieces there may be, by its number, Most how many where that says so many.
	May  int `json:"may"`
	Most int `json:"most"`
}

// mays are how many pieces of a type there may be, by their numbers.
var mays = []string{"any number", "exactly one in the project", "at most so many on a map", "at most so many in the project"}

// AskTypes asks for all types that the project has of its own.
type AskTypes struct{}

// Answer implements Question.
func (AskTypes) Answer(p *page.Page) any {
	d := p.Doc()
	v := TypesView{Types: []OwnTypeView{}, Kinds: []KindView{}, May: mays, Sorts: PropertySorts, InHand: pieces.InHand(p)}
	for _, k := range kind.All() {
		if !k.Single && !k.Starts && !k.Begins {
			v.Kinds = append(v.Kinds, KindView{page.FormatID(k.ID), k.Name})
		}
	}
	counts := map[world.ID]*OwnTypeView{}
	for _, t := range d.Types {
		k := t.Kind()
		v.Types = append(v.Types, OwnTypeView{ID: page.FormatID(t.ID), TypeLook: lookOf(t), Name: t.Name, Kind: kind.Of(t.Base).Name, Says: kind.Of(t.Base).Purpose, Family: string(k.Family),
			Icon: page.FormatID(k.ID), Properties: viewProperties(d, t), Fields: pieces.UsualFields(d, t), Pictures: pieces.ViewPictures(p, k, t.Usual, t.Usual), Rules: rules.Of(d, kind.Type, t.ID)})
	}
	for i := range v.Types {
		counts[world.ID(page.ParseID(v.Types[i].ID))] = &v.Types[i]
	}
	for _, m := range d.Maps {
		here := map[*OwnTypeView]bool{}
		for _, is := range m.Pieces {
			if is.Own() == nil {
				continue
			}
			of := counts[is.Own().ID]
			if of.Pieces++; of.Pieces == 1 {
				of.First = page.Thing{Kind: page.KindNames[world.SortPiece], Map: page.ID(m.ID), ID: page.ID(is.ID)}
			}
			if !here[of] {
				here[of] = true
				of.Maps++
			}
		}
	}
	return v
}

func lookOf(t *world.Type) TypeLook {
	return TypeLook{page.ID(t.Base), t.Purpose, t.Keywords, int(t.May), max(t.Most, 1)}
}

// freeName is a name that no type has: as it is given, or with a number.
func freeName(d *world.Document, name string) string {
	return page.FreeName(name, name, d.Kit(), func(k world.InKit) string { return k.Name })
}

// AddType makes a type of one's own that builds on a kind.
type AddType struct {
	Base page.ID `json:"base"`
}

// Do implements Order.
func (o AddType) Do(p *page.Page) page.Changed {
	k := kind.Of(world.ID(o.Base))
	if k == nil {
		return p.Fail(world.ErrGone)
	}
	t := &world.Type{Name: freeName(p.Doc(), "Own "+strings.ToLower(k.Name)), Base: k.ID, Usual: k.Placed}
	return p.Do(edit.Edit{Label: edit.Clip("make the type " + t.Name), Parts: []edit.Part{edit.Put{Ref: world.TypeRef(p.IDs.NewID()), Values: t.Values()}}})
}

// MakeType makes a type out of a piece: what is set of that is usual of the type from then on, and the piece is the first of it.
type MakeType struct {
	Map   page.ID `json:"map"`
	Piece page.ID `json:"piece"`
}

// Do implements Order.
func (o MakeType) Do(p *page.Page) page.Changed {
	d := p.Doc()
	ref := page.PieceRef(o.Map, o.Piece)
	_, is := d.Piece(ref.ID)
	if is == nil {
		return p.Fail(world.ErrGone)
	}
	name := is.Name
	if name == "" {
		name = "Own " + strings.ToLower(is.Kind().Name)
	}
	t := &world.Type{Name: freeName(d, name), Base: is.Type}
	next := *is
	next.Props = ""
	for f, b := range is.All().All() {
		set := kind.Value{Field: f, Bytes: b}
		if p := kind.PropOf(f); p != nil && usual(is.Kind(), p) {
			t.Usual = t.Usual.With(set)
		} else {
			next.Props = next.Props.With(set)
		}
	}
	id := p.IDs.NewID()
	next.Props = next.Props.With(props.OwnType.Refer(id))
	parts := []edit.Part{edit.Put{Ref: world.TypeRef(id), Values: t.Values()}}
	return p.Do(edit.Edit{Label: edit.Clip("make the type " + t.Name), Parts: append(parts, edit.Changes(ref, is.Values(), next.Values())...)})
}

// usual reports whether a type can say what is usual of a property of a kind.
func usual(k *kind.Kind, p *kind.Prop) bool {
	h, has := k.Has(p)
	return has && world.SetsUsual(h)
}

// SetType sets what can be set of a type as a whole. Where it builds on another kind its pieces are of that from then on, and keep what they set themselves as far
// as that has it.
type SetType struct {
	Type   page.ID             `json:"type"`
	Change page.Part[TypeLook] `json:"change"`
}

// Do implements Order.
func (o SetType) Do(p *page.Page) page.Changed {
	d := p.Doc()
	t := d.Type(world.ID(o.Type))
	if t == nil {
		return p.Fail(world.ErrGone)
	}
	to, err := o.Change.Over(lookOf(t))
	if err != nil {
		return p.Fail(err)
	}
	next := *t
	next.Base, next.Purpose, next.Keywords = world.ID(to.Base), to.Purpose, to.Keywords
	if next.May, next.Most = world.Most(min(max(to.May, 0), 255)), to.Most; to.May < int(world.MostOnMap) {
		next.Most = 0
	}
	parts := edit.Changes(world.TypeRef(t.ID), t.Values(), next.Values())
	lost := 0
	if base := kind.Of(next.Base); next.Base != t.Base && base != nil {
		for _, m := range d.Maps {
			for _, is := range m.Pieces {
				if is.Own() != t {
					continue
				}
				of := *is
				of.Type, of.Props = next.Base, base.Keeps(is.Props)
				lost += count(is.Props) - count(of.Props)
				parts = append(parts, edit.Changes(world.Ref{Sort: world.SortPiece, Map: m.ID, ID: is.ID}, is.Values(), of.Values())...)
			}
		}
	}
	if len(parts) == 0 {
		return 0
	}
	changed := p.Do(edit.Edit{Label: edit.Clip("change the type " + t.Name), Parts: parts})
	if lost > 0 && p.Doc() != d {
		p.Say("%s of its pieces that a %s has not are set no more. Undo brings them back.", page.Counted(lost, "value"), strings.ToLower(kind.Of(next.Base).Name))
	}
	return changed
}

func count(v kind.Values) (n int) {
	for range v.All() {
		n++
	}
	return n
}

// SetTypeField sets what is usual of the pieces of a type: a number in its unit, or for a field with options the one that is chosen.
type SetTypeField struct {
	Type   page.ID `json:"type"`
	Field  string  `json:"field"`
	Number float64 `json:"number,omitempty"`
	Choice string  `json:"choice,omitempty"`
}

// Do implements Order.
func (o SetTypeField) Do(p *page.Page) page.Changed {
	t := p.Doc().Type(world.ID(o.Type))
	if t == nil {
		return p.Fail(world.ErrGone)
	}
	next, before, err := pieces.SetUsual(p.Author(), t, o.Field, o.Number, o.Choice)
	if err != nil {
		return p.Fail(err)
	}
	parts := append(before, edit.Changes(world.TypeRef(t.ID), t.Values(), next.Values())...)
	if len(parts) == 0 {
		return 0
	}
	return p.Do(edit.Edit{Label: edit.Clip("change the type " + t.Name), Parts: parts})
}

// SetPieceType makes a piece one of another type, built-in or of one's own. It keeps what that has of what is set of it.
type SetPieceType struct {
	Map   page.ID `json:"map"`
	Piece page.ID `json:"piece"`
	Type  page.ID `json:"type"`
}

// Do implements Order.
func (o SetPieceType) Do(p *page.Page) page.Changed {
	d := p.Doc()
	ref := page.PieceRef(o.Map, o.Piece)
	m, is := d.Piece(ref.ID)
	as := d.NewPiece(world.ID(o.Type))
	switch {
	case is == nil || as == nil || as.Kind() == nil:
		return p.Fail(world.ErrGone)
	case is.TypeID() == as.TypeID():
		return 0
	case is.Kind().Begins || as.Kind().Begins:
		return p.Refuse("The spawn is one: place another one instead of changing what it is.")
	}
	if problem := d.Room(world.ID(o.Type), m, is.ID); problem != "" {
		return p.Refuse("%s", problem)
	}
	next := *is
	next.Type, next.Props = as.Type, as.Kind().Keeps(is.Props).With(props.OwnType.Unset())
	for f := range next.Props.All() {
		if as.Kind().PropOf(f) == nil {
			next.Props = next.Props.With(kind.Value{Field: f})
		}
	}
	if own := as.Own(); own != nil {
		next.Props = next.Props.With(props.OwnType.Refer(own.ID))
	}
	var lost []string
	for f := range is.Props.All() {
		prop := is.Kind().PropOf(f)
		if prop == nil || prop == props.OwnType || len(next.Props.Get(f)) > 0 {
			continue
		}
		if h, has := is.Kind().Has(prop); has {
			lost = append(lost, "“"+h.Says()+"”")
		}
	}
	changed := p.Do(edit.Edit{Label: edit.Clip("change what " + hand.PieceName(d, is) + " is"), Parts: edit.Changes(ref, is.Values(), next.Values())})
	if len(lost) > 0 && p.Doc() != d {
		p.Say("A %s has no %s: that is set no more. Undo brings it back.", strings.ToLower(as.Kind().Name), strings.Join(lost, ", "))
	}
	return changed
}

// RemoveType deletes a type, with its rules. Its pieces stay as plain ones of the kind on which it builds, as they are.
type RemoveType struct {
	Type page.ID `json:"type"`
}

// Do implements Order.
func (o RemoveType) Do(p *page.Page) page.Changed {
	d := p.Doc()
	t := d.Type(world.ID(o.Type))
	if t == nil {
		return p.Fail(world.ErrGone)
	}
	parts := edit.RemoveRules(d, kind.Type, t.ID)
	n := 0
	for _, m := range d.Maps {
		for _, is := range m.Pieces {
			if is.Own() == t {
				n++
				next := *is
				next.Props = is.All().With(props.OwnType.Unset())
				parts = append(parts, edit.Changes(world.Ref{Sort: world.SortPiece, Map: m.ID, ID: is.ID}, is.Values(), next.Values())...)
			}
		}
	}
	changed := p.Do(edit.Edit{Label: edit.Clip("delete the type " + t.Name), Parts: append(parts, edit.Remove{Ref: world.TypeRef(t.ID)})})
	if n > 0 && p.Doc() != d {
		p.Say("%s stay as they are, as plain ones: %s. Undo brings the type back.", page.Counted(n, "piece"), strings.ToLower(kind.Of(t.Base).Name))
	}
	return changed
}

// FollowType lets a piece be as its type says, in all that it sets otherwise but for what types do not say.
type FollowType struct {
	Map   page.ID `json:"map"`
	Piece page.ID `json:"piece"`
}

// Do implements Order.
func (o FollowType) Do(p *page.Page) page.Changed {
	ref := page.PieceRef(o.Map, o.Piece)
	_, is := p.Doc().Piece(ref.ID)
	if is == nil {
		return p.Fail(world.ErrGone)
	}
	next := *is
	for _, h := range is.Otherwise() {
		if !world.SetsUsual(h) {
			continue
		}
		if next.Props = next.Props.With(kind.Value{Field: h.Field}); h.Field < kind.FirstOwnField {
			next.Props = next.Props.With(kind.Value{Field: kind.None(h.Field)})
		}
	}
	parts := edit.Changes(ref, is.Values(), next.Values())
	if len(parts) == 0 {
		return 0
	}
	return p.Do(edit.Edit{Label: edit.Clip("let " + hand.PieceName(p.Doc(), is) + " be as its type"), Parts: parts})
}
