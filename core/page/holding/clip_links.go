package holding

import (
	"fmt"
	"slices"

	"azzel/core/kind"
	"azzel/core/limit"
	"azzel/core/logic"
	"azzel/core/page"
	"azzel/core/world"
)

// A clipWire is a wire between two pieces of a block, by their ids.
type clipWire struct {
	Name  string `json:"name,omitempty"`
	From  string `json:"from"`
	To    string `json:"to"`
	Works string `json:"works,omitempty"`
	Does  string `json:"does,omitempty"`
	After int    `json:"after,omitempty"`
	Of    int    `json:"of,omitempty"`
}

// A clipRule is a rule that belongs to a piece of a block, with Names of what it names, in the order in which that stands.
type clipRule struct {
	Name string `json:"name,omitempty"`
	Off  bool   `json:"off,omitempty"`
	// Piece is the id of that to which it belongs.
	Piece string `json:"piece"`
	logic.RuleForm
	Names []string `json:"names,omitempty"`
}

// link writes the wires and rules of a block.
func (c *clip) link(d *world.Document, b *world.Block) {
	for _, w := range b.Wires {
		c.Wires = append(c.Wires, clipWire{w.Name, page.FormatID(w.From), page.FormatID(w.To), world.WorksWords[w.Works], world.DoesWords[w.Does], w.After, w.Of})
	}
	for i := range b.Rules {
		c.Rules = append(c.Rules, writeRule(d, &b.Rules[i]))
	}
}

// writeRule writes a rule of a piece or a type.
func writeRule(d *world.Document, r *world.Rule) clipRule {
	is := clipRule{Name: r.Name, Off: r.Off, Piece: page.FormatID(r.Home), RuleForm: page.Conditions.WriteRule(&r.Rule)}
	r.Refer(func(sort kind.Thing, id world.ID) world.ID {
		is.Names = append(is.Names, thingName(d, sort, id))
		return id
	})
	return is
}

// rule reads a rule that belongs to something, without what it names that is something else in this project. An error says that it
// can't be.
func (o outsider) rule(in *clipRule, sort kind.Thing, home world.ID) (next world.Rule, err error) {
	is, err := page.Conditions.ReadRule(&in.RuleForm)
	if err == nil {
		err = world.CheckName(in.Name, true)
	}
	if err != nil {
		return next, fmt.Errorf("a rule that can't be: %w", err)
	}
	r := &world.Rule{Name: in.Name, Off: in.Off, Rule: is}
	r.HomeSort, r.Home = sort, home
	next = r.Refer(o.known(in.Names))
	if err := next.Check(); err != nil {
		return next, fmt.Errorf("a rule that can't be: %w", err)
	}
	return next, nil
}

// within tells whether a thing is a piece of the block, or a type of one's own that is known by now.
func (c *clip) within(types map[world.ID]world.ID) func(kind.Thing, world.ID) bool {
	in := make(map[world.ID]bool, len(c.Pieces))
	for _, p := range c.Pieces {
		in[page.ParseID(p.ID)] = true
	}
	return func(sort kind.Thing, id world.ID) bool {
		return sort == kind.Piece && id != 0 && in[id] || (sort == kind.OwnType || sort == kind.Type) && types[id] != 0
	}
}

// readLinks reads the wires and rules of a block, without what they name that is something else in this project. An error says what there is
// that can't be.
func (c *clip) readLinks(o outsider, b *world.Block) error {
	if len(c.Wires) > limit.Wires || len(c.Rules) > limit.Rules {
		return fmt.Errorf("over %d wires or %d rules", limit.Wires, limit.Rules)
	}
	there := map[world.ID]bool{}
	for _, p := range b.Pieces {
		if p.ID != 0 && there[p.ID] {
			return fmt.Errorf("two pieces with the id %d", p.ID)
		}
		there[p.ID] = true
	}
	for _, w := range c.Wires {
		is := world.Wire{Name: w.Name, From: page.ParseID(w.From), To: page.ParseID(w.To), Works: slices.Index(world.WorksWords, w.Works), Does: slices.Index(world.DoesWords, w.Does), After: w.After, Of: w.Of}
		if err := is.Check(); err != nil {
			return fmt.Errorf("a wire that can't be: %w", err)
		}
		// What its pieces are may not be known here.
		if is.From != 0 && is.To != 0 && there[is.From] && there[is.To] {
			b.Wires = append(b.Wires, is)
		}
	}
	for i := range c.Rules {
		home := page.ParseID(c.Rules[i].Piece)
		next, err := o.rule(&c.Rules[i], kind.Piece, home)
		if err != nil {
			return err
		}
		if home != 0 && there[home] {
			b.Rules = append(b.Rules, next)
		}
	}
	return nil
}
