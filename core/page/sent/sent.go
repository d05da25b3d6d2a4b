// Package sent remembers what was sent to the browser, so that it is not sent again.
package sent

import (
	"encoding/json"
	"hash/maphash"
	"reflect"
	"strings"
)

// A View knows what its fields said when they were sent last, so that only what says something else is sent again.
// The zero value knows of nothing.
type View struct {
	seed maphash.Seed
	sums map[string]uint64
}

// Fields is a view as JSON: all fields of the struct, or those alone that were never sent or say something else now. A field
// whose sum is the same as before by chance, one in 2⁶⁴, would not be sent.
func (s *View) Fields(view any, changes bool) (json.RawMessage, error) {
	if s.sums == nil {
		s.seed, s.sums = maphash.MakeSeed(), map[string]uint64{}
	}
	v := reflect.ValueOf(view)
	text := []byte{'{'}
	for i := range v.NumField() {
		name, _, _ := strings.Cut(v.Type().Field(i).Tag.Get("json"), ",")
		b, err := json.Marshal(v.Field(i).Interface())
		if err != nil {
			return nil, err
		}
		sum := maphash.Bytes(s.seed, b)
		if was, sent := s.sums[name]; sent && was == sum && changes {
			continue
		}
		s.sums[name] = sum
		if len(text) > 1 {
			text = append(text, ',')
		}
		text = append(append(append(text, '"'), name...), '"', ':')
		text = append(text, b...)
	}
	return append(text, '}'), nil
}
