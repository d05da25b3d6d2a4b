package exchange

import (
	"bytes"
	"encoding/json"
	"errors"
	"fmt"
	"maps"
	"slices"

	"azzel/core/appearance"
	"azzel/core/kind"
	"azzel/core/kinds/props"
	"azzel/core/logic"
	"azzel/core/talk"
	"azzel/core/words"
	"azzel/core/world"
)

// An Acting is what a piece sets of the properties that its type has, by their words. What is not there is as usual.
// Numbers are as they are stored, a choice is its word, what refers to something is its id.
type Acting map[string]json.RawMessage

// The words of properties that stand together: those of a setting, and of a condition of long ago.
const (
	setsWord  = "sets"
	whileWord = "while"
	// noneWord is the word for those properties of which a piece has none, though its type says otherwise.
	noneWord = "none"
)

// inParts are the properties that are written as part of a setting, or of a condition of long ago.
var inParts = []*kind.Prop{props.Sets, props.SetsBy, props.WhileFact, props.WhileItem, props.WhileLeast, props.WhileNot}

// InParts reports whether a property is written as part of a setting, or of a condition of long ago, not by its word.
func InParts(p *kind.Prop) bool { return slices.Contains(inParts, p) }

// Two words had several meanings until version 1, and are read as those of the type. They are the fields of long ago.
var oldWords = map[string]world.Field{"range": 10, "strength": 11}

// UnmarshalJSON implements json.Unmarshaler. A word that is not known ends it at once: what a piece sets is no larger
// than what there is to set, whatever a bundle says.
func (in *Acting) UnmarshalJSON(b []byte) error {
	*in = Acting{}
	return members(b, func(name string, value json.RawMessage) error {
		p := kind.PropNamed(name)
		if name != setsWord && name != whileWord && name != noneWord && oldWords[name] == 0 && ownField(name) == 0 && (p == nil || InParts(p)) {
			return fmt.Errorf("acting: there is no property %.40q", name)
		}
		(*in)[name] = value
		return nil
	})
}

// members calls for each word and value of an object, one after the other, until that reports an error.
func members(raw json.RawMessage, each func(name string, value json.RawMessage) error) error {
	if len(raw) == 0 || raw[0] != '{' {
		return strictly(raw, &map[string]json.RawMessage{})
	}
	d := json.NewDecoder(bytes.NewReader(raw))
	_, err := d.Token()
	for err == nil && d.More() {
		var name json.Token
		var value json.RawMessage
		if name, err = d.Token(); err == nil {
			err = d.Decode(&value)
		}
		if word, is := name.(string); err == nil && is {
			err = each(word, value)
		}
	}
	return err
}

// acting writes what a piece sets; nil if it sets nothing.
func acting(v kind.Values, names appearance.Names) Acting {
	if v == "" {
		return nil
	}
	out := Acting{}
	put := func(word string, is any) {
		raw, err := json.Marshal(is)
		if err != nil {
			panic(err) // numbers and words can be written
		}
		out[word] = raw
	}
	var none []string
	for f := range v.All() {
		if of, is := kind.NoneOf(f); is {
			if p := kind.PropOf(of); p != nil {
				none = append(none, p.Word)
			}
			continue
		}
		if f >= kind.FirstOwnField {
			put(idText(kind.ID(f)), v.Numbers(nil, &kind.Prop{Field: f, Least: -kind.MostOwn, Most: kind.MostOwn})[0])
			continue
		}
		p := kind.PropOf(f)
		if InParts(p) {
			continue
		}
		n := v.Numbers(nil, p)
		switch p.Sort {
		case kind.YesNo:
			put(p.Word, n[0] != 0)
		case kind.OwnState:
			put(p.Word, kind.StateOf(n[0]).Word)
		case kind.Choice:
			put(p.Word, word(p.Options, n[0]))
		case kind.Direction:
			put(p.Word, word(p.Options, n[0]-1))
		case kind.Offset:
			put(p.Word, Place{n[0], n[1]})
		case kind.Weights:
			weights := map[string]int{}
			for i, option := range p.Options {
				if n[i] != 0 {
					weights[option] = n[i]
				}
			}
			put(p.Word, weights)
		case kind.Reference:
			put(p.Word, idText(v.Refers(p)))
		case kind.Condition:
			put(p.Word, conditions.Write(logic.Of(v, p)))
		case kind.Sayings:
			put(p.Word, talk.Of(v, p).Write(conditions))
		case kind.Words:
			put(p.Word, words.Of(v, p).Write(conditions.Format))
		case kind.Colour:
			put(p.Word, world.Colour(n[0]).String())
		case kind.Picture:
			put(p.Word, names.Write(appearance.Of(v, p)))
		default:
			put(p.Word, n[0])
		}
	}
	if len(none) > 0 {
		put(noneWord, none)
	}
	p := world.Piece{Props: v}
	if s := p.Sets(); s != (world.Change{}) {
		put(setsWord, Setting{optionalID(s.Fact), word(settings, s.How), s.By})
	}
	if c := p.SingleWhile(); c != (world.Single{}) && out[whileWord] == nil {
		put(whileWord, Condition{optionalID(c.Fact), optionalID(c.Item), c.Least, c.Not})
	}
	return out
}

