package play_test

import (
	"errors"
	"math/rand/v2"
	"testing"

	"azzel/core/edit"
	"azzel/core/kind"
	"azzel/core/kinds/corridor"
	"azzel/core/kinds/props"
	"azzel/core/play"
	"azzel/core/world"
)

// asLaid is a document in which wires work what the hand lets them, of an emitter its power, of what is no piece all there is, and some begin at it, and in some of which a door is locked.
func asLaid(t *testing.T, d *world.Document) *world.Document {
	const emitter = firstEnd + 2
	if len(d.Wires)%2 == 0 {
		m, p := d.Piece(firstEnd + 1)
		next := *p
		next.Props = next.Props.With(props.Own.Is(11))
		d = apply(t, d, edit.Changes(world.Ref{Sort: world.SortPiece, Map: m.ID, ID: p.ID}, p.Values(), next.Values())...)
	}
	for _, w := range d.Wires {
		next := *w
		if w.To == emitter {
			next.Works = world.WorksPower
		} else if w.To >= areaEnd {
			next.Works = world.WorksState
		} else if w.Number%3 == 0 {
			next.From = emitter
		}
		if next != *w {
			d = apply(t, d, edit.Changes(edit.WireRef(w.ID), w.Values(), next.Values())...)
		}
	}
	return d
}

// openAll opens the wires of a document into rules, and folds them back.
func openAll(t *testing.T, d *world.Document) (by, back *world.Document, opened int) {
	t.Helper()
	by = d
	for id := world.ID(2000); ; id += 100 {
		var left *world.Wire
		for _, w := range by.Wires {
			_, _, err := by.Opened(w, (&world.Counter{Prefix: 9}).NewID)
			if err == nil {
				left = w
				break
			}
			_, from := d.Piece(w.From)
			if !errors.Is(err, world.ErrWireOfNothing) || from != nil && w.Does != world.WhileHeld {
				t.Fatalf("a wire is not opened: %v", err)
			}
		}
		if left == nil {
			break
		}
		next := id
		r, wires, err := by.Opened(left, func() world.ID { next++; return next })
		if err != nil {
			t.Fatal(err)
		}
		var parts []edit.Part
		for _, w := range wires {
			parts = append(parts, edit.Remove{Ref: edit.WireRef(w.ID)})
		}
		by = apply(t, by, append(parts, edit.Put{Ref: world.RuleRef(id), Values: r.Values()})...)
		opened += len(wires)
		folded, err := by.Folded(by.Rule(id))
		if err != nil || len(folded) != len(wires) {
			t.Fatalf("opened into a rule and folded back, %d wires are %d: %v", len(wires), len(folded), err)
		}
		for i, w := range wires {
			want := *w
			want.ID, want.Number = 0, 0
			// The first of those that count together says how many must be on, and one that does something once nothing of the kind.
			if want.Of = wires[0].Of; want.Does != world.WhileHeld {
				want.Of = 0
			}
			if folded[i] != want {
				t.Fatalf("wire %+v came back as %+v", want, folded[i])
			}
		}
	}
	back = by
	for _, r := range by.Rules {
		folded, err := back.Folded(r)
		if err != nil {
			t.Fatal(err)
		}
		parts := []edit.Part{edit.Remove{Ref: world.RuleRef(r.ID)}}
		for i, w := range folded {
			parts = append(parts, edit.Put{Ref: edit.WireRef(r.ID + world.ID(i)), Values: w.Values()})
		}
		back = apply(t, back, parts...)
	}
	return by, back, opened
}

// Any wires, opened into rules and folded back, are what they were.
func TestWiresFold(t *testing.T) {
	opened := 0
	for seed := range uint64(300) {
		r := rand.New(rand.NewPCG(seed, 97))
		d := asLaid(t, wiredWorld(t, r, world.View(seed%2)))
		by, back, n := openAll(t, d)
		opened += n
		if len(by.Wires)+n != len(d.Wires) || len(back.Wires) != len(d.Wires) || len(back.Rules) != 0 {
			t.Fatalf("world %d: of %d wires %d were opened and %d are left; folded back there are %d", seed, len(d.Wires), n, len(by.Wires), len(back.Wires))
		}
	}
	if opened < 600 {
		t.Errorf("only %d wires were opened: this shows little", opened)
	}
}

