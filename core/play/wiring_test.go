package play_test

import (
	"bytes"
	"fmt"
	"math/rand/v2"
	"testing"

	"azzel/core/body"
	"azzel/core/edit"
	"azzel/core/grid"
	"azzel/core/kind"
	"azzel/core/kinds/corridor"
	"azzel/core/kinds/door"
	"azzel/core/kinds/props"
	"azzel/core/kinds/switches"
	"azzel/core/play"
	"azzel/core/world"
)

// What there is in wired: four switches in a corridor, and on another map two doors, an emitter and a door that starts open, then an area and a layer.
const (
	firstSwitch = world.ID(700)
	firstEnd    = world.ID(710)
	areaEnd     = firstEnd + 4
	layerEnd    = firstEnd + 5
)

// wired is a world with wires at random between the switches and what is on the other map.
func wiredWorld(t *testing.T, r *rand.Rand, view world.View) *world.Document {
	t.Helper()
	var pieces []corridor.Piece
	for i := range 4 {
		set := kind.Set(switches.By.Is([]int{switches.ByPlayer, switches.ByUse}[r.IntN(2)]), switches.Then.Is(r.IntN(3)), switches.For.Is(r.IntN(2)*r.IntN(40)))
		if r.IntN(4) == 0 {
			set = set.With(props.Own.Is(13))
		}
		pieces = append(pieces, corridor.Piece{ID: firstSwitch + world.ID(i), Column: 3 + 2*i, Type: switches.Kind.ID, Set: set})
	}
	shed, layers := world.NewMap("Tool shed", grid.Point{X: 300}, grid.Rect{W: 9, H: 3}, &world.Counter{Prefix: 8})
	parts := edit.PutMap(shed, layers)
	for i, set := range []kind.Values{"", "", "", kind.Set(props.Own.Is(10))} {
		end := &world.Piece{Type: door.Kind.ID, Layer: shed.PlayerLayer, Foot: grid.Point{X: 8 + 32*i, Y: 16}, Props: set}
		if i == 2 {
			end.Type = world.Emitter
		}
		parts = append(parts, edit.Put{Ref: world.Ref{Sort: world.SortPiece, Map: shed.ID, ID: firstEnd + world.ID(i)}, Values: end.Values()})
	}
	area := world.Area{Name: "Draught", Map: shed.ID, Cells: grid.BoxRegion(grid.Rect{W: 4, H: 3}), Forces: world.Forces{WindX: 20}}
	shade := world.Layer{Name: "Shade", Order: 9, Counts: true}
	parts = append(parts, edit.Put{Ref: world.Ref{Sort: world.SortArea, ID: areaEnd}, Values: area.Values()}, edit.Put{Ref: world.Ref{Sort: world.SortLayer, Map: shed.ID, ID: layerEnd}, Values: shade.Values()})
	d := corridor.New(t, view, pieces, parts...)
	for i := range 3 + r.IntN(6) {
		w := world.Wire{From: firstSwitch + world.ID(r.IntN(4)), To: firstEnd + world.ID(r.IntN(6)), Does: max(0, r.IntN(7)-3), Works: r.IntN(2), After: r.IntN(3) * r.IntN(30), Of: r.IntN(4) - 1}
		if r.IntN(12) == 0 {
			w.From = 999 // which is gone
		}
		d = apply(t, d, edit.Put{Ref: edit.WireRef(world.ID(750 + i)), Values: w.Values()})
	}
	return d
}

// A plainWires says what wires do from what was seen of their beginnings in each tick, and from nothing that play keeps.
type plainWires struct {
	d *world.Document
	// held says for each wire, tick by tick, whether its beginning was on; fires are the ticks in which it does what it does once.
	held  map[world.ID][]bool
	fires map[world.ID]int
	// on is what its ends are, by piece and by what of it is worked.
	on, kept map[[2]int64]bool
}

func endOf(d *world.Document, w *world.Wire) [2]int64 {
	works := w.Works
	if _, p := d.Piece(w.To); p == nil {
		works = 0
	} else if p.Type == world.Emitter {
		works = world.WorksPower
	}
	return [2]int64{int64(w.To), int64(works)}
}

