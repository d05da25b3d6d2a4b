package exchange_test

import (
	"bytes"
	"fmt"
	"math/rand/v2"
	"strings"
	"testing"

	"azzel/core/edit"
	"azzel/core/exchange"
	"azzel/core/kind"
	"azzel/core/kinds/props"
	"azzel/core/play/generate"
	"azzel/core/world"
)

// How maps are seen, how somebody moves and how pieces act goes out and in again, in whatever
// way they do; a character without a picture too, and a patch with pieces that act.
func TestMovingComesBack(t *testing.T) {
	for seed := range uint64(40) {
		d, err := generate.World(seed)
		if err != nil {
			t.Fatal(err)
		}
		r := rand.New(rand.NewPCG(seed, 61))
		ids := &world.Counter{Prefix: 40}
		p := d.Project
		p.View = world.View(r.IntN(2))
		who := &world.Character{Name: "Night porter", Movement: generate.Movement(r), FootX: r.IntN(5) - 2, FootY: r.IntN(3),
			Poses: []world.Pose{{Act: world.ActRun, Facing: world.East, Frames: []int{r.IntN(16), 3}, Ticks: 1 + r.IntN(9)}, {Act: world.Act(r.IntN(8)), Frames: []int{0}, Ticks: 5}}}
		patch := &world.Patch{Name: "Slugs"}
		patch.Block = world.Block{W: 2, H: 2, Pieces: []world.BlockPiece{{Type: world.Foe, Props: kind.Set(props.Does.Is(props.Wanders), props.Speed.Is(1+r.IntN(600)), props.To.Is(-5, 0))}, {Type: world.Spring}}}
		parts := append(edit.Changes(world.Ref{Sort: world.SortProject}, d.Project.Values(), p.Values()),
			edit.Put{Ref: world.Ref{Sort: world.SortCharacter, ID: ids.NewID()}, Values: who.Values()},
			edit.Put{Ref: world.Ref{Sort: world.SortPatch, ID: ids.NewID()}, Values: patch.Values()},
			edit.Put{Ref: world.Ref{Sort: world.SortReplay, ID: ids.NewID()}, Values: someReplay().Values()})
		res, err := edit.Apply(d, edit.Edit{Parts: parts})
		if err != nil {
			t.Fatal(err)
		}
		d = res.Document
		lib := library{}
		first := written(t, d, lib)
		c, err := exchange.Read(bytes.NewReader(first), int64(len(first)), nil)
		if err != nil {
			t.Fatalf("world %d: %v", seed, err)
		}
		same(t, d, c.Document)
		if second := written(t, c.Document, lib); !bytes.Equal(first, second) {
			t.Fatalf("world %d: out, in and out again gave other bytes", seed)
		}
	}
}

// A bundle in which somebody moves or acts in a way that there is not is refused, and it is said
// what and where.
func TestBadMoving(t *testing.T) {
	d, err := generate.World(2)
	if err != nil {
		t.Fatal(err)
	}
	who := &world.Character{Name: "Night porter", Movement: world.Movement{Speed: 44, Steering: world.FourWays, Cannot: world.Swimming}}
	m := d.Maps[0]
	slug := &world.Piece{Type: world.Foe, Layer: m.PlayerLayer, Foot: d.Project.Lattice().Foot(generate.Cell(rand.New(rand.NewPCG(1, 1)), m)), Props: kind.Set(props.Does.Is(props.Flees), props.Speed.Is(44))}
	res, err := edit.Apply(d, edit.Edit{Parts: []edit.Part{edit.Put{Ref: world.Ref{Sort: world.SortCharacter, ID: 41 << 32}, Values: who.Values()},
		edit.Put{Ref: world.Ref{Sort: world.SortPiece, Map: m.ID, ID: 42 << 32}, Values: slug.Values()}}})
	if err != nil {
		t.Fatal(err)
	}
	whole := written(t, res.Document, library{})
	refused(t, whole, []altered{
		{"bundle.json", `"speed": 44`, `"speed": 641`, "speed is 1 to 640"},
		{"bundle.json", `"speed": 44`, `"speed": "fast"`, "bundle.json"},
		{"bundle.json", `"four ways"`, `"six ways"`, "steering"},
		{"bundle.json", `"swim"`, `"fly"`, "cannot"},
		{"maps/1.json", `"flees"`, `"flies"`, "flies"},
		{"maps/1.json", `"speed": 44`, `"speed": -1`, "speed of a piece"},
	})
}

// An altered bundle holds something else in one of its parts; says is what must be said of that.
type altered struct{ part, from, to, says string }

// refused alters a bundle that can be read in one place at a time: it is refused, and it is said why.
func refused(t *testing.T, whole []byte, list []altered) {
	t.Helper()
	for _, c := range list {
		parts := unpacked(t, whole)
		if !strings.Contains(parts[c.part], c.from) {
			t.Fatalf("%s holds no %s", c.part, c.from)
		}
		parts[c.part] = strings.Replace(parts[c.part], c.from, c.to, 1)
		bundle := packed(parts)
		_, err := exchange.Read(bytes.NewReader(bundle), int64(len(bundle)), nil)
		if err == nil || !strings.Contains(err.Error(), c.says) {
			t.Errorf("%s instead of %s: %v", c.to, c.from, err)
		}
	}
}

