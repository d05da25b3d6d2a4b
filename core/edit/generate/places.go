package generate

import (
	"fmt"
	"slices"

	"azzel/core/edit"
	"azzel/core/grid"
	"azzel/core/kind"
	"azzel/core/kinds/props"
	"azzel/core/kinds/random"
	"azzel/core/logic"
	terms "azzel/core/logic/random"
	"azzel/core/world"
)

// place is an edit of what lies on maps beside cells and pieces, of who there is and of how all of it
// is seen and moved. It has no parts if there was nothing to do.
func (a Author) place(d *world.Document) edit.Edit {
	m := d.Maps[a.Rand.IntN(len(d.Maps))]
	e := edit.Edit{Label: "a step"}
	add := func(p ...edit.Part) { e.Parts = append(e.Parts, p...) }
	places := d.OfMap(m.ID)
	switch n := a.Rand.IntN(21); {
	case n < 2:
		t := &world.Track{Name: fmt.Sprintf("Track %d", a.Rand.IntN(9)), Map: m.ID, Points: a.points(d, m), Round: a.Rand.IntN(2) == 0}
		add(edit.Put{Ref: world.Ref{Sort: world.SortTrack, ID: a.IDs.NewID()}, Values: t.Values()})
	case n < 4:
		area := &world.Area{Name: "Draught", Map: m.ID, Cells: a.region(m), Forces: a.forces(), Holds: a.Rand.IntN(2) == 0}
		add(edit.Put{Ref: world.Ref{Sort: world.SortArea, ID: a.IDs.NewID()}, Values: area.Values()})
	case n < 5 && len(places) > 0:
		add(edit.Remove{Ref: places[a.Rand.IntN(len(places))]})
	case n < 7 && len(places) > 0:
		r := places[a.Rand.IntN(len(places))]
		if t := d.Track(r.ID); r.Sort == world.SortTrack {
			next := *t
			next.Points, next.Round = a.points(d, m), !t.Round
			add(edit.Changes(r, t.Values(), next.Values())...)
		} else {
			was := d.Area(r.ID)
			next := *was
			next.Cells, next.Forces, next.Zoom = a.region(m), a.forces(), 50+a.Rand.IntN(100)
			add(edit.Changes(r, was.Values(), next.Values())...)
		}
	case n < 8 && len(m.Pieces) > 0 && len(places) > 0:
		p := m.Pieces[a.Rand.IntN(len(m.Pieces))]
		next := *p
		next.Props = p.Kind().Keeps(random.Values(a.Rand, p.Kind()).With(props.Track.Refer(places[0].ID), props.Area.Refer(places[len(places)-1].ID)))
		add(edit.Changes(world.Ref{Sort: world.SortPiece, Map: m.ID, ID: p.ID}, p.Values(), next.Values())...)
	case n < 9:
		item := &world.Item{Name: "Lantern", Most: a.Rand.IntN(9)}
		id := a.IDs.NewID()
		add(edit.Put{Ref: world.Ref{Sort: world.SortItem, ID: id}, Values: item.Values()})
		if len(m.Pieces) > 0 {
			p := m.Pieces[a.Rand.IntN(len(m.Pieces))]
			next := *p
			next.Props = p.Kind().Keeps(next.Props.With(props.Item.Refer(id), props.Amount.Is(a.Rand.IntN(3))))
			add(edit.Changes(world.Ref{Sort: world.SortPiece, Map: m.ID, ID: p.ID}, p.Values(), next.Values())...)
		}
	case n < 10 && len(d.Items) > 0:
		i := d.Items[a.Rand.IntN(len(d.Items))]
		r := world.Ref{Sort: world.SortItem, ID: i.ID}
		if next := *i; a.Rand.IntN(2) == 0 {
			add(edit.Remove{Ref: r})
		} else {
			next.Most++
			add(edit.Changes(r, i.Values(), next.Values())...)
		}
	case n < 11:
		c := &world.Character{Name: "Night porter", FootX: a.Rand.IntN(5), Poses: []world.Pose{{Act: world.ActRun, Facing: world.East, Frames: []int{a.Rand.IntN(16), 2}, Ticks: 1 + a.Rand.IntN(9)}}}
		c.AboveW = a.Rand.IntN(20)
		c.Throw, c.ThrowRise, c.Shot, c.ShotReach, c.Strike, c.Pause = a.Rand.IntN(640), a.Rand.IntN(640), a.Rand.IntN(640), a.Rand.IntN(60), a.Rand.IntN(800), a.Rand.IntN(60)
		for _, i := range d.Items {
			c.Begins = append(c.Begins, world.Stock{Item: i.ID, Count: 1 + a.Rand.IntN(3)})
		}
		add(edit.Put{Ref: world.Ref{Sort: world.SortCharacter, ID: a.IDs.NewID()}, Values: c.Values()})
	case n < 12:
		fact := &world.Fact{Name: "Lit", Counts: a.Rand.IntN(2) == 0, Start: a.Rand.IntN(2)}
		id := a.IDs.NewID()
		if fact.Counts && a.Later {
			if fact.Map = m.ID; a.Rand.IntN(2) == 0 {
				fact.Text = true
				fact.Start, _ = fact.NumberOf("Fog")
				fact.Texts = []world.FactText{{Number: fact.Start, Text: "Fog"}}
			}
		}
		add(edit.Put{Ref: world.Ref{Sort: world.SortFact, ID: id}, Values: fact.Values()})
		if len(m.Pieces) > 0 {
			p := m.Pieces[a.Rand.IntN(len(m.Pieces))]
			next := *p
			next.Props = next.Props.With(world.Change{Fact: id, How: world.Setting(a.Rand.IntN(3)), By: a.Rand.IntN(3)}.Props()...)
			if a.Rand.IntN(2) == 0 {
				next.SetWhile(logic.Condition{})
				next.Props = next.Props.With(world.Single{Fact: id, Least: a.Rand.IntN(3), Not: a.Rand.IntN(2) == 0}.Props()...)
			} else {
				next.SetWhile(terms.Condition(a.Rand, terms.Things{Facts: []world.ID{id}, Pieces: []world.ID{p.ID, 77 << 32}}, false, 3))
				next.SetNeeds(terms.Condition(a.Rand, terms.Things{Facts: []world.ID{id}, Pieces: []world.ID{p.ID, 77 << 32}}, false, 2))
			}
			next.Props = p.Kind().Keeps(next.Props)
			add(edit.Changes(world.Ref{Sort: world.SortPiece, Map: m.ID, ID: p.ID}, p.Values(), next.Values())...)
		}
	case n < 13 && len(d.Facts) > 0:
		f := d.Facts[a.Rand.IntN(len(d.Facts))]
		r := world.Ref{Sort: world.SortFact, ID: f.ID}
		if next := *f; a.Rand.IntN(2) == 0 {
			add(edit.Remove{Ref: r})
		} else {
			if next.Start = 1 - f.Start; f.Text {
				next.Start = f.Start
				var is world.FactText
				is.Text = fmt.Sprintf("Fog until %d", a.Rand.IntN(9))
				is.Number, _ = f.NumberOf(is.Text)
				add(edit.Change{Ref: r, Value: is.Value()})
			}
			add(edit.Changes(r, f.Values(), next.Values())...)
		}
	case n < 15 && len(m.Pieces) > 1:
		o := d.Maps[a.Rand.IntN(len(d.Maps))]
		if len(o.Pieces) == 0 {
			o = m
		}
		w := &world.Wire{From: m.Pieces[a.Rand.IntN(len(m.Pieces))].ID, To: o.Pieces[a.Rand.IntN(len(o.Pieces))].ID,
			Works: a.Rand.IntN(2), Does: a.Rand.IntN(4), After: a.Rand.IntN(90), Of: a.Rand.IntN(4) - 1}
		if w.From != w.To {
			add(edit.Put{Ref: edit.WireRef(a.IDs.NewID()), Values: w.Values()})
		}
	case n < 16 && len(d.Wires) > 0:
		w := d.Wires[a.Rand.IntN(len(d.Wires))]
		if next := *w; a.Rand.IntN(2) == 0 {
			add(edit.Remove{Ref: edit.WireRef(w.ID)})
		} else {
			next.Does, next.After = (w.Does+1)%4, a.Rand.IntN(90)
			add(edit.Changes(edit.WireRef(w.ID), w.Values(), next.Values())...)
		}
	case n < 18:
		r := &world.Rule{Name: fmt.Sprintf("Rule %d", a.Rand.IntN(9)), Rule: terms.Rule(a.Rand, Things(d), a.IDs.NewID)}
		switch home := a.Rand.IntN(6); {
		case home == 0:
			r.HomeSort, r.Home = kind.Map, m.ID
		case home == 1 && len(m.Pieces) > 0:
			r.HomeSort, r.Home = kind.Piece, m.Pieces[a.Rand.IntN(len(m.Pieces))].ID
		case home == 2:
			r.HomeSort, r.Home = kind.Type, world.Foe
		case home == 3 && len(d.Characters) > 0:
			r.HomeSort, r.Home = kind.Character, d.Characters[a.Rand.IntN(len(d.Characters))].ID
		case home == 4 && len(d.Crossings) > 0:
			r.HomeSort, r.Home = kind.Crossing, d.Crossings[a.Rand.IntN(len(d.Crossings))].ID
		}
		add(edit.Put{Ref: world.RuleRef(a.IDs.NewID()), Values: r.Values()})
	case n < 20 && len(d.Rules) > 0:
		r := d.Rules[a.Rand.IntN(len(d.Rules))]
		switch next := *r; a.Rand.IntN(4) {
		case 0:
			add(edit.Remove{Ref: world.RuleRef(r.ID)})
		case 1:
			next.Off, next.Busy = !r.Off, logic.Both
			add(edit.Changes(world.RuleRef(r.ID), r.Values(), next.Values())...)
		default:
			if len(r.Parts) == 0 {
				break
			}
			p := r.Parts[a.Rand.IntN(len(r.Parts))]
			if a.Rand.IntN(2) == 0 {
				add(edit.PartGone(r.ID, p.ID))
			} else if p.Does != logic.Nothing {
				p.Action, p.Order = terms.Action(a.Rand, Things(d)), p.Order+a.Rand.IntN(30)-15
				add(edit.PartChange(r.ID, p))
			}
		}
	default:
		p, here := d.Project, *m
		p.Camera, p.Turns = world.Camera{FreeW: a.Rand.IntN(90), Ahead: a.Rand.IntN(40)}, !p.Turns
		here.Barred, here.BarredArms = world.Ability(a.Rand.IntN(64)), world.Arm(a.Rand.IntN(4))
		here.Anew = world.Anew(here.Barred & 3)
		here.Forces, here.Lottery = a.forces(), world.Odds{a.Rand.IntN(5), 1}
		add(a.start(d)...)
		add(a.OwnType(d, m)...)
		add(edit.Changes(world.Ref{Sort: world.SortProject}, d.Project.Values(), p.Values())...)
		add(edit.Changes(world.Ref{Sort: world.SortMap, ID: m.ID}, m.Values(), here.Values())...)
	}
	return e
}

