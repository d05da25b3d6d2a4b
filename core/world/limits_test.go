package world

import (
	"fmt"
	"slices"
	"strings"
	"testing"

	"azzel/core/grid"
	"azzel/core/kind"
	"azzel/core/kinds/props"
	"azzel/core/limit"
	"azzel/core/pack"
)

// What is as large as it may be is taken, and one more is not: of each number of how a piece acts and a character moves,
// and of tracks, areas, characters and items.
func TestLimits(t *testing.T) {
	d, err := Start(Project{Name: "Ferns", CellW: 16, CellH: 16, SeenW: 9, SeenH: 9}, &Counter{Prefix: 3})
	if err != nil {
		t.Fatal(err)
	}
	m := d.Maps[0]
	takes := func(ref Ref, values []Value) bool {
		draft := d.Draft()
		if draft.Put(ref, values) != nil {
			return false
		}
		_, err := draft.Done()
		return err == nil
	}
	ends := func(name string, least, most int, takes func(int) bool) {
		t.Helper()
		for v, want := range map[int]bool{least: true, most: true, least - 1: false, most + 1: false} {
			if takes(v) != want {
				t.Errorf("%s of %d: taken is %t, of %d to %d", name, v, !want, least, most)
			}
		}
	}
	piece := Ref{Sort: SortPiece, Map: m.ID, ID: 900}
	// Of each number of each property of each kind; 0 may be as usual.
	for _, k := range kind.All() {
		for _, h := range k.Props {
			if h.Sort == kind.Reference || h.Sort == kind.YesNo || h.Sort == kind.OwnState {
				continue
			}
			for i := range h.Size() {
				least, most := h.Ranges(i)
				ends(fmt.Sprintf("number %d of %s of a %s", i, h.Word, k.Word), least, most, func(v int) bool {
					numbers := make([]int, h.Size())
					numbers[i] = v
					return takes(piece, (&Piece{Type: k.ID, Layer: m.PlayerLayer, Foot: grid.Point{X: 8, Y: 15}, Props: kind.Set(h.Is(numbers...))}).Values())
				})
			}
		}
	}
	character := func(set func(*Character)) bool {
		c := &Character{Name: "Night porter"}
		set(c)
		return takes(Ref{Sort: SortCharacter, ID: 901}, c.Values())
	}
	most := limit.MaxCellSide
	ends("a foot", -most, most, func(v int) bool { return character(func(c *Character) { c.FootX = v }) })
	ends("a foot's height", -most, most, func(v int) bool { return character(func(c *Character) { c.FootY = v }) })
	ends("the ticks of a frame", 1, limit.Interval, func(v int) bool {
		return character(func(c *Character) { c.Count, c.Poses = 2, []Pose{{Act: ActWalk, Frames: []int{0, 1}, Ticks: v}} })
	})
	ends("a frame of two", 0, 1, func(v int) bool {
		return character(func(c *Character) { c.Count, c.Poses = 2, []Pose{{Act: ActWalk, Frames: []int{0, v}, Ticks: 1}} })
	})
	ends("the width of a frame", 1, most, func(v int) bool { return character(func(c *Character) { c.W, c.H = v, 8 }) })
	ends("the height of a frame", 1, most, func(v int) bool { return character(func(c *Character) { c.W, c.H = 8, v }) })
	track := func(points ...grid.Point) bool {
		return takes(Ref{Sort: SortTrack, ID: 902}, (&Track{Name: "Round", Map: m.ID, Points: points}).Values())
	}
	ends("the points of a track", 1, limit.TrackPoints, func(v int) bool { return track(make([]grid.Point, v)...) })
	ends("a point of a track", -props.Far, props.Far, func(v int) bool { return track(grid.Point{X: v}) && track(grid.Point{Y: v}) })
	area := func(set func(*Area)) bool {
		a := &Area{Name: "Draught", Map: m.ID, Cells: grid.BoxRegion(grid.Rect{W: 2, H: 2})}
		set(a)
		return takes(Ref{Sort: SortArea, ID: 903}, a.Values())
	}
	ends("an area's gravity", 0, limit.Gravity, func(v int) bool { return area(func(a *Area) { a.Gravity = v }) })
	ends("an area's wind", -10*limit.Wind, 10*limit.Wind, func(v int) bool { return area(func(a *Area) { a.WindX = v }) })
	ends("an area's size of things", limit.MinZoom, limit.MaxZoom, func(v int) bool { return area(func(a *Area) { a.Zoom = v }) })
	ends("how many maps there are", 1, limit.Maps, func(v int) bool {
		many := *d
		ground := &Layer{ID: 7, Name: "Ground"}
		many.Maps = make([]*Map, max(1, v))
		for i := range many.Maps {
			// They lie in rows beside each other.
			many.Maps[i] = &Map{ID: ID(1000 + i), Name: "Bed", Bounds: grid.Rect{W: 2, H: 2}, Origin: grid.Point{X: i % 30 * 3, Y: i / 30 * 3}, Layers: []*Layer{ground}, PlayerLayer: ground.ID}
		}
		return v > 0 && many.checkMap(1000) == nil
	})
	ends("how many of an item there are", 0, limit.Stack, func(v int) bool {
		return takes(Ref{Sort: SortItem, ID: 904}, (&Item{Name: "Fuse", Most: v}).Values())
	})
}

