package exchange_test

import (
	"math/rand/v2"
	"slices"
	"testing"

	"azzel/core/appearance"
	"azzel/core/edit"
	"azzel/core/grid"
	"azzel/core/kind"
	"azzel/core/kinds/door"
	"azzel/core/kinds/props"
	"azzel/core/kinds/switches"
	"azzel/core/logic"
	"azzel/core/logic/random"
	"azzel/core/world"
)

// withWire is a document with a wire between two of its pieces, as bundles hold it since version 4.
func withWire(t *testing.T, d *world.Document) *world.Document {
	t.Helper()
	var ends []world.ID
	for _, m := range d.Maps {
		for _, p := range m.Pieces {
			ends = append(ends, p.ID)
		}
	}
	w := world.Wire{Name: "Feed", From: ends[0], To: ends[len(ends)-1], Does: world.TurnsOff, After: 90, Of: world.AllOf}
	res, err := edit.Apply(d, edit.Edit{Label: "wire", Parts: []edit.Part{edit.Put{Ref: edit.WireRef(6<<32 | 1), Values: w.Values()}}})
	if err != nil {
		t.Fatal(err)
	}
	return res.Document
}

// withRules is a document with some rules, as bundles hold them since version 5.
func withRules(t *testing.T, d *world.Document) *world.Document {
	t.Helper()
	ids := &world.Counter{Prefix: 97}
	of := random.Things{Facts: []world.ID{ids.NewID()}, Items: []world.ID{ids.NewID()}, Maps: []world.ID{d.Maps[0].ID}, Areas: []world.ID{ids.NewID()}, Crossings: []world.ID{ids.NewID()}, Rules: []world.ID{ids.NewID()}}
	for _, m := range d.Maps {
		for _, p := range m.Pieces {
			of.Pieces = append(of.Pieces, p.ID)
		}
	}
	var parts []edit.Part
	for seed := range uint64(8) {
		r := world.Rule{Name: "Dawn", Off: seed == 3, Rule: random.Rule(rand.New(rand.NewPCG(seed, 1)), of, ids.NewID)}
		r.HomeSort = []kind.Thing{kind.NoThing, kind.Map, kind.Piece, kind.Type}[seed%4]
		r.Home = []world.ID{0, of.Maps[0], of.Pieces[0], world.Foe}[seed%4]
		parts = append(parts, edit.Put{Ref: world.RuleRef(ids.NewID()), Values: r.Values()})
	}
	res, err := edit.Apply(d, edit.Edit{Label: "rules", Parts: parts})
	if err != nil {
		t.Fatal(err)
	}
	return res.Document
}

// withFacts is a document with a fact that has a range and one of some words, as bundles hold them since version 6.
func withFacts(t *testing.T, d *world.Document) *world.Document {
	t.Helper()
	put := func(id world.ID, f world.Fact) edit.Part {
		return edit.Put{Ref: world.Ref{Sort: world.SortFact, ID: id}, Values: f.Values()}
	}
	res, err := edit.Apply(d, edit.Edit{Label: "facts", Parts: []edit.Part{
		put(98<<32|1, world.Fact{Name: "Warmth", Counts: true, Least: -7, Most: 19, Start: -2}), put(98<<32|2, world.Fact{Name: "Pipe", Counts: true, Words: []string{"cold", "warm"}, Start: 1}),
	}})
	if err != nil {
		t.Fatal(err)
	}
	return res.Document
}

// withTexts is a document with a fact that is a short text, and one that belongs to a map, as bundles hold them since version 8.
func withTexts(t *testing.T, d *world.Document) *world.Document {
	t.Helper()
	note := world.Fact{Name: "Last entry", Counts: true, Text: true}
	for _, text := range []string{"“Fog at 2 o’clock” – Emil", "ὥρα τρίτη"} {
		note.Start, _ = note.NumberOf(text)
		note.Texts = append(note.Texts, world.FactText{Number: note.Start, Text: text})
	}
	slices.SortFunc(note.Texts, func(a, b world.FactText) int { return a.Number - b.Number })
	vents := world.Fact{Name: "Vents open", Counts: true, Map: d.Maps[0].ID}
	res, err := edit.Apply(d, edit.Edit{Label: "texts", Parts: []edit.Part{
		edit.Put{Ref: world.Ref{Sort: world.SortFact, ID: 98<<32 | 20}, Values: note.Values()}, edit.Put{Ref: world.Ref{Sort: world.SortFact, ID: 98<<32 | 21}, Values: vents.Values()},
	}})
	if err != nil {
		t.Fatal(err)
	}
	return res.Document
}

