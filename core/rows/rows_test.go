package rows_test

import (
	"errors"
	"fmt"
	"math/rand/v2"
	"reflect"
	"strings"
	"testing"

	"azzel/core/grid"
	"azzel/core/rows"
)

func name(tile int) (string, int) { return rows.Short((tile - 1) / 100), (tile - 1) % 100 }

func find(set string, index int) (int, error) {
	for i := range 30 {
		if rows.Short(i) == set && index < 100 {
			return i*100 + index + 1, nil
		}
	}
	return 0, fmt.Errorf("no tile %d of %s", index+1, set)
}

func same(p, q grid.Plane) bool {
	g, h := p.Filled(), q.Filled()
	return reflect.DeepEqual(g, h) && reflect.DeepEqual(p.Read(g), q.Read(h))
}

// What is written is read again, and written again the same.
func TestRowsComeBack(t *testing.T) {
	r := rand.New(rand.NewPCG(2, 2))
	for range 200 {
		box := grid.Rect{X: r.IntN(80) - 40, Y: r.IntN(80) - 40, W: 1 + r.IntN(70), H: 1 + r.IntN(40)}
		var p grid.Plane
		e := p.Edit()
		var loose []grid.Span
		for range r.IntN(400) {
			at := grid.Point{X: box.X + r.IntN(box.W), Y: box.Y + r.IntN(box.H)}
			e.Set(at, grid.Cell(1+r.IntN(2900)).Turned(r.IntN(8)))
			if r.IntN(3) == 0 {
				loose = append(loose, grid.Span{Y: at.Y, X0: at.X, X1: at.X})
			}
		}
		p = e.Done()
		g := grid.RegionOf(loose)
		lines := rows.Write(p, box, g, name)
		q, back, err := rows.Read(lines, box, find)
		if err != nil {
			t.Fatal(err)
		}
		if !same(p, q) {
			t.Fatal("read back it differs")
		}
		if len(back) != len(g) || len(back) > 0 && !reflect.DeepEqual(back, g) {
			t.Fatalf("follows %v, was %v", back, g)
		}
		if again := rows.Write(q, box, back, name); !reflect.DeepEqual(again, lines) {
			t.Fatal("written again it differs")
		}
	}
}

// What can't be read says where.
func TestBadRows(t *testing.T) {
	box := grid.Rect{W: 4, H: 2}
	for text, want := range map[string]string{
		"a1\na1\na1":     "3 rows",
		"a1 a2 a3 a4 a5": "row 1 has more",
		". .*9":          "row 1 has more",
		"a1\n12":         "row 2, entry 1",
		"a0":             "not one of a tile",
		"a99999999999":   "not one of a tile",
		"a1:q":           "how a tile lies",
		"a1:xx":          "how a tile lies",
		"a1*0":           "how many",
		"a1*-3":          "how many",
		"a1 zz9":         "row 1, entry 2: no tile 9 of zz",
		"\x00":           "no cell",
	} {
		if _, _, err := rows.Read(strings.Split(text, "\n"), box, find); err == nil || !strings.Contains(err.Error(), want) {
			t.Errorf("%q: %v, want %q", text, err, want)
		}
	}
}

func FuzzRead(f *testing.F) {
	f.Add("a1:tx~*3 . b2\n\n.*2 a9")
	f.Fuzz(func(t *testing.T, text string) {
		box := grid.Rect{W: 60, H: 20}
		p, loose, err := rows.Read(strings.Split(text, "\n"), box, find)
		if err != nil {
			return
		}
		if !box.Holds(p.Filled().Bounds()) || len(loose.Minus(p.Filled())) > 0 {
			t.Fatal(errors.New("cells beyond the box, or loose ones that are empty"))
		}
		q, _, err := rows.Read(rows.Write(p, box, loose, name), box, find)
		if err != nil {
			t.Fatal(err)
		}
		if !same(p, q) {
			t.Fatal("read again it differs")
		}
	})
}
