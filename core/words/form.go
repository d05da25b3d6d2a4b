package words

import (
	"errors"

	"azzel/core/kind"
)

// A PartForm is a part as files and pages have it: letters, or the id of a fact or item that is filled in.
type PartForm struct {
	Letters string `json:"letters,omitempty"`
	Fact    string `json:"fact,omitempty"`
	Item    string `json:"item,omitempty"`
}

// Write gives a text in the form of files and pages, with ids as format writes them.
func (t Text) Write(format func(kind.ID) string) []PartForm {
	list := []PartForm{}
	for _, p := range t {
		switch {
		case p.Fact != 0:
			list = append(list, PartForm{Fact: format(p.Fact)})
		case p.Item != 0:
			list = append(list, PartForm{Item: format(p.Item)})
		default:
			list = append(list, PartForm{Letters: p.Letters})
		}
	}
	return list
}

// Read reads what Write gives, and checks it.
func Read(list []PartForm, parse func(string) (kind.ID, error)) (t Text, err error) {
	for _, is := range list {
		p := Part{Letters: is.Letters}
		switch {
		case is.Letters != "" && is.Fact == "" && is.Item == "":
		case is.Letters == "" && is.Fact != "" && is.Item == "":
			p.Fact, err = parse(is.Fact)
		case is.Letters == "" && is.Fact == "" && is.Item != "":
			p.Item, err = parse(is.Item)
		default:
			err = errors.New("a part of words is letters, a fact or an item")
		}
		if err == nil && p == (Part{}) {
			err = errors.New("a part of words names nothing")
		}
		if err != nil {
			return nil, err
		}
		t = append(t, p)
	}
	t = t.Clean()
	return t, t.Check()
}
