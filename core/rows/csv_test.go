package rows_test

import (
	"bytes"
	"math/rand/v2"
	"strings"
	"testing"

	"azzel/core/grid"
	"azzel/core/rows"
)

// What is written as CSV is read again, whatever parts its fields and ends its lines.
func TestCSVComesBack(t *testing.T) {
	r := rand.New(rand.NewPCG(5, 2))
	for range 200 {
		box := grid.Rect{X: r.IntN(80) - 40, Y: r.IntN(80) - 40, W: 1 + r.IntN(40), H: 1 + r.IntN(40)}
		var p grid.Plane
		e := p.Edit()
		for range r.IntN(400) {
			e.Set(grid.Point{X: box.X + r.IntN(box.W), Y: box.Y + r.IntN(box.H)}, grid.Cell(1+r.IntN(2900)).Turned(r.IntN(8)))
		}
		p = e.Done()
		var out bytes.Buffer
		if err := rows.WriteCSV(&out, p, box, name); err != nil {
			t.Fatal(err)
		}
		text := strings.ReplaceAll(out.String(), "\r\n", []string{"\n", "\r\n", "\r"}[r.IntN(3)])
		text = strings.ReplaceAll(text, ",", []string{",", ";", "\t", ", "}[r.IntN(4)])
		text = []string{"", "\ufeff"}[r.IntN(2)] + text
		q, w, h, err := rows.ReadCSV([]byte(text), find)
		if err != nil {
			t.Fatalf("%v\n%.200q", err, text)
		}
		if w != box.W || h != box.H {
			t.Fatalf("%d × %d cells came back as %d × %d", box.W, box.H, w, h)
		}
		for y := range h {
			for x := range w {
				if a, b := p.At(grid.Point{X: box.X + x, Y: box.Y + y}), q.At(grid.Point{X: x, Y: y}); a != b {
					t.Fatalf("cell %d, %d: %v came back as %v", x, y, a, b)
				}
			}
		}
	}
}

// What can't be read says where.
func TestBadCSV(t *testing.T) {
	for text, want := range map[string]string{
		"":                                    "empty",
		" \r\n ":                              "empty",
		"a1,a2\na1":                           "row 2 has 1 columns, and row 1 has 2",
		"a1,a2\na1,a2,a3":                     "row 2 has 3 columns, and row 1 has 2",
		"a1,a2\n\na1,a2":                      "row 2 is empty",
		"a1,zz9":                              "row 1, column 2: no tile 9 of zz",
		"a1,fern":                             "row 1, column 2: \"fern\" is no cell",
		"a1\na1*7":                            "row 2, column 1: \"a1*7\" is more than one cell",
		"a1,\"a2":                             "quotation mark",
		"17,18":                               "row 1, column 1: \"17\" is no cell",
		strings.Repeat(",", 1_000_000):        "row 1 has 1000001 columns; the most is 4096",
		strings.Repeat("a1\n", 5000):          "more than 4096 rows",
		"a1,a2\n" + strings.Repeat(",", 9999): "row 2 has 10000 columns",
	} {
		if _, _, _, err := rows.ReadCSV([]byte(text), find); err == nil || !strings.Contains(err.Error(), want) {
			t.Errorf("%.40q: %v; want %q", text, err, want)
		}
	}
}

// Whatever the text, reading gives cells that come back or a message.
func FuzzCSV(f *testing.F) {
	for _, s := range []string{"a1,a2:tx\r\n,b7\r\n", "\ufeffa1;a2\n;", "a1\ta2", "\"a1\",.\n", "a1,a2\na1"} {
		f.Add([]byte(s))
	}
	f.Fuzz(func(t *testing.T, text []byte) {
		p, w, h, err := rows.ReadCSV(text, find)
		if err != nil {
			return
		}
		var out bytes.Buffer
		if err := rows.WriteCSV(&out, p, grid.Rect{W: w, H: h}, name); err != nil {
			t.Fatal(err)
		}
		q, w2, h2, err := rows.ReadCSV(out.Bytes(), find)
		if err != nil || w2 != w || h2 != h || !same(p, q) {
			t.Fatalf("%q became %q: %v", text, out.String(), err)
		}
	})
}
