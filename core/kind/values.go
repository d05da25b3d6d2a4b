package kind

import (
	"bytes"
	"iter"

	"azzel/core/pack"
)

// A Value is one property in its encoding: the numbers of a property one after the other, a Reference unsigned. No bytes
// stand for a property that is not set.
type Value struct {
	Field Field
	Bytes []byte
}

// Values are the properties that a piece sets, in the order of their numbers; what is not set is as usual. The zero
// value sets none. Values are equal if they set the same.
type Values string

// Set gives values that set some properties and no other.
func Set(list ...Value) Values { return Values("").With(list...) }

// All are the properties that are set, in the order of their numbers.
func (v Values) All() iter.Seq2[Field, []byte] {
	return func(yield func(Field, []byte) bool) {
		r := pack.NewReader([]byte(v))
		for r.Len() > 0 {
			f, b := Field(r.Uint()), r.Blob(r.Len())
			if r.Err() != nil || !yield(f, b) {
				return
			}
		}
	}
}

// Get gives the bytes of a property, none if it is not set. It looks at the properties before it.
func (v Values) Get(f Field) []byte {
	for field, b := range v.All() {
		if field >= f {
			if field == f {
				return b
			}
			return nil
		}
	}
	return nil
}

// With is v with some properties set otherwise, or not set.
func (v Values) With(list ...Value) Values {
	for _, set := range list {
		if bytes.Equal(v.Get(set.Field), set.Bytes) {
			continue
		}
		var w pack.Writer
		put := func(f Field, b []byte) {
			if len(b) > 0 {
				w.Uint(uint64(f))
				w.Blob(b)
			}
		}
		done := false
		for f, b := range v.All() {
			if f >= set.Field && !done {
				put(set.Field, set.Bytes)
				done = true
			}
			if f != set.Field {
				put(f, b)
			}
		}
		if !done {
			put(set.Field, set.Bytes)
		}
		v = Values(w.Bytes)
	}
	return v
}

// Numbers gives the numbers of a property, for a piece of a kind: those that are set, else the usual ones.
func (v Values) Numbers(k *Kind, p *Prop) []int {
	numbers := make([]int, p.Size())
	b := v.Get(p.Field)
	if len(b) == 0 {
		switch n := k.usual(p); {
		case len(numbers) == 0:
		case p.Sort != Weights:
			numbers[0] = n
		case n > 0:
			numbers[n-1] = 1
		}
		return numbers
	}
	return p.numbers(b)
}

// Int gives the only number of a property, for a piece of a kind: the one that is set, else the usual one.
func (v Values) Int(k *Kind, p *Prop) int {
	b := v.Get(p.Field)
	if len(b) == 0 {
		return k.usual(p)
	}
	return p.numbers(b)[0]
}

// Weights gives what is set of a property that is weights; nil for nothing.
func (v Values) Weights(p *Prop) []int {
	b := v.Get(p.Field)
	if len(b) == 0 {
		return nil
	}
	return p.numbers(b)
}

// Refers gives what a Reference refers to, 0 for nothing.
func (v Values) Refers(p *Prop) ID {
	return ID(pack.NewReader(v.Get(p.Field)).Uint())
}

// Refer gives values that refer to other things, those that to gives for the ones to which they refer; 0 stands for
// what is left out.
func (v Values) Refer(to func(p *Prop, sort Thing, id ID) ID) Values {
	for f, b := range v.All() {
		p := PropOf(f)
		if p == nil {
			continue
		}
		form, is := forms[p.Sort]
		switch {
		case is:
			v = v.With(Value{f, form.Refer(b, func(sort Thing, id ID) ID { return to(p, sort, id) })})
		case p.Sort == Reference:
			v = v.With(p.Refer(to(p, p.To, v.Refers(p))))
		}
	}
	return v
}

// Kept are the values that a copy keeps which leaves its map or project behind.
func (v Values) Kept() Values {
	return v.Refer(func(p *Prop, sort Thing, id ID) ID {
		if p.Local || p.Sort != Reference && sort.Local() {
			return 0
		}
		return id
	})
}
