package memory_test

import (
	"bytes"
	"testing"

	"azzel/core/edit"
	"azzel/core/kinds/props"
	"azzel/core/page"
	"azzel/core/page/history"
	"azzel/core/page/memory"
	"azzel/core/page/pagetest"
	"azzel/core/play/generate"
	"azzel/core/world"
)

// In random worlds, what is said of a map, of all pieces of a type and of one piece is what the table then says and what the document
// has; each is one step that is taken back whole, and what is not there is refused.
func TestStays(t *testing.T) {
	said := 0
	for seed := range uint64(20) {
		d, err := generate.World(seed)
		if err != nil {
			t.Fatal(err)
		}
		p, err := page.Open(edit.Opening{Prefix: 12, Document: d}.Encode(), nil)
		if err != nil {
			t.Fatal(err)
		}
		ask := func(m, of world.ID) memory.StaysView {
			return memory.WhatStays{Map: page.ID(m), Type: page.ID(of)}.Answer(p).(memory.StaysView)
		}
		for _, m := range d.Maps {
			for when := range memory.When {
				before := p.Document().Encode()
				anew := !ask(m.ID, 0).Anew[when]
				pagetest.Order(p, memory.SetMapStays{Map: page.ID(m.ID), When: when, Anew: anew})
				if ask(m.ID, 0).Anew[when] != anew {
					t.Fatalf("seed %d: %s says %t", seed, memory.When[when], !anew)
				}
				for _, of := range ask(m.ID, 0).Types {
					typ := world.ID(page.ParseID(of.Type))
					pagetest.Order(p, memory.SetPieceStays{Map: page.ID(m.ID), Type: page.ID(typ), When: when, Says: props.BeginsAnew})
					list := ask(m.ID, typ)
					var one memory.StaysPiece
					for _, is := range list.Types {
						if is.Type == of.Type && (is.Says[when] != props.BeginsAnew || is.Count != len(is.Pieces)) {
							t.Fatalf("seed %d: %+v", seed, is)
						} else if is.Type == of.Type {
							one = is.Pieces[0]
						}
					}
					pagetest.Order(p, memory.SetPieceStays{Map: page.ID(m.ID), Piece: page.ID(page.ParseID(one.ID)), When: when, Says: props.StaysAsLeft})
					now := p.Doc().Map(m.ID)
					anew := []world.Anew{world.AnewOnReturn, world.AnewAfterHarm}[when]
					for _, is := range now.Pieces {
						if is.Type == typ && now.BeginsAnew(is, anew) == (page.FormatID(is.ID) == one.ID) {
							t.Fatalf("seed %d: the piece %s begins anew: %t", seed, page.FormatID(is.ID), now.BeginsAnew(is, anew))
						}
					}
					said++
				}
				for n := 0; !bytes.Equal(p.Document().Encode(), before); n++ {
					if n > 2*len(ask(m.ID, 0).Types) {
						t.Fatalf("seed %d: taken back, it is not as it was", seed)
					}
					pagetest.Order(p, history.Undo{})
				}
			}
		}
		for _, o := range []page.Order{memory.SetMapStays{Map: 7 << 40}, memory.SetMapStays{Map: page.ID(d.Maps[0].ID), When: 2}, memory.SetPieceStays{Map: page.ID(d.Maps[0].ID), Type: 99},
			memory.SetPieceStays{Map: page.ID(d.Maps[0].ID), When: -1}} {
			before := p.Document()
			if pagetest.Order(p, o); pagetest.Said(p) == "" || p.Document() != before {
				t.Errorf("%+v was taken", o)
			}
		}
	}
	if said < 100 {
		t.Errorf("%d were said", said)
	}
}
