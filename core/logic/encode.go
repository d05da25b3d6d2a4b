package logic

import (
	"bytes"
	"errors"
	"fmt"
	"slices"
	"strings"
	"unicode"
	"unicode/utf8"

	"azzel/core/kind"
	"azzel/core/limit"
	"azzel/core/pack"
	"azzel/core/words"
)

// ErrMomentary is what Check reports of a condition that asks what only something that happens can answer: who did it,
// where somebody is, or how often the same happened before.
var ErrMomentary = errors.New("only what happens can ask that, not a piece that stands there")

// depth counts how deep a visitor is.
type depth struct {
	deep, all int
	err       error
}

func (d *depth) in() bool {
	d.deep++
	d.all++
	switch {
	case d.err != nil:
	case d.deep > MostDeep:
		d.fail("a condition lies at most %d deep", MostDeep)
	case d.all > 4*MostTerms:
		d.fail("a condition has at most %d terms", MostTerms)
	}
	if d.err != nil {
		d.deep--
	}
	return d.err == nil
}

func (d *depth) out() { d.deep-- }

func (d *depth) fail(format string, args ...any) {
	if d.err == nil {
		d.err = fmt.Errorf(format, args...)
	}
}

// A writer visits a condition to write it.
type writer struct {
	depth
	pack.Writer
}

func (w *writer) option(n *int, _ []string, _ string) { w.Uint(uint64(*n)) }
func (w *writer) number(n *int, _, _ int, _ string)   { w.Int(*n) }
func (w *writer) thing(id *kind.ID, _ kind.Thing)     { w.Uint(uint64(*id)) }
func (w *writer) property(f *kind.Field)              { w.Uint(uint64(*f)) }
func (w *writer) changing(f *kind.Field)              { w.property(f) }
func (w *writer) state(n *int)                        { w.Uint(uint64(*n)) }
func (w *writer) flag(yes *bool)                      { w.Bool(*yes) }
func (w *writer) moment(n *int)                       { w.Uint(uint64(*n)) }
func (w *writer) words(t *words.Text)                 { w.Blob(t.Encode()) }
func (w *writer) name(s *string)                      { w.Text(*s) }
func (w *writer) momentary(string)                    {}
func (w *writer) lasting()                            {}
func (w *writer) terms(list *[]Condition) bool {
	w.Uint(uint64(len(*list)))
	return true
}

// Encode gives a condition as bytes: equal ones give equal bytes. What Check does not take is not written whole.
func (c Condition) Encode() []byte {
	w := &writer{}
	c.visit(w)
	return w.Bytes
}

// A reader visits a condition to read it.
type reader struct {
	depth
	*pack.Reader
}

func (r *reader) option(n *int, words []string, name string) {
	if i := r.Uint(); i < uint64(len(words)) {
		*n = int(i)
	} else {
		*n = len(words) - 1
		r.fail("%w: %s of number %d is not known here; reload the page", pack.ErrMalformed, name, i)
	}
}
func (r *reader) number(n *int, _, _ int, _ string) { *n = r.Int() }
func (r *reader) thing(id *kind.ID, _ kind.Thing)   { *id = kind.ID(r.Uint()) }
func (r *reader) property(f *kind.Field)            { *f = kind.Field(r.Uint()) }
func (r *reader) changing(f *kind.Field)            { r.property(f) }
func (r *reader) state(n *int)                      { *n = int(min(r.Uint(), 1<<32-1)) }
func (r *reader) flag(yes *bool)                    { *yes = r.Bool() }
func (r *reader) moment(n *int)                     { *n = int(min(r.Uint(), 1<<32-1)) }
func (r *reader) name(s *string)                    { *s = r.Text(4 * limit.NameLetters) }
func (r *reader) words(t *words.Text) {
	b := r.Blob(limit.TextBytes)
	if len(b) == 0 || r.Err() != nil {
		return
	}
	is, err := words.Decode(b)
	if err != nil {
		r.fail("%w", err)
	}
	*t = is
}
func (r *reader) momentary(string) {}
func (r *reader) lasting()         {}
func (r *reader) terms(list *[]Condition) bool {
	n := r.Count(MostTerms, 2)
	if r.err == nil {
		r.err = r.Err()
	}
	if r.err != nil || n == 0 {
		return false
	}
	*list = make([]Condition, n)
	return true
}

