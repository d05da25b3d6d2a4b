package world

import (
	"fmt"

	"azzel/core/kind"
	"azzel/core/limit"
	"azzel/core/logic"
	"azzel/core/pack"
)

// A Rule says what is done when something happens, or what is so while something holds.
type Rule struct {
	ID     ID
	Name   string
	Number int
	// Off says that it does not go.
	Off bool
	logic.Rule
}

// RulePart + the id of a part of a rule is the field that holds it: one for each, so that two people can change one rule at a time. A part that is not there
// has no bytes.
const RulePart Field = 1 << 63

var ruleFields = []field[*Rule]{
	textField(FieldName, func(r *Rule) *string { return &r.Name }),
	boolField(2, func(r *Rule) *bool { return &r.Off }),
	{3, func(r *Rule, w *pack.Writer) { w.Uint(uint64(r.HomeSort)); w.Uint(uint64(r.Home)) },
		func(r *Rule, in *pack.Reader) {
			r.HomeSort, r.Home = kind.Thing(min(in.Uint(), 255)), ID(in.Uint())
		}},
	{4, func(r *Rule, w *pack.Writer) { w.Uint(uint64(r.Begins)) },
		func(r *Rule, in *pack.Reader) { r.Begins = logic.Beginning(min(in.Uint(), 255)) }},
	{FieldRuleAsks, func(r *Rule, w *pack.Writer) {
		if r.If.Empty() {
			w.Blob(nil)
			return
		}
		w.Blob(r.If.Encode())
	}, func(r *Rule, in *pack.Reader) {
		b := in.Blob(limit.TextBytes)
		if r.If = (logic.Condition{}); len(b) == 0 {
			return
		}
		c, err := logic.Decode(b)
		if err != nil {
			in.Fail(err)
		}
		r.If = c
	}},
	{6, func(r *Rule, w *pack.Writer) { w.Uint(uint64(r.Repeats)) },
		func(r *Rule, in *pack.Reader) { r.Repeats = logic.Repeats(min(in.Uint(), 255)) }},
	intsField(10, func(r *Rule) *int { return &r.Pause }),
	{8, func(r *Rule, w *pack.Writer) { w.Uint(uint64(r.Busy)) },
		func(r *Rule, in *pack.Reader) { r.Busy = logic.Busy(min(in.Uint(), 255)) }},
	boolField(9, func(r *Rule) *bool { return &r.Elsewhere }),
	intsField(FieldNumber, func(r *Rule) *int { return &r.Number }),
}

// FieldRuleAsks is the field of a rule that holds what it asks.
const FieldRuleAsks Field = 5

// PartOf is the part of a rule that a field holds; 0 if it holds something else.
func PartOf(f Field) ID {
	if !isRulePart(f) {
		return 0
	}
	return ID(f &^ RulePart)
}

// RuleRef is a rule as a reference.
func RuleRef(id ID) Ref { return Ref{Sort: SortRule, ID: id} }

// PartValue is the value that holds a part of a rule.
func PartValue(p logic.Part) Value { return Value{Field: RulePart | Field(p.ID), Bytes: p.Encode()} }

// NoPart is the value of a part of a rule that is not there.
func NoPart(id ID) Value { return Value{Field: RulePart | Field(id)} }

// ruleParts are the fields of a rule that hold its parts.
var ruleParts = &further[*Rule]{
	values: func(r *Rule) (list []Value) {
		for _, p := range r.Parts {
			list = append(list, PartValue(p))
		}
		return list
	},
	is: isRulePart,
	set: func(r *Rule, v Value) error {
		id := ID(v.Field &^ RulePart)
		if len(v.Bytes) == 0 {
			r.Drop(id)
			return nil
		}
		p, err := logic.DecodePart(id, v.Bytes)
		if err == nil {
			err = p.CheckPart()
		}
		if err != nil {
			return err
		}
		if p.In == id {
			return fmt.Errorf("%w: a part of a rule that stands in itself", pack.ErrMalformed)
		}
		r.Set(p)
		return nil
	},
}

func isRulePart(f Field) bool { return f&RulePart != 0 }

// Values are the properties of a rule, with a value for each of its parts.
func (r *Rule) Values() []Value { return append(valuesOf(r, ruleFields), ruleParts.values(r)...) }

// Rule finds a rule; nil if there is none.
func (d *Document) Rule(id ID) *Rule { return byID(d.Rules, id, func(r *Rule) ID { return r.ID }) }

// Says is the name of a rule, or one made of its number.
func (r *Rule) Says() string {
	if r.Name != "" {
		return r.Name
	}
	return fmt.Sprintf("Rule %d", r.Number)
}

// RulesOf lists the rules that belong to something. The cost grows with the rules that there are.
func (d *Document) RulesOf(sort kind.Thing, home ID) (list []*Rule) {
	for _, r := range d.Rules {
		if r.HomeSort == sort && r.Home == home {
			list = append(list, r)
		}
	}
	return list
}

// Homes are the sorts of things to which rules can belong, beside the project.
var Homes = []kind.Thing{kind.Piece, kind.Type, kind.Area, kind.Map, kind.Character, kind.Crossing}

// IsHome reports whether what a rule belongs to is there.
func (d *Document) IsHome(sort kind.Thing, id ID) bool {
	switch sort {
	case kind.NoThing:
		return true
	case kind.Type:
		return d.Kind(id) != nil
	case kind.Character:
		return d.Character(id) != nil
	case kind.Crossing:
		return d.Crossing(id) != nil
	}
	return d.MapOf(&Rule{Rule: logic.Rule{HomeSort: sort, Home: id}}) != nil
}

// MapOf is the map to which a rule belongs: that of its piece or area; nil if it belongs to none, as a rule of a crossing does, which is on two.
func (d *Document) MapOf(r *Rule) *Map {
	switch r.HomeSort {
	case kind.Map:
		return d.Map(r.Home)
	case kind.Piece:
		m, _ := d.Piece(r.Home)
		return m
	case kind.Area:
		if a := d.Area(r.Home); a != nil {
			return d.Map(a.Map)
		}
	}
	return nil
}

// Refer is a rule that belongs to and names other things: those that to gives for the ones of this, in the order in which they stand.
func (r *Rule) Refer(to func(kind.Thing, ID) ID) Rule {
	next := *r
	next.Home = to(r.HomeSort, r.Home)
	next.If = next.If.Refer(to)
	next.Rule.Parts = nil
	for _, p := range r.Parts {
		next.Set(p.Refer(to))
	}
	return next
}

func (d *Document) checkRule(r *Rule) error {
	if len(d.Rules) > limit.Rules {
		return fmt.Errorf("a project has at most %d rules", limit.Rules)
	}
	if known := r.HomeSort == kind.NoThing || r.HomeSort <= kind.Crossing; !known {
		return fmt.Errorf("%w: a rule that belongs to what is not known here; reload the page", pack.ErrMalformed)
	}
	if err := CheckName(r.Name, true); err != nil {
		return err
	}
	if err := r.Check(); err != nil {
		return err
	}
	r.Plant()
	return nil
}