// A background goes evenly from its top colour, in the first row, to its bottom one, in the last.
func TestBackground(t *testing.T) {
	b := Background{Top: RGB(10, 200, 7), Bottom: RGB(130, 20, 7)}
	for _, height := range []int{2, 3, 10, 256} {
		for y := range height {
			at := float64(y) / float64(height-1)
			for _, c := range []struct {
				from, to float64
				got      uint8
			}{{10, 130, red(b.At(y, height))}, {200, 20, green(b.At(y, height))}, {7, 7, blue(b.At(y, height))}} {
				if want := c.from + at*(c.to-c.from); float64(c.got) < want-0.5 || float64(c.got) > want+0.5 {
					t.Fatalf("row %d of %d is %d of %v to %v", y, height, c.got, c.from, c.to)
				}
			}
		}
	}
	if got := b.At(0, 1); got != b.Top {
		t.Errorf("the only row is %x", got)
	}
	b.Bottom = 0
	if got := b.At(7, 10); got != b.Top {
		t.Errorf("with a top colour alone a row is %x", got)
	}
}

func red(c Colour) uint8   { r, _, _ := c.RGB(); return r }
func green(c Colour) uint8 { _, g, _ := c.RGB(); return g }
func blue(c Colour) uint8  { _, _, b := c.RGB(); return b }

// A block knows of each layer how far above the player's it lay, and one whose pieces act as none may is not read.
func TestBlockStored(t *testing.T) {
	d, err := Start(Project{Name: "Ferns", CellW: 16, CellH: 16, SeenW: 9, SeenH: 9}, &Counter{Prefix: 3})
	if err != nil {
		t.Fatal(err)
	}
	fresh, layers := NewMap("Shed", grid.Point{X: 100}, grid.Rect{W: 9, H: 9}, &Counter{Prefix: 4})
	fresh.PlayerLayer = layers[len(layers)-1].ID
	draft := d.Draft()
	if err := PutMap(draft, fresh, layers); err != nil {
		t.Fatal(err)
	}
	m := draft.Document().Map(fresh.ID)
	all := grid.BoxRegion(grid.Rect{W: 3, H: 2})
	for _, l := range m.Layers {
		if _, err := draft.Paint(m.ID, l.ID, Stroke{Region: all, Cells: grid.Runs{{N: 6, Cell: grid.Cell(1)}}}); err != nil {
			t.Fatal(err)
		}
	}
	if err := draft.Put(Ref{Sort: SortPiece, Map: m.ID, ID: 900}, (&Piece{Type: Foe, Layer: m.PlayerLayer, Foot: grid.Point{X: 24, Y: 15}, Props: kind.Set(props.Shot.Is(90))}).Values()); err != nil {
		t.Fatal(err)
	}
	if d, err = draft.Done(); err != nil {
		t.Fatal(err)
	}
	m = d.Map(fresh.ID)
	b := d.Cut(m, all, func(*Layer) bool { return true }, true, nil)
	for i, l := range m.Layers {
		if l.ID == m.PlayerLayer {
			for k := range b.Layers {
				if b.Layers[k].Depth != k-i {
					t.Errorf("layer %d of %d, the player's being %d, is %d above it", k, len(m.Layers), i, b.Layers[k].Depth)
				}
			}
		}
	}
	if len(b.Layers) != len(m.Layers) || len(b.Pieces) == 0 {
		t.Fatalf("the block holds %d layers and %d pieces", len(b.Layers), len(b.Pieces))
	}
	read := func() error {
		var w pack.Writer
		encodeBlock(b, &w)
		r := pack.NewReader(w.Bytes)
		decodeBlock(r)
		return r.Err()
	}
	if err := read(); err != nil {
		t.Fatal(err)
	}
	b.Pieces[0].Props = kind.Set(props.Shot.Is(10*limit.Speed + 1))
	if read() == nil {
		t.Error("a block with a shot faster than any is read")
	}
}

// What a designer leaves as usual is what it was when the piece was placed: kept replays and finished games count on it.
func TestUsual(t *testing.T) {
	for of, want := range map[ID]string{
		MovingPlatform: "speed [30] width [3]", Foe: "speed [25] sight [6] straying [6] harm [1] bears [1] shot [100] reach [6]", Spring: "height [50]", Hazard: "harm [1]",
		Pushable: "", Breakable: "bears [1]", Collectible: "amount [1]", Exit: "amount [1]", Spawn: "", Mark: "", Checkpoint: "",
		Emitter: "odds [0 0 1 0 0] every [120] most [3] speed [25] harm [1] amount [1] sight [6] straying [6] reach [6] shot [100] bears [1]",
		Lottery: "amount [1] speed [25] harm [1] sight [6] straying [6] reach [6] shot [100] bears [1]",
	} {
		var got []string
		k := kind.Of(of)
		for _, h := range k.Props {
			if numbers := kind.Values("").Numbers(k, h.Prop); slices.Max(append(numbers, 0)) > 0 {
				got = append(got, fmt.Sprint(h.Word, " ", numbers))
			}
		}
		if is := strings.Join(got, " "); is != want {
			t.Errorf("a %s has as usual %s, and not %s", k.Word, is, want)
		}
	}
}
