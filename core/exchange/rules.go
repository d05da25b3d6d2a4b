package exchange

import (
	"fmt"

	"azzel/core/kind"
	"azzel/core/logic"
	"azzel/core/world"
)

// A Rule says what is done when something happens, or what is so while something holds.
type Rule struct {
	ID   string `json:"id"`
	Name string `json:"name,omitempty"`
	// Off says that it does not go.
	Off bool `json:"off,omitempty"`
	// Home is the sort of thing to which it belongs, the project without it, and Of its id, or the word of a type.
	Home string `json:"home,omitempty" jsonschema:"enum=piece,enum=type,enum=area,enum=map,enum=character,enum=crossing"`
	Of   string `json:"of,omitempty"`
	logic.RuleForm
}

var ruleHomes = map[kind.Thing]string{kind.Piece: "piece", kind.Type: "type", kind.Area: "area", kind.Map: "map", kind.Character: "character", kind.Crossing: "crossing"}

// ruleIDs are how rules name things in bundles.
var ruleIDs = logic.IDs{Format: idText, Parse: parseID}

// rulesOf are the rules of a document.
func rulesOf(d *world.Document) (list []Rule) {
	for _, r := range d.Rules {
		list = append(list, writeRule(r))
	}
	return list
}

// rules are read last, since they name things of all sorts.
func (b *reader) rules() error {
	for i, in := range b.bundle.Rules {
		what := fmt.Sprintf("bundle.json: rule %d", i+1)
		id, err := b.newID(in.ID, what)
		if err != nil {
			return err
		}
		r, err := readRule(&in)
		for j := range in.Parts {
			if err != nil {
				break
			}
			if _, err = b.newID(in.Parts[j].ID, fmt.Sprintf("%s, part %d", what, j+1)); err != nil {
				err = fmt.Errorf("part %d: %w", j+1, err)
			}
		}
		if err != nil {
			return fmt.Errorf("%s: %w", what, err)
		}
		if err := b.put(world.SortRule, 0, id, r.Values(), what); err != nil {
			return err
		}
	}
	return nil
}

func readRule(in *Rule) (*world.Rule, error) {
	r := &world.Rule{Name: in.Name, Off: in.Off}
	if in.Home != "" {
		for sort, word := range ruleHomes {
			if word == in.Home {
				r.HomeSort = sort
			}
		}
		var err error
		switch {
		case r.HomeSort == kind.NoThing:
			return nil, fmt.Errorf("home: a rule belongs to a piece, a type, an area, a map, a character or a crossing, not to %.40q", in.Home)
		case r.HomeSort == kind.Type:
			r.Home, err = ruleIDs.ReadType(in.Of)
		default:
			r.Home, err = parseID(in.Of)
		}
		if err != nil {
			return nil, fmt.Errorf("of: %w", err)
		}
	}
	is, err := ruleIDs.ReadRule(&in.RuleForm)
	if err != nil {
		return nil, err
	}
	is.HomeSort, is.Home = r.HomeSort, r.Home
	r.Rule = is
	return r, nil
}

func writeRule(r *world.Rule) Rule {
	is := Rule{ID: idText(r.ID), Name: r.Name, Off: r.Off, Home: ruleHomes[r.HomeSort], RuleForm: ruleIDs.WriteRule(&r.Rule)}
	switch {
	case r.HomeSort == kind.Type:
		is.Of = ruleIDs.WriteType(r.Home)
	case is.Home != "":
		is.Of = idText(r.Home)
	}
	return is
}