// start makes a named start, changes one or deletes it.
func (a Author) start(d *world.Document) []edit.Part {
	m := d.Maps[a.Rand.IntN(len(d.Maps))]
	next := world.NamedStart{Name: "Boiler lit", Map: m.ID, Cell: grid.Point{X: m.Bounds.X + a.Rand.IntN(m.Bounds.W+1), Y: m.Bounds.Y}, States: []world.StateIs{{Piece: 96<<32 | 1, State: 8}}}
	for _, f := range d.Facts {
		next.Facts = append(next.Facts, world.FactIs{Fact: f.ID, Value: a.Rand.IntN(4)})
	}
	for _, i := range d.Items {
		next.Items = append(next.Items, world.Stock{Item: i.ID, Count: 1 + a.Rand.IntN(3)})
	}
	for _, p := range m.Pieces {
		if list := p.Kind().States; len(list) > 0 && a.Rand.IntN(3) == 0 && len(next.States) < 9 {
			next.States = append(next.States, world.StateIs{Piece: p.ID, State: list[a.Rand.IntN(len(list))].Number})
		}
	}
	if len(d.Starts) == 0 {
		return []edit.Part{edit.Put{Ref: world.StartRef(a.IDs.NewID()), Values: next.Values()}}
	}
	s := d.Starts[a.Rand.IntN(len(d.Starts))]
	if next.Number = s.Number; a.Rand.IntN(4) == 0 {
		return []edit.Part{edit.Remove{Ref: world.StartRef(s.ID)}}
	}
	return edit.Changes(world.StartRef(s.ID), s.Values(), next.Values())
}

