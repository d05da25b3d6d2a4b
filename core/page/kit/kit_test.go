package kit_test

import (
	"strings"
	"testing"

	"azzel/core/grid"
	"azzel/core/kind"
	"azzel/core/kinds/props"
	"azzel/core/page"
	"azzel/core/page/history"
	"azzel/core/page/holding"
	"azzel/core/page/kit"
	"azzel/core/page/pagetest"
	"azzel/core/page/pieces"
	"azzel/core/page/rules"
	"azzel/core/page/things"
	"azzel/core/world"
)

// A type is made out of a piece and placed; what is changed of it changes its pieces, but for what they set themselves; its pieces stay as they are where it is
// deleted. Each step is taken back whole.
func TestTypesOfAPage(t *testing.T) {
	p := pagetest.Open(t, 5)
	m := p.Document().Maps[0]
	mapID := page.ID(m.ID)
	moth := pagetest.Place(p, world.Foe, 3, 3)
	set := func(id world.ID, field string, number float64) {
		pagetest.Order(p, pieces.SetPieceField{Map: mapID, Piece: page.ID(id), Field: field, Number: number})
	}
	piece := func(id world.ID) *world.Piece {
		_, is := p.Document().Piece(id)
		return is
	}
	speed := func(id world.ID) int { return piece(id).Int(props.Speed) }
	view := func() kit.OwnTypeView { return kit.AskTypes{}.Answer(p).(kit.TypesView).Types[0] }
	set(moth.ID, "speed", 4)
	was := p.Document()
	pagetest.Order(p, kit.MakeType{Map: mapID, Piece: page.ID(moth.ID)})
	d := p.Document()
	if len(d.Types) != 1 || piece(moth.ID).Own() != d.Types[0] || speed(moth.ID) != 40 || len(piece(moth.ID).Props.Get(props.Speed.Field)) != 0 {
		t.Fatalf("made out of a piece: %+v; %s", d.Types, pagetest.Said(p))
	}
	id := d.Types[0].ID
	pagetest.Order(p, things.Rename{Thing: page.Thing{Kind: "type", ID: page.ID(id)}, Name: "Night moth"})
	place := func(x, y int) *world.Piece {
		before := len(p.Document().Maps[0].Pieces)
		pagetest.Order(p, holding.Hold{Holding: "piece", ID: page.ID(id)})
		l := p.Document().Project.Lattice()
		at := l.Box(grid.Rect{X: x, Y: y, W: 1, H: 1}.Move(m.Origin))
		for _, how := range []int{page.Press, page.Release} {
			p.Pointer(how, grid.Point{X: at.X + 3, Y: at.Y + 3}, false, false, 0)
		}
		list := p.Document().Maps[0].Pieces
		if len(list) == before {
			return nil
		}
		return list[len(list)-1]
	}
	other := place(5, 5)
	if other == nil || other.Kind().Name != "Night moth" || other.Int(props.Speed) != 40 {
		t.Fatalf("placed: %+v; %s", other, pagetest.Said(p))
	}
	set(other.ID, "speed", 7)
	pagetest.Order(p, kit.SetTypeField{Type: page.ID(id), Field: "speed", Number: 2})
	pagetest.Order(p, kit.SetTypeField{Type: page.ID(id), Field: "does", Choice: "stands"})
	if speed(moth.ID) != 20 || speed(other.ID) != 70 || piece(other.ID).Int(props.Does) != props.Stands {
		t.Errorf("changed with the type: %d, %d", speed(moth.ID), speed(other.ID))
	}
	if v := view(); v.Pieces != 2 || v.Maps != 1 || v.Name != "Night moth" || v.Kind != "Foe" {
		t.Errorf("of the type it is said: %+v", v)
	}
	// It can say that it has none of what its type says, and be as its type again.
	pagetest.Order(p, pieces.SetPieceField{Map: mapID, Piece: page.ID(other.ID), Field: "does", Choice: "patrols"})
	if is := piece(other.ID); is.Int(props.Does) != props.Patrols || len(is.Otherwise()) != 2 || piece(moth.ID).Int(props.Does) != props.Stands {
		t.Errorf("said to patrol, it does %d, and says %d things itself", is.Int(props.Does), len(is.Otherwise()))
	}
	back, err := world.Decode(p.Document().Encode())
	if err != nil {
		t.Fatal(err)
	}
	if _, is := back.Piece(other.ID); is.Int(props.Does) != props.Patrols {
		t.Errorf("read, it does %d", is.Int(props.Does))
	}
	pagetest.Order(p, kit.FollowType{Map: mapID, Piece: page.ID(other.ID)})
	if is := piece(other.ID); is.Int(props.Does) != props.Stands || speed(other.ID) != 20 || len(is.Otherwise()) != 0 {
		t.Errorf("as its type again, it does %d at %d", is.Int(props.Does), speed(other.ID))
	}
	pagetest.Order(p, history.Undo{})
	pagetest.Order(p, pieces.SetPieceField{Map: mapID, Piece: page.ID(other.ID), Field: "does", Choice: "stands"})
	if is := piece(other.ID); is.Int(props.Does) != props.Stands || speed(other.ID) != 70 {
		t.Errorf("said to stand, it does %d at %d", is.Int(props.Does), speed(other.ID))
	}
	// What of single pieces lies on a map is no part of a type.
	pagetest.Order(p, kit.SetTypeField{Type: page.ID(id), Field: "track", Choice: ""})
	if said := pagetest.Said(p); !strings.Contains(said, "of each piece") {
		t.Errorf("a track of a type: %q", said)
	}
	pagetest.Order(p, kit.SetType{Type: page.ID(id), Change: page.PartOf(kit.TypeLook{Base: page.ID(world.Foe), May: int(world.MostOnMap), Most: 2})})
	if another := place(7, 7); another != nil || !strings.Contains(pagetest.Said(p), "at most 2 on a map") {
		t.Errorf("one more than there may be is placed: %+v", another)
	}
	pagetest.Order(p, rules.AddRule{Home: page.Thing{Kind: "type", ID: page.ID(id)}})
	if len(p.Document().Rules) != 1 || len(view().Rules) != 1 || view().Rules[0].Says == "" {
		t.Errorf("a rule of the type: %+v; %s", view().Rules, pagetest.Said(p))
	}
	// On another kind its pieces keep what that has.
	pagetest.Order(p, kit.SetType{Type: page.ID(id), Change: page.PartOf(kit.TypeLook{Base: page.ID(world.Hazard)})})
	if is := piece(other.ID); is.Type != world.Hazard || is.Own() == nil || is.Kind().Name != "Night moth" {
		t.Errorf("on another kind a piece is %+v; %s", is, pagetest.Said(p))
	}
	pagetest.Order(p, history.Undo{})
	before := p.Document()
	pagetest.Order(p, kit.RemoveType{Type: page.ID(id)})
	if d := p.Document(); len(d.Types)+len(d.Rules) != 0 || piece(moth.ID).Own() != nil || speed(moth.ID) != 20 || speed(other.ID) != 70 || piece(moth.ID).Int(props.Does) != props.Stands {
		t.Errorf("deleted, %d types and %d rules are left, and its pieces go at %d and %d", len(d.Types), len(d.Rules), speed(moth.ID), speed(other.ID))
	}
	if said := pagetest.Said(p); !strings.Contains(said, "2 pieces stay as they are") {
		t.Errorf("of its pieces it is said: %q", said)
	}
	pagetest.Order(p, history.Undo{})
	if string(p.Document().Encode()) != string(before.Encode()) || piece(moth.ID).Own() == nil {
		t.Error("taken back, the type is not as it was")
	}
	pagetest.Order(p, kit.SetPieceType{Map: mapID, Piece: page.ID(other.ID), Type: page.ID(world.Spring)})
	if is := piece(other.ID); is.Type != world.Spring || is.Own() != nil || !strings.Contains(pagetest.Said(p), "“Speed”") {
		t.Errorf("made a spring: %+v", is)
	}
	pagetest.Order(p, kit.SetPieceType{Map: mapID, Piece: page.ID(other.ID), Type: page.ID(id)})
	if is := piece(other.ID); is.Own() == nil || speed(other.ID) != 20 {
		t.Errorf("made one of the type again: %+v", is)
	}
	for len(p.Document().Types) > 0 {
		pagetest.Order(p, history.Undo{})
	}
	if string(p.Document().Maps[0].Piece(moth.ID).Props) != string(was.Maps[0].Piece(moth.ID).Props) {
		t.Error("before there was a type the piece was another")
	}
	spawn := kind.First(func(k *kind.Kind) bool { return k.Begins })
	for _, o := range []page.Order{kit.AddType{Base: page.ID(spawn.ID)}, kit.AddType{Base: 999}, kit.SetType{Type: 5 << 32}, kit.SetTypeField{Type: 5 << 32}, kit.RemoveType{Type: 5 << 32},
		kit.MakeType{Map: mapID, Piece: 4}, kit.SetPieceType{Map: mapID, Piece: page.ID(moth.ID), Type: 5 << 32}} {
		d := p.Document()
		if pagetest.Order(p, o); pagetest.Said(p) == "" || p.Document() != d {
			t.Errorf("%T was done without a word", o)
		}
	}
}
