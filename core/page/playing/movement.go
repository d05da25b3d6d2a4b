package playing

import (
	"slices"

	"azzel/core/body"
	"azzel/core/edit"
	"azzel/core/logic"
	"azzel/core/page"
	"azzel/core/page/measure"
	"azzel/core/page/pieces"
	"azzel/core/world"
)

// MovementView is how the player moves, in the terms of a designer.
type MovementView struct {
	// Name is who is played.
	Name     string     `json:"name"`
	Terms    []TermView `json:"terms"`
	Steering int        `json:"steering"`
	// Steerings are the names of the ways one can walk, Abilities what one may be able to do.
	Steerings []string `json:"steerings"`
	Abilities []string `json:"abilities"`
	// Cannot has a bit for each ability one has not.
	Cannot int `json:"cannot"`
	// Arms are the names of what one may have against foes, Armed has a bit for each one has.
	Arms  []string `json:"arms"`
	Armed int      `json:"armed"`
	// Camera is how what the player sees follows them, Beyond that it looks beyond the edges of
	// maps, Turns that time passes by steps.
	Camera []TermView `json:"camera"`
	Beyond bool       `json:"beyond"`
	Turns  bool       `json:"turns"`
}

// TermView is one value of a movement.
type TermView struct {
	Name string `json:"name"`
	// Label is what it is called.
	Label string `json:"label"`
	// Measured is its number, in the unit.
	measure.Measured
	// Tries are values that are proposed to be tried over a replay, Trial what that is called then.
	Tries []float64 `json:"tries"`
	Trial string    `json:"trial"`
	// Side says that it counts in side-view alone.
	Side bool `json:"side"`
}

// A term is one value of a movement: how it is shown, and whether it counts in side-view alone.
type term struct {
	name string
	measure.Measure
	side bool
}

// view is the term as it is shown, with what is stored of it and what that may be.
func (t term) view(value, least, most int) TermView {
	t.Least, t.Most, t.From, t.To = least, most, least, min(max(t.To, value), most)
	v := TermView{Name: t.name, Label: t.Label, Measured: t.Measured(value), Trial: t.name, Side: t.side}
	v.Tries = pieces.Around(v.Measured)
	return v
}

// named is the term with a name among some; the zero value if there is none.
func named(list []term, name string) term {
	if i := slices.IndexFunc(list, func(t term) bool { return t.name == name }); i >= 0 {
		return list[i]
	}
	return term{}
}

// jumpWidth is what follows from speed and air time, and is set by setting the speed.
const jumpWidth = "jump width"

// shownTerms are the values of a movement that are shown, in their order.
var shownTerms = []term{
	{"speed", measure.Measure{Label: "Speed", Unit: "cells/s", Per: 10, To: 160}, false},
	{"health", measure.Measure{Label: "Health", Unit: "", Per: 1, To: 10}, false},
	{"jump", measure.Measure{Label: "Jump height", Unit: "cells", Per: 10, To: 80}, true},
	{"air", measure.Measure{Label: "Time in the air", Unit: "ticks", Per: 1, To: 120}, true},
	{jumpWidth, measure.Measure{Label: "Jump width", Unit: "cells", Per: 10, To: 120}, true},
	{"start", measure.Measure{Label: "Speeding up", Unit: "ticks", Per: 1, To: 60}, true},
	{"stop", measure.Measure{Label: "Slowing down", Unit: "ticks", Per: 1, To: 60}, true},
	{"grace", measure.Measure{Label: "Grace at ledges", Unit: "ticks", Per: 1, To: 20}, true},
	{"climb", measure.Measure{Label: "Climbing", Unit: "cells/s", Per: 10, To: 160}, true},
	{"swim", measure.Measure{Label: "Swimming", Unit: "cells/s", Per: 10, To: 160}, true},
	{"throw", measure.Measure{Label: "Throwing", Unit: "cells/s", Per: 10, To: 240}, false},
	{"throw rise", measure.Measure{Label: "Throwing up", Unit: "cells/s", Per: 10, To: 160}, true},
	{"strike", measure.Measure{Label: "Strike reaches", Unit: "cells", Per: 100, To: 300}, false},
	{"shot", measure.Measure{Label: "Shots fly", Unit: "cells/s", Per: 10, To: 240}, false},
	{"shot reach", measure.Measure{Label: "Shots reach", Unit: "cells", Per: 1, To: 24}, false},
	{"pause", measure.Measure{Label: "Pause after each", Unit: "ticks", Per: 1, To: 60}, false},
}

// counts reports whether a value means anything to somebody who moves so.
func counts(m world.Movement, name string) bool {
	switch name {
	case "throw", "throw rise":
		return m.Can(world.Carrying)
	case "strike":
		return m.Arms&world.Striking != 0
	case "shot", "shot reach":
		return m.Arms&world.Shooting != 0
	case "pause":
		return m.Arms != 0
	}
	return true
}

