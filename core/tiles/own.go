package tiles

import (
	"cmp"
	"errors"
	"fmt"
	"math"
	"slices"
	"strconv"
	"strings"

	"azzel/core/lists"
)

// A ValueType is what values a property of the project's own has.
type ValueType uint8

// The types.
const (
	YesNo ValueType = iota
	Number
	Text
	valueTypeEnd
)

// ValueTypeNames are the words for the types, in their order.
var ValueTypeNames = [valueTypeEnd]string{"yes or no", "a number", "text"}

// Valid reports whether it is one of the types.
func (t ValueType) Valid() bool { return t < valueTypeEnd }

// Parse brings a value into its one form, "" for none: "yes", a decimal number, or
// text of one line. An error says in words what is wrong with it.
func (t ValueType) Parse(s string) (string, error) {
	s = strings.TrimSpace(s)
	switch {
	case s == "":
		return "", nil
	case t == YesNo:
		switch strings.ToLower(s) {
		case "yes":
			return "yes", nil
		case "no":
			return "", nil
		}
		return "", fmt.Errorf("this is yes or no, not %q", s)
	case t == Number:
		n, err := strconv.ParseFloat(s, 64)
		if err != nil || math.IsInf(n, 0) || math.IsNaN(n) {
			return "", fmt.Errorf("this is a number, for example 2.5, not %q", s)
		}
		return strconv.FormatFloat(n, 'f', -1, 64), nil
	case strings.ContainsFunc(s, func(r rune) bool { return r < ' ' }):
		return "", errors.New("a value is one line of text")
	}
	return s, nil
}

// An OwnValue is a tile's value of a property of the project's own.
type OwnValue struct {
	// Property is the property's id.
	Property uint64
	Value    string
}

// Own are a tile's values of the project's own properties, sorted by property. It
// must not be changed.
type Own struct{ Values []OwnValue }

// Of is the value of a property, "" for none. A nil Own has none.
func (o *Own) Of(property uint64) string {
	if o == nil {
		return ""
	}
	i, there := o.search(property)
	if !there {
		return ""
	}
	return o.Values[i].Value
}

func (o *Own) search(property uint64) (int, bool) {
	return slices.BinarySearchFunc(o.Values, property, func(v OwnValue, id uint64) int { return cmp.Compare(v.Property, id) })
}

// With is the same with another value of a property; "" takes it away.
func (o *Own) With(property uint64, value string) *Own {
	next := &Own{}
	if o != nil {
		next.Values = slices.Clone(o.Values)
	}
	i, there := next.search(property)
	if there {
		next.Values = slices.Delete(next.Values, i, i+1)
	}
	if value != "" {
		next.Values = lists.Insert(next.Values, i, OwnValue{property, value})
	}
	if len(next.Values) == 0 {
		return nil
	}
	return next
}
