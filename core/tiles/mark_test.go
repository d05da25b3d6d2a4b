package tiles

import (
	"testing"

	"azzel/core/grid"
)

// A mark changes the property it names, and keeps a tile's name and weight.
func TestMarks(t *testing.T) {
	shown := func() Mask { return 0b1010 }
	named := Properties{Name: "fern", Weight: 7, Home: "Beds"}
	for _, c := range []struct {
		mark Mark
		want Properties
	}{
		{Mark{Property: "role", Amount: int(Wall)}, Properties{Role: Wall, Solid: Whole, Name: "fern", Weight: 7, Home: "Beds"}},
		{Mark{Property: "role", Amount: int(SlopeLeft)}, Properties{Role: SlopeLeft, Solid: Slope(false), Name: "fern", Weight: 7, Home: "Beds"}},
		{Mark{Property: "solid", Amount: SolidShown}, Properties{Solid: 0b1010, Name: "fern", Weight: 7, Home: "Beds"}},
		{Mark{Property: "solid", Amount: SolidRows, Rows: []int{1, 0, 0, 0, 0, 0, 0, 128}}, Properties{Solid: 1 | 1<<63, Name: "fern", Weight: 7, Home: "Beds"}},
		{Mark{Property: "danger", Amount: 3}, Properties{Danger: 3, Name: "fern", Weight: 7, Home: "Beds"}},
		{Mark{Property: "home", Text: " "}, Properties{Name: "fern", Weight: 7}},
	} {
		got, err := c.mark.Apply(named, shown)
		if err != nil || got != c.want {
			t.Errorf("%+v gave %+v, want %+v (%v)", c.mark, got, c.want, err)
		}
	}
	for _, bad := range []Mark{{Property: "smell"}, {Property: "role", Amount: 99}, {Property: "role", Amount: -1}, {Property: "solid", Amount: 9},
		{Property: "solid", Amount: SolidRows, Rows: []int{1}}, {Property: "danger", Amount: 101}, {Property: "weight", Amount: -1}} {
		if got, err := bad.Apply(named, shown); err == nil || got != named {
			t.Errorf("%+v was taken and gave %+v", bad, got)
		}
	}
}

// The mask of what a tile shows is right at any size, and gives its rows back.
func TestMaskOf(t *testing.T) {
	for _, size := range [][2]int{{4, 4}, {8, 8}, {16, 24}, {20, 9}, {128, 128}} {
		w, h := size[0], size[1]
		pix := make([]byte, w*h*4)
		for y := h / 2; y < h; y++ {
			for x := range w {
				pix[(y*w+x)*4+3] = 255
			}
		}
		m := MaskOf(pix, w, h)
		for y := range MaskSide {
			for x := range MaskSide {
				if top := (2*y+2)*h <= h/2*2*MaskSide; top && m.At(x, y) || (2*y)*h >= (h/2*2+1)*MaskSide && !m.At(x, y) {
					t.Errorf("%v: part %d, %d is solid: %t", size, x, y, m.At(x, y))
				}
			}
		}
		back := Mark{Property: "solid", Amount: SolidRows, Rows: m.Rows()}
		if p, err := back.Apply(Properties{}, nil); err != nil || p.Solid != m {
			t.Errorf("%v: the rows of a mask do not make it", size)
		}
	}
}

// Filling on a sheet takes what hangs together and is alike, and nothing more.
func TestFillSheet(t *testing.T) {
	const sheet = "aab" + "bab" + "aaa"
	got := FillSheet(3, 3, grid.Point{}, func(place int) bool { return sheet[place] == 'a' })
	if len(got) != 6 {
		t.Errorf("filled %v", got)
	}
	if got := FillSheet(3, 3, grid.Point{X: 5}, func(int) bool { return true }); got != nil {
		t.Errorf("filled %v from outside", got)
	}
}