// Decode reads what Encode wrote. An error says what is wrong with it, in words; what it may ask is looked at by Check.
func Decode(b []byte) (Condition, error) {
	r := &reader{Reader: pack.NewReader(b)}
	var c Condition
	c.visit(r)
	if err := r.Done(); r.err == nil {
		r.err = err
	}
	if r.err != nil {
		return Condition{}, fmt.Errorf("reading a condition: %w", r.err)
	}
	return c, nil
}

// DecodePart reads what Part.Encode wrote, as a part of an id.
func DecodePart(id kind.ID, b []byte) (Part, error) {
	r := &reader{Reader: pack.NewReader(b)}
	p := Part{ID: id}
	p.visit(r)
	if err := r.Done(); r.err == nil {
		r.err = err
	}
	if r.err != nil {
		return Part{}, fmt.Errorf("reading a part of a rule: %w", r.err)
	}
	return p, nil
}

// A checker visits a condition to hold it against what it may be.
type checker struct {
	depth
	happens bool
	// lasts says that it may ask what only a rule can that is so while something holds.
	lasts bool
	// unchosen says that what is named may be chosen later.
	unchosen bool
	count    int
}

func (k *checker) option(n *int, words []string, name string) {
	if *n < 0 || *n >= len(words) {
		k.fail("there is no such choice for %s", name)
	}
}
func (k *checker) number(n *int, least, most int, name string) {
	if *n < least || *n > most {
		k.fail("%s is %d to %d, not %d", name, least, most, *n)
	}
}
func (k *checker) thing(id *kind.ID, sort kind.Thing) {
	switch {
	case *id == 0 && k.unchosen:
	case *id == 0:
		k.fail("a condition asks for no %s: choose one", kind.ThingNames[sort])
	case sort == kind.Type && *id < kind.FirstOwn && kind.Of(*id) == nil:
		k.fail("%w: a type of piece of number %d is not known here; reload the page", pack.ErrMalformed, *id)
	}
}
func (k *checker) property(f *kind.Field) {
	if *f >= kind.FirstOwnField {
		return // of a type of the designer's own, which may be gone
	}
	if p := kind.PropOf(*f); p == nil {
		k.fail("%w: property %d of a piece is not known here; reload the page", pack.ErrMalformed, *f)
	} else if !IsNumber(p) {
		k.fail("%s is no number that a condition could ask for", p.Name)
	}
}
func (k *checker) changing(f *kind.Field) {
	if *f >= kind.FirstOwnField {
		return
	}
	if p := kind.PropOf(*f); p == nil {
		k.fail("%w: property %d of a piece is not known here; reload the page", pack.ErrMalformed, *f)
	} else if !Changes(p) {
		k.fail("%s does not change in play", p.Name)
	}
}
func (k *checker) state(n *int) {
	if kind.StateOf(*n) == nil {
		k.fail("%w: a state of number %d is not known here; reload the page", pack.ErrMalformed, *n)
	}
}
func (k *checker) lasting() {
	if !k.lasts {
		k.fail("only a rule that is so while something holds can ask how long that has lasted")
	}
}
func (k *checker) flag(*bool) {}
func (k *checker) moment(n *int) {
	if kind.MomentOf(*n) == nil {
		k.fail("%w: a moment of number %d is not known here; reload the page", pack.ErrMalformed, *n)
	}
}
func (k *checker) words(t *words.Text) {
	if err := t.Check(); err != nil {
		k.fail("%w", err)
	}
}
func (k *checker) name(s *string) {
	if n := utf8.RuneCountInString(*s); n > limit.NameLetters || !utf8.ValidString(*s) || strings.ContainsFunc(*s, unicode.IsControl) {
		k.fail("a name is one line of at most %d letters", limit.NameLetters)
	}
}
func (k *checker) momentary(string) {
	if !k.happens && k.err == nil {
		k.err = ErrMomentary
	}
}
func (k *checker) terms(list *[]Condition) bool {
	if k.count += len(*list); k.count > MostTerms {
		k.fail("a condition has at most %d terms", MostTerms)
	}
	return k.err == nil
}

// IsNumber reports whether a property is one number, of which a condition can ask.
func IsNumber(p *kind.Prop) bool {
	return p.Sort == kind.Whole || p.Sort == kind.YesNo || p.Sort == kind.Choice || p.Sort == kind.Direction
}

// Changes reports whether a property is one that rules set in play.
func Changes(p *kind.Prop) bool { return p.Changes && IsNumber(p) }

// Check holds a condition against what it may be; happens says that it is asked when something happens. An error says
// in words what it may be.
func (c Condition) Check(happens bool) error {
	k := &checker{happens: happens}
	c.visit(k)
	return k.err
}

