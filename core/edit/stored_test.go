package edit_test

import (
	"fmt"
	"math/rand/v2"
	"slices"
	"testing"

	"azzel/core/edit"
	author "azzel/core/edit/generate"
	"azzel/core/grid"
	"azzel/core/pack"
	"azzel/core/pack/stored"
	"azzel/core/play/generate"
	"azzel/core/tiles"
	"azzel/core/world"
	"azzel/core/world/told"
)

const (
	storedLogs  = 30
	storedSteps = 260
	// sumSteps is how many steps come to one sum.
	sumSteps = 20
)

// Two people edit one project, take back, do again and go back, over a line that is late, as when it was stored: each
// step is taken or refused in the same words, the documents are the same to the byte, and so is what is planned for
// layers, sizes, copies, re-skins and newer pictures. What is meant to go otherwise is written anew (go test ./core/edit
// -run TestStoredLogs -update) by a commit that says so.
func TestStoredLogs(t *testing.T) {
	stored.Hold(t, "testdata/logs.gz", func() []stored.Case { return makeLogs(t) },
		func(c *stored.Case) []uint64 { return logStored(t, c, nil) },
		func(n, of int) string { return fmt.Sprintf("between step %d and %d", n*sumSteps, (n+1)*sumSteps) })
}

// makeLogs makes the documents and the edits that are stored, some of which are refused.
func makeLogs(t *testing.T) (list []stored.Case) {
	for seed := range uint64(storedLogs) {
		d, err := generate.World(seed + 9000)
		if err != nil {
			t.Fatal(err)
		}
		c := stored.Case{Seed: seed, Blobs: [][]byte{d.Encode()}}
		logStored(t, &c, rand.New(rand.NewPCG(seed, 94)))
		list = append(list, c)
	}
	return list
}

// A storedLog is two people and a server, and what is told of them.
type storedLog struct {
	stored.Teller
	*rand.Rand
	server *log
	people [2]*client
	kept   []*world.Document
	// edits are those to come; with making set, those that come are made and added.
	edits  [][]byte
	making *rand.Rand
}

// logStored goes through a log and sums it up. With making set, the edits of the case are made.
func logStored(t *testing.T, c *stored.Case, making *rand.Rand) (sums []uint64) {
	t.Helper()
	d, err := world.Decode(c.Blobs[0])
	if err != nil {
		t.Fatal(err)
	}
	s := storedLog{Teller: stored.NewTeller(), Rand: rand.New(rand.NewPCG(c.Seed, 95)), server: newLog(d), kept: []*world.Document{d}, edits: c.Blobs[1:], making: making}
	for i := range s.people {
		s.people[i] = &client{Replica: edit.NewReplica(edit.Opening{Document: d}), Author: author.Author{Rand: making, IDs: &world.Counter{Prefix: uint32(60 + i)}}}
	}
	for step := range storedSteps {
		i := s.IntN(2)
		s.step(t, i, s.people[i])
		if step%4 == 0 {
			s.plan(s.people[i].Document())
		}
		if (step+1)%sumSteps == 0 {
			sums = append(sums, s.Sum64())
		}
	}
	if making != nil {
		c.Blobs = append(c.Blobs[:1], s.edits...)
	}
	return sums
}

// next is the next edit, of a person's document.
func (s *storedLog) next(t *testing.T, c *client) edit.Edit {
	if s.making != nil {
		e := c.Edit(c.Document())
		s.edits = append(s.edits, e.Encode())
		return e
	}
	e, err := edit.Decode(s.edits[0])
	if err != nil {
		t.Fatal(err)
	}
	s.edits = s.edits[1:]
	e.Parts = told.CleanParts(c.Document(), e.Parts)
	return e
}