// withTypes is a document with types of its own, pieces of one of them and a rule of it, as bundles hold it since version 9.
func withTypes(t *testing.T, d *world.Document) *world.Document {
	t.Helper()
	const own = world.ID(98<<32 | 30)
	moth := world.Type{Name: "Night moth, “grey”", Base: world.Foe, Purpose: "Flutters about lamps.", Keywords: "insect lamp", May: world.MostOnMap, Most: 7,
		Usual: kind.Set(props.Speed.Is(35), props.Does.Is(props.Wanders), props.Item.Refer(98<<32|3)).With(logic.Needs(logic.FactValue, 98<<32|20, logic.AtLeast, 1).Set(props.While))}
	const dew, mood = world.ID(98<<32 | 40), world.ID(98<<32 | 41)
	moth.Further = []world.TypeProp{{ID: dew, Name: "Dew", Unit: "drops", Usual: 2, Least: -3, Most: 9, Changes: true}, {ID: mood, Name: "Mood", Sort: kind.Choice, Words: []string{"calm", "“wild”"}, Usual: 1}, {ID: mood + 1, Name: "Lit", Sort: kind.YesNo}}
	pot := world.Type{Name: "Pot", Base: world.Breakable, May: world.ExactlyOne}
	m := d.Maps[0]
	piece := world.Piece{Type: world.Foe, Layer: m.PlayerLayer, Foot: d.Project.Lattice().Foot(grid.Point{X: m.Bounds.X, Y: m.Bounds.Y}), Props: kind.Set(props.OwnType.Refer(own), props.Speed.Is(60), kind.OwnValue(kind.Field(dew), 7), kind.OwnValue(kind.Field(mood), 0), kind.OwnValue(kind.None(props.Item.Field), 1))}
	rule := world.Rule{Name: "Startled"}
	rule.HomeSort, rule.Home = kind.Type, own
	rule.Set(logic.Part{ID: 98<<32 | 31, Begins: logic.Moment{Is: props.Stomped.Number, Of: logic.Noun{Is: logic.This}}})
	rule.Set(logic.Part{ID: 98<<32 | 32, Order: 1, Action: logic.Action{Does: logic.SetProperty, Subject: logic.Noun{Is: logic.AllOfType, Type: own}, Property: props.Speed.Field, How: logic.GoesUp, Value: logic.Value{Number: 10}}})
	rule.Set(logic.Part{ID: 98<<32 | 36, Order: 2, Action: logic.Action{Does: logic.SetProperty, Subject: logic.Noun{Is: logic.This}, Property: kind.Field(dew), How: logic.GoesDown, Value: logic.Value{Is: logic.PropertyOf, Of: logic.Noun{Is: logic.This}, Property: kind.Field(mood)}}})
	res, err := edit.Apply(d, edit.Edit{Label: "types", Parts: []edit.Part{
		edit.Put{Ref: world.TypeRef(own), Values: moth.Values()}, edit.Put{Ref: world.TypeRef(98<<32 | 33), Values: pot.Values()},
		edit.Put{Ref: world.Ref{Sort: world.SortPiece, Map: m.ID, ID: 98<<32 | 34}, Values: piece.Values()}, edit.Put{Ref: world.RuleRef(98<<32 | 35), Values: rule.Values()},
	}})
	if err != nil {
		t.Fatal(err)
	}
	return res.Document
}

