package exchange_test

import (
	"bytes"
	"errors"
	"fmt"
	"io"
	"strings"
	"testing"

	"azzel/core/exchange"
	"azzel/core/world"
)

// Every bad bundle gives a message that says which part is wrong, and how.
func TestBadBundles(t *testing.T) {
	d, lib := glasshouse(t, 3, 200)
	good := unpacked(t, written(t, d, lib))
	replace := func(part, old, is string) func(map[string]string) {
		return func(p map[string]string) {
			if !strings.Contains(p[part], old) {
				t.Fatalf("%s holds no %s", part, old)
			}
			p[part] = strings.Replace(p[part], old, is, 1)
		}
	}
	idOf := func(id world.ID) string { return fmt.Sprintf(`"id": "%d.%d"`, id>>32, uint32(id)) }
	var firstRows string
	for name := range good {
		if strings.HasPrefix(name, "maps/1/") {
			firstRows = name
		}
	}
	for _, c := range []struct {
		what   string
		change func(map[string]string)
		says   string
	}{
		{"no head", func(p map[string]string) { delete(p, "bundle.json") }, "bundle.json is missing"},
		{"another format", replace("bundle.json", `"azzel bundle"`, `"greenhouse"`), "does not say that this is a bundle"},
		{"newer", replace("bundle.json", `"version": `, `"version": 99, "moons": `), "version 99, and this Azzel reads up to version 10"},
		{"a wrong type", replace("bundle.json", `"w": 8`, `"w": "eight"`), "project.cell.w is text where a whole number is needed"},
		{"a fraction", replace("bundle.json", `"w": 8`, `"w": 8.5`), "is the number 8.5 where a whole number"},
		{"a cell too small", replace("bundle.json", `"w": 8`, `"w": 0`), "a cell is 4 to 128 px"},
		{"not known", replace("bundle.json", `"cell"`, `"moons": 3, "cell"`), `unknown field "moons"`},
		{"no JSON", replace("maps/1.json", `"name"`, `"name`), "maps/1.json is no JSON"},
		{"a map missing", func(p map[string]string) { delete(p, "maps/1.json") }, "maps/1.json is missing"},
		{"rows missing", func(p map[string]string) { delete(p, firstRows) }, firstRows + " is missing"},
		{"a negative size", replace("maps/1.json", `"w": `, `"w": -`), "1 to 4096 cells wide"},
		{"an edge", replace("maps/1.json", `"edges": [`, `"edges": ["soft",`), "edges are four"},
		{"a tile that is not there", func(p map[string]string) { p[firstRows] = "b99\n" }, "row 1, entry 1: the tileset b has 14 tiles, and no 99"},
		{"a tileset that is not there", func(p map[string]string) { p[firstRows] = "a1\nzz1\n" }, "row 2, entry 1: there is no tileset"},
		{"a row too long", func(p map[string]string) { p[firstRows] = "a1*5000\n" }, "row 1 has more than"},
		{"too many rows", func(p map[string]string) { p[firstRows] = strings.Repeat("a1\n", 5000) }, "more rows than the"},
		{"a row without end", func(p map[string]string) { p[firstRows] = strings.Repeat("a1 ", 200_000) }, "a row of more than 128 KB"},
		{"no picture", func(p map[string]string) { p["tilesets/b.png"] = "leaf" }, "tilesets/b.png is no PNG"},
		{"a small picture", func(p map[string]string) { p["tilesets/b.png"] = string(leaves(2, 1)) }, "the pictures hold 2 tiles, not 14"},
		{"places", replace("tilesets/b.json", `"places": "0-13"`, `"places": "0-400000000"`), "ascending numbers"},
		{"a count", replace("tilesets/b.json", `"count": 14`, `"count": 99999999`), "1 to 262144 tiles"},
		{"an id twice", replace("maps/1.json", idOf(d.Maps[0].ID), idOf(d.Maps[1].ID)), "have the same id"},
		{"a part twice in a zip", nil, "two parts called"},
		{"a path that climbs", func(p map[string]string) { p["../../etc/ferns"] = "x" }, "leads out of it"},
		{"an absolute path", func(p map[string]string) { p["/tmp/ferns"] = "x" }, "leads out of it"},
		{"a path of another system", func(p map[string]string) { p[`C:\ferns`] = "x" }, "leads out of it"},
		{"a million parts", func(p map[string]string) {
			for i := range 1 << 17 {
				p[fmt.Sprintf("x/%d", i)] = ""
			}
		}, "the most is 100000"},
		{"a bomb", func(p map[string]string) { p["maps/1.json"] = strings.Repeat(" ", 65<<20) + "{}" }, "the part maps/1.json would have 65 MB"},
	} {
		parts := map[string]string{}
		for name, body := range good {
			parts[name] = body
		}
		var bundle []byte
		if c.change != nil {
			c.change(parts)
			bundle = packed(parts)
		} else {
			bundle = bytes.Replace(packed(map[string]string{"aa": "1", "ab": "2"}), []byte("ab"), []byte("aa"), -1)
		}
		_, err := exchange.Read(bytes.NewReader(bundle), int64(len(bundle)), nil)
		if err == nil || !strings.Contains(err.Error(), c.says) {
			t.Errorf("%s: %v; want %q", c.what, err, c.says)
		}
	}
	for _, junk := range []string{"", "PK", "a text that is no zip at all, but long enough for the record at its end"} {
		if _, err := exchange.Read(strings.NewReader(junk), int64(len(junk)), nil); err == nil || !strings.Contains(err.Error(), "no bundle") {
			t.Errorf("%q: %v", junk, err)
		}
	}
}

// A zip may lie about how large its parts are.
func TestBundleThatLies(t *testing.T) {
	d, lib := glasshouse(t, 1, 0)
	parts := unpacked(t, written(t, d, lib))
	parts["bundle.json"] = strings.Repeat(" ", 70<<20)
	bundle := packed(parts)
	// The size stands in the directory at the end; it says 1 KB now.
	at := bytes.LastIndex(bundle, []byte("bundle.json"))
	copy(bundle[at-46+24:], []byte{0, 4, 0, 0})
	if _, err := exchange.Read(bytes.NewReader(bundle), int64(len(bundle)), nil); err == nil {
		t.Error("a part of 70 MB that says it has 1 KB was read")
	}
}

// Reading and writing end when they are told to.
func TestBundleStops(t *testing.T) {
	d, lib := glasshouse(t, 1, 20)
	bundle := written(t, d, lib)
	stop := errors.New("stopped")
	for after := range 6 {
		n := 0
		done := func() error {
			if n++; n > after {
				return stop
			}
			return nil
		}
		var seen int64
		watch := func(read, of int64) error {
			if read < seen || read > of {
				t.Errorf("%d of %d bytes after %d", read, of, seen)
			}
			seen = read
			return done()
		}
		if _, err := exchange.Read(bytes.NewReader(bundle), int64(len(bundle)), watch); !errors.Is(err, stop) {
			t.Errorf("reading was not stopped after %d parts: %v", after, err)
		}
		n = 0
		if err := exchange.Write(io.Discard, d, lib.get, done); !errors.Is(err, stop) {
			t.Errorf("writing was not stopped after %d parts: %v", after, err)
		}
	}
}