// step is something that person i does, or hears.
func (s *storedLog) step(t *testing.T, i int, c *client) {
	sent := func(message []byte, err error) {
		if s.Tell(message == nil, err); err == nil && message != nil {
			c.up = append(c.up, message)
		}
	}
	undo := func(_ uint64, message []byte, left, _ int, err error) {
		s.Tell(left)
		sent(message, err)
	}
	if len(c.Document().Maps) == 0 {
		// Each deleted a map, and it was the other's last.
		undo(c.Undo())
		return
	}
	switch n := s.IntN(24); {
	case n < 8 && (s.making != nil || len(s.edits) > 0):
		_, message, err := c.Do(s.next(t, c))
		sent(message, err)
	case n < 10:
		_, message, err := c.Do(s.spoilt(c.Document()))
		sent(message, err)
	case n < 13:
		undo(c.Undo())
	case n < 15:
		undo(c.Redo())
	case n < 16:
		if steps := c.Steps(); len(steps) > 0 {
			message, left, _, err := c.TakeBack(steps[s.IntN(len(steps))].Sequence)
			s.Tell(left)
			sent(message, err)
		}
	case n < 17:
		left, _, err := c.Walk(s.IntN(8), func(message []byte) { sent(message, nil) })
		s.Tell(left, err)
	case n < 18:
		_, message, err := c.Do(edit.Restore(nil, c.Document(), s.kept[s.IntN(len(s.kept))], "go back"))
		sent(message, err)
		s.kept = append(s.kept, s.server.doc)
	default:
		for range s.IntN(1 + len(c.up)) {
			answer := s.server.submit(t, i, c.up[0])
			c.up = c.up[1:]
			if answer[0] == edit.MessageRefused {
				s.listen(i, c)
				c.down = append(c.down, answer)
			}
		}
		s.listen(i, c)
		if k := s.IntN(1 + len(c.down)); k > 0 {
			notices, err := c.Receive(c.down[:k]...)
			c.down = c.down[k:]
			// As notices were when this was stored.
			type notice struct {
				Sequence uint64
				Refused  string
			}
			told := []notice(nil)
			for _, n := range notices {
				if n.Overruled.Value.Field == 0 {
					told = append(told, notice{n.Sequence, n.Refused})
				}
			}
			s.Tell(told, err)
		}
	}
	undo1, can := c.CanUndo()
	redo1, may := c.CanRedo()
	s.Tell(undo1, can, redo1, may, c.Pending(), c.Revision(), c.Answered(), c.Earlier(), len(c.Outgoing()), c.Steps())
	if s.Tell(c.Document().Next()); s.IntN(5) == 0 {
		told.Document(s.Teller, c.Document())
	}
}

// listen gives a person what they have not heard yet, in the log's order.
func (s *storedLog) listen(i int, c *client) {
	for ; c.heard < len(s.server.entries); c.heard++ {
		if e := s.server.entries[c.heard]; e.session == i {
			c.down = append(c.down, edit.Taken(e.sequence, uint64(c.heard+1)))
		} else {
			c.down = append(c.down, edit.Other(uint64(c.heard+1), e.body))
		}
	}
}

// thing is one of a document.
func (s *storedLog) thing(d *world.Document) world.Ref {
	m := d.Maps[s.IntN(len(d.Maps))]
	refs := append(d.OfMap(m.ID), world.Ref{Sort: world.SortProject}, world.Ref{Sort: world.SortMap, ID: m.ID}, world.Ref{Sort: world.SortLayer, Map: m.ID, ID: m.Layers[s.IntN(len(m.Layers))].ID},
		world.Ref{Sort: world.SortTileset, ID: d.Tilesets[s.IntN(len(d.Tilesets))].ID})
	for range 4 {
		if len(m.Pieces) > 0 {
			refs = append(refs, world.Ref{Sort: world.SortPiece, Map: m.ID, ID: m.Pieces[s.IntN(len(m.Pieces))].ID})
		}
	}
	add := func(kind world.Sort, ids []world.ID) {
		if len(ids) > 0 {
			refs = append(refs, world.Ref{Sort: kind, ID: ids[s.IntN(len(ids))]})
		}
	}
	add(world.SortCrossing, idsOf(d.Crossings, func(c *world.Crossing) world.ID { return c.ID }))
	add(world.SortMedley, idsOf(d.Medleys, func(m *world.Medley) world.ID { return m.ID }))
	add(world.SortBond, idsOf(d.Bonds, func(b *world.Bond) world.ID { return b.ID }))
	add(world.SortPatch, idsOf(d.Patches, func(p *world.Patch) world.ID { return p.ID }))
	add(world.SortItem, idsOf(d.Items, func(i *world.Item) world.ID { return i.ID }))
	add(world.SortFact, idsOf(d.Facts, func(f *world.Fact) world.ID { return f.ID }))
	add(world.SortProperty, idsOf(d.Properties, func(p *world.Property) world.ID { return p.ID }))
	add(world.SortCharacter, idsOf(d.Characters, func(c *world.Character) world.ID { return c.ID }))
	return refs[s.IntN(len(refs))]
}