// ownField is the property of a type of the project's own that an id stands for; 0 for what is no id of one.
func ownField(name string) kind.Field {
	id, err := parseID(name)
	if err != nil || kind.Field(id) < kind.FirstOwnField {
		return 0
	}
	return kind.Field(id)
}

// values reads what a piece sets. Whether its type has that is looked at with the piece.
func (in Acting) values(names appearance.Names) (v kind.Values, err error) {
	for _, name := range slices.Sorted(maps.Keys(in)) {
		set, err := readProp(name, in[name], names)
		if err != nil && (name == setsWord || name == whileWord) {
			return "", fmt.Errorf("%s, %w", name, err)
		}
		if err != nil {
			return "", fmt.Errorf("%.40s: %w", name, err)
		}
		v = v.With(set...)
	}
	return v, nil
}

func readProp(name string, raw json.RawMessage, names appearance.Names) ([]kind.Value, error) {
	if name == noneWord {
		var words []string
		if err := strictly(raw, &words); err != nil {
			return nil, err
		}
		var list []kind.Value
		for _, word := range words {
			p := kind.PropNamed(word)
			if p == nil {
				return nil, fmt.Errorf("there is no property %.40q", word)
			}
			list = append(list, kind.OwnValue(kind.None(p.Field), 1))
		}
		return list, nil
	}
	if f := ownField(name); f != 0 {
		var n int
		if err := strictly(raw, &n); err != nil {
			return nil, err
		}
		set := kind.OwnValue(f, n)
		return []kind.Value{set}, kind.CheckOwn(set.Bytes)
	}
	p := kind.PropNamed(name)
	switch {
	case name == setsWord:
		return readSetting(raw)
	case name == whileWord && single(raw):
		return readSingle(raw)
	case oldWords[name] != 0:
		var n int
		err := strictly(raw, &n)
		return []kind.Value{world.IntValue(oldWords[name], n)}, err
	}
	numbers := make([]int, p.Size())
	switch p.Sort {
	case kind.YesNo:
		var yes bool
		if err := strictly(raw, &yes); err != nil {
			return nil, err
		}
		if yes {
			numbers[0] = 1
		}
	case kind.OwnState:
		var state string
		if err := strictly(raw, &state); err != nil {
			return nil, err
		}
		s := kind.StateNamed(state)
		if s == nil {
			return nil, fmt.Errorf("there is no state %.40q", state)
		}
		numbers[0] = s.Number
	case kind.Choice, kind.Direction:
		var option string
		if err := strictly(raw, &option); err != nil {
			return nil, err
		}
		n, err := wordNumber(p.Options, option)
		if err != nil && option != "" {
			return nil, err
		}
		if numbers[0] = n; p.Sort == kind.Direction && option != "" {
			numbers[0]++
		}
	case kind.Offset:
		var to Place
		if err := strictly(raw, &to); err != nil {
			return nil, err
		}
		numbers[0], numbers[1] = to.X, to.Y
	case kind.Weights:
		err := members(raw, func(option string, value json.RawMessage) error {
			i, err := wordNumber(p.Options, option)
			if err != nil {
				return err
			}
			return strictly(value, &numbers[i])
		})
		if err != nil {
			return nil, err
		}
	case kind.Reference:
		var id string
		if err := strictly(raw, &id); err != nil {
			return nil, err
		}
		n, err := parseOptionalID(id)
		return []kind.Value{p.Refer(n)}, err
	case kind.Condition:
		c, err := readCondition(raw)
		return []kind.Value{c.Set(p)}, err
	case kind.Sayings:
		var list []talk.Form
		if err := strictly(raw, &list); err != nil {
			return nil, err
		}
		l, err := talk.Read(list, conditions)
		return []kind.Value{l.Set(p)}, err
	case kind.Words:
		var list []words.PartForm
		if err := strictly(raw, &list); err != nil {
			return nil, err
		}
		t, err := words.Read(list, conditions.Parse)
		return []kind.Value{t.Set(p)}, err
	case kind.Colour:
		var text string
		if err := strictly(raw, &text); err != nil {
			return nil, err
		}
		c, err := world.ParseColour(text)
		if err != nil {
			return nil, err
		}
		numbers[0] = int(c)
	case kind.Picture:
		var form appearance.Form
		if err := strictly(raw, &form); err != nil {
			return nil, err
		}
		is, err := names.Read(form)
		return []kind.Value{is.Set(p)}, err
	default:
		if err := strictly(raw, &numbers[0]); err != nil {
			return nil, err
		}
	}
	return []kind.Value{p.Is(numbers...)}, nil
}

// strictly reads a value, without anything that there is not.
func strictly(raw json.RawMessage, v any) error {
	err := decodeWhole(json.NewDecoder(bytes.NewReader(raw)), v, true)
	var is *json.UnmarshalTypeError
	if errors.As(err, &is) {
		return fmt.Errorf("it is %s where %s is needed", article(is.Value), article(sortOf(is.Type.Kind().String())))
	}
	if err != nil {
		return trimmed{err}
	}
	return nil
}
