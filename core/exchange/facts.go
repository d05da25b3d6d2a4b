package exchange

import (
	"encoding/json"
	"fmt"

	"azzel/core/kind"
	"azzel/core/limit"
	"azzel/core/logic"
	"azzel/core/world"
)

// A Fact is something that the game remembers: yes or no, a number, one of some words, or a short text.
type Fact struct {
	ID   string `json:"id"`
	Name string `json:"name"`
	// Counts says that it is a number.
	Counts bool `json:"counts,omitempty"`
	// Start is what it is when play begins, 1 for yes.
	Start int `json:"start,omitempty"`
	// Least and Most are what a number can be; 0 to 999999 without them.
	Least int `json:"least,omitempty"`
	Most  int `json:"most,omitempty"`
	// Words are what it is one of: the numbers from 0 on stand for them.
	Words []string `json:"words,omitempty"`
	// Objective says that the player is shown its name while it is open; its words are not given, open and reached.
	Objective bool `json:"objective,omitempty"`
	// Text says that it is a short text, one of Texts or none; what compares it with a number or sets it to one means the text of that number.
	Text  bool       `json:"text,omitempty"`
	Texts []FactText `json:"texts,omitempty"`
	// Map is the id of the map to which it belongs.
	Map string `json:"map,omitempty"`
}

// A FactText is a text that a fact can be, by the number that stands for it.
type FactText struct {
	Number int    `json:"number"`
	Text   string `json:"text"`
}

// A Setting is what a piece does to a fact when it was taken, reached, defeated or broken.
type Setting struct {
	// Fact is its id.
	Fact string `json:"fact"`
	// How is raises without it: to yes, or up.
	How string `json:"how,omitempty" jsonschema:"enum=lowers,enum=becomes"`
	// By is by how much or to how much a number is set.
	By int `json:"by,omitempty"`
}

// A Condition asks for a fact or an item, by its id, as pieces did before there were conditions of several terms.
type Condition struct {
	Fact string `json:"fact,omitempty"`
	Item string `json:"item,omitempty"`
	// Least is how large a number is at least, or how many of the item there are; one without it.
	Least int `json:"least,omitempty"`
	// Not says that it holds when that does not.
	Not bool `json:"not,omitempty"`
}

var settings = []string{"", "lowers", "becomes"}

func (b *reader) facts() error {
	for i, in := range b.bundle.Facts {
		what := fmt.Sprintf("bundle.json: fact %d", i+1)
		id, err := b.newID(in.ID, what)
		if err != nil {
			return err
		}
		fact := world.Fact{Name: in.Name, Counts: in.Counts, Start: in.Start, Least: in.Least, Most: in.Most, Words: in.Words, Objective: in.Objective}
		if fact.Map, err = parseOptionalID(in.Map); err != nil {
			return fmt.Errorf("%s: map: %w", what, err)
		}
		if len(in.Texts) > limit.FactTexts {
			return fmt.Errorf("%s has %d texts, and may have %d", what, len(in.Texts), limit.FactTexts)
		}
		fact.Text = in.Text
		values := fact.Values()
		for k, t := range in.Texts {
			is := world.FactText(t)
			if k > 0 && t.Number <= in.Texts[k-1].Number {
				return fmt.Errorf("%s: its texts stand by their numbers, each once: %d does not", what, t.Number)
			}
			values = append(values, is.Value())
		}
		if err := b.put(world.SortFact, 0, id, values, what); err != nil {
			return err
		}
	}
	return nil
}

// readSetting reads what a piece does to a fact.
func readSetting(raw json.RawMessage) ([]kind.Value, error) {
	var s Setting
	if err := strictly(raw, &s); err != nil {
		return nil, err
	}
	how, err := wordNumber(settings, s.How)
	if err != nil {
		return nil, fmt.Errorf("how: %w", err)
	}
	is := world.Change{How: world.Setting(how), By: s.By}
	if is.Fact, err = parseOptionalID(s.Fact); err != nil {
		return nil, fmt.Errorf("fact: %w", err)
	}
	return is.Props(), nil
}

// conditions are written and read with the ids of a bundle.
var conditions = logic.IDs{Format: idText, Parse: parseID}

// readCondition reads a condition and holds it against what it may be for a piece.
func readCondition(raw json.RawMessage) (logic.Condition, error) {
	var form logic.ConditionForm
	if err := strictly(raw, &form); err != nil {
		return logic.Condition{}, err
	}
	c, err := conditions.Read(&form)
	if err == nil {
		err = c.Check(false)
	}
	return c, err
}

// single reports whether what a piece is there only while it holds is said as it was before there were conditions of
// several terms.
func single(raw json.RawMessage) bool {
	var is struct{ Asks json.RawMessage }
	return json.Unmarshal(raw, &is) != nil || is.Asks == nil
}

// readSingle reads that.
func readSingle(raw json.RawMessage) ([]kind.Value, error) {
	var c Condition
	if err := strictly(raw, &c); err != nil {
		return nil, err
	}
	is := world.Single{Least: c.Least, Not: c.Not}
	var err error
	if is.Fact, err = parseOptionalID(c.Fact); err != nil {
		return nil, fmt.Errorf("fact: %w", err)
	}
	if is.Item, err = parseOptionalID(c.Item); err != nil {
		return nil, fmt.Errorf("item: %w", err)
	}
	return is.Props(), nil
}
