package demo

import (
	"azzel/core/edit"
	"azzel/core/grid"
	"azzel/core/kind"
	"azzel/core/kinds/props"
	"azzel/core/logic"
	"azzel/core/words"
	"azzel/core/world"
)

// A scene is a rule in the making.
type scene struct {
	b *builder
	*world.Rule
}

// scene begins a rule that belongs to something, and begins at a moment.
func (b *builder) scene(name string, sort kind.Thing, home world.ID, begins logic.Moment) scene {
	s := scene{b, &world.Rule{Name: name}}
	s.HomeSort, s.Home = sort, home
	s.Set(logic.Part{ID: b.ids.NewID(), Begins: begins})
	return s
}

// in adds actions to a branch of an action, or of the rule itself for 0, and gives the id of the last.
func (s scene) in(part world.ID, branch int, list ...logic.Action) (last world.ID) {
	for _, a := range list {
		last = s.b.ids.NewID()
		s.Set(logic.Part{ID: last, In: part, Branch: branch, Order: len(s.Parts) << 10, Action: a})
	}
	return last
}

func (s scene) keep() {
	s.b.step("say what happens: "+s.Name, edit.Put{Ref: world.RuleRef(s.b.ids.NewID()), Values: s.Values()})
}

// named finds a piece by its name.
func (b *builder) named(name string) world.ID {
	for _, m := range b.doc.Maps {
		for _, p := range m.Pieces {
			if p.Name == name {
				return p.ID
			}
		}
	}
	return 0
}

func says(who logic.Noun, text string) logic.Action {
	return logic.Action{Does: logic.Say, Subject: who, Text: words.Plain(text)}
}

func waits(seconds int) logic.Action { return logic.Action{Does: logic.Wait, Number: 60 * seconds} }

// scenes are the rules of the glasshouse: a short scene on first entering the boiler room, the lamps, a bench to rest on, and somebody who counts.
func (b *builder) scenes(boiler *room) {
	if b.err != nil {
		return
	}
	game := logic.Noun{Is: logic.Player}
	one := func(name string) logic.Noun { return logic.Noun{Is: logic.Piece, Thing: b.named(name)} }
	ottilie, emil := one("Ottilie, who stokes"), one("Emil, who sweeps")
	still, free := logic.Action{Does: logic.HoldStill}, logic.Action{Does: logic.LetGo}

	s := b.scene("First time in the boiler room", kind.Map, boiler.m.ID, logic.Moment{Is: logic.MapBegins.Number, Thing: boiler.m.ID})
	s.Repeats = logic.OnceEver
	light := s.in(0, 0, still, logic.Action{Does: logic.CameraTo, Towards: ottilie, Number: 60}, logic.Action{Does: logic.LookAt, Subject: ottilie, Towards: game},
		says(ottilie, "Who is there? Ah, the night shift."), says(ottilie, "Mind the coals."),
		logic.Action{Does: logic.If, If: logic.Needs(logic.FactValue, b.lit, logic.AtLeast, 1)})
	s.in(light, logic.Then, says(ottilie, "So you found the fuse. Good."))
	s.in(light, logic.Otherwise, says(ottilie, "No light anywhere tonight."))
	s.in(0, 0, logic.Action{Does: logic.CameraBack, Number: 60}, says(game, "The boilers hum. It is warm here."), logic.Action{Does: logic.Heal, Number: 1}, free)
	s.keep()

	s = b.scene("The lamps come back", kind.NoThing, 0, logic.Moment{Is: logic.FactReached.Number, Thing: b.lit, Number: 1})
	s.Elsewhere = true
	s.in(0, 0, waits(1), says(game, "Somewhere a relay clicks, and the lamps burn again."))
	s.keep()

	s = b.scene("A rest on the bench", kind.Piece, b.named("Bench by the palms"), logic.Moment{Is: props.Reached.Number})
	s.Repeats = logic.OnceAVisit
	s.in(0, 0, still)
	asks := s.in(0, 0, logic.Action{Does: logic.Question, Subject: game, Text: words.Plain("The bench by the palms is dry. Sit down for a moment?")})
	rest := s.in(asks, 0, logic.Action{Does: logic.Choice, Text: words.Plain("Sit down")})
	lamps := s.in(rest, 0, waits(1), logic.Action{Does: logic.Heal, Number: 3}, logic.Action{Does: logic.If, If: logic.Needs(logic.FactValue, b.lit, logic.AtLeast, 1)})
	s.in(lamps, logic.Then, says(game, "It is warm here, and light."))
	s.in(lamps, logic.Otherwise, says(game, "It is warm here. A pity about the dark."))
	s.in(asks, 0, logic.Action{Does: logic.Choice, Text: words.Plain("Go on")})
	s.in(0, 0, free)
	s.keep()

	s = b.scene("Emil counts", kind.Piece, b.named("Emil, who sweeps"), logic.Moment{Is: props.Spoken.Number})
	asks = s.in(0, 0, logic.Action{Does: logic.Question, Subject: emil, Text: words.Plain("Shall I count your labels?")})
	yes := s.in(asks, 0, logic.Action{Does: logic.Choice, Text: words.Plain("Please do")})
	s.in(yes, 0, logic.Action{Does: logic.Say, Subject: emil, Text: words.Text{{Letters: "You have "}, {Item: b.label}, {Letters: " of five."}}})
	no := s.in(asks, 0, logic.Action{Does: logic.Choice, Text: words.Plain("I count them myself")})
	s.in(no, 0, says(emil, "As you like."))
	s.keep()
}