func idsOf[T any](list []T, id func(T) world.ID) (ids []world.ID) {
	for _, v := range list {
		ids = append(ids, id(v))
	}
	return ids
}

// spoilt is a step that sets a property of a thing to something near what it is, or to anything: mostly it is refused.
func (s *storedLog) spoilt(d *world.Document) edit.Edit {
	ref := s.thing(d)
	values, _ := d.Draft().Values(ref)
	if _, p := d.Piece(ref.ID); ref.Sort == world.SortPiece && p != nil {
		values = told.Stored(p)
	}
	e := edit.Edit{Label: "spoil"}
	if s.IntN(6) == 0 || len(values) == 0 {
		e.Parts = []edit.Part{edit.Remove{Ref: ref}}
		return e
	}
	v := values[s.IntN(len(values))]
	v.Bytes = slices.Clone(v.Bytes)
	var w pack.Writer
	switch n := s.IntN(8); {
	case n < 3 && len(v.Bytes) > 0:
		v.Bytes[s.IntN(len(v.Bytes))] += byte(1 + s.IntN(3))
	case n < 5:
		for range 1 + s.IntN(4) {
			w.Int([]int{-1, 0, 1, 2, 9, 64, 100, 640, 641, 1000, 4096, 4097, 1 << 20}[s.IntN(13)])
		}
		v.Bytes = w.Bytes
	case n < 6:
		w.Text([]string{"", " ", "Fern\nbed", "Grotto", string(make([]byte, 90))}[s.IntN(5)])
		v.Bytes = w.Bytes
	case n < 7:
		w.Uint(uint64(s.thing(d).ID))
		v.Bytes = w.Bytes
	case ref.Sort != world.SortPiece:
		v.Field += world.Field(s.IntN(3))
	}
	e.Parts = []edit.Part{edit.Change{Ref: ref, Value: v}}
	return e
}

// plan tells a step that is worked out for a document, and what comes of it.
func (s *storedLog) plan(d *world.Document) {
	if len(d.Maps) == 0 {
		return
	}
	m := d.Maps[s.IntN(len(d.Maps))]
	layer := func() world.ID {
		if s.IntN(10) == 0 {
			return 77
		}
		return m.Layers[s.IntN(len(m.Layers))].ID
	}
	on := m.ID
	if s.IntN(20) == 0 {
		on = 77
	}
	ids := &world.Counter{Prefix: 70}
	var e edit.Edit
	var err error
	switch s.IntN(12) {
	case 0:
		e, err = edit.MakeLayer(d, on, layer(), &world.Layer{ID: ids.NewID(), Name: "Vines"})
	case 1:
		e, err = edit.MoveLayer(d, on, layer(), layer())
	case 2:
		e, err = edit.DuplicateLayer(d, on, layer(), ids)
	case 3:
		e, err = edit.MergeLayer(d, on, layer())
	case 4:
		e, err = edit.RemoveLayer(d, on, layer())
	case 5:
		e, err = edit.ClearLayer(d, on, layer())
	case 6:
		var copied world.ID
		e, copied, err = edit.CopyMap(d, on, grid.Point{X: 900, Y: s.IntN(90)}, s.IntN(2) == 0, ids)
		s.Tell(copied)
	case 7:
		e, err = edit.LayCells(d, on, layer(), d.Maps[0].Layers[0].Cells, grid.Rect{X: m.Bounds.X + s.IntN(5) - 1, Y: m.Bounds.Y, W: 3 + s.IntN(5), H: 4})
	case 8:
		b := m.Bounds
		plan := edit.Resize{Map: on, Bounds: grid.Rect{X: b.X + s.IntN(9) - 4, Y: b.Y + s.IntN(9) - 4, W: b.W + s.IntN(9) - 4, H: b.H + s.IntN(9) - 4}}
		if o := d.Maps[s.IntN(len(d.Maps))]; s.IntN(4) == 0 {
			plan.Moves = map[world.ID]grid.Point{o.ID: {X: o.Origin.X + 50, Y: o.Origin.Y}}
		}
		if d.Map(on) != nil {
			s.Tell(plan.Loss(d).String())
		}
		e, err = plan.Edit(d)
	case 9, 10:
		e, err = s.retile(d, on)
	default:
		e = edit.Restore(nil, d, s.kept[s.IntN(len(s.kept))], "go back")
	}
	if s.Tell(err); err != nil {
		return
	}
	s.Tell(e.Label)
	told.Parts(s.Teller, d, e.Parts)
	res, err := edit.Apply(d, e)
	if s.Tell(err); err == nil {
		told.Document(s.Teller, res.Document)
		told.Parts(s.Teller, res.Document, res.Inverse)
		s.Tell(res.Left)
	}
}

