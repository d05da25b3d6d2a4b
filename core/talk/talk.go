// Package talk is what somebody says who has several things to say: texts, each perhaps only while something holds.
package talk

import (
	"errors"
	"fmt"
	"slices"

	"azzel/core/kind"
	"azzel/core/limit"
	"azzel/core/logic"
	"azzel/core/pack"
	"azzel/core/words"
)

// A Saying is one thing that is said.
type Saying struct {
	// ID tells it from others of the same speaker.
	ID kind.ID
	// While is what must hold for it; nothing for always.
	While logic.Condition
	Text  words.Text
}

// A List is what somebody says, in the order in which it is looked at.
type List []Saying

// Encode writes a list in the one way in which it is stored; nothing for an empty one.
func (l List) Encode() []byte {
	if len(l) == 0 {
		return nil
	}
	var w pack.Writer
	w.Uint(uint64(len(l)))
	for _, s := range l {
		w.Uint(uint64(s.ID))
		var while []byte
		if !s.While.Empty() {
			while = s.While.Encode()
		}
		w.Blob(while)
		w.Blob(s.Text.Encode())
	}
	return w.Bytes
}

// mostBytes is how long a condition or a text is at most, as it is stored.
const mostBytes = 64 << 10

// Decode reads what Encode writes, and checks it.
func Decode(b []byte) (l List, err error) {
	r := pack.NewReader(b)
	for range r.Count(limit.Sayings, 3) {
		s := Saying{ID: kind.ID(r.Uint())}
		while, text := r.Blob(mostBytes), r.Blob(mostBytes)
		if r.Err() == nil && len(while) > 0 {
			if s.While, err = logic.Decode(while); err != nil {
				r.Fail(err)
			}
		}
		if r.Err() == nil && len(text) > 0 {
			if s.Text, err = words.Decode(text); err != nil {
				r.Fail(err)
			}
		}
		l = append(l, s)
	}
	if err := r.Done(); err != nil {
		return nil, err
	}
	return l, l.Check()
}

// Check reports in words why a list can't be one.
func (l List) Check() error {
	if len(l) > limit.Sayings {
		return fmt.Errorf("that would be %d things to say, and there may be %d", len(l), limit.Sayings)
	}
	for i, s := range l {
		if s.ID == 0 || l[:i].At(s.ID) >= 0 {
			return errors.New("two of the things that are said can't be told apart")
		}
		if err := s.While.Check(false); !s.While.Empty() && err != nil {
			return err
		}
		if err := s.Text.Check(); err != nil {
			return err
		}
	}
	return nil
}

// At is where a saying stands in the list, −1 if it is none of it.
func (l List) At(id kind.ID) int {
	return slices.IndexFunc(l, func(s Saying) bool { return s.ID == id })
}

// Holding are the places of those that can be said by now: what must hold for them does, or nothing need.
func (l List) Holding(w logic.World) (places []int) {
	for i := range l {
		if l[i].While.Holds(w) {
			places = append(places, i)
		}
	}
	return places
}

// Refer is a list that refers to other things, those that to gives for the ones to which it refers; 0 stands for what is left
// out.
func (l List) Refer(to func(kind.Thing, kind.ID) kind.ID) List {
	next := slices.Clone(l)
	for i := range next {
		next[i].While, next[i].Text = next[i].While.Refer(to), next[i].Text.Refer(to)
	}
	return next
}

// Refers calls for each thing to which a list refers, in the order in which they stand.
func (l List) Refers(each func(sort kind.Thing, id kind.ID)) {
	for i := range l {
		l[i].While.Refers(each)
		l[i].Text.Refers(each)
	}
}

// Of is the list that something sets as a property; empty if it sets none.
func Of(v kind.Values, p *kind.Prop) List {
	l, err := Decode(v.Get(p.Field))
	if err != nil {
		return nil // what is stored was checked
	}
	return l
}

// Set is the value of a property: none for an empty list.
func (l List) Set(p *kind.Prop) kind.Value { return kind.Value{Field: p.Field, Bytes: l.Encode()} }

// Lists are stored as properties of pieces.
func init() {
	kind.RegisterForm(kind.Sayings, kind.FormOf(Decode))
}

// A Form is a saying as files and pages have it.
type Form struct {
	ID    string               `json:"id"`
	While *logic.ConditionForm `json:"while,omitempty"`
	Text  []words.PartForm     `json:"text"`
}

// Write gives a list in the form of files and pages.
func (l List) Write(ids logic.IDs) []Form {
	list := []Form{}
	for _, s := range l {
		f := Form{ID: ids.Format(s.ID), Text: s.Text.Write(ids.Format)}
		if !s.While.Empty() {
			while := ids.Write(s.While)
			f.While = &while
		}
		list = append(list, f)
	}
	return list
}

// Read reads what Write gives, and checks it.
func Read(list []Form, ids logic.IDs) (l List, err error) {
	if len(list) > limit.Sayings {
		return nil, fmt.Errorf("that would be %d things to say, and there may be %d", len(list), limit.Sayings)
	}
	for _, f := range list {
		var s Saying
		if s.ID, err = ids.Parse(f.ID); err == nil {
			s.Text, err = words.Read(f.Text, ids.Parse)
		}
		if err == nil && f.While != nil {
			s.While, err = ids.Read(f.While)
		}
		if err != nil {
			return nil, err
		}
		l = append(l, s)
	}
	return l, l.Check()
}
