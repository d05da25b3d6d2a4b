package tests

import (
	"bytes"
	"encoding/base64"
	"image"
	"image/color"
	"image/png"
	"os"
	"path/filepath"
	"testing"

	"github.com/go-rod/rod/lib/input"
)

// fetched is the bytes of an address, as the page gets them.
func (w *window) fetched(path string) []byte {
	w.t.Helper()
	text := w.page.MustEval(`async (path) => {
		const bytes = new Uint8Array(await (await fetch(path)).arrayBuffer());
		let s = '';
		for (const b of bytes) s += String.fromCharCode(b);
		return btoa(s);
	}`, path).Str()
	b, err := base64.StdEncoding.DecodeString(text)
	if err != nil {
		w.t.Fatal(err)
	}
	return b
}

// href is where a link leads.
func (w *window) href(label string) string {
	w.t.Helper()
	return w.page.MustElementX("//a[normalize-space()='" + label + "']").MustEval(`() => this.getAttribute('href')`).Str()
}

// A state is kept by name, looked at while nothing can be changed, and gone back to by a
// step that can be undone.
func TestKeptState(t *testing.T) {
	_, w := trial(t)
	w.far()
	w.saved()
	w.with(input.ShiftLeft, 'u')
	w.fill("Name of this version", "With the east wing")
	w.press(input.Enter)
	w.sees("[data-versions]", "nothing changed since")
	w.press(input.Escape)
	w.press(input.Escape)
	w.tap(farName, 6, 2)
	w.click("Delete this map")
	w.click("Delete it with all of that")
	w.until("one map", `() => window.azzel.scene().maps.length === 1`)
	w.saved()
	now := w.probe().Hash
	w.with(input.ShiftLeft, 'u')
	w.click("Show this version")
	w.sees("[data-looking]", "This is the version With the east wing")
	w.until("the map that was", `() => window.azzel.scene().maps.length === 2`)
	w.shoot("looking")
	w.with(input.ControlLeft, 'z')
	w.sees("main", "earlier version, which can’t be changed")
	w.press(input.KeyB)
	w.drag(left, "First map", [2]int{3, 3}, [2]int{6, 6})
	w.click("Back to current version")
	w.until("one map again", `() => window.azzel.scene().maps.length === 1`)
	if w.probe().Hash != now {
		t.Error("the project was changed while a version was shown")
	}
	w.click("Show this version")
	w.click("Restore this version")
	w.until("two maps to stay", `() => window.azzel.scene().maps.length === 2`)
	w.saved()
	if w.probe().Hash == now || !w.page.MustHas("[data-versions]") {
		t.Error("nothing was gone back to")
	}
	w.page.MustReload()
	w.until("two maps after a reload", `() => window.azzel?.scene()?.maps.length === 2`)
	w.with(input.ControlLeft, 'z')
	w.until("the step taken back", `() => window.azzel.scene().maps.length === 1`)
	w.quiet()
}