// counts reports whether a wire that is on while held counts as on: its beginning was last so for longer than the wire waits.
func (p *plainWires) counts(w *world.Wire) bool {
	held := p.held[w.ID]
	for end := len(held); end > 0; {
		from := end
		for from > 0 && held[from-1] == held[end-1] {
			from--
		}
		if from == 0 || end-from > w.After {
			return held[end-1]
		}
		end = from
	}
	return false
}

func (p *plainWires) tick(now int, isOn func(world.ID) bool) {
	for _, w := range p.d.Wires {
		was := p.held[w.ID]
		is := isOn(w.From)
		p.held[w.ID] = append(was, is)
		if w.Does == world.WhileHeld {
			continue
		}
		if _, under := p.fires[w.ID]; is && !was[len(was)-1] && !under {
			p.fires[w.ID] = now + w.After
		}
		if at, under := p.fires[w.ID]; under && at == now {
			delete(p.fires, w.ID)
			end := endOf(p.d, w)
			p.on[end] = w.Does == world.TurnsOn || w.Does == world.ChangesOver && !p.on[end]
		}
	}
	p.keep()
}

// keep lets wires that are held keep their ends on, where that is otherwise than it was.
func (p *plainWires) keep() {
	done := map[[2]int64]bool{}
	for _, w := range p.d.Wires {
		group := [2]int64{int64(w.To), int64(w.Works)}
		if w.Does != world.WhileHeld || done[group] {
			continue
		}
		done[group] = true
		all, on := 0, 0
		for _, o := range p.d.Together(w) {
			if _, from := p.d.Piece(o.From); from != nil {
				all++
				if p.counts(o) {
					on++
				}
			}
		}
		is := on >= map[bool]int{true: max(1, all), false: max(1, w.Of)}[w.Of == world.AllOf]
		if was, known := p.kept[group]; !known || is != was {
			p.kept[group], p.on[endOf(p.d, w)] = is, is
		}
	}
}

// Whatever wires there are, what they end at is in each tick as a plain reading of docs/RULES.md says, over maps too. Gone back
// to, each tick is as it was; a state that is read goes on as the one that was written.
func TestWiresAgainstPlainReading(t *testing.T) {
	changed, worlds := 0, 120
	if testing.Short() {
		worlds = 50
	}
	for seed := range uint64(worlds) {
		r := rand.New(rand.NewPCG(seed, 91))
		view := world.View(seed % 2)
		d := wiredWorld(t, r, view)
		walk := corridor.Begin(t, d, 1, firstSwitch)
		isOn := func(id world.ID) bool {
			_, p := d.Piece(id)
			return p != nil && corridor.StateOf(walk.Game, id) == "pressed"
		}
		// ends is what is seen of the ends.
		ends := func() map[[2]int64]bool {
			forces, _ := walk.Asked(0).Forces(areaEnd)
			shade, _ := walk.Asked(0).Layer(layerEnd)
			seen := map[[2]int64]bool{{int64(areaEnd), 0}: forces == kind.On, {int64(layerEnd), 0}: shade == kind.There}
			for i := range int64(4) {
				id := firstEnd + world.ID(i)
				power, _ := walk.Asked(0).Power(id)
				seen[[2]int64{int64(id), world.WorksPower}] = power == kind.On
				if i != 2 {
					seen[[2]int64{int64(id), world.WorksState}] = corridor.StateOf(walk.Game, id) == "open"
				}
			}
			return seen
		}
		plain := &plainWires{d, map[world.ID][]bool{}, map[world.ID]int{}, map[[2]int64]bool{}, map[[2]int64]bool{}}
		for i := range int64(4) {
			plain.on[[2]int64{int64(firstEnd) + i, world.WorksPower}] = true
			plain.on[[2]int64{int64(firstEnd) + i, world.WorksState}] = i == 3
		}
		plain.on[[2]int64{int64(areaEnd), 0}], plain.on[[2]int64{int64(layerEnd), 0}] = true, true
		for _, w := range d.Wires {
			plain.held[w.ID] = []bool{isOn(w.From)}
		}
		// When play begins, all that is kept on is brought to what its wires say.
		plain.keep()
		rec := play.Record(walk.Game)
		var states [][]byte
		in := play.Input(0)
		before := fmt.Sprint(ends())
		for tick := range 500 {
			states = append(states, rec.Game().Snapshot())
			if r.IntN(25) == 0 {
				in = []play.Input{0, play.Left, play.Right, play.Right}[r.IntN(4)]
			}
			now := in
			if r.IntN(8) == 0 {
				now |= play.Use
			}
			rec.Tick(now)
			plain.tick(tick+1, isOn)
			seen := ends()
			for end, on := range seen {
				if on != plain.on[end] {
					t.Fatalf("world %d, tick %d: %v is on: %t, by a plain reading %t", seed, tick+1, end, on, plain.on[end])
				}
			}
			if is := fmt.Sprint(seen); is != before {
				before = is
				changed++
			}
		}
		for range 12 {
			tick := r.IntN(500)
			if err := rec.Go(tick); err != nil || !bytes.Equal(rec.Game().Snapshot(), states[tick]) {
				t.Fatalf("world %d: gone back to, tick %d is another: %v", seed, tick, err)
			}
		}
	}
	if changed < worlds*3 {
		t.Errorf("what wires end at changed %d times in %d worlds: this shows little", changed, worlds)
	}
}

