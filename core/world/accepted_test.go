package world_test

import (
	"cmp"
	"encoding/binary"
	"errors"
	"fmt"
	"math/rand/v2"
	"os"
	"slices"
	"strings"
	"testing"

	"azzel/core/edit"
	author "azzel/core/edit/generate"
	"azzel/core/kind"
	"azzel/core/pack"
	"azzel/core/pack/stored"
	"azzel/core/play/generate"
	"azzel/core/world"
)

// rich is a stored document in which there is something of each sort.
const rich = "testdata/rich.document"

// What each property of each sort of thing can be is what it was: testdata/accepted.txt lists for each number in it
// which small ones are taken and the largest of either sign, and how long a text may be. A limit or a sort of value that
// is changed on purpose is written anew (go test ./core/world -run TestAccepted -update).
func TestAccepted(t *testing.T) {
	b, err := os.ReadFile(rich)
	if errors.Is(err, os.ErrNotExist) {
		b = makeRich(t)
	} else if err != nil {
		t.Fatal(err)
	}
	d, err := world.Decode(b)
	if err != nil {
		t.Fatal(err)
	}
	// What was stored before pieces stored only what they set is written so once, and then as it is.
	if again, err := world.Decode(d.Encode()); err != nil || string(again.Encode()) != string(d.Encode()) || len(d.Encode()) >= len(b) {
		t.Errorf("what was stored has %d bytes, now %d, and is written otherwise the second time (%v)", len(b), len(d.Encode()), err)
	}
	var out strings.Builder
	for _, ref := range oneOfEach(d) {
		values, there := d.Draft().Values(ref)
		if !there {
			t.Fatalf("there is nothing of kind %d", ref.Sort)
		}
		if ref.Sort == world.SortPiece {
			values = append(values[:5:5], settable(d.Map(ref.Map).Piece(ref.ID))...)
		}
		for _, v := range values {
			accepted(&out, d, ref, v)
		}
	}
	stored.HoldText(t, "testdata/accepted.txt", out.String())
}

// oneOfEach is a thing of each sort, those with the most to them.
func oneOfEach(d *world.Document) (refs []world.Ref) {
	m := d.Maps[0]
	refs = []world.Ref{{Sort: world.SortProject}, {Sort: world.SortTileset, ID: d.Tilesets[0].ID}, {Sort: world.SortMap, ID: m.ID}, {Sort: world.SortLayer, Map: m.ID, ID: m.Layers[0].ID}}
	seen := map[world.ID]bool{}
	for _, p := range m.Pieces {
		if !seen[p.Type] {
			seen[p.Type] = true
			refs = append(refs, world.Ref{Sort: world.SortPiece, Map: m.ID, ID: p.ID})
		}
	}
	return append(refs, world.Ref{Sort: world.SortCrossing, ID: d.Crossings[0].ID}, world.Ref{Sort: world.SortCharacter, ID: d.Characters[len(d.Characters)-1].ID},
		world.Ref{Sort: world.SortMedley, ID: d.Medleys[0].ID}, world.Ref{Sort: world.SortBond, ID: d.Bonds[0].ID}, world.Ref{Sort: world.SortProperty, ID: d.Properties[0].ID},
		world.Ref{Sort: world.SortPatch, ID: d.Patches[0].ID}, world.Ref{Sort: world.SortTrack, ID: d.Tracks[0].ID}, world.Ref{Sort: world.SortArea, ID: d.Areas[0].ID},
		world.Ref{Sort: world.SortItem, ID: d.Items[0].ID}, world.Ref{Sort: world.SortFact, ID: d.Facts[0].ID}, world.Ref{Sort: world.SortReplay, ID: d.Replays[0].ID})
}

// takes says why a thing can't have a value, empty if it can.
func takes(d *world.Document, ref world.Ref, field world.Field, b []byte) string {
	draft := d.Draft()
	err := draft.Change(ref, world.Value{Field: field, Bytes: b})
	if err == nil {
		_, err = draft.Done()
	}
	if err != nil {
		return err.Error()
	}
	return ""
}

