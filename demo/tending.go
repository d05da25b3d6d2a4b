package demo

import (
	"azzel/core/edit"
	"azzel/core/grid"
	"azzel/core/kind"
	"azzel/core/kinds/props"
	"azzel/core/kinds/sign"
	"azzel/core/kinds/switches"
	"azzel/core/logic"
	"azzel/core/words"
	"azzel/core/world"
	"azzel/demo/art"
)

// later puts a piece down on a map that is made already.
func (b *builder) later(r *room, of world.ID, name string, x, y int, set kind.Values) (world.ID, edit.Part) {
	id := b.ids.NewID()
	p := &world.Piece{Type: of, Name: name, Layer: r.m.PlayerLayer, Foot: r.m.FootOf(b.doc.Project.Lattice(), of, grid.Point{X: x, Y: y}), Props: set}
	return id, edit.Put{Ref: world.Ref{Sort: world.SortPiece, Map: r.m.ID, ID: id}, Values: p.Values()}
}

// logBook lies by the boilers: it says its last entry, which whoever speaks to Ottilie changes.
func (b *builder) logBook(boiler *room) {
	if b.err != nil {
		return
	}
	entry := world.Fact{Name: "Last entry", Counts: true, Text: true, Map: boiler.m.ID}
	text := func(s string) (number int) {
		number, has := entry.NumberOf(s)
		if !has {
			entry.Texts = append(entry.Texts, world.FactText{Number: number, Text: s})
		}
		return number
	}
	entry.Start = text("Ten at night. Coals raked.")
	passed := text("Night shift came by. Told them of the lever.")
	if entry.Texts[0].Number > entry.Texts[1].Number {
		entry.Texts[0], entry.Texts[1] = entry.Texts[1], entry.Texts[0]
	}
	id := b.ids.NewID()
	_, book := b.later(boiler, sign.Kind.ID, "Log book", 6, 9, kind.Set(words.Text{{Letters: "The log of the boiler room.\n\n"}, {Fact: id}}.Set(props.Says)))
	b.step("lay down the log book", edit.Put{Ref: world.Ref{Sort: world.SortFact, ID: id}, Values: entry.Values()}, book)
	s := b.scene("Ottilie writes it down", kind.Map, boiler.m.ID, logic.Moment{Is: props.Spoken.Number, Of: logic.Noun{Is: logic.Piece, Thing: b.named("Ottilie, who stokes")}})
	s.in(0, 0, logic.Action{Does: logic.SetFact, Thing: id, Value: logic.Value{Number: passed}})
	s.keep()
}

// watering lets a pump handle water a bed of the cold frames, in which something grows once it has been watered for two seconds.
func (b *builder) watering(frames *room) {
	if b.err != nil {
		return
	}
	m := frames.m
	bed := world.Area{Name: "Bed by the channel", Map: m.ID, Cells: grid.BoxRegion(box(28, 19, 3, 1))}
	green := grid.Plane{}.Edit()
	for x, place := range []int{art.Fern, art.BroadLeaf, art.Orchid} {
		green.Set(grid.Point{X: x}, b.cell(place))
	}
	patch := world.Patch{Name: "Watered bed", Block: world.Block{W: 3, H: 1, Layers: []world.BlockLayer{{Name: m.Name, Counts: true, Cells: green.Done()}}}}
	at, grown := b.ids.NewID(), b.ids.NewID()
	handle, put := b.later(frames, switches.Kind.ID, "Pump handle", 33, 17, kind.Set(switches.By.Is(switches.ByUse), switches.Then.Is(switches.Toggles)))
	b.step("let a bed be watered", edit.Put{Ref: world.Ref{Sort: world.SortArea, ID: at}, Values: bed.Values()}, edit.Put{Ref: world.Ref{Sort: world.SortPatch, ID: grown}, Values: patch.Values()}, put)
	s := scene{b, &world.Rule{Name: "The bed by the channel"}}
	s.HomeSort, s.Home, s.Begins = kind.Map, m.ID, logic.While
	pressed := logic.Condition{Ask: logic.InState, Subject: logic.Noun{Is: logic.Piece, Thing: handle}, Is: kind.StateNamed("pressed").Number}
	s.If = logic.Condition{Ask: logic.Lasts, Number: 120, Terms: []logic.Condition{pressed}}
	s.in(0, logic.Then, logic.Action{Does: logic.SetCells, Thing: at, Other: grown})
	s.in(0, logic.Otherwise, logic.Action{Does: logic.SetCells, Thing: at, Is: logic.CellsPainted})
	s.keep()
}