// ViewMovement is how the player moves, as a view.
func ViewMovement(d *world.Document) MovementView {
	m := d.Played()
	v := MovementView{Name: "The built-in figure", Steering: int(m.Steering), Cannot: int(m.Cannot), Terms: make([]TermView, 0, len(shownTerms)),
		Steerings: []string{"in eight directions", "in four directions", "cell by cell"}, Abilities: logic.BodyWords,
		Arms: logic.ArmWords, Armed: int(m.Arms), Camera: viewCamera(d), Beyond: d.Project.Camera.Beyond, Turns: d.Project.Turns}
	if c := d.Character(d.Project.Player); c != nil {
		v.Name = c.Name
	}
	for _, t := range shownTerms {
		if !counts(m, t.name) {
			continue
		}
		value, least, most := m.Term(t.name)
		if t.name == jumpWidth {
			_, least, most = m.Term("speed")
			slow, fast := m, m
			slow.Speed, fast.Speed = least, most
			value, least, most = body.JumpWidth(m), body.JumpWidth(slow), body.JumpWidth(fast)
		}
		v.Terms = append(v.Terms, t.view(value, least, most))
	}
	return v
}

// moved is how the player moves with another value, in its unit, by its name.
func moved(d *world.Document, name string, shown float64) (world.Movement, error) {
	value := named(shownTerms, name).Stored(shown)
	var m world.Movement
	if c := d.Character(d.Project.Player); c != nil {
		m = c.Movement
	}
	if name == jumpWidth {
		speed, least, most := m.Filled().Term("speed")
		if value != body.JumpWidth(m.Filled()) {
			speed = min(max(body.SpeedFor(m.Filled(), value), least), most)
		}
		name, value = "speed", speed
	}
	return m.With(name, value)
}

// Movement is the edit that lets the player move otherwise, with a value in its unit. Who is played without being a
// character becomes one.
func Movement(a page.Author, name string, value float64) (edit.Edit, error) {
	if e, ok, err := ofProject(a, name, value); ok {
		return e, err
	}
	d := a.D
	m, err := moved(d, name, value)
	if err != nil {
		return edit.Edit{}, err
	}
	e := edit.Edit{Label: "change " + name}
	if c := d.Character(d.Project.Player); c != nil {
		next := *c
		next.Movement = m
		e.Parts = edit.Changes(world.Ref{Sort: world.SortCharacter, ID: c.ID}, c.Values(), next.Values())
		return e, nil
	}
	if m.Filled() == d.Played() {
		return e, nil
	}
	c := &world.Character{Name: "Player", Movement: m}
	id := a.IDs.NewID()
	e.Parts = append([]edit.Part{edit.Put{Ref: world.Ref{Sort: world.SortCharacter, ID: id}, Values: c.Values()}},
		edit.Change{Ref: world.Ref{Sort: world.SortProject}, Value: world.IDValue(world.FieldPlayer, id)})
	return e, nil
}

// SetMovement lets the player move otherwise.
type SetMovement struct {
	Term  string  `json:"term"`
	Value float64 `json:"value"`
}

// Do implements Order.
func (o SetMovement) Do(p *page.Page) page.Changed {
	e, err := Movement(p.Author(), o.Term, o.Value)
	if err != nil {
		return p.Fail(err)
	}
	changed := page.Changed(0)
	if len(e.Parts) > 0 {
		changed = p.Do(e)
	}
	return changed | endTrial(p)
}

// TryMovement lets the player move otherwise in the game under way alone, while a value is dragged.
type TryMovement struct {
	Term  string  `json:"term"`
	Value float64 `json:"value"`
}

// Do implements Order.
func (o TryMovement) Do(p *page.Page) page.Changed {
	if p.Played == nil {
		return 0
	}
	e, err := Movement(p.Author(), o.Term, o.Value)
	if err != nil {
		return p.Fail(err)
	}
	d := p.Doc()
	if len(e.Parts) > 0 {
		res, err := edit.Apply(d, e)
		if err != nil {
			return p.Fail(err)
		}
		d = res.Document
	}
	p.Trying = true
	if err := p.Played.SetDocument(d); err != nil {
		return p.Fail(err)
	}
	p.Collect()
	return page.PlayChanged
}

// endTrial lets the game go on with what the document says.
func endTrial(p *page.Page) page.Changed {
	if !p.Trying || p.Played == nil {
		return 0
	}
	p.Trying = false
	if err := p.Played.SetDocument(p.Doc()); err != nil {
		p.Played = nil
		return p.Fail(err)
	}
	return page.PlayChanged
}
