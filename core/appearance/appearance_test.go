package appearance_test

import (
	"bytes"
	"fmt"
	"math/rand/v2"
	"slices"
	"strconv"
	"strings"
	"testing"

	"azzel/core/appearance"
	"azzel/core/grid"
	"azzel/core/kind"
	_ "azzel/core/kinds"
	"azzel/core/kinds/random"
	"azzel/core/limit"
)

var names = appearance.Names{
	Tile: func(tile int) (string, int) { return "a", tile - 1 },
	Find: func(set string, index int) (int, error) {
		if set != "a" {
			return 0, fmt.Errorf("there is no tileset %q", set)
		}
		return index + 1, nil
	},
	Who: func(id kind.ID) string { return strconv.Itoa(int(id)) },
	Parse: func(s string) (kind.ID, error) {
		n, err := strconv.Atoi(s)
		return kind.ID(n), err
	},
	Acts: []string{"stands", "walks"},
}

// A picture is what it was after it was stored, and after it was written to a file and read.
func TestPictureComesBack(t *testing.T) {
	r := rand.New(rand.NewPCG(3, 5))
	for range 2000 {
		p := random.Picture(r)
		if r.IntN(4) == 0 {
			p = appearance.Picture{Who: kind.ID(1 + r.IntN(90)), Act: r.IntN(2), Foot: grid.Point{X: r.IntN(9), Y: -r.IntN(9)}}
		}
		stored, err := appearance.Decode(p.Encode())
		if err != nil || !bytes.Equal(stored.Encode(), p.Encode()) {
			t.Fatalf("%+v was stored as %+v: %v", p, stored, err)
		}
		read, err := names.Read(names.Write(p))
		if err != nil || !bytes.Equal(read.Encode(), p.Encode()) {
			t.Fatalf("%+v was read as %+v: %v", p, read, err)
		}
	}
}

// What can't be a picture is refused in words.
func TestBadPictures(t *testing.T) {
	frame := func(n int) [][]grid.Cell { return [][]grid.Cell{make([]grid.Cell, n)} }
	for says, p := range map[string]appearance.Picture{
		"1 to 16 cells wide and high, not 17 × 1": {W: 17, H: 1, Ticks: 1, Frames: frame(17)},
		"for 1 to 3600 ticks, not 0":              {W: 1, H: 1, Frames: frame(1)},
		"frames of a picture are of one size":     {W: 2, H: 1, Ticks: 1, Frames: frame(1)},
		"within 256 pixels":                       {W: 1, H: 1, Ticks: 1, Frames: frame(1), Foot: grid.Point{Y: 257}},
		"at most 64 frames":                       {W: 1, H: 1, Ticks: 1, Frames: slices.Repeat(frame(1), limit.PictureFrames+1)},
		"nobody can do":                           {Who: 3, Act: 8},
	} {
		if err := p.Check(); err == nil || !strings.Contains(err.Error(), says) {
			t.Errorf("%+v: %v; want %q", p, err, says)
		}
	}
	if _, err := names.Read(appearance.Form{Frames: [][]string{{"b7"}}, Size: &[2]int{1, 1}}); err == nil || !strings.Contains(err.Error(), "no tileset") {
		t.Errorf("a tile of no tileset: %v", err)
	}
}

// For each kind, state, power and side the picture is the one that fits best of those that are set: while it is off the one for that comes first, then that of its state, then
// that for all; of each that of the side, then the opposite one mirrored, then that for all sides, then any.
func TestSeen(t *testing.T) {
	r := rand.New(rand.NewPCG(7, 9))
	mirrors, missing := 0, 0
	for _, k := range kind.All() {
		if len(k.Seen()) == 0 {
			continue
		}
		for range 300 {
			var v kind.Values
			// Which picture is which is told by its foot.
			set := map[string]int{}
			for _, h := range k.Props {
				if state, side, is := h.Shown(); is && r.IntN(4) == 0 {
					p := random.Picture(r)
					p.Foot = grid.Point{X: len(set) + 1}
					set[fmt.Sprint(state, " ", side)] = p.Foot.X
					v = v.With(p.Set(h.Prop))
				}
			}
			state, off, side := k.Seen()[r.IntN(len(k.Seen()))], r.IntN(2) == 0, r.IntN(5)
			if state == kind.WhileOff {
				state, off = kind.AnyState, true
			}
			var order []string
			for _, s := range append(map[bool][]int{true: {kind.WhileOff}}[off], state, kind.AnyState) {
				for _, to := range []int{side, map[int]int{2: 3, 3: 2}[side], 0, 1, 2, 3, 4} {
					order = append(order, fmt.Sprint(s, " ", to))
				}
			}
			want, turned := 0, false
			for i, name := range order {
				if want = set[name]; want != 0 {
					turned = i%7 == 1 && (side == 2 || side == 3)
					break
				}
			}
			is, mirrored, has := appearance.Seen(v, k, state, off, side)
			if is.Foot.X != want || mirrored != turned || has != (len(set) > 0) {
				t.Fatalf("a %s in state %d, off %t, looking to %d, with %v, is seen as %d, mirrored %t; want %d, %t", k.Word, state, off, side, set, is.Foot.X, mirrored, want, turned)
			}
			if mirrored {
				mirrors++
			}
			for _, state := range appearance.Missing(v, k) {
				missing++
				if v2 := v.With(random.Picture(r).Set(kind.PictureOf(state, kind.AnySide))); slices.Contains(appearance.Missing(v2, k), state) {
					t.Fatalf("a %s with a picture of state %d lacks it", k.Word, state)
				}
			}
		}
	}
	if mirrors < 20 || missing < 100 {
		t.Errorf("only %d were mirrored and %d missing", mirrors, missing)
	}
}

// Bytes are refused, or are a picture whose bytes are read as the same.
func FuzzPicture(f *testing.F) {
	r := rand.New(rand.NewPCG(1, 2))
	for range 8 {
		f.Add(random.Picture(r).Encode())
	}
	f.Add(appearance.Picture{Who: 9, Act: 1}.Encode())
	f.Fuzz(func(t *testing.T, b []byte) {
		p, err := appearance.Decode(b)
		if err != nil {
			return
		}
		if q, err := appearance.Decode(p.Encode()); err != nil || !bytes.Equal(q.Encode(), p.Encode()) {
			t.Fatalf("%x is %+v, and then %+v: %v", b, p, q, err)
		}
	})
}