// A door that a wire opens shuts on nobody: it shuts once nothing is in it any more. One that is locked is opened too.
func TestWiredDoor(t *testing.T) {
	corridor.EitherWay(t, func(t *testing.T, view world.View) {
		wire := world.Wire{From: firstSwitch, To: firstEnd}
		d := corridor.New(t, view, []corridor.Piece{
			{ID: firstSwitch, Column: 5, Type: switches.Kind.ID, Set: kind.Set(switches.By.Is(switches.ByThing), switches.Then.Is(switches.Springs))},
			{ID: firstEnd, Column: 8, Type: door.Kind.ID, Set: kind.Set(props.Opens.Is(1), props.Own.Is(11))},
			{ID: firstEnd + 1, Column: 5, Type: world.Pushable},
		}, edit.Put{Ref: edit.WireRef(750), Values: wire.Values()})
		w := corridor.Begin(t, d, 8, firstEnd)
		if w.Wait(2); w.State() != "open" {
			t.Fatalf("with a crate on the plate, the door is %s", w.State())
		}
		w.To(t, 8)
		// Without the wire it stays as play made it; with it again, it is shut once the player is out of it.
		without := apply(t, d, edit.Remove{Ref: edit.WireRef(750)})
		if err := w.SetDocument(without); err != nil || w.State() != "open" {
			t.Errorf("without the wire the door is %s: %v", w.State(), err)
		}
		gone := apply(t, d, edit.Remove{Ref: world.Ref{Sort: world.SortPiece, Map: d.Maps[0].ID, ID: firstEnd + 1}})
		if err := w.SetDocument(gone); err != nil {
			t.Fatal(err)
		}
		if n := w.Hold(0, 40, props.Shut); n != 0 || w.State() != "open" {
			t.Errorf("with the player in it, the door shut %d times and is %s", n, w.State())
		}
		if n := w.Hold(play.Right, 40, props.Shut); n != 1 || w.State() != "closed" {
			t.Errorf("after the player the door shut %d times and is %s", n, w.State())
		}
	})
}