// What wires work is worked by the rules into which they are opened, within a few ticks, and by the wires into which these are folded.
func TestOpenedWiresPlayAlike(t *testing.T) {
	changed, compared, worlds := 0, 0, 3000
	if testing.Short() {
		worlds = 60
	}
	for seed := range uint64(worlds) {
		r := rand.New(rand.NewPCG(seed, 98))
		d := asLaid(t, wiredWorld(t, r, world.View(seed%2)))
		// Where several work the same in one tick, the order in which they do is not the same by rules.
		ends := map[[2]int64]*world.Wire{}
		var parts []edit.Part
		for _, w := range d.Wires {
			if o := ends[endOf(d, w)]; o != nil && (o.Does != world.WhileHeld || w.Does != world.WhileHeld || o.Works != w.Works) {
				parts = append(parts, edit.Remove{Ref: edit.WireRef(w.ID)})
				continue
			}
			ends[endOf(d, w)] = w
		}
		d = apply(t, d, parts...)
		by, back, _ := openAll(t, d)
		inputs := make([]play.Input, 900)
		in := play.Input(0)
		for tick := settled; tick < len(inputs)-settled; tick++ {
			if r.IntN(25) == 0 {
				in = []play.Input{0, play.Left, play.Right, play.Right}[r.IntN(4)]
			}
			if inputs[tick] = in; r.IntN(8) == 0 {
				inputs[tick] |= play.Use
			}
		}
		first, before, exact := seenOf(t, d, inputs)
		if exact {
			continue
		}
		compared++
		for name, other := range map[string]*world.Document{"by rules": by, "folded back": back} {
			is, began, _ := seenOf(t, other, inputs)
			for end := range is {
				list := first[end]
				if before[end] != began[end] {
					continue // as play begins a wire opened what is locked at once, for which a rule waited too long
				}
				if len(is[end]) != len(list) {
					t.Fatalf("world %d: %v changed %v by wires, %v %s", seed, end, list, is[end], name)
				}
				for i, at := range list {
					if late := is[end][i] - at; late < -3 || late > 3 {
						t.Fatalf("world %d: %v changed %v by wires, %v %s", seed, end, list, is[end], name)
					}
				}
				changed += len(list)
			}
		}
	}
	if changed < worlds*4 || compared < worlds/2 {
		t.Errorf("what wires end at changed %d times in %d of %d worlds: this shows little", changed, compared, worlds)
	}
}

// locked stands for what of a door no wire works.
const locked = -1

// settled is how many ticks it takes until two rules with the longest wait of a wired world, one after the other, are as wires are when play begins.
const settled = 130

// seenOf are the ticks in which each end of the wires of a wired world changed, and which of them are locked once what differs as play begins is over. It reports exact if something changed, or went on anew, in the
// very tick in which a wire that waits does what it waits with, or in which it had gone off, which counts by a rule and not by a wire.
func seenOf(t *testing.T, d *world.Document, inputs []play.Input) (list map[[2]int64][]int, locks map[[2]int64]bool, exact bool) {
	t.Helper()
	walk := corridor.Begin(t, d, 1, firstSwitch)
	list, locks = map[[2]int64][]int{}, map[[2]int64]bool{}
	was, held, since := map[[2]int64]bool{}, map[world.ID]bool{}, map[world.ID]int{}
	for tick := range inputs {
		for _, w := range d.Wires {
			_, from := d.Piece(w.From)
			on := from != nil && from.Type != world.Emitter && corridor.StateOf(walk.Game, w.From) == "pressed"
			if from != nil && from.Type == world.Emitter {
				power, _ := walk.Asked(0).Power(w.From)
				on = power == kind.On
			}
			if on != held[w.ID] {
				late := tick - since[w.ID] - w.After
				exact = exact || w.After > 0 && late >= -1 && late <= 1
				if held[w.ID] = on; w.Does == world.WhileHeld || on && tick-since[w.ID] > w.After {
					since[w.ID] = tick
				}
			}
		}
		forces, _ := walk.Asked(0).Forces(areaEnd)
		shade, _ := walk.Asked(0).Layer(layerEnd)
		for i := range int64(6) {
			id := firstEnd + world.ID(i)
			power, _ := walk.Asked(0).Power(id)
			isOn := map[int64]bool{world.WorksPower: power == kind.On}
			switch {
			case i >= 4:
				isOn = map[int64]bool{world.WorksState: map[int64]bool{4: forces == kind.On, 5: shade == kind.There}[i]}
			case i != 2:
				isOn[world.WorksState] = corridor.StateOf(walk.Game, id) == "open"
				isOn[locked] = corridor.StateOf(walk.Game, id) == "locked"
			}
			for works, on := range isOn {
				end := [2]int64{int64(id), works}
				// Wires let what is kept on be so when play begins, rules as soon as they would later.
				if tick >= settled && on != was[end] {
					list[end] = append(list[end], tick)
				}
				if was[end] = on; tick == settled && works == locked {
					locks[end] = on
				}
			}
		}
		walk.Game.Tick(inputs[tick])
		for _, e := range walk.Game.Events() {
			for _, w := range d.Wires {
				exact = exact || e.Moment == props.Pressed && e.Piece == w.From && held[w.ID]
			}
		}
	}
	return list, locks, exact
}