// retile is a re-skin to another tileset, or a newer picture of one, or a bond of other tiles.
func (s *storedLog) retile(d *world.Document, on world.ID) (edit.Edit, error) {
	old := d.Tilesets[0]
	newer := &world.Tileset{Name: old.Name, First: d.TilesEnd() + s.IntN(5), Count: 6 + s.IntN(9), Columns: 5, Rows: 3}
	for i := range newer.Count {
		newer.Places = append(newer.Places, i)
		newer.Tiles = append(newer.Tiles, nil)
	}
	to := make([]int, old.Count)
	for i := range to {
		to[i] = s.IntN(newer.Count+2) - 2
	}
	if s.IntN(2) == 0 {
		return edit.Replace{Old: old.ID, New: newer, ID: 7001, To: to}.Edit(d)
	}
	if len(d.Bonds) > 0 && s.IntN(3) == 0 {
		was := d.Bonds[0]
		is := *was
		is.Tiles = slices.Clone(was.Tiles)
		is.Tiles[0].Tile, is.Border = 1+s.IntN(old.Count), !was.Border
		return edit.Edit{Parts: edit.Rebond(d, was, &is)}, nil
	}
	res, err := edit.Apply(d, edit.Edit{Parts: []edit.Part{edit.Put{Ref: world.Ref{Sort: world.SortTileset, ID: 7002}, Values: newer.Values()}}})
	if err != nil {
		return edit.Edit{}, err
	}
	for i := range newer.Count {
		does := tiles.Properties{Role: tiles.Role(s.IntN(8)), Name: []string{"", "Moss", "Slate"}[s.IntN(3)]}
		var parts []edit.Part
		for _, v := range world.TileValues(i, tiles.Properties{}, does) {
			parts = append(parts, edit.Change{Ref: world.Ref{Sort: world.SortTileset, ID: 7002}, Value: v})
		}
		if res, err = edit.Apply(res.Document, edit.Edit{Parts: parts}); err != nil {
			return edit.Edit{}, err
		}
	}
	reskin := edit.Reskin{Map: on, From: old.ID, To: 7002, By: []edit.Likeness{edit.ByPosition, edit.ByName, edit.ByRole}[s.IntN(3)]}
	if s.IntN(3) == 0 {
		reskin.Chosen = map[int]int{1: newer.First, 2: 0}
	}
	if s.IntN(3) == 0 {
		reskin.Within = grid.BoxRegion(grid.Rect{X: s.IntN(6), Y: s.IntN(6), W: 5, H: 4})
	}
	s.Tell(reskin.Matches(res.Document), edit.TileCells(res.Document, old, on))
	e, cells := reskin.Edit(res.Document)
	s.Tell(e.Encode(), cells)
	changed, err := edit.Apply(res.Document, e)
	if err != nil {
		return edit.Edit{}, err
	}
	told.Document(s.Teller, changed.Document)
	return edit.Edit{}, nil
}