// byTheBoilers is the other ending: who brings Ottilie the seeds from the cabinet may stay by the fire. They are the toll for it.
func (b *builder) byTheBoilers() {
	if b.err != nil {
		return
	}
	name := "Ottilie, who stokes"
	ottilie := logic.Noun{Is: logic.Piece, Thing: b.named(name)}
	s := b.scene("A place by the boilers", kind.Piece, ottilie.Thing, logic.Moment{Is: props.Spoken.Number})
	s.If = logic.Needs(logic.ItemCount, b.seeds, logic.AtLeast, 1)
	asks := s.in(0, 0, logic.Action{Does: logic.Question, Subject: ottilie, Text: words.Plain("Are those seeds from the cabinet? They want it warm. Leave them with me, and stay by the fire until morning.")})
	yes := s.in(asks, 0, logic.Action{Does: logic.Choice, Text: words.Plain("Here they are")})
	s.in(yes, 0, logic.Action{Does: logic.HoldStill}, logic.Action{Does: logic.Lose, Thing: b.seeds, Value: logic.Value{Number: 1}},
		says(ottilie, "Sit down. Nobody goes round twice in one night."), logic.Action{Does: logic.FadeOut, Number: 120}, logic.Action{Does: logic.End, Name: "By the warm boilers"})
	no := s.in(asks, 0, logic.Action{Does: logic.Choice, Text: words.Plain("I have a round to finish")})
	s.in(no, 0, says(ottilie, "They will not wait for ever."))
	s.keep()
}

// toDo is the objective of the night, which is given as it begins: the labels.
func (b *builder) toDo() {
	if b.err != nil {
		return
	}
	objective := func(name string) world.ID {
		id := b.ids.NewID()
		is := &world.Fact{Name: name, Counts: true, Words: world.ObjectiveWords, Objective: true}
		b.step("set an objective: "+name, edit.Put{Ref: world.Ref{Sort: world.SortFact, ID: id}, Values: is.Values()})
		return id
	}
	becomes := func(objective world.ID, n int) logic.Action {
		return logic.Action{Does: logic.SetFact, Thing: objective, Value: logic.Value{Number: n}}
	}
	labels := objective("Find five brass labels")
	s := b.scene("The night begins", kind.NoThing, 0, logic.Moment{Is: logic.PlayBegins.Number})
	s.in(0, 0, becomes(labels, world.Open))
	s.keep()
	s = b.scene("Looking at the labels", kind.NoThing, 0, logic.Moment{Is: logic.ItemUsed.Number, Thing: b.label})
	s.in(0, 0, logic.Action{Does: logic.Say, Subject: logic.Noun{Is: logic.Player}, Text: words.Text{{Item: b.label}, {Letters: " of five. The brass is cold, and the names are Latin."}}})
	s.keep()
	s = b.scene("All labels found", kind.NoThing, 0, logic.Moment{Is: logic.ItemHad.Number, Thing: b.label})
	s.If = logic.Needs(logic.ItemCount, b.label, logic.AtLeast, 5)
	s.Repeats = logic.OnceEver
	s.in(0, 0, becomes(labels, world.Reached))
	s.keep()
}

// soFar are the starts from which one tries what comes late: with the lever pulled, before the shed, and with all labels and light, before
// the night gate. Beetles begin their round anew whenever the player comes back.
func (b *builder) soFar(yard, palms *room) {
	if b.err != nil {
		return
	}
	b.start(world.NamedStart{Name: "Lever pulled", Map: yard.m.ID, Cell: grid.Point{X: 30, Y: 8},
		States: []world.StateIs{{Piece: b.lever, State: kind.StateNamed("pressed").Number}, {Piece: b.named("Plate in the tool shed"), State: kind.StateNamed("released").Number}}})
	gate := grid.Point{}
	for _, p := range b.doc.Map(palms.m.ID).Pieces {
		if p.Kind().Ends {
			gate = b.doc.Project.Lattice().CellAt(p.Foot)
		}
	}
	b.start(world.NamedStart{Name: "All labels, lamps lit", Map: palms.m.ID, Cell: gate.Add(grid.Point{Y: 2}),
		Items: []world.Stock{{Item: b.label, Count: 5}, {Item: b.fuse, Count: 1}}, Facts: []world.FactIs{{Fact: b.lit, Value: 1}}})
}

func (b *builder) start(s world.NamedStart) {
	b.step("keep the start "+s.Name, edit.Put{Ref: world.StartRef(b.ids.NewID()), Values: s.Values()})
}