// CheckWhile is Check of what a rule asks that is so while something holds: how long that has lasted, too.
func (c Condition) CheckWhile() error {
	k := &checker{lasts: true}
	c.visit(k)
	return k.err
}

// A referrer visits a condition and calls for each thing to which it refers.
type referrer struct {
	depth
	each func(kind.Thing, kind.ID) kind.ID
}

func (r *referrer) option(*int, []string, string)   {}
func (r *referrer) number(*int, int, int, string)   {}
func (r *referrer) property(*kind.Field)            {}
func (r *referrer) changing(*kind.Field)            {}
func (r *referrer) state(*int)                      {}
func (r *referrer) flag(*bool)                      {}
func (r *referrer) moment(*int)                     {}
func (r *referrer) name(*string)                    {}
func (r *referrer) words(t *words.Text)             { *t = t.Refer(r.each) }
func (r *referrer) momentary(string)                {}
func (r *referrer) lasting()                        {}
func (r *referrer) terms(*[]Condition) bool         { return true }
func (r *referrer) thing(id *kind.ID, s kind.Thing) { *id = r.each(s, *id) }

// Refer gives a condition that refers to other things, those that to gives for the ones to which it refers, in the order
// in which they stand. A term of which one is 0 then is left out.
func (c Condition) Refer(to func(sort kind.Thing, id kind.ID) kind.ID) Condition {
	if c.Groups() {
		terms := make([]Condition, 0, len(c.Terms))
		for _, t := range c.Terms {
			if t = t.Refer(to); !t.Groups() || len(t.Terms) > 0 {
				terms = append(terms, t)
			}
		}
		c.Terms = slices.Clip(terms)
		return c
	}
	c = c.clone()
	lost := false
	c.visit(&referrer{each: func(sort kind.Thing, id kind.ID) kind.ID {
		if id = to(sort, id); id == 0 {
			lost = true
		}
		return id
	}})
	if lost {
		return Condition{}
	}
	return c
}

// clone is a condition that shares no value with another.
func (c Condition) clone() Condition {
	c, err := Decode(c.Encode())
	if err != nil {
		panic(err) // what was read or checked can be read
	}
	return c
}

// Refers calls for each thing to which a condition refers, in the order in which they stand.
func (c Condition) Refers(each func(sort kind.Thing, id kind.ID)) {
	if c.Groups() {
		for _, t := range c.Terms {
			t.Refers(each)
		}
		return
	}
	c.Left, c.Right = c.Left.own(), c.Right.own()
	c.visit(listing(each))
}

// listing visits what is its own, and calls for each thing that is named.
func listing(each func(sort kind.Thing, id kind.ID)) visitor {
	return &referrer{each: func(sort kind.Thing, id kind.ID) kind.ID {
		if sort != kind.NoThing {
			each(sort, id)
		}
		return id
	}}
}

// own is a value that shares nothing with another one.
func (value Value) own() Value {
	for _, side := range []**Value{&value.Left, &value.Right} {
		if *side != nil {
			is := (*side).own()
			*side = &is
		}
	}
	return value
}

// Conditions are stored as properties of pieces.
func init() {
	kind.RegisterForm(kind.Condition, kind.Form{
		Check: func(b []byte) error {
			c, err := Decode(b)
			if err == nil {
				err = c.Check(false)
			}
			return err
		},
		Canonical: func(b []byte) []byte {
			c, err := Decode(b)
			if err != nil || c.Empty() {
				return nil
			}
			return c.Encode()
		},
		Refer: func(b []byte, to func(kind.Thing, kind.ID) kind.ID) []byte {
			c, err := Decode(b)
			if err != nil {
				return nil
			}
			is := c.Refer(to)
			if is.Empty() {
				return nil
			}
			return is.Encode()
		},
	})
}

// Of is the condition that pieces set as a property; it asks for nothing if they set none.
func Of(v kind.Values, p *kind.Prop) Condition {
	b := v.Get(p.Field)
	if len(b) == 0 {
		return Condition{}
	}
	c, err := Decode(b)
	if err != nil {
		return Condition{} // what is stored was checked
	}
	return c
}

// Set is the value of a property that is a condition: none if it asks for nothing.
func (c Condition) Set(p *kind.Prop) kind.Value {
	if c.Empty() {
		return p.Unset()
	}
	return kind.Value{Field: p.Field, Bytes: c.Encode()}
}

// Equal reports whether two conditions ask for the same in the same order.
func (c Condition) Equal(d Condition) bool { return bytes.Equal(c.Encode(), d.Encode()) }
