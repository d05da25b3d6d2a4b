package page

import (
	"encoding/json"
)

// A Part is what is to be set of something, as JSON: what it leaves out stays as it is when the order
// is done, whatever it was when that was given. The zero value leaves out all.
type Part[T any] struct{ text json.RawMessage }

// PartOf is a Part that leaves nothing out.
func PartOf[T any](whole T) Part[T] {
	text, err := json.Marshal(whole)
	if err != nil {
		panic(err) // No view can't be written.
	}
	return Part[T]{text}
}

// UnmarshalJSON takes the text as it is.
func (p *Part[T]) UnmarshalJSON(text []byte) error {
	p.text = append(json.RawMessage(nil), text...)
	return nil
}

// MarshalJSON gives the text.
func (p Part[T]) MarshalJSON() ([]byte, error) {
	if p.text == nil {
		return []byte("null"), nil
	}
	return p.text, nil
}

// Given reports whether anything is to be set.
func (p Part[T]) Given() bool { return len(p.text) > 0 && string(p.text) != "null" }

// Over is what it was with what is to be set. What it was must share no list with anything that is kept.
func (p Part[T]) Over(was T) (T, error) {
	if !p.Given() {
		return was, ErrUnknown
	}
	err := json.Unmarshal(p.text, &was)
	return was, unreadable(err)
}
