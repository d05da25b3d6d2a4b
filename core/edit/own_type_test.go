package edit_test

import (
	"math/rand/v2"
	"slices"
	"testing"

	"azzel/core/edit"
	"azzel/core/edit/generate"
	"azzel/core/kind"
	"azzel/core/kinds/props"
	"azzel/core/pack"
	"azzel/core/world"
)

// wantOfTypes holds each piece to what its type says as the document has it now, plainly worked out.
func wantOfTypes(t *testing.T, d *world.Document, when string) (typed, further int) {
	t.Helper()
	for _, m := range d.Maps {
		for _, p := range m.Pieces {
			own := d.Type(p.Props.Refers(props.OwnType))
			if own != nil && own.Base != p.Type {
				own = nil
			}
			if p.Own() != own {
				t.Fatalf("%s: a piece is of the type %+v, and should be of %+v", when, p.Own(), own)
			}
			k := kind.Of(p.Type)
			name, usual := k.Name, kind.Values("")
			if own != nil {
				typed++
				// What it said for another kind counts no more.
				name, usual = own.Name, k.Keeps(own.Usual)
			}
			if p.Kind().Name != name {
				t.Fatalf("%s: it is called %q, not %q", when, p.Kind().Name, name)
			}
			for _, h := range p.Kind().Props[len(k.Props):] {
				f := own.Further[slices.IndexFunc(own.Further, func(o world.TypeProp) bool { return kind.Field(o.ID) == h.Field })]
				want, least, most := f.Usual, f.Least, f.Most
				if f.Sort != kind.Whole {
					least, most = 0, 1
				}
				if b := p.Props.Get(h.Field); len(b) > 0 {
					want = min(max(pack.NewReader(b).Int(), least), most)
					further++
				}
				if is := p.Int(h.Prop); is != want {
					t.Fatalf("%s: %q of a %s is %d, not %d", when, h.Label, own.Name, is, want)
				}
			}
			if own != nil && len(p.Kind().Props) != len(k.Props)+len(own.Further) {
				t.Fatalf("%s: a type with %d properties has pieces of %d", when, len(own.Further), len(p.Kind().Props)-len(k.Props))
			}
			for _, h := range k.Props {
				if h.Size() == 0 || h.Sort == kind.Reference || h.Sort == kind.Weights {
					continue
				}
				want := kind.Values("").Numbers(k, h.Prop)
				if len(usual.Get(h.Field)) > 0 && len(p.Props.Get(kind.None(h.Field))) == 0 {
					want = usual.Numbers(k, h.Prop)
				}
				if len(p.Props.Get(h.Field)) > 0 {
					want = p.Props.Numbers(k, h.Prop)
				}
				if is := p.Int(h.Prop); is != want[0] {
					t.Fatalf("%s: %s of a %s is %d, not %d", when, h.Word, p.Kind().Name, is, want[0])
				}
			}
		}
	}
	return typed, further
}

// Whatever is done to types and pieces, taken back, done by others, stored and read: each piece has what it sets, else what its type says, else what its kind does.
func TestPiecesOfTypes(t *testing.T) {
	typed, further := 0, 0
	for seed := range uint64(80) {
		a := generate.Author{Rand: rand.New(rand.NewPCG(seed, 3)), IDs: &world.Counter{Prefix: 5}}
		d, err := world.Start(world.Project{Name: "Ferns", CellW: 16, CellH: 16, SeenW: 9, SeenH: 9}, a.IDs)
		if err != nil {
			t.Fatal(err)
		}
		var undo [][]edit.Part
		for range 250 {
			e := a.Edit(d)
			if a.Rand.IntN(3) == 0 && len(d.Maps) > 0 {
				e = edit.Edit{Label: "a type", Parts: a.OwnType(d, d.Maps[a.Rand.IntN(len(d.Maps))])}
			}
			if n := len(undo); n > 0 && a.Rand.IntN(6) == 0 {
				e = edit.Edit{Undoes: 1, Parts: undo[n-1]}
				undo = undo[:n-1]
			}
			res, err := edit.Apply(d, e)
			if err != nil {
				continue
			}
			followed, err := edit.Follow(nil, d, edit.Edit{Label: e.Label, Parts: res.Parts})
			if err != nil {
				t.Fatal(err)
			}
			d = res.Document
			if e.Undoes == 0 {
				undo = append(undo, res.Inverse)
			}
			n, more := wantOfTypes(t, d, "done")
			typed, further = typed+n, further+more
			wantOfTypes(t, followed, "heard of")
		}
		back, err := world.Decode(d.Encode())
		if err != nil {
			t.Fatal(err)
		}
		if wantOfTypes(t, back, "read"); string(back.Encode()) != string(d.Encode()) {
			t.Fatalf("world %d: read, it is another", seed)
		}
	}
	if typed < 2000 || further < 100 {
		t.Errorf("%d times a piece was of a type, %d times it set a property of that", typed, further)
	}
}