// OwnType makes a type of the designer's own, changes what is usual of one or on what it builds, deletes one, or makes a piece one of it.
func (a Author) OwnType(d *world.Document, m *world.Map) (parts []edit.Part) {
	kinds := slices.DeleteFunc(kind.All(), func(k *kind.Kind) bool { return k.Single || k.Starts || k.Begins })
	if len(d.Types) == 0 || a.Rand.IntN(5) == 0 {
		k := kinds[a.Rand.IntN(len(kinds))]
		t := &world.Type{Name: "Night moth", Base: k.ID, Purpose: "Flutters.", May: world.Most(a.Rand.IntN(4)), Most: 1 + a.Rand.IntN(4), Usual: k.Keeps(random.Values(a.Rand, k))}
		return []edit.Part{edit.Put{Ref: world.TypeRef(a.IDs.NewID()), Values: t.Values()}}
	}
	t := d.Types[a.Rand.IntN(len(d.Types))]
	k := kind.Of(t.Base)
	switch next := *t; a.Rand.IntN(9) {
	case 0:
		return []edit.Part{edit.Remove{Ref: world.TypeRef(t.ID)}}
	case 1:
		return []edit.Part{edit.Change{Ref: world.TypeRef(t.ID), Value: world.IDValue(world.FieldBase, kinds[a.Rand.IntN(len(kinds))].ID)}}
	case 2:
		next.Usual = k.Keeps(random.Values(a.Rand, k))
		return edit.Changes(world.TypeRef(t.ID), t.Values(), next.Values())
	case 3, 4:
		is := world.TypeProp{ID: a.IDs.NewID(), Name: "Dew", Sort: []kind.Sort{kind.Whole, kind.YesNo, kind.Choice}[a.Rand.IntN(3)], Words: []string{"dry", "wet"}, Unit: "drops", Usual: a.Rand.IntN(9), Most: a.Rand.IntN(40), Changes: a.Rand.IntN(2) == 0}
		if len(t.Further) > 0 && a.Rand.IntN(2) == 0 {
			is.ID = t.Further[0].ID
		}
		value := is.Value()
		if a.Rand.IntN(4) == 0 {
			value = world.NoTypeProp(is.ID)
		}
		return []edit.Part{edit.Change{Ref: world.TypeRef(t.ID), Value: value}}
	case 5:
		if len(m.Pieces) == 0 || len(t.Further) == 0 {
			return nil
		}
		set := kind.OwnValue(kind.Field(t.Further[0].ID), a.Rand.IntN(80)-20)
		if a.Rand.IntN(2) == 0 {
			set = kind.OwnValue(kind.None(props.Speed.Field), 1)
		}
		return []edit.Part{edit.Change{Ref: world.Ref{Sort: world.SortPiece, Map: m.ID, ID: m.Pieces[a.Rand.IntN(len(m.Pieces))].ID}, Value: world.Value(set)}}
	default:
		if len(m.Pieces) == 0 {
			return nil
		}
		ref := world.Ref{Sort: world.SortPiece, Map: m.ID, ID: m.Pieces[a.Rand.IntN(len(m.Pieces))].ID}
		if _, p := d.Piece(ref.ID); p.Kind().Single {
			return nil
		}
		set := props.OwnType.Refer(t.ID)
		return []edit.Part{edit.Change{Ref: ref, Value: world.IDValue(world.FieldType, t.Base)}, edit.Change{Ref: ref, Value: world.Value(set)}}
	}
}