// Facts, what sets them and what asks for them come back from a bundle as they were; in which they are
// what they can't be, it is refused, and it is said what and where.
func TestFactsInABundle(t *testing.T) {
	d, err := generate.World(3)
	if err != nil {
		t.Fatal(err)
	}
	m := d.Maps[0]
	put := func(k world.Sort, id world.ID, values []world.Value) edit.Part {
		r := world.Ref{Sort: k, ID: id << 32}
		if k == world.SortPiece {
			r.Map = m.ID
		}
		return edit.Put{Ref: r, Values: values}
	}
	foot := d.Project.Lattice().Foot(generate.Cell(rand.New(rand.NewPCG(1, 1)), m))
	label := &world.Piece{Type: world.Collectible, Layer: m.PlayerLayer, Foot: foot, Props: kind.Values("").With(world.Change{Fact: 51 << 32, How: world.Becomes, By: 717}.Props()...).With(world.Single{Item: 53 << 32, Least: 818, Not: true}.Props()...)}
	gate := &world.Piece{Type: world.Exit, Layer: m.PlayerLayer, Foot: foot, Props: kind.Values("").With(world.Single{Fact: 52 << 32}.Props()...)}
	res, err := edit.Apply(d, edit.Edit{Parts: []edit.Part{put(world.SortFact, 51, (&world.Fact{Name: "Labels found", Counts: true, Start: 616}).Values()),
		put(world.SortFact, 64, (&world.Fact{Name: "Warmth", Counts: true, Least: -7, Most: 19, Start: -2}).Values()), put(world.SortFact, 65, (&world.Fact{Name: "Pipe", Counts: true, Words: []string{"cold", "warm"}, Start: 1}).Values()),
		put(world.SortFact, 66, (&world.Fact{Name: "Find the fuse", Counts: true, Words: world.ObjectiveWords, Objective: true, Start: world.Open}).Values()),
		put(world.SortFact, 52, (&world.Fact{Name: "Lamps lit", Start: 1}).Values()), put(world.SortItem, 53, (&world.Item{Name: "Fuse"}).Values()),
		put(world.SortPiece, 54, label.Values()), put(world.SortPiece, 55, gate.Values())}})
	if err != nil {
		t.Fatal(err)
	}
	whole := written(t, res.Document, library{})
	back, err := exchange.Read(bytes.NewReader(whole), int64(len(whole)), nil)
	if err != nil {
		t.Fatal(err)
	}
	same(t, res.Document, back.Document)
	if is := back.Document.Maps[0].Piece(54 << 32); is == nil || is.Props != label.Props {
		t.Errorf("the label came back as %+v", is)
	}
	for id, want := range map[world.ID]string{64: "-7 19 [] -2", 65: "0 0 [cold warm] 1"} {
		if f := back.Document.Fact(id << 32); f == nil || fmt.Sprint(f.Least, f.Most, f.Words, f.Start) != want {
			t.Errorf("a fact came back as %+v, want %s", f, want)
		}
	}
	if f := back.Document.Fact(66 << 32); f == nil || f.Sort() != world.AnObjective || f.Start != world.Open {
		t.Errorf("an objective came back as %+v", f)
	}
	if f := back.Document.Fact(51 << 32); f == nil || f.Name != "Labels found" || !f.Counts || f.Start != 616 {
		t.Errorf("the fact came back as %+v", f)
	}
	later := withTexts(t, res.Document)
	texts, note := written(t, later, library{}), later.Fact(98<<32|20)
	refused(t, texts, []altered{
		{"bundle.json", fmt.Sprintf(`"number": %d`, note.Texts[1].Number), fmt.Sprintf(`"number": %d`, note.Texts[0].Number), "stand by their numbers"},
		{"bundle.json", `ὥρα τρίτη`, strings.Repeat("ὥ", 121), "Last entry has 121 letters"},
		{"bundle.json", `ὥρα τρίτη`, `ὥρα\nτρίτη`, "one line"},
		{"bundle.json", fmt.Sprintf("\"map\": \"%d.%d\"\n    }\n  ]", uint32(later.Maps[0].ID>>32), uint32(later.Maps[0].ID)), "\"map\": \"9\"\n    }\n  ]", "fact 9: map"},
	})
	refused(t, whole, []altered{
		{"bundle.json", `"start": 616`, `"start": 1000000`, "Labels found"},
		{"bundle.json", `"start": 616`, `"start": -1`, "Labels found can't start with -1: it is 0 to 999999"},
		{"bundle.json", `"start": 616`, `"start": true`, "facts"},
		{"bundle.json", `"Lamps lit"`, `""`, "name"},
		{"bundle.json", `"52.0"`, `"51.0"`, "same id"},
		{"maps/1.json", `"becomes"`, `"doubles"`, "sets, how"},
		{"maps/1.json", `"by": 717`, `"by": -3`, "by how much"},
		{"maps/1.json", `"least": 818`, `"least": 1000000`, "at least"},
		{"maps/1.json", `"fact": "51.0"`, `"fact": "fifty"`, "sets, fact"},
		{"maps/1.json", `"item": "53.0"`, `"item": "0.9"`, "while, item"},
		{"maps/1.json", `"not": true`, `"nor": true`, "nor"},
	})
}