// A project is copied to a file by a button and brought in by another; a map goes out as
// PNG, and a layer as CSV and in again. What can't be read says why and changes nothing.
func TestCopies(t *testing.T) {
	s, w := trial(t)
	w.with(input.ShiftLeft, 'u')
	bundle := w.fetched(w.href("Export project"))
	dir := t.TempDir()
	put := func(name string, body []byte) string {
		file := filepath.Join(dir, name)
		if err := os.WriteFile(file, body, 0o600); err != nil {
			t.Fatal(err)
		}
		return file
	}
	home := s.window("/")
	home.page.MustElement(`[aria-label="File of a project"]`).MustSetFiles(put("half.zip", bundle[:len(bundle)/2]))
	home.sees("[role=alert]", "half.zip: This is no bundle")
	home.page.MustElement(`[aria-label="File of a project"]`).MustSetFiles(put("whole.zip", bundle))
	home.until("the project that came in", `() => window.azzel?.scene()?.maps.length === 1`)
	home.with(input.ShiftLeft, 'u')
	if again := home.fetched(home.href("Export project")); string(again) != string(bundle) {
		t.Error("out, in and out again gave other bytes")
	}
	// The layer's settings have its cells.
	home.press(input.Escape, input.Escape)
	name := home.scene().Maps[0].Name
	home.over(name, 5, 5)
	home.with(input.ShiftLeft, 'y')
	cells := home.fetched(home.href("Export CSV"))
	before := home.rows(name, 0, 0, 3, 2)
	home.page.MustElement(`[aria-label="CSV file with the cells of this layer"]`).MustSetFiles(put("ragged.csv", []byte("a1,a2\na1")))
	home.sees("main", "Row 2 has 1 columns, and row 1 has 2")
	home.page.MustElement(`[aria-label="CSV file with the cells of this layer"]`).MustSetFiles(put("small.csv", []byte("\xef\xbb\xbfa7;;a2:x\r\na1;a1;")))
	home.until("the cells of the file", `(name) => window.azzel.cells(name, 0, 0, 3, 2).join(' ') === '7 0 16777218 1 1 0'`, name)
	home.press(input.Escape) // leaves the field with the name of the layer
	home.with(input.ControlLeft, 'z')
	home.until("the cells before", `(name, was) => window.azzel.cells(name, 0, 0, 3, 2).join(' ') === was`, name, before)
	home.saved()
	if again := home.fetched(home.href("Export CSV")); string(again) != string(cells) {
		t.Error("undone, the cells go out otherwise")
	}
	home.press(input.Escape)
	home.press(input.Escape)
	home.tap(name, 5, 5)
	home.page.MustElementX("//summary[normalize-space()='Picture']").MustClick()
	if png := home.fetched(home.href("Export PNG")); string(png[:4]) != "\x89PNG" {
		t.Error("the map's picture is no PNG")
	}
	home.quiet()
	w.quiet()
}

// A picture in which each colour means a tile becomes a map, by a legend that is seen and
// corrected first; one with too many colours says so.
func TestMapOfColours(t *testing.T) {
	_, w := trial(t)
	img := image.NewNRGBA(image.Rect(0, 0, 6, 4))
	for i := range 24 {
		c := color.NRGBA{0, 0, 0, 0}
		switch {
		case i%6 == 0:
			c = color.NRGBA{200, 30, 30, 255}
		case i%6 < 4:
			c = color.NRGBA{30, 30, 200, 255}
		}
		img.SetNRGBA(i%6, i/6, c)
	}
	var file, photo bytes.Buffer
	if err := png.Encode(&file, img); err != nil {
		t.Fatal(err)
	}
	many := image.NewNRGBA(image.Rect(0, 0, 100, 1))
	for x := range 100 {
		many.SetNRGBA(x, 0, color.NRGBA{uint8(x), 0, 0, 255})
	}
	if err := png.Encode(&photo, many); err != nil {
		t.Fatal(err)
	}
	w.press('t')
	w.click("Take wall")
	w.press('t')
	w.seek("Make a map from a picture’s colours")
	w.page.MustElement("input[type=file]").MustSetFiles(write(t, "photo.png", photo.Bytes()))
	w.sees("[role=alert]", "more than 64 colours")
	w.page.MustElement("input[type=file]").MustSetFiles(write(t, "Moss court.png", file.Bytes()))
	w.until("twelve cells of blue", `() => /12\s+cells/.test(document.querySelector('[data-colour="#1e1ec8"]')?.textContent ?? '')`)
	w.page.MustElementX(`//li[@data-colour='#c81e1e']//button[normalize-space()='Tile in hand']`).MustClick()
	w.accessible("the legend")
	w.click("Make a map of 6 × 4 cells")
	w.until("the map", `() => window.azzel.scene().maps.some(m => m.name === 'Moss court')`)
	w.saved()
	w.until("its cells", `() => { const c = window.azzel.cells('Moss court', 0, 1, 6, 1); return c[0] === 3 && c[1] > 0 && c[1] === c[3] && c[4] === 0 && c[5] === 0; }`)
	// The legend is remembered.
	w.seek("Make a map from a picture’s colours")
	w.page.MustElement("input[type=file]").MustSetFiles(write(t, "Fern court.png", file.Bytes()))
	w.click("Make a map of 6 × 4 cells")
	w.until("a map by the same legend", `() => window.azzel.cells('Fern court', 0, 1, 6, 1)[0] === 3`)
	w.saved()
	w.quiet()
}
