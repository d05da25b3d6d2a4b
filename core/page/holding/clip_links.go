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
		r := &b.Rules[i]
		is := clipRule{Name: r.Name, Off: r.Off, Piece: page.FormatID(r.Home), RuleForm: page.Conditions.WriteRule(&r.Rule)}
		r.Refer(func(sort kind.Thing, id world.ID) world.ID {
			is.Names = append(is.Names, thingName(d, sort, id))
			return id
		})
		c.Rules = append(c.Rules, is)
	}
}

// within tells whether a thing is a piece of the block.
func (c *clip) within() func(kind.Thing, world.ID) bool {
	in := make(map[world.ID]bool, len(c.Pieces))
	for _, p := range c.Pieces {
		in[page.ParseID(p.ID)] = true
	}
	return func(sort kind.Thing, id world.ID) bool { return sort == kind.Piece && id != 0 && in[id] }
}

// readLinks reads the wires and rules of a block, without what they name that is something else in this project. An error says what there is
// that can't be.
func (c *clip) readLinks(d *world.Document, b *world.Block, within func(kind.Thing, world.ID) bool) error {
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
		in := &c.Rules[i]
		is, err := page.Conditions.ReadRule(&in.RuleForm)
		if err == nil {
			err = world.CheckName(in.Name, true)
		}
		if err != nil {
			return fmt.Errorf("a rule that can't be: %w", err)
		}
		r := &world.Rule{Name: in.Name, Off: in.Off, Rule: is}
		if r.HomeSort, r.Home = kind.Piece, page.ParseID(in.Piece); r.Home == 0 || !there[r.Home] {
			continue
		}
		next := r.Refer(knownBy(d, in.Names, within))
		if err := next.Check(); err != nil {
			return fmt.Errorf("a rule that can't be: %w", err)
		}
		b.Rules = append(b.Rules, next)
	}
	return nil
}