// accepted writes what of a property is taken: its bytes are a text, or numbers that are changed one at a time.
func accepted(out *strings.Builder, d *world.Document, ref world.Ref, v world.Value) {
	at := fmt.Sprintf("kind %d, property %d", ref.Sort, v.Field)
	if ref.Sort == world.SortPiece {
		at = fmt.Sprintf("piece of type %d, property %d", d.Map(ref.Map).Piece(ref.ID).Type, v.Field)
	}
	if n, k := binary.Uvarint(v.Bytes); k > 0 && int(n) == len(v.Bytes)-k && (n > 2 || len(v.Bytes) == 1 && takes(d, ref, v.Field, text(2)) == "") {
		most := largest(1<<17, func(n uint64) bool { return takes(d, ref, v.Field, text(int(n))) == "" })
		fmt.Fprintf(out, "%s: a text of at most %d bytes; longer: %s; none: %s; broken: %s\n", at, most, takes(d, ref, v.Field, text(int(most)+1)), takes(d, ref, v.Field, text(0)), takes(d, ref, v.Field, []byte{1, 7}))
		return
	}
	var numbers []uint64
	for rest := v.Bytes; len(rest) > 0; {
		n, k := binary.Uvarint(rest)
		if k <= 0 || len(numbers) == 12 {
			break
		}
		numbers, rest = append(numbers, n), rest[k:]
	}
	for i := range numbers {
		with := func(n uint64) string {
			var w pack.Writer
			for k, was := range numbers {
				if k == i {
					was = n
				}
				w.Uint(was)
			}
			used := 0
			for _, n := range numbers {
				used += len(binary.AppendUvarint(nil, n))
			}
			return takes(d, ref, v.Field, append(w.Bytes, v.Bytes[used:]...))
		}
		var small []byte
		refusals := map[string]bool{}
		refused := func(n uint64) bool {
			says := with(n)
			if says != "" {
				refusals[says] = true
			}
			return says != ""
		}
		for n := range uint64(40) {
			if refused(n) {
				small = append(small, '-')
			} else {
				small = append(small, '+')
			}
		}
		// Numbers with a sign are stored as twice themselves, or that and one if they are negative.
		even := largest(1<<40, func(n uint64) bool { return !refused(2 * n) })
		odd := largest(1<<40, func(n uint64) bool { return !refused(2*n + 1) })
		words := make([]string, 0, len(refusals))
		for says := range refusals {
			words = append(words, says)
		}
		slices.Sort(words)
		fmt.Fprintf(out, "%s, number %d: %s to %d and %d; else: %s\n", at, i, small, 2*even, 2*odd+1, strings.Join(words[:min(3, len(words))], " | "))
	}
}

func text(n int) []byte {
	var w pack.Writer
	w.Text(strings.Repeat("g", n))
	return w.Bytes
}

// settable are all properties that a piece can set, and the two fields with several meanings of long ago, each with
// some value.
func settable(p *world.Piece) []world.Value {
	list := []world.Value{world.IntValue(10, 2), world.IntValue(11, 2)}
	for _, h := range p.Kind().Props {
		v := h.Is(1, 1, 1, 1, 1)
		if h.Sort == kind.Reference {
			v = h.Refer(5)
		}
		list = append(list, v)
	}
	slices.SortFunc(list, func(a, b world.Value) int { return cmp.Compare(a.Field, b.Field) })
	return list
}

// largest is the largest number below an end for which something holds, as if it held for none after it.
func largest(end uint64, holds func(uint64) bool) uint64 {
	low, high := uint64(0), end
	for low+1 < high {
		if mid := (low + high) / 2; holds(mid) {
			low = mid
		} else {
			high = mid
		}
	}
	return low
}

// makeRich makes the document that is stored.
func makeRich(t *testing.T) []byte {
	for seed := range uint64(1000) {
		d, err := generate.World(seed)
		if err != nil {
			t.Fatal(err)
		}
		by := author.Author{Rand: rand.New(rand.NewPCG(seed, 96)), IDs: &world.Counter{Prefix: 40}}
		for range 400 {
			if res, err := edit.Apply(d, by.Edit(d)); err == nil {
				d = res.Document
			}
		}
		if len(d.Crossings)*len(d.Medleys)*len(d.Bonds)*len(d.Properties)*len(d.Patches)*len(d.Tracks)*len(d.Areas)*len(d.Items)*len(d.Facts)*len(d.Characters) == 0 || len(d.Maps[0].Pieces) < 20 {
			continue
		}
		kept := &world.Replay{Name: "Round", Rules: 8, Held: []world.Held{{Ticks: 3, Input: 1}}, Trace: []byte{1, 2, 3}, Samples: []world.Sample{{Map: d.Maps[0].ID, X: 5, Y: 6, Health: 2}}}
		res, err := edit.Apply(d, edit.Edit{Parts: []edit.Part{edit.Put{Ref: world.Ref{Sort: world.SortReplay, ID: 5001}, Values: kept.Values()}}})
		if err != nil {
			t.Fatal(err)
		}
		b := res.Document.Encode()
		if err := os.WriteFile(rich, b, 0o644); err != nil {
			t.Fatal(err)
		}
		return b
	}
	t.Fatal("no document came to have something of each sort")
	return nil
}
