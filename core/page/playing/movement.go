package playing

import (
	"azzel/core/body"
	"azzel/core/edit"
	"azzel/core/page"
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
	Unit  string `json:"unit"`
	// Value, Least and Most are in Per parts of the unit.
	Value int `json:"value"`
	Least int `json:"least"`
	Most  int `json:"most"`
	Per   int `json:"per"`
	// Reach is as far as it is dragged; beyond that it is typed.
	Reach int `json:"reach"`
	// Tries are values that are proposed to be tried over a replay, Trial what that is called then.
	Tries []int  `json:"tries"`
	Trial string `json:"trial"`
	// Side says that it counts in side-view alone.
	Side bool `json:"side"`
}

// jumpWidth is what follows from speed and air time, and is set by setting the speed.
const jumpWidth = "jump width"

// shownTerms are the values of a movement that are shown, in their order.
var shownTerms = []TermView{
	{Name: "speed", Label: "Speed", Unit: "cells/s", Per: 10, Reach: 160},
	{Name: "health", Label: "Health", Unit: "", Per: 1, Reach: 10},
	{Name: "jump", Label: "Jump height", Unit: "cells", Per: 10, Reach: 80, Side: true},
	{Name: "air", Label: "Time in the air", Unit: "ticks", Per: 1, Reach: 120, Side: true},
	{Name: jumpWidth, Label: "Jump width", Unit: "cells", Per: 10, Reach: 120, Side: true},
	{Name: "start", Label: "Speeding up", Unit: "ticks", Per: 1, Reach: 60, Side: true},
	{Name: "stop", Label: "Slowing down", Unit: "ticks", Per: 1, Reach: 60, Side: true},
	{Name: "grace", Label: "Grace at ledges", Unit: "ticks", Per: 1, Reach: 20, Side: true},
	{Name: "climb", Label: "Climbing", Unit: "cells/s", Per: 10, Reach: 160, Side: true},
	{Name: "swim", Label: "Swimming", Unit: "cells/s", Per: 10, Reach: 160, Side: true},
	{Name: "throw", Label: "Throwing", Unit: "cells/s", Per: 10, Reach: 240},
	{Name: "throw rise", Label: "Throwing up", Unit: "cells/s", Per: 10, Reach: 160, Side: true},
	{Name: "strike", Label: "Strike reaches", Unit: "cells", Per: 100, Reach: 300},
	{Name: "shot", Label: "Shots fly", Unit: "cells/s", Per: 10, Reach: 240},
	{Name: "shot reach", Label: "Shots reach", Unit: "cells", Per: 1, Reach: 24},
	{Name: "pause", Label: "Pause after each", Unit: "ticks", Per: 1, Reach: 60},
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
		Steerings: []string{"in eight directions", "in four directions", "cell by cell"}, Abilities: []string{"jump", "climb", "swim", "stomp", "push", "carry"},
		Arms: []string{"strike", "shoot"}, Armed: int(m.Arms), Camera: viewCamera(d), Beyond: d.Project.Camera.Beyond, Turns: d.Project.Turns}
	if c := d.Character(d.Project.Player); c != nil {
		v.Name = c.Name
	}
	for _, t := range shownTerms {
		if !counts(m, t.Name) {
			continue
		}
		t.Value, t.Least, t.Most = m.Term(t.Name)
		if t.Name == jumpWidth {
			_, least, most := m.Term("speed")
			slow, fast := m, m
			slow.Speed, fast.Speed = least, most
			t.Value, t.Least, t.Most = body.JumpWidth(m), body.JumpWidth(slow), body.JumpWidth(fast)
		}
		t.Reach = min(max(t.Reach, t.Value), t.Most)
		t.Tries, t.Trial = pieces.Around(t.Value, t.Least, t.Most), t.Name
		v.Terms = append(v.Terms, t)
	}
	return v
}

// moved is how the player moves with another value by its name.
func moved(d *world.Document, name string, value int) (world.Movement, error) {
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

// Movement is the edit that lets the player move otherwise. Who is played without being a
// character becomes one.
func Movement(a page.Author, name string, value int) (edit.Edit, error) {
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
	Term  string `json:"term"`
	Value int    `json:"value"`
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
	Term  string `json:"term"`
	Value int    `json:"value"`
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