// The examples of docs/RULES.md are as they are told there.
func TestExamples(t *testing.T) {
	const second = 60
	plate := func(id world.ID, column int, set ...kind.Value) corridor.Piece {
		return corridor.Piece{ID: id, Column: column, Type: switches.Kind.ID, Set: kind.Set(set...)}
	}
	wires := func(list ...world.Wire) (parts []edit.Part) {
		for i, w := range list {
			parts = append(parts, edit.Put{Ref: edit.WireRef(world.ID(750 + i)), Values: w.Values()})
		}
		return parts
	}
	end := corridor.Piece{ID: firstEnd, Column: 14, Type: door.Kind.ID, Set: kind.Set(props.Opens.Is(2))}
	corridor.EitherWay(t, func(t *testing.T, view world.View) {
		is := func(w corridor.Walk, example int, want string) {
			t.Helper()
			if got := w.State(); got != want {
				t.Errorf("example %d: the door is %s, not %s", example, got, want)
			}
		}
		lever := plate(firstSwitch, 4, switches.By.Is(switches.ByUse), switches.Then.Is(switches.Toggles))
		w := corridor.Begin(t, corridor.New(t, view, []corridor.Piece{lever, end}, wires(world.Wire{From: firstSwitch, To: firstEnd})...), 4, firstEnd)
		is(w, 1, "closed")
		for _, want := range []string{"open", "closed", "open"} {
			w.Hold(play.Use, 1, nil)
			w.Wait(5)
			is(w, 1, want)
		}

		crate := corridor.Piece{ID: 720, Column: 4, Type: world.Pushable}
		w = corridor.Begin(t, corridor.New(t, view, []corridor.Piece{plate(firstSwitch, 4, switches.By.Is(switches.ByThing)), crate, plate(firstSwitch+1, 7), end},
			wires(world.Wire{From: firstSwitch, To: firstEnd, Of: world.AllOf}, world.Wire{From: firstSwitch + 1, To: firstEnd, Of: world.AllOf})...), 6, firstEnd)
		w.Wait(5)
		is(w, 2, "closed")
		w.To(t, 7)
		w.Wait(5)
		is(w, 2, "open")
		w.To(t, 9)
		w.Wait(5)
		is(w, 2, "closed")

		w = corridor.Begin(t, corridor.New(t, view, []corridor.Piece{plate(firstSwitch, 5), end},
			wires(world.Wire{From: firstSwitch, To: firstEnd, Does: world.ChangesOver, After: second})...), 3, firstEnd)
		for i, want := range []string{"open", "closed"} {
			w.To(t, 5)
			w.Wait(second / 2)
			is(w, 3, []string{"closed", "open"}[i])
			w.Wait(second)
			is(w, 3, want)
			w.To(t, 8)
		}

		emitter := corridor.Piece{ID: firstEnd, Column: 9, Type: world.Emitter, Set: kind.Set(props.Every.Is(20))}
		w = corridor.Begin(t, corridor.New(t, view, []corridor.Piece{plate(firstSwitch, 4, switches.Then.Is(switches.Stays)), emitter}, wires(world.Wire{From: firstSwitch, To: firstEnd})...), 2, firstEnd)
		came := func() (n int) {
			w.Things(func(th play.Thing, _ int, _ body.Size) {
				if th.From == firstEnd {
					n++
				}
			})
			return n
		}
		w.Wait(2 * second)
		before := came()
		w.To(t, 4)
		w.Wait(2 * second)
		if after := came(); before != 0 || after == 0 {
			t.Errorf("example 4: %d came out before the switch was pressed, %d after", before, after)
		}
	})
}

// Wires settle as many layers as there are when play begins, when they are made in play, and after that.
func TestWiresOfManyLayers(t *testing.T) {
	corridor.EitherWay(t, func(t *testing.T, view world.View) {
		const many = 7
		bare := corridor.New(t, view, []corridor.Piece{{ID: firstSwitch, Column: 5, Type: switches.Kind.ID}})
		var layers, wires []edit.Part
		for i := range many {
			id := 900 + world.ID(i)
			shade := world.Layer{Name: fmt.Sprintf("Shade %d", i+1), Order: 20 + i, Counts: true}
			layers = append(layers, edit.Put{Ref: world.Ref{Sort: world.SortLayer, Map: bare.Maps[0].ID, ID: id}, Values: shade.Values()})
			wire := world.Wire{From: firstSwitch, To: id}
			wires = append(wires, edit.Put{Ref: edit.WireRef(950 + world.ID(i)), Values: wire.Values()})
		}
		bare = apply(t, bare, layers...)
		d := apply(t, bare, wires...)
		there := func(w corridor.Walk) (n int) {
			for i := range many {
				if is, _ := w.Asked(0).Layer(900 + world.ID(i)); is == kind.There {
					n++
				}
			}
			return n
		}
		w := corridor.Begin(t, d, 3, firstSwitch)
		if n := there(w); n != 0 {
			t.Errorf("as play begins, %d layers are there", n)
		}
		w.To(t, 5)
		if w.Wait(5); there(w) != many {
			t.Errorf("with the switch pressed, %d layers are there", there(w))
		}
		w = corridor.Begin(t, bare, 3, firstSwitch)
		w.Wait(5)
		if err := w.SetDocument(d); err != nil {
			t.Fatal(err)
		}
		if w.Wait(5); there(w) != 0 {
			t.Errorf("with wires made in play, %d layers are there", there(w))
		}
		merged, err := edit.MergeLayer(d, d.Maps[0].ID, 900)
		if err != nil {
			t.Fatal(err)
		}
		if left := apply(t, d, merged.Parts...); len(left.Wires) != many-1 {
			t.Errorf("with one of %d layers merged there are %d wires", many, len(left.Wires))
		}
	})
}