// Things are what rules can name of a document, with something that is gone.
func Things(d *world.Document) (of terms.Things) {
	const gone = world.ID(77 << 32)
	of.Pieces, of.Maps = []world.ID{gone}, []world.ID{gone}
	for _, m := range d.Maps {
		of.Maps = append(of.Maps, m.ID)
		for _, l := range m.Layers {
			of.Layers = append(of.Layers, l.ID)
		}
		for _, p := range m.Pieces {
			of.Pieces = append(of.Pieces, p.ID)
		}
	}
	of.Facts = idsOf(gone, d.Facts, func(f *world.Fact) world.ID { return f.ID })
	of.Items = idsOf(gone, d.Items, func(i *world.Item) world.ID { return i.ID })
	of.Areas = idsOf(gone, d.Areas, func(a *world.Area) world.ID { return a.ID })
	of.Crossings = idsOf(gone, d.Crossings, func(c *world.Crossing) world.ID { return c.ID })
	of.Rules = idsOf(gone, d.Rules, func(r *world.Rule) world.ID { return r.ID })
	of.Tracks = idsOf(gone, d.Tracks, func(t *world.Track) world.ID { return t.ID })
	of.Patches = idsOf(gone, d.Patches, func(p *world.Patch) world.ID { return p.ID })
	of.Characters = idsOf(gone, d.Characters, func(c *world.Character) world.ID { return c.ID })
	return of
}

// idsOf are the ids of some things, after one more.
func idsOf[T any](first world.ID, list []*T, id func(*T) world.ID) []world.ID {
	ids := []world.ID{first}
	for _, t := range list {
		ids = append(ids, id(t))
	}
	return ids
}

func (a Author) points(d *world.Document, m *world.Map) (list []grid.Point) {
	b := d.Project.Lattice().Box(m.Bounds)
	for range 1 + a.Rand.IntN(5) {
		list = append(list, grid.Point{X: b.X + a.Rand.IntN(b.W), Y: b.Y + a.Rand.IntN(b.H)})
	}
	return list
}

func (a Author) forces() world.Forces {
	return world.Forces{Gravity: a.Rand.IntN(200), WindX: a.Rand.IntN(80) - 40, WindY: a.Rand.IntN(80) - 40}
}