// withPictures is a document of which pieces, also of a type and in a patch, have pictures of their own, as bundles hold it since version 10.
func withPictures(t *testing.T, d *world.Document) *world.Document {
	t.Helper()
	tile := func(i, lies int) grid.Cell { return grid.Cell(d.Tilesets[i].First + i).Turned(lies) }
	crawls := appearance.Picture{W: 2, H: 1, Ticks: 5, Foot: grid.Point{X: -3, Y: 2}, Frames: [][]grid.Cell{{tile(0, 0), tile(1, 5)}, {0, tile(1, 2)}}}
	stands := appearance.Picture{Who: d.Characters[0].ID, Act: int(world.ActSwim)}
	m, moth := d.Maps[0], d.Type(98<<32|30)
	_, piece := d.Piece(98<<32 | 34)
	is := *piece
	is.Props = is.Props.With(crawls.Set(kind.PictureOf(kind.AnyState, 3)), crawls.Set(kind.PictureOf(kind.WhileOff, kind.AnySide)))
	of := *moth
	of.Usual = of.Usual.With(stands.Set(kind.PictureOf(kind.AnyState, kind.AnySide)), crawls.Set(kind.PictureOf(kind.StateNamed("unbeaten").Number, 4)))
	kept := world.Patch{Name: "Lamp", Block: world.Block{W: 1, H: 1, Pieces: []world.BlockPiece{{Type: world.Exit, Props: kind.Set(crawls.Set(kind.PictureOf(kind.AnyState, kind.AnySide)))}}}}
	parts := edit.Changes(world.Ref{Sort: world.SortPiece, Map: m.ID, ID: piece.ID}, piece.Values(), is.Values())
	parts = append(parts, edit.Changes(world.TypeRef(moth.ID), moth.Values(), of.Values())...)
	res, err := edit.Apply(d, edit.Edit{Label: "pictures", Parts: append(parts, edit.Put{Ref: world.Ref{Sort: world.SortPatch, ID: 98<<32 | 50}, Values: kept.Values()})})
	if err != nil {
		t.Fatal(err)
	}
	return res.Document
}

// withAnew is a document with a map that begins anew and a named start, as bundles hold it since version 7.
func withAnew(t *testing.T, d *world.Document) *world.Document {
	t.Helper()
	next := *d.Maps[0]
	next.Anew = world.AnewOnReturn | world.AnewAfterHarm
	start := world.NamedStart{Name: "Boiler lit", Map: next.ID, Cell: grid.Point{X: 4, Y: -2}, Items: []world.Stock{{Item: 98<<32 | 3, Count: 2}}, Facts: []world.FactIs{{Fact: 98<<32 | 1, Value: -7}},
		States: []world.StateIs{{Piece: 98<<32 | 4, State: kind.StateNamed("open").Number}}}
	put := edit.Put{Ref: world.StartRef(98<<32 | 5), Values: start.Values()}
	bench := world.Patch{Name: "Fern bench", Block: world.Block{W: 2, H: 1, Pieces: []world.BlockPiece{{ID: 98<<32 | 6, Type: switches.Kind.ID, Foot: grid.Point{X: 8, Y: 15}}, {ID: 98<<32 | 7, Type: door.Kind.ID, Foot: grid.Point{X: 24, Y: 15}}},
		Wires: []world.Wire{{From: 98<<32 | 6, To: 98<<32 | 7, Does: world.TurnsOn, After: 30}}}}
	feed := world.Rule{Name: "Feed"}
	feed.HomeSort, feed.Home = kind.Piece, 98<<32|6
	feed.Set(logic.Part{ID: 98<<32 | 8, Begins: logic.Moment{Is: props.Pressed.Number, Of: logic.Noun{Is: logic.This}}})
	feed.Set(logic.Part{ID: 98<<32 | 9, Action: logic.Action{Does: logic.SetPower, Subject: logic.Noun{Is: logic.Piece, Thing: 98<<32 | 7}, Is: kind.Off}})
	bench.Rules = []world.Rule{feed}
	patch := edit.Put{Ref: world.Ref{Sort: world.SortPatch, ID: 98<<32 | 10}, Values: bench.Values()}
	res, err := edit.Apply(d, edit.Edit{Label: "anew", Parts: append(edit.Changes(world.Ref{Sort: world.SortMap, ID: next.ID}, d.Maps[0].Values(), next.Values()), put, patch)})
	if err != nil {
		t.Fatal(err)
	}
	return res.Document
}
