// Package words is what the player reads: letters, with facts and counts of items filled in that are said as they are by then.
// What is filled in is named by id, so that renaming it changes nothing.
package words

import (
	"errors"
	"fmt"
	"strings"
	"unicode"
	"unicode/utf8"

	"azzel/core/kind"
	"azzel/core/limit"
	"azzel/core/pack"
)

// A Part is letters, or what is filled in: a fact, or how many the player has of an item. It is one of the three.
type Part struct {
	Letters    string
	Fact, Item kind.ID
}

// A Text is what the player reads, part after part. Lines end with "\n"; an empty line begins a new page.
type Text []Part

// Plain is a text of letters alone.
func Plain(letters string) Text { return Text{{Letters: letters}}.Clean() }

// In the encoding, what a part is.
const (
	isLetters = iota
	isFact
	isItem
)

// Encode writes a text in the one way in which it is stored; nothing for one that says nothing.
func (t Text) Encode() []byte {
	t = t.Clean()
	if len(t) == 0 {
		return nil
	}
	var w pack.Writer
	w.Uint(uint64(len(t)))
	for _, p := range t {
		switch {
		case p.Fact != 0:
			w.Uint(isFact)
			w.Uint(uint64(p.Fact))
		case p.Item != 0:
			w.Uint(isItem)
			w.Uint(uint64(p.Item))
		default:
			w.Uint(isLetters)
			w.Text(p.Letters)
		}
	}
	return w.Bytes
}

// mostParts is how many parts a text has: letters before, between and after what is filled in.
const mostParts = 2*limit.WordsParts + 1

// Decode reads what Encode writes, and checks it.
func Decode(b []byte) (t Text, err error) {
	r := pack.NewReader(b)
	for range r.Count(mostParts, 2) {
		var p Part
		switch is := r.Uint(); is {
		case isLetters:
			p.Letters = r.Text(4 * limit.Words)
		case isFact:
			p.Fact = kind.ID(r.Uint())
		case isItem:
			p.Item = kind.ID(r.Uint())
		default:
			r.Fail(fmt.Errorf("%w: words with a part of sort %d", pack.ErrMalformed, is))
		}
		if r.Err() == nil && p == (Part{}) {
			r.Fail(fmt.Errorf("%w: words with an empty part", pack.ErrMalformed))
		}
		t = append(t, p)
	}
	if err := r.Done(); err != nil {
		return nil, err
	}
	return t, t.Check()
}

// Check reports in words why a text can't be one.
func (t Text) Check() error {
	letters, filled := 0, 0
	for _, p := range t {
		switch {
		case p.Fact != 0 || p.Item != 0:
			filled++
		case !utf8.ValidString(p.Letters):
			return errors.New("words are letters of UTF-8")
		}
		if i := strings.IndexFunc(p.Letters, func(r rune) bool { return unicode.IsControl(r) && r != '\n' }); i >= 0 {
			return fmt.Errorf("words have no sign such as %q, only letters and ends of lines", p.Letters[i:i+1])
		}
		letters += utf8.RuneCountInString(p.Letters)
	}
	if letters > limit.Words {
		return fmt.Errorf("these words have %d letters, and may have %d: say the rest in another place", letters, limit.Words)
	}
	if filled > limit.WordsParts {
		return fmt.Errorf("%d facts and items are filled into these words, and there may be %d", filled, limit.WordsParts)
	}
	return nil
}

// Clean is a text without empty parts, and with letters that follow each other in one part; none if it says nothing.
func (t Text) Clean() (clean Text) {
	for _, p := range t {
		n := len(clean) - 1
		switch {
		case p == Part{}:
		case p.Letters != "" && n >= 0 && clean[n].Letters != "":
			clean[n].Letters += p.Letters
		default:
			clean = append(clean, p)
		}
	}
	if len(clean) == 1 && clean[0].Letters != "" && strings.TrimSpace(clean[0].Letters) == "" {
		return nil
	}
	return clean
}

// A Source says what is filled in: empty for what is gone.
type Source interface {
	FactWords(fact kind.ID) string
	ItemWords(item kind.ID) string
}

// gone is said for what is filled in and is not there any more.
const gone = "…"

// Say is the text as it is said by now.
func (t Text) Say(from Source) string {
	var b strings.Builder
	for _, p := range t {
		is := p.Letters
		switch {
		case p.Fact != 0:
			is = from.FactWords(p.Fact)
		case p.Item != 0:
			is = from.ItemWords(p.Item)
		}
		if is == "" && p != (Part{}) {
			is = gone
		}
		b.WriteString(is)
	}
	return b.String()
}

// Refer is a text that fills in other things, those that to gives for the ones that it fills in; 0 stands for what is left out.
func (t Text) Refer(to func(sort kind.Thing, id kind.ID) kind.ID) (next Text) {
	for _, p := range t {
		switch {
		case p.Fact != 0:
			p.Fact = to(kind.Fact, p.Fact)
		case p.Item != 0:
			p.Item = to(kind.Item, p.Item)
		}
		next = append(next, p)
	}
	return next.Clean()
}

// Refers calls for each thing that is filled in, in the order in which they stand.
func (t Text) Refers(each func(sort kind.Thing, id kind.ID)) {
	t.Refer(func(sort kind.Thing, id kind.ID) kind.ID {
		each(sort, id)
		return id
	})
}

// Of is the text that something sets as a property; it says nothing if it sets none.
func Of(v kind.Values, p *kind.Prop) Text {
	t, err := Decode(v.Get(p.Field))
	if err != nil {
		return nil // what is stored was checked
	}
	return t
}

// Set is the value of a property: none if the text says nothing.
func (t Text) Set(p *kind.Prop) kind.Value { return kind.Value{Field: p.Field, Bytes: t.Encode()} }

// Words are stored as properties of pieces.
func init() {
	kind.RegisterForm(kind.Words, kind.FormOf(Decode))
}
