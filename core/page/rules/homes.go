package rules

import (
	"fmt"

	"azzel/core/kind"
	"azzel/core/logic"
	"azzel/core/page"
	"azzel/core/world"
)

// homeOf is what a rule belongs to as the document has it.
func homeOf(d *world.Document, home page.Thing) (sort kind.Thing, id world.ID, err error) {
	id = world.ID(home.ID)
	gone := false
	switch home.Kind {
	case page.KindNames[world.SortProject]:
		return kind.NoThing, 0, nil
	case page.KindNames[world.SortItem]:
		gone = d.Item(id) == nil
		id, sort = 0, kind.NoThing
	case typeHome:
		sort, gone = kind.Type, d.Kind(id) == nil
	case page.KindNames[world.SortPiece]:
		_, p := d.Piece(id)
		sort, gone = kind.Piece, p == nil
	case page.KindNames[world.SortArea]:
		sort, gone = kind.Area, d.Area(id) == nil
	case page.KindNames[world.SortMap]:
		sort, gone = kind.Map, d.Map(id) == nil
	case page.KindNames[world.SortCrossing]:
		sort, gone = kind.Crossing, d.Crossing(id) == nil
	case page.KindNames[world.SortCharacter]:
		sort, gone = kind.Character, d.Character(id) == nil
	default:
		return 0, 0, fmt.Errorf("rules belong to the whole game, a map, an area, a piece, a crossing, a character or a type of piece")
	}
	if gone {
		err = world.ErrGone
	}
	return sort, id, err
}

// firstMoment is when a rule begins at first that belongs to something.
func firstMoment(d *world.Document, sort kind.Thing, id world.ID) logic.Moment {
	of := func(k *kind.Kind) logic.Moment {
		if k == nil || len(k.Moments) == 0 {
			return logic.Moment{Is: logic.PlayBegins.Number}
		}
		m := k.Moments[0]
		if len(k.Changes) > 0 {
			m = k.Changes[0].By
		}
		return logic.Moment{Is: m.Number, Of: logic.Noun{Is: logic.This}}
	}
	switch sort {
	case kind.Type:
		return of(d.Kind(id))
	case kind.Piece:
		_, p := d.Piece(id)
		return of(p.Kind())
	case kind.Area:
		return logic.Moment{Is: logic.AreaEntered.Number, Thing: id}
	case kind.Map:
		return logic.Moment{Is: logic.MapBegins.Number, Thing: id}
	case kind.Crossing:
		return logic.Moment{Is: logic.CrossingTaken.Number, Thing: id}
	case kind.Character:
		for _, m := range d.Maps {
			for _, p := range m.Pieces {
				if p.Character() == id {
					return of(p.Kind())
				}
			}
		}
	}
	return logic.Moment{Is: logic.PlayBegins.Number}
}
